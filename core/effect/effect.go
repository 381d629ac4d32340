// Package effect has what changes a finished picture: of a layer, a group or a
// scene. An effect is one file that says its properties, how far it reaches and
// how it draws, and one line in the list of all.
package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Values are the values of an effect's properties, in their order.
type Values [][4]float64

// Effect changes pictures. It draws the same for the same input and values.
type Effect struct {
	Name       string
	Properties []property.Property // with these neutral it changes nothing
	Main       int                 // only so many of them have to be neutral for that; 0 is all
	// Reach is how far it draws beyond its input, in units of the clip; nil is
	// nowhere.
	Reach func(v Values) float64
	// Rounded gives values that look the same and are fewer, so that a picture
	// serves longer while they change; nil leaves them.
	Rounded func(v Values) Values
	Draw    func(w Work, v Values) *paint.Sheet
}

// Work is what an effect is given.
type Work struct {
	*paint.Sheet
	Mine bool        // the sheet may be changed and given back
	Pool *paint.Pool // for sheets; takes back a sheet that is Mine and not given back
	Unit float64     // units of the sheet's space that are as long as one of the clip
}

// Done gives the sheet's memory back where it may be.
func (w Work) Done() {
	if w.Mine {
		w.Pool.Put(w.Picture)
	}
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
	&Balance, &Exposure, &Levels, &Curves, &Contrast, &Saturation, &Vibrance, &Hue, &Duotone, &Invert, &Sharpen, // then its tones and colours
	&InnerShadow, &Blur, // and what is seen of its edge
}
