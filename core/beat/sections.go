package beat

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/timing"
)

// A texture is how much goes on in one bar, each by what the fullest bars of the tune have,
// about 0..1: how loud it is, how much begins low, how much begins at all, and how high.
type texture [4]float64

// weightOf is how much each of them makes a bar full.
var weightOf = texture{0.4, 0.25, 0.2, 0.15}

// sections parts a tune into what is quiet, builds up, is full or breaks. Borders stand on
// bars, rather on every fourth of them.
func (e *ear) sections(t timing.Tempo) []clip.Section {
	bars := e.barsOf(t)
	if len(bars) < 4 { // three bars have no parts
		return nil
	}
	x := e.textures(bars)
	ends := borders(x)
	spans := make([]span, len(ends))
	from := 0
	for i, end := range ends {
		spans[i] = spanOf(x, from, end)
		from = end
	}
	var out []clip.Section
	for i, kind := range named(spans) {
		if len(out) > 0 && out[len(out)-1].Kind == kind {
			continue
		}
		at := bars[spans[i].from]
		if i == 0 {
			at = 0 // with what comes before the first bar
		}
		out = append(out, clip.Section{At: round(at, 1e4), Kind: kind})
	}
	return out
}

// barsOf is when bars begin, and when the last one ends, seconds.
func (e *ear) barsOf(t timing.Tempo) (out []float64) {
	end := float64(e.n) / frameRate
	for bar := math.Ceil(t.BarAt(t.Beat(0)) - 1e-6); ; bar++ {
		at := t.Seconds(t.Downbeat(bar))
		if at > end+0.1 {
			return out
		}
		out = append(out, at)
	}
}

// textures tells of each bar how much goes on in it.
func (e *ear) textures(bars []float64) []texture {
	x := make([]texture, len(bars)-1)
	for i := range x {
		from, to := int(max(0, bars[i])*frameRate), min(int(bars[i+1]*frameRate), e.n)
		if to <= from {
			continue
		}
		for w := from; w < to; w++ {
			x[i][0] += e.loud[w]
			x[i][1] += e.force[0][w]
			x[i][2] += e.force[0][w] + e.force[1][w] + e.force[2][w]
			x[i][3] += e.force[2][w]
		}
		for k := range x[i] {
			x[i][k] /= float64(to - from)
		}
	}
	for k := range weightOf {
		all := make([]float64, len(x))
		for i := range x {
			all[i] = x[i][k]
		}
		slices.Sort(all)
		top := max(all[len(all)*85/100], 1e-9)
		for i := range x {
			x[i][k] = min(1.2, x[i][k]/top)
		}
	}
	return x
}

// borders is after which bars a section ends: where what is left of the differences between
// the bars of each section, and what each border costs, is least together.
func borders(x []texture) []int {
	const (
		border = 0.16 // that sections differ by about a third of one property for two bars
		odd    = 0.12 // more where it does not come a multiple of four bars after the last
		single = 0.3  // and for a section of one bar
	)
	n := len(x)
	best, from := make([]float64, n+1), make([]int, n+1)
	for end := 1; end <= n; end++ {
		best[end] = math.Inf(1)
		for begin := max(0, end-64); begin < end; begin++ {
			cost := best[begin] + border + spanOf(x, begin, end).left
			if (end-begin)%4 != 0 && end < n {
				cost += odd
			}
			if end-begin == 1 {
				cost += single
			}
			if cost < best[end] {
				best[end], from[end] = cost, begin
			}
		}
	}
	var out []int
	for end := n; end > 0; end = from[end] {
		out = append(out, end)
	}
	slices.Reverse(out)
	return out
}

// A span is a row of bars that are alike, or that grow or fade evenly.
type span struct {
	from, to    int
	full        float64 // how full its bars are in the mean
	grows, left float64 // how much fuller its last bar is than its first; squares that this does not explain
}

func spanOf(x []texture, from, to int) span {
	s := span{from: from, to: to}
	n := float64(to - from)
	for k := range weightOf {
		var sum, square, along float64
		for i := from; i < to; i++ {
			at := float64(i-from) - (n-1)/2
			sum, square, along = sum+x[i][k], square+x[i][k]*x[i][k], along+at*x[i][k]
		}
		slope := 0.0
		if n >= 3 {
			slope = along / ((n*n*n - n) / 12)
		}
		s.full += weightOf[k] * sum / n
		s.grows += weightOf[k] * slope * (n - 1)
		s.left += 4 * weightOf[k] * (square - sum*sum/n - slope*along)
	}
	return s
}

// named is the kinds of spans. What grows may be denser at its end than what it leads to,
// and is no measure of what is full.
func named(spans []span) []string {
	grows := func(s span) bool { return s.to-s.from > 1 && s.grows > 0.2 }
	top := 0.0
	for _, s := range spans {
		if s.to-s.from > 1 && !grows(s) {
			top = max(top, s.full)
		}
	}
	out := make([]string, len(spans))
	for i, s := range spans {
		switch {
		case grows(s) && (i == 0 || spans[i-1].full < s.full+s.grows/2):
			out[i] = clip.Build
		case s.full >= 0.72*top:
			out[i] = clip.Full
		default:
			out[i] = clip.Quiet
		}
	}
	for i := range spans {
		if out[i] == clip.Quiet && slices.Contains(out[:i], clip.Full) && slices.Contains(out[i+1:], clip.Full) {
			out[i] = clip.Break
		}
	}
	return out
}
