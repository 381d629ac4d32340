package e2e

import (
	"encoding/json"
	"math"
	"testing"

	"billow/core/cutout"

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

// A point between two curves is a corner once one of its handles was moved alone, and a straight one
// once it was clicked with Alt.
func TestHandlesOfAPathMoveAlone(t *testing.T) {
	u := visit(t, "/")
	u.backed("Around a corner")
	u.bring(photo(t, "dish with corners", dishOnCard))
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.press(input.KeyK)
	x, y, w, h := u.box(".bench .sheet img")
	at := func(px, py float64) (float64, float64) { return x + px/400*w, y + py/400*h }
	drag := func(ax, ay, bx, by float64) {
		x0, y0 := at(ax, ay)
		x1, y1 := at(bx, by)
		u.drag(x0, y0, x1, y1)
	}
	u.set(100, 340)
	drag(200, 300, 240, 260)                                   // a curve through it
	u.hold(input.AltLeft, func() { drag(240, 260, 200, 220) }) // its handle, alone
	u.set(320, 340)
	u.cutAgain(func() { u.set(100, 340) })
	u.clickText(".bench .side button", "Only keep it on the shelf")
	u.text(".notice", "cut out")
	near := func(n cutout.Node, want [6]float64) bool {
		for i, v := range n {
			if math.Abs(v-want[i]) > 3 {
				return false
			}
		}
		return true
	}
	if n := penOf(t, "dish with corners")[1]; !near(n, [6]float64{200, 300, 0, -80, -40, 40}) {
		t.Errorf("the point between two curves is %v", n)
	}
	u.cutAgain(func() { u.hold(input.AltLeft, func() { u.set(200, 300) }) })
	u.clickText(".bench .side button", "Only keep it on the shelf")
	u.wait("it is made again", `!document.querySelector('.bench .side .btn-act').textContent.includes('Cutting')`)
	if n := penOf(t, "dish with corners")[1]; !near(n, [6]float64{200, 300}) {
		t.Errorf("clicked with Alt, it is %v", n)
	}
}

// penOf is the path by which a photo on the Bench is cut.
func penOf(t *testing.T, name string) []cutout.Node {
	t.Helper()
	list, err := site.Store.Cuts(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range list {
		var o cutout.Order
		if err := json.Unmarshal(c.Order, &o); err != nil {
			t.Fatal(err)
		}
		if c.Name == name && len(o.Pen) == 1 && len(o.Pen[0]) == 3 {
			return o.Pen[0]
		}
	}
	t.Fatalf("%s is not cut along a path of three points", name)
	return nil
}
