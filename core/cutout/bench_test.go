package cutout

import (
	"math/rand/v2"
	"testing"

	"billow/core/paint"
)

// benchPhoto is a photo of a disc with 12 megapixels: on a plain ground, or on one of
// many colours.
func benchPhoto(plain bool) *paint.Bitmap {
	photo, _ := disc(4000, 3000, 2000, 1500, 900, [3]float64{238, 238, 234})
	if plain {
		return photo
	}
	return onTiles(photo, 100, rand.New(rand.NewPCG(9, 9)))
}

func firstGuess(b *testing.B, photo *paint.Bitmap) {
	for b.Loop() {
		d, err := Open(photo)
		if err != nil {
			b.Fatal(err)
		}
		if err := d.Follow(Order{}); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkFirstGuessPlain12MP(b *testing.B) { firstGuess(b, benchPhoto(true)) }
func BenchmarkFirstGuessMixed12MP(b *testing.B) { firstGuess(b, benchPhoto(false)) }

func BenchmarkWhole12MP(b *testing.B) {
	d, err := Open(benchPhoto(true))
	if err != nil {
		b.Fatal(err)
	}
	if err := d.Follow(Order{}); err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		d.Whole()
	}
}

// A stroke on a photo that lies on the desk, until the cut is known at the working size.
func BenchmarkStroke(b *testing.B) {
	for name, plain := range map[string]bool{"plain": true, "mixed": false} {
		b.Run(name, func(b *testing.B) {
			d, err := Open(benchPhoto(plain))
			if err != nil {
				b.Fatal(err)
			}
			if err := d.Follow(Order{}); err != nil {
				b.Fatal(err)
			}
			o := Order{Strokes: []Stroke{{Stays: true, Radius: 40, Points: [][2]float64{{1900, 1500}, {2100, 1600}}}}}
			for b.Loop() {
				if err := d.Follow(o); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
