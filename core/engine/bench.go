package engine

import (
	"bytes"
	"errors"
	"image"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/footage"
	"billow/core/paint"
)

// Benched is a photo that lies on the Bench.
type Benched struct {
	W      int `json:"w"` // pixels of the photo
	H      int `json:"h"`
	SmallW int `json:"smallW"` // and of what is drawn of it while strokes are painted
	SmallH int `json:"smallH"`
	Frames int `json:"frames,omitempty"` // of footage: how many pictures it has
}

// CutFound is what is known of a cut on the Bench.
type CutFound struct {
	cutout.Found
	Nothing   bool `json:"nothing"`   // no pixel of the photo stays
	NeedsLook bool `json:"needsLook"` // it should be looked at before it is used
	HasShadow bool `json:"hasShadow"` // the photo's shadow can be kept
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
	e.desk, e.reel = d, nil
	b := Benched{}
	b.W, b.H = d.Size()
	b.SmallW, b.SmallH = d.DraftSize()
	return b, nil
}

// layFootage takes the beginning of a file of footage that is to be cut. Without all of its
// index the answer has no pictures.
func layFootage(e *Engine, hash string, head []byte) (Benched, error) {
	if n := footage.Head(head); n > int64(len(head)) {
		return Benched{}, nil
	}
	f, err := footage.Open(head)
	if err != nil {
		return Benched{}, err
	}
	f.Opaque()
	reel := footage.NewReel(f, func(at int64, n int) ([]byte, error) { return e.Read(hash, at, n) })
	moving, err := cutout.OpenReel(reel)
	if err != nil {
		return Benched{}, err
	}
	e.desk, e.reel = nil, moving
	b := Benched{W: f.W, H: f.H, Frames: f.Frames()}
	b.SmallW, b.SmallH = moving.DraftSize()
	return b, nil
}

// FrameWanted is an order and the picture of footage that is looked at.
type FrameWanted struct {
	Order cutout.Order `json:"order"`
	Frame int          `json:"frame"`
}

// lookOn looks at how the thing moves from one picture to the next, of those that have to
// be known, and tells how many are left then.
func lookOn(e *Engine, w FrameWanted) (int, error) {
	if e.reel == nil {
		return 0, errNoPhoto
	}
	if err := e.reel.Check(w.Order); err != nil {
		return 0, err
	}
	left := e.reel.Unseen(w.Frame, w.Order)
	if len(left) == 0 {
		return 0, nil
	}
	return len(left) - 1, e.reel.Look(left[0])
}

// cutFrame makes the cut of one picture of footage.
func cutFrame(e *Engine, w FrameWanted) (CutFound, error) {
	if e.reel == nil {
		return CutFound{}, errNoPhoto
	}
	d, err := e.reel.Cut(w.Frame, w.Order, false)
	if err != nil {
		return CutFound{}, err
	}
	e.desk, e.frame, e.shaded = d, w.Frame, false
	f := d.Found()
	return CutFound{f, d.Empty(), f.NeedsALook(), false}, nil
}

// followOrder makes the cut that an order wants.
func followOrder(e *Engine, o cutout.Order) (CutFound, error) {
	if e.desk == nil || e.reel != nil {
		return CutFound{}, errNoPhoto
	}
	err := e.desk.Follow(o)
	nothing := errors.Is(err, cutout.ErrNothing)
	if err != nil && !nothing {
		return CutFound{}, err
	}
	f := e.desk.Found()
	e.shaded = o.Shadow
	return CutFound{f, nothing, f.NeedsALook(), e.desk.HasShadow()}, nil
}

// cutDraft is the cut at the small size, for a canvas.
func cutDraft(e *Engine, _ *struct{}) (Bytes, error) {
	if e.desk == nil {
		return nil, errNoPhoto
	}
	cut := e.desk.Draft()
	if e.shaded {
		cutout.Shade(cut, e.desk.ShadowDraft())
	}
	return cut.Straight(), nil
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
	if e.reel != nil {
		if err := e.reel.Detail(e.frame, e.desk); err != nil {
			return nil, err
		}
	}
	cut := e.desk.Part(part)
	if e.shaded {
		cutout.Shade(cut, e.desk.Shadow(part))
	}
	return cut.Straight(), nil
}
