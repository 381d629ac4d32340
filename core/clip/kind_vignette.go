package clip

import "billow/core/colour"

// KindVignette darkens the frame towards its edges.
const KindVignette = "vignette"

var vignetteKind = func() *Kind {
	k := *backdropKind
	k.ID, k.Name, k.Says, k.Icon, k.Enums, k.Behind = KindVignette, "Vignette", "Darkens the edges of what is beneath", "vignette", nil, false
	k.Draft = func(_ *Clip, l *Layer, _ DraftOf) {
		dark := colour.Colour{R: 0x10, G: 0x14, B: 0x16}
		middle, edge := dark, dark
		middle.A, edge.A = 0x14, 0x70
		l.Backdrop = &Backdrop{Fill{Run: "radial", Reach: 100, Stops: []Stop{{At: 45, Colour: colour.Colour{R: dark.R, G: dark.G, B: dark.B}}, {At: 75, Colour: middle}, {At: 100, Colour: edge}}}}
	}
	return &k
}()
