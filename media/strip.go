package media

import (
	"bytes"
	"fmt"
	"image"
	"image/draw"
	"image/jpeg"
	"io"

	"billow/core/footage"
)

// A strip has stripFrames pictures of footage side by side, each stripHeight pixels high.
const (
	stripFrames = 12
	stripHeight = 96
)

// Strip is a few pictures of footage, from all of its time, side by side: a PNG where it has clear
// parts, else a JPEG.
func Strip(s io.ReaderAt) (b []byte, mediaType string, err error) {
	f, err := OpenFilm(s)
	if err != nil {
		return nil, "", err
	}
	r := footage.NewReel(f, Part(s))
	var strip *image.RGBA
	for i := range stripFrames {
		at := f.Seconds() * (float64(i) + 0.5) / stripFrames
		p, _, err := r.Picture(f.At(at), stripHeight/float64(f.H))
		if err != nil {
			return nil, "", err
		}
		one := p.Picture
		// Down to the height that was asked for, by halves, so that it does not shimmer.
		n := 0
		for one.H > 2*stripHeight {
			n++
			one = p.Level(n)
		}
		m := one.Image()
		if strip == nil {
			strip = image.NewRGBA(image.Rect(0, 0, stripFrames*m.Rect.Dx(), m.Rect.Dy()))
		}
		draw.Draw(strip, m.Rect.Add(image.Pt(i*m.Rect.Dx(), 0)), m, image.Point{}, draw.Src)
	}
	if f.Alpha {
		p, err := pngOf(strip)
		return p, "image/png", err
	}
	var out bytes.Buffer
	err = jpeg.Encode(&out, strip, &jpeg.Options{Quality: 80})
	return out.Bytes(), "image/jpeg", err
}

// Middle is the frame in the middle of footage as a picture; it is to be closed.
func Middle(s io.ReaderAt) (*Spool, error) {
	f, err := OpenFilm(s)
	if err != nil {
		return nil, err
	}
	p, _, err := footage.NewReel(f, Part(s)).Picture(f.Frames()/2, 0.5)
	if err != nil {
		return nil, err
	}
	b, err := EncodePNG(p.Picture)
	if err != nil {
		return nil, err
	}
	return NewSpool(bytes.NewReader(b), int64(len(b)))
}

// Frame is a frame of footage, from 0 on, as a JPEG: its colours alone.
func Frame(s io.ReaderAt, n int) ([]byte, error) {
	f, err := OpenFilm(s)
	if err != nil {
		return nil, err
	}
	if n < 0 || n >= f.Frames() {
		return nil, fmt.Errorf("the footage has %d frames", f.Frames())
	}
	return footage.NewReel(f, Part(s)).Coded(n)
}
