package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// SetValue changes a property as a person sees it: the key on the frame (or a
// new one) when it has keys, and the layer's own value otherwise.
type SetValue struct {
	Typed
	Layer    string    `json:"layer"`
	Property string    `json:"property"`
	Frame    int       `json:"frame"`
	Value    []float64 `json:"value"`
}

func (s *SetValue) apply(c *clip.Clip) error {
	tracks, l, err := tracksOf(c, s.Layer)
	if err != nil {
		return err
	}
	if !has(l, s.Property) {
		return clip.Fault("property", "%s has no property %q", nameOf(l), s.Property)
	}
	p, _ := clip.PropertyNamed(s.Property)
	if len(tracks[s.Property]) == 0 && l != nil {
		if p.Colour {
			return l.SetColour(s.Property, s.Value)
		}
		if done, err := l.SetNumbers(s.Property, s.Value); done || err != nil {
			return err
		}
		if l.Values == nil {
			l.Values = map[string][]float64{}
		}
		l.Values[s.Property] = s.Value
		if !slices.ContainsFunc(s.Value, func(v float64) bool { return v != p.Neutral }) {
			delete(l.Values, s.Property)
		}
		return nil
	}
	if err := onStage(c, l, s.Frame); err != nil {
		return err
	}
	k := KeyHere(c, s.Layer, s.Property, s.Frame)
	k.Value, k.Move, k.Eased = s.Value, "", false
	putKey(c, tracks, s.Layer, s.Property, k)
	return nil
}

// onStage refuses a frame on which a layer cannot have a new key: outside the
// clip, or outside the layer's scene. nil is the light.
func onStage(c *clip.Clip, l *clip.Layer, frame int) error {
	if frame < 0 || frame >= c.Length {
		return clip.Fault("frame", "frame %d lies outside the clip", frame)
	}
	if from, to := room(c, l); frame < from || frame >= to {
		return clip.Fault("frame", "%q is in a scene that plays from %s to %s; go there first", l.Name, c.Rate.Timecode(from), c.Rate.Timecode(to))
	}
	return nil
}

// room is the frames of the clip on which a layer can show, to not included:
// those of its scene. nil is the light.
func room(c *clip.Clip, l *clip.Layer) (from, to int) {
	if p, ok := c.SceneOf(l); ok {
		return p.From, p.To
	}
	return 0, c.Length
}

// KeyHere is the key of a property on a frame; where there is none, one that
// changes nothing: it holds the value of that frame and eases as the keys near it
// visibly do. layer may be clip.LightID.
func KeyHere(c *clip.Clip, layer, property string, frame int) motion.Key {
	var t motion.Track
	var base []float64
	of := c.Layer(layer)
	clock := c.ClockOf(of)
	if layer == clip.LightID {
		t = c.Light.Tracks[property]
		base = []float64{c.Light.Direction}
		if property == clip.LightHeight {
			base[0] = c.Light.Height
		}
	} else if l := of; l != nil {
		t, base = l.Tracks[property], slices.Clone(l.Base(property))
		if property == clip.Time {
			base = []float64{float64(frame - clock.Start)} // time that goes on as it does outside
		}
	}
	here := motion.Key{At: clock.At(frame), Value: base, Ease: motion.Ease{Kind: motion.InOut}}
	if len(t) > 0 {
		v := clip.Curve(property, t, clock).Sample(float64(frame))
		here.Value = slices.Clone(v[:clip.Dims(property)])
	}
	if property == clip.Scale && len(here.Value) == 2 && here.Value[0] == here.Value[1] {
		here.Value = here.Value[:1]
	}
	before := -1
	for i, k := range t {
		f := clock.Frame(k.At)
		if f == frame {
			here.Off, here.At, here.Out, here.In, here.Move, here.Eased, here.Ease = k.Off, k.At, k.Out, k.In, k.Move, k.Eased, k.Ease
			return here
		}
		if f < frame {
			before = i
		}
	}
	if before >= 0 {
		here.Ease = visibleEase(t, before)
	}
	return here
}

// SetMarks changes the clip's markers and the range that is looped.
type SetMarks struct {
	Typed
	Markers []clip.Mark `json:"markers,omitempty"` // null leaves them
	Range   *clip.Range `json:"range,omitempty"`   // null leaves it
	Whole   bool        `json:"whole,omitempty"`   // the whole clip is looped again
}

func (s *SetMarks) apply(c *clip.Clip) error {
	if s.Markers != nil {
		c.Markers = s.Markers
		sortByTime(c.Clock(), c.Markers, func(m clip.Mark) timing.Moment { return m.At })
	}
	if s.Range != nil {
		c.Range = s.Range
	}
	if s.Whole {
		c.Range = nil
	}
	return nil
}
