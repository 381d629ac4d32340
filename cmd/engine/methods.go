//go:build js && wasm

package main

import (
	"bytes"
	"encoding/binary"
	"encoding/json"
	"image"
	_ "image/gif" // decoders register themselves
	_ "image/jpeg"
	_ "image/png"
	"slices"
	"unsafe"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/layout"
	"billow/core/mix"
	"billow/core/moves"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/view"

	_ "golang.org/x/image/webp"
)

// place is what most questions are about.
type place struct {
	Shape    string   `json:"shape"`
	Frame    int      `json:"frame"`
	W        int      `json:"w"`
	H        int      `json:"h"`
	X        float64  `json:"x"`
	Y        float64  `json:"y"`
	Layer    string   `json:"layer"`
	Property string   `json:"property"`
	Open     []string `json:"open"`
	Layers   []string `json:"layers"`
	Frames   []int    `json:"frames"`
	DX       float64  `json:"dx"`
	DY       float64  `json:"dy"`
	Reach    float64  `json:"reach"`
}

// at reads a place and finds its shape.
func (e *engine) at(arg []byte) (p place, s clip.Shape, err error) {
	if e.shown == nil {
		return p, s, errClosed
	}
	if err = json.Unmarshal(arg, &p); err == nil {
		s, err = e.shown.Shape(p.Shape)
	}
	return p, s, err
}

func viewOf(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return view.Of(e.shown, e.arranged(s), p.Open), nil, nil
}

// picture takes the file of a picture; the argument is its hash.
func picture(e *engine, arg, in []byte) (any, []byte, error) {
	var hash string
	if err := json.Unmarshal(arg, &hash); err != nil {
		return nil, nil, err
	}
	m, _, err := image.Decode(bytes.NewReader(in))
	if err != nil {
		return nil, nil, err
	}
	e.lib.AddPicture(hash, paint.FromImage(m))
	e.stages = map[stageKey]*stage{}
	return true, nil, nil
}

// stage finds or prepares a stage.
func (e *engine) stage(s clip.Shape, w, h int) (*stage, error) {
	key := stageKey{s.ID, w, h}
	if st, ok := e.stages[key]; ok {
		return st, nil
	}
	prepared, err := frame.Prepare(e.seen(), s, w, h, e.lib)
	if err != nil {
		return nil, err
	}
	if len(e.stages) > 8 {
		e.stages = map[stageKey]*stage{}
	}
	st := &stage{prepared, prepared.Painter(), paint.NewBitmap(w, h)}
	e.stages[key] = st
	return st, nil
}

// draw gives the pixels of a frame: R, G, B, A.
func draw(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	if p.W < 1 || p.H < 1 || p.W > clip.MaxSide || p.H > clip.MaxSide {
		return nil, nil, clip.Fault("w", "a picture has 1 to %d pixels a side", clip.MaxSide)
	}
	st, err := e.stage(s, p.W, p.H)
	if err != nil {
		return nil, nil, err
	}
	st.painter.Draw(st.canvas, p.Frame)
	return nil, st.canvas.Bytes(), nil
}

// ghosts gives the pixels of a layer alone on some frames, on nothing.
func ghosts(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	if p.W < 1 || p.H < 1 || p.W > clip.MaxSide || p.H > clip.MaxSide || len(p.Frames) > 12 {
		return nil, nil, clip.Fault("w", "a picture has 1 to %d pixels a side and at most 12 ghosts", clip.MaxSide)
	}
	st, err := e.stage(s, p.W, p.H)
	if err != nil {
		return nil, nil, err
	}
	b := paint.NewBitmap(p.W, p.H)
	st.Ghosts(b, p.Layer, p.Frames)
	// A canvas holds straight alpha.
	return nil, b.Straight(), nil
}

// placesIn tells where layers are on a frame, and the values that one of them
// has there.
func (e *engine) placesIn(s clip.Shape, f int, layer string, layers []string) any {
	st := e.arranged(s)
	w, h := st.Extent()
	values := map[string][]float64{}
	if l := e.shown.Layer(layer); l != nil {
		for _, p := range clip.AllProperties {
			if l.Has(p.Name) {
				values[p.Name] = edit.KeyHere(e.shown, layer, p.Name, f).Value
			}
		}
	}
	return map[string]any{"w": w, "h": h, "places": st.Places(f, append([]string{}, layers...)), "values": values}
}

// properties lists what can have keys, and in which kinds of layers.
func properties(*engine, []byte, []byte) (any, []byte, error) {
	type property struct {
		Name   string   `json:"name"`
		Dims   int      `json:"dims"`
		Colour bool     `json:"colour"`
		Kinds  []string `json:"kinds"`
	}
	out := []property{}
	for _, p := range clip.AllProperties {
		q := property{Name: p.Name, Dims: p.Dims, Colour: p.Colour, Kinds: []string{}}
		for _, kind := range clip.LayerKinds {
			if clip.Has(kind, p.Name) {
				q.Kinds = append(q.Kinds, kind)
			}
		}
		out = append(out, q)
	}
	return out, nil, nil
}

func places(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return e.placesIn(s, p.Frame, p.Layer, p.Layers), nil, nil
}

// path is the way of a layer through the frame.
func path(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return e.arranged(s).Path(p.Layer), nil, nil
}

// pick lists what is under a point, from the front to the back.
func pick(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return e.arranged(s).Pick(p.Frame, p.X, p.Y), nil, nil
}

// snap is how far layers that are dragged by (dx, dy) catch on the frame's
// guides and on other layers. It is asked about the clip as it is kept.
func snap(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	lines := layout.Guides(s)
	var box *layout.Box
	for _, pl := range frame.Arrange(e.kept, s, e.lib).Places(p.Frame, nil) {
		l := e.kept.Layer(pl.Layer)
		b := pl.Box()
		switch {
		case slices.Contains(p.Layers, pl.Layer):
			if box != nil {
				b = b.Union(*box)
			}
			box = &b
		case l.Backdrop == nil && l.Kind != clip.KindGroup && !slices.ContainsFunc(p.Layers, func(id string) bool { return e.kept.Within(l, id) }):
			lines = append(lines, b.Lines(l.Name)...)
		}
	}
	out := map[string]any{"dx": p.DX, "dy": p.DY, "guides": []layout.Guide{}}
	if box == nil {
		return out, nil, nil
	}
	dx, dy, on := layout.Snap(box.Moved(p.DX, p.DY), lines, p.Reach)
	if on != nil {
		out["dx"], out["dy"], out["guides"] = p.DX+dx, p.DY+dy, on
	}
	return out, nil, nil
}

// keyHere is the key of a layer's property on a frame, or what one would be.
func keyHere(e *engine, arg, _ []byte) (any, []byte, error) {
	p, _, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	if p.Layer != clip.LightID && e.shown.Layer(p.Layer) == nil {
		return nil, nil, clip.Fault("layer", "there is no layer %q", p.Layer)
	}
	return edit.KeyHere(e.shown, p.Layer, p.Property, p.Frame), nil, nil
}

// draftMove is a move of a kind for a layer as it begins.
func draftMove(e *engine, arg, _ []byte) (any, []byte, error) {
	var in struct {
		Kind, Layer string
		At          timing.Moment
	}
	if err := json.Unmarshal(arg, &in); err != nil {
		return nil, nil, err
	}
	if e.kept == nil {
		return nil, nil, errClosed
	}
	l := e.kept.Layer(in.Layer)
	if l == nil {
		return nil, nil, clip.Fault("layer", "there is no layer %q", in.Layer)
	}
	return moves.Draft(e.kept, l, in.Kind, in.At), nil, nil
}

// loopGap tells how well the last frame meets the first.
func loopGap(e *engine, arg, _ []byte) (any, []byte, error) {
	_, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return e.arranged(s).LoopGap(), nil, nil
}

// parseMoment reads a moment as a person writes it.
func parseMoment(e *engine, arg, _ []byte) (any, []byte, error) {
	var text string
	if err := json.Unmarshal(arg, &text); err != nil {
		return nil, nil, err
	}
	if e.shown == nil {
		return nil, nil, errClosed
	}
	m, err := e.shown.Clock().ParseMoment(text)
	if err != nil {
		return nil, nil, clip.Fault("time", "%v", err)
	}
	return map[string]any{"moment": m, "frame": e.shown.Clock().Frame(m)}, nil, nil
}

// draft is a new layer of a kind, not yet added.
func draft(e *engine, arg, _ []byte) (any, []byte, error) {
	var in struct {
		Kind, Prop, Name, Product string
	}
	if err := json.Unmarshal(arg, &in); err != nil {
		return nil, nil, err
	}
	if e.shown == nil {
		return nil, nil, errClosed
	}
	l := clip.Draft(e.shown, in.Kind, in.Name, in.Prop, in.Product)
	return l, nil, nil
}

// parseTime reads a time as a person writes it.
func parseTime(e *engine, arg, _ []byte) (any, []byte, error) {
	var text string
	if err := json.Unmarshal(arg, &text); err != nil {
		return nil, nil, err
	}
	if e.shown == nil {
		return nil, nil, errClosed
	}
	n, err := e.shown.Clock().ParseLength(text)
	if err != nil {
		return nil, nil, clip.Fault("time", "%v", err)
	}
	return n, nil, nil
}

// mixSound mixes the clip's sound from its decoded tune: in are interleaved
// 16-bit samples, out are 32-bit floats, the left channel first and then the
// right one.
func mixSound(e *engine, _, in []byte) (any, []byte, error) {
	if e.kept == nil {
		return nil, nil, errClosed
	}
	tune := make([]float32, len(in)/2)
	for i := range tune {
		tune[i] = float32(int16(binary.LittleEndian.Uint16(in[2*i:]))) / 32767
	}
	mixed := mix.Mix(e.kept, tune)
	planar := make([]float32, len(mixed))
	for i := range len(mixed) / 2 {
		planar[i], planar[len(mixed)/2+i] = mixed[2*i], mixed[2*i+1]
	}
	if len(planar) == 0 {
		return nil, []byte{}, nil
	}
	return nil, unsafe.Slice((*byte)(unsafe.Pointer(&planar[0])), 4*len(planar)), nil
}
