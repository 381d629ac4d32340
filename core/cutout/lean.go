package cutout

import "image"

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
	var of [2]*mixture
	for s, l := range list {
		if len(l) > 0 {
			of[s] = mixtureOf(samplesOf(v, look, l, nil), 3, 2*v.noise+3, 1)
		}
	}
	weight := [2]float32{1, 1}
	if g != nil {
		weight[1] = min(max(g.apart(look, list[1])/(2*v.noise+3)-1, 0), 1)
	}
	k := float32(places / float64(max(v.w, v.h)))
	heard := heardIn(v, of[:], k)
	l := leaning{v: v, look: look, of: of, weight: weight, p: p, marks: marks, k: k}
	for s, list := range list {
		if of[s] != nil {
			l.steep[s] = edgesFrom(v, look, 3+v.noise, list, heard)
		}
	}
	for y := heard.Min.Y; y < heard.Max.Y; y++ {
		l.row(y*v.w+heard.Min.X, y*v.w+heard.Max.X)
	}
}

// leaning is what strokes of both sides say: of ground, and of the thing.
type leaning struct {
	v      *view
	look   []colour
	of     [2]*mixture
	weight [2]float32
	steep  [2][]float32 // edges on the way from the strokes of a side, in levels
	p      prices
	marks  []int8
	k      float32 // of places beside colours
}

// mostEdges is over how many levels of edges strokes speak.
const mostEdges = 45

// edgesFrom is what there is of edges on the best way from some pixels to all others of a
// part of a view, in levels. What differs by no more than free from one pixel to the next is
// grain or changes slowly, and counts for nothing. Four sweeps find ways
// that bend a few times, which is enough for a stroke.
func edgesFrom(v *view, look []colour, free float32, from []int32, part image.Rectangle) []float32 {
	out := make([]float32, len(look))
	for i := range out {
		out[i] = 1e6
	}
	for _, i := range from {
		out[i] = 0
	}
	better := func(i, j int) {
		if out[j] >= out[i] {
			return
		}
		out[i] = min(out[i], out[j]+max(look[i].apart(look[j])-free, 0))
	}
	for range 2 {
		for y := part.Min.Y; y < part.Max.Y; y++ {
			for x := part.Min.X; x < part.Max.X; x++ {
				if x > part.Min.X {
					better(y*v.w+x, y*v.w+x-1)
				}
				if y > part.Min.Y {
					better(y*v.w+x, (y-1)*v.w+x)
				}
			}
			for x := part.Max.X - 2; x >= part.Min.X; x-- {
				better(y*v.w+x, y*v.w+x+1)
			}
		}
		for y := part.Max.Y - 1; y >= part.Min.Y; y-- {
			for x := part.Max.X - 1; x >= part.Min.X; x-- {
				if x < part.Max.X-1 {
					better(y*v.w+x, y*v.w+x+1)
				}
				if y < part.Max.Y-1 {
					better(y*v.w+x, (y+1)*v.w+x)
				}
			}
			for x := part.Min.X + 1; x < part.Max.X; x++ {
				better(y*v.w+x, y*v.w+x-1)
			}
		}
	}
	return out
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
		for side, m := range l.of {
			if m == nil || len(m.parts) == 0 || l.steep[side][i] >= mostEdges {
				continue
			}
			best := float32(farthest)
			for b := range m.parts {
				best = min(best, m.parts[b].square(&s, best))
			}
			near[side] = l.weight[side] * (1 - best/farthest) * (1 - l.steep[side][i]/mostEdges)
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
func heardIn(v *view, of []*mixture, k float32) (all image.Rectangle) {
	for _, m := range of {
		if m == nil {
			continue
		}
		for i := range m.parts {
			b := &m.parts[i]
			x, y := b.spread(3)*root32(farthest), b.spread(4)*root32(farthest)
			all = all.Union(image.Rect(
				int((b.mean[3]-x)/k)-1, int((b.mean[4]-y)/k)-1, int((b.mean[3]+x)/k)+2, int((b.mean[4]+y)/k)+2))
		}
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
