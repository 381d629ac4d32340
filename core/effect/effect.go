// Package effect has what changes a finished picture: of a layer, a group or a
// scene. An effect is one file that says its properties, how far it reaches and
// how it draws, and one line in the list of all.
package effect

import (
	"image"

	"billow/core/colour"
	"billow/core/cube"
	"billow/core/paint"
	"billow/core/property"
)

// Values are the values of an effect's properties, in their order.
type Values [][4]float64

// Effect changes pictures. It draws the same for the same input and values.
type Effect struct {
	Name       string
	Title      string              // as people read it
	Says       string              // what it is for, in a few words
	Group      string              // with which others it is offered
	Begin      []float64           // what its first property is when it is put on; none: it has a panel of its own
	Properties []property.Property // with these neutral it changes nothing
	Main       int                 // only so many of them have to be neutral for that; 0 is all
	Placed     bool                // it depends on where the picture lies and how large it is
	// Reach is how far it draws beyond its input, in units of the clip; nil is
	// nowhere.
	Reach func(v Values, b Box) float64
	// Rounded gives values that look the same and are fewer, so that a picture
	// serves longer while they change; nil leaves them.
	Rounded func(v Values) Values
	Draw    func(w Work, v Values) *paint.Sheet
}

// Work is what an effect is given.
type Work struct {
	*paint.Sheet
	Mine  bool            // the sheet may be changed and given back
	Pool  *paint.Pool     // for sheets; takes back a sheet that is Mine and not given back
	Unit  float64         // units of the sheet's space that are as long as one of the clip
	At    paint.Affine    // from units of the clip about the picture's centre to the sheet's space, where it is Placed
	Far   float64         // its reach, in units of the clip
	Only  image.Rectangle // pixels of the space beyond which nothing has to be drawn; empty is no end
	Table *cube.Table     // the layer's table of colours, if any
	Box   Box             // how large the picture is at rest, where it is Placed
}

// Box is a width and a height in units of the clip.
type Box struct{ W, H float64 }

// The groups in which effects are offered.
const (
	Lighting = "Light"
	Blurring = "Blur"
	Bending  = "Bend"
	Colours  = "Colour"
	Limits   = "Limits"
)

// Done gives the sheet's memory back where it may be.
func (w Work) Done() {
	if w.Mine {
		w.Pool.Put(w.Picture)
	}
}

// pixel is a colour among the values.
func pixel(v [4]float64) uint32 {
	return paint.Premultiplied(colour.FromFloats(v[0], v[1], v[2], v[3]))
}

// Changeable is the sheet at its full detail as one that may be changed.
func (w Work) Changeable() *paint.Sheet {
	b := w.Picture
	if !w.Mine {
		own := w.Pool.Get(b.W, b.H)
		copy(own.Pix, b.Pix)
		b = own
	}
	return paint.NewSheet(b, w.X, w.Y, w.Per)
}

// Neutral tells whether an effect changes nothing.
func (e *Effect) Neutral(v Values) bool {
	main := e.Properties
	if e.Main > 0 {
		main = main[:e.Main]
	}
	for i, p := range main {
		for d := range p.Dims {
			if v[i][d] != p.Neutral {
				return false
			}
		}
	}
	return true
}

// LastKey is the last of those that take something out of a picture.
var LastKey = &BrightnessKey

// All is the effects in the order in which they are drawn.
var All = []*Effect{
	&ChromaKey, &BrightnessKey, // out of the picture as it came
	&Balance, &Exposure, &Levels, &Curves, &Contrast, &Saturation, &Vibrance, &Hue, &Duotone, &Invert, &Table, &Sharpen, // then its tones and colours
	&WhiteLimit, &SafeLevels, // and how far they go
	&Puff, &Sway, &Bend, &Bulge, &Twist, &Waving, &Ripple, &Glass, // where what is seen
	&Streak, &Rush, // and how it is drawn out
	&Bloom, &InnerShadow, &InnerGlow, &Stroke, &Halo, &Blur, // and what is seen of its light and its edge
}
