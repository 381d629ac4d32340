// Package starter makes clips that are whole but for what they sell: composition,
// motion and timing are there in all shapes, and products, words and colours are
// put in. What comes of it is a clip like any other, of ordinary layers, moves and
// scenes.
package starter

import (
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/clip"
	"billow/core/moves"
	"billow/core/palette"
	"billow/core/timing"
)

// Starter is a clip that is made but for what it sells.
type Starter struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Says     string   `json:"says"`
	Products []string `json:"products"` // what each product that it shows is there for
	Words    []Words  `json:"words"`
	Seconds  float64  `json:"seconds"`

	bars int
	make func(b *board)
}

// Words are some that it shows. A word *between asterisks* is emphasised.
type Words struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	Text  string `json:"text"` // that it begins with
}

// Starters are all of them, in the order in which they are offered.
var Starters = []*Starter{saleBadge, newArrival, beforeAfter, eventReminder}

// Shapes are those that a starter can be made for; it is arranged for all of them.
var Shapes = []string{"tall", "poster", "portrait", "square", "wide"}

// Sold is a product with its picture.
type Sold struct {
	Product clip.Product `json:"product"`
	Prop    clip.Prop    `json:"prop"`
}

// Choice is what is put in.
type Choice struct {
	Starter  string            `json:"starter"`
	Name     string            `json:"name"` // of the clip
	Shape    string            `json:"shape"`
	Palette  string            `json:"palette"`
	Products []Sold            `json:"products"`
	Words    map[string]string `json:"words"`          // by their IDs; those that lack stay as they are
	Tune     *clip.Prop        `json:"tune,omitempty"` // laid under the clip
}

// perBeat is the tempo without a tune, in beats a minute.
const tempo = 120

// Make makes the clip; own are colours that can be put in beside Palettes. Errors are
// *clip.FieldError.
func Make(in Choice, own ...palette.Palette) (*clip.Clip, error) {
	s := named(in.Starter)
	if s == nil {
		return nil, clip.Fault("starter", "there is no starter %q", in.Starter)
	}
	home, ok := clip.StandardShape(in.Shape)
	if !ok || !slices.Contains(Shapes, home.ID) {
		return nil, clip.Fault("shape", "a starter is made for %s", strings.Join(Shapes, ", "))
	}
	colours, ok := paletteNamed(in.Palette, own)
	if !ok {
		return nil, clip.Fault("palette", "there are no colours %q", in.Palette)
	}
	if len(in.Products) != len(s.Products) {
		return nil, clip.Fault("products", "%s shows %d products, not %d", s.Name, len(s.Products), len(in.Products))
	}
	for id, text := range in.Words {
		if utf8.RuneCountInString(text) > 200 {
			return nil, clip.Fault("words."+id, "words of a starter have at most 200 letters")
		}
	}
	const rate = 30
	b := &board{c: clip.New(strings.TrimSpace(in.Name), home, rate, 4*s.bars*rate*60/tempo), p: colours, home: home.ID, words: map[string]string{}}
	for _, w := range s.Words {
		b.words[w.ID] = w.Text
		if text, ok := in.Words[w.ID]; ok {
			b.words[w.ID] = text
		}
	}
	if err := b.sell(in.Products); err != nil {
		return nil, err
	}
	if in.Tune != nil {
		if err := b.lay(*in.Tune); err != nil {
			return nil, err
		}
	}
	b.c.Light = clip.Light{Direction: -36, Height: 48, Softness: 64, Strength: 42, Colour: colours.Shade}
	s.make(b)
	b.c.Fit()
	for i := range b.c.Layers {
		if err := moves.Rewrite(b.c, &b.c.Layers[i]); err != nil {
			return nil, fmt.Errorf("the starter %s: %w", s.ID, err)
		}
	}
	return b.c, b.c.Validate()
}

func named(id string) *Starter {
	for _, s := range Starters {
		if s.ID == id {
			return s
		}
	}
	return nil
}

// sell brings the products into the clip. One that is shown twice is there once.
func (b *board) sell(products []Sold) error {
	for i, s := range products {
		if s.Prop.Kind != clip.KindCutout || s.Prop.Picture == nil {
			return clip.Fault(fmt.Sprintf("products.%d.prop", i), "a product of a starter needs a picture")
		}
		if b.c.Prop(s.Prop.ID) == nil {
			b.c.Props = append(b.c.Props, s.Prop)
		}
		p := s.Product
		p.ID, p.Prop = fmt.Sprintf("product-%d", i+1), s.Prop.ID
		b.c.Products = append(b.c.Products, p)
	}
	return nil
}

// lay lays a tune under the clip, from its first downbeat on, and takes its tempo.
func (b *board) lay(p clip.Prop) error {
	if p.Sound == nil {
		return clip.Fault("tune", "%q is no tune", p.Name)
	}
	b.c.Props = append(b.c.Props, p)
	track := &clip.SoundTrack{Prop: p.ID, FadeOut: 20}
	if p.Sound.Steady {
		track.Trim = max(0, p.Sound.Tempo.Seconds(0))
		b.c.Tempo = p.Sound.Tempo.Shifted(-track.Trim)
	}
	b.c.SetTune(track)
	return nil
}

func beat(n float64) timing.Moment { return timing.OnBeat(n) }
