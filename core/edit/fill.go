package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/colour"
)

// filled is a layer that can have a fill of several colours, and the fill; a figure and words
// get one of their own colour.
func filled(c *clip.Clip, id string) (*clip.Layer, *clip.Fill, error) {
	l, err := find(c, id)
	if err != nil {
		return nil, nil, err
	}
	if l.Card != nil && l.Card.Gradient == nil {
		l.Card.Gradient = &clip.Fill{Angle: 180, Stops: []clip.Stop{{ID: 1, Colour: l.Card.Fill}}}
	}
	if l.Words != nil && l.Words.Gradient == nil {
		l.Words.Gradient = &clip.Fill{Angle: 180, Stops: []clip.Stop{{ID: 1, Colour: l.Words.Fill}}}
	}
	if f := l.Fill(); f != nil {
		return l, f, nil
	}
	return nil, nil, clip.Fault("layer", "%q has no gradient", l.Name)
}

// SetRun lets a fill run otherwise, or be one colour alone. What it needs for that it
// gets: a second colour, points, a reach.
type SetRun struct {
	Typed
	Layer string `json:"layer"`
	Run   string `json:"run"` // solid, linear, radial, conic or free
}

func (s *SetRun) apply(c *clip.Clip) error {
	l, f, err := filled(c, s.Layer)
	if err != nil {
		return err
	}
	if s.Run != "solid" && !slices.Contains(clip.Runs, s.Run) {
		return clip.Fault("run", "a fill is solid, linear, radial, conic or free, not %q", s.Run)
	}
	switch s.Run {
	case "solid":
		f.Run, f.Stops = "", f.Stops[:1]
		if l.Card != nil { // it has a colour of its own
			l.Card.Fill, l.Card.Gradient = f.Stops[0].Colour, nil
		}
		if l.Words != nil {
			l.Words.Fill, l.Words.Gradient = f.Stops[0].Colour, nil
		}
	case "free":
		f.Run = s.Run
		if len(f.Points) < 2 {
			f.Points = spread(f.Stops)
		}
	default:
		f.Run = s.Run
		if len(f.Stops) == 1 {
			next := clip.Stop{ID: free(f), At: 100, Colour: lighter(f.Stops[0].Colour)}
			f.Stops = append(f.Stops, next)
			f.Stops[0].At = 0
		}
		if f.Reach == 0 {
			f.Reach = 100
		}
	}
	drop(l)
	return nil
}

// spread are points that have the colours of stops, on an ellipse within the frame,
// from above left clockwise.
func spread(stops []clip.Stop) []clip.ColourPoint {
	n := min(max(len(stops), 3), clip.MaxPoints)
	out := make([]clip.ColourPoint, n)
	for i := range out {
		sin, cos := math.Sincos((float64(i)/float64(n) - 0.125) * 2 * math.Pi)
		out[i] = clip.ColourPoint{ID: i + 1, X: math.Round(35 * sin), Y: math.Round(-35 * cos)}
		if i < len(stops) {
			out[i].Colour = stops[i].Colour
		} else {
			out[i].Colour = lighter(out[i-1].Colour)
		}
	}
	return out
}

// lighter is a colour somewhat lighter, or darker where it is light already.
func lighter(c colour.Colour) colour.Colour {
	lab := colour.OKLab(float64(c.R), float64(c.G), float64(c.B))
	if lab.L += 0.14; lab.L > 0.98 {
		lab.L -= 0.28
	}
	r, g, b := lab.SRGB()
	return colour.FromFloats(r, g, b, float64(c.A))
}

// free is the smallest number that no colour of a fill has.
func free(f *clip.Fill) int {
	return freeNumber(func(n int) bool {
		return slices.ContainsFunc(f.Points, func(p clip.ColourPoint) bool { return p.ID == n }) || slices.ContainsFunc(f.Stops, func(s clip.Stop) bool { return s.ID == n })
	})
}

// freeNumber is the smallest number that is not taken.
func freeNumber(taken func(n int) bool) int {
	n := 1
	for taken(n) {
		n++
	}
	return n
}

// fixed gives each stop its number to keep, whatever comes before it.
func fixed(f *clip.Fill) {
	for i := range f.Stops {
		f.Stops[i].ID = f.Number(i)
	}
}

// AddColour adds a colour to a gradient: a stop in the middle of its longest piece, or
// a point in the middle.
type AddColour struct {
	Typed
	Layer string `json:"layer"`
}

func (a *AddColour) apply(c *clip.Clip) error {
	_, f, err := filled(c, a.Layer)
	if err != nil {
		return err
	}
	fixed(f)
	if f.Way() == "free" {
		f.Points = append(f.Points, clip.ColourPoint{ID: free(f), Colour: lighter(f.Points[len(f.Points)-1].Colour)})
		return nil
	}
	if len(f.Stops) == 1 {
		run := SetRun{Layer: a.Layer, Run: "linear"}
		return run.apply(c)
	}
	at := 1
	for i := 2; i < len(f.Stops); i++ {
		if f.Stops[i].At-f.Stops[i-1].At > f.Stops[at].At-f.Stops[at-1].At {
			at = i
		}
	}
	p, q := f.Stops[at-1], f.Stops[at]
	f.Stops = slices.Insert(f.Stops, at, clip.Stop{ID: free(f), At: (p.At + q.At) / 2, Colour: mixed(p.Colour, q.Colour)})
	return nil
}

// mixed is the colour half way between two in OKLab.
func mixed(p, q colour.Colour) colour.Colour {
	a, b := colour.OKLab(float64(p.R), float64(p.G), float64(p.B)), colour.OKLab(float64(q.R), float64(q.G), float64(q.B))
	r, g, bl := colour.Lab{L: (a.L + b.L) / 2, A: (a.A + b.A) / 2, B: (a.B + b.B) / 2}.SRGB()
	return colour.FromFloats(r, g, bl, (float64(p.A)+float64(q.A))/2)
}

// RemoveColour takes a colour out of a gradient, with its keys.
type RemoveColour struct {
	Typed
	Layer  string `json:"layer"`
	Number int    `json:"number"` // of the stop, or of the point
}

func (r *RemoveColour) apply(c *clip.Clip) error {
	l, f, err := filled(c, r.Layer)
	if err != nil {
		return err
	}
	fixed(f)
	before := len(f.Stops) + len(f.Points)
	if f.Way() == "free" {
		f.Points = slices.DeleteFunc(f.Points, func(p clip.ColourPoint) bool { return p.ID == r.Number })
	} else {
		f.Stops = slices.DeleteFunc(f.Stops, func(s clip.Stop) bool { return s.ID == r.Number })
	}
	if len(f.Stops)+len(f.Points) == before {
		return clip.Fault("number", "%q has no colour %d", l.Name, r.Number)
	}
	drop(l)
	return nil
}

// drop takes away the keys of numbered properties that the layer no longer has.
func drop(l *clip.Layer) {
	for name := range l.Tracks {
		if _, n := clip.Numbered(name); n > 0 && !l.Has(name) {
			delete(l.Tracks, name)
		}
	}
}
