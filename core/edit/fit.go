package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// StretchKeys brings keys nearer to a frame or farther from it. A key bound to
// a beat stays bound to it, so many frames off.
type StretchKeys struct {
	Typed
	Keys   []KeyRef `json:"keys"`
	Anchor int      `json:"anchor"` // the frame that stays
	Factor float64  `json:"factor"` // 0.01..100
}

func (s *StretchKeys) apply(c *clip.Clip) error {
	if !(s.Factor >= 0.01 && s.Factor <= 100) {
		return clip.Fault("factor", "keys are stretched by 0.01 to 100, not by %g", s.Factor)
	}
	return eachKey(c, s.Keys, func(ref KeyRef, k *motion.Key) {
		f := ref.clock(c).Frame(k.At)
		k.At = k.At.Plus(stretched(f, s.Anchor, s.Factor) - f)
	})
}

// ReverseKeys runs keys backwards between the first and the last of them. Their
// strings are turned round too.
type ReverseKeys struct {
	Typed
	Keys []KeyRef `json:"keys"`
}

func (r *ReverseKeys) apply(c *clip.Clip) error {
	if len(r.Keys) < 2 {
		return clip.Fault("keys", "at least two keys are needed to run them backwards")
	}
	if err := turnStrings(c, r.Keys); err != nil {
		return err
	}
	first, last := math.MaxInt, math.MinInt
	for _, ref := range r.Keys {
		first, last = min(first, ref.Frame), max(last, ref.Frame)
	}
	return eachKey(c, r.Keys, func(ref KeyRef, k *motion.Key) {
		f := ref.clock(c).Frame(k.At)
		k.At = k.At.Plus(first + last - 2*f)
		k.In, k.Out = k.Out, k.In
	})
}

// turnStrings moves each string's easing, turned round, to the key that will
// come first.
func turnStrings(c *clip.Clip, refs []KeyRef) error {
	refs = distinct(refs)
	slices.SortFunc(refs, func(a, b KeyRef) int { return a.Frame - b.Frame })
	tracks := map[KeyRef][]*motion.Key{}
	for _, ref := range refs {
		t, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		ref.Frame = 0
		tracks[ref] = append(tracks[ref], &t[i])
	}
	for _, keys := range tracks {
		last := keys[len(keys)-1].Ease
		for i := len(keys) - 1; i > 0; i-- {
			keys[i].Ease = keys[i-1].Ease.Reversed()
		}
		keys[0].Ease = last
	}
	return nil
}

// SnapKeys puts keys onto the nearest beats or bars, to which they are bound
// then, or onto the nearest hits.
type SnapKeys struct {
	Typed
	Keys []KeyRef `json:"keys"`
	To   string   `json:"to"` // beats, bars or hits
}

func (s *SnapKeys) apply(c *clip.Clip) error {
	snap, err := s.snapper(c)
	if err != nil {
		return err
	}
	return eachKey(c, s.Keys, func(ref KeyRef, k *motion.Key) {
		clock := ref.clock(c)
		k.At = clock.Own(snap(clock.Frame(k.At)))
	})
}

// snapper gives the moment of the clip onto which a frame snaps.
func (s *SnapKeys) snapper(c *clip.Clip) (func(frame int) timing.Moment, error) {
	clock := c.Clock()
	t := c.Tempo
	// inside is the nearest of what is counted, in the clip.
	inside := func(at, beat func(float64) float64) func(int) timing.Moment {
		return func(frame int) timing.Moment {
			n := math.Round(at(clock.Beat(frame)))
			for clock.Frame(timing.OnBeat(beat(n))) < 0 {
				n++
			}
			for clock.Frame(timing.OnBeat(beat(n))) >= c.Length && beat(n) > 0 {
				n--
			}
			return timing.OnBeat(beat(n))
		}
	}
	switch s.To {
	case "beats":
		itself := func(n float64) float64 { return n }
		return inside(itself, itself), nil
	case "bars":
		return inside(t.BarAt, t.Downbeat), nil
	case "hits":
		hits := clearHits(c)
		if len(hits) == 0 {
			return nil, clip.Fault("to", "no hits were found in the clip's tune; lay one with a clear beat under it")
		}
		return func(frame int) timing.Moment {
			best := slices.MinFunc(hits, func(a, b int) int { return abs(a-frame) - abs(b-frame) })
			return timing.At(best)
		}, nil
	}
	return nil, clip.Fault("to", "keys snap to beats, bars or hits, not to %q", s.To)
}

// clearHits is the frames of the hits of the clip's tune that stand out.
func clearHits(c *clip.Clip) (out []int) {
	for _, h := range c.Hits() {
		if h.Strength > clip.ClearHit {
			out = append(out, h.Frame)
		}
	}
	return out
}

func abs(v int) int { return max(v, -v) }

// HoldUntil makes a layer stay as it was at its last keys, up to a frame: what
// happens after them begins there.
type HoldUntil struct {
	Typed
	Layer      string   `json:"layer"`
	Frame      int      `json:"frame"`
	Properties []string `json:"properties,omitempty"` // none are all that have keys
}

func (h *HoldUntil) apply(c *clip.Clip) error {
	tracks, l, err := tracksOf(c, h.Layer)
	if err != nil {
		return err
	}
	clock, done := c.ClockOf(l), false
	for name, t := range tracks {
		if len(h.Properties) > 0 && !slices.Contains(h.Properties, name) || name == clip.Time {
			continue
		}
		before := -1
		for i := range t {
			if clock.Frame(t[i].At) < h.Frame {
				before = i
			}
		}
		if before < 0 {
			continue
		}
		stay(c, tracks, h.Layer, name, before, clock.At(h.Frame))
		done = true
	}
	if !done {
		name := "the light"
		if l != nil {
			name = l.Name
		}
		return clip.Fault("frame", "%q has no key before frame %d that it could hold", name, h.Frame)
	}
	return nil
}

// stay holds the value of key i up to a moment, on which a key goes on with the
// easing that the string had.
func stay(c *clip.Clip, tracks map[string]motion.Track, layer, property string, i int, until timing.Moment) {
	k := &tracks[property][i]
	on := motion.Key{At: until, Value: slices.Clone(k.Value), Off: k.Off, Ease: k.Ease, Out: k.Out}
	if on.Ease.Kind == motion.Hold {
		on.Ease = motion.Ease{Kind: motion.InOut}
	}
	putKey(c, tracks, layer, property, on)
	k = &tracks[property][i]
	k.Ease, k.Out = motion.Ease{Kind: motion.Hold}, nil
	byHand(c, layer, k)
}

// usualExit is how many frames before the next key a thing begins to leave
// when it has to be guessed.
const usualExit = 12

// HoldCreep ends a creep: the value holds from its first key until shortly
// before the next one.
type HoldCreep struct {
	Typed
	Key KeyRef `json:"key"`
}

func (h *HoldCreep) apply(c *clip.Clip) error {
	t, i, err := h.Key.locate(c)
	if err != nil {
		return err
	}
	if i+1 >= len(t) {
		return clip.Fault("key", "nothing comes after this key, so nothing creeps")
	}
	clock := h.Key.clock(c)
	span := clock.Frame(t[i+1].At) - h.Key.Frame
	if span < 3 {
		return clip.Fault("key", "the next key follows too soon for a hold between them")
	}
	tracks, _, _ := tracksOf(c, h.Key.Layer)
	stay(c, tracks, h.Key.Layer, h.Key.Property, i, t[i+1].At.Plus(-min(usualExit, span/3)))
	return nil
}
