package frame

import (
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/words"
)

// repeatedCard is a clip of 1000 by 1000 pixels, in which a unit is one, with a white card of
// 100 units that is repeated on a dark ground.
func repeatedCard(set func(c *clip.Clip, l *clip.Layer)) *clip.Clip {
	square, _ := clip.StandardShape("square")
	c := clip.New("Repeated", square, 30, 120)
	c.Layer("backdrop").Backdrop.Stops = []clip.Stop{{Colour: colour.RGB(0x101010)}}
	l := clip.NewLayer("card", "Card", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xFFFFFF)}
	l.Rest.Size, l.Lift = 100, 0
	l.Repeat = &clip.Repeat{}
	l.Values = map[string][]float64{clip.Gap: {100, 100}}
	set(c, &l)
	c.Layers = append(c.Layers, l)
	return c
}

// lit tells whether a clip is white at a point of a frame, units from its centre.
func lit(t *testing.T, c *clip.Clip, frame int) func(x, y int) bool {
	t.Helper()
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	stage, err := Prepare(c, c.Shapes[0], 1000, 1000, NewLibrary(words.NewFonts(), 64<<20))
	if err != nil {
		t.Fatal(err)
	}
	b := paint.NewBitmap(1000, 1000)
	stage.Painter().Draw(b, frame)
	return func(x, y int) bool { return b.Pix[(y+500)*1000+x+500]&255 > 128 }
}

func TestARepeatedLayerStandsInColumnsAndRows(t *testing.T) {
	white := lit(t, repeatedCard(func(_ *clip.Clip, l *clip.Layer) { l.Repeat.Rows = 3 }), 0)
	for _, at := range []struct {
		x, y int
		want bool
	}{{0, 0, true}, {100, 0, false}, {200, 0, true}, {-400, 0, true}, {0, 200, true}, {0, 100, false}, {200, -200, true}, {0, 400, false}, {0, -400, false}} {
		if white(at.x, at.y) != at.want {
			t.Errorf("at %d,%d there is a card: %v", at.x, at.y, !at.want)
		}
	}
	counted := lit(t, repeatedCard(func(_ *clip.Clip, l *clip.Layer) { l.Repeat.Rows, l.Repeat.Columns = 1, 2 }), 0)
	if !counted(-100, 0) || !counted(100, 0) || counted(0, 0) || counted(300, 0) {
		t.Error("two columns do not stand on either side of the middle")
	}
}

func TestRowsStandAsideTurnAndGrow(t *testing.T) {
	white := lit(t, repeatedCard(func(_ *clip.Clip, l *clip.Layer) {
		l.Values[clip.Aside], l.Values[clip.EachSize], l.Values[clip.Moved] = []float64{50}, []float64{50}, []float64{20, 0}
		l.Values[clip.EachTurn] = []float64{45}
	}), 0)
	// Moved by 20, half as large and turned: 35 from the middle to a corner, 25 across a side.
	if !white(20, 0) || !white(20+33, 0) || white(20+22, 22) || !white(120, 200) || white(20, 200) {
		t.Error("the copies do not stand as they should")
	}
}

func TestARowRunsWithoutASeam(t *testing.T) {
	clipOf := func(c *clip.Clip, l *clip.Layer) {
		l.Repeat = &clip.Repeat{Rows: 2, Speed: 100, Opposite: true}
		l.Values[clip.Gap] = []float64{100, 0}
	}
	// After a second they have run by 100, half a step; after two by a whole one.
	start, half, step := lit(t, repeatedCard(clipOf), 0), lit(t, repeatedCard(clipOf), 30), lit(t, repeatedCard(clipOf), 60)
	for x := -480; x < 480; x += 10 {
		if start(x, -50) != step(x, -50) || start(x, 50) != step(x, 50) {
			t.Fatalf("a step later it is not the same at %d", x)
		}
		if x%100 != 50 && x%100 != -50 && start(x, -50) == half(x, -50) {
			t.Fatalf("half a step later it is the same at %d", x)
		}
	}
	quarter := lit(t, repeatedCard(clipOf), 15)
	if !quarter(0-50+60, -50) && quarter(90, -50) == quarter(-90, -50) {
		t.Error("a row does not run to the right")
	}
	if quarter(-90, -50) == quarter(-90, 50) && quarter(90, -50) == quarter(90, 50) {
		t.Error("the other row does not run against it")
	}
}

func TestARowRunsByBars(t *testing.T) {
	byBar := func(c *clip.Clip, l *clip.Layer) {
		c.Tempo = timing.Even(120) // a bar is two seconds
		l.Repeat = &clip.Repeat{Rows: 1, Speed: 3, ByBar: true}
	}
	start, bar := lit(t, repeatedCard(byBar), 0), lit(t, repeatedCard(byBar), 60)
	sixth := lit(t, repeatedCard(byBar), 10) // half a step
	for x := -480; x < 480; x += 10 {
		if start(x, 0) != bar(x, 0) {
			t.Fatalf("after a bar it has not run whole steps at %d", x)
		}
	}
	if start(0, 0) == sixth(0, 0) {
		t.Error("after a sixth of a bar it has not run half a step")
	}
}

func TestTooManyCopiesAreBounded(t *testing.T) {
	c := repeatedCard(func(_ *clip.Clip, l *clip.Layer) {
		l.Rest.Size = 1
		l.Values[clip.Gap] = []float64{-20000, -20000}
	})
	if !lit(t, c, 0)(0, 0) {
		t.Error("about the middle nothing is drawn")
	}
	stage := Arrange(c, c.Shapes[0], NewLibrary(words.NewFonts(), 1<<20))
	a := stage.byID["card"]
	env := whole(0)
	if _, _, copies := stage.repeated(a, env, stage.pose(a, env)); len(copies) > mostCopies {
		t.Errorf("%d copies are drawn", len(copies))
	}
}

func TestACopyIsPicked(t *testing.T) {
	c := repeatedCard(func(_ *clip.Clip, l *clip.Layer) {})
	stage := Arrange(c, c.Shapes[0], NewLibrary(words.NewFonts(), 64<<20))
	if got := stage.Pick(0, 200, 200); len(got) != 1 || got[0] != "card" {
		t.Errorf("on a copy %v is picked", got)
	}
	if got := stage.Pick(0, 100, 100); len(got) != 0 {
		t.Errorf("between copies %v is picked", got)
	}
}

func TestAPatternHasKeysOnAllItsNumbers(t *testing.T) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Pattern", square, 30, 120)
	c.Layer("backdrop").Backdrop.Stops = []clip.Stop{{Colour: colour.RGB(0x101010)}}
	l := clip.NewLayer("grid", "Grid", clip.KindPattern)
	l.Pattern = &clip.Pattern{Form: "card", Fill: colour.RGB(0xFFFFFF), Apart: 100, Size: 50}
	l.Tracks[clip.Apart] = motion.Track{{At: timing.At(0), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(100), Value: []float64{200}, Ease: motion.Ease{Kind: motion.Linear}}}
	c.Layers = append(c.Layers, l)
	before, after := lit(t, c, 0), lit(t, c, 100)
	if !before(100, 0) || before(50, 0) || after(100+40, 0) || !after(200, 0) || !after(0, 0) {
		t.Error("figures do not part with the key of how far apart they are")
	}
}

// A pattern that is stepped has its figures elsewhere on each step, and still fills the frame.
func TestASteppedPatternWanders(t *testing.T) {
	c, lib := worded(t, "", func(l *clip.Layer) {})
	p := clip.Draft(c, clip.KindPattern, "Dots", "", "")
	p.ID, p.Group = "dots", c.SceneAt(0).ID
	p.Pattern.Fill = colour.RGB(0)
	p.Stepping = &motion.Stepping{Rate: 10, Shift: 40, Seed: 3}
	c.Layers = append(c.Layers[:len(c.Layers)-1], p)
	changes := 0
	for n := 1; n < 30; n++ {
		a, b := frameOf(t, c, lib, n-1), frameOf(t, c, lib, n)
		if differs := !slices.Equal(a.Pix, b.Pix); differs {
			if changes++; n%3 != 0 {
				t.Errorf("at 30 frames a second, ten steps a second, it moves on frame %d", n)
			}
		}
		if left, right := inked(b, 0, 60), inked(b, b.W-60, b.W); left < 50 || right < 50 {
			t.Errorf("on frame %d it does not fill the frame: %.0f, %.0f", n, left, right)
		}
	}
	if changes != 9 {
		t.Errorf("it moved %d times in a second, want 9", changes)
	}
}
