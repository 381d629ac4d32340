package clip

import (
	"fmt"
	"slices"

	"billow/core/colour"
	"billow/core/wording"
)

// Card is a plain figure, with a hole in it or without.
type Card struct {
	Form     string        `json:"form"`            // one of Figures
	Aspect   float64       `json:"aspect"`          // width by height, 0.02..50
	Fills    bool          `json:"fills,omitempty"` // covers the whole frame in every shape
	Fill     colour.Colour `json:"fill"`
	Gradient *Fill         `json:"gradient,omitempty"` // instead of the one colour
	Outline  colour.Colour `json:"outline"`            // its width is a property
	Pen      *Pen          `json:"pen,omitempty"`      // how its outline is drawn
	Points   int           `json:"points,omitempty"`   // of a polygon, a star or a burst, 3..60; none is 6, 5 or 18
	Hole     *Hole         `json:"hole,omitempty"`
	Path     *DrawnPath    `json:"path,omitempty"`   // of the form path
	Hollow   bool          `json:"hollow,omitempty"` // where it lies over itself an even number of times, it is open
	Lines    []Line        `json:"lines,omitempty"`  // further outlines, drawn beneath, the last ones lowest
}

// Pen is how an outline is drawn.
type Pen struct {
	Cap  string  `json:"cap,omitempty"`  // its ends, as in SVG: round (as is none), butt or square
	Join string  `json:"join,omitempty"` // its corners, as in SVG: round (as is none), miter or bevel
	Dash float64 `json:"dash,omitempty"` // units that are drawn; none draws all
	Gap  float64 `json:"gap,omitempty"`  // units that are left out
	// Then are further units, drawn and left out in turn.
	Then []float64 `json:"then,omitempty"`
}

// MaxThen is how many further lengths of dashes and gaps there are at most.
const MaxThen = 14

// Figures are the forms of cards, in the order in which they are offered.
var Figures = wording.List{
	{ID: "card", Name: "Card", Says: "A rectangle, with round corners or without"}, {ID: "disc", Name: "Disc", Says: "A circle or an ellipse"},
	{ID: "ring", Name: "Ring", Says: "A ring, or a part of one"}, {ID: "polygon", Name: "Polygon", Says: "As many sides as you like"},
	{ID: "star", Name: "Star", Says: "As many points as you like"}, {ID: "burst", Name: "Burst", Says: "A badge with soft teeth"},
	{ID: "arrow", Name: "Arrow", Says: "An arrow to the right"}, {ID: "line", Name: "Line", Says: "A line, drawn by its outline"},
	{ID: "tag", Name: "Tag", Says: "A label with a hole for a string"}, {ID: "ticket", Name: "Ticket", Says: "A card with a bite out of both ends"},
	{ID: "ribbon", Name: "Ribbon", Says: "A band with notched ends"},
	{ID: "path", Name: "Path", Says: "Drawn by hand or point by point"},
}

var (
	// Caps are the ends of lines, and Joins their corners.
	Caps  = []string{"round", "butt", "square"}
	Joins = []string{"round", "miter", "bevel"}
)

// Hole is a window in a card. It grows and shrinks with the card's size.
type Hole struct {
	Form   string  `json:"form"` // disc or card
	X      float64 `json:"x"`    // units from the card's centre
	Y      float64 `json:"y"`
	Size   float64 `json:"size"`   // width, units
	Aspect float64 `json:"aspect"` // width by height, 0.02..50
	Corner float64 `json:"corner"` // radius of its corners, units
}

var cardKind = &Kind{
	ID: KindCard, Name: "Figure", Says: "A card, ring, star, arrow or line", Field: "card", Icon: "hexagon", Offered: true, Round: true,
	Properties: slices.Concat([]string{FillColour, OutlineColour, Outline, DrawStart, DrawEnd, DashShift, Corners, Inner, Begin, Sweep, Wave, WaveLong, WaveShift, Offset}, fillProperties, repeatProperties, openProperties),
	Families:   slices.Concat(pathFamilies, fillFamilies, lineFamilies),
	Fill:       func(l *Layer) *Fill { return l.Card.Gradient },
	Colours: func(l *Layer, property string) *colour.Colour {
		if c := l.Card.lineColour(property); c != nil {
			return c
		}
		switch g := l.Card.Gradient; {
		case property == OutlineColour:
			return &l.Card.Outline
		case g != nil:
			return g.colour(property)
		case property == FillColour:
			return &l.Card.Fill
		}
		return nil
	},
	Numbers:  cardNumbers,
	Numbered: cardNumbered,
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Card = &Card{Form: "card", Aspect: 1.4, Fill: colour.RGB(0xC8922E), Outline: colour.RGB(0x173F47)}
		l.Values = map[string][]float64{Corner: {24}}
		l.Name, l.Rest.Size, l.Lift = "Card", 500, 12
	},
	Content: func(l *Layer) any { return held(l.Card) },
	Own: func(l *Layer) {
		l.Card = copied(l.Card)
		l.Card.Lines = slices.Clone(l.Card.Lines)
		l.Card.Hole = copied(l.Card.Hole)
		if l.Card.Pen = copied(l.Card.Pen); l.Card.Pen != nil {
			l.Card.Pen.Then = slices.Clone(l.Card.Pen.Then)
		}
		if l.Card.Path = copied(l.Card.Path); l.Card.Path != nil {
			l.Card.Path.Points = slices.Clone(l.Card.Path.Points)
		}
		if l.Card.Gradient = copied(l.Card.Gradient); l.Card.Gradient != nil {
			l.Card.Gradient.own()
		}
	},
	Enums: map[string][]string{"Card.Form": Figures.IDs(), "Hole.Form": {"disc", "card"}, "Pen.Cap": Caps, "Pen.Join": Joins},
	Check: checkCard,
}

func (p *Pen) check(field string) error {
	if p == nil {
		return nil
	}
	if p.Cap != "" && !slices.Contains(Caps, p.Cap) {
		return Fault(field+".cap", "a line ends round, butt or square, not %q", p.Cap)
	}
	if p.Join != "" && !slices.Contains(Joins, p.Join) {
		return Fault(field+".join", "a line's corners are round, miter or bevel, not %q", p.Join)
	}
	if n := len(p.Then); n > MaxThen || n%2 != 0 {
		return Fault(field+".then", "dashes and gaps come in pairs, at most %d more of them", MaxThen/2)
	}
	for i, v := range p.Then {
		if err := within(fmt.Sprintf("%s.then[%d]", field, i), v, 0, MaxUnits); err != nil {
			return err
		}
	}
	return firstError(within(field+".dash", p.Dash, 0, MaxUnits), within(field+".gap", p.Gap, 0, MaxUnits))
}

func checkCard(_ *Clip, field string, l *Layer) error {
	d := l.Card
	if !slices.Contains(Figures.IDs(), d.Form) {
		return Fault(field+".form", "there is no figure %q", d.Form)
	}
	if p := d.Path; p != nil {
		if err := p.check(field + ".path"); err != nil {
			return err
		}
	} else if d.Form == "path" {
		return Fault(field+".path", "a path needs points: draw it in the picture")
	}
	if err := d.checkLines(field + ".lines"); err != nil {
		return err
	}
	if d.Points != 0 {
		if err := within(field+".points", float64(d.Points), 3, 60); err != nil {
			return err
		}
	}
	if err := d.Pen.check(field + ".pen"); err != nil {
		return err
	}
	if g := d.Gradient; g != nil {
		if err := g.check(field + ".gradient"); err != nil {
			return err
		}
	}
	if err := within(field+".aspect", d.Aspect, 0.02, 50); err != nil || d.Hole == nil {
		return err
	}
	h := d.Hole
	if h.Form != "disc" && h.Form != "card" {
		return Fault(field+".hole.form", "a hole is a disc or a card, not %q", h.Form)
	}
	return firstError(
		within(field+".hole.x", h.X, -MaxUnits, MaxUnits),
		within(field+".hole.y", h.Y, -MaxUnits, MaxUnits),
		within(field+".hole.size", h.Size, 1, MaxUnits),
		within(field+".hole.aspect", h.Aspect, 0.02, 50),
		within(field+".hole.corner", h.Corner, 0, MaxUnits),
	)
}
