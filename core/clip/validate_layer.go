package clip

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"billow/core/motion"
)

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
		return Fault(field+".from", "%q would show from frame %d to %d, which is not within the clip's %d frames; slide it or make the clip longer", l.Name, from, to, c.Length)
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
	if err := firstError(c.validateMotion(field, l), c.validateContent(field, l)); err != nil {
		return err
	}
	if utf8.RuneCountInString(l.Label) > 60 {
		return Fault(field+".label", "a label has at most 60 letters")
	}
	if r := l.Reveal; r != nil && !slices.Contains(motion.Sides[:4], r.Side) {
		return Fault(field+".reveal.side", "a layer is revealed from the left, right, above or below, not %q", r.Side)
	}
	return nil
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

func (c *Clip) validateContent(field string, l *Layer) error {
	holds := map[string]bool{
		KindCutout: l.Cutout != nil, KindWords: l.Words != nil, KindBackdrop: l.Backdrop != nil,
		KindCard: l.Card != nil, KindGroup: l.Inside != nil,
	}
	want := l.Kind
	if want == KindBadge {
		want = KindWords
	}
	for kind, has := range holds {
		if has != (kind == want) {
			return Fault(field+".kind", "a layer is a cutout, words, a badge, a backdrop, a card or a group, and holds just that")
		}
	}
	if _, ok := holds[want]; !ok {
		return Fault(field+".kind", "there is no kind of layer %q", l.Kind)
	}
	if l.Lineup != nil && l.Kind != KindGroup {
		return Fault(field+".lineup", "only a group has a line-up")
	}
	switch l.Kind {
	case KindCutout:
		if p := c.Prop(l.Cutout.Prop); p == nil || p.Picture == nil {
			return Fault(field+".cutout.prop", "there is no picture %q", l.Cutout.Prop)
		}
	case KindBackdrop:
		return validBackdrop(field+".backdrop", l.Backdrop)
	case KindCard:
		return validCard(field+".card", l.Card)
	case KindGroup:
		return c.validateInside(field, l)
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

func validCard(field string, d *Card) error {
	if !slices.Contains([]string{"card", "disc", "burst", "line"}, d.Form) {
		return Fault(field+".form", "a card is a card, a disc, a burst or a line, not %q", d.Form)
	}
	if err := within(field+".aspect", d.Aspect, 0.02, 50); err != nil || d.Hole == nil {
		return err
	}
	h := d.Hole
	if h.Form != "disc" && h.Form != "card" {
		return Fault(field+".hole.form", "a hole is a disc or a card, not %q", h.Form)
	}
	return firstError(
		within(field+".hole.x", h.X, -MaxUnits, MaxUnits),
		within(field+".hole.y", h.Y, -MaxUnits, MaxUnits),
		within(field+".hole.size", h.Size, 1, MaxUnits),
		within(field+".hole.aspect", h.Aspect, 0.02, 50),
		within(field+".hole.corner", h.Corner, 0, MaxUnits),
	)
}

func (c *Clip) validateInside(field string, l *Layer) error {
	in := l.Inside
	if in.Speed != 0 {
		if err := within(field+".inside.speed", in.Speed, 0.05, 20); err != nil {
			return err
		}
	}
	if in.Clip != "" && in.Clip != Bounds {
		if by := c.Layer(in.Clip); by == nil || by.Group != l.ID {
			return Fault(field+".inside.clip", "%q is cut to the outline of a layer inside it; %q is none", l.Name, in.Clip)
		}
	}
	longest := float64(MaxSeconds * 60)
	if in.Freeze != nil {
		if err := within(field+".inside.freeze", float64(*in.Freeze), -longest, longest); err != nil {
			return err
		}
	}
	if err := firstError(
		within(field+".inside.offset", float64(in.Offset), -longest, longest),
		within(field+".inside.repeat", float64(in.Repeat), 0, longest),
	); err != nil {
		return err
	}
	if l.Lineup != nil {
		return c.validateLineup(field+".lineup", l)
	}
	return nil
}

func (c *Clip) validateLineup(field string, l *Layer) error {
	u := l.Lineup
	if len(u.Slots) < 1 || len(u.Slots) > 12 {
		return Fault(field+".slots", "a line-up has 1 to 12 slots")
	}
	if u.Hero < 0 || u.Hero >= len(u.Slots) {
		return Fault(field+".hero", "the slot in which a product is shown is one of the %d slots", len(u.Slots))
	}
	for i, s := range u.Slots {
		at := fmt.Sprintf("%s.slots[%d]", field, i)
		if err := firstError(
			validName(at+".name", s.Name),
			within(at+".x", s.X, -MaxUnits, MaxUnits), within(at+".y", s.Y, -MaxUnits, MaxUnits),
			within(at+".size", s.Size, 0, 2000), within(at+".turn", s.Turn, -36000, 36000), within(at+".opacity", s.Opacity, 0, 100),
		); err != nil {
			return err
		}
	}
	if len(u.Items) > 100 {
		return Fault(field+".items", "a line-up has at most 100 products")
	}
	for i, it := range u.Items {
		for _, id := range append([]string{it.Layer}, it.With...) {
			if in := c.Layer(id); in == nil || in.Group != l.ID {
				return Fault(fmt.Sprintf("%s.items[%d]", field, i), "there is no layer %q in %q", id, l.Name)
			}
		}
	}
	return firstError(
		within(field+".stay", float64(u.Stay), 0, MaxSeconds*60), within(field+".beats", u.Beats, 0, 1000),
		within(field+".change", float64(u.Change), 0, MaxSeconds*60), within(field+".bars", u.Bars, 0, 100),
	)
}
