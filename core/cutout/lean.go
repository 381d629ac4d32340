package cutout

import "image"

// lean lets strokes speak for more than the pixels under them: what has the colour of a
// stroke and lies near it leans to its side, as far as the strokes of the other side do
// not say the same.
func lean(v *view, look []colour, strokes []Stroke, p prices, marks []int8) {
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
	k := float32(places / float64(max(v.w, v.h)))
	heard := heardIn(v, of[:], k)
	for y := heard.Min.Y; y < heard.Max.Y; y++ {
		leanRow(v, look, of, p, marks, k, y*v.w+heard.Min.X, y*v.w+heard.Max.X)
	}
}

func leanRow(v *view, look []colour, of [2]*mixture, p prices, marks []int8, k float32, from, to int) {
	for i := from; i < to; i++ {
		if marks[i] != 0 {
			continue
		}
		c := look[i]
		s := sample{c[0], c[1], c[2], float32(i%v.w) * k, float32(i/v.w) * k}
		var near [2]float32
		for side, m := range of {
			if m == nil || len(m.parts) == 0 {
				continue
			}
			best := float32(farthest)
			for b := range m.parts {
				best = min(best, m.parts[b].square(&s, best))
			}
			near[side] = 1 - best/farthest
		}
		p[i] += 2.2 * (near[1] - near[0])
	}
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
