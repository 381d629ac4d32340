package clip

import (
	"strconv"
	"strings"

	"billow/core/property"
)

// Families of properties of which a layer has one for each of several things: of each
// colour of a gradient, say. The number of the thing stands behind the family's name:
// colour2.
const (
	StopColour  = "colour"      // of a stop of a gradient
	StopAt      = "at"          // percent of the way at which it is
	PointColour = "pointColour" // of a point of a free gradient
	PointPlace  = "place"       // percent of the plane's width and height from its middle
)

// MaxNumber is the largest number of such a thing.
const MaxNumber = 99

// Families lists them in the order in which they are shown. Their titles stand before
// the number.
var Families = []Property{
	{Name: Point, Dims: 2, Min: -1000, Max: 1000, Title: "Path", Unit: "%", Parts: []string{"right", "down"}},
	{Name: Bend, Dims: 4, Min: -1000, Max: 1000, Title: "Bend", Unit: "%", Parts: []string{"in, right", "in, down", "out, right", "out, down"}},
	property.Colour(StopColour, "Colour"),
	{Name: StopAt, Dims: 1, Max: 100, Title: "At, colour", Unit: "%"},
	property.Colour(PointColour, "Colour of point"),
	{Name: LineWidth, Dims: 1, Max: 200, Title: "Width of outline"},
	{Name: LineApart, Dims: 1, Min: -300, Max: 300, Title: "Distance of outline"},
	property.Colour(LineColour, "Colour of outline"),
	{Name: MaskPlace, Dims: 2, Min: -MaxUnits, Max: MaxUnits, Title: "Place of mask", Parts: []string{"right", "down"}},
	{Name: MaskSize, Dims: 2, Max: MaxUnits, Title: "Size of mask", Parts: []string{"width", "height"}},
	{Name: MaskTurn, Dims: 1, Min: -36000, Max: 36000, Title: "Turn of mask", Unit: "°"},
	{Name: MaskCorner, Dims: 1, Max: MaxUnits, Title: "Corners of mask"},
	{Name: MaskFeather, Dims: 1, Max: 300, Title: "Feather of mask"},
	{Name: MaskExpand, Dims: 1, Min: -1000, Max: 1000, Title: "Expansion of mask"},
	{Name: AxisAt, Dims: 1, Min: -10000, Max: 10000, Title: "Axis"},
	{Name: PointPlace, Dims: 2, Min: -200, Max: 200, Title: "Point", Unit: "%", Parts: []string{"right", "down"}},
}

// Numbered splits the name of a numbered property; 0 is none of them.
func Numbered(name string) (family string, number int) {
	family = strings.TrimRight(name, "0123456789")
	if family == name || len(name)-len(family) > 2 || name[len(family)] == '0' {
		return name, 0
	}
	number, _ = strconv.Atoi(name[len(family):])
	return family, number
}

// NumberedName is the name of a family's property for a number.
func NumberedName(family string, number int) string { return family + strconv.Itoa(number) }

// numberedProperty is what is known of a numbered property.
func numberedProperty(name string) (Property, bool) {
	family, n := Numbered(name)
	if n == 0 {
		return Property{}, false
	}
	for _, p := range Families {
		if p.Name == family {
			p.Name = name
			p.Title += " " + strconv.Itoa(n)
			return p, true
		}
	}
	return Property{}, false
}
