package e2e

import (
	"bytes"
	"encoding/base64"
	"image"
	"image/color"
	"image/png"
	"math"
	"os"
	"path/filepath"
	"testing"

	"billow/core/clip"
	"billow/core/layered"
)

// card is a PNG of one colour.
func card(t *testing.T, w, h int, c color.NRGBA) []byte {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, w, h))
	for i := range w * h {
		m.SetNRGBA(i%w, i/w, c)
	}
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// A layered picture comes in as a group with its layers in place, and goes out as one that says the
// same of each.
func TestALayeredPictureComesInAndGoesOut(t *testing.T) {
	red, blue := color.NRGBA{210, 60, 40, 255}, color.NRGBA{40, 80, 200, 255}
	p := &layered.Picture{W: 400, H: 400, Layers: []layered.Layer{
		{Name: "dish below", X: 40, Y: 60, Opacity: 1, Blend: "normal", PNG: card(t, 200, 100, red)},
		{Name: "dish group", Opacity: 1, Blend: "normal", Group: true, Stack: []layered.Layer{
			{Name: "dish above", X: 180, Y: 100, Opacity: .5, Blend: "normal", PNG: card(t, 120, 240, blue)},
		}},
	}}
	var b bytes.Buffer
	if err := layered.Write(&b, p, card(t, 400, 400, red), card(t, 9, 9, red)); err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(t.TempDir(), "dish set.ora")
	if err := os.WriteFile(file, b.Bytes(), 0o600); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/")
	u.backed("Layers")
	u.bring(file)
	u.text(".notice", "its 2 layers in place")
	u.waitStored("the layers are there", func(c *clip.Clip) bool { return len(c.Layers) == 6 })
	u.ready()
	back := u.pixel(0, 4, 4)
	half := func(i int) float64 { // of blue over red
		return float64([3]uint8{blue.R, blue.G, blue.B}[i])/2 + float64([3]uint8{red.R, red.G, red.B}[i])/2
	}
	// The picture is as large as the frame, which has 400 pixels.
	for _, at := range []struct {
		x, y int
		want [3]float64
	}{
		{60, 80, [3]float64{210, 60, 40}}, {200, 130, [3]float64{half(0), half(1), half(2)}},
		{30, 80, [3]float64{float64(back[0]), float64(back[1]), float64(back[2])}},
	} {
		got := u.pixel(0, at.x, at.y)
		for i := range got {
			if math.Abs(float64(got[i])-at.want[i]) > 3 {
				t.Errorf("at %d, %d it is %v, not %v", at.x, at.y, got, at.want)
				break
			}
		}
	}
	c := u.stored()
	group := c.Layers[len(c.Layers)-1]
	if group.Name != "dish set" || group.Kind != clip.KindGroup {
		t.Fatalf("the picture became %q, a %s", group.Name, group.Kind)
	}
	u.goesOut()
}

// goesOut takes the group that is chosen out as a layered picture.
func (u *user) goesOut() {
	u.t.Helper()
	u.eval(`URL.createObjectURL = ((as) => (blob) => (window.went = blob, as(blob)))(URL.createObjectURL.bind(URL))`)
	u.clickText(".row-line .name", "^dish set$")
	u.click("button[aria-label='More to do with it']")
	u.clickText("[role=menuitem]", "Download its layers")
	u.wait("it went out", "!!window.went")
	r, err := u.page.Eval(`async () => {
		const b = new Uint8Array(await window.went.arrayBuffer())
		let s = ''
		for (const v of b) s += String.fromCharCode(v)
		return btoa(s)
	}`)
	u.must("reading what went out", err)
	b, err := base64.StdEncoding.DecodeString(r.Value.Str())
	u.must("reading what went out", err)
	out, err := layered.Read(bytes.NewReader(b), int64(len(b)))
	u.must("reading the layered picture", err)
	// In the shape's own 1000 pixels and more: places are compared by the picture's width.
	k := float64(out.W) / 400
	near := func(got int, want float64) bool { return math.Abs(float64(got)-want*k) <= 2 }
	if len(out.Layers) != 2 || out.Layers[0].Name != "dish below" || !out.Layers[1].Group || len(out.Layers[1].Stack) != 1 {
		u.t.Fatalf("what went out has %d layers: %+v", len(out.Layers), out.Layers)
	}
	low, high := out.Layers[0], out.Layers[1].Stack[0]
	if !near(low.X, 40) || !near(low.Y, 60) || !near(high.X, 180) || !near(high.Y, 100) {
		u.t.Errorf("of %d pixels, the layers lie at %d, %d and %d, %d", out.W, low.X, low.Y, high.X, high.Y)
	}
	m, err := png.Decode(bytes.NewReader(high.PNG))
	u.must("reading a layer", err)
	if s := m.Bounds().Size(); !near(s.X, 120) || !near(s.Y, 240) {
		u.t.Errorf("the upper layer has %v pixels", s)
	}
	_, _, _, a := m.At(20, 20).RGBA()
	if share := float64(a) / 0xffff * high.Opacity; math.Abs(share-.5) > .02 {
		u.t.Errorf("the upper layer is seen by %.2f", share)
	}
}
