package wave

import (
	"math"
	"testing"
)

// TestTonesAreInTheirBand: a tone an octave or more within a band is 255/2 high there, as half of full scale
// is, and in the others as much softer as two poles make it: 12 decibels an octave.
func TestTonesAreInTheirBand(t *testing.T) {
	const rate = 48000
	for band, hz := range [3]float64{45, 670, 10000} {
		stereo := make([]float32, 2*rate)
		for i := range rate {
			v := float32(0.5 * math.Sin(2*math.Pi*hz*float64(i)/rate))
			stereo[2*i], stereo[2*i+1] = v, v
		}
		split := NewSplitter(rate)
		for at := 0; at < len(stereo); at += 3000 { // piece by piece
			split.Add(stereo[at:min(at+3000, len(stereo))])
		}
		all := split.Bands()
		for b, columns := range all {
			if len(columns) != PerSecond {
				t.Fatalf("a second has %d columns", len(columns))
			}
			most := uint8(0)
			for _, v := range columns[20:] { // what a filter does at first is over
				most = max(most, v)
			}
			if b == band && (most < 118 || most > 129) || b != band && most > 12 {
				t.Errorf("a tone of %.0f Hz is %d of 255 high in band %d", hz, most, b)
			}
		}
	}
}

func TestSilenceAndClippingHaveBands(t *testing.T) {
	for _, v := range []float32{0, 4, float32(math.Inf(1))} {
		stereo := make([]float32, 4801*2)
		for i := range stereo {
			stereo[i] = v
		}
		split := NewSplitter(48000)
		split.Add(stereo)
		if got := split.Bands(); len(got[2]) != 11 || v == 0 && got[0][5] != 0 {
			t.Errorf("%g has %d columns", v, len(got[2]))
		}
	}
}
