package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/fonts"
)

// burst is a clip of a plain backdrop and a group of a figure and a percentage, beside a group that
// shows the price, too.
func burst(t *testing.T, oldPrice string) *clip.Clip {
	t.Helper()
	square, _ := clip.StandardShape("square")
	c := clip.New("Burst", square, 30, 30)
	c.Products = []clip.Product{{ID: "mug", Name: "Mug", Price: "5.00", OldPrice: oldPrice, Currency: "EUR"}}
	c.Shown = "mug"
	for i, text := range []string{"−{percent}", "~{old}~"} {
		g := clip.NewGroup([]string{"burst", "tag"}[i], "Group")
		g.Group = "scene"
		g.Rest = clip.Rest{Pin: "centre", X: float64(500*i - 250), Size: 1000}
		card := clip.Draft(c, clip.KindCard, "", "", "")
		card.ID, card.Group = g.ID+"-card", g.ID
		card.Rest.Size = 300
		card.Card.Fill = colour.RGB(0xFF0000)
		words := clip.NewWords(g.ID+"-words", "Words", clip.KindWords, text)
		words.Group, words.Words.Product = g.ID, clip.ProductSlot
		words.Rest = clip.Rest{Pin: "centre", Size: 60}
		c.Layers = append(c.Layers, card, words)
		if g.ID == "tag" {
			price := clip.NewWords("price", "Price", clip.KindWords, "{price}")
			price.Group, price.Words.Product = g.ID, clip.ProductSlot
			price.Rest = clip.Rest{Pin: "centre", Y: 80, Size: 60}
			c.Layers = append(c.Layers, price)
		}
		c.Layers = append(c.Layers, g)
	}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c
}

// A burst for a percentage is not there for a product that is not reduced, with its figure; what
// has more to say stays, and so does a group in which something else is seen.
func TestAPlateWithoutWordsIsNotShown(t *testing.T) {
	lib := NewLibrary(fonts.All(), 64<<20)
	red := func(c *clip.Clip, x int) bool {
		p := draw(t, c, lib, "square", 100, 100, 10).Pix[42*100+x]
		return p&0xFF > 200 && p>>8&0xFF < 60
	}
	full := burst(t, "")
	if red(full, 25) || !red(full, 75) {
		t.Errorf("without a reduction the burst shows: %t, the tag with the price shows: %t", red(full, 25), red(full, 75))
	}
	reduced := burst(t, "8.00")
	if !red(reduced, 25) || !red(reduced, 75) {
		t.Errorf("reduced, the burst shows: %t, the tag shows: %t", red(reduced, 25), red(reduced, 75))
	}
	more := burst(t, "")
	more.Own("burst-words").Words.Text = "new"
	if !red(more, 25) {
		t.Error("a plate whose words say something is not shown")
	}
	holding := burst(t, "")
	picture := clip.NewLayer("picture", "Picture", clip.KindCutout)
	picture.Group, picture.Cutout = "burst", &clip.Cutout{Prop: clip.ProductSlot}
	picture.Rest = clip.Rest{Pin: "centre", Size: 10}
	holding.Layers = append(holding.Layers, picture)
	if !red(holding, 25) {
		t.Error("a group that holds a picture is not shown")
	}
}
