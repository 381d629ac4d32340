package demo

import (
	_ "embed"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/table"
	"billow/core/timing"
)

// rangeTable is the range as a shop would keep it.
//
//go:embed range.csv
var rangeTable []byte

// autumnRange is one clip for all of the range: what it shows is the product's alone, and its
// variants are twelve products in three shapes, in English and in German.
func autumnRange(s *stock) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("The autumn range", tall, 30, 180)
	s.into(c, "logo")
	s.tune(c, "tin-parade", 20)
	square, _ := clip.StandardShape("square")
	wide, _ := clip.StandardShape("wide")
	c.Shapes = []clip.Shape{tall, square, wide}
	c.Light = clip.Light{Direction: -38, Height: 44, Softness: 62, Strength: 46, Colour: colour.RGB(0x241006)}
	ids, err := s.intoRange(c, rangeTable)
	if err != nil {
		return nil, err
	}
	c.Shown = ids[0]
	c.Poster = new(timing.At(150))
	c.Variants = &clip.Variants{Products: ids, Languages: []string{"", "de"}}

	scene := *c.Layer("scene")
	layers := []clip.Layer{rangeBack(), rangeShelf(), rangeSun(), rangeProduct(), rangeName(), rangeLine(), rangePrice(), rangeOld(), rangeBase(), rangeLowest(), rangeBadge(), rangeLogo()}
	for i := range layers {
		if layers[i].Kind != clip.KindBackdrop {
			layers[i].Group = scene.ID
		}
	}
	c.Layers = append([]clip.Layer{layers[0], scene}, layers[1:]...)
	if err := rewrite(c); err != nil {
		return nil, err
	}
	return c, c.Validate()
}

// intoRange takes a table into a clip's range, with the pictures that it names, and gives the
// products' IDs.
func (s *stock) intoRange(c *clip.Clip, file []byte) ([]string, error) {
	rows, _, err := table.Parse(file, 0)
	if err != nil {
		return nil, err
	}
	shelf := make([]clip.Prop, 0, len(s.props))
	for _, p := range s.props {
		shelf = append(shelf, p)
	}
	r, err := table.Read(rows, c, shelf, table.Options{})
	if err != nil {
		return nil, err
	}
	if len(r.Faults) > 0 {
		return nil, clip.Fault("range", "row %d: %s", r.Faults[0].Row, r.Faults[0].Says)
	}
	c.Props, c.Products = append(c.Props, r.Props...), r.Products
	return r.Named, nil
}

func rangeBack() clip.Layer {
	l := gradient(175, clip.Stop{At: 0, Colour: colour.RGB(0xFBF1DE)}, clip.Stop{At: 100, Colour: colour.RGB(0xF2D9AE)})
	l.Name = "Wall"
	return l
}

// rangeShelf is the dark part on which the product stands, with the price.
func rangeShelf() clip.Layer {
	l := clip.NewLayer("shelf", "Shelf", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 2, Fill: colour.RGB(0x173F47)}
	l.Rest = clip.Rest{Pin: "bottom", Y: -215, Size: 1300}
	l.Rests = map[string]clip.Rest{
		"square": {Pin: "bottom", Y: -10, Size: 1200}, "wide": {Pin: "right", X: -110, Y: 0, Size: 1400, Turn: 90},
	}
	return l
}

// rangeSun is the disc behind the product.
func rangeSun() clip.Layer {
	l := clip.NewLayer("sun", "Disc", clip.KindCard)
	l.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: colour.RGB(0xE9A23B)}
	l.Rest, l.Lift = clip.Rest{Pin: "centre", Y: 0, Size: 680}, 0
	l.Rests = map[string]clip.Rest{"square": {Pin: "centre", X: 200, Y: -10, Size: 500}, "wide": {Pin: "centre", X: 90, Y: 10, Size: 700}}
	l.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(0), Length: 14, Strength: 40}}
	return l
}

func rangeProduct() clip.Layer {
	l := cutoutLayer("product", "Product", clip.ProductSlot, "centre", 0, 20, 600)
	l.Cutout.Fitted = &clip.Fitted{Aspect: 1.1, Cover: 0.75}
	l.Lift = 36
	l.Rests = map[string]clip.Rest{"square": {Pin: "centre", X: 200, Y: 0, Size: 440}, "wide": {Pin: "centre", X: 90, Y: 20, Size: 620}}
	l.Moves = []clip.Move{
		{ID: "settle", Kind: "settle", At: beat(1), Lands: true, Length: 14, Side: "above", Strength: 70},
	}
	return l
}

// spoken is words of the clip's product.
func spoken(id, name, kind, says string, rest clip.Rest, fill colour.Colour) clip.Layer {
	l := text(id, name, kind, says, rest.X, rest.Y, rest.Size, rest.Pin, fill)
	l.Words.Product, l.Rest = clip.ProductSlot, rest
	return l
}

func rangeName() clip.Layer {
	l := spoken("name", "Name", clip.KindWords, "{first}\n*{second}*", clip.Rest{Pin: "topLeft", X: 80, Y: 230, Size: 150}, harbour)
	l.Words.Font, l.Words.EmphasisFont, l.Words.EmphasisFill = "fraunces-600", "fraunces-600-italic", colour.RGB(0xC2471F)
	l.Words.Align, l.Words.ByEdge, l.Words.Width, l.Words.LineSpacing = "left", true, 640, 96
	l.Words.Fit = &clip.Fit{Height: 300, Smallest: 34, Largest: 100}
	l.Rests = map[string]clip.Rest{
		"square": {Pin: "topLeft", X: 60, Y: 150, Size: 104}, "wide": {Pin: "topLeft", X: 100, Y: 210, Size: 128},
	}
	l.Moves = []clip.Move{{ID: "unfurl", Kind: "unfurl", At: beat(1).Plus(2), Length: 12, Side: "below", Strength: 100}}
	return l
}

func rangeLine() clip.Layer {
	l := spoken("line", "Highlight", clip.KindWords, "{line}", clip.Rest{Pin: "topLeft", X: 84, Y: 420, Size: 46}, harbour)
	l.Words.Font, l.Words.Align, l.Words.ByEdge, l.Words.Width = "hanken-700", "left", true, 840
	l.Rests = map[string]clip.Rest{"square": {Pin: "topLeft", X: 62, Y: 286, Size: 34}, "wide": {Pin: "topLeft", X: 102, Y: 376, Size: 40}}
	l.Moves = []clip.Move{{ID: "unfurl", Kind: "unfurl", At: beat(1).Plus(8), Length: 10, Side: "below", Strength: 100}}
	return l
}

func rangePrice() clip.Layer {
	l := spoken("price", "Price", clip.KindWords, "{price}", clip.Rest{Pin: "bottomLeft", X: 80, Y: -290, Size: 210}, chalk)
	l.Words.Align, l.Words.ByEdge, l.Words.Width = "left", true, 0
	l.Words.Money = &clip.Money{Cents: "bare", Sign: "raised"}
	l.Rests = map[string]clip.Rest{"square": {Pin: "bottomLeft", X: 60, Y: -160, Size: 140}, "wide": {Pin: "right", X: -410, Y: 0, Size: 150}}
	l.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(2), Lands: true, Length: 9, Strength: 70}, {ID: "bob", Kind: "bob", At: beat(6), Length: 12, Strength: 40}}
	return l
}

func rangeOld() clip.Layer {
	l := spoken("old", "Old price", clip.KindWords, "~{old}~", clip.Rest{Pin: "bottomLeft", X: 86, Y: -445, Size: 62}, colour.RGB(0xF2D9AE))
	l.Words.Font, l.Words.Align, l.Words.ByEdge, l.Words.Width = "hanken-700", "left", true, 0
	l.Rests = map[string]clip.Rest{"square": {Pin: "bottomLeft", X: 64, Y: -256, Size: 44}, "wide": {Pin: "right", X: -406, Y: -125, Size: 52}}
	l.Moves = []clip.Move{{ID: "unfurl", Kind: "unfurl", At: beat(2).Plus(6), Length: 8, Side: "left", Strength: 100}}
	return l
}

func rangeBase() clip.Layer {
	l := spoken("base", "Base price", clip.KindWords, "{contents} · {base}", clip.Rest{Pin: "bottomLeft", X: 86, Y: -170, Size: 38}, colour.RGB(0xF2D9AE))
	l.Words.Font, l.Words.Align, l.Words.ByEdge, l.Words.Width = "hanken-700", "left", true, 0
	l.Rests = map[string]clip.Rest{"square": {Pin: "bottomLeft", X: 420, Y: -120, Size: 28}, "wide": {Pin: "right", X: -406, Y: 112, Size: 34}}
	return l
}

func rangeLowest() clip.Layer {
	l := spoken("lowest", "Lowest price", clip.KindWords, "Lowest price of the last 30 days: {lowest}", clip.Rest{Pin: "bottomLeft", X: 86, Y: -105, Size: 30}, colour.RGB(0xF2D9AE))
	l.Words.Texts = map[string]string{"de": "Niedrigster Preis der letzten 30 Tage: {lowest}"}
	l.Words.Font, l.Words.Align, l.Words.ByEdge, l.Words.Width = "hanken-700", "left", true, 500
	l.Rests = map[string]clip.Rest{"square": {Pin: "bottomLeft", X: 64, Y: -52, Size: 24}, "wide": {Pin: "bottomRight", X: -406, Y: -90, Size: 24}}
	return l
}

func rangeBadge() clip.Layer {
	l := spoken("badge", "Percentage", clip.KindBadge, "−{percent}", clip.Rest{Pin: "right", X: -215, Y: 250, Size: 86, Turn: 9}, chalk)
	l.Words.Plate.Kind, l.Words.Plate.Room, l.Words.Plate.Fill = "burst", 44, colour.RGB(0xDD4F28)
	l.Lift = 30
	l.Rests = map[string]clip.Rest{"square": {Pin: "bottomRight", X: -150, Y: -210, Size: 66, Turn: 9}, "wide": {Pin: "centre", X: 440, Y: -345, Size: 72, Turn: 9}}
	l.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(3), Lands: true, Length: 8, Strength: 100}}
	return l
}

func rangeLogo() clip.Layer {
	l := cutoutLayer("logo-layer", "Logo", "logo", "topRight", -150, 110, 190)
	l.Rests = map[string]clip.Rest{"square": {Pin: "topRight", X: -120, Y: 80, Size: 150}, "wide": {Pin: "bottomLeft", X: 200, Y: -80, Size: 200}}
	return l
}
