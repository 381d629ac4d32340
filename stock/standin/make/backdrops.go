package main

import "math"

// meshed is colours that flow into each other.
func meshed(seed float64, base px, spots ...px) drawing {
	return func(x, y float64) px {
		wx, wy := x+0.22*(fbm(x*1.6, y*1.6, seed, 2)-0.5), y+0.22*(fbm(x*1.6+9, y*1.6, seed+5, 2)-0.5)
		out := base
		for i, c := range spots {
			a := 2.4*float64(i) + seed
			cx, cy := 0.42*math.Cos(a), 0.55*math.Sin(a*1.3)
			out = out.mix(c, 0.92*math.Exp(-(math.Pow(wx-cx, 2)+math.Pow(wy-cy, 2))/0.09))
		}
		return out
	}
}

// studio is a wall and a table of one paper, lit from above.
func studio(wall, floor px, lightX float64) drawing {
	return func(x, y float64) px {
		bend := soft(0.16, 0.34, y+0.012*math.Cos(3*x))
		p := wall.mix(floor, bend)
		spot := math.Exp(-(math.Pow(x-lightX, 2)*2.2 + math.Pow(y+0.12, 2)*1.5))
		p = p.times(0.74 + 0.36*spot)
		// The table is darkest where it turns up.
		p = p.times(1 - 0.13*math.Exp(-math.Pow((y-0.235)/0.05, 2)))
		pool := math.Exp(-(math.Pow(x-lightX*0.5, 2)*5 + math.Pow((y-0.42)*2.4, 2)*3))
		return p.plus(px{1, 0.97, 0.92, 1}, 0.13*pool*bend)
	}
}

// bokeh is lamps out of focus.
func bokeh(seed float64, night, glow px, lamps ...px) drawing {
	return func(x, y float64) px {
		out := night.mix(glow, 0.75*math.Exp(-math.Pow((y-0.12)/0.34, 2)))
		for i := range 74 {
			n := float64(i)
			cx, cy := (hash(n, 1, seed)-0.5)*1.15, (hash(n, 2, seed)-0.5)*1.3
			cy = cy*math.Abs(cy)*1.2 + 0.05
			r := 0.018 + 0.075*math.Pow(hash(n, 3, seed), 2)
			d := length(x-cx, y-cy)
			if d > r*1.1 {
				continue
			}
			c := lamps[i%len(lamps)]
			disc := soft(r, r*0.93, d) * (0.52 + 0.48*soft(r*0.55, r*0.97, d))
			out = out.plus(c, disc*(0.12+0.42*hash(n, 4, seed)))
		}
		return out
	}
}

// rays come from one place.
func rays(a, b px, n, cx, cy float64) drawing {
	return func(x, y float64) px {
		dx, dy := x-cx, y-cy
		r := length(dx, dy)
		turn := math.Atan2(dy, dx) / (2 * math.Pi) * n
		w := math.Abs(turn-math.Floor(turn)-0.5) * 2 // 0 in the middle of a ray, 1 between
		p := a.mix(b, soft(0.5-0.004/math.Max(r, 0.01)*n/12, 0.5+0.004/math.Max(r, 0.01)*n/12, w))
		p = p.mix(a.mix(px{1, 1, 1, 1}, 0.45), math.Exp(-r*r/0.05))
		return p.times(1.04 - 0.22*r)
	}
}

// ridges are sheets of paper, one behind the other, each with its own edge and shadow.
func ridges(sky, far, near px, n int, edge func(i int, x float64) float64) drawing {
	return func(x, y float64) px {
		out := sky.mix(px{1, 1, 1, 1}, 0.35*soft(-0.7, 0.3, y))
		for i := range n {
			k := float64(i) / float64(n-1)
			d := y - edge(i, x) // below it there is paper
			shade := math.Exp(-math.Max(-d, 0)/0.03) * 0.28
			if d < 0 {
				out = out.times(1 - shade)
				continue
			}
			out = far.mix(near, k).times(1.03-0.10*soft(0, 0.3, d)).plus(px{1, 1, 1, 1}, 0.05*math.Exp(-d/0.006))
			out = out.times(0.985 + 0.03*noise(x*420, y*420, 3))
		}
		return out
	}
}

// plaster is a rough wall.
func plaster(c px, x, y, seed float64) px {
	h := func(x, y float64) float64 { return fbm(x*9, y*9, seed, 4)*0.020 + fbm(x*70, y*70, seed+3, 2)*0.0022 }
	const d = 0.0012
	slope := (h(x-d, y) - h(x+d, y) + h(x, y-d) - h(x, y+d)) / (2 * d)
	return c.times(0.96 - 0.22*slope + 0.05*(fbm(x*2, y*2, seed+9, 2)-0.5))
}

// windowLight falls through a window of panes onto a wall.
func windowLight(x, y float64) px {
	wall := plaster(hex(0xE9D8C4), x, y, 5)
	sx, sy := turned(x+0.05, y+0.1, -14)
	sx += 0.28 * sy
	pane := func(v, size, bar float64) float64 {
		q := v/size - math.Floor(v/size)
		return soft(0, bar, q) * soft(1, 1-bar, q)
	}
	soften := 0.10 + 0.05*math.Abs(sy)
	in := pane(sx+0.30, 0.30, soften) * pane(sy+0.45, 0.30, soften)
	in *= soft(-0.34, -0.28, sx) * soft(0.34, 0.28, sx) * soft(-0.52, -0.44, sy) * soft(0.50, 0.40, sy)
	return wall.times(0.66).mix(wall.times(1.07).plus(px{1, 0.86, 0.6, 1}, 0.05), in)
}

// leafShade is the shadow of a palm's leaves on a wall.
func leafShade(c px) drawing {
	return func(x, y float64) px {
		dark := 0.0
		for i := range 3 {
			n := float64(i)
			ox, oy := 0.55-0.1*n, -0.75+0.34*n
			lx, ly := turned(x-ox, y-oy, 118+16*n)
			// A stem along lx, from which leaflets go aside.
			bend := ly - 0.22*lx*lx
			for side := -1.0; side <= 1; side += 2 {
				for k := range 19 {
					at := 0.12 + 0.052*float64(k)
					long := 0.33 * math.Sin(math.Pi*clamp(0.12+float64(k)/21))
					px0, py0 := at, 0.0
					px1, py1 := at+long*0.62, side*long*0.9
					d := segment(lx, bend, px0, py0, px1, py1)
					t := clamp(((lx-px0)*(px1-px0) + (bend-py0)*(py1-py0)) / math.Max((px1-px0)*(px1-px0)+(py1-py0)*(py1-py0), 1e-6))
					wide := 0.0135 * math.Sin(math.Pi*clamp(0.08+0.92*t))
					blur := 0.006 + 0.012*n
					dark = math.Max(dark, soft(wide+blur, wide-blur, d)*(0.85-0.22*n))
				}
			}
		}
		wall := plaster(c, x, y, 8).times(1.05 - 0.16*length(x+0.3, y+0.4))
		return wall.mix(wall.times(0.60).plus(px{0.1, 0.13, 0.2, 1}, 0.16), dark)
	}
}

// pool is sunlight on the floor of shallow water.
func pool(x, y, t float64, deep, shallow px) px {
	wx, wy := x*3.4+0.5*fbm(x*2.2, y*2.2+t, 3, 2), y*3.4+0.5*fbm(x*2.2+5-t, y*2.2, 4, 2)
	light := 0.0
	for i := range 2 {
		s := 1 + 0.55*float64(i)
		a, b, _ := cells(wx*s+0.35*math.Sin(t*6.283+wy*2), wy*s+0.35*math.Cos(t*6.283+wx*2), 11+float64(i))
		light += math.Pow(1-clamp((b-a)*1.15), 7) / (1 + float64(i))
	}
	p := deep.mix(shallow, 0.5+0.6*(fbm(x*1.5, y*1.5, 2, 3)-0.5)-0.4*y)
	return p.plus(px{0.85, 1, 0.95, 1}, 0.55*light)
}

// pines stand before a sky full of stars.
func pines(x, y float64) px {
	sky := hex(0x0B1B38).mix(hex(0x2C4A6E), soft(-0.5, 0.35, y)).mix(hex(0xC98A6A), 0.55*soft(0.12, 0.42, y))
	band := math.Exp(-math.Pow((x*0.8+y+0.25+0.1*fbm(x*3, y*3, 4, 3))/0.17, 2)) * fbm(x*5, y*5, 6, 4)
	sky = sky.plus(px{0.55, 0.6, 0.85, 1}, 0.28*band)
	for _, size := range []float64{46, 90} {
		near, _, own := cells(x*size, y*size, size)
		sky = sky.plus(px{1, 0.97, 0.9, 1}, math.Exp(-near*near*(90+400*(1-own)))*own*own*1.25*soft(0.40, 0.05, y))
	}
	for layer := range 3 {
		k := float64(layer)
		ground := 0.30 + 0.09*k + 0.03*math.Sin(4*x+2*k)
		at := x*(7-1.6*k) + 3.3*k
		n := math.Floor(at)
		for i := -1.0; i <= 1; i++ {
			mid, tall := n+i+0.5+0.5*(hash(n+i, k, 2)-0.5), (0.20+0.16*hash(n+i, k, 3))*(0.8+0.35*k)
			up := (ground - y) / tall
			if up < -0.4 || up > 1 {
				continue
			}
			wide := (1 - up) * (0.34 + 0.07*math.Sin(up*46)) // branches
			if math.Abs(at-mid) < wide {
				sky = hex(0x24415A).mix(hex(0x081420), 0.4+0.3*k)
			}
		}
		if y > ground {
			sky = hex(0x24415A).mix(hex(0x081420), 0.42+0.3*k)
		}
	}
	return sky
}

// gingham is a picnic cloth, a little wavy.
func gingham(x, y float64) px {
	x, y = turned(x, y, 8)
	x += 0.010 * math.Sin(7*y+1)
	y += 0.010 * math.Sin(6*x)
	stripe := func(v float64) float64 {
		q := v*9 - math.Floor(v*9)
		return soft(0.24, 0.26, q) * soft(0.76, 0.74, q)
	}
	thread := 0.5 + 0.5*math.Sin(x*1900)*math.Sin(y*1900)
	p := hex(0xFBF6EC).mix(hex(0xCF3F33), 0.5*stripe(x)+0.5*stripe(y)).times(0.97 + 0.04*thread)
	folds := 0.06*math.Sin(3*x+4*y+1) + 0.05*(fbm(x*2.5, y*2.5, 5, 3)-0.5)
	return p.times(0.97 + folds)
}

// terrazzo is chips of stone in cement.
func terrazzo(x, y float64) px {
	ground := hex(0xF3ECE2)
	p := ground.times(0.985 + 0.03*noise(x*300, y*300, 1))
	colours := []px{hex(0xD9745A), hex(0x2F6B6A), hex(0xE9B44C), hex(0x8FA6B2), hex(0x4A4A52), hex(0xE8BFA8)}
	for i, size := range []float64{9, 21, 44} {
		near, next, own := cells(x*size+0.3*noise(x*30, y*30, 2), y*size+0.3*noise(x*30, y*30, 3), 20+float64(i)*5)
		if own > 0.52 {
			continue
		}
		edge := (next - near) * (0.9 + 0.35*own)
		if in := soft(0.27, 0.30, edge); in > 0 {
			c := colours[int(own*1000)%len(colours)]
			p = p.mix(c.times(0.94+0.1*noise(x*160, y*160, own*90)), in)
		}
	}
	return p
}

func marble(x, y float64) px {
	wx, wy := x+0.5*(fbm(x*2, y*2, 1, 4)-0.5), y+0.5*(fbm(x*2+4, y*2, 2, 4)-0.5)
	vein := func(seed, size float64) float64 {
		return math.Pow(1-math.Abs(2*fbm(wx*size, wy*size*0.7+wx, seed, 4)-1), 15)
	}
	p := hex(0xF6F4F1).mix(hex(0xD9D8DA), 0.8*fbm(wx*2.2, wy*2.2, 5, 3))
	p = p.mix(hex(0x8E8F98), 0.75*vein(7, 1.7))
	p = p.mix(hex(0xB9A27B), 0.6*vein(17, 2.6))
	return p.mix(hex(0xA9ABB2), 0.35*vein(11, 4.5))
}
