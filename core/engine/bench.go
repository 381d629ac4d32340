package engine

import (
	"bytes"
	"errors"
	"image"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/paint"
)

// Benched is a photo that lies on the Bench.
type Benched struct {
	W      int `json:"w"` // pixels of the photo
	H      int `json:"h"`
	SmallW int `json:"smallW"` // and of what is drawn of it while strokes are painted
	SmallH int `json:"smallH"`
}

// CutFound is what is known of a cut on the Bench.
type CutFound struct {
	cutout.Found
	Nothing   bool `json:"nothing"`   // no pixel of the photo stays
	NeedsLook bool `json:"needsLook"` // it should be looked at before it is used
}

// Window is a part of a photo, in its pixels.
type Window struct {
	X int `json:"x"`
	Y int `json:"y"`
	W int `json:"w"`
	H int `json:"h"`
}

var errNoPhoto = errors.New("no photo lies on the Bench")

// layPhoto takes the file of a photo that is to be cut.
func layPhoto(e *Engine, _ *struct{}, file []byte) (Benched, error) {
	m, _, err := image.Decode(bytes.NewReader(file))
	if err != nil {
		return Benched{}, err
	}
	d, err := cutout.Open(paint.FromImage(m))
	if err != nil {
		return Benched{}, err
	}
	e.desk = d
	b := Benched{}
	b.W, b.H = d.Size()
	b.SmallW, b.SmallH = d.DraftSize()
	return b, nil
}

// followOrder makes the cut that an order wants.
func followOrder(e *Engine, o cutout.Order) (CutFound, error) {
	if e.desk == nil {
		return CutFound{}, errNoPhoto
	}
	err := e.desk.Follow(o)
	nothing := errors.Is(err, cutout.ErrNothing)
	if err != nil && !nothing {
		return CutFound{}, err
	}
	f := e.desk.Found()
	return CutFound{f, nothing, f.NeedsALook()}, nil
}

// cutDraft is the cut at the small size, for a canvas.
func cutDraft(e *Engine, _ *struct{}) (Bytes, error) {
	if e.desk == nil {
		return nil, errNoPhoto
	}
	return e.desk.Draft().Straight(), nil
}

// cutPart is a part of the cut in the photo's own pixels, for a canvas.
func cutPart(e *Engine, w Window) (Bytes, error) {
	if e.desk == nil {
		return nil, errNoPhoto
	}
	part := image.Rect(w.X, w.Y, w.X+w.W, w.Y+w.H)
	photoW, photoH := e.desk.Size()
	if part.Empty() || !part.In(image.Rect(0, 0, photoW, photoH)) {
		return nil, clip.Fault("window", "this part lies beyond the photo, which has %d by %d pixels", photoW, photoH)
	}
	return e.desk.Part(part).Straight(), nil
}
