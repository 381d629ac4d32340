package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
	"billow/core/motion"
	"billow/core/timing"
)

// campTable is three scenes of two bars for Tall, each with a product of the
// range: the second and the third are copies of the first that show another one.
// Logo and headline lie over all of them, a pattern beneath. The tempo is 126.
func campTable(s *stock) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Camp table", tall, 30, 343)
	s.into(c, "mug", "kettle", "tin", "logo")
	s.tune(c, "tin-parade", 20)
	c.Light = clip.Light{Direction: -34, Height: 48, Softness: 60, Strength: 44, Colour: colour.RGB(0x2A1408)}
	c.Poster = new(timing.At(40))
	*c.Layer("scene").Scene = clip.Scene{Bars: 2, Product: "product-mug", Leave: clip.Leave{Kind: "dissolve", Frames: 8}}
	scene := *c.Layer("scene")
	scene.Name = "Mug"

	back := gradient(170, clip.Stop{At: 0, Colour: colour.RGB(0xF9E7C4)}, clip.Stop{At: 100, Colour: colour.RGB(0xEFC08A)})
	back.Name = "Table"
	dots := clip.NewLayer("dots", "Dots", clip.KindPattern)
	dots.Pattern = &clip.Pattern{Form: "disc", Fill: colour.Colour{R: 0xFF, G: 0xFA, B: 0xEE, A: 0x66}, Apart: 64, Size: 22, Shift: 50}
	c.Layers = append([]clip.Layer{back, dots, scene}, tableScene(scene.ID)...)
	c.Layers = append(c.Layers, tableHeadline(), tableLogo())
	if err := rewrite(c); err != nil {
		return nil, err
	}
	for i, other := range []struct {
		id, name, product string
		plate             uint32
	}{
		{"second", "Kettle", "product-kettle", 0x2C7A68}, {"third", "Bread tin", "product-tin", 0xC8922E},
	} {
		after := []string{"scene", "second"}[i]
		commands := []string{
			fmt.Sprintf(`{"type":"copyLayer","layer":%q,"id":%q}`, after, other.id),
			fmt.Sprintf(`{"type":"setLayer","layer":%q,"set":{"name":%q,"scene":{"product":%q}}}`, other.id, other.name, other.product),
		}
		for _, command := range commands {
			var err error
			if c, err = edit.Apply(c, []byte(command)); err != nil {
				return nil, err
			}
		}
		for _, id := range c.Children(other.id) {
			if l := c.Own(id); l.Card != nil {
				l.Card.Fill = colour.RGB(other.plate)
			}
		}
	}
	c.Own("third").Scene.Leave = clip.Leave{}
	return c, c.Validate()
}

// tableScene is what is in each of the scenes.
func tableScene(scene string) []clip.Layer {
	plate := clip.NewLayer("plate", "Plate", clip.KindCard)
	plate.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: colour.RGB(0xDD4F28), Outline: chalk}
	plate.Rest = clip.Rest{Pin: "centre", Y: -30, Size: 760}
	plate.Lift = 10
	plate.Rests = map[string]clip.Rest{
		"portrait": {Pin: "centre", Y: -20, Size: 600}, "square": {Pin: "centre", Y: 10, Size: 500}, "wide": {Pin: "centre", X: 330, Size: 780},
	}
	plate.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: timing.At(0), Length: 9, Strength: 50}}

	product := cutoutLayer("product", "Product", clip.ProductSlot, "centre", 0, -40, 640)
	product.Cutout.Fitted = &clip.Fitted{Aspect: 1.1, Cover: 0.75}
	product.Lift = 44
	product.Rests = map[string]clip.Rest{
		"portrait": {Pin: "centre", Y: -30, Size: 520}, "square": {Pin: "centre", Y: 0, Size: 430}, "wide": {Pin: "centre", X: 330, Y: -10, Size: 650},
	}
	product.Moves = []clip.Move{{ID: "gust", Kind: "gust", At: beat(1), Lands: true, Length: 12, Side: "right", Turn: 20, Strength: 100, Drift: 24}}

	name := text("name", "Name", clip.KindWords, "{name}", 0, -330, 104, "bottom", harbour)
	name.Words.Product = clip.ProductSlot
	name.Rests = map[string]clip.Rest{
		"portrait": {Pin: "bottom", Y: -220, Size: 86}, "square": {Pin: "bottom", Y: -178, Size: 72}, "wide": {Pin: "left", X: 500, Y: 110, Size: 96},
	}
	name.Moves = []clip.Move{{ID: "unfurl", Kind: "unfurl", At: beat(1).Plus(4), Length: 10, Side: "below", Strength: 100}}

	price := text("price", "Price", clip.KindBadge, "{price}", 240, 290, 84, "centre", chalk)
	price.Words.Product = clip.ProductSlot
	price.Words.Plate.Kind, price.Words.Plate.Room, price.Words.Plate.Fill = "burst", 46, harbour
	price.Rest.Turn, price.Lift = 9, 28
	price.Rests = map[string]clip.Rest{
		"portrait": {Pin: "centre", X: 265, Y: 190, Size: 70, Turn: 9}, "square": {Pin: "centre", X: 265, Y: 150, Size: 62, Turn: 9},
		"wide": {Pin: "centre", X: 640, Y: 230, Size: 84, Turn: 9},
	}
	price.Moves = []clip.Move{
		{ID: "swell", Kind: "swell", At: beat(2), Lands: true, Length: 8, Strength: 100},
		{ID: "bob", Kind: "bob", At: beat(4), Length: 12, Strength: 60},
	}
	out := []clip.Layer{plate, product, name, price}
	for i := range out {
		out[i].Group = scene
	}
	return out
}

func tableHeadline() clip.Layer {
	l := text("headline", "Headline", clip.KindWords, "For the *camp table*", 0, 190, 106, "top", harbour)
	l.Words.EmphasisFill, l.Words.Width = colour.RGB(0xB93A17), 900
	l.Rests = map[string]clip.Rest{
		"portrait": {Pin: "top", Y: 130, Size: 84}, "square": {Pin: "top", Y: 105, Size: 76}, "wide": {Pin: "left", X: 500, Y: -130, Size: 92},
	}
	l.Tracks[clip.Opacity] = motion.Track{key(timing.At(0), smooth, 0), key(timing.At(10), hold, 100)}
	return l
}

func tableLogo() clip.Layer {
	l := cutoutLayer("logo-layer", "Logo", "logo", "bottom", 0, -130, 330)
	l.Rests = map[string]clip.Rest{
		"portrait": {Pin: "bottom", Y: -95, Size: 270}, "square": {Pin: "bottom", Y: -75, Size: 230}, "wide": {Pin: "bottomLeft", X: 500, Y: -110, Size: 300},
	}
	return l
}
