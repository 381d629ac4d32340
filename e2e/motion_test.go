package e2e

import (
	"fmt"
	"image"
	"image/color"
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/timing"

	"github.com/go-rod/rod/lib/input"
)

// An entrance that is fast in and slow to drift, a hold, and an exit.
func TestFastInSlowDriftHoldAndExit(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Entrance", "4s")
	u.block("Red", redPaint)
	u.goTo(0)
	u.move("Gust") // 16 frames, from the right
	u.goTo(16)
	u.move("Waft") // until the layer ends, upwards; 44 frames of it
	u.write("input[aria-label=Frames]", "44")
	u.goTo(60)
	u.move("Lull")
	u.write("input[aria-label=Frames]", "30")
	u.goTo(90)
	u.move("Whisk") // 12 frames, to the left
	u.saved()
	f := u.film()
	if _, _, _, _, shows := f.box(0, redPaint); shows {
		t.Error("at the start it shows already")
	}
	x, _ := f.middle(5, redPaint)
	if x <= 205 {
		t.Errorf("on frame 5 its middle is at %g; it should be coming from the right", x)
	}
	x, y := f.middle(17, redPaint)
	if math.Abs(x-200) > 2 || math.Abs(y-200) > 2 {
		t.Errorf("landed, it is at %g, %g", x, y)
	}
	_, higher := f.middle(40, redPaint)
	_, highest := f.middle(60, redPaint)
	if !(higher < y-3 && highest < higher-3 && highest > y-24) {
		t.Errorf("it drifts from %g over %g to %g", y, higher, highest)
	}
	for _, n := range []int{70, 80, 89} {
		if d := f.difference(62, n, everywhere); d > 0.4 {
			t.Errorf("while it should stay, frame %d differs from 62 by %.2f", n, d)
		}
	}
	if x, _ := f.middle(98, redPaint); x >= 195 {
		t.Errorf("leaving, it is at %g", x)
	}
	if _, _, _, _, shows := f.box(105, redPaint); shows {
		t.Error("after its exit it shows")
	}
}

// A pop lands on a beat, and still does when the tune is another.
func TestAPopLandsOnTheBeatOfAnyTune(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Pop", "4s")
	u.block("Red", redPaint)
	u.bring(propFile(t, "harbour-morning", "first.wav"))
	u.text(".transport .bar", "100\\.[0-9] BPM")
	u.clickText(".row-line .name", "^Red")
	u.eval("document.activeElement?.blur()")
	u.press(input.Home)
	for range 3 {
		u.press('n')
	}
	u.text(".transport .bar", "beat 4|bar 2 beat 1|bar 1 beat 3")
	u.move("Swell")
	beat := -1.0
	u.waitStored("the pop", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			for _, m := range l.Moves {
				beat = m.At.Beat
				return m.At.OnBeat && m.Lands
			}
		}
		return false
	})
	// It comes to its peak by less than a pixel a frame and leaves it at once, so
	// the last of its largest frames is the peak.
	peak := func(f film) int {
		best, at := 0, 0
		for n := range f.frames {
			x0, _, x1, _, ok := f.box(n, redPaint)
			if ok && x1-x0 >= best {
				best, at = x1-x0, n
			}
		}
		if best < 270 { // 600 units are 240 pixels; past full size they are 283
			t.Errorf("at its largest it is %d pixels wide", best)
		}
		return at
	}
	// The tune's own beats say when that is.
	want := func(tune string) int {
		tr := site.World.Tunes[tune].Tune
		return int(math.Round((tr.First + beat*60/tr.BPM) * 30))
	}
	if got := peak(u.film()); abs(got-want("harbour-morning")) > 1 {
		t.Errorf("at 100 BPM it is largest on frame %d, want %d", got, want("harbour-morning"))
	}
	u.bring(propFile(t, "tin-parade", "second.wav"))
	u.text(".transport .bar", "126\\.[0-9] BPM|125\\.9 BPM")
	if got := peak(u.film()); abs(got-want("tin-parade")) > 1 || want("tin-parade") == want("harbour-morning") {
		t.Errorf("at 126 BPM it is largest on frame %d, want %d", got, want("tin-parade"))
	}
}

// three brings in three products of one colour each and, with words, a headline
// for each at the foot.
func (u *user) three(words bool) {
	u.t.Helper()
	u.block("Red", redPaint)
	u.block("Green", greenPaint)
	u.block("Blue", bluePaint)
	if !words {
		return
	}
	for i, text := range []string{"MMM", "HH", "WOWOW"} {
		u.clickText("[role=tab]", "^Props$")
		u.clickText(".kind", "Headline")
		u.write("textarea[aria-label=Words]", text)
		u.write("input[aria-label='Name of the layer']", fmt.Sprintf("Text %d", i+1))
		u.write("input[aria-label=Down]", "400")
		u.saved()
	}
}

// chooseAll chooses layers by name with Shift.
func (u *user) chooseAll(names ...string) {
	u.t.Helper()
	for i, name := range names {
		if i == 0 {
			u.clickText(".row-line .name", "^"+name)
			continue
		}
		u.must("holding Shift", u.page.Keyboard.Press(input.ShiftLeft))
		u.clickText(".row-line .name", "^"+name)
		u.must("letting Shift go", u.page.Keyboard.Release(input.ShiftLeft))
	}
	u.text("h2", fmt.Sprintf("^%d layers together$", len(names)))
}

func TestALineupOfThreeProducts(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Line-up", "6s")
	u.three(false)
	u.chooseAll("Red", "Green", "Blue")
	u.clickText("button", "Line-up$")
	u.text("h2", "^Line-up$")
	f := u.film()
	// At 120 BPM a bar is 60 frames: each is the hero for a bar.
	paints := []color.NRGBA{redPaint, greenPaint, bluePaint}
	for i, paint := range paints {
		n := 60*i + 20
		if p := f.at(n, 200, 200); !like(p, paint) {
			t.Errorf("on frame %d the middle is %v, want %v", n, p, paint)
		}
		x0, _, x1, _, _ := f.box(n, paint)
		if abs(x1-x0-240) > 3 {
			t.Errorf("on frame %d the hero is %d pixels wide, want 240", n, x1-x0)
		}
	}
	// The next one waits on the right, the last one goes to the left, both faint.
	if p := f.at(20, 385, 216); like(p, greenPaint) || p == [3]int{255, 255, 255} || p[1] < p[0] {
		t.Errorf("on the right there is %v, want a faint green", p)
	}
	if p := f.at(80, 15, 216); like(p, redPaint) || p[0] < p[1]+20 {
		t.Errorf("on the left there is %v, want a faint red", p)
	}
}

func TestProductsBehindARoundWindowWithTheirWords(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Window", "6s")
	u.three(true)
	u.chooseAll("Red", "Green", "Blue", "Text 1", "Text 2", "Text 3")
	u.clickText("button", "Behind a window$")
	u.text("h2", "^Line-up$")
	f := u.film()
	card := color.NRGBA{0x2C, 0x7A, 0x68, 255}
	foot := image.Rect(60, 320, 340, 399)
	for i, paint := range []color.NRGBA{redPaint, greenPaint, bluePaint} {
		n := 60*i + 20
		if p := f.at(n, 200, 200); !like(p, paint) {
			t.Errorf("on frame %d the window shows %v, want %v", n, p, paint)
		}
		for _, corner := range [][2]int{{10, 10}, {390, 10}, {10, 200}, {390, 200}} {
			if p := f.at(n, corner[0], corner[1]); !like(p, card) {
				t.Errorf("on frame %d at %v there is %v, want the card", n, corner, p)
			}
		}
		// Its words stay while it stays, and are others than the last one's.
		if d := f.difference(n, n+15, foot); d > 0.6 {
			t.Errorf("while product %d stays its words change by %.2f", i+1, d)
		}
		if i > 0 {
			if d := f.difference(n, n-60, foot); d < 3 {
				t.Errorf("the words of products %d and %d differ by %.2f only", i, i+1, d)
			}
		}
	}
	// Words and product change on the same frames: the 14 before the arrival.
	window := image.Rect(140, 140, 260, 260)
	for _, at := range []int{60, 120} {
		for what, part := range map[string]image.Rectangle{"words": foot, "product": window} {
			if c := f.changing(at, part); c[0] < at-15 || c[0] > at-8 || c[1] > at+1 || c[1] < at-9 {
				t.Errorf("around %d the %s change from %d to %d, want within %d to %d", at, what, c[0], c[1], at-14, at)
			}
		}
	}
}

// changing is the first and the last frame around one on which a part changes.
func (f film) changing(around int, part image.Rectangle) [2]int {
	out := [2]int{-1, -1}
	for n := around - 30; n < min(around+30, len(f.frames)-1); n++ {
		if f.difference(n, n+1, part) > 0.35 {
			if out[0] < 0 {
				out[0] = n
			}
			out[1] = n + 1
		}
	}
	return out
}

func TestAFallWithAHop(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Fall", "2s")
	u.block("Red", redPaint)
	u.goTo(0)
	u.move("Settle") // lands on frame 12
	f := u.film()
	if _, _, _, _, shows := f.box(0, redPaint); shows {
		t.Error("at the start it shows already")
	}
	_, falling := f.middle(9, redPaint)
	_, landed := f.middle(12, redPaint)
	_, hop := f.middle(14, redPaint)
	_, rest := f.middle(16, redPaint)
	// 26 units are 10.4 pixels.
	if falling >= landed || math.Abs(landed-200) > 2.5 || math.Abs(hop-(200-10.4)) > 2.5 || math.Abs(rest-200) > 2.5 {
		t.Errorf("its middle is at %g, %g, %g and %g, want less than 200, 200, 189.6 and 200", falling, landed, hop, rest)
	}
	// Tilted by five degrees, a block of 240 by 180 is 15.2 pixels wider.
	x0, _, x1, _, _ := f.box(14, redPaint)
	if w := float64(x1 - x0); math.Abs(w-254.8) > 4 {
		t.Errorf("in the hop it is %g wide, want 254.8 for a tilt of five degrees", w)
	}
	if d := f.difference(25, 55, everywhere); d > 0.4 {
		t.Errorf("afterwards it does not rest: %.2f", d)
	}
}

func TestAStopMotionGroupChangesEightTimesASecond(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Stop motion", "2s")
	u.block("Red", redPaint)
	u.goTo(0)
	u.move("Waft")
	u.write("input[aria-label=Strength]", "300")
	u.eval("document.activeElement?.blur()")
	u.must("grouping", u.page.KeyActions().Press(input.ControlLeft).Type('g').Do())
	u.text(".row-line .name", "^Group$")
	u.clickText("[role=tab]", "^Motion$")
	u.clickText("summary", "Stepping")
	u.clickText("label", "The picture is held")
	u.waitStored("the stepping", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Kind == clip.KindGroup && l.Stepping != nil && l.Stepping.Rate == 8 && l.Stepping.Turn > 0 {
				return true
			}
		}
		return false
	})
	f := u.film()
	changes := 0
	for n := range 30 {
		if f.difference(n, n+1, everywhere) > 0.8 {
			changes++
		}
	}
	if changes != 8 {
		t.Errorf("in a second the picture changes %d times, want 8", changes)
	}
}

func TestAClosedLoop(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Loop", "2s")
	u.block("Red", redPaint)
	u.clickText("[role=tab]", "^Motion$")
	u.goTo(0)
	u.click("button[aria-label='Set a key for Position']")
	u.click("button[aria-label='Set a key for Rotation']")
	u.saved()
	u.goTo(40)
	u.click("button[aria-label='Set a key for Position']")
	u.write("input[aria-label='Position, right']", "150")
	u.click("button[aria-label='Set a key for Rotation']")
	u.write("input[aria-label='Rotation']", "30")
	u.waitStored("both keys have their values", func(c *clip.Clip) bool {
		for i := range c.Layers {
			if t := c.Layers[i].Tracks; len(t[clip.Position]) == 2 && len(t[clip.Rotation]) == 2 {
				return t[clip.Position][1].Value[0] == 150 && t[clip.Rotation][1].Value[0] == 30
			}
		}
		return false
	})
	if f := u.film(); f.difference(0, 59, everywhere) < 5 {
		t.Fatal("the clip is a loop already")
	}
	u.clickText("[role=tab]", "^Clip and light$")
	u.clickText("button", "Close the loop")
	u.text(".notice", "The loop is closed")
	f := u.film()
	if d := f.difference(0, 59, everywhere); d > 0.6 {
		t.Errorf("the last frame differs from the first by %.2f", d)
	}
	if d := f.difference(0, 40, everywhere); d < 5 {
		t.Error("in between it no longer moves")
	}
}

// allProperties opens "More properties", which stays open from one visit to the next.
func (u *user) allProperties() {
	u.t.Helper()
	more := u.text("summary", "More properties")
	if open, err := more.Eval("() => this.parentElement.open"); err != nil || !open.Value.Bool() {
		u.clickText("summary", "More properties")
	}
}

// The block lies from (80, 110) to (320, 290); 25 units are ten pixels.
func TestAnOutlineGrowsAroundACutout(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Outlined", "1s")
	u.block("Block", redPaint)
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.write("input[aria-label='Outline colour, as #rrggbb']", "#1e3cdc")
	u.click("button[aria-label='Set a key for Outline']")
	u.goTo(10)
	u.write("input[aria-label=Outline]", "25")
	u.saved()
	f := u.film()
	if x0, y0, x1, y1, ok := f.box(0, bluePaint); ok {
		t.Errorf("at first there is an outline from %d, %d to %d, %d", x0, y0, x1, y1)
	}
	for frame, by := range map[int]int{5: 5, 20: 10} {
		x0, y0, x1, y1, _ := f.box(frame, bluePaint)
		for i, d := range []int{80 - x0, 110 - y0, x1 - 320, y1 - 290} {
			if abs(d-by) > 2 {
				t.Errorf("on frame %d the outline reaches out by %d on side %d, want %d", frame, d, i, by)
			}
		}
	}
}

// The lantern's gust has 18 frames up to beat 1. With the other tune there is
// room for it; at 160 beats a minute the beat comes sooner than that.
func TestAFullClipTakesAnotherTuneAndTempo(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	gust := func(c *clip.Clip) (first int, lands timing.Moment) {
		keys := c.Layer("lantern-layer").Tracks[clip.Position]
		return c.Clock().Frame(keys[0].At), keys[1].At
	}
	u.bring(propFile(t, "tin-parade", "quick.wav"))
	u.waitStored("the other tune", func(c *clip.Clip) bool {
		first, lands := gust(c)
		return math.Abs(c.Tempo.BPM-126) < 0.5 && first == c.Clock().Frame(lands)-18 && lands == timing.OnBeat(1)
	})
	u.clickText("[role=tab]", "Clip and light")
	u.write("input[aria-label='Tempo, beats a minute']", "160")
	u.text(".notice", "not all fits: Lantern moved to the nearest free frames")
	u.waitStored("a quick tempo", func(c *clip.Clip) bool {
		first, lands := gust(c)
		return c.Tempo.BPM == 160 && first == 0 && lands == timing.OnBeat(1)
	})
	u.eval("document.activeElement?.blur()")
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitStored("undone", func(c *clip.Clip) bool {
		first, lands := gust(c)
		return math.Abs(c.Tempo.BPM-126) < 0.5 && first == c.Clock().Frame(lands)-18
	})
}
