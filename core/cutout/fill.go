package cutout

import "math"

// fill is the filling of holes in a picture from what lies around them: every patch that
// touches a hole is to look as one that is whole, from coarse to fine (Y. Wexler,
// E. Shechtman, M. Irani, "Space-Time Completion of Video", PAMI 2007). Patches that look
// alike are found by spreading good guesses and trying others at random (C. Barnes et al.,
// "PatchMatch", SIGGRAPH 2009); what is random is seeded.
type fill struct {
	w, h   int
	pix    []colour
	hole   []bool
	source []bool  // a whole patch may be taken around it
	near   []int32 // of each pixel whose patch touches a hole: the middle of the patch it is like; else -1
	list   []int32 // those pixels, in their order
	seed   uint64
}

const (
	patch    = 3      // pixels from a patch's middle to its edge
	searched = 12_000 // pixels of a hole for which others are tried; where there are more, the guesses of the coarser size are kept
)

// fillHoles fills the holes of a picture in place. Nothing is changed when there is no
// whole patch around them.
func fillHoles(w, h int, pix []colour, hole []bool) {
	f := &fill{w: w, h: h, pix: pix, hole: hole, seed: 0x9e3779b97f4a7c15}
	f.prepare()
	if len(f.list) == 0 || !f.anySource() {
		return
	}
	f.diffuse()
	f.solve()
	f.settleLight()
}

// prepare finds which patches are whole and which touch a hole.
func (f *fill) prepare() {
	f.source = make([]bool, len(f.hole))
	f.near = make([]int32, len(f.hole))
	// How many holes lie above and to the left of each pixel tells how many a patch has.
	sum := make([]int32, (f.w+1)*(f.h+1))
	for y := range f.h {
		for x := range f.w {
			n := int32(0)
			if f.hole[y*f.w+x] {
				n = 1
			}
			sum[(y+1)*(f.w+1)+x+1] = n + sum[y*(f.w+1)+x+1] + sum[(y+1)*(f.w+1)+x] - sum[y*(f.w+1)+x]
		}
	}
	for y := range f.h {
		for x := range f.w {
			i := y*f.w + x
			x0, y0, x1, y1 := max(x-patch, 0), max(y-patch, 0), min(x+patch+1, f.w), min(y+patch+1, f.h)
			n := sum[y1*(f.w+1)+x1] - sum[y0*(f.w+1)+x1] - sum[y1*(f.w+1)+x0] + sum[y0*(f.w+1)+x0]
			f.near[i] = -1
			f.source[i] = n == 0 && x1-x0 == 2*patch+1 && y1-y0 == 2*patch+1
			if n > 0 {
				f.list = append(f.list, int32(i))
			}
		}
	}
}

func (f *fill) anySource() bool {
	for _, s := range f.source {
		if s {
			return true
		}
	}
	return false
}

// diffuse begins with the mean of what is around, from the edges of holes inwards.
func (f *fill) diffuse() {
	known := make([]bool, len(f.hole))
	var open []int32
	for i, h := range f.hole {
		known[i] = !h
		if h {
			open = append(open, int32(i))
		}
	}
	for len(open) > 0 {
		var rest, now []int32
		for _, at := range open {
			var sum colour
			n := float32(0)
			f.around(int(at), func(j int) {
				if known[j] {
					sum, n = sum.add(f.pix[j]), n+1
				}
			})
			if n == 0 {
				rest = append(rest, at)
				continue
			}
			f.pix[at] = sum.by(1 / n)
			now = append(now, at)
		}
		if len(now) == 0 {
			return
		}
		for _, at := range now {
			known[at] = true
		}
		open = rest
	}
}

func (f *fill) around(i int, with func(j int)) {
	x, y := i%f.w, i/f.w
	for _, d := range around {
		if nx, ny := x+d[0], y+d[1]; nx >= 0 && ny >= 0 && nx < f.w && ny < f.h {
			with(ny*f.w + nx)
		}
	}
}

// solve fills at half the size first, as long as that has a whole patch, and then goes on
// from what was found there.
func (f *fill) solve() {
	if small := f.halved(); small != nil {
		small.solve()
		f.takeOver(small)
	}
	rounds := 5
	if len(f.list) > searched {
		rounds = 1
	}
	for i := range f.list {
		if at := f.list[i]; f.near[at] < 0 {
			f.near[at] = f.anywhere()
		}
	}
	for n := range rounds {
		f.match(n%2 == 1, len(f.list) <= searched)
		f.vote()
	}
}

// halved is the problem at half the size, or nil where that would have too little around
// the holes.
func (f *fill) halved() *fill {
	w, h := f.w/2, f.h/2
	if min(w, h) < 4*patch+2 {
		return nil
	}
	o := &fill{w: w, h: h, pix: make([]colour, w*h), hole: make([]bool, w*h), seed: f.seed + 1}
	for y := range h {
		for x := range w {
			var sum, own colour
			n := float32(0)
			for _, i := range [4]int{2*y*f.w + 2*x, 2*y*f.w + 2*x + 1, (2*y+1)*f.w + 2*x, (2*y+1)*f.w + 2*x + 1} {
				sum = sum.add(f.pix[i])
				if f.hole[i] {
					o.hole[y*w+x] = true
				} else {
					own, n = own.add(f.pix[i]), n+1
				}
			}
			o.pix[y*w+x] = sum.by(.25)
			if n > 0 {
				o.pix[y*w+x] = own.by(1 / n)
			}
		}
	}
	o.prepare()
	holes := 0
	for _, is := range o.hole {
		if is {
			holes++
		}
	}
	if holes < 4 || !o.anySource() {
		return nil
	}
	return o
}

// takeOver begins with the patches that were found at half the size.
func (f *fill) takeOver(small *fill) {
	for _, at := range f.list {
		x, y := int(at)%f.w, int(at)/f.w
		sx, sy := min(x/2, small.w-1), min(y/2, small.h-1)
		n := small.near[sy*small.w+sx]
		if n < 0 {
			continue
		}
		nx, ny := 2*(int(n)%small.w)+x%2, 2*(int(n)/small.w)+y%2
		if nx < f.w && ny < f.h && f.source[ny*f.w+nx] {
			f.near[at] = int32(ny*f.w + nx)
		}
	}
	f.vote()
}

// random is the next number of a xorshift generator (G. Marsaglia, 2003), below n.
func (f *fill) random(n int) int {
	f.seed ^= f.seed << 13
	f.seed ^= f.seed >> 7
	f.seed ^= f.seed << 17
	return int((f.seed >> 11) % uint64(n))
}

func (f *fill) anywhere() int32 {
	for range 200 {
		if i := f.random(len(f.source)); f.source[i] {
			return int32(i)
		}
	}
	for i, s := range f.source { // few are whole
		if s {
			return int32(i)
		}
	}
	return -1
}

// match looks for better patches: those beside what neighbours are like, and, where others
// are tried, some at random, nearer and nearer to the best.
func (f *fill) match(back, tries bool) {
	step := 1
	if back {
		step = -1
	}
	for k := range f.list {
		if back {
			k = len(f.list) - 1 - k
		}
		at := int(f.list[k])
		x, y := at%f.w, at/f.w
		best := f.near[at]
		least := f.distance(at, int(best), 1e30)
		try := func(j int) {
			if j < 0 || j >= len(f.source) || !f.source[j] || int32(j) == best {
				return
			}
			if d := f.distance(at, j, least); d < least {
				least, best = d, int32(j)
			}
		}
		if px := x - step; px >= 0 && px < f.w && f.near[at-step] >= 0 {
			try(int(f.near[at-step]) + step)
		}
		if py := y - step; py >= 0 && py < f.h && f.near[at-step*f.w] >= 0 {
			try(int(f.near[at-step*f.w]) + step*f.w)
		}
		if tries {
			for reach := max(f.w, f.h); reach > 0; reach /= 2 {
				bx, by := int(best)%f.w, int(best)/f.w
				nx, ny := bx-reach+f.random(2*reach+1), by-reach+f.random(2*reach+1)
				if nx >= 0 && ny >= 0 && nx < f.w && ny < f.h {
					try(ny*f.w + nx)
				}
			}
		}
		f.near[at] = best
	}
}

// distance is the sum of squared differences of two patches, or more than most. Beyond the
// picture's edge nothing counts.
func (f *fill) distance(a, b int, most float32) (sum float32) {
	ax, ay := a%f.w, a/f.w
	for dy := max(-patch, -ay); dy <= min(patch, f.h-1-ay); dy++ {
		for dx := max(-patch, -ax); dx <= min(patch, f.w-1-ax); dx++ {
			k := dy*f.w + dx
			d := f.pix[a+k].sub(f.pix[b+k])
			sum += d.dot(d)
		}
		if sum >= most {
			return sum
		}
	}
	return sum
}

// vote gives each pixel of a hole the mean of what the patches that cover it would have
// there; those that are more alike count far more.
func (f *fill) vote() {
	sum := make([]colour, len(f.pix))
	weight := make([]float32, len(f.pix))
	for _, at := range f.list {
		from := f.near[at]
		if from < 0 {
			continue
		}
		d := f.distance(int(at), int(from), 1e30) / ((2*patch + 1) * (2*patch + 1))
		k := 1 / (1 + d*d/400)
		x, y := int(at)%f.w, int(at)/f.w
		for dy := max(-patch, -y); dy <= min(patch, f.h-1-y); dy++ {
			for dx := max(-patch, -x); dx <= min(patch, f.w-1-x); dx++ {
				i := int(at) + dy*f.w + dx
				if !f.hole[i] {
					continue
				}
				w := k
				if dx == 0 && dy == 0 {
					w *= 4
				}
				sum[i] = sum[i].add(f.pix[int(from)+dy*f.w+dx].by(w))
				weight[i] += w
			}
		}
	}
	for i, w := range weight {
		if w > 0 {
			f.pix[i] = sum[i].by(1 / w)
		}
	}
}

// settleLight lets a filling go over into what is around it: differences between
// neighbours are those of the patches that they are like, colours those of the edge (P.
// Pérez, M. Gangnet, A. Blake, "Poisson Image Editing", SIGGRAPH 2003). The equations are
// solved by successive over-relaxation.
func (f *fill) settleLight() {
	x0, y0, x1, y1 := f.w, f.h, 0, 0
	var open []int32
	for _, at := range f.list {
		if x, y := int(at)%f.w, int(at)/f.w; f.hole[at] && x > 0 && y > 0 && x < f.w-1 && y < f.h-1 {
			open = append(open, at)
			x0, y0, x1, y1 = min(x0, x), min(y0, y), max(x1, x), max(y1, y)
		}
	}
	side := max(x1-x0, y1-y0, 2)
	over := float32(2 / (1 + math.Sin(math.Pi/float64(side+1))))
	wanted := make([]colour, len(open)) // four times a pixel less its neighbours
	steps := [4]int{1, -1, f.w, -f.w}
	for k, at := range open {
		from := int(f.near[at])
		for _, d := range steps {
			diff := f.pix[from].sub(f.pix[from+d])
			if to := f.near[int(at)+d]; to >= 0 {
				diff = diff.add(f.pix[int(to)-d].sub(f.pix[to])).by(.5)
			}
			wanted[k] = wanted[k].add(diff)
		}
	}
	for range min(2*side, 200) {
		for k, at := range open {
			i := int(at)
			sum := f.pix[i+1].add(f.pix[i-1]).add(f.pix[i+f.w]).add(f.pix[i-f.w]).add(wanted[k]).by(.25)
			f.pix[i] = f.pix[i].add(sum.sub(f.pix[i]).by(over))
		}
	}
	for _, at := range open {
		for c, v := range f.pix[at] {
			f.pix[at][c] = min(max(v, 0), 255)
		}
	}
}
