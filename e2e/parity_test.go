package e2e

import (
	"crypto/sha256"
	"encoding/base64"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/transition"
	"billow/demo"
	"billow/export"
)

// TestTheBrowserDrawsWhatTheExportDraws compares moments of clips, in all their
// shapes, drawn natively and by the page's engine: the sample clips with some
// things that they do without, and the one that has everything at full size. Not
// one pixel may differ.
func TestTheBrowserDrawsWhatTheExportDraws(t *testing.T) {
	for _, sample := range site.World.Clips {
		c := sample.Clip.Clone()
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
		t.Run(sample.ID, func(t *testing.T) { compareDrawing(t, "parity-"+sample.ID, c, spread(c, 12), 4) })
	}
	trial, err := demo.Trial(site.World)
	if err != nil {
		t.Fatal(err)
	}
	t.Run("trial", func(t *testing.T) { compareDrawing(t, "parity-trial", trial, spread(trial, 8), 1) })
	for _, way := range transition.All {
		c, err := edit.Apply(trial, []byte(`{"type":"splitScene","at":45,"id":"second"}`))
		if err != nil {
			t.Fatal(err)
		}
		c.Own("scene").Scene.Leave = clip.Leave{Kind: way.ID, Frames: 12}
		t.Run(way.ID, func(t *testing.T) { compareDrawing(t, "parity-"+way.ID, c, []int{45, 51, 56}, 2) })
	}
}

// spread is so many frames of a clip, here and there.
func spread(c *clip.Clip, moments int) []int {
	out := make([]int, moments)
	for i := range out {
		out[i] = (i*37 + 5) % c.Length
	}
	return out
}

// compareDrawing draws some frames, at one part of the full size.
func compareDrawing(t *testing.T, id string, c *clip.Clip, frames []int, part int) {
	if err := site.Store.CreateClip(t.Context(), id, c, "Copy"); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/clips/"+id)
	u.ready()
	lib := export.Library()
	if err := export.Load(t.Context(), c, lib, site.World.Open); err != nil {
		t.Fatal(err)
	}
	for i, n := range frames {
		shape := c.Shapes[i%len(c.Shapes)]
		w, h := shape.W/part, shape.H/part
		stage, err := frame.Prepare(c, shape, w, h, lib)
		if err != nil {
			t.Fatal(err)
		}
		native := paint.NewBitmap(w, h)
		stage.Painter().Draw(native, n)
		if u.digest(shape.ID, w, h, n) == fmt.Sprintf("%x", sha256.Sum256(native.Bytes())) {
			continue
		}
		worst, at, many := 0, 0, 0
		for k, b := range u.drawn(shape.ID, w, h, n) {
			d := int(b) - int(native.Bytes()[k])
			if d != 0 {
				many++
			}
			if d > worst || -d > worst {
				worst, at = max(d, -d), k
			}
		}
		t.Errorf("%s frame %d differs in %d channels, by %d at pixel %d,%d", shape.ID, n, many, worst, at/4%w, at/4/w)
	}
}

// digest is the SHA-256 of the pixels that the page's own engine draws.
func (u *user) digest(shape string, w, h, n int) string {
	u.t.Helper()
	r, err := u.page.Eval(fmt.Sprintf(`async () => {
		const d = await window.billowEditor.drawing().draw(0, %q, %d, %d, %d)
		const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', d.pixels))
		return [...sum].map((b) => b.toString(16).padStart(2, '0')).join('')
	}`, shape, w, h, n))
	u.must("drawing in the browser", err)
	return r.Value.Str()
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
