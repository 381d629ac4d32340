package demo

import (
	"bytes"
	"context"
	"fmt"
	"io"

	"billow/core/brand"
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/cutout"
)

// Side is how many pixels the longer side of a product picture has, to within one.
const Side = 1600

// World is the sample world: its clips and all their files by hash.
type World struct {
	Clips    []NamedClip
	Props    []clip.Prop
	Products []clip.Product
	Cuts     []cutout.Kept
	Files    map[string][]byte
	Tunes    map[string]WAV // by ID
	Brand    brand.Brand
}

// NamedClip is a sample clip and the name of its bundle.
type NamedClip struct {
	ID   string
	Clip *clip.Clip
}

// WAV is a tune as a file, with the truth about its beats.
type WAV struct {
	Tune *Tune
	File []byte
}

// Open reads a file by its hash.
func (w *World) Open(_ context.Context, hash string) (io.ReadCloser, error) {
	if f, ok := w.Files[hash]; ok {
		return io.NopCloser(bytes.NewReader(f)), nil
	}
	return nil, fmt.Errorf("the sample world has no file %s", hash)
}

// Make makes the sample world with pictures of so many pixels on the longer
// side.
func Make(side int) (*World, error) {
	w := &World{Files: map[string][]byte{}, Tunes: map[string]WAV{}}
	shelf := &stock{props: map[string]clip.Prop{}}
	made, err := bringAll(side)
	if err != nil {
		return nil, err
	}
	for _, m := range made {
		shelf.props[m.prop.ID] = m.prop
		w.Props = append(w.Props, m.prop)
		w.Files[m.prop.Hash] = m.file
		if m.tune != nil {
			w.Tunes[m.prop.ID] = WAV{m.tune, m.file}
		}
	}
	for _, p := range products {
		shelf.products = append(shelf.products, clip.Product{
			ID: "product-" + p.ID, Name: p.Name, Price: p.Price, OldPrice: p.OldPrice, Currency: "EUR", Prop: p.ID,
		})
	}
	w.Products = shelf.products
	if w.Cuts, err = Cuts(); err != nil {
		return nil, err
	}
	for i := range w.Cuts {
		w.Cuts[i].Photo, w.Cuts[i].Result = w.prop(w.Cuts[i].Photo).Hash, w.prop(w.Cuts[i].Result).Hash
	}
	w.Brand = brand.Brand{
		ID: "ottermoss", Name: "Ottermoss", Colours: []colour.Colour{colour.RGB(0x2F6B6A), colour.RGB(0xDD4F28), chalk, harbour, honey},
		Fonts: []string{"fraunces-600", "fraunces-600-italic"}, Logos: []string{w.prop("logo").Hash},
	}
	for _, n := range []struct {
		id   string
		make func(s *stock) (*clip.Clip, error)
	}{
		{"lantern-weekend", lanternWeekend}, {"morning-mug", morningMug}, {"trail-parade", trailParade}, {"camp-table", campTable},
		{"mornings-outside", morningsOutside}, {"kettle-on", kettleOn}, {"four-nights", fourNights}, {"camp-kitchen", campKitchen}, {"market-morning", marketMorning}, {"splash-out", splashOut}, {"kettle-song", kettleSong}, {"both-at-once", bothAtOnce}, {"breakfast-outside", breakfastOutside}, {"packed-for-the-ridge", packedForTheRidge}, {"autumn-range", autumnRange},
	} {
		c, err := n.make(shelf)
		if err != nil {
			return nil, fmt.Errorf("the sample clip %s: %w", n.id, err)
		}
		w.Clips = append(w.Clips, NamedClip{n.id, c})
	}
	for _, c := range w.Clips {
		if err := c.Clip.Validate(); err != nil {
			return nil, fmt.Errorf("the sample clip %s: %w", c.ID, err)
		}
	}
	return w, nil
}

// prop finds a prop of the sample world.
func (w *World) prop(id string) *clip.Prop {
	for i := range w.Props {
		if w.Props[i].ID == id {
			return &w.Props[i]
		}
	}
	return nil
}

// stock is what sample clips choose from.
type stock struct {
	props    map[string]clip.Prop
	products []clip.Product
}

// into gives a clip some props and products.
func (s *stock) into(c *clip.Clip, ids ...string) {
	for _, id := range ids {
		c.Props = append(c.Props, s.props[id])
		for _, p := range s.products {
			if p.Prop == id {
				c.Products = append(c.Products, p)
			}
		}
	}
}

// fill puts layers into the only scene of a new clip, which has nothing else
// then.
func fill(c *clip.Clip, layers ...clip.Layer) {
	scene := *c.Layer("scene")
	for i := range layers {
		if layers[i].Group == "" {
			layers[i].Group = scene.ID
		}
	}
	c.Layers = append([]clip.Layer{scene}, layers...)
}

// tune lays a tune under a clip, beginning so many beats before its first
// downbeat, faded out at the end.
func (s *stock) tune(c *clip.Clip, id string, fadeOut int) {
	s.into(c, id)
	sound := s.props[id].Sound
	start := max(0, sound.Tempo.Seconds(0))
	c.SetTune(&clip.SoundTrack{Prop: id, Trim: start, FadeOut: fadeOut})
	if sound.Steady {
		c.Tempo = sound.Tempo.Shifted(-start)
	}
}
