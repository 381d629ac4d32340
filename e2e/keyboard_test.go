package e2e

import (
	"fmt"
	"slices"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

// tabTo goes on with Tab until something that a selector and a text name has the
// keyboard. Behind the last thing of the page the browser itself has it once.
func (u *user) tabTo(selector, says string) {
	u.t.Helper()
	u.goBy(func() { u.press(input.Tab) }, selector, says)
}

// tabBackTo is tabTo with Shift: what lies just before is nearer that way.
func (u *user) tabBackTo(selector, says string) {
	u.t.Helper()
	u.goBy(func() { u.hold(input.ShiftLeft, func() { u.press(input.Tab) }) }, selector, says)
}

func (u *user) goBy(step func(), selector, says string) {
	u.t.Helper()
	js := fmt.Sprintf(`(() => {
		const a = document.activeElement
		if (a === document.body) return 'body'
		return a.matches(%q) && ((a.getAttribute('aria-label') ?? '') + a.textContent).includes(%q) ? 'here' : 'on'
	})()`, selector, says)
	past := 0
	for range 160 {
		switch u.eval(js) {
		case "here":
			return
		case "body":
			if past++; past > 1 {
				u.t.Fatalf("on the way to %s the keyboard fell to the page's body", says)
			}
		}
		step()
	}
	u.t.Fatalf("Tab never came to %s %q", selector, says)
}

// enter does what has the keyboard, which is somewhere on the page afterwards.
func (u *user) enter() {
	u.t.Helper()
	u.press(input.Enter)
	u.wait("the keyboard is somewhere", "document.activeElement !== document.body")
}

// From a new clip to its export with the keyboard alone.
func TestAClipIsMadeWithTheKeyboardAlone(t *testing.T) {
	u := visit(t, "/")
	u.text("strong", "Lantern weekend")
	u.press(input.Tab)
	u.tabTo("button", "New clip")
	u.enter()
	u.wait("the name has the keyboard", "document.activeElement.closest('.modal') && document.activeElement.tagName === 'INPUT'")
	u.keys("By hand")
	u.press(input.Enter, input.Enter)
	u.ready()
	u.wait("the keyboard is with the clip", "document.activeElement !== document.body")
	u.tabTo("[role=tab]", "Props")
	u.enter()
	u.tabTo(".tune button", "BPM")
	u.enter()
	u.waitStored("the tune", func(c *clip.Clip) bool { return len(c.Sounds) == 1 })
	u.tabTo("button", "Place Trail kettle")
	u.enter()
	u.waitStored("the kettle", func(c *clip.Clip) bool { return len(c.Layers) == 3 })
	u.text(".row-line .name", "^Trail kettle")
	for range 3 {
		u.hold(input.ShiftLeft, func() { u.press(input.ArrowDown) })
	}
	u.waitStored("it is nudged", func(c *clip.Clip) bool { return c.Layers[2].Rest.Y == 30 })
	u.press(input.KeyN, input.KeyN)
	u.tabTo("button", "Moves")
	u.enter()
	u.tabTo("button", "Gust")
	u.enter()
	u.waitStored("the gust", func(c *clip.Clip) bool { return len(c.Layers[2].Moves) == 1 && c.Layers[2].Moves[0].At.OnBeat })
	u.tabBackTo("[role=tab]", "Props")
	u.enter()
	u.tabTo("button", "Headline")
	u.enter()
	u.writing()
	u.keys("Boil it anywhere")
	u.hold(input.ControlLeft, func() { u.press(input.Enter) })
	u.waitStored("the headline", func(c *clip.Clip) bool {
		return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool { return l.Words != nil && l.Words.Text == "Boil it anywhere" })
	})
	u.tabTo("button", "Export…")
	u.enter()
	u.find("[data-test=start-export]")
	u.wait("the dialog has the keyboard", "!!document.activeElement.closest('.modal')")
	u.tabTo("button", "Export")
	u.enter()
	u.find("[data-shape=tall][data-state=running], [data-shape=tall][data-state=done]")
	u.giveUp()
	u.press(input.Escape)
	u.wait("the keyboard is back", "!document.querySelector('.modal.show') && document.activeElement !== document.body")
}

// giveUp cancels an export that only had to begin, so that others need not wait.
func (u *user) giveUp() {
	u.t.Helper()
	u.clickText(".modal.show button", "^Cancel$")
	u.wait("it is given up", "!document.querySelector('.modal.show [data-state=running], .modal.show [data-state=waiting]')")
}
