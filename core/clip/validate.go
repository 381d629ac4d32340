package clip

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"unicode/utf8"

	"billow/core/motion"
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

// BlendModes are those of W3C Compositing and Blending Level 1.
var BlendModes = []string{
	"normal", "multiply", "screen", "overlay", "darken", "lighten", "color-dodge", "color-burn",
	"hard-light", "soft-light", "difference", "exclusion", "hue", "saturation", "color", "luminosity",
}

// Pins are the points of the frame that a rest can be measured from.
var Pins = []string{"centre", "top", "bottom", "left", "right", "topLeft", "topRight", "bottomLeft", "bottomRight"}

// Fonts that words can be set in. The files are in the folder fonts.
var Fonts = []string{
	"bricolage-500", "bricolage-800", "hanken-400", "hanken-700", "hanken-900",
	"fraunces-600", "fraunces-600-italic", "caveat-700",
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
	return nil
}

func (c *Clip) validateFrame() error {
	if err := validName("name", c.Name); err != nil {
		return err
	}
	if !c.Rate.Valid() {
		return Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", c.Rate)
	}
	if c.Length < 1 {
		return Fault("length", "a clip needs at least one frame")
	}
	if c.Length > MaxSeconds*int(c.Rate) {
		return Fault("length", "a clip lasts at most %d seconds", MaxSeconds)
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
	if f := c.Clock().Frame(c.Poster); f < 0 || f >= c.Length {
		return Fault("poster", "the poster frame lies outside the clip")
	}
	return c.validateLight()
}

func (c *Clip) validateLight() error {
	l := c.Light
	return firstError(
		within("light.direction", l.Direction, -3600, 3600),
		within("light.height", l.Height, 10, 90),
		within("light.softness", l.Softness, 0, 100),
		within("light.strength", l.Strength, 0, 100),
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
		if err := firstError(validID(field+".id", p.ID), validName(field+".name", p.Name)); err != nil {
			return err
		}
		if seen[p.ID] {
			return Fault(field+".id", "two things have the id %q", p.ID)
		}
		seen[p.ID] = true
		if _, err := offer.New(p.Price, p.OldPrice, p.Currency); err != nil {
			return Fault(field, "%v", err)
		}
		if p.Prop != "" && (c.Prop(p.Prop) == nil || c.Prop(p.Prop).Kind != KindCutout) {
			return Fault(field+".prop", "there is no picture %q", p.Prop)
		}
	}
	if t := c.Tune; t != nil {
		p := c.Prop(t.Prop)
		if p == nil || p.Sound == nil {
			return Fault("tune.prop", "there is no tune %q", t.Prop)
		}
		return firstError(
			within("tune.start", t.Start, 0, max(0, p.Sound.Seconds-0.5)),
			within("tune.gain", t.Gain, -60, 12),
			within("tune.fadeIn", float64(t.FadeIn), 0, float64(c.Length)),
			within("tune.fadeOut", float64(t.FadeOut), 0, float64(c.Length)),
		)
	}
	return nil
}

func validProp(field string, p *Prop) error {
	switch {
	case p.Kind == KindCutout && p.Picture != nil && p.Sound == nil:
		v := p.Picture
		b := v.Visible
		if v.W < 1 || v.H < 1 || b[0] < 0 || b[1] < 0 || b[2] > v.W || b[3] > v.H || b[0] >= b[2] || b[1] >= b[3] {
			return Fault(field+".picture", "%q has no visible part, or bounds outside it", p.Name)
		}
	case p.Kind == KindTune && p.Sound != nil && p.Picture == nil:
		if !(p.Sound.Seconds > 0 && p.Sound.Seconds < 36000) {
			return Fault(field+".sound", "%q has no length", p.Name)
		}
		if err := p.Sound.Tempo.Check(); err != nil {
			return Fault(field+".sound.tempo", "%v", err)
		}
	default:
		return Fault(field+".kind", "a prop is a cutout with a picture or a tune with a sound")
	}
	return nil
}

func (c *Clip) validateLayer(field string, l *Layer) error {
	if err := firstError(
		validName(field+".name", l.Name),
		within(field+".lift", l.Lift, 0, 500),
		validRest(field+".rest", l.Rest),
	); err != nil {
		return err
	}
	for id, r := range l.Rests {
		if err := validRest(field+".rests["+id+"]", r); err != nil {
			return err
		}
	}
	if !slices.Contains(BlendModes, l.Blend) {
		return Fault(field+".blend", "%q is not a blend mode", l.Blend)
	}
	from, to := c.Span(l)
	if from < 0 || to > c.Length || from >= to {
		return Fault(field+".from", "%q shows from frame %d to %d, which is not within the clip's %d frames", l.Name, from, to, c.Length)
	}
	if s := l.Shadow; s != nil && !s.None {
		if err := firstError(
			within(field+".shadow.direction", s.Direction, -3600, 3600),
			within(field+".shadow.distance", s.Distance, 0, 500),
			within(field+".shadow.softness", s.Softness, 0, 200),
			within(field+".shadow.strength", s.Strength, 0, 100),
		); err != nil {
			return err
		}
	}
	for name, t := range l.Tracks {
		if err := c.validateTrack(field+".tracks."+name, name, t); err != nil {
			return err
		}
	}
	return c.validateContent(field, l)
}

func validRest(field string, r Rest) error {
	if !slices.Contains(Pins, r.Pin) {
		return Fault(field+".pin", "%q is not a pin", r.Pin)
	}
	if !(r.Size >= 1 && r.Size <= MaxUnits) {
		return Fault(field+".size", "a size lies between 1 and %d units, not %g", MaxUnits, r.Size)
	}
	return firstError(
		within(field+".x", r.X, -MaxUnits, MaxUnits),
		within(field+".y", r.Y, -MaxUnits, MaxUnits),
		within(field+".turn", r.Turn, -36000, 36000),
	)
}

func (c *Clip) validateTrack(field, property string, t motion.Track) error {
	if !slices.Contains(Properties, property) {
		return Fault(field, "%q cannot have keys", property)
	}
	if len(t) > MaxKeys {
		return Fault(field, "a property has at most %d keys", MaxKeys)
	}
	clock, last := c.Clock(), -1
	for i, k := range t {
		at := fmt.Sprintf("%s[%d]", field, i)
		if k.At.OnBeat && !(math.Abs(k.At.Beat) < 1e6) {
			return Fault(at+".at", "beat %g is too far away", k.At.Beat)
		}
		f := clock.Frame(k.At)
		if f < 0 || f >= c.Length {
			return Fault(at+".at", "the key at %s lies outside the clip, which ends at %s", c.timecode(f), c.timecode(c.Length))
		}
		if i > 0 && f == last {
			return Fault(at+".at", "two keys lie on frame %d; move one of them or delete it", f)
		}
		if f < last {
			return Fault(at+".at", "the keys are not in order of time")
		}
		last = f
		if err := validKey(at, property, k); err != nil {
			return err
		}
	}
	return nil
}

func (c *Clip) timecode(f int) string { return c.Rate.Timecode(f) }

// Limits of the numbers of a key, by property.
var keyRange = map[string][2]float64{
	Position: {-MaxUnits, MaxUnits},
	Scale:    {0, 2000},
	Rotation: {-36000, 36000},
	Opacity:  {0, 100},
	Lift:     {-500, 500},
}

func validKey(field, property string, k motion.Key) error {
	if len(k.Value) != Dims(property) {
		return Fault(field+".value", "a key of %s has %d number(s), not %d", property, Dims(property), len(k.Value))
	}
	r := keyRange[property]
	for _, v := range k.Value {
		if err := within(field+".value", v, r[0], r[1]); err != nil {
			return err
		}
	}
	if k.Off != "" && (property != Position || !slices.Contains([]string{"left", "right", "above", "below"}, k.Off)) {
		return Fault(field+".off", "only a position can be just outside: left, right, above or below")
	}
	if err := k.Ease.Check(); err != nil {
		return Fault(field+".ease", "%v", err)
	}
	return nil
}

func (c *Clip) validateContent(field string, l *Layer) error {
	has := [3]bool{l.Cutout != nil, l.Words != nil, l.Backdrop != nil}
	want := map[string][3]bool{
		KindCutout: {true, false, false}, KindWords: {false, true, false},
		KindBadge: {false, true, false}, KindBackdrop: {false, false, true},
	}
	if w, ok := want[l.Kind]; !ok || w != has {
		return Fault(field+".kind", "a layer is a cutout, words, a badge or a backdrop, and holds just that")
	}
	switch l.Kind {
	case KindCutout:
		if p := c.Prop(l.Cutout.Prop); p == nil || p.Picture == nil {
			return Fault(field+".cutout.prop", "there is no picture %q", l.Cutout.Prop)
		}
	case KindBackdrop:
		return validBackdrop(field+".backdrop", l.Backdrop)
	default:
		return c.validateWords(field+".words", l.Words)
	}
	return nil
}

func validBackdrop(field string, b *Backdrop) error {
	if len(b.Stops) < 1 || len(b.Stops) > 4 {
		return Fault(field+".stops", "a backdrop has one to four colours")
	}
	for i, s := range b.Stops {
		if err := within(fmt.Sprintf("%s.stops[%d].at", field, i), s.At, 0, 100); err != nil {
			return err
		}
		if i > 0 && s.At < b.Stops[i-1].At {
			return Fault(fmt.Sprintf("%s.stops[%d].at", field, i), "the colours are not in order")
		}
	}
	return within(field+".angle", b.Angle, -3600, 3600)
}

func (c *Clip) validateWords(field string, w *Words) error {
	if utf8.RuneCountInString(w.Text) > MaxText {
		return Fault(field+".text", "a text has at most %d letters", MaxText)
	}
	for _, f := range []string{w.Font, w.EmphasisFont} {
		if f != "" && !slices.Contains(Fonts, f) || f == "" && w.Font == "" {
			return Fault(field+".font", "there is no font %q", f)
		}
	}
	if !slices.Contains([]string{"left", "centre", "right"}, w.Align) {
		return Fault(field+".align", "words stand left, centre or right, not %q", w.Align)
	}
	if w.Product != "" && c.Product(w.Product) == nil {
		return Fault(field+".product", "there is no product %q", w.Product)
	}
	if p := w.Plate; p != nil {
		if !slices.Contains([]string{"pill", "card", "disc", "burst"}, p.Kind) {
			return Fault(field+".plate.kind", "a plate is a pill, a card, a disc or a burst, not %q", p.Kind)
		}
		if err := within(field+".plate.room", p.Room, 0, 400); err != nil {
			return err
		}
	}
	return firstError(
		within(field+".width", w.Width, 0, MaxUnits),
		within(field+".lineSpacing", w.LineSpacing, 50, 300),
		within(field+".letterSpacing", w.LetterSpacing, -20, 200),
	)
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
	return nil
}

// within also refuses NaN, which lies in no range.
func within(field string, v, lo, hi float64) error {
	if v >= lo && v <= hi {
		return nil
	}
	return Fault(field, "the value lies between %g and %g, not %g", lo, hi, v)
}

func firstError(errs ...error) error {
	for _, err := range errs {
		if err != nil {
			return err
		}
	}
	return nil
}
