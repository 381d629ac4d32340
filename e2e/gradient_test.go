package e2e

import (
	"bytes"
	"fmt"
	"image/png"
	"math"
	"testing"

	"billow/core/colour"
	"billow/core/paint"

	"github.com/go-rod/rod/lib/proto"
)

// css is what the browser shows of a plane with a background.
func (u *user) css(background string, w, h int) [][3]uint8 {
	u.t.Helper()
	return u.shown(fmt.Sprintf(`<div style=\"width:100%%;height:100%%;background:%s\"></div>`, background), w, h, 1)
}

// shown is what the browser makes of a part of a page on white, as red, green and blue;
// its quotation marks are escaped. Drawn several times as large and averaged, its edges
// are as exact as that: at its own size the browser's lie up to a quarter of a pixel off
// where curves are flat.
func (u *user) shown(html string, w, h, times int) [][3]uint8 {
	u.t.Helper()
	u.eval(fmt.Sprintf(`void (() => {
		const d = document.createElement('div')
		d.id = 'plane'
		d.style.cssText = 'position:fixed;left:0;top:0;z-index:99999;width:%dpx;height:%dpx;background:#fff'
		d.innerHTML = "%s"
		document.body.append(d)
	})()`, w, h, html))
	shot, err := u.page.Screenshot(false, &proto.PageCaptureScreenshot{Clip: &proto.PageViewport{Width: float64(w), Height: float64(h), Scale: float64(times)}})
	u.must("looking at the plane", err)
	u.eval("void document.getElementById('plane').remove()")
	m, err := png.Decode(bytes.NewReader(shot))
	u.must("reading the picture", err)
	out := make([][3]uint8, w*h)
	for i := range out {
		var sum [3]uint32
		for n := range times * times {
			r, g, b, _ := m.At(i%w*times+n%times, i/w*times+n/times).RGBA()
			sum[0], sum[1], sum[2] = sum[0]+r>>8, sum[1]+g>>8, sum[2]+b>>8
		}
		for k, v := range sum {
			out[i][k] = uint8(float64(v)/float64(times*times) + 0.5)
		}
	}
	return out
}

// TestGradientsAgreeWithTheBrowser compares gradients of all kinds with those of CSS.
func TestGradientsAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	const w, h = 300, 500
	three := []paint.Stop{{At: 0.1, Colour: colour.RGB(0x2F6B6A)}, {At: 0.45, Colour: colour.RGB(0xF0C040)}, {At: 0.9, Colour: colour.RGB(0x7A1020)}}
	faint := []paint.Stop{{At: 0, Colour: colour.RGB(0x173F47)}, {At: 1, Colour: colour.Colour{R: 221, G: 79, B: 40}}}
	hard := []paint.Stop{{At: 0, Colour: colour.RGB(0x173F47)}, {At: 0.5, Colour: colour.RGB(0x173F47)}, {At: 0.5, Colour: colour.RGB(0xFCFAF5)}, {At: 1, Colour: colour.RGB(0xDD4F28)}}
	list := func(stops []paint.Stop) (css string) {
		for _, s := range stops {
			css += fmt.Sprintf(", %s %g%%", s.Colour, s.At*100)
		}
		return css
	}
	for _, c := range []struct {
		g    paint.Gradient
		css  string
		skip func(x, y float64) bool // where a hard edge runs slantwise, or a centre is
	}{
		{g: paint.Gradient{Stops: three, Angle: 180}, css: "linear-gradient(180deg" + list(three) + ")"},
		{g: paint.Gradient{Stops: three, Angle: 37}, css: "linear-gradient(37deg" + list(three) + ")"},
		{g: paint.Gradient{Stops: faint, Angle: 90}, css: "linear-gradient(90deg" + list(faint) + ")"},
		{g: paint.Gradient{Stops: hard, Angle: 180}, css: "linear-gradient(180deg" + list(hard) + ")"},
		{g: paint.Gradient{Run: paint.Radial, Stops: three, X: 0.3, Y: 0.25, Reach: 1}, css: "radial-gradient(circle farthest-corner at 30% 25%" + list(three) + ")"},
		{g: paint.Gradient{Run: paint.Radial, Stops: faint, X: 0.5, Y: 0.5, Reach: 1}, css: "radial-gradient(circle farthest-corner at 50% 50%" + list(faint) + ")"},
		// The farthest corner is 210 pixels to the right and 375 down: 429.7965 away.
		{g: paint.Gradient{Run: paint.Radial, Stops: three, X: 0.3, Y: 0.25, Reach: 1, Angle: 90, Flat: 0.4}, css: "radial-gradient(429.7965px 257.8779px at 30% 25%" + list(three) + ")"},
		{g: paint.Gradient{Run: paint.Radial, Stops: three, X: 0.3, Y: 0.25, Reach: 0.8, Angle: 180, Flat: 0.75}, css: "radial-gradient(85.9593px 343.8372px at 30% 25%" + list(three) + ")"},
		{
			g: paint.Gradient{Run: paint.Conic, Stops: three, Angle: 30, X: 0.6, Y: 0.4}, css: "conic-gradient(from 30deg at 60% 40%" + list(three) + ")",
			skip: func(x, y float64) bool {
				dx, dy := x-180, y-200
				sin, cos := math.Sincos(30 * math.Pi / 180)
				return math.Hypot(dx, dy) < 12 || math.Abs(dx*cos+dy*sin) < 1.5 && dx*sin-dy*cos > 0
			},
		},
	} {
		b := paint.NewBitmap(w, h)
		b.Shade(c.g.Shader(paint.Box{W: w, H: h}))
		far := 0
		for i, want := range u.css(c.css, w, h) {
			x, y := float64(i%w)+0.5, float64(i/w)+0.5
			if c.skip != nil && c.skip(x, y) {
				continue
			}
			p := b.Pix[i]
			for k, v := range want {
				// Over white, as the browser has it.
				got := int(p>>(8*k)&255) + 255 - int(p>>24)
				d := got - int(v)
				if far = max(far, d, -d); far > 2 { // a level, and the dither
					t.Errorf("%s: at %g,%g channel %d is %d, the browser has %d", c.css, x, y, k, got, v)
					break
				}
			}
			if far > 2 {
				break
			}
		}
	}
}
