package e2e

import (
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/paint"
	"billow/export"
)

// TestBlendingInAGroupAgreesWithTheBrowser compares all blend modes within a group that is
// half transparent, and so is mixed by itself before it comes onto the backdrop, with an
// element of CSS whose opacity isolates what is in it; and with those of a group that does not.
func TestBlendingInAGroupAgreesWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	square, _ := clip.StandardShape("square")
	const under, below, above = "#d8b27a", "#2c7c7a", "#dd4f28b0"
	for _, mode := range clip.BlendModes {
		for _, opacity := range []float64{60, 100} {
			c := clip.New("Blend", square, 30, 1)
			fill := func(s string) []clip.Stop {
				col, err := colour.Parse(s)
				if err != nil {
					t.Fatal(err)
				}
				return []clip.Stop{{ID: 1, Colour: col}}
			}
			c.Layers[0].Backdrop.Stops = fill(under)
			g := clip.NewGroup("g", "Group")
			g.Values = map[string][]float64{clip.Opacity: {opacity}}
			card := func(id, fillColour, blend string, x float64) clip.Layer {
				l := clip.NewLayer(id, id, clip.KindCard)
				col, _ := colour.Parse(fillColour)
				l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: col}
				l.Rest.Size, l.Rest.X, l.Blend, l.Group = 600, x, blend, "g"
				return l
			}
			c.Layers = append(c.Layers, card("one", below, "normal", -100), card("two", above, mode, 100), g)
			if err := c.Validate(); err != nil {
				t.Fatal(err)
			}
			stage, err := frame.Prepare(c, square, 100, 100, export.Library())
			if err != nil {
				t.Fatal(err)
			}
			b := paint.NewBitmap(100, 100)
			stage.Painter().Draw(b, 0)
			shown := u.shown(fmt.Sprintf(`<div style=\"position:absolute;inset:0;background:%s;isolation:isolate\">`+
				`<div style=\"position:absolute;inset:0;opacity:%g\">`+
				`<div style=\"position:absolute;left:10px;top:20px;width:60px;height:60px;background:%s\"></div>`+
				`<div style=\"position:absolute;left:30px;top:20px;width:60px;height:60px;background:%s;mix-blend-mode:%s\"></div></div></div>`,
				under, opacity/100, below, above, mode), 100, 100, 1)
			// In the middle of each part: one alone, both, the other alone.
			for _, x := range []int{20, 50, 80} {
				p, want := b.Pix[50*100+x], shown[50*100+x]
				for k, v := range want {
					if d := int(p>>(8*k)&255) - int(v); d < -2 || d > 2 {
						t.Errorf("%s at %g%%, at %d: %d,%d,%d, the browser has %v", mode, opacity, x, p&255, p>>8&255, p>>16&255, want)
						break
					}
				}
			}
		}
	}
}
