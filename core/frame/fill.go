package frame

import (
	"cmp"
	"slices"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/graph"
	"billow/core/paint"
)

// shading is a fill on a frame.
type shading struct {
	gradient paint.Gradient
	free     paint.FreeGradient // instead, where there is any
}

// named is a property by its name at a frame.
func (a *actor) named(property string, frame float64) (v [4]float64) {
	if i, ok := propertyIndex[property]; ok {
		return a.value(i, frame)
	}
	if c := a.numbered[property]; c != nil {
		return c.Sample(frame)
	}
	copy(v[:], a.layer.Base(property))
	return v
}

// shadingAt is a fill of a layer on one of its frames.
func (a *actor) shadingAt(f *clip.Fill, frame float64) (s shading) {
	number := func(family string, n int) [4]float64 { return a.named(clip.NumberedName(family, n), frame) }
	tone := func(family string, n int) colour.Colour {
		c := number(family, n)
		return colour.FromFloats(c[0], c[1], c[2], c[3])
	}
	if f.Way() == "free" {
		for _, p := range f.Points {
			at := number(clip.PointPlace, p.ID)
			s.free = append(s.free, paint.ColourPoint{X: 0.5 + at[0]/100, Y: 0.5 + at[1]/100, Colour: tone(clip.PointColour, p.ID)})
		}
		return s
	}
	for i := range f.Stops {
		n := f.Number(i)
		s.gradient.Stops = append(s.gradient.Stops, paint.Stop{At: number(clip.StopAt, n)[0] / 100, Colour: tone(clip.StopColour, n)})
	}
	slices.SortStableFunc(s.gradient.Stops, func(p, q paint.Stop) int { return cmp.Compare(p.At, q.At) })
	s.gradient.Run = map[string]paint.Run{"radial": paint.Radial, "conic": paint.Conic}[f.Way()]
	centre := a.value(fillCentre, frame)
	s.gradient.X, s.gradient.Y = 0.5+centre[0]/100, 0.5+centre[1]/100
	s.gradient.Angle, s.gradient.Reach = a.number(fillAngle, frame), a.number(fillReach, frame)/100
	s.gradient.Flat = a.number(fillFlat, frame) / 100
	return s
}

func (s shading) key(k graph.Key) graph.Key {
	g := &s.gradient
	k = k.Text("fill").Nums(float64(g.Run), g.Angle, g.X, g.Y, g.Reach, g.Flat)
	for _, stop := range g.Stops {
		k = k.Nums(stop.At).Colour(stop.Colour)
	}
	for _, p := range s.free {
		k = k.Nums(p.X, p.Y).Colour(p.Colour)
	}
	return k
}

// shader is the fill over a box of pixels.
func (s shading) shader(box paint.Box) paint.Shader {
	if s.free != nil {
		return s.free.Shader(box)
	}
	return s.gradient.Shader(box)
}

// solid tells that it is one colour alone.
func (s shading) solid() bool { return s.free == nil && len(s.gradient.Stops) == 1 }
