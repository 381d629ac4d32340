package media

import (
	"bytes"
	"image"
	"image/color"
	"image/png"

	"billow/core/paint"
)

// coarseSide is how many pixels the longer side of a coarse copy has at most.
const coarseSide = 512

// Coarsely is how often a picture of a size is halved to make its coarse copy; 0 is one so small
// that it needs none.
func Coarsely(w, h int) (halvings int) {
	for ; max(w, h) > coarseSide; halvings++ {
		w, h = (w+1)/2, (h+1)/2
	}
	return halvings
}

// Coarse is the coarse copy of a picture, and its file, a PNG: what is drawn small is drawn of it,
// since it is decoded in a twentieth of the time. A small picture is its own copy, and has no file.
func Coarse(whole *paint.Bitmap) (b *paint.Bitmap, file []byte, err error) {
	n := Coarsely(whole.W, whole.H)
	if n == 0 {
		return whole, nil, nil
	}
	b = paint.NewPyramid(whole).Level(n)
	m := image.NewNRGBA(image.Rect(0, 0, b.W, b.H))
	for i, p := range b.Pix {
		c := color.NRGBAModel.Convert(color.RGBA{R: uint8(p), G: uint8(p >> 8), B: uint8(p >> 16), A: uint8(p >> 24)}).(color.NRGBA)
		m.Pix[4*i], m.Pix[4*i+1], m.Pix[4*i+2], m.Pix[4*i+3] = c.R, c.G, c.B, c.A
	}
	var out bytes.Buffer
	enc := png.Encoder{CompressionLevel: png.BestSpeed}
	err = enc.Encode(&out, m)
	return b, out.Bytes(), err
}
