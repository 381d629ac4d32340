package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/passages"
	"billow/core/pieces"
	"billow/core/timing"
)

// fourNights is made for Portrait: huge outlined words run on behind three products that gust
// in on the beats and drift; a line arrives word by word, spread apart, and closes up; a disc
// counts, a tag sways from its string, and a button pops. Dots wander four times a second.
func fourNights(s *stock) (*clip.Clip, error) {
	portrait, _ := clip.StandardShape("portrait")
	c := clip.New("Four nights", portrait, 30, 300)
	s.into(c, "lantern", "mug", "kettle")
	s.tune(c, "tin-parade", 20)
	c.Light = clip.Light{Direction: 150, Height: 46, Softness: 64, Strength: 60, Colour: colour.RGB(0x04161A)}
	c.Poster = new(timing.At(236))

	back := gradient(160, clip.Stop{ID: 1, At: 0, Colour: colour.RGB(0x0F2F38)}, clip.Stop{ID: 2, At: 55, Colour: colour.RGB(0x1F5A5E)}, clip.Stop{ID: 3, At: 100, Colour: colour.RGB(0xC9763A)})
	back.Name = "Dusk"
	layers := []clip.Layer{back, wandering(), running("above", -330, -0.5), running("below", 60, 0.5)}
	layers = append(layers, nightThings(s)...)

	head := text("headline", "Headline", clip.KindWords, "Warm light.\n*Cold nights.*", 0, 205, 124, "top", chalk)
	head.Words.EmphasisFill, head.Words.Width, head.Words.LineSpacing = colour.RGB(0xF6C667), 0, 96
	head.Rests = map[string]clip.Rest{"tall": {Pin: "top", Y: 330, Size: 140}, "square": {Pin: "top", Y: 150, Size: 96}, "wide": {Pin: "left", X: 460, Y: -240, Size: 126}}
	comes, _ := passages.Named("gather", passages.Text{Lines: 2, Words: 4, Letters: 20}, 30, false)
	comes.At, comes.Over, comes.Beats = beat(4), 0, 1
	head.Words.Comes = &comes

	said := text("said", "Highlight", clip.KindWords, "burns twelve hours\non one filling", 0, -230, 50, "bottom", colour.RGB(0x173F47))
	said.Words.Font, said.Words.Align, said.Words.Width = "hanken-700", "centre", 0
	said.Words.Plate = &clip.Plate{Kind: "lines", Fill: colour.RGB(0xF6C667), Room: 22}
	said.Rests = map[string]clip.Rest{"tall": {Pin: "bottom", Y: -420, Size: 58}, "square": {Pin: "bottom", Y: -150, Size: 42}, "wide": {Pin: "left", X: 460, Y: 90, Size: 54}}
	typed, _ := passages.Named("typed", passages.Text{Lines: 2, Words: 6, Letters: 28}, 30, false)
	typed.At = beat(8)
	said.Words.Comes = &typed

	fill(c, append(layers, head, said)...)
	for _, p := range []struct {
		asked pieces.Asked
		at    float64
		rest  clip.Rest
		rests map[string]clip.Rest
	}{
		{pieces.Asked{Kind: "price-disc", Product: "product-lantern"}, 6, clip.Rest{Pin: "centre", X: 310, Y: -150, Size: 780}, map[string]clip.Rest{
			"tall": {Pin: "centre", X: 300, Y: -260, Size: 900}, "square": {Pin: "centre", X: 320, Y: -120, Size: 640}, "wide": {Pin: "centre", X: 620, Y: -240, Size: 820},
		}},
		{pieces.Asked{Kind: "swing-tag", Product: "product-lantern"}, 10, clip.Rest{Pin: "centre", X: -330, Y: -90, Size: 720}, map[string]clip.Rest{
			"tall": {Pin: "centre", X: -310, Y: -170, Size: 820}, "square": {Pin: "centre", X: -340, Y: -70, Size: 600}, "wide": {Pin: "centre", X: 80, Y: -170, Size: 700},
		}},
		{pieces.Asked{Kind: "button", Text: "Light your camp", Side: "left"}, 14, clip.Rest{Pin: "bottom", Y: -105, Size: 820}, map[string]clip.Rest{
			"tall": {Pin: "bottom", Y: -240, Size: 980}, "square": {Pin: "bottom", Y: -68, Size: 640}, "wide": {Pin: "left", X: 460, Y: 290, Size: 900},
		}},
	} {
		p.asked.Frame = c.Clock().Frame(beat(p.at))
		if err := place(c, p.asked, p.rest, p.rests); err != nil {
			return nil, err
		}
	}
	return c, rewrite(c)
}

// place puts a ready piece into a clip, as the page does.
func place(c *clip.Clip, asked pieces.Asked, rest clip.Rest, rests map[string]clip.Rest) error {
	made, err := pieces.Make(c, asked)
	if err != nil {
		return err
	}
	group := made[len(made)-1].ID
	for _, l := range made {
		if l.Group == group {
			l.Group = asked.Kind
		} else {
			l.Rest, l.Rests = rest, rests
		}
		if w := l.Words; w != nil && w.Along != "" {
			w.Along = asked.Kind + "-" + w.Along
		}
		id := asked.Kind
		if l.ID != group {
			id += "-" + l.ID
		}
		l.ID = id
		c.Layers = append(c.Layers, l)
	}
	return nil
}

// wandering is a grid of dots that is somewhere else four times a second.
func wandering() clip.Layer {
	l := clip.NewLayer("dots", "Dots", clip.KindPattern)
	l.Pattern = &clip.Pattern{Form: "disc", Apart: 84, Size: 12, Shift: 50, Fill: colour.RGB(0xF6C667)}
	l.Values = map[string][]float64{clip.Opacity: {38}}
	l.Stepping = &motion.Stepping{Rate: 4, Shift: 26, Seed: 5}
	return l
}

// running is huge words without a fill that run on, so many of their lengths in a bar.
func running(id string, y, speed float64) clip.Layer {
	l := clip.NewWords("running-"+id, "Running "+id, clip.KindMarquee, "FOUR NIGHTS")
	l.Words.Width, l.Words.ByEdge, l.Words.Font = 0, false, "anton-400"
	l.Words.Fill, l.Words.Outline = colour.Colour{R: 255, G: 255, B: 255}, colour.Colour{R: 0xF3, G: 0xEE, B: 0xE4, A: 84}
	l.Rest = clip.Rest{Pin: "centre", Y: y, Size: 330}
	l.Rests = map[string]clip.Rest{"tall": {Pin: "centre", Y: y * 1.3, Size: 420}, "square": {Pin: "centre", Y: y * 0.8, Size: 290}, "wide": {Pin: "centre", Y: y * 0.8, Size: 330}}
	l.Repeat = &clip.Repeat{Rows: 1, Speed: speed, ByBar: true}
	l.Values = map[string][]float64{clip.Gap: {90, 20}, clip.Outline: {5}}
	l.Lift = 0
	return l
}

// nightThings gust in, one on each of three beats, and drift from then on.
func nightThings(s *stock) (out []clip.Layer) {
	for i, p := range []struct {
		id, side      string
		x, y, size    float64
		tall, wide    clip.Rest
		square        clip.Rest
		lift, driftBy float64
	}{
		{"kettle", "left", -215, 235, 400, clip.Rest{Pin: "centre", X: -215, Y: 330, Size: 440}, clip.Rest{Pin: "centre", X: 190, Y: 190, Size: 420}, clip.Rest{Pin: "centre", X: -230, Y: 190, Size: 320}, 26, 30},
		{"mug", "right", 225, 250, 330, clip.Rest{Pin: "centre", X: 225, Y: 350, Size: 370}, clip.Rest{Pin: "centre", X: 640, Y: 220, Size: 340}, clip.Rest{Pin: "centre", X: 230, Y: 200, Size: 260}, 26, 30},
		{"lantern", "below", 0, 90, 640, clip.Rest{Pin: "centre", Y: 120, Size: 780}, clip.Rest{Pin: "centre", X: 400, Y: 60, Size: 760}, clip.Rest{Pin: "centre", Y: 80, Size: 500}, 44, 18},
	} {
		l := cutoutLayer(p.id+"-layer", s.props[p.id].Name, p.id, "centre", p.x, p.y, p.size)
		l.Lift = p.lift
		l.Rests = map[string]clip.Rest{"tall": p.tall, "wide": p.wide, "square": p.square}
		l.Moves = []clip.Move{{ID: "gust", Kind: "gust", At: beat(float64(i + 1)), Lands: true, Length: 16, Side: p.side, Turn: 14, Strength: 100, Drift: p.driftBy}}
		out = append(out, l)
	}
	return out
}
