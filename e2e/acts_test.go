package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// stack is the order of a clip's layers but the scene and its backdrop, from the back.
func stack(c *clip.Clip) string {
	var out []string
	for _, l := range c.Layers {
		if !l.Is().Plays && !l.Is().Fills {
			out = append(out, l.ID)
		}
	}
	return strings.Join(out, " ")
}

func TestTheBarBesideWhatIsChosenHasItsActs(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 1))
	u.ready()
	u.clickText(".row-line .name", "Mug")
	u.find(".bar")
	id := u.eval("window.billowEditor.selected")
	l := func(c *clip.Clip) *clip.Layer { return c.Layer(id) }
	u.click(".bar button[aria-label=Outline]")
	u.waitStored("it has an outline", func(c *clip.Clip) bool { v := l(c).Values[clip.Outline]; return len(v) == 1 && v[0] > 0 })
	u.click(".bar button[aria-label=Shadow]")
	u.waitStored("it has no shadow", func(c *clip.Clip) bool { return l(c).Shadow != nil && l(c).Shadow.None })
	before := l(u.stored()).Cutout.Prop
	u.clickText(".bar button", "Swap")
	u.clickText(".dropdown-menu.show button", "Bread tin")
	u.waitStored("it shows something else", func(c *clip.Clip) bool { return l(c).Cutout.Prop != before })
	u.click(".bar button[aria-label=Duplicate]")
	u.wait("the copy is chosen", fmt.Sprintf("window.billowEditor.selected && window.billowEditor.selected !== '%s'", id))
	n := len(u.stored().Layers)
	u.click(".bar button[aria-label=Delete]")
	u.waitStored("the copy is gone", func(c *clip.Clip) bool { return len(c.Layers) == n-1 && l(c) != nil })
}

func TestTheMenuHasTheSameActsAndTheirKeys(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	x, y := u.at(0, 0)
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.must("the right button", u.page.Mouse.Click(proto.InputMouseButtonRight, 1))
	u.text(".menu .name", "Disc b")
	u.wait("the first act has the keyboard", "document.activeElement.dataset.act === 'forward'")
	u.press(input.ArrowDown, input.ArrowDown, input.ArrowDown)
	u.wait("the walk is at the fourth", "document.activeElement.dataset.act === 'rear'")
	u.press(input.Enter)
	u.waitStored("it is behind all", func(c *clip.Clip) bool { return stack(c) == "b a c" })
	u.wait("the keyboard is back with the clip", "document.activeElement.id === 'tabletop' && !document.querySelector('.menu')")
	u.hold(input.ShiftLeft, func() { u.press(input.PageUp) })
	u.waitStored("a step to the front", func(c *clip.Clip) bool { return stack(c) == "a b c" })
	u.press(input.KeyX)
	u.waitStored("it is hidden", func(c *clip.Clip) bool { return c.Layer("b").Hidden })
	u.press(input.KeyX)
	u.waitStored("it shows again", func(c *clip.Clip) bool { return !c.Layer("b").Hidden })
	u.shot() // the picture does, too
	// Escape closes the menu and leaves what is chosen as it was.
	u.must("the right button", u.page.Mouse.Click(proto.InputMouseButtonRight, 1))
	u.find(".menu")
	u.press(input.Escape)
	u.wait("it is closed", "!document.querySelector('.menu') && window.billowEditor.selected === 'b'")
}

func TestARectangleChoosesAndWhatIsChosenIsAligned(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	chosen := func(what, want string) {
		t.Helper()
		u.wait(what, fmt.Sprintf("window.billowEditor.chosen.join(' ') === '%s'", want))
	}
	u.dragUnits(-480, -300, -80, 0)
	chosen("what the rectangle touches", "a b")
	u.hold(input.ShiftLeft, func() { u.dragUnits(480, -300, 390, 0) })
	chosen("with Shift more", "a b c")
	for layer, y := range map[string]float64{"a": -60, "b": 35} {
		u.eval(fmt.Sprintf("void window.billowEditor.run({ type: 'setRest', layer: '%s', shape: 'square', set: { y: %g } })", layer, y))
	}
	u.waitStored("they stand at different heights", func(c *clip.Clip) bool { return c.Layer("b").Rest.Y == 35 })
	u.click("[data-align=bottom]")
	u.waitStored("their lower edges are in a line", func(c *clip.Clip) bool {
		return near(c.Layer("a").Rest.Y, 35, 0.01) && near(c.Layer("b").Rest.Y, 35, 0.01) && near(c.Layer("c").Rest.Y, 35, 0.01)
	})
	u.eval("void window.billowEditor.run({ type: 'setRest', layer: 'b', shape: 'square', set: { x: 110 } })")
	u.waitStored("one is out of the middle", func(c *clip.Clip) bool { return c.Layer("b").Rest.X == 110 })
	u.click("[data-align=across]")
	u.waitStored("the gaps are equal", func(c *clip.Clip) bool { return near(c.Layer("b").Rest.X, 0, 0.01) })
	// Escape takes a rectangle back with what it chose.
	x, y := u.at(-480, -300)
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	u.must("drawing", m.MoveLinear(proto.NewPoint(x+150, y+130), 5))
	u.find("[data-band]")
	u.press(input.Escape)
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
	u.wait("nothing is chosen", "window.billowEditor.chosen.length === 0 && !document.querySelector('[data-band]')")
}

func TestADragTellsDistancesAndFeelsEqualGaps(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.eval("void window.billowEditor.run({ type: 'setRest', layer: 'c', shape: 'square', set: { x: 370 } })")
	u.waitStored("the third is farther away", func(c *clip.Clip) bool { return c.Layer("c").Rest.X == 370 })
	x, y := u.at(370, 0)
	to, _ := u.at(303, 0)
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	u.must("dragging", m.MoveLinear(proto.NewPoint(to, y), 8))
	// Discs of 200 stand at -300 and 0: the gap is 100, and so is the one that is caught.
	u.wait("two equal gaps of 100 are told", "[...document.querySelectorAll('.gap.equal text')].filter((g) => g.textContent.trim() === '100').length === 2")
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
	u.waitStored("it is caught there", func(c *clip.Clip) bool { return near(c.Layer("c").Rest.X, 300, 0.01) })
	u.wait("nothing more is told", "!document.querySelector('[data-gap]')")
}

func TestThePictureIsZoomedAboutThePointerAndMoved(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	_, _, fitted, _ := u.box(".tabletop canvas")
	x, y := u.at(-200, 100)
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.hold(input.ControlLeft, func() { u.must("turning the wheel", u.page.Mouse.Scroll(0, -300, 3)) })
	u.wait("it is larger", fmt.Sprintf("document.querySelector('.tabletop canvas').getBoundingClientRect().width > %g", fitted*1.5))
	if zx, zy := u.at(-200, 100); math.Hypot(zx-x, zy-y) > 2 {
		t.Errorf("what was under the pointer at %.0f, %.0f is at %.0f, %.0f", x, y, zx, zy)
	}
	u.must("turning the wheel", u.page.Mouse.Scroll(0, 60, 2))
	if _, zy := u.at(-200, 100); !near(zy, y-60, 2) {
		t.Errorf("the wheel moved it by %.0f", zy-y)
	}
	// A drag on the enlarged picture goes as far as the pointer.
	u.dragUnits(0, 0, 40, 0)
	u.waitStored("it is dragged by 40 units", func(c *clip.Clip) bool { return near(c.Layer("b").Rest.X, 40, 3) })
	u.click(".sight .share")
	u.wait("all of it is seen", fmt.Sprintf("Math.abs(document.querySelector('.tabletop canvas').getBoundingClientRect().width - %g) < 1", fitted))
	u.press(input.KeyZ)
	u.wait("a pixel of the export is one of the screen", "document.querySelector('.tabletop canvas').getBoundingClientRect().width === 1080 && document.querySelector('.tabletop canvas').width === 1080")
	u.press(input.KeyZ)
}

// A move is seen before it is taken, and leaves nothing behind.
func TestAMoveShowsItself(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText(".bar button", "Moves")
	u.goTo(50)
	before := u.shot()
	past := u.eval("window.billowEditor.past.length")
	bx, by, bw, bh := u.box("[data-move-kind=swell]")
	u.must("resting on a move", u.page.Mouse.MoveTo(proto.NewPoint(bx+bw/2, by+bh/2)))
	u.wait("it plays", "Number(document.querySelector('.tabletop canvas').dataset.glimpse) >= 38")
	u.wait("it plays on", "Number(document.querySelector('.tabletop canvas').dataset.glimpse) >= 46")
	// Who goes to another frame sees it; the move lies under the pointer, but is not meant.
	u.press(input.Period)
	u.wait("the next frame is shown", "document.querySelector('.tabletop canvas').dataset.frame === '51' && document.querySelector('.tabletop canvas').dataset.glimpse === undefined")
	u.press(input.Comma)
	u.must("resting on it again", u.page.Mouse.MoveTo(proto.NewPoint(bx+bw/2+3, by+bh/2)))
	u.wait("it plays again", "document.querySelector('.tabletop canvas').dataset.glimpse !== undefined")
	x, y := u.at(0, -480)
	u.must("leaving it", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.wait("the picture is the clip's again", "document.querySelector('.tabletop canvas').dataset.glimpse === undefined")
	u.wait("nothing was done", fmt.Sprintf("window.billowEditor.past.length === %s && !window.billowEditor.layer.moves?.length && window.billowEditor.frame === 50", past))
	u.wait("the picture is what it was", fmt.Sprintf("(() => { const c = document.querySelector('.tabletop canvas'); return c.toDataURL().length === %d && c.dataset.frame === '50' })()", before))
}

// shot is a measure of the picture as it is.
func (u *user) shot() int {
	u.t.Helper()
	u.wait("the picture is drawn", "document.querySelector('.tabletop canvas').dataset.frame === String(window.billowEditor.frame) && document.querySelector('.tabletop canvas').dataset.version === String(window.billowEditor.version)")
	return len(u.eval("document.querySelector('.tabletop canvas').toDataURL()"))
}

// The safe area is 5 percent in from each edge (EBU R 95), and is caught on.
func TestTheSafeAreaIsShownAndCaughtOn(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.press(input.KeyE)
	_, _, w, _ := u.box(".tabletop canvas")
	_, _, sw, sh := u.box("[data-safe]")
	if !near(sw, w*0.9, 1) || !near(sh, w*0.9, 1) {
		t.Errorf("it is %.1f by %.1f in a picture of %.1f", sw, sh, w)
	}
	// The disc of 200 at 300: its right edge is caught at 450.
	u.dragUnits(300, 0, 347, 0)
	u.waitStored("its edge is on the safe area", func(c *clip.Clip) bool { return near(c.Layer("c").Rest.X, 350, 0.01) })
	u.press(input.KeyE)
	u.wait("it is hidden", "!document.querySelector('[data-safe]')")
}

func TestALayerIsMirroredByAKey(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.press(input.KeyY)
	u.waitStored("it is mirrored", func(c *clip.Clip) bool {
		v := c.Layer("b").Values[clip.Mirror]
		return len(v) == 2 && v[0] == -100 && v[1] == 100
	})
	u.press(input.KeyY)
	u.waitStored("it is as before", func(c *clip.Clip) bool { return c.Layer("b").Values[clip.Mirror] == nil })
}
