package words

import (
	"sort"

	"billow/core/clip"
	"billow/core/paint"

	"github.com/go-text/typesetting/di"
	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/font/opentype"
	"github.com/go-text/typesetting/shaping"
	"golang.org/x/image/math/fixed"
)

// laid is words in lines.
type laid struct {
	lines      []shaping.Line
	of         []*stretch // the paragraph of each
	rows       []row      // in which lines beside a window are; none elsewhere
	places     []place    // of the lines
	widths     []float64
	hangs      [][2]float64 // what is out on the left and on the right of each line, em units
	wide, high float64      // em units
	k          float64      // units of one of them
}

// row is from where to where a line can be, em units from the middle, and how many rows
// are above it.
type row struct {
	from, to float64
	above    int
}

// place is where a line is set: its number, its paragraph's first rune, and where
// its baseline begins, em units; k of them are a unit. high is how large its
// largest letters are, as a share of the words' size.
type place struct {
	line, start   int
	x, y, k, high float64
}

// laid breaks words into lines and places them.
func (s *setter) laid() laid {
	all := s.shape()
	if f := s.words.Fit; f != nil && s.at.Width > 0 && s.at.Height > 0 {
		l := s.sized(all, s.at.Size*s.fitting(all)/100)
		// They stand in their box, however large they have become.
		l.standIn(s.at.Width/l.k, s.at.Height/l.k, s.words.Align)
		return l
	}
	return s.sized(all, s.at.Size)
}

// sized is words of a size in units.
func (s *setter) sized(all []stretch, size float64) laid {
	l := laid{k: size / em}
	width := s.at.Width / l.k
	if s.at.Window != nil && width > 0 && !s.bends() {
		s.beside(&l, all, width)
	} else {
		for i := range all {
			for _, line := range all[i].evenly(width, s.words.Balanced) {
				l.lines, l.of = append(l.lines, line), append(l.of, &all[i])
			}
		}
	}
	s.places(&l, width)
	return l
}

// caps is the height of capitals, em units.
func (s *setter) caps() float64 {
	face := s.face(s.wanted(0))
	return float64(face.LineMetric(font.CapHeight)) / float64(face.Upem()) * em
}

// mostFilling is how many times as large a line's letters become at most to fill a width.
const mostFilling = 8

// places tells where lines are set, and how wide the widest and how high all are. A line is
// as high as its largest letters want it. width is what lines fill, if they do.
func (s *setter) places(l *laid, width float64) {
	n := len(l.lines)
	l.places, l.widths, l.hangs = make([]place, n), make([]float64, n), make([][2]float64, n)
	times := make([]float64, n) // as large
	high := make([]float64, n)  // as shares of the words' size
	for i, line := range l.lines {
		l.hangs[i] = s.hanging(line, l.of[i])
		l.widths[i] = l.of[i].wide(line) - l.hangs[i][0] - l.hangs[i][1]
		spaces := l.of[i].trailing(line)
		inOrder(line)
		if l.of[i].direction.Progression() == di.TowardTopLeft {
			l.hangs[i][0] += spaces
		}
		for _, run := range line {
			high[i] = max(high[i], units(run.Size)/em)
		}
		if high[i] == 0 {
			high[i] = 1
		}
		if times[i] = 1; s.words.Filling && width > 0 && l.widths[i] > 0 && l.rows == nil {
			times[i] = min(width/l.widths[i], mostFilling)
			l.widths[i], high[i] = l.widths[i]*times[i], high[i]*times[i]
		}
		l.wide = max(l.wide, l.widths[i])
	}
	if l.rows != nil {
		l.wide = width
	}
	caps := s.caps()
	middles, height := s.middles(l, high)
	for i := range l.lines {
		in := row{from: -l.wide / 2, to: l.wide / 2}
		if l.rows != nil {
			in = l.rows[i]
		}
		x := in.from
		switch s.words.Align {
		case "centre":
			x = (in.from+in.to)/2 - l.widths[i]/2
		case "right":
			x = in.to - l.widths[i]
		}
		l.places[i] = place{i, l.of[i].from, x - l.hangs[i][0]*times[i], middles[i] - height/2 + caps*high[i]/2, l.k, high[i]}
		l.places[i].grown(times[i])
	}
	l.high = height
}

// middles are how far the middles of lines lie below the top of all, and how high all are.
func (s *setter) middles(l *laid, high []float64) (middles []float64, height float64) {
	pitch := em * s.words.LineSpacing / 100
	middle := em * high[0] / 2
	for i := range l.lines {
		switch {
		case l.rows != nil:
			middle = em/2 + pitch*float64(l.rows[i].above)
		case i > 0:
			middle += pitch * (high[i-1] + high[i]) / 2
		}
		middles = append(middles, middle)
	}
	return middles, middle + em*high[len(high)-1]/2
}

// grown makes a line's own units so many times as large, and leaves it where it is.
func (p *place) grown(times float64) {
	p.x, p.y, p.high, p.k = p.x/times, p.y/times, p.high/times, p.k*times
}

// standIn lets words that are aligned left or right stand at that edge of a box, em units.
func (l *laid) standIn(wide, high float64, align string) {
	by := 0.0
	switch align {
	case "left":
		by = (l.wide - wide) / 2
	case "right":
		by = (wide - l.wide) / 2
	}
	for i := range l.places {
		l.places[i].x += by * l.k / l.places[i].k
	}
	l.wide, l.high = wide, high
}

// fitting is the size, in percent of what is asked for, at which words are as large as they
// can be in their box: between the smallest and the largest that they may have.
func (s *setter) fitting(all []stretch) float64 {
	f := s.words.Fit
	fits := func(percent float64) bool { return s.fits(all, percent) }
	small, large := f.Smallest, f.Largest
	if fits(large) {
		return large
	}
	for large-small > 0.25 {
		if middle := (small + large) / 2; fits(middle) {
			small = middle
		} else {
			large = middle
		}
	}
	return small
}

// fits tells whether words fit their box when they are so large, in percent of their size.
func (s *setter) fits(all []stretch, percent float64) bool {
	l := s.sized(all, s.at.Size*percent/100)
	for i := range all {
		if all[i].widest()*l.k > s.at.Width {
			return false // a word would be divided
		}
	}
	return l.wide*l.k <= s.at.Width+0.01 && l.high*l.k <= s.at.Height+0.01
}

// Fitting is how large words are set to fit their box, in percent of their size, and whether
// they do fit it; at their smallest they may not.
func Fitting(fonts *Fonts, w *clip.Words, of *clip.Subject, at Setting) (percent float64, fits bool) {
	if w.Fit == nil || at.Width <= 0 || at.Height <= 0 {
		return 100, true
	}
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	s := &setter{fonts: fonts, words: w, of: of, at: at}
	s.gather(filled(w, of))
	all := s.shape()
	percent = s.fitting(all)
	return percent, s.fits(all, percent)
}

func units(v fixed.Int26_6) float64 { return float64(v) / 64 }

// inOrder brings the runs of a line into the order in which they are seen.
func inOrder(line shaping.Line) {
	sort.SliceStable(line, func(i, j int) bool { return line[i].VisualIndex < line[j].VisualIndex })
}

// line adds the outlines of a line. of is the word of each rune.
func (s *setter) line(b *Block, line shaping.Line, at place, of []int) {
	x, y, k := at.x, at.y, at.k
	for _, run := range line {
		if len(run.Glyphs) == 0 {
			continue
		}
		begin := x
		style := s.styles[at.start+run.Runes.Offset]
		var path paint.Path
		scale := units(run.Size) / float64(run.Face.Upem())
		for _, g := range run.Glyphs {
			m := paint.Affine{A: scale, D: -scale, E: x + units(g.XOffset), F: y - units(g.YOffset)}
			from := len(path)
			path = appendGlyph(path, run.Face, g.GlyphID, m)
			rune := at.start + g.TextIndex()
			s.begins = append(s.begins, rune)
			b.Glyphs = append(b.Glyphs, Glyph{
				Shape: len(b.Shapes), From: from, To: len(path), Line: at.line, Word: of[rune], X: x * k, Y: y * k, Advance: units(g.Advance) * k, Size: units(run.Size) * k,
			})
			x += units(g.Advance)
		}
		b.Shapes = append(b.Shapes, Shape{Path: path.Transformed(paint.Scale(k, k)), Fill: fillOf(s.words, style.Accent), Letter: true, Plain: style.Accent == 0})
		if style.Struck {
			e := units(run.Size)
			bar := paint.RoundRect(x-begin, e*0.07, e*0.035).Transformed(paint.Translate((begin+x)/2, y-e*0.3))
			b.Shapes = append(b.Shapes, Shape{Path: bar.Transformed(paint.Scale(k, k)), Fill: fillOf(s.words, style.Accent)})
		}
	}
}

// appendGlyph adds a glyph's outline, mapped from font units.
func appendGlyph(path paint.Path, face *font.Face, id font.GID, m paint.Affine) paint.Path {
	outline, ok := face.GlyphData(id).(font.GlyphOutline)
	if !ok {
		return path
	}
	ops := map[opentype.SegmentOp]byte{
		opentype.SegmentOpMoveTo: 'M', opentype.SegmentOpLineTo: 'L',
		opentype.SegmentOpQuadTo: 'Q', opentype.SegmentOpCubeTo: 'C',
	}
	for _, seg := range outline.Segments {
		s := paint.Segment{Op: ops[seg.Op]}
		for i, a := range seg.ArgsSlice() {
			s.P[i][0], s.P[i][1] = m.Apply(float64(a.X), float64(a.Y))
		}
		path = append(path, s)
	}
	return path
}
