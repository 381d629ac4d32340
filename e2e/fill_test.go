package e2e

import (
	"fmt"
	"math"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// A backdrop gets points of colour, which are dragged in the picture; with keys, they
// move.
func TestColoursOfABackdropAreDraggedInThePicture(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 1))
	u.ready()
	u.clickText(".row-line .name", "^Sunrise$")
	u.clickText("[role=tab]", "^Layer$")
	fill := func(c *clip.Clip) *clip.Fill {
		for i := range c.Layers {
			if c.Layers[i].Name == "Sunrise" {
				return c.Layers[i].Fill()
			}
		}
		return nil
	}
	u.clickText(".runs button", "Free")
	u.waitStored("it has points", func(c *clip.Clip) bool { return len(fill(c).Points) > 1 })
	before := u.shot()
	x, y := u.handle("fill-place1")
	tx, ty := u.at(250, -250) // a quarter of the square to the right and up
	u.drag(x, y, tx, ty)
	u.waitStored("the point is there", func(c *clip.Clip) bool {
		p := fill(c).Points[0]
		return math.Abs(p.X-25) < 0.5 && math.Abs(p.Y+25) < 0.5
	})
	if u.shot() == before {
		t.Error("the picture is as it was")
	}

	u.clickText(".runs button", "Conic")
	u.waitStored("it goes around", func(c *clip.Clip) bool { return fill(c).Run == "conic" })
	x, y = u.handle("fill-angle")
	tx, ty = u.at(300, 0)
	u.drag(x, y, tx, ty)
	u.waitStored("it begins at the right", func(c *clip.Clip) bool { return math.Abs(fill(c).Angle-90) < 1.5 })

	u.clickText("button.add", "Another colour")
	u.waitStored("it has a third colour between", func(c *clip.Clip) bool { f := fill(c); return len(f.Stops) == 3 && f.Stops[1].At == 50 })

	// A key is set on this frame; on another one the same drag makes the next.
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.click("[aria-label='Set a key for Gradient, centre']")
	u.goTo(60)
	u.clickText("[role=tab]", "^Layer$")
	x, y = u.handle("fill-centre")
	tx, ty = u.at(0, 200)
	u.drag(x, y, tx, ty)
	u.waitStored("the centre moves", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if k := l.Tracks[clip.FillCentre]; len(k) == 2 {
				return math.Abs(k[1].Value[1]-20) < 0.5 && k[0].Value[1] == 0 && fill(c).Y == 0
			}
		}
		return false
	})
	u.must("leaving the picture", u.page.Mouse.MoveTo(proto.NewPoint(640, 300)))
}

// What stands on the ground gets a shadow there and a reflection, without a key; in a
// loud colour shadows are seen, and never kept.
func TestAThingStandsOnTheGround(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.clickText(".row-line .name", "^Mug$")
	u.clickText("[role=tab]", "^Layer$")
	plain := u.shot()
	mug := func(c *clip.Clip) *clip.Layer {
		for i := range c.Layers {
			if c.Layers[i].Name == "Mug" {
				return &c.Layers[i]
			}
		}
		return nil
	}
	u.write("input[aria-label=Contact]", "80")
	u.waitStored("it has a contact shadow", func(c *clip.Clip) bool {
		v := mug(c).Values[clip.Contact]
		return len(v) == 1 && v[0] == 80
	})
	u.write("input[aria-label=Reflection]", "40")
	u.waitStored("it is mirrored", func(c *clip.Clip) bool { return len(mug(c).Values[clip.Reflection]) == 1 })
	grounded := u.shot()
	if grounded == plain {
		t.Error("the picture is as it was")
	}
	u.saved()
	before := site.stored(t, id)
	u.eval("document.activeElement?.blur()")
	u.press(input.KeyD)
	u.wait("the shadows are loud", fmt.Sprintf("document.querySelector('[aria-label=\"Show shadows in a loud colour\"]').getAttribute('aria-pressed') === 'true' && document.querySelector('.tabletop canvas').toDataURL().length !== %d", grounded))
	u.press(input.KeyD)
	u.wait("they are as they were", fmt.Sprintf("document.querySelector('.tabletop canvas').toDataURL().length === %d", grounded))
	if after := site.stored(t, id); string(after.Encode()) != string(before.Encode()) {
		t.Error("looking at shadows has changed the clip")
	}
}

// A mask is added, dragged, sized and turned in the picture, and its edge is where it
// cuts.
func TestAMaskIsEditedInThePicture(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText("[role=tab]", "^Layer$")
	u.click("[aria-label='Add a mask: Card']")
	mask := func(c *clip.Clip) clip.Mask {
		if m := c.Layer("b").Masks; len(m) == 1 {
			return m[0]
		}
		return clip.Mask{}
	}
	u.waitStored("it has a mask", func(c *clip.Clip) bool { return mask(c).Form == "card" })
	u.wait("its outline is there", "document.querySelector('[data-mask]')")
	size := mask(u.stored()).W
	x, y := u.handle("mask-1-move")
	tx, ty := u.at(40, -20)
	cx, cy := u.at(0, 0)
	u.drag(x, y, x+tx-cx, y+ty-cy)
	u.waitStored("it was moved", func(c *clip.Clip) bool { return near(mask(c).X, 40, 2) && near(mask(c).Y, -20, 2) })
	x, y = u.handle("mask-1-size")
	mx, my := u.handle("mask-1-move")
	u.drag(x, y, mx+(x-mx)/2, my+(y-my)/2)
	u.waitStored("it is half as large", func(c *clip.Clip) bool { return near(mask(c).W, size/2, 3) && near(mask(c).H, size/2, 3) })
	u.write("input[aria-label=Feather]", "25")
	u.waitStored("its edge is soft", func(c *clip.Clip) bool { return mask(c).Feather == 25 })
	u.click("[aria-label='Delete mask 1']")
	u.waitStored("it is gone", func(c *clip.Clip) bool { return c.Layer("b").Masks == nil })
}
