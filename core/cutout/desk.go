package cutout

import (
	"fmt"

	"billow/core/paint"
)

// Desk is a photo that is being cut. Orders are followed one after the other; each is
// whole, so that the same order gives the same cut, whatever was ordered before.
type Desk struct {
	photo *paint.Bitmap
	clear *paint.Bitmap // the photo as it came, if it had an opacity of its own
	v     *view
	even  []colour // with less grain
	order Order
	found Found

	alpha []float32 // at the working size
	sides *sides
}

// Open lays a photo on the desk.
func Open(photo *paint.Bitmap) (*Desk, error) {
	if photo.W < 1 || photo.H < 1 {
		return nil, &Problem{"photo", "the photo has no pixels"}
	}
	if photo.W > MostPixels/photo.H {
		return nil, &Problem{"photo", fmt.Sprintf("the photo has %d by %d pixels; %d million are the most", photo.W, photo.H, MostPixels/1_000_000)}
	}
	d := &Desk{photo: photo}
	if seenThrough(photo) {
		d.clear = photo
		d.photo = onWhite(photo)
	}
	d.v = viewOf(d.photo, Working)
	d.even = d.v.even()
	return d, nil
}

func seenThrough(b *paint.Bitmap) bool {
	for _, p := range b.Pix {
		if p>>24 != 255 {
			return true
		}
	}
	return false
}

// onWhite is a picture laid on white.
func onWhite(b *paint.Bitmap) *paint.Bitmap {
	out := paint.NewBitmap(b.W, b.H)
	for i, p := range b.Pix {
		w := 255 - p>>24
		out.Pix[i] = (p + w*0x010101) | 0xff000000
	}
	return out
}

// Size is the size of the photo in pixels.
func (d *Desk) Size() (w, h int) { return d.photo.W, d.photo.H }

// Found tells what is known of the cut, without its bounds.
func (d *Desk) Found() Found { return d.found }

// Follow makes the cut that an order wants. It is an error when the order cannot be
// followed, or when nothing is found.
func (d *Desk) Follow(o Order) error {
	if err := o.Check(d.photo.W, d.photo.H); err != nil {
		return err
	}
	d.order = o
	v := d.v
	if d.clear != nil && o.Box == nil && len(o.Strokes) == 0 {
		d.asItCame()
		return nil
	}
	marks := marked(v, &o)
	outside := outsideOf(v, marks, o.Box != nil)
	g := groundOf(v, outside)
	var mask, doubt []bool
	var model *evenGround
	clear := 1.
	if g.isPlain(v, d.even, outside) {
		d.found.Method, model = Plain, g
		v.noise = max(v.grain(), .8*g.sigma)
		p := plainly(v, g, d.even, marks)
		d.lean(p, marks)
		mask = part(v, d.even, p, marks, 1.1, nil, nil)
		doubt = doubtPlain(v, g, d.even, mask, p)
	} else {
		d.found.Method = Mixed
		var p prices
		mask, p, clear = mixedly(v, d.even, marks, o.Box != nil, d.lean)
		doubt = doubtMixed(v, mask, p)
	}
	n := 0
	for _, m := range mask {
		if m {
			n++
		}
	}
	if n == 0 {
		d.alpha, d.sides = make([]float32, len(mask)), nil
		d.found.Confidence, d.found.Why = 0, "Nothing was found in front of the background."
		return ErrNothing
	}
	t := trimapOf(v, mask, doubt, marks)
	var through []float32
	if model != nil {
		through = clearParts(v, model, d.even, mask)
		t.seeThrough(through, marks)
	}
	l := t.lookUp(v, d.even, model)
	if through != nil {
		l.clear(v, t, model, through)
	}
	d.alpha = matte(v, t, l, 40)
	d.sides = sidesOf(v, t, l, d.alpha)
	d.found.judge(t, l, float64(n)/float64(len(mask)), clear)
	return nil
}

// asItCame keeps the opacity that a picture came with.
func (d *Desk) asItCame() {
	d.sides = nil
	d.found = Found{Method: Clear, Why: "The picture has an opacity of its own, which is kept.", Confidence: 1}
	d.alpha = make([]float32, len(d.v.pix))
	for y := range d.v.h {
		for x := range d.v.w {
			p := d.clear.Pix[min(int((float64(y)+.5)*d.v.down), d.clear.H-1)*d.clear.W+min(int((float64(x)+.5)*d.v.across), d.clear.W-1)]
			d.alpha[y*d.v.w+x] = float32(p>>24) / 255
		}
	}
}

// outsideOf is what is taken for ground at first: what lies outside a box, or the rim of
// the photo.
func outsideOf(v *view, marks []int8, boxed bool) (list []int32) {
	rim := max(1, min(v.w, v.h)/40)
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			if marks[i] > 0 {
				continue
			}
			if (boxed && marks[i] < 0) || x < rim || y < rim || x >= v.w-rim || y >= v.h-rim {
				list = append(list, int32(i))
			}
		}
	}
	if len(list) == 0 {
		list = append(list, 0)
	}
	return list
}
