// Package trace makes smooth paths of what a pointer has drawn.
package trace

import "math"

// Node is a point of a path with where the curves to and from it are bent, as seen from it.
type Node struct {
	At  [2]float64 `json:"at"`
	In  [2]float64 `json:"in"`
	Out [2]float64 `json:"out"`
}

const (
	spacing = 5.0 // between the places that are looked at, of the pointer's units
	passes  = 6   // of smoothing
	reach   = 3   // places to either side by which the direction at one goes
	near    = 4.5 // how far a curve may lie from what was drawn
)

// Smooth is a path of few nodes along what was drawn, without its tremor; at most so many. A
// closed one joins its end to its beginning. What has no length has no nodes.
func Smooth(drawn [][2]float64, closed bool, most int) []Node {
	line := spaced(drawn, closed)
	if len(line) < 2 {
		return nil
	}
	for range passes {
		line = eased(line, closed)
	}
	// The farthest from the curves so far becomes a node, until none lies far.
	at := []int{0, len(line) - 1}
	if closed {
		at = []int{0, len(line) / 3, 2 * len(line) / 3}
	}
	for {
		nodes := noded(line, at, closed)
		worst, where := near, -1
		for i := range at {
			from, to, ok := stretch(at, i, len(line), closed)
			if !ok {
				break
			}
			if off, k := farthest(line, from, to, nodes[i], nodes[(i+1)%len(nodes)]); off > worst && to-from > 2 {
				worst, where = off, k%len(line)
			}
		}
		if where < 0 || len(at) >= most {
			return nodes
		}
		at = inserted(at, where)
	}
}

// stretch is the places from node i to the next one; there is none after the last one of what
// is open.
func stretch(at []int, i, n int, closed bool) (from, to int, ok bool) {
	if i+1 < len(at) {
		return at[i], at[i+1], true
	}
	return at[i], at[0] + n, closed
}

func inserted(at []int, v int) []int {
	out := make([]int, 0, len(at)+1)
	for i, a := range at {
		if v > 0 && a > v && (i == 0 || at[i-1] < v) {
			out = append(out, v)
			v = -1
		}
		out = append(out, a)
	}
	if v > 0 {
		out = append(out, v)
	}
	return out
}

// spaced is a line with places evenly along it.
func spaced(drawn [][2]float64, closed bool) [][2]float64 {
	var out [][2]float64
	left := 0.0
	if closed && len(drawn) > 0 {
		drawn = append(drawn[:len(drawn):len(drawn)], drawn[0])
	}
	for i, p := range drawn {
		if math.IsNaN(p[0]) || math.IsNaN(p[1]) || math.IsInf(p[0], 0) || math.IsInf(p[1], 0) {
			return nil
		}
		if i == 0 {
			out = append(out, p)
			continue
		}
		q := drawn[i-1]
		d := math.Sqrt((p[0]-q[0])*(p[0]-q[0]) + (p[1]-q[1])*(p[1]-q[1]))
		for at := spacing - left; at <= d; at += spacing {
			if len(out) > 20000 {
				return out
			}
			out = append(out, [2]float64{q[0] + (p[0]-q[0])*at/d, q[1] + (p[1]-q[1])*at/d})
		}
		left = math.Mod(left+d, spacing)
	}
	if n := len(drawn); n > 1 && !closed && out[len(out)-1] != drawn[n-1] {
		out = append(out, drawn[n-1])
	}
	return out
}

// eased is a line of which each place is between those beside it; the ends of an open one stay.
func eased(line [][2]float64, closed bool) [][2]float64 {
	n := len(line)
	out := make([][2]float64, n)
	for i, p := range line {
		if !closed && (i == 0 || i == n-1) {
			out[i] = p
			continue
		}
		a, b := line[(i+n-1)%n], line[(i+1)%n]
		out[i] = [2]float64{(a[0] + 2*p[0] + b[0]) / 4, (a[1] + 2*p[1] + b[1]) / 4}
	}
	return out
}

// noded are nodes at places of a line, bent along it, a third of the way to the next.
func noded(line [][2]float64, at []int, closed bool) []Node {
	n := len(line)
	out := make([]Node, len(at))
	for i, k := range at {
		before, after := k-reach, k+reach
		if closed {
			before, after = (before+n)%n, after%n
		}
		before, after = max(before, 0), min(after, n-1)
		dx, dy := line[after][0]-line[before][0], line[after][1]-line[before][1]
		d := max(math.Sqrt(dx*dx+dy*dy), 1e-9)
		bend := func(places int) [2]float64 {
			by := float64(places) * spacing / 3
			return [2]float64{dx / d * by, dy / d * by}
		}
		out[i].At = line[k]
		if from, to, ok := stretch(at, i, n, closed); ok {
			out[i].Out = bend(to - from)
		}
		if last := (i + len(at) - 1) % len(at); i > 0 || closed {
			from, to, _ := stretch(at, last, n, closed)
			out[i].In = bend(from - to)
		}
	}
	return out
}

// farthest is the place of a stretch that lies farthest from the curve between two nodes.
func farthest(line [][2]float64, from, to int, a, b Node) (off float64, where int) {
	for k := from + 1; k < to; k++ {
		t := float64(k-from) / float64(to-from)
		s := 1 - t
		p := line[k%len(line)]
		d := 0.0
		for i := range 2 {
			v := s*s*s*a.At[i] + 3*s*s*t*(a.At[i]+a.Out[i]) + 3*s*t*t*(b.At[i]+b.In[i]) + t*t*t*b.At[i]
			d += (v - p[i]) * (v - p[i])
		}
		if d = math.Sqrt(d); d > off {
			off, where = d, k
		}
	}
	return off, where
}

// Bounds are the least and the greatest of both coordinates of the curves through nodes, to a
// hundredth or so of their size.
func Bounds(nodes []Node, closed bool) (lo, hi [2]float64) {
	lo, hi = [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
	const steps = 16
	for i, a := range nodes {
		b := nodes[(i+1)%len(nodes)]
		if i+1 == len(nodes) && !closed {
			b = a
		}
		for step := range steps + 1 {
			t := float64(step) / steps
			s := 1 - t
			for d := range 2 {
				v := s*s*s*a.At[d] + 3*s*s*t*(a.At[d]+a.Out[d]) + 3*s*t*t*(b.At[d]+b.In[d]) + t*t*t*b.At[d]
				if i+1 == len(nodes) && !closed {
					v = a.At[d]
				}
				lo[d], hi[d] = min(lo[d], v), max(hi[d], v)
			}
		}
	}
	return lo, hi
}
