package timing

import (
	"fmt"
	"math"
)

// A Part is a stretch of a sound, in its seconds.
type Part struct {
	From float64 `json:"from"`
	To   float64 `json:"to"`
}

// Seconds is how long it lasts.
func (p Part) Seconds() float64 { return p.To - p.From }

// Cut is the count of what is heard when parts of a tune are played one after the other, the
// first from zero on. The count goes on before the first part and after the last. A bar
// that a join ends early has as many beats as it has left.
func (t Tempo) Cut(parts []Part) Tempo {
	if len(parts) == 0 {
		return t
	}
	const slack = 0.02 // seconds by which a border may miss its beat
	list := t.listed(parts)
	var beats []float64
	var down []bool
	at := 0.0
	for i, p := range parts {
		from, to := p.From-slack, p.To-slack
		if i == 0 {
			from = math.Inf(-1)
		}
		if i == len(parts)-1 {
			to = math.Inf(1)
		}
		for k, b := range list.Beats {
			if b < from || b >= to {
				continue
			}
			b += at - p.From
			if n := len(beats); i > 0 && n > 0 && b-beats[n-1] < 15/t.BPM { // a quarter of a beat
				beats, down = beats[:n-1], down[:n-1]
			}
			beats, down = append(beats, b), append(down, list.begins(k))
		}
		at += p.Seconds()
	}
	return barred(t, beats, down)
}

// listed is the count with a list of its beats around some parts, whether it had one or not.
func (t Tempo) listed(parts []Part) Tempo {
	first, last := math.Inf(1), math.Inf(-1)
	for _, p := range parts {
		first, last = min(first, p.From), max(last, p.To)
	}
	return t.Listed(first, last)
}

// Listed is the same count with a list of its beats from before a time to after another.
func (t Tempo) Listed(from, to float64) Tempo {
	if len(t.Beats) > 0 {
		return t
	}
	first, last := int(math.Floor(t.Beat(from)))-t.PerBar, int(math.Ceil(t.Beat(to)))+t.PerBar
	first = min(first, 0)
	var beats []float64
	for b := first; b <= max(last, 1); b++ {
		beats = append(beats, t.Seconds(float64(b)))
	}
	t.Beats = beats
	t.Zero, t.First = -first, 0
	return t
}

// Moved is the map with all its times so much later, and the same numbers of beats.
func (t Tempo) Moved(by float64) Tempo {
	t.First += by
	t.Beats = append([]float64(nil), t.Beats...)
	for i := range t.Beats {
		t.Beats[i] += by
	}
	return t
}

// Line is the even count that is nearest to beats (least squares): when the first lies, and how far
// they are apart. There are two beats or more.
func Line(beats []float64) (first, period float64) {
	n := float64(len(beats))
	var sx, sy, sxx, sxy float64
	for i, b := range beats {
		x := float64(i)
		sx, sy, sxx, sxy = sx+x, sy+b, sxx+x*x, sxy+x*b
	}
	period = (n*sxy - sx*sy) / (n*sxx - sx*sx)
	return (sy - period*sx) / n, period
}

// Evened is one even count through all beats of the list; beats keep their numbers.
func (t Tempo) Evened() Tempo {
	if len(t.Beats) < 2 {
		return t
	}
	first, period := Line(t.Beats)
	return Tempo{BPM: 60 / period, First: first + float64(t.Zero)*period, PerBar: t.PerBar, Metres: t.Metres}
}

// begins tells whether a bar begins with a beat of the list.
func (t Tempo) begins(k int) bool {
	bar := t.BarAt(float64(k - t.Zero))
	return math.Abs(bar-math.Round(bar)) < 1e-6
}

// barred is beats of which it is known with which of them bars begin, in seconds of a clip.
func barred(t Tempo, beats []float64, down []bool) Tempo {
	out := Tempo{BPM: t.BPM, PerBar: t.PerBar, Beats: beats}
	if len(beats) < 2 {
		return Tempo{BPM: t.BPM, PerBar: t.PerBar}
	}
	zero := -1
	for k, b := range beats {
		if down[k] && (zero < 0 || b < -30/t.BPM || zero >= 0 && beats[zero] < -30/t.BPM) {
			zero = k
		}
	}
	if zero < 0 {
		return out
	}
	out.Zero = zero
	per, last := 0, zero
	for k := zero + 1; k < len(beats); k++ {
		if !down[k] {
			continue
		}
		switch n := k - last; {
		case per == 0:
			out.PerBar, per = n, n
		case n != per:
			out.Metres, per = append(out.Metres, Metre{Beat: last - zero, PerBar: n}), n
		}
		last = k
	}
	return out
}

// Dragged moves a beat of the list to another time; those around it follow, the less the
// farther away they are, so that the count stays even. Beats keep their numbers.
func (t Tempo) Dragged(beat int, seconds float64) (Tempo, error) {
	const reach = 8 // beats on either side
	k := beat + t.Zero
	if k < 0 || k >= len(t.Beats) {
		return t, fmt.Errorf("there is no beat %d to be moved", beat)
	}
	by := seconds - t.Beats[k]
	if most := 24 / t.BPM; !(math.Abs(by) <= most) {
		return t, fmt.Errorf("a beat is moved by less than half of one: %.2f seconds at most", most)
	}
	t.Beats = append([]float64(nil), t.Beats...)
	for i := max(0, k-reach+1); i < min(len(t.Beats), k+reach); i++ {
		t.Beats[i] += by * (1 - math.Abs(float64(i-k))/reach)
	}
	return t, t.Check()
}
