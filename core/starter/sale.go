package starter

import (
	"fmt"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/offer"
	"billow/core/timing"
)

var saleBadge = &Starter{
	ID: "sale", Name: "Sale badge", Says: "Three products, each with its price, and a badge that lands on the beat",
	Products: []string{"First product", "Second product", "Third product"},
	Words: []Words{
		{"headline", "Headline", "The big *camp sale*"},
		{"badge", "On the badge, above the percentage", "up to"},
		{"until", "How long", "Until Sunday night"},
		{"call", "What to do", "Shop the sale"},
	},
	Seconds: 14, bars: 7, make: makeSale,
}

// percentOff is by how much a product is reduced, in whole percent.
func percentOff(p clip.Product) int {
	o, err := offer.New(p.Terms())
	if err != nil {
		return 0
	}
	return o.Percent()
}

// trio is where three products stand together: in the middle in front, and left and
// right behind it.
var trio = [3]func() spots{
	func() spots {
		return spots{"tall": rest("centre", -30, 300, 660), "portrait": rest("centre", -20, 205, 520), "square": rest("centre", -20, 170, 420), "wide": rest("centre", 340, 110, 540)}
	},
	func() spots {
		return spots{"tall": rest("centre", -255, 20, 430), "portrait": rest("centre", -290, 40, 400), "square": rest("centre", -290, 45, 330), "wide": rest("centre", 80, -40, 420)}
	},
	func() spots {
		return spots{"tall": rest("centre", 250, 20, 430), "portrait": rest("centre", 270, 40, 400), "square": rest("centre", 270, 45, 330), "wide": rest("centre", 610, -40, 420)}
	},
}

func makeSale(b *board) {
	b.ground(165)
	b.under(b.dots())

	sun := b.card("sun", "Sun", "disc", mixed(b.p.Bottom, b.p.Card, 0.2), 0, spots{
		"tall": rest("centre", 0, 180, 900), "portrait": rest("centre", 0, 150, 780), "square": rest("centre", 0, 130, 640), "wide": rest("centre", 350, 20, 820),
	})
	opening := []clip.Layer{moved(sun, begins("swell", timing.At(0), 10, ""))}
	for _, i := range []int{1, 2, 0} {
		side := [3]string{"below", "left", "right"}[i]
		l := b.fitted([3]string{"front", "left", "right"}[i], i, [3]float64{44, 24, 24}[i], trio[i]())
		opening = append(opening, moved(l, lands("gust", beat([3]float64{3, 1, 2}[i]), 14, side, 16)))
	}
	headline := b.text("headline", "Headline", b.words["headline"], 960, spots{
		"tall": rest("top", 0, 310, 184), "portrait": rest("top", 0, 195, 138), "square": rest("top", 0, 150, 112), "wide": rest("left", 420, 0, 142),
	})
	headline = moved(headline, begins("unfurl", timing.At(0), 12, "below"))
	opening = append(opening, headline, b.saleBurst())
	b.scene("all", "All three", 2, "", opening...)

	for i, name := range []string{"First", "Second", "Third"} {
		b.scene("product-"+[3]string{"one", "two", "three"}[i], name+" product", 1, b.c.Products[i].ID, b.oneOnSale(i)...)
	}
	b.saleEnd()
}

// saleBurst is the badge of the opening: by how much the best offer is reduced.
func (b *board) saleBurst() clip.Layer {
	says, product := "*²"+b.words["badge"]+"*\n−{percent}", ""
	if best := b.bestOffer(); best >= 0 {
		product = b.c.Products[best].ID
	} else {
		says = b.words["badge"]
	}
	l := b.badge("burst", "Badge", says, "burst", 34, spots{
		"tall": rest("centre", 225, 590, 112), "portrait": rest("centre", 268, 385, 94), "square": rest("centre", 300, 305, 78), "wide": rest("centre", 650, 270, 96),
	}.turned(9))
	l.Words.Accents = []clip.Accent{{Font: "hanken-700", Size: 56}}
	l.Words.Product, l.Words.LineSpacing = product, 96
	l.Lift = 34
	return moved(l, lands("swell", beat(4), 9, "", 0), begins("bob", beat(6), 12, ""))
}

// oneOnSale is a scene of one product: a disc behind it, its name and prices, and
// by how much it is reduced.
func (b *board) oneOnSale(i int) []clip.Layer {
	id := func(name string) string { return fmt.Sprintf("%s-%d", name, i+1) }
	fill := [3]colour.Colour{b.p.Card, b.p.Glow, b.p.Plate}[i]
	at := spots{"tall": rest("centre", 0, 0, 860), "portrait": rest("centre", 0, -10, 690), "square": rest("centre", 0, -5, 560), "wide": rest("centre", -380, 0, 800)}
	disc := b.card(id("disc"), "Disc", "disc", fill, 8, at)
	disc = moved(disc, begins("swell", timing.At(0), 8, ""))
	product := b.cutout(id("product"), "Product", clip.ProductSlot, 44, spots{
		"tall": rest("centre", 0, 0, 690), "portrait": rest("centre", 0, -10, 560), "square": rest("centre", 0, -5, 450), "wide": rest("centre", -380, 0, 650),
	})
	product = moved(product, lands("gust", beat(1), 12, [2]string{"right", "left"}[i%2], 20))
	name := b.label(id("name"), "Name and price", "{name}\n*{price}*", spots{
		"tall": rest("bottom", 0, -300, 82), "portrait": rest("bottom", 0, -145, 66), "square": rest("bottom", 0, -105, 54), "wide": rest("right", -450, 30, 82),
	})
	if percentOff(b.c.Products[i]) > 0 {
		name.Words.Text = "{name}\n~{old}~  *{price}*"
	}
	name.Words.Product, name.Words.EmphasisFill = clip.ProductSlot, b.loud()
	name = moved(name, begins("unfurl", beat(1), 10, "below"))
	above := b.text(id("above"), "Headline above", b.words["headline"], 960, spots{
		"tall": rest("top", 0, 270, 92), "portrait": rest("top", 0, 125, 80), "square": rest("top", 0, 90, 62), "wide": rest("right", -440, -240, 76),
	})
	out := []clip.Layer{above, disc, product, name}
	if percentOff(b.c.Products[i]) > 0 {
		badge := b.badge(id("off"), "Reduced by", "−{percent}", "burst", 44, spots{
			"tall": rest("centre", 280, 330, 94), "portrait": rest("centre", 310, 225, 82), "square": rest("centre", 290, 165, 70), "wide": rest("centre", -60, 275, 92),
		}.turned(10))
		badge.Words.Product = clip.ProductSlot
		badge.Words.Plate.Size = 345 // all alike, whatever the percentages
		if i == 2 {
			badge.Words.Plate.Fill, badge.Words.Fill = b.p.Card, b.p.OnCard
		}
		out = append(out, moved(badge, lands("swell", beat(2), 8, "", 0)))
	}
	return out
}

// loud is a colour in which a price stands out on a quiet plate.
func (b *board) loud() colour.Colour {
	if colour.Contrast(b.p.Plate, b.p.Card) >= 3 {
		return b.p.Plate
	}
	return b.p.OnCard
}

func (b *board) saleEnd() {
	headline := b.text("last", "Headline at the end", b.words["headline"], 960, spots{
		"tall": rest("centre", 0, -30, 184), "portrait": rest("centre", 0, -30, 138), "square": rest("centre", 0, 0, 116), "wide": rest("centre", 0, 10, 136),
	})
	headline = moved(headline, begins("unfurl", timing.At(0), 12, "below"))
	until := b.text("until", "Until when", b.words["until"], 900, spots{
		"tall": rest("centre", 0, 240, 72), "portrait": rest("centre", 0, 175, 60), "square": rest("centre", 0, 170, 50), "wide": rest("centre", 0, 205, 56),
	})
	until.Words.Font = "hanken-700"
	until = appears(until, beat(1))
	call := b.badge("call", "Call to action", b.words["call"], "pill", 70, spots{
		"tall": rest("centre", 0, 440, 84), "portrait": rest("centre", 0, 345, 72), "square": rest("centre", 0, 330, 60), "wide": rest("centre", 0, 355, 64),
	})
	call.Words.Font = "hanken-700"
	call = moved(call, lands("swell", beat(2), 10, "", 0), begins("bob", beat(4), 12, ""))
	layers := []clip.Layer{}
	for i := range 3 {
		k := float64(i - 1)
		l := b.fitted([3]string{"last-left", "last-middle", "last-right"}[i], [3]int{1, 0, 2}[i], 24, spots{
			"tall": rest("centre", 310*k, -420, 260), "portrait": rest("centre", 280*k, -345, 250), "square": rest("centre", 260*k, -280, 200), "wide": rest("centre", 300*k, -275, 220),
		})
		layers = append(layers, moved(l, lands("settle", timing.At(9+4*i), 9, "above", 5)))
	}
	b.scene("end", "End", 2, "", append(layers, headline, until, call)...)
	b.c.Poster = new(timing.At(75))
}
