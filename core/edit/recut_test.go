package edit

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/timing"
	set "billow/core/words"
)

// cutAnew is a command that shows another cut of the mug's photo, whose upper left corner lies
// at (5, 8) of the old one.
func cutAnew(t *testing.T, layer string) string {
	t.Helper()
	raw, err := json.Marshal(Recut{Typed: Typed{"recut"}, Was: strings.Repeat("a", 64), Layer: layer, At: [2]int{5, 8}, Prop: clip.Prop{
		ID: "other", Name: "Mug, cut", Kind: clip.KindCutout, Hash: strings.Repeat("c", 64), Media: "image/png",
		Picture: &clip.Picture{W: 70, H: 60, Visible: [4]int{7, 4, 66, 59}},
	}})
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

// pixel is where a pixel of its picture lies in a layer at a frame: right and down of the
// frame's middle, units.
func pixel(t *testing.T, c *clip.Clip, shape clip.Shape, layer string, at int, x, y float64) [2]float64 {
	t.Helper()
	for _, p := range frame.Arrange(c, shape, frame.NewLibrary(set.NewFonts(), 1<<20)).Places(at, []string{layer}) {
		v := c.PictureOf(c.Layer(layer)).Picture.Visible
		u, w := (x-float64(v[0]))/float64(v[2]-v[0]), (y-float64(v[1]))/float64(v[3]-v[1])
		a, b, d := p.Corners[0], p.Corners[1], p.Corners[3]
		return [2]float64{a[0] + u*(b[0]-a[0]) + w*(d[0]-a[0]), a[1] + u*(b[1]-a[1]) + w*(d[1]-a[1])}
	}
	t.Fatal("the layer does not show")
	return [2]float64{}
}

// onTheBench is a clip in which the mug stands turned, with a rest of its own in another shape,
// a mask and a keyed pivot.
func onTheBench() *clip.Clip {
	c := withoutWords(sample())
	l := c.Layer("mug-layer")
	l.Rest = clip.Rest{Pin: "centre", X: 120, Y: -40, Size: 400, Turn: 30}
	l.Rests = map[string]clip.Rest{"wide": {Pin: "left", X: 200, Y: 10, Size: 300, Turn: -50}}
	l.Masks = []clip.Mask{{ID: 1, Form: "disc", X: 20, Y: 30, W: 90, H: 90}}
	l.Tracks[clip.Pivot] = motion.Track{{At: timing.At(0), Value: []float64{40, -20}, Ease: motion.Ease{Kind: motion.Linear}}}
	return c
}

func TestEveryPixelStaysWhereItWasWhenACutChanges(t *testing.T) {
	for _, layer := range []string{"", "mug-layer"} {
		before := onTheBench()
		after := do(t, before, cutAnew(t, layer))
		for _, shape := range before.Shapes {
			if shape.ID != "tall" && shape.ID != "wide" {
				continue // where a rest is derived from that of tall, a place counts by shares of the frame
			}
			for _, at := range []int{0, 7, 40} { // while it turns about its pivot, too
				for _, p := range [][2]float64{{20, 15}, {70, 60}} {
					was := pixel(t, before, shape, "mug-layer", at, p[0], p[1])
					is := pixel(t, after, shape, "mug-layer", at, p[0]-5, p[1]-8)
					if math.Hypot(is[0]-was[0], is[1]-was[1]) > 1e-6 {
						t.Errorf("layer %q, %s, frame %d: pixel %v went from %v to %v", layer, shape.ID, at, p, was, is)
					}
				}
			}
		}
		l := after.Layer("mug-layer")
		if after.PictureOf(l).Hash != strings.Repeat("c", 64) || l.Name != "Mug, cut" {
			t.Errorf("it shows %q and is called %q", after.PictureOf(l).Name, l.Name)
		}
		// The mask was 20 units to the right of the old middle, which was (50, 40) of the old
		// picture; the new middle is (36.5, 31.5) of the new one, (41.5, 39.5) of the old one,
		// 8.5 pixels of 5 units to the left of it.
		if m := l.Masks[0]; math.Abs(m.X-(20+8.5*5)) > 1e-9 || math.Abs(m.Y-(30+.5*5)) > 1e-9 {
			t.Errorf("the mask lies at %g, %g", m.X, m.Y)
		}
	}
}

func TestProductsShowACutAnewToo(t *testing.T) {
	c := do(t, onTheBench(), cutAnew(t, ""))
	if p := c.Prop(c.Product("p").Prop); p == nil || p.Hash != strings.Repeat("c", 64) {
		t.Errorf("the product shows %v", p)
	}
	alone := do(t, onTheBench(), cutAnew(t, "mug-layer"))
	if p := alone.Prop(alone.Product("p").Prop); p == nil || p.Hash != strings.Repeat("a", 64) {
		t.Errorf("with one layer changed, the product shows %v", p)
	}
	if err := alone.Validate(); err != nil {
		t.Error(err)
	}
}

func TestACutOfSomethingElseIsRefused(t *testing.T) {
	refused(t, sample(), strings.Replace(cutAnew(t, ""), strings.Repeat("a", 64), strings.Repeat("d", 64), 1), "was")
	refused(t, sample(), cutAnew(t, "gone"), "layer")
	refused(t, sample(), strings.Replace(cutAnew(t, "mug-layer"), strings.Repeat("a", 64), strings.Repeat("d", 64), 1), "layer")
	refused(t, sample(), strings.Replace(cutAnew(t, ""), `"at":[5,8]`, `"at":[500000,0]`, 1), "at")
	refused(t, sample(), `{"type":"recut","was":"`+strings.Repeat("a", 64)+`","prop":{"id":"x","name":"Tune","kind":"tune","hash":"x","media":"audio/wav"}}`, "prop")
}
