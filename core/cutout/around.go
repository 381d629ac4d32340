package cutout

import (
	"image"
	"math"
	"reflect"

	"billow/core/paint"
)

// closer is a part of a photo with a desk of its own: what lies within a line is looked
// for there, so that a small thing is worked on as closely as a large one.
type closer struct {
	at   image.Rectangle
	desk *Desk
}

// room is how much of its surroundings is looked at beside a part, of its longer side.
const room = .6

// closerLook is the part of a photo that lies within a line, and what is around that.
func closerLook(photo *paint.Bitmap, around [][2]float64) image.Rectangle {
	x0, y0, x1, y1 := math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)
	for _, p := range around {
		x0, y0, x1, y1 = min(x0, p[0]), min(y0, p[1]), max(x1, p[0]), max(y1, p[1])
	}
	more := max(16, room*max(x1-x0, y1-y0))
	bound := func(v float64) int { return int(min(max(v, -1e6), 1e6)) }
	return image.Rect(bound(x0-more), bound(y0-more), bound(x1+more), bound(y1+more)).Intersect(image.Rect(0, 0, photo.W, photo.H))
}

// followCloser follows an order with a line around the thing.
func (d *Desk) followCloser(o Order) error {
	at := closerLook(d.photo, o.Around)
	if at.Empty() {
		d.alpha, d.sides, d.near = make([]float32, len(d.v.pix)), nil, nil
		d.found = Found{Method: Mixed, Why: "The line lies outside the photo."}
		return ErrNothing
	}
	if d.near == nil || d.near.at != at {
		photo := paint.NewBitmap(at.Dx(), at.Dy())
		photo.Put(d.photo, -at.Min.X, -at.Min.Y)
		desk, err := Open(photo)
		if err != nil {
			return err
		}
		d.near = &closer{at, desk}
	}
	err := d.near.desk.follow(o.moved(-float64(at.Min.X), -float64(at.Min.Y)))
	d.found = d.near.desk.found
	return err
}

// moved is an order for a photo whose corner lies elsewhere.
func (o Order) moved(dx, dy float64) Order {
	shift := func(list [][2]float64) [][2]float64 {
		out := make([][2]float64, len(list))
		for i, p := range list {
			out[i] = [2]float64{p[0] + dx, p[1] + dy}
		}
		return out
	}
	out := o
	out.Around = shift(o.Around)
	if o.Box != nil {
		out.Box = &[4]float64{o.Box[0] + dx, o.Box[1] + dy, o.Box[2], o.Box[3]}
	}
	out.Strokes = make([]Stroke, len(o.Strokes))
	for i, s := range o.Strokes {
		s.Points = shift(s.Points)
		out.Strokes[i] = s
	}
	out.Pen = make([][]Node, len(o.Pen))
	for i, path := range o.Pen {
		out.Pen[i] = make([]Node, len(path))
		for k, n := range path {
			n[0], n[1] = n[0]+dx, n[1]+dy
			out.Pen[i][k] = n
		}
	}
	out.Heals = make([]Heal, len(o.Heals))
	for i, h := range o.Heals {
		out.Heals[i] = Heal{h.X + dx, h.Y + dy, h.Radius}
	}
	return out
}

// part is what of a part of the photo lies in a closer look.
func (c *closer) part(part image.Rectangle) *paint.Bitmap {
	out := paint.NewBitmap(part.Dx(), part.Dy())
	if in := part.Intersect(c.at); !in.Empty() {
		out.Put(c.desk.Part(in.Sub(c.at.Min)), in.Min.X-part.Min.X, in.Min.Y-part.Min.Y)
	}
	return out
}

// draft is a closer look at the working size of the photo: the mean over each pixel.
func (c *closer) draft(v *view) *paint.Bitmap {
	out := paint.NewBitmap(v.w, v.h)
	cut := c.desk.Whole()
	for y := range v.h {
		y0, y1 := int(float64(y)*v.down)-c.at.Min.Y, int(math.Ceil(float64(y+1)*v.down))-c.at.Min.Y
		for x := range v.w {
			x0, x1 := int(float64(x)*v.across)-c.at.Min.X, int(math.Ceil(float64(x+1)*v.across))-c.at.Min.X
			if x1 <= 0 || y1 <= 0 || x0 >= cut.W || y0 >= cut.H {
				continue
			}
			var sum [4]uint32
			for j := max(y0, 0); j < min(y1, cut.H); j++ {
				for _, p := range cut.Pix[j*cut.W+max(x0, 0) : j*cut.W+min(x1, cut.W)] {
					for i := range sum {
						sum[i] += p >> (8 * i) & 255
					}
				}
			}
			n := uint32((x1 - x0) * (y1 - y0))
			for i, s := range sum {
				out.Pix[y*v.w+x] |= (s + n/2) / n << (8 * i)
			}
		}
	}
	return out
}

func same[T any](a, b []T) bool { return len(a) == len(b) && (len(a) == 0 || reflect.DeepEqual(a, b)) }
