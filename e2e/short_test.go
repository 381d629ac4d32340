package e2e

import (
	"fmt"
	"slices"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

// hand counts what a person does: a press of the pointer or a key, a drag, a
// stretch of typing.
type hand struct {
	*user
	count int
}

func (h *hand) act(do func()) {
	h.t.Helper()
	h.count++
	do()
}

func (h *hand) pressed(selector, pattern string) {
	h.t.Helper()
	h.act(func() { h.clickText(selector, pattern) })
}

func (h *hand) key(k input.Key) {
	h.t.Helper()
	h.act(func() { h.user.press(k) })
}

func (h *hand) typed(text string) {
	h.t.Helper()
	h.act(func() { h.keys(text) })
}

// write types a text into words that were just put there, and ends it.
func (h *hand) write(text string) {
	h.t.Helper()
	h.typed(text)
	h.act(func() { h.chord(input.ControlLeft, input.Enter) })
	h.waitStored("it says "+text, func(c *clip.Clip) bool {
		return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool { return l.Words != nil && l.Words.Text == text })
	})
	h.wait("the words are closed", "!document.querySelector('[data-writing]') && !!document.querySelector('.bar .acts')")
}

// grow drags a corner of what is chosen outwards.
func (h *hand) grow(by float64) {
	h.t.Helper()
	h.find("[data-handle=size-2]")
	x, y := h.handle("size-2")
	h.act(func() { h.drag(x, y, x+by, y+by) })
	h.wait("the corner is where it was dragged", fmt.Sprintf(
		"(b => b && b.x + b.width/2 > %f)(document.querySelector('[data-handle=size-2]')?.getBoundingClientRect())", x+by/2))
}

// A whole clip with motion on the beat: a product that gusts in, a headline and a
// price that pop on their beats, over a tune, exported. It takes at most thirty
// actions, most of them in the picture.
func TestAClipInThirtyActions(t *testing.T) {
	u := &hand{user: visit(t, "/")}
	u.pressed("button", "New clip")
	u.find(".modal.show")
	u.typed("Lantern night")
	u.key(input.Enter) // on to the shape that is chosen
	u.key(input.Enter) // and make it
	u.ready()
	u.pressed(".tune button", "BPM")
	u.waitStored("the tune", func(c *clip.Clip) bool { return len(c.Sounds) == 1 })

	x, y := u.at(0, 180)
	u.act(func() { u.carried(".pictures button", "Storm lantern", x, y) })
	u.find(".bar")
	u.grow(40)
	u.key(input.KeyN)
	u.key(input.KeyN)
	u.pressed(".bar button", "Moves")
	u.pressed(".kind", "Gust")
	u.waitStored("the gust", func(c *clip.Clip) bool {
		return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool { return len(l.Moves) == 1 && l.Moves[0].At.OnBeat })
	})

	u.pressed("[role=tab]", "^Props$")
	u.pressed(".kind", "Headline")
	u.write("Light for the long way home")
	hx, hy := u.at(0, 0)
	tx, ty := u.at(0, -600)
	u.act(func() { u.drag(hx, hy, tx, ty) })
	u.waitStored("the headline is where it was dragged", func(c *clip.Clip) bool {
		l := headline(c)
		return l != nil && l.Rest.Y < -400
	})
	u.key(input.KeyN)
	u.key(input.KeyN)
	u.pressed(".bar button", "Moves")
	u.pressed(".kind", "Swell")
	u.waitStored("the headline pops on its beat", func(c *clip.Clip) bool {
		l := headline(c)
		return l != nil && l.Words.Text == "Light for the long way home" && l.Rest.Y < -400 && len(l.Moves) == 1 && l.Moves[0].At.OnBeat
	})

	u.pressed("[role=tab]", "^Props$")
	bx, by := u.at(260, 560)
	u.act(func() { u.carried(".kind", "Badge", bx, by) })
	u.write("only 49")
	u.key(input.KeyN)
	u.pressed(".bar button", "Moves")
	u.pressed(".kind", "Settle")
	u.waitStored("the badge settles on its beat", func(c *clip.Clip) bool {
		return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool {
			return l.Kind == clip.KindBadge && l.Words.Text == "only 49" && len(l.Moves) == 1 && l.Moves[0].At.OnBeat
		})
	})

	u.pressed("header button", "^Export")
	u.pressed("[data-test=start-export]", "Export")
	u.find("[data-shape=tall][data-state=running], [data-shape=tall][data-state=done]")
	u.giveUp()
	t.Logf("it took %d actions", u.count)
	if u.count > 30 {
		t.Errorf("it took %d actions, more than thirty", u.count)
	}
	c := u.stored()
	if n := len(c.Layers); n != 5 {
		t.Errorf("the clip has %d layers: %v", n, stack(c))
	}
}
