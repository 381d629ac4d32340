package demo

import (
	"bytes"
	"context"
	"fmt"
	"slices"

	"billow/core/clip"
	"billow/demo/film"
	"billow/media"
	"billow/stock/standin"

	"golang.org/x/sync/errgroup"
)

// brought is a file of the sample world, taken in as a person's would be.
type brought struct {
	prop clip.Prop
	file []byte
	tune *Tune // that it is, or nil
}

// fetched are the things of the stock shelf that the sample clips use.
var fetched = []string{"teal-rays", "honey-rays", "lime-slice", "orange-slice", "plum-studio", "starry-pines", "paper-hills", "red-ribbon", "riser"}

// bringAll makes all files and takes them in, several at a time: products, photos and their
// cuts, logo, tunes, footage, a table of colours, a voice.
func bringAll(side int) ([]brought, error) {
	pictured := slices.Concat(products, colourways)
	cut, err := Cuts()
	if err != nil {
		return nil, err
	}
	out := make([]brought, len(pictured)+3+len(Tunes)+len(film.Pieces)+len(fetched))
	snapped := make([]brought, len(Snaps)+len(cut))
	var g errgroup.Group
	for i, p := range pictured {
		g.Go(func() error {
			file, err := photo(p.ID, side)
			if err != nil {
				return err
			}
			out[i], err = bring(p.ID, p.Name, file)
			return err
		})
	}
	for i, s := range Snaps {
		g.Go(func() (err error) {
			snapped[i], err = bringKept(s.ID, s.Name, s.ID+".jpg")
			return err
		})
	}
	for i, c := range cut {
		g.Go(func() (err error) {
			snapped[len(Snaps)+i], err = bringKept(c.Result, c.Name, c.Result+".png")
			return err
		})
	}
	g.Go(func() error {
		file, err := encoded(logo())
		if err != nil {
			return err
		}
		out[len(pictured)], err = bring("logo", "Ottermoss logo", file)
		return err
	})
	g.Go(func() (err error) {
		out[len(out)-1-len(fetched)], err = bring("copper-dusk", "Copper dusk", dusk())
		return err
	})
	g.Go(func() (err error) {
		voice := &out[len(out)-2-len(fetched)]
		*voice, err = bring("ridge-voice", "Ridge voice", ridgeVoice)
		voice.prop.Credit = "Ridge voice, read by a machine for the sample world; free to use"
		return err
	})
	for i := range Tunes {
		g.Go(func() (err error) {
			t := &Tunes[i]
			b := &out[len(pictured)+1+i]
			*b, err = bring(t.ID, t.Name, media.WAV(t.Play()))
			b.tune = t
			return err
		})
	}
	for i, p := range film.Pieces {
		g.Go(func() (err error) {
			out[len(pictured)+1+len(Tunes)+i], err = bring(p.ID, p.Name, p.File())
			return err
		})
	}
	for i, id := range fetched {
		g.Go(func() (err error) {
			t, file, ok := standin.File(id)
			if !ok {
				return fmt.Errorf("the stock shelf has no %s", id)
			}
			b, err := bring(id, t.Name, file)
			b.prop.Credit = t.Credit()
			out[len(out)-len(fetched)+i] = b
			return err
		})
	}
	// What is fetched comes first, so that it lies behind the products on the shelf.
	err = g.Wait()
	at := len(out) - len(fetched)
	return slices.Concat(out[at:], snapped, out[:at]), err
}

// bringKept takes in a file of the folder of photos.
func bringKept(id, name, file string) (brought, error) {
	content, err := photos.ReadFile("photos/" + file)
	if err != nil {
		return brought{}, err
	}
	return bring(id, name, content)
}

// bring takes a file in.
func bring(id, name string, file []byte) (b brought, err error) {
	spool, err := media.NewSpool(bytes.NewReader(file), int64(len(file)))
	if err != nil {
		return b, err
	}
	defer spool.Close()
	p, kept, err := media.Examine(context.Background(), name, spool, media.DefaultLimits())
	if err != nil {
		return b, err
	}
	if kept != spool {
		kept.Close()
		return b, fmt.Errorf("%s would be kept in another form than it was made in", name)
	}
	p.ID, p.Name, p.Credit = id, name, "Made by code for the sample world; free to use"
	return brought{prop: p, file: file}, nil
}
