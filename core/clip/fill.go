package clip

import (
	"fmt"
	"slices"

	"billow/core/colour"
)

// Fill is how a plane is coloured: one stop is a solid, more are a gradient.
type Fill struct {
	Run    string        `json:"run,omitempty"`    // linear (as is none), radial, conic or free
	Stops  []Stop        `json:"stops"`            // of all but a free gradient
	Angle  float64       `json:"angle"`            // direction in which a linear one runs, a conic one begins and a flat radial one is long: 0 up, 90 right, 180 down
	X      float64       `json:"x,omitempty"`      // centre of a radial or conic one, percent of the plane's width from its middle
	Y      float64       `json:"y,omitempty"`      // percent of its height
	Reach  float64       `json:"reach,omitempty"`  // of a radial one: its end, percent of the way to the farthest corner
	Flat   float64       `json:"flat,omitempty"`   // of a radial one: percent by which it reaches less far across its direction
	Points []ColourPoint `json:"points,omitempty"` // of a free gradient, two to six
}

// Stop is a colour of a gradient.
type Stop struct {
	ID     int           `json:"id,omitempty"` // 1..99, under which it has keys; none is its place in the list
	At     float64       `json:"at"`           // 0..100 percent of the way
	Colour colour.Colour `json:"colour"`
}

// ColourPoint is a colour of a free gradient and where it is.
type ColourPoint struct {
	ID     int           `json:"id"` // 1..99, under which it has keys
	X      float64       `json:"x"`  // percent of the plane's width from its middle
	Y      float64       `json:"y"`  // percent of its height
	Colour colour.Colour `json:"colour"`
}

// Runs are the ways in which a gradient runs.
var Runs = []string{"linear", "radial", "conic", "free"}

const (
	// MaxStops is how many colours a gradient has at most.
	MaxStops = 24
	// MaxFlat is how flat a radial gradient is at most, percent.
	MaxFlat = 95
	// MaxPoints is how many points a free gradient has at most.
	MaxPoints = 6
)

// fillProperties are those of a gradient that are there once.
var fillProperties = []string{FillAngle, FillCentre, FillReach, FillFlat}

// fillFamilies are those of which there is one for each colour or point.
var fillFamilies = []string{StopColour, StopAt, PointColour, PointPlace}

// Colours are those that it shows.
func (f *Fill) Colours() (out []colour.Colour) {
	if f.Way() == "free" {
		for _, p := range f.Points {
			out = append(out, p.Colour)
		}
		return out
	}
	for _, s := range f.Stops {
		out = append(out, s.Colour)
	}
	return out
}

// OfFill tells whether a property is one of a gradient as a whole.
func OfFill(property string) bool { return slices.Contains(fillProperties, property) }

// Way tells how it runs.
func (f *Fill) Way() string {
	switch {
	case f.Run == "" || len(f.Stops) == 1 && f.Run != "free":
		return "linear"
	}
	return f.Run
}

// Number is under which number the stop in a place of the list has keys.
func (f *Fill) Number(i int) int {
	if id := f.Stops[i].ID; id != 0 {
		return id
	}
	return i + 1
}

// stop is the stop of a number, or nil.
func (f *Fill) stop(number int) *Stop {
	for i := range f.Stops {
		if f.Number(i) == number {
			return &f.Stops[i]
		}
	}
	return nil
}

func (f *Fill) point(number int) *ColourPoint {
	for i := range f.Points {
		if f.Points[i].ID == number {
			return &f.Points[i]
		}
	}
	return nil
}

// colour is where the colour of a property is, or nil.
func (f *Fill) colour(property string) *colour.Colour {
	family, n := Numbered(property)
	switch free := f.Way() == "free"; {
	case family == StopColour && !free:
		if s := f.stop(n); s != nil {
			return &s.Colour
		}
	case family == PointColour && free:
		if p := f.point(n); p != nil {
			return &p.Colour
		}
	}
	return nil
}

// numbers is where the numbers of a property are, or nil: of those that count in the
// way in which it runs.
func (f *Fill) numbers(property string) []*float64 {
	run := f.Way()
	gradient := run != "free" && len(f.Stops) > 1
	switch property {
	case FillAngle:
		if gradient {
			return []*float64{&f.Angle}
		}
	case FillCentre:
		if gradient && run != "linear" {
			return []*float64{&f.X, &f.Y}
		}
	case FillReach:
		if gradient && run == "radial" {
			return []*float64{&f.Reach}
		}
	case FillFlat:
		if gradient && run == "radial" {
			return []*float64{&f.Flat}
		}
	}
	switch family, n := Numbered(property); {
	case family == StopAt && gradient:
		if s := f.stop(n); s != nil {
			return []*float64{&s.At}
		}
	case family == PointPlace && run == "free":
		if p := f.point(n); p != nil {
			return []*float64{&p.X, &p.Y}
		}
	}
	return nil
}

// numbered are the numbers of stops and points under which a family has properties.
func (f *Fill) numbered(family string) (out []int) {
	switch free := f.Way() == "free"; {
	case !free && family == StopColour, !free && len(f.Stops) > 1 && family == StopAt:
		for i := range f.Stops {
			out = append(out, f.Number(i))
		}
	case free && (family == PointColour || family == PointPlace):
		for _, p := range f.Points {
			out = append(out, p.ID)
		}
	}
	return out
}

func (f *Fill) own() {
	f.Stops, f.Points = slices.Clone(f.Stops), slices.Clone(f.Points)
}

func (f *Fill) check(field string) error {
	if f.Run != "" && !slices.Contains(Runs, f.Run) {
		return Fault(field+".run", "a gradient is linear, radial, conic or free, not %q", f.Run)
	}
	if len(f.Stops) < 1 || len(f.Stops) > MaxStops {
		return Fault(field+".stops", "a gradient has one to %d colours", MaxStops)
	}
	seen := map[int]bool{}
	for i, s := range f.Stops {
		at := fmt.Sprintf("%s.stops[%d]", field, i)
		if err := firstError(within(at+".at", s.At, 0, 100), validNumber(at+".id", f.Number(i), seen)); err != nil {
			return err
		}
		if i > 0 && s.At < f.Stops[i-1].At {
			return Fault(at+".at", "the colours are not in order")
		}
	}
	if n := len(f.Points); f.Run == "free" && n < 2 || n > MaxPoints {
		return Fault(field+".points", "a free gradient has two to %d points", MaxPoints)
	}
	clear(seen)
	for i, p := range f.Points {
		at := fmt.Sprintf("%s.points[%d]", field, i)
		if err := firstError(within(at+".x", p.X, -200, 200), within(at+".y", p.Y, -200, 200), validNumber(at+".id", p.ID, seen)); err != nil {
			return err
		}
	}
	return firstError(
		within(field+".angle", f.Angle, -3600, 3600),
		within(field+".x", f.X, -200, 200), within(field+".y", f.Y, -200, 200),
		within(field+".reach", f.Reach, map[bool]float64{true: 1}[f.Run == "radial"], 400),
		within(field+".flat", f.Flat, 0, MaxFlat),
	)
}

// validNumber checks the number of one of several things, each its own.
func validNumber(field string, n int, seen map[int]bool) error {
	if n < 1 || n > MaxNumber {
		return Fault(field, "a number goes from 1 to %d", MaxNumber)
	}
	if seen[n] {
		return Fault(field, "two of them have the number %d", n)
	}
	seen[n] = true
	return nil
}

// Fill is the layer's fill of several colours, or nil.
func (l *Layer) Fill() *Fill {
	if k := l.Is(); k.Fill != nil && k.holds(l) {
		return k.Fill(l)
	}
	return nil
}
