package preflight

import (
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"
	"billow/fonts"
)

var lib = frame.NewLibrary(fonts.All(), 64<<20)

// sound is a clip that nothing is to be said of: a cut-out and words of its product.
func sound(t *testing.T) *clip.Clip {
	t.Helper()
	c := clip.New("Sound", clip.Shape{ID: "square", W: 1000, H: 1000}, 30, 30)
	c.Shapes = c.Shapes[:1]
	hash := strings.Repeat("a", 64)
	lib.AddPicture(hash, paint.NewBitmap(600, 600))
	c.Props = []clip.Prop{{ID: "picture", Name: "Mug", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 600, H: 600, Visible: [4]int{0, 0, 600, 600}, Area: 1}}}
	c.Products = []clip.Product{{ID: "mug", Name: "Mug", Price: "12.00", OldPrice: "16.00", Currency: "EUR", Prop: "picture"}}
	c.Shown = "mug"
	words := clip.NewWords("words", "Words", clip.KindWords, "{name} {price} −{percent}")
	words.Words.Product, words.Rest.Size = clip.ProductSlot, 60
	cut := clip.NewLayer("cut", "Cut-out", clip.KindCutout)
	cut.Cutout, cut.Rest = &clip.Cutout{Prop: clip.ProductSlot}, clip.Rest{Pin: "centre", Size: 600}
	c.Layers = []clip.Layer{*c.Layer("scene"), cut, words}
	return c
}

// What is wrong is said by the layer and with its numbers, and only what must not be posted stops.
func TestFindingsSayWhatIsWrong(t *testing.T) {
	for _, x := range []struct {
		name  string
		spoil func(c *clip.Clip)
		says  string // none is that nothing is found
		stops bool
	}{
		{"sound", func(*clip.Clip) {}, "", false},
		{"no price", func(c *clip.Clip) { c.Product("mug").Price, c.Product("mug").OldPrice = "", "" }, "Words: \"Words\" asks for {price}", true},
		{"old below new", func(c *clip.Clip) { c.Product("mug").OldPrice = "9" }, "Mug: the old price €9.00 is not above the price €12.00", true},
		{"claims more", func(c *clip.Clip) { c.Layer("words").Words.Text = "−30% {price}" }, "Words: 30% is written, and €12.00 instead of €16.00 gives 25%", true},
		{"claims less", func(c *clip.Clip) { c.Layer("words").Words.Text = "−20% {price}" }, "Words: 20% is written", false},
		{"now", func(c *clip.Clip) {
			c.Layer("words").Words.Text, c.Product("mug").OldPrice = "Now {price}", ""
		}, "Words: \"now\" is said of a price without an old one", false},
		{"no picture", func(c *clip.Clip) { c.Product("mug").Prop = "" }, "Cut-out: Mug has no picture", true},
		{"small picture", func(c *clip.Clip) { c.Layer("cut").Rest.Size = 950 }, "Cut-out: the picture is 600 pixels large and drawn at 950", false},
		{"no room", func(c *clip.Clip) {
			w := c.Layer("words").Words
			w.Text, w.Width, w.Fit = strings.Repeat("Unbreakable ", 40), 300, &clip.Fit{Height: 100, Smallest: 60, Largest: 100}
		}, "Words: the text does not fit its box even at 60% of its size", false},
		{"over the edge", func(c *clip.Clip) { c.Layer("words").Rest.X = 480 }, "Words: the words reach over the edge", false},
		{"no letters", func(c *clip.Clip) { c.Product("mug").Name = "Mug \U00012000" }, "Words: no font has the letters", false},
		{"hidden", func(c *clip.Clip) {
			c.Layer("words").Words.Text = "{volume}"
			c.Layer("words").Hidden, c.Product("mug").Prop, c.Layer("cut").Hidden = true, "", true
		}, "", false},
	} {
		c := sound(t)
		x.spoil(c)
		if err := c.Validate(); err != nil {
			t.Fatalf("%s: %v", x.name, err)
		}
		var said []string
		stops := false
		for _, f := range Check(c, c.Shapes[0], 10, lib) {
			text := f.Says
			if f.Layer != "" {
				text = f.Layer + ": " + text
			}
			said, stops = append(said, text), stops || f.Stops
		}
		found := false
		for _, s := range said {
			found = found || x.says != "" && strings.Contains(s, x.says)
		}
		if found != (x.says != "") || x.says == "" && len(said) > 0 || stops != x.stops {
			t.Errorf("%s: %q stops %t, want %q and %t", x.name, said, stops, x.says, x.stops)
		}
	}
}
