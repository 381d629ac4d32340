package main

import "math"

// made is a thing that is drawn.
type made struct {
	id, name, kind string
	author         int // of authors
	licence        int // of licences
	price          string
	tags           string
	w, h           int
	draw           drawing
}

var authors = []string{"Juniper Hale", "Studio Ottermoss", "Piet Lindqvist", "Amara Osei", "Nonna Bell"}

// The licences under which things of the shelf are had.
var licences = []string{"Free to use", "Free with credit", "Bought once, used for ever"}

const (
	free = iota
	credit
	bought
)

// hills are edges of hills, waves edges of water.
func hills(i int, x float64) float64 {
	n := float64(i)
	return -0.16 + 0.155*n + 0.10*fbm(x*(1.3+0.25*n)+n*3.1, n, 4, 3) - 0.05 + 0.03*x*(n-2)
}

func waves(i int, x float64) float64 {
	n := float64(i)
	return -0.30 + 0.13*n + 0.030*math.Sin(x*(7+n)+n*1.7) + 0.012*math.Sin(x*17+n*4)
}

var drawn = []made{
	{"peach-studio", "Peach studio", "backdrop", 1, free, "", "studio, paper, table, calm, product", 1280, 1600, studio(hex(0xF6C9A8), hex(0xF2B48C), -0.15)},
	{"mint-studio", "Mint studio", "backdrop", 1, free, "", "studio, paper, table, fresh, product", 1280, 1600, studio(hex(0xBFE0D2), hex(0xA9D2C2), 0.18)},
	{"plum-studio", "Plum studio", "backdrop", 1, credit, "", "studio, dark, table, evening, product", 1280, 1600, studio(hex(0x6B4A6E), hex(0x57395C), 0.05)},
	{"morning-haze", "Morning haze", "backdrop", 0, free, "", "gradient, soft, pastel, calm", 1280, 1600, meshed(1, hex(0xFCEFE3), hex(0xFFC9A3), hex(0xF7A8B8), hex(0xBFD7EA), hex(0xFFE3A8))},
	{"coral-tide", "Coral tide", "backdrop", 0, free, "", "gradient, vivid, summer", 1280, 1600, meshed(4, hex(0xFF7E5F), hex(0xFFB56B), hex(0xE8437B), hex(0xFF5F6D), hex(0x7A3E9D))},
	{"violet-dusk", "Violet dusk", "backdrop", 0, credit, "", "gradient, evening, night, deep", 1280, 1600, meshed(7, hex(0x2A1B52), hex(0x7B3FA0), hex(0xE0567F), hex(0x2E5FA8), hex(0x150F33))},
	{"citrus-air", "Citrus air", "backdrop", 0, free, "", "gradient, fresh, lime, summer", 1280, 1600, meshed(10, hex(0xF4F7C5), hex(0xC6E35C), hex(0xFFD23F), hex(0x7FD1AE), hex(0xFFF3B0))},
	{"city-lights", "City lights", "backdrop", 2, bought, "3.00", "night, bokeh, city, lights, evening", 1280, 1600, bokeh(3, hex(0x0D1326), hex(0x2B2A52), hex(0xFFB45E), hex(0xFF6F59), hex(0x6FC3FF), hex(0xFFE3A1))},
	{"fairy-lights", "Fairy lights", "backdrop", 2, bought, "3.00", "bokeh, warm, party, winter, lights", 1280, 1600, bokeh(8, hex(0x2B140C), hex(0x6A2E16), hex(0xFFC56B), hex(0xFFE0A3), hex(0xFF9B54))},
	{"honey-rays", "Honey rays", "backdrop", 3, free, "", "rays, sale, retro, sunburst", 1280, 1600, rays(hex(0xFFD166), hex(0xF9B233), 18, 0, 0.1)},
	{"teal-rays", "Teal rays", "backdrop", 3, free, "", "rays, sale, retro, sunburst", 1280, 1600, rays(hex(0x3FA7A0), hex(0x2B8C86), 14, -0.1, 0.45)},
	{"paper-hills", "Paper hills", "backdrop", 4, credit, "", "paper, hills, autumn, outdoors, layers", 1280, 1600, ridges(hex(0xF9D8A7), hex(0xE8A15B), hex(0x7A3B2E), 5, hills)},
	{"paper-waves", "Paper waves", "backdrop", 4, credit, "", "paper, sea, waves, summer, layers", 1280, 1600, ridges(hex(0xFBE7C6), hex(0x8FD3CF), hex(0x14586B), 7, waves)},
	{"terrazzo", "Terrazzo", "backdrop", 3, free, "", "stone, chips, table, playful", 1280, 1600, terrazzo},
	{"white-marble", "White marble", "backdrop", 3, bought, "2.50", "stone, marble, table, luxury", 1280, 1600, marble},
	{"window-light", "Window light", "backdrop", 2, credit, "", "wall, shadow, sun, morning", 1280, 1600, windowLight},
	{"palm-shade", "Palm shade", "backdrop", 2, credit, "", "wall, shadow, leaves, summer", 1280, 1600, leafShade(hex(0xF0D9C0))},
	{"pool-floor", "Pool floor", "backdrop", 0, free, "", "water, pool, summer, light", 1280, 1600, func(x, y float64) px { return pool(x, y, 0, hex(0x1687A7), hex(0x7FDBDA)) }},
	{"starry-pines", "Starry pines", "backdrop", 4, bought, "3.00", "night, stars, forest, camping, outdoors", 1280, 1600, pines},
	{"picnic-cloth", "Picnic cloth", "backdrop", 4, free, "", "cloth, gingham, table, summer, food", 1280, 1600, gingham},

	{"watercolour-paper", "Watercolour paper", "texture", 1, free, "", "paper, rough, white", 1024, 1024, watercolourPaper},
	{"kraft-paper", "Kraft paper", "texture", 1, free, "", "paper, brown, packaging", 1024, 1024, kraft},
	{"linen", "Linen", "texture", 1, free, "", "cloth, woven, natural", 1024, 1024, linen},
	{"brushed-steel", "Brushed steel", "texture", 3, free, "", "metal, grey, kitchen", 1024, 1024, steel},
	{"oak-planks", "Oak planks", "texture", 3, credit, "", "wood, table, brown", 1024, 1024, oak},
	{"concrete", "Concrete", "texture", 3, free, "", "stone, wall, grey", 1024, 1024, concrete},
	{"dust-and-scratches", "Dust and scratches", "texture", 2, credit, "", "film, old, overlay, screen, black", 1024, 1024, scratches},
	{"halftone", "Halftone dots", "texture", 4, free, "", "print, dots, comic, black, white", 1024, 1024, halftone},
	{"light-leak", "Light leak", "texture", 2, bought, "1.50", "film, flare, overlay, screen, warm", 1024, 1024, leak},
	{"crumpled-paper", "Crumpled paper", "texture", 1, credit, "", "paper, folds, white", 1024, 1024, crumpled},
	{"blue-wash", "Blue wash", "texture", 4, credit, "", "watercolour, paint, blue", 1024, 1024, wash},
	{"cork", "Cork", "texture", 1, free, "", "cork, board, brown", 1024, 1024, cork},

	{"orange-slice", "Orange slice", "garnish", 0, free, "", "fruit, food, orange, summer", 800, 800, slice(hex(0xF28C1B), hex(0xFFF0D2), hex(0xFF9A1F), hex(0xFFC65C))},
	{"lime-slice", "Lime slice", "garnish", 0, free, "", "fruit, food, green, drink, summer", 800, 800, slice(hex(0x5E9E2E), hex(0xF3F8D8), hex(0x9CCB3C), hex(0xD3E86F))},
	{"basil-leaf", "Basil leaf", "garnish", 0, free, "", "leaf, green, food, herb", 800, 800, leaf(hex(0x2F7A33), hex(0x8CC152), 0.23, 0)},
	{"autumn-leaf", "Autumn leaf", "garnish", 4, free, "", "leaf, autumn, red, outdoors", 800, 800, leaf(hex(0xA63A1E), hex(0xF0A03A), 0.21, 0.22)},
	{"orange-splash", "Orange splash", "garnish", 1, credit, "", "splash, juice, paint, drink", 800, 800, blob(hex(0xFF8A1E), 3)},
	{"berry-splash", "Berry splash", "garnish", 1, credit, "", "splash, juice, paint, pink", 800, 800, blob(hex(0xD81E5B), 9)},
	{"comic-burst", "Comic burst", "garnish", 3, free, "", "burst, sale, comic, sign", 800, 800, burst(hex(0xFFD23F), hex(0xD7263D), 18)},
	{"red-ribbon", "Red ribbon", "garnish", 3, free, "", "ribbon, banner, sale, gift", 800, 800, ribbon(hex(0xC8232C))},
	{"confetti", "Confetti", "garnish", 4, free, "", "confetti, party, celebration", 800, 800, confetti},
	{"brush-arrow", "Brush arrow", "garnish", 4, free, "", "arrow, hand, brush, point", 800, 800, arrow(hex(0x1F1F24))},
	{"sparkle", "Sparkle", "garnish", 4, free, "", "sparkle, shine, clean, star", 800, 800, sparkle(hex(0xFFD978))},
	{"smoke-ring", "Smoke ring", "garnish", 2, credit, "", "smoke, ring, steam, white", 800, 800, smokeRing},
	{"water-drop", "Water drop", "garnish", 1, free, "", "drop, water, fresh, blue", 800, 800, drop(hex(0x3BA7E0))},
	{"cloud", "Cloud", "garnish", 2, free, "", "cloud, sky, soft, white", 800, 800, cloud},
	{"coffee-bean", "Coffee bean", "garnish", 0, free, "", "coffee, bean, brown, food", 800, 800, bean},
	{"rose-petal", "Rose petal", "garnish", 0, credit, "", "petal, flower, pink, spring", 800, 800, petal(hex(0xC2185B), hex(0xF48FB1))},
	{"gold-star", "Gold star", "garnish", 3, free, "", "star, gold, award, rating", 800, 800, star(hex(0xF2B632))},
	{"brush-stroke", "Brush stroke", "garnish", 4, free, "", "brush, paint, stroke, behind words", 800, 800, stroke(hex(0x2F6B6A))},
	{"torn-paper", "Torn paper", "garnish", 1, credit, "", "paper, torn, note, behind words", 800, 800, torn},
	{"paper-tape", "Paper tape", "garnish", 1, free, "", "tape, strip, scrapbook, stripes", 800, 800, tape(hex(0xF7D9C4), hex(0xE9A27F))},
	{"soap-bubble", "Soap bubble", "garnish", 2, credit, "", "bubble, soap, clean, light", 800, 800, bubble},
	{"heart", "Heart", "garnish", 3, free, "", "heart, love, red, valentine", 800, 800, heart(hex(0xE0314B))},
}
