package e2e

import (
	"math"
	"testing"

	"billow/core/clip"

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
	u.clickText("summary", "More properties")
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
