package trace

import (
	"math"
	"slices"
)

// Matched is two closed contours with as many nodes each, so that the first can change into
// the second point by point: the longest pieces of the one that has fewer are halved, the
// second runs the same way around as the first, and begins where all points have the least
// way to go. of tells for each node of the first which of its own it was, -1 for a new one.
func Matched(first, second []Node) (a, b []Node, of []int) {
	a, b = slices.Clone(first), slices.Clone(second)
	of = make([]int, len(a))
	for i := range of {
		of[i] = i
	}
	if Area(a)*Area(b) < 0 {
		Reverse(b)
	}
	for len(a) < len(b) {
		at := longest(a)
		a = halved(a, at)
		of = slices.Insert(of, at+1, -1)
	}
	for len(b) < len(a) {
		b = halved(b, longest(b))
	}
	best, shift := math.Inf(1), 0
	for s := range b {
		sum := 0.0
		for i := range a {
			to := b[(i+s)%len(b)].At
			dx, dy := a[i].At[0]-to[0], a[i].At[1]-to[1]
			sum += dx*dx + dy*dy
		}
		if sum < best-1e-9 {
			best, shift = sum, s
		}
	}
	return a, slices.Concat(b[shift:], b[:shift]), of
}

// Area is twice the area of the corners of a contour, above 0 where it runs clockwise as seen.
func Area(nodes []Node) (sum float64) {
	for i, p := range nodes {
		q := nodes[(i+1)%len(nodes)]
		sum += p.At[0]*q.At[1] - p.At[1]*q.At[0]
	}
	return sum
}

// longest is the node after which the longest piece lies, measured along its handles.
func longest(nodes []Node) (at int) {
	most := -1.0
	for i, p := range nodes {
		q := nodes[(i+1)%len(nodes)]
		dx, dy := q.At[0]-p.At[0], q.At[1]-p.At[1]
		bent := [2]float64{dx + q.In[0] - p.Out[0], dy + q.In[1] - p.Out[1]}
		long := math.Sqrt(p.Out[0]*p.Out[0]+p.Out[1]*p.Out[1]) + math.Sqrt(bent[0]*bent[0]+bent[1]*bent[1]) +
			math.Sqrt(q.In[0]*q.In[0]+q.In[1]*q.In[1])
		if long > most+1e-9 {
			most, at = long, i
		}
	}
	return at
}

// halved has one more node, in the middle of the piece after a node.
func halved(nodes []Node, at int) []Node {
	middle := Halve(&nodes[at], &nodes[(at+1)%len(nodes)])
	return slices.Insert(nodes, at+1, middle)
}

// Halve is the node in the middle of the piece between two; their handles are shortened so
// that the course stays the same (de Casteljau).
func Halve(p, q *Node) (middle Node) {
	for d := range 2 {
		c := [4]float64{p.At[d], p.At[d] + p.Out[d], q.At[d] + q.In[d], q.At[d]}
		x, y, z := (c[0]+c[1])/2, (c[1]+c[2])/2, (c[2]+c[3])/2
		xy, yz := (x+y)/2, (y+z)/2
		middle.At[d] = (xy + yz) / 2
		middle.In[d], middle.Out[d] = xy-middle.At[d], yz-middle.At[d]
		p.Out[d], q.In[d] = x-c[0], z-c[3]
	}
	return middle
}

// Reverse lets a contour run the other way around.
func Reverse(nodes []Node) {
	slices.Reverse(nodes)
	for i := range nodes {
		nodes[i].In, nodes[i].Out = nodes[i].Out, nodes[i].In
	}
}
