package engine

import (
	"bytes"
	"image"
	_ "image/gif" // decoders register themselves
	_ "image/jpeg"
	_ "image/png"

	"billow/core/clip"
	"billow/core/footage"
	"billow/core/frame"
	"billow/core/paint"

	_ "golang.org/x/image/webp"
)

// picture takes the file of a picture under its hash.
func picture(e *Engine, hash string, in []byte) (bool, error) {
	m, _, err := image.Decode(bytes.NewReader(in))
	if err != nil {
		return false, err
	}
	e.lib.AddPicture(hash, paint.FromImage(m))
	e.anew()
	return Done, nil
}

// footageFile takes the beginning of a file of footage, with its index; the rest is read when it is
// needed (Engine.Read). It tells whether that was all of the index.
func footageFile(e *Engine, in FootageFile, head []byte) (bool, error) {
	if n := footage.Head(head); n > int64(len(head)) {
		return false, nil
	}
	f, err := footage.Open(head)
	if err != nil {
		return false, err
	}
	if !in.Alpha {
		f.Opaque()
	}
	e.lib.AddSource(in.Hash, footage.NewReel(f, func(at int64, n int) ([]byte, error) { return e.Read(in.Hash, at, n) }))
	e.anew()
	return Done, nil
}

// FootageFile is a file of footage.
type FootageFile struct {
	Hash  string `json:"hash"`
	Alpha bool   `json:"alpha"` // it has clear parts
}

// retryFonts lets fonts that could not be fetched be tried again.
func retryFonts(e *Engine, _ *struct{}) (bool, error) {
	if e.lib.Retry() && e.shown != nil {
		e.show(e.shown)
	}
	return Done, nil
}

// stage finds or prepares a stage of a size.
func (e *Engine) stage(shape string, w, h int) (*stage, error) {
	s, err := e.shape(shape)
	if err != nil {
		return nil, err
	}
	if w < 1 || h < 1 || w > clip.MaxSide || h > clip.MaxSide {
		return nil, clip.Fault("w", "a picture has 1 to %d pixels a side", clip.MaxSide)
	}
	key := stageKey{s.ID, w, h}
	if st, ok := e.stages[key]; ok {
		return st, nil
	}
	prepared, err := frame.Prepare(e.seen(), s, w, h, e.lib)
	if err != nil {
		return nil, err
	}
	if len(e.stages) > 8 {
		e.anew()
	}
	st := &stage{Stage: prepared}
	if old := e.before[key]; old != nil {
		st.painter, st.canvas = prepared.PainterAfter(old.painter), old.canvas
		delete(e.before, key)
	} else {
		st.painter, st.canvas = prepared.Painter(), paint.NewBitmap(w, h)
	}
	e.stages[key] = st
	return st, nil
}

// Drawing is a picture that is asked for.
type Drawing struct {
	Shape string `json:"shape"`
	W     int    `json:"w"` // pixels
	H     int    `json:"h"`
	Frame int    `json:"frame"`
}

// draw gives the pixels of a frame: R, G, B, A.
func draw(e *Engine, in Drawing) (Bytes, error) {
	st, err := e.stage(in.Shape, in.W, in.H)
	if err != nil {
		return nil, err
	}
	st.painter.Draw(st.canvas, in.Frame)
	return st.canvas.Bytes(), e.lib.Failed()
}

// behindAll gives the pixels of a frame with nothing but what is behind all that could stand in
// it: R, G, B, A.
func behindAll(e *Engine, in Drawing) (Bytes, error) {
	s, err := e.small(in.Shape, in.W, in.H)
	if err != nil {
		return nil, err
	}
	c := e.shown.Copy()
	for i := range c.Layers {
		switch c.Layers[i].Kind {
		case clip.KindBackdrop, clip.KindPhoto, clip.KindPattern, clip.KindVignette, clip.KindGrain, clip.KindScene:
		default:
			c.Own(c.Layers[i].ID).Hidden = true
		}
	}
	b, err := e.drawnOnce(c, s, in.W, in.H, in.Frame)
	if err != nil {
		return nil, err
	}
	return b.Bytes(), nil
}

// Haunting is a layer and the frames on which it is asked for.
type Haunting struct {
	Shape  string `json:"shape"`
	W      int    `json:"w"` // pixels
	H      int    `json:"h"`
	Layer  string `json:"layer"`
	Frames []int  `json:"frames"`
}

// mostGhosts is how many are drawn at once.
const mostGhosts = 12

// ghosts gives the pixels of a layer alone on some frames, on nothing.
func ghosts(e *Engine, in Haunting) (Bytes, error) {
	if len(in.Frames) > mostGhosts {
		return nil, clip.Fault("frames", "at most %d ghosts are drawn at once", mostGhosts)
	}
	st, err := e.stage(in.Shape, in.W, in.H)
	if err != nil {
		return nil, err
	}
	b := paint.NewBitmap(in.W, in.H)
	st.Ghosts(b, in.Layer, in.Frames)
	return b.Straight(), nil // a canvas holds straight alpha
}
