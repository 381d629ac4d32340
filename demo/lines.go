package demo

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// kettleOn is made for Square: coloured lines that were drawn by hand wave behind outlined
// words without end; a disc with the kettle grows out of a button, and a figure wipes to the
// maker's name. The tempo is 126.
func kettleOn(s *stock) (*clip.Clip, error) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Kettle on", square, 30, 229)
	s.into(c, "kettle", "logo")
	s.tune(c, "tin-parade", 20)
	c.Light = clip.Light{Direction: -40, Height: 50, Softness: 60, Strength: 48, Colour: colour.RGB(0x1C0A04)}
	c.Poster = new(timing.At(110))
	back := gradient(150, clip.Stop{ID: 1, At: 0, Colour: colour.RGB(0xFFF1DC)}, clip.Stop{ID: 2, At: 100, Colour: colour.RGB(0xFFD9B0)})
	back.Name = "Cream"
	layers := []clip.Layer{back}
	for i, l := range []struct {
		colour uint32
		y      float64
		blur   float64
	}{{0xF2A25C, -190, 5}, {0xDD4F28, 40, 3}, {0x2F8F86, 265, 5}} {
		layers = append(layers, handLine(i, l.y, l.blur, colour.RGB(l.colour)))
	}
	layers = append(layers, endless("above", -345, -1.5), endless("below", 395, 1.5))
	layers = append(layers, kettleDisc(s)...)
	fill(c, append(layers, wipe()...)...)
	return c, rewrite(c)
}

// handLine is a thick line across the frame that is drawn on and waves as it goes.
func handLine(i int, y, blur float64, tone colour.Colour) clip.Layer {
	l := clip.NewLayer(fmt.Sprintf("line-%d", i+1), fmt.Sprintf("Line %d", i+1), clip.KindCard)
	l.Card = &clip.Card{Form: "path", Aspect: 4, Fill: tone, Outline: tone, Path: &clip.DrawnPath{Points: []clip.PathPoint{
		{ID: 1, X: -50, Y: 30, Out: [2]float64{14, -90}}, {ID: 2, X: -12, Y: 5, In: [2]float64{-14, 60}, Out: [2]float64{14, -60}},
		{ID: 3, X: 22, Y: -10, In: [2]float64{-14, 70}, Out: [2]float64{12, -60}}, {ID: 4, X: 50, Y: -35, In: [2]float64{-12, 40}},
	}}}
	l.Rest = clip.Rest{Pin: "centre", Y: y, Size: 1250, Turn: float64(-4 + 3*i)}
	l.Rests = map[string]clip.Rest{"wide": {Pin: "centre", Y: y, Size: 2150, Turn: float64(-2 + 2*i)}, "tall": {Pin: "centre", Y: y * 1.7, Size: 1350, Turn: float64(-4 + 3*i)}}
	l.Lift = 0
	l.Values = map[string][]float64{clip.Outline: {74}, "blur": {blur}, clip.Wave: {14}, clip.WaveLong: {260}}
	l.Tracks[clip.DrawEnd] = motion.Track{key(timing.At(4*i), smooth, 0), key(timing.At(26+6*i), hold, 100)}
	l.Tracks[clip.WaveShift] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(228), hold, float64(720-240*i))}
	return l
}

// endless is outlined words that run on, so many of their lengths in a bar.
func endless(id string, y, speed float64) clip.Layer {
	l := clip.NewWords("words-"+id, "Words "+id, clip.KindMarquee, "Kettle on")
	l.Words.Width, l.Words.ByEdge = 0, false
	l.Words.Font, l.Words.Fill, l.Words.Outline = "hanken-900", colour.Colour{R: 255, G: 255, B: 255}, harbour
	l.Rest = clip.Rest{Pin: "centre", Y: y, Size: 150}
	l.Rests = map[string]clip.Rest{
		"tall": {Pin: "centre", Y: y * 1.75, Size: 190}, "portrait": {Pin: "centre", Y: y * 1.3, Size: 160}, "wide": {Pin: "centre", Y: y, Size: 150},
	}
	l.Repeat = &clip.Repeat{Rows: 1, Speed: speed / 2, ByBar: true}
	l.Values = map[string][]float64{clip.Gap: {60, 20}, clip.Outline: {7}}
	l.Lift = 0
	return l
}

// kettleDisc is the disc that grows out of the button, with what is on it.
func kettleDisc(s *stock) []clip.Layer {
	button := text("button", "Button", clip.KindBadge, "See the kettle", 0, 300, 58, "centre", chalk)
	button.Words.Plate.Kind, button.Words.Plate.Room, button.Words.Plate.Fill = "pill", 34, harbour
	button.Words.Font, button.Lift = "hanken-700", 24
	button.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(1), Lands: true, Length: 9, Strength: 90}}
	button.Tracks[clip.Scale] = motion.Track{key(beat(3), easeIn, 100, 100), key(beat(3).Plus(4), springy, 86, 86), key(beat(4), hold, 100, 100)}

	plate := disc("plate", "Plate", 0, -20, 600, colour.RGB(0x2F6B6A))
	plate.Card.Lines = []clip.Line{{ID: 1, Width: 10, Apart: 16, Colour: chalk}, {ID: 2, Width: 5, Apart: 40, Colour: colour.RGB(0xDD4F28)}}
	plate.Lift = 26
	plate.Tracks[clip.Scale] = motion.Track{key(beat(3).Plus(3), springy, 0, 0), key(beat(6), hold, 100, 100)}
	plate.Tracks[clip.Position] = motion.Track{key(beat(3).Plus(3), easeOut, 0, 320), key(beat(4).Plus(6), hold, 0, 0)}
	kettle := cutoutLayer("kettle-layer", s.props["kettle"].Name, "kettle", "centre", 0, -40, 560)
	kettle.Lift = 44
	kettle.Moves = []clip.Move{
		{ID: "settle", Kind: "settle", At: beat(6), Lands: true, Length: 14, Strength: 100},
		{ID: "bob", Kind: "bob", At: beat(8), Length: 14, Strength: 40},
	}
	price := text("price", "Price", clip.KindBadge, "{price}", 250, -250, 66, "centre", chalk)
	price.Words.Product = "product-kettle"
	price.Words.Plate.Kind, price.Words.Plate.Room, price.Words.Plate.Fill = "burst", 40, colour.RGB(0xDD4F28)
	price.Rest.Turn, price.Lift = 9, 34
	price.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(8), Lands: true, Length: 9, Strength: 100}}
	return []clip.Layer{plate, kettle, button, price}
}

// wipe is a figure that sweeps over all and leaves the maker's name.
func wipe() []clip.Layer {
	sweep := clip.NewLayer("wipe", "Wipe", clip.KindCard)
	sweep.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: chalk, Outline: harbour}
	sweep.Rest = clip.Rest{Pin: "centre", Size: 2600}
	sweep.From, sweep.Lift = beat(13), 40
	sweep.Tracks[clip.Position] = motion.Track{key(beat(13), easeOut, -2000, 900), key(beat(14).Plus(6), hold, 0, 0)}
	logo := cutoutLayer("logo-layer", "Logo", "logo", "centre", 0, 0, 620)
	logo.From, logo.Lift = beat(14), 0
	logo.Tracks[clip.Opacity] = motion.Track{key(beat(14), smooth, 0), key(beat(14).Plus(10), hold, 100)}
	logo.Tracks[clip.Scale] = motion.Track{key(beat(14), springy, 80, 80), key(beat(15).Plus(4), hold, 100, 100)}
	return []clip.Layer{sweep, logo}
}
