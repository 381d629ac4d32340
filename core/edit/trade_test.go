package edit

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	set "billow/core/words"
)

// kettle is a product with a picture of other proportions than the mug's: what is
// visible of it is 60 by 60 pixels, all covered.
func kettle() (clip.Product, clip.Prop) {
	return clip.Product{ID: "elsewhere", Name: "Trail kettle", Price: "38.00", OldPrice: "48.00", Currency: "EUR", Prop: "elsewhere"},
		clip.Prop{ID: "mug", Name: "Kettle", Kind: clip.KindCutout, Hash: strings.Repeat("c", 64), Media: "image/png",
			Picture: &clip.Picture{W: 64, H: 64, Visible: [4]int{2, 2, 62, 62}, Area: 1}}
}

func TestAClipBecomesOneForAnotherProduct(t *testing.T) {
	c := sample()
	l := c.Layer("mug-layer")
	l.Tracks, l.Rest = nil, clip.Rest{Pin: "centre", Size: 400}
	w := c.Layer("words")
	w.Words.Product, w.Words.Text, w.Name = "p", "{name}: more Mug for {price}", "Mug and price"
	size := func(c *clip.Clip) (w, h float64) {
		lib := frame.NewLibrary(set.NewFonts(), 1<<20)
		for _, p := range frame.Arrange(withoutWords(c.Copy()), c.Shapes[0], lib).Places(0, nil) {
			if p.Layer == "mug-layer" {
				return p.W, p.H
			}
		}
		t.Fatal("the cut-out is not there")
		return 0, 0
	}
	oldW, oldH := size(c)
	product, prop := kettle()
	raw, err := json.Marshal(map[string]any{"type": "tradeProduct", "product": "p", "for": product, "prop": prop})
	if err != nil {
		t.Fatal(err)
	}
	after := do(t, c, string(raw))

	p := after.Product("p")
	if p == nil || p.Name != "Trail kettle" || p.Price != "38.00" || len(after.Products) != len(c.Products) {
		t.Fatalf("the products are %+v", after.Products)
	}
	shown := after.PictureOf(after.Layer("mug-layer"))
	if shown == nil || shown.Hash != prop.Hash || p.Prop != shown.ID {
		t.Errorf("the cut-out shows %+v, the product %q", shown, p.Prop)
	}
	if got := after.Layer("words"); got.Words.Text != "{name}: more Trail kettle for {price}" || got.Name != "Trail kettle and price" {
		t.Errorf("the words say %q in a layer called %q", got.Words.Text, got.Name)
	}
	// As much is covered as before: what is visible of the mug is 4:3, of the kettle
	// square, and both fill it.
	newW, newH := size(after)
	if math.Abs(newW-newH) > 1e-6 || math.Abs(oldW/oldH-4.0/3) > 1e-6 || math.Abs(newW*newH-oldW*oldH) > 1 {
		t.Errorf("the kettle is %g by %g, the mug was %g by %g", newW, newH, oldW, oldH)
	}
}

func TestOnlyAProductOfTheClipIsTraded(t *testing.T) {
	refused(t, sample(), `{"type":"tradeProduct","product":"gone","for":{"name":"Kettle","price":"1","currency":"EUR"}}`, "product")
	refused(t, sample(), `{"type":"tradeProduct","product":"p","for":{"name":"Kettle","price":"1","currency":"EUR","prop":"gone"}}`, "for.prop")
}
