package e2e

import (
	"strconv"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/proto"
)

// held is an element that was picked up by the pointer and is carried over the page,
// as the browser carries things.
type held struct {
	u    *user
	data *proto.InputDragData
}

// pickUp begins to drag the element that bears a text.
func (u *user) pickUp(selector, pattern string) held {
	u.t.Helper()
	u.must("watching drags", proto.InputSetInterceptDrags{Enabled: true}.Call(u.page))
	e := u.text(selector, pattern)
	u.must("showing it", e.Timeout(patience).ScrollIntoView())
	b := e.MustShape().Box()
	h := held{u: u}
	wait := u.page.EachEvent(func(e *proto.InputDragIntercepted) bool { h.data = e.Data; return true })
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(b.X+b.Width/2, b.Y+b.Height/2)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	u.must("dragging", m.MoveLinear(proto.NewPoint(b.X+b.Width/2+20, b.Y+b.Height/2+20), 4))
	wait()
	return h
}

func (h held) tell(kind proto.InputDispatchDragEventType, x, y float64, alt bool) {
	h.u.t.Helper()
	e := proto.InputDispatchDragEvent{Type: kind, X: x, Y: y, Data: h.data}
	if alt {
		e.Modifiers = 1
	}
	h.u.must("carrying", e.Call(h.u.page))
}

// over carries it to a point of the window.
func (h held) over(x, y float64, alt bool) {
	h.u.t.Helper()
	h.tell(proto.InputDispatchDragEventTypeDragEnter, x, y, alt)
	h.tell(proto.InputDispatchDragEventTypeDragOver, x, y, alt)
}

// let lets it go there.
func (h held) let(x, y float64, alt bool) {
	h.u.t.Helper()
	h.tell(proto.InputDispatchDragEventTypeDrop, x, y, alt)
	h.u.must("letting go", h.u.page.Mouse.Up(proto.InputMouseButtonLeft, 1))
	h.u.must("no longer", proto.InputSetInterceptDrags{Enabled: false}.Call(h.u.page))
}

// carried drags an element to a point of the window.
func (u *user) carried(selector, pattern string, x, y float64) {
	u.t.Helper()
	h := u.pickUp(selector, pattern)
	h.over(x, y, false)
	h.let(x, y, false)
}

func TestThingsOfTheShelfAreCarriedToTheirPlace(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText("[role=tab]", "^Props$")
	x, y := u.at(-210, 330)
	u.carried(".pictures button", "Bread tin", x, y)
	u.waitStored("the tin stands there", func(c *clip.Clip) bool {
		l := c.Layers[len(c.Layers)-1]
		return l.Cutout != nil && near(l.Rest.X, -210, 3) && near(l.Rest.Y, 330, 3)
	})
	u.clickText("[role=tab]", "^Props$")
	x, y = u.at(150, -300)
	u.carried(".kind", "Figure", x, y)
	u.waitStored("a card stands there", func(c *clip.Clip) bool {
		l := c.Layers[len(c.Layers)-1]
		return l.Card != nil && near(l.Rest.X, 150, 3) && near(l.Rest.Y, -300, 3)
	})
}

// With Alt a picture is let go into a cut-out, which shows it from then on.
func TestAPictureLetGoOnACutoutIsShownByIt(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 1))
	u.ready()
	u.goTo(60)
	u.clickText(".row-line .name", "Mug")
	u.wait("it is known where it is", "window.billowEditor.placeOf(window.billowEditor.selected)")
	id := u.eval("window.billowEditor.selected")
	number := func(of string) float64 {
		v, err := strconv.ParseFloat(u.eval("String(window.billowEditor.placeOf(window.billowEditor.selected)."+of+")"), 64)
		u.must("asking where it is", err)
		return v
	}
	px, py := u.at(number("x"), number("y"))
	n, before := len(u.stored().Layers), u.stored().Layer(id).Cutout.Prop
	u.clickText("[role=tab]", "^Props$")
	drop := u.pickUp(".pictures .place", "Bread tin")
	drop.over(px, py, false)
	u.text("[data-drop-target] span", "^Alt: swap ")
	drop.over(px, py, true)
	u.text("[data-drop-target] span", "shows it$")
	drop.let(px, py, true)
	u.waitStored("it shows the tin", func(c *clip.Clip) bool {
		p := c.Prop(c.Layer(id).Cutout.Prop)
		return c.Layer(id).Cutout.Prop != before && p != nil && p.Name == "Bread tin" && len(c.Layers) == n
	})
	u.wait("nothing waits for a drop", "!document.querySelector('[data-drop-target]')")
}
