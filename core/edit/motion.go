package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/moves"
	"billow/core/property"
	"billow/core/timing"
)

// PasteMotion gives layers the motion of another: its keys, but those of colours,
// its moves and its wander. What they had of these goes. Times stay as they are to
// each other and to the beats: with a beat among them all go on by whole beats, so
// that it begins on the nearest such frame to the one asked for.
type PasteMotion struct {
	Typed
	From string         `json:"from"`
	Onto []string       `json:"onto"`
	At   *timing.Moment `json:"at,omitempty"` // of the clip: where it begins; as in From without it
}

func (p *PasteMotion) apply(c *clip.Clip) error {
	from, err := find(c, p.From)
	if err != nil {
		return err
	}
	source := from.Clone()
	if !moving(&source) {
		return clip.Fault("from", "%q has no motion to give", source.Name)
	}
	for _, id := range p.Onto {
		if id == p.From {
			continue
		}
		l, err := find(c, id)
		if err != nil {
			return err
		}
		if l.Lineup != nil {
			return clip.Fault("onto", "%q is moved by its line-up", l.Name)
		}
		if err := p.give(c, &source, l); err != nil {
			return err
		}
	}
	return nil
}

// moving tells whether a layer has motion that can be given.
func moving(l *clip.Layer) bool {
	return l.Wander != nil || len(l.Moves) > 0 || slices.ContainsFunc(clip.AllProperties, func(p property.Property) bool {
		return !p.Colour && len(l.Tracks[p.Name]) > 0
	})
}

func (p *PasteMotion) give(c *clip.Clip, source, l *clip.Layer) error {
	moves.Erase(l, func(string) bool { return true })
	l.Moves, l.Wander = nil, nil
	for _, property := range clip.AllProperties {
		if !property.Colour {
			delete(l.Tracks, property.Name)
		}
	}
	shift := p.shift(c, source, l)
	given := source.Clone() // keys of its own for each layer
	for _, property := range clip.AllProperties {
		track := given.Tracks[property.Name]
		if property.Colour || len(track) == 0 || !l.Has(property.Name) {
			continue
		}
		for i := range track {
			track[i].At = shift(track[i].At)
			if !slices.ContainsFunc(given.Moves, func(m clip.Move) bool { return m.ID == track[i].Move }) {
				track[i].Move, track[i].Eased = "", false
			}
		}
		l.Tracks[property.Name] = track
	}
	for _, m := range given.Moves {
		m.At = shift(m.At)
		l.Moves = append(l.Moves, m)
	}
	if l.Has(clip.Position) {
		l.Wander = given.Wander
	}
	return nil
}

// shift is how the source's moments become the layer's.
func (p *PasteMotion) shift(c *clip.Clip, source, l *clip.Layer) func(timing.Moment) timing.Moment {
	theirs, own := c.ClockOf(source), c.ClockOf(l)
	if p.At == nil {
		return func(m timing.Moment) timing.Moment { return m }
	}
	first, bound := begins(theirs, source)
	at := c.Clock().Frame(*p.At)
	if bound == nil {
		by := at - theirs.Frame(first)
		return func(m timing.Moment) timing.Moment { return own.Own(theirs.Whole(m).Plus(by)) }
	}
	beat := theirs.Whole(*bound).Beat
	goes := at + theirs.Frame(*bound) - theirs.Frame(first)
	beats := math.Round(c.Clock().Beat(goes) - c.Clock().Beat(theirs.Frame(*bound)))
	frames := c.Clock().Frame(timing.OnBeat(beat+beats)) - c.Clock().Frame(timing.OnBeat(beat))
	return func(m timing.Moment) timing.Moment {
		m = theirs.Whole(m)
		if m.OnBeat {
			m.Beat += beats
		} else {
			m = m.Plus(frames)
		}
		return own.Own(m)
	}
}

// begins is the first moment of a layer's motion, and the first that is bound to
// a beat, if there is one.
func begins(clock timing.Clock, l *clip.Layer) (first timing.Moment, bound *timing.Moment) {
	any := false
	look := func(m timing.Moment) {
		if !any || clock.Frame(m) < clock.Frame(first) {
			first, any = m, true
		}
		if m.OnBeat && (bound == nil || clock.Frame(m) < clock.Frame(*bound)) {
			bound = &m
		}
	}
	for _, p := range clip.AllProperties {
		if !p.Colour {
			for _, k := range l.Tracks[p.Name] {
				look(k.At)
			}
		}
	}
	for _, m := range l.Moves {
		// A move's own keys tell when it begins; it may land on its moment.
		if m.At.OnBeat && (bound == nil || clock.Frame(m.At) < clock.Frame(*bound)) {
			bound = &m.At
		}
	}
	return first, bound
}
