package frame

import (
	"billow/core/paint"
)

// stroke is one picture on a frame. Strokes are comparable: equal ones paint
// the same.
type stroke struct {
	picture *paint.Pyramid
	at      paint.Affine
	opacity float64
	blend   paint.Blend
}

// strokes is what is painted on a frame, from the back to the front.
func (s *Stage) strokes(frame int, out []stroke) []stroke {
	for _, a := range s.actors {
		if frame < a.from || frame >= a.to {
			continue
		}
		p := s.pose(a, float64(frame))
		if p.Opacity == 0 || p.Scale == 0 {
			continue
		}
		sp := s.sprite(a)
		if !p.Cast.None() && a.layer.Backdrop == nil {
			soft := s.shadow(sp, p.Cast.Sigma, paint.Premultiplied(s.clip.Light.Colour))
			fallen := p
			fallen.X += p.Cast.DX
			fallen.Y += p.Cast.DY
			out = append(out, stroke{soft.Pyramid, s.matrix(soft, fallen), p.Opacity * p.Cast.Opacity, paint.Normal})
		}
		out = append(out, stroke{sp.Pyramid, s.matrix(sp, p), p.Opacity, paint.BlendNamed(a.layer.Blend)})
	}
	return out
}

// matrix maps pixels of a sprite to pixels of the frame.
func (s *Stage) matrix(sp *sprite, p Pose) paint.Affine {
	k := 1 / sp.perUnit
	return paint.Scale(k, k).
		Then(paint.Translate(sp.x0, sp.y0)).
		Then(paint.Scale(p.Scale*s.scale, p.Scale*s.scale)).
		Then(paint.Rotate(p.Turn)).
		Then(paint.Translate(p.X*s.scale+float64(s.W)/2, p.Y*s.scale+float64(s.H)/2))
}

// Painter draws frames of a stage. It keeps the part of the last frame that the
// next one may share; one painter serves one goroutine.
type Painter struct {
	stage *Stage
	brush paint.Brush
	last  []stroke
	next  []stroke
	kept  *paint.Bitmap // the frame after its first keptN strokes
	keptN int
}

// Painter makes a painter of this stage.
func (s *Stage) Painter() *Painter { return &Painter{stage: s} }

// Draw paints a frame onto dst, which has the stage's size. What no layer
// covers is black.
func (p *Painter) Draw(dst *paint.Bitmap, frame int) {
	p.next = p.stage.strokes(frame, p.next[:0])
	same := 0
	for same < len(p.next) && same < len(p.last) && p.next[same] == p.last[same] {
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
		st := &p.next[i]
		p.brush.Draw(dst, st.picture, st.at, st.opacity, st.blend)
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
