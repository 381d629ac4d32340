package layered

import (
	"fmt"
	"math"
	"slices"

	"billow/core/clip"
)

// Longer is how long the longer side of a layered picture is in a clip, in units.
const Longer = 1000

// InClip gives the layers of a clip that show a picture: a group about the middle of the frame,
// after all that is in it, the lowest first; each layer where it lies in the picture. find
// gives the prop that a layer's file has become, and by how much it was made smaller; nil
// is one on which nothing is to be seen. What cannot be shown as it is meant is said.
func (p *Picture) InClip(name string, find func(l *Layer) (*clip.Prop, float64)) (layers []clip.Layer, notes []string) {
	m := &maker{find: find, unit: Longer / float64(max(p.W, p.H)), w: float64(p.W), h: float64(p.H)}
	root := clip.NewGroup("picture", name)
	m.add(p.Layers, root.ID, 0, 0)
	return append(m.out, root), m.notes
}

type maker struct {
	find  func(l *Layer) (*clip.Prop, float64)
	unit  float64 // units a pixel
	w, h  float64
	made  int
	out   []clip.Layer
	notes []string
}

func (m *maker) say(note string, with ...any) {
	if n := fmt.Sprintf(note, with...); !slices.Contains(m.notes, n) {
		m.notes = append(m.notes, n)
	}
}

func (m *maker) add(list []Layer, in string, dx, dy int) {
	for i := range list {
		l := &list[i]
		name := l.Name
		if name == "" {
			name = "Layer"
		}
		m.made++
		id := fmt.Sprintf("picture-%d", m.made)
		var made clip.Layer
		if l.Group {
			made = clip.NewGroup(id, name)
			m.add(l.Stack, id, dx+l.X, dy+l.Y)
		} else {
			prop, k := m.find(l)
			if prop == nil {
				m.say("%q, on which nothing is to be seen", name)
				continue
			}
			made = clip.NewLayer(id, name, clip.KindCutout)
			made.Cutout = &clip.Cutout{Prop: prop.ID}
			v := prop.Picture.Visible
			made.Rest.Size = float64(max(v[2]-v[0], v[3]-v[1])) / k * m.unit
			made.Rest.X = (float64(v[0]+v[2])/2/k + float64(dx+l.X) - m.w/2) * m.unit
			made.Rest.Y = (float64(v[1]+v[3])/2/k + float64(dy+l.Y) - m.h/2) * m.unit
			made.Rest.Size = max(made.Rest.Size, 1)
		}
		m.mix(&made, l)
		made.Group = in
		m.out = append(m.out, made)
	}
}

// mix gives a layer the opacity and the blend mode that it has.
func (m *maker) mix(made *clip.Layer, l *Layer) {
	made.Lift, made.Hidden = 0, l.Hidden
	if l.Opacity != 1 {
		made.Values = map[string][]float64{clip.Opacity: {math.Round(l.Opacity*1e4) / 100}}
	}
	switch {
	case slices.Contains(clip.BlendModes, l.Blend):
		made.Blend = l.Blend
	case l.Blend == "plus":
		made.Blend = "screen"
		m.say("light that adds up, which is mixed by %q here", "screen")
	default:
		m.say("the blend mode %q of %q", l.Blend, l.Name)
	}
}
