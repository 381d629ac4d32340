package cutout

import (
	"image"
	"slices"
)

// lean lets strokes speak for more than the pixels under them: what has the colour of a
// stroke and lies near it leans to its side, as far as the strokes of the other side do
// not say the same. What stays and has just the colour of a plain ground speaks for itself
// alone: that colour tells nothing.
func lean(v *view, look []colour, g *evenGround, strokes []Stroke, p prices, marks []int8) {
	if len(strokes) == 0 {
		return
	}
	said := make([]int8, len(marks)) // without the box, which is not a stroke
	for _, s := range strokes {
		v.draw(said, s)
	}
	var list [2][]int32
	for i, m := range said {
		if m > 0 {
			list[1] = append(list[1], int32(i))
		} else if m < 0 {
			list[0] = append(list[0], int32(i))
		}
	}
	both := [2]*saying{v.sayingOf(look, list[0], 0), v.sayingOf(look, list[1], 1)}
	weight := [2]float32{1, 1}
	if g != nil {
		weight[1] = min(max(g.apart(look, list[1])/(2*v.noise+3)-1, 0), 1)
	}
	l := leaning{v: v, look: look, of: both, weight: weight, p: p, marks: marks, k: v.placed()}
	heard := both[0].heard.Union(both[1].heard)
	for y := heard.Min.Y; y < heard.Max.Y; y++ {
		l.row(y*v.w+heard.Min.X, y*v.w+heard.Max.X)
	}
}

// placed is how much a pixel of the view counts in places beside colours.
func (v *view) placed() float32 { return float32(places / float64(max(v.w, v.h))) }

// leaning is what strokes of both sides, first of the ground, say.
type leaning struct {
	v      *view
	look   []colour
	of     [2]*saying
	weight [2]float32
	p      prices
	marks  []int8
	k      float32 // of places beside colours
}

// saying is what the strokes of one side say. It is kept, so that a stroke of the other side
// does not ask for it again.
type saying struct {
	list  []int32
	look  []colour
	noise float32
	mixed *mixture
	heard image.Rectangle // where they have a say
	steep []float32       // edges on the way from the strokes, in levels
}

// sayingOf is what is said by the strokes of a side, 0 or 1, under which some pixels lie.
func (v *view) sayingOf(look []colour, list []int32, side int) *saying {
	if s := v.sayings[side]; s != nil && s.noise == v.noise && &s.look[0] == &look[0] && slices.Equal(s.list, list) {
		return s
	}
	s := &saying{list: list, look: look, noise: v.noise}
	if len(list) > 0 {
		s.mixed = mixtureOf(samplesOf(v, look, list, nil), 3, 2*v.noise+3, 1)
		s.heard = heardIn(v, s.mixed, v.placed())
		s.steep = edgesFrom(v, look, 3+v.noise, list, s.heard)
	}
	v.sayings[side] = s
	return s
}

// row changes the prices of some pixels of a row.
func (l *leaning) row(from, to int) {
	for i := from; i < to; i++ {
		if l.marks[i] != 0 {
			continue
		}
		c := l.look[i]
		s := sample{c[0], c[1], c[2], float32(i%l.v.w) * l.k, float32(i/l.v.w) * l.k}
		var near [2]float32
		for side, of := range l.of {
			if of.mixed == nil || of.steep[i] >= mostEdges {
				continue
			}
			best := float32(farthest)
			for b := range of.mixed.parts {
				best = min(best, of.mixed.parts[b].square(&s, best))
			}
			near[side] = l.weight[side] * (1 - best/farthest) * (1 - of.steep[i]/mostEdges)
		}
		l.p[i] += 2.2 * (near[1] - near[0])
	}
}

// apart is how far pixels are from a ground in the mean, in levels.
func (g *evenGround) apart(look []colour, list []int32) (mean float32) {
	for _, i := range list {
		mean += look[i].apart(g.drawn[i])
	}
	return mean / float32(max(len(list), 1))
}

// heardIn is the part of a view in which strokes have a say: no place outside it is near
// enough to any of them, whatever its colour.
func heardIn(v *view, m *mixture, k float32) (all image.Rectangle) {
	for i := range m.parts {
		b := &m.parts[i]
		x, y := b.spread(3)*root32(farthest), b.spread(4)*root32(farthest)
		all = all.Union(image.Rect(
			int((b.mean[3]-x)/k)-1, int((b.mean[4]-y)/k)-1, int((b.mean[3]+x)/k)+2, int((b.mean[4]+y)/k)+2))
	}
	return all.Intersect(image.Rect(0, 0, v.w, v.h))
}

// spread is the standard deviation of one dimension: with the inverse of whiten, the root
// of its covariance, that is the length of a row.
func (b *blob) spread(dim int) float32 {
	var sum float32
	for c := range dims { // one column of the inverse at a time, from its diagonal down
		var column [dims]float32
		for i := c; i < dims; i++ {
			v := float32(0)
			if i == c {
				v = 1
			}
			for j := c; j < i; j++ {
				v -= b.whiten[i][j] * column[j]
			}
			column[i] = v / b.whiten[i][i]
		}
		sum += column[dim] * column[dim]
	}
	return root32(sum)
}

// farthest is the squared distance, in deviations, from which a stroke has no say.
const farthest = 30

// square is the squared distance of a sample, in deviations, or most when it is more.
func (b *blob) square(s *sample, most float32) (sum float32) {
	for i := range dims {
		var v float32
		for c := 0; c <= i; c++ {
			v += b.whiten[i][c] * (s[c] - b.mean[c])
		}
		if sum += v * v; sum > most {
			return most
		}
	}
	return sum
}
