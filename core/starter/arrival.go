package starter

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/timing"
)

var newArrival = &Starter{
	ID: "arrival", Name: "New arrival", Says: "One product in front of one huge word, with its name and price",
	Products: []string{"The new product"},
	Words: []Words{
		{"big", "The huge word behind it", "New"},
		{"line", "A line above it", "Just *in*"},
		{"call", "What to do", "See it first"},
	},
	Seconds: 8, bars: 4, make: makeArrival,
}

func makeArrival(b *board) {
	b.ground(175)
	disc := b.card("disc", "Disc", "disc", b.p.Plate, 0, spots{
		"tall": rest("centre", 0, 100, 880), "portrait": rest("centre", 0, 10, 700), "square": rest("centre", 0, 5, 570), "wide": rest("centre", 330, 0, 800),
	})
	disc = moved(disc, begins("swell", timing.At(0), 10, ""))
	big := b.text("big", "Huge word", b.words["big"], 0, spots{
		"tall": rest("top", 0, 390, 430), "portrait": rest("top", 0, 235, 340), "square": rest("top", 0, 185, 280), "wide": rest("left", 460, -190, 340),
	})
	big.Words.Fill, big.Words.LetterSpacing = b.p.Accent, -4
	big = moved(big, begins("unfurl", timing.At(0), 14, "below"))
	line := b.text("line", "Line above", b.words["line"], 900, spots{
		"tall": rest("top", 0, 150, 78), "portrait": rest("top", 0, 75, 58), "square": rest("top", 0, 58, 48), "wide": rest("left", 460, -385, 64),
	})
	line.Words.Font = "hanken-700"
	line = appears(line, beat(1))
	product := b.fitted("product", 0, 60, spots{
		"tall": rest("centre", 0, 90, 760), "portrait": rest("centre", 0, 10, 540), "square": rest("centre", 0, 5, 430), "wide": rest("centre", 330, 10, 680),
	})
	product = drifts(moved(product, lands("gust", beat(2), 16, "below", -20), clip.Move{Kind: "waft", At: beat(2), Beats: 14, Side: "above", Turn: 3, Strength: 60}), beat(2), beat(16), 105)
	name := b.label("name", "Name and price", "{name}\n*{price}*", spots{
		"tall": rest("bottom", 0, -355, 78), "portrait": rest("bottom", 0, -240, 56), "square": rest("bottom", 0, -196, 46), "wide": rest("left", 460, 70, 74),
	})
	name.Words.Product, name.Words.EmphasisFill = b.c.Products[0].ID, b.loud()
	if percentOff(b.c.Products[0]) > 0 {
		name.Words.Text = "{name}\n~{old}~  *{price}*"
	}
	name = moved(name, lands("settle", beat(4), 10, "below", 3))
	call := b.badge("call", "Call to action", b.words["call"], "pill", 70, spots{
		"tall": rest("bottom", 0, -140, 66), "portrait": rest("bottom", 0, -82, 48), "square": rest("bottom", 0, -62, 40), "wide": rest("left", 460, 280, 62),
	})
	call.Words.Font = "hanken-700"
	if colour.Contrast(b.p.Plate, b.p.Bottom) < 2.2 {
		call.Words.Plate.Fill, call.Words.Fill = b.p.Card, b.p.OnCard
	}
	call = moved(call, lands("swell", beat(6), 10, "", 0), begins("bob", beat(10), 12, ""))
	b.scene("scene", "Arrival", 4, "", disc, big, line, product, name, call)
	b.c.Poster = new(timing.At(130))
}
