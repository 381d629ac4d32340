// Package export turns clips into files: it draws all frames in parallel, feeds
// them to the encoder in order, and runs exports as jobs.
package export

import (
	"context"
	"fmt"
	"io"
	"os"
	"runtime"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/cube"
	"billow/core/frame"
	"billow/core/mix"
	"billow/core/paint"
	"billow/core/words"
	"billow/fonts"
	"billow/media"
)

// cacheBytes is how much a process keeps of what it could make again.
const cacheBytes = 384 << 20

// Library is a new library with Billow's fonts.
func Library() *frame.Library {
	return frame.NewLibrary(fonts.All(), cacheBytes)
}

// Files opens a file by its hash.
type Files func(ctx context.Context, hash string) (io.ReadCloser, error)

// Load decodes the pictures of a clip into a library, and reads its own fonts.
func Load(ctx context.Context, c *clip.Clip, lib *frame.Library, files Files) error {
	for _, p := range c.Needs() {
		if p.Font != nil {
			if err := loadFont(ctx, p, lib, files); err != nil {
				return fmt.Errorf("%q: %w", p.Name, err)
			}
		}
		if p.Table != nil && lib.Table(p.Hash) == nil {
			if err := loadTable(ctx, p, lib, files); err != nil {
				return fmt.Errorf("%q: %w", p.Name, err)
			}
		}
		if p.Picture == nil || lib.Source(p.Hash) != nil {
			continue
		}
		if err := load(ctx, p, lib, files); err != nil {
			return fmt.Errorf("%q: %w", p.Name, err)
		}
	}
	return nil
}

func load(ctx context.Context, p *clip.Prop, lib *frame.Library, files Files) error {
	if p.Footage != nil {
		return loadFootage(ctx, p, lib, files)
	}
	bitmap, err := decoded(ctx, p, files)
	if err == nil {
		lib.AddPicture(p.Hash, bitmap)
	}
	return err
}

// decoded is a prop's picture.
func decoded(ctx context.Context, p *clip.Prop, files Files) (*paint.Bitmap, error) {
	s, err := spooled(ctx, p, files)
	if err != nil {
		return nil, err
	}
	defer s.Close()
	size, err := media.Size(s.Again(), media.DefaultLimits())
	if err != nil {
		return nil, err
	}
	free, err := media.Take(ctx, media.Cost(size))
	if err != nil {
		return nil, err
	}
	defer free()
	return media.Picture(s.Again())
}

func loadTable(ctx context.Context, p *clip.Prop, lib *frame.Library, files Files) error {
	b, err := small(ctx, p, files, cube.MaxBytes)
	if err != nil {
		return err
	}
	t, err := cube.Read(b)
	if err == nil {
		lib.AddTable(p.Hash, t)
	}
	return err
}

// small is a prop's file as a whole.
func small(ctx context.Context, p *clip.Prop, files Files, most int64) ([]byte, error) {
	r, err := files(ctx, p.Hash)
	if err != nil {
		return nil, fmt.Errorf("its file is missing: %w", err)
	}
	defer r.Close()
	return io.ReadAll(io.LimitReader(r, most))
}

func loadFont(ctx context.Context, p *clip.Prop, lib *frame.Library, files Files) error {
	ttf, err := small(ctx, p, files, words.MaxFont)
	if err != nil {
		return err
	}
	lib.Fonts.Own(p.ID, func() ([]byte, error) { return ttf, nil })
	return nil
}

// spooled is a prop's file on disk.
func spooled(ctx context.Context, p *clip.Prop, files Files) (*media.Spool, error) {
	r, err := files(ctx, p.Hash)
	if err != nil {
		return nil, fmt.Errorf("its file is missing: %w", err)
	}
	defer r.Close()
	return media.NewSpool(r, bundle.MaxFile)
}

// Sound mixes the sound of a clip; nil without sounds.
func Sound(ctx context.Context, c *clip.Clip, files Files) ([]float32, error) {
	if len(c.Sounds) == 0 {
		return nil, nil
	}
	source, err := sounds(ctx, c, files)
	if err != nil {
		return nil, err
	}
	mixed, _ := mix.Mix(c, source)
	return mixed, nil
}

// Stems are the sounds of a clip, each by itself.
func Stems(ctx context.Context, c *clip.Clip, files Files) ([]mix.Stem, error) {
	source, err := sounds(ctx, c, files)
	if err != nil {
		return nil, err
	}
	return mix.Stems(c, source), nil
}

// sounds decodes what the sounds of a clip are made of.
func sounds(ctx context.Context, c *clip.Clip, files Files) (func(*clip.Prop) []float32, error) {
	needed := map[string]float64{}
	for i := range c.Sounds {
		t := &c.Sounds[i]
		needed[t.Prop] = max(needed[t.Prop], mix.Needed(c, t))
	}
	decoded := map[string][]float32{}
	for id, seconds := range needed {
		p := c.Prop(id)
		pcm, err := decode(ctx, p, files, seconds)
		if err != nil {
			return nil, fmt.Errorf("%q: %w", p.Name, err)
		}
		decoded[id] = pcm
	}
	return func(p *clip.Prop) []float32 { return decoded[p.ID] }, nil
}

// decode reads so many seconds of a sound.
func decode(ctx context.Context, p *clip.Prop, files Files, seconds float64) ([]float32, error) {
	s, err := spooled(ctx, p, files)
	if err != nil {
		return nil, err
	}
	defer s.Close()
	return media.DecodeSound(ctx, s, seconds)
}

// MP4 renders a clip in a shape; quick for a look at it. progress hears how many frames are done. The
// file has no name; see media.Encode.
func MP4(ctx context.Context, c *clip.Clip, shape clip.Shape, lib *frame.Library, files Files, quick bool, progress func(done int)) (*os.File, error) {
	if err := Load(ctx, c, lib, files); err != nil {
		return nil, err
	}
	stage, err := frame.Prepare(c, shape, shape.W, shape.H, lib)
	if err != nil {
		return nil, err
	}
	sound, err := Sound(ctx, c, files)
	if err != nil {
		return nil, err
	}
	v := media.Video{W: shape.W, H: shape.H, Rate: int(c.Rate), Sound: sound, Quick: quick}
	return media.Encode(ctx, v, func(w io.Writer) error {
		return Frames(ctx, stage, c.Length, w, progress)
	})
}

// Frames draws all frames of a stage and writes them in order as 4:2:0. A few
// frames are drawn at once, so memory does not grow with the clip.
func Frames(ctx context.Context, stage *frame.Stage, length int, w io.Writer, progress func(done int)) error {
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	workers := runtime.GOMAXPROCS(0)
	free := make(chan []byte, 2*workers)
	for range cap(free) {
		free <- make([]byte, paint.YUVSize(stage.W, stage.H))
	}
	type job struct {
		frame int
		into  []byte
		done  chan error
	}
	jobs, order := make(chan job), make(chan job, cap(free))
	for range workers {
		go func() {
			painter, canvas := stage.Painter(), paint.NewBitmap(stage.W, stage.H)
			for j := range jobs {
				painter.Draw(canvas, j.frame)
				paint.ToYUV(j.into, canvas)
				j.done <- stage.Failed()
			}
		}()
	}
	go func() {
		defer close(jobs)
		defer close(order)
		for n := range length {
			select {
			case buf := <-free:
				j := job{n, buf, make(chan error, 1)}
				order <- j
				jobs <- j
			case <-ctx.Done():
				return
			}
		}
	}()
	for j := range order {
		if err := <-j.done; err != nil {
			return err
		}
		if ctx.Err() != nil {
			return ctx.Err()
		}
		if _, err := w.Write(j.into); err != nil {
			return err
		}
		free <- j.into
		progress(j.frame + 1)
	}
	return ctx.Err()
}

// Still draws one frame at any size with the shape's proportions.
func Still(ctx context.Context, c *clip.Clip, shape clip.Shape, w, h, at int, lib *frame.Library, files Files) (*paint.Bitmap, error) {
	if err := Load(ctx, c, lib, files); err != nil {
		return nil, err
	}
	stage, err := frame.Prepare(c, shape, w, h, lib)
	if err != nil {
		return nil, err
	}
	b := paint.NewBitmap(w, h)
	stage.Painter().Draw(b, min(max(at, 0), c.Length-1))
	return b, stage.Failed()
}
