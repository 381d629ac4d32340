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

// changing is a track from one value to another over 600 frames.
func changing(from, to []float64) motion.Track {
	return motion.Track{{At: timing.At(0), Value: from, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(599), Value: to, Ease: motion.Ease{Kind: motion.Linear}}}
}

// looked are things in a frame of which something changes on every frame.
var looked = []struct {
	name string
	set  func(back *clip.Layer, figure *clip.Layer)
}{
	{"linear gradient", func(back, _ *clip.Layer) { back.Tracks[clip.FillAngle] = changing([]float64{0}, []float64{360}) }},
	{"radial gradient", func(back, _ *clip.Layer) {
		back.Backdrop.Run, back.Backdrop.Reach = "radial", 100
		back.Tracks[clip.FillCentre] = changing([]float64{-40, 0}, []float64{40, 0})
	}},
	{"conic gradient", func(back, _ *clip.Layer) {
		back.Backdrop.Run = "conic"
		back.Tracks[clip.FillAngle] = changing([]float64{0}, []float64{360})
	}},
	{"free gradient", func(back, _ *clip.Layer) {
		back.Backdrop.Run = "free"
		for i, hex := range []uint32{0xF0C040, 0x206060, 0xC03018, 0x173F47, 0xFCFAF5, 0x2F6B6A} {
			back.Backdrop.Points = append(back.Backdrop.Points, clip.ColourPoint{ID: i + 1, X: float64(i*18 - 45), Y: float64(i%3*40 - 40), Colour: colour.RGB(hex)})
		}
		back.Tracks["place1"] = changing([]float64{-40, -40}, []float64{40, 40})
	}},
	{"floor with a glow", func(back, _ *clip.Layer) {
		becomes(back, clip.KindFloor)
		back.Tracks[clip.GlowAt] = changing([]float64{-40}, []float64{40})
	}},
	{"picture that is pushed in", func(back, _ *clip.Layer) {
		becomes(back, clip.KindPhoto)
		back.Tracks[clip.Zoom] = changing([]float64{100}, []float64{150})
	}},
	{"picture in tiles", func(back, _ *clip.Layer) {
		becomes(back, clip.KindPhoto)
		back.Cutout.Covering.Fit = "tile"
		back.Tracks[clip.Pan] = changing([]float64{0, 0}, []float64{100, 50})
	}},
	{"pattern that parts", func(back, _ *clip.Layer) {
		becomes(back, clip.KindPattern)
		back.Tracks[clip.Apart] = changing([]float64{60}, []float64{120})
	}},
	{"grain that changes", func(back, _ *clip.Layer) {
		becomes(back, clip.KindGrain)
		back.Grain.Changes = 30
	}},
	{"gradient that opens", func(back, _ *clip.Layer) {
		back.Tracks[clip.Open] = changing([]float64{1}, []float64{600})
	}},
	{"vignette that moves", func(back, _ *clip.Layer) {
		becomes(back, clip.KindVignette)
		back.Tracks[clip.FillCentre] = changing([]float64{-40, 0}, []float64{40, 0})
	}},
	{"five rows that run", func(_, f *clip.Layer) {
		f.Card.Form, f.Rest.Size, f.Repeat = "star", 160, &clip.Repeat{Rows: 5, Speed: 200, Opposite: true}
		f.Tracks[clip.Rotation] = changing([]float64{-10}, []float64{10})
	}},
	{"star with dashes", func(_, f *clip.Layer) {
		f.Card.Form, f.Card.Pen, f.Values = "star", &clip.Pen{Dash: 30, Gap: 20}, map[string][]float64{clip.Outline: {16}}
		f.Tracks[clip.DashShift] = changing([]float64{0}, []float64{500})
	}},
	{"ring that draws on", func(_, f *clip.Layer) {
		f.Card.Form = "ring"
		f.Tracks[clip.Sweep] = changing([]float64{0}, []float64{360})
	}},
	{"feathered mask", func(_, f *clip.Layer) {
		f.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 400, H: 400, Feather: 60}}
		f.Tracks["maskPlace1"] = changing([]float64{-200, 0}, []float64{200, 0})
	}},
	{"contact shadow", func(_, f *clip.Layer) {
		f.Values = map[string][]float64{clip.Contact: {100}}
		f.Tracks[clip.Position] = changing([]float64{0, 0}, []float64{0, -400})
	}},
	{"blurred reflection", func(_, f *clip.Layer) {
		f.Values = map[string][]float64{clip.Reflection: {60}, clip.ReflectionBlur: {8}}
		f.Tracks[clip.Position] = changing([]float64{-300, 0}, []float64{300, 0})
	}},
	{"inner shadow", func(_, f *clip.Layer) {
		f.Values = map[string][]float64{"innerShadow": {60}}
		f.Tracks["innerDistance"] = changing([]float64{0}, []float64{60})
	}},
}

// becomes makes a layer one of another kind, as it begins.
func becomes(l *clip.Layer, kind string) {
	drafted := clip.NewLayer(l.ID, l.Name, kind)
	clip.KindNamed(kind).Draft(&clip.Clip{}, &drafted, clip.DraftOf{Name: l.Name, Prop: "photo"})
	drafted.Group, drafted.Tracks = l.Group, map[string]motion.Track{}
	*l = drafted
}

// scenery is a picture of so many pixels with much in it.
func scenery(w, h int) *paint.Bitmap {
	b := paint.NewBitmap(w, h)
	for i := range b.Pix {
		x, y := i%w, i/w
		b.Pix[i] = 0xFF000000 | uint32(x*255/w) | uint32(y*255/h)<<8 | uint32((x*x/97+y*y/53)&255)<<16
	}
	return b
}

// BenchmarkLooks is the time on one core of a 1080x1920 frame in which a backdrop, or
// a figure of 600 units on a plain one, looks otherwise on every frame.
func BenchmarkLooks(b *testing.B) {
	for _, w := range looked {
		b.Run(w.name, func(b *testing.B) {
			tall, _ := clip.StandardShape("tall")
			c := clip.New("Look", tall, 30, 600)
			l := clip.NewLayer("figure", "Figure", clip.KindCard)
			l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xC8922E), Outline: colour.RGB(0x173F47)}
			l.Rest.Size = 600
			c.Props = append(c.Props, clip.Prop{ID: "photo", Name: "Photo", Kind: "cutout", Hash: hash, Picture: &clip.Picture{W: 2400, H: 1600, Visible: [4]int{0, 0, 2400, 1600}, Area: 1}})
			w.set(c.Layer("backdrop"), &l)
			c.Layers = append(c.Layers, l)
			if err := c.Validate(); err != nil {
				b.Fatal(err)
			}
			lib := NewLibrary(words.NewFonts(), 256<<20)
			lib.AddPicture(hash, scenery(2400, 1600))
			stage, err := Prepare(c, c.Shapes[0], 1080, 1920, lib)
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
