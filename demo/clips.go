package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// Short forms for writing keys.
var (
	easeOut = motion.Ease{Kind: motion.Bezier, X1: 0.12, Y1: 0.8, X2: 0.2, Y2: 1}
	easeIn  = motion.Ease{Kind: motion.Bezier, X1: 0.6, Y1: 0, X2: 0.9, Y2: 0.3}
	smooth  = motion.Ease{Kind: motion.InOut}
	linear  = motion.Ease{Kind: motion.Linear}
	hold    = motion.Ease{Kind: motion.Hold}
	springy = motion.Ease{Kind: motion.Spring, Bounce: 0.5}
	harbour = colour.RGB(0x173F47)
	chalk   = colour.RGB(0xFCFAF5)
	honey   = colour.RGB(0xF6C667)
)

func key(at timing.Moment, ease motion.Ease, value ...float64) motion.Key {
	return motion.Key{At: at, Value: value, Ease: ease}
}

func off(at timing.Moment, ease motion.Ease, side string) motion.Key {
	return motion.Key{At: at, Value: []float64{0, 0}, Off: side, Ease: ease}
}

func beat(n float64) timing.Moment { return timing.OnBeat(n) }

func until(m timing.Moment) *timing.Moment { return &m }

func cutoutLayer(id, name, prop, pin string, x, y, size float64) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCutout)
	l.Cutout = &clip.Cutout{Prop: prop}
	l.Rest = clip.Rest{Pin: pin, X: x, Y: y, Size: size}
	return l
}

func text(id, name, kind, words string, x, y, size float64, pin string, fill colour.Colour) clip.Layer {
	l := clip.NewWords(id, name, kind, words)
	l.Rest = clip.Rest{Pin: pin, X: x, Y: y, Size: size}
	l.Words.Fill = fill
	return l
}

func gradient(angle float64, stops ...clip.Stop) clip.Layer {
	l := clip.NewLayer("backdrop", "Dusk", clip.KindBackdrop)
	l.Backdrop = &clip.Backdrop{Fill: clip.Fill{Angle: angle, Stops: stops}}
	return l
}

// lanternWeekend is 12 seconds at 30 frames a second, made for Tall: the
// lantern gusts in and drifts, its badge swells on a beat, and an end card
// closes. The tempo is 100, so a beat lasts 18 frames and a bar 2.4 seconds.
func lanternWeekend(s *stock) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Lantern weekend", tall, 30, 360)
	s.into(c, "lantern", "logo")
	s.tune(c, "harbour-morning", 30)
	c.Light = clip.Light{Direction: -38, Height: 46, Softness: 65, Strength: 46, Colour: colour.RGB(0x04161A)}
	c.Poster = new(timing.At(130))
	card := beat(14.5)
	fill(c,
		gradient(165, clip.Stop{At: 0, Colour: colour.RGB(0x123A45)}, clip.Stop{At: 46, Colour: colour.RGB(0x2F6B6A)},
			clip.Stop{At: 76, Colour: colour.RGB(0xD98F4E)}, clip.Stop{At: 100, Colour: colour.RGB(0xF3C98B)}),
		lanternHeadline(), lanternLayer(), lanternName(), lanternBadge(), lanternCard(card), lanternLogo(), lanternAddress(), lanternCall(),
	)
	for i := range c.Layers[2:6] {
		c.Layers[i+2].To = until(card.Plus(16))
	}
	return c, rewrite(c)
}

func lanternHeadline() clip.Layer {
	l := text("headline", "Headline", clip.KindWords, "Bring the *glow* home", 0, 280, 150, "top", chalk)
	l.Words.EmphasisFill, l.Words.Width, l.Words.LineSpacing, l.Words.LetterSpacing = honey, 880, 100, -2
	l.Lift = 10
	l.Tracks[clip.Position] = motion.Track{
		off(timing.At(4), easeOut, "above"), key(timing.At(24), hold, 0, 0),
		key(beat(14.5), easeIn, 0, 0), off(beat(14.5).Plus(12), linear, "above"),
	}
	l.Tracks[clip.Opacity] = motion.Track{key(timing.At(4), smooth, 0), key(timing.At(20), linear, 100)}
	l.Rests = map[string]clip.Rest{
		"wide":     {Pin: "left", X: 480, Y: -140, Size: 132},
		"square":   {Pin: "top", X: 0, Y: 130, Size: 104},
		"portrait": {Pin: "top", X: 0, Y: 165, Size: 124},
	}
	return l
}

// lanternLayer flies in from the right, turned, and goes on drifting.
func lanternLayer() clip.Layer {
	l := cutoutLayer("lantern-layer", "Lantern", "lantern", "centre", 0, 110, 920)
	l.Lift = 46
	l.Moves = []clip.Move{
		{ID: "gust", Kind: "gust", At: beat(1), Lands: true, Length: 18, Side: "right", Turn: 24, Strength: 100},
		{ID: "waft", Kind: "waft", At: beat(1), Beats: 13.5, Side: "above", Turn: -4, Strength: 80},
		{ID: "whisk", Kind: "whisk", At: beat(14.5), Length: 14, Side: "left", Turn: -17, Strength: 100},
	}
	l.Tracks[clip.Scale] = motion.Track{key(beat(1), smooth, 100), key(beat(14.5), linear, 106)}
	l.Rests = map[string]clip.Rest{
		"wide":     {Pin: "right", X: -480, Y: 0, Size: 860},
		"square":   {Pin: "centre", X: 0, Y: 130, Size: 610},
		"portrait": {Pin: "centre", X: 0, Y: 85, Size: 640},
	}
	return l
}

func lanternName() clip.Layer {
	l := text("name", "Name and price", clip.KindWords, "{name}\n~{old}~  *{price}*", 0, -190, 62, "bottom", harbour)
	l.Words.Font, l.Words.EmphasisFont = "hanken-700", "hanken-900"
	l.Words.EmphasisFill, l.Words.LineSpacing = colour.RGB(0xA8330F), 122
	l.Words.Product = "product-lantern"
	l.Words.Plate = &clip.Plate{Kind: "card", Fill: chalk, Room: 48}
	l.Lift = 14
	l.Tracks[clip.Opacity] = motion.Track{
		key(beat(2), smooth, 0), key(beat(2).Plus(10), hold, 100), key(beat(14.5), smooth, 100), key(beat(14.5).Plus(8), linear, 0),
	}
	l.Tracks[clip.Position] = motion.Track{key(beat(2), easeOut, 0, 60), key(beat(2).Plus(14), hold, 0, 0)}
	l.From = beat(2)
	l.Rests = map[string]clip.Rest{
		"wide":     {Pin: "left", X: 480, Y: 170, Size: 62},
		"square":   {Pin: "bottom", X: -310, Y: -140, Size: 44},
		"portrait": {Pin: "bottom", X: 0, Y: -110, Size: 48},
	}
	return l
}

// lanternBadge swells past its size on the first beat of the second bar.
func lanternBadge() clip.Layer {
	l := text("badge", "Badge", clip.KindBadge, "−{percent}", 255, 370, 96, "centre", chalk)
	l.Words.Product = "product-lantern"
	l.Words.Plate.Kind, l.Words.Plate.Room = "burst", 42
	l.Rest.Turn = 9
	l.Lift = 30
	l.From = beat(4).Plus(-8)
	l.Tracks[clip.Scale] = motion.Track{
		key(beat(4).Plus(-8), easeOut, 0), key(beat(4), smooth, 118), key(beat(4).Plus(5), smooth, 95), key(beat(4).Plus(10), hold, 100),
		key(beat(8), smooth, 100), key(beat(8).Plus(4), smooth, 112), key(beat(8).Plus(10), hold, 100),
		key(beat(14.5), easeIn, 100), key(beat(14.5).Plus(9), linear, 0),
	}
	l.Tracks[clip.Rotation] = motion.Track{key(beat(4), smooth, -6), key(beat(14.5), linear, 7)}
	l.Rests = map[string]clip.Rest{
		"wide":     {Pin: "right", X: -205, Y: 250, Size: 84, Turn: 9},
		"square":   {Pin: "centre", X: 290, Y: 190, Size: 72, Turn: 9},
		"portrait": {Pin: "centre", X: 265, Y: 230, Size: 80, Turn: 9},
	}
	return l
}

func lanternCard(at timing.Moment) clip.Layer {
	l := clip.NewLayer("card", "End card", clip.KindBackdrop)
	l.Backdrop = &clip.Backdrop{Fill: clip.Fill{Angle: 180, Stops: []clip.Stop{{At: 0, Colour: colour.RGB(0xFBF5E9)}, {At: 100, Colour: colour.RGB(0xF1DFC2)}}}}
	l.From = at
	l.Tracks[clip.Position] = motion.Track{off(at, easeOut, "below"), key(at.Plus(18), hold, 0, 0)}
	return l
}

func lanternLogo() clip.Layer {
	l := cutoutLayer("logo-layer", "Logo", "logo", "centre", 0, -240, 640)
	l.From = beat(15.5)
	l.Tracks[clip.Scale] = motion.Track{key(beat(15.5), springy, 60), key(beat(15.5).Plus(24), hold, 100)}
	l.Tracks[clip.Opacity] = motion.Track{key(beat(15.5), smooth, 0), key(beat(15.5).Plus(6), hold, 100)}
	return l
}

func lanternAddress() clip.Layer {
	l := text("address", "Address", clip.KindWords, "Camp kitchen, made to last\nottermoss.example", 0, 10, 52, "centre", harbour)
	l.Words.Font, l.Words.LineSpacing = "hanken-700", 145
	l.From = beat(15.5)
	l.Tracks[clip.Opacity] = motion.Track{key(beat(15.5), smooth, 0), key(beat(15.5).Plus(6), hold, 100)}
	l.Tracks[clip.Position] = motion.Track{key(beat(15.5), easeOut, 0, 40), key(beat(15.5).Plus(14), hold, 0, 0)}
	return l
}

func lanternCall() clip.Layer {
	l := text("call", "Call to action", clip.KindBadge, "Shop the weekend", 0, 260, 62, "centre", chalk)
	l.Words.Font = "hanken-700"
	l.Words.Plate = &clip.Plate{Kind: "pill", Fill: colour.RGB(0xB93A17), Room: 72}
	l.Lift = 16
	l.From = beat(17)
	l.Moves = []clip.Move{{ID: "swell", Kind: "swell", At: beat(17), Length: 8, Strength: 60}}
	return l
}

// morningMug is a loop of eight beats for Square: its last frame leads into its
// first.
func morningMug(s *stock) (*clip.Clip, error) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Morning mug", square, 30, 180)
	s.into(c, "mug", "spoons")
	s.tune(c, "slow-embers", 24)
	c.Light = clip.Light{Direction: -40, Height: 52, Softness: 70, Strength: 38, Colour: colour.RGB(0x3A1D0C)}
	c.Poster = new(timing.At(60))
	back := gradient(150, clip.Stop{At: 0, Colour: colour.RGB(0xF7D9A8)}, clip.Stop{At: 100, Colour: colour.RGB(0xE59A6B)})
	back.Name = "Sunrise"
	first := text("slow", "Headline", clip.KindWords, "Slow *mornings*", 0, 165, 122, "top", harbour)
	first.Words.EmphasisFill, first.Words.EmphasisFont, first.Words.Width = colour.RGB(0x9A2F12), "fraunces-600-italic", 900
	first.Words.Font = "fraunces-600"
	spoon := cutoutLayer("spoons-layer", "Spoons", "spoons", "centre", -225, 70, 590)
	spoon.Lift, spoon.Rest.Turn = 30, -14
	spoon.Tracks[clip.Rotation] = motion.Track{key(timing.At(0), smooth, -3), key(timing.At(90), smooth, 4), key(timing.At(179), linear, -3)}
	mug := cutoutLayer("mug-layer", "Mug", "mug", "centre", 110, 120, 580)
	mug.Lift = 44
	mug.Tracks[clip.Position] = motion.Track{key(timing.At(0), smooth, 0, 0), key(timing.At(90), smooth, 0, -26), key(timing.At(179), linear, 0, 0)}
	mug.Tracks[clip.Rotation] = motion.Track{key(timing.At(0), smooth, 2), key(timing.At(90), smooth, -3), key(timing.At(179), linear, 2)}
	price := text("price", "Price", clip.KindBadge, "{price}", 320, -165, 56, "bottom", chalk)
	price.Words.Product, price.Words.Plate.Fill = "product-mug", colour.RGB(0x1F5560)
	price.Lift = 22
	price.Tracks[clip.Scale] = motion.Track{
		key(timing.At(0), hold, 100), key(beat(4), smooth, 100), key(beat(4).Plus(4), smooth, 114), key(beat(4).Plus(10), hold, 100),
	}
	fill(c, back, first, spoon, mug, price)
	return c, nil
}
