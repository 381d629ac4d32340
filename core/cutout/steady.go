package cutout

import (
	"reflect"
	"slices"
)

// matted is the cut of a picture of footage at the working size, by itself.
type matted struct {
	frame int
	order Order
	desk  *Desk
	alpha []float32
}

// matte is the cut of a picture as an order wants it, by itself.
func (f *Footage) matte(n int, o Order) (matted, error) {
	for _, m := range f.mattes {
		if m.frame == n && reflect.DeepEqual(m.order, o) {
			return m, nil
		}
	}
	d, err := f.cut(n, o)
	if err != nil {
		return matted{}, err
	}
	if len(f.mattes) > 2*nearby+1 {
		f.mattes = slices.Delete(f.mattes, 0, 1)
	}
	m := matted{n, o, d, d.alpha}
	f.mattes = append(f.mattes, m)
	return m, nil
}

// steady is the cut of a picture whose opacity is evened out with that of those before and
// after it, along the way that things move: so its border does not tremble from picture to
// picture.
func (f *Footage) steady(n int, o Order) (*Desk, error) {
	own, err := f.matte(n, o)
	if err != nil {
		return nil, err
	}
	here, err := f.plain(n)
	if err != nil {
		return nil, err
	}
	sum, weight := slices.Clone(own.alpha), make([]float32, len(own.alpha))
	limit := alike(here.view)
	for _, step := range []int{-1, 1} {
		p, err := f.pathFrom(n)
		if err != nil {
			return nil, err
		}
		for m := n + step; m >= 0 && m < f.frames && m >= n-nearby && m <= n+nearby; m += step {
			other, err := f.matte(m, o)
			if err != nil {
				return nil, err
			}
			if err := f.step(p, m-step, step); err != nil {
				return nil, err
			}
			k, err := f.plain(m)
			if err != nil {
				return nil, err
			}
			alpha := &greys{k.view.w, k.view.h, other.alpha}
			p.over(here.view, func(i int, x, y float32) {
				a := alpha.at(x, y)
				if a == own.alpha[i] {
					sum[i] += a
					weight[i]++
					return
				}
				if c, ok := k.view.between(x, y); ok {
					w := c.likeness(here.view.pix[i], limit)
					sum[i] += w * a
					weight[i] += w
				}
			})
		}
	}
	d := own.desk
	if d.open == nil || &d.alpha[0] != &own.alpha[0] { // it was used for something else since
		if d, err = f.cut(n, o); err != nil {
			return nil, err
		}
	}
	if d.open == nil { // nothing is seen on it
		return d, nil
	}
	for i := range sum {
		sum[i] /= 1 + weight[i]
	}
	d.alpha = sum
	d.sides = sidesOf(d.v, d.open, d.looked, sum)
	return d, nil
}

// alike is what a squared distance of colours is multiplied with, so that it is 1 from
// where on grain does not explain it.
func alike(v *view) float32 {
	return 1 / (18 * (v.noise*v.noise + 2))
}

// likeness is 1 for the same colour and 0 for one that is another.
func (a colour) likeness(b colour, limit float32) float32 {
	d := a.sub(b)
	t := d.dot(d) * limit
	if t >= 1 {
		return 0
	}
	return (1 - t) * (1 - t)
}
