package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/passages"
	"billow/core/pieces"
	"billow/core/timing"
)

// campKitchen is made for Wide: three prints slide in on the beats, in which products slowly
// come nearer; a word comes with each, one of them coloured; the prints fly off and an end
// card says where to go. The tempo is 100, so a beat lasts 18 frames.
func campKitchen(s *stock) (*clip.Clip, error) {
	wide, _ := clip.StandardShape("wide")
	c := clip.New("Camp kitchen", wide, 30, 336)
	s.into(c, "stove", "tin", "spoons", "logo")
	s.tune(c, "harbour-morning", 24)
	c.Light = clip.Light{Direction: -38, Height: 50, Softness: 66, Strength: 50, Colour: colour.RGB(0x2A1206)}
	c.Poster = new(timing.At(150))

	back := gradient(165, clip.Stop{ID: 1, At: 0, Colour: colour.RGB(0xFFF4E0)}, clip.Stop{ID: 2, At: 100, Colour: colour.RGB(0xF6D6A8)})
	back.Name = "Cream"
	layers := []clip.Layer{back}
	layers = append(layers, slid(s, 0, "stove", "left", colour.RGB(0x2F6B6A), clip.Rest{X: -530, Y: 84, Size: 900, Turn: -4}, map[string]clip.Rest{
		"tall": {X: -216, Y: -260, Size: 1150, Turn: -5}, "portrait": {X: -258, Y: -185, Size: 930, Turn: -5}, "square": {X: -316, Y: 70, Size: 750, Turn: -5},
	}, -1500, 120)...)
	layers = append(layers, slid(s, 1, "tin", "below", colour.RGB(0xF6C667), clip.Rest{Y: 96, Size: 900, Turn: 2}, map[string]clip.Rest{
		"tall": {X: 226, Y: 30, Size: 1150, Turn: 4}, "portrait": {X: 258, Y: -150, Size: 930, Turn: 4}, "square": {Y: 92, Size: 750, Turn: 2},
	}, 60, 1300)...)
	layers = append(layers, slid(s, 2, "spoons", "right", colour.RGB(0xDD4F28), clip.Rest{X: 530, Y: 84, Size: 900, Turn: 5}, map[string]clip.Rest{
		"tall": {X: -236, Y: 420, Size: 1120, Turn: -2}, "portrait": {X: -20, Y: 296, Size: 850, Turn: -3}, "square": {X: 316, Y: 70, Size: 750, Turn: 6},
	}, 1500, 80)...)

	head := text("headline", "Headline", clip.KindWords, "Pack. Walk. *Cook.*", 0, 110, 132, "top", harbour)
	head.Words.EmphasisFill, head.Words.Width = colour.RGB(0xB93A17), 0
	head.Rests = map[string]clip.Rest{"tall": {Pin: "top", Y: 300, Size: 106}, "portrait": {Pin: "top", Y: 120, Size: 104}, "square": {Pin: "top", Y: 175, Size: 104}}
	head.Words.Comes, head.Words.Goes = risen(1, 1, false), risen(9, 0, true)
	fill(c, append(layers, head)...)

	card := pieces.Asked{Kind: "end-card", Text: "Dinner is *outside*", Logo: "logo", Frame: c.Clock().Frame(beat(10.5))}
	err := place(c, card, clip.Rest{Pin: "centre", Size: 1180}, map[string]clip.Rest{
		"tall": {Pin: "centre", Size: 1380}, "portrait": {Pin: "centre", Size: 1340}, "square": {Pin: "centre", Size: 1280},
	})
	if err != nil {
		return nil, err
	}
	return c, rewrite(c)
}

// risen lets words come from behind their edge, or go, so many beats apart.
func risen(at, apart float64, going bool) *clip.Passage {
	p, _ := passages.Named("rise", passages.Text{Lines: 1, Words: 3, Letters: 16}, 30, going)
	p.At = beat(at)
	if apart > 0 {
		p.Over, p.Beats = 0, apart
	}
	return &p
}

// slid is a print on paper that slides in from somewhere within the beat n, and is whisked off
// to a side in the end. In its window a product comes nearer all the time.
func slid(s *stock, n float64, id, side string, tone colour.Colour, rest clip.Rest, rests map[string]clip.Rest, fromX, fromY float64) []clip.Layer {
	print := clip.NewGroup("print-"+id, s.props[id].Name)
	rest.Pin = "centre"
	print.Rest, print.Rests = rest, rests
	for shape, r := range rests {
		r.Pin = "centre"
		rests[shape] = r
	}
	print.Tracks[clip.Position] = motion.Track{key(beat(n), easeOut, fromX, fromY), key(beat(n+1), hold, 0, 0)}
	print.Moves = []clip.Move{{ID: "whisk", Kind: "whisk", At: beat(9 + n/2), Length: 16, Side: side, Turn: 12, Strength: 100}}
	print.To = until(beat(11.5))

	paper := sheet("paper-"+id, "Paper", 0.8, 0, 700, 16, colour.RGB(0xFFFDF8))
	paper.Lift, paper.Group = 26, print.ID
	window := sheet("window-"+id, "Window", 0.9, -36, 572, 8, tone)
	window.Group = print.ID
	seen := clip.NewGroup("seen-"+id, "In the window")
	seen.Group, seen.Inside.Clip = print.ID, window.ID
	thing := cutoutLayer(id+"-layer", s.props[id].Name, id, "centre", 0, -20, 470)
	thing.Group, thing.Lift = seen.ID, 34
	thing.Tracks[clip.Scale] = motion.Track{key(beat(n), linear, 84), key(beat(10), hold, 122)}
	label := text("label-"+id, "Label", clip.KindWords, "{name}  *{price}*", 0, 300, 40, "centre", harbour)
	label.Words.Font, label.Words.EmphasisFont, label.Words.EmphasisFill = "hanken-700", "hanken-700", colour.RGB(0xB93A17)
	label.Words.Product, label.Words.Width, label.Group, label.Lift = "product-"+id, 0, print.ID, 0
	return []clip.Layer{paper, window, thing, seen, label, print}
}

// sheet is a plain rectangle with round corners.
func sheet(id, name string, aspect, y, size, corner float64, fill colour.Colour) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: aspect, Fill: fill}
	l.Rest, l.Lift = clip.Rest{Pin: "centre", Y: y, Size: size}, 0
	l.Values = map[string][]float64{clip.Corner: {corner}}
	return l
}
