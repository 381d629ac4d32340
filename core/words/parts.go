package words

import (
	"math"
	"slices"

	"billow/core/colour"
	"billow/core/paint"
)

// Part is a line, a word or a letter of set text, or all of it: what moves together.
type Part struct {
	Glyphs []int   // of the block, in the order in which they are drawn
	Line   int     // the number of its first line
	X0, X1 float64 // from where it begins to where it ends
	Y0, Y1 float64 // from above its highest letters to beneath its lowest ones
	Foot   float64 // its last baseline
	Turn   float64 // of its baseline where all of it stands on one, degrees clockwise
}

// Parts divides the block, in the order in which it is read: by is line, word or letter, or
// whole. What has no outline, as a space, is none.
func (b *Block) Parts(by string) []Part {
	number := func(g Glyph) int { return 0 }
	count := 1
	switch by {
	case "line":
		number, count = func(g Glyph) int { return g.Line }, b.Lines
	case "word":
		number, count = func(g Glyph) int { return g.Word }, b.Words
	case "letter":
		number, count = func(g Glyph) int { return g.Cluster }, b.Clusters
	}
	all := make([]Part, count)
	for i, g := range b.Glyphs {
		n := number(g)
		if g.From == g.To || n >= count {
			continue
		}
		p := &all[n]
		x0, x1, y0, y1 := g.box()
		if len(p.Glyphs) == 0 {
			p.Line, p.Turn, p.X0, p.X1, p.Y0, p.Y1 = g.Line, g.Turn, x0, x1, y0, y1
		}
		if p.Turn != g.Turn {
			p.Turn = 0
		}
		p.Glyphs = append(p.Glyphs, i)
		p.X0, p.X1, p.Y0, p.Y1 = min(p.X0, x0), max(p.X1, x1), min(p.Y0, y0), max(p.Y1, y1)
		p.Foot = max(p.Foot, g.Y)
		if len(p.Glyphs) == 1 {
			p.Foot = g.Y
		}
	}
	out := all[:0]
	for _, p := range all {
		if len(p.Glyphs) > 0 {
			out = append(out, p)
		}
	}
	return out
}

// Lines is in which line each part begins.
func Lines(parts []Part) []int {
	out := make([]int, len(parts))
	for i, p := range parts {
		out[i] = p.Line
	}
	return out
}

// Only is the outlines of a part of the block, where they are in it.
func (b *Block) Only(p Part) *Block {
	out := &Block{Size: b.Size}
	last := -1
	for _, i := range p.Glyphs {
		g := b.Glyphs[i]
		if g.Shape != last {
			s := b.Shapes[g.Shape]
			s.Path = nil
			out.Shapes, last = append(out.Shapes, s), g.Shape
		}
		to := &out.Shapes[len(out.Shapes)-1]
		to.Path = append(to.Path, b.Shapes[g.Shape].Path[g.From:g.To]...)
		// A line through letters comes with the last of them.
		if bar := g.Shape + 1; g.To == len(b.Shapes[g.Shape].Path) && bar < len(b.Shapes) && !b.Shapes[bar].Letter {
			out.Shapes, last = append(out.Shapes, b.Shapes[bar]), -1
		}
	}
	return out
}

// Plate is what lies behind the letters; nothing where there is none.
func (b *Block) Plate() *Block {
	out := &Block{Size: b.Size}
	for i, s := range b.Shapes {
		if s.Letter {
			break
		}
		out.Shapes = b.Shapes[:i+1]
	}
	return out
}

// Tinted is the block with a share, in sixteenths, of another colour.
func (b *Block) Tinted(by colour.Colour, share int) *Block {
	mix := func(own, other uint8) uint8 { return uint8((int(own)*(16-share) + int(other)*share + 8) / 16) }
	return b.filled(func(c colour.Colour) colour.Colour {
		return colour.Colour{R: mix(c.R, by.R), G: mix(c.G, by.G), B: mix(c.B, by.B), A: mix(c.A, by.A)}
	})
}

// Faint is the block with a share of its fill's opacity, 0..1.
func (b *Block) Faint(share float64) *Block {
	return b.filled(func(c colour.Colour) colour.Colour {
		c.A = uint8(float64(c.A)*share + 0.5)
		return c
	})
}

func (b *Block) filled(with func(colour.Colour) colour.Colour) *Block {
	out := *b
	out.Shapes = slices.Clone(b.Shapes)
	for i := range out.Shapes {
		out.Shapes[i].Fill = with(out.Shapes[i].Fill)
	}
	return &out
}

// Bar is a block of a rectangle alone, as a caret is.
func Bar(x0, y0, x1, y1 float64, like Shape) *Block {
	like.Path = paint.RoundRect(x1-x0, y1-y0, 0).Transformed(paint.Translate((x0+x1)/2, (y0+y1)/2))
	like.Letter = false
	return &Block{Shapes: []Shape{like}}
}

// onGrid moves an edge outwards to the grid of pixels that another edge lies on.
func onGrid(v, origin, per float64) float64 {
	return origin + math.Floor((v-origin)*per)/per
}
