package graph

import (
	"image"
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/colour"
	"billow/core/effect"
	"billow/core/paint"
)

// shelf keeps sheets and counts how often one is made.
type shelf struct {
	kept map[Key]*paint.Sheet
	made int
}

func (s *shelf) Kept(k Key, draw func() *paint.Sheet) *paint.Sheet {
	if got := s.kept[k]; got != nil {
		return got
	}
	s.made++
	s.kept[k] = draw()
	return s.kept[k]
}

func newShelf() *shelf { return &shelf{kept: map[Key]*paint.Sheet{}} }

// square is an opaque square of so many units about its centre, a pixel a unit.
func square(side int, pixel uint32) *Node {
	return Source(Key{}.Text("square").Nums(float64(side)).Word(uint64(pixel)), func() *paint.Sheet {
		b := paint.NewBitmap(side, side)
		b.Fill(pixel)
		return paint.NewSheet(b, -float64(side)/2, -float64(side)/2, 1)
	})
}

const (
	red  = 0xFF0000FF
	blue = 0xFFFF0000
)

func at(x, y float64) Placement { return Placement{At: paint.Translate(x, y), Opacity: 1} }

func TestEveryPartOfAKeyCounts(t *testing.T) {
	seen := map[Key]string{}
	add := func(name string, k Key) {
		t.Helper()
		if other, ok := seen[k]; ok {
			t.Errorf("%s and %s have the same key", name, other)
		}
		seen[k] = name
	}
	add("nothing", Key{})
	add("0", Key{}.Word(0))
	add("0 0", Key{}.Word(0).Word(0))
	add("1", Key{}.Word(1))
	add("1 0", Key{}.Word(1).Word(0))
	add("0 1", Key{}.Word(0).Word(1))
	add("1.0", Key{}.Nums(1))
	add("text", Key{}.Text("a long text, ab"))
	add("text with a zero", Key{}.Text("a long text, ab\x00"))
	add("two texts", Key{}.Text("a long ").Text("text, ab"))
	add("colour", Key{}.Colour(colour.RGB(0x010203)))
	add("matrix", Key{}.Matrix(paint.Affine{A: 1}))
	add("another", Key{}.Matrix(paint.Affine{B: 1}))
	for i := range 200_000 {
		add("a number", Key{}.Nums(float64(i)/7, -3))
	}
	again := Key{}.Text("text with a zero")
	if seen[Key{}.Text("a long text, ab\x00")] == "" || seen[again] != "" {
		t.Error("the same has two keys, or another text one of them")
	}
}

func TestWhatIsTheSameIsMadeOnce(t *testing.T) {
	store := newShelf()
	p := NewPainter(100, 100, store)
	dst := paint.NewBitmap(100, 100)
	for range 3 {
		soft := Filtered(square(20, red), Silhouette{Sigma: 3, Pixel: 0xFF000000})
		p.Draw(dst, []*Node{p.Place(soft, at(50, 54)), p.Place(square(20, red), at(50, 50))})
	}
	if store.made != 2 {
		t.Errorf("%d sheets were made, want the square and its shadow", store.made)
	}
}

// counting is a filter that changes nothing and counts.
type counting struct{ times *int }

func (c counting) Key(k Key) Key  { return k.Text("counting") }
func (c counting) Reach() float64 { return 0 }
func (c counting) Apply(in *paint.Sheet, _ bool, _ *paint.Pool) *paint.Sheet {
	*c.times++
	out := *in
	return &out
}

func TestAWholeThatStandsStillIsNotMadeAgain(t *testing.T) {
	p, times := NewPainter(100, 100, newShelf()), 0
	dst := paint.NewBitmap(100, 100)
	for i := range 6 {
		moving := p.Place(square(10, blue), at(float64(20+i), 20))
		group := Filtered(Stack([]*Node{p.Place(square(30, red), at(60, 60))}), counting{&times})
		p.Draw(dst, []*Node{moving, p.Place(group, at(0, 0))})
		if dst.Pix[60*100+60] != red || dst.Pix[20*100+20+i] != blue {
			t.Fatalf("frame %d is wrong", i)
		}
	}
	// Once when it is new, once to be kept.
	if times != 2 {
		t.Errorf("it was made %d times in six frames", times)
	}
}

func TestASheetIsOnlyAsLargeAsWhatIsOnIt(t *testing.T) {
	p := NewPainter(1000, 1000, newShelf())
	group := Stack([]*Node{p.Place(square(30, red), at(200, 300)), p.Place(square(30, blue), at(240, 300))})
	if b := group.Bounds; !image.Rect(185, 285, 255, 315).In(b) || b.Dx() > 80 || b.Dy() > 40 {
		t.Errorf("two squares of 30 lie in %v", b)
	}
	s, mine := p.make(group, p.frame)
	if !mine || s.Picture.W > 80 || s.Picture.H > 40 {
		t.Errorf("their sheet has %d by %d pixels", s.Picture.W, s.Picture.H)
	}
	if s, _ := p.make(Stack(nil), p.frame); s != nil {
		t.Error("nothing has a sheet")
	}
	if s, _ := p.make(Stack([]*Node{p.Place(square(30, red), at(-400, 30))}), p.frame); s != nil {
		t.Error("what lies outside has a sheet")
	}
}

// A blurred whole that reaches over the frame's edge is as opaque there as in
// its middle, since what lies beyond counts.
func TestWhatLiesBeyondTheFrameCountsForABlur(t *testing.T) {
	p := NewPainter(200, 200, newShelf())
	dst := paint.NewBitmap(200, 200)
	whole := Stack([]*Node{p.Place(square(160, 0xFFFFFFFF), at(0, 100))})
	soft := Filtered(whole, Effected{Effect: &effect.Blur, Values: effect.Values{{10}}, Unit: 1})
	p.Draw(dst, []*Node{p.Place(soft, at(0, 0))})
	if got := dst.Pix[100*200] & 255; got < 253 {
		t.Errorf("at the frame's edge there is %d of 255", got)
	}
	// Its own edge at 80 is half as bright, a deviation out 15.9 percent.
	if got := float64(dst.Pix[100*200+80]&255) / 255; math.Abs(got-0.5) > 0.05 {
		t.Errorf("on its edge there is %.2f", got)
	}
	if got := float64(dst.Pix[100*200+90]&255) / 255; math.Abs(got-0.159) > 0.04 {
		t.Errorf("ten pixels out there is %.2f", got)
	}
}

func TestAMatteCutsToWhatAnotherCovers(t *testing.T) {
	p := NewPainter(100, 100, newShelf())
	dst := paint.NewBitmap(100, 100)
	in := Stack([]*Node{p.Place(square(40, red), at(40, 40))})
	by := Stack([]*Node{p.Place(square(40, blue), at(60, 60))})
	p.Draw(dst, []*Node{p.Place(Matte(in, by, nil, Cutting{}), at(0, 0))})
	for y := range 100 {
		for x := range 100 {
			want := uint32(0xFF000000)
			if x >= 40 && x < 60 && y >= 40 && y < 60 {
				want = red
			}
			if got := dst.Pix[y*100+x]; got != want {
				t.Fatalf("at %d,%d there is %08x, want %08x", x, y, got, want)
			}
		}
	}
	// A matte of nothing leaves nothing.
	p.Draw(dst, []*Node{p.Place(Matte(in, Stack(nil), nil, Cutting{}), at(0, 0))})
	if dst.Pix[50*100+50] != 0xFF000000 {
		t.Error("cut to nothing something is left")
	}
}

func TestACutHasSoftEdges(t *testing.T) {
	b := paint.NewBitmap(20, 20)
	b.Fill(red)
	in := paint.NewSheet(b, 0, 0, 1)
	cut := Cut{Left: 4.5, Top: 3, Right: 12, Bottom: 10, At: paint.Identity()}
	out := cut.Apply(in, false, nil)
	o := out.Picture
	if out.X != 4 || out.Y != 3 || o.W != 8 || o.H != 7 {
		t.Fatalf("it is %d by %d at %g,%g", o.W, o.H, out.X, out.Y)
	}
	// The first column is half covered.
	if a := o.Pix[3*8] >> 24; a < 126 || a > 129 {
		t.Errorf("the edge has an alpha of %d, want 128", a)
	}
	if o.Pix[3*8+4] != red {
		t.Errorf("within there is %08x", o.Pix[3*8+4])
	}
	for _, r := range [][4]float64{{30, 30, 40, 40}, {5, 5, 5, 9}, {9, 9, 2, 2}, {-9, -9, -2, -2}} {
		cut := Cut{Left: r[0], Top: r[1], Right: r[2], Bottom: r[3], Radius: 3, At: paint.Identity()}
		if o := cut.Apply(in, false, nil).Picture; o.Pix[0] != 0 || o.W != 1 {
			t.Errorf("%v leaves %d by %d", r, o.W, o.H)
		}
	}
	// Turned by 45 degrees a square of 10 covers 100 pixels still.
	turned := Cut{Left: -5, Top: -5, Right: 5, Bottom: 5, At: paint.Rotate(45).Then(paint.Translate(10, 10))}
	sum := 0.0
	for _, p := range turned.Apply(in, false, nil).Picture.Pix {
		sum += float64(p>>24) / 255
	}
	if math.Abs(sum-100) > 0.5 {
		t.Errorf("a turned square covers %.2f pixels, want 100", sum)
	}
}

// TestDrawingInAnyOrderGivesTheSame draws random scenes with one painter, which
// keeps what it can, and each with a new one, which has nothing to keep.
func TestDrawingInAnyOrderGivesTheSame(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 8))
	kept := NewPainter(120, 90, newShelf())
	got, want := paint.NewBitmap(120, 90), paint.NewBitmap(120, 90)
	for range 400 {
		choices := [12]int{}
		for i := range choices {
			choices[i] = r.IntN(3)
		}
		kept.Draw(got, random(kept, choices))
		fresh := NewPainter(120, 90, newShelf())
		fresh.Draw(want, random(fresh, choices))
		for i := range got.Pix {
			if got.Pix[i] != want.Pix[i] {
				t.Fatalf("%v: at %d,%d there is %08x, want %08x", choices, i%120, i/120, got.Pix[i], want.Pix[i])
			}
		}
	}
}

// random is a scene with few different parts, so that much is the same from one
// to the next.
func random(p *Painter, c [12]int) []*Node {
	n := func(i int) float64 { return float64(c[i]) }
	under := p.Place(square(60, 0xFF336699), at(40+n(0), 40))
	inside := []*Node{p.Place(square(30, red), at(30+n(1), 30)), p.Place(square(30, blue), Placement{At: paint.Rotate(20 * n(2)).Then(paint.Translate(55, 45)), Opacity: 0.8})}
	whole := Stack(inside)
	if c[3] > 0 {
		whole = Matte(whole, Stack([]*Node{p.Place(square(50, red), at(50+20*n(4), 40))}), nil, Cutting{})
	}
	if c[5] > 0 {
		whole = Filtered(whole, Cut{Left: 20 + n(6), Top: 20, Right: 70, Bottom: 60, Radius: 8, At: paint.Identity()})
	}
	if c[7] > 0 {
		whole = Filtered(whole, Effected{Effect: &effect.Blur, Values: effect.Values{{2 * n(7)}}, Unit: 1})
	}
	out := []*Node{under}
	if c[8] > 0 {
		soft := Silhouette{Sigma: n(8), Pixel: 0xFF000000}
		whole.Shared(6 + soft.Reach())
		out = append(out, p.Place(Filtered(whole, soft), Placement{At: paint.Translate(3*n(9), 5), Opacity: 0.5}))
	}
	return append(out, p.Place(whole, Placement{At: paint.Identity(), Opacity: 1 - n(10)/4, Blend: paint.Blend(4 * c[11])}))
}
