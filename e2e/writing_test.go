package e2e

import (
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/store"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// twice presses twice at a place, as a double-click.
func (u *user) twice(x, y float64) {
	u.t.Helper()
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	for n := 1; n <= 2; n++ {
		u.must("pressing", m.Down(proto.InputMouseButtonLeft, n))
		u.must("letting go", m.Up(proto.InputMouseButtonLeft, n))
	}
}

// writing waits until the words in the picture are open.
func (u *user) writing() {
	u.t.Helper()
	u.find("textarea[aria-label='Words in the picture']")
	u.wait("the keyboard writes in the picture", "document.activeElement.getAttribute('aria-label') === 'Words in the picture'")
}

func (u *user) waitText(want string) {
	u.t.Helper()
	u.waitStored("the words are "+want, func(c *clip.Clip) bool { return headline(c).Words.Text == want })
}

// The draft says "One *bright* line".
func TestWordsAreWrittenInThePicture(t *testing.T) {
	u, middle := worded(t)
	x, y := middle()
	u.twice(x, y)
	u.writing()
	u.wait("the word under the pointer is selected", "document.querySelectorAll('[data-chosen]').length === 6")
	u.keys("warm")
	u.waitText("One *warm* line")
	u.find("[data-caret]")
	u.press(input.End)
	u.keys(", now")
	u.waitText("One *warm* line, now")
	u.chord(input.ControlLeft, input.Home)
	u.press(input.Delete, input.Delete, input.Delete)
	u.keys("1 * 5")
	u.waitText(`1 \* 5 *warm* line, now`)
	// All of it was one stretch.
	u.chord(input.ControlLeft, input.Enter)
	u.wait("it is closed and keys belong to the clip", "!document.querySelector('[data-caret]') && document.activeElement.id === 'tabletop'")
	u.chord(input.ControlLeft, input.KeyZ)
	u.waitText("One *bright* line")
	u.wait("nothing is left to undo", "window.billowEditor.past.length === 0")
	// Enter opens them again with all selected; Escape takes back what is written.
	u.press(input.Enter)
	u.writing()
	u.wait("all is selected", "document.querySelectorAll('[data-chosen]').length === 15")
	u.keys("Gone")
	u.waitText("Gone")
	u.press(input.Escape)
	u.waitText("One *bright* line")
}

func TestAWordIsMadeBoldColouredAndLarger(t *testing.T) {
	u, middle := worded(t)
	u.click("button[aria-label^='Font:']")
	u.click("[role=option][data-font=hanken-400]")
	u.waitStored("the font is another", func(c *clip.Clip) bool { return headline(c).Words.Font == "hanken-400" })
	x, y := middle()
	w := func() *clip.Words { return headline(u.stored()).Words }
	u.twice(x, y)
	u.writing()
	u.chord(input.ControlLeft, input.KeyE)
	u.waitText("One bright line")
	u.chord(input.ControlLeft, input.KeyB)
	u.waitText("One *²bright* line")
	if f := w().Accents[0].Font; f != "hanken-700" {
		t.Errorf("bold is %s", f)
	}
	before := u.wide()
	for range 3 {
		u.click(".bar button[aria-label='Letters larger']")
	}
	u.waitStored("the word is larger", func(c *clip.Clip) bool {
		a := headline(c).Words.Accents
		return len(a) == 1 && a[0].Size == 130
	})
	u.wait("the words are wider in the picture", fmt.Sprintf("document.querySelector('[data-outline]').getBoundingClientRect().width > %g", before+8))
	u.eval(`(() => { const i = document.querySelector('.bar input[type=color]'); i.value = '#2c7a68'; i.dispatchEvent(new Event('input', { bubbles: true })); i.dispatchEvent(new Event('change', { bubbles: true })) })()`)
	u.waitStored("the word is coloured", func(c *clip.Clip) bool {
		a := headline(c).Words.Accents
		return len(a) == 1 && a[0].Fill != nil && a[0].Fill.String() == "#2c7a68"
	})
	u.wait("it is still written in", "document.querySelectorAll('[data-chosen]').length === 6")
	u.click(".bar button[aria-label=Done]")
	u.wait("it is closed", "!document.querySelector('textarea[aria-label=\"Words in the picture\"]')")
}

// wide is how wide the chosen layer is, pixels.
func (u *user) wide() float64 {
	u.t.Helper()
	_, _, w, _ := u.box("[data-outline]")
	return w
}

func TestTheCaretGoesWhereItIsPutAndWalksThroughLines(t *testing.T) {
	u, _ := worded(t)
	u.press(input.Enter)
	u.writing()
	u.keys("up")
	u.press(input.Enter)
	u.keys("and away")
	u.waitText("up\nand away")
	caret := func() string {
		return u.eval("(() => { const t = document.activeElement; return t.selectionStart + '-' + t.selectionEnd })()")
	}
	at := func(what, want string) {
		t.Helper()
		u.wait(what+": "+want, fmt.Sprintf("document.activeElement.selectionStart + '-' + document.activeElement.selectionEnd === '%s'", want))
	}
	at("behind what was written", "11-11")
	u.press(input.ArrowUp)
	at("the line above ends before that", "2-2")
	u.press(input.Home)
	at("the line's beginning", "0-0")
	u.press(input.ArrowDown)
	u.press(input.Home)
	at("the second line's beginning", "3-3")
	u.hold(input.ShiftLeft, func() { u.press(input.End) })
	at("selected to its end", "3-11")
	// A press near the left of the lower line puts the caret there.
	x, y, _, h := u.box(".writing .line:nth-of-type(2)")
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x+3, y+h/2)))
	u.must("pressing", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	at("pressed before the second line", "3-3")
	u.keys("far ")
	at("written there", "7-7")
	if got := caret(); got != "7-7" {
		t.Errorf("the caret is at %s", got)
	}
	u.waitText("up\nfar and away")
}

// A name in braces is one letter; what is pasted is taken; a press elsewhere ends it.
func TestAPriceIsOneLetterWhileWriting(t *testing.T) {
	u, _ := worded(t)
	u.press(input.Enter)
	u.writing()
	u.must("pasting", u.page.InsertText("now {price}!"))
	u.waitText("now {price}!")
	u.press(input.ArrowLeft, input.ArrowLeft)
	u.wait("over the price in one step", "document.activeElement.selectionStart === 4")
	u.press(input.Delete)
	u.waitText("now !")
	x, y := u.at(-480, 480)
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing beside it", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	u.wait("it is closed", "!document.querySelector('textarea[aria-label=\"Words in the picture\"]')")
	u.waitText("now !")
}

func TestANewHeadlineIsWrittenAtOnce(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Headline")
	u.keys("Three days") // not waiting until it is open
	u.waitStored("the headline", func(c *clip.Clip) bool { l := headline(c); return l != nil && l.Words.Text == "Three days" })
}

// Lines that are aligned at the left stay where they are, and stand by that edge:
// what is written next grows to the right.
func TestAlignedWordsStandByTheirEdge(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Aligned", tall, 30, 60)
	l := clip.NewWords("line", "Line", clip.KindWords, "Mug")
	l.Group, l.Rest.Size, l.Words.ByEdge = "scene", 70, false
	c.Layers = append(c.Layers, l)
	id := store.NewID()
	if err := site.Store.CreateClip(t.Context(), id, c, "New"); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/clips/"+id)
	u.ready()
	u.clickText(".row-line .name", "^Line$")
	left := "Math.min(...window.billowEditor.placeOf('line').corners.map((c) => c[0]))"
	u.wait("it is known where they are", "window.billowEditor.placeOf('line')")
	before := u.eval(left + ".toFixed(2)")
	for range 2 { // from the middle to the right, to the left
		u.click(".bar .words button[title$='press for the next']")
	}
	u.waitStored("the lines begin at the left", func(c *clip.Clip) bool {
		w := c.Layer("line").Words
		return w.Align == "left" && w.ByEdge
	})
	u.wait("they have not moved", fmt.Sprintf("Math.abs(%s - %s) < 0.1", left, before))
	if got := fmt.Sprintf("%.2f", u.layer("Line").Rest.X); got != before {
		t.Errorf("they rest at %s, their left edge is at %s", got, before)
	}
	x, y := u.at(0, 0)
	u.twice(x, y)
	u.writing()
	u.chord(input.ControlLeft, input.KeyA)
	u.keys("A large mug")
	u.waitStored("more is written", func(c *clip.Clip) bool { return c.Layer("line").Words.Text == "A large mug" })
	u.wait("the edge has stayed", fmt.Sprintf("Math.abs(%s - %s) < 0.1 && window.billowEditor.placeOf('line').w > 200", left, before))
}
