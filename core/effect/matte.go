package effect

import "billow/core/paint"

// Matte shows how opaque a picture is: white where it is and black where it is clear. It is a view
// for whoever sets a key, and no part of a clip.
var Matte = Effect{
	Name: "matte",
	Draw: func(w Work, _ Values) *paint.Sheet {
		out := w.Changeable()
		for i, p := range out.Picture.Pix {
			out.Picture.Pix[i] = p>>24*0x010101 | 0xFF000000
		}
		return out
	},
}
