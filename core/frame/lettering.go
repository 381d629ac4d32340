package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
	"billow/core/words"
)

// lettering is a layer's words as they are set on a frame.
type lettering struct {
	words *clip.Words
	at    words.Setting
	fill  *shading // of the plain letters, where they have a gradient
	key   graph.Key
}

// wordedAt is a layer's words with a look on one of its frames.
func (s *Stage) wordedAt(a *actor, k look, frame float64) lettering {
	w := lettering{words: k.worded(a.layer.Words), key: a.content.Nums(k.spacing)}
	for _, c := range k.colours {
		w.key = w.key.Colour(c)
	}
	s.setting(a, &w, frame)
	if g := a.layer.Words.Gradient; g != nil {
		fill := a.shadingAt(g, frame)
		w.fill = &fill
		w.key = fill.key(w.key)
	}
	return w
}

// wordedPlain is a layer's words as they are without keys.
func (s *Stage) wordedPlain(a *actor) lettering {
	w := lettering{words: a.layer.Words, key: a.content.Text("plain")}
	s.setting(a, &w, math.Inf(-1))
	return w
}

// setting is how words are set on a frame of theirs; -Inf is without keys.
func (s *Stage) setting(a *actor, w *lettering, frame float64) {
	own, shrink := a.layer.Words, a.shrink()
	plain := math.IsInf(frame, -1)
	number := func(p int) float64 {
		if plain {
			return a.base[p][0]
		}
		return a.number(p, frame)
	}
	// The width shrinks with the size, so that lines break alike in all shapes.
	w.at = words.Setting{Size: a.rest.Size, Width: own.Width * shrink, Height: own.BoxHeight() * shrink, Arch: number(arch)}
	w.key = w.key.Nums(w.at.Arch)
	for _, x := range own.Axes {
		at := x.At
		if !plain {
			at = a.named(clip.NumberedName(clip.AxisAt, x.ID), frame)[0]
		}
		w.at.Axes = append(w.at.Axes, words.Axis{Tag: x.Tag, At: at})
		w.key = w.key.Nums(at)
	}
	if w.at.Window = s.windowOf(a); w.at.Window != nil {
		w.key = w.key.Nums(w.at.Window.X, w.at.Window.Y, w.at.Window.R)
	}
	if path := s.courseOf(a, frame); path != nil {
		w.at.Along = &words.Course{Path: path, Shift: number(along) / 100}
		w.key = w.key.Nums(w.at.Along.Shift)
		for _, p := range path {
			w.key = w.key.Word(uint64(p.Op)).Nums(p.P[0][0], p.P[0][1], p.P[1][0], p.P[1][1], p.P[2][0], p.P[2][1])
		}
	}
}

// windowOf is what a layer's lines keep away from, as all stands at rest; nil is nothing.
func (s *Stage) windowOf(a *actor) *words.Window {
	b := a.layer.Words.Beside
	if b == nil || s.byID[b.Layer] == nil || a.layer.Words.Width <= 0 {
		return nil
	}
	other := s.byID[b.Layer]
	x, y := layout.Centre(other.rest, s.shape)
	r := other.rest.Size / 2
	if card := other.layer.Card; card != nil && card.Hole != nil {
		k := 1.0
		if other.layer.Rest.Size > 0 {
			k = other.rest.Size / other.layer.Rest.Size
		}
		sin, cos := math.Sincos(other.rest.Turn * math.Pi / 180)
		hx, hy := card.Hole.X*k, card.Hole.Y*k
		x, y, r = x+hx*cos-hy*sin, y+hx*sin+hy*cos, card.Hole.Size*k/2
	}
	// From the words' middle, which may not be where they rest, and along them.
	cx, cy := layout.Centre(a.rest, s.shape)
	ax, ay := standing(a.layer.Words, a.layer.Words.Width*a.shrink(), a.rest.Turn)
	dx, dy := x-(cx-ax), y-(cy-ay)
	sin, cos := math.Sincos(-a.rest.Turn * math.Pi / 180)
	return &words.Window{X: dx*cos - dy*sin, Y: dx*sin + dy*cos, R: r + b.Gap*a.shrink()}
}

// courseOf is the outline along which a layer's words run on a frame of theirs, in units
// about their middle; nil is none.
func (s *Stage) courseOf(a *actor, frame float64) paint.Path {
	other := s.byID[a.layer.Words.Along]
	if other == nil || other.layer.Card == nil {
		return nil
	}
	if other.base == nil {
		s.ready(other)
	}
	if math.IsInf(frame, -1) {
		frame = float64(other.from)
	}
	k, _ := s.lookAt(other, around{frame: frame})
	f := s.figureAt(other, k, frame)
	return figures[f.form](&f)
}

// blockOf is words as they are set.
func (s *Stage) blockOf(a *actor, w lettering) *words.Block {
	return cached(s.lib, w.key.Text("block"), func(*words.Block) int { return 1 << 16 }, func() *words.Block {
		return words.Set(s.lib.Fonts, w.words, s.clip.SubjectOf(a.layer), w.at)
	})
}

// block is the layer's set words as they are without keys.
func (s *Stage) block(a *actor) *words.Block { return s.blockOf(a, s.wordedPlain(a)) }

// ink is how a block's letters are drawn at so many pixels a unit.
func (w lettering) ink(k look, block *words.Block) words.Ink {
	ink := words.Ink{Pen: k.pen, Outline: w.words.Outline, Behind: w.words.Behind}
	if w.fill != nil {
		ink.Shade = func(at paint.Box) paint.Shader { return w.fill.shader(at) }
		ink.Over = [2]float64{block.W, block.H}
	}
	return ink
}
