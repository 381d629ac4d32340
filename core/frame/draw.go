package frame

import (
	"math"

	"billow/core/paint"
)

// Painter draws frames of a stage. It keeps the part of the last frame that the
// next one may share; one painter serves one goroutine.
type Painter struct {
	stage  *Stage
	brush  paint.Brush
	last   []stroke
	next   []stroke
	kept   *paint.Bitmap // the frame after its first keptN strokes
	keptN  int
	sheets []*paint.Bitmap // for groups that are drawn as a whole
}

// Painter makes a painter of this stage.
func (s *Stage) Painter() *Painter { return &Painter{stage: s} }

// Draw paints a frame onto dst, which has the stage's size. What no layer
// covers is black.
func (p *Painter) Draw(dst *paint.Bitmap, frame int) {
	p.next = p.stage.strokes(frame, p.next[:0])
	same := 0
	for same < len(p.next) && same < len(p.last) && p.next[same].same(&p.last[same]) {
		same++
	}
	from := 0
	if p.keptN > 0 && p.keptN <= same {
		copy(dst.Pix, p.kept.Pix)
		from = p.keptN
	} else {
		p.keptN = 0
		dst.Fill(0xFF000000)
	}
	for i := from; i < len(p.next); i++ {
		if i == same && i > from {
			p.keep(dst, i)
		}
		p.paint(dst, &p.next[i], 0)
	}
	p.last, p.next = p.next, p.last
}

func (p *Painter) keep(dst *paint.Bitmap, n int) {
	if p.kept == nil {
		p.kept = paint.NewBitmap(dst.W, dst.H)
	}
	copy(p.kept.Pix, dst.Pix)
	p.keptN = n
}

func (p *Painter) paint(dst *paint.Bitmap, st *stroke, depth int) {
	switch {
	case st.whole != nil:
		p.paintWhole(dst, st, depth)
	case len(st.moved) > 0:
		p.brush.DrawMoved(dst, st.picture, st.moved, st.opacity, st.blend)
	default:
		p.brush.Draw(dst, st.picture, st.at, st.opacity, st.blend)
	}
}

// sheet is a transparent bitmap of the frame's size.
func (p *Painter) sheet(like *paint.Bitmap, n int) *paint.Bitmap {
	for len(p.sheets) <= n {
		p.sheets = append(p.sheets, paint.NewBitmap(like.W, like.H))
	}
	clear(p.sheets[n].Pix)
	return p.sheets[n]
}

// paintWhole draws a group on a sheet, cuts and blurs it, and puts it and its
// shadow onto dst. Each depth of groups has two sheets.
func (p *Painter) paintWhole(dst *paint.Bitmap, st *stroke, depth int) {
	g := st.whole
	sheet := p.sheet(dst, 2*depth)
	for i := range g.inside {
		p.paint(sheet, &g.inside[i], depth+1)
	}
	if g.matted {
		matte := p.sheet(dst, 2*depth+1)
		for i := range g.matte {
			p.paint(matte, &g.matte[i], depth+1)
		}
		sheet.CutByAlpha(matte)
	}
	if g.bounded {
		sheet.Cut(paint.PathMask(quad(g.within, g.radius), sheet.W, sheet.H))
	}
	if g.blur > 0 {
		copy(sheet.Pix, sheet.Blurred(g.blur, 0).Pix)
	}
	if f := g.shadow; f.opacity > 0 {
		mask := paint.AlphaMask(sheet, 0)
		mask.Blur(f.sigma)
		soft := &paint.Pyramid{Levels: []*paint.Bitmap{mask.Coloured(f.pixel)}}
		p.brush.Draw(dst, soft, paint.Translate(f.dx, f.dy), st.opacity*f.opacity, paint.Normal)
	}
	p.brush.Draw(dst, &paint.Pyramid{Levels: []*paint.Bitmap{sheet}}, paint.Identity(), st.opacity, st.blend)
}

// quad is a rectangle, turned and sized as it may be, with round corners.
func quad(c [4][2]float64, radius float64) paint.Path {
	w := math.Hypot(c[1][0]-c[0][0], c[1][1]-c[0][1])
	h := math.Hypot(c[3][0]-c[0][0], c[3][1]-c[0][1])
	if w == 0 || h == 0 {
		return nil
	}
	m := paint.Affine{
		A: (c[1][0] - c[0][0]) / w, B: (c[1][1] - c[0][1]) / w, C: (c[3][0] - c[0][0]) / h, D: (c[3][1] - c[0][1]) / h,
		E: (c[0][0] + c[2][0]) / 2, F: (c[0][1] + c[2][1]) / 2,
	}
	return paint.RoundRect(w, h, radius).Transformed(m)
}
