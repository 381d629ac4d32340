package photographed

import (
	"math"
	"math/rand/v2"
)

type levels = [3]float64

func mixed(a, b levels, t float64) (out levels) {
	for c := range 3 {
		out[c] = a[c] + (b[c]-a[c])*t
	}
	return out
}

func scaled(a levels, k float64) levels { return levels{a[0] * k, a[1] * k, a[2] * k} }

// hash is chance at a point of a lattice, 0..1.
func hash(x, y int64, seed uint64) float64 {
	v := uint64(x)*0x9E3779B97F4A7C15 ^ uint64(y)*0xC2B2AE3D27D4EB4F ^ seed*0x165667B19E3779F9
	v ^= v >> 29
	v *= 0xBF58476D1CE4E5B9
	v ^= v >> 32
	return float64(v>>40) / (1 << 24)
}

// noise is smooth chance, -1..1, of one unit's grain.
func noise(x, y float64, seed uint64) float64 {
	fx, fy := math.Floor(x), math.Floor(y)
	ease := func(t float64) float64 { return t * t * (3 - 2*t) }
	tx, ty := ease(x-fx), ease(y-fy)
	at := func(i, j int64) float64 { return hash(int64(fx)+i, int64(fy)+j, seed) }
	top := at(0, 0) + (at(1, 0)-at(0, 0))*tx
	low := at(0, 1) + (at(1, 1)-at(0, 1))*tx
	return 2*(top+(low-top)*ty) - 1
}

// layered is noise of four sizes.
func layered(x, y float64, seed uint64) (sum float64) {
	k := .5
	for o := range uint64(4) {
		sum += k * noise(x, y, seed+o)
		x, y, k = 2*x, 2*y, k/2
	}
	return sum
}

// Sweep is paper or card that is lit from above, and darker at the corners.
func Sweep(colour levels, w, h int, fall float64) Ground {
	return func(x, y float64) levels {
		u, v := x/float64(w)-.45, y/float64(h)-.35
		return scaled(colour, 1-fall*(u*u+v*v))
	}
}

// Paper is a sweep with a fine grain and a fold or two.
func Paper(colour levels, w, h int, chance uint64) Ground {
	even := Sweep(colour, w, h, .25)
	side := float64(min(w, h))
	return func(x, y float64) levels {
		u, v := x/side, y/side
		k := 1 + .035*layered(u*14, v*14, chance) + .05*noise(u*2.5, v*2.5, chance+9)
		return scaled(even(x, y), k)
	}
}

// Wood is planks with their grain.
func Wood(light, dark levels, w, h int, chance uint64) Ground {
	side := float64(min(w, h))
	return func(x, y float64) levels {
		u, v := x/side, y/side
		plank := math.Floor(v * 4)
		edge := math.Abs(v*4-plank-.5) * 2
		long := u + hash(int64(plank), 3, chance)*9
		g := layered(long*1.5, v*26+plank*7, chance+uint64(int64(plank)+16))
		ring := math.Sin(2 * math.Pi * (v*7 + .6*layered(long*.8, v*3, chance+5)))
		c := mixed(light, dark, min(max(.45+.5*g+.14*ring, 0), 1))
		if edge > .965 {
			c = scaled(c, .45)
		}
		return scaled(c, .93+.14*hash(int64(plank), 1, chance))
	}
}

// Linen is woven cloth.
func Linen(colour levels, w, h int, chance uint64) Ground {
	side := float64(min(w, h))
	return func(x, y float64) levels {
		u, v := x/side, y/side
		weave := math.Sin(u*2*math.Pi*75)*math.Sin(v*2*math.Pi*75)*.05 +
			.07*noise(u*140, v*9, chance) + .07*noise(u*9, v*140, chance+1)
		return scaled(colour, .93+weave+.06*layered(u*3, v*3, chance+2))
	}
}

// Stone is speckled: many small grains of other colours.
func Stone(colour levels, w, h int, chance uint64) Ground {
	side := float64(min(w, h))
	return func(x, y float64) levels {
		u, v := x/side*36, y/side*36
		c := scaled(colour, 1+.1*layered(u/5, v/5, chance))
		for j := int64(-1); j <= 1; j++ {
			for i := int64(-1); i <= 1; i++ {
				gx, gy := int64(math.Floor(u))+i, int64(math.Floor(v))+j
				if hash(gx, gy, chance+1) > .55 {
					continue
				}
				dx := u - float64(gx) - hash(gx, gy, chance+2)
				dy := v - float64(gy) - hash(gx, gy, chance+3)
				r := .12 + .3*hash(gx, gy, chance+4)
				if t := (r - math.Hypot(dx, dy)) * 8; t > 0 {
					tone := .5 + .75*hash(gx, gy, chance+5)
					c = mixed(c, scaled(colour, tone), min(t, 1))
				}
			}
		}
		return c
	}
}

// Checks is a table cloth with squares.
func Checks(a, b levels, w, h int, chance uint64) Ground {
	side := float64(min(w, h))
	cloth := Linen(levels{255, 255, 255}, w, h, chance)
	return func(x, y float64) levels {
		u, v := x/side*7, y/side*7
		band := func(t float64) float64 {
			t -= math.Floor(t)
			return min(max((math.Abs(t-.5)-.25)*30+.5, 0), 1)
		}
		c := mixed(a, b, (band(u)+band(v))/2)
		k := cloth(x, y)
		return levels{c[0] * k[0] / 245, c[1] * k[1] / 245, c[2] * k[2] / 245}
	}
}

// Kitchen is a laid table: boards, plates, cloths and cups lie about on wood, a little
// out of focus.
func Kitchen(w, h int, chance uint64) Ground {
	r := rand.New(rand.NewPCG(chance, 11))
	table := Wood(levels{206, 168, 120}, levels{142, 98, 62}, w, h, chance)
	colours := []levels{
		{228, 222, 210}, {62, 88, 96}, {186, 72, 48}, {120, 134, 92}, {236, 196, 110},
		{70, 66, 64}, {160, 176, 186}, {214, 140, 96},
	}
	type piece struct {
		x, y, w, h, turn, round float64
		colour                  levels
	}
	side := float64(min(w, h))
	pieces := make([]piece, 16)
	for i := range pieces {
		a := r.Float64() * 2 * math.Pi
		far := side * (.32 + .45*r.Float64())
		p := piece{
			x: float64(w)/2 + far*math.Cos(a)*1.2, y: float64(h)/2 + far*math.Sin(a),
			w: side * (.06 + .16*r.Float64()), h: side * (.06 + .12*r.Float64()),
			turn: r.Float64() * math.Pi, colour: colours[r.IntN(len(colours))],
		}
		p.round = min(p.w, p.h) * r.Float64()
		pieces[i] = p
	}
	soft := side * .006
	return func(x, y float64) levels {
		c := table(x, y)
		for _, p := range pieces {
			sin, cos := math.Sincos(p.turn)
			dx, dy := x-p.x, y-p.y
			u, v := math.Abs(dx*cos+dy*sin)-p.w+p.round, math.Abs(dy*cos-dx*sin)-p.h+p.round
			d := math.Hypot(max(u, 0), max(v, 0)) + min(max(u, v), 0) - p.round
			if shade := 1 - d/(side*.05); shade > 0 && d > 0 {
				c = scaled(c, 1-.3*shade*shade)
			}
			if t := .5 - d/soft; t > 0 {
				tone := 1 - .18*min(max((dx+dy)/(p.w+p.h), -1), 1) + .04*noise(x/side*30, y/side*30, chance)
				c = mixed(c, scaled(p.colour, tone), min(t, 1))
			}
		}
		return c
	}
}
