package cutout

// lean lets strokes speak for more than the pixels under them: what has the colour of a
// stroke and lies near it leans to its side, as far as the strokes of the other side do
// not say the same.
func (d *Desk) lean(p prices, marks []int8) {
	if len(d.order.Strokes) == 0 {
		return
	}
	v := d.v
	var list [2][]int32
	for i, m := range marks {
		if m > 0 {
			list[1] = append(list[1], int32(i))
		}
	}
	away := make([]int8, len(marks)) // the box is not a stroke
	for _, s := range d.order.Strokes {
		v.draw(away, s)
	}
	for i, m := range away {
		if m < 0 {
			list[0] = append(list[0], int32(i))
		}
	}
	var of [2]*mixture
	for s, l := range list {
		if len(l) > 0 {
			of[s] = mixtureOf(samplesOf(v, d.even, l, nil), 3, 2*v.noise+3, 1)
		}
	}
	k := float32(places / float64(max(v.w, v.h)))
	for i := range p {
		if marks[i] != 0 {
			continue
		}
		c := d.even[i]
		s := sample{c[0], c[1], c[2], float32(i%v.w) * k, float32(i/v.w) * k}
		var near [2]float32
		for side, m := range of {
			if m == nil || len(m.parts) == 0 {
				continue
			}
			best := float32(1e9)
			for b := range m.parts {
				best = min(best, m.parts[b].square(&s))
			}
			near[side] = max(0, 1-best/30)
		}
		p[i] += 2.2 * (near[1] - near[0])
	}
}

// square is the squared distance of a sample, in deviations.
func (b *blob) square(s *sample) (sum float32) {
	for i := range dims {
		var v float32
		for c := 0; c <= i; c++ {
			v += b.whiten[i][c] * (s[c] - b.mean[c])
		}
		sum += v * v
	}
	return sum
}
