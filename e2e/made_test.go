package e2e

import (
	"image"
	"image/color"
	"math"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/proto"
)

// Clips as a designer makes them, each looked at on its exported frames.

var honeyPaint = color.NRGBA{0xC8, 0x92, 0x2E, 255} // of a new figure

// figure puts a figure of a form on the Tabletop, without a shadow, and names it.
func (u *user) figure(form, name string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Figure$")
	u.text(".row-line.selected .name", "^Card")
	u.clickText("[role=tab]", "^Layer$")
	u.click(".forms button[aria-label=" + form + "]")
	u.field("Wide by high", "1")
	u.field("Lift", "0")
	u.write("input[aria-label='Name of the layer']", name)
	u.text(".row-line.selected .name", "^"+name)
}

// stands writes where the chosen layer stands and how large it is.
func (u *user) stands(right, down, size string) {
	u.t.Helper()
	for _, f := range [][2]string{{"Right", right}, {"Down", down}, {"Size", size}} {
		if f[1] != "" {
			u.write("input[aria-label='"+f[0]+"']", f[1])
		}
	}
	u.saved()
}

// keyed sets a property's key on the first frame and another one later, through one of its
// fields.
func (u *user) keyed(property, field, from, to string, frame int) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.goTo(0)
	u.click("[aria-label='Set a key for " + property + "']")
	u.find("[aria-label='Delete a key for " + property + "']")
	u.saved()
	u.field(field, from)
	u.goTo(frame)
	u.field(field, to)
}

// act chooses from the menu that a press with the right button opens at a place.
func (u *user) act(x, y float64, says string) {
	u.t.Helper()
	px, py := u.at(x, y)
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(px, py)))
	u.must("the right button", u.page.Mouse.Click(proto.InputMouseButtonRight, 1))
	u.clickText(".menu [role=menuitem]", says)
	u.saved()
}

// Three things pop up from behind the rim of a big disc, shadows on both sides, and a ring
// draws on with a shadow of its own.
func TestAClipOfThingsBehindARim(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Behind the rim", "2s")
	u.figure("Ring", "Ring")
	u.stands("0", "100", "800")
	u.field("Hole", "94")
	u.field("Lift", "40")
	u.keyed("Ring goes on by", "Ring goes on by", "0", "360", 30)
	u.goTo(0)
	u.figure("Disc", "Rim")
	u.stands("0", "100", "640")
	for i, c := range []color.NRGBA{redPaint, greenPaint, bluePaint} {
		name := []string{"Red", "Green", "Blue"}[i]
		u.block(name, c)
		u.stands([]string{"-170", "0", "170"}[i], []string{"180", "-120", "180"}[i], "280")
		u.write("input[aria-label='Second shadow']", "80")
		u.field("Lift", "40")
	}
	u.chooseAll("Red", "Green", "Blue")
	u.act(0, -120, "Rise from behind Rim")
	u.move("Gust")
	u.choose("select[aria-label=Side]", "below")
	u.saved()
	f := u.film()
	last := len(f.frames) - 1
	// The rim goes from 112 to 368 of the film's 400 pixels down; the green one overlaps it.
	for what, c := range map[string]color.NRGBA{"red": redPaint, "green": greenPaint, "blue": bluePaint} {
		if _, y0, _, _, ok := f.box(1, c); ok && y0 < 240 {
			t.Errorf("at the beginning the %s one is there already, at %d", what, y0)
		}
		if _, _, _, _, ok := f.box(last, c); !ok {
			t.Errorf("at the end the %s one is not there", what)
		}
	}
	if _, y0, _, _, _ := f.box(last, greenPaint); y0 > 180 || f.at(last, 200, y0+2) == f.at(1, 200, y0+2) {
		t.Errorf("the green one does not come up to the rim: %d", y0)
	}
	// Shadows on either side of the green one, on the rim.
	rim := f.at(last, 200, 330)
	x0, y0, x1, y1, _ := f.box(last, greenPaint)
	for _, x := range []int{x0 - 4, x1 + 4} {
		if p := f.at(last, x, (y0+y1)/2+6); p[0] > rim[0]-8 {
			t.Errorf("at %d there is no shadow: %v, the rim is %v", x, p, rim)
		}
	}
	// The ring has its width on its way, and its shadow falls outside it at the end.
	ring := func(frame, x, y int) bool { return like(f.at(frame, x, y), honeyPaint) }
	if ring(0, 45, 240) || !ring(last, 45, 240) || !ring(last, 355, 240) {
		t.Errorf("the ring at the left: %v, then %v", f.at(0, 45, 240), f.at(last, 45, 240))
	}
	plain, shaded := f.at(0, 366, 300), f.at(last, 366, 300)
	if sum(shaded) > sum(plain)-6 {
		t.Errorf("beside the ring it is %v, before %v: there is no shadow", shaded, plain)
	}
}

func sum(p [3]int) int { return p[0] + p[1] + p[2] }

// The maker's name three times behind the kettle, sliding apart with overshoot; the kettle
// rises with a soft shadow; a price disc pops.
func TestAClipOfANameThreeTimes(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Three times", "2s")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Headline")
	u.write("textarea[aria-label=Words]", "OTTERMOSS")
	u.write("input[aria-label='Name of the layer']", "Name")
	u.write("input[aria-label='Colour, as #rrggbb']", "#1e3cdc")
	u.stands("0", "0", "110")
	for i, down := range []string{"-200", "200"} {
		u.clickText(".row-line .name", "^Name$")
		u.clickText("[role=tab]", "^Layer$")
		u.click("[aria-label='Copy the layer']")
		copied := []string{"Above", "Below"}[i]
		u.text(".row-line.selected .name", "^Name copy")
		u.write("input[aria-label='Name of the layer']", copied)
		u.keyed("Position", "Position, down", "0", down, 20)
		u.eval("document.activeElement?.blur()")
		id := u.layer(copied).ID
		u.click("[data-bead='" + id + " position 0']")
		u.click("button[aria-label='Spring']")
		u.saved()
		u.goTo(0)
	}
	u.block("Kettle", redPaint)
	u.stands("0", "60", "330")
	u.field("Lift", "60")
	u.move("Gust")
	u.choose("select[aria-label=Side]", "below")
	u.goTo(25)
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Badge$")
	u.text(".row-line.selected .name", "^Badge")
	u.clickText("[role=tab]", "^Layer$")
	u.stands("300", "-60", "")
	u.move("Swell")
	f := u.film()
	last := len(f.frames) - 1
	// At first all names lie on one another; they go past where they end.
	_, y0, _, y1, _ := f.box(0, bluePaint)
	_, z0, _, z1, _ := f.box(last, bluePaint)
	if y1-y0 > 60 || math.Abs(float64((z1-z0)-(y1-y0))-160) > 6 {
		t.Errorf("the names are %d high at first and %d in the end, want 160 more", y1-y0, z1-z0)
	}
	farthest := 0
	for n := range f.frames {
		_, a0, _, a1, _ := f.box(n, bluePaint)
		farthest = max(farthest, a1-a0)
	}
	if farthest < z1-z0+6 {
		t.Errorf("they do not overshoot: %d at most, %d in the end", farthest, z1-z0)
	}
	if _, _, _, _, ok := f.box(0, redPaint); ok {
		t.Error("the kettle is there from the beginning")
	}
	if !like(f.at(last, 200, 180), redPaint) || !like(f.at(last, 200, 265), redPaint) || like(f.at(last, 200, 168), redPaint) {
		t.Errorf("the kettle is not there: %v, %v", f.at(last, 200, 180), f.at(last, 200, 265))
	}
	if c := u.stored(); !strings.Contains(names(c), "Badge") || f.difference(5, last, image.Rect(280, 130, 360, 220)) < 8 {
		t.Error("there is no price disc")
	}
}

// A poster: the bread tin lands turning on a floor with a soft horizon, slices fall with a hop,
// contact shadows appear by themselves, and all of it drifts.
func TestAClipOfAPoster(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Poster", "2s")
	u.add("Floor")
	u.field("Horizon", "55")
	for i, c := range []color.NRGBA{redPaint, greenPaint} {
		name := []string{"Tin", "Slice"}[i]
		u.goTo(10 * i)
		u.block(name, c)
		u.stands([]string{"-120", "260"}[i], []string{"200", "260"}[i], []string{"420", "160"}[i])
		u.write("input[aria-label=Contact]", "90")
		u.saved()
		u.move("Settle")
		u.field("Lean", "40")
	}
	f := u.film()
	last := len(f.frames) - 1
	tx0, _, tx1, ty1, ok := f.box(last, redPaint)
	sx0, _, sx1, sy1, well := f.box(last, greenPaint)
	if !ok || !well {
		t.Fatal("tin and slice do not stand there in the end")
	}
	// Right under each there is a shadow in the end, and none before it has landed.
	for what, at := range map[string][3]int{"tin": {(tx0 + tx1) / 2, ty1 + 3, 2}, "slice": {(sx0 + sx1) / 2, sy1 + 2, 12}} {
		before, after := f.at(at[2], at[0], at[1]), f.at(last, at[0], at[1])
		if sum(after) > sum(before)-60 {
			t.Errorf("under the %s it is %v in the end, %v before", what, after, before)
		}
	}
	// The tin turns as it comes, and hops: it goes up again after it has been down.
	lowest, again := 0, 0
	for n := range last {
		if _, _, _, y, ok := f.box(n, redPaint); ok {
			lowest = max(lowest, y)
			again = max(again, lowest-y)
		}
	}
	if again < 4 {
		t.Errorf("after it has landed the tin rises by %d pixels at most", again)
	}
}

// A line-up stands on a reflecting floor in front of a free gradient that moves.
func TestAClipOfALineupOnAReflectingFloor(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Reflecting", "3s")
	u.add("Backdrop")
	u.clickText("button", "^Free$")
	u.wait("its points are there", "!!document.querySelector('[data-handle^=\"fill-\"]')")
	u.keyed("Point 1", "Point 1, right", "-60", "60", 85)
	u.goTo(0)
	u.three(false)
	for _, name := range []string{"Red", "Green", "Blue"} {
		u.clickText(".row-line .name", "^"+name)
		u.clickText("[role=tab]", "^Layer$")
		u.field("Reflection", "60")
	}
	u.chooseAll("Red", "Green", "Blue")
	u.clickText("button", "Line-up$")
	u.text("h2", "^Line-up$")
	u.saved()
	f := u.film()
	// The green one is in front for the first bar; the ground mirrors it.
	x0, _, x1, y1, ok := f.box(30, greenPaint)
	if !ok {
		t.Fatal("on frame 30 the green one is not there")
	}
	on, beside := f.at(30, (x0+x1)/2, y1+4), f.at(30, (x0+x1)/2, 392)
	if on[1]-on[0] < beside[1]-beside[0]+20 {
		t.Errorf("below the green one it is %v, farther down %v: nothing is mirrored", on, beside)
	}
	// The others come forward in turn, and the gradient moves behind them.
	if _, _, _, _, ok := f.box(30, redPaint); ok {
		t.Error("the red one is in front already")
	}
	came := false
	for n := 60; n < len(f.frames); n++ {
		_, _, _, _, red := f.box(n, redPaint)
		_, _, _, _, blue := f.box(n, bluePaint)
		came = came || red || blue
	}
	if !came {
		t.Error("no other one comes forward")
	}
	if d := f.difference(0, len(f.frames)-1, image.Rect(0, 0, filmSide, 60)); d < 4 {
		t.Errorf("the gradient does not move: %.2f", d)
	}
}

// sketched draws by hand, over the frame.
func (u *user) sketched(places ...[2]float64) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Draw$")
	u.trace(places)
	u.saved()
}

// Drawn, blurred, waving lines lie behind outlined words without end; a disc grows out of a
// button; a figure wipes over all.
func TestAClipOfLinesWordsAndAWipe(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Lines", "2s")
	var line [][2]float64
	for x := -480.0; x <= 480; x += 40 {
		line = append(line, [2]float64{x, 200 + 40*math.Sin(x/90)})
	}
	u.sketched(line...)
	u.text(".row-line.selected .name", "^Line")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label='Outline colour, as #rrggbb']", "#dc141e")
	u.field("Width", "60")
	u.clickText("summary", "^Waves")
	u.field("Height", "15")
	u.keyed("Drawn to", "Drawn to", "0", "100", 30)
	u.field("Blur", "10")
	u.goTo(0)
	u.add("Marquee")
	u.stands("", "-300", "120")
	u.figure("Disc", "Button")
	u.stands("0", "0", "300")
	u.keyed("Scale", "Scale", "20", "100", 20)
	f := u.film()
	last := len(f.frames) - 1
	if _, _, x1, _, ok := f.box(15, redPaint); !ok || x1 < 100 || x1 > 330 {
		t.Errorf("halfway the line is drawn to %d", x1)
	}
	if _, _, x1, _, ok := f.box(last, redPaint); !ok || x1 < 380 {
		t.Errorf("at the end the line is drawn to %d", x1)
	}
	row := image.Rect(0, 55, filmSide, 105)
	if d := f.difference(20, 40, row); d < 3 {
		t.Errorf("the words do not run: %.2f", d)
	}
	x0, _, x1, _, _ := f.box(2, honeyPaint)
	a0, _, a1, _, _ := f.box(last, honeyPaint)
	if x1-x0 > 60 || math.Abs(float64(a1-a0)-120) > 6 {
		t.Errorf("the disc grows from %d to %d", x1-x0, a1-a0)
	}
}
