package demo

import (
	"bytes"
	"image"

	"billow/core/frame"
	"billow/core/paint"
	"billow/core/starter"
	"billow/fonts"
	"billow/media"
)

// shown is which products each starter is shown with.
var shown = map[string][]string{
	"sale": {"kettle", "lantern", "stove"}, "arrival": {"mug"}, "before-after": {"tin", "kettle"}, "event": {"kettle"},
}

// Sold is what a starter is shown with.
func (w *World) Sold(id string) []starter.Sold {
	var out []starter.Sold
	for _, name := range shown[id] {
		for _, p := range w.Products {
			if p.Prop == name {
				out = append(out, starter.Sold{Product: p, Prop: *w.prop(name)})
			}
		}
	}
	return out
}

// Poster draws how a starter looks with products of the sample world: its poster
// frame in Tall, so many pixels wide.
func (w *World) Poster(id string, wide int) (image.Image, error) {
	c, err := starter.Make(starter.Choice{Starter: id, Name: "Poster", Shape: "tall", Palette: palettes[id], Products: w.Sold(id)})
	if err != nil {
		return nil, err
	}
	lib := frame.NewLibrary(fonts.All(), 64<<20)
	for _, hash := range c.Pictures() {
		m, err := media.Picture(bytes.NewReader(w.Files[hash]))
		if err != nil {
			return nil, err
		}
		lib.AddPicture(hash, m)
	}
	b := paint.NewBitmap(wide, wide*16/9)
	stage, err := frame.Prepare(c, c.Shapes[0], b.W, b.H, lib)
	if err != nil {
		return nil, err
	}
	stage.Painter().Draw(b, frame.PosterFrame(c, lib))
	return b.Image(), nil
}

// palettes are the colours in which each starter is shown.
var palettes = map[string]string{"sale": "dusk", "arrival": "berry", "before-after": "meadow", "event": "night"}
