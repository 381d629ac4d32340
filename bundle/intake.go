package bundle

import (
	"context"

	"billow/core/clip"
	"billow/media"
)

// Keep is handed what is to be kept of a file of a bundle.
type Keep func(p clip.Prop, s *media.Spool) error

// Intake examines all files of a bundle as if each was brought in by itself,
// hands over what is to be kept, and changes the clip accordingly: what a
// bundle says of its files is not believed.
func (b *Bundle) Intake(ctx context.Context, limits media.Limits, keep Keep) error {
	now := map[string]clip.Prop{} // what is kept of files of the bundle, by their hashes
	for i := range b.Clip.Props {
		p := &b.Clip.Props[i]
		was := p.Hash
		err := b.intake(ctx, was, p.Name, limits, func(found clip.Prop, s *media.Spool) error {
			return keepAs(p, found, s, keep)
		})
		if err != nil {
			return err
		}
		now[was] = *p
	}
	if err := b.intakeCuts(ctx, limits, now, keep); err != nil {
		return err
	}
	return b.Clip.Validate()
}

// intakeCuts takes in the photos of cuts, and what else they name that the clip does not show.
func (b *Bundle) intakeCuts(ctx context.Context, limits media.Limits, now map[string]clip.Prop, keep Keep) error {
	for i := range b.Cuts {
		k := &b.Cuts[i]
		for _, hash := range []*string{&k.Photo, &k.Result, &k.Shadow} {
			was := *hash
			if was == "" {
				continue
			}
			if _, known := now[was]; !known {
				err := b.intake(ctx, was, k.Name, limits, func(found clip.Prop, s *media.Spool) error {
					now[was] = found
					return keep(found, s)
				})
				if err != nil {
					return err
				}
			}
			if now[was].Picture == nil {
				return clip.Fault("bundle", "%q is said to be cut out of a picture, and there is none", k.Name)
			}
			*hash = now[was].Hash
		}
	}
	return nil
}

func (b *Bundle) intake(ctx context.Context, hash, name string, limits media.Limits, keep Keep) error {
	r, err := b.Open(ctx, hash)
	if err != nil {
		return err
	}
	defer r.Close()
	s, err := media.NewSpool(r, MaxFile)
	if err != nil {
		return err
	}
	defer s.Close()
	found, kept, err := media.Examine(ctx, name, s, limits)
	if err != nil {
		return err
	}
	if kept != s {
		defer kept.Close()
	}
	return keep(found, kept)
}

// keepAs hands over what was found in the file of a prop, and lets the prop say so.
func keepAs(p *clip.Prop, found clip.Prop, s *media.Spool, keep Keep) error {
	if found.Kind != p.Kind {
		return clip.Fault("bundle", "%q is said to be a %s and is a %s", p.Name, p.Kind, found.Kind)
	}
	p.Hash, p.Media = found.Hash, found.Media
	if found.Footage != nil {
		if p.Footage != nil {
			found.Footage.Sound = p.Footage.Sound // where its sound is, if it is anywhere
		}
		p.Footage = found.Footage
	}
	if found.Picture != nil {
		p.Picture = found.Picture
	} else {
		p.Sound.Seconds = found.Sound.Seconds // its beats may have been corrected by hand
	}
	found.ID, found.Name, found.Credit = p.ID, p.Name, p.Credit
	return keep(found, s)
}
