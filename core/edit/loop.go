package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
)

// CloseLoop makes the last frame meet the first: every property of every layer
// that shows on both comes back to its first value, and wandering is closed.
type CloseLoop struct{ Typed }

func (*CloseLoop) apply(c *clip.Clip) error {
	last := c.Length - 1
	if last < 2 {
		return clip.Fault("length", "a clip of %d frames is too short for a loop", c.Length)
	}
	c.OwnAll()
	for i := range c.Layers {
		l := &c.Layers[i]
		from, to := c.Span(l)
		if from > 0 || to < c.Length {
			continue
		}
		if l.Wander != nil {
			l.Wander.Closed = true
		}
		for name := range l.Tracks {
			closeTrack(c, l.Tracks, l.ID, name, last)
		}
	}
	for name := range c.Light.Tracks {
		closeTrack(c, c.Light.Tracks, clip.LightID, name, last)
	}
	return nil
}

// closeTrack puts a key with the first frame's value on the last frame. A value
// that already comes back stays as it is.
func closeTrack(c *clip.Clip, tracks map[string]motion.Track, layer, property string, last int) {
	t := tracks[property]
	clock := c.ClockOf(c.Layer(layer))
	curve := clip.Curve(property, t, clock)
	n := clip.Dims(property)
	a, b := curve.Sample(0), curve.Sample(float64(last))
	before, after := t[0], t[len(t)-1]
	if a == b && before.Off == after.Off {
		return
	}
	key := motion.Key{At: clock.At(last), Value: slices.Clone(a[:n]), Ease: motion.Ease{Kind: motion.InOut}}
	if property == clip.Scale && a[0] == a[1] {
		key.Value = key.Value[:1]
	}
	if clock.Frame(before.At) <= 0 {
		key.Off = before.Off
	}
	lead(c, t, layer, last)
	putKey(c, tracks, layer, property, key)
}

// lead makes the string that reaches a frame lead there: a hold would jump.
func lead(c *clip.Clip, t motion.Track, layer string, frame int) {
	clock := c.ClockOf(c.Layer(layer))
	for i := len(t) - 1; i >= 0; i-- {
		if clock.Frame(t[i].At) >= frame {
			continue
		}
		if t[i].Ease.Kind == motion.Hold {
			t[i].Ease = motion.Ease{Kind: motion.InOut}
			byHand(c, layer, &t[i])
		}
		return
	}
}
