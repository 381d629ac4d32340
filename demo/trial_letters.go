package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/passages"
	"billow/core/timing"
)

// trialLetters are words set in every way there is: on an arch that closes, along a figure on
// which they run, in a box, beside a window, on cards, with a gradient and axes that move; and
// with every ready way to come.
func trialLetters() (out []clip.Layer) {
	ring := disc("letters-ring", "Ring for letters", -240, 420, 260, colour.Colour{})
	ring.Card.Outline = harbour
	ring.Values = map[string][]float64{clip.Outline: {3}}
	out = append(out, ring)
	add := func(id, says string, x, y, size float64, set func(l *clip.Layer)) {
		l := text("letters-"+id, id, clip.KindWords, says, x, y, size, "centre", harbour)
		l.Words.Width, l.Words.ByEdge, l.Words.Product = 0, false, "one"
		set(&l)
		out = append(out, l)
	}
	add("arch", "“Bring the glow *home*”", 0, -560, 60, func(l *clip.Layer) {
		l.Words.Optical, l.Words.Behind, l.Words.Outline = true, true, chalk
		l.Values = map[string][]float64{clip.Outline: {6}}
		l.Tracks[clip.Arch] = motion.Track{key(timing.At(0), smooth, -80), key(timing.At(80), hold, 330)}
	})
	add("along", "round and round and ", -240, 420, 44, func(l *clip.Layer) {
		l.Words.Along, l.Words.Filling = "letters-ring", true
		l.Tracks[clip.Along] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(80), hold, 130)}
	})
	add("box", "As large as the box allows, whatever it says", 260, 420, 90, func(l *clip.Layer) {
		l.Words.Width, l.Words.Fit = 380, &clip.Fit{Height: 200, Smallest: 20, Largest: 300}
		l.Words.Plate = &clip.Plate{Kind: "lines", Fill: honey, Room: 12}
	})
	add("beside", "Lines of words that keep away from a round thing beside them, and are never in it", -150, 640, 34, func(l *clip.Layer) {
		l.Words.Width, l.Words.Align, l.Words.Beside = 520, "left", &clip.Beside{Layer: "letters-ring", Gap: 30}
	})
	add("axes", "אבג 123 Ffi", 150, -430, 90, func(l *clip.Layer) {
		l.Words.Font, l.Words.Axes = "anybody", []clip.Axis{{ID: 1, Tag: "wght", At: 300}, {ID: 2, Tag: "wdth", At: 80}}
		l.Words.Features = []string{"-kern", "tnum"}
		l.Words.Gradient = &clip.Fill{Angle: 120, Stops: []clip.Stop{{ID: 1, Colour: harbour}, {ID: 2, At: 100, Colour: honey}}}
		l.Tracks["axis1"] = motion.Track{key(timing.At(0), smooth, 200), key(timing.At(70), hold, 880)}
		l.Tracks[clip.FillAngle] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(80), hold, 200)}
	})
	for i, k := range passages.Kinds {
		add("way-"+k.ID, "Now *{price}*", -330+float64(i%4)*220, -330+float64(i/4)*70, 34, func(l *clip.Layer) {
			comes, _ := passages.Named(k.ID, passages.Text{Lines: 1, Words: 2, Letters: 9}, 30, false)
			comes.At = timing.At(4 * i)
			l.Words.Comes = &comes
			if i%3 == 0 {
				l.Values = map[string][]float64{clip.Arch: {60}}
			}
		})
	}
	return out
}
