package photographed

import "image"

// Case is a photo that can be taken.
type Case struct {
	Name, Group string
	thing       string
	setting     Setting
}

// Groups are the kinds of photo, in their order.
var Groups = []string{"plain", "card", "textured", "cluttered", "noisy", "glass", "hair", "holes"}

const wide, high = 640, 480

var (
	white  = levels{246, 246, 245}
	cream  = levels{236, 226, 206}
	grey   = levels{176, 178, 182}
	blue   = levels{38, 92, 176}
	green  = levels{52, 158, 84}
	coral  = levels{226, 110, 88}
	yellow = levels{240, 200, 80}
)

var drawn = map[string]func() *image.NRGBA{
	"bobble":  func() *image.NRGBA { return Bobble(levels{206, 86, 62}) },
	"bobble2": func() *image.NRGBA { return Bobble(levels{240, 224, 196}) },
	"brush":   func() *image.NRGBA { return Brush(levels{170, 116, 70}, levels{206, 180, 130}) },
	"brush2":  func() *image.NRGBA { return Brush(levels{70, 84, 80}, levels{60, 56, 54}) },
	"fern":    func() *image.NRGBA { return Fern(levels{84, 140, 78}) },
	"wreath":  func() *image.NRGBA { return Wreath(levels{90, 128, 76}) },
	"rack":    func() *image.NRGBA { return Rack(levels{96, 100, 106}) },
	"bag":     func() *image.NRGBA { return Bag(levels{180, 74, 58}) },
	"tumbler": func() *image.NRGBA { return Tumbler(levels{214, 232, 236}, .3) },
	"bottle":  func() *image.NRGBA { return Tumbler(levels{196, 146, 60}, .55) },
	"smoky":   func() *image.NRGBA { return Tumbler(levels{90, 96, 104}, .45) },
}

// Cases are photos of all groups. Products are named as in the range; the others are
// drawn here.
func Cases(chance uint64) (out []Case) {
	add := func(group, name, thing string, g Ground, shadow, noise float64, quality int, turn float64) {
		out = append(out, Case{group + ": " + thing + " on " + name, group, thing, Setting{
			W: wide, H: high, Ground: g, Shadow: shadow, Noise: noise, Quality: quality, Size: .74, Turn: turn,
		}})
	}
	sweep := func(c levels) Ground { return Sweep(c, wide, high, .16) }
	wood := Wood(levels{214, 176, 128}, levels{150, 104, 66}, wide, high, chance)
	dark := Wood(levels{112, 80, 58}, levels{62, 42, 30}, wide, high, chance+1)
	linen := Linen(levels{214, 206, 188}, wide, high, chance)
	stone := Stone(levels{188, 186, 182}, wide, high, chance)
	slate := Stone(levels{84, 90, 96}, wide, high, chance+2)
	checks := Checks(levels{236, 232, 224}, levels{176, 60, 52}, wide, high, chance)
	paper := Paper(levels{232, 224, 208}, wide, high, chance)

	for i, p := range []string{"mug-moss", "kettle", "stove", "tin", "spoons", "mug", "kettle-lake", "tin-honey"} {
		add("plain", "white", p, sweep(white), .35+.03*float64(i), 1.5, 92, float64(i%3-1)*4)
	}
	add("plain", "cream", "spoons-walnut", sweep(cream), .4, 1.5, 90, 5)
	add("plain", "grey", "mug-ink", sweep(grey), .45, 1.5, 90, -6)

	add("card", "blue", "mug", sweep(blue), .45, 2, 90, 6)
	add("card", "green", "kettle", sweep(green), .4, 2, 90, 0)
	add("card", "coral", "mug-moss", sweep(coral), .4, 2, 90, -8)
	add("card", "yellow", "stove", sweep(yellow), .4, 2, 90, 3)
	add("card", "green", "spoons", sweep(green), .4, 2, 88, 10)
	add("card", "blue", "tin-honey", sweep(blue), .5, 2, 88, -4)
	add("card", "coral", "kettle-lake", sweep(coral), .4, 2, 90, 2)

	add("textured", "wood", "mug", wood, .5, 2, 88, 0)
	add("textured", "wood", "kettle-lake", wood, .5, 2, 88, -5)
	add("textured", "dark wood", "tin", dark, .5, 2, 88, 4)
	add("textured", "linen", "kettle", linen, .45, 2, 88, 0)
	add("textured", "stone", "mug-moss", stone, .5, 2, 88, 7)
	add("textured", "slate", "spoons", slate, .5, 2, 88, 12)
	add("textured", "checks", "kettle", checks, .45, 2, 88, 0)
	add("textured", "paper", "mug-ink", paper, .45, 2, 88, -3)

	for i, p := range []string{"mug", "kettle-lake", "tin-honey", "stove", "mug-ink", "mug-moss", "kettle"} {
		add("cluttered", "a laid table", p, Kitchen(wide, high, chance+uint64(i)*7), .5, 2, 88, float64(i%4)*3-4)
	}

	add("noisy", "white", "mug-moss", sweep(white), .4, 9, 60, 3)
	add("noisy", "blue", "kettle", sweep(blue), .4, 10, 55, 0)
	add("noisy", "wood", "mug", wood, .5, 9, 60, -4)
	add("noisy", "stone", "kettle-lake", stone, .5, 9, 55, 4)
	add("noisy", "linen", "spoons-walnut", linen, .45, 10, 60, 0)
	add("noisy", "cream", "tin", sweep(cream), .4, 11, 50, 6)

	add("glass", "blue", "tumbler", sweep(blue), .2, 1.5, 92, 0)
	add("glass", "green", "bottle", sweep(green), .2, 1.5, 92, 0)
	add("glass", "coral", "tumbler", sweep(coral), .2, 1.5, 92, 4)
	add("glass", "green", "smoky", sweep(green), .2, 1.5, 92, -3)
	add("glass", "blue", "bottle", sweep(blue), .2, 1.5, 92, 3)

	// Half of a lantern is glass.
	add("glass", "white", "lantern", sweep(white), .35, 1.5, 92, -4)
	add("glass", "blue", "lantern", sweep(blue), .4, 2, 90, 2)
	add("glass", "linen", "lantern-rust", linen, .45, 2, 88, 0)

	add("hair", "white", "bobble", sweep(white), .35, 1.5, 92, 0)
	add("hair", "blue", "bobble2", sweep(blue), .35, 1.5, 92, 0)
	add("hair", "green", "brush", sweep(green), .35, 1.5, 92, 5)
	add("hair", "cream", "brush2", sweep(cream), .35, 1.5, 92, -5)
	add("hair", "coral", "fern", sweep(coral), .3, 1.5, 92, 10)

	add("holes", "white", "wreath", sweep(white), .35, 1.5, 92, 0)
	add("holes", "blue", "rack", sweep(blue), .35, 1.5, 92, 8)
	add("holes", "cream", "bag", sweep(cream), .35, 1.5, 92, -4)
	add("holes", "yellow", "rack", sweep(yellow), .3, 1.5, 92, -10)
	add("holes", "green", "bag", sweep(green), .35, 1.5, 92, 0)
	return out
}

// Take takes the photo of a case; product answers with the cut-out of a product.
func (c Case) Take(product func(id string) (*image.NRGBA, error), chance uint64) (Photo, error) {
	if draw, ok := drawn[c.thing]; ok {
		return Take(c.Name, draw(), c.setting, chance)
	}
	thing, err := product(c.thing)
	if err != nil {
		return Photo{}, err
	}
	return Take(c.Name, thing, c.setting, chance)
}
