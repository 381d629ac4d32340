package main

import "math"

// relief is paper or stone by its height: how its slopes are lit.
func relief(x, y, deep float64, h func(x, y float64) float64) float64 {
	const d = 0.0009
	return deep * (h(x-d, y) - h(x+d, y) + h(x, y-d) - h(x, y+d)) / (2 * d)
}

func watercolourPaper(x, y float64) px {
	h := func(x, y float64) float64 { return fbm(x*60, y*60, 2, 3) * 0.01 }
	return hex(0xF5F1E8).times(0.97 - relief(x, y, 0.09, h))
}

func kraft(x, y float64) px {
	p := hex(0xB98F63).times(0.95 + 0.10*fbm(x*6, y*6, 1, 3))
	fibre := fbm(x*240, y*24, 3, 2)*0.5 + fbm(x*26, y*230, 4, 2)*0.5
	p = p.times(0.90 + 0.20*fibre)
	near, _, own := cells(x*70, y*70, 8)
	return p.mix(hex(0x6B4A2C), 0.5*soft(0.16, 0.08, near)*soft(0.72, 0.9, own))
}

func linen(x, y float64) px {
	wx, wy := x+0.002*fbm(x*8, y*50, 1, 2), y+0.002*fbm(x*50, y*8, 2, 2)
	warp := 0.5 + 0.5*math.Sin(wx*2*math.Pi*130+2*noise(wx*130, wy*4, 1))
	weft := 0.5 + 0.5*math.Sin(wy*2*math.Pi*130+2*noise(wx*4, wy*130, 2))
	up := math.Sin(wx*math.Pi*130)*math.Sin(wy*math.Pi*130) > 0
	v := weft
	if up {
		v = warp
	}
	slub := 0.12 * (noise(wx*3, wy*130, 5) + noise(wx*130, wy*3, 6) - 1)
	return hex(0xD9CDB8).times(0.80 + 0.22*v + slub)
}

func steel(x, y float64) px {
	line := 0.6*noise(x*2.5, y*700, 1) + 0.4*noise(x*9, y*1300, 2)
	sheen := 0.5 + 0.5*math.Sin(2.6*y+0.6*math.Sin(2*x)+0.9)
	return hex(0xB8BEC4).times(0.74 + 0.20*line + 0.20*sheen)
}

func oak(x, y float64) px {
	const planks = 4.0
	row := math.Floor((x + 0.5) * planks)
	in := (x+0.5)*planks - row
	shift := hash(row, 0, 3) * 7
	ring := fbm((x+shift)*3.2+0.35*fbm(x*4, (y+shift)*1.2, 2, 3), (y+shift)*0.55, 4, 3)
	grain := math.Abs(math.Sin(ring * 46))
	pores := soft(0.62, 0.9, noise(x*420, y*11+shift, 6))
	p := hex(0xC79A66).times(0.90 + 0.16*hash(row, 1, 4))
	p = p.mix(hex(0x8A5E35), 0.42*math.Pow(grain, 3)).times(1 - 0.15*pores)
	gap := soft(0.018, 0.006, math.Min(in, 1-in))
	return p.mix(hex(0x3A2616), 0.85*gap)
}

func concrete(x, y float64) px {
	h := func(x, y float64) float64 { return fbm(x*22, y*22, 1, 4) * 0.012 }
	p := hex(0xA9A8A4).times(0.90 + 0.22*fbm(x*2.4, y*2.4, 3, 4) - relief(x, y, 0.06, h))
	near, _, own := cells(x*40, y*40, 5)
	return p.times(1 - 0.45*soft(0.10+0.10*own, 0.04, near)*soft(0.70, 0.95, own))
}

// scratches are dust and scratches of an old film, on black for the blend mode screen.
func scratches(x, y float64) px {
	v := 0.0
	near, _, own := cells(x*30, y*30, 2)
	v += soft(0.06*own, 0.02*own, near) * soft(0.7, 0.98, own)
	near, _, own = cells(x*110, y*110, 3)
	v += 0.6 * soft(0.13*own, 0.03, near) * soft(0.8, 1, own)
	for i := range 26 {
		n := float64(i)
		cx := hash(n, 1, 5) - 0.5
		wob := 0.004 * noise(y*6, n, 6)
		from, to := hash(n, 2, 5)*1.4-0.9, hash(n, 3, 5)*1.4-0.4
		if y < from || y > to {
			continue
		}
		v += 0.5 * hash(n, 4, 5) * soft(0.0011, 0.0003, math.Abs(x-cx-wob)) * noise(y*40, n, 9)
	}
	for i := range 9 { // hairs
		n := float64(i)
		cx, cy := hash(n, 5, 5)-0.5, hash(n, 6, 5)-0.5
		r := 0.02 + 0.06*hash(n, 7, 5)
		d := math.Abs(length(x-cx, y-cy) - r)
		turn := math.Atan2(y-cy, x-cx) + hash(n, 8, 5)*6
		if math.Mod(turn+12, 6.283) < 2.2 {
			v += 0.7 * soft(0.0014, 0.0005, d)
		}
	}
	return px{v, v, v * 0.97, 1}
}

func halftone(x, y float64) px {
	gx, gy := turned(x, y, 28)
	const n = 34.0
	cx, cy := gx*n-math.Floor(gx*n)-0.5, gy*n-math.Floor(gy*n)-0.5
	r := 0.60 * clamp(0.55+0.75*(x*0.6+y*0.8))
	return hex(0xFFFFFF).mix(hex(0x1C1B22), soft(r+0.03, r-0.03, length(cx, cy)))
}

// leak is light that fell onto a film, on black for the blend mode screen.
func leak(x, y float64) px {
	a := math.Exp(-math.Pow((x+0.42+0.12*fbm(y*2, x, 1, 2))/0.20, 2))
	b := math.Exp(-math.Pow((x-0.55+0.2*y+0.1*fbm(y*1.6, x, 2, 2))/0.14, 2))
	c := math.Exp(-(math.Pow((x+0.1)/0.5, 2) + math.Pow((y+0.6)/0.22, 2)))
	var p px
	p = p.plus(hex(0xFF5A1F), 0.95*a).plus(hex(0xFFC24A), 0.75*a*a*a).plus(hex(0xFF2F6D), 0.65*b).plus(hex(0xFFD9A0), 0.4*b*b*b).plus(hex(0xFF8A3C), 0.55*c)
	p.A = 1
	return p
}

func crumpled(x, y float64) px {
	fold := func(x, y float64) float64 {
		v := 0.0
		for i, size := range []float64{3, 6, 13} {
			a, b, own := cells(x*size+3, y*size+1, 40+float64(i))
			v += (own*a + 0.5*(b-a)) / size * 0.30
		}
		return v
	}
	return hex(0xF1EEE7).times(clamp(0.93 - relief(x, y, 1.15, fold)*0.24)).times(0.985 + 0.03*noise(x*300, y*300, 2))
}

func wash(x, y float64) px {
	wx, wy := x+0.3*(fbm(x*3, y*3, 1, 4)-0.5), y+0.3*(fbm(x*3+7, y*3, 2, 4)-0.5)
	v := fbm(wx*2.2, wy*2.2, 5, 4)
	paper := relief(x, y, 0.05, func(x, y float64) float64 { return fbm(x*60, y*60, 2, 3) * 0.01 })
	p := hex(0xF7F3EA).mix(hex(0x5E9BAE), 0.8*soft(0.34, 0.62, v)).mix(hex(0x2F5F86), 0.5*soft(0.55, 0.75, v))
	// Pigment gathers where the water stopped.
	edge := math.Exp(-math.Pow((v-0.40)/0.010, 2))
	return p.mix(hex(0x2F5F86), 0.35*edge).times(0.98 - paper)
}

func cork(x, y float64) px {
	a, b, own := cells(x*26+0.6*noise(x*20, y*20, 1), y*26+0.6*noise(x*20, y*20, 2), 9)
	p := hex(0xC99B68).times(0.80 + 0.34*own).times(0.92 + 0.12*noise(x*200, y*200, 3))
	p = p.mix(hex(0x7A5230), 0.6*soft(0.10, 0.0, b-a))
	near, _, k := cells(x*60, y*60, 14)
	return p.mix(hex(0x4E3018), 0.7*soft(0.14, 0.06, near)*soft(0.78, 0.95, k))
}
