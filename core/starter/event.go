package starter

import (
	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

var eventReminder = &Starter{
	ID: "event", Name: "Event reminder", Says: "A date that drops in like a leaf of a calendar, what it is, and where",
	Products: []string{"What it is about"},
	Words: []Words{
		{"month", "Month", "December"},
		{"day", "Day", "12"},
		{"title", "What it is", "The winter *kitchen fair*"},
		{"place", "When and where", "10 to 18 h\nOld Harbour Hall"},
		{"call", "What to do", "Save the date"},
	},
	Seconds: 8, bars: 4, make: makeEvent,
}

func makeEvent(b *board) {
	b.ground(160)
	b.under(b.dots())
	leaf := b.card("leaf", "Calendar leaf", "card", b.p.Card, 30, spots{
		"tall": rest("top", 0, 390, 460), "portrait": rest("top", 0, 225, 310), "square": rest("topLeft", 200, 200, 290), "wide": rest("topLeft", 300, 270, 370),
	}.turned(-4))
	month := b.text("month", "Month", b.words["month"], 0, spots{
		"tall": rest("top", -10, 240, 62), "portrait": rest("top", -7, 124, 42), "square": rest("topLeft", 194, 106, 40), "wide": rest("topLeft", 292, 150, 50),
	}.turned(-4))
	month.Words.Font, month.Words.Fill = "hanken-700", b.loud()
	day := b.text("day", "Day", b.words["day"], 0, spots{
		"tall": rest("top", 5, 435, 300), "portrait": rest("top", 3, 255, 202), "square": rest("topLeft", 203, 228, 186), "wide": rest("topLeft", 304, 306, 240),
	}.turned(-4))
	day.Words.Fill, day.Words.LetterSpacing = b.p.OnCard, -3
	sheet := []clip.Layer{leaf, month, day}
	for i := range sheet {
		sheet[i] = moved(sheet[i], lands("settle", beat(1), 12, "above", 5))
	}

	title := b.text("title", "What it is", b.words["title"], 870, spots{
		"tall": rest("centre", 0, -70, 138), "portrait": rest("centre", 0, -115, 108), "square": rest("topRight", -300, 205, 88), "wide": rest("topLeft", 880, 230, 108),
	})
	title = moved(title, begins("unfurl", beat(2), 12, "below"))
	place := b.text("place", "When and where", b.words["place"], 0, spots{
		"tall": rest("centre", 0, 142, 60), "portrait": rest("centre", 0, 60, 46), "square": rest("topRight", -300, 415, 48), "wide": rest("topLeft", 880, 460, 56),
	})
	place.Words.Font, place.Words.LineSpacing = "hanken-700", 120
	place = appears(place, beat(4))
	disc := b.card("disc", "Disc", "disc", b.p.Glow, 0, spots{
		"tall": rest("bottom", 0, -395, 500), "portrait": rest("bottom", 0, -288, 370), "square": rest("bottom", -235, -225, 410), "wide": rest("right", -330, 100, 640),
	})
	disc = moved(disc, lands("swell", beat(3), 10, "", 0))
	thing := b.fitted("thing", 0, 46, spots{
		"tall": rest("bottom", 0, -405, 390), "portrait": rest("bottom", 0, -294, 290), "square": rest("bottom", -235, -225, 330), "wide": rest("right", -330, 110, 500),
	})
	thing = moved(thing, lands("gust", beat(3), 14, "right", 18), begins("bob", beat(9), 12, ""))
	call := b.badge("call", "Call to action", b.words["call"], "pill", 70, spots{
		"tall": rest("bottom", 0, -130, 70), "portrait": rest("bottom", 0, -72, 52), "square": rest("bottomRight", -300, -150, 48), "wide": rest("bottomLeft", 880, -190, 64),
	})
	call.Words.Font = "hanken-700"
	call = moved(call, lands("swell", beat(6), 10, "", 0), begins("bob", beat(12), 12, ""))

	layers := []clip.Layer{b.star("star-one", 1, spots{
		"tall": rest("topLeft", 120, 250, 90), "portrait": rest("topLeft", 140, 150, 80), "square": rest("bottomRight", -70, -60, 60), "wide": rest("bottomLeft", 330, -170, 110),
	}), b.star("star-two", 5, spots{
		"tall": rest("topRight", -130, 560, 120), "portrait": rest("topRight", -140, 330, 96), "square": rest("topRight", -70, 70, 60), "wide": rest("topRight", -150, 130, 110),
	})}
	b.scene("scene", "Reminder", 4, "", append(append(layers, disc, thing), append(sheet, title, place, call)...)...)
	b.c.Poster = new(timing.At(150))
}

// star is cut from paper and moved as by hand, eight times a second.
func (b *board) star(id string, seed int, s spots) clip.Layer {
	l := b.card(id, "Star", "burst", b.p.Accent, 10, s)
	l.Stepping = &motion.Stepping{Rate: 8, Turn: 16, Shift: 4, Seed: seed}
	return l
}
