package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Stroke is a line of a width and a colour around all that is visible, holes included.
var Stroke = Effect{
	Name: "stroke", Title: "Stroke", Group: Lighting, Says: "A line around all that is visible", Begin: []float64{8},
	Properties: []property.Property{
		{Name: "stroke", Dims: 1, Max: 100, Title: "Stroke"},
		strokeColour,
	},
	Main:  1,
	Reach: func(v Values, _ Box) float64 { return v[0][0] + 1 },
	Draw: func(w Work, v Values) *paint.Sheet {
		width := v[0][0] * w.Unit * w.Per
		margin := int(math.Ceil(width)) + 1
		line := pixel(v[1])
		d := paint.DistancesAround(w.Picture, margin)
		out := d.Outlined(w.Picture, width, line|0xFF000000, w.Pool)
		w.Done()
		return paint.NewSheet(out, w.X-float64(margin), w.Y-float64(margin), w.Per)
	},
}

var strokeColour = func() property.Property {
	p := property.Colour("strokeColour", "Stroke colour")
	p.Usual = []float64{255, 255, 255, 255}
	return p
}()
