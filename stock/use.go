package stock

import (
	"slices"

	"billow/core/clip"
)

// Use is how a thing goes into a clip.
type Use struct {
	Layer string `json:"layer,omitempty"` // the kind of layer; none is what such a file becomes by itself
	Blend string `json:"blend,omitempty"` // a W3C blend mode; none is normal
}

// Use is what a thing's kind and its tags say: what covers the frame and what stands in it, and what was
// taken before black or white is mixed with what is beneath it.
func (t Thing) Use() Use {
	var u Use
	switch t.Kind {
	case Backdrop, Texture:
		u.Layer = clip.KindPhoto
	case Garnish:
		u.Layer = clip.KindCutout
	case Footage:
		if slices.Contains(t.Tags, "green screen") { // which is going to be taken out
			u.Layer = clip.KindCutout
		}
	}
	for _, blend := range []string{"screen", "multiply"} {
		if slices.Contains(t.Tags, blend) {
			u.Blend = blend
		}
	}
	return u
}
