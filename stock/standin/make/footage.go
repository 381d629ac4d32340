package main

import "math"

// moving is footage that is drawn: t goes from 0 to 1 over its length.
type moving struct {
	id, name string
	author   int
	licence  int
	price    string
	tags     string
	w, h     int
	seconds  float64
	clear    bool // it has clear parts
	samples  int  // of each pixel on each axis
	draw     func(t float64) drawing
}

// rate is how many pictures a second it has.
const rate = 30

var filmed = []moving{
	{"bokeh-drift", "Bokeh drift", 2, free, "", "lights, bokeh, overlay, screen, black", 540, 960, 4, false, 1, bokehDrift},
	{"pool-light", "Pool light", 0, credit, "", "water, light, overlay, screen, black, summer", 540, 960, 4, false, 1, poolLight},
	{"confetti-fall", "Confetti falling", 4, free, "", "confetti, party, celebration, clear", 540, 960, 4, true, 2, confettiFall},
	{"ink-bloom", "Ink in water", 2, bought, "4.00", "ink, water, smoke, multiply, white", 540, 960, 4, false, 1, inkBloom},
}

// bokehDrift is lamps out of focus that float up and swell, on black for the blend mode screen.
func bokehDrift(t float64) drawing {
	colours := []px{hex(0xFFB45E), hex(0xFFE0A3), hex(0xFF8A5B), hex(0xFFD07A)}
	type lamp struct {
		x, y, r, much float64
		c             px
	}
	var lamps []lamp
	for i := range 46 {
		n := float64(i)
		rounds := 1 + math.Floor(hash(n, 5, 2)*1.99) // whole ones, so that the end meets the beginning
		y := math.Mod(hash(n, 2, 2)+2-t*rounds*0.5*2, 1)*2.1 - 1.05
		x := hash(n, 1, 2) - 0.5 + 0.03*math.Sin(2*math.Pi*(t*rounds+hash(n, 6, 2)))
		swell := 0.55 + 0.45*math.Sin(2*math.Pi*(t+hash(n, 7, 2)))
		lamps = append(lamps, lamp{x, y, 0.02 + 0.085*math.Pow(hash(n, 3, 2), 2), swell * (0.10 + 0.38*hash(n, 4, 2)), colours[i%4]})
	}
	return func(x, y float64) px {
		out := px{0, 0, 0, 1}
		for _, l := range lamps {
			d := length(x-l.x, y-l.y)
			if d < l.r {
				out = out.plus(l.c, l.much*soft(l.r, l.r*0.9, d)*(0.5+0.5*soft(l.r*0.5, l.r*0.97, d)))
			}
		}
		return out
	}
}

// poolLight is the light on the floor of shallow water, on black.
func poolLight(t float64) drawing {
	return func(x, y float64) px {
		light := 0.0
		for i := range 2 {
			s := 3.4 * (1 + 0.55*float64(i))
			a := 2 * math.Pi * t
			wx, wy := x*s+0.42*math.Sin(a+y*5), y*s+0.42*math.Cos(a+x*5)
			near, next, _ := cells(wx, wy, 11+float64(i))
			light += math.Pow(1-clamp((next-near)*1.15), 7) / (1 + float64(i))
		}
		return px{0, 0, 0, 1}.plus(px{0.80, 1, 0.96, 1}, 0.8*light)
	}
}

// confettiFall is paper that turns as it falls, on nothing.
func confettiFall(t float64) drawing {
	colours := []px{hex(0xE4572E), hex(0x2F9C95), hex(0xF3B61F), hex(0xE98AA6), hex(0x5B5F97), hex(0xFFFFFF)}
	type flake struct {
		x, y, turn, tilt, size float64
		c                      px
	}
	var all []flake
	for i := range 130 {
		n := float64(i)
		rounds := 1 + math.Floor(hash(n, 5, 3)*1.6)
		y := math.Mod(hash(n, 2, 3)+t*rounds, 1)*2.2 - 1.1
		x := (hash(n, 1, 3)-0.5)*1.1 + 0.05*math.Sin(2*math.Pi*(t*rounds*2+hash(n, 6, 3)))
		flip := math.Cos(2 * math.Pi * (t*(2+math.Floor(3*hash(n, 7, 3))) + hash(n, 8, 3)))
		all = append(all, flake{x, y, 360 * (t*math.Floor(3*hash(n, 9, 3)-1) + hash(n, 10, 3)), flip, 0.012 + 0.014*hash(n, 11, 3), colours[i%6].times(0.78 + 0.24*math.Abs(flip))})
	}
	return func(x, y float64) px {
		out := px{}
		for _, f := range all {
			if math.Abs(x-f.x)+math.Abs(y-f.y) > 0.07 {
				continue
			}
			dx, dy := turned(x-f.x, y-f.y, f.turn)
			d := -box(dx, dy/math.Max(math.Abs(f.tilt), 0.06), f.size*2, f.size*1.2, 0.002)
			out = f.c.faint(soft(0, 0.003, d)).over(out)
		}
		return out
	}
}

// inkBloom is ink that sinks into water, on white for the blend mode multiply.
func inkBloom(t float64) drawing {
	return func(x, y float64) px {
		front := -1.05 + 2.2*soft(-0.1, 1.05, t)
		wx := x + 0.20*(fbm(x*3, y*3-t*1.1, 1, 4)-0.5)*(0.4+t)
		wy := y + 0.26*(fbm(x*3+5, y*3-t*1.3, 2, 4)-0.5)*(0.4+t)
		plume := fbm(wx*4.5, wy*2.6-t*1.5, 5, 5)
		wide := 0.07 + 0.30*soft(-1, 0.9, wy)*(0.3+t) + 0.10*t
		column := math.Exp(-math.Pow(wx/wide, 2))
		down := soft(front+0.02, front-0.42, wy+0.30*(plume-0.5))
		v := clamp(column * down * (0.25 + 1.6*soft(0.34, 0.66, plume)))
		return px{1, 1, 1, 1}.mix(hex(0x16233F), v)
	}
}
