package clip

import (
	"fmt"
	"maps"
	"slices"
	"unicode/utf8"

	"billow/core/colour"
	"billow/core/offer"
)

// Words are set text, with or without a plate behind it. In the text,
// *asterisks* emphasise, *² and so on give an accent of another number; {name}, {price}, {old}, {percent} and
// the names of its own fields show the product.
type Words struct {
	Text          string            `json:"text"`
	Texts         map[string]string `json:"texts,omitempty"` // in other languages than the clip's, by language
	Product       string            `json:"product,omitempty"`
	Font          string            `json:"font"`
	Fill          colour.Colour     `json:"fill"`
	EmphasisFont  string            `json:"emphasisFont,omitempty"`
	EmphasisFill  colour.Colour     `json:"emphasisFill"`
	Accents       []Accent          `json:"accents,omitempty"`               // *² … * has the first of them, *³ … * the second
	Align         string            `json:"align"`                           // left, centre or right
	ByEdge        bool              `json:"byEdge,omitempty"`                // aligned left or right, they rest by that edge, not by their middle
	Width         float64           `json:"width"`                           // units at which lines break, 0: never
	Balanced      bool              `json:"balanced,omitempty"`              // lines that break by themselves are about as long as each other
	Filling       bool              `json:"filling,omitempty"`               // each line is made as wide as Width, with larger letters or smaller ones
	LineSpacing   float64           `json:"lineSpacing"`                     // percent of the font size
	LetterSpacing float64           `json:"letterSpacing"`                   // percent of the font size
	Optical       bool              `json:"optical,omitempty"`               // quotation marks, hyphens and points hang out beyond a line's ends
	Money         *Money            `json:"money,omitempty" walk:"plain"`    // how amounts look among them
	Features      []string          `json:"features,omitempty"`              // of OpenType that are on (smcp), or off (-liga)
	Axes          []Axis            `json:"axes,omitempty" walk:"plain"`     // of a variable font
	Fit           *Fit              `json:"fit,omitempty" walk:"plain"`      // they are as large as they can be in a box
	Beside        *Beside           `json:"beside,omitempty"`                // their lines keep away from a round layer
	Along         string            `json:"along,omitempty"`                 // the figure along whose outline they run
	Gradient      *Fill             `json:"gradient,omitempty" walk:"plain"` // of the plain letters, instead of Fill
	Behind        bool              `json:"behind,omitempty"`                // the outline lies behind all letters, not on them
	Outline       colour.Colour     `json:"outline"`                         // of the letters' outline; its width is a property
	Plate         *Plate            `json:"plate,omitempty"`
	Comes         *Passage          `json:"comes,omitempty"` // how they come into sight
	Goes          *Passage          `json:"goes,omitempty"`  // how they go out of it
}

// Accent is how some of the letters differ from the others.
type Accent struct {
	Emphasis bool           `json:"emphasis,omitempty"` // as emphasised letters, but for what follows
	Font     string         `json:"font,omitempty"`
	Fill     *colour.Colour `json:"fill,omitempty"`
	Size     float64        `json:"size,omitempty"` // percent of the words' size, 10 to 1000; 0 for as large
}

// MaxAccents is how many marks words have beside emphasis.
const MaxAccents = 8

// Plate is the shape behind words.
type Plate struct {
	Kind string        `json:"kind"` // pill, card, disc, burst, or lines: a card behind each line
	Fill colour.Colour `json:"fill"`
	Room float64       `json:"room"` // space around the words, percent of the font size
	// Size is how wide a disc or a burst is, in percent of the font size, whatever the
	// words are; 0 is as wide as they want it.
	Size float64 `json:"size,omitempty"`
	// Round is the radius of a card's corners, percent of the font size; none is 20, and 12 behind lines.
	Round *float64 `json:"round,omitempty"`
	// Follows lets it come with the first of its words and go with the last, instead of
	// standing there. Cards behind lines always do.
	Follows bool `json:"follows,omitempty"`
}

// withWords is a kind of which the content is words.
func withWords(k Kind) *Kind {
	k.Properties, k.Families, k.Colours, k.Content, k.Own, k.Check = wordsProperties, wordsFamilies, wordsColour, wordsOf, ownWords, checkWords
	k.Fill, k.Numbers, k.Numbered = func(l *Layer) *Fill { return l.Words.Gradient }, wordsNumbers, wordsNumbered
	return &k
}

var wordsKind = withWords(Kind{
	ID: KindWords, Name: "Headline", Says: "Words of any size", Field: "words", Icon: "fonts", Offered: true, Goes: true, Block: true,
	Enums: map[string][]string{"Words.Align": {"left", "centre", "right"}, "Plate.Kind": plates,
		"Passage.By": PassageParts.IDs(), "Passage.Order": PassageOrders.IDs(), "Passage.Edge": PassageEdges.IDs()},
	Draft: func(c *Clip, l *Layer, _ DraftOf) { *l = NewWords(l.ID, "Headline", KindWords, "One *bright* line") },
})

var wordsProperties = slices.Concat([]string{FillColour, EmphasisColour, PlateColour, OutlineColour, Outline, DrawStart, DrawEnd, LetterSpacing, Arch, Along}, fillProperties, repeatProperties)

var wordsFamilies = append(slices.Clone(fillFamilies), AxisAt)

var plates = []string{"pill", "card", "disc", "burst", "lines"}

func wordsNumbers(l *Layer, property string) []*float64 {
	if family, n := Numbered(property); family == AxisAt {
		if a := l.Words.axis(n); a != nil {
			return []*float64{&a.At}
		}
		return nil
	}
	if g := l.Words.Gradient; g != nil {
		return g.numbers(property)
	}
	return nil
}

func wordsNumbered(l *Layer, family string) (out []int) {
	if family == AxisAt {
		for _, a := range l.Words.Axes {
			out = append(out, a.ID)
		}
		return out
	}
	if g := l.Words.Gradient; g != nil {
		return g.numbered(family)
	}
	return nil
}

// Stands is the side by which words rest: -1 is their left edge, 0 their middle, 1 their
// right edge.
func (w *Words) Stands() int {
	switch {
	case !w.ByEdge:
		return 0
	case w.Align == "left":
		return -1
	case w.Align == "right":
		return 1
	}
	return 0
}

func wordsOf(l *Layer) any { return held(l.Words) }

func ownWords(l *Layer) {
	l.Words = copied(l.Words)
	if l.Words.Plate = copied(l.Words.Plate); l.Words.Plate != nil {
		l.Words.Plate.Round = copied(l.Words.Plate.Round)
	}
	l.Words.Features, l.Words.Axes = slices.Clone(l.Words.Features), slices.Clone(l.Words.Axes)
	l.Words.Texts = maps.Clone(l.Words.Texts)
	l.Words.Money = copied(l.Words.Money)
	l.Words.Fit, l.Words.Beside = copied(l.Words.Fit), copied(l.Words.Beside)
	if l.Words.Gradient = copied(l.Words.Gradient); l.Words.Gradient != nil {
		l.Words.Gradient.own()
	}
	l.Words.Comes, l.Words.Goes = l.Words.Comes.own(), l.Words.Goes.own()
	l.Words.Accents = slices.Clone(l.Words.Accents)
	for i := range l.Words.Accents {
		l.Words.Accents[i].Fill = copied(l.Words.Accents[i].Fill)
	}
}

// NewWords is a words layer (or a badge) with our headline settings.
func NewWords(id, name, kind, text string) Layer {
	l := NewLayer(id, name, kind)
	l.Rest.Size = 100
	l.Words = &Words{
		Text: text, Font: "bricolage-800", Fill: colour.RGB(0x173F47), EmphasisFill: colour.RGB(0xDD4F28),
		Align: "centre", ByEdge: true, Width: 840, LineSpacing: 105,
	}
	if kind == KindBadge {
		l.Lift = 24
		l.Words.Width = 0
		l.Words.Fill = colour.RGB(0xFCFAF5)
		l.Words.EmphasisFill = l.Words.Fill
		l.Words.Plate = &Plate{Kind: "disc", Fill: colour.RGB(0xDD4F28), Room: 55}
	}
	return l
}

func wordsColour(l *Layer, property string) *colour.Colour {
	if g := l.Words.Gradient; g != nil {
		if c := g.colour(property); c != nil {
			return c
		}
	}
	switch property {
	case FillColour:
		if l.Words.Gradient == nil {
			return &l.Words.Fill
		}
	case EmphasisColour:
		return &l.Words.EmphasisFill
	case OutlineColour:
		return &l.Words.Outline
	case PlateColour:
		if l.Words.Plate != nil {
			return &l.Words.Plate.Fill
		}
	}
	return nil
}

func checkWords(c *Clip, field string, l *Layer) error {
	w := l.Words
	if utf8.RuneCountInString(w.Text) > MaxText {
		return Fault(field+".text", "a text has at most %d letters", MaxText)
	}
	for language, text := range w.Texts {
		if !offer.Known(language) || utf8.RuneCountInString(text) > MaxText {
			return Fault(field+".texts", "a text is in a language that is known, and has at most %d letters", MaxText)
		}
	}
	for _, f := range []string{w.Font, w.EmphasisFont} {
		if f != "" && !c.hasFont(f) || f == "" && w.Font == "" {
			return Fault(field+".font", "there is no font %q", f)
		}
	}
	if err := c.checkAccents(field, w); err != nil {
		return err
	}
	if !slices.Contains([]string{"left", "centre", "right"}, w.Align) {
		return Fault(field+".align", "words stand left, centre or right, not %q", w.Align)
	}
	if !c.hasProduct(w.Product, true) {
		return Fault(field+".product", "there is no product %q", w.Product)
	}
	if p := w.Plate; p != nil {
		if !slices.Contains(plates, p.Kind) {
			return Fault(field+".plate.kind", "a plate is a pill, a card, a disc, a burst or one of lines, not %q", p.Kind)
		}
		if err := firstError(within(field+".plate.room", p.Room, 0, 400), within(field+".plate.size", p.Size, 0, 3000)); err != nil {
			return err
		}
	}
	return firstError(
		w.checkTypography(c, l, field),
		w.Money.check(field+".money"),
		w.Comes.check(field+".comes"), w.Goes.check(field+".goes"),
		within(field+".width", w.Width, 0, MaxUnits),
		within(field+".lineSpacing", w.LineSpacing, 50, 300),
		within(field+".letterSpacing", w.LetterSpacing, -20, 200),
	)
}

func (c *Clip) checkAccents(field string, w *Words) error {
	if len(w.Accents) > MaxAccents {
		return Fault(field+".accents", "a text has at most %d styles beside emphasis", MaxAccents)
	}
	for i, m := range w.Accents {
		at := fmt.Sprintf("%s.accents[%d]", field, i)
		if m.Font != "" && !c.hasFont(m.Font) {
			return Fault(at+".font", "there is no font %q", m.Font)
		}
		if m.Size != 0 {
			if err := within(at+".size", m.Size, 10, 1000); err != nil {
				return err
			}
		}
	}
	return nil
}
