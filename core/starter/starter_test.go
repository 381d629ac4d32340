package starter

import (
	"errors"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/timing"
)

// sold is so many products with pictures of different proportions; every other one
// is reduced.
func sold(n int) []Sold {
	var out []Sold
	for i := range n {
		id := string(rune('a' + i))
		p := clip.Product{Name: "Thing " + id, Price: "20.00", Currency: "EUR"}
		if i%2 == 0 {
			p.OldPrice = "25.00"
		}
		out = append(out, Sold{p, clip.Prop{ID: id, Name: id, Kind: clip.KindCutout, Hash: strings.Repeat(id, 64), Media: "image/png",
			Picture: &clip.Picture{W: 300, H: 200, Visible: [4]int{0, 0, 100 + 80*i, 200}, Area: 0.8}}})
	}
	return out
}

func tune() *clip.Prop {
	return &clip.Prop{ID: "tune", Name: "Tune", Kind: clip.KindTune, Hash: strings.Repeat("f", 64), Media: "audio/wav",
		Sound: &clip.Sound{Seconds: 60, Tempo: timing.Tempo{BPM: 93, PerBar: 4}, Steady: true, Hits: []clip.Hit{}}}
}

func TestEveryStarterIsMadeForEveryShapeInAllColours(t *testing.T) {
	for _, s := range Starters {
		for _, shape := range Shapes {
			for _, p := range Palettes {
				c, err := Make(Choice{Starter: s.ID, Name: "Mine", Shape: shape, Palette: p.ID, Products: sold(len(s.Products))})
				if err != nil {
					t.Fatalf("%s for %s in %s: %v", s.ID, shape, p.ID, err)
				}
				if c.Shapes[0].ID != shape {
					t.Errorf("%s for %s has the shapes %v", s.ID, shape, c.Shapes)
				}
				for _, l := range c.Layers {
					if l.Rests != nil && len(l.Rests) != len(Shapes)-1 {
						t.Errorf("%s for %s: %s has rests of its own in %d shapes", s.ID, shape, l.Name, len(l.Rests))
					}
				}
				if got := float64(c.Length) / float64(c.Rate); math.Abs(got-s.Seconds) > 0.02 {
					t.Errorf("%s says that it lasts %g s and lasts %g", s.ID, s.Seconds, got)
				}
			}
		}
	}
}

// Arranged for another shape first, a clip looks the same in each of them.
func TestAStarterRestsAlikeWhateverItIsMadeFor(t *testing.T) {
	for _, s := range Starters {
		var first *clip.Clip
		for _, shape := range Shapes {
			c, err := Make(Choice{Starter: s.ID, Name: "Mine", Shape: shape, Palette: "dusk", Products: sold(len(s.Products))})
			if err != nil {
				t.Fatal(err)
			}
			if first == nil {
				first = c
				continue
			}
			for i := range c.Layers {
				l, f := &c.Layers[i], &first.Layers[i]
				if l.ID != f.ID {
					t.Fatalf("%s has the layer %s instead of %s", s.ID, l.ID, f.ID)
				}
				if l.Kind == clip.KindScene || l.Rests == nil {
					continue
				}
				if l.Rest != f.Rests[shape] || f.Rest != l.Rests["tall"] {
					t.Errorf("%s of %s rests at %+v in %s, and otherwise at %+v", l.ID, s.ID, l.Rest, shape, f.Rests[shape])
				}
			}
		}
	}
}

func TestWordsAndTuneOfAStarterAreOnesOwn(t *testing.T) {
	c, err := Make(Choice{Starter: "arrival", Name: "Mine", Shape: "square", Palette: "paper", Products: sold(1),
		Words: map[string]string{"big": "Wow"}, Tune: tune()})
	if err != nil {
		t.Fatal(err)
	}
	if got := c.Layer("big").Words.Text; got != "Wow" {
		t.Errorf("the huge word is %q", got)
	}
	if c.Layer("line").Words.Text != "Just *in*" {
		t.Error("words that were not given do not stay")
	}
	if len(c.Sounds) != 1 || math.Abs(c.Tempo.BPM-93) > 1e-9 {
		t.Errorf("with a tune of 93 beats a minute the clip has %v and %d sounds", c.Tempo.BPM, len(c.Sounds))
	}
	// Four bars at 93 beats a minute are 10.32 seconds.
	if want := 16.0 * 60 / 93 * 30; math.Abs(float64(c.Length)-want) > 1 {
		t.Errorf("it lasts %d frames, want %.1f", c.Length, want)
	}
}

func TestWithoutReductionsNoPercentageIsShown(t *testing.T) {
	products := sold(3)
	for i := range products {
		products[i].Product.OldPrice = ""
	}
	c, err := Make(Choice{Starter: "sale", Name: "Mine", Shape: "tall", Palette: "night", Products: products})
	if err != nil {
		t.Fatal(err)
	}
	for i := range c.Layers {
		if w := c.Layers[i].Words; w != nil && (strings.Contains(w.Text, "{percent}") || strings.Contains(w.Text, "{old}")) {
			t.Errorf("%s says %q", c.Layers[i].Name, w.Text)
		}
	}
}

func TestWhatIsMissingIsNamed(t *testing.T) {
	good := Choice{Starter: "event", Name: "Mine", Shape: "tall", Palette: "dusk", Products: sold(1)}
	for field, spoil := range map[string]func(c *Choice){
		"starter":         func(c *Choice) { c.Starter = "none" },
		"shape":           func(c *Choice) { c.Shape = "custom" },
		"palette":         func(c *Choice) { c.Palette = "plaid" },
		"products":        func(c *Choice) { c.Products = nil },
		"products.0.prop": func(c *Choice) { c.Products[0].Prop.Picture = nil },
		"words.day":       func(c *Choice) { c.Words = map[string]string{"day": strings.Repeat("1", 300)} },
		"name":            func(c *Choice) { c.Name = " " },
		"tune":            func(c *Choice) { p := sold(1)[0].Prop; c.Tune = &p },
	} {
		c := good
		c.Products = sold(1)
		spoil(&c)
		_, err := Make(c)
		var f *clip.FieldError
		if !errors.As(err, &f) || f.Field != field {
			t.Errorf("without a right %s: %v", field, err)
		}
	}
}

// Words can be read on what is behind them (WCAG 2.2, 1.4.3: 4.5 for words, 3 for
// large ones).
func TestPalettesCanBeRead(t *testing.T) {
	if got := colour.Contrast(colour.RGB(0), colour.RGB(0xFFFFFF)); math.Abs(got-21) > 1e-9 {
		t.Errorf("black on white has a contrast of %g, want 21", got)
	}
	if got := colour.Contrast(colour.RGB(0x777777), colour.RGB(0xFFFFFF)); math.Abs(got-4.48) > 0.01 {
		t.Errorf("#777 on white has a contrast of %g, want 4.48", got)
	}
	for _, p := range Palettes {
		for _, c := range []struct {
			what string
			a, b colour.Colour
			want float64
		}{
			{"words at the top", p.Ink, p.Top, 4.5}, {"words at the bottom", p.Ink, p.Bottom, 4.5},
			{"emphasis at the top", p.Accent, p.Top, 3}, {"emphasis at the bottom", p.Accent, p.Bottom, 3},
			{"words on a badge", p.On, p.Plate, 4.5}, {"words on a card", p.OnCard, p.Card, 4.5},
		} {
			if got := colour.Contrast(c.a, c.b); got < c.want {
				t.Errorf("in %s, %s have a contrast of %.2f", p.ID, c.what, got)
			}
		}
	}
}
