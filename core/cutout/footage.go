package cutout

import (
	"errors"
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/footage"
	"billow/core/paint"
)

// Footage is moving pictures of a thing, as one that turns before a wall or on card. Each
// picture is cut as a photo is; what keeps them together:
//
//   - It is looked at where things move from picture to picture (motion.go), and what is
//     told apart is told in a picture that is evened out with those before and after it
//     along that way: grain does not make an edge flicker.
//   - How thing and ground are told apart is found on a few pictures and is the same in all.
//   - What strokes on a picture change there is carried to all others (carry.go).
//
// Pictures are counted from 0. Any picture is cut by itself, the same whatever was asked
// before.
type Footage struct {
	w, h, frames int
	read         Read

	ways   []ways // from each picture to the next, as far as they were looked at
	tiny   []*tiny
	last   []kept // the pictures that were read last, the newest at the end
	common *common
	desks  []told        // that were worked on last, the newest last
	mattes []matted      // of the pictures that were cut last, for one order, the newest last
	said   map[int]*said // what strokes on a picture change
}

// Read gives a picture of footage with a share, 0..1, of the pixels of a side or more.
type Read func(frame int, share float64) (*paint.Bitmap, error)

// ways are where things of a picture lie in the next one, and the other way round.
type ways struct{ on, back *motion }

// MostFrames is how many pictures footage has at most that is cut.
const MostFrames = 900

// OpenFootage lays footage on the Bench: so many pictures of one size in pixels.
func OpenFootage(w, h, frames int, read Read) (*Footage, error) {
	if w < 2 || h < 2 || frames < 1 {
		return nil, clip.Fault("footage", "the footage has no pictures")
	}
	if frames > MostFrames {
		return nil, clip.Fault("footage", "the footage has %d pictures, and at most %d are cut: cut it shorter first", frames, MostFrames)
	}
	return &Footage{w: w, h: h, frames: frames, read: read, ways: make([]ways, frames-1), tiny: make([]*tiny, frames), said: map[int]*said{}}, nil
}

// OpenReel lays a reel on the Bench.
func OpenReel(r *footage.Reel) (*Footage, error) {
	return OpenFootage(r.W, r.H, r.Frames(), func(n int, share float64) (*paint.Bitmap, error) {
		p, _, err := r.Picture(n, share)
		if err != nil {
			return nil, err
		}
		return p.Picture, nil
	})
}

// DraftSize is the size of the draft of a picture.
func (f *Footage) DraftSize() (w, h int) { return workingSize(f.w, f.h, Working) }

// Check tells what of an order cannot be followed on footage.
func (f *Footage) Check(o Order) error {
	if len(o.Around) > 0 || len(o.Out) > 0 {
		return clip.Fault("around", "parts are cut out of photos, not of footage")
	}
	if len(o.Heals) > 0 {
		return clip.Fault("heals", "blemishes are healed in photos, not in footage")
	}
	if len(o.Pen) > 0 {
		return clip.Fault("pen", "a path cuts a photo; footage is cut by strokes")
	}
	if o.Shadow {
		return clip.Fault("shadow", "the shadow of a photo is kept, not that of footage")
	}
	if o.Turn != 0 {
		return clip.Fault("turn", "photos are straightened; footage is turned with its layer")
	}
	for _, s := range o.Strokes {
		if s.Frame < 0 || s.Frame >= f.frames {
			return clip.Fault("strokes", "a stroke lies on picture %d, and the footage has %d", s.Frame+1, f.frames)
		}
	}
	return o.Check(f.w, f.h)
}

// share is how much of a picture's detail is wanted to work on it.
func (f *Footage) share() float64 { return min(1, Working/float64(max(f.w, f.h))) }

// small is a picture at the working size as it was read.
func (f *Footage) small(n int) (*view, error) {
	b, err := f.read(n, f.share())
	if err != nil {
		return nil, err
	}
	v := &view{}
	v.w, v.h = workingSize(f.w, f.h, Working)
	v.across, v.down = float64(f.w)/float64(v.w), float64(f.h)/float64(v.h)
	v.average(b)
	v.noise = v.grain()
	return v, nil
}

// Look finds how things move from a picture to the next.
func (f *Footage) Look(n int) error {
	if n < 0 || n >= len(f.ways) || f.ways[n].on != nil {
		return nil
	}
	a, err := f.plain(n)
	if err != nil {
		return err
	}
	b, err := f.plain(n + 1)
	if err != nil {
		return err
	}
	f.ways[n] = ways{motionOf(a.greys, b.greys), motionOf(b.greys, a.greys)}
	return nil
}

// kept is a picture that was read.
type kept struct {
	frame int
	view  *view
	greys *greys
}

// nearby is how many pictures before and after one it is evened out with.
const nearby = 2

// plain is a picture at the working size, as it is.
func (f *Footage) plain(n int) (kept, error) {
	for _, k := range f.last {
		if k.frame == n {
			return k, nil
		}
	}
	v, err := f.small(n)
	if err != nil {
		return kept{}, err
	}
	k := kept{n, v, greysOf(v)}
	if f.tiny[n] == nil {
		f.tiny[n] = tinyOf(v, k.greys.w, k.greys.h)
	}
	if len(f.last) > 2*nearby+1 {
		f.last = slices.Delete(f.last, 0, 1)
	}
	f.last = append(f.last, k)
	return k, nil
}

// even is a picture at the working size with the grain of several: each pixel is averaged
// with where it was before and will be, as far as it looks the same there.
func (f *Footage) even(n int) (*view, error) {
	k, err := f.plain(n)
	if err != nil {
		return nil, err
	}
	out := *k.view
	out.pix = slices.Clone(k.view.pix)
	weight := make([]float32, len(out.pix))
	for i := range weight {
		weight[i] = 1
	}
	limit := alike(k.view)
	for _, step := range []int{-1, 1} {
		path, err := f.pathFrom(n)
		if err != nil {
			return nil, err
		}
		for m := n + step; m >= 0 && m < f.frames && m >= n-nearby && m <= n+nearby; m += step {
			if err := f.step(path, m-step, step); err != nil {
				return nil, err
			}
			o, err := f.plain(m)
			if err != nil {
				return nil, err
			}
			path.gather(k.view, o.view, limit, out.pix, weight)
		}
	}
	for i := range out.pix {
		out.pix[i] = out.pix[i].by(1 / weight[i])
	}
	out.noise = out.grain()
	return &out, nil
}

// way is the motion from a picture to the one before it or after it.
func (f *Footage) way(n, step int) (there, back *motion) {
	if step > 0 {
		return f.ways[n].on, f.ways[n].back
	}
	return f.ways[n-1].back, f.ways[n-1].on
}

// common is what all pictures have in common: how thing and ground are told apart.
type common struct {
	box    *[4]float64
	plain  bool
	mixing *mixing // of the surest picture, where the ground is not plain
	clear  float64
}

// tellers is how many pictures are asked.
const tellers = 5

// agree asks a few pictures how their thing and ground are told apart.
func (f *Footage) agree(o Order) (*common, error) {
	same := f.common != nil && (f.common.box == nil) == (o.Box == nil) && (o.Box == nil || *f.common.box == *o.Box)
	if same {
		return f.common, nil
	}
	c := &common{}
	if o.Box != nil {
		box := *o.Box
		c.box = &box
	}
	n := min(tellers, f.frames)
	plain := 0
	for i := range n {
		one, err := f.plain((2*i + 1) * f.frames / (2 * n))
		if err != nil {
			return nil, err
		}
		v := *one.view
		d := &Desk{v: &v, even: v.even()}
		k := d.learn(Order{Box: o.Box})
		switch {
		case k.ground != nil:
			plain++
		case c.mixing == nil || k.clear > c.clear:
			c.mixing, c.clear = k.mixing, k.clear
		}
	}
	if c.plain = 2*plain > n; c.plain {
		c.clear = 1
	}
	f.common, f.said = c, map[int]*said{}
	return c, nil
}

// instructed is a picture of which is known how thing and ground are told apart.
func (f *Footage) instructed(n int, o Order) (*Desk, error) {
	c, err := f.agree(o)
	if err != nil {
		return nil, err
	}
	for _, at := range f.desks {
		if at.frame == n && at.of == c {
			return at.desk, nil
		}
	}
	v, err := f.even(n)
	if err != nil {
		return nil, err
	}
	d := &Desk{v: v, even: v.even(), photo: &paint.Bitmap{W: f.w, H: f.h}}
	k := &learned{box: c.box, noise: d.v.noise, clear: c.clear}
	marks := marked(d.v, &Order{Box: o.Box})
	if c.plain || c.mixing == nil {
		k.before(d, groundOf(d.v, outsideOf(d.v, marks, o.boxed())), marks)
	} else {
		k.mixing = c.mixing.in(d.v, marks)
	}
	d.known = k
	if len(f.desks) == deskMost {
		f.desks = slices.Delete(f.desks, 0, 1)
	}
	f.desks = append(f.desks, told{n, c, d})
	return d, nil
}

// told is a picture of which is known how thing and ground are told apart.
type told struct {
	frame int
	of    *common
	desk  *Desk
}

// deskMost is how many of them are kept.
const deskMost = 4

// Cut makes the cut of one picture that an order wants. Draft alone is known of it, unless
// whole is wanted, which is evened out with the cuts around it. A picture on which the
// thing is not seen is no error: nothing of it stays.
func (f *Footage) Cut(n int, o Order, whole bool) (*Desk, error) {
	if n < 0 || n >= f.frames {
		return nil, clip.Fault("frame", "the footage has %d pictures", f.frames)
	}
	if err := f.Check(o); err != nil {
		return nil, err
	}
	if !whole {
		return f.cut(n, o)
	}
	d, err := f.steady(n, o)
	if err != nil {
		return nil, err
	}
	return d, f.Detail(n, d)
}

// Detail gives the cut of a picture its own pixels, which Desk.Part and Desk.Whole need.
func (f *Footage) Detail(n int, d *Desk) (err error) {
	if d.photo.Pix == nil {
		d.photo, err = f.read(n, 1)
	}
	return err
}

// Unseen are the pictures from which on it is not known yet how things move, and that are
// needed to cut one: looking at them first (Look) lets a person see how far that is.
func (f *Footage) Unseen(n int, o Order) (list []int) {
	first, last := max(0, n-nearby), min(f.frames-1, n+nearby)
	for _, s := range o.Strokes {
		first, last = min(first, s.Frame), max(last, s.Frame)
	}
	for i := max(first, 0); i < min(last, f.frames-1); i++ {
		if f.ways[i].on == nil {
			list = append(list, i)
		}
	}
	return list
}

// cut is the cut of a picture at the working size.
func (f *Footage) cut(n int, o Order) (*Desk, error) {
	beside, err := f.carried(n, o)
	if err != nil {
		return nil, err
	}
	d, err := f.instructed(n, o)
	if err != nil {
		return nil, err
	}
	d.beside, d.open = beside, nil
	if err := d.follow(on(o, n)); err != nil && !errors.Is(err, ErrNothing) {
		return nil, err
	}
	return d, nil
}

// on is an order with the strokes of one picture alone.
func on(o Order, n int) Order {
	var own []Stroke
	for _, s := range o.Strokes {
		if s.Frame == n {
			own = append(own, s)
		}
	}
	o.Strokes = own
	return o
}

// Sum is what is known of the cuts of all pictures: the method and reason of them, and a
// confidence that nine in ten reach.
func Sum(list []Found) Found {
	if len(list) == 0 {
		return Found{}
	}
	f := list[len(list)/2]
	sure := make([]float64, len(list))
	for i, one := range list {
		sure[i] = one.Confidence
	}
	slices.Sort(sure)
	f.Confidence = sure[len(sure)/10]
	f.Bounds = [4]int{math.MaxInt, math.MaxInt}
	for _, one := range list {
		if b := one.Bounds; b[0] < b[2] {
			f.Bounds = [4]int{min(f.Bounds[0], b[0]), min(f.Bounds[1], b[1]), max(f.Bounds[2], b[2]), max(f.Bounds[3], b[3])}
		}
	}
	if f.Bounds[2] == 0 {
		f.Bounds = [4]int{}
	}
	return f
}
