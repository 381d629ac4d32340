package media

import (
	"context"
	"errors"
	"fmt"
	"io"
	"slices"

	"billow/core/cutout"
	"billow/core/footage"
)

// CutFootage follows an order on footage as it is kept, and gives the same moving pictures
// with the thing alone, in time with what they were. Their sound is left to the caller.
func CutFootage(ctx context.Context, name string, file io.ReaderAt, o cutout.Order, limits Limits, progress func(share float64)) (*Taken, cutout.Found, error) {
	film, err := OpenFilm(file)
	if err != nil {
		return nil, cutout.Found{}, err
	}
	film.Opaque()
	moving, err := cutout.OpenReel(footage.NewReel(film, Part(file)))
	if err != nil {
		return nil, cutout.Found{}, err
	}
	if err := moving.Check(o); err != nil {
		return nil, cutout.Found{}, err
	}
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	r := newCutReader(ctx, film, moving, o, progress)
	p := probed{film: true, alpha: true, w: film.W, h: film.H, pixels: "rgba", base: r.base(), seconds: film.Seconds()}
	kept, err := p.run(ctx, []string{
		"-f", "rawvideo", "-pixel_format", "rgba", "-video_size", fmt.Sprintf("%dx%d", film.W, film.H), "-framerate", r.rate(), "-i", "pipe:0",
	}, nil, r, limits, func(float64) {})
	if r.err != nil {
		err = r.err
	}
	if err != nil {
		if kept != nil {
			kept.Close()
		}
		return nil, cutout.Found{}, err
	}
	t, err := ofFilm(ctx, titled(name), kept)
	if errors.Is(err, ErrNothingVisible) {
		err = cutout.ErrNothing
	}
	if err != nil {
		kept.Close()
		return nil, cutout.Found{}, err
	}
	return t, cutout.Sum(r.found), nil
}

// cutReader gives the pixels of the cut pictures, one after the other, at an even rate: the
// usual time from picture to picture, or as often as that if some last longer.
type cutReader struct {
	ctx      context.Context
	film     *footage.Film
	moving   *cutout.Footage
	order    cutout.Order
	progress func(share float64)

	step  int64 // ticks
	slot  int   // the next
	frame int   // whose pixels are there
	pix   []byte
	left  []byte
	found []cutout.Found
	err   error
}

func newCutReader(ctx context.Context, film *footage.Film, moving *cutout.Footage, o cutout.Order, progress func(float64)) *cutReader {
	var lasts []int64
	for i := range film.Frames() {
		lasts = append(lasts, film.Start[i+1]-film.Start[i])
	}
	slices.Sort(lasts)
	return &cutReader{ctx: ctx, film: film, moving: moving, order: o, progress: progress, step: max(lasts[len(lasts)/2], 1), frame: -1}
}

func (r *cutReader) rate() string { return fmt.Sprintf("%d/%d", r.film.Scale, r.step) }
func (r *cutReader) base() string { return fmt.Sprintf("1/%d", r.film.Scale) }

func (r *cutReader) Read(b []byte) (int, error) {
	if len(r.left) == 0 {
		at := int64(r.slot) * r.step
		if at+r.step/2 > r.film.Start[r.film.Frames()] {
			return 0, io.EOF
		}
		r.slot++
		if r.err = r.show(r.film.At((float64(at) + float64(r.step)/2) / float64(r.film.Scale))); r.err != nil {
			return 0, r.err
		}
	}
	n := copy(b, r.left)
	r.left = r.left[n:]
	return n, nil
}

func (r *cutReader) show(frame int) error {
	if frame != r.frame {
		if err := r.ctx.Err(); err != nil {
			return err
		}
		d, err := r.moving.Cut(frame, r.order, true)
		if err != nil {
			return err
		}
		whole := d.Whole()
		f := d.Found()
		f.Bounds, _ = whole.Visible()
		r.found = append(r.found, f)
		r.frame, r.pix = frame, whole.Straight()
		r.progress(float64(frame+1) / float64(r.film.Frames()))
	}
	r.left = r.pix
	return nil
}
