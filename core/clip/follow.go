package clip

import "slices"

// mostFollowed is how many layers and groups may have to be looked at to know
// how one layer is carried.
const mostFollowed = 2000

// followings checks what follows what.
type followings struct {
	byID map[string]*Layer
	cost map[*Layer]int // how much is looked at for a layer, once that is known
}

func (f followings) validate(c *Clip) error {
	for i := range c.Layers {
		if _, err := f.count(&c.Layers[i], nil); err != nil {
			return err
		}
	}
	return nil
}

// count is how much is looked at to know how a layer is carried: its leader, and
// the groups that carry the leader but not the layer, each with what it follows
// itself. way is what led here.
func (f followings) count(l *Layer, way []*Layer) (int, error) {
	n, known := f.cost[l]
	if known || l.Follow == nil {
		return n, nil
	}
	field := "layers[" + l.ID + "].follow"
	if i := slices.Index(way, l); i >= 0 {
		return 0, Fault(field, "a circle of following: %s", f.tell(append(way[i:], l)))
	}
	leader := f.byID[l.Follow.Layer]
	if leader == nil {
		return 0, Fault(field, "%q follows %q, which does not exist", l.Name, l.Follow.Layer)
	}
	if contains(f.byID, l, leader.ID) {
		return 0, Fault(field, "%q lies in %q and moves with it already", l.Name, leader.Name)
	}
	way = append(way, l)
	n = 1
	for at, times := leader, 1; at != nil && !contains(f.byID, l, at.ID); at, times = f.byID[at.Group], 2 {
		more, err := f.count(at, way)
		if err != nil {
			return 0, err
		}
		n += times * more
	}
	if n > mostFollowed {
		return 0, Fault(field, "%q follows too much: its leader follows others, and so do the groups that hold them", l.Name)
	}
	f.cost[l] = n
	return n, nil
}

// tell puts a circle into words: each in it follows the next, or what is in it.
func (f followings) tell(circle []*Layer) string {
	out := "“" + circle[0].Name + "”"
	for i, l := range circle[1:] {
		leader := f.byID[circle[i].Follow.Layer]
		out += " follows “" + leader.Name + "”"
		if leader != l {
			out += " in “" + l.Name + "”, which"
		}
	}
	return out
}
