package main

import "math"

// within is a height that rises over a rim to a dome: from how far inside a place is.
func within(inside, rim, dome float64) float64 {
	if inside <= 0 {
		return 0
	}
	t := math.Min(inside/rim, 1)
	return dome * math.Sqrt(1-(1-t)*(1-t))
}

// slice is one of a citrus fruit.
func slice(peel, pith, flesh, light px) drawing {
	return func(x, y float64) px {
		r, turn := length(x, y), math.Atan2(y, x)
		radius := 0.44 + 0.004*math.Sin(turn*5)
		edge := soft(radius, radius-0.004, r)
		if edge == 0 {
			return px{}
		}
		const n = 9.0
		seg := turn / (2 * math.Pi) * n
		mid := (math.Floor(seg) + 0.5) / n * 2 * math.Pi
		sx, sy := turned(x, y, mid*180/math.Pi)
		// A segment is a drop that begins near the middle.
		along := sx
		half := math.Tan(math.Pi/n)*along - 0.011
		in := math.Min(half-math.Abs(sy), 0.375-length(sx*0.98, sy*1.02))
		p := pith.times(0.97 + 0.05*noise(x*60, y*60, 1))
		if r > 0.40 {
			p = pith.mix(peel, soft(0.402, 0.418, r)).times(0.92 + 0.16*noise(x*70, y*70, 2))
		}
		if in > 0 && along > 0.03 {
			// Vesicles point to the middle.
			a, b, own := cells(along*17+own0(mid), sy*58, 3+mid)
			juice := flesh.mix(light, 0.20+0.55*own*soft(0.02, 0.35, b-a))
			shine := math.Exp(-math.Pow((b-a-0.30)/0.10, 2)) * soft(0.25, 0.9, own)
			juice = juice.times(0.94+0.2*soft(0, 0.35, along)).plus(px{1, 1, 1, 1}, 0.16*shine)
			p = p.mix(juice, soft(0, 0.007, in)).plus(px{1, 1, 1, 1}, 0.10*math.Exp(-in/0.006))
		}
		return p.times(1.05 - 0.10*(x+y)).faint(edge)
	}
}

func own0(v float64) float64 { return math.Mod(v*17.3, 5) }

// leaf has a middle vein and side veins; lobes are how deep its edge is cut.
func leaf(dark, light px, wide, lobes float64) drawing {
	shape := func(x, y float64) (inside, along, aside float64) {
		y += 0.10 * x * x
		along = clamp((x + 0.42) / 0.84)
		half := wide * math.Pow(math.Sin(math.Pi*math.Pow(along, 0.78)), 0.9)
		half *= 1 - lobes*(0.5+0.5*math.Sin(along*44+2*math.Abs(y)*8))
		return half - math.Abs(y), along, y
	}
	height := func(x, y float64) float64 {
		in, along, aside := shape(x, y)
		if in <= 0 {
			return 0
		}
		vein := math.Exp(-math.Pow(aside/0.009, 2)) * 0.018
		side := math.Abs(math.Sin((along - math.Abs(aside)*1.15) * 30))
		return 0.03 + 0.10*math.Sqrt(math.Min(in, 0.2)) + 0.020*math.Sqrt(side)*soft(0, 0.03, math.Abs(aside)) - vein + 0.002*fbm(x*50, y*50, 1, 2)
	}
	return func(x, y float64) px {
		x, y = turned(x, y, -34)
		p := solid(x, y, height, func(x, y float64) px {
			in, along, aside := shape(x, y)
			c := dark.mix(light, 0.30+0.45*along+0.3*soft(0.03, 0, math.Abs(aside))).times(0.9 + 0.2*fbm(x*14, y*14, 3, 3))
			side := math.Abs(math.Sin((along - math.Abs(aside)*1.15) * 30))
			return c.mix(light, 0.5*soft(0.25, 0.0, side)).mix(light.times(1.1), 0.6*soft(0.008, 0.003, math.Abs(aside))).faint(soft(0, 0.004, in))
		}, 0.28)
		if p.A > 0 {
			return p
		}
		stalk := segment(x, y+0.10*x*x, -0.49, 0.012, -0.40, 0)
		return light.times(0.8).faint(soft(0.009, 0.005, stalk))
	}
}

// blob is paint or juice that has splashed.
func blob(c px, seed float64) drawing {
	field := func(x, y float64) float64 {
		r, turn := length(x, y), math.Atan2(y, x)
		arms := 0.0
		for i := range 13 {
			n := float64(i)
			at := n/13*2*math.Pi + (hash(n, 1, seed)-0.5)*0.34
			long := 0.17 + 0.22*hash(n, 2, seed)
			d := math.Abs(math.Remainder(turn-at, 2*math.Pi)) * r
			thin := 0.020 + 0.026*hash(n, 3, seed)
			end := length(x-long*math.Cos(at), y-long*math.Sin(at))
			arm := math.Exp(-math.Pow(d/(thin*(1.15-0.55*r/long)), 2)) * soft(long+0.01, long-0.03, r)
			arms = math.Max(arms, math.Max(arm*0.9, math.Exp(-math.Pow(end/(thin*1.25), 2))))
			// A drop that has flown off.
			far := long + 0.06 + 0.06*hash(n, 4, seed)
			size := 0.010 + 0.018*hash(n, 5, seed)
			arms = math.Max(arms, math.Exp(-math.Pow(length(x-far*math.Cos(at+0.06), y-far*math.Sin(at+0.06))/size, 2)))
		}
		middle := math.Exp(-math.Pow(r/(0.185+0.03*around(turn, 1.4, seed)), 4))
		return math.Max(middle, arms) + 0.30*middle*arms
	}
	return func(x, y float64) px {
		const level = 0.42
		v := field(x, y)
		p := solid(x, y, func(x, y float64) float64 { return within(field(x, y)-level, 0.5, 0.075) }, func(x, y float64) px { return c }, 0.85)
		return p.faint(soft(level, level+0.05, v))
	}
}

// burst is a sign with points, flat, with a second one behind it.
func burst(front, behind px, n float64) drawing {
	return func(x, y float64) px {
		edge := func(x, y, size float64) float64 {
			turn := math.Atan2(y, x) / (2 * math.Pi) * n
			k := math.Abs(turn-math.Floor(turn)-0.5) * 2
			long := 1.0 + 0.10*math.Sin(math.Floor(turn)*2.4)
			return size*(0.76+0.24*long*(1-k)*1.1) - length(x, y)
		}
		out := behind.faint(soft(0, 0.004, edge(x-0.016, y-0.020, 0.40)))
		return front.times(1.03 - 0.08*(y+0.4)).faint(soft(0, 0.004, edge(x, y, 0.375))).over(out)
	}
}

// ribbon is a band with folded ends.
func ribbon(c px) drawing {
	return func(x, y float64) px {
		y += 0.06 * math.Cos(x*3.4)
		cloth := func(k float64) px {
			return c.times(k * (0.97 + 0.04*noise(x*260, y*260, 1)) * (0.93 + 0.14*soft(-0.11, 0.04, -y)))
		}
		out := px{}
		// The ends behind, cut to a swallowtail.
		for s := -1.0; s <= 1; s += 2 {
			ex, ey := x*s, y-0.050
			notch := 0.485 - 0.05*(1-math.Abs(ey)/0.085)
			d := math.Min(math.Min(ex-0.30, notch-ex), 0.085-math.Abs(ey))
			out = cloth(0.74).faint(soft(0, 0.003, d)).over(out)
			fold := math.Min(math.Min(ex-0.30, 0.372-ex), math.Min(ey+0.135-(0.372-ex)*1.0, 0.085-ey))
			if ex > 0.30 && ex < 0.372 && ey > 0.035 {
				out = cloth(0.45).faint(soft(0, 0.003, math.Min(fold, 0.085-ey-(ex-0.30)*0.69))).over(out)
			}
		}
		d := math.Min(0.372-math.Abs(x), 0.088-math.Abs(y))
		front := cloth(1.06)
		line := math.Abs(math.Abs(y) - 0.070)
		front = front.mix(px{1, 1, 1, 1}, 0.5*soft(0.0035, 0.0015, line))
		return front.faint(soft(0, 0.003, d)).over(out)
	}
}

func confetti(x, y float64) px {
	colours := []px{hex(0xE4572E), hex(0x2F9C95), hex(0xF3B61F), hex(0xE98AA6), hex(0x5B5F97), hex(0xFFFFFF)}
	out := px{}
	for i := range 90 {
		n := float64(i)
		r := 0.48 * math.Sqrt(hash(n, 1, 3))
		a := hash(n, 2, 3) * 2 * math.Pi
		cx, cy := r*math.Cos(a), r*math.Sin(a)*0.96
		px0, py0 := turned(x-cx, y-cy, hash(n, 3, 3)*360)
		tilt := 0.35 + 0.65*hash(n, 4, 3)
		size := 0.014 + 0.016*hash(n, 5, 3)
		var d float64
		switch i % 4 {
		case 0:
			d = size - length(px0, py0/tilt)
		case 1: // a streamer
			d = 0.005 - math.Abs(py0-0.012*math.Sin(px0*90))
			d = math.Min(d, size*2.2-math.Abs(px0))
		default:
			d = -box(px0, py0/tilt, size*2, size*1.1, 0.002)
		}
		c := colours[i%len(colours)].times(0.80 + 0.35*tilt*hash(n, 6, 3))
		out = c.faint(soft(0, 0.003, d)).over(out)
	}
	return out
}

// brushed is how much paint of a dry brush lies at a place along a stroke.
func brushed(along, aside, wide, seed float64) float64 {
	edge := wide * (0.92 + 0.16*noise(along*9, 1, seed) + 0.07*noise(along*50, 2, seed))
	hair := noise(aside*190+2*noise(along*3, 0, seed+4), along*2.5, seed+1)
	dry := soft(0.45, 1.0, along) * 0.9
	return soft(0, 0.008, edge-math.Abs(aside)) * soft(dry-0.25, dry+0.15, hair+0.12)
}

func arrow(c px) drawing {
	return func(x, y float64) px {
		best := 0.0
		// An arc from the lower left to the right, and two strokes of its point.
		r, turn := length(x+0.05, y-0.33), math.Atan2(y-0.33, x+0.05)
		along := (turn + 2.75) / 2.25
		if along > 0 && along < 1 {
			best = brushed(along*0.55, r-0.44+0.02*math.Sin(along*5), 0.030*(0.7+0.5*along), 3)
		}
		tipX, tipY := -0.05+0.44*math.Cos(-0.50), 0.33+0.44*math.Sin(-0.50)
		for i, a := range []float64{-168, -72} {
			dx, dy := math.Cos(a*math.Pi/180), math.Sin(a*math.Pi/180)
			px0, py0 := x-tipX, y-tipY
			along, aside := px0*dx+py0*dy, py0*dx-px0*dy
			if along > -0.02 && along < 0.20 {
				best = math.Max(best, brushed(along*1.6, aside+0.02*math.Sin(along*9), 0.027*(1-along*1.2), 7+float64(i)))
			}
		}
		return c.faint(best)
	}
}

func sparkle(c px) drawing {
	return func(x, y float64) px {
		v := 0.0
		for _, s := range [][3]float64{{-0.06, 0.04, 0.42}, {0.30, -0.30, 0.17}, {-0.34, -0.30, 0.11}, {0.30, 0.32, 0.10}} {
			dx, dy := math.Abs(x-s[0])/s[2], math.Abs(y-s[1])/s[2]
			d := math.Pow(dx, 0.55) + math.Pow(dy, 0.55)
			v = math.Max(v, soft(1.02, 0.98, d))
			v = math.Max(v, 0.35*math.Exp(-(dx*dx+dy*dy)/0.06))
		}
		return c.mix(px{1, 1, 1, 1}, 0.5*math.Exp(-(x*x+y*y)/0.02)).faint(v)
	}
}

func smokeRing(x, y float64) px {
	y *= 1.25
	turn := math.Atan2(y, x)
	r := length(x, y)
	wob := 0.05 * (around(turn, 1.8, 3) - 0.5)
	curl := fbm(3+turn*1.1, (r-0.30)*12, 5, 4)
	d := (r - 0.31 - wob) / (0.055 + 0.05*around(turn+1, 1.2, 7))
	v := math.Exp(-d*d) * (0.35 + 0.9*fbm(x*7+2*curl, y*7-2*curl, 8, 4))
	return hex(0xF2F3F5).times(0.90 + 0.12*curl).faint(0.95 * v)
}

func drop(c px) drawing {
	field := func(x, y float64) float64 {
		y -= 0.08
		k := soft(-0.50, 0.05, y)
		r := 0.30 * math.Pow(k, 0.85)
		if y > 0 {
			r = math.Sqrt(math.Max(0.30*0.30-y*y, 0))
		}
		return r - math.Abs(x)
	}
	return func(x, y float64) px {
		in := field(x, y)
		if in <= 0 {
			return px{}
		}
		p := solid(x, y, func(x, y float64) float64 { return within(field(x, y), 0.22, 0.20) }, func(x, y float64) px {
			return c.mix(px{1, 1, 1, 1}, 0.55*soft(0.05, 0.36, y))
		}, 0.9)
		p.A = (0.52 + 0.48*math.Exp(-in/0.035)) * soft(0, 0.004, in)
		shine := soft(0.05, 0.035, length((x+0.11)*1.6, y+0.00)) + 0.8*soft(0.022, 0.012, length(x+0.07, y-0.13))
		return p.mix(px{1, 1, 1, 1}, clamp(shine))
	}
}

func cloud(x, y float64) px {
	field := 0.0
	for _, b := range [][3]float64{{-0.25, 0.06, 0.15}, {-0.06, -0.07, 0.21}, {0.17, -0.01, 0.17}, {0.31, 0.08, 0.12}, {0.02, 0.09, 0.20}, {-0.14, 0.10, 0.15}} {
		d := length(x-b[0], (y-b[1])*1.12)
		field = math.Max(field, 1-d/b[2]+0.30*(fbm(x*11, y*11, 4, 4)-0.5))
	}
	light := fbm(x*5+2, y*5-1.2, 9, 4)
	p := hex(0xFFFFFF).mix(hex(0xB9C6DA), 0.75*soft(-0.06, 0.24, y+0.10*(light-0.5)))
	return p.mix(hex(0xFFF3E2), 0.4*soft(0.1, -0.3, x+y)).faint(soft(0.02, 0.17, field))
}

func bean(x, y float64) px {
	x, y = turned(x, y, 32)
	in := func(x, y float64) float64 { return 1 - length(x/0.40, y/0.27) }
	line := func(x, y float64) float64 { return y - 0.035*math.Sin(x*8) }
	height := func(x, y float64) float64 {
		h := within(in(x, y), 0.9, 0.20)
		if h == 0 {
			return 0
		}
		return h - 0.075*math.Exp(-math.Pow(line(x, y)/0.021, 2)) + 0.004*fbm(x*26, y*60, 2, 3)
	}
	p := solid(x, y, height, func(x, y float64) px {
		c := hex(0x5C351D).mix(hex(0x84512C), fbm(x*9, y*16, 5, 3))
		return c.mix(hex(0xC08F5A), 0.35*math.Exp(-math.Pow(line(x, y)/0.010, 2)))
	}, 0.42)
	return p.faint(soft(0, 0.012, in(x, y)))
}

func petal(c, tip px) drawing {
	in := func(x, y float64) float64 {
		k := clamp((0.42 - y) / 0.84)
		half := 0.30 * math.Pow(math.Sin(math.Pi*math.Pow(k, 0.62)), 0.8)
		notch := 0.05 * math.Exp(-math.Pow(x/0.06, 2)) * soft(0.75, 1, k)
		return half - math.Abs(x-0.05*math.Sin(3*y)) - notch
	}
	return func(x, y float64) px {
		x, y = turned(x, y, 24)
		height := func(x, y float64) float64 {
			i := in(x, y)
			if i <= 0 {
				return 0
			}
			return 0.05 + 0.30*math.Sqrt(math.Min(i, 0.16)) - 0.05*math.Cos(x*14) + 0.006*math.Sin(math.Atan2(x, 0.55-y)*60)
		}
		p := solid(x, y, height, func(_, y float64) px { return tip.mix(c, soft(-0.4, 0.35, y)) }, 0.2)
		return p.faint(soft(0, 0.006, in(x, y)) * 0.97)
	}
}

// star has five round arms.
func star(c px) drawing {
	in := func(x, y float64) float64 {
		best := 9.0
		// Five half planes twice round make a star; their corners are rounded by a mean.
		turn := math.Atan2(x, -y)
		a := math.Remainder(turn, 2*math.Pi/5)
		r := length(x, y)
		px0, py0 := r*math.Cos(a), math.Abs(r*math.Sin(a))
		// From the tip (0.44, 0) to the inner corner.
		ix, iy := 0.21*math.Cos(math.Pi/5), 0.21*math.Sin(math.Pi/5)
		ex, ey := ix-0.44, iy
		k := 1 / length(ex, ey)
		best = math.Min(best, ((px0-0.44)*ey-(py0)*ex)*-k)
		return best - 0.0
	}
	return func(x, y float64) px {
		i := in(x, y)
		p := solid(x, y, func(x, y float64) float64 { return within(in(x, y), 0.10, 0.10) }, func(_, y float64) px { return c.times(1.05 - 0.25*y) }, 0.75)
		return p.faint(soft(0, 0.006, i))
	}
}

func stroke(c px) drawing {
	return func(x, y float64) px {
		y += 0.03*math.Sin(x*5) + 0.02*x
		along := (x + 0.47) / 0.94
		if along < 0 || along > 1 {
			return px{}
		}
		return c.times(0.93 + 0.12*noise(y*160, along*3, 5)).faint(brushed(along*0.9+0.02, y, 0.135*soft(-0.01, 0.05, along)*(0.86+0.2*soft(0, 0.4, along)), 12))
	}
}

// torn is a piece of paper that was torn off.
func torn(x, y float64) px {
	edge := func(v float64, seed float64) float64 {
		return 0.020*(fbm(v*9, 1, seed, 4)-0.5) + 0.006*(noise(v*90, 2, seed)-0.5)
	}
	inner := math.Min(math.Min(0.24+edge(x, 1)-y, y+0.24+edge(x, 2)), math.Min(0.44-x, x+0.44))
	outer := math.Min(math.Min(0.26+edge(x, 3)*1.2-y, y+0.255+edge(x, 4)*1.2), math.Min(0.44-x, x+0.44))
	h := func(x, y float64) float64 { return fbm(x*40, y*40, 2, 3) * 0.01 }
	paper := hex(0xF6F1E6).times(0.97 - relief(x, y, 0.07, h))
	white := hex(0xFFFFFF).times(0.93 + 0.07*noise(x*200, y*200, 7))
	return paper.faint(soft(0, 0.003, inner)).over(white.faint(soft(0, 0.003, outer)))
}

// tape is a strip of paper tape with stripes.
func tape(c, stripe px) drawing {
	return func(x, y float64) px {
		x, y = turned(x, y, -8)
		zig := 0.010 * math.Abs(math.Mod(y*26+10, 1)*2-1)
		d := math.Min(0.44-zig-math.Abs(x), 0.085-math.Abs(y))
		s := (x + y) * 15
		p := c.mix(stripe, soft(0.48, 0.50, math.Abs(s-math.Floor(s)-0.5)*2))
		p = p.times(0.95 + 0.08*fbm(x*30, y*200, 3, 2))
		return p.faint(0.88 * soft(0, 0.003, d))
	}
}

func bubble(x, y float64) px {
	r := length(x, y) / 0.44
	if r > 1 {
		return px{}
	}
	thick := fbm(x*3+0.6*y, y*3-x, 4, 3)*2.2 + r*2.4
	film := px{0.6 + 0.4*math.Cos(6.28*thick), 0.6 + 0.4*math.Cos(6.28*thick+2.1), 0.65 + 0.35*math.Cos(6.28*thick+4.2), 1}
	rim := math.Pow(r, 7)
	shine := soft(0.30, 0.10, length((x+0.17)*1.5+0.3*(y+0.2), y+0.19)*3) + 0.55*soft(0.09, 0.02, length(x-0.2, y-0.23))
	p := film.mix(px{1, 1, 1, 1}, clamp(shine))
	return px{p.R, p.G, p.B, clamp(0.05+0.62*rim+0.22*math.Pow(r, 2)+0.9*shine) * soft(1, 0.985, r)}
}

func heart(c px) drawing {
	in := func(x, y float64) float64 {
		x, y = math.Abs(x)*2.5, (0.06-y)*2.5
		// The curve (x^2 + (1.2 y - 0.8 sqrt x)^2) = 1, as how far inside.
		return (1 - length(x, 1.15*y-0.72*math.Sqrt(x))) * 0.35
	}
	return func(x, y float64) px {
		p := solid(x, y, func(x, y float64) float64 { return within(in(x, y), 0.26, 0.18) }, func(_, y float64) px { return c.times(1.02 - 0.3*y) }, 0.8)
		return p.faint(soft(0, 0.005, in(x, y)))
	}
}
