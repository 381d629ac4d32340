//go:build js && wasm

package main

import (
	"bytes"
	"encoding/binary"
	"encoding/json"
	"errors"
	"image"
	_ "image/gif" // decoders register themselves
	_ "image/jpeg"
	_ "image/png"
	"unsafe"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/mix"
	"billow/core/paint"
	"billow/core/view"

	_ "golang.org/x/image/webp"
)

// engine is one worker's state: the clip as it is kept, and as it is shown
// while something is being dragged.
type engine struct {
	lib    *frame.Library
	kept   *clip.Clip
	shown  *clip.Clip
	stages map[stageKey]*stage
}

type stageKey struct {
	shape string
	w, h  int
}

type stage struct {
	*frame.Stage
	painter *frame.Painter
	canvas  *paint.Bitmap
}

type method func(e *engine, arg, in []byte) (value any, out []byte, err error)

var methods = map[string]method{
	"open":    open,
	"apply":   apply,
	"view":    viewOf,
	"picture": picture,
	"draw":    draw,
	"places":  places,
	"pick":    pick,
	"keyHere": keyHere,
	"draft":   draft,
	"time":    parseTime,
	"mix":     mixSound,
}

var errClosed = errors.New("no clip is open")

func (e *engine) show(c *clip.Clip) {
	e.shown = c
	e.stages = map[stageKey]*stage{}
}

// open takes a clip.
func open(e *engine, arg, _ []byte) (any, []byte, error) {
	c, err := clip.Parse(arg)
	if err != nil {
		return nil, nil, err
	}
	e.kept = c
	e.show(c)
	return true, nil, nil
}

// apply applies a command to the clip as it is kept. Without keep it is only
// shown; the next command begins from the kept clip again.
func apply(e *engine, arg, _ []byte) (any, []byte, error) {
	var in struct {
		Command json.RawMessage `json:"command"`
		Keep    bool            `json:"keep"`
	}
	if err := json.Unmarshal(arg, &in); err != nil {
		return nil, nil, err
	}
	if e.kept == nil {
		return nil, nil, errClosed
	}
	c := e.kept
	if len(in.Command) > 0 {
		var err error
		if c, err = edit.Apply(e.kept, in.Command); err != nil {
			return nil, nil, err
		}
	}
	if in.Keep {
		e.kept = c
	}
	e.show(c)
	return c, nil, nil
}

// place is what most questions are about.
type place struct {
	Shape    string  `json:"shape"`
	Frame    int     `json:"frame"`
	W        int     `json:"w"`
	H        int     `json:"h"`
	X        float64 `json:"x"`
	Y        float64 `json:"y"`
	Layer    string  `json:"layer"`
	Property string  `json:"property"`
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
	_, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return view.Of(e.shown, s, e.lib), nil, nil
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
	prepared, err := frame.Prepare(e.shown, s, w, h, e.lib)
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

// places tells where the layers are on a frame.
func places(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	st := frame.Arrange(e.shown, s, e.lib)
	w, h := st.Extent()
	return map[string]any{"w": w, "h": h, "places": st.Places(p.Frame)}, nil, nil
}

func pick(e *engine, arg, _ []byte) (any, []byte, error) {
	p, s, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	return frame.Arrange(e.shown, s, e.lib).Pick(p.Frame, p.X, p.Y), nil, nil
}

// keyHere is the key of a layer's property on a frame, or what one would be.
func keyHere(e *engine, arg, _ []byte) (any, []byte, error) {
	p, _, err := e.at(arg)
	if err != nil {
		return nil, nil, err
	}
	l := e.shown.Layer(p.Layer)
	if l == nil {
		return nil, nil, clip.Fault("layer", "there is no layer %q", p.Layer)
	}
	return edit.KeyHere(e.shown, l, p.Property, p.Frame), nil, nil
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
