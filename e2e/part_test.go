package e2e

import (
	"image/color"
	"math"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// A berry on a dish is taken out of it: both stand in the clip as one picture did, and where the
// berry was the dish goes on. A crumb on it is healed.
func TestAPartStandsApartExactlyWhereItWas(t *testing.T) {
	u := visit(t, "/")
	u.backed("Out of the dish")
	const bx, by, radius = 165, 185, 28
	berry := color.NRGBA{214, 62, 40, 255}
	u.bring(photo(t, "berry", func(x, y float64) [3]float64 {
		switch {
		case math.Hypot(x-bx, y-by) < radius:
			return [3]float64{float64(berry.R), float64(berry.G), float64(berry.B)}
		case math.Hypot(x-220, y-270) < 5:
			return [3]float64{240, 220, 150}
		}
		return dishOnCard(x, y)
	}))
	u.text(".notice", "berry came with its background")
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.cutAgain(func() {
		u.press(input.KeyH)
		u.paint(220, 270, 221, 270)
	})
	u.press(input.KeyP)
	x, y, w, h := u.box(".bench .sheet img")
	u.encircle(x+bx/400.0*w, y+by/400.0*h, 1.5*radius/400*w)
	u.text(".bench .side h2", "^Part of berry$")
	u.cutNow()
	u.clickText(".bench .btn-act", "Let it stand apart in the clip")
	var part, whole *clip.Layer
	u.waitStored("both stand in the clip", func(c *clip.Clip) bool {
		for i := range c.Layers {
			if l := &c.Layers[i]; l.Kind == clip.KindCutout && l.Name == "Part of berry" {
				part = l
			} else if l.Kind == clip.KindCutout {
				whole = l
			}
		}
		return part != nil && whole != nil && c.PictureOf(part).Hash != c.PictureOf(whole).Hash
	})
	if p := u.cutPixel("berry", bx, by); p.A != 255 || !like([3]int{int(p.R), int(p.G), int(p.B)}, dish) {
		t.Errorf("where the berry was, the dish is %v", p)
	}
	if p := u.cutPixel("berry", 220, 270); !like([3]int{int(p.R), int(p.G), int(p.B)}, dish) {
		t.Errorf("where the crumb was, the dish is %v", p)
	}
	if in, out := u.cutPixel("Part of berry", bx, by), u.alpha("Part of berry", bx+radius+4, by); in.A != 255 || out > 20 {
		t.Errorf("the part is %v inside and %d of 255 opaque outside", in, out)
	}
	u.ready()
	at := func(px, py float64) [3]int {
		p := u.pixel(0, int(200+(px-200)*.6), int(200+(py-200)*.6))
		return [3]int{int(p[0]), int(p[1]), int(p[2])}
	}
	for angle := 0.; angle < 2*math.Pi; angle += .5 {
		sin, cos := math.Sincos(angle)
		if p := at(bx+(radius-4)*cos, by+(radius-4)*sin); !like(p, berry) {
			t.Errorf("within the berry the clip shows %v", p)
		}
		if p := at(bx+(radius+5)*cos, by+(radius+5)*sin); math.Hypot(bx+(radius+5)*cos-dishX, by+(radius+5)*sin-dishY) < dishRadius-4 && p[0] > 110 {
			t.Errorf("beside the berry the clip shows %v", p)
		}
	}
}

// encircle drags once around a point.
func (u *user) encircle(x, y, radius float64) {
	u.t.Helper()
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x+radius, y)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	for k := range 24 {
		sin, cos := math.Sincos(2 * math.Pi * float64(k+1) / 24)
		u.must("dragging", m.MoveTo(proto.NewPoint(x+radius*cos, y+radius*sin)))
	}
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
}
