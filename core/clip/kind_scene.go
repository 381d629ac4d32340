package clip

import "billow/core/transition"

// Scene is a part of the clip with layers and a time of its own. Scenes follow
// each other in the order of the layers list.
type Scene struct {
	// Its length: frames, or beats or bars after its first beat, so that the next
	// one begins on a beat. One of them is more than 0.
	Frames int     `json:"frames,omitempty"`
	Beats  float64 `json:"beats,omitempty"`
	Bars   float64 `json:"bars,omitempty"`

	// What leads to the next scene, which begins when this one ends, as it ever does:
	// this one goes on beneath it meanwhile. None is a cut.
	Leave Leave `json:"leave,omitzero"`

	Product string `json:"product,omitempty"` // what the slots in it show; none is what the clip says
}

// Leave is how a scene leads to the next.
type Leave struct {
	Kind   string `json:"kind"`   // a transition
	Frames int    `json:"frames"` // that it takes, 1..300
}

// Lasts gives a scene the length of another.
func (s *Scene) Lasts(as Scene) { s.Frames, s.Beats, s.Bars = as.Frames, as.Beats, as.Bars }

// tooLong tells whether a length is beyond all limits, or below 0.
func (s *Scene) tooLong() bool {
	most := float64(MaxSeconds * 400 / 60)
	return !(s.Frames >= 0 && s.Frames <= MaxSeconds*60 && s.Beats >= 0 && s.Beats <= most && s.Bars >= 0 && s.Bars <= most)
}

var sceneKind = &Kind{
	ID: KindScene, Name: "Scene", Says: "A part of the clip with a time of its own", Field: "scene", Icon: "film", Holds: true, Fills: true, Plays: true,
	Draft: func(c *Clip, l *Layer, _ DraftOf) {
		*l = NewScene(l.ID, c.FreeSceneName(), Scene{Bars: 2})
	},
	Content: func(l *Layer) any { return held(l.Scene) },
	Own:     func(l *Layer) { l.Scene = copied(l.Scene) },
	Check: func(c *Clip, field string, l *Layer) error {
		s := l.Scene
		given := 0
		for _, v := range []float64{float64(s.Frames), s.Beats, s.Bars} {
			if v != 0 {
				given++
			}
		}
		if given != 1 {
			return Fault(field, "a scene lasts so many frames, beats or bars: one of them")
		}
		if s.tooLong() {
			return Fault(field, "a scene lasts at most %d seconds", MaxSeconds)
		}
		if s.Leave != (Leave{}) {
			if transition.Named(s.Leave.Kind) == nil {
				return Fault(field+".leave.kind", "there is no transition %q", s.Leave.Kind)
			}
			if err := within(field+".leave.frames", float64(s.Leave.Frames), 1, 300); err != nil {
				return err
			}
		}
		if !c.hasProduct(s.Product, false) {
			return Fault(field+".product", "there is no product %q", s.Product)
		}
		if l.Group != "" {
			return Fault("layers["+l.ID+"].group", "the scene %q cannot lie in a group or in a scene", l.Name)
		}
		if l.Follow != nil || l.Shadow != nil || l.Lift != 0 || l.To != nil || l.From.OnBeat || l.From.Frames != 0 || len(l.Rests) > 0 {
			return Fault("layers["+l.ID+"]", "the scene %q fills the frame: it has no rest, no lift, no shadow and follows nothing", l.Name)
		}
		return nil
	},
}

// NewScene is an empty scene of a length.
func NewScene(id, name string, length Scene) Layer {
	l := NewLayer(id, name, KindScene)
	l.Rest.Size = 1000
	l.Scene = &length
	return l
}
