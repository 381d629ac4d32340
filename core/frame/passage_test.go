package frame

import (
	"math"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/passages"
	"billow/core/timing"
	"billow/fonts"
)

// worded is a clip of black words on white, in a library with all fonts.
func worded(t *testing.T, text string, set func(l *clip.Layer)) (*clip.Clip, *Library) {
	t.Helper()
	square, _ := clip.StandardShape("square")
	c := clip.New("Words", square, 30, 120)
	c.Layers[0].Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colour.RGB(0xFFFFFF)}}
	l := clip.NewWords("words", "Words", clip.KindWords, text)
	l.Words.Fill, l.Words.EmphasisFill = colour.RGB(0), colour.RGB(0xFF0000)
	l.Words.Width, l.Lift = 0, 0
	l.Group = c.SceneAt(0).ID
	set(&l)
	c.Layers = append(c.Layers, l)
	return c, NewLibrary(fonts.All(), 64<<20)
}

func frameOf(t *testing.T, c *clip.Clip, lib *Library, n int) *paint.Bitmap {
	t.Helper()
	return draw(t, c, lib, "square", 540, 540, n)
}

// inked is how much of a box is black, in pixels.
func inked(b *paint.Bitmap, x0, x1 int) (sum float64) {
	for y := range b.H {
		for x := x0; x < x1; x++ {
			sum += 1 - float64(b.Pix[y*b.W+x]>>8&255)/255
		}
	}
	return sum
}

// box is where it is not white.
func box(b *paint.Bitmap) (x0, y0, x1, y1 int) {
	x0, y0 = b.W, b.H
	for i, p := range b.Pix {
		if p>>8&255 < 128 {
			x0, x1, y0, y1 = min(x0, i%b.W), max(x1, i%b.W+1), min(y0, i/b.W), max(y1, i/b.W+1)
		}
	}
	return x0, y0, x1, y1
}

func passage(set func(p *clip.Passage)) *clip.Passage {
	p := &clip.Passage{By: "letter", At: timing.At(10), Ease: motion.Ease{Kind: motion.Linear}, Afar: clip.Afar{Size: 100, Opacity: 100}}
	set(p)
	return p
}

// Each ready way begins with nothing and ends with the words exactly as they stand; going, it
// begins with them and ends with nothing.
func TestEveryReadyWayEndsWithTheWords(t *testing.T) {
	for _, k := range passages.Kinds {
		for _, goes := range []bool{false, true} {
			c, lib := worded(t, "Tea *for* two\nout here", func(*clip.Layer) {})
			want := frameOf(t, c, lib, 0)
			p, ok := passages.Named(k.ID, passages.Text{Lines: 2, Words: 5, Letters: 16}, 30, goes)
			if !ok {
				t.Fatal(k.ID)
			}
			p.At, p.Caret = timing.At(10), false
			w := c.Layers[len(c.Layers)-1].Words
			if w.Comes = &p; goes {
				w.Comes, w.Goes = nil, &p
			}
			if err := c.Validate(); err != nil {
				t.Fatal(k.ID, err)
			}
			before, after := frameOf(t, c, lib, 9), frameOf(t, c, lib, 119)
			if goes {
				before, after = after, before
			}
			if ink := inked(before, 0, 540); ink != 0 {
				t.Errorf("%s (goes %t): there are %.1f pixels of words where none should be", k.ID, goes, ink)
			}
			if !slices.Equal(after.Pix, want.Pix) {
				t.Errorf("%s (goes %t): words that stand differ from words that never moved", k.ID, goes)
			}
			if half := inked(frameOf(t, c, lib, 20), 0, 540); half == 0 {
				t.Errorf("%s (goes %t): ten frames later nothing is there", k.ID, goes)
			}
		}
	}
}

// What stands already is drawn letter by letter as it is in one piece.
func TestLettersThatHaveComeAreWhereTheyBelong(t *testing.T) {
	c, lib := worded(t, "Minimum", func(*clip.Layer) {})
	want := frameOf(t, c, lib, 0)
	c.Layers[len(c.Layers)-1].Words.Comes = passage(func(p *clip.Passage) { p.Over, p.At, p.Caret = 0, timing.At(0), true })
	// A caret that blinks keeps the letters apart, and is not seen on its first frames.
	got := frameOf(t, c, lib, 2)
	worst := 0.0
	for i, p := range got.Pix {
		worst = max(worst, math.Abs(float64(p>>8&255)-float64(want.Pix[i]>>8&255)))
	}
	if worst > 2 {
		t.Errorf("they differ by %.0f levels", worst)
	}
}

// Typed, one letter comes every two frames; the last of five on frame 18.
func TestLettersComeOneByOne(t *testing.T) {
	c, lib := worded(t, "IIIII", func(l *clip.Layer) {
		l.Words.LetterSpacing = 60
		l.Words.Comes = passage(func(p *clip.Passage) { p.Over = 8 })
	})
	stems := func(n int) (count int) {
		b := frameOf(t, c, lib, n)
		row, in := b.Pix[270*540:271*540], false
		for _, p := range row {
			if black := p>>8&255 < 128; black != in {
				if in = black; in {
					count++
				}
			}
		}
		return count
	}
	for n, want := range map[int]int{9: 0, 10: 1, 11: 1, 12: 2, 15: 3, 17: 4, 18: 5, 40: 5} {
		if got := stems(n); got != want {
			t.Errorf("on frame %d there are %d letters, want %d", n, got, want)
		}
	}
}

// Half way, with an even easing: half of the offset, half of the size, half of the opacity.
func TestHalfWayAPartIsHalfAsFar(t *testing.T) {
	still, lib := worded(t, "I", func(l *clip.Layer) { l.Rest.Size = 200 })
	x0, y0, x1, y1 := box(frameOf(t, still, lib, 0))
	half := func(set func(a *clip.Afar)) *paint.Bitmap {
		c, lib := worded(t, "I", func(l *clip.Layer) {
			l.Rest.Size = 200
			l.Words.Comes = passage(func(p *clip.Passage) { p.Each = 20; set(&p.Afar) })
		})
		return frameOf(t, c, lib, 20)
	}
	// The frame is 1000 units wide: 100 percent of 200 units are 108 pixels, half of that 54.
	ax0, ay0, _, _ := box(half(func(a *clip.Afar) { a.X, a.Y = 100, -100 }))
	if abs(float64(ax0-x0-54)) > 1 || abs(float64(ay0-y0+54)) > 1 {
		t.Errorf("it lies %d to the right and %d down of its place, want 54 and -54", ax0-x0, ay0-y0)
	}
	bx0, by0, bx1, by1 := box(half(func(a *clip.Afar) { a.Size = 0 }))
	if abs(float64(2*(by1-by0)-(y1-y0))) > 2 || abs(float64(2*(bx1-bx0)-(x1-x0))) > 2 {
		t.Errorf("it is %d by %d, want half of %d by %d", bx1-bx0, by1-by0, x1-x0, y1-y0)
	}
	faint := half(func(a *clip.Afar) { a.Opacity = 0 })
	if got := float64(faint.Pix[270*540+(x0+x1)/2]>>8&255) / 255; math.Abs(got-0.5) > 0.01 {
		t.Errorf("its middle is %.2f bright, want 0.5", got)
	}
}

// From behind its own edge a word shows only above the line on which it ends.
func TestWordsRiseFromBehindTheirOwnEdge(t *testing.T) {
	still, lib := worded(t, "Ham", func(l *clip.Layer) { l.Rest.Size = 200 })
	_, y0, _, y1 := box(frameOf(t, still, lib, 0))
	c, lib := worded(t, "Ham", func(l *clip.Layer) {
		l.Rest.Size = 200
		l.Words.Comes = passage(func(p *clip.Passage) { p.By, p.Each, p.Edge = "word", 20, "below" })
	})
	// A part is 1.1 of its size, 118.8 pixels, high, 0.24 of it beneath the baseline, where its
	// letters end: half way it lies 59.4 pixels lower, and is cut off 25.9 beneath it.
	_, h0, _, h1 := box(frameOf(t, c, lib, 20))
	if abs(float64(h0-y0)-59.4) > 1.5 || abs(float64(h1-y1)-25.9) > 1.5 {
		t.Errorf("it reaches from %d to %d; standing it does from %d to %d", h0, h1, y0, y1)
	}
}

// On the beat: at 120 a minute every 15 frames, whatever the words.
func TestAWordComesOnEveryBeat(t *testing.T) {
	c, lib := worded(t, "one two three", func(l *clip.Layer) {
		l.Words.Comes = passage(func(p *clip.Passage) { p.By, p.Beats, p.At = "word", 1, timing.OnBeat(1) })
	})
	c.Tempo.BPM = 120
	before := 0.0
	for i, n := range []int{14, 15, 29, 30, 44, 45, 60} {
		ink := inked(frameOf(t, c, lib, n), 0, 540)
		comes := i == 1 || i == 3 || i == 5
		if comes != (ink > before+50) {
			t.Errorf("on frame %d there are %.0f pixels of words, before %.0f", n, ink, before)
		}
		before = ink
	}
}

// Half way to 40 it says 20, where words that say so would stand; and the end is exact.
func TestNumbersCountUpInThePicture(t *testing.T) {
	count := func(p *clip.Passage) { p.Each, p.Counts = 20, true }
	c, lib := worded(t, "40 pieces", func(l *clip.Layer) { l.Words.Comes = passage(count) })
	half, lib2 := worded(t, "20 pieces", func(l *clip.Layer) { l.Words.Comes = passage(count) })
	worst := func(a, b *paint.Bitmap) (d float64) {
		for i, p := range a.Pix {
			d = max(d, math.Abs(float64(p>>8&255)-float64(b.Pix[i]>>8&255)))
		}
		return d
	}
	if d := worst(frameOf(t, c, lib, 20), frameOf(t, half, lib2, 60)); d > 2 {
		t.Errorf("half way it differs from 20 by %.0f levels", d)
	}
	if d := worst(frameOf(t, c, lib, 60), frameOf(t, half, lib2, 60)); d < 100 {
		t.Error("in the end it still says 20")
	}
}

// A shadow falls from what has come, not from what will.
func TestTheShadowOfWordsComesWithThem(t *testing.T) {
	c, lib := worded(t, "Il", func(l *clip.Layer) {
		l.Lift, l.Rest.Size, l.Words.LetterSpacing = 60, 200, 150
		l.Words.Comes = passage(func(p *clip.Passage) { p.Over = 20 })
	})
	b := frameOf(t, c, lib, 15)
	if left, right := inked(b, 0, 250), inked(b, 330, 540); left < 100 || right > 1 {
		t.Errorf("with the first letter alone there are %.0f dark pixels on the left and %.0f on the right", left, right)
	}
}

// Letters of a text of 200 come one by one, on top of what it costs to let it stand.
func BenchmarkLettersComing(b *testing.B) {
	text := ""
	for range 20 {
		text += "campfire tea "
	}
	for _, k := range []string{"standing", "tumble", "clearing", "typed", "rise", "ink"} {
		b.Run(k, func(b *testing.B) {
			tall, _ := clip.StandardShape("tall")
			c := clip.New("Words", tall, 30, 600)
			c.Layers[0].Tracks[clip.FillAngle] = changing([]float64{0}, []float64{360})
			l := clip.NewWords("words", "Words", clip.KindWords, text)
			l.Group = c.SceneAt(0).ID
			if p, ok := passages.Named(k, passages.Text{Letters: 220, Words: 40, Lines: 10}, 30, false); ok {
				p.Over = 500
				l.Words.Comes = &p
			}
			c.Layers = append(c.Layers, l)
			stage, err := Prepare(c, c.Shapes[0], 1080, 1920, NewLibrary(fonts.All(), 256<<20))
			if err != nil {
				b.Fatal(err)
			}
			p, dst := stage.Painter(), paint.NewBitmap(1080, 1920)
			for i := range b.N {
				p.Draw(dst, 50+i%400)
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
		})
	}
}

// Nor does the ground mirror what has not come.
func TestTheGroundMirrorsWordsAsTheyCome(t *testing.T) {
	c, lib := worded(t, "Il", func(l *clip.Layer) {
		l.Rest.Size, l.Words.LetterSpacing = 200, 150
		still(l, clip.Reflection, 80)
		l.Words.Comes = passage(func(p *clip.Passage) { p.Over = 20 })
	})
	beneath := func(n, x0, x1 int) float64 {
		b := frameOf(t, c, lib, n)
		low := paint.NewBitmap(540, 540-320) // the letters end about 40 pixels below the middle
		copy(low.Pix, b.Pix[320*540:])
		return inked(low, x0, x1)
	}
	if left, right := beneath(15, 0, 250), beneath(15, 330, 540); left < 20 || right > 1 {
		t.Errorf("with the first letter alone %.0f pixels are mirrored on the left and %.0f on the right", left, right)
	}
	if right := beneath(60, 330, 540); right < 20 {
		t.Errorf("in the end %.0f pixels are mirrored on the right", right)
	}
}

// A card behind a line is uncovered as the letters of the line come.
func TestCardsBehindLinesComeWithThem(t *testing.T) {
	c, lib := worded(t, "MMMMMMMM\nMMMMMMMM", func(l *clip.Layer) {
		l.Words.Fill = colour.RGB(0xFFFFFF)
		l.Words.Plate = &clip.Plate{Kind: "lines", Fill: colour.RGB(0), Room: 10}
		l.Words.Comes = passage(func(p *clip.Passage) { p.Over = 30 }) // sixteen letters, one every two frames
	})
	width := func(n, line int) int {
		b := frameOf(t, c, lib, n)
		// The two cards meet in the middle.
		half := &paint.Bitmap{W: b.W, H: b.H / 2, Pix: b.Pix[line*b.W*(b.H/2) : (line+1)*b.W*(b.H/2)]}
		x0, _, x1, _ := box(half)
		return max(0, x1-x0)
	}
	whole := width(100, 0)
	if got := width(9, 0); got != 0 {
		t.Errorf("before the first letter comes, a card is %d wide", got)
	}
	if half := width(10+6, 0); half < whole*4/10 || half > whole*6/10 {
		t.Errorf("with four of eight letters its card is %d wide, in the end %d", half, whole)
	}
	if first, second := width(10+14, 0), width(10+14, 1); first < whole-2 || second > 2 {
		t.Errorf("when the first line has come the cards are %d and %d wide", first, second)
	}
	if second := width(10+22, 1); second < whole*4/10 || second > whole*6/10 {
		t.Errorf("halfway through the second line its card is %d wide", second)
	}
}

// Words without a letter that is seen come, stand and go without harm, whatever their settings.
func TestOnlySpacesComeInEveryWay(t *testing.T) {
	for _, text := range []string{"", "   ", "\n \n", "\u200b", "{none}"} {
		for _, k := range passages.Kinds {
			p, _ := passages.Named(k.ID, passages.Text{}, 30, false)
			q, _ := passages.Named(k.ID, passages.Text{}, 30, true)
			p.At, q.At = timing.At(5), timing.At(60)
			c, lib := worded(t, text, func(l *clip.Layer) {
				l.Words.Comes, l.Words.Goes = &p, &q
				l.Words.Width, l.Words.Fit, l.Words.Optical = 400, &clip.Fit{Height: 200, Smallest: 50, Largest: 200}, true
				l.Words.Plate = &clip.Plate{Kind: "lines", Fill: colour.RGB(0), Room: 20}
				l.Values = map[string][]float64{clip.Arch: {90}}
			})
			for _, n := range []int{0, 6, 30, 62, 118} {
				frameOf(t, c, lib, n)
			}
		}
	}
}

// The longest text that there can be is set in a box, on an arch and beside a window.
func TestTheLongestTextIsSet(t *testing.T) {
	long := strings.Repeat("Many words make light work, ", clip.MaxText/28)
	for _, set := range []func(l *clip.Layer){
		func(l *clip.Layer) { l.Words.Fit = &clip.Fit{Height: 600, Smallest: 10, Largest: 1000} },
		func(l *clip.Layer) { l.Values = map[string][]float64{clip.Arch: {-360}} },
		func(l *clip.Layer) { l.Words.Beside = &clip.Beside{Layer: "ring", Gap: 30} },
	} {
		c, lib := worded(t, long, func(l *clip.Layer) {
			l.Words.Width, l.Rest.Size = 800, 30
			set(l)
		})
		ring := clip.Draft(c, clip.KindCard, "Ring", "", "")
		ring.ID, ring.Group = "ring", c.SceneAt(0).ID
		c.Layers = append(c.Layers, ring)
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		if n := inked(frameOf(t, c, lib, 50), 0, 540); n < 2000 {
			t.Errorf("%.0f pixels show", n)
		}
	}
}

// A plate that follows its words is not there before the first comes, grows with it, stands as
// any plate once all have come, and is gone when the last has gone; another one stands there.
func TestAPlateFollowsItsWords(t *testing.T) {
	black := func(follows bool) (out []float64) {
		c, lib := worded(t, "ab", func(l *clip.Layer) {
			l.Words.Fill = colour.RGB(0xFFFFFF)
			l.Words.Plate = &clip.Plate{Kind: "card", Fill: colour.RGB(0), Room: 40, Follows: follows}
			l.Words.Comes = passage(func(p *clip.Passage) { p.At, p.Over, p.Each = timing.At(20), 30, 4 })
			l.Words.Goes = passage(func(p *clip.Passage) { p.At, p.Over, p.Each = timing.At(80), 10, 4 })
		})
		for _, n := range []int{10, 23, 40, 70, 100} {
			out = append(out, inked(frameOf(t, c, lib, n), 0, 540))
		}
		return out
	}
	with, without := black(true), black(false)
	if with[0] != 0 || with[4] != 0 {
		t.Errorf("the plate is there before its words or after them: %.0f, %.0f", with[0], with[4])
	}
	if with[1] < 100 || with[1] > 0.95*with[2] {
		t.Errorf("it does not grow: %.0f, then %.0f", with[1], with[2])
	}
	if with[2] != without[2] || with[3] != without[3] {
		t.Errorf("it stands as %.0f and %.0f, another one as %.0f and %.0f", with[2], with[3], without[2], without[3])
	}
	if without[0] < with[3] || without[4] < with[3] {
		t.Errorf("one that does not follow is gone: %.0f, %.0f of %.0f", without[0], without[4], with[3])
	}
}

// The shadow where words stand grows while they come.
func TestWordsStandOnTheGroundAsFarAsTheyHaveCome(t *testing.T) {
	c, lib := worded(t, "nnnn", func(l *clip.Layer) {
		l.Words.Comes = passage(func(p *clip.Passage) { p.Over, p.Each = 30, 1 })
		l.Values = map[string][]float64{clip.Contact: {100}}
	})
	under := func(n int) (dark float64) {
		b := frameOf(t, c, lib, n)
		_, _, _, foot := box(frameOf(t, c, lib, 60))
		for y := foot; y < b.H; y++ {
			for x := range b.W {
				dark += 1 - float64(b.Pix[y*b.W+x]>>8&255)/255
			}
		}
		return dark
	}
	before, half, all := under(5), under(32), under(60)
	if before != 0 || all < 20 || math.Abs(half/all-0.75) > 0.1 {
		t.Errorf("below them it is %.1f dark before, %.1f with three of four, %.1f in the end", before, half, all)
	}
}
