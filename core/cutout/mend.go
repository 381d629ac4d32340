package cutout

import (
	"errors"
	"image"
	"math"
	"slices"

	"billow/core/paint"

	"golang.org/x/image/draw"
	"golang.org/x/image/math/f64"
)

// mended is a photo with its blemishes healed and the places of parts that were taken out
// filled.
type mended struct {
	heals []Heal
	out   []Order
	holes []hole        // one after the other
	pix   []colour      // at the working size; nil is the photo's own
	photo *paint.Bitmap // in its own size, once that was asked for
	desk  *Desk         // for the photo without its parts
}

// hole is what is filled at a time.
type hole struct {
	heal *Heal
	part []bool // at the working size
}

func (m *mended) small(v *view) []colour {
	if m.pix == nil {
		return v.pix
	}
	return m.pix
}

// mend finds what is to be filled of an order, and fills it at the working size.
func (d *Desk) mend(o Order) error {
	m := &d.mended
	if same(m.heals, o.Heals) && same(m.out, o.Out) {
		return nil
	}
	d.mended = mended{heals: o.Heals, out: o.Out}
	for i := range o.Heals {
		m.holes = append(m.holes, hole{heal: &o.Heals[i]})
	}
	for _, part := range o.Out {
		of := &Desk{photo: d.photo, v: d.v, even: d.even}
		if err := of.Follow(part); err != nil {
			if errors.Is(err, ErrNothing) {
				continue
			}
			return err
		}
		m.holes = append(m.holes, hole{part: of.covered()})
	}
	if len(m.holes) == 0 {
		return nil
	}
	m.pix = append([]colour(nil), d.v.pix...)
	for _, h := range m.holes {
		h.fill(d.v.w, d.v.h, d.v, func(i int) colour { return m.pix[i] }, func(i int, c colour) { m.pix[i] = c })
	}
	return nil
}

// filled is a desk for the photo without the parts that were taken out: where their places
// were filled with ground, nothing stays. Without parts there is none.
func (d *Desk) filled() *Desk {
	m := &d.mended
	if m.desk == nil && d.clear == nil && slices.ContainsFunc(m.holes, func(h hole) bool { return h.part != nil }) {
		v := &view{w: d.v.w, h: d.v.h, pix: m.pix, across: d.v.across, down: d.v.down, noise: d.v.noise}
		m.desk = &Desk{photo: d.photo, v: v, even: v.even()}
	}
	return m.desk
}

// takeFrom lets another desk follow an order and takes what it has found.
func (d *Desk) takeFrom(filled *Desk, o Order) error {
	o.Out, o.Heals = nil, nil
	err := filled.follow(o)
	d.alpha, d.sides, d.found, d.shaded = filled.alpha, filled.sides, filled.found, nil
	d.v.noise = filled.v.noise
	return err
}

// plainGround is the model of a ground of one colour, if that is what was found.
func (d *Desk) plainGround() *evenGround {
	k := d.known
	if d.mended.desk != nil {
		k = d.mended.desk.known
	}
	if k == nil {
		return nil
	}
	return k.ground
}

// covered is where something of a cut is, and two pixels around it.
func (d *Desk) covered() []bool {
	out := make([]bool, len(d.v.pix))
	for i, p := range d.Draft().Pix {
		out[i] = p>>24 > 5
	}
	for range 2 {
		next := make([]bool, len(out))
		for y := range d.v.h {
			for x := range d.v.w {
				i := y*d.v.w + x
				next[i] = out[i] || x > 0 && out[i-1] || x < d.v.w-1 && out[i+1] || y > 0 && out[i-d.v.w] || y < d.v.h-1 && out[i+d.v.w]
			}
		}
		out = next
	}
	return out
}

// in tells whether a hole has a pixel of a picture that is so many times as large as the
// view.
func (h *hole) in(v *view, x, y int, across, down float64) bool {
	if h.heal != nil {
		px, py := (float64(x)+.5)*across, (float64(y)+.5)*down
		return math.Hypot(px-h.heal.X, py-h.heal.Y) <= max(h.heal.Radius, .6*across)
	}
	vx, vy := min(int(float64(x)*across/v.across), v.w-1), min(int(float64(y)*down/v.down), v.h-1)
	return h.part[vy*v.w+vx]
}

// bounds are those of a hole, in pixels of a picture.
func (h *hole) bounds(v *view, w, hh int, across, down float64) image.Rectangle {
	if h.heal != nil {
		r := max(h.heal.Radius, .6*across)
		return image.Rect(int((h.heal.X-r)/across)-1, int((h.heal.Y-r)/down)-1, int((h.heal.X+r)/across)+2, int((h.heal.Y+r)/down)+2).
			Intersect(image.Rect(0, 0, w, hh))
	}
	var b image.Rectangle
	for i, is := range h.part {
		if is {
			x, y := float64(i%v.w), float64(i/v.w)
			b = b.Union(image.Rect(int(x*v.across/across), int(y*v.down/down), int((x+1)*v.across/across)+1, int((y+1)*v.down/down)+1))
		}
	}
	return b.Intersect(image.Rect(0, 0, w, hh))
}

// fill fills a hole in a picture of the photo, of any size; its pixels are read and written
// one by one.
func (h *hole) fill(w, hh int, v *view, read func(i int) colour, write func(i int, c colour)) {
	across, down := v.across*float64(v.w)/float64(w), v.down*float64(v.h)/float64(hh)
	b := h.bounds(v, w, hh, across, down)
	if b.Empty() {
		return
	}
	room := max(5*patch, max(b.Dx(), b.Dy())*2/3)
	r := b.Inset(-room).Intersect(image.Rect(0, 0, w, hh))
	pix, in := make([]colour, r.Dx()*r.Dy()), make([]bool, r.Dx()*r.Dy())
	for y := r.Min.Y; y < r.Max.Y; y++ {
		for x := r.Min.X; x < r.Max.X; x++ {
			i := (y-r.Min.Y)*r.Dx() + x - r.Min.X
			pix[i], in[i] = read(y*w+x), h.in(v, x, y, across, down)
		}
	}
	fillHoles(r.Dx(), r.Dy(), pix, in)
	for i, is := range in {
		if is {
			write((r.Min.Y+i/r.Dx())*w+r.Min.X+i%r.Dx(), pix[i])
		}
	}
}

// shown is the photo in its own size, mended.
func (d *Desk) shown() *paint.Bitmap {
	m := &d.mended
	if len(m.holes) == 0 {
		return d.photo
	}
	if m.photo == nil {
		m.photo = paint.NewBitmap(d.photo.W, d.photo.H)
		copy(m.photo.Pix, d.photo.Pix)
		for _, h := range m.holes {
			h.fill(d.photo.W, d.photo.H, d.v,
				func(i int) colour { return colourOf(m.photo.Pix[i]) },
				func(i int, c colour) { m.photo.Pix[i] = premultiplied(c, 255) })
		}
	}
	return m.photo
}

// lookedAt is the photo whose pixels tell how much of them stays.
func (d *Desk) lookedAt() *paint.Bitmap {
	if d.mended.desk != nil {
		return d.shown()
	}
	return d.photo
}

// turned is a cut straightened about the photo's middle, and where its upper left pixel
// lies, counted from the photo's.
func turned(cut *paint.Bitmap, degrees float64) (*paint.Bitmap, image.Point) {
	sin, cos := math.Sincos(degrees * math.Pi / 180)
	w, h := float64(cut.W), float64(cut.H)
	tall, wide := math.Abs(w*sin)+math.Abs(h*cos), math.Abs(w*cos)+math.Abs(h*sin)
	out := paint.NewBitmap(int(math.Ceil(wide))+2, int(math.Ceil(tall))+2)
	at := image.Pt((cut.W-out.W)/2, (cut.H-out.H)/2)
	cx, cy := w/2, h/2
	// Out of the photo's pixels into those of the picture: about its middle, less its corner.
	to := f64.Aff3{
		cos, -sin, cx - cos*cx + sin*cy - float64(at.X),
		sin, cos, cy - sin*cx - cos*cy - float64(at.Y),
	}
	from := cut.Image()
	draw.CatmullRom.Transform(out.Image(), to, from, from.Bounds(), draw.Src, nil)
	clampPremultiplied(out)
	return out, at
}

// clampPremultiplied keeps colours within their opacity, which sharp filters exceed.
func clampPremultiplied(b *paint.Bitmap) {
	for i, p := range b.Pix {
		a := p >> 24
		b.Pix[i] = min(p&255, a) | min(p>>8&255, a)<<8 | min(p>>16&255, a)<<16 | a<<24
	}
}
