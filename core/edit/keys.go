package edit

import (
	"slices"
	"sort"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// KeyRef names a key by where it is.
type KeyRef struct {
	Layer    string `json:"layer"`
	Property string `json:"property"`
	Frame    int    `json:"frame"`
}

// locate finds the layer and the index of the key in its track.
func (r KeyRef) locate(c *clip.Clip) (*clip.Layer, int, error) {
	l, err := find(c, r.Layer)
	if err != nil {
		return nil, 0, err
	}
	clock := c.Clock()
	for i, k := range l.Tracks[r.Property] {
		if clock.Frame(k.At) == r.Frame {
			return l, i, nil
		}
	}
	return nil, 0, clip.Fault("keys", "%q has no key of %s on frame %d", l.Name, r.Property, r.Frame)
}

// sorted puts a track in order of time. Keys on one frame are left for Validate.
func sorted(c *clip.Clip, t motion.Track) motion.Track {
	clock := c.Clock()
	sort.SliceStable(t, func(i, j int) bool { return clock.Frame(t[i].At) < clock.Frame(t[j].At) })
	return t
}

// SetKey adds a key, or changes the one on the same frame.
type SetKey struct {
	Typed
	Layer    string     `json:"layer"`
	Property string     `json:"property"`
	Key      motion.Key `json:"key"`
}

func (s *SetKey) apply(c *clip.Clip) error {
	l, err := find(c, s.Layer)
	if err != nil {
		return err
	}
	putKey(c, l, s.Property, s.Key)
	return nil
}

// putKey adds or replaces; a replaced key keeps the moment it is bound to.
func putKey(c *clip.Clip, l *clip.Layer, property string, key motion.Key) {
	clock, t := c.Clock(), l.Tracks[property]
	for i := range t {
		if clock.Frame(t[i].At) == clock.Frame(key.At) {
			if !key.At.OnBeat {
				key.At = t[i].At
			}
			t[i] = key
			return
		}
	}
	l.Tracks[property] = sorted(c, append(t, key))
}

// RemoveKeys deletes keys.
type RemoveKeys struct {
	Typed
	Keys []KeyRef `json:"keys"`
}

func (r *RemoveKeys) apply(c *clip.Clip) error {
	for _, ref := range r.Keys {
		l, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		t := slices.Delete(l.Tracks[ref.Property], i, i+1)
		if l.Tracks[ref.Property] = t; len(t) == 0 {
			delete(l.Tracks, ref.Property)
		}
	}
	return nil
}

// MoveKeys moves keys together in time. A key bound to a beat stays bound to
// it, so many frames off.
type MoveKeys struct {
	Typed
	Keys []KeyRef `json:"keys"`
	By   int      `json:"by"` // frames
}

func (m *MoveKeys) apply(c *clip.Clip) error {
	return m.each(c, func(k *motion.Key) { k.At = k.At.Plus(m.By) })
}

// each changes all the keys before any is found again by its frame.
func (m *MoveKeys) each(c *clip.Clip, change func(*motion.Key)) error {
	keys := make([]*motion.Key, len(m.Keys))
	for n, ref := range m.Keys {
		l, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		keys[n] = &l.Tracks[ref.Property][i]
	}
	for _, k := range keys {
		change(k)
	}
	for _, ref := range m.Keys {
		l := c.Layer(ref.Layer)
		l.Tracks[ref.Property] = sorted(c, l.Tracks[ref.Property])
	}
	return nil
}

// BindKey gives one key another moment, for example a beat.
type BindKey struct {
	Typed
	Key KeyRef        `json:"key"`
	To  timing.Moment `json:"to"`
}

func (b *BindKey) apply(c *clip.Clip) error {
	l, i, err := b.Key.locate(c)
	if err != nil {
		return err
	}
	t := l.Tracks[b.Key.Property]
	t[i].At = b.To
	l.Tracks[b.Key.Property] = sorted(c, t)
	return nil
}

// SetEase gives keys an easing towards their next keys.
type SetEase struct {
	Typed
	Keys []KeyRef    `json:"keys"`
	Ease motion.Ease `json:"ease"`
}

func (s *SetEase) apply(c *clip.Clip) error {
	for _, ref := range s.Keys {
		l, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		l.Tracks[ref.Property][i].Ease = s.Ease
	}
	return nil
}
