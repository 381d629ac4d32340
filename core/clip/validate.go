package clip

import (
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/offer"
)

// Limits of a clip.
const (
	MaxSeconds = 600
	MaxLayers  = 500
	MaxKeys    = 5000 // of one property of one layer
	MaxText    = 2000 // letters
	MaxSide    = 4096 // pixels of a shape
	MinSide    = 64
	MaxUnits   = 20000 // the farthest coordinate and the largest size
)

// ValidateAfter is Validate for a clip that was copied from a valid one: layers
// that it still shares with that, and products that are as they were, are not
// looked at again where nothing else can make them wrong.
func (c *Clip) ValidateAfter(from *Clip) error {
	changed, only := c.Changes(from)
	if !only {
		return c.Validate()
	}
	for _, id := range changed.Products {
		if err := c.validateProduct("products["+id+"]", c.Product(id)); err != nil {
			return err
		}
	}
	for _, id := range changed.Layers {
		if err := c.validateLayer("layers["+id+"]", c.Layer(id)); err != nil {
			return err
		}
	}
	return c.validateTies()
}

// Validate reports the first thing that is wrong, as a *FieldError, or nil.
func (c *Clip) Validate() error {
	if err := c.validateFrame(); err != nil {
		return err
	}
	if err := c.validateStock(); err != nil {
		return err
	}
	if len(c.Layers) > MaxLayers {
		return Fault("layers", "a clip has at most %d layers", MaxLayers)
	}
	seen := map[string]bool{}
	for i := range c.Layers {
		l := &c.Layers[i]
		if err := validID(fmt.Sprintf("layers[%d].id", i), l.ID); err != nil {
			return err
		}
		if seen[l.ID] {
			return Fault(fmt.Sprintf("layers[%d].id", i), "two layers have the id %q", l.ID)
		}
		seen[l.ID] = true
		if err := c.validateLayer("layers["+l.ID+"]", l); err != nil {
			return err
		}
	}
	return c.validateTies()
}

func (c *Clip) validateFrame() error {
	if err := validName("name", c.Name); err != nil {
		return err
	}
	if !c.Rate.Valid() {
		return Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", c.Rate)
	}
	if len(c.Shapes) == 0 {
		return Fault("shapes", "a clip needs at least one shape")
	}
	ids := map[string]bool{}
	for i, s := range c.Shapes {
		field := fmt.Sprintf("shapes[%d]", i)
		if err := validID(field+".id", s.ID); err != nil {
			return err
		}
		if ids[s.ID] {
			return Fault(field+".id", "two shapes are called %q", s.ID)
		}
		ids[s.ID] = true
		for _, side := range []int{s.W, s.H} {
			if side < MinSide || side > MaxSide || side%2 != 0 {
				return Fault(field, "a side has an even number of pixels from %d to %d, not %d", MinSide, MaxSide, side)
			}
		}
		if max(s.W, s.H) > 4*min(s.W, s.H) {
			return Fault(field, "one side is more than four times the other")
		}
	}
	if err := c.Tempo.Check(); err != nil {
		return Fault("tempo", "%v", err)
	}
	if l := c.Loudness; l != 0 && !(l >= -30 && l <= -9) {
		return Fault("loudness", "a clip is made as loud as -30 to -9 LUFS, not %g", l)
	}
	if p := c.Poster; p != nil {
		if f := c.Clock().Frame(*p); f < 0 || f >= c.Length {
			return Fault("poster", "the poster frame lies outside the clip")
		}
	}
	return firstError(c.validateScenes(), c.validateMarks(), c.validateLight())
}

func (c *Clip) validateMarks() error {
	clock, last := c.Clock(), -1
	if len(c.Markers) > 500 {
		return Fault("markers", "a clip has at most 500 markers")
	}
	for i, m := range c.Markers {
		field := fmt.Sprintf("markers[%d]", i)
		f := clock.Frame(m.At)
		if f < 0 || f >= c.Length {
			return Fault(field+".at", "%q lies outside the clip", m.Name)
		}
		if f <= last {
			return Fault(field+".at", "%q is not later than the one before it", m.Name)
		}
		last = f
		if err := validName(field+".name", m.Name); err != nil {
			return err
		}
	}
	if r := c.Range; r != nil {
		if in, out := clock.Frame(r.In), clock.Frame(r.Out); in < 0 || out > c.Length || in >= out {
			return Fault("range", "the range from frame %d to %d does not lie within the clip's %d frames", in, out, c.Length)
		}
	}
	return nil
}

func (c *Clip) validateLight() error {
	l := c.Light
	return firstError(
		within("light.direction", l.Direction, -3600, 3600),
		within("light.height", l.Height, 10, 90),
		within("light.softness", l.Softness, 0, 100),
		within("light.strength", l.Strength, 0, 100),
		c.validateTracks("light.tracks", nil, l.Tracks, LightHas),
	)
}

func (c *Clip) validateStock() error {
	seen := map[string]bool{}
	for i, p := range c.Props {
		field := fmt.Sprintf("props[%d]", i)
		if err := firstError(validID(field+".id", p.ID), validName(field+".name", p.Name)); err != nil {
			return err
		}
		if seen[p.ID] {
			return Fault(field+".id", "two props have the id %q", p.ID)
		}
		seen[p.ID] = true
		if len(p.Hash) != 64 || strings.Trim(p.Hash, "0123456789abcdef") != "" {
			return Fault(field+".hash", "a hash is 64 hexadecimal digits")
		}
		if err := validProp(field, &p); err != nil {
			return err
		}
	}
	for i, p := range c.Products {
		field := fmt.Sprintf("products[%d]", i)
		if err := validID(field+".id", p.ID); err != nil {
			return err
		}
		if seen[p.ID] {
			return Fault(field+".id", "two things have the id %q", p.ID)
		}
		seen[p.ID] = true
		if err := c.validateProduct(field, &p); err != nil {
			return err
		}
	}
	if c.Language != "" && !offer.Known(c.Language) {
		return Fault("language", "there is no language %q", c.Language)
	}
	if !c.hasProduct(c.Shown, false) {
		return Fault("shown", "there is no product %q", c.Shown)
	}
	if err := c.validateVariants(); err != nil {
		return err
	}
	return c.validateSounds()
}

func validProp(field string, p *Prop) error {
	switch {
	case (p.Kind == KindCutout && p.Footage == nil || p.Kind == KindFootage && p.Footage != nil) && p.Picture != nil && p.Sound == nil:
		v := p.Picture
		b := v.Visible
		if v.W < 1 || v.H < 1 || b[0] < 0 || b[1] < 0 || b[2] > v.W || b[3] > v.H || b[0] >= b[2] || b[1] >= b[3] {
			return Fault(field+".picture", "%q has no visible part, or bounds outside it", p.Name)
		}
		if f := p.Footage; f != nil && (!(f.Seconds > 0 && f.Seconds <= MaxFootage) || f.Frames < 1) {
			return Fault(field+".footage", "%q has no length", p.Name)
		}
	case p.Kind == KindTune && p.Sound != nil && p.Picture == nil && p.Footage == nil:
		if !(p.Sound.Seconds > 0 && p.Sound.Seconds < 36000) {
			return Fault(field+".sound", "%q has no length", p.Name)
		}
		if err := p.Sound.Tempo.Check(); err != nil {
			return Fault(field+".sound.tempo", "%v", err)
		}
	case p.Kind == KindFont && p.Font != nil && p.Picture == nil && p.Sound == nil:
		if len(p.Hash) < 12 || p.ID != OwnFontID(p.Hash) {
			return Fault(field+".id", "the font %q goes by another name", p.Name)
		}
		if !slices.Contains(Embeddings.IDs(), p.Font.Embedding) {
			return Fault(field+".font.embedding", "a font says %q of embedding", p.Font.Embedding)
		}
	case p.Kind == KindTable && p.Table != nil && p.Picture == nil && p.Sound == nil && p.Font == nil:
		if p.Table.Size < 2 {
			return Fault(field+".table", "%q has no points", p.Name)
		}
	default:
		return Fault(field+".kind", "a prop is a cutout with a picture, footage, a tune with a sound, a font, or a table of colours")
	}
	return nil
}

// validID accepts letters, digits, '-' and '_', 1 to 64 of them.
func validID(field, id string) error {
	ok := len(id) >= 1 && len(id) <= 64
	for _, r := range id {
		ok = ok && (r == '-' || r == '_' || r >= '0' && r <= '9' || r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z')
	}
	if !ok {
		return Fault(field, "an id has 1 to 64 letters, digits, - or _, not %q", id)
	}
	return nil
}

func validName(field, name string) error {
	if strings.TrimSpace(name) == "" {
		return Fault(field, "a name is missing")
	}
	if utf8.RuneCountInString(name) > 200 {
		return Fault(field, "a name has at most 200 letters")
	}
	if strings.ContainsRune(name, 0) || !utf8.ValidString(name) {
		return Fault(field, "a name holds something that is no letter")
	}
	return nil
}

// within also refuses NaN, which lies in no range.
func within(field string, v, lo, hi float64) error {
	if v >= lo && v <= hi {
		return nil
	}
	return outside(field, v, lo, hi)
}

func firstError(errs ...error) error {
	for _, err := range errs {
		if err != nil {
			return err
		}
	}
	return nil
}
