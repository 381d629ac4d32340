package e2e

import (
	"context"
	"image"
	"testing"

	"billow/core/brand"
	"billow/core/clip"
	"billow/core/colour"

	"github.com/go-rod/rod/lib/input"
)

// A button that opens from the left is first seen there.
func TestAButtonOpensFromTheChosenSide(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Side", "3s")
	u.goTo(30)
	u.clickText("[role=tab]", "^Props$")
	u.click("[aria-label='From the left']")
	u.piece("Button")
	f := u.film()
	weight := func(n int) (left, right float64) {
		half := image.Rect(0, 250, filmSide/2, filmSide)
		left = f.difference(20, n, half)
		return left, f.difference(20, n, half.Add(image.Pt(filmSide/2, 0)))
	}
	first := 31
	for l, r := weight(first); l+r < 1 && first < 50; l, r = weight(first) {
		first++
	}
	if l, r := weight(first); l < 3*r {
		t.Errorf("at frame %d it changes the left half by %.2f and the right one by %.2f", first, l, r)
	}
	if l, r := weight(80); l > 1.2*r || r > 1.2*l {
		t.Errorf("in the end it changes the left half by %.2f and the right one by %.2f", l, r)
	}
}

// While letters are written, the brand's colours are offered beside their colour, first the one
// that stands out.
func TestABrandsAccentIsOfferedFirst(t *testing.T) {
	own := brand.Brand{ID: "hut", Name: "Cedar Hut", Colours: []colour.Colour{
		colour.RGB(0x2F6B6A), colour.RGB(0xDD4F28), colour.RGB(0xFCFAF5), colour.RGB(0xF6C667)}}
	if err := site.Store.PutBrand(t.Context(), own); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { // it is for all clips, so others must not meet it
		if err := site.Store.RemoveBrand(context.Background(), own.ID); err != nil {
			t.Error(err)
		}
	})
	u := withHeadline(t, "Accent")
	u.eval("document.activeElement.blur()")
	u.press(input.Enter)
	u.writing()
	u.must("pointing", u.find("input[aria-label='Colour of these letters']").Hover())
	u.click("[aria-label='Brand colours for Colour of these letters'] button:first-child")
	u.waitStored("they have the gold of the brand", func(c *clip.Clip) bool {
		w := said(c)
		return len(w.Accents) > 0 && w.Accents[0].Fill != nil && w.Accents[0].Fill.String() == "#f6c667"
	})
}

// The ready way that words come in is shown as long as it is as it was, and the plate behind
// them comes with them where that is wanted.
func TestTheTakenWayIsShown(t *testing.T) {
	u := withHeadline(t, "Way")
	u.way("rise")
	u.wait("it is shown", "document.querySelector('[aria-label=\"How they come\"] [data-way=rise]').ariaPressed === 'true'")
	u.opened()
	u.field("From right", "20")
	u.wait("it is one's own", "!document.querySelector('[aria-label=\"How they come\"] [data-way][aria-pressed=true]')")
	u.choose("select[aria-label=Plate]", "card")
	u.clickText("label.check", "Comes and goes with its words")
	u.waitStored("the plate follows", func(c *clip.Clip) bool { return said(c).Plate != nil && said(c).Plate.Follows })
}
