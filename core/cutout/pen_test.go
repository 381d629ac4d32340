package cutout_test

import (
	"encoding/json"
	"image"
	"math"
	"testing"

	"billow/core/cutout"
	"billow/core/paint"
)

// A path along a product's edges cuts exactly there: a card of 120.5 by 60 pixels with a
// round end, and a hole in it, whatever its colours are.
func TestAPathCutsExactly(t *testing.T) {
	photo := filled(300, 200, 0xff8899aa) // nothing could be told from it otherwise
	const k = 0.5522847498                // of a quarter circle's radius: its handle (within 0.03 %)
	o := cutout.Order{Pen: [][]cutout.Node{
		{{50, 40}, {150, 40}, {170.5, 40}, {170.5, 100}, {50, 100}},
		{cutout.Even(80, 70, 0, -15*k), cutout.Even(95, 55, 15*k, 0), cutout.Even(110, 70, 0, 15*k), cutout.Even(95, 85, -15*k, 0)},
	}}
	cut, found, err := cutout.Make(photo, o)
	if err != nil {
		t.Fatal(err)
	}
	if found.Method != cutout.Pen || found.NeedsALook() {
		t.Errorf("it was found as %+v", found)
	}
	sum := 0.
	for y := range 200 {
		for x := range 300 {
			a := float64(cut.Pix[y*300+x]>>24) / 255
			sum += a
			inside := x >= 50 && x < 170 && y >= 40 && y < 100
			far := math.Hypot(float64(x)+.5-95, float64(y)+.5-70)
			want := -1.
			switch {
			case inside && far > 16:
				want = 1
			case x == 170 && y >= 40 && y < 100:
				want = .5
			case far < 14 || !inside:
				want = 0
			}
			if want >= 0 && math.Abs(a-want) > 1./255+1e-9 {
				t.Fatalf("at %d, %d opacity is %.3f, not %.1f", x, y, a, want)
			}
		}
	}
	if want := 120.5*60 - math.Pi*15*15; math.Abs(sum-want) > 3 {
		t.Errorf("it covers %.1f pixels, not %.1f", sum, want)
	}
	if p := cut.Pix[50*300+60]; p != 0xff8899aa {
		t.Errorf("its colour became %#x", p)
	}
}

// A part of the whole is the same as that part by itself, also of a photo that is worked on
// at a smaller size.
func TestAPathIsTheSameInParts(t *testing.T) {
	photo := filled(1500, 900, 0xff203040)
	o := cutout.Order{Pen: [][]cutout.Node{{cutout.Even(100.3, 80.7, 40, 90), {1390, 300}, cutout.Even(700, 850.2, -200, 0)}}, Edge: cutout.Edge{Shift: -3}}
	d, err := cutout.Open(photo)
	if err == nil {
		err = d.Follow(o)
	}
	if err != nil {
		t.Fatal(err)
	}
	whole := d.Whole()
	part := d.Part(image.Rect(640, 300, 940, 500))
	for y := range 200 {
		for x := range 300 {
			if a, b := part.Pix[y*300+x], whole.Pix[(300+y)*1500+640+x]; a != b {
				t.Fatalf("at %d, %d it is %#x in the part and %#x in the whole", x, y, a, b)
			}
		}
	}
}

func TestBadPaths(t *testing.T) {
	photo := filled(40, 40, 0xffffffff)
	long := make([]cutout.Node, cutout.MostNodes+1)
	for name, pen := range map[string][][]cutout.Node{
		"one node": {{{1, 1}}}, "too many nodes": {long}, "far outside": {{{1, 1}, {9e9, 3}, {4, 4}}},
		"not a number": {{{1, 1}, {math.NaN(), 3}, {4, 4}}}, "too many paths": make([][]cutout.Node, cutout.MostPaths+1),
		"no area": {{{1, 1}, {30, 1}}}, "beside the photo": {{{100, 100}, {200, 100}, {150, 200}}},
	} {
		if _, _, err := cutout.Make(photo, cutout.Order{Pen: pen}); err == nil {
			t.Errorf("%s: it is cut", name)
		}
	}
}

func filled(w, h int, p uint32) *paint.Bitmap {
	b := paint.NewBitmap(w, h)
	for i := range b.Pix {
		b.Pix[i] = p
	}
	return b
}

// A node whose handles are not even is a corner between two curves: half a disc on a straight
// edge. One of four numbers, as it was written before, is even.
func TestACornerBetweenCurves(t *testing.T) {
	const k = 0.5522847498 // of a quarter circle's radius: its handle
	photo := filled(200, 160, 0xff8899aa)
	half := []cutout.Node{
		{40, 100, 0, -60 * k, 0, 0}, // straight before, and a curve after it
		cutout.Even(100, 40, 60*k, 0),
		{160, 100, 0, 0, 0, -60 * k},
	}
	cut, _, err := cutout.Make(photo, cutout.Order{Pen: [][]cutout.Node{half}})
	if err != nil {
		t.Fatal(err)
	}
	sum := 0.
	for y := range 160 {
		for x := range 200 {
			a := float64(cut.Pix[y*200+x]>>24) / 255
			sum += a
			far := math.Hypot(float64(x)+.5-100, float64(y)+.5-100)
			if in := y < 100 && far < 59; in && a < 1 || (y >= 100 || far > 61) && a > 0 {
				t.Fatalf("at %d, %d opacity is %.2f", x, y, a)
			}
		}
	}
	if want := math.Pi * 60 * 60 / 2; math.Abs(sum-want) > 6 {
		t.Errorf("it covers %.1f pixels, not %.1f", sum, want)
	}
	var o cutout.Order
	if err := json.Unmarshal([]byte(`{"edge":{},"pen":[[[1,2,3,4],[5,6,7,8,9,10]]]}`), &o); err != nil || o.Pen[0][0] != (cutout.Node{1, 2, 3, 4, -3, -4}) || o.Pen[0][1] != (cutout.Node{5, 6, 7, 8, 9, 10}) {
		t.Errorf("nodes are read as %v, %v", o.Pen, err)
	}
	if err := json.Unmarshal([]byte(`{"pen":[[[1,2,3]]]}`), &o); err == nil {
		t.Error("a node of three numbers is read")
	}
}
