package e2e

import (
	"encoding/json"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/paint"
	"billow/export"
)

// TestBlendModesAgreeWithTheBrowser draws a translucent colour over another in
// all sixteen modes and asks the browser's canvas for the same.
func TestBlendModesAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	pairs := [][2]colour.Colour{
		{{R: 51, G: 153, B: 204, A: 255}, {R: 128, G: 64, B: 230, A: 255}},
		{{R: 240, G: 220, B: 30, A: 255}, {R: 20, G: 90, B: 160, A: 255}},
		{{R: 12, G: 40, B: 90, A: 255}, {R: 250, G: 120, B: 40, A: 150}},
	}
	lib := export.Library()
	square, _ := clip.StandardShape("square")
	for _, mode := range clip.BlendModes {
		for _, p := range pairs {
			c := clip.New("Blend", square, 30, 1)
			c.Layers[0].Backdrop.Stops = []clip.Stop{{Colour: p[0]}}
			top := c.Layers[0].Clone()
			top.ID, top.Blend = "top", mode
			top.Backdrop.Stops = []clip.Stop{{Colour: p[1]}}
			c.Layers = append(c.Layers, top)
			stage, err := frame.Prepare(c, square, 64, 64, lib)
			if err != nil {
				t.Fatal(err)
			}
			b := paint.NewBitmap(64, 64)
			stage.Painter().Draw(b, 0)
			got := b.Bytes()[:3]
			for i, want := range u.blended(mode, p) {
				if d := int(got[i]) - want; d < -3 || d > 3 {
					t.Errorf("%s of %s on %s: channel %d is %d, the browser has %d", mode, p[1], p[0], i, got[i], want)
				}
			}
		}
	}
}

// blended is what the browser's canvas makes of two colours.
func (u *user) blended(mode string, p [2]colour.Colour) []int {
	u.t.Helper()
	if mode == "normal" {
		mode = "source-over"
	}
	text := u.eval(fmt.Sprintf(`(() => {
		const g = new OffscreenCanvas(1, 1).getContext('2d')
		g.fillStyle = %q
		g.fillRect(0, 0, 1, 1)
		g.globalCompositeOperation = %q
		g.fillStyle = %q
		g.fillRect(0, 0, 1, 1)
		return JSON.stringify([...g.getImageData(0, 0, 1, 1).data].slice(0, 3))
	})()`, p[0].String(), mode, p[1].String()))
	var out []int
	u.must("reading the browser's colour", json.Unmarshal([]byte(text), &out))
	return out
}
