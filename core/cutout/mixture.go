package cutout

import "math"

// A mixture says how likely a colour is at a place, as a sum of normal distributions
// over red, green, blue and, with less weight, the place.
type mixture struct {
	parts []blob
	last  int // of them, that was nearest to the sample before
}

// dims are red, green, blue, x and y; places are scaled so that the photo's longer side
// counts as much as places below says.
const (
	dims   = 5
	places = 255.
)

type sample [dims]float32

type blob struct {
	mean   sample
	share  float64
	whiten [dims][dims]float32 // lower triangular: the distance is the length of this times (sample - mean)
	level  float32             // what is subtracted from half the squared distance for the logarithm
}

// samplesOf are the samples of pixels.
func samplesOf(v *view, look []colour, list []int32, out []sample) []sample {
	k := v.placed()
	for _, i := range list {
		c := look[i]
		out = append(out, sample{c[0], c[1], c[2], float32(int(i)%v.w) * k, float32(int(i)/v.w) * k})
	}
	return out
}

// mixtureOf fits n normal distributions: middles far apart first, then rounds of
// assignment to the likeliest, which is enough for parting (as in C. Rother, V.
// Kolmogorov, A. Blake, "GrabCut", 2004, though with places). placed is how much a
// place counts, 0..1.
func mixtureOf(list []sample, n int, grain, placed float32) *mixture {
	if len(list) == 0 {
		return &mixture{}
	}
	step := max(1, len(list)/6000)
	var some []sample
	for i := 0; i < len(list); i += step {
		s := list[i]
		s[3], s[4] = s[3]*placed, s[4]*placed
		some = append(some, s)
	}
	of := middles(some, n)
	m := &mixture{}
	for range 4 {
		m.estimate(some, of, n, grain, placed)
		for i := range some {
			of[i], _ = m.nearest(&some[i])
		}
	}
	m.estimate(some, of, n, grain, placed)
	return m
}

// middles parts samples by k-means, from middles that are far apart.
func middles(list []sample, n int) []int {
	var mid []sample
	mid = append(mid, list[len(list)/2])
	far := make([]float32, len(list))
	for i := range far {
		far[i] = list[i].square(&mid[0])
	}
	for len(mid) < n {
		// The sample at three quarters of all squared distances: far, yet no outlier.
		var sum, run float64
		for _, d := range far {
			sum += float64(d)
		}
		pick := len(list) - 1
		for i, d := range far {
			if run += float64(d); run >= sum*(.15+.7*float64(len(mid)%3)/2) {
				pick = i
				break
			}
		}
		mid = append(mid, list[pick])
		for i := range far {
			far[i] = min(far[i], list[i].square(&list[pick]))
		}
	}
	of := make([]int, len(list))
	for range 6 {
		sums := make([]sample, n)
		counts := make([]float32, n)
		for i := range list {
			best := 0
			least := list[i].square(&mid[0])
			for k := 1; k < n; k++ {
				if d := list[i].square(&mid[k]); d < least {
					best, least = k, d
				}
			}
			of[i] = best
			for c := range dims {
				sums[best][c] += list[i][c]
			}
			counts[best]++
		}
		for k := range mid {
			if counts[k] > 0 {
				for c := range dims {
					mid[k][c] = sums[k][c] / counts[k]
				}
			}
		}
	}
	return of
}

func (s *sample) square(o *sample) (sum float32) {
	for c := range dims {
		d := s[c] - o[c]
		sum += d * d
	}
	return sum
}

// estimate fits each distribution to the samples that are its own.
func (m *mixture) estimate(list []sample, of []int, n int, grain, placed float32) {
	m.parts = m.parts[:0]
	sums := make([][dims]float64, n)
	counts := make([]float64, n)
	for i, k := range of {
		counts[k]++
		for c := range dims {
			sums[k][c] += float64(list[i][c])
		}
	}
	cov := make([][dims][dims]float64, n)
	for k := range sums {
		for c := range dims {
			sums[k][c] /= max(counts[k], 1)
		}
	}
	for i, k := range of {
		var d [dims]float64
		for c := range dims {
			d[c] = float64(list[i][c]) - sums[k][c]
		}
		for a := range dims {
			for b := 0; b <= a; b++ {
				cov[k][a][b] += d[a] * d[b]
			}
		}
	}
	least := float64(grain*grain) + 9
	for k := range n {
		if counts[k] < 12 {
			continue
		}
		for a := range dims {
			for b := 0; b <= a; b++ {
				cov[k][a][b] /= counts[k]
			}
			if a < 3 {
				cov[k][a][a] += least
			} else {
				cov[k][a][a] += 40 * float64(placed*placed)
				cov[k][a][a] = max(cov[k][a][a], 1)
			}
		}
		b := blob{share: counts[k] / float64(len(list))}
		for c := range dims {
			b.mean[c] = float32(sums[k][c])
		}
		if b.invert(&cov[k]) {
			m.parts = append(m.parts, b)
		}
	}
}

// invert finds what makes a covariance the unit: the inverse of its Cholesky factor.
func (b *blob) invert(cov *[dims][dims]float64) bool {
	var l [dims][dims]float64
	log := 0.
	for i := range dims {
		for j := 0; j <= i; j++ {
			s := cov[i][j]
			for k := range j {
				s -= l[i][k] * l[j][k]
			}
			if i == j {
				if s <= 0 {
					return false
				}
				l[i][i] = math.Sqrt(s)
				log += math.Log(l[i][i])
			} else {
				l[i][j] = s / l[j][j]
			}
		}
	}
	for c := range dims {
		var col [dims]float64
		for i := c; i < dims; i++ {
			s := 0.
			if i == c {
				s = 1
			}
			for k := c; k < i; k++ {
				s -= l[i][k] * col[k]
			}
			col[i] = s / l[i][i]
			b.whiten[i][c] = float32(col[i])
		}
	}
	b.level = float32(log - math.Log(b.share))
	return true
}

// nearest is the likeliest distribution, and how unlikely the sample is there. It begins
// with the last answer, which is that of most neighbours, so that others are soon too far.
func (m *mixture) nearest(s *sample) (at int, least float32) {
	least = 1e9
	if m.last < len(m.parts) {
		at, least = m.last, m.parts[m.last].cost(s, least)
	}
	for k := range m.parts {
		if k == m.last {
			continue
		}
		if cost := m.parts[k].cost(s, least); cost < least {
			at, least = k, cost
		}
	}
	m.last = at
	return at, least
}

// cost is how unlikely a sample is, or most when it is that or more.
func (b *blob) cost(s *sample, most float32) float32 {
	room := 2 * (most - b.level)
	w := &b.whiten
	d0, d1 := s[0]-b.mean[0], s[1]-b.mean[1]
	v0, v1 := w[0][0]*d0, w[1][0]*d0+w[1][1]*d1
	sum := v0*v0 + v1*v1
	if sum >= room {
		return most
	}
	d2 := s[2] - b.mean[2]
	v2 := w[2][0]*d0 + w[2][1]*d1 + w[2][2]*d2
	if sum += v2 * v2; sum >= room {
		return most
	}
	d3, d4 := s[3]-b.mean[3], s[4]-b.mean[4]
	v3 := w[3][0]*d0 + w[3][1]*d1 + w[3][2]*d2 + w[3][3]*d3
	v4 := w[4][0]*d0 + w[4][1]*d1 + w[4][2]*d2 + w[4][3]*d3 + w[4][4]*d4
	if sum += v3*v3 + v4*v4; sum >= room {
		return most
	}
	return sum/2 + b.level
}

// best is what the likeliest sample of all would cost.
func (m *mixture) best() float32 {
	least := float32(1e9)
	for k := range m.parts {
		least = min(least, m.parts[k].level)
	}
	return least
}
