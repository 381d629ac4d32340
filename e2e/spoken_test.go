package e2e

import (
	"image"
	"image/color"
	"testing"

	"billow/core/clip"
)

// piece places a ready piece at the playhead.
func (u *user) piece(name string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".piece", "^\\s*"+name)
	u.text(".row-line.selected .name", "^"+name)
	u.saved()
}

// opened opens all that can be opened in the settings.
func (u *user) opened() {
	u.t.Helper()
	u.eval("document.querySelectorAll('.side details').forEach((d) => (d.open = true))")
}

// way gives the chosen words a ready way to come.
func (u *user) way(id string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Layer$")
	u.click("[aria-label='How they come'] [data-way=" + id + "]")
	u.saved()
}

// Huge outlined words run on, a line arrives word by word spread apart and closes up, a price
// disc counts, and a grid of dots wanders four times a second.
func TestAClipOfHugeWordsThatRunOn(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Huge words", "3s")
	u.add("Pattern")
	u.clickText("[role=tab]", "^Motion$")
	u.opened()
	u.clickText("label.check", "The picture is held")
	u.field("Uneven turn", "0")
	u.field("A second", "4")
	u.field("Shift", "60")
	u.add("Marquee")
	u.write("textarea[aria-label=Words]", "HUGE WORDS")
	u.field("Size", "340")
	u.field("Runs right at", "-300")
	u.add("Headline")
	u.write("textarea[aria-label=Words]", "One two three four")
	u.stands("0", "-300", "90")
	u.way("gather")
	u.goTo(30)
	u.piece("Price disc")
	f := u.film()
	// Dots stay for seven frames and are elsewhere on the eighth (30/4 = 7.5).
	corner := image.Rect(0, 300, 120, filmSide)
	moved := []int{}
	for n := 1; n < 60; n++ {
		if d := f.difference(n-1, n, corner); d > 0.05 { // the dots are small and faint
			moved = append(moved, n)
		}
	}
	if len(moved) < 6 || len(moved) > 9 {
		t.Errorf("in two seconds dots moved on the frames %v, want eight of them", moved)
	}
	// The huge words are elsewhere on every frame.
	middle := image.Rect(0, 160, 240, 240)
	for n := 61; n < 70; n++ {
		if f.difference(n-1, n, middle) < 0.5 {
			t.Errorf("between the frames %d and %d the huge words stand still", n-1, n)
		}
	}
	// The line is wider on its way than in the end.
	line := func(n int) int {
		x0, x1 := filmSide, 0
		for y := 62; y < 98; y++ {
			for x := range filmSide {
				if p := f.at(n, x, y); sum(p) < 260 {
					x0, x1 = min(x0, x), max(x1, x)
				}
			}
		}
		return x1 - x0
	}
	if on, end := line(20), line(80); end < 100 || on < end+4 {
		t.Errorf("the line is %d wide on its way, %d in the end", on, end)
	}
	if c := u.stored(); c.Layer("price-disc") != nil || said(c) == nil {
		t.Log(names(c))
	}
	if !like(f.at(80, 400-96+50, 132+45), color.NRGBA{0xDD, 0x4F, 0x28, 255}) && f.difference(20, 80, image.Rect(240, 70, 380, 200)) < 8 {
		t.Error("there is no disc")
	}
}

// Three things gust in and drift, a tag sways from its string, highlights are typed, and a
// button pops.
func TestAClipOfThingsATagAndAButton(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Tag and button", "4s")
	for i, c := range []color.NRGBA{redPaint, greenPaint, bluePaint} {
		name := []string{"Red", "Green", "Blue"}[i]
		u.block(name, c)
		u.stands([]string{"-280", "0", "280"}[i], "0", "240")
		u.move("Gust")
		u.choose("select[aria-label=Side]", []string{"left", "below", "right"}[i])
		u.field("Then drifts", "60")
		u.clickText("[role=tab]", "^Layer$")
	}
	u.add("Headline")
	u.write("textarea[aria-label=Words]", "typed and\nhighlighted")
	u.stands("0", "-350", "60")
	u.opened()
	u.choose("select[aria-label=Plate]", "lines")
	u.saved()
	u.way("typed")
	u.goTo(30)
	u.piece("Swing tag")
	u.goTo(60)
	u.piece("Button")
	f := u.film()
	last := len(f.frames) - 1
	for what, c := range map[string]color.NRGBA{"red": redPaint, "green": greenPaint, "blue": bluePaint} {
		x, _, _, _, ok := f.box(40, c)
		y, _, _, _, still := f.box(last, c)
		if !ok || !still {
			t.Errorf("the %s one is not there", what)
		}
		if what != "green" && x == y {
			t.Errorf("the %s one does not drift: at %d both times", what, x)
		}
	}
	// The tag hangs on the right, above: it sways.
	tag := image.Rect(230, 60, filmSide, 230)
	if f.difference(20, 50, tag) < 1 || f.difference(50, 58, tag) < 0.1 {
		t.Errorf("the tag comes by %.2f and sways by %.2f", f.difference(20, 50, tag), f.difference(50, 58, tag))
	}
	// The button comes at 60: nothing of it before, and later it is pressed.
	button := image.Rect(80, 256, 320, 312)
	if f.difference(50, 58, button) > 0.5 || f.difference(58, 90, button) < 5 {
		t.Errorf("the button: %.2f before it comes, %.2f after", f.difference(50, 58, button), f.difference(58, 90, button))
	}
	if c := u.stored(); len(c.Children(group(c, "Button"))) != 2 {
		t.Errorf("the button is no group of two: %s", names(c))
	}
}

// group is the ID of a group with a name.
func group(c *clip.Clip, name string) string {
	for i := range c.Layers {
		if c.Layers[i].Name == name && c.Layers[i].Inside != nil {
			return c.Layers[i].ID
		}
	}
	return ""
}

// Three pictures slide and zoom under a tune, one word is coloured, and an end card has a web
// address and a contact.
func TestAClipOfPicturesAndAnEndCard(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Pictures", "4s")
	for i, c := range []color.NRGBA{redPaint, greenPaint, bluePaint} {
		name := []string{"Red", "Green", "Blue"}[i]
		u.block(name, c)
		u.stands([]string{"-250", "0", "250"}[i], []string{"-40", "0", "40"}[i], "420")
		u.keyed("Position", "Position, right", []string{"-900", "0", "900"}[i], "0", 20)
		u.keyed("Scale", "Scale", "80", "110", 60)
		u.clickText("[role=tab]", "^Layer$")
		u.goTo(0)
	}
	u.bring(propFile(t, "harbour-morning", "tune.wav"))
	u.text(".transport .bar", "BPM")
	u.add("Headline")
	u.write("textarea[aria-label=Words]", "Three for the *trail*")
	u.stands("0", "-330", "80")
	u.goTo(80)
	u.piece("End card")
	f := u.film()
	// They slide in from the sides, and grow.
	if _, _, _, _, ok := f.box(0, bluePaint); ok {
		t.Error("the blue one is there at once")
	}
	x0, y0, x1, y1, _ := f.box(22, greenPaint)
	a0, b0, a1, b1, _ := f.box(60, greenPaint)
	if a1-a0 <= x1-x0 || b1-b0 < y1-y0 {
		t.Errorf("the green one goes from %dx%d to %dx%d", x1-x0, y1-y0, a1-a0, b1-b0)
	}
	coloured := 0
	for y := 50; y < 90; y++ {
		for x := range filmSide {
			if like(f.at(40, x, y), color.NRGBA{0xDD, 0x4F, 0x28, 255}) {
				coloured++
			}
		}
	}
	if coloured < 60 {
		t.Errorf("%d pixels of a word are coloured", coloured)
	}
	if card := f.difference(70, 118, everywhere); card < 20 {
		t.Errorf("the end card changes the picture by %.1f only", card)
	}
	c := u.stored()
	texts := ""
	for _, id := range c.Children(group(c, "End card")) {
		if w := c.Layer(id).Words; w != nil {
			texts += w.Text + "|"
		}
	}
	if c.Tune() == nil || len(texts) < 40 {
		t.Errorf("the tune is %v, the end card says %s", c.Tune(), texts)
	}
}
