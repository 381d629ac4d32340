package moves

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

func init() { recipes[clip.MoveOnHits] = (*writer).onHits }

// deeds write the keys for all hits that are struck; frames is until all is as it was.
var deeds = map[string]struct {
	frames, apart int
	write         func(w *writer, struck []clip.Struck, frames int)
}{
	clip.HitSwell:    {10, 6, (*writer).swells},
	clip.HitNudge:    {12, 6, (*writer).nudges},
	clip.HitFlash:    {8, 4, (*writer).flashes},
	clip.HitInvert:   {4, 2, (*writer).negatives},
	clip.HitExchange: {4, 2, (*writer).exchanges},
	clip.HitTurns:    {1, 2, (*writer).turns},
}

// onHits does something at each of some hits.
func (w *writer) onHits() {
	o := w.move.Hits
	d := deeds[o.Does]
	frames := o.Frames
	if frames == 0 {
		frames = d.frames
	}
	d.write(w, w.struck(d.apart), frames)
}

// struck are the hits at which the move does something.
func (w *writer) struck(apart int) []clip.Struck {
	return w.clip.Struck(&w.move.Hits.HitChoice, w.clock.Frame(w.begin), w.clock.Frame(w.end)+1, apart)
}

// StruckBy is the frames of the hits at which a move of a layer does something.
func StruckBy(c *clip.Clip, l *clip.Layer, m clip.Move) ([]int, error) {
	if err := m.CheckHits(c, "move.hits"); err != nil || m.Hits == nil {
		return nil, err
	}
	w := &writer{clip: c, layer: l, clock: c.ClockOf(l), move: m}
	w.from, w.to = c.Span(l)
	w.begin, w.end = w.span(m)
	out := []int{}
	for _, s := range w.struck(deeds[m.Hits.Does].apart) {
		out = append(out, s.Frame)
	}
	return out, nil
}

// A pulse is the way of a property at a hit, as moments of the layer: at rest until before,
// changed at the hit, and at rest again.
type pulse struct{ before, at, after timing.Moment }

// pulses leave room for each other: what comes back too late comes back before the next.
func (w *writer) pulses(struck []clip.Struck, lead, frames int) []pulse {
	out := make([]pulse, len(struck))
	last := w.clock.Frame(w.end)
	for i, s := range struck {
		at := w.clock.Own(s.At)
		end := min(s.Frame+frames, last)
		if i+1 < len(struck) {
			end = min(end, struck[i+1].Frame-lead-1)
		}
		end = max(end, s.Frame+1)
		out[i] = pulse{at.Plus(-lead), at, at.Plus(end - s.Frame)}
	}
	return out
}

// bases is the value of a property at each pulse before any of them is written.
func (w *writer) bases(property string, all []pulse) [][]float64 {
	out := make([][]float64, len(all))
	for i, p := range all {
		out[i] = w.value(property, p.at)
	}
	return out
}

// pulsed writes pulses of a property; changed is its value at a hit.
func (w *writer) pulsed(property string, all []pulse, rise, fall motion.Ease, changed func(base []float64) []float64) {
	bases := w.bases(property, all)
	for i, p := range all {
		w.put(property, p.before, rise, bases[i]...)
		w.put(property, p.at, fall, changed(bases[i])...)
		w.put(property, p.after, hold, bases[i]...)
	}
}

// swells is an eighth larger at the hit itself.
func (w *writer) swells(struck []clip.Struck, frames int) {
	k := 1 + 0.12*w.move.Strength/100
	w.pulsed(clip.Scale, w.pulses(struck, 2, frames), leave, arrive, func(base []float64) []float64 {
		out := make([]float64, len(base))
		for i, v := range base {
			out[i] = min(math.Round(v*k*1e3)/1e3, 2000)
		}
		return out
	})
}

// nudges are off by 28 units at the hit.
func (w *writer) nudges(struck []clip.Struck, frames int) {
	by := 28 * w.move.Strength / 100
	x, y := motion.SideOf(w.move.Side)
	if x == 0 && y == 0 {
		y = 1
	}
	back := motion.Ease{Kind: motion.Spring, Bounce: 0.5}
	w.pulsed(clip.Position, w.pulses(struck, 1, frames), hold, back, func(base []float64) []float64 {
		return []float64{base[0] + float64(x)*by, base[1] + float64(y)*by}
	})
}

// flashes are one and a half stops brighter.
func (w *writer) flashes(struck []clip.Struck, frames int) {
	w.pulsed("exposure", w.pulses(struck, 1, frames), hold, arrive, func(base []float64) []float64 {
		return []float64{min(base[0]+1.5*w.move.Strength/100, 4)}
	})
}

func (w *writer) negatives(struck []clip.Struck, frames int) {
	w.pulsed("invert", w.pulses(struck, 1, frames), hold, hold, func(base []float64) []float64 {
		return []float64{100 - base[0]}
	})
}

// exchanges let two colours of the layer change places, or its first one take that of another
// layer. What has no colours of its own is seen as a negative.
func (w *writer) exchanges(struck []clip.Struck, frames int) {
	own := w.layer.TwoColours()
	all := w.pulses(struck, 1, frames)
	swap := func(property string, to []float64) {
		w.pulsed(property, all, hold, hold, func([]float64) []float64 { return to })
	}
	other := w.clip.Layer(w.move.Hits.With)
	switch {
	case len(own) == 0:
		w.negatives(struck, frames)
	case other != nil && len(other.TwoColours()) > 0:
		to, first := other.Base(other.TwoColours()[0]), w.layer.Base(own[0])
		for _, name := range own {
			if slices.Equal(w.layer.Base(name), first) { // as emphasis that is not coloured
				swap(name, to)
			}
		}
	case len(own) == 2:
		first, second := w.layer.Base(own[0]), w.layer.Base(own[1])
		swap(own[0], second)
		swap(own[1], first)
	}
}

// turns shows the layer from every so many-th hit to the next one.
func (w *writer) turns(struck []clip.Struck, _ int) {
	o := w.move.Hits
	seen := func(n int) bool { return n%o.Of == o.Turn }
	base := w.value(clip.Opacity, w.begin)
	show := func(at timing.Moment, on bool) {
		if on {
			w.put(clip.Opacity, at, hold, base...)
		} else {
			w.put(clip.Opacity, at, hold, 0)
		}
	}
	if len(struck) > 0 && struck[0].Frame == w.clock.Frame(w.begin) {
		struck = struck[1:] // with that hit it begins
	}
	show(w.begin, seen(0))
	for i, s := range struck {
		if seen(i) != seen(i+1) {
			show(w.clock.Own(s.At), seen(i+1))
		}
	}
}
