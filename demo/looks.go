package demo

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// covering is a picture or footage that covers the frame.
func covering(id, name, prop string) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindPhoto)
	l.Cutout = &clip.Cutout{Prop: prop, Covering: &clip.Covering{Fit: "fill", Side: 300}}
	return l
}

// afloat lets a layer wander a little.
func afloat(l *clip.Layer, seed int) {
	l.Wander = &motion.Wander{Amount: 9, Turn: 2, Pace: 0.45, Seed: seed}
}

var popping = motion.Ease{Kind: motion.Spring}

// splashOut is made for Portrait: on the sixth beat the wall splits in two, water bursts out of the gap
// with the mug, and slices of fruit fly about. The mug takes on the light of the rays behind it.
func splashOut(s *stock) (*clip.Clip, error) {
	portrait, _ := clip.StandardShape("portrait")
	c := clip.New("Splash out", portrait, 30, 150)
	s.into(c, "mug", "splash", "teal-rays", "honey-rays", "lime-slice", "orange-slice")
	s.tune(c, "tin-parade", 20)
	c.Light = clip.Light{Direction: 150, Height: 52, Softness: 60, Strength: 42, Colour: colour.RGB(0x5A2A08)}
	c.Poster = new(timing.At(104))
	const opens = 5.0

	rays := covering("rays", "Honey rays", "honey-rays")
	rays.Tracks[clip.Zoom] = motion.Track{key(beat(opens), smooth, 100), key(timing.At(149), linear, 118)}
	wall := covering("wall", "Teal wall", "teal-rays")
	wall.Values = map[string][]float64{clip.OpenTurn: {6}}
	wall.Tracks[clip.Open] = motion.Track{key(beat(opens-0.5), smooth, 0), key(beat(opens+0.5), motion.Ease{Kind: motion.Out}, 760), key(timing.At(149), linear, 860)}
	wall.Tracks[clip.Zoom] = motion.Track{key(timing.At(0), smooth, 104), key(beat(opens-0.5), linear, 112)}

	water := cutoutLayer("water", "Splash", "splash", "centre", 0, 40, 1080)
	water.Cutout.Runs = &clip.Running{From: 0.3, Speed: 62, Blended: true}
	water.From, water.Shadow = beat(opens-0.25), &clip.Shadow{None: true}
	water.Values = map[string][]float64{"chromaKey": {100}, "keyColour": {38, 160, 62, 255}, "keyEdge": {-1}, "exposure": {0.25}, "temperature": {14}}
	water.Tracks[clip.Opacity] = motion.Track{key(timing.At(128), smooth, 100), key(timing.At(146), linear, 0)}

	mug := cutoutLayer("mug-layer", "Mug", "mug", "centre", 0, 60, 560)
	mug.From, mug.Lift = beat(opens-0.25), 40
	mug.Tracks[clip.Scale] = motion.Track{key(beat(opens-0.25), popping, 0, 0), key(beat(opens+1), linear, 100, 100)}
	mug.Tracks[clip.Rotation] = motion.Track{key(beat(opens-0.25), popping, -38), key(beat(opens+1.25), linear, -7)}
	mug.Values = map[string][]float64{"temperature": {20}, "saturation": {108}, "innerGlow": {46}, "innerGlowColour": {255, 226, 150, 255}, "innerGlowSoftness": {7}, "innerGlowSide": {60}, "innerGlowAngle": {0}}
	afloat(&mug, 3)

	layers := append([]clip.Layer{rays, wall, water}, splashSlices(s, opens)...)
	fill(c, append(append(layers, mug), splashWords(opens)...)...)
	return c, rewrite(c)
}

// splashSlices are slices of fruit that fly out of the middle.
func splashSlices(s *stock, opens float64) (out []clip.Layer) {
	for i, f := range []struct {
		prop       string
		x, y, size float64
		turn, at   float64
	}{
		{"orange-slice", -330, -250, 250, 40, 0}, {"lime-slice", 350, -150, 190, -60, 0.25}, {"lime-slice", -360, 330, 220, 80, 0.5}, {"orange-slice", 340, 380, 270, -30, 0.25},
	} {
		l := cutoutLayer(f.prop+"-"+string(rune('a'+i)), s.props[f.prop].Name, f.prop, "centre", f.x, f.y, f.size)
		l.From, l.Lift = beat(opens+f.at-0.25), 26
		l.Tracks[clip.Position] = motion.Track{key(beat(opens+f.at-0.25), popping, -f.x, -f.y), key(beat(opens+f.at+1), linear, 0, 0)}
		l.Tracks[clip.Scale] = motion.Track{key(beat(opens+f.at-0.25), popping, 10, 10), key(beat(opens+f.at+1), linear, 100, 100)}
		l.Tracks[clip.Rotation] = motion.Track{key(beat(opens+f.at-0.25), motion.Ease{Kind: motion.Out}, f.turn*3), key(timing.At(149), linear, f.turn/3)}
		l.Values = map[string][]float64{"saturation": {110}, "temperature": {8}}
		afloat(&l, 10+i)
		out = append(out, l)
	}
	return out
}

// splashWords are the words before and after, and the price.
func splashWords(opens float64) []clip.Layer {
	head := text("headline", "Headline", clip.KindWords, "Something\n*is brewing*", 0, 0, 132, "centre", chalk)
	head.Words.EmphasisFill, head.Words.LineSpacing, head.To = honey, 96, until(beat(opens))
	head.Tracks[clip.Scale] = motion.Track{key(beat(1), popping, 70, 70), key(beat(2), smooth, 100, 100), key(beat(opens-0.5), motion.Ease{Kind: motion.In}, 104, 104), key(beat(opens), linear, 10, 10)}
	head.Tracks[clip.Opacity] = motion.Track{key(timing.At(0), smooth, 0), key(beat(1.5), linear, 100)}
	said := text("said", "Said", clip.KindWords, "Splash *out.*", 0, 185, 150, "top", harbour)
	said.Words.EmphasisFill, said.From = colour.RGB(0xC2402A), beat(opens+1)
	said.Tracks[clip.Position] = motion.Track{off(beat(opens+1), popping, "above"), key(beat(opens+2.5), linear, 0, 0)}
	said.Rests = map[string]clip.Rest{"tall": {Pin: "top", Y: 330, Size: 160}, "square": {Pin: "top", Y: 120, Size: 120}, "wide": {Pin: "left", X: 440, Y: -60, Size: 112}}
	badge := text("price", "Price", clip.KindBadge, "{price}", 250, -170, 78, "bottom", chalk)
	badge.Words.Product, badge.From = "product-mug", beat(opens+3)
	badge.Words.Plate.Kind, badge.Words.Plate.Fill = "burst", colour.RGB(0xC2402A)
	badge.Tracks[clip.Scale] = motion.Track{key(beat(opens+3), popping, 0, 0), key(beat(opens+4), linear, 100, 100)}
	badge.Rests = map[string]clip.Rest{"wide": {Pin: "left", X: 420, Y: 190, Size: 80}}
	return []clip.Layer{head, said, badge}
}

// kettleSong is made for Portrait: streaks of light cross a dark room behind the kettle; on each hit its
// glow grows and sparks fly. A gel gives all of it the light of a lantern.
func kettleSong(s *stock) (*clip.Clip, error) {
	portrait, _ := clip.StandardShape("portrait")
	c := clip.New("The kettle sings", portrait, 30, 180)
	s.into(c, "kettle", "light-streaks", "steam", "sparks", "plum-studio")
	s.tune(c, "slow-embers", 24)
	c.Light = clip.Light{Direction: 10, Height: 48, Softness: 80, Strength: 60, Colour: colour.RGB(0x120818)}
	c.Poster = new(timing.At(96))

	room := covering("room", "Plum studio", "plum-studio")
	room.Values = map[string][]float64{"exposure": {-1.1}, "saturation": {120}}
	streaks := covering("streaks", "Light streaks", "light-streaks")
	streaks.Blend, streaks.Cutout.Runs = "screen", &clip.Running{Again: "loop", Seam: 0.4, Speed: 80, Blended: true}
	streaks.Values = map[string][]float64{"hue": {-12}, "saturation": {130}}
	steam := cutoutLayer("steam", "Steam", "steam", "centre", 175, -330, 900)
	steam.Blend, steam.Cutout.Runs, steam.Shadow = "screen", &clip.Running{Again: "loop", Seam: 0.6, Speed: 70, Blended: true}, &clip.Shadow{None: true}
	steam.Values = map[string][]float64{clip.Opacity: {70}}
	kettle := cutoutLayer("kettle-layer", "Kettle", "kettle", "centre", 0, 200, 640)
	kettle.Lift = 10
	kettle.Values = map[string][]float64{clip.Contact: {60}, clip.Reflection: {22}, "haloColour": {255, 178, 84, 255}, "haloSoftness": {58}, "innerGlow": {34}, "innerGlowColour": {255, 196, 120, 255}, "innerGlowSoftness": {8}, "temperature": {10}}
	var glow, jump motion.Track
	glow = append(glow, key(timing.At(0), smooth, 20))
	jump = append(jump, key(timing.At(0), smooth, 100, 100))
	for i := range 3 {
		hit := float64(2 + 2*i)
		glow = append(glow, key(beat(hit-0.2), motion.Ease{Kind: motion.Out}, 30+float64(i)*26), key(beat(hit+0.12), smooth, 130+float64(i)*40), key(beat(hit+1.4), smooth, 40+float64(i)*34))
		jump = append(jump, key(beat(hit-0.2), motion.Ease{Kind: motion.Out}, 100, 100), key(beat(hit+0.1), popping, 105, 105), key(beat(hit+0.9), smooth, 100, 100))
	}
	kettle.Tracks["halo"], kettle.Tracks[clip.Scale] = glow, jump
	afloat(&kettle, 4)
	kettle.Wander.Amount, kettle.Wander.Turn = 3, 1
	sparks := covering("sparks", "Sparks", "sparks")
	sparks.Blend, sparks.From, sparks.Cutout.Runs = "screen", beat(6), &clip.Running{Speed: 90}
	head := text("headline", "Headline", clip.KindWords, "It sings\n*when you are home*", 0, 190, 86, "top", chalk)
	head.Words.EmphasisFill, head.Words.LineSpacing, head.Words.Width = honey, 104, 0
	head.Tracks[clip.Opacity] = motion.Track{key(beat(1), smooth, 0), key(beat(2), linear, 100)}
	head.Tracks[clip.LetterSpacing] = motion.Track{key(beat(1), motion.Ease{Kind: motion.Out}, 16), key(beat(3), linear, 0)}
	head.Rests = map[string]clip.Rest{"tall": {Pin: "top", Y: 330, Size: 88}, "square": {Pin: "top", Y: 130, Size: 76}, "wide": {Pin: "left", X: 460, Y: -100, Size: 72}}
	gel := clip.NewLayer("gel", "Lantern light", clip.KindGel)
	gel.Gel, gel.Values = &clip.Gel{}, map[string][]float64{"temperature": {34}, "exposure": {0.1}, "contrast": {108}, "bloom": {45}, "bloomFrom": {55}, "bloomSoftness": {34}, "vibrance": {15}}
	fill(c, room, streaks, steam, kettle, sparks, head, gel)
	return c, rewrite(c)
}

// bothAtOnce is made for Tall: two moving grounds, one slow and one quick, with a banner and a product
// over each.
func bothAtOnce(s *stock) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Both at once", tall, 30, 180)
	s.into(c, "lantern", "tin", "light-streaks", "steam", "starry-pines", "paper-hills", "red-ribbon")
	s.tune(c, "harbour-morning", 24)
	c.Light = clip.Light{Direction: 150, Height: 50, Softness: 60, Strength: 46, Colour: colour.RGB(0x1A0E10)}
	c.Poster = new(timing.At(120))

	var layers []clip.Layer
	half := func(l *clip.Layer, top bool) {
		// A slanted edge between them.
		l.Masks = []clip.Mask{{ID: 1, Form: "line", Mode: "add", X: 0, Y: 0, Turn: -6, Invert: top}}
	}
	for _, g := range []struct {
		id, name, prop, film string
		speed                float64
		top                  bool
		values               map[string][]float64
	}{
		{"night", "Night", "starry-pines", "light-streaks", 40, true, map[string][]float64{clip.Opacity: {55}, "hue": {150}}},
		{"day", "Day", "paper-hills", "steam", 220, false, map[string][]float64{clip.Opacity: {90}, "exposure": {0.5}}},
	} {
		ground := covering(g.id, g.name, g.prop)
		ground.Tracks[clip.Zoom] = motion.Track{key(timing.At(0), linear, 104), key(timing.At(179), linear, 120)}
		ground.Tracks[clip.Pan] = motion.Track{key(timing.At(0), linear, -4, 0), key(timing.At(179), linear, 4, 0)}
		film := covering(g.id+"-film", g.name+" in motion", g.film)
		film.Blend, film.Values = "screen", g.values
		film.Cutout.Runs = &clip.Running{Speed: g.speed, Again: "loop", Seam: 0.4, Blended: true}
		half(&ground, g.top)
		half(&film, g.top)
		layers = append(layers, ground, film)
	}
	layers = append(layers, bannered(s)...)
	gel := clip.NewLayer("gel", "Copper dusk", clip.KindGel)
	s.into(c, "copper-dusk")
	gel.Gel, gel.Table, gel.Values = &clip.Gel{}, "copper-dusk", map[string][]float64{"table": {70}}
	fill(c, append(layers, gel)...)
	return c, rewrite(c)
}

// bannered are two products, each with a ribbon and its price.
func bannered(s *stock) (layers []clip.Layer) {
	for i, p := range []struct {
		prop, words string
		y, banner   float64
		side        string
		size        float64
	}{{"lantern", "{price}", -395, -120, "right", 620}, {"tin", "{price}", 380, 690, "left", 470}} {
		at := float64(2 + 4*i)
		l := cutoutLayer(p.prop+"-layer", s.props[p.prop].Name, p.prop, "centre", 0, p.y, p.size)
		l.Lift = 34
		l.Tracks[clip.Position] = motion.Track{off(beat(at-1), popping, p.side), key(beat(at+1), linear, 0, 0)}
		l.Tracks[clip.Rotation] = motion.Track{key(beat(at-1), popping, 30), key(beat(at+1), smooth, -5), key(timing.At(179), linear, 5)}
		afloat(&l, 20+i)
		if i == 0 {
			l.Values = map[string][]float64{"temperature": {-12}, "halo": {90}, "haloColour": {255, 206, 120, 255}, "haloSoftness": {40}}
		}
		ribbon := cutoutLayer(p.prop+"-ribbon", "Ribbon", "red-ribbon", "centre", 0, p.banner, 640)
		ribbon.Lift = 18
		ribbon.Tracks[clip.Scale] = motion.Track{key(beat(at+0.75), popping, 0, 100), key(beat(at+1.75), linear, 100, 100)}
		ribbon.From = beat(at + 0.75)
		if i == 1 {
			ribbon.Values = map[string][]float64{"hue": {160}}
		}
		words := text(p.prop+"-price", "Price", clip.KindWords, p.words, 0, p.banner-8, 76, "centre", chalk)
		words.Words.Product, words.From = "product-"+p.prop, beat(at+1)
		words.Tracks[clip.Scale] = motion.Track{key(beat(at+1), popping, 0, 0), key(beat(at+1.75), linear, 100, 100)}
		for _, one := range []*clip.Layer{&l, &ribbon, &words} {
			r := one.Rest
			one.Rests = map[string]clip.Rest{
				"portrait": {Pin: r.Pin, Y: r.Y * 0.70, Size: r.Size * 0.72}, "square": {Pin: r.Pin, Y: r.Y * 0.56, Size: r.Size * 0.55},
				"wide": {Pin: r.Pin, X: map[bool]float64{true: -420, false: 420}[i == 0], Y: (r.Y-p.y)*0.62 - 20, Size: r.Size * 0.75},
			}
		}
		layers = append(layers, l, ribbon, words)
	}
	return layers
}
