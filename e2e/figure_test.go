package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/colour"
	"billow/core/paint"
)

// pathData is a path as SVG writes it.
func pathData(p paint.Path) string {
	var d strings.Builder
	closed := false
	for _, s := range p {
		n := map[byte]int{'M': 1, 'O': 1, 'L': 1, 'Q': 2, 'C': 3}[s.Op]
		op := string(s.Op)
		if s.Op == 'M' || s.Op == 'O' {
			if closed {
				d.WriteString("Z")
			}
			op, closed = "M", s.Op == 'M'
		}
		d.WriteString(op)
		for _, pt := range s.P[:n] {
			fmt.Fprintf(&d, "%.6f %.6f ", pt[0], pt[1])
		}
	}
	if closed {
		d.WriteString("Z")
	}
	return d.String()
}

// TestFiguresAgreeWithTheBrowser lets the browser fill and draw the same paths: as SVG,
// with its own ends, corners and dashes.
func TestFiguresAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	const w, h = 240, 200
	at := paint.Translate(w/2+0.3, h/2-0.4)
	figures := map[string]paint.Path{
		"card": paint.Corners(160, 110, [4]float64{10, 40, 0, 25}), "ring": paint.Ring(170, 120, 0.6, 0, 360), "part": paint.Ring(150, 150, 0.5, 40, 230),
		"star": paint.Star(80, 5, 0.45), "polygon": paint.Star(80, 7, 1).Rounded(14), "burst": paint.Burst(80, 12), "arrow": paint.Arrow(170, 80, 0.4),
	}
	for name, figure := range figures {
		for _, pen := range []struct {
			paint.Pen
			svg string
		}{
			{paint.Pen{}, `stroke=\"none\"`},
			{paint.Pen{Width: 11, End: 1, Join: paint.MiterJoin}, `stroke-linejoin=\"miter\"`},
			{paint.Pen{Width: 11, End: 1, Join: paint.BevelJoin}, `stroke-linejoin=\"bevel\"`},
			{paint.Pen{Width: 11, End: 1}, `stroke-linejoin=\"round\"`},
		} {
			path := figure.Transformed(at)
			b := paint.NewBitmap(w, h)
			b.Fill(0xFFFFFFFF)
			b.FillPath(path, colour.RGB(0x2C7A68))
			b.FillPath(path.Drawn(pen.Pen, 0.02), colour.RGB(0x173F47))
			svg := fmt.Sprintf(`<svg width=\"%d\" height=\"%d\"><path d=\"%s\" fill=\"#2c7a68\" fill-rule=\"nonzero\" stroke=\"#173f47\" stroke-width=\"%g\" %s/></svg>`, w, h, pathData(path), pen.Width, pen.svg)
			corners := 0
			if pen.Width > 0 && name != "ring" {
				corners = 24
			}
			u.agree(name+" with "+pen.svg, b, u.shown(svg, w, h, 4), corners)
		}
	}
	line := paint.Line(-80, -20, 80, 30).Transformed(at)
	for _, pen := range []struct {
		paint.Pen
		svg string
	}{
		{paint.Pen{Width: 16, End: 1}, `stroke-linecap=\"round\"`},
		{paint.Pen{Width: 16, End: 1, Cap: paint.ButtCap}, `stroke-linecap=\"butt\"`},
		{paint.Pen{Width: 16, End: 1, Cap: paint.SquareCap}, `stroke-linecap=\"square\"`},
		{paint.Pen{Width: 10, End: 1, Cap: paint.ButtCap, Dash: 20, Gap: 9, Shift: 6}, `stroke-linecap=\"butt\" stroke-dasharray=\"20 9\" stroke-dashoffset=\"6\"`},
		{paint.Pen{Width: 10, End: 1, Dash: 14, Gap: 18}, `stroke-linecap=\"round\" stroke-dasharray=\"14 18\"`},
	} {
		b := paint.NewBitmap(w, h)
		b.Fill(0xFFFFFFFF)
		b.FillPath(line.Drawn(pen.Pen, 0.02), colour.RGB(0x173F47))
		svg := fmt.Sprintf(`<svg width=\"%d\" height=\"%d\"><path d=\"%s\" fill=\"none\" stroke=\"#173f47\" stroke-width=\"%g\" %s/></svg>`, w, h, pathData(line), pen.Width, pen.svg)
		u.agree("a line with "+pen.svg, b, u.shown(svg, w, h, 4), 0)
	}
}

// agree compares an opaque picture with what the browser shows: its edges to 0.15 of
// what a pixel covers, and on the whole far better. A few pixels may be further off: in
// the inner corners of lines, where two pieces of one cover the same part of a pixel.
func (u *user) agree(what string, b *paint.Bitmap, shown [][3]uint8, corners int) {
	u.t.Helper()
	sum, off := 0.0, 0
	for i, want := range shown {
		far := 0.0
		for k, v := range want {
			d := math.Abs(float64(b.Pix[i]>>(8*k)&255) - float64(v))
			sum, far = sum+d, max(far, d)
		}
		// The darkest colour lies 232 levels from white.
		if far > 0.15*232 {
			off++
		}
	}
	if mean := sum / float64(3*len(shown)); off > corners || mean > 0.1 {
		u.t.Errorf("%s: the browser has %d pixels otherwise; %.2f levels on the whole", what, off, mean)
	}
}
