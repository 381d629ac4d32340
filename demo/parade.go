package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
)

// trailParade is a line-up made for Portrait: three products pass behind a round
// window, two bars each, and their names, prices and badges change on the same
// frames. Two cut-paper stars move as by hand. The tempo is 126.
func trailParade(s *stock) (*clip.Clip, error) {
	portrait, _ := clip.StandardShape("portrait")
	c := clip.New("Trail parade", portrait, 30, 343)
	s.into(c, "kettle", "stove", "lantern")
	s.tune(c, "tin-parade", 24)
	c.Light = clip.Light{Direction: -32, Height: 50, Softness: 55, Strength: 50, Colour: colour.RGB(0x06201B)}
	c.Poster = new(timing.At(90))
	back := gradient(160, clip.Stop{At: 0, Colour: colour.RGB(0xFBE3B5)}, clip.Stop{At: 100, Colour: colour.RGB(0xE79A5B)})
	back.Name = "Behind the window"

	stage := clip.NewGroup("stage", "Behind a window")
	stage.Lineup = moves.ThroughAWindow(700)
	stage.Lineup.Start, stage.Lineup.Beats, stage.Lineup.Change = beat(0), 8, 13
	sizes := map[string]float64{"kettle": 560, "stove": 530, "lantern": 610}
	var products, words []clip.Layer
	for i, id := range []string{"kettle", "stove", "lantern"} {
		p := cutoutLayer(id+"-layer", s.props[id].Name, id, "centre", 0, -70, sizes[id])
		p.Group, p.Lift = stage.ID, 34
		name, badge := paradeWords(id, i)
		products, words = append(products, p), append(words, name, badge)
		stage.Lineup.Items = append(stage.Lineup.Items, clip.Item{Layer: p.ID, With: []string{name.ID, badge.ID}})
	}
	layers := append([]clip.Layer{back}, products...)
	layers = append(append(layers, paradeCard()), words...)
	fill(c, append(layers, stage, paradeHeadline(), star("star-left", -395, 170, 110, 3), star("star-right", 385, -400, 84, 8))...)
	if err := moves.RewriteLineup(c, c.Layer("stage")); err != nil {
		return nil, err
	}
	return c, rewrite(c)
}

// rewrite writes the keys of all moves of a clip.
func rewrite(c *clip.Clip) error {
	for i := range c.Layers {
		if err := moves.Rewrite(c, &c.Layers[i]); err != nil {
			return err
		}
	}
	return nil
}

func paradeCard() clip.Layer {
	l := clip.NewLayer("card", "Card with a window", clip.KindCard)
	l.Card = &clip.Card{
		Form: "card", Aspect: 1, Fills: true, Fill: colour.RGB(0x1E5A50), Outline: honey,
		Hole: &clip.Hole{Form: "disc", Size: 700, Aspect: 1},
	}
	l.Rest = clip.Rest{Pin: "centre", Y: -70, Size: 1000}
	l.Values = map[string][]float64{clip.Outline: {10}}
	l.Group, l.Lift = "stage", 30
	return l
}

// paradeWords are a product's name with its price, and its badge, which swells
// when the product arrives.
func paradeWords(id string, turn int) (name, badge clip.Layer) {
	name = text(id+"-name", "Name of the "+id, clip.KindWords, "{name}\n*{price}*  ~{old}~", 0, -150, 74, "bottom", chalk)
	name.Words.Product, name.Words.EmphasisFill, name.Words.LineSpacing = "product-"+id, honey, 118
	name.Words.Font, name.Words.EmphasisFont = "hanken-700", "hanken-900"
	name.Group = "stage"
	badge = text(id+"-badge", "Badge of the "+id, clip.KindBadge, "−{percent}", 300, 195, 74, "centre", chalk)
	badge.Words.Product = "product-" + id
	badge.Words.Plate.Kind, badge.Words.Plate.Room, badge.Words.Plate.Fill = "burst", 44, colour.RGB(0xDD4F28)
	badge.Rest.Turn, badge.Group, badge.Lift = 10, "stage", 26
	swell := moves.Default("swell")
	swell.ID, swell.Length = "swell", 10
	swell.At = beat(float64(8*turn) + 1)
	swell.Lands = true
	badge.Moves = []clip.Move{swell}
	return name, badge
}

func paradeHeadline() clip.Layer {
	l := text("headline", "Headline", clip.KindWords, "Three for the *trail*", 0, 105, 104, "top", chalk)
	l.Words.EmphasisFill, l.Words.Width = honey, 960
	return l
}

// star is cut from paper: it is held and turned irregularly, eight times a second.
func star(id string, x, y, size float64, seed int) clip.Layer {
	l := clip.NewLayer(id, fmt.Sprintf("Star %d", seed), clip.KindCard)
	l.Card = &clip.Card{Form: "burst", Aspect: 1, Fill: honey, Outline: honey}
	l.Rest = clip.Rest{Pin: "centre", X: x, Y: y, Size: size}
	l.Lift = 14
	l.Stepping = &motion.Stepping{Rate: 8, Turn: 16, Shift: 5, Seed: seed}
	return l
}
