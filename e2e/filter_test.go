package e2e

import (
	"fmt"
	"testing"

	"billow/core/effect"
	"billow/core/paint"
)

// Effects on colours that W3C Filter Effects defines are those of the browser, to a level.
func TestColourEffectsAreThoseOfTheBrowser(t *testing.T) {
	u := visit(t, "/")
	const w, h = 400, 360
	cards, html := twoCards(w, h)
	sheet := paint.NewSheet(cards, 0, 0, 1)
	for _, c := range []struct {
		css    string
		effect *effect.Effect
		value  float64
	}{
		{"contrast(1.7)", &effect.Contrast, 170}, {"contrast(0.4)", &effect.Contrast, 40},
		{"invert(0.8)", &effect.Invert, 80}, {"invert(1)", &effect.Invert, 100},
		{"hue-rotate(75deg)", &effect.Hue, 75}, {"hue-rotate(-140deg)", &effect.Hue, -140},
		{"saturate(2.2)", &effect.Saturation, 220}, {"saturate(0.3)", &effect.Saturation, 30},
	} {
		shown := u.shown(fmt.Sprintf(`<div style=\"position:absolute;inset:0;filter:%s\">%s</div>`, c.css, html), w, h, 1)
		drawn := c.effect.Draw(effect.Work{Sheet: sheet, Unit: 1}, effect.Values{{c.value}})
		u.within(c.css, 1, onWhite(w, h, drawn), shown)
	}
}
