package paint

import (
	"math"
	"slices"

	"billow/core/alike"
)

// joined leaves of contours only what is the edge of the area that they fill
// together (by the non-zero rule): parts of letters often lie over one another, or
// over themselves, and a line drawn along each of them would show inside. Contours
// that meet nothing stay as they are, and so do those that are far too tangled.
func joined(lines []polyline) []polyline {
	j := newJoiner(lines, false)
	if j.tangled() {
		return lines
	}
	var out []polyline
	var pieces [][][2]float64
	for i, l := range lines {
		if !l.closed {
			out = append(out, l)
			continue
		}
		cut := j.cuts(i)
		if len(cut) == len(l.points) && !j.overlaps(i) {
			out = append(out, l)
			continue
		}
		pieces = append(pieces, j.edges(cut)...)
	}
	return append(out, linked(pieces)...)
}

// joiner knows contours, and which of their edges lie in which of many bands across.
type joiner struct {
	lines    []polyline
	boxes    [][4]float64
	positive bool // only what contours run around the usual way is filled
	top      float64
	high     float64 // of a band
	bands    [][]lineEnd
}

// lineEnd is an edge of a closed contour: that which ends at a point.
type lineEnd struct{ line, to int }

func newJoiner(lines []polyline, positive bool) *joiner {
	j := &joiner{lines: lines, boxes: make([][4]float64, len(lines)), positive: positive}
	edges := 0
	all := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	for i, l := range lines {
		b := boxOf(l.points)
		j.boxes[i] = b
		all = [4]float64{min(all[0], b[0]), min(all[1], b[1]), max(all[2], b[2]), max(all[3], b[3])}
		edges += len(l.points)
	}
	j.bands = make([][]lineEnd, min(edges/2+1, 512))
	j.top, j.high = all[1], max((all[3]-all[1])/float64(len(j.bands)), 1e-9)
	for i, l := range lines {
		for n := 1; l.closed && n < len(l.points); n++ {
			a, b := l.points[n-1][1], l.points[n][1]
			for band := j.band(min(a, b)); band <= j.band(max(a, b)); band++ {
				j.bands[band] = append(j.bands[band], lineEnd{i, n})
			}
		}
	}
	return j
}

// tangled tells that comparing all edges would take much longer than anybody waits. So much
// ends in nothing that could be told apart anyway.
func (j *joiner) tangled() bool {
	pairs := 0
	for _, b := range j.bands {
		pairs += len(b) * len(b)
	}
	return pairs > 10_000_000
}

// band is the one in which a height lies; those beyond all count to the outer ones.
func (j *joiner) band(y float64) int {
	return int(min(max((y-j.top)/j.high, 0), float64(len(j.bands)-1)))
}

// fills tells whether a place is filled.
func (j *joiner) fills(x, y float64) bool {
	n := j.winding(x, y)
	return n > 0 || n < 0 && !j.positive
}

func boxOf(points [][2]float64) [4]float64 {
	b := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	for _, p := range points {
		b = [4]float64{min(b[0], p[0]), min(b[1], p[1]), max(b[2], p[0]), max(b[3], p[1])}
	}
	return b
}

func meet(a, b [4]float64) bool { return a[0] <= b[2] && b[0] <= a[2] && a[1] <= b[3] && b[1] <= a[3] }

// overlaps tells whether a contour's box meets that of another one.
func (j *joiner) overlaps(i int) bool {
	for k, b := range j.boxes {
		if k != i && j.lines[k].closed && meet(j.boxes[i], b) {
			return true
		}
	}
	return false
}

// cuts is a contour's points, with those where others or itself cross it in between.
func (j *joiner) cuts(i int) [][2]float64 {
	points := j.lines[i].points
	out := points[:1:1]
	var on []float64
	for n := 1; n < len(points); n++ {
		a, b := points[n-1], points[n]
		on = on[:0]
		first, last := j.band(min(a[1], b[1])), j.band(max(a[1], b[1]))
		for band := first; band <= last; band++ {
			for _, e := range j.bands[band] {
				k, m := e.line, e.to
				if k == i && (m >= n-1 && m <= n+1 || n+m == len(points) && (m == 1 || n == 1)) {
					continue // neighbours touch
				}
				c, d := j.lines[k].points[m-1], j.lines[k].points[m]
				if max(first, j.band(min(c[1], d[1]))) != band {
					continue // it was looked at in an earlier band
				}
				if t, ok := crossing(a, b, c, d); ok {
					on = append(on, t)
				}
			}
		}
		slices.Sort(on)
		for _, t := range on {
			out = append(out, [2]float64{a[0] + (b[0]-a[0])*t, a[1] + (b[1]-a[1])*t})
		}
		out = append(out, b)
	}
	return out
}

// crossing is the share of the line from a to b at which it crosses the one from c
// to d.
func crossing(a, b, c, d [2]float64) (t float64, ok bool) {
	rx, ry, sx, sy := b[0]-a[0], b[1]-a[1], d[0]-c[0], d[1]-c[1]
	cross := rx*sy - ry*sx
	if cross == 0 {
		return 0, false
	}
	qx, qy := c[0]-a[0], c[1]-a[1]
	t = (qx*sy - qy*sx) / cross
	u := (qx*ry - qy*rx) / cross
	return t, t > 0 && t < 1 && u >= 0 && u < 1
}

// edges is the pieces of a contour, a closed one, that are edges of the whole.
func (j *joiner) edges(points [][2]float64) [][][2]float64 {
	var out [][][2]float64
	var now [][2]float64
	for n := 1; n < len(points); n++ {
		a, b := points[n-1], points[n]
		if a == b {
			continue
		}
		if !j.isEdge(a, b) {
			if now != nil {
				out, now = append(out, now), nil
			}
			continue
		}
		if now == nil {
			now = [][2]float64{a}
		}
		now = append(now, b)
	}
	if now == nil {
		return out
	}
	// What begins at the contour's first point goes on at its last one.
	if len(out) > 0 && out[0][0] == now[len(now)-1] {
		out[0] = append(now, out[0][1:]...)
		return out
	}
	return append(out, now)
}

// isEdge tells whether on one side of a line there is something, and nothing on
// the other.
func (j *joiner) isEdge(a, b [2]float64) bool {
	beside := 0.02 // pixels
	if j.positive {
		beside = 1e-4 // the loops of what was moved are narrow
	}
	d := alike.Hypot(b[0]-a[0], b[1]-a[1])
	if d == 0 {
		return false
	}
	x, y := (a[0]+b[0])/2, (a[1]+b[1])/2
	nx, ny := (a[1]-b[1])/d*beside, (b[0]-a[0])/d*beside
	return j.fills(x+nx, y+ny) != j.fills(x-nx, y-ny)
}

// winding is how often the contours run around a point.
func (j *joiner) winding(x, y float64) int {
	n := 0
	for _, e := range j.bands[j.band(y)] {
		points := j.lines[e.line].points
		a, b := points[e.to-1], points[e.to]
		if (a[1] <= y) == (b[1] <= y) {
			continue
		}
		if a[0]+(y-a[1])/(b[1]-a[1])*(b[0]-a[0]) > x {
			if b[1] > a[1] {
				n++
			} else {
				n--
			}
		}
	}
	return n
}

// linked makes contours of pieces: each goes on with the piece that begins where
// it ends.
func linked(pieces [][][2]float64) []polyline {
	const near = 1e-6 // pixels
	var out []polyline
	for len(pieces) > 0 {
		now := pieces[0]
		pieces = pieces[1:]
		closed := false
		for {
			end := now[len(now)-1]
			if closed = alike.Hypot(end[0]-now[0][0], end[1]-now[0][1]) < near; closed {
				break
			}
			i := slices.IndexFunc(pieces, func(p [][2]float64) bool { return alike.Hypot(p[0][0]-end[0], p[0][1]-end[1]) < near })
			if i < 0 {
				break
			}
			now = append(now, pieces[i][1:]...)
			pieces = slices.Delete(pieces, i, i+1)
		}
		out = append(out, polyline{now, closed})
	}
	return out
}
