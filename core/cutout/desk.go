package cutout

import (
	"slices"

	"billow/core/clip"
	"billow/core/paint"
)

// Desk is a photo that is being cut. Orders are followed one after the other; each is
// whole, so that the same order gives the same cut, whatever was ordered before.
type Desk struct {
	photo *paint.Bitmap
	clear *paint.Bitmap // the photo as it came, if it had an opacity of its own
	v     *view
	even  []colour // with less grain
	known *learned
	order Order
	found Found

	alpha []float32 // at the working size
	sides *sides

	fine   float32 // grain of the photo's own pixels, in levels; 0 is not known yet
	mended mended
	near   *closer // at what an order has a line around; nil is all of it

	beside []int8 // of a picture of footage: what strokes on others say of each pixel
	open   *trimap
	looked *lookedUp

	sampled *lookedUp // for the last order: where nothing has changed it holds for the next
	shaded  []float32 // the photo's shadow, once it was asked for
}

// Open lays a photo on the desk.
func Open(photo *paint.Bitmap) (*Desk, error) {
	if photo.W < 1 || photo.H < 1 {
		return nil, clip.Fault("photo", "the photo has no pixels")
	}
	if photo.W > MostPixels/photo.H {
		return nil, clip.Fault("photo", "the photo has %d by %d pixels; %d million are the most", photo.W, photo.H, MostPixels/1_000_000)
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
	if len(o.Around) > 0 {
		return d.followCloser(o)
	}
	d.near = nil
	return d.follow(o)
}

// follow is Follow on the whole of the photo.
func (d *Desk) follow(o Order) error {
	d.order = o
	v := d.v
	if err := d.mend(o); err != nil {
		return err
	}
	if len(o.Pen) > 0 {
		return d.cutByPen(o)
	}
	if d.clear != nil && !o.boxed() && len(o.Strokes) == 0 && d.beside == nil {
		d.asItCame()
		return nil
	}
	if filled := d.filled(); filled != nil {
		return d.takeFrom(filled, o)
	}
	k := d.learn(o)
	v.noise = k.noise
	p := d.parted(k, &o)
	return d.settle(k, p)
}

// parting is what is thing and what is ground.
type parting struct {
	mask, doubt []bool
	marks       []int8 // what was said of them
	prices      prices // what they cost, strokes considered
	own         []bool // what strokes on other pictures say is thing; nil is nothing
}

// parted parts a photo as an order and what was learned want it.
func (d *Desk) parted(k *learned, o *Order) parting {
	v := d.v
	marks := marked(v, o)
	for i, said := range d.beside {
		if marks[i] == 0 {
			marks[i] = said
		}
	}
	p := parting{marks: marks, own: d.carriedThing()}
	if k.ground != nil {
		d.found.Method = Plain
		p.prices = slices.Clone(k.prices)
		lean(v, d.even, k.ground, o.Strokes, p.prices, marks)
		for i, own := range p.own {
			if own {
				p.prices[i] = max(p.prices[i], nearlyOwn)
			}
		}
		p.mask = part(v, d.even, p.prices, marks, plainSmoothness, nil, nil)
		p.doubt = doubtPlain(v, k.ground, d.even, p.mask, p.prices, k.most)
	} else {
		d.found.Method = Mixed
		p.mask, p.prices = k.mixing.parted(v, d.even, o.Strokes, marks)
		p.doubt = doubtMixed(p.mask, p.prices)
	}
	for i, own := range p.own {
		p.doubt[i] = p.doubt[i] && !(own && p.mask[i])
	}
	return p
}

// nearlyOwn is the price of what lies close to what strokes on other pictures say is thing:
// a little more for being ground, so that it goes up to the next edge, and not over it.
const nearlyOwn = 1.2

// plainSmoothness is the price of a border before a plain ground.
const plainSmoothness = 1.1

// spokenFor is by how much a price has to rise by strokes for a pixel to be no clear part.
const spokenFor = .12

// settle finds opacity and colours along the border of a parting.
func (d *Desk) settle(k *learned, p parting) error {
	d.shaded = nil
	v, mask, marks := d.v, p.mask, p.marks
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
	t := trimapOf(v, mask, p.doubt, marks)
	var through []float32
	if k.ground != nil {
		through = clearParts(v, k.ground, d.even, mask)
		for i := range through {
			if p.prices[i] > k.prices[i]+spokenFor || p.own != nil && p.own[i] {
				through[i] = 0 // a stroke says that it is the thing's own colour
			}
		}
		t.seeThrough(through, marks)
	}
	d.sampled = t.lookUp(v, d.even, k.ground, d.sampled)
	l := d.sampled.shared(t, v)
	if through != nil {
		l.clear(v, t, k.ground, through)
	}
	d.alpha = matte(v, t, l, 40)
	d.open, d.looked = t, l
	d.sides = sidesOf(v, t, l, d.alpha)
	d.found.judge(t, l, float64(n)/float64(len(mask)), k.clear)
	return nil
}

// learned is what a photo and a box tell before anything is painted over. It is kept, so
// that a stroke is answered soon.
type learned struct {
	box    *[4]float64
	around [][2]float64
	noise  float32

	ground *evenGround // a plain one; nil is any other
	prices prices
	most   []float32

	mixing *mixing
	clear  float64
}

func (k *learned) of(o *Order) bool {
	same := k.box == nil && o.Box == nil || k.box != nil && o.Box != nil && *k.box == *o.Box
	return same && slices.Equal(k.around, o.Around)
}

// learn looks at the photo anew when the box is another one. Where nothing is found
// without them, strokes are learned from, too.
func (d *Desk) learn(o Order) *learned {
	if d.known != nil && d.known.of(&o) {
		return d.known
	}
	v := d.v
	k := &learned{noise: v.grain(), clear: 1}
	v.noise = k.noise
	if o.Box != nil {
		box := *o.Box
		k.box = &box
	}
	k.around = slices.Clone(o.Around)
	marks := marked(v, &Order{Box: o.Box, Around: o.Around})
	outside := outsideOf(v, marks, o.boxed())
	if g := groundOf(v, outside); g.isPlain(v, d.even, outside) {
		k.before(d, g, marks)
		d.known = k
		return k
	}
	k.mixing, k.clear = mixedly(v, marks, o.boxed())
	if len(o.Strokes) > 0 && !slices.Contains(k.mixing.mask, true) {
		k.mixing, k.clear = mixedly(v, marked(v, &o), o.boxed())
		return k
	}
	d.known = k
	return k
}

// before prices the pixels before a plain ground.
func (k *learned) before(d *Desk, g *evenGround, marks []int8) {
	g.layOut()
	k.noise = max(k.noise, .8*g.sigma)
	d.v.noise = k.noise
	k.ground = g
	k.prices, k.most = plainly(d.v, g, d.even, marks)
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
