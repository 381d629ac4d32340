package edit

import (
	"slices"
	"sort"
	"strconv"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// KeyRef names a key by where it is.
type KeyRef struct {
	Layer    string `json:"layer"` // or clip.LightID
	Property string `json:"property"`
	Frame    int    `json:"frame"` // of the clip
}

// tracksOf is the tracks of a layer, or of the clip's light. layer is nil for
// the light.
func tracksOf(c *clip.Clip, id string) (tracks map[string]motion.Track, layer *clip.Layer, err error) {
	if id == clip.LightID {
		if c.Light.Tracks == nil {
			c.Light.Tracks = map[string]motion.Track{}
		}
		return c.Light.Tracks, nil, nil
	}
	l, err := find(c, id)
	if err != nil {
		return nil, nil, err
	}
	return l.Tracks, l, nil
}

// locate finds the track and the index of the key in it.
func (r KeyRef) locate(c *clip.Clip) (motion.Track, int, error) {
	tracks, l, err := tracksOf(c, r.Layer)
	if err != nil {
		return nil, 0, err
	}
	clock, t := c.ClockOf(l), tracks[r.Property]
	i := sort.Search(len(t), func(i int) bool { return clock.Frame(t[i].At) >= r.Frame })
	if i < len(t) && clock.Frame(t[i].At) == r.Frame {
		return t, i, nil
	}
	return nil, 0, clip.Fault("keys", "%s has no key of %s on frame %d", nameOf(l), r.Property, r.Frame)
}

// clock is that of the layer.
func (r KeyRef) clock(c *clip.Clip) timing.Clock { return c.ClockOf(c.Layer(r.Layer)) }

// nameOf is what a person is told of a layer, or of the light, which is nil.
func nameOf(l *clip.Layer) string {
	if l == nil {
		return "the light"
	}
	return strconv.Quote(l.Name)
}

// has tells whether a layer, or the light, which is nil, has a property.
func has(l *clip.Layer, property string) bool {
	if l == nil {
		return clip.LightHas(property)
	}
	if _, n := clip.Numbered(property); n > 0 || property == clip.Along {
		return l.Has(property)
	}
	_, there := clip.PropertyNamed(property)
	return there && clip.Has(l.Kind, property) && (!clip.OfFill(property) || l.Card != nil || l.Fill() != nil)
}

// distinct is the keys in their order, each once.
func distinct(refs []KeyRef) []KeyRef {
	seen := make(map[KeyRef]bool, len(refs))
	var out []KeyRef
	for _, ref := range refs {
		if !seen[ref] {
			seen[ref] = true
			out = append(out, ref)
		}
	}
	return out
}

// sorted puts a track in order of time. Keys on one frame are left for Validate.
func sorted(clock timing.Clock, t motion.Track) motion.Track {
	sort.SliceStable(t, func(i, j int) bool { return clock.Frame(t[i].At) < clock.Frame(t[j].At) })
	return t
}

// byHand makes a key one that no move will write over, and forgets a move that
// has no keys left.
func byHand(c *clip.Clip, layer string, k *motion.Key) {
	id := k.Move
	k.Move, k.Eased = "", false
	l := c.Layer(layer)
	if id == "" || l == nil {
		return
	}
	for _, t := range l.Tracks {
		if slices.ContainsFunc(t, func(k motion.Key) bool { return k.Move == id }) {
			return
		}
	}
	l.Moves = slices.DeleteFunc(l.Moves, func(m clip.Move) bool { return m.ID == id })
}

// SetKey adds a key, or changes the one on the same frame.
type SetKey struct {
	Typed
	Layer    string     `json:"layer"`
	Property string     `json:"property"`
	Key      motion.Key `json:"key"`
}

func (s *SetKey) apply(c *clip.Clip) error {
	tracks, _, err := tracksOf(c, s.Layer)
	if err != nil {
		return err
	}
	s.Key.Move, s.Key.Eased = "", false
	putKey(c, tracks, s.Layer, s.Property, s.Key)
	return nil
}

// putKey adds or replaces; a replaced key keeps the moment it is bound to.
func putKey(c *clip.Clip, tracks map[string]motion.Track, layer, property string, key motion.Key) {
	clock, t := c.ClockOf(c.Layer(layer)), tracks[property]
	f := clock.Frame(key.At)
	i := sort.Search(len(t), func(i int) bool { return clock.Frame(t[i].At) >= f })
	if i == len(t) || clock.Frame(t[i].At) != f {
		t = slices.Insert(t, i, key)
		tracks[property] = t
		letGo(t, i)
		return
	}
	if !key.At.OnBeat {
		key.At = t[i].At
	}
	byHand(c, layer, &t[i])
	t[i] = key
}

// letGo lets the string to a new key move where the key before it holds without
// anything to be seen of that: after the last key, and where the next is the same.
// Otherwise what is keyed there would jump.
func letGo(t motion.Track, i int) {
	if i == 0 || t[i-1].Ease.Kind != motion.Hold {
		return
	}
	before := &t[i-1]
	if i+1 == len(t) || slices.Equal(before.Value, t[i+1].Value) && before.Off == t[i+1].Off {
		before.Ease = visibleEase(t, i-1)
	}
}

// visibleEase is how keys near number i ease, those that hold left out: the one
// before it, or else the next.
func visibleEase(t motion.Track, i int) motion.Ease {
	for k := min(i, len(t)-1); k >= 0; k-- {
		if t[k].Ease.Kind != motion.Hold {
			return t[k].Ease
		}
	}
	for k := max(i, 0); k < len(t)-1; k++ {
		if t[k].Ease.Kind != motion.Hold {
			return t[k].Ease
		}
	}
	return motion.Ease{Kind: motion.InOut}
}

// RemoveKeys deletes keys.
type RemoveKeys struct {
	Typed
	Keys []KeyRef `json:"keys"`
}

func (r *RemoveKeys) apply(c *clip.Clip) error {
	for _, ref := range distinct(r.Keys) {
		t, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		byHand(c, ref.Layer, &t[i])
		tracks, _, _ := tracksOf(c, ref.Layer)
		if t = slices.Delete(t, i, i+1); len(t) == 0 {
			delete(tracks, ref.Property)
		} else {
			tracks[ref.Property] = t
		}
	}
	return nil
}

// MoveKeys moves keys together in time, in value, or both. A key bound to a
// beat stays bound to it, so many frames off. Values stay within their limits.
type MoveKeys struct {
	Typed
	Keys []KeyRef  `json:"keys"`
	By   int       `json:"by"`            // frames
	Add  []float64 `json:"add,omitempty"` // to the first, second ... number of each value
}

func (m *MoveKeys) apply(c *clip.Clip) error {
	return eachKey(c, m.Keys, func(ref KeyRef, k *motion.Key) {
		k.At = k.At.Plus(m.By)
		p, _ := clip.PropertyNamed(ref.Property)
		for i := range min(len(m.Add), len(k.Value)) {
			k.Value[i] = min(max(k.Value[i]+m.Add[i], p.Min), p.Max)
		}
	})
}

// eachKey changes all the keys before any is found again by its frame.
func eachKey(c *clip.Clip, refs []KeyRef, change func(KeyRef, *motion.Key)) error {
	refs = distinct(refs)
	keys := make([]*motion.Key, len(refs))
	for n, ref := range refs {
		t, i, err := ref.locate(c)
		if err != nil {
			return err
		}
		keys[n] = &t[i]
	}
	for n, k := range keys {
		was := *k
		change(refs[n], k)
		if was.Move != "" && onlyEased(was, *k) {
			k.Eased = true // the move keeps its key
		} else {
			byHand(c, refs[n].Layer, k)
		}
	}
	done := map[KeyRef]bool{}
	for _, ref := range refs {
		ref.Frame = 0
		if !done[ref] {
			done[ref] = true
			tracks, _, _ := tracksOf(c, ref.Layer)
			sorted(ref.clock(c), tracks[ref.Property])
		}
	}
	return nil
}

// onlyEased tells whether nothing but the easing of a key is changed.
func onlyEased(was, is motion.Key) bool {
	return was.At == is.At && slices.Equal(was.Value, is.Value) && was.Off == is.Off && slices.Equal(was.Out, is.Out) && slices.Equal(was.In, is.In)
}

// BindKey gives one key another moment, for example a beat.
type BindKey struct {
	Typed
	Key KeyRef        `json:"key"`
	To  timing.Moment `json:"to"` // of the clip
}

func (b *BindKey) apply(c *clip.Clip) error {
	return eachKey(c, []KeyRef{b.Key}, func(ref KeyRef, k *motion.Key) { k.At = ref.clock(c).Own(b.To) })
}

// SetEase gives keys an easing towards their next keys.
type SetEase struct {
	Typed
	Keys []KeyRef    `json:"keys"`
	Ease motion.Ease `json:"ease"`
}

func (s *SetEase) apply(c *clip.Clip) error {
	return eachKey(c, s.Keys, func(_ KeyRef, k *motion.Key) { k.Ease = s.Ease })
}

// BendPath gives a position key handles, so that the path through it is
// curved; null makes it straight on that side.
type BendPath struct {
	Typed
	Key KeyRef    `json:"key"`
	Out []float64 `json:"out,omitempty"` // units from the key
	In  []float64 `json:"in,omitempty"`
}

func (b *BendPath) apply(c *clip.Clip) error {
	return eachKey(c, []KeyRef{b.Key}, func(_ KeyRef, k *motion.Key) { k.Out, k.In = b.Out, b.In })
}

// PasteKeys puts copied keys on a layer, the first of them on a frame.
type PasteKeys struct {
	Typed
	Layer string      `json:"layer"`
	At    int         `json:"at"` // frame of the clip
	Keys  []CopiedKey `json:"keys"`
}

// CopiedKey is a key with the frames after the first one copied.
type CopiedKey struct {
	Property string     `json:"property"`
	After    int        `json:"after"`
	Key      motion.Key `json:"key"`
}

func (p *PasteKeys) apply(c *clip.Clip) error {
	l, err := find(c, p.Layer)
	if err != nil {
		return err
	}
	clock := c.ClockOf(l)
	for _, k := range p.Keys {
		if !has(l, k.Property) {
			continue // a cut-out has no letter spacing to paste
		}
		k.Key.At, k.Key.Move, k.Key.Eased = clock.At(p.At+k.After), "", false
		putKey(c, l.Tracks, p.Layer, k.Property, k.Key)
	}
	return nil
}
