package e2e

import (
	"image/color"
	"testing"

	"billow/core/clip"
)

// A gel's mask is moved in the picture, and a gel that is kept to a layer changes what that covers only.
func TestAGelHasItsPlace(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Glazed", "2s")
	u.block("Orange", color.NRGBA{R: 200, G: 110, B: 40, A: 255})
	u.eval("window.billowEditor.select('')")
	u.click("[data-panel=look]")
	u.clickText(".nothing button", "Add a gel")
	u.click(".add-effect")
	u.click("[data-add-effect=invert]")
	gel := func(c *clip.Clip) *clip.Layer { return &c.Layers[len(c.Layers)-1] }
	u.waitStored("it inverts", func(c *clip.Clip) bool { return gel(c).Values["invert"] != nil })
	u.click("[data-panel=layer]")
	u.click("[aria-label='Add a mask: Disc']")
	u.find("[data-handle=mask-1-move]")
	if in, out := u.pixel(30, 200, 200), u.pixel(30, 380, 200); in[2] < 200 || out[0] < 250 {
		t.Errorf("in the disc it is %v, beside it %v", in, out)
	}
	u.dragUnits(0, 0, 420, 0)
	u.waitStored("the disc was moved", func(c *clip.Clip) bool { return gel(c).Masks[0].X > 380 })
	f := u.film()
	if in, out := f.at(30, 300, 200), f.at(30, 160, 200); in[2] < 200 || out[2] > 80 {
		t.Errorf("where it is moved to orange is %v, and where it was %v", in, out)
	}
	u.click("[aria-label='Delete mask 1']")
	u.waitStored("it has none", func(c *clip.Clip) bool { return len(gel(c).Masks) == 0 })
	orange := u.stored().Layers
	u.choose("select[aria-label='Changes what is beneath it']", orange[len(orange)-2].ID)
	u.waitStored("it is kept to the block", func(c *clip.Clip) bool { return gel(c).Gel.Where != "" })
	f = u.film()
	if in, out := f.at(30, 200, 200), f.at(30, 380, 200); in[2] < 200 || in[0] > 70 || out[0] < 250 {
		t.Errorf("on the block it is %v, beside it %v", in, out)
	}
	u.finds("gel")
}
