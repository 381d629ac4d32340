package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// trialFigures are figures with everything that changes an edge or cuts it: further outlines,
// an edge that moves, waves, several contours, masks of all forms that move or stand still,
// a matte, repetition, and a place on the ground.
func trialFigures(c *clip.Clip) []clip.Layer {
	hollow := &clip.DrawnPath{Closed: true}
	for i, at := range [][2]float64{{-50, -50}, {50, -40}, {40, 50}, {-50, 30}, {-20, 20}, {20, 25}, {15, -15}, {-25, -20}} {
		hollow.Points = append(hollow.Points, clip.PathPoint{ID: i + 1, X: at[0], Y: at[1], Out: [2]float64{float64(i - 4), 6}, Begins: i == 4})
	}
	forms := []string{"star", "path", "ring", "disc", "arrow", "card"}
	var out []clip.Layer
	for i, form := range forms {
		l := clip.NewLayer("figure-"+form, form, clip.KindCard)
		l.Card = &clip.Card{Form: form, Aspect: 1.1, Fill: colour.RGB(uint32(0x304060 + 0x1A2B0F*i)), Outline: chalk, Pen: &clip.Pen{Join: clip.Joins[i%3], Cap: clip.Caps[i%3]}}
		l.Rest = clip.Rest{Pin: "centre", X: float64(i%3)*280 - 280, Y: float64(i/3)*300 + 330, Size: 230}
		l.Lift, l.Values = float64(8*i), map[string][]float64{clip.Outline: {float64(2 * i)}, clip.Corner: {float64(3 * i)}, clip.SecondShadow: {40}, clip.Contact: {50}}
		l.Card.Lines = []clip.Line{{ID: 1, Width: 5, Apart: 7, Colour: honey}, {ID: 2, Width: 3, Apart: -20, Colour: harbour}}
		l.Tracks["lineApart1"] = motion.Track{key(timing.At(0), linear, 2), key(timing.At(89), linear, 22)}
		sway(&l, float64(5*i))
		switch form {
		case "path":
			l.Card.Path = hollow
			l.Tracks["point3"] = motion.Track{key(timing.At(0), smooth, 40, 50), key(timing.At(70), linear, 60, 20)}
		case "star", "arrow":
			l.Tracks[clip.Offset] = motion.Track{key(timing.At(0), linear, -18), key(timing.At(89), linear, 24)}
		case "disc":
			l.Values[clip.Wave], l.Values[clip.WaveLong] = []float64{9}, []float64{60}
			l.Values[clip.Reflection] = []float64{60}
		case "card":
			l.Repeat, l.Values[clip.Gap] = &clip.Repeat{Columns: 2, Rows: 2, Speed: 30}, []float64{-120, -90}
		}
		l.Masks = []clip.Mask{
			{ID: 1, Form: "disc", Mode: "subtract", X: float64(10 * i), W: 60, H: 44, Feather: float64(3 * i), Still: i%2 == 0},
			{ID: 2, Form: []string{"card", "line", "path"}[i%3], Mode: "intersect", Y: -30, W: 250, H: 260, Turn: float64(9 * i), Corner: 12, Expand: float64(i), Invert: i%3 == 1, Path: hollow},
		}
		if i%3 != 2 {
			l.Masks[1].Path = nil
		}
		out = append(out, l)
	}
	g := clip.NewGroup("matted", "Matted")
	g.Inside.Clip, g.Inside.By, g.Inside.Invert = "figure-star", "brightness", true
	inside := clip.NewLayer("matted-disc", "Disc", clip.KindCard)
	inside.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: honey, Outline: harbour}
	inside.Rest, inside.Group = clip.Rest{Pin: "centre", X: -280, Y: 330, Size: 260}, g.ID
	out = append(out, inside, g)
	for i := range out {
		if c.Layer(out[i].ID) != nil {
			panic(fmt.Sprintf("two layers %q", out[i].ID)) // a mistake in this file
		}
	}
	return out
}
