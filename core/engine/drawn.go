package engine

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/layout"
	"billow/core/trace"
)

// Sketch is what a pointer has drawn over the frame of a shape, units from its centre.
type Sketch struct {
	Shape  string       `json:"shape"`
	Frame  int          `json:"frame"`            // of the clip: it goes into the scene that plays then
	Hand   [][2]float64 `json:"hand,omitempty"`   // where the pointer was, to be smoothed
	Nodes  []trace.Node `json:"nodes,omitempty"`  // or points as they were set
	Closed bool         `json:"closed,omitempty"` // the end is joined to the beginning
}

// sketch is the figure that was drawn, not yet added.
func sketch(e *Engine, in Sketch) (clip.Layer, error) {
	if e.shown == nil {
		return clip.Layer{}, errClosed
	}
	s, err := e.shape(in.Shape)
	if err != nil {
		return clip.Layer{}, err
	}
	nodes, err := in.nodes()
	if err != nil {
		return clip.Layer{}, err
	}
	p, x, y, w, h := trace.Boxed([]trace.Contour{{Nodes: nodes, Closed: in.Closed}})
	name := "Line"
	if in.Closed {
		name = "Blob"
	}
	l := clip.Drawn(e.shown, name, p, w, h)
	l.Group = e.shown.SceneAt(in.Frame).ID
	layout.PutAt(e.shown, &l, s, x, y)
	return l, nil
}

// nodes are those that were drawn, smoothed if that was by hand.
func (in *Sketch) nodes() ([]trace.Node, error) {
	nodes := in.Nodes
	if len(in.Hand) > 0 {
		nodes = trace.Smooth(in.Hand, in.Closed, clip.MaxNumber)
	}
	if len(nodes) < 2 {
		return nil, clip.Fault("nodes", "a line needs two points at least")
	}
	if len(nodes) > clip.MaxNumber {
		return nil, clip.Fault("nodes", "a path has at most %d points", clip.MaxNumber)
	}
	for _, n := range nodes {
		for _, v := range n.At {
			if math.IsNaN(v) || math.Abs(v) > clip.MaxUnits {
				return nil, clip.Fault("nodes", "a point lies too far away")
			}
		}
	}
	return nodes, nil
}

// Around is a sketch around a part of a layer.
type Around struct {
	Sketch
	Layer string `json:"layer"`
}

// sketchMask is the mask of a layer that was drawn around what it is to show, not yet added.
func sketchMask(e *Engine, in Around) (clip.Mask, error) {
	if e.shown == nil {
		return clip.Mask{}, errClosed
	}
	s, err := e.shape(in.Shape)
	if err != nil {
		return clip.Mask{}, err
	}
	in.Closed = true
	nodes, err := in.nodes()
	if err != nil {
		return clip.Mask{}, err
	}
	places := e.arranged(s).Places(in.Frame, []string{in.Layer})
	if len(places) == 0 {
		return clip.Mask{}, clip.Fault("layer", "the layer does not show here; go to where it does and draw there")
	}
	inv, ok := places[0].Mapping().Inverse()
	if !ok || places[0].Shrink == 0 {
		return clip.Mask{}, clip.Fault("layer", "the layer has no size here; go to where it has and draw there")
	}
	k := 1 / places[0].Shrink
	for i := range nodes {
		n := &nodes[i]
		by := func(v [2]float64) [2]float64 {
			return [2]float64{(inv.A*v[0] + inv.C*v[1]) * k, (inv.B*v[0] + inv.D*v[1]) * k}
		}
		x, y := inv.Apply(n.At[0], n.At[1])
		n.At, n.In, n.Out = [2]float64{x * k, y * k}, by(n.In), by(n.Out)
	}
	p, x, y, w, h := trace.Boxed([]trace.Contour{{Nodes: nodes, Closed: true}})
	round := func(v float64) float64 { return math.Round(v*100) / 100 }
	return clip.Mask{ID: 1, Form: "path", X: round(x), Y: round(y), W: round(w), H: round(h), Path: &p}, nil
}

// FigureAt is a figure on a frame of a shape.
type FigureAt struct {
	Shape string `json:"shape"`
	Frame int    `json:"frame"`
	Layer string `json:"layer"`
}

// asPath is the outline of a figure as a path that could be its own.
func asPath(e *Engine, in FigureAt) (clip.DrawnPath, error) {
	if e.shown == nil {
		return clip.DrawnPath{}, errClosed
	}
	s, err := e.shape(in.Shape)
	if err != nil {
		return clip.DrawnPath{}, err
	}
	p, w, h := e.arranged(s).Figure(in.Layer, in.Frame)
	contours := trace.OfPath(p)
	if len(contours) == 0 || w == 0 || h == 0 {
		return clip.DrawnPath{}, clip.Fault("layer", "this figure has no outline that could become a path")
	}
	return trace.Shares(contours, 0, 0, w, h), nil
}

// ChangingInto is a figure and the form that it is to change into.
type ChangingInto struct {
	FigureAt
	Form string `json:"form"`
}

// Match is a figure as it is and another one of as many points.
type Match struct {
	Path clip.DrawnPath `json:"path"`
	Into clip.DrawnPath `json:"into"`
}

// match matches the points of a figure with those of a form of its size.
func match(e *Engine, in ChangingInto) (Match, error) {
	if e.shown == nil {
		return Match{}, errClosed
	}
	s, err := e.shape(in.Shape)
	if err != nil {
		return Match{}, err
	}
	path, w, h := e.arranged(s).Figure(in.Layer, in.Frame)
	first, second := trace.OfPath(path), trace.OfPath(frame.Form(in.Form, w, h))
	if len(first) != 1 || len(second) != 1 || !first[0].Closed || !second[0].Closed {
		return Match{}, clip.Fault("form", "only figures of one closed outline change into each other")
	}
	a, b, of := trace.Matched(first[0].Nodes, second[0].Nodes)
	if len(a) > clip.MaxNumber {
		return Match{}, clip.Fault("form", "together they have more than %d points", clip.MaxNumber)
	}
	out := Match{trace.Shares([]trace.Contour{{Nodes: a, Closed: true}}, 0, 0, w, h), trace.Shares([]trace.Contour{{Nodes: b, Closed: true}}, 0, 0, w, h)}
	// Points that it has already keep their numbers.
	if card := e.shown.Layer(in.Layer).Card; card.Form == "path" && len(card.Path.Points) == len(first[0].Nodes) {
		free := 0
		for i, k := range of {
			if k >= 0 {
				out.Path.Points[i].ID = card.Path.Points[k].ID
				continue
			}
			for free++; slices.ContainsFunc(card.Path.Points, func(p clip.PathPoint) bool { return p.ID == free }); free++ {
			}
			out.Path.Points[i].ID = free
		}
	}
	return out, nil
}
