package layout

import "billow/core/clip"

// outermost is the outermost group that keeps a layer's place to others, or nil. The stage of a
// line-up is none: it spans the frame, and what is on it stands by itself.
func outermost(c *clip.Clip, l *clip.Layer) *clip.Layer {
	var found *clip.Layer
	id := l.Group
	for depth := 0; id != "" && depth <= clip.MaxDepth; depth++ {
		g := c.Layer(id)
		if g == nil || g.Lineup != nil {
			return nil
		}
		if g.Kind == clip.KindGroup && g.Inside != nil && g.Inside.Together {
			found = g
		}
		id = g.Group
	}
	return found
}

// together is the rest of a layer in a group, derived for a shape: the group's parts
// keep their places to each other, and all shrink alike. Their middle goes where a
// layer would go that is pinned as all of them are, on each axis.
func together(c *clip.Clip, group, l *clip.Layer, s clip.Shape) clip.Rest {
	home := c.Shapes[0]
	if l.Is().Fills || l.Is().Holds {
		return derived(l, home, s)
	}
	middle, sides := parts(c, group, home)
	hw, hh := Extent(home)
	w, h := Extent(s)
	shrink := Shrink(home, s)
	there := [2]float64{
		moved(middle[0], sides[0], hw, w, shrink),
		moved(middle[1], sides[1], hh, h, shrink),
	}
	x, y := Centre(l.Rest, home)
	px, py := PinPoint(l.Rest.Pin, s)
	r := l.Rest
	r.X, r.Y = there[0]+(x-middle[0])*shrink-px, there[1]+(y-middle[1])*shrink-py
	r.Size *= shrink
	return r
}

// parts is the middle of all that is in a group, in the home shape, and to which side
// all of it is pinned on each axis: -1, 1, or 0 where they differ.
func parts(c *clip.Clip, group *clip.Layer, home clip.Shape) (middle, sides [2]float64) {
	first := true
	var box Box
	for i := range c.Layers {
		l := &c.Layers[i]
		if k := l.Is(); k.Fills || k.Holds || !c.Within(l, group.ID) {
			continue
		}
		x, y := Centre(l.Rest, home)
		px, py := PinSide(l.Rest.Pin)
		if first {
			box, sides, first = Box{x, y, x, y}, [2]float64{px, py}, false
			continue
		}
		box = box.Union(Box{x, y, x, y})
		if px != sides[0] {
			sides[0] = 0
		}
		if py != sides[1] {
			sides[1] = 0
		}
	}
	return [2]float64{(box.X0 + box.X1) / 2, (box.Y0 + box.Y1) / 2}, sides
}

// moved is where a point goes on an axis: at its distance from the edge that it is
// pinned to, or to its share of the frame.
func moved(at, side, from, to, shrink float64) float64 {
	if side != 0 {
		return side*to/2 + (at-side*from/2)*shrink
	}
	return at * to / from
}
