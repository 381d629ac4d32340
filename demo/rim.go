package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// morningsOutside is made for Tall: three products pop up behind the rim of a big disc, each
// on its beat, with a shadow on either side; a ring with a shadow of its own draws on around
// it. The tempo is 126.
func morningsOutside(s *stock) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Mornings outside", tall, 30, 229)
	s.into(c, "kettle", "lantern", "mug")
	s.tune(c, "tin-parade", 20)
	c.Light = clip.Light{Direction: -28, Height: 52, Softness: 70, Strength: 46, Colour: colour.RGB(0x3A1606)}
	c.Poster = new(timing.At(120))

	back := clip.NewLayer("backdrop", "Morning light", clip.KindBackdrop)
	back.Backdrop = &clip.Backdrop{Fill: clip.Fill{Run: "free", Stops: []clip.Stop{{ID: 1, Colour: colour.RGB(0xFBE3B5)}}, Points: []clip.ColourPoint{
		{ID: 1, X: -40, Y: -45, Colour: colour.RGB(0xFFF3D6)}, {ID: 2, X: 45, Y: -30, Colour: colour.RGB(0xF9D08C)},
		{ID: 3, X: -35, Y: 40, Colour: colour.RGB(0xF2B482)}, {ID: 4, X: 40, Y: 48, Colour: colour.RGB(0xE98A62)},
	}}}
	back.Tracks["place2"] = motion.Track{key(timing.At(0), smooth, 45, -30), key(timing.At(228), hold, 5, -38)}
	back.Tracks["place3"] = motion.Track{key(timing.At(0), smooth, -35, 40), key(timing.At(228), hold, -10, 20)}

	rim := disc("rim", "Rim", 0, 200, 780, harbour)
	rim.Lift = 22
	rim.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: timing.At(0), Length: 10, Strength: 60}}
	ring := disc("ring", "Ring", 0, 200, 860, colour.Colour{})
	ring.Card.Outline, ring.Card.Pen = chalk, &clip.Pen{Cap: "round"}
	ring.Values = map[string][]float64{clip.Outline: {16}}
	ring.Rest.Turn, ring.Lift = -90, 26
	ring.Tracks[clip.DrawEnd] = motion.Track{key(beat(1), easeOut, 0), key(beat(5), hold, 100)}

	round := clip.NewGroup("round", "The round")
	round.Rests = map[string]clip.Rest{
		"portrait": {Pin: "centre", Y: -110, Size: 990}, "square": {Pin: "centre", Y: -85, Size: 880}, "wide": {Pin: "centre", X: 385, Y: -150, Size: 1070},
	}
	behind := clip.NewGroup("rising", "Behind the rim")
	behind.Inside.Clip, behind.Inside.Free = "rim", true
	ring.Group, rim.Group, behind.Group = round.ID, round.ID, round.ID
	layers := []clip.Layer{back, ring, rim}
	for i, p := range []struct {
		id         string
		x, y, size float64
		turn       float64
	}{{"kettle", -196, 318, 470, -6}, {"mug", 204, 322, 390, 7}, {"lantern", 0, 120, 800, 0}} {
		l := cutoutLayer(p.id+"-layer", s.props[p.id].Name, p.id, "centre", p.x, p.y, p.size)
		l.Rest.Turn, l.Group, l.Lift = p.turn, behind.ID, 42
		l.Values = map[string][]float64{clip.SecondShadow: {45}}
		at := float64(2 + i)
		l.Tracks[clip.Position] = motion.Track{key(beat(at), springy, 0, 960), key(beat(at+2), hold, 0, 0)}
		l.Moves = []clip.Move{{ID: "bob", Kind: "bob", At: beat(8), Length: 14, Strength: 40}}
		layers = append(layers, l)
	}
	price := text("price", "Price", clip.KindBadge, "from\n*14.90 €*", 326, 492, 60, "centre", chalk)
	price.Words.Plate.Kind, price.Words.Plate.Room, price.Words.Plate.Fill = "disc", 46, colour.RGB(0xDD4F28)
	price.Words.EmphasisFill, price.Words.Font, price.Words.EmphasisFont = chalk, "hanken-700", "hanken-900"
	price.Rest.Turn, price.Lift = 8, 34
	price.Group = round.ID
	price.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(8), Lands: true, Length: 9, Strength: 100}}

	head := text("headline", "Headline", clip.KindWords, "Mornings *outside*", 0, 235, 122, "top", harbour)
	head.Words.EmphasisFill, head.Words.Width, head.Words.LineSpacing = colour.RGB(0xB93A17), 940, 92
	head.Rests = map[string]clip.Rest{
		"portrait": {Pin: "top", Y: 135, Size: 96}, "square": {Pin: "top", Y: 100, Size: 76}, "wide": {Pin: "left", X: 470, Y: -90, Size: 128},
	}
	head.Moves = []clip.Move{{ID: "unfurl", Kind: "unfurl", At: timing.At(4), Length: 14, Side: "below", Strength: 100}}
	call := text("call", "Call", clip.KindWords, "Lantern, kettle and mug for the trail", 0, -205, 54, "bottom", harbour)
	call.Words.Font, call.Words.Width = "hanken-700", 900
	call.Rests = map[string]clip.Rest{
		"portrait": {Pin: "bottom", Y: -132, Size: 44}, "square": {Pin: "bottom", Y: -62, Size: 40}, "wide": {Pin: "left", X: 470, Y: 125, Size: 44},
	}
	call.Tracks[clip.Opacity] = motion.Track{key(beat(9), smooth, 0), key(beat(10), hold, 100)}
	logo := cutoutLayer("logo-layer", "Logo", "logo", "bottom", 0, -105, 280)
	logo.Rests = map[string]clip.Rest{
		"portrait": {Pin: "bottom", Y: -54, Size: 200}, "square": {Pin: "bottom", Y: -100, Size: 200, Away: true}, "wide": {Pin: "bottomLeft", X: 470, Y: -120, Size: 300},
	}
	s.into(c, "logo")

	fill(c, append(layers, behind, price, round, head, call, logo)...)
	return c, rewrite(c)
}

// disc is a plain one.
func disc(id, name string, x, y, size float64, fill colour.Colour) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCard)
	l.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: fill, Outline: chalk}
	l.Rest = clip.Rest{Pin: "centre", X: x, Y: y, Size: size}
	return l
}
