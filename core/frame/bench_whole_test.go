package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/words"
)

// wholes are what makes a group be drawn on a sheet of its own.
var wholes = []struct {
	name string
	set  func(g *clip.Layer)
}{
	{"faded", func(g *clip.Layer) { g.Values = map[string][]float64{clip.Opacity: {60}} }},
	{"multiplied", func(g *clip.Layer) { g.Blend = "multiply" }},
	{"cut", func(g *clip.Layer) { g.Values = map[string][]float64{clip.Crop: {5, 5, 5, 5}, clip.Corner: {40}} }},
	{"matted", func(g *clip.Layer) { g.Inside.Clip = "disc" }},
	{"blurred", func(g *clip.Layer) { g.Values = map[string][]float64{"blur": {20}} }},
	{"lifted", func(g *clip.Layer) { g.Lift = 60 }},
}

// quarter is a clip with a moving group that covers a quarter of the frame.
func quarter(set func(g *clip.Layer)) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Quarter", tall, 30, 600)
	g := clip.NewGroup("group", "Group")
	g.Tracks[clip.Position] = motion.Track{
		{At: timing.At(0), Value: []float64{-100, -200}, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(599), Value: []float64{103, 201}},
	}
	set(&g)
	for i, form := range []string{"card", "disc"} {
		l := clip.NewLayer(form, form, clip.KindCard)
		l.Card = &clip.Card{Form: form, Aspect: 0.5625, Fill: colour.RGB(0xC8922E + 40*uint32(i))}
		l.Rest.Size, l.Group = 889, "group" // 960 pixels high, 540 wide
		c.Layers = append(c.Layers, l)
	}
	c.Layers = append(c.Layers, g)
	return c
}

// BenchmarkWholes is the time of a 1080x1920 frame in which nothing but a group
// on a sheet of its own changes, and of the same without the group.
func BenchmarkWholes(b *testing.B) {
	cases := append(wholes[:len(wholes):len(wholes)], struct {
		name string
		set  func(g *clip.Layer)
	}{"plain", func(*clip.Layer) {}})
	for _, w := range cases {
		b.Run(w.name, func(b *testing.B) {
			c := quarter(w.set)
			stage, err := Prepare(c, c.Shapes[0], 1080, 1920, NewLibrary(words.NewFonts(), 256<<20))
			if err != nil {
				b.Fatal(err)
			}
			p, dst := stage.Painter(), paint.NewBitmap(1080, 1920)
			p.Draw(dst, 0)
			p.Draw(dst, 1)
			b.ResetTimer()
			for i := range b.N {
				p.Draw(dst, 2+i%590)
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
		})
	}
}
