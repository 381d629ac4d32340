package edit

import (
	"math"
	"slices"

	"billow/core/clip"
)

// Room is by how many frames keys can be dragged: from Least to Most, but not by
// what is Taken, where one would lie on another key of its string.
type Room struct {
	Least int   `json:"least"`
	Most  int   `json:"most"`
	Taken []int `json:"taken"` // in order
}

// dragged is the keys of one property that are dragged, and those that stay.
type dragged struct {
	moving, standing []int
	from, to         int // the frames on which they may lie
}

// stringsOf sorts keys by what they belong to.
func stringsOf(c *clip.Clip, keys []KeyRef) (map[[2]string]*dragged, error) {
	out := map[[2]string]*dragged{}
	for _, k := range distinct(keys) {
		t, _, err := k.locate(c)
		if err != nil {
			return nil, err
		}
		id := [2]string{k.Layer, k.Property}
		if out[id] == nil {
			from, to := room(c, c.Layer(k.Layer))
			out[id] = &dragged{from: from, to: to}
			for i := range t {
				out[id].standing = append(out[id].standing, k.clock(c).Frame(t[i].At))
			}
		}
		s := out[id]
		s.moving = append(s.moving, k.Frame)
		s.standing = slices.DeleteFunc(s.standing, func(f int) bool { return f == k.Frame })
	}
	return out, nil
}

// RoomToMove is by how many frames keys can be moved together. The error names a
// key that is not there.
func RoomToMove(c *clip.Clip, keys []KeyRef) (Room, error) {
	all, err := stringsOf(c, keys)
	if err != nil {
		return Room{}, err
	}
	out := Room{Least: -c.Length, Most: c.Length, Taken: []int{}}
	for _, s := range all {
		for _, f := range s.moving {
			// What lies beyond its scene already may stay there.
			out.Least = max(out.Least, min(0, s.from-f))
			out.Most = min(out.Most, max(0, s.to-1-f))
			for _, there := range s.standing {
				out.Taken = append(out.Taken, there-f)
			}
		}
	}
	return out.tidy(), nil
}

// RoomToStretch is by how many frames a key at bead can be dragged when all keys
// are stretched from the frame anchor, which stays.
func RoomToStretch(c *clip.Clip, keys []KeyRef, anchor, bead int) (Room, error) {
	all, err := stringsOf(c, keys)
	if err != nil || bead == anchor {
		return Room{Taken: []int{}}, err
	}
	span := bead - anchor
	out := Room{Least: -c.Length, Most: c.Length, Taken: []int{}}
	if span > 0 {
		out.Least = 1 - span // the bead stays on its side of the anchor
	} else {
		out.Most = -1 - span
	}
	for by := out.Least; by <= out.Most; by++ {
		factor := float64(span+by) / float64(span)
		if factor < 0.01 || factor > 100 || !fitStretched(all, anchor, factor) {
			out.Taken = append(out.Taken, by)
		}
	}
	return out.tidy(), nil
}

// fitStretched tells whether stretched keys lie where they may, each on a frame
// of its own.
func fitStretched(all map[[2]string]*dragged, anchor int, factor float64) bool {
	for _, s := range all {
		taken := map[int]bool{}
		for _, f := range s.standing {
			taken[f] = true
		}
		for _, f := range s.moving {
			to := stretched(f, anchor, factor)
			if to < min(s.from, f) || to >= max(s.to, f+1) || taken[to] {
				return false
			}
			taken[to] = true
		}
	}
	return true
}

// stretched is where a frame comes to lie.
func stretched(f, anchor int, factor float64) int {
	return anchor + int(math.Round(float64(f-anchor)*factor))
}

// tidy leaves what is taken between the ends, in order, each once.
func (r Room) tidy() Room {
	slices.Sort(r.Taken)
	r.Taken = slices.Compact(r.Taken)
	for len(r.Taken) > 0 && r.Taken[0] <= r.Least && r.Taken[0] < 0 {
		r.Least, r.Taken = max(r.Least, r.Taken[0]+1), r.Taken[1:]
	}
	for n := len(r.Taken); n > 0 && r.Taken[n-1] >= r.Most && r.Taken[n-1] > 0; n-- {
		r.Most, r.Taken = min(r.Most, r.Taken[n-1]-1), r.Taken[:n-1]
	}
	return r
}
