package e2e

import (
	"encoding/base64"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/paint"
	"billow/export"
)

// TestTheBrowserDrawsWhatTheExportDraws compares 20 moments of each sample clip,
// in all its shapes, drawn natively and by the page's engine.
func TestTheBrowserDrawsWhatTheExportDraws(t *testing.T) {
	for i := range site.World.Clips {
		t.Run(site.World.Clips[i].ID, func(t *testing.T) { compareDrawing(t, i) })
	}
}

func compareDrawing(t *testing.T, n int) {
	c := site.World.Clips[n].Clip.Clone()
	// With what the sample clips do without.
	for i := range c.Layers {
		l := &c.Layers[i]
		switch {
		case l.Cutout != nil:
			l.Shutter = 180
		case l.Words != nil && i%2 == 0:
			l.Values = map[string][]float64{"blur": {3}, clip.Skew: {6}}
		case l.Card != nil:
			l.Wander = &motion.Wander{Amount: 9, Turn: 3, Pace: 1, Seed: i}
		}
	}
	id := fmt.Sprintf("parity-%d", n)
	if err := site.Store.CreateClip(t.Context(), id, c, "Copy"); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/clips/"+id)
	u.ready()
	lib, err := export.Library()
	if err != nil {
		t.Fatal(err)
	}
	if err := export.Load(t.Context(), c, lib, site.World.Open); err != nil {
		t.Fatal(err)
	}
	for i := range 20 {
		shape := c.Shapes[i%len(c.Shapes)]
		w, h := shape.W/4, shape.H/4
		n := (i*37 + 5) % c.Length
		stage, err := frame.Prepare(c, shape, w, h, lib)
		if err != nil {
			t.Fatal(err)
		}
		native := paint.NewBitmap(w, h)
		stage.Painter().Draw(native, n)
		browser := u.drawn(shape.ID, w, h, n)
		if len(browser) != len(native.Bytes()) {
			t.Fatalf("%s frame %d: the browser gave %d bytes, want %d", shape.ID, n, len(browser), len(native.Bytes()))
		}
		worst, at := 0, 0
		for k, b := range native.Bytes() {
			if d := int(b) - int(browser[k]); d > worst || -d > worst {
				worst, at = max(d, -d), k
			}
		}
		if worst > 1 {
			t.Errorf("%s frame %d differs by %d at pixel %d,%d", shape.ID, n, worst, at/4%w, at/4/w)
		}
	}
}

// drawn asks the page's own engine for the pixels of a frame.
func (u *user) drawn(shape string, w, h, n int) []byte {
	u.t.Helper()
	js := fmt.Sprintf(`async () => {
		const d = await window.billowEditor.drawing().draw(0, %q, %d, %d, %d)
		let s = ''
		for (let i = 0; i < d.pixels.length; i += 8192) s += String.fromCharCode(...d.pixels.subarray(i, i + 8192))
		return btoa(s)
	}`, shape, w, h, n)
	r, err := u.page.Eval(js)
	u.must("drawing in the browser", err)
	b, err := base64.StdEncoding.DecodeString(r.Value.Str())
	u.must("reading the pixels", err)
	return b
}
