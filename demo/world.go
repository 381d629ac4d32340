package demo

import (
	"bytes"
	"context"
	"fmt"
	"image"
	"image/png"
	"io"

	"billow/core/clip"
	"billow/core/words"
	"billow/media"
)

// Side is how many pixels the longer side of a product picture has.
const Side = 1600

// World is the sample world: its clips and all their files by hash.
type World struct {
	Clips []NamedClip
	Props []clip.Prop
	Files map[string][]byte
	Tunes map[string]WAV // by ID
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
// side. progress hears what is being made and the share that is done, 0..1.
func Make(fonts *words.Fonts, side int, progress func(what string, share float64)) (*World, error) {
	w := &World{Files: map[string][]byte{}, Tunes: map[string]WAV{}}
	stock := &stock{props: map[string]clip.Prop{}}
	steps := float64(len(models) + len(Tunes) + 1)
	for i, m := range models {
		progress(m.Name, float64(i)/steps)
		s := m.build()
		height := side
		if s.Aspect > 1 {
			height = int(float64(side) / s.Aspect)
		}
		if err := w.picture(stock, m.ID, m.Name, s.Render(height)); err != nil {
			return nil, err
		}
		stock.products = append(stock.products, clip.Product{
			ID: "product-" + m.ID, Name: m.Name, Price: m.Price, OldPrice: m.OldPrice, Currency: "EUR", Prop: m.ID,
		})
	}
	if err := w.picture(stock, "logo", "Ottermoss logo", logo(fonts)); err != nil {
		return nil, err
	}
	for i := range Tunes {
		t := &Tunes[i]
		progress(t.Name, (float64(len(models)+i))/steps)
		file := media.WAV(t.Play())
		if err := w.add(stock, t.ID, t.Name, file); err != nil {
			return nil, err
		}
		w.Tunes[t.ID] = WAV{t, file}
	}
	lantern, err := lanternWeekend(stock)
	if err != nil {
		return nil, err
	}
	parade, err := trailParade(stock)
	if err != nil {
		return nil, err
	}
	table, err := campTable(stock)
	if err != nil {
		return nil, err
	}
	w.Clips = []NamedClip{{"lantern-weekend", lantern}, {"morning-mug", morningMug(stock)}, {"trail-parade", parade}, {"camp-table", table}}
	for _, c := range w.Clips {
		if err := c.Clip.Validate(); err != nil {
			return nil, fmt.Errorf("the sample clip %s: %w", c.ID, err)
		}
	}
	progress("clips", 1)
	return w, nil
}

func (w *World) picture(s *stock, id, name string, m image.Image) error {
	var out bytes.Buffer
	if err := png.Encode(&out, m); err != nil {
		return err
	}
	return w.add(s, id, name, out.Bytes())
}

// add brings a file in as a person would.
func (w *World) add(s *stock, id, name string, file []byte) error {
	spool, err := media.NewSpool(bytes.NewReader(file), int64(len(file)))
	if err != nil {
		return err
	}
	defer spool.Close()
	p, kept, err := media.Examine(context.Background(), name, spool, media.DefaultLimits())
	if err != nil {
		return err
	}
	if kept != spool {
		kept.Close()
		return fmt.Errorf("%s would be kept in another form than it was made in", name)
	}
	p.ID, p.Name, p.Credit = id, name, "Made by code for the sample world; free to use"
	s.props[p.ID] = p
	w.Props = append(w.Props, p)
	w.Files[p.Hash] = file
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
