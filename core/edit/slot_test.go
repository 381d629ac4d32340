package edit

import (
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	set "billow/core/words"
)

// range3 is a clip of two scenes with a slot each for cut-out and words, and
// products with pictures of different proportions: 80 x 60 (the mug), a tall one
// and one of which half is transparent.
func range3(t *testing.T) *clip.Clip {
	t.Helper()
	c := sample()
	for _, p := range []struct {
		id      string
		visible [4]int
		area    float64
	}{{"tall", [4]int{10, 10, 40, 70}, 1}, {"half", [4]int{0, 0, 80, 60}, 0.5}} {
		c.Props = append(c.Props, clip.Prop{
			ID: p.id, Name: p.id, Kind: clip.KindCutout, Hash: strings.Repeat("b", 64), Media: "image/png",
			Picture: &clip.Picture{W: 100, H: 80, Visible: p.visible, Area: p.area},
		})
		c.Products = append(c.Products, clip.Product{ID: "p-" + p.id, Name: "The " + p.id, Price: "9.50", Currency: "EUR", Prop: p.id, Fields: map[string]string{"weight": "300 g"}})
	}
	l := c.Layer("mug-layer")
	l.Group, l.Tracks = "scene", nil
	l.Rest = clip.Rest{Pin: "centre", X: 0, Y: 0, Size: 400}
	w := c.Layer("words")
	w.Group, w.Words.Product, w.Words.Text = "scene", clip.ProductSlot, "{name} {price} {weight}"
	c = do(t, c, `{"type":"swapPicture","layer":"mug-layer","prop":"`+clip.ProductSlot+`"}`)
	return do(t, c, `{"type":"copyLayer","layer":"scene","id":"second"}`)
}

// product is the cut-out of a scene, as it stands.
func product(t *testing.T, c *clip.Clip, scene string) (frame.Place, bool) {
	t.Helper()
	for _, p := range c.Scenes() {
		if p.ID != scene {
			continue
		}
		for _, pl := range frame.Arrange(c, c.Shapes[0], frame.NewLibrary(set.NewFonts(), 1<<20)).Places(p.From, nil) {
			if l := c.Layer(pl.Layer); l.Cutout != nil {
				return pl, true
			}
		}
	}
	return frame.Place{}, false
}

func TestChoosingAProductForASceneChangesAllOfIt(t *testing.T) {
	c := withoutWords(range3(t))
	if p, shows := product(t, c, "second"); shows && p.W > 0 {
		t.Errorf("an empty slot shows something %g wide", p.W)
	}
	c = do(t, c, `{"type":"setClip","shown":"p"}`)
	c = do(t, c, `{"type":"setLayer","layer":"second","set":{"scene":{"product":"p-tall"}}}`)
	// In the first scene there is the mug, 400 by 300 as its size was made for.
	mug, _ := product(t, c, "scene")
	if math.Abs(mug.W-400) > 1e-9 || math.Abs(mug.H-300) > 1e-9 {
		t.Errorf("the mug is %g by %g", mug.W, mug.H)
	}
	// The tall one has half its width for each height: to cover 120000 square
	// units it would be 245 by 490, but is at most a quarter higher than 300.
	tall, _ := product(t, c, "second")
	if math.Abs(tall.H-375) > 1e-9 || math.Abs(tall.W-187.5) > 1e-9 {
		t.Errorf("the tall one is %g by %g, want 187.5 by 375", tall.W, tall.H)
	}
	if mug.Y+mug.H/2 != 150 || math.Abs(tall.Y+tall.H/2-150) > 1e-9 {
		t.Errorf("they stand at %g and %g, want both at 150", mug.Y+mug.H/2, tall.Y+tall.H/2)
	}
	// Half as dense, 80 by 60 covers as much at 1.41 times the size; 1.25 is allowed.
	c = do(t, c, `{"type":"setLayer","layer":"second","set":{"scene":{"product":"p-half"}}}`)
	if half, _ := product(t, c, "second"); math.Abs(half.W-500) > 1e-9 {
		t.Errorf("the half one is %g wide, want 500", half.W)
	}
	refused(t, c, `{"type":"setLayer","layer":"second","set":{"scene":{"product":"gone"}}}`, "scene.product")
	refused(t, c, `{"type":"setClip","shown":"gone"}`, "shown")
	refused(t, c, `{"type":"setProduct","product":{"id":"p","name":"Mug","price":"1","oldPrice":"","currency":"EUR","fields":{"price":"2"}}}`, "fields")
}

func TestWordsShowTheProductOfTheirScene(t *testing.T) {
	c := range3(t)
	c = do(t, c, `{"type":"setClip","shown":"p"}`)
	c = do(t, c, `{"type":"setLayer","layer":"second","set":{"scene":{"product":"p-tall"}}}`)
	for scene, want := range map[string]string{"scene": "Mug", "second": "The tall"} {
		for _, id := range c.Children(scene) {
			if l := c.Layer(id); l.Words != nil {
				if p := c.ProductOf(l); p == nil || p.Name != want {
					t.Errorf("in %s the words show %+v, want %s", scene, p, want)
				}
			}
		}
	}
	needs := map[string]bool{}
	for _, p := range c.Needs() {
		needs[p.ID] = true
	}
	if !needs["mug"] || !needs["tall"] || needs["half"] {
		t.Errorf("the clip needs %v, want the pictures of both scenes", needs)
	}
}

func TestOutOfASlotAPictureKeepsItsPlace(t *testing.T) {
	c := do(t, range3(t), `{"type":"setClip","shown":"p-tall"}`)
	c = withoutWords(c)
	before, _ := product(t, c, "scene")
	after, _ := product(t, do(t, c, `{"type":"swapPicture","layer":"mug-layer","prop":"tall"}`), "scene")
	if math.Abs(before.W-after.W) > 1e-9 || math.Abs(before.Y-after.Y) > 1e-9 {
		t.Errorf("in the slot it is %+v, with a picture of its own %+v", before, after)
	}
}

// A turned cut-out's lower edge stays when its picture changes.
func TestATurnedProductStaysOnItsLine(t *testing.T) {
	c := range3(t)
	c.Layer("mug-layer").Rest.Turn = 30
	c = withoutWords(do(t, c, `{"type":"setClip","shown":"p"}`))
	foot := func(c *clip.Clip) [2]float64 {
		p, _ := product(t, c, "scene")
		// The middle between the two lower corners.
		return [2]float64{(p.Corners[2][0] + p.Corners[3][0]) / 2, (p.Corners[2][1] + p.Corners[3][1]) / 2}
	}
	a, b := foot(c), foot(do(t, c, `{"type":"setClip","shown":"p-tall"}`))
	d := foot(do(t, c, `{"type":"swapPicture","layer":"mug-layer","prop":"tall"}`))
	for _, at := range [][2]float64{b, d} {
		if math.Hypot(a[0]-at[0], a[1]-at[1]) > 1e-6 {
			t.Errorf("the foot was at %v and is at %v", a, at)
		}
	}
}
