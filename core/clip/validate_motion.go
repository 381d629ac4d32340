package clip

import (
	"fmt"
	"math"
	"slices"
	"strconv"

	"billow/core/motion"
	"billow/core/timing"
)

func (c *Clip) validateMotion(field string, l *Layer) error {
	has := func(p string) bool { return Has(l.Kind, p) }
	if err := c.validateTracks(field+".tracks", l, l.Tracks, has); err != nil {
		return err
	}
	for name, v := range l.Values {
		p, ok := PropertyNamed(name)
		if !ok || !has(name) || name == Position || name == Rotation || name == Scale || name == Lift || name == Time || p.Colour && p.Usual == nil {
			return Fault(field+".values."+name, "%q is not set this way", name)
		}
		if why := wrongValue(p, v); why != nil {
			why.Field = field + ".values." + name
			return why
		}
	}
	if err := within(field+".shutter", l.Shutter, 0, 720); err != nil {
		return err
	}
	if l.Stepping != nil {
		if err := l.Stepping.Check(); err != nil {
			return Fault(field+".stepping", "%v", err)
		}
	}
	if l.Wander != nil {
		if err := l.Wander.Check(); err != nil {
			return Fault(field+".wander", "%v", err)
		}
	}
	return c.validateMoves(field+".moves", l)
}

func (c *Clip) validateMoves(field string, l *Layer) error {
	if len(l.Moves) > 200 {
		return Fault(field, "a layer has at most 200 moves")
	}
	seen := map[string]bool{}
	for i, m := range l.Moves {
		at := fmt.Sprintf("%s[%d]", field, i)
		if seen[m.ID] || m.ID == "lineup" {
			return Fault(at+".id", "two moves are called %q", m.ID)
		}
		seen[m.ID] = true
		if !slices.Contains(MoveKinds, m.Kind) {
			return Fault(at+".kind", "there is no move %q", m.Kind)
		}
		if err := m.CheckHits(c, at+".hits"); err != nil {
			return err
		}
		if m.Side != "" && !slices.Contains(motion.Sides, m.Side) {
			return Fault(at+".side", "there is no side %q", m.Side)
		}
		if err := firstError(
			validID(at+".id", m.ID),
			within(at+".length", float64(m.Length), 0, MaxSeconds*60), within(at+".beats", m.Beats, 0, 1000),
			within(at+".turn", m.Turn, -3600, 3600), within(at+".strength", m.Strength, 0, 300), within(at+".drift", m.Drift, -MaxUnits, MaxUnits),
		); err != nil {
			return err
		}
	}
	return nil
}

// validateTracks checks the keys of a layer, or of the light, which is nil.
func (c *Clip) validateTracks(field string, of *Layer, tracks map[string]motion.Track, has func(string) bool) error {
	if len(tracks) == 0 {
		return nil
	}
	k := keyed{clock: c.ClockOf(of), of: "the light"}
	if k.from, k.to = c.Reach(of); of != nil {
		k.of = strconv.Quote(of.Name)
	}
	for name, t := range tracks {
		if _, ok := PropertyNamed(name); !ok || !has(name) {
			return Fault(field+"."+name, "%q cannot have keys here", name)
		}
		if err := k.validate(field+"."+name, name, t); err != nil {
			return err
		}
	}
	return nil
}

// keyed is what has keys: its clock, the frames on which they may lie, and what
// it is called.
type keyed struct {
	clock    timing.Clock
	from, to int
	of       string
}

func (c keyed) validate(field, property string, t motion.Track) error {
	if len(t) > MaxKeys {
		return Fault(field, "a property has at most %d keys", MaxKeys)
	}
	last := 0
	for i, k := range t {
		// The name of the key is only made for an error: there may be thousands.
		if k.At.OnBeat && !(math.Abs(k.At.Beat) < 1e6) {
			return Fault(keyField(field, i)+".at", "beat %g is too far away", k.At.Beat)
		}
		f := c.clock.Frame(k.At)
		if f < c.from || f >= c.to {
			return Fault(keyField(field, i)+".at", "%s has a key of %s at %s, outside the clip, which ends at %s; move or delete it first", c.of, Spoken(property), c.clock.Rate.Timecode(f), c.clock.Rate.Timecode(c.to))
		}
		if i > 0 && f == last {
			return Fault(keyField(field, i)+".at", "%s has two keys of %s on frame %d; move one of them or delete it", c.of, Spoken(property), f)
		}
		if i > 0 && f < last {
			return Fault(keyField(field, i)+".at", "the keys are not in order of time")
		}
		last = f
		if why := wrongKey(property, k); why != nil {
			why.Field = keyField(field, i) + why.Field
			return why
		}
	}
	return nil
}

func keyField(field string, i int) string { return fmt.Sprintf("%s[%d]", field, i) }

// wrongKey says what is wrong with a key, with the field within it, or nil.
func wrongKey(property string, k motion.Key) *FieldError {
	p, _ := PropertyNamed(property)
	if why := wrongValue(p, k.Value); why != nil {
		why.Field = ".value"
		return why
	}
	if k.Off != "" && !Outside(property, k.Off) {
		return Fault(".off", "only a position can be just outside: left, right, above, below or a corner, and a place on one axis on the sides of that axis")
	}
	for _, bend := range [][]float64{k.Out, k.In} {
		if len(bend) == 0 {
			continue
		}
		if property != Position || len(bend) != 2 || !(math.Abs(bend[0]) <= MaxUnits) || !(math.Abs(bend[1]) <= MaxUnits) {
			return Fault(".out", "only a position has a path with handles, of two numbers each")
		}
	}
	if err := k.Ease.Check(); err != nil {
		return Fault(".ease", "%v", err)
	}
	return nil
}

// CheckValue reports what is wrong with a value of a property of layers, as a *FieldError, or nil.
func CheckValue(field, property string, v []float64) error {
	p, ok := PropertyNamed(property)
	if !ok {
		return Fault(field, "there is no property %q", property)
	}
	if why := wrongValue(p, v); why != nil {
		why.Field = field
		return why
	}
	return nil
}

// wrongValue says what is wrong with a value of a property, or nil.
func wrongValue(p Property, v []float64) *FieldError {
	if len(v) != p.Dims && !(p.Name == Scale && len(v) == 1) {
		return Fault("", "a value of %s has %d number(s), not %d", Spoken(p.Name), p.Dims, len(v))
	}
	for _, x := range v {
		if !(x >= p.Min && x <= p.Max) {
			return outside(p.Name, x, p.Min, p.Max)
		}
	}
	return nil
}
