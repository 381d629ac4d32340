package frame

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/motion"
	"billow/core/paint"
)

// Place is where a layer is on a frame, for handles and pointers.
type Place struct {
	Layer    string        `json:"layer"`
	X        float64       `json:"x"` // centre, units from the frame's centre
	Y        float64       `json:"y"`
	W        float64       `json:"w"` // as drawn, before turning, units
	H        float64       `json:"h"`
	Turn     float64       `json:"turn"` // degrees clockwise
	Opacity  float64       `json:"opacity"`
	Position [2]float64    `json:"position"` // relative to rest, "just outside" worked out
	Corners  [4][2]float64 `json:"corners"`  // clockwise from the upper left one
}

// Places lists the layers that are on at a frame, from the back to the front.
func (s *Stage) Places(frame int) []Place {
	out := []Place{}
	for _, a := range s.actors {
		if frame < a.from || frame >= a.to {
			continue
		}
		p := s.pose(a, float64(frame))
		pl := Place{
			Layer: a.layer.ID, X: p.X, Y: p.Y, W: a.w * p.Scale, H: a.h * p.Scale, Turn: p.Turn,
			Opacity: p.Opacity, Position: [2]float64{p.X - a.cx, p.Y - a.cy},
		}
		m := paint.Rotate(p.Turn).Then(paint.Translate(p.X, p.Y))
		for i, c := range [4][2]float64{{-0.5, -0.5}, {0.5, -0.5}, {0.5, 0.5}, {-0.5, 0.5}} {
			pl.Corners[i][0], pl.Corners[i][1] = m.Apply(c[0]*pl.W, c[1]*pl.H)
		}
		out = append(out, pl)
	}
	return out
}

// Pick is the frontmost layer at a point, in units from the frame's centre, or
// "": a cut-out where it is not transparent, words anywhere in their bounds. A
// backdrop is never picked this way.
func (s *Stage) Pick(frame int, x, y float64) string {
	for i := len(s.actors) - 1; i >= 0; i-- {
		a := s.actors[i]
		if frame < a.from || frame >= a.to || a.layer.Backdrop != nil {
			continue
		}
		p := s.pose(a, float64(frame))
		inv, ok := paint.Scale(p.Scale, p.Scale).Then(paint.Rotate(p.Turn)).Then(paint.Translate(p.X, p.Y)).Inverse()
		if !ok || p.Opacity < 0.02 {
			continue
		}
		lx, ly := inv.Apply(x, y)
		if math.Abs(lx) > a.w/2 || math.Abs(ly) > a.h/2 {
			continue
		}
		if a.layer.Cutout == nil || s.opaque(a, lx, ly) {
			return a.layer.ID
		}
	}
	return ""
}

// opaque tells whether a cut-out shows at a point of its own; one whose picture
// is not at hand counts as showing all over.
func (s *Stage) opaque(a *actor, lx, ly float64) bool {
	if s.lib.Picture(s.clip.Prop(a.layer.Cutout.Prop).Hash) == nil {
		return true
	}
	sp := s.sprite(a)
	b := sp.Levels[0]
	px, py := int((lx-sp.x0)*sp.perUnit), int((ly-sp.y0)*sp.perUnit)
	return px >= 0 && py >= 0 && px < b.W && py < b.H && b.Pix[py*b.W+px]>>24 >= 8
}

// Missing lists the letters of a layer's words that no font has, or "".
func (s *Stage) Missing(layer string) string {
	for _, a := range s.actors {
		if a.layer.ID == layer && a.layer.Words != nil {
			return string(s.block(a).Missing)
		}
	}
	return ""
}

// Extent is the stage's shape in units.
func (s *Stage) Extent() (w, h float64) { return layout.Extent(s.shape) }

// Curve is a layer's curve of a property, with "just outside" worked out for
// the stage's shape; nil when the layer is not on this stage.
func (s *Stage) Curve(layer, property string) *motion.Curve {
	for _, a := range s.actors {
		if a.layer.ID == layer {
			return a.curves[slices.Index(clip.Properties, property)]
		}
	}
	return nil
}

// PlainCurve is a layer's curve with "just outside" left as the key's numbers.
func PlainCurve(c *clip.Clip, l *clip.Layer, property string) *motion.Curve {
	return motion.NewCurve(l.Tracks[property], clip.Dims(property), c.Clock())
}
