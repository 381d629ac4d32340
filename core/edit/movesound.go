package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
)

// SoundOfMove lets a move of a layer come with a sound, or without one again. When it begins, how long it lasts
// and on which side it is heard follow the move from then on.
type SoundOfMove struct {
	Typed
	Layer string `json:"layer"`
	Move  string `json:"move"` // its ID
	Prop  string `json:"prop"` // the sound; none takes it away
}

func (s *SoundOfMove) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	with := clip.OfMove{Layer: s.Layer, Move: s.Move}
	if moveOf(l, s.Move) == nil {
		return clip.Fault("move", "%q has no move %q", l.Name, s.Move)
	}
	at := slices.IndexFunc(c.Sounds, func(t clip.SoundTrack) bool { return t.With == with })
	if s.Prop == "" {
		if at < 0 {
			return clip.Fault("prop", "this move comes without a sound already")
		}
		c.Sounds = slices.Delete(c.Sounds, at, at+1)
		return nil
	}
	if p := c.Prop(s.Prop); p == nil || p.Sound == nil {
		return clip.Fault("prop", "there is no sound %q", s.Prop)
	}
	track := clip.SoundTrack{ID: soundID(s.Layer + "-" + s.Move), Prop: s.Prop, With: with}
	if at < 0 {
		c.Sounds = append(c.Sounds, track)
	} else {
		c.Sounds[at].Prop = s.Prop
	}
	return nil
}

func moveOf(l *clip.Layer, id string) *clip.Move {
	for i := range l.Moves {
		if l.Moves[i].ID == id {
			return &l.Moves[i]
		}
	}
	return nil
}

// soundsOfMoves brings the sounds of moves to where the moves are; those of moves that are gone go too.
func soundsOfMoves(c *clip.Clip) {
	c.Sounds = slices.DeleteFunc(c.Sounds, func(t clip.SoundTrack) bool {
		if t.With == (clip.OfMove{}) {
			return false
		}
		l := c.Layer(t.With.Layer)
		return l == nil || moveOf(l, t.With.Move) == nil
	})
	for i := range c.Sounds {
		if t := &c.Sounds[i]; t.With != (clip.OfMove{}) {
			follow(c, t, c.Layer(t.With.Layer), soundOf(c, t))
		}
	}
}

func soundOf(c *clip.Clip, t *clip.SoundTrack) *clip.Sound {
	if p := c.Prop(t.Prop); p != nil {
		return p.Sound
	}
	return nil
}

// follow lets a sound go with a move: it is loudest at two thirds of the way, where most moves
// are fast, dies away after it, and comes from the side from which the layer does, or goes there.
func follow(c *clip.Clip, t *clip.SoundTrack, l *clip.Layer, s *clip.Sound) {
	if s == nil {
		return
	}
	m := moveOf(l, t.With.Move)
	from, to := moves.Span(c, l, *m)
	from = min(max(from, 0), c.Length-1)
	long := max(to-from, 1)
	if most := int(3 * float64(c.Rate)); long > most { // a drift is not heard all the time
		long = most
	}
	ahead := 0.67*c.Rate.Seconds(long) - loudest(s)
	t.Trim = math.Round(1e3*min(max(0, -ahead), max(0, s.Seconds-0.5))) / 1e3
	t.At = beginsWith(c, l, from, m)
	if late := c.Rate.Frame(max(0, ahead)); late > 0 && from+late < c.Length {
		t.At = t.At.Plus(late)
		long = max(1, long-late)
	}
	t.Length = long + long/2 + 3
	t.FadeOut = t.Length / 2
	x, _ := motion.SideOf(m.Side)
	const wide = 70
	t.Pan, t.Pans = 0, float64(x*wide)
	if k, _ := clip.MoveNamed(m.Kind); k.Enters {
		t.Pan, t.Pans = float64(x*wide), float64(-x*wide)
	}
}

// beginsWith is the moment of the clip at which a move begins, bound to the beat that the move is.
func beginsWith(c *clip.Clip, l *clip.Layer, from int, m *clip.Move) timing.Moment {
	whole := c.ClockOf(l).Whole(m.At)
	if !whole.OnBeat {
		return c.Clock().At(from)
	}
	return whole.Plus(from - c.Clock().Frame(whole))
}

// loudest is the second at which a sound is loudest.
func loudest(s *clip.Sound) float64 {
	best := 0
	for i, v := range s.Levels {
		if v > s.Levels[best] {
			best = i
		}
	}
	return float64(best) / 20
}
