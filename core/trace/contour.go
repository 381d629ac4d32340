package trace

import (
	"math"

	"billow/core/clip"
	"billow/core/paint"
)

// Contour is a part of a path that hangs together.
type Contour struct {
	Nodes  []Node
	Closed bool
}

// OfPath is a path as contours of nodes; those of a single point are left out.
func OfPath(p paint.Path) (out []Contour) {
	var now Contour
	end := func() {
		if now.Closed && len(now.Nodes) > 2 {
			// A way back to the beginning ends there.
			first, last := &now.Nodes[0], now.Nodes[len(now.Nodes)-1]
			if math.Abs(first.At[0]-last.At[0])+math.Abs(first.At[1]-last.At[1]) < 1e-9 {
				first.In = last.In
				now.Nodes = now.Nodes[:len(now.Nodes)-1]
			}
		}
		if len(now.Nodes) > 1 {
			out = append(out, now)
		}
		now = Contour{}
	}
	for _, s := range p {
		if s.Op == 'M' || s.Op == 'O' {
			end()
			now = Contour{Nodes: []Node{{At: s.P[0]}}, Closed: s.Op == 'M'}
			continue
		}
		if len(now.Nodes) == 0 {
			continue
		}
		from := &now.Nodes[len(now.Nodes)-1]
		to := Node{At: s.P[s.Points()-1]}
		minus := func(a, b [2]float64) [2]float64 { return [2]float64{a[0] - b[0], a[1] - b[1]} }
		switch s.Op {
		case 'L':
			if to.At == from.At {
				continue
			}
		case 'Q': // the same curve as a cubic one
			out, in := minus(s.P[0], from.At), minus(s.P[0], to.At)
			from.Out, to.In = [2]float64{out[0] * 2 / 3, out[1] * 2 / 3}, [2]float64{in[0] * 2 / 3, in[1] * 2 / 3}
		case 'C':
			from.Out, to.In = minus(s.P[0], from.At), minus(s.P[1], to.At)
		}
		now.Nodes = append(now.Nodes, to)
	}
	end()
	return out
}

// Boxed is contours as a path in percent of the box around them, which has its middle at
// (x, y). With more points than can have keys they have none. Whether the first contour is
// closed goes for all.
func Boxed(all []Contour) (p clip.DrawnPath, x, y, w, h float64) {
	lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	for _, c := range all {
		from, to := Bounds(c.Nodes, c.Closed)
		for d := range 2 {
			lo[d], hi[d] = min(lo[d], from[d]), max(hi[d], to[d])
		}
	}
	x, y = (lo[0]+hi[0])/2, (lo[1]+hi[1])/2
	w, h = max(hi[0]-lo[0], 20), max(hi[1]-lo[1], 20)
	w, h = max(w, h/50), max(h, w/50) // as figures are at most
	return Shares(all, x, y, w, h), x, y, w, h
}

// Shares is contours as a path in percent of a box with its middle at (x, y).
func Shares(all []Contour, x, y, w, h float64) (p clip.DrawnPath) {
	n := 0
	for _, c := range all {
		n += len(c.Nodes)
	}
	share := func(v [2]float64) [2]float64 {
		round := func(v float64) float64 { return min(max(math.Round(v*1e4)/1e4, -1000), 1000) }
		return [2]float64{round(100 * v[0] / w), round(100 * v[1] / h)}
	}
	p.Closed = all[0].Closed
	for k, c := range all {
		for i, node := range c.Nodes {
			at := share([2]float64{node.At[0] - x, node.At[1] - y})
			q := clip.PathPoint{X: at[0], Y: at[1], In: share(node.In), Out: share(node.Out), Begins: k > 0 && i == 0}
			if n <= clip.MaxNumber {
				q.ID = len(p.Points) + 1
			}
			p.Points = append(p.Points, q)
		}
	}
	return p
}
