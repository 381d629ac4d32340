package e2e

import (
	"fmt"
	"math"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// at is where a point in units lies on the page.
func (u *user) at(x, y float64) (float64, float64) {
	u.t.Helper()
	bx, by, bw, bh := u.box(".tabletop canvas")
	unit := math.Min(bw, bh) / 1000
	return bx + bw/2 + x*unit, by + bh/2 + y*unit
}

// dragUnits drags from one point to another, both in units.
func (u *user) dragUnits(x0, y0, x1, y1 float64) {
	u.t.Helper()
	ax, ay := u.at(x0, y0)
	bx, by := u.at(x1, y1)
	u.drag(ax, ay, bx, by)
}

func (u *user) handle(name string) (x, y float64) {
	u.t.Helper()
	hx, hy, hw, hh := u.box("[data-handle=" + name + "]")
	return hx + hw/2, hy + hh/2
}

func near(a, b, within float64) bool { return math.Abs(a-b) <= within }

func TestADragSaysAndDoesWhatItChanges(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.goTo(40)
	// The whole motion: the rest moves, the path keeps its shape.
	u.clickText(".target-switch button", "Whole motion")
	u.text(".target", "moves it with its whole path")
	before := u.stored().Layer("b").Tracks[clip.Position]
	u.hold(input.ControlLeft, func() { u.dragUnits(0, 60, 70, 130) })
	u.waitStored("the whole motion", func(c *clip.Clip) bool {
		l := c.Layer("b")
		return near(l.Rest.X, 70, 3) && near(l.Rest.Y, 70, 3) && fmt.Sprint(l.Tracks[clip.Position]) == fmt.Sprint(before)
	})
	// The key here.
	u.clickText(".target-switch button", "Key here")
	u.text(".target", "changes the position key")
	u.hold(input.ControlLeft, func() { u.dragUnits(70, 130, 20, 130) })
	u.waitStored("the key here", func(c *clip.Clip) bool {
		l := c.Layer("b")
		return near(l.Rest.X, 70, 3) && len(l.Tracks[clip.Position]) == 3 && near(l.Tracks[clip.Position][1].Value[0], -50, 3)
	})
	// Between keys a new one is made, and that is said before.
	u.goTo(90)
	u.text(".target", "adds a position key")
	u.press(input.ArrowRight)
	u.wantFrames("a nudge", "b", "10 40 70 90")
	u.press('w')
	u.text(".target", "moves it with its whole path")
	u.hold(input.ShiftLeft, func() { u.press(input.ArrowUp) })
	u.waitStored("a nudge by ten", func(c *clip.Clip) bool { return near(c.Layer("b").Rest.Y, 60, 3) && u.frames("b") == "10 40 70 90" })
}

func TestSidesCornersTurnsAndThePivot(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.goTo(10)
	u.clickText(".target-switch button", "Whole motion")
	// The right side out to one and a half times its distance: wider alone.
	cx, cy := u.at(0, 0)
	sx, sy := u.handle("side-1")
	u.drag(sx, sy, cx+(sx-cx)*1.5, sy)
	u.waitStored("the width", func(c *clip.Clip) bool {
		k := c.Layer("b").Tracks[clip.Scale]
		return len(k) == 1 && len(k[0].Value) == 2 && near(k[0].Value[0], 150, 4) && k[0].Value[1] == 100
	})
	// Just outside a corner it is turned; with Shift in steps of 15 degrees.
	tx, ty := u.handle("turn-1")
	r := math.Hypot(tx-cx, ty-cy)
	a := math.Atan2(ty-cy, tx-cx) + 32*math.Pi/180
	u.hold(input.ShiftLeft, func() { u.drag(tx, ty, cx+r*math.Cos(a), cy+r*math.Sin(a)) })
	u.waitStored("the turn", func(c *clip.Clip) bool { return c.Layer("b").Rest.Turn == 30 })
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitStored("undo", func(c *clip.Clip) bool { return c.Layer("b").Rest.Turn == 0 })
	// The pivot goes to the middle of the lower edge, where it catches.
	px, py := u.handle("pivot")
	_, low := u.at(0, 98)
	u.drag(px, py, px, py+(low-cy))
	u.waitStored("the pivot", func(c *clip.Clip) bool {
		v := c.Layer("b").Values[clip.Pivot]
		return len(v) == 2 && v[0] == 0 && v[1] == 50
	})
}

func TestThingsCatchOnGuides(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc a$")
	u.clickText(".target-switch button", "Whole motion")
	u.goTo(10)
	// What is pressed in the picture is chosen and moves at once.
	u.press(input.Escape)
	u.wait("nothing is chosen", "!document.querySelector('[data-outline]')")
	// Disc a lies at -300; dragged to about -4 it catches on the centre, unless
	// Ctrl is held.
	u.dragUnits(-300, 0, -5, 3)
	u.waitStored("the centre", func(c *clip.Clip) bool {
		r := c.Layer("a").Rest
		return near(r.X, 0, 1e-6) && near(r.Y, 0, 1e-6)
	})
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitStored("undo", func(c *clip.Clip) bool { return c.Layer("a").Rest.X == -300 })
	u.hold(input.ControlLeft, func() { u.dragUnits(-300, 0, -295, 150) })
	u.waitStored("without guides", func(c *clip.Clip) bool { return near(c.Layer("a").Rest.Y, 150, 3) && c.Layer("a").Rest.X != -300 })
}

func TestSeveralLayersMoveTogetherAndTheStackIsClickedThrough(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.goTo(10)
	u.chooseAll("Disc a", "Disc c")
	u.clickText(".target-switch button", "Whole motion")
	u.hold(input.ControlLeft, func() { u.dragUnits(300, 0, 340, -80) })
	u.waitStored("both", func(c *clip.Clip) bool {
		a, b, d := c.Layer("a").Rest, c.Layer("b").Rest, c.Layer("c").Rest
		return near(a.X, -260, 3) && near(a.Y, -80, 3) && near(d.X, 340, 3) && b.X == 0 && b.Y == 0
	})
	// Disc c over disc b: a click takes c, with Alt the one beneath.
	u.clickText(".row-line .name", "^Disc c$")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label=Right]", "0")
	u.write("input[aria-label=Down]", "0")
	u.saved()
	u.eval("document.activeElement?.blur()")
	u.press(input.Escape)
	x, y := u.at(0, 20)
	click := func() {
		u.must("pointing", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
		u.must("clicking", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	}
	click()
	u.find("[data-outline=c]")
	u.hold(input.AltLeft, click)
	u.find("[data-outline=b]")
}

func TestThePathCanBeGrabbedAndBent(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText(".target-switch button", "Key here")
	u.find("[data-pathkey='70']")
	u.wait("the key can be grabbed", "document.querySelector(\"[data-pathkey='70']\").classList.contains('free')")
	// The key on 70 lies 120 units down.
	u.dragUnits(0, 120, 150, 120)
	u.waitStored("the key", func(c *clip.Clip) bool {
		return near(c.Layer("b").Tracks[clip.Position][2].Value[0], 150, 3) && near(c.Layer("b").Tracks[clip.Position][2].Value[1], 120, 3)
	})
	u.saved()
	u.shot() // all that the drag showed is over
	u.wait("it is drawn there", `(b => b.x + b.width / 2 > document.querySelector('.tabletop canvas').getBoundingClientRect().x + 270)(document.querySelector("[data-pathkey='70']").getBoundingClientRect())`)
	u.hold(input.AltLeft, func() { u.dragUnits(150, 120, 150, 260) })
	u.waitStored("the bend", func(c *clip.Clip) bool {
		k := c.Layer("b").Tracks[clip.Position][2]
		return len(k.Out) == 2 && near(k.Out[1], 140, 4) && near(k.In[1], -140, 4)
	})
	u.find("[data-bend='70 in']")
}

func TestARestInOneShapeAloneIsMarkedAndUndone(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText(".target-switch button", "Whole motion")
	u.click("[aria-label='Arrange Wide 16:9']")
	x, y := u.at(0, 0)
	u.must("pointing at the picture", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.text(".target", "in Wide alone")
	u.press(input.ArrowDown)
	u.waitStored("the rest in Wide", func(c *clip.Clip) bool { return c.Layer("b").Rests["wide"].Y == 1 && c.Layer("b").Rest.Y == 0 })
	u.clickText("[role=tab]", "^Layer$")
	u.clickText("button", "Same as the others")
	u.waitStored("the same again", func(c *clip.Clip) bool { return len(c.Layer("b").Rests) == 0 })
}

func TestAProductIsSwapped(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 1))
	u.ready()
	u.clickText(".row-line .name", "^Mug$")
	u.clickText("[role=tab]", "^Props$")
	u.click("[aria-label='Swap Mug for Bread tin']")
	u.waitStored("the swap", func(c *clip.Clip) bool {
		l := c.Layer("mug-layer")
		return c.Prop(l.Cutout.Prop).Name == "Bread tin" && len(l.Tracks[clip.Position]) == 3 && l.Lift == 44
	})
}
