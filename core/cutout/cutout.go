// Package cutout takes a thing off its background: from a photo, and from what a person
// says of it, it makes the opacity of each pixel and the colours of the thing without
// those of its background.
//
// The way is: the photo at a working size is parted into thing and ground (flood.go for
// a plain ground, mixed.go for all others), by a minimal cut (flow.go). Around the border
// of the two lies a band in which pixels belong to both; there the colours of both sides
// are looked up (sample.go) and opacity is the mixture of them that makes the pixel, at
// the same time a linear function of colour in every small window (matte.go). This
// function carries opacity to a photo of any size (whole.go).
//
// Places are pixels of the photo, from its upper left corner, x to the right and y down.
package cutout

import (
	"errors"
	"fmt"
	"image"
	"math"

	"billow/core/clip"
	"billow/core/paint"
)

// Stroke is what a person paints over: this stays, or this goes. A later one lies over
// an earlier one.
type Stroke struct {
	Stays  bool         `json:"stays"`
	Radius float64      `json:"radius"` // pixels of the photo
	Points [][2]float64 `json:"points"`
	Inside bool         `json:"inside,omitempty"` // all that the line goes around, up to its last point
	Seeks  bool         `json:"seeks,omitempty"`  // counts only where the photo looks as along the middle of the stroke
	Frame  int          `json:"frame,omitempty"`  // of footage: the picture that it was painted on
}

// Order is what is wanted of a photo. Its zero value is the first guess.
type Order struct {
	Box *[4]float64 `json:"box,omitempty"` // x, y, width, height: the thing lies within
	// Around is a closed line that the thing lies within, as a box is.
	Around  [][2]float64 `json:"around,omitempty"`
	Strokes []Stroke     `json:"strokes,omitempty"`
	// Pen is closed paths: what lies within them stays, with a hard edge, whatever else is said.
	Pen  [][]Node `json:"pen,omitempty"`
	Edge Edge     `json:"edge"`

	Shadow bool `json:"shadow,omitempty"` // the photo's shadow is kept, as a picture of its own

	Heals []Heal  `json:"heals,omitempty"` // blemishes that are filled from what is around them
	Out   []Order `json:"out,omitempty"`   // parts that are taken out, each by an order of its own; their places are filled
	Turn  float64 `json:"turn,omitempty"`  // degrees clockwise by which the photo is straightened, -45..45
}

// Heal is a disc that is filled from what is around it.
type Heal struct {
	X      float64 `json:"x"` // pixels of the photo
	Y      float64 `json:"y"`
	Radius float64 `json:"radius"` // 1..300
}

// boxed tells whether anything but strokes says where the thing lies.
func (o *Order) boxed() bool { return o.Box != nil || len(o.Around) > 2 }

// Edge is how the border of a cut is changed, in pixels of the photo.
type Edge struct {
	Shift   float64 `json:"shift,omitempty"`   // outwards, -20..20
	Smooth  float64 `json:"smooth,omitempty"`  // corners are rounded about this far, 0..20
	Feather float64 `json:"feather,omitempty"` // it fades over about this much on either side, 0..50
	Specks  float64 `json:"specks,omitempty"`  // islands and holes less wide than this are gone, 0..200
}

// Method is how thing and ground were told apart.
type Method string

const (
	Plain Method = "plain" // a flood from the border over a ground of one colour
	Mixed Method = "mixed" // mixtures of colours and places, parted by a minimal cut
	Clear Method = "clear" // the picture had its own opacity
)

// Found is what is known of a cut.
type Found struct {
	Method     Method  `json:"method"`
	Why        string  `json:"why"`        // a sentence for a person
	Confidence float64 `json:"confidence"` // 0..1, how likely it may be used as it is
	Bounds     [4]int  `json:"bounds"`     // of what is seen: x0, y0, x1, y1
}

// Enough is the confidence from which nobody needs to look.
const Enough = .8

// NeedsALook tells whether a person should look at a cut before using it.
func (f Found) NeedsALook() bool { return f.Confidence < Enough }

// MostPixels is how large a photo may be.
const MostPixels = 100_000_000

// ErrNothing says that a photo shows no thing that could be cut out.
var ErrNothing = errors.New("there is nothing to be seen in front of the background: paint over what stays, or draw a box around it")

// Check tells what of an order cannot be followed on a photo of this size.
func (o *Order) Check(w, h int) error {
	if b := o.Box; b != nil {
		if !finite(b[:]...) || b[2] < 1 || b[3] < 1 {
			return clip.Fault("box", "the box is less than one pixel large")
		}
		if b[0] >= float64(w) || b[1] >= float64(h) || b[0]+b[2] <= 0 || b[1]+b[3] <= 0 {
			return clip.Fault("box", "the box lies outside the photo, which is %d by %d pixels", w, h)
		}
	}
	if err := o.checkMending(w, h); err != nil {
		return err
	}
	if err := o.checkPen(); err != nil {
		return err
	}
	for i, s := range o.Strokes {
		field := fmt.Sprintf("strokes[%d]", i)
		if len(s.Points) == 0 || len(s.Points) > 100_000 {
			return clip.Fault(field, "a stroke has 1 to 100000 points")
		}
		if !finite(s.Radius) || s.Radius < 0 || s.Radius > 5000 {
			return clip.Fault(field, "the radius of a stroke is 0 to 5000 pixels")
		}
		for _, p := range s.Points {
			if !finite(p[:]...) || math.Abs(p[0]) > 1e6 || math.Abs(p[1]) > 1e6 {
				return clip.Fault(field, "a stroke has a point far outside the photo")
			}
		}
	}
	e := o.Edge
	for _, v := range []struct {
		field         string
		value, lo, hi float64
	}{
		{"edge.shift", e.Shift, -20, 20}, {"edge.smooth", e.Smooth, 0, 20},
		{"edge.feather", e.Feather, 0, 50}, {"edge.specks", e.Specks, 0, 200},
	} {
		if !finite(v.value) || v.value < v.lo || v.value > v.hi {
			return clip.Fault(v.field, "this is %g to %g pixels", v.lo, v.hi)
		}
	}
	return nil
}

// MostHeals and MostOut are how many blemishes are healed, and parts taken out, at most.
const (
	MostHeals = 200
	MostOut   = 12
)

func (o *Order) checkMending(w, h int) error {
	if len(o.Around) > 0 && len(o.Around) < 3 || len(o.Around) > 100_000 {
		return clip.Fault("around", "a closed line has 3 to 100000 points")
	}
	for _, p := range o.Around {
		if !finite(p[:]...) || math.Abs(p[0]) > 1e6 || math.Abs(p[1]) > 1e6 {
			return clip.Fault("around", "the line has a point far outside the photo")
		}
	}
	if len(o.Heals) > MostHeals {
		return clip.Fault("heals", "at most %d places are healed in a photo", MostHeals)
	}
	for i, v := range o.Heals {
		if !finite(v.X, v.Y, v.Radius) || v.Radius < 1 || v.Radius > 300 {
			return clip.Fault(fmt.Sprintf("heals[%d]", i), "a place that is healed has a radius of 1 to 300 pixels")
		}
	}
	if len(o.Out) > MostOut {
		return clip.Fault("out", "at most %d parts are taken out of a photo", MostOut)
	}
	for i := range o.Out {
		if len(o.Out[i].Out) > 0 {
			return clip.Fault(fmt.Sprintf("out[%d]", i), "nothing more is taken out of a part")
		}
		if err := o.Out[i].Check(w, h); err != nil {
			return err
		}
	}
	if !finite(o.Turn) || math.Abs(o.Turn) > 45 {
		return clip.Fault("turn", "a photo is straightened by -45 to 45 degrees")
	}
	return nil
}

func finite(list ...float64) bool {
	for _, v := range list {
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return false
		}
	}
	return true
}

// Make follows an order on a photo and gives the whole cut.
func Make(photo *paint.Bitmap, o Order) (*paint.Bitmap, Found, error) {
	d, err := Open(photo)
	if err != nil {
		return nil, Found{}, err
	}
	return d.make(o)
}

func (d *Desk) make(o Order) (*paint.Bitmap, Found, error) {
	if err := d.Follow(o); err != nil {
		return nil, Found{}, err
	}
	cut := d.Whole()
	f := d.Found()
	if bounds, any := cut.Visible(); any {
		f.Bounds = bounds
	}
	return cut, f, nil
}

// Piece is a picture that is kept, no larger than what is seen of it.
type Piece struct {
	Picture *paint.Bitmap
	At      [2]int // the pixel of the photo, as it is straightened about its middle, that its upper left one is
}

// Finished is a cut as it is kept.
type Finished struct {
	Piece
	Found  Found
	Shadow *Piece // when it is wanted, and there is one
}

// Finish follows an order on a photo and gives what is kept of the cut.
func Finish(photo *paint.Bitmap, o Order) (Finished, error) {
	d, err := Open(photo)
	if err != nil {
		return Finished{}, err
	}
	cut, found, err := d.make(o)
	if err != nil {
		return Finished{}, err
	}
	piece, ok := pieceOf(cut, o.Turn)
	if !ok {
		return Finished{}, ErrNothing
	}
	out := Finished{Piece: piece, Found: found}
	if o.Shadow && d.HasShadow() {
		if shadow, ok := pieceOf(d.Shadow(image.Rect(0, 0, photo.W, photo.H)), o.Turn); ok {
			out.Shadow = &shadow
		}
	}
	return out, nil
}

// pieceOf is what is seen of a picture of the photo's size, straightened.
func pieceOf(whole *paint.Bitmap, turn float64) (p Piece, ok bool) {
	at := image.Point{}
	if turn != 0 {
		whole, at = turned(whole, turn)
	}
	b, ok := whole.Visible()
	if !ok {
		return p, false
	}
	p.Picture = paint.NewBitmap(b[2]-b[0], b[3]-b[1])
	p.Picture.Put(whole, -b[0], -b[1])
	p.At = [2]int{b[0] + at.X, b[1] + at.Y}
	return p, true
}
