package e2e

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// set sets a point of a path on the photo on the Bench.
func (u *user) set(px, py float64) {
	u.t.Helper()
	x, y, w, h := u.box(".bench .sheet img")
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x+px/400*w, y+py/400*h)))
	u.must("setting a point", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
}

// A path of points along hard edges cuts there, whatever the first guess was; its points can be moved,
// and it can be taken away.
func TestAPathCutsAlongHardEdges(t *testing.T) {
	u := visit(t, "/")
	u.backed("Along a path")
	u.bring(photo(t, "dish for a path", dishOnCard))
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.press(input.KeyK)
	u.set(20, 20)
	u.set(350, 20) // too far, so it is taken back
	u.press(input.Backspace)
	u.set(300, 20)
	u.set(300, 200)
	u.cutAgain(func() {
		u.set(20, 200)
		u.set(20, 20) // the first one closes it
	})
	u.text(".bench .found", "within your path")
	u.cutAgain(func() { // its corner at the lower right is dragged further down
		x, y, w, h := u.box(".bench .sheet img")
		u.drag(x+300./400*w, y+.5*h, x+300./400*w, y+.6*h)
	})
	u.clickText(".bench .side button", "Only keep it on the shelf")
	u.text(".notice", "cut out")
	// Along the lower edge, which is slanted now, from (20, 200) to (300, 240).
	for _, at := range []struct {
		x, y int
		seen bool
	}{{30, 30, true}, {290, 30, true}, {10, 100, false}, {308, 100, false}, {290, 232, true}, {290, 246, false}, {40, 196, true}, {40, 210, false}} {
		if a := u.alpha("dish for a path", at.x, at.y); (a > 250) != at.seen || (a < 5) == at.seen {
			t.Errorf("at %d, %d opacity is %d", at.x, at.y, a)
		}
	}
	u.cutAgain(func() { u.clickText(".bench .side button", "Take the path away") })
	u.text(".bench .found", "background is of one colour")
}
