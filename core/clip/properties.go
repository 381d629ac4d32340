package clip

import (
	"slices"

	"billow/core/colour"
	"billow/core/effect"
	"billow/core/motion"
	"billow/core/property"
	"billow/core/timing"
)

// Names of the properties that can have keys.
const (
	Position       = "position"         // units, added to the rest
	X              = "x"                // units to the right, added to the position; has a side to be just outside on
	Y              = "y"                // units down, added to the position
	Scale          = "scale"            // percent, multiplied; one number, or x and y apart
	Rotation       = "rotation"         // degrees clockwise, added to the rest
	Opacity        = "opacity"          // percent, multiplied
	Lift           = "lift"             // units, added
	SecondShadow   = "secondShadow"     // percent of the drop shadow's strength that one on the other side has
	Contact        = "contact"          // percent: how dark its shadow is where it stands on the ground
	Reflection     = "reflection"       // percent: how much the ground mirrors it
	ReflectionLong = "reflectionLength" // percent of its height after which the reflection is gone
	ReflectionBlur = "reflectionBlur"   // standard deviation, units
	Below          = "below"            // units by which the ground lies below what it stands on at rest
	Skew           = "skew"             // degrees by which upright edges lean to the right
	Mirror         = "mirror"           // percent: -100 is mirrored left to right, or upside down; between it turns over
	Pivot          = "pivot"            // percent of the visible size from its centre; turning and scaling are about it
	Depth          = "depth"            // units behind the picture plane, seen from 1000 units in front of it
	Crop           = "crop"             // percent cut off on the left, above, on the right, below
	Corner         = "corner"           // radius of the corners, units
	Outline        = "outline"          // width of the outline, units
	DrawStart      = "drawStart"        // percent of the outline at which what is drawn of it begins
	DrawEnd        = "drawEnd"          // percent at which it ends
	DashShift      = "dashShift"        // units by which the dashes of an outline are moved along it
	Corners        = "corners"          // radius of each corner of a card, added: upper left, upper right, lower right, lower left
	Inner          = "inner"            // percent: of a ring's size its hole, of a star's its inner corners, of an arrow's height its shaft
	Begin          = "begin"            // of a ring, degrees from up clockwise
	Sweep          = "sweep"            // of a ring, degrees by which it goes on
	Wave           = "wave"             // units by which an edge swings to either side
	WaveLong       = "waveLength"       // units from one wave to the next
	Offset         = "offset"           // units by which a figure's edge lies further out
	WaveShift      = "waveShift"        // degrees by which waves have moved on along the edge
	LetterSpacing  = "letterSpacing"    // percent of the font size, added
	Arch           = "arch"             // degrees of a circle that lines of words span; they are high in the middle
	Along          = "along"            // percent of a path's length by which words on it are moved on
	Revealed       = "reveal"           // percent that is shown
	FillColour     = "fillColour"       // of words and cards; red, green, blue, alpha 0..255
	EmphasisColour = "emphasisColour"   // of emphasised words
	PlateColour    = "plateColour"
	OutlineColour  = "outlineColour"
	FillAngle      = "fillAngle"  // of a gradient, degrees: 0 up, 90 right
	FillCentre     = "fillCentre" // percent of the plane's width and height from its middle
	FillReach      = "fillReach"  // percent of the way to the farthest corner
	FillFlat       = "fillFlat"   // percent by which it reaches less far across its direction
	// What is repeated has more: see Repeat.
	Time = "time" // of a group: the frame of its inside

	LightDirection = "direction" // of the clip's light, degrees
	LightHeight    = "height"    // degrees
)

// LightID is the place of a layer's ID in commands that change keys of the light.
const LightID = "@light"

// Property is what is known of a property.
type Property = property.Property

// AllProperties lists the properties of layers in the order in which they are
// shown and sampled: those of layers themselves, then those of effects.
var AllProperties = append([]Property{
	{Name: Position, Dims: 2, Min: -MaxUnits, Max: MaxUnits, Title: "Position", Parts: []string{"right", "down"}},
	{Name: X, Dims: 1, Min: -MaxUnits, Max: MaxUnits, Title: "Right"},
	{Name: Y, Dims: 1, Min: -MaxUnits, Max: MaxUnits, Title: "Down"},
	{Name: Scale, Dims: 2, Neutral: 100, Max: 2000, Title: "Scale", Unit: "%", Parts: []string{"width", "height"}},
	{Name: Rotation, Dims: 1, Min: -36000, Max: 36000, Title: "Rotation", Unit: "°"},
	{Name: Opacity, Dims: 1, Neutral: 100, Max: 100, Title: "Opacity", Unit: "%"},
	{Name: Lift, Dims: 1, Min: -500, Max: 500, Title: "Lift"},
	{Name: SecondShadow, Dims: 1, Max: 100, Title: "Second shadow", Unit: "%"},
	{Name: Contact, Dims: 1, Max: 100, Title: "Contact shadow", Unit: "%"},
	{Name: Reflection, Dims: 1, Max: 100, Title: "Reflection", Unit: "%"},
	{Name: ReflectionLong, Dims: 1, Neutral: 40, Min: 1, Max: 100, Title: "Reflection, length", Unit: "%"},
	{Name: ReflectionBlur, Dims: 1, Max: 100, Title: "Reflection, blur"},
	{Name: Below, Dims: 1, Min: -1000, Max: 1000, Title: "Ground below it"},
	{Name: Skew, Dims: 1, Min: -80, Max: 80, Title: "Skew", Unit: "°"},
	{Name: Mirror, Dims: 2, Neutral: 100, Min: -100, Max: 100, Title: "Mirror", Unit: "%", Parts: []string{"left to right", "upside down"}},
	{Name: Pivot, Dims: 2, Min: -500, Max: 500, Title: "Pivot", Unit: "%", Parts: []string{"right", "down"}},
	{Name: Depth, Dims: 1, Min: -900, Max: 9000, Title: "Depth"},
	{Name: Crop, Dims: 4, Max: 100, Title: "Crop", Unit: "%", Parts: []string{"left", "above", "right", "below"}},
	{Name: Corner, Dims: 1, Max: 1000, Title: "Corners"},
	{Name: Outline, Dims: 1, Max: 200, Title: "Outline"},
	{Name: DrawStart, Dims: 1, Max: 100, Title: "Drawn from", Unit: "%"},
	{Name: DrawEnd, Dims: 1, Neutral: 100, Max: 100, Title: "Drawn to", Unit: "%"},
	{Name: DashShift, Dims: 1, Min: -MaxUnits, Max: MaxUnits, Title: "Dashes moved on"},
	{Name: Corners, Dims: 4, Max: 1000, Title: "Each corner", Parts: []string{"upper left", "upper right", "lower right", "lower left"}},
	{Name: Inner, Dims: 1, Neutral: 50, Max: 100, Title: "Inner", Unit: "%"},
	{Name: Begin, Dims: 1, Min: -3600, Max: 3600, Title: "Ring begins at", Unit: "°"},
	{Name: Sweep, Dims: 1, Neutral: 360, Max: 360, Title: "Ring goes on by", Unit: "°"},
	{Name: Wave, Dims: 1, Max: 500, Title: "Waves, height"},
	{Name: WaveLong, Dims: 1, Neutral: 120, Min: 4, Max: 4000, Title: "Waves, length"},
	{Name: WaveShift, Dims: 1, Min: -36000, Max: 36000, Title: "Waves moved on", Unit: "°"},
	{Name: Offset, Dims: 1, Min: -300, Max: 300, Title: "Edge moved outwards"},
	{Name: LetterSpacing, Dims: 1, Min: -50, Max: 400, Title: "Spacing", Unit: "%"},
	{Name: Arch, Dims: 1, Min: -360, Max: 360, Title: "Arch", Unit: "°"},
	{Name: Along, Dims: 1, Min: -1000, Max: 1000, Title: "Along the path", Unit: "%"},
	{Name: Revealed, Dims: 1, Neutral: 100, Max: 100, Title: "Reveal", Unit: "%"},
	property.Colour(FillColour, "Fill"), property.Colour(EmphasisColour, "Emphasis"),
	property.Colour(PlateColour, "Plate"), property.Colour(OutlineColour, "Outline colour"),
	{Name: FillAngle, Dims: 1, Min: -3600, Max: 3600, Title: "Gradient, direction", Unit: "°"},
	{Name: FillCentre, Dims: 2, Min: -200, Max: 200, Title: "Gradient, centre", Unit: "%", Parts: []string{"right", "down"}},
	{Name: FillReach, Dims: 1, Neutral: 100, Min: 1, Max: 400, Title: "Gradient, reach", Unit: "%"},
	{Name: FillFlat, Dims: 1, Max: MaxFlat, Title: "Gradient, flatness", Unit: "%"},
	{Name: Gap, Dims: 2, Min: -MaxUnits, Max: MaxUnits, Title: "Gap", Parts: []string{"across", "down"}},
	{Name: Apart, Dims: 1, Neutral: 70, Min: 10, Max: 500, Title: "Apart"},
	{Name: Aside, Dims: 1, Max: 100, Title: "Other rows aside", Unit: "%"},
	{Name: Moved, Dims: 2, Min: -MaxUnits, Max: MaxUnits, Title: "All moved", Parts: []string{"right", "down"}},
	{Name: EachTurn, Dims: 1, Min: -36000, Max: 36000, Title: "Each turned", Unit: "°"},
	{Name: EachSize, Dims: 1, Neutral: 100, Max: 400, Title: "Each sized", Unit: "%"},
	property.Colour(WallColour, "Wall"), property.Colour(GroundColour, "Floor"), property.Colour(LightColour, "Glow colour"),
	{Name: Horizon, Dims: 1, Neutral: 66, Min: -100, Max: 200, Title: "Horizon", Unit: "%"},
	{Name: HorizonSoft, Dims: 1, Neutral: 60, Max: 1000, Title: "Horizon, softness"},
	{Name: Glow, Dims: 1, Max: 100, Title: "Glow", Unit: "%"},
	{Name: GlowAt, Dims: 1, Min: -200, Max: 200, Title: "Glow, place", Unit: "%"},
	{Name: GlowReach, Dims: 1, Neutral: 90, Min: 1, Max: 400, Title: "Glow, width", Unit: "%"},
	{Name: Zoom, Dims: 1, Neutral: 100, Min: 10, Max: 1000, Title: "Zoom", Unit: "%"},
	{Name: Pan, Dims: 2, Min: -300, Max: 300, Title: "Pan", Unit: "%", Parts: []string{"right", "down"}},
	{Name: Tint, Dims: 1, Max: 100, Title: "Tint", Unit: "%"}, property.Colour(TintColour, "Tint colour"),
	{Name: GrainStrength, Dims: 1, Max: 100, Title: "Grain", Unit: "%"},
	{Name: Open, Dims: 1, Max: MaxUnits, Title: "Opened"},
	{Name: OpenTurn, Dims: 1, Min: -3600, Max: 3600, Title: "Opened, turn of the line", Unit: "°"},
	{Name: OpenAt, Dims: 2, Min: -50, Max: 50, Title: "Opened, at", Unit: "%", Parts: []string{"right", "down"}},
	{Name: Time, Dims: 1, Min: -MaxUnits, Max: MaxSeconds * 60, Title: "Time inside"},
}, effects()...)

// Outside tells whether a key of a property can be just outside on a side: a position
// on any, a place on one axis on the two of that axis.
func Outside(property, side string) bool {
	x, y := motion.SideOf(side)
	switch property {
	case Position:
		return slices.Contains(motion.Sides, side)
	case X:
		return x != 0 && y == 0
	case Y:
		return y != 0 && x == 0
	}
	return false
}

// Apart tells whether a layer's position has keys for each axis by itself.
func (l *Layer) Apart() bool { return len(l.Tracks[X])+len(l.Tracks[Y]) > 0 }

// effects are the properties of all effects.
func effects() []Property {
	var out []Property
	for _, e := range effect.All {
		out = append(out, e.Properties...)
	}
	return out
}

// LightProperties are those of the clip's light.
var LightProperties = []Property{
	{Name: LightDirection, Dims: 1, Min: -3600, Max: 3600, Title: "Direction", Unit: "°"},
	{Name: LightHeight, Dims: 1, Min: 10, Max: 90, Title: "Height", Unit: "°"},
}

var propertyByName = func() map[string]Property {
	m := map[string]Property{}
	for _, list := range [][]Property{AllProperties, LightProperties} {
		for _, p := range list {
			m[p.Name] = p
		}
	}
	return m
}()

// PropertyNamed finds a property of layers or of the light.
func PropertyNamed(name string) (Property, bool) {
	if p, ok := propertyByName[name]; ok {
		return p, true
	}
	return numberedProperty(name)
}

// named is PropertyNamed for those that there are.
func named(name string) Property {
	p, _ := PropertyNamed(name)
	return p
}

// Dims is how many numbers a value of a property has; a scale may have one.
func Dims(property string) int { return named(property).Dims }

// Neutral is the number of a property that changes nothing.
func Neutral(property string) float64 { return named(property).Neutral }

// Has tells whether the layer has a property, with the colours and the numbers that
// its content has now.
func (l *Layer) Has(property string) bool {
	if !Has(l.Kind, property) {
		return false
	}
	if _, n := Numbered(property); n > 0 {
		return l.numbersOf(property) != nil || l.colourOf(property) != nil
	}
	if OfFill(property) {
		return l.numbersOf(property) != nil
	}
	if slices.Contains(repeatProperties, property) && l.Pattern == nil {
		return l.Repeat != nil
	}
	if property == Along {
		return l.Words != nil && l.Words.Along != ""
	}
	p := named(property)
	return !p.Colour || p.Usual != nil || l.colourOf(property) != nil
}

// Properties lists what the layer has, in the order of AllProperties; those that are
// numbered come after them.
func (l *Layer) Properties() []Property {
	var out []Property
	for _, p := range AllProperties {
		if l.Has(p.Name) {
			out = append(out, p)
		}
	}
	for _, f := range maskFamilies {
		for _, m := range l.Masks {
			out = append(out, named(NumberedName(f, m.ID)))
		}
	}
	k := l.Is()
	if k.Numbered == nil || !k.holds(l) {
		return out
	}
	for _, f := range k.Families {
		for _, n := range k.Numbered(l, f) {
			p := named(NumberedName(f, n))
			if f == AxisAt {
				p.Title = l.Words.axis(n).Title()
			}
			out = append(out, p)
		}
	}
	return out
}

// numbersOf is where the layer's content has the numbers of a property, or nil.
func (l *Layer) numbersOf(property string) []*float64 {
	if at := l.maskNumbers(property); at != nil {
		return at
	}
	if k := l.Is(); k.Numbers != nil && k.holds(l) {
		return k.Numbers(l, property)
	}
	return nil
}

// SetNumbers changes numbers of the layer's content. It tells whether the content has
// them.
func (l *Layer) SetNumbers(property string, value []float64) (bool, error) {
	at := l.numbersOf(property)
	if at == nil {
		return false, nil
	}
	if why := wrongValue(named(property), value); why != nil {
		why.Field = "value"
		return false, why
	}
	for i, p := range at {
		*p = value[i]
	}
	return true, nil
}

// LightHas tells whether the clip's light has a property.
func LightHas(property string) bool { return property == LightDirection || property == LightHeight }

// Base is the value of a property of a layer without its keys.
func (l *Layer) Base(property string) []float64 {
	if v, ok := l.Values[property]; ok {
		return v
	}
	p := named(property)
	if p.Usual != nil {
		return p.Usual
	}
	if p.Colour {
		return l.ownColour(property)
	}
	if at := l.numbersOf(property); at != nil {
		out := make([]float64, len(at))
		for i, v := range at {
			out[i] = *v
		}
		return out
	}
	out := make([]float64, p.Dims)
	for i := range out {
		out[i] = p.Neutral
	}
	return out
}

// ownColour is a colour of the layer's content as four numbers.
func (l *Layer) ownColour(property string) []float64 {
	var c colour.Colour
	if own := l.colourOf(property); own != nil {
		c = *own
	}
	if l.Cutout != nil && c == (colour.Colour{}) {
		c = colour.RGB(0xFFFFFF)
	}
	return []float64{float64(c.R), float64(c.G), float64(c.B), float64(c.A)}
}

// TwoColours are the properties of the first two colours that are seen of the layer's content,
// or of its only one.
func (l *Layer) TwoColours() (out []string) {
	if on := l.Base("duotone"); l.Has("duotone") && on[0] > 0 {
		return []string{"duotoneDark", "duotoneLight"} // an effect, in the colours of which all is seen
	}
	first := []string{FillColour, PlateColour, WallColour, GroundColour, OutlineColour, EmphasisColour}
	seen := func(name string) bool {
		if !l.Has(name) || name == OutlineColour && l.Base(Outline)[0] == 0 {
			return false
		}
		return l.colourOf(name) != nil && l.colourOf(name).A > 0
	}
	for _, name := range first {
		if seen(name) {
			out = append(out, name)
		}
	}
	for _, p := range l.Properties() {
		if p.Colour && !slices.Contains(first, p.Name) && seen(p.Name) {
			out = append(out, p.Name)
		}
	}
	return out[:min(len(out), 2)]
}

// SetColour changes a colour of the layer's content, given as four numbers.
func (l *Layer) SetColour(property string, value []float64) error {
	p, ok := PropertyNamed(property)
	if ok && p.Usual != nil {
		if why := wrongValue(p, value); why != nil {
			why.Field = "value"
			return why
		}
		if l.Values == nil {
			l.Values = map[string][]float64{}
		}
		l.Values[property] = value
		return nil
	}
	own := l.colourOf(property)
	if !ok || own == nil {
		return Fault("property", "%q has no %s to set", l.Name, Spoken(property))
	}
	if why := wrongValue(p, value); why != nil {
		why.Field = "value"
		return why
	}
	*own = colour.FromFloats(value[0], value[1], value[2], value[3])
	return nil
}

// colourOf is where the layer's content has a colour, or nil.
func (l *Layer) colourOf(property string) *colour.Colour {
	if k := l.Is(); k.Colours != nil && k.holds(l) {
		return k.Colours(l, property)
	}
	return nil
}

// Curve makes a track of a property ready for being sampled on frames of the
// clip. clock is that of the layer that has it.
func Curve(property string, t motion.Track, clock timing.Clock) *motion.Curve {
	p := named(property)
	return motion.NewCurve(t, p.Dims, p.Colour, clock)
}
