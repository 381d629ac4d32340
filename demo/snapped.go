package demo

import "billow/demo/photographed"

// Snap is a photograph of a product as a shop takes it: on card or a table, with a shadow,
// the camera's noise and its JPEG.
type Snap struct {
	ID, Name string
	product  string // whose picture it is
	ground   func(w, h int) photographed.Ground
	shadow   float64 // 0..1
	noise    float64 // levels of 255
	size     float64 // of the product: a share of the frame's shorter side
	turn     float64 // degrees
}

// snapWide and snapHigh are the pixels of a snap.
const snapWide, snapHigh = 1600, 1200

// Snaps are the photos of the sample world; their files are photos/ID.jpg.
//
//go:generate go run billow/cmd/pictures photos photos
//go:generate go run billow/cmd/pictures cuts photos
var Snaps = []Snap{
	{"kettle-photo", "Kettle on blue card", "kettle", func(w, h int) photographed.Ground {
		return photographed.Sweep([3]float64{60, 110, 190}, w, h, .35)
	}, .4, 2.5, .8, -1.5},
	{"tin-photo", "Tin on the bench", "tin-honey", func(w, h int) photographed.Ground {
		return photographed.Wood([3]float64{150, 104, 70}, [3]float64{92, 58, 38}, w, h, 41)
	}, .5, 2, .82, 2},
	{"mug-photo", "Mug on a laid table", "mug", func(w, h int) photographed.Ground {
		return photographed.Kitchen(w, h, 23)
	}, .5, 2, .7, 3},
}

// Take takes the photograph, as a JPEG file.
func (s Snap) Take() ([]byte, error) {
	thing, err := Picture(s.product)
	if err != nil {
		return nil, err
	}
	taken, err := photographed.Take(s.Name, thing, photographed.Setting{
		W: snapWide, H: snapHigh, Ground: s.ground(snapWide, snapHigh),
		Shadow: s.shadow, Noise: s.noise, Quality: 88, Size: s.size, Turn: s.turn,
	}, uint64(len(s.ID))*31)
	return taken.File, err
}
