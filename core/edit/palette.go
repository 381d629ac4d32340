package edit

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/palette"
)

// SetPalette gives all layers, or those of a scene and those over and beneath all scenes, the
// colours of a palette by what they are for. Colours that have keys stay, and how opaque each
// is.
type SetPalette struct {
	Typed
	Palette palette.Palette `json:"palette"`
	Scene   string          `json:"scene,omitempty"`
}

func (s *SetPalette) apply(c *clip.Clip) error {
	if s.Scene != "" {
		if l := c.Layer(s.Scene); l == nil || l.Scene == nil {
			return clip.Fault("scene", "there is no scene %q; it may have been deleted", s.Scene)
		}
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		if p, in := c.SceneOf(l); s.Scene != "" && in && p.ID != s.Scene {
			continue
		}
		dress(c.Own(l.ID), &s.Palette)
	}
	if s.Scene == "" { // the light is that of all scenes
		c.Light.Colour = s.Palette.Shade
	}
	return nil
}

// dress gives a layer the colours of a palette.
func dress(l *clip.Layer, p *palette.Palette) {
	put := func(property string, to *colour.Colour, c colour.Colour) {
		if len(l.Tracks[property]) == 0 {
			c.A = to.A
			*to = c
		}
	}
	switch {
	case l.Words != nil:
		dressWords(l, p, put)
	case l.Backdrop != nil && l.Kind == clip.KindBackdrop:
		dressFill(l, &l.Backdrop.Fill, p.Top, p.Bottom, p.Glow, put)
	case l.Floor != nil:
		put(clip.WallColour, &l.Floor.Wall, p.Top)
		put(clip.GroundColour, &l.Floor.Ground, p.Bottom)
		put(clip.LightColour, &l.Floor.Light, p.Glow)
	case l.Pattern != nil:
		put(clip.FillColour, &l.Pattern.Fill, p.Ink)
	case l.Card != nil:
		thing := p.Glow
		if f := l.Card.Form; f == "burst" || f == "star" || f == "arrow" || f == "line" || f == "tag" || f == "ticket" || f == "ribbon" {
			thing = p.Plate
		}
		put(clip.FillColour, &l.Card.Fill, thing)
		put(clip.OutlineColour, &l.Card.Outline, p.Plate)
		if g := l.Card.Gradient; g != nil {
			dressFill(l, g, thing, p.Plate, p.Accent, put)
		}
	case l.Kind == clip.KindPhoto && l.Cutout.Covering != nil:
		put(clip.TintColour, &l.Cutout.Covering.Tint, p.Plate)
	}
}

// dressWords colours words for what they stand on.
func dressWords(l *clip.Layer, p *palette.Palette, put func(string, *colour.Colour, colour.Colour)) {
	w := l.Words
	ink, accent := p.Ink, p.Accent
	if w.Plate != nil {
		plate := p.Card
		ink, accent = p.OnCard, p.Plate
		if colour.Contrast(accent, p.Card) < palette.ForWords {
			accent = p.OnCard
		}
		if l.Kind == clip.KindBadge || w.Plate.Kind == "burst" || w.Plate.Kind == "disc" {
			plate, ink, accent = p.Plate, p.On, p.On
		}
		put(clip.PlateColour, &w.Plate.Fill, plate)
	}
	put(clip.FillColour, &w.Fill, ink)
	put(clip.EmphasisColour, &w.EmphasisFill, accent)
	for i := range w.Accents {
		if own := w.Accents[i].Fill; own != nil {
			accent.A = own.A
			*own = accent
		}
	}
	line := p.Plate
	if w.Fill.A < 128 {
		line = ink // the outline is all that there is to read
	}
	put(clip.OutlineColour, &w.Outline, line)
}

// dressFill colours a gradient from one colour to another; a free one gets a third, too.
func dressFill(l *clip.Layer, f *clip.Fill, from, to, third colour.Colour, put func(string, *colour.Colour, colour.Colour)) {
	for i := range f.Stops {
		share := f.Stops[i].At / 100
		if len(f.Stops) == 1 {
			share = 0
		}
		put(clip.NumberedName(clip.StopColour, f.Number(i)), &f.Stops[i].Colour, palette.Mix(from, to, share))
	}
	for i := range f.Points {
		c := [3]colour.Colour{from, to, third}[i%3]
		put(clip.NumberedName(clip.PointColour, f.Points[i].ID), &f.Points[i].Colour, c)
	}
}
