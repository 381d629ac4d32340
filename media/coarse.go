package media

import "billow/core/paint"

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
	file, err = EncodePNG(b)
	return b, file, err
}
