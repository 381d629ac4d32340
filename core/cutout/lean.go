package cutout

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
	for i := range p {
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
