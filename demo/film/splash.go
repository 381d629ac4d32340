package film

import "math"

// drop is a drop of a splash: where it flies from, how, and how large it is.
type drop struct{ x, y, vx, vy, r float64 }

// splash is a burst of amber syrup before a green screen: strands of drops fly apart from the middle,
// slow down and fall.
func splash(l *lit, t float64) {
	screen(l)
	rnd := seeded(23)
	var drops []drop
	// Arms, of drops that get smaller and faster outwards and hang together near the middle.
	for range 15 {
		turn := rnd.Float64() * 2 * math.Pi
		long := 0.55 + 0.75*rnd.Float64()
		bend := 0.35 * rnd.NormFloat64()
		thick := 0.75 + 0.6*rnd.Float64()
		for k := range 12 {
			f := float64(k) / 11
			a := turn + bend*f*f
			v := long * (0.10 + 0.90*f)
			drops = append(drops, drop{
				x: 0.012 * rnd.NormFloat64(), y: 0.012 * rnd.NormFloat64(),
				vx: v * math.Cos(a), vy: v*math.Sin(a)*0.92 - 0.32, r: thick * (0.031 - 0.020*f) * (0.8 + 0.4*rnd.Float64()),
			})
		}
	}
	for range 70 { // and spray
		a, v := rnd.Float64()*2*math.Pi, 0.5+1.1*rnd.Float64()
		drops = append(drops, drop{vx: v * math.Cos(a), vy: v*math.Sin(a) - 0.3, r: 0.003 + 0.006*rnd.Float64()*rnd.Float64()})
	}
	began := t - 0.1
	if began <= 0 {
		return
	}
	drag := (1 - math.Exp(-2.6*began)) / 2.6 * 1.5
	field := make([]float32, l.w*l.h)
	size := float64(l.w)
	for _, d := range drops {
		x := (0.5 + d.x + d.vx*drag) * size
		y := (0.54 + d.y + d.vy*drag + 0.20*began*began) * size
		r := d.r * size * math.Min(1, began*9) * (1 - 0.22*began)
		if r <= 0.3 {
			continue
		}
		reach := 2.6 * r
		for py := max(0, int(y-reach)); py <= min(l.h-1, int(y+reach)); py++ {
			for px := max(0, int(x-reach)); px <= min(l.w-1, int(x+reach)); px++ {
				dx, dy := float64(px)+0.5-x, float64(py)+0.5-y
				q := 1 - (dx*dx+dy*dy)/(reach*reach)
				if q > 0 {
					field[py*l.w+px] += float32(q * q * q * 1.75)
				}
			}
		}
	}
	l.liquid(field)
}

// screen is a green screen, lit a little unevenly.
func screen(l *lit) {
	for y := range l.h {
		for x := range l.w {
			u, v := float64(x)/float64(l.w)-0.5, float64(y)/float64(l.h)-0.5
			k := float32(1.04 - 0.22*(u*u+v*v) + 0.012*(noise(u*90, v*90, 1)-0.5))
			l.rgb[y*l.w+x] = [3]float32{0.15 * k, 0.63 * k, 0.245 * k}
		}
	}
}

// liquid lays a liquid where a field is 1 or more, shaded as if it bulged.
func (l *lit) liquid(field []float32) {
	get := func(x, y int) float64 {
		return float64(field[min(max(y, 0), l.h-1)*l.w+min(max(x, 0), l.w-1)])
	}
	height := func(v float64) float64 { return 0.62*math.Sqrt(math.Max(0, math.Min(v, 2.2)-0.8)) + 0.55*math.Log(1+v) }
	deep, body, light := [3]float64{0.36, 0.11, 0.02}, [3]float64{0.88, 0.42, 0.06}, [3]float64{1, 0.80, 0.36}
	for y := range l.h {
		for x := range l.w {
			v := get(x, y)
			cover := math.Min(math.Max((v-0.86)/0.26, 0), 1)
			if cover == 0 {
				continue
			}
			nx := (height(get(x-2, y)) - height(get(x+2, y))) * 6.5
			ny := (height(get(x, y-2)) - height(get(x, y+2))) * 6.5
			nz := 1 / math.Sqrt(nx*nx+ny*ny+1)
			nx, ny = nx*nz, ny*nz
			// Light from the upper left, and some that shines through from below.
			lit := math.Max(0, -0.5*nx-0.62*ny+0.6*nz)
			through := math.Max(0, 0.55*ny+0.2) * (1 - 0.6*nz)
			c := mixed(deep, body, math.Min(1, 0.25+0.95*lit))
			c = mixed(c, light, math.Min(0.75, 0.85*through+0.35*math.Pow(1-nz, 2)))
			shine := math.Pow(math.Max(0, -0.42*nx-0.55*ny+0.72*nz), 46)
			soft := math.Pow(math.Max(0, 0.6*nx-0.2*ny+0.75*nz), 20) * 0.22
			p := &l.rgb[y*l.w+x]
			for k := range 3 {
				p[k] = float32(float64(p[k])*(1-cover) + cover*(c[k]+0.95*shine+soft))
			}
		}
	}
}
