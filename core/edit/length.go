package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
)

// Past is what becomes of what lies past a clip's new end.
type Past string

// Without a Past, a length that something lies past is refused, but for what is in
// the last scene, which does not show and comes back with a longer one.
const (
	BringIn Past = "bring" // it moves to the nearest free frames before the end
	CutOff  Past = "cut"   // it is taken away
)

// setLength makes the clip longer or shorter by its last scene.
func setLength(c *clip.Clip, length int, past Past) error {
	if past != "" && past != BringIn && past != CutOff {
		return clip.Fault("past", "what lies past the end is brought in or cut off, not %q", past)
	}
	if length < 1 {
		return clip.Fault("length", "a clip lasts at least one frame")
	}
	c.OwnAll()
	if past == CutOff {
		if err := cutOff(c, length); err != nil {
			return err
		}
	}
	scenes := c.Scenes()
	if len(scenes) == 0 {
		return nil // Validate says it
	}
	last := scenes[len(scenes)-1]
	if length <= last.From {
		return clip.Fault("length", "the scene %q begins at %s, after the new end; delete it or make the scenes before it shorter first", last.Name, c.Rate.Timecode(last.From))
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		if _, in := c.SceneOf(l); in {
			continue
		}
		from, to := c.Span(l)
		if from >= length && past != BringIn {
			return clip.Fault("length", "%q begins at %s, after the new end; move or delete it first", l.Name, c.Rate.Timecode(from))
		}
		if to >= length {
			l.To = nil
		}
	}
	c.Own(last.ID).Scene.Lasts(clip.Scene{Frames: length - last.From})
	c.Fit()
	if past == BringIn {
		bringIn(c, last.ID)
	}
	endSooner(c, length)
	return nil
}

// endSooner brings what is the clip's own before its end.
func endSooner(c *clip.Clip, length int) {
	for i := range c.Sounds {
		t := &c.Sounds[i]
		t.FadeIn, t.FadeOut = min(t.FadeIn, length), min(t.FadeOut, length)
	}
	if c.Range != nil && c.Clock().Frame(c.Range.Out) > length {
		c.Range = nil
	}
	if p := c.Poster; p != nil && c.Clock().Frame(*p) >= length {
		*p = timing.At(length - 1)
	}
}

// bringIn moves what lies past the end before it: in the last scene, over and
// beneath all scenes, and of the clip's own.
func bringIn(c *clip.Clip, last string) {
	for i := range c.Layers {
		l := &c.Layers[i]
		if p, in := c.SceneOf(l); in && p.ID == last && l.ID != last {
			settleLayer(c, l, span{c.ClockOf(l), p.From, p.To})
		}
	}
	settleOver(c)
}

// cutOff takes away scenes that begin past the end, and of what is over or beneath
// all scenes what begins and what is keyed there.
func cutOff(c *clip.Clip, length int) error {
	for _, p := range slices.Backward(c.Scenes()) {
		if p.From < length || len(c.Scenes()) == 1 {
			break
		}
		if err := removeTree(c, p.ID); err != nil {
			return err
		}
	}
	for _, id := range overFrom(c, length) {
		if c.Layer(id) == nil {
			continue // it was in a group that is gone
		}
		if err := removeTree(c, id); err != nil {
			return err
		}
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		if _, in := c.SceneOf(l); !in {
			cutKeys(c, l, length)
		}
	}
	clock := c.Clock()
	cutTracks(clock, c.Light.Tracks, length)
	c.Markers = slices.DeleteFunc(c.Markers, func(m clip.Mark) bool { return clock.Frame(m.At) >= length })
	return nil
}

// overFrom is the layers over or beneath all scenes that begin on a frame or later.
func overFrom(c *clip.Clip, frame int) []string {
	var out []string
	for i := range c.Layers {
		l := &c.Layers[i]
		if _, in := c.SceneOf(l); in {
			continue
		}
		if from, _ := c.Span(l); from >= frame {
			out = append(out, l.ID)
		}
	}
	return out
}

// cutKeys takes a layer's keys from a frame on away. The settings of a move that
// has lost keys would no longer be true, so the keys that are left stand alone.
func cutKeys(c *clip.Clip, l *clip.Layer, frame int) {
	l.Moves = slices.DeleteFunc(l.Moves, func(m clip.Move) bool {
		_, end := moves.Span(c, l, m)
		return end >= frame
	})
	cutTracks(c.Clock(), l.Tracks, frame)
}

func cutTracks(clock timing.Clock, tracks map[string]motion.Track, frame int) {
	for property, t := range tracks {
		t = slices.DeleteFunc(slices.Clone(t), func(k motion.Key) bool { return clock.Frame(k.At) >= frame })
		if tracks[property] = t; len(t) == 0 {
			delete(tracks, property)
		}
	}
}

// PastEnd is what would lie past a clip's end at a length.
type PastEnd struct {
	Scenes []string `json:"scenes"` // names
	Layers []string `json:"layers"` // names of layers that begin or are keyed there
	Keys   int      `json:"keys"`   // how many, those of the light among them
}

// WouldLiePast tells what a clip that gets shorter would leave past its end, as
// far as it shows now.
func WouldLiePast(c *clip.Clip, length int) PastEnd {
	out := PastEnd{Scenes: []string{}, Layers: []string{}}
	for _, p := range c.Scenes() {
		if p.From >= length {
			out.Scenes = append(out.Scenes, p.Name)
		}
	}
	past := func(clock timing.Clock, tracks map[string]motion.Track) (n int) {
		for _, t := range tracks {
			for _, k := range t {
				if f := clock.Frame(k.At); f >= length && f < c.Length {
					n++
				}
			}
		}
		return n
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		clock, from, _ := c.Timed(l)
		n := past(clock, l.Tracks)
		if out.Keys += n; (n > 0 || from >= length && from < c.Length) && l.Kind != clip.KindScene {
			out.Layers = append(out.Layers, l.Name)
		}
	}
	out.Keys += past(c.Clock(), c.Light.Tracks)
	return out
}
