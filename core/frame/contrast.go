package frame

import (
	"math"
	"slices"

	"billow/core/colour"
	"billow/core/legible"
	"billow/core/paint"
	"billow/core/words"
)

// Readable is whether a layer's words can be read on what is behind them.
type Readable struct {
	Wanted    float64            `json:"wanted"`   // contrast that letters of their size need
	Contrast  float64            `json:"contrast"` // the least that they have, over the whole time
	Frame     int                `json:"frame"`    // of the clip on which that is
	Emphasis  float64            `json:"emphasis"` // that of emphasised letters; 0 where there are none
	Proposals []legible.Proposal `json:"proposals"`
	Shade     *Veil              `json:"shade,omitempty"` // what helps where no colour does
	Plate     colour.Colour      `json:"plate"`           // of a plate on which the words can be read
	W         float64            `json:"w"`               // of the words, units
	H         float64            `json:"h"`
}

// Veil lies between words and what is behind them.
type Veil struct {
	Colour  colour.Colour `json:"colour"`
	Opacity int           `json:"opacity"` // percent
}

const (
	measured   = 9   // frames that are looked at, at most
	mostPixels = 700 // of each
	nearby     = 3   // pixels about letters that matter as well
)

// Readable measures the pixels behind a layer's words, while they stand there. brand and
// others are colours that may be proposed. The stage has been prepared with pictures; a small
// one will do. ok is false for what has no words to be read.
func (s *Stage) Readable(layer string, brand, others []colour.Colour) (out Readable, ok bool) {
	a := s.byID[layer]
	if a == nil || a.layer.Words == nil || a.away {
		return out, false
	}
	w := a.layer.Words
	block := s.block(a)
	_, largest := spread(restUnder(a.parent, nil))
	size := block.Size * largest
	out = Readable{Wanted: legible.Wanted(size), Proposals: []legible.Proposal{}, W: a.w, H: a.h}
	grounds := s.grounds(a)
	if p := w.Plate; p != nil && p.Fill.A == 255 {
		grounds = legible.Measured([]legible.Ground{{Frame: a.from, Pixels: []colour.Colour{p.Fill}}})
	}
	if grounds.None() {
		return out, false
	}
	fills := []colour.Colour{w.Fill}
	if w.Gradient != nil {
		fills = w.Gradient.Colours()
	}
	out.Contrast = math.Inf(1)
	weakest := w.Fill
	for _, c := range fills {
		if least, at := grounds.Least(c); least < out.Contrast {
			out.Contrast, out.Frame, weakest = least, at, c
		}
	}
	if slices.ContainsFunc(words.Letters(w.Text), func(l words.Letter) bool { return l.Accent == 1 }) {
		out.Emphasis, _ = grounds.Least(w.EmphasisFill)
	}
	out.Plate = legible.Plate(weakest, brand)
	out.Proposals = grounds.Proposals(out.Wanted, brand, others)
	if veil, opacity, helps := grounds.Shade(weakest, out.Wanted*1.08); helps && out.Contrast < out.Wanted {
		out.Shade = &Veil{veil, opacity}
	}
	return out, true
}

// grounds are the pixels behind a layer's letters on some frames on which it stands there.
func (s *Stage) grounds(a *actor) legible.Grounds {
	under := s.without(a)
	if under == nil {
		return legible.Grounds{}
	}
	from, to := a.from, a.to
	if _, end, ok := s.Passage(a.layer.ID, false); ok {
		from = min(max(from, end), to-1)
	}
	if begin, _, ok := s.Passage(a.layer.ID, true); ok {
		to = max(min(to, begin), from+1)
	}
	painter, own := under.Painter(), s.Painter()
	picture, mask := paint.NewBitmap(s.W, s.H), paint.NewBitmap(s.W, s.H)
	single := shadowless(a)
	var list []legible.Ground
	count := min(measured, to-from)
	for i := range count {
		f := from + (to-from-1)*i/max(count-1, 1)
		env, shown := s.surroundings(a, float64(f))
		if !shown || !a.on(env.frame) || a.number(opacity, env.frame) < 50 {
			continue
		}
		clear(mask.Pix)
		own.graph.Over(mask, own.add(nil, single, env), 1)
		painter.Draw(picture, f)
		list = append(list, legible.Ground{Frame: f, Pixels: pixelsUnder(picture, mask)})
	}
	return legible.Measured(list)
}

// without is the stage as it is behind a layer: nothing in front of it is drawn.
func (s *Stage) without(a *actor) *Stage {
	c := s.clip.Copy()
	found := false
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.ID == a.layer.ID {
			found = true
		}
		if found && !l.Is().Holds {
			c.Own(l.ID).Hidden = true
		}
	}
	under, err := Prepare(c, s.shape, s.W, s.H, s.lib)
	if err != nil {
		return nil
	}
	return under
}

// pixelsUnder are pixels where letters are, and about them.
func pixelsUnder(picture, mask *paint.Bitmap) (out []colour.Colour) {
	count := 0
	each := func(f func(at int)) {
		for y := range mask.H {
			since := nearby + 1
			for x := range mask.W {
				at := y*mask.W + x
				if mask.Pix[at]>>24 > 100 {
					since = 0
				}
				if since <= nearby {
					f(at)
				}
				since++
			}
		}
	}
	each(func(int) { count++ })
	step := max(1, count/mostPixels)
	n := 0
	each(func(at int) {
		if n%step == 0 {
			p := picture.Pix[at]
			out = append(out, colour.Colour{R: uint8(p), G: uint8(p >> 8), B: uint8(p >> 16), A: 255})
		}
		n++
	})
	return out
}
