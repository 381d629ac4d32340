package clip

import (
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
	if err := validateMasks(field+".masks", l); err != nil {
		return err
	}
	if err := validateRepeat(field+".repeat", l); err != nil {
		return err
	}
	if !slices.Contains(BlendModes, l.Blend) {
		return Fault(field+".blend", "%q is not a blend mode", l.Blend)
	}
	if l.Table != "" {
		if p := c.Prop(l.Table); p == nil || p.Table == nil {
			return Fault(field+".table", "there is no table of colours %q", l.Table)
		}
	}
	from, to := c.Span(l)
	first, last := c.Reach(l)
	if from < first || to > last || from >= to && (l.To != nil || l.Group == "") {
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
