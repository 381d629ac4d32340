package cutout

import (
	"errors"
	"image"
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/clip"
	"billow/core/paint"
)

func opaque(r, g, b float64) uint32 {
	return uint32(r+.5) | uint32(g+.5)<<8 | uint32(b+.5)<<16 | 0xff000000
}

// disc is a photo of a red disc on a ground, with edges that cover shares of pixels.
func disc(w, h int, cx, cy, radius float64, ground [3]float64) (*paint.Bitmap, []float64) {
	b, truth := paint.NewBitmap(w, h), make([]float64, w*h)
	for y := range h {
		for x := range w {
			far := math.Hypot(float64(x)+.5-cx, float64(y)+.5-cy)
			a := min(max(radius-far+.5, 0), 1)
			truth[y*w+x] = a
			b.Pix[y*w+x] = opaque(200*a+ground[0]*(1-a), 40*a+ground[1]*(1-a), 50*a+ground[2]*(1-a))
		}
	}
	return b, truth
}

func area(b *paint.Bitmap) (sum float64) {
	for _, p := range b.Pix {
		sum += float64(p>>24) / 255
	}
	return sum
}

func TestADiscOnPaperIsCut(t *testing.T) {
	photo, truth := disc(300, 260, 150, 130, 70, [3]float64{240, 240, 236})
	cut, found, err := Make(photo, Order{})
	if err != nil {
		t.Fatal(err)
	}
	if found.Method != Plain || found.NeedsALook() {
		t.Errorf("it was cut by %s with %.2f", found.Method, found.Confidence)
	}
	worst := 0.
	for i, p := range cut.Pix {
		worst = max(worst, math.Abs(float64(p>>24)/255-truth[i]))
	}
	if worst > .25 {
		t.Errorf("the worst pixel is %.2f off", worst)
	}
	if want := math.Pi * 70 * 70; math.Abs(area(cut)-want) > want*.004 {
		t.Errorf("it covers %.0f pixels, a disc of this radius %.0f", area(cut), want)
	}
	if want := [4]int{80, 60, 220, 200}; math.Abs(float64(found.Bounds[0]-want[0])) > 1 || math.Abs(float64(found.Bounds[3]-want[3])) > 1 {
		t.Errorf("it lies within %v, the disc within %v", found.Bounds, want)
	}
}

// The half clear pixels of a red disc on green are red, not brown.
func TestColourOfTheGroundIsGone(t *testing.T) {
	photo, _ := disc(300, 260, 150, 130, 70, [3]float64{40, 170, 60})
	cut, _, err := Make(photo, Order{})
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	for i, p := range cut.Pix {
		a := float64(p >> 24)
		if a < 60 || a > 200 {
			continue
		}
		n++
		r, g := float64(p&255)*255/a, float64(p>>8&255)*255/a
		if math.Abs(r-200) > 25 || math.Abs(g-40) > 25 {
			t.Fatalf("pixel %d has red %.0f and green %.0f; the disc has 200 and 40", i, r, g)
		}
	}
	if n < 100 {
		t.Errorf("only %d pixels are half clear", n)
	}
}

// A large photo is parted at a smaller size, yet its edge is as sharp as the photo's.
func TestALargePhotoKeepsItsEdge(t *testing.T) {
	photo, truth := disc(2000, 1500, 1000, 750, 400, [3]float64{60, 90, 180})
	cut, _, err := Make(photo, Order{})
	if err != nil {
		t.Fatal(err)
	}
	sum, n := 0., 0
	for i, p := range cut.Pix {
		off := math.Abs(float64(p>>24)/255 - truth[i])
		sum += off
		if off > .5 {
			n++
		}
	}
	if around := 2 * math.Pi * 400; sum > around*.35 || float64(n) > around*.02 {
		t.Errorf("the errors come to %.0f pixels, %d of them wrong, along an edge of %.0f", sum, n, around)
	}
}

func TestAPartOfACutIsWhatTheWholeHas(t *testing.T) {
	photo, _ := disc(900, 700, 450, 350, 200, [3]float64{60, 90, 180})
	d, err := Open(photo)
	if err != nil {
		t.Fatal(err)
	}
	if err := d.Follow(Order{Edge: Edge{Shift: -1.5, Feather: 2}}); err != nil {
		t.Fatal(err)
	}
	whole := d.Whole()
	part := d.Part(image.Rect(230, 300, 300, 360))
	for y := range part.H {
		for x := range part.W {
			if part.Pix[y*part.W+x] != whole.Pix[(y+300)*whole.W+x+230] {
				t.Fatalf("pixel %d, %d of the part is not that of the whole", x, y)
			}
		}
	}
}

// Moved outwards and inwards, a disc has another radius; feathered, it covers as much as
// before.
func TestTheEdgeIsMoved(t *testing.T) {
	photo, _ := disc(300, 260, 150, 130, 70, [3]float64{240, 240, 236})
	for _, c := range []struct {
		edge   Edge
		radius float64
	}{{Edge{}, 70}, {Edge{Shift: 3}, 73}, {Edge{Shift: -4.5}, 65.5}, {Edge{Feather: 5}, 70}, {Edge{Smooth: 3}, 70}} {
		cut, _, err := Make(photo, Order{Edge: c.edge})
		if err != nil {
			t.Fatal(err)
		}
		if got := math.Sqrt(area(cut) / math.Pi); math.Abs(got-c.radius) > .5 {
			t.Errorf("%+v: the disc's radius is %.2f, not %.1f", c.edge, got, c.radius)
		}
	}
}

func TestSpecksAreDropped(t *testing.T) {
	m := &opacity{w: 60, h: 40, a: make([]uint8, 60*40)}
	square := func(x0, y0, side int, a uint8) {
		for y := y0; y < y0+side; y++ {
			for x := x0; x < x0+side; x++ {
				m.a[y*m.w+x] = a
			}
		}
	}
	square(5, 5, 30, 255)
	square(15, 15, 3, 0)   // a small hole
	square(22, 20, 9, 0)   // a large one
	square(45, 10, 4, 255) // a speck
	m.despeckle(8)
	for _, c := range []struct {
		x, y int
		want uint8
	}{{16, 16, 255}, {26, 24, 0}, {46, 11, 0}, {6, 6, 255}} {
		if got := m.a[c.y*m.w+c.x]; got != c.want {
			t.Errorf("pixel %d, %d has %d, not %d", c.x, c.y, got, c.want)
		}
	}
}

// Two discs are found; a stroke takes one of them away, and a later one brings it back.
func TestStrokesSayWhatStays(t *testing.T) {
	photo, _ := disc(400, 240, 110, 120, 60, [3]float64{240, 240, 236})
	other, truth := disc(400, 240, 300, 120, 50, [3]float64{240, 240, 236})
	for i, a := range truth {
		if a > 0 {
			photo.Pix[i] = other.Pix[i]
		}
	}
	goes := Stroke{Radius: 12, Points: [][2]float64{{270, 120}, {330, 120}}}
	all := Stroke{Radius: 55, Points: [][2]float64{{300, 120}}}
	stays := goes
	stays.Stays = true
	at := func(strokes ...Stroke) (left, right bool) {
		t.Helper()
		cut, _, err := Make(photo, Order{Strokes: strokes})
		if err != nil {
			t.Fatal(err)
		}
		return cut.Pix[120*400+110]>>24 > 200, cut.Pix[120*400+300]>>24 > 200
	}
	if left, right := at(); !left || !right {
		t.Error("both discs are there at first")
	}
	if left, right := at(all); !left || right {
		t.Errorf("left %v, right %v: the right one was painted away", left, right)
	}
	if left, right := at(all, stays); !left || !right {
		t.Errorf("left %v, right %v: what is said last counts", left, right)
	}
}

func TestABoxKeepsWhatLiesInIt(t *testing.T) {
	photo, _ := disc(400, 240, 110, 120, 60, [3]float64{240, 240, 236})
	cut, _, err := Make(photo, Order{Box: &[4]float64{40, 50, 60, 140}})
	if err != nil {
		t.Fatal(err)
	}
	if b, _ := cut.Visible(); b[2] > 102 {
		t.Errorf("what is seen reaches to %d, the box to 100", b[2])
	}
}

func TestOrdersThatCannotBeFollowed(t *testing.T) {
	photo, _ := disc(100, 80, 50, 40, 20, [3]float64{240, 240, 236})
	for _, c := range []struct {
		order Order
		field string
	}{
		{Order{Box: &[4]float64{200, 10, 20, 20}}, "box"},
		{Order{Box: &[4]float64{10, 10, 0, 20}}, "box"},
		{Order{Box: &[4]float64{10, 10, math.NaN(), 20}}, "box"},
		{Order{Strokes: []Stroke{{Radius: 5}}}, "strokes[0]"},
		{Order{Strokes: []Stroke{{Radius: -1, Points: [][2]float64{{1, 1}}}}}, "strokes[0]"},
		{Order{Strokes: []Stroke{{Radius: 1, Points: [][2]float64{{math.Inf(1), 1}}}}}, "strokes[0]"},
		{Order{Edge: Edge{Feather: 80}}, "edge.feather"},
	} {
		_, _, err := Make(photo, c.order)
		var p *clip.FieldError
		if !errors.As(err, &p) || p.Field != c.field || p.Reason == "" {
			t.Errorf("%+v gives %v", c.order, err)
		}
	}
}

func TestOddPhotos(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	noise := paint.NewBitmap(120, 90)
	for i := range noise.Pix {
		noise.Pix[i] = r.Uint32() | 0xff000000
	}
	filled := func(w, h int, p uint32) *paint.Bitmap {
		b := paint.NewBitmap(w, h)
		for i := range b.Pix {
			b.Pix[i] = p
		}
		return b
	}
	faint := filled(120, 90, 0xffffffff)
	for y := 30; y < 60; y++ {
		for x := 40; x < 80; x++ {
			faint.Pix[y*120+x] = 0xfffdfdfd
		}
	}
	for name, b := range map[string]*paint.Bitmap{
		"one pixel": filled(1, 1, 0xff102030), "a row": filled(300, 1, 0xffffffff), "a column": filled(2, 300, 0xff00ff00),
		"all white": filled(200, 100, 0xffffffff), "noise": noise, "white on white": faint, "all black": filled(50, 50, 0xff000000),
	} {
		cut, found, err := Make(b, Order{})
		switch {
		case errors.Is(err, ErrNothing):
		case err != nil:
			t.Errorf("%s: %v", name, err)
		case cut.W != b.W || cut.H != b.H:
			t.Errorf("%s: the cut has %d by %d pixels", name, cut.W, cut.H)
		case !found.NeedsALook():
			t.Errorf("%s: is said to be sure (%.2f, %s)", name, found.Confidence, found.Method)
		}
	}
	if _, err := Open(paint.NewBitmap(0, 5)); err == nil {
		t.Error("a photo without pixels is opened")
	}
}

// A picture that is clear already keeps its opacity, and its colours.
func TestAClearPictureIsKept(t *testing.T) {
	b := paint.NewBitmap(20, 20)
	b.Pix[45], b.Pix[46] = 0x80400000, 0xff112233
	cut, found, err := Make(b, Order{})
	if err != nil {
		t.Fatal(err)
	}
	if found.Method != Clear || cut.Pix[45] != 0x80400000 || cut.Pix[46] != 0xff112233 {
		t.Errorf("%s gives %08x and %08x", found.Method, cut.Pix[45], cut.Pix[46])
	}
}

// Whatever is ordered of whatever photo, the answer is a cut of its size or a reason.
func FuzzMake(f *testing.F) {
	f.Add(uint64(1), 30, 20, 5., 5., 10., 8., 12., 9., 3., true)
	f.Add(uint64(2), 1, 64, 0., 0., 1., 64., 0., 0., 0., false)
	f.Add(uint64(3), 64, 3, -9., -9., 40., 40., 70., 1., 30., true)
	f.Fuzz(func(t *testing.T, seed uint64, w, h int, bx, by, bw, bh, x, y, radius float64, stays bool) {
		if w < 1 || h < 1 || w > 90 || h > 90 {
			return
		}
		r := rand.New(rand.NewPCG(seed, 1))
		b := paint.NewBitmap(w, h)
		base := r.Uint32()
		for i := range b.Pix {
			b.Pix[i] = base | 0xff000000
			if r.IntN(3) == 0 {
				b.Pix[i] ^= r.Uint32() & 0x3f3f3f
			}
		}
		o := Order{Box: &[4]float64{bx, by, bw, bh}, Strokes: []Stroke{
			{Stays: stays, Radius: radius, Points: [][2]float64{{x, y}, {y, x}}},
			{Stays: !stays, Radius: radius, Points: [][2]float64{{x, y}}, Seeks: true},
			{Stays: stays, Points: [][2]float64{{x, y}, {bx, by}, {bw, bh}}, Inside: true},
		}}
		cut, found, err := Make(b, o)
		if err == nil && (cut.W != w || cut.H != h || found.Why == "" || !(found.Confidence >= 0 && found.Confidence <= 1)) {
			t.Errorf("%d by %d gives %d by %d, %+v", w, h, cut.W, cut.H, found)
		}
	})
}
