package e2e

import (
	"image/color"
	"math"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// trace draws with the pointer held through places of the frame, in units from its centre.
func (u *user) trace(places [][2]float64) {
	u.t.Helper()
	u.find("[data-sketch]")
	x, y := u.at(places[0][0], places[0][1])
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	for _, p := range places[1:] {
		x, y = u.at(p[0], p[1])
		u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	}
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
}

// A line is drawn by hand and drawn on in the clip; a round one becomes a blob.
func TestLinesAndBlobsAreDrawnByHand(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("By hand", "2s")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Draw$")
	var wave, round [][2]float64
	for x := -400.0; x <= 400; x += 20 {
		wave = append(wave, [2]float64{x, -200 + 60*math.Sin(x/100)})
	}
	u.trace(wave)
	u.waitStored("the line is there", func(c *clip.Clip) bool {
		l := c.Layer("card")
		return l != nil && l.Card.Form == "path" && !l.Card.Path.Closed && math.Abs(l.Rest.Size-800) < 20 && math.Abs(l.Rest.Y+200) < 15
	})
	u.field("Width", "40")
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.field("Drawn to", "0")
	u.click("[aria-label='Set a key for Drawn to']")
	u.goTo(30)
	u.field("Drawn to", "100")
	u.waitStored("it is drawn on", func(c *clip.Clip) bool { return len(c.Layer("card").Tracks[clip.DrawEnd]) == 2 })

	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Draw$")
	for i := range 61 {
		a := float64(i) / 60 * 2 * math.Pi
		round = append(round, [2]float64{150 * math.Sin(a), 200 - 150*math.Cos(a)})
	}
	u.trace(round)
	u.waitStored("the blob is there", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Name == "Blob" {
				return l.Card.Path.Closed && math.Abs(l.Rest.Size-300) < 15
			}
		}
		return false
	})
	u.saved()
	f := u.film()
	line, fill := color.NRGBA{0xDD, 0x4F, 0x28, 255}, color.NRGBA{0xC8, 0x92, 0x2E, 255}
	if x0, _, x1, _, ok := f.box(40, line); !ok || x0 > 50 || x1 < 350 {
		t.Errorf("the whole line goes from %d to %d", x0, x1)
	}
	if _, _, x1, _, ok := f.box(15, line); !ok || x1 < 150 || x1 > 260 {
		t.Errorf("halfway it is drawn to %d", x1)
	}
	if !like(f.at(5, 200, 280), fill) || like(f.at(5, 200, 350), fill) {
		t.Errorf("within the blob it is %v, below %v", f.at(5, 200, 280), f.at(5, 200, 350))
	}
}

// A path is set point by point, closed at its first one; its points are dragged, added and taken
// away, and with keys the figure changes.
func TestAPathIsMadePointByPoint(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Points", "2s")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Points$")
	u.find("[data-sketch]")
	m := u.page.Mouse
	for _, p := range [][2]float64{{-200, -200}, {200, -200}, {200, 200}, {-200, 200}, {-200, -200}} {
		x, y := u.at(p[0], p[1])
		u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
		u.must("clicking", m.Click(proto.InputMouseButtonLeft, 1))
	}
	path := func(c *clip.Clip) *clip.DrawnPath {
		if l := c.Layer("card"); l != nil {
			return l.Card.Path
		}
		return &clip.DrawnPath{}
	}
	u.waitStored("it is a square", func(c *clip.Clip) bool { p := path(c); return p.Closed && len(p.Points) == 4 })

	// A key on a point here, another place later: the square becomes a kite.
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.click("[aria-label='Set a key for Path 1']")
	u.goTo(40)
	x, y := u.handle("path-point1")
	tx, ty := u.at(-400, -400)
	u.drag(x, y, tx, ty)
	u.waitStored("the point has two keys", func(c *clip.Clip) bool {
		k := c.Layer("card").Tracks["point1"]
		return len(k) == 2 && math.Abs(k[1].Value[0]+100) < 1.5 && math.Abs(k[0].Value[0]+50) < 0.01
	})
	u.saved()
	f := u.film()
	fill := color.NRGBA{0xC8, 0x92, 0x2E, 255}
	if !like(f.at(0, 200, 200), fill) || like(f.at(0, 80, 80), fill) || !like(f.at(45, 80, 80), fill) {
		t.Errorf("at first the corner is %v, later %v", f.at(0, 80, 80), f.at(45, 80, 80))
	}

	x, y = u.handle("path-add3")
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("clicking", m.Click(proto.InputMouseButtonLeft, 1))
	u.waitStored("it has a fifth point", func(c *clip.Clip) bool { p := path(c); return len(p.Points) == 5 && p.Points[3].ID == 5 })
	x, y = u.handle("path-point2")
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("clicking twice", m.Click(proto.InputMouseButtonLeft, 2))
	u.waitStored("the second point is gone", func(c *clip.Clip) bool { return len(path(c).Points) == 4 && path(c).Points[1].ID == 3 })

	// What was begun is given up with Escape.
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Points$")
	u.find("[data-sketch]")
	u.press(input.Escape)
	u.wait("it has ended", "!document.querySelector('[data-sketch]')")
	if n := len(u.stored().Layers); n != 3 {
		t.Errorf("there are %d layers", n)
	}
}

// A mask is drawn around a part of a layer in the picture.
func TestAMaskIsDrawnInThePicture(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Cut out", "1s")
	u.block("Red", redPaint) // from 80 to 320 across and 110 to 290 down of 400 pixels
	u.click("button[aria-label='Add a mask: Draw']")
	var ring [][2]float64
	for i := range 61 {
		a := float64(i) / 60 * 2 * math.Pi
		ring = append(ring, [2]float64{-100 + 100*math.Sin(a), -100 * math.Cos(a)})
	}
	u.trace(ring)
	u.waitStored("it has a mask", func(c *clip.Clip) bool {
		m := c.Layer("cutout").Masks
		return len(m) == 1 && m[0].Form == "path" && math.Abs(m[0].X+100) < 8 && math.Abs(m[0].W-200) < 16
	})
	u.find("[data-mask='1']")
	u.saved()
	f := u.film()
	if !like(f.at(3, 160, 200), redPaint) || like(f.at(3, 250, 200), redPaint) || like(f.at(3, 100, 130), redPaint) {
		t.Errorf("within the mask it is %v, beside it %v", f.at(3, 160, 200), f.at(3, 250, 200))
	}
}
