package clip

import (
	"fmt"
	"slices"

	"billow/core/wording"
)

// Mask lets only a part of a layer or a group show. It moves with the layer; its
// numbers can have keys.
type Mask struct {
	ID      int     `json:"id"`                // 1..99, under which it has keys
	Form    string  `json:"form"`              // one of MaskForms
	Mode    string  `json:"mode,omitempty"`    // add (as is none), subtract or intersect
	Invert  bool    `json:"invert,omitempty"`  // what lies outside it counts
	Still   bool    `json:"still,omitempty"`   // it stays where it is while the layer moves
	X       float64 `json:"x"`                 // units from the layer's middle
	Y       float64 `json:"y"`                 //
	W       float64 `json:"w"`                 // units; of no account to a line
	H       float64 `json:"h"`                 //
	Turn    float64 `json:"turn,omitempty"`    // degrees clockwise; a line shows what is below it
	Corner  float64 `json:"corner,omitempty"`  // of a card: the radius of its corners, units
	Feather float64 `json:"feather,omitempty"` // standard deviation of the blur of its edge, units
	Expand  float64 `json:"expand,omitempty"`  // units by which its edge lies further out

	Path *DrawnPath `json:"path,omitempty"` // of the form path: in percent of W and H
}

// MaskForms are the forms of masks.
var MaskForms = wording.List{
	{ID: "disc", Name: "Disc", Says: "A circle or an ellipse"},
	{ID: "card", Name: "Card", Says: "A rectangle, with round corners or without"},
	{ID: "line", Name: "Line", Says: "All that lies on one side of a line"},
	{ID: "path", Name: "Draw", Says: "Whatever is drawn around in the picture"},
}

// MaskModes are how masks are put together, each with those before it.
var MaskModes = wording.List{
	{ID: "add", Name: "Add", Says: "Shows it, too"},
	{ID: "subtract", Name: "Subtract", Says: "Hides it"},
	{ID: "intersect", Name: "Intersect", Says: "Shows only what lies in both"},
}

// MaxMasks is how many masks a layer has at most.
const MaxMasks = 12

// Families of the properties of masks.
const (
	MaskPlace   = "maskPlace"
	MaskSize    = "maskSize"
	MaskTurn    = "maskTurn"
	MaskCorner  = "maskCorner"
	MaskFeather = "maskFeather"
	MaskExpand  = "maskExpand"
)

var maskFamilies = []string{MaskPlace, MaskSize, MaskTurn, MaskCorner, MaskFeather, MaskExpand}

// mask is the mask of a number, or nil.
func (l *Layer) mask(number int) *Mask {
	for i := range l.Masks {
		if l.Masks[i].ID == number {
			return &l.Masks[i]
		}
	}
	return nil
}

// maskNumbers is where a mask has the numbers of a property, or nil.
func (l *Layer) maskNumbers(property string) []*float64 {
	family, n := Numbered(property)
	m := l.mask(n)
	if n == 0 || m == nil {
		return nil
	}
	switch family {
	case MaskPlace:
		return []*float64{&m.X, &m.Y}
	case MaskSize:
		return []*float64{&m.W, &m.H}
	case MaskTurn:
		return []*float64{&m.Turn}
	case MaskCorner:
		return []*float64{&m.Corner}
	case MaskFeather:
		return []*float64{&m.Feather}
	case MaskExpand:
		return []*float64{&m.Expand}
	}
	return nil
}

func validateMasks(field string, l *Layer) error {
	if len(l.Masks) > MaxMasks {
		return Fault(field, "a layer has at most %d masks", MaxMasks)
	}
	seen := map[int]bool{}
	for i, m := range l.Masks {
		at := fmt.Sprintf("%s[%d]", field, i)
		if !slices.Contains(MaskForms.IDs(), m.Form) {
			return Fault(at+".form", "a mask is a disc, a card, a line or a path, not %q", m.Form)
		}
		if p := m.Path; p != nil {
			if err := p.check(at + ".path"); err != nil {
				return err
			}
		} else if m.Form == "path" {
			return Fault(at+".path", "a mask that is drawn needs points")
		}
		if m.Mode != "" && !slices.Contains(MaskModes.IDs(), m.Mode) {
			return Fault(at+".mode", "a mask adds, subtracts or intersects, not %q", m.Mode)
		}
		if err := firstError(
			validNumber(at+".id", m.ID, seen),
			within(at+".x", m.X, -MaxUnits, MaxUnits), within(at+".y", m.Y, -MaxUnits, MaxUnits),
			within(at+".w", m.W, 0, MaxUnits), within(at+".h", m.H, 0, MaxUnits),
			within(at+".turn", m.Turn, -36000, 36000), within(at+".corner", m.Corner, 0, MaxUnits),
			within(at+".feather", m.Feather, 0, 300), within(at+".expand", m.Expand, -1000, 1000),
		); err != nil {
			return err
		}
	}
	return nil
}

// ownMasks are masks that share nothing with those they are copied from.
func ownMasks(list []Mask) []Mask {
	list = slices.Clone(list)
	for i := range list {
		if p := list[i].Path; p != nil {
			list[i].Path = &DrawnPath{p.Closed, slices.Clone(p.Points)}
		}
	}
	return list
}
