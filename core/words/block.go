package words

import (
	"billow/core/colour"
	"billow/core/paint"
)

// Block is set text: filled outlines in units about the block's centre.
type Block struct {
	W, H    float64 // of words and plate together, units
	Size    float64 // of the words, units
	Shapes  []Shape // from the back to the front
	Lines   int
	Words   int
	Missing []rune // letters that no font has

	Glyphs   []Glyph // in the order in which they are drawn
	Clusters int
}

// Shape is an outline in one colour; a letter may have a line along its edge.
type Shape struct {
	Path   paint.Path
	Fill   colour.Colour
	Letter bool
	Plain  bool // of letters without emphasis and accents
	Line   int  // whose plate it is
}

// Pen draws the outline of letters: its width in units, and between which
// shares (0..1) of each contour's length it is drawn.
type Pen struct{ Width, Start, End float64 }

// None draws nothing.
func (p Pen) None() bool { return p.Width <= 0 || p.End <= p.Start }

// Ink is what letters are drawn with, beside their own colours.
type Ink struct {
	Pen     Pen
	Outline colour.Colour
	Behind  bool // the outline lies behind all letters
	// Shade, unless it is nil, colours plain letters over a box of pixels: that of a plane
	// so wide and high, units, about the block's centre.
	Shade func(box paint.Box) paint.Shader
	Over  [2]float64
}

// Raster draws the block at a number of pixels a unit. (x0, y0) is where the bitmap's upper left corner lies,
// in units from the block's centre.
func (b *Block) Raster(perUnit float64, ink Ink) (bitmap *paint.Bitmap, x0, y0 float64) {
	return b.drawn(b.box(perUnit, ink.Pen), perUnit, ink)
}

// RasterIn is Raster of a part of another block, on the same grid of pixels.
func (b *Block) RasterIn(whole *Block, perUnit float64, ink Ink) (bitmap *paint.Bitmap, x0, y0 float64) {
	box, grid := b.box(perUnit, ink.Pen), whole.box(perUnit, ink.Pen)
	box[0], box[1] = onGrid(box[0], grid[0], perUnit), onGrid(box[1], grid[1], perUnit)
	return b.drawn(box, perUnit, ink)
}

// box is where the block is drawn, with a margin of pixels.
func (b *Block) box(perUnit float64, pen Pen) (box [4]float64) {
	some := b.W > 0
	box = [4]float64{-b.W / 2, -b.H / 2, b.W / 2, b.H / 2}
	for _, s := range b.Shapes {
		switch p := s.Path.Bounds(); {
		case len(s.Path) == 0:
		case !some:
			box, some = p, true
		default:
			box = [4]float64{min(box[0], p[0]), min(box[1], p[1]), max(box[2], p[2]), max(box[3], p[3])}
		}
	}
	margin := 2/perUnit + pen.Width/2
	return [4]float64{box[0] - margin, box[1] - margin, box[2] + margin, box[3] + margin}
}

// drawn draws the block into a box.
func (b *Block) drawn(box [4]float64, perUnit float64, ink Ink) (bitmap *paint.Bitmap, x0, y0 float64) {
	x0, y0 = box[0], box[1]
	w, h := int((box[2]-x0)*perUnit)+1, int((box[3]-y0)*perUnit)+1
	bitmap = paint.NewBitmap(w, h)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(perUnit, perUnit))
	var shade paint.Shader
	if ink.Shade != nil {
		x, y := m.Apply(-ink.Over[0]/2, -ink.Over[1]/2)
		shade = ink.Shade(paint.Box{X: x, Y: y, W: ink.Over[0] * perUnit, H: ink.Over[1] * perUnit})
	}
	outline := func(s Shape) {
		if s.Letter && !ink.Pen.None() {
			bitmap.FillPath(s.Path.Transformed(m).Stroked(ink.Pen.Width*perUnit, ink.Pen.Start, ink.Pen.End, 0.1), ink.Outline)
		}
	}
	behind := ink.Behind && !ink.Pen.None()
	for i, s := range b.Shapes {
		if behind && s.Letter { // once plates are drawn
			for _, other := range b.Shapes[i:] {
				outline(other)
			}
			behind = false
		}
		switch path := s.Path.Transformed(m); {
		case s.Plain && shade != nil:
			bitmap.FillPathShaded(path, shade, false)
		case s.Fill.A > 0:
			bitmap.FillPath(path, s.Fill)
		}
		if !ink.Behind {
			outline(s)
		}
	}
	return bitmap, x0, y0
}
