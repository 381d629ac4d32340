package svg

import (
	"math"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
)

// fill is the gradient, whose space at maps to units, as that of a figure that lies in a box.
// same tells whether it looks the same.
func (g *Gradient) fill(at paint.Affine, box [4]float64) (f clip.Fill, same bool) {
	back, ok := at.Inverse()
	if !ok {
		return clip.Fill{Stops: []clip.Stop{{ID: 1, Colour: g.Stops[0].Colour}}}, false
	}
	w, h := box[2]-box[0], box[3]-box[1]
	mx, my := box[0]+w/2, box[1]+h/2
	f.Run, f.Angle, f.Reach = "linear", 180, 100
	var from, to float64 // the gradient's own shares where ours are 0 and 1
	if !g.Radial {
		dx, dy := g.of(back.Apply(mx+1, my))-g.of(back.Apply(mx, my)), g.of(back.Apply(mx, my+1))-g.of(back.Apply(mx, my))
		far := math.Hypot(dx, dy)
		if far == 0 {
			return clip.Fill{Stops: []clip.Stop{{ID: 1, Colour: g.Stops[0].Colour}}}, false
		}
		sin, cos := dx/far, -dy/far
		f.Angle = math.Round(math.Atan2(sin, cos)*180/math.Pi*1000) / 1000
		if f.Angle < 0 {
			f.Angle += 360
		}
		half := (math.Abs(w*sin) + math.Abs(h*cos)) / 2
		middle := g.of(back.Apply(mx, my))
		from, to = middle-half*far, middle+half*far
		f.Stops, same = g.between(from, to)
		return f, same
	}
	f.Run = "radial"
	cx, cy := at.Apply(g.X, g.Y)
	f.X, f.Y = min(max(100*(cx-mx)/w, -1000), 1000), min(max(100*(cy-my)/h, -1000), 1000)
	long, short, angle := axes(at)
	radius := g.R * long
	corner := math.Hypot(max(cx-box[0], box[2]-cx), max(cy-box[1], box[3]-cy))
	f.Reach, f.Flat = 100, min(math.Round(1e5*(1-short/long))/1e3, clip.MaxFlat)
	if f.Flat > 0 {
		f.Angle = angle
	}
	f.Stops, same = g.between(0, corner/radius)
	return f, same && f.Flat < clip.MaxFlat && g.FocalX == g.X && g.Focal == g.Y
}

// axes are the half axes of the ellipse that a mapping makes of a circle of radius 1, and
// the direction of the longer one, 0..180: 0 up, 90 right (its singular values, by the
// closed form for two by two).
func axes(m paint.Affine) (long, short, angle float64) {
	p, q := (m.A+m.D)/2, (m.B-m.C)/2
	r, s := (m.A-m.D)/2, (m.B+m.C)/2
	even, odd := math.Hypot(p, q), math.Hypot(r, s)
	long, short = even+odd, math.Abs(even-odd)
	// Half of what both turn by together is how far the longer axis is turned from the right.
	turned := (math.Atan2(q, p) + math.Atan2(s, r)) / 2 * 180 / math.Pi
	return long, short, math.Round(math.Mod(turned+90+360, 180)*1000) / 1000
}

// between is the stops from one share of the gradient to another.
func (g *Gradient) between(from, to float64) (out []clip.Stop, all bool) {
	if to <= from {
		to = from + 1e-6
	}
	ramp := g.ramp()
	add := func(share float64, c colour.Colour) {
		at := min(max(100*(share-from)/(to-from), 0), 100)
		out = append(out, clip.Stop{ID: len(out) + 1, At: math.Round(at*1000) / 1000, Colour: c})
	}
	add(from, straight(ramp[int(spread(from, g.Spread)*1024+0.5)]))
	first, last := 0.0, 0.0
	if g.Spread == "repeat" || g.Spread == "reflect" {
		first, last = math.Floor(from), math.Ceil(to)
	}
	all = last-first < 20
	for turn := first; turn <= last && len(out) < clip.MaxStops-1; turn++ {
		for i := range g.Stops {
			s := g.Stops[i]
			if g.Spread == "reflect" && math.Mod(math.Abs(turn), 2) == 1 {
				s = g.Stops[len(g.Stops)-1-i]
				s.At = 1 - s.At
			}
			if share := turn + s.At; share > from && share < to {
				if len(out) >= clip.MaxStops-1 {
					all = false
					break
				}
				add(share, s.Colour)
			}
		}
	}
	add(to, straight(ramp[int(spread(to, g.Spread)*1024+0.5)]))
	return out, all
}

// straight is a premultiplied pixel's colour.
func straight(p uint32) colour.Colour {
	a := p >> 24
	if a == 0 {
		return colour.Colour{}
	}
	of := func(v uint32) uint8 { return uint8((v&255*255 + a/2) / a) }
	return colour.Colour{R: of(p), G: of(p >> 8), B: of(p >> 16), A: uint8(a)}
}
