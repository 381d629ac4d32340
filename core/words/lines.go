package words

import (
	"math"
	"slices"
	"strings"
	"unicode"

	"billow/core/bidi"

	"github.com/go-text/typesetting/di"
	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/font/opentype"
	"github.com/go-text/typesetting/shaping"
	"golang.org/x/image/math/fixed"
)

// stretch is a shaped paragraph, from a rune of the words on.
type stretch struct {
	from      int
	text      []rune
	levels    []bidi.Level
	direction di.Direction
	runs      []shaping.Output
}

// shape shapes each paragraph.
func (s *setter) shape() (all []stretch) {
	start := 0
	for i := 0; i <= len(s.text); i++ {
		if i < len(s.text) && s.text[i] != '\n' {
			continue
		}
		all = append(all, s.stretch(start, i))
		start = i + 1
	}
	return all
}

func (s *setter) stretch(from, to int) stretch {
	p := stretch{from: from, text: s.text[from:to]}
	if len(p.text) == 0 {
		return p
	}
	base := bidi.Paragraph(p.text)
	p.levels, p.direction = bidi.Levels(p.text, base), directionOf(base)
	for i, l := range p.levels {
		if l == bidi.Removed { // it stays with what is before it
			if p.levels[i] = base; i > 0 {
				p.levels[i] = p.levels[i-1]
			}
		}
	}
	lang, features := languageOf(p.text), s.features()
	var seg shaping.Segmenter
	for a := 0; a < len(p.text); {
		b := a + 1
		for b < len(p.text) && s.styles[from+b] == s.styles[from+a] && p.levels[b] == p.levels[a] {
			b++
		}
		accent, role := s.styles[from+a].Accent, s.styles[from+a].Role
		size, raised := roleSize(s.words.Money, role)
		in := shaping.Input{
			Text: p.text, RunStart: a, RunEnd: b, Direction: directionOf(p.levels[a]), Language: lang,
			Size: fixed.Int26_6(math.Round(em * 64 * SizeOf(s.words, accent) * size)), FontFeatures: features,
		}
		for _, part := range seg.Split(in, fallback{s, s.wanted(accent)}) {
			part.Direction = in.Direction // which overrides may have turned
			run := s.shaper.Shape(part)
			if raised {
				for i := range run.Glyphs {
					run.Glyphs[i].YOffset += fixed.Int26_6(math.Round(64 * s.caps() * SizeOf(s.words, accent) * (1 - size)))
				}
			}
			p.runs = append(p.runs, run)
		}
		a = b
	}
	if ls := s.words.LetterSpacing; ls != 0 {
		shaping.AddSpacing(p.runs, p.text, 0, fixed.Int26_6(ls*em/100*64))
	}
	return p
}

// features are those of OpenType that are on, or off, in all of the words.
func (s *setter) features() (out []shaping.FontFeature) {
	add := func(tag string, value uint32) {
		out = append(out, shaping.FontFeature{Tag: opentype.MustNewTag(tag), Value: value})
	}
	for _, f := range s.words.Features {
		if tag, off := strings.CutPrefix(f, "-"); off {
			add(tag, 0)
		} else {
			add(tag, 1)
		}
	}
	if p := s.words.Comes; p != nil && p.Scrambles {
		add("liga", 0) // each letter is one
	}
	// Digits that are as wide as each other let what counts stand still.
	if p := s.words.Comes; s.at.Counting != nil || p != nil && p.Counts {
		add("tnum", 1)
	}
	return out
}

// face is a font at the places of the axes.
func (s *setter) face(one *file) *font.Face {
	face := s.fonts.face(one)
	if len(s.at.Axes) == 0 || face == nil {
		return face
	}
	if s.varied[one] == nil {
		var places []font.Variation
		for _, a := range s.at.Axes {
			places = append(places, font.Variation{Tag: opentype.MustNewTag(a.Tag), Value: float32(a.At)})
		}
		if s.varied == nil {
			s.varied = map[*file]*font.Face{}
		}
		own := font.NewFace(face.Font)
		own.SetVariations(places)
		s.varied[one] = own
	}
	return s.varied[one]
}

// fallback finds for each letter the wanted face, or the first other one that
// has it.
type fallback struct {
	setter *setter
	want   *file
}

func (b fallback) ResolveFace(r rune) *font.Face {
	return b.setter.face(b.setter.fonts.having(b.want, r))
}

// wide is how wide a line is, em units, without the spaces that it ends with.
func (p *stretch) wide(line shaping.Line) (w float64) {
	for _, run := range line {
		w += units(run.Advance)
	}
	return w - p.trailing(line)
}

// trailing is how wide the spaces are that a line ends with, em units.
func (p *stretch) trailing(line shaping.Line) (w float64) {
	for i := len(line) - 1; i >= 0; i-- { // as they are read
		glyphs := line[i].Glyphs
		for k := range glyphs {
			g := glyphs[len(glyphs)-1-k]
			if line[i].Direction.Progression() == di.TowardTopLeft {
				g = glyphs[k]
			}
			if !unicode.IsSpace(p.text[g.TextIndex()]) {
				return w
			}
			w += units(g.Advance)
		}
	}
	return w
}

// broken is a paragraph in lines, of which each is as wide as there is room for it, em
// units. Words are divided where they have to be.
func (p *stretch) broken(room func(line int) float64, policy shaping.LineBreakPolicy) (out []shaping.Line) {
	if len(p.text) == 0 {
		return []shaping.Line{nil}
	}
	// The wrapper takes the spacing of letters where lines begin.
	own := slices.Clone(p.runs)
	for i := range own {
		own[i].Glyphs = slices.Clone(own[i].Glyphs)
	}
	var wrap shaping.LineWrapper
	config := shaping.WrapConfig{Direction: p.direction, BreakPolicy: policy, DisableTrailingWhitespaceTrim: true}
	wrap.Prepare(config, p.text, shaping.NewSliceIterator(own))
	for done := false; !done; {
		var line shaping.WrappedLine
		line, done = wrap.WrapNextLineF(fixed.Int26_6(math.Ceil(min(room(len(out)), 1e6) * 64)))
		if line.Line != nil {
			// Its memory is used for the next one.
			own := slices.Clone(line.Line)
			p.ordered(own)
			out = append(out, own)
		}
	}
	return out
}

// ordered tells the runs of a line in which order they are seen. Spaces at its end of which
// the direction is not the paragraph's would be seen within it, so they take no room.
func (p *stretch) ordered(line shaping.Line) {
	levels := make([]bidi.Level, len(line))
	for i, run := range line {
		levels[i] = p.levels[run.Runes.Offset]
	}
	for seen, i := range bidi.Order(levels) {
		line[i].VisualIndex = int32(seen)
	}
	for i := len(line) - 1; i >= 0 && line[i].Direction != p.direction; i-- {
		glyphs := line[i].Glyphs
		for k := range glyphs {
			g := &glyphs[len(glyphs)-1-k]
			if line[i].Direction.Progression() == di.TowardTopLeft {
				g = &glyphs[k]
			}
			if !unicode.IsSpace(p.text[g.TextIndex()]) {
				return
			}
			line[i].Advance -= g.Advance
			g.Advance = 0
		}
	}
}

// evenly is a paragraph in lines of one width; 0 is never broken.
func (p *stretch) evenly(width float64, balanced bool) []shaping.Line {
	if width <= 0 {
		width = 1e6
	}
	broken := func(width float64) []shaping.Line {
		return p.broken(func(int) float64 { return width }, shaping.WhenNecessary)
	}
	out := broken(width)
	if n := len(out); balanced && n > 1 {
		return broken(p.evenest(width, n, broken))
	}
	return out
}

// evenest is the width, up to another one, in which lines differ least among those in which
// there are n of them.
func (p *stretch) evenest(width float64, n int, broken func(width float64) []shaping.Line) (best float64) {
	const tries = 24
	best = width
	least := math.Inf(1)
	for i := range tries {
		w := width - width*float64(n-1)/float64(n)*float64(i)/tries
		lines := broken(w)
		if len(lines) != n {
			break
		}
		short, long := math.Inf(1), 0.0
		for _, line := range lines {
			short, long = min(short, p.wide(line)), max(long, p.wide(line))
		}
		if long-short < least && long <= w+1 {
			best, least = w, long-short
		}
	}
	return best
}

// widest is how wide the widest word of a paragraph is, em units.
func (p *stretch) widest() (w float64) {
	for _, line := range p.broken(func(int) float64 { return 1 }, shaping.Never) {
		w = max(w, p.wide(line))
	}
	return w
}
