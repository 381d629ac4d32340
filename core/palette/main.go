package palette

import (
	"cmp"
	"math"
	"slices"

	"billow/core/colour"
	"billow/core/paint"
)

// Share is a colour of a picture and how much of it has that, 0..1.
type Share struct {
	Colour colour.Colour `json:"colour"`
	Share  float64       `json:"share"`
}

const (
	samples  = 40000 // about how many pixels are looked at
	clusters = 6     // the most main colours
	alike    = 0.06  // distance in OKLab within which two main colours are one
	least    = 0.01  // share from which on a colour is a main one
	solid    = 250   // alpha of what counts: what is clear shows something else, too
)

// Main is the main colours of a picture, the one with the largest share first: the middles of
// clusters in OKLab (Lloyd, "Least squares quantization in PCM", 1982). Pixels near a clear one
// do not count: at their edge cut-outs have spill and shade. Nothing has no main colours.
func Main(b *paint.Bitmap) []Share {
	bins := binned(b)
	total := 0.0
	for _, p := range bins {
		total += p.n
	}
	var out []Share
	for _, m := range merged(settled(bins, seeds(bins))) {
		if m.n/total >= least {
			r, g, b := m.lab.SRGB()
			out = append(out, Share{colour.FromFloats(r, g, b, 255), m.n / total})
		}
	}
	return out
}

// point is colours near each other and how many pixels have them.
type point struct {
	lab colour.Lab
	n   float64
}

// binned is the colours of a picture in cells of OKLab, each with its mean, the fullest first.
func binned(b *paint.Bitmap) []point {
	step := max(1, int(math.Sqrt(float64(b.W*b.H)/samples)))
	near := max(2, min(b.W, b.H)/150)
	opaque := func(x, y int) bool {
		return x < 0 || y < 0 || x >= b.W || y >= b.H || b.Pix[y*b.W+x]>>24 >= solid
	}
	cells := map[[3]int16]*point{}
	for y := step / 2; y < b.H; y += step {
		for x := step / 2; x < b.W; x += step {
			if !opaque(x, y) || !opaque(x-near, y) || !opaque(x+near, y) || !opaque(x, y-near) || !opaque(x, y+near) {
				continue
			}
			p := b.Pix[y*b.W+x]
			lab := colour.OKLab(float64(p&255), float64(p>>8&255), float64(p>>16&255))
			const cell = 32
			key := [3]int16{int16(math.Floor(lab.L * cell)), int16(math.Floor(lab.A * cell)), int16(math.Floor(lab.B * cell))}
			c := cells[key]
			if c == nil {
				c = &point{}
				cells[key] = c
			}
			c.lab.L, c.lab.A, c.lab.B, c.n = c.lab.L+lab.L, c.lab.A+lab.A, c.lab.B+lab.B, c.n+1
		}
	}
	var out []point
	for _, c := range cells {
		c.lab.L, c.lab.A, c.lab.B = c.lab.L/c.n, c.lab.A/c.n, c.lab.B/c.n
		out = append(out, *c)
	}
	slices.SortFunc(out, func(p, q point) int {
		return cmp.Or(cmp.Compare(q.n, p.n), cmp.Compare(p.lab.L, q.lab.L), cmp.Compare(p.lab.A, q.lab.A), cmp.Compare(p.lab.B, q.lab.B))
	})
	return out
}

func apart(p, q colour.Lab) float64 {
	l, a, b := p.L-q.L, p.A-q.A, p.B-q.B
	return math.Sqrt(l*l + a*a + b*b)
}

// seeds are where clusters begin: in the fullest cell, and then where most lies far from all
// others.
func seeds(bins []point) []point {
	var out []point
	for len(out) < clusters {
		best, most := -1, 0.0
		for i, p := range bins {
			far := 1.0
			for _, s := range out {
				far = min(far, apart(p.lab, s.lab))
			}
			if v := far * math.Sqrt(p.n); far > alike && v > most {
				best, most = i, v
			}
		}
		if best < 0 {
			break
		}
		out = append(out, bins[best])
	}
	return out
}

// settled moves the middles of clusters until they stay.
func settled(bins, middles []point) []point {
	for range 24 {
		sums := make([]point, len(middles))
		for _, p := range bins {
			nearest := 0
			for i, m := range middles {
				if apart(p.lab, m.lab) < apart(p.lab, middles[nearest].lab) {
					nearest = i
				}
			}
			s := &sums[nearest]
			s.lab.L, s.lab.A, s.lab.B, s.n = s.lab.L+p.n*p.lab.L, s.lab.A+p.n*p.lab.A, s.lab.B+p.n*p.lab.B, s.n+p.n
		}
		moved := 0.0
		for i, s := range sums {
			if s.n == 0 {
				continue
			}
			now := colour.Lab{L: s.lab.L / s.n, A: s.lab.A / s.n, B: s.lab.B / s.n}
			moved = max(moved, apart(now, middles[i].lab))
			middles[i] = point{now, s.n}
		}
		if moved < 1e-4 {
			break
		}
	}
	return middles
}

// merged makes one of clusters that can hardly be told apart.
func merged(list []point) []point {
	var out []point
	slices.SortFunc(list, func(p, q point) int { return cmp.Compare(q.n, p.n) })
	for _, p := range list {
		i := slices.IndexFunc(out, func(q point) bool { return apart(p.lab, q.lab) < alike })
		if i < 0 {
			out = append(out, p)
			continue
		}
		q := &out[i]
		n := p.n + q.n
		q.lab = colour.Lab{L: (p.lab.L*p.n + q.lab.L*q.n) / n, A: (p.lab.A*p.n + q.lab.A*q.n) / n, B: (p.lab.B*p.n + q.lab.B*q.n) / n}
		q.n = n
	}
	slices.SortFunc(out, func(p, q point) int { return cmp.Compare(q.n, p.n) })
	return out
}
