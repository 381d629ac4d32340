package cutout

import (
	"errors"
	"math/rand/v2"
	"slices"
	"testing"

	"billow/core/paint"
)

// onTiles lays tiles of several colours behind the disc of a photo on light paper.
func onTiles(photo *paint.Bitmap, side int, r *rand.Rand) *paint.Bitmap {
	colours := []uint32{0xff6a8ec0, 0xff2f4a70, 0xffd0dce4, 0xff5a7838}
	across := (photo.W + side - 1) / side
	tiles := make([]uint32, across*((photo.H+side-1)/side))
	for i := range tiles {
		tiles[i] = colours[r.IntN(len(colours))]
	}
	for y := range photo.H {
		for x := range photo.W {
			if p := &photo.Pix[y*photo.W+x]; *p == 0xffeaeeee {
				*p = tiles[y/side*across+x/side]
			}
		}
	}
	return photo
}

// chanceOrder is an order as someone comes to it: strokes are added and taken back, boxes
// drawn, a part taken out, blemishes healed.
func chanceOrder(r *rand.Rand, before Order) Order {
	o := before
	at := func() [2]float64 { return [2]float64{20 + 240*r.Float64(), 20 + 180*r.Float64()} }
	switch n := r.IntN(12); {
	case n < 6:
		o.Strokes = append(slices.Clone(o.Strokes), Stroke{Stays: n%2 == 0, Seeks: r.IntN(3) > 0, Radius: 2 + 9*r.Float64(), Points: [][2]float64{at(), at()}})
	case n < 8 && len(o.Strokes) > 0:
		o.Strokes = o.Strokes[:len(o.Strokes)-1]
	case n == 8:
		o.Box = &[4]float64{40 + 20*r.Float64(), 20, 180, 180}
	case n == 9:
		o.Box = nil
	case n == 10:
		o.Out = []Order{{Around: [][2]float64{{120, 90}, {160, 90}, {160, 130}, {120, 130}}}}
	default:
		o.Out, o.Heals = nil, []Heal{{X: 100, Y: 110, Radius: 5}}
	}
	return o
}

// What is kept between orders changes nothing: each gives the cut that it gives on a photo that
// was just laid there.
func TestOrdersDoNotDependOnThoseBefore(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 8))
	plain, _ := disc(280, 220, 140, 110, 62, [3]float64{238, 238, 234})
	same, _ := disc(280, 220, 140, 110, 62, [3]float64{238, 238, 234})
	for name, photo := range map[string]*paint.Bitmap{"plain": plain, "tiles": onTiles(same, 20, r)} {
		d, err := Open(photo)
		if err != nil {
			t.Fatal(err)
		}
		var o Order
		for n := range 10 {
			fresh, err := Open(photo)
			if err != nil {
				t.Fatal(err)
			}
			if err, want := d.Follow(o), fresh.Follow(o); !errors.Is(err, want) {
				t.Fatalf("%s, order %d: %v, and on a fresh photo %v", name, n, err, want)
			}
			if !slices.Equal(d.Draft().Pix, fresh.Draft().Pix) || !slices.Equal(d.Whole().Pix, fresh.Whole().Pix) {
				t.Fatalf("%s: after %d others, order %+v gives another cut than on a fresh photo", name, n, o)
			}
			o = chanceOrder(r, o)
		}
	}
}
