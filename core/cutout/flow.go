package cutout

// flow finds the cheapest way to part the pixels of a grid into thing and ground: the
// minimal cut of Boykov and Kolmogorov, "An Experimental Comparison of Min-Cut/Max-Flow
// Algorithms for Energy Minimization in Vision", PAMI 2004. Each pixel has a price for
// being ground and one for being the thing, and each pair of its eight neighbours a
// price for being parted. Two trees grow towards each other over links with room left;
// where they meet, flow is sent, and what loses its parent looks for another one.
type flow struct {
	w, h   int
	room   [8][]int32 // left from a pixel to its neighbour
	excess []int32    // left from the thing's end (above 0) or to the ground's end (below 0)
	tree   []int8     // thing, ground or free
	parent []int8     // the direction of a pixel's parent; root or none
	mark   []int32    // when the way to the root was last known
	far    []int32    // and how long it was
	in     []bool     // pixels that take part; nil is all
	active ring
	queued []bool
	orphan []int32
	now    int32
	step   [8]int
}

const (
	free   int8 = 0
	thing  int8 = 1
	ground int8 = -1

	root int8 = 8
	none int8 = 9
)

// around are the eight neighbours; that of direction i looks back by i^1.
var around = [8][2]int{{1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {-1, -1}, {1, -1}, {-1, 1}}

// ring is a queue of pixels.
type ring struct{ list, next []int32 }

func (r *ring) put(i int32) { r.next = append(r.next, i) }

func (r *ring) take() (int32, bool) {
	if len(r.list) == 0 {
		if len(r.next) == 0 {
			return 0, false
		}
		r.list, r.next = r.next, r.list[:0]
		for a, b := 0, len(r.list)-1; a < b; a, b = a+1, b-1 {
			r.list[a], r.list[b] = r.list[b], r.list[a]
		}
	}
	i := r.list[len(r.list)-1]
	r.list = r.list[:len(r.list)-1]
	return i, true
}

func newFlow(w, h int) *flow {
	n := w * h
	f := &flow{
		w: w, h: h, excess: make([]int32, n), tree: make([]int8, n), parent: make([]int8, n),
		mark: make([]int32, n), far: make([]int32, n), queued: make([]bool, n),
	}
	for d := range f.room {
		f.room[d] = make([]int32, n)
		f.step[d] = around[d][1]*w + around[d][0]
	}
	return f
}

// link gives the pair of a pixel and its neighbour in an even direction a price for
// being parted.
func (f *flow) link(i, d int, price int32) {
	f.room[d][i] = price
	f.room[d^1][i+f.step[d]] = price
}

// prices gives a pixel its price for being ground and that for being the thing.
func (f *flow) prices(i int, beGround, beThing int32) { f.excess[i] = beGround - beThing }

// run finds the cut; then thing(i) tells the side of a pixel.
func (f *flow) run() {
	for i, e := range f.excess {
		f.parent[i] = none
		if e == 0 || (f.in != nil && !f.in[i]) {
			continue
		}
		f.tree[i] = thing
		if e < 0 {
			f.tree[i] = ground
		}
		f.parent[i] = root
		f.far[i] = 1
		f.wake(int32(i))
	}
	var current int32 = -1
	for {
		if current < 0 || f.tree[current] == free {
			i, ok := f.active.take()
			if !ok {
				return
			}
			f.queued[i] = false
			if f.tree[i] == free {
				continue
			}
			current = i
		}
		d := f.grow(int(current))
		f.now++
		if d < 0 {
			current = -1
			continue
		}
		f.send(int(current), d)
		f.adopt()
	}
}

func (f *flow) wake(i int32) {
	if !f.queued[i] {
		f.queued[i] = true
		f.active.put(i)
	}
}

// grow lets a pixel's tree take free neighbours; it answers with the direction in which
// the other tree was met, or -1.
func (f *flow) grow(i int) int {
	mine := f.tree[i]
	for d := range 8 {
		j := i + f.step[d]
		if !f.roomy(i, d, mine) {
			continue
		}
		switch f.tree[j] {
		case free:
			f.tree[j], f.parent[j] = mine, int8(d^1)
			f.mark[j], f.far[j] = f.mark[i], f.far[i]+1
			f.wake(int32(j))
		case mine:
			if f.mark[j] <= f.mark[i] && f.far[j] > f.far[i] && f.parent[j] != root {
				f.parent[j] = int8(d ^ 1)
				f.mark[j], f.far[j] = f.mark[i], f.far[i]+1
			}
		default:
			return d
		}
	}
	return -1
}

// roomy tells whether the tree can go on from pixel i in a direction: flow runs from the
// thing's end to the ground's.
func (f *flow) roomy(i, d int, mine int8) bool {
	if mine == thing {
		return f.room[d][i] > 0
	}
	j := i + f.step[d]
	if j < 0 || j >= len(f.tree) {
		return false
	}
	return f.room[d^1][j] > 0
}

// send sends as much flow as there is room for along the way through pixel i and its
// neighbour in direction d.
func (f *flow) send(i, d int) {
	j := i + f.step[d]
	if f.tree[i] == ground {
		i, j, d = j, i, d^1
	}
	most := f.room[d][i]
	for k := i; ; {
		p := f.parent[k]
		if p == root {
			most = min(most, f.excess[k])
			break
		}
		k += f.step[p]
		most = min(most, f.room[p^1][k])
	}
	for k := j; ; {
		p := f.parent[k]
		if p == root {
			most = min(most, -f.excess[k])
			break
		}
		most = min(most, f.room[p][k])
		k += f.step[p]
	}
	f.room[d][i] -= most
	f.room[d^1][j] += most
	for k := i; ; {
		p := f.parent[k]
		if p == root {
			if f.excess[k] -= most; f.excess[k] == 0 {
				f.lose(k)
			}
			break
		}
		up := k + f.step[p]
		f.room[p][k] += most
		if f.room[p^1][up] -= most; f.room[p^1][up] == 0 {
			f.lose(k)
		}
		k = up
	}
	for k := j; ; {
		p := f.parent[k]
		if p == root {
			if f.excess[k] += most; f.excess[k] == 0 {
				f.lose(k)
			}
			break
		}
		up := k + f.step[p]
		f.room[p^1][up] += most
		if f.room[p][k] -= most; f.room[p][k] == 0 {
			f.lose(k)
		}
		k = up
	}
}

func (f *flow) lose(i int) {
	f.parent[i] = none
	f.orphan = append(f.orphan, int32(i))
}

// adopt finds new parents for pixels that have lost theirs, or sets them free.
func (f *flow) adopt() {
	for len(f.orphan) > 0 {
		i := int(f.orphan[len(f.orphan)-1])
		f.orphan = f.orphan[:len(f.orphan)-1]
		mine := f.tree[i]
		best, least := none, int32(1<<30)
		for d := range 8 {
			if !f.fed(i, d, mine) {
				continue
			}
			j := i + f.step[d]
			if f.tree[j] != mine || f.parent[j] == none {
				continue
			}
			if far := f.toRoot(j); far < least {
				best, least = int8(d), far
			}
		}
		if best != none {
			f.parent[i], f.mark[i], f.far[i] = best, f.now, least+1
			continue
		}
		for d := range 8 {
			j := i + f.step[d]
			if j < 0 || j >= len(f.tree) || f.tree[j] != mine || !f.beside(i, d) {
				continue
			}
			if f.fed(i, d, mine) {
				f.wake(int32(j))
			}
			if p := f.parent[j]; p < root && j+f.step[p] == i {
				f.lose(j)
			}
		}
		f.tree[i] = free
	}
}

// fed tells whether a neighbour could be the parent of a pixel.
func (f *flow) fed(i, d int, mine int8) bool {
	if mine == ground {
		return f.room[d][i] > 0
	}
	j := i + f.step[d]
	if j < 0 || j >= len(f.tree) {
		return false
	}
	return f.room[d^1][j] > 0
}

// beside tells whether the neighbour in a direction lies within the grid.
func (f *flow) beside(i, d int) bool {
	x := i%f.w + around[d][0]
	y := i/f.w + around[d][1]
	return x >= 0 && x < f.w && y >= 0 && y < f.h
}

// toRoot is how far it is from a pixel to the end of its tree, or very far when there is
// no way any more; what was walked is remembered.
func (f *flow) toRoot(j int) int32 {
	const lost = int32(1 << 30)
	var far int32
	for k := j; ; {
		if f.mark[k] == f.now && f.now > 0 && f.parent[k] != none {
			far += f.far[k]
			break
		}
		p := f.parent[k]
		far++
		if p == root {
			f.mark[k], f.far[k] = f.now, 1
			break
		}
		if p == none {
			return lost
		}
		k += f.step[p]
	}
	for k, left := j, far; f.mark[k] != f.now; left-- {
		f.mark[k], f.far[k] = f.now, left
		k += f.step[f.parent[k]]
	}
	return far
}

// isThing tells the side of a pixel after the cut. What neither end reaches is ground.
func (f *flow) isThing(i int) bool { return f.tree[i] == thing }
