package effect

import (
	"math"

	"billow/core/paint"
	"billow/core/property"
)

// ChromaKey takes a colour out of a picture, as that of the screen before which it was taken: what
// has the colour is clear, and what is mixed with it, at edges and where it shines through, is so in
// part and loses it. The colour is told by its hue and how strong it is (ITU-R BT.601 colour
// differences), not by how light it is: its shadows go, too.
//
// A pixel's keyness is how much of the key's own colour difference it has, less what it has of
// another hue: 1 is the key itself, 0 what is grey or of another colour. A mixture of the key and
// something grey has as much of it as there is of the key, so that the opacity is what is left; what
// is within the tolerance of the key counts as it, and what has less than softness leaves over counts
// as none of it.
var ChromaKey = Effect{
	Name: "chromaKey",
	Properties: []property.Property{
		{Name: "chromaKey", Dims: 1, Max: 100, Title: "Chroma key", Unit: "%"},
		{Name: "keyColour", Dims: 4, Max: 255, Colour: true, Title: "Key colour", Usual: []float64{0, 177, 64, 255}},
		{Name: "keyTolerance", Dims: 1, Neutral: 20, Max: 100, Title: "Key, tolerance", Unit: "%"},
		{Name: "keySoftness", Dims: 1, Neutral: 70, Max: 100, Title: "Key, softness", Unit: "%"},
		{Name: "keyEdge", Dims: 1, Min: -40, Max: 40, Title: "Key, edge moved outwards"},
		{Name: "keyDespill", Dims: 1, Neutral: 100, Max: 100, Title: "Key, despill", Unit: "%"},
	},
	Main: 1,
	Draw: func(w Work, v Values) *paint.Sheet {
		out := w.Changeable()
		k := newKeyer(v)
		if by := v[4][0] * w.Unit * out.Per; math.Abs(by) > 0.05 {
			k.shifted(out.Picture, by)
		} else {
			k.key(out.Picture.Pix)
		}
		return out
	},
}

// keySteps is how many steps of keyness there are from 0 to 1.
const keySteps = 1024

// keyer takes a colour out.
type keyer struct {
	// The keyness of a colour is a sum over its channels, in keySteps 2^16ths, less the size of
	// another such sum.
	along, across [3]int32
	gone          [keySteps + 1]uint8 // how much goes, by keyness, 255ths
	despill       int32               // of the colour difference that is left, 256ths
	key8          [3]int32            // the key's channels
	tint          [3]int32            // and its colour difference alone, as it shows in them
}

// difference is the colour difference of a channel's unit: blue and red less luma.
var difference = [3][2]float64{{-0.168736, 0.5}, {-0.331264, -0.418688}, {0.5, -0.081312}}

func newKeyer(v Values) *keyer {
	k := &keyer{}
	var cb, cr float64
	for i := range 3 {
		k.key8[i] = int32(math.Round(v[1][i]))
		cb += difference[i][0] * v[1][i]
		cr += difference[i][1] * v[1][i]
	}
	size := cb*cb + cr*cr
	if size < 144 { // what is nearly grey has no hue to be told by
		return k
	}
	// Another hue counts against it: from 60 degrees aside on nothing is taken for the key.
	const aside = 0.577
	for i := range 3 {
		d := difference[i]
		k.along[i] = int32(math.Round((d[0]*cb + d[1]*cr) / size * keySteps * 65536))
		k.across[i] = int32(math.Round((d[0]*cr - d[1]*cb) / size * keySteps * 65536 * aside))
	}
	k.tint = [3]int32{int32(math.Round(1.402 * cr)), int32(math.Round(-0.344136*cb - 0.714136*cr)), int32(math.Round(1.772 * cb))}
	share := min(max(v[0][0]/100, 0), 1)
	high := max(1-v[2][0]/100, 0.02)
	low := max(high-max(v[3][0]/100, 0.01), 0)
	k.despill = int32(math.Round(256 * share * min(max(v[5][0]/100, 0), 1)))
	for i := range k.gone {
		at := float64(i) / keySteps
		k.gone[i] = uint8(math.Round(255 * share * min(max((at-low)/(high-low), 0), 1)))
	}
	return k
}

// keyness is that of a pixel, 0 to keySteps.
func (k *keyer) keyness(p uint32) int32 {
	r, g, b := int32(p&255), int32(p>>8&255), int32(p>>16&255)
	u := r*k.along[0] + g*k.along[1] + b*k.along[2]
	w := r*k.across[0] + g*k.across[1] + b*k.across[2]
	at := (u - (w ^ w>>31)) >> 16
	if at <= 0 {
		return 0
	}
	if a := int32(p >> 24); a < 255 { // the colours are less by as much
		at = at * 255 / max(a, 1)
	}
	return min(at, keySteps)
}

// key takes the colour out of pixels.
func (k *keyer) key(pix []uint32) {
	for i, p := range pix {
		at := k.keyness(p)
		if at == 0 {
			continue
		}
		if gone := k.gone[at]; gone == 255 {
			pix[i] = 0
		} else {
			pix[i] = k.without(p, at, int32(gone))
		}
	}
}

// without is a pixel of which so much goes, 255ths, without what it has of the key.
func (k *keyer) without(p uint32, at, gone int32) uint32 {
	a := int32(p >> 24)
	left := (a*(255-gone) + 127) / 255
	in := [3]int32{int32(p & 255), int32(p >> 8 & 255), int32(p >> 16 & 255)}
	out := uint32(left) << 24
	mixed := at * 255 / keySteps // the share of the key in the mixture, 255ths
	if gone <= mixed {
		// The key's share goes; of what is left of its hue only the colour.
		taken, spill := gone*a/255, (mixed-gone)*k.despill>>8*a/255
		for c, v := range in {
			v -= (taken*k.key8[c] + spill*k.tint[c] + 127) / 255
			out |= uint32(min(max(v, 0), left)) << (8 * c)
		}
		return out
	}
	// More goes than there is of the key: the rest keeps its colour and gets less.
	taken, rest := mixed*a/255, 255-mixed
	for c, v := range in {
		v = (v - (taken*k.key8[c]+127)/255) * (255 - gone) / max(rest, 1)
		out |= uint32(min(max(v, 0), left)) << (8 * c)
	}
	return out
}

// shifted is key with the matte's edge moved outwards by so many pixels, or inwards.
func (k *keyer) shifted(b *paint.Bitmap, by float64) {
	m := &paint.Mask{W: b.W, H: b.H, Pix: make([]uint8, len(b.Pix))}
	for i, p := range b.Pix {
		m.Pix[i] = 255 - k.gone[k.keyness(p)]
	}
	m.Shift(by)
	for i, p := range b.Pix {
		if gone := 255 - m.Pix[i]; gone == 255 {
			b.Pix[i] = 0
		} else if at := k.keyness(p); at > 0 || gone > 0 {
			b.Pix[i] = k.without(p, at, int32(gone))
		}
	}
}
