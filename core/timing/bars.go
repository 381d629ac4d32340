package timing

import (
	"fmt"
	"math"
)

// A Metre is how many beats the bars have from a beat on with which one begins.
type Metre struct {
	Beat   int `json:"beat"`
	PerBar int `json:"perBar"` // 1..16
}

// checkMetres reports a change of metre that does not stand where a bar begins.
func (t Tempo) checkMetres() error {
	for i, m := range t.Metres {
		switch {
		case m.PerBar < 1 || m.PerBar > 16:
			return fmt.Errorf("a bar has 1 to 16 beats, not %d", m.PerBar)
		case m.Beat < -1e6 || m.Beat > 1e6:
			return fmt.Errorf("a metre changes on beat %d, which is too far away", m.Beat)
		case i > 0 && m.Beat <= t.Metres[i-1].Beat:
			return fmt.Errorf("the change of metre %d is not later than the one before it", i)
		}
	}
	for _, m := range t.Metres {
		if bar := t.BarAt(float64(m.Beat)); math.Abs(bar-math.Round(bar)) > 1e-6 {
			return fmt.Errorf("the metre changes on beat %d, within a bar", m.Beat)
		}
	}
	return nil
}

// A stretch is beats, from one to before another, whose bars are equally long.
type stretch struct{ from, to, per float64 }

// stretches are those that the metres make; the first and the last have no end.
func (t Tempo) stretches() []stretch {
	out := []stretch{{math.Inf(-1), math.Inf(1), float64(t.PerBar)}}
	for _, m := range t.Metres {
		out[len(out)-1].to = float64(m.Beat)
		out = append(out, stretch{float64(m.Beat), math.Inf(1), float64(m.PerBar)})
	}
	return out
}

// BarAt is how many bars after beat 0 a beat lies, fractions within a bar; negative
// before it.
func (t Tempo) BarAt(beat float64) float64 {
	if len(t.Metres) == 0 {
		return beat / float64(t.PerBar)
	}
	bars := 0.0
	for _, s := range t.stretches() {
		// What lies of this stretch between beat 0 and the beat.
		bars += (min(max(beat, s.from), s.to) - min(max(0, s.from), s.to)) / s.per
	}
	return bars
}

// Downbeat is the beat that lies so many bars after beat 0, the inverse of BarAt.
func (t Tempo) Downbeat(bar float64) float64 {
	if len(t.Metres) == 0 {
		return bar * float64(t.PerBar)
	}
	for _, s := range t.stretches() {
		if first, last := t.BarAt(s.from), t.BarAt(s.to); bar < last || math.IsInf(last, 1) {
			if math.IsInf(s.from, -1) {
				return s.to - (last-bar)*s.per
			}
			return s.from + (bar-first)*s.per
		}
	}
	return 0
}
