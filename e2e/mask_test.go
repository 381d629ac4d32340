package e2e

import (
	"encoding/base64"
	"fmt"
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/paint"
	"billow/export"
)

// plate is a dark card of 400 by 300 pixels, from (50, 100) on, as masks leave it; their units
// are pixels about its middle.
func plate(t *testing.T, masks []clip.Mask) *paint.Bitmap {
	t.Helper()
	square, _ := clip.StandardShape("square")
	c := clip.New("Masked", square, 30, 1)
	l := clip.NewLayer("plate", "Plate", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 4.0 / 3}
	l.Rest.Size, l.Masks = 400, masks
	c.Layers = append(c.Layers, l)
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	stage, err := frame.Prepare(c, square, 1000, 1000, export.Library())
	if err != nil {
		t.Fatal(err)
	}
	b := paint.NewBitmap(400, 300)
	b.Fill(paint.Premultiplied(colour.RGB(0x102030)))
	var pool paint.Pool
	s := stage.Masks("plate", 0).Apply(paint.NewSheet(b, -200, -150, 1), false, &pool)
	s.X, s.Y = s.X+250, s.Y+250
	return onWhite(500, 500, s)
}

// leaf is a path of curves, in percent of its box, and the same in pixels of a box of 150 by
// 100 about (x, y).
func leaf(x, y float64) (*clip.DrawnPath, string) {
	p := &clip.DrawnPath{Closed: true, Points: []clip.PathPoint{
		{ID: 1, X: -50, Y: 20, Out: [2]float64{10, -90}}, {ID: 2, X: 50, Y: -40, In: [2]float64{-40, -20}, Out: [2]float64{-5, 60}},
		{ID: 3, X: 10, Y: 50, In: [2]float64{30, 0}, Out: [2]float64{-30, 0}},
	}}
	d := ""
	for i, a := range p.Points {
		b := p.Points[(i+1)%3]
		at := func(px, py float64) string { return fmt.Sprintf("%.4f %.4f ", x+1.5*px, y+py) }
		if i == 0 {
			d += "M" + at(a.X, a.Y)
		}
		d += "C" + at(a.X+a.Out[0], a.Y+a.Out[1]) + at(b.X+b.In[0], b.Y+b.In[1]) + at(b.X, b.Y)
	}
	return p, d + "Z"
}

// TestMasksAgreeWithTheBrowser compares masks with clip-path and mask-image of CSS: their
// edges to 0.15 of what a pixel covers.
func TestMasksAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	path, d := leaf(225, 140)
	image := func(svg string) string {
		return "mask-image:url(data:image/svg+xml;base64," + base64.StdEncoding.EncodeToString([]byte(
			`<svg xmlns="http://www.w3.org/2000/svg" width="400" height="300">`+svg+`</svg>`)) + ");"
	}
	// The browser draws a blur of 12.06 as three boxes of 23 pixels, as Filter Effects has it
	// (9.13): together they deviate by the root of 3(23*23-1)/12, and so does our feather.
	const soft = `<filter id="f" x="-100%" y="-100%" width="300%" height="300%"><feGaussianBlur stdDeviation="12.06"/></filter>`
	for name, c := range map[string]struct {
		masks []clip.Mask
		css   string
	}{
		"an ellipse":       {[]clip.Mask{{ID: 1, Form: "disc", X: 30, Y: -20, W: 250, H: 160}}, "clip-path:ellipse(125px 80px at 230px 130px)"},
		"a round card":     {[]clip.Mask{{ID: 1, Form: "card", X: -50, Y: 10, W: 220, H: 150, Corner: 33}}, "clip-path:inset(85px 140px 65px 40px round 33px)"},
		"a turned card":    {[]clip.Mask{{ID: 1, Form: "card", W: 200, H: 100, Turn: 30}}, "clip-path:polygon(138.397px 56.699px,311.603px 156.699px,261.603px 243.301px,88.397px 143.301px)"},
		"a path":           {[]clip.Mask{{ID: 1, Form: "path", X: 25, Y: -10, W: 150, H: 100, Path: path}}, "clip-path:path('" + d + "')"},
		"what is outside":  {[]clip.Mask{{ID: 1, Form: "disc", W: 150, H: 150, Invert: true}}, image(`<path fill-rule="evenodd" d="M0 0h400v300h-400zM125 150a75 75 0 0 0 150 0a75 75 0 0 0 -150 0z"/>`)},
		"two and a hole":   {[]clip.Mask{{ID: 1, Form: "disc", X: -80, W: 150, H: 150}, {ID: 2, Form: "card", X: 60, W: 200, H: 100}, {ID: 3, Form: "disc", Mode: "subtract", X: 20, W: 80, H: 80}}, image(`<mask id="m"><rect width="400" height="300" fill="#fff"/><circle cx="220" cy="150" r="40"/></mask><g mask="url(#m)"><circle cx="120" cy="150" r="75"/><rect x="160" y="100" width="200" height="100"/></g>`)},
		"what both show":   {[]clip.Mask{{ID: 1, Form: "disc", X: -30, W: 200, H: 200}, {ID: 2, Form: "disc", Mode: "intersect", X: 30, W: 200, H: 200}}, image(`<clipPath id="c"><circle cx="230" cy="150" r="100"/></clipPath><circle cx="170" cy="150" r="100" clip-path="url(#c)"/>`)},
		"a feathered edge": {[]clip.Mask{{ID: 1, Form: "disc", W: 200, H: 140, Feather: math.Sqrt(3 * (23*23 - 1) / 12)}}, image(soft + `<ellipse cx="200" cy="150" rx="100" ry="70" filter="url(#f)"/>`)},
		"an expanded edge": {[]clip.Mask{{ID: 1, Form: "card", W: 100, H: 60, Corner: 15, Expand: 30}}, image(`<rect x="120" y="90" width="160" height="120" rx="30"/>`)},
	} {
		got := plate(t, c.masks)
		shown := u.shown(fmt.Sprintf(`<div style=\"position:absolute;left:50px;top:100px;width:400px;height:300px;background:#102030;%s\"></div>`, c.css), 500, 500, 4)
		sum, off, most := 0.0, 0, 0.0
		for i, want := range shown {
			far := math.Abs(float64(got.Pix[i]&255) - float64(want[0]))
			if sum += far; far > 0.15*(255-16) {
				off++
			}
			most = max(most, far)
		}
		if mean := sum / 250_000; off > 0 || mean > 0.1 {
			t.Errorf("%s: the browser shows %d pixels otherwise, by up to %.0f levels; %.3f on the whole", name, off, most, mean)
		}
	}
}
