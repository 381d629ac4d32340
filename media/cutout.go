package media

import (
	"bytes"
	"context"
	"io"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/core/paint"
)

// Cut is a cut-out as it goes to the shelf. Its files are to be closed.
type Cut struct {
	cutout.Finished
	Prop   clip.Prop
	File   *Spool     // a PNG
	Shade  *clip.Prop // the photo's shadow, when it is kept
	Shadow *Spool
}

// Close lets go of the files.
func (c *Cut) Close() {
	for _, f := range []*Spool{c.File, c.Shadow} {
		if f != nil {
			f.Close()
		}
	}
}

// CutOut follows an order on the file of a photo, when it is its turn: that takes memory
// and time. Errors name the part of the order that cannot be followed.
func CutOut(ctx context.Context, name string, photo io.ReadSeeker, o cutout.Order, limits Limits) (c Cut, err error) {
	size, err := Size(photo, limits)
	if err != nil {
		return c, err
	}
	if _, err := photo.Seek(0, io.SeekStart); err != nil {
		return c, err
	}
	defer func() {
		if err != nil {
			c.Close()
		}
	}()
	if err := c.make(ctx, photo, 2*Cost(size), o); err != nil {
		return c, err
	}
	if c.Prop, err = shelvable(ctx, name, &c.File, limits); err != nil || c.Shadow == nil {
		return c, err
	}
	shade, err := shelvable(ctx, "Shadow of "+name, &c.Shadow, limits)
	c.Shade = &shade
	return c, err
}

// shelvable is a picture as a prop, and its file as it is kept.
func shelvable(ctx context.Context, name string, file **Spool, limits Limits) (clip.Prop, error) {
	p, kept, err := Examine(ctx, name+".png", *file, limits)
	if err == nil && kept != *file {
		(*file).Close()
		*file = kept
	}
	return p, err
}

func (c *Cut) make(ctx context.Context, photo io.Reader, cost int64, o cutout.Order) error {
	free, err := Take(ctx, cost)
	if err != nil {
		return err
	}
	defer free()
	bitmap, err := Picture(photo)
	if err != nil {
		return err
	}
	if c.Finished, err = cutout.Finish(bitmap, o); err != nil {
		return err
	}
	if c.File, err = pngSpool(c.Picture); err != nil || c.Finished.Shadow == nil {
		return err
	}
	c.Shadow, err = pngSpool(c.Finished.Shadow.Picture)
	return err
}

func pngSpool(b *paint.Bitmap) (*Spool, error) {
	png, err := EncodePNG(b)
	if err != nil {
		return nil, err
	}
	return NewSpool(bytes.NewReader(png), int64(len(png)))
}
