package media

import (
	"bytes"
	"context"
	"errors"
	"slices"

	"billow/core/clip"
	"billow/core/layered"
)

// Layered is a layered picture that was taken apart. Its files are to be closed.
type Layered struct {
	Name   string
	Props  []clip.Prop
	Files  []*Spool // of the props
	Layers []clip.Layer
	Notes  []string // what is not shown as it is meant
}

// Close lets go of the files.
func (l *Layered) Close() {
	for _, f := range l.Files {
		f.Close()
	}
}

// TakeLayered reads a layered picture in the OpenRaster format. Errors are as those of
// Examine.
func TakeLayered(ctx context.Context, name string, s *Spool, limits Limits) (*Layered, error) {
	out := &Layered{Name: titled(name)}
	err := out.take(ctx, s, limits)
	if err != nil {
		out.Close()
		return nil, faulty(ctx, name, err)
	}
	return out, nil
}

func (out *Layered) take(ctx context.Context, s *Spool, limits Limits) error {
	free, err := Take(ctx, 2*s.Bytes)
	if err != nil {
		return err
	}
	p, err := layered.Read(s, s.Bytes)
	free()
	if err != nil {
		return err
	}
	made := map[*layered.Layer]place{}
	if err := out.examine(ctx, p.Layers, made, limits); err != nil {
		return err
	}
	if len(out.Props) == 0 {
		return ErrNothingVisible
	}
	out.Layers, out.Notes = p.InClip(out.Name, func(l *layered.Layer) (*clip.Prop, float64) {
		at, ok := made[l]
		if !ok {
			return nil, 0
		}
		return &out.Props[at.prop], at.smaller
	})
	return nil
}

// place is which prop a layer has become, and by how much it was made smaller.
type place struct {
	prop    int
	smaller float64
}

func (out *Layered) examine(ctx context.Context, list []layered.Layer, made map[*layered.Layer]place, limits Limits) error {
	for i := range list {
		l := &list[i]
		if err := out.examine(ctx, l.Stack, made, limits); err != nil {
			return err
		}
		if l.Group {
			continue
		}
		spool, err := NewSpool(bytes.NewReader(l.PNG), int64(len(l.PNG)))
		if err != nil {
			return err
		}
		l.PNG = nil
		size, err := Size(spool.Again(), limits)
		if err != nil {
			spool.Close()
			return err
		}
		title := Title(l.Name)
		if l.Name == "" {
			title = out.Name
		}
		prop, kept, err := picture(ctx, "prop-"+spool.Hash[:12], title, spool, limits)
		if errors.Is(err, ErrNothingVisible) {
			spool.Close()
			continue
		}
		if err != nil {
			spool.Close()
			return err
		}
		if kept != spool {
			spool.Close()
		}
		at := slices.IndexFunc(out.Props, func(p clip.Prop) bool { return p.Hash == prop.Hash })
		if at < 0 {
			at = len(out.Props)
			out.Props, out.Files = append(out.Props, prop), append(out.Files, kept)
		} else {
			kept.Close()
		}
		made[l] = place{at, float64(out.Props[at].Picture.W) / float64(size.Width)}
	}
	return nil
}
