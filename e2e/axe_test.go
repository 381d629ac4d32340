package e2e

import (
	"os"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// finds runs axe over the page as it is and reports what it finds. Where colours
// lie over the picture it cannot tell contrast, and says so instead of failing.
func (u *user) finds(view string) {
	u.t.Helper()
	axe, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	if err != nil {
		u.t.Fatal(err)
	}
	if u.eval("typeof window.axe") == "undefined" {
		_, err := u.page.Eval("() => { " + string(axe) + " }")
		u.must("bringing axe", err)
	}
	// What is fading in has not its colours yet; a caret beats for ever.
	u.wait("nothing moves on the page", "document.getAnimations().every((a) => a.playState !== 'running' || a.effect.getComputedTiming().iterations === Infinity)")
	found := u.eval(`(async () => {
		const r = await window.axe.run(document, { resultTypes: ['violations'] })
		return r.violations.flatMap((v) => v.nodes.map((n) => v.id + ': ' + n.target.join(' ') + ' ' + n.html.slice(0, 140) + ' | ' + (n.any[0]?.message ?? n.all[0]?.message ?? n.none[0]?.message ?? ''))).join('\n')
	})()`)
	if found != "" {
		u.t.Errorf("axe finds in %s:\n%s", view, found)
	}
	// Whatever can be pressed is large enough for a finger's tip (WCAG 2.2, 2.5.8), but
	// for handles and beads, which keys and fields do as well, and words in a sentence.
	small := u.eval(`(() => [...document.querySelectorAll('button, select, div[role=button], input:not([type=hidden])')]
		.filter((e) => e.checkVisibility?.({ visibilityProperty: true, opacityProperty: true }) && !e.closest('p, .pagination'))
		.map((e) => ({ e, b: (e.closest('label') ?? e).getBoundingClientRect() }))
		.filter(({ e, b }) => b.width > 0 && (b.width < 23.5 || b.height < 23.5))
		.map(({ e, b }) => e.outerHTML.slice(0, 120) + ' ' + Math.round(b.width) + 'x' + Math.round(b.height)).join('\n'))()`)
	if small != "" {
		u.t.Errorf("too small to press in %s:\n%s", view, small)
	}
}

func TestAxeFindsNothingInTheClips(t *testing.T) {
	u := visit(t, "/")
	u.text("strong", "Lantern weekend")
	u.finds("the clips")
	u.clickText("button", "New clip")
	u.find(".modal.show")
	u.finds("a new clip")
}

func TestAxeFindsNothingInTheEditor(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.finds("the editor")
	for _, tab := range []string{"Props", "Layer", "Motion", "Clip and light"} {
		u.clickText("[role=tab]", "^"+tab+"$")
		u.finds(tab + " without a layer")
	}
	u.eval("void window.billowEditor.go(130)")
	u.shot()
	for _, layer := range []string{"Headline", "Lantern", "Badge", "Scene 1"} {
		u.eval("void window.billowEditor.select(window.billowEditor.clip.layers.find((l) => l.name === '" + layer + "').id)")
		for _, tab := range []string{"Layer", "Motion"} {
			u.clickText("[role=tab]", "^"+tab+"$")
			u.eval("void document.querySelectorAll('.side details').forEach((d) => (d.open = true))")
			u.finds(tab + " of " + layer)
		}
	}
	// What is open is remembered; the next person finds it closed.
	u.eval("void document.querySelectorAll('.side details').forEach((d) => (d.open = false))")
	u.wait("that is remembered", "localStorage.getItem('billow-more-properties') !== 'true'")
}

func TestAxeFindsNothingInALineup(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 2))
	u.ready()
	u.eval("void window.billowEditor.select('stage')")
	u.clickText("[role=tab]", "^Motion$")
	u.text("h2", "^Line-up$")
	u.eval("void document.querySelectorAll('.side details').forEach((d) => (d.open = true))")
	u.finds("the line-up")
	u.eval("void document.querySelectorAll('.side details').forEach((d) => (d.open = false))")
	u.wait("that is remembered", "localStorage.getItem('billow-more-properties') !== 'true'")
}

func TestAxeFindsNothingInDialogsAndBars(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.eval("void window.billowEditor.go(130)")
	u.shot()
	for _, d := range []struct{ open, what string }{{"Export…", "exports"}, {"Revisions", "revisions"}} {
		u.clickText("header button", d.open)
		u.find(".modal.show, .offcanvas.show")
		u.finds(d.what)
		u.press(input.Escape)
		u.gone(d.what)
	}
	u.clickText("button", "shortcuts")
	u.find(".modal.show")
	u.finds("the shortcuts")
	u.press(input.Escape)
	u.gone("the shortcuts")
	u.eval("void window.billowEditor.select(window.billowEditor.clip.layers.find((l) => l.name === 'Headline').id)")
	x, y, w, h := u.box("[data-outline]")
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x+w/2, y+h/2)))
	u.must("the right button", m.Click(proto.InputMouseButtonRight, 1))
	u.find(".menu")
	u.finds("the menu")
	u.press(input.Escape)
	u.press(input.Enter)
	u.writing()
	u.finds("words being written")
	u.press(input.Escape)
	u.press(input.KeyT)
	u.wait("the picture is alone", "!document.querySelector('section.side')")
	u.finds("the picture alone")
}

// gone waits until no dialog lies over the page any more, not even fading.
func (u *user) gone(what string) {
	u.t.Helper()
	u.wait(what+" are gone", "[...document.querySelectorAll('.modal, .modal-backdrop')].every((m) => !m.checkVisibility())")
}
