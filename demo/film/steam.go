package film

import "math"

// steam rises in curls and thins out; after four seconds it begins again.
func steam(l *lit, t float64) {
	const lasts = 4.0
	// Two courses of it, each of which is unseen when it begins anew.
	for i := range 2 {
		at := math.Mod(t/lasts+0.5*float64(i), 1)
		share := math.Sin(math.Pi*at) * math.Sin(math.Pi*at)
		rise := at * lasts
		seed := 31.7 * float64(i)
		for y := range l.h {
			v := float64(y) / float64(l.h) // from above
			up := 1 - v
			for x := range l.w {
				u := float64(x)/float64(l.w) - 0.5
				// It sways, more the higher it is, and spreads.
				sway := 0.10 * up * math.Sin(2.6*up-1.1*rise+seed)
				wide := 0.09 + 0.24*up
				across := (u - sway) / wide
				column := math.Exp(-across * across * 1.6)
				if column < 0.01 {
					continue
				}
				px, py := u*3.2, v*2.2+rise*0.42
				wx := noise(px*1.3+seed, py*1.3, rise*0.35) - 0.5
				wy := noise(px*1.3+9.2+seed, py*1.3+4.1, rise*0.35) - 0.5
				n := fbm(px*2.1+1.9*wx+seed, py*1.5+1.9*wy, rise*0.3)
				thick := math.Max(0, n-0.40+0.12*column) * 3.1
				fade := math.Pow(math.Max(0, 1-up*0.98), 0.55) * math.Min(1, up*7)
				d := float32(share * column * thick * thick * fade * 0.72)
				p := &l.rgb[y*l.w+x]
				p[0] += d * 0.96
				p[1] += d * 0.98
				p[2] += d
			}
		}
	}
	l.bloom(4, 0.25)
	l.exposed()
}

// fbm is noise of four sizes, about 0 to 1.
func fbm(x, y, z float64) (sum float64) {
	share, k := 0.5, 1.0
	for range 4 {
		sum += share * noise(x*k, y*k, z*k)
		share, k = share/2, k*2.03
	}
	return sum / 0.9375
}

// noise is smooth noise in space, 0 to 1: values at whole places, mixed between them.
func noise(x, y, z float64) float64 {
	ix, iy, iz := math.Floor(x), math.Floor(y), math.Floor(z)
	soft := func(v float64) float64 { return v * v * v * (v*(v*6-15) + 10) }
	fx, fy, fz := soft(x-ix), soft(y-iy), soft(z-iz)
	at := func(dx, dy, dz float64) float64 {
		h := uint32(int32(ix+dx))*0x8da6b343 ^ uint32(int32(iy+dy))*0xd8163841 ^ uint32(int32(iz+dz))*0xcb1ab31f
		h ^= h >> 13
		h *= 0x5bd1e995
		h ^= h >> 15
		return float64(h&0xFFFF) / 0xFFFF
	}
	mix := func(a, b, k float64) float64 { return a + (b-a)*k }
	low := mix(mix(at(0, 0, 0), at(1, 0, 0), fx), mix(at(0, 1, 0), at(1, 1, 0), fx), fy)
	high := mix(mix(at(0, 0, 1), at(1, 0, 1), fx), mix(at(0, 1, 1), at(1, 1, 1), fx), fy)
	return mix(low, high, fz)
}
