package e2e

import (
	"fmt"
	"testing"

	"billow/core/colour"
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/paint"
)

// twoCards is what is blurred in these tests, as a picture and as SVG.
func twoCards(w, h int) (*paint.Bitmap, string) {
	b := paint.NewBitmap(w, h)
	for _, c := range []struct {
		x, y, w, h int
		rgb        uint32
	}{{120, 110, 120, 100, 0x2C7C7A}, {190, 180, 100, 100, 0xDD4F28}} {
		p := paint.Premultiplied(colour.RGB(c.rgb))
		for y := c.y; y < c.y+c.h; y++ {
			for x := c.x; x < c.x+c.w; x++ {
				b.Pix[y*w+x] = p
			}
		}
	}
	return b, `<div style=\"position:absolute;left:120px;top:110px;width:120px;height:100px;background:#2c7c7a\"></div>` +
		`<div style=\"position:absolute;left:190px;top:180px;width:100px;height:100px;background:#dd4f28\"></div>`
}

// softnesses are standard deviations, in pixels, at which the browser's boxes have
// whole widths, so that it blurs as much as it is asked to.
var softnesses = []float64{1.5, 4.8, 9, 24, 40}

// onWhite draws sheets over one another on white.
func onWhite(w, h int, sheets ...*paint.Sheet) *paint.Bitmap {
	out := paint.NewBitmap(w, h)
	out.Fill(0xFFFFFFFF)
	var brush paint.Brush
	for _, s := range sheets {
		brush.Draw(out, &s.Pyramid, s.Matrix(), 1, paint.Normal)
	}
	return out
}

// within tells which pixels differ from the browser's by more than so many levels.
func (u *user) within(what string, levels int, b *paint.Bitmap, shown [][3]uint8) {
	u.t.Helper()
	off, most := 0, 0
	for i, want := range shown {
		for k, v := range want {
			if d := max(int(b.Pix[i]>>(8*k)&255), int(v)) - min(int(b.Pix[i]>>(8*k)&255), int(v)); d > levels {
				off, most = off+1, max(most, d)
			}
		}
	}
	if off > 0 {
		u.t.Errorf("%s: the browser has %d values otherwise, by up to %d levels", what, off, most)
	}
}

// TestBlurAgreesWithTheBrowser compares blur and drop shadow with CSS filters.
func TestBlurAgreesWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	const w, h = 420, 400
	cards, html := twoCards(w, h)
	sheet := paint.NewSheet(cards, 0, 0, 1)
	for _, about := range softnesses {
		sigma := effect.Soft(about)
		css := func(filter string) [][3]uint8 {
			return u.shown(fmt.Sprintf(`<div style=\"position:absolute;inset:0;filter:%s\">%s</div>`, filter, html), w, h, 1)
		}
		blurred := effect.Blur.Draw(effect.Work{Sheet: sheet, Unit: 1}, effect.Values{{sigma}})
		// Ours is a true Gaussian. The three boxes of the browser leave it by up to a hundredth
		// along each axis: five levels and a rounding where two edges meet.
		// All but one in two thousand are within four.
		ours, theirs := onWhite(w, h, blurred), css(fmt.Sprintf("blur(%gpx)", sigma))
		u.within(fmt.Sprintf("a blur of %.1f", sigma), 6, ours, theirs)
		far := 0
		for i, want := range theirs {
			for k, v := range want {
				if d := int(ours.Pix[i]>>(8*k)&255) - int(v); d > 4 || d < -4 {
					far++
				}
			}
		}
		if far > 3*w*h/2000 {
			t.Errorf("a blur of %.1f: the browser has %d of %d values otherwise by more than 4 levels", sigma, far, 3*w*h)
		}

		dark := graph.Silhouette{Sigma: sigma, Pixel: paint.Premultiplied(colour.RGB(0x041416))}.Apply(sheet, false, nil)
		dark.X, dark.Y = dark.X+14*dark.Per, dark.Y+22*dark.Per
		halfDark := paint.NewBitmap(w, h)
		var brush paint.Brush
		brush.Draw(halfDark, &dark.Pyramid, dark.Matrix(), 0.5, paint.Normal)
		u.within(fmt.Sprintf("a shadow of %.1f", sigma), 4, onWhite(w, h, paint.NewSheet(halfDark, 0, 0, 1), sheet),
			css(fmt.Sprintf("drop-shadow(14px 22px %gpx rgb(4 20 22/50%%))", sigma)))
	}
}
