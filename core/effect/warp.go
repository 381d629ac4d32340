package effect

import (
	"image"
	"math"

	"billow/core/paint"
)

// elsewhere says where a bent picture shows what: for a place in units of the layer about its centre, the
// place at which that lies in the picture as it was.
type elsewhere func(x, y float64) (ox, oy float64)

// warped is the picture with each place showing what lies elsewhere. by is how far things are moved at
// most, in units of the layer; steep is how much the way changes its slope within a unit, at most, which
// says how often it has to be worked out for a twentieth of a pixel to be right.
func warped(w Work, by, steep float64, from elsewhere) *paint.Sheet {
	k := w.Unit * w.Per // pixels a unit
	to, back := w.pixels()
	step := 8
	for step > 1 && float64(step*step)*steep/k > 8*0.05 { // a parabola's way from its chord
		step /= 2
	}
	return w.bent(by, func(room image.Rectangle) paint.Elsewhere {
		left, top := float64(room.Min.X), float64(room.Min.Y)
		return paint.NewNet(room.Dx(), room.Dy(), step, func(x, y float64) (float64, float64) {
			x, y = back.Apply(x+left+0.5, y+top+0.5)
			x, y = to.Apply(from(x, y))
			return x - 0.5, y - 0.5
		}).Row
	})
}

// bent is the picture with room for things that are moved by so many units, each pixel showing what is
// said for that room.
func (w Work) bent(by float64, of func(room image.Rectangle) paint.Elsewhere) *paint.Sheet {
	room := w.room(by)
	out := w.Pool.Any(room.Dx(), room.Dy())
	w.Picture.Warped(out, room.Min.X, room.Min.Y, of(room))
	w.Done()
	return paint.NewSheet(out, w.X+float64(room.Min.X), w.Y+float64(room.Min.Y), w.Per)
}

// turned is the picture with everything about a place, in units, turned and sized by how far out it lies:
// at r, (cos, sin) is what a way from the place is multiplied by, as complex numbers are, to be that from
// the place to what is shown there. From reach on nothing changes. by is as warped has it.
func turned(w Work, by, cx, cy, reach float64, at func(r float64) (cos, sin float64)) *paint.Sheet {
	to, back := w.pixels()
	// Sixteen steps a pixel, as long as that is a table of a reasonable size.
	per := 16 * w.Unit * w.Per
	if most := 1 << 16; reach*per > float64(most) {
		per = float64(most) / reach
	}
	steps := make([][2]int64, int(reach*per)+2) // 2^16ths
	for i := range steps {
		cos, sin := at((float64(i) + 0.5) / per)
		steps[i] = [2]int64{int64(math.Round(65536 * cos)), int64(math.Round(65536 * sin))}
	}
	// A quarter turn in units is not always one in pixels.
	quarter := back.Then(paint.Affine{B: 1, C: -1}).Then(to)
	px, py := to.Apply(cx, cy)
	return w.bent(by, func(room image.Rectangle) paint.Elsewhere {
		return func(y int, u, v []int32) (from, end int) {
			// The first pixel's way from the place: in pixels, and in units.
			x0, y0 := float64(room.Min.X)+0.5-px, float64(room.Min.Y+y)+0.5-py
			ex, ey := back.A*x0+back.C*y0, back.B*x0+back.D*y0
			from, end = nearer(ex, ey, back.A, back.B, reach, len(u))
			fixed := func(v float64) int64 { return int64(math.Round(256 * v)) }
			dx, dy := fixed(x0)+int64(from)<<8, fixed(y0)
			// Steps that are no whole pixels are added up: 2^24ths.
			fine := func(v float64) int64 { return int64(math.Round(v * (1 << 24))) }
			qx, qy := fine(quarter.A*(x0+float64(from))+quarter.C*y0), fine(quarter.B*(x0+float64(from))+quarter.D*y0)
			byX, byY := fine(quarter.A), fine(quarter.B)
			baseX, baseY := fixed(px-0.5), fixed(py-0.5)
			u, v = u[from:end], v[from:end]
			v = v[:len(u)]
			for i := range u {
				x, y := ex+back.A*float64(from+i), ey+back.B*float64(from+i)
				s := &steps[min(int(math.Sqrt(x*x+y*y)*per), len(steps)-1)]
				u[i] = int32(baseX + (dx*s[0]+(qx>>16)*s[1]+1<<15)>>16)
				v[i] = int32(baseY + (dy*s[0]+(qy>>16)*s[1]+1<<15)>>16)
				dx, qx, qy = dx+256, qx+byX, qy+byY
			}
			return from, end
		}
	})
}

// nearer is from and up to which of n steps of (dx, dy), from (x, y) on, one is nearer to the origin than
// a reach.
func nearer(x, y, dx, dy, reach float64, n int) (from, to int) {
	a, b, c := dx*dx+dy*dy, x*dx+y*dy, x*x+y*y-reach*reach
	root := b*b - a*c
	if a == 0 || root <= 0 {
		return 0, 0
	}
	root = math.Sqrt(root)
	whole := func(v float64) int { return int(min(max(v, 0), float64(n))) }
	from = whole(math.Ceil((-b - root) / a))
	return from, max(whole(math.Floor((-b+root)/a)+1), from)
}

// banded is the picture with each place showing what lies off units away along (alongX, alongY), by how
// far through its band it lies, 0 to 1: bands so many units wide follow each other along (acrossX,
// acrossY). by is as warped has it.
func banded(w Work, by, size, acrossX, acrossY, alongX, alongY float64, off func(part float64) float64) *paint.Sheet {
	to, back := w.pixels()
	const bits = 12
	var offU, offV [1 << bits]int32 // 256ths of a pixel
	for i := range offU {
		by := 256 * off((float64(i)+0.5)/(1<<bits))
		offU[i] = int32(math.Round(by * (to.A*alongX + to.C*alongY)))
		offV[i] = int32(math.Round(by * (to.B*alongX + to.D*alongY)))
	}
	// How far across the bands a pixel lies, in 2^32nds of one, of which only what is left of a whole one
	// matters.
	whole := func(v float64) uint32 { return uint32(int64(math.Round(math.Mod(v, 1<<20) * (1 << 32)))) }
	right, down := whole((back.A*acrossX+back.B*acrossY)/size), whole((back.C*acrossX+back.D*acrossY)/size)
	return w.bent(by, func(room image.Rectangle) paint.Elsewhere {
		x, y := back.Apply(float64(room.Min.X)+0.5, float64(room.Min.Y)+0.5)
		first := whole((x*acrossX + y*acrossY) / size)
		return func(y int, u, v []int32) (from, end int) {
			at := first + uint32(y)*down
			fromU, fromV := int32(room.Min.X)<<8, int32(room.Min.Y+y)<<8
			v = v[:len(u)]
			for i := range u {
				k := at >> (32 - bits)
				u[i], v[i] = fromU+offU[k], fromV+offV[k]
				fromU += 256
				at += right
			}
			return 0, len(u)
		}
	})
}

// room is the pixels that the picture takes when it reaches so many units beyond itself, as far as they
// are needed; (0, 0) is its own first one.
func (w Work) room(by float64) image.Rectangle {
	return w.within(int(math.Ceil(min(by*w.Unit*w.Per, mostMargin))) + 1)
}

// within is room for a margin in pixels.
func (w Work) within(margin int) image.Rectangle {
	all := image.Rect(0, 0, w.Picture.W, w.Picture.H).Inset(-margin)
	if w.Only.Empty() {
		return all
	}
	// In the space that knows what is needed, a unit is a pixel and sheets begin at whole ones.
	need := w.Only.Sub(image.Pt(int(math.Floor(w.X)), int(math.Floor(w.Y))))
	if w.X != math.Floor(w.X) || w.Y != math.Floor(w.Y) {
		need = need.Inset(-1)
	}
	if r := all.Intersect(need); !r.Empty() {
		return r
	}
	return image.Rect(0, 0, 1, 1)
}

// mostMargin is the most that a picture grows on each side, in pixels: what is bent that far is out of
// sight.
const mostMargin = 2000

// pixels maps units of the layer to pixels of the sheet, and back.
func (w Work) pixels() (to, back paint.Affine) {
	to = w.At.Then(paint.Scale(w.Per, w.Per)).Then(paint.Translate(-w.X, -w.Y))
	back, ok := to.Inverse()
	if !ok {
		return paint.Identity(), paint.Identity()
	}
	return to, back
}

// radians of degrees.
func radians(degrees float64) float64 { return degrees * math.Pi / 180 }

// share is a place in a box by percent of its sides from the middle.
func (b Box) share(v [4]float64) (x, y float64) { return v[0] / 100 * b.W, v[1] / 100 * b.H }

// fall goes from 1 at 0 to 0 at 1, evenly at both ends.
func fall(t float64) float64 {
	t = 1 - min(max(t, 0), 1)
	return t * t * (3 - 2*t)
}
