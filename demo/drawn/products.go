// Package drawn draws the products of the sample world: solids under studio
// light, cut out from what lies behind them. It takes minutes, so the pictures
// are kept as files (see package demo) and drawn again only when a product is
// changed.
package drawn

import (
	"image"
	"math"
	"slices"

	"billow/demo/ray"
)

// products are the scenes to draw, by the products' IDs.
var products = map[string]func() *ray.Scene{
	"lantern": func() *ray.Scene { return lantern(0x1E6A66) }, "lantern-rust": func() *ray.Scene { return lantern(0xA8432A) },
	"mug": func() *ray.Scene { return mug(0xF3ECDD, 0x1F5560) }, "mug-moss": func() *ray.Scene { return mug(0x6E8560, 0xF0E6D0) }, "mug-ink": func() *ray.Scene { return mug(0x2B4257, 0xE9DFC9) },
	"kettle": func() *ray.Scene { return kettle(0xC9472B) }, "kettle-lake": func() *ray.Scene { return kettle(0x2F6F86) },
	"stove": stove, "tin": func() *ray.Scene { return tin(0x8FA387) }, "tin-honey": func() *ray.Scene { return tin(0xD9A441) },
	"spoons": func() *ray.Scene { return spoons(0xB4693A, 0xC98A50, 0x9C5830) }, "spoons-walnut": func() *ray.Scene { return spoons(0x6B4630, 0x7C5238, 0x583826) },
}

// IDs are the products that can be drawn, in order of the alphabet.
func IDs() []string {
	ids := make([]string, 0, len(products))
	for id := range products {
		ids = append(ids, id)
	}
	slices.Sort(ids)
	return ids
}

// Picture draws a product on nothing, with so many pixels on the longer side.
// It panics when there is no such product.
func Picture(id string, side int) *image.NRGBA {
	s := products[id]()
	height := side
	if s.Aspect > 1 {
		height = int(float64(side) / s.Aspect)
	}
	return s.Render(height)
}

var (
	v     = ray.V
	brass = &ray.Material{Colour: ray.RGB(0xD9A64E), Metal: true, Rough: 0.22}
	steel = &ray.Material{Colour: ray.RGB(0xC9CDD0), Metal: true, Rough: 0.28}
	iron  = &ray.Material{Colour: ray.RGB(0x3A3D40), Metal: true, Rough: 0.42}
	cork  = &ray.Material{Colour: ray.RGB(0xB98A57), Rough: 0.9, Gloss: 0.3, Detail: grain(9, 0.25)}
)

func enamel(hex uint32) *ray.Material {
	return &ray.Material{Colour: ray.RGB(hex), Rough: 0.06, Gloss: 1, Detail: speckles}
}

// speckles are the small dark drops of enamel ware.
func speckles(p ray.Vec, c ray.Vec) ray.Vec {
	n := ray.Noise(p.Mul(34)) + 0.5*ray.Noise(p.Mul(71))
	if n > 0.92 {
		return c.Mix(ray.RGB(0x22303A), min((n-0.92)*14, 0.85))
	}
	return c
}

// grain is wood along the x axis of a part.
func grain(fine, depth float64) func(p, c ray.Vec) ray.Vec {
	return func(p, c ray.Vec) ray.Vec {
		q := v(p.X*1.3, p.Y*fine, p.Z*fine)
		rings := math.Sin((p.Y*fine*2.2 + p.Z*fine + 1.6*ray.Noise(q.Mul(0.8))) * 3)
		fibre := ray.Noise(v(p.X*5, p.Y*fine*9, p.Z*fine*9))
		return c.Mul(1 + depth*(0.55*rings+0.5*fibre))
	}
}

func camera(s *ray.Scene, aim ray.Vec, tilt, turn, height, aspect float64) *ray.Scene {
	t, r := tilt*math.Pi/180, turn*math.Pi/180
	s.Aim, s.Height, s.Aspect = aim, height, aspect
	s.Eye = aim.Add(v(math.Sin(r)*math.Cos(t), math.Sin(t), math.Cos(r)*math.Cos(t)).Mul(8))
	return s
}

func part(s ray.Solid, m *ray.Material, centre ray.Vec, radius float64) ray.Part {
	return ray.Part{Solid: s, Material: m, Centre: centre, Radius: radius}
}

func mug(enamelled, rimmed uint32) *ray.Scene {
	body := enamel(enamelled)
	wall := ray.Wall(0.045, [2]float64{0.02, -0.62}, [2]float64{0.5, -0.62}, [2]float64{0.56, -0.57}, [2]float64{0.62, 0.6})
	rim := ray.At(v(0, 0.6, 0), ray.Ring(0.625, 0.034))
	ear := ray.Wire(0.062, ray.Arc(18, func(t float64) ray.Vec {
		a := (1 - 2*t) * math.Pi * 0.52
		return v(0.57+0.40*math.Cos(a)-0.02, 0.03+0.40*math.Sin(a)*0.95, 0)
	})...)
	flat := func(p ray.Vec) float64 { return ear(v(p.X, p.Y, p.Z*0.62)) }
	band := *body
	band.Colour, band.Detail = ray.RGB(rimmed), nil
	body.Detail = func(p, c ray.Vec) ray.Vec {
		if p.Y < -0.535 {
			return ray.RGB(rimmed)
		}
		return speckles(p, c)
	}
	return camera(&ray.Scene{Parts: []ray.Part{
		part(ray.SpunY(24, ray.Blend(wall, flat, 0.06)), body, v(0.1, 0, 0), 1.2),
		part(rim, &band, v(0, 0.6, 0), 0.7),
	}}, v(0.15, -0.02, 0), 17, 0, 1.75, 1.12)
}

func lantern(painted uint32) *ray.Scene {
	paint := &ray.Material{Colour: ray.RGB(painted), Rough: 0.1, Gloss: 0.9}
	glass := &ray.Material{Colour: ray.RGB(0xF4FAF6), Rough: 0.02, Glass: 0.9}
	flame := &ray.Material{Colour: ray.RGB(0xFFB347), Rough: 1, Glow: v(3.4, 1.75, 0.5)}
	tank := ray.Turned(0.03, ray.Curve(12, [2]float64{0.01, -1.0}, [2]float64{0.46, -1.0}, [2]float64{0.55, -0.93},
		[2]float64{0.55, -0.72}, [2]float64{0.44, -0.60}, [2]float64{0.2, -0.52}, [2]float64{0.01, -0.5})...)
	burner := ray.Turned(0.01, [2]float64{0, -0.54}, [2]float64{0.24, -0.54}, [2]float64{0.24, -0.44}, [2]float64{0.13, -0.38}, [2]float64{0, -0.36})
	globe := ray.Wall(0.03, ray.Curve(12, [2]float64{0.23, -0.46}, [2]float64{0.36, -0.3}, [2]float64{0.41, -0.06},
		[2]float64{0.36, 0.18}, [2]float64{0.25, 0.36}, [2]float64{0.22, 0.42})...)
	hood := ray.Turned(0.015, [2]float64{0, 0.42}, [2]float64{0.34, 0.42}, [2]float64{0.26, 0.52}, [2]float64{0.2, 0.56},
		[2]float64{0.2, 0.72}, [2]float64{0.30, 0.76}, [2]float64{0.24, 0.86}, [2]float64{0.12, 0.94}, [2]float64{0, 0.95})
	side := func(x float64) ray.Solid {
		return ray.Wire(0.04, ray.Arc(14, func(t float64) ray.Vec {
			y := -0.72 + 1.36*t
			bow := 0.14 * math.Pow(math.Sin(t*math.Pi), 0.6)
			return v(x*(0.5-0.26*t*t+bow*0.9), y, 0)
		})...)
	}
	guard := func(y, r float64) ray.Solid { return ray.At(v(0, y, 0), ray.Ring(r, 0.016)) }
	bail := ray.Wire(0.018, ray.Arc(22, func(t float64) ray.Vec {
		a := math.Pi * (0.02 + 0.96*t)
		return v(0.43*math.Cos(a), 0.42+0.74*math.Sin(a), 0.02)
	})...)
	wick := ray.Blend(ray.At(v(0, -0.24, 0), ray.Ellipsoid(v(0.075, 0.14, 0.06))), ray.Rod(v(0, -0.2, 0), v(0.01, -0.02, 0), 0.045, 0.006), 0.06)
	knob := ray.At(v(0.42, -0.56, 0.2), ray.Union(ray.Ball(0.055), ray.Rod(v(0, 0, 0), v(-0.2, 0.05, -0.1), 0.02, 0.02)))
	return camera(&ray.Scene{Parts: []ray.Part{
		part(tank, paint, v(0, -0.75, 0), 0.75), part(burner, brass, v(0, -0.45, 0), 0.3),
		part(globe, glass, v(0, 0, 0), 0.66), part(hood, paint, v(0, 0.68, 0), 0.5),
		part(ray.Union(side(1), side(-1)), steel, v(0, 0, 0), 1.1),
		part(ray.Union(guard(-0.2, 0.44), guard(0.12, 0.42), guard(-0.68, 0.53)), brass, v(0, -0.2, 0), 0.75),
		part(bail, steel, v(0, 0.75, 0.06), 0.75), part(wick, flame, v(0, -0.16, 0), 0.25),
		part(knob, brass, v(0.4, -0.56, 0.2), 0.3),
	}, Glow: []ray.Glow{{At: v(0, -0.12, 0.1), Colour: v(1.7, 0.85, 0.28), Reach: 0.38}}},
		v(0, 0.0, 0), 9, 22, 2.46, 0.62)
}

func kettle(enamelled uint32) *ray.Scene {
	pot := enamel(enamelled)
	body := ray.Turned(0.03, ray.Curve(12, [2]float64{0.01, -0.62}, [2]float64{0.56, -0.62}, [2]float64{0.72, -0.5}, [2]float64{0.74, -0.2},
		[2]float64{0.62, 0.12}, [2]float64{0.4, 0.3}, [2]float64{0.30, 0.34}, [2]float64{0.01, 0.34})...)
	spout := ray.Union(ray.Rod(v(-0.5, -0.28, 0), v(-0.9, 0.12, 0), 0.16, 0.085), ray.Rod(v(-0.9, 0.12, 0), v(-1.02, 0.32, 0), 0.085, 0.07))
	hole := ray.Rod(v(-1.0, 0.26, 0), v(-1.08, 0.5, 0), 0.048, 0.055)
	lid := ray.Turned(0.02, [2]float64{0, 0.34}, [2]float64{0.33, 0.34}, [2]float64{0.3, 0.4}, [2]float64{0.16, 0.46}, [2]float64{0, 0.47})
	knob := ray.Union(ray.At(v(0, 0.58, 0), ray.Ellipsoid(v(0.085, 0.07, 0.085))), ray.Rod(v(0, 0.44, 0), v(0, 0.56, 0), 0.035, 0.035))
	bail := ray.Wire(0.026, ray.Arc(24, func(t float64) ray.Vec {
		a := math.Pi * (0.03 + 0.94*t)
		return v(0.6*math.Cos(a), 0.2+0.78*math.Sin(a), 0)
	})...)
	grip := ray.Wire(0.062, ray.Arc(10, func(t float64) ray.Vec {
		a := math.Pi * (0.36 + 0.28*t)
		return v(0.6*math.Cos(a), 0.2+0.78*math.Sin(a), 0)
	})...)
	lug := func(x float64) ray.Solid { return ray.At(v(x, 0.2, 0), ray.Box(v(0.035, 0.085, 0.06), 0.02)) }
	spin := func(s ray.Solid) ray.Solid { return ray.SpunY(-18, s) }
	rim := ray.At(v(0, 0.35, 0), ray.Ring(0.335, 0.022))
	return camera(&ray.Scene{Parts: []ray.Part{
		part(spin(ray.Without(ray.Blend(body, spout, 0.1), hole)), pot, v(-0.15, -0.1, 0), 1.25),
		part(lid, pot, v(0, 0.4, 0), 0.4), part(rim, iron, v(0, 0.35, 0), 0.4),
		part(knob, cork, v(0, 0.55, 0), 0.2), part(spin(bail), steel, v(0, 0.55, 0), 0.8),
		part(spin(grip), cork, v(0, 0.9, 0), 0.5), part(spin(ray.Union(lug(0.6), lug(-0.6))), steel, v(0, 0.2, 0), 0.75),
	}}, v(-0.12, 0.12, 0), 14, 0, 2.06, 1.04)
}

func stove() *ray.Scene {
	plate := &ray.Material{Colour: ray.RGB(0xB9BEC2), Metal: true, Rough: 0.34,
		Detail: func(p, c ray.Vec) ray.Vec { return c.Mul(1 + 0.05*ray.Noise(v(p.X*3, p.Y*90, p.Z*3))) }}
	round, long := ray.Rod(v(0, -0.22, -1), v(0, -0.22, 1), 0.055, 0.055), ray.At(v(0, 0.1, 0), ray.Box(v(0.035, 0.13, 1), 0.03))
	slots := func(p ray.Vec) float64 {
		// The same five holes side by side: only the nearest counts.
		p.X -= 0.19 * math.Round(min(max(p.X/0.19, -2), 2))
		return min(round(p), long(p))
	}
	wall := func(s ray.Solid) ray.Solid { return ray.Without(s, slots) }
	front := wall(ray.At(v(0, -0.02, 0.56), ray.Box(v(0.62, 0.42, 0.022), 0.012)))
	back := wall(ray.At(v(0, -0.02, -0.56), ray.Box(v(0.62, 0.42, 0.022), 0.012)))
	turn := func(s ray.Solid) ray.Solid { return func(p ray.Vec) float64 { return s(v(p.Z, p.Y, -p.X)) } }
	tray := ray.At(v(0, -0.36, 0), ray.Box(v(0.58, 0.025, 0.54), 0.015))
	var legs, bars []ray.Solid
	for _, x := range []float64{-0.56, 0.56} {
		for _, z := range []float64{-0.5, 0.5} {
			legs = append(legs, ray.Rod(v(x, -0.4, z), v(x*1.1, -0.62, z*1.1), 0.035, 0.03))
		}
	}
	for _, x := range []float64{-0.36, 0, 0.36} {
		bars = append(bars, ray.Rod(v(x, 0.42, -0.6), v(x, 0.42, 0.6), 0.026, 0.026))
	}
	bars = append(bars, ray.Rod(v(-0.6, 0.445, 0), v(0.6, 0.445, 0), 0.026, 0.026))
	cup := ray.Turned(0.01, [2]float64{0, -0.34}, [2]float64{0.26, -0.34}, [2]float64{0.26, -0.1}, [2]float64{0.2, -0.08}, [2]float64{0, -0.08})
	ember := &ray.Material{Colour: ray.RGB(0xE8742C), Rough: 1, Glow: v(1.6, 0.5, 0.08)}
	spin := func(s ray.Solid) ray.Solid { return ray.SpunY(34, s) }
	return camera(&ray.Scene{Parts: []ray.Part{
		part(spin(ray.Union(front, back, turn(front), turn(back))), plate, v(0, 0, 0), 1.1),
		part(spin(tray), iron, v(0, -0.36, 0), 0.85), part(spin(ray.Union(legs...)), brass, v(0, -0.5, 0), 1),
		part(spin(ray.Union(bars...)), iron, v(0, 0.43, 0), 0.8), part(cup, brass, v(0, -0.2, 0), 0.4),
		part(ray.At(v(0, -0.08, 0), ray.Ellipsoid(v(0.16, 0.05, 0.16))), ember, v(0, -0.08, 0), 0.2),
	}, Glow: []ray.Glow{{At: v(0, 0.02, 0), Colour: v(1.5, 0.6, 0.15), Reach: 0.35}}},
		v(0, -0.07, 0), 22, 0, 1.9, 1.12)
}

func tin(painted uint32) *ray.Scene {
	sage := &ray.Material{Colour: ray.RGB(painted), Rough: 0.16, Gloss: 0.85}
	body := *sage
	body.Detail = func(p, c ray.Vec) ray.Vec {
		switch {
		case p.Y < -0.44 || p.Y > 0.14 && p.Y < 0.17:
			return ray.RGB(0xF0E6D0)
		case math.Abs(p.Y+0.15) < 0.17 && math.Abs(p.X) < 0.36 && p.Z > 0:
			// A paper label with two printed lines.
			if math.Abs(p.Y+0.10) < 0.03 && math.Abs(p.X) < 0.24 || math.Abs(p.Y+0.22) < 0.014 && math.Abs(p.X) < 0.17 {
				return ray.RGB(0x24454A)
			}
			return ray.RGB(0xF3E7CB)
		}
		return c
	}
	box := ray.Box(v(0.92, 0.5, 0.55), 0.14)
	lower := ray.Both(ray.At(v(0, -0.05, 0), box), func(p ray.Vec) float64 { return p.Y - 0.26 })
	lid := ray.Both(ray.At(v(0, 0.06, 0), ray.Box(v(0.95, 0.5, 0.58), 0.17)), func(p ray.Vec) float64 { return 0.28 - p.Y })
	bead := func(y, grow float64) ray.Solid {
		return func(p ray.Vec) float64 {
			q := v(max(math.Abs(p.X)-0.78-grow, 0), 0, max(math.Abs(p.Z)-0.41-grow, 0))
			return math.Hypot(math.Hypot(q.X, q.Z)-0.145, p.Y-y) - 0.024
		}
	}
	handle := ray.Wire(0.032, ray.Arc(16, func(t float64) ray.Vec {
		a := math.Pi * t
		return v(0.26*math.Cos(a), 0.55+0.17*math.Sin(a), 0)
	})...)
	clasp := ray.At(v(0, 0.24, 0.575), ray.Box(v(0.07, 0.13, 0.03), 0.02))
	spin := func(s ray.Solid) ray.Solid { return ray.SpunY(-24, s) }
	spun := func(m ray.Material) *ray.Material {
		detail := m.Detail
		if detail != nil {
			m.Detail = func(p, c ray.Vec) ray.Vec { return detail(p.TurnY(24*math.Pi/180), c) }
		}
		return &m
	}
	return camera(&ray.Scene{Parts: []ray.Part{
		part(spin(lower), spun(body), v(0, -0.1, 0), 1.25), part(spin(lid), sage, v(0, 0.3, 0), 1.2),
		part(spin(ray.Union(bead(0.27, 0.02), bead(-0.5, -0.02))), steel, v(0, -0.1, 0), 1.25),
		part(spin(handle), brass, v(0, 0.6, 0), 0.5), part(spin(clasp), brass, v(0.24, 0.24, 0.52), 0.3),
	}}, v(0, 0.03, 0), 16, 0, 1.78, 1.38)
}

func spoons(tones ...uint32) *ray.Scene {
	var parts []ray.Part
	for i, hex := range tones {
		wood := &ray.Material{Colour: ray.RGB(hex), Rough: 0.55, Gloss: 0.55, Detail: grain(11, 0.3)}
		bowl := ray.At(v(-0.78, 0, 0), ray.Ellipsoid(v(0.34, 0.24, 0.12)))
		dip := ray.At(v(-0.79, 0, 0.12), ray.Ellipsoid(v(0.29, 0.19, 0.13)))
		stem := func(p ray.Vec) float64 {
			return ray.Rod(v(-0.5, 0, 0), v(0.95, 0, 0.02), 0.052, 0.085)(v(p.X, p.Y, p.Z*1.5)) * 0.8
		}
		spoon := ray.Without(ray.Blend(bowl, stem, 0.14), dip)
		hole := ray.Rod(v(0.9, 0, -1), v(0.9, 0, 1), 0.03, 0.03)
		angle := []float64{68, 90, 112}[i]
		place := v([]float64{0.34, 0, -0.34}[i]*0.55, 0, []float64{-0.1, 0.06, -0.1}[i])
		m := *wood
		back := -angle * math.Pi / 180
		m.Detail = func(p, c ray.Vec) ray.Vec {
			return wood.Detail(p.Sub(place).TurnZ(back).Add(v(float64(i)*3.1, 0, float64(i))), c)
		}
		parts = append(parts, part(ray.At(place, ray.SpunZ(angle, mirrorX(ray.Without(spoon, hole)))), &m, place, 1.3))
	}
	twine := &ray.Material{Colour: ray.RGB(0xE5D3AE), Rough: 0.95, Gloss: 0.2, Bump: func(p ray.Vec) float64 {
		return 0.006 * math.Sin(p.X*70+p.Y*120)
	}}
	var loops []ray.Solid
	for i := range 4 {
		y := -0.30 - 0.05*float64(i)
		loops = append(loops, ray.At(v(0, y, 0), func(p ray.Vec) float64 {
			q := v(p.X/1.9, p.Y, p.Z)
			return (math.Hypot(math.Hypot(q.X, q.Z)-0.155, q.Y) - 0.024) * 0.8
		}))
	}
	bow := ray.Wire(0.02, ray.Arc(20, func(t float64) ray.Vec {
		a := 2 * math.Pi * t
		return v(0.26*math.Sin(a), -0.38+0.12*math.Sin(2*a), 0.22)
	})...)
	parts = append(parts, part(ray.Union(ray.Union(loops...), bow), twine, v(0, -0.38, 0), 0.6))
	return camera(&ray.Scene{Parts: parts}, v(0, 0.02, 0), 8, 0, 2.5, 0.62)
}

// mirrorX flips a solid, so that its bowl points to +x and, turned by 90
// degrees, upwards.
func mirrorX(s ray.Solid) ray.Solid {
	return func(p ray.Vec) float64 { return s(v(-p.X, p.Y, p.Z)) }
}
