package graph

import (
	"math"

	"billow/core/paint"
)

// Outline is a line around all that is visible, holes included.
type Outline struct {
	Width  float64 // units
	Pixel  uint32  // its colour
	Finest float64 // pixels a unit beyond which detail is of no use
	// Distances keeps how far each pixel lies from a picture, which serves all
	// widths.
	Distances func(k Key, measure func() *paint.Distances) *paint.Distances
	Of        Key // what the distances are of
}

// outlineMargin is by how many pixels the room for an outline grows at once, so
// that one that widens needs few different rooms.
const outlineMargin = 32

// pixels is the width in pixels; finer steps than a sixteenth cannot be seen.
func (o Outline) pixels(per float64) float64 { return math.Round(o.Width*per*16) / 16 }

// Key adds the outline.
func (o Outline) Key(k Key) Key {
	return k.Text("outline").Nums(o.Width, o.Finest).Word(uint64(o.Pixel))
}

// Reach is the width.
func (o Outline) Reach() float64 { return o.Width }

// Apply draws the outline beneath the picture.
func (o Outline) Apply(in *paint.Sheet, _ bool, pool *paint.Pool) *paint.Sheet {
	s := in.Reduced(o.Finest)
	width := o.pixels(s.Per)
	margin := (int(width)/outlineMargin + 1) * outlineMargin
	b := s.Picture
	d := o.Distances(o.Of.Text("distances").Nums(s.Per, float64(margin)), func() *paint.Distances {
		return paint.DistancesAround(b, margin)
	})
	return paint.NewSheet(d.Outlined(b, width, o.Pixel, pool), s.X-float64(margin), s.Y-float64(margin), s.Per)
}
