package engine

import (
	"slices"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/layout"
	"billow/core/motion"
	"billow/core/view"
)

// Looking is what the page looks at.
type Looking struct {
	Shape  string   `json:"shape"`
	Frame  int      `json:"frame"`
	Open   []string `json:"open"`   // layers whose rows are open
	Layer  string   `json:"layer"`  // whose values are told
	Layers []string `json:"layers"` // whose places are told
}

func viewOf(e *Engine, in Looking) (view.View, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return view.View{}, err
	}
	return view.Of(e.shown, e.arranged(s), in.Open), nil
}

// posterFrame is the frame that stands for the clip.
func posterFrame(e *Engine, _ *struct{}) (int, error) {
	if e.kept == nil {
		return 0, errClosed
	}
	return frame.PosterFrame(e.kept, e.lib), nil
}

// Places is where layers are on a frame, and the values that one of them has
// there.
type Places struct {
	W      float64              `json:"w"` // of the shape, units
	H      float64              `json:"h"`
	Safe   float64              `json:"safe"` // the share of each side that is the safe area
	Places []frame.Place        `json:"places"`
	Values map[string][]float64 `json:"values"`
}

func places(e *Engine, in Looking) (Places, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return Places{}, err
	}
	return e.placesIn(s, in.Frame, in.Layer, in.Layers), nil
}

func (e *Engine) placesIn(s clip.Shape, f int, layer string, layers []string) Places {
	st := e.arranged(s)
	w, h := st.Extent()
	values := map[string][]float64{}
	if l := e.shown.Layer(layer); l != nil {
		for _, p := range l.Properties() {
			values[p.Name] = edit.KeyHere(e.shown, layer, p.Name, f).Value
			if curve := st.Curve(layer, p.Name); curve != nil && (p.Name == clip.Position || p.Name == clip.X || p.Name == clip.Y) {
				v := curve.Sample(float64(f)) // with "just outside" worked out
				values[p.Name] = v[:p.Dims]
			}
		}
	}
	return Places{w, h, layout.Safe, st.Places(f, append([]string{}, layers...)), values}
}

// told says in words what is to be seen on a frame.
func told(e *Engine, in OnFrame) (string, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return "", err
	}
	return view.Picture(e.shown, e.arranged(s), s, in.Frame), nil
}

// InShape is a layer in a shape.
type InShape struct {
	Shape string `json:"shape"`
	Layer string `json:"layer,omitempty"`
}

// path is the way of a layer through the frame.
func path(e *Engine, in InShape) (frame.Path, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return frame.Path{}, err
	}
	return e.arranged(s).Path(in.Layer), nil
}

// Pinning is a layer that is to be pinned to an edge or corner of a shape.
type Pinning struct {
	Shape string `json:"shape"`
	Layer string `json:"layer"`
	Pin   string `json:"pin"`
}

// pinned is where a layer rests that lies inside at an edge or corner.
func pinned(e *Engine, in Pinning) (clip.Rest, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return clip.Rest{}, err
	}
	r, ok := e.arranged(s).Pinned(in.Layer, in.Pin)
	if !ok {
		return r, clip.Fault("layer", "there is no layer %q that can be pinned", in.Layer)
	}
	return r, nil
}

// Aligning is words whose lines are to be aligned otherwise.
type Aligning struct {
	Layer string `json:"layer"`
	Align string `json:"align"`
}

// aligned is where words rest then, so that they stay where they are, in the home shape
// and in those in which they have a rest of their own.
func aligned(e *Engine, in Aligning) (map[string]clip.Rest, error) {
	if e.shown == nil {
		return nil, errClosed
	}
	l := e.shown.Layer(in.Layer)
	if l == nil || l.Words == nil {
		return nil, clip.Fault("layer", "there are no words %q", in.Layer)
	}
	out := map[string]clip.Rest{}
	for i, s := range e.shown.Shapes {
		if _, own := l.Rests[s.ID]; own || i == 0 {
			out[s.ID], _ = e.arranged(s).Aligned(in.Layer, in.Align)
		}
	}
	return out, nil
}

// loopGap tells how well the last frame meets the first.
func loopGap(e *Engine, in InShape) (frame.LoopGap, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return frame.LoopGap{}, err
	}
	return e.arranged(s).LoopGap(), nil
}

// Point is a point of a frame, in units from its centre.
type Point struct {
	Shape string  `json:"shape"`
	Frame int     `json:"frame"`
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
}

// pick lists what is under a point, from the front to the back.
func pick(e *Engine, in Point) ([]string, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return nil, err
	}
	return e.arranged(s).Pick(in.Frame, in.X, in.Y), nil
}

// Drag is layers that are dragged so far, in units, and how near a line they
// catch on it.
type Drag struct {
	Shape  string   `json:"shape"`
	Frame  int      `json:"frame"`
	Layers []string `json:"layers"`
	DX     float64  `json:"dx"`
	DY     float64  `json:"dy"`
	Reach  float64  `json:"reach"`
}

// Caught is how far dragged layers go, the lines that they catch on, and how far
// they are then from what is beside them.
type Caught struct {
	DX     float64        `json:"dx"`
	DY     float64        `json:"dy"`
	Guides []layout.Guide `json:"guides"`
	Gaps   []layout.Gap   `json:"gaps"`
}

// snap lets dragged layers catch on the frame's guides, on other layers and on
// places at which gaps are equal. Without a reach they catch on nothing. It is
// asked about the clip as it is kept.
func snap(e *Engine, in Drag) (Caught, error) {
	out := Caught{in.DX, in.DY, []layout.Guide{}, []layout.Gap{}}
	s, err := e.shape(in.Shape)
	if err != nil {
		return out, err
	}
	lines := layout.Guides(s)
	var box *layout.Box
	var others []layout.Box
	for _, pl := range frame.Arrange(e.kept, s, e.lib).Places(in.Frame, nil) {
		l := e.kept.Layer(pl.Layer)
		b := pl.Box()
		switch {
		case slices.Contains(in.Layers, pl.Layer):
			if box != nil {
				b = b.Union(*box)
			}
			box = &b
		case !l.Is().Fills && !l.Is().Holds && !slices.ContainsFunc(in.Layers, func(id string) bool { return e.kept.Within(l, id) }):
			lines = append(lines, b.Lines(l.Name)...)
			others = append(others, b)
		}
	}
	if box == nil {
		return out, nil
	}
	if in.Reach > 0 {
		out.catch(*box, lines, others, in.Reach)
	}
	out.Gaps = append(out.Gaps, layout.Gaps(box.Moved(out.DX, out.DY), others, layout.Frame(s))...)
	return out, nil
}

// catch lets a box catch on the nearest line on each axis, or where its gaps are
// equal if that is nearer.
func (c *Caught) catch(box layout.Box, lines []layout.Guide, others []layout.Box, reach float64) {
	at := box.Moved(c.DX, c.DY)
	dx, dy, on := layout.Snap(at, lines, reach)
	even, found := layout.Even(at, others, reach)
	by := [2]float64{dx, dy}
	for i, axis := range []string{"x", "y"} {
		caught := slices.ContainsFunc(on, func(g layout.Guide) bool { return g.Axis == axis })
		if found[i] && (!caught || abs(even[i]) < abs(by[i])) {
			by[i] = even[i]
			on = slices.DeleteFunc(on, func(g layout.Guide) bool { return g.Axis == axis })
		}
	}
	c.DX, c.DY, c.Guides = c.DX+by[0], c.DY+by[1], append(c.Guides, on...)
}

func abs(v float64) float64 { return max(v, -v) }

// Lining is layers that are brought into line.
type Lining struct {
	Shape  string   `json:"shape"`
	Frame  int      `json:"frame"`
	Layers []string `json:"layers"`
	How    string   `json:"how"` // one of layout.Alignments
}

// Shift is how far a layer goes, units right and down.
type Shift struct {
	Layer string  `json:"layer"`
	DX    float64 `json:"dx"`
	DY    float64 `json:"dy"`
}

// align tells how far layers go so that they stand in a line.
func align(e *Engine, in Lining) ([]Shift, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return nil, err
	}
	if !slices.Contains(layout.Alignments, in.How) {
		return nil, clip.Fault("how", "layers cannot be brought into line %q", in.How)
	}
	out := []Shift{}
	var boxes []layout.Box
	for _, pl := range e.arranged(s).Places(in.Frame, append([]string{}, in.Layers...)) {
		out = append(out, Shift{Layer: pl.Layer})
		boxes = append(boxes, pl.Box())
	}
	for i, by := range layout.Align(boxes, in.How, layout.Frame(s)) {
		out[i].DX, out[i].DY = by[0], by[1]
	}
	return out, nil
}

// Area is a rectangle of a frame, between two of its corners, in units from the
// frame's centre.
type Area struct {
	Shape string     `json:"shape"`
	Frame int        `json:"frame"`
	From  [2]float64 `json:"from"`
	To    [2]float64 `json:"to"`
}

// touching lists the layers that a rectangle touches, from the back to the front:
// those that pick would find somewhere in it.
func touching(e *Engine, in Area) ([]string, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return nil, err
	}
	area := layout.Box{
		X0: min(in.From[0], in.To[0]), Y0: min(in.From[1], in.To[1]), X1: max(in.From[0], in.To[0]), Y1: max(in.From[1], in.To[1]),
	}
	return e.arranged(s).Touching(in.Frame, area), nil
}

// keyHere is the key of a layer's property on a frame, or what one would be.
func keyHere(e *Engine, in edit.KeyRef) (motion.Key, error) {
	if e.shown == nil {
		return motion.Key{}, errClosed
	}
	if in.Layer != clip.LightID && e.shown.Layer(in.Layer) == nil {
		return motion.Key{}, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	return edit.KeyHere(e.shown, in.Layer, in.Property, in.Frame), nil
}

// PivotAt is a point of a frame, in units from its centre, on which a layer's
// pivot is put.
type PivotAt struct {
	Shape string  `json:"shape"`
	Frame int     `json:"frame"`
	Layer string  `json:"layer"`
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
}

// Pivoted is what movePivot says of it.
type Pivoted struct {
	To   [2]float64 `json:"to"`
	Move [2]float64 `json:"move"`
}

// pivot tells where a layer's pivot goes and how its rest moves with it. It is
// asked about the clip as it is kept.
func pivot(e *Engine, in PivotAt) (Pivoted, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return Pivoted{}, err
	}
	to, move, ok := frame.Arrange(e.kept, s, e.lib).Repivot(in.Layer, float64(in.Frame), in.X, in.Y)
	if !ok {
		return Pivoted{}, clip.Fault("layer", "the pivot of a layer without a size cannot be moved")
	}
	return Pivoted{to, move}, nil
}
