package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// Rich is a clip in which much happens at once: a free gradient whose points move, a pattern, six
// figures with shadows that move, of which two are masked, and a group that is blurred.
func Rich() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Rich", tall, 30, 600)
	back := c.Layer("backdrop")
	back.Backdrop.Run = "free"
	for i, hex := range []uint32{0xF0C040, 0x206060, 0xC03018, 0x173F47} {
		back.Backdrop.Points = append(back.Backdrop.Points, clip.ColourPoint{ID: i + 1, X: float64(i*25 - 40), Y: float64(i%3*40 - 40), Colour: colour.RGB(hex)})
	}
	back.Tracks["place1"] = steadily([]float64{-40, -40}, []float64{40, 40})
	grid := clip.Draft(c, clip.KindPattern, "", "", "")
	grid.Tracks[clip.Moved] = steadily([]float64{0, 0}, []float64{600, 300})
	c.Layers = append(c.Layers, grid)
	group := clip.NewGroup("group", "Group")
	group.Values = map[string][]float64{"blur": {12}}
	for i := range 8 {
		l := clip.NewLayer(fmt.Sprintf("thing%d", i), "Thing", clip.KindCard)
		l.Card = &clip.Card{Form: []string{"star", "disc", "card", "burst"}[i%4], Aspect: 1, Fill: colour.RGB(0xFCFAF5)}
		l.Rest.Size, l.Lift = 320, 40
		l.Rest.X, l.Rest.Y = float64(i%2*400-200), float64(i/2*350-520)
		l.Tracks[clip.Position] = steadily([]float64{-100, 0}, []float64{100, 40})
		l.Tracks[clip.Rotation] = steadily([]float64{0}, []float64{180})
		switch i {
		case 1, 2:
			l.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 260, H: 260, Feather: 20}}
		case 6, 7:
			l.Group, l.Lift = "group", 0
		}
		c.Layers = append(c.Layers, l)
	}
	c.Layers = append(c.Layers, group)
	return c
}

// steadily goes from one value to another over twenty seconds.
func steadily(from, to []float64) motion.Track {
	return motion.Track{key(timing.At(0), linear, from...), key(timing.At(599), linear, to...)}
}
