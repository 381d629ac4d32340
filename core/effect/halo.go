package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// Halo is light of a colour around a picture, as if it stood before a lamp: how strong, and how softly
// it ends, as a standard deviation in units.
var Halo = Effect{
	Name: "halo", Title: "Glow", Group: Lighting, Says: "Light of a colour around it", Begin: []float64{80},
	Properties: []property.Property{
		{Name: "halo", Dims: 1, Max: 300, Title: "Glow", Unit: "%"},
		lampColour("haloColour", "Glow colour"),
		{Name: "haloSoftness", Dims: 1, Neutral: 22, Min: 1, Max: 200, Title: "Glow, softness"},
	},
	Main:    1,
	Reach:   func(v Values, _ Box) float64 { return SoftReach(v[2][0]) },
	Rounded: func(v Values) Values { return Values{v[0], v[1], {Soft(v[2][0])}} },
	Draw: func(w Work, v Values) *paint.Sheet {
		octaves, sigma := Halvings(w.Sheet, v[2][0]*w.Unit)
		margin := int(math.Ceil(3*sigma)) + 1
		m := paint.HalvedAlpha(w.Picture, octaves, margin)
		m.Blur(sigma)
		by := margin << octaves
		return w.grown(by, func(out *paint.Bitmap, dx, dy float64) {
			out.Around(m.Enlarging(octaves, dx+float64(by), dy+float64(by)).Times(v[0][0]/100), pixel(v[1]))
		})
	},
}

// lampColour is a property for a colour of light: that of a lamp where none is chosen.
func lampColour(name, title string) property.Property {
	p := property.Colour(name, title)
	p.Usual = []float64{255, 236, 196, 255}
	return p
}
