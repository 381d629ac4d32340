package export

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"image/jpeg"
	"os"
	"runtime"
	"sync"
	"syscall"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
	"billow/core/preflight"
	"billow/store"
)

// posterQuality is that of the JPEG.
const posterQuality = 78

// drawPosters is what the process does.
func drawPosters() error {
	in := json.NewDecoder(os.Stdin)
	var hello posterHello
	if err := in.Decode(&hello); err != nil {
		return err
	}
	limitMemory(hello.Memory)
	_ = syscall.Setpriority(syscall.PRIO_PROCESS, 0, 5)
	s, err := store.Connect(context.Background(), hello.Database)
	if err != nil {
		return err
	}
	defer s.Close()
	lib := Library()
	p := posterPainter{lib, &pictureShelf{lib: lib, files: s.Open, coarse: s, most: hello.Memory / 4, sizes: map[string]int64{}, held: map[string]int{}}}
	var clips sync.Map // by key; the last one is enough, but others may be on their way
	jobs, out := make(chan posterRequest), bufio.NewWriter(os.Stdout)
	var mu sync.Mutex
	var work sync.WaitGroup
	for range 4 * runtime.GOMAXPROCS(0) { // most of them wait for a picture
		work.Go(func() {
			for r := range jobs {
				a := posterAnswer{N: r.N}
				c, _ := clips.Load(r.Key)
				poster, err := p.draw(context.Background(), c.(*clip.Clip), r)
				if a.Findings, a.jpeg = poster.Findings, poster.JPEG; err != nil {
					a.Failed = reason(err)
				}
				a.Bytes = len(a.jpeg)
				mu.Lock()
				_ = json.NewEncoder(out).Encode(a) // without a reader there is nothing left to say
				_, _ = out.Write(a.jpeg)
				_ = out.Flush()
				mu.Unlock()
			}
		})
	}
	defer work.Wait()
	defer close(jobs)
	var keys []string
	for {
		var r posterRequest
		if err := in.Decode(&r); err != nil {
			return nil // nobody asks any more
		}
		if r.Clip != nil {
			c, err := clip.Parse(r.Clip)
			if err != nil {
				return err
			}
			clips.Store(r.Key, c)
			if keys = append(keys, r.Key); len(keys) > 4 {
				clips.Delete(keys[0])
				keys = keys[1:]
			}
		}
		jobs <- r
	}
}

type posterPainter struct {
	lib      *frame.Library
	pictures *pictureShelf
}

func (p *posterPainter) draw(ctx context.Context, c *clip.Clip, r posterRequest) (Poster, error) {
	v, problems, err := edit.Variant(c, r.Variant)
	if err != nil {
		return Poster{}, err
	}
	return p.poster(ctx, v, problems, r)
}

// poster looks a variant over, and draws it if it is wanted. Its pictures stay for those that show them, too.
func (p *posterPainter) poster(ctx context.Context, v *clip.Clip, problems []string, r posterRequest) (Poster, error) {
	shape, err := v.Shape(r.Shape)
	if err != nil {
		return Poster{}, err
	}
	if r.Side == 0 {
		return Poster{Findings: Look(v, problems, shape, r.At, p.lib)}, nil
	}
	k := float64(r.Side) / float64(max(shape.W, shape.H))
	w, h := max(2, int(float64(shape.W)*k)), max(2, int(float64(shape.H)*k))
	done, err := p.pictures.hold(ctx, v, frame.Halvings(v, shape, w, h, p.lib))
	if err != nil {
		return Poster{}, err
	}
	defer done()
	stage, err := frame.Prepare(v, shape, w, h, p.lib)
	if err != nil {
		return Poster{}, err
	}
	b := paint.NewBitmap(w, h)
	stage.Painter().Draw(b, min(r.At, v.Length-1))
	if err := stage.Failed(); err != nil {
		return Poster{}, err
	}
	var out bytes.Buffer
	if err := jpeg.Encode(&out, b.Image(), &jpeg.Options{Quality: posterQuality}); err != nil {
		return Poster{}, err
	}
	return Poster{JPEG: out.Bytes()}, nil
}

// Look looks a variant over; problems are those of what was adjusted.
func Look(v *clip.Clip, problems []string, shape clip.Shape, at int, lib *frame.Library) []preflight.Finding {
	out := []preflight.Finding{}
	for _, says := range problems {
		out = append(out, preflight.Finding{Says: "an adjustment no longer fits: " + says})
	}
	return append(out, preflight.Check(v, shape, min(at, v.Length-1), lib)...)
}
