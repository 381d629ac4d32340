package edit

import (
	"encoding/json"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/palette"
	"billow/core/timing"
)

// Each layer gets the colours of its part; how opaque they are and colours with keys stay.
func TestAPaletteGoesToAllThatSharesItsRoles(t *testing.T) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Colours", square, 30, 120)
	badge := clip.Draft(c, clip.KindBadge, "", "", "")
	floor := clip.Draft(c, clip.KindFloor, "", "", "")
	grid := clip.Draft(c, clip.KindPattern, "", "", "")
	words := clip.Draft(c, clip.KindWords, "", "", "")
	keyed := clip.Draft(c, clip.KindCard, "", "", "")
	keyed.ID = "keyed"
	keyed.Tracks[clip.FillColour] = motion.Track{{At: timing.At(0), Value: []float64{1, 2, 3, 255}, Ease: motion.Ease{Kind: motion.Linear}}}
	before := keyed.Card.Fill
	c.Layers = append(c.Layers, badge, floor, grid, words, keyed)
	p := palette.Proposals([]palette.Share{{Colour: colour.RGB(0x2F6B6A), Share: 1}})[1]
	raw, _ := json.Marshal(map[string]any{"type": "setPalette", "palette": p})
	out, err := Apply(c, raw)
	if err != nil {
		t.Fatal(err)
	}
	faint := p.Ink
	faint.A = grid.Pattern.Fill.A
	stops := out.Layer("backdrop").Backdrop.Stops
	for what, is := range map[string][2]colour.Colour{
		"the ground above":      {stops[0].Colour, p.Top},
		"the ground below":      {stops[len(stops)-1].Colour, p.Bottom},
		"words":                 {out.Layer(words.ID).Words.Fill, p.Ink},
		"emphasised words":      {out.Layer(words.ID).Words.EmphasisFill, p.Accent},
		"a badge":               {out.Layer(badge.ID).Words.Plate.Fill, p.Plate},
		"words on a badge":      {out.Layer(badge.ID).Words.Fill, p.On},
		"a wall":                {out.Layer(floor.ID).Floor.Wall, p.Top},
		"a floor":               {out.Layer(floor.ID).Floor.Ground, p.Bottom},
		"a pattern":             {out.Layer(grid.ID).Pattern.Fill, faint},
		"what has keys":         {out.Layer("keyed").Card.Fill, before},
		"the light's shadows":   {out.Light.Colour, p.Shade},
		"the clip as it was is": {c.Layer(words.ID).Words.Fill, words.Words.Fill},
	} {
		if is[0] != is[1] {
			t.Errorf("%s: %v, not %v", what, is[0], is[1])
		}
	}
}

func TestAPaletteOfASceneLeavesTheOthers(t *testing.T) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Scenes", square, 30, 120)
	in := clip.Draft(c, clip.KindWords, "", "", "")
	in.Group = c.Scenes()[0].ID
	c.Layers = append(c.Layers, in)
	next, err := Apply(c, []byte(`{"type":"addScene","id":"second","scene":{"frames":60}}`))
	if err != nil {
		t.Fatal(err)
	}
	raw, _ := json.Marshal(map[string]any{"type": "setPalette", "scene": "second", "palette": palette.Proposals(nil)[0]})
	out, err := Apply(next, raw)
	if err != nil {
		t.Fatal(err)
	}
	if out.Layer(in.ID).Words.Fill != in.Words.Fill {
		t.Error("words of another scene have changed")
	}
	if out.Light.Colour != next.Light.Colour {
		t.Error("the shadows of all scenes have changed")
	}
	if _, err := Apply(next, []byte(`{"type":"setPalette","scene":"gone","palette":{}}`)); err == nil {
		t.Error("a scene that is not there is taken")
	}
}
