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
		k.key(out.Picture, v[4][0]*w.Unit*out.Per)
		return out
	},
}

// keySteps is how many steps of keyness there are from 0 to 1.
const keySteps = 1024

// keyer takes a colour out.
type keyer struct {
	// The keyness of a colour is a sum over its channels, in keySteps 2^16ths, less the size of
	// another such sum.
	sums    [3]int64            // of each channel the first in the low half, the second in the high one
	gone    [keySteps + 1]uint8 // how much goes, by keyness, 255ths
	despill int32               // of the colour difference that is left, 256ths
	whole   bool                // the key is taken out as a whole
	key8    [3]int32            // the key's channels
	tint    [3]int32            // and its colour difference alone, as it shows in them
	// What an opaque pixel of which nothing goes has of the key's tint, by keyness.
	spill [keySteps + 1][3]int32
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
		along := math.Round((d[0]*cb + d[1]*cr) / size * keySteps * 65536)
		across := math.Round((d[0]*cr - d[1]*cb) / size * keySteps * 65536 * aside)
		k.sums[i] = int64(along) + int64(across)<<32
	}
	k.tint = [3]int32{int32(math.Round(1.402 * cr)), int32(math.Round(-0.344136*cb - 0.714136*cr)), int32(math.Round(1.772 * cb))}
	share := min(max(v[0][0]/100, 0), 1)
	k.whole = share == 1
	high := max(1-v[2][0]/100, 0.02)
	low := max(high-max(v[3][0]/100, 0.01), 0)
	k.despill = int32(math.Round(256 * share * min(max(v[5][0]/100, 0), 1)))
	for i := range k.gone {
		at := float64(i) / keySteps
		k.gone[i] = uint8(math.Round(255 * share * min(max((at-low)/(high-low), 0), 1)))
		spill := int32(i) * 255 / keySteps * k.despill >> 8
		for c, tint := range k.tint {
			k.spill[i][c] = (spill*tint + 127) / 255
		}
	}
	return k
}

// keyness is that of a pixel, 0 to keySteps.
func (k *keyer) keyness(p uint32) int32 {
	both := int64(p&255)*k.sums[0] + int64(p>>8&255)*k.sums[1] + int64(p>>16&255)*k.sums[2]
	u := int32(both)
	w := int32((both - int64(u)) >> 32)
	at := (u - (w ^ w>>31)) >> 16
	if at <= 0 {
		return 0
	}
	if a := int32(p >> 24); a < 255 { // the colours are less by as much
		at = at * 255 / max(a, 1)
	}
	return min(at, keySteps)
}

// key takes the colour out of pixels, after the matte's edge was moved outwards by so many, or
// inwards.
func (k *keyer) key(b *paint.Bitmap, by float64) {
	e := edgePool.Get().(*edges)
	defer edgePool.Put(e)
	e.look(k, b)
	var shifted *paint.Mask
	if math.Abs(by) > 0.05 {
		shifted = &paint.Mask{W: b.W, H: b.H, Pix: make([]uint8, len(b.Pix))}
	}
	for y := range b.H {
		row, at, cells := b.Pix[y*b.W:][:b.W], e.at[y*b.W:][:b.W], e.sums[y/cell*e.w:][:e.w]
		for x, p := range row {
			v := int32(at[x])
			c := &cells[x/cell]
			if v == 0 && (c.clear == 0 || p>>24 < 255) && shifted == nil {
				continue
			}
			gone, between := int32(k.gone[v]), false
			if k.whole && gone < 255 {
				if g, ok := k.between(p, c); ok {
					gone, between = g, true
				}
			}
			switch {
			case shifted != nil:
				shifted.Pix[y*b.W+x] = uint8(255 - gone)
			case gone == 255:
				row[x] = 0
			case gone == 0 && p>>24 == 255:
				row[x] = k.spilt(p, v)
			case v > 0 || gone > 0:
				row[x] = k.without(p, v, gone, between)
			}
		}
	}
	if shifted == nil {
		return
	}
	shifted.Shift(by)
	for i, left := range shifted.Pix {
		if p, v := b.Pix[i], int32(e.at[i]); left == 0 {
			b.Pix[i] = 0
		} else if left < 255 || v > 0 {
			b.Pix[i] = k.without(p, v, 255-int32(left), false)
		}
	}
}

// spilt is an opaque pixel of which nothing goes, without the key's tint.
func (k *keyer) spilt(p uint32, at int32) uint32 {
	s := &k.spill[at]
	return within(int32(p&255)-s[0], int32(p>>8&255)-s[1], int32(p>>16&255)-s[2], 255)
}

// without is a pixel of which so much goes, 255ths, without what it has of the key; between tells
// that exactly so much of it is the key.
func (k *keyer) without(p uint32, at, gone int32, between bool) uint32 {
	a := int32(p >> 24)
	left := (a*(255-gone) + 127) / 255
	in := [3]int32{int32(p & 255), int32(p >> 8 & 255), int32(p >> 16 & 255)}
	out := uint32(left) << 24
	mixed := at * 255 / keySteps // the share of the key in the mixture, 255ths
	if gone <= mixed || between {
		// The key's share goes; of what is left of its hue only the colour.
		taken, spill := gone*a/255, max(mixed-gone, 0)*k.despill>>8*a/255
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
