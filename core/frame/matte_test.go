package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
)

// rising is a clip of 1000 by 1000 pixels with a dark disc of 400 units in its middle, and a white
// card of 200 units in a group that is cut to the disc somehow.
func rising(y float64, set func(in *clip.Inside, disc *clip.Layer)) *clip.Clip {
	c := repeatedCard(func(c *clip.Clip, l *clip.Layer) {
		l.Repeat, l.Values = nil, nil
		l.ID, l.Group, l.Rest.Size, l.Rest.Y = "thing", "group", 200, y
		disc := clip.NewLayer("disc", "Disc", clip.KindCard)
		disc.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: colour.RGB(0x202020)}
		disc.Rest.Size = 400
		group := clip.NewGroup("group", "Group")
		group.Inside.Clip = "disc"
		set(group.Inside, &disc)
		c.Layers = append(c.Layers, disc, group)
	})
	return c
}

// What rises from behind a disc is cut to its rim below its middle, and overlaps its upper edge.
func TestThingsRiseFromBehindALayerBesideTheirGroup(t *testing.T) {
	free := func(in *clip.Inside, _ *clip.Layer) { in.Free = true }
	up := lit(t, rising(-200, free), 0) // from 300 to 100 above the middle
	if !up(0, -290) || !up(0, -110) || !up(-90, -290) {
		t.Error("above the middle something is cut")
	}
	down := lit(t, rising(200, free), 0) // from 100 to 300 below it; the rim is at 200
	if !down(0, 110) || !down(0, 190) || down(0, 210) || down(95, 195) {
		t.Error("below the middle it is not cut to the rim")
	}
	// Without that, it is cut all around.
	if plain := lit(t, rising(-200, func(*clip.Inside, *clip.Layer) {}), 0); plain(0, -290) || !plain(0, -150) {
		t.Error("what is not free is not cut above")
	}
}

func TestAMatteIsInvertedAndGoesByBrightness(t *testing.T) {
	out := lit(t, rising(-200, func(in *clip.Inside, _ *clip.Layer) { in.Invert = true }), 0)
	if !out(0, -290) || out(0, -150) {
		t.Error("inverted, it does not show what the disc leaves")
	}
	// A disc that is as dark as 32 of 255 shows an eighth of it; a white one all.
	bright := func(fill uint32) func(x, y int) bool {
		return lit(t, rising(0, func(in *clip.Inside, d *clip.Layer) {
			in.By, d.Card.Fill = "brightness", colour.RGB(fill)
			d.Hidden = false
		}), 0)
	}
	if bright(0x202020)(0, 0) || !bright(0xFFFFFF)(0, 0) {
		t.Error("how bright the disc is does not say how much shows")
	}
}
