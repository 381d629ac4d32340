package clip

import (
	"fmt"

	"billow/core/colour"
)

// Line is one more outline of a figure, outside its own or inside.
type Line struct {
	ID     int           `json:"id"` // 1..99, under which it has keys
	Width  float64       `json:"width"`
	Apart  float64       `json:"apart"` // units from the figure's own outline outwards; below 0 inwards
	Colour colour.Colour `json:"colour"`
}

// Families of the properties of further outlines.
const (
	LineWidth  = "lineWidth"
	LineApart  = "lineApart"
	LineColour = "lineColour"
)

var lineFamilies = []string{LineWidth, LineApart, LineColour}

// MaxLines is how many outlines a figure has at most beside its own.
const MaxLines = 8

func (d *Card) line(number int) *Line {
	for i := range d.Lines {
		if d.Lines[i].ID == number {
			return &d.Lines[i]
		}
	}
	return nil
}

// lineNumbers is where the numbers of a property of a further outline are, or nil.
func (d *Card) lineNumbers(property string) []*float64 {
	family, n := Numbered(property)
	l := d.line(n)
	switch {
	case n == 0 || l == nil:
		return nil
	case family == LineWidth:
		return []*float64{&l.Width}
	case family == LineApart:
		return []*float64{&l.Apart}
	}
	return nil
}

func (d *Card) lineColour(property string) *colour.Colour {
	if family, n := Numbered(property); n > 0 && family == LineColour {
		if l := d.line(n); l != nil {
			return &l.Colour
		}
	}
	return nil
}

func (d *Card) checkLines(field string) error {
	if len(d.Lines) > MaxLines {
		return Fault(field, "a figure has at most %d further outlines", MaxLines)
	}
	seen := map[int]bool{}
	for i, l := range d.Lines {
		at := fmt.Sprintf("%s[%d]", field, i)
		if err := firstError(validNumber(at+".id", l.ID, seen), within(at+".width", l.Width, 0, 200), within(at+".apart", l.Apart, -300, 300)); err != nil {
			return err
		}
	}
	return nil
}
