package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/effect"
	"billow/core/motion"
	"billow/core/timing"
)

// Trial is a clip that nobody would post: it has every kind of layer, blend
// mode, cut, matte and texture at once, so that a change in how frames are
// drawn shows wherever it is.
func Trial(w *World) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Trial", tall, 30, 90)
	for _, p := range w.Props {
		if p.Picture != nil || p.Table != nil {
			c.Props = append(c.Props, p)
		}
	}
	c.Products = []clip.Product{{ID: "one", Name: "Lantern", Price: "34.90", OldPrice: "49.00", Currency: "EUR", Prop: "lantern"}}
	layers := append([]clip.Layer{gradient(140, clip.Stop{Colour: harbour}, clip.Stop{At: 55, Colour: honey}, clip.Stop{At: 100, Colour: chalk})},
		trialBlends()...)
	layers = append(append(layers, trialGroups()...), trialWords()...)
	layers = append(layers, trialEffects()...)
	layers = append(layers, trialFigures(c)...)
	layers = append(layers, trialLetters()...)
	layers = append(layers, trialFootage()...)
	layers = append(layers, trialGels()...)
	fill(c, append(layers, trialKinds(c)...)...)
	return c, c.Validate()
}

// sway turns and shifts a layer over the whole clip.
func sway(l *clip.Layer, turn float64) {
	l.Tracks[clip.Rotation] = motion.Track{key(timing.At(0), smooth, -turn), key(timing.At(89), linear, turn)}
	l.Tracks[clip.Position] = motion.Track{key(timing.At(0), linear, -30, 12), key(timing.At(89), linear, 41, -9.5)}
}

// trialKinds is a layer of each kind that can be put on the Tabletop as it is,
// faint, so that what is behind is to be seen.
func trialKinds(c *clip.Clip) []clip.Layer {
	var out []clip.Layer
	for _, k := range clip.Kinds {
		if k.Offered {
			l := clip.Draft(c, k.ID, "", "", "one")
			l.ID, l.Values = "kind-"+k.ID, map[string][]float64{clip.Opacity: {20}}
			sway(&l, 5)
			out = append(out, l)
		}
	}
	return out
}

// trialBlends is a card in each blend mode, half of them turning.
func trialBlends() []clip.Layer {
	var out []clip.Layer
	for i, mode := range clip.BlendModes {
		l := clip.NewLayer("blend-"+mode, mode, clip.KindCard)
		l.Card = &clip.Card{Form: []string{"card", "disc", "burst", "line"}[i%4], Aspect: 1.3, Outline: harbour,
			Fill: colour.Colour{R: uint8(40 + 13*i), G: uint8(220 - 12*i), B: uint8(90 + 31*i), A: uint8(255 - 9*i)}}
		l.Rest = clip.Rest{Pin: "centre", X: float64(i%4)*240 - 360, Y: float64(i/4)*240 - 420, Size: 260}
		l.Blend, l.Lift = mode, float64(i%3)*12
		l.Values = map[string][]float64{clip.Outline: {float64(i % 5)}, clip.Corner: {float64(6 * i)}}
		if i%2 == 0 {
			sway(&l, float64(3*i+2))
		}
		if i%4 == 1 {
			l.Card.Hole = &clip.Hole{Form: "disc", X: 20, Y: -10, Size: 80, Aspect: 1.2}
		}
		out = append(out, l)
	}
	return out
}

// trialGroups are groups that are cut, faded, blurred, lifted and blended, each
// with a cut-out and a card.
func trialGroups() []clip.Layer {
	var out []clip.Layer
	for i := range 6 {
		g := clip.NewGroup(fmt.Sprintf("group-%d", i), fmt.Sprintf("Group %d", i))
		g.Rest.X, g.Rest.Y, g.Rest.Size, g.Rest.Turn = float64(i%3)*300-300, float64(i/3)*420+60, 700, float64(4*i)
		sway(&g, 8)
		card := clip.NewLayer(g.ID+"-card", "Card", clip.KindCard)
		card.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: honey, Outline: harbour}
		card.Rest.Size, card.Group = 330, g.ID
		l := cutoutLayer(g.ID+"-cutout", "Cut-out", []string{"lantern", "mug", "spoons"}[i%3], "centre", 40, 20, 380)
		l.Group, l.Lift, l.Shutter = g.ID, 20, float64(i%2)*180
		sway(&l, -25)
		switch i {
		case 0:
			g.Tracks[clip.Opacity] = motion.Track{key(timing.At(0), linear, 100), key(timing.At(60), linear, 30)}
			g.Lift = 40
		case 1:
			g.Inside.Clip = card.ID
		case 2:
			g.Inside.Clip, g.Blend = "bounds", "multiply"
		case 3:
			g.Values = map[string][]float64{clip.Crop: {10, 0, 20, 5}, clip.Corner: {60}}
		case 4:
			g.Tracks["blur"] = motion.Track{key(timing.At(10), smooth, 0), key(timing.At(50), linear, 14)}
		case 5:
			g.Tracks[clip.Revealed] = motion.Track{key(timing.At(5), smooth, 0), key(timing.At(70), linear, 100)}
			g.Reveal = &clip.Reveal{Side: "left", Slide: true}
			g.Inside.Speed, g.Stepping = 2, &motion.Stepping{Rate: 8, Turn: 3, Shift: 4}
		}
		out = append(out, g, card, l)
	}
	return out
}

// trialEffects is a cut-out for each effect, which grows from nothing.
func trialEffects() []clip.Layer {
	var out []clip.Layer
	for i, e := range effect.All {
		l := cutoutLayer("effect-"+e.Name, e.Name, "mug", "left", 90+float64(i%4)*160, -520+float64(i/4)*170, 150)
		if e == &effect.Table {
			l.Table = "copper-dusk"
		}
		for _, p := range e.Properties {
			from, to := make([]float64, p.Dims), make([]float64, p.Dims)
			for d := range from {
				from[d], to[d] = p.Neutral, p.Neutral+(p.Max-p.Neutral)/3
			}
			if p.Colour { // from what the mug is not to what it is
				from, to = p.Usual, []float64{230, 220, 200, 255}
			}
			l.Tracks[p.Name] = motion.Track{key(timing.At(0), linear, from...), key(timing.At(89), linear, to...)}
		}
		out = append(out, l)
	}
	return out
}

// trialWords are words and cut-outs with looks that change.
func trialWords() []clip.Layer {
	head := text("head", "Headline", clip.KindWords, "All *at once* {price}", 0, 170, 92, "top", chalk)
	head.Words.Product, head.Words.Outline, head.Lift = "one", harbour, 18
	head.Tracks[clip.Outline] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(60), linear, 6)}
	head.Tracks[clip.LetterSpacing] = motion.Track{key(timing.At(20), smooth, 0), key(timing.At(70), linear, 18)}
	drawn := text("drawn", "Drawn", clip.KindWords, "Drawn on", 0, -150, 110, "bottom", colour.Colour{R: 23, G: 63, B: 71})
	drawn.Words.Outline, drawn.Values = chalk, map[string][]float64{clip.Outline: {5}, clip.Skew: {12}}
	drawn.Tracks[clip.DrawEnd] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(80), linear, 100)}
	badge := text("sale", "Badge", clip.KindBadge, "−{percent}", -300, -300, 80, "bottom", chalk)
	badge.Words.Product, badge.Words.Plate.Kind, badge.Wander = "one", "burst", &motion.Wander{Amount: 20, Turn: 12, Size: 8, Pace: 1.5, Seed: 3}
	rim := cutoutLayer("rim", "Rim", "mug", "bottom", 280, -330, 300)
	rim.Cutout.Outline, rim.Lift = chalk, 35
	rim.Tracks[clip.Outline] = motion.Track{key(timing.At(0), linear, 2), key(timing.At(89), linear, 20)}
	rim.Tracks[clip.Depth] = motion.Track{key(timing.At(0), smooth, -200), key(timing.At(89), linear, 700)}
	soft := cutoutLayer("soft", "Soft", "lantern", "bottom", 60, -420, 330)
	soft.Tracks["blur"] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(89), linear, 25)}
	soft.Follow = &clip.Follow{Layer: "rim", Position: true, Rotation: true}
	return []clip.Layer{head, drawn, badge, rim, soft}
}
