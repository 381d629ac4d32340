package e2e

import (
	"math"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// keys types letter by letter, as a person does.
func (u *user) keys(text string) {
	u.t.Helper()
	for _, r := range text {
		u.press(input.Key(r))
	}
}

// into clicks into a field and selects what is in it.
func (u *user) into(selector string) {
	u.t.Helper()
	u.click(selector)
	u.chord(input.ControlLeft, input.KeyA)
}

func (u *user) chord(hold, key input.Key) {
	u.t.Helper()
	u.must("holding a key", u.page.Keyboard.Press(hold))
	u.press(key)
	u.must("letting it go", u.page.Keyboard.Release(hold))
}

// worded opens a clip with one headline, which is chosen, and tells where in the
// window its middle is.
func worded(t *testing.T) (*user, func() (x, y float64)) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Typed", square, 30, 60)
	l := clip.Draft(c, clip.KindWords, "", "", "")
	l.Group = "scene"
	c.Layers = append(c.Layers, l)
	id := strings.ToLower(t.Name())[:min(40, len(t.Name()))]
	if err := site.Store.CreateClip(t.Context(), id, c, "Made"); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/clips/"+id)
	u.ready()
	u.clickText(".row-line .name", "^Headline$")
	u.find("textarea[aria-label=Words]")
	return u, func() (float64, float64) {
		x, y, w, h := u.box("[data-outline]")
		return x + w/2, y + h/2
	}
}

func headline(c *clip.Clip) *clip.Layer {
	for i := range c.Layers {
		if c.Layers[i].Words != nil {
			return &c.Layers[i]
		}
	}
	return nil
}

func TestWordsTypedAndThenDraggedStay(t *testing.T) {
	u, middle := worded(t)
	u.into("textarea[aria-label=Words]")
	u.keys("Half price")
	x, y := middle()
	u.drag(x, y, x, y-40)
	u.waitStored("the words and their place", func(c *clip.Clip) bool {
		l := headline(c)
		return l.Words.Text == "Half price" && l.Rest.Y < -50
	})
	if got := u.eval("document.querySelector('textarea[aria-label=Words]').value"); got != "Half price" {
		t.Errorf("the field says %q", got)
	}
}

func TestWhatIsTypedIsKeptWhileTypingAndIsOneStep(t *testing.T) {
	u, _ := worded(t)
	u.into("textarea[aria-label=Words]")
	u.keys("Only")
	u.waitStored("the first word, still being typed", func(c *clip.Clip) bool { return headline(c).Words.Text == "Only" })
	u.keys(" today")
	u.waitStored("the second word", func(c *clip.Clip) bool { return headline(c).Words.Text == "Only today" })
	if got := u.eval("document.activeElement.tagName"); got != "TEXTAREA" {
		t.Errorf("the focus went to %s", got)
	}
	u.click("[aria-label=Undo]")
	u.waitStored("all typed words taken back at once", func(c *clip.Clip) bool { return headline(c).Words.Text == "One *bright* line" })
	u.click("[aria-label=Redo]")
	u.waitStored("all typed words again", func(c *clip.Clip) bool { return headline(c).Words.Text == "Only today" })
}

func TestEscapeTakesBackWhatWasTyped(t *testing.T) {
	u, _ := worded(t)
	u.into("textarea[aria-label=Words]")
	u.keys("Wrong")
	u.waitStored("what was typed", func(c *clip.Clip) bool { return headline(c).Words.Text == "Wrong" })
	u.keys("er")
	u.press(input.Escape)
	u.waitStored("what was there before", func(c *clip.Clip) bool { return headline(c).Words.Text == "One *bright* line" })
	u.wait("the field says so", "document.querySelector('textarea[aria-label=Words]').value === 'One *bright* line'")
}

func TestASizeTypedAndThenALayerPressed(t *testing.T) {
	u, middle := worded(t)
	u.into("input[aria-label=Size]")
	u.keys("431")
	x, y := middle()
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing the layer", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	u.waitStored("the size", func(c *clip.Clip) bool { return headline(c).Rest.Size == 431 })
	u.wait("the field says so", "document.querySelector('input[aria-label=Size]').value === '431'")
}

// After Enter, after a choice from a list and after a button was pressed with the
// pointer, keys belong to the clip.
func TestKeysBelongToTheClip(t *testing.T) {
	u, _ := worded(t)
	u.into("input[aria-label=Down]")
	u.keys("100")
	u.press(input.Enter)
	u.press(input.ArrowRight)
	u.waitStored("the nudge after Enter", func(c *clip.Clip) bool {
		r := headline(c).Rest
		return r.Y == 100 && math.Abs(r.X-1) < 1e-9
	})

	font := headline(u.stored()).Words.Font
	u.click("button[aria-label^='Font:']")
	u.find("[role=option].at")
	u.press(input.ArrowDown, input.Enter)
	u.waitStored("another font", func(c *clip.Clip) bool { return headline(c).Words.Font != font })
	font = headline(u.stored()).Words.Font
	x, y, w, _ := u.box(".saved")
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x+w/2, y+4)))
	u.must("pressing elsewhere", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	u.press(input.ArrowDown)
	u.waitStored("the nudge after the list", func(c *clip.Clip) bool {
		return headline(c).Rest.Y == 101 && headline(c).Words.Font == font
	})

	u.click("button[aria-label='Copy the layer']")
	u.waitStored("the copy", func(c *clip.Clip) bool { return len(c.Layers) == 4 })
	u.press(input.Space)
	u.wait("it plays", "window.billowEditor.playing")
	u.press(input.Space)
	u.waitStored("no further copy", func(c *clip.Clip) bool { return len(c.Layers) == 4 })
}

func TestAnEmptyNameIsRefusedInPlace(t *testing.T) {
	u, _ := worded(t)
	u.into("input[aria-label='Name of the layer']")
	u.press(input.Backspace)
	u.text(".field-problem", "needs a name")
	u.press(input.Tab)
	u.wait("the old name is there again", "document.querySelector(\"input[aria-label='Name of the layer']\").value === 'Headline'")
	u.into("input[aria-label='Name of the clip']")
	u.keys("Ty")
	u.waitStored("a name half typed", func(c *clip.Clip) bool { return c.Name == "Ty" })
	u.press(input.Backspace, input.Backspace)
	u.text(".field-problem", "needs a name")
	u.press(input.Enter)
	u.waitStored("the old name", func(c *clip.Clip) bool { return c.Name == "Typed" })
}

func TestUndoSurvivesAReload(t *testing.T) {
	u, _ := worded(t)
	u.into("textarea[aria-label=Words]")
	u.keys("First")
	u.press(input.Tab)
	u.write("input[aria-label=Down]", "222")
	u.saved()
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.chord(input.ControlLeft, input.KeyZ)
	u.waitStored("the place taken back", func(c *clip.Clip) bool {
		return headline(c).Rest.Y == 0 && headline(c).Words.Text == "First"
	})
	u.chord(input.ControlLeft, input.KeyZ)
	u.waitStored("the words taken back", func(c *clip.Clip) bool { return headline(c).Words.Text == "One *bright* line" })
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.click("[aria-label=Redo]")
	u.waitStored("the words again", func(c *clip.Clip) bool { return headline(c).Words.Text == "First" })
}
