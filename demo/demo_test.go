package demo

import (
	"math"
	"testing"

	"billow/demo/synth"
)

// Product pictures lie whole within their frame, on nothing, and cover a good
// part of it.
func TestProductsAreCleanlyCutOut(t *testing.T) {
	for _, m := range models {
		p := m.build().Render(120)
		b := p.Bounds()
		opaque := 0
		for y := range b.Dy() {
			for x := range b.Dx() {
				_, _, _, a := p.At(x, y).RGBA()
				if a > 0 && (x == 0 || y == 0 || x == b.Dx()-1 || y == b.Dy()-1) {
					t.Fatalf("%s reaches the edge of its picture at %d,%d", m.ID, x, y)
				}
				if a == 0xffff {
					opaque++
				}
			}
		}
		if share := float64(opaque) / float64(b.Dx()*b.Dy()); share < 0.12 || share > 0.85 {
			t.Errorf("%s covers %.0f%% of its picture", m.ID, 100*share)
		}
	}
}

func TestTheSameSceneGivesTheSamePixels(t *testing.T) {
	a, b := mug().Render(60), mug().Render(60)
	if string(a.Pix) != string(b.Pix) {
		t.Error("drawn twice, the mug differs")
	}
}

// Tunes reach -1 dB of full scale, are never clipped, have no offset, keep
// sounding, and end in silence.
func TestTunesAreWellLevelled(t *testing.T) {
	for i := range Tunes {
		tune := &Tunes[i]
		pcm := tune.Play()
		peak, sum, square := 0.0, 0.0, 0.0
		for _, v := range pcm {
			peak = max(peak, math.Abs(float64(v)))
			sum += float64(v)
			square += float64(v) * float64(v)
		}
		n := float64(len(pcm))
		if math.Abs(20*math.Log10(peak)+1) > 0.05 {
			t.Errorf("%s peaks at %.2f dB", tune.ID, 20*math.Log10(peak))
		}
		if rms := 20 * math.Log10(math.Sqrt(square/n)); rms < -24 || rms > -9 {
			t.Errorf("%s has a level of %.1f dB", tune.ID, rms)
		}
		if math.Abs(sum/n) > 0.01 {
			t.Errorf("%s has an offset of %.3f", tune.ID, sum/n)
		}
		if s := n / 2 / synth.Rate; s < 20 || s > 60 {
			t.Errorf("%s lasts %.1f s", tune.ID, s)
		}
		if last := pcm[len(pcm)-1]; math.Abs(float64(last)) > 1e-3 {
			t.Errorf("%s ends at %g", tune.ID, last)
		}
	}
}
