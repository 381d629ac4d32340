package clip

import (
	"fmt"
	"slices"

	"billow/core/colour"
)

// DrawnPath is drawn by hand: points in order, with a curve or a straight line from each to
// the next. It may have several contours.
type DrawnPath struct {
	Closed bool        `json:"closed,omitempty"` // the last point of each contour is joined to its first
	Points []PathPoint `json:"points"`
}

// PathPoint is a point of a path. All is in percent of the figure's width and height, from its
// middle.
type PathPoint struct {
	ID     int        `json:"id"` // 1..99, under which it has keys; 0 in a path of more points than that: they have none
	X      float64    `json:"x"`
	Y      float64    `json:"y"`
	In     [2]float64 `json:"in"`               // from it, where the curve that comes to it is bent
	Out    [2]float64 `json:"out"`              // from it, where the curve that leaves it is bent
	Begins bool       `json:"begins,omitempty"` // another contour begins with it
}

// Families of properties of a path's points.
const (
	Point = "point" // percent of the figure's width and height from its middle
	Bend  = "bend"  // where the curves to and from it are bent, from it
)

var pathFamilies = []string{Point, Bend}

// MaxPathPoints is how many points a path has at most. Those of one with more than MaxNumber
// have no keys.
const MaxPathPoints = 2000

// Keyed tells whether the path's points can have keys.
func (p *DrawnPath) Keyed() bool { return len(p.Points) <= MaxNumber }

// Contour is the points, from one to just before another, of the contour that a point is in.
func (p *DrawnPath) Contour(i int) (from, to int) {
	for from = i; from > 0 && !p.Points[from].Begins; from-- {
	}
	for to = i + 1; to < len(p.Points) && !p.Points[to].Begins; to++ {
	}
	return from, to
}

func (p *DrawnPath) point(number int) *PathPoint {
	for i := range p.Points {
		if p.Points[i].ID == number {
			return &p.Points[i]
		}
	}
	return nil
}

// numbers is where the numbers of a property are, or nil.
func (p *DrawnPath) numbers(property string) []*float64 {
	family, n := Numbered(property)
	at := p.point(n)
	switch {
	case n == 0 || at == nil:
		return nil
	case family == Point:
		return []*float64{&at.X, &at.Y}
	case family == Bend:
		return []*float64{&at.In[0], &at.In[1], &at.Out[0], &at.Out[1]}
	}
	return nil
}

func (p *DrawnPath) check(field string) error {
	if len(p.Points) < 2 || len(p.Points) > MaxPathPoints {
		return Fault(field+".points", "a path has 2 to %d points, not %d", MaxPathPoints, len(p.Points))
	}
	seen := map[int]bool{}
	for i, at := range p.Points {
		name := fmt.Sprintf("%s.points[%d]", field, i)
		if p.Keyed() || at.ID != 0 {
			if err := validNumber(name+".id", at.ID, seen); err != nil {
				return err
			}
		}
		for _, v := range []float64{at.X, at.Y, at.In[0], at.In[1], at.Out[0], at.Out[1]} {
			if err := within(name, v, -1000, 1000); err != nil {
				return err
			}
		}
	}
	return nil
}

// The properties of a card are those of its gradient and of its path.

func cardNumbers(l *Layer, property string) []*float64 {
	if p := l.Card.Path; p != nil && l.Card.Form == "path" {
		if at := p.numbers(property); at != nil {
			return at
		}
	}
	if at := l.Card.lineNumbers(property); at != nil {
		return at
	}
	if g := l.Card.Gradient; g != nil {
		return g.numbers(property)
	}
	return nil
}

func cardNumbered(l *Layer, family string) (out []int) {
	if p := l.Card.Path; p != nil && l.Card.Form == "path" && (family == Point || family == Bend) {
		for _, at := range p.Points {
			if at.ID != 0 {
				out = append(out, at.ID)
			}
		}
		return out
	}
	if slices.Contains(lineFamilies, family) {
		for _, line := range l.Card.Lines {
			out = append(out, line.ID)
		}
		return out
	}
	if g := l.Card.Gradient; g != nil {
		return g.numbered(family)
	}
	return nil
}

// Drawn is a new figure of a path, over the middle of a box so wide and high: filled where it is
// closed, and with a line where it is not.
func Drawn(c *Clip, name string, p DrawnPath, w, h float64) Layer {
	l := NewLayer(c.FreeID(KindCard), name, KindCard)
	l.Card = &Card{Form: "path", Path: &p, Aspect: min(max(w/h, 0.02), 50), Fill: colour.RGB(0xC8922E), Outline: colour.RGB(0xDD4F28)}
	l.Rest.Size = min(max(w, h, 1), MaxUnits)
	if !p.Closed {
		l.Values = map[string][]float64{Outline: {16}}
	}
	return l
}
