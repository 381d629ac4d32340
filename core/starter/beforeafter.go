package starter

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/timing"
)

var beforeAfter = &Starter{
	ID: "before-after", Name: "Before and after", Says: "What was, dull; then what is, with its price",
	Products: []string{"Before", "After"},
	Words: []Words{
		{"before", "Label of the first", "Before"},
		{"after", "Label of the second", "After"},
		{"headline", "Headline", "Time for the *better one*"},
		{"call", "What to do", "Change over today"},
	},
	Seconds: 10, bars: 5, make: makeBeforeAfter,
}

// halves are two squares of which each fills half of the frame and more: stacked in
// high shapes, side by side in the others.
func halves(second bool) spots {
	k := -1.0
	if second {
		k = 1
	}
	return spots{
		"tall": rest("centre", 0, k*560, 1120), "portrait": rest("centre", 0, k*560, 1120),
		"square": rest("centre", k*560, 0, 1120), "wide": rest("centre", k*560, 0, 1120),
	}
}

func makeBeforeAfter(b *board) {
	b.ground(180)
	grey := mixed(b.p.Card, b.p.OnCard, 0.24)
	first := b.card("first-half", "Half of before", "card", grey, 0, halves(false))
	second := b.card("second-half", "Half of after", "card", b.p.Glow, 30, halves(true))
	second = moved(second, lands("gust", beat(4), 12, "below", 0))

	was := b.fitted("was", 0, 20, spots{
		"tall": rest("centre", 0, -400, 500), "portrait": rest("centre", 0, -275, 380), "square": rest("centre", -250, 20, 340), "wide": rest("centre", -445, 10, 520),
	})
	was.Values = map[string][]float64{"saturation": {35}}
	was = moved(was, lands("settle", beat(1), 12, "above", 5))
	is := b.fitted("is", 1, 50, spots{
		"tall": rest("centre", 0, 420, 620), "portrait": rest("centre", 0, 280, 470), "square": rest("centre", 250, 20, 420), "wide": rest("centre", 445, 10, 640),
	})
	is = moved(is, lands("gust", beat(5), 14, "right", 20), begins("bob", beat(8), 12, ""))

	name := func(id, says string, s spots) clip.Layer { return b.label(id, "Label "+id, says, s) }
	before := name("before", b.words["before"], spots{
		"tall": rest("topLeft", 190, 130, 62), "portrait": rest("topLeft", 160, 90, 50), "square": rest("topLeft", 130, 80, 42), "wide": rest("topLeft", 170, 90, 54),
	})
	before = appears(before, beat(1))
	after := name("after", b.words["after"], spots{
		"tall": rest("centre", -310, 110, 62), "portrait": rest("centre", -340, 75, 50), "square": rest("topRight", -130, 80, 42), "wide": rest("topRight", -170, 90, 54),
	})
	after.Lift = 34
	after = moved(after, lands("swell", beat(5), 8, "", 0))

	price := b.badge("price", "Price", "{price}", "burst", 44, spots{
		"tall": rest("centre", 285, 645, 74), "portrait": rest("centre", 320, 450, 60), "square": rest("centre", 355, 285, 48), "wide": rest("centre", 690, 300, 64),
	}.turned(9))
	price.Words.Product = b.c.Products[1].ID
	price.Lift = 40
	price = moved(price, lands("swell", beat(8), 9, "", 0))
	b.scene("scene", "Before and after", 3, "", first, second, was, is, before, after, price)

	disc := b.card("disc", "Disc", "disc", b.p.Glow, 0, spots{
		"tall": rest("centre", 0, 190, 780), "portrait": rest("centre", 0, 115, 590), "square": rest("centre", 0, 105, 480), "wide": rest("centre", 400, 0, 800),
	})
	disc = moved(disc, begins("swell", timing.At(0), 10, ""))
	headline := b.text("headline", "Headline", b.words["headline"], 880, spots{
		"tall": rest("top", 0, 400, 150), "portrait": rest("top", 0, 200, 118), "square": rest("top", 0, 150, 94), "wide": rest("left", 470, -130, 120),
	})
	headline = moved(headline, begins("unfurl", timing.At(0), 12, "below"))
	shown := b.fitted("shown", 1, 50, spots{
		"tall": rest("centre", 0, 190, 640), "portrait": rest("centre", 0, 115, 460), "square": rest("centre", 0, 105, 370), "wide": rest("centre", 400, 0, 640),
	})
	shown = drifts(moved(shown, lands("gust", beat(1), 12, "left", 18)), beat(1), beat(8), 104)
	call := b.badge("call", "Call to action", b.words["call"], "pill", 70, spots{
		"tall": rest("bottom", 0, -190, 74), "portrait": rest("bottom", 0, -105, 58), "square": rest("bottom", 0, -72, 46), "wide": rest("left", 470, 220, 62),
	})
	call.Words.Font = "hanken-700"
	call = moved(call, lands("swell", beat(3), 10, "", 0))
	b.scene("end", "End", 2, "", headline, disc, shown, call)
	b.c.Poster = new(timing.At(140))
}

// mixed is so much of b in a.
func mixed(a, b colour.Colour, share float64) colour.Colour {
	mix := func(x, y uint8) uint8 { return uint8(float64(x)*(1-share) + float64(y)*share + 0.5) }
	return colour.Colour{R: mix(a.R, b.R), G: mix(a.G, b.G), B: mix(a.B, b.B), A: 255}
}
