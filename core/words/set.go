package words

import (
	"math"
	"slices"
	"sort"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/offer"
	"billow/core/paint"

	"github.com/go-text/typesetting/font"
	"github.com/go-text/typesetting/font/opentype"
	"github.com/go-text/typesetting/shaping"
	"golang.org/x/image/math/fixed"
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
}

// Pen draws the outline of letters: its width in units, and between which
// shares (0..1) of each contour's length it is drawn.
type Pen struct{ Width, Start, End float64 }

// None draws nothing.
func (p Pen) None() bool { return p.Width <= 0 || p.End <= p.Start }

// em is the size at which text is shaped: layout is then independent of the
// size at which it is shown.
const em = 1000

// Set lays out words at a font size in units. width is where lines break, in
// units, 0 for never. product fills the braces and may be nil.
func Set(fonts *Fonts, w *clip.Words, product *clip.Product, size, width float64) *Block {
	return SetCounting(fonts, w, product, size, width, nil)
}

// SetCounting is Set with numbers on their way; nil is Set. Digits of words that count are as
// wide as each other.
func SetCounting(fonts *Fonts, w *clip.Words, product *clip.Product, size, width float64, c *Counting) *Block {
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	s := &setter{fonts: fonts, words: w, counting: c}
	s.gather(filled(w.Text, product))
	s.count()
	b := &Block{Missing: s.missing, Size: size}
	s.layout(b, size, width)
	return b
}

// Missing are the letters of words that no font has, each once.
func Missing(fonts *Fonts, w *clip.Words, product *clip.Product) []rune {
	fonts.mu.Lock()
	defer fonts.mu.Unlock()
	s := &setter{fonts: fonts, words: w}
	s.gather(filled(w.Text, product))
	slices.Sort(s.missing)
	return slices.Compact(s.missing)
}

// filled reads the text before it fills in the product, so that a product's own
// asterisks stay what they are.
func filled(text string, p *clip.Product) []Letter {
	letters := Letters(text)
	if p == nil {
		return letters
	}
	o, err := offer.New(p.Price, p.OldPrice, p.Currency)
	if err != nil {
		return letters
	}
	for i := range letters {
		letters[i].Text = o.Text(letters[i].Text, p.Name, p.Fields)
	}
	return letters
}

type setter struct {
	fonts   *Fonts
	words   *clip.Words
	text    []rune
	styles  []Style // of each rune
	letters []int   // the letter that each rune belongs to
	missing []rune
	begins  []int // the rune with which each glyph of the block begins
	// counting is how far numbers have come; nil is all the way.
	counting *Counting
	shaper   shaping.HarfbuzzShaper
}

// gather joins the letters and notes those that no font has.
func (s *setter) gather(letters []Letter) {
	for i, l := range letters {
		want := s.wanted(l.Accent)
		for _, r := range l.Text {
			if r == '\r' {
				continue
			}
			s.text = append(s.text, r)
			s.styles = append(s.styles, l.Style)
			s.letters = append(s.letters, i)
			if r != '\n' && !s.fonts.having(want, r).covers.Has(r) {
				s.missing = append(s.missing, r)
			}
		}
	}
}

// count puts numbers on their way in place of those of the text.
func (s *setter) count() {
	if s.counting == nil {
		return
	}
	text, origin := s.counting.counted(s.text)
	styles, letters := make([]Style, len(text)), make([]int, len(text))
	for i, o := range origin {
		styles[i], letters[i] = s.styles[o], s.letters[o]
	}
	s.text, s.styles, s.letters = text, styles, letters
}

// tabular are digits that are as wide as each other (OpenType, tnum).
var tabular = []shaping.FontFeature{{Tag: opentype.MustNewTag("tnum"), Value: 1}}

// wanted is the font that is asked for.
func (s *setter) wanted(accent int) *file { return s.fonts.wanted(FontOf(s.words, accent)) }

// lines shapes each paragraph and breaks it. The text of a line's runs counts
// from the paragraph's first rune, which comes back in starts.
func (s *setter) lines(width float64) (lines []shaping.Line, starts []int) {
	start := 0
	for i := 0; i <= len(s.text); i++ {
		if i < len(s.text) && s.text[i] != '\n' {
			continue
		}
		broken := s.paragraph(start, i, width)
		lines = append(lines, broken...)
		for range broken {
			starts = append(starts, start)
		}
		start = i + 1
	}
	return lines, starts
}

func (s *setter) paragraph(from, to int, width float64) []shaping.Line {
	text := s.text[from:to]
	if len(text) == 0 {
		return []shaping.Line{nil}
	}
	direction, lang := directionOf(text), languageOf(text)
	var runs []shaping.Output
	var seg shaping.Segmenter
	for a := 0; a < len(text); {
		b := a + 1
		for b < len(text) && s.styles[from+b] == s.styles[from+a] {
			b++
		}
		in := shaping.Input{
			Text: text, RunStart: a, RunEnd: b, Direction: direction, Language: lang,
			Size: fixed.Int26_6(math.Round(em * 64 * SizeOf(s.words, s.styles[from+a].Accent))),
		}
		if p := s.words.Comes; s.counting != nil || p != nil && p.Counts {
			in.FontFeatures = tabular
		}
		for _, part := range seg.Split(in, fallback{s.fonts, s.wanted(s.styles[from+a].Accent)}) {
			runs = append(runs, s.shaper.Shape(part))
		}
		a = b
	}
	if ls := s.words.LetterSpacing; ls != 0 {
		shaping.AddSpacing(runs, text, 0, fixed.Int26_6(ls*em/100*64))
	}
	if width <= 0 {
		width = 1e6
	}
	var wrap shaping.LineWrapper
	broken := func(width int) []shaping.Line {
		// The wrapper takes the width of spaces where lines end.
		own := slices.Clone(runs)
		for i := range own {
			own[i].Glyphs = slices.Clone(own[i].Glyphs)
		}
		out, _ := wrap.WrapParagraph(shaping.WrapConfig{Direction: direction}, width, text, shaping.NewSliceIterator(own))
		return out
	}
	out := broken(int(width))
	if n := len(out); s.words.Balanced && n > 1 {
		out = broken(balanced(int(width), n, broken))
	}
	// The wrapper's lines share its scratch memory with the next paragraph.
	copied := make([]shaping.Line, len(out))
	for i := range out {
		copied[i] = append(shaping.Line(nil), out[i]...)
	}
	return copied
}

// balanced is the width, up to another one, in which lines differ least among those in which
// there are n of them.
func balanced(width, n int, broken func(width int) []shaping.Line) (best int) {
	const tries = 24
	best = width
	least := math.Inf(1)
	for i := range tries {
		w := width - width*(n-1)/n*i/tries
		lines := broken(w)
		if len(lines) != n {
			break
		}
		short, long := math.Inf(1), 0.0
		for _, line := range lines {
			wide := 0.0
			for _, run := range line {
				wide += units(run.Advance)
			}
			short, long = min(short, wide), max(long, wide)
		}
		if long-short < least && long <= float64(w)+1 {
			best, least = w, long-short
		}
	}
	return best
}

// layout places the lines' outlines about the centre and adds the plate.
func (s *setter) layout(b *Block, size, width float64) {
	lines, starts := s.lines(width / size * em)
	k := size / em
	places, widest, height := s.places(lines, starts, k, width/size*em)
	b.Lines = len(lines)
	var of []int
	of, b.Words = wordsIn(s.text)
	for i, line := range lines {
		s.line(b, line, places[i], of)
	}
	b.Clusters = numbered(b.Glyphs, s.begins, len(s.text))
	b.W, b.H = widest*k, height*k
	if p := s.words.Plate; p != nil {
		s.plate(b, p, size, (height-em+s.caps())*k)
	}
}

// caps is the height of capitals, em units.
func (s *setter) caps() float64 {
	face := s.fonts.face(s.wanted(0))
	return float64(face.LineMetric(font.CapHeight)) / float64(face.Upem()) * em
}

// mostFilling is how many times as large a line's letters become at most to fill a width.
const mostFilling = 8

// places tells where lines are set, and how wide the widest and how high all are,
// em units. A line is as high as its largest letters want it. width is what lines fill, if
// they do.
func (s *setter) places(lines []shaping.Line, starts []int, k, width float64) (places []place, widest, height float64) {
	places = make([]place, len(lines))
	widths := make([]float64, len(lines))
	times := make([]float64, len(lines)) // as large
	high := make([]float64, len(lines))  // as shares of the words' size
	for i, line := range lines {
		for _, run := range line {
			widths[i] += units(run.Advance)
			high[i] = max(high[i], units(run.Size)/em)
		}
		if high[i] == 0 {
			high[i] = 1
		}
		if times[i] = 1; s.words.Filling && width > 0 && widths[i] > 0 {
			times[i] = min(width/widths[i], mostFilling)
			widths[i], high[i] = widths[i]*times[i], high[i]*times[i]
		}
		widest = max(widest, widths[i])
	}
	pitch, caps := em*s.words.LineSpacing/100, s.caps()
	middle := em * high[0] / 2
	for i := range lines {
		if i > 0 {
			middle += pitch * (high[i-1] + high[i]) / 2
		}
		x := -widest / 2
		switch s.words.Align {
		case "centre":
			x = -widths[i] / 2
		case "right":
			x = widest/2 - widths[i]
		}
		places[i] = place{i, starts[i], x, middle + caps*high[i]/2, k, high[i]}
	}
	height = middle + em*high[len(lines)-1]/2
	for i := range places {
		places[i].y -= height / 2
		places[i].grown(times[i])
	}
	return places, widest, height
}

// grown makes a line's own units so many times as large, and leaves it where it is.
func (p *place) grown(times float64) {
	p.x, p.y, p.high, p.k = p.x/times, p.y/times, p.high/times, p.k*times
}

func units(v fixed.Int26_6) float64 { return float64(v) / 64 }

// place is where a line is set: its number, its paragraph's first rune, and where
// its baseline begins, em units; k of them are a unit. high is how large its
// largest letters are, as a share of the words' size.
type place struct {
	line, start   int
	x, y, k, high float64
}

// inOrder brings the runs of a line into the order in which they are seen.
func inOrder(line shaping.Line) {
	sort.SliceStable(line, func(i, j int) bool { return line[i].VisualIndex < line[j].VisualIndex })
}

// line adds the outlines of a line. of is the word of each rune.
func (s *setter) line(b *Block, line shaping.Line, at place, of []int) {
	inOrder(line)
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
		fill := fillOf(s.words, style.Accent)
		b.Shapes = append(b.Shapes, Shape{path.Transformed(paint.Scale(k, k)), fill, true})
		if style.Struck {
			e := units(run.Size)
			bar := paint.RoundRect(x-begin, e*0.07, e*0.035).Transformed(paint.Translate((begin+x)/2, y-e*0.3))
			b.Shapes = append(b.Shapes, Shape{bar.Transformed(paint.Scale(k, k)), fill, false})
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

// plate puts the plate behind the words and widens the block to it.
func (s *setter) plate(b *Block, p *clip.Plate, size, capsHeight float64) {
	room := p.Room / 100 * size
	w, h := b.W+2.4*room, capsHeight+2*room
	var path paint.Path
	switch p.Kind {
	case "card":
		path = paint.RoundRect(w, h, size*0.2)
	case "pill":
		path = paint.RoundRect(w, h, h/2)
	default:
		// Around the corners of the words, but words are seldom square: three
		// quarters of the way from their longer side to their diagonal.
		side := max(b.W, capsHeight)
		d := side + 0.5*min(b.W, capsHeight) + 2*room
		if p.Size > 0 {
			d = p.Size / 100 * size
		}
		w, h = d, d
		path = paint.RoundRect(d, d, d/2)
		if p.Kind == "burst" {
			path = paint.Burst(d/2*1.1, 18)
			w, h = d*1.1, d*1.1
		}
	}
	b.W, b.H = max(b.W, w), max(b.H, h)
	if p.Kind == "pill" || p.Kind == "card" {
		b.H = h
	}
	b.Shapes = append([]Shape{{path, p.Fill, false}}, b.Shapes...)
	for i := range b.Glyphs {
		b.Glyphs[i].Shape++
	}
}

// Raster draws the block at a number of pixels a unit, its letters outlined
// with a pen of a colour. (x0, y0) is where the bitmap's upper left corner lies,
// in units from the block's centre.
func (b *Block) Raster(perUnit float64, pen Pen, ink colour.Colour) (bitmap *paint.Bitmap, x0, y0 float64) {
	return b.drawn(b.box(perUnit, pen), perUnit, pen, ink)
}

// RasterIn is Raster of a part of another block, on the same grid of pixels.
func (b *Block) RasterIn(whole *Block, perUnit float64, pen Pen, ink colour.Colour) (bitmap *paint.Bitmap, x0, y0 float64) {
	box, grid := b.box(perUnit, pen), whole.box(perUnit, pen)
	box[0], box[1] = onGrid(box[0], grid[0], perUnit), onGrid(box[1], grid[1], perUnit)
	return b.drawn(box, perUnit, pen, ink)
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
func (b *Block) drawn(box [4]float64, perUnit float64, pen Pen, ink colour.Colour) (bitmap *paint.Bitmap, x0, y0 float64) {
	x0, y0 = box[0], box[1]
	w, h := int((box[2]-x0)*perUnit)+1, int((box[3]-y0)*perUnit)+1
	bitmap = paint.NewBitmap(w, h)
	m := paint.Translate(-x0, -y0).Then(paint.Scale(perUnit, perUnit))
	for _, s := range b.Shapes {
		path := s.Path.Transformed(m)
		if s.Fill.A > 0 {
			bitmap.FillPath(path, s.Fill)
		}
		if s.Letter && !pen.None() {
			bitmap.FillPath(path.Stroked(pen.Width*perUnit, pen.Start, pen.End, 0.1), ink)
		}
	}
	return bitmap, x0, y0
}

// Said is what words say, with the product filled in and without markup.
func Said(w *clip.Words, product *clip.Product) string { return Plain(filled(w.Text, product)) }
