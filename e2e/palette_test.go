package e2e

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"

	"github.com/go-rod/rod/lib/input"
)

// The colours of a product are found, four palettes are shown on the clip itself, and one press
// gives one to all.
func TestColoursThatGoWithAProduct(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.clickText("[role=tab]", "^Clip and light$")
	u.clickText(".matching summary", "Colours that go with it")
	u.wait("four pictures are drawn", `[...document.querySelectorAll('.proposals canvas')].filter(c => c.width > 60).length >= 4 &&
		new Set([...document.querySelectorAll('.proposals canvas')].map(c => c.getContext('2d').getImageData(4, 4, 1, 1).data.join())).size >= 4`)
	if u.eval(`document.querySelectorAll('.dots span').length`) < "3" {
		t.Error("the lantern has fewer than three main colours")
	}
	before := u.stored()
	shot := u.shot()
	u.clickText(".proposals button", "Deep")
	u.waitStored("the clip has other colours", func(c *clip.Clip) bool {
		return c.Layer("backdrop").Backdrop.Stops[0].Colour != before.Layer("backdrop").Backdrop.Stops[0].Colour
	})
	c := u.stored()
	ground := c.Layer("backdrop").Backdrop.Stops
	for _, s := range ground {
		if got := colour.Contrast(c.Layer("headline").Words.Fill, s.Colour); got < 4.5 {
			t.Errorf("the headline on %v has a contrast of %.2f", s.Colour, got)
		}
	}
	if b := c.Layer("badge").Words; colour.Contrast(b.Fill, b.Plate.Fill) < 4.5 {
		t.Errorf("the badge is %v on %v", b.Fill, b.Plate.Fill)
	}
	if u.shot() == shot {
		t.Error("the picture is as it was")
	}
}

// What a brand keeps is offered where colours and fonts are chosen, and in starters.
func TestABrandIsOfferedEverywhere(t *testing.T) {
	u := visit(t, "/")
	u.clickText("button", "^Brand$")
	u.clickText(".modal.show button", "Add a brand")
	u.write(".modal.show input[aria-label='Name of the brand']", "Cedar Hut")
	u.wait("it is called so", `document.querySelector(".modal.show input[aria-label='Name of the brand']").value === 'Cedar Hut'`)
	u.eval(`(() => { const i = document.querySelector(".modal.show input[type=color]"); i.focus(); i.value = '#8a2e4f'; i.dispatchEvent(new Event('input')); i.dispatchEvent(new Event('change')) })()`)
	u.wait("it has the colour", `document.querySelector(".modal.show input[type=color]").value === '#8a2e4f'`)
	u.clickText(".modal.show .fonts label", "Caveat, bold")
	u.wait("it has the font", `[...document.querySelectorAll('.modal.show .fonts label')].some(l => l.textContent.includes('Caveat') && l.querySelector('input').checked)`)
	u.finds("the brand")
	u.must("opening a clip", u.page.Navigate(site.URL+"/clips/"+copyOf(t, 1)))
	u.ready()
	u.clickText(".row-line .name", "^Headline|Slow")
	u.clickText("[role=tab]", "^Layer$")
	u.click("button[aria-label^='Font:']")
	u.wait("the font comes first", `document.querySelector("[role=listbox] [role=option]")?.innerText.includes('Cedar Hut')`)
	u.press(input.Escape)
	u.click("input[aria-label='Colour, as #rrggbb']")
	u.click(".side button[aria-label='Colour: #8a2e4f of Cedar Hut']")
	u.waitStored("the words have the colour", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Words != nil && l.Words.Fill == colour.RGB(0x8A2E4F) {
				return true
			}
		}
		return false
	})
	// It is for all clips, so others must not meet it.
	u.must("going home", u.page.Navigate(site.URL+"/"))
	u.clickText("button", "^Brand$")
	u.click(".modal.show [aria-label='Delete the brand']")
	u.text("[role=status], .notice, .toast", "Cedar Hut is deleted")
}
