package timing

import (
	"fmt"
	"math"
	"sort"
)

// Tempo maps beats to seconds of the clip. Beat 0 is the first downbeat, so
// bar 1 begins there; what comes before it has negative numbers.
//
// With a list of beats the map follows them and goes on at BPM beyond its
// ends; without one it is an even count at BPM from First.
type Tempo struct {
	BPM    float64   `json:"bpm"`             // beats a minute, 20..400
	First  float64   `json:"first,omitempty"` // seconds of beat 0 when Beats is empty
	PerBar int       `json:"perBar"`          // beats in a bar, 1..16
	Beats  []float64 `json:"beats,omitempty"` // seconds, increasing
	Zero   int       `json:"zero,omitempty"`  // index in Beats of beat 0
	// Metres are the changes of metre; before the first of them bars have PerBar beats.
	Metres []Metre `json:"metres,omitempty"`
}

// Check reports what is wrong with the map, or nil.
func (t Tempo) Check() error {
	if !(t.BPM >= 20 && t.BPM <= 400) {
		return fmt.Errorf("a tempo lies between 20 and 400 beats a minute, not %g", t.BPM)
	}
	if t.PerBar < 1 || t.PerBar > 16 {
		return fmt.Errorf("a bar has 1 to 16 beats, not %d", t.PerBar)
	}
	if !(math.Abs(t.First) < 1e5) {
		return fmt.Errorf("the first beat lies at %g seconds, which is too far away", t.First)
	}
	if len(t.Beats) > 0 && (t.Zero < 0 || t.Zero >= len(t.Beats)) {
		return fmt.Errorf("the first downbeat is beat %d of a list of %d", t.Zero, len(t.Beats))
	}
	for i, b := range t.Beats {
		if !(math.Abs(b) < 1e5) || i > 0 && b <= t.Beats[i-1] {
			return fmt.Errorf("beat %d of the tempo map is not later than the one before it", i)
		}
	}
	return t.checkMetres()
}

// Seconds is the time of a beat; fractions lie evenly between two beats.
func (t Tempo) Seconds(beat float64) float64 {
	period := 60 / t.BPM
	if len(t.Beats) == 0 {
		return t.First + beat*period
	}
	at, last := beat+float64(t.Zero), len(t.Beats)-1
	switch {
	case at <= 0:
		return t.Beats[0] + at*period
	case at >= float64(last):
		return t.Beats[last] + (at-float64(last))*period
	}
	i := int(at)
	return t.Beats[i] + (at-float64(i))*(t.Beats[i+1]-t.Beats[i])
}

// Beat is the inverse of Seconds.
func (t Tempo) Beat(seconds float64) float64 {
	period := 60 / t.BPM
	if len(t.Beats) == 0 {
		return (seconds - t.First) / period
	}
	last := len(t.Beats) - 1
	zero := float64(t.Zero)
	switch {
	case seconds <= t.Beats[0]:
		return (seconds-t.Beats[0])/period - zero
	case seconds >= t.Beats[last]:
		return float64(last) + (seconds-t.Beats[last])/period - zero
	}
	i := sort.SearchFloat64s(t.Beats, seconds)
	if t.Beats[i] == seconds {
		return float64(i) - zero
	}
	return float64(i-1) + (seconds-t.Beats[i-1])/(t.Beats[i]-t.Beats[i-1]) - zero
}

// Shifted is the map with all its times moved by so many seconds, its beat 0
// being the first downbeat at or just before the clip begins to count: the
// first downbeat not earlier than half a beat before zero.
func (t Tempo) Shifted(by float64) Tempo {
	t.First += by
	t.Beats = append([]float64(nil), t.Beats...)
	for i := range t.Beats {
		t.Beats[i] += by
	}
	beat := t.Downbeat(math.Ceil(t.BarAt(t.Beat(0) - 0.5)))
	if len(t.Beats) == 0 {
		t.First = t.Seconds(beat)
	} else {
		was := t.Zero
		t.Zero = min(max(t.Zero+int(beat), 0), len(t.Beats)-1)
		beat = float64(t.Zero - was)
	}
	t.Metres = append([]Metre(nil), t.Metres...)
	for i := range t.Metres {
		t.Metres[i].Beat -= int(beat)
	}
	return t
}

// At is an even count at so many beats a minute whose beat 0 is where it was.
func (t Tempo) At(bpm float64) Tempo {
	return Tempo{BPM: bpm, First: t.Seconds(0), PerBar: t.PerBar, Metres: t.Metres}
}

// Doubled has a beat between every two, and no change of metre. Beat b is its beat 2b.
func (t Tempo) Doubled() Tempo {
	t.BPM *= 2
	var beats []float64
	for i, b := range t.Beats {
		if i > 0 {
			beats = append(beats, (t.Beats[i-1]+b)/2)
		}
		beats = append(beats, b)
	}
	t.Beats, t.Zero, t.Metres = beats, 2*t.Zero, nil
	return t
}

// Halved has every other beat, and no change of metre. Beat b is its beat b/2.
func (t Tempo) Halved() Tempo {
	t.BPM /= 2
	var beats []float64
	for i := t.Zero % 2; i < len(t.Beats); i += 2 {
		beats = append(beats, t.Beats[i])
	}
	t.Beats, t.Zero, t.Metres = beats, t.Zero/2, nil
	return t
}

// WithBarAt has a bar that begins at a time: on the nearest beat where there is
// a list of them, right there where the count is even. Beat 0 is the first
// downbeat not earlier than half a beat before zero; gone is the beat that it
// was before, so that beat b is beat b-gone now. Changes of metre are left out: they stood
// where bars began before.
func (t Tempo) WithBarAt(seconds float64) (out Tempo, gone int) {
	t.Metres = nil
	n := int(math.Round(t.Beat(seconds)))
	gone = int(math.Ceil(t.Beat(0) - 0.5))
	gone += ((n-gone)%t.PerBar + t.PerBar) % t.PerBar
	if len(t.Beats) == 0 {
		t.First = seconds + float64(gone-n)*60/t.BPM
		return t, gone
	}
	for t.Zero+gone < 0 {
		gone += t.PerBar
	}
	for t.Zero+gone >= len(t.Beats) && t.Zero+gone >= t.PerBar {
		gone -= t.PerBar
	}
	t.Zero = min(t.Zero+gone, len(t.Beats)-1)
	return t, gone
}

// Even is an even tempo with bars of four that begins with the clip.
func Even(bpm float64) Tempo { return Tempo{BPM: bpm, PerBar: 4} }
