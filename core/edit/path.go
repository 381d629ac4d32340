package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/trace"
)

// AddPoint puts a point into a path, in the middle of the way from one to the next, without
// changing its course.
type AddPoint struct {
	Typed
	Layer  string `json:"layer"`
	Number int    `json:"number"` // of the point before it
}

// pathOf is the path of a figure that is one.
func pathOf(c *clip.Clip, layer string) (*clip.Layer, *clip.DrawnPath, error) {
	l, err := find(c, layer)
	if err != nil {
		return nil, nil, err
	}
	if l.Card == nil || l.Card.Form != "path" || l.Card.Path == nil {
		return nil, nil, clip.Fault("layer", "%q is no path", l.Name)
	}
	return l, l.Card.Path, nil
}

func (a *AddPoint) apply(c *clip.Clip) error {
	l, p, err := pathOf(c, a.Layer)
	if err != nil {
		return err
	}
	i := slices.IndexFunc(p.Points, func(q clip.PathPoint) bool { return q.ID == a.Number })
	switch {
	case i < 0:
		return clip.Fault("number", "%q has no point %d", l.Name, a.Number)
	case len(p.Points) >= clip.MaxNumber:
		return clip.Fault("number", "a path whose points can be moved has at most %d of them", clip.MaxNumber)
	}
	first, end := p.Contour(i)
	next := i + 1
	if next == end {
		if next = first; !p.Closed {
			return clip.Fault("number", "nothing comes after the last point of a path that is open")
		}
	}
	from, to := &p.Points[i], &p.Points[next]
	between := clip.PathPoint{ID: freeNumber(func(n int) bool {
		return slices.ContainsFunc(p.Points, func(q clip.PathPoint) bool { return q.ID == n })
	})}
	here, there := trace.Node{At: [2]float64{from.X, from.Y}, Out: from.Out}, trace.Node{At: [2]float64{to.X, to.Y}, In: to.In}
	middle := trace.Halve(&here, &there)
	from.Out, to.In = here.Out, there.In
	between.X, between.Y, between.In, between.Out = middle.At[0], middle.At[1], middle.In, middle.Out
	p.Points = slices.Insert(p.Points, i+1, between)
	return nil
}

// BecomePath makes a figure of another form a path of its outline, whose points can be moved.
type BecomePath struct {
	Typed
	Layer string         `json:"layer"`
	Path  clip.DrawnPath `json:"path"`
}

func (b *BecomePath) apply(c *clip.Clip) error {
	l, err := find(c, b.Layer)
	if err != nil {
		return err
	}
	if l.Card == nil || l.Card.Form == "path" || l.Card.Fills {
		return clip.Fault("layer", "%q is no figure that could become a path", l.Name)
	}
	l.Card.Form, l.Card.Path, l.Card.Points = "path", &b.Path, 0
	for _, was := range []string{clip.Corner, clip.Corners, clip.Inner, clip.Begin, clip.Sweep} {
		delete(l.Values, was)
		delete(l.Tracks, was)
	}
	return nil
}

// RemovePoint takes a point out of a path, with its keys.
type RemovePoint struct {
	Typed
	Layer  string `json:"layer"`
	Number int    `json:"number"`
}

func (r *RemovePoint) apply(c *clip.Clip) error {
	l, p, err := pathOf(c, r.Layer)
	if err != nil {
		return err
	}
	i := slices.IndexFunc(p.Points, func(q clip.PathPoint) bool { return q.ID == r.Number })
	if i < 0 {
		return clip.Fault("number", "%q has no point %d", l.Name, r.Number)
	}
	if len(p.Points) <= 2 {
		return clip.Fault("number", "a path keeps two points; delete the figure instead")
	}
	first, end := p.Contour(i)
	if first == i && end > i+1 && i > 0 {
		p.Points[i+1].Begins = true
	}
	p.Points = slices.Delete(p.Points, i, i+1)
	p.Points[0].Begins = false
	drop(l)
	return nil
}
