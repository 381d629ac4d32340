package media

import (
	"bytes"
	"context"
	"io"

	"billow/core/clip"
	"billow/core/cutout"
)

// Cut is a cut-out as it goes to the shelf.
type Cut struct {
	cutout.Finished
	Prop clip.Prop
	File *Spool // a PNG
}

// CutOut follows an order on the file of a photo, when it is its turn: that takes memory
// and time. Errors name the part of the order that cannot be followed.
func CutOut(ctx context.Context, name string, photo io.ReadSeeker, o cutout.Order, limits Limits) (Cut, error) {
	size, err := Size(photo, limits)
	if err != nil {
		return Cut{}, err
	}
	if _, err := photo.Seek(0, io.SeekStart); err != nil {
		return Cut{}, err
	}
	made, file, err := cutFile(ctx, photo, 2*Cost(size), o)
	if err != nil {
		return Cut{}, err
	}
	prop, kept, err := Examine(ctx, name+".png", file, limits)
	if err != nil {
		file.Close()
		return Cut{}, err
	}
	return Cut{made, prop, kept}, nil
}

func cutFile(ctx context.Context, photo io.Reader, cost int64, o cutout.Order) (made cutout.Finished, file *Spool, err error) {
	free, err := Take(ctx, cost)
	if err != nil {
		return made, nil, err
	}
	defer free()
	bitmap, err := Picture(photo)
	if err != nil {
		return made, nil, err
	}
	if made, err = cutout.Finish(bitmap, o); err != nil {
		return made, nil, err
	}
	png, err := EncodePNG(made.Picture)
	if err != nil {
		return made, nil, err
	}
	file, err = NewSpool(bytes.NewReader(png), int64(len(png)))
	return made, file, err
}
