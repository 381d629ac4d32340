package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
)

// PartPosition gives each axis of a layer's position keys, easings and a string of its
// own, or makes them one again. Taken apart, the motion stays as it is, but for bent
// paths, which become straight; moves that wrote positions become ordinary keys. Made
// one, a key lies where either axis had one; between keys it eases as the horizontal
// axis did.
type PartPosition struct {
	Typed
	Layer string `json:"layer"`
	Apart bool   `json:"apart"`
}

func (p *PartPosition) apply(c *clip.Clip) error {
	l, err := find(c, p.Layer)
	if err != nil {
		return err
	}
	if p.Apart {
		return apart(l)
	}
	return asOne(c, l)
}

// apart takes the position track of a layer apart.
func apart(l *clip.Layer) error {
	t := l.Tracks[clip.Position]
	if len(t) == 0 {
		return clip.Fault("layer", "the position of %q has no keys to take apart", l.Name)
	}
	if l.Apart() {
		return clip.Fault("layer", "right and down of %q have keys of their own already", l.Name)
	}
	release(l, t)
	for axis, property := range [2]string{clip.X, clip.Y} {
		track := make(motion.Track, len(t))
		for i, k := range t {
			track[i] = motion.Key{At: k.At, Value: []float64{k.Value[axis]}, Ease: k.Ease, Off: sideOn(axis, k.Off)}
		}
		l.Tracks[property] = track
	}
	delete(l.Tracks, clip.Position)
	return nil
}

// release makes ordinary keys of all that moves with keys in a track have written.
func release(l *clip.Layer, t motion.Track) {
	gone := map[string]bool{}
	for _, k := range t {
		gone[k.Move] = k.Move != ""
	}
	l.Moves = slices.DeleteFunc(l.Moves, func(m clip.Move) bool { return gone[m.ID] })
	for _, track := range l.Tracks {
		for i := range track {
			if gone[track[i].Move] {
				track[i].Move, track[i].Eased = "", false
			}
		}
	}
}

// sideOn is the side of a key that is just outside, on one axis.
func sideOn(axis int, off string) string {
	x, y := motion.SideOf(off)
	switch [2]int{x, y}[axis] {
	case -1:
		return [2]string{"left", "above"}[axis]
	case 1:
		return [2]string{"right", "below"}[axis]
	}
	return ""
}

// asOne makes one track of those of both axes.
func asOne(c *clip.Clip, l *clip.Layer) error {
	if !l.Apart() {
		return clip.Fault("layer", "right and down of %q have no keys of their own", l.Name)
	}
	if len(l.Tracks[clip.Position]) > 0 {
		return clip.Fault("layer", "the position of %q has keys besides, perhaps of a move; take them away first", l.Name)
	}
	clock := c.ClockOf(l)
	tracks := [2]motion.Track{l.Tracks[clip.X], l.Tracks[clip.Y]}
	var out motion.Track
	for axis, t := range tracks {
		for _, k := range t {
			f := clock.Frame(k.At)
			if slices.ContainsFunc(out, func(have motion.Key) bool { return clock.Frame(have.At) == f }) {
				continue
			}
			one := motion.Key{At: k.At, Value: []float64{0, 0}, Ease: k.Ease}
			var sides [2]string
			for a, other := range tracks {
				one.Value[a], sides[a] = onAxis(c, l, [2]string{clip.X, clip.Y}[a], other, f)
			}
			one.Off = motion.Corner(sides[0], sides[1])
			if axis == 1 {
				one.Ease = visibleEase(tracks[0], keyBefore(c, l, tracks[0], f))
				if len(tracks[0]) == 0 {
					one.Ease = k.Ease
				}
			}
			out = append(out, one)
		}
	}
	delete(l.Tracks, clip.X)
	delete(l.Tracks, clip.Y)
	l.Tracks[clip.Position] = sorted(clock, out)
	return nil
}

// onAxis is the value of one axis on a frame, and the side on which a key there is just
// outside.
func onAxis(c *clip.Clip, l *clip.Layer, property string, t motion.Track, frame int) (float64, string) {
	if len(t) == 0 {
		return 0, ""
	}
	clock := c.ClockOf(l)
	for _, k := range t {
		if clock.Frame(k.At) == frame {
			return k.Value[0], k.Off
		}
	}
	return clip.Curve(property, t, clock).At(float64(frame), 0), ""
}

// keyBefore is the number of the last key before a frame, or -1.
func keyBefore(c *clip.Clip, l *clip.Layer, t motion.Track, frame int) int {
	clock, n := c.ClockOf(l), -1
	for i, k := range t {
		if clock.Frame(k.At) < frame {
			n = i
		}
	}
	return n
}
