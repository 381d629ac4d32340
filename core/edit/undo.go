package edit

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/patch"
	"billow/core/timing"
)

// Undo takes a change back: it sets what the change has set to what it was
// before, and leaves what someone has changed again since. It also does a
// change again and brings an old revision back.
type Undo struct {
	Typed
	Changes patch.Patch `json:"changes"`
	Kind    string      `json:"kind,omitempty"` // "" takes back, "again" does again, or the revision that comes back
}

// maxChanges is how many changes a patch may have: a clip with as many keys as
// there may be in some layers.
const maxChanges = 50000

// Difference is what turns a clip into the one that was made from it by Apply.
func Difference(before, after *clip.Clip) (patch.Patch, error) {
	changed, only := after.Changes(before)
	if !only {
		p, err := restDifference(before, after)
		if err != nil {
			return nil, err
		}
		return layerDifference(p, before, after)
	}
	var p patch.Patch
	for _, id := range changed.Products {
		inner, err := partDifference([]string{"products", id}, before.Product(id), after.Product(id))
		if err != nil {
			return nil, err
		}
		p = append(p, inner...)
	}
	return layerDifference(p, before, after)
}

// restDifference is what differs besides layers.
func restDifference(before, after *clip.Clip) (patch.Patch, error) {
	from, to := *before, *after
	from.Layers, to.Layers = nil, nil
	// What was found in tunes is long and does not change.
	if reflect.DeepEqual(from.Props, to.Props) {
		from.Props, to.Props = nil, nil
	}
	if reflect.DeepEqual(from.Tempo, to.Tempo) {
		from.Tempo, to.Tempo = timing.Tempo{}, timing.Tempo{}
	}
	return partDifference(nil, &from, &to)
}

func layerDifference(p patch.Patch, before, after *clip.Clip) (patch.Patch, error) {
	for i := range before.Layers {
		l := &before.Layers[i]
		next := after.Layer(l.ID)
		way := []string{"layers", l.ID}
		if next == nil {
			p = append(p, patch.Change{At: way, From: written(l)})
			continue
		}
		if after.Untouched(l.ID) {
			continue
		}
		inner, err := partDifference(way, l, next)
		if err != nil {
			return nil, err
		}
		p = append(p, inner...)
	}
	for i := range after.Layers {
		if l := &after.Layers[i]; before.Layer(l.ID) == nil {
			p = append(p, patch.Change{At: []string{"layers", l.ID}, To: written(l)})
		}
	}
	p.Reorder([]string{"layers"}, layerOrder(before), layerOrder(after))
	return p, nil
}

// partDifference is what turns one state of a layer or a product into another.
func partDifference(way []string, from, to any) (patch.Patch, error) {
	a, err := patch.TreeOf(from)
	if err != nil {
		return nil, err
	}
	b, err := patch.TreeOf(to)
	if err != nil {
		return nil, err
	}
	return patch.Diff(way, a, b), nil
}

func layerOrder(c *clip.Clip) []string {
	out := make([]string, len(c.Layers))
	for i := range c.Layers {
		out[i] = c.Layers[i].ID
	}
	return out
}

func written(l *clip.Layer) json.RawMessage {
	b, err := json.Marshal(l)
	if err != nil {
		panic(err) // the layer is valid, so it can be written
	}
	return b
}

func (*Undo) apply(*clip.Clip) error { return nil }

// undone is the clip with the changes made, and the ways to what was left since
// it has changed again.
func (u *Undo) undone(c *clip.Clip) (*clip.Clip, [][]string, error) {
	if len(u.Changes) > maxChanges {
		return nil, nil, clip.Fault("changes", "at most %d changes are taken back at once", maxChanges)
	}
	if out, clashes, ok, err := u.inParts(c); ok || err != nil {
		return out, clashes, err
	}
	tree, err := patch.Tree(c.Encode())
	if err != nil {
		return nil, nil, err
	}
	tree, clashes, err := patch.Apply(tree, u.Changes)
	if err != nil {
		return nil, nil, clip.Fault("changes", "%v", err)
	}
	b, err := json.Marshal(tree)
	if err != nil {
		return nil, nil, err
	}
	out := &clip.Clip{}
	if err := clip.DecodeStrict(b, out); err != nil {
		return nil, nil, err
	}
	byTime(out)
	again, err := clip.Parse(out.Encode())
	return again, clashes, err
}

// inParts is undone for changes within layers and products that are there, most
// of them: the others are not touched.
func (u *Undo) inParts(c *clip.Clip) (out *clip.Clip, clashes [][]string, ok bool, err error) {
	type part struct{ list, id string }
	within := map[part]patch.Patch{}
	for _, change := range u.Changes {
		if len(change.At) < 3 || change.At[2] == "id" {
			return nil, nil, false, nil
		}
		of := part{change.At[0], change.At[1]}
		there := of.list == "layers" && c.Layer(of.id) != nil || of.list == "products" && c.Product(of.id) != nil
		if !there {
			return nil, nil, false, nil
		}
		inner := change
		inner.At = change.At[2:]
		within[of] = append(within[of], inner)
	}
	for of, p := range within {
		var left [][]string
		if of.list == "layers" {
			left, err = amended(c.Own(of.id), p)
		} else {
			left, err = amended(c.Product(of.id), p)
		}
		if err != nil {
			return nil, nil, false, err
		}
		for _, way := range left {
			clashes = append(clashes, append([]string{of.list, of.id}, way...))
		}
	}
	slices.SortFunc(clashes, slices.Compare)
	byTime(c)
	return c, clashes, true, nil
}

// amended makes changes within a layer or a product, and tells the ways to what was left.
func amended[T any](of *T, p patch.Patch) (left [][]string, err error) {
	tree, err := patch.TreeOf(of)
	if err != nil {
		return nil, err
	}
	tree, left, err = patch.Apply(tree, p)
	if err != nil {
		return nil, clip.Fault("changes", "%v", err)
	}
	b, err := json.Marshal(tree)
	if err != nil {
		return nil, err
	}
	var next T
	if err := clip.DecodeStrict(b, &next); err != nil {
		return nil, err
	}
	*of = next
	return left, nil
}

// byTime brings keys and marks into the order of time, in which changes of two
// people may not have left them.
func byTime(c *clip.Clip) {
	if !c.Rate.Valid() || c.Tempo.Check() != nil {
		return // it will be refused
	}
	clock := c.Clock()
	for i := range c.Layers {
		if l := &c.Layers[i]; !c.Untouched(l.ID) {
			clock := c.ClockOf(l)
			for _, t := range l.Tracks {
				sortByTime(clock, t, func(k motion.Key) timing.Moment { return k.At })
			}
		}
	}
	for _, t := range c.Light.Tracks {
		sortByTime(clock, t, func(k motion.Key) timing.Moment { return k.At })
	}
	sortByTime(clock, c.Markers, func(m clip.Mark) timing.Moment { return m.At })
}

func sortByTime[T any](clock timing.Clock, list []T, at func(T) timing.Moment) {
	slices.SortStableFunc(list, func(a, b T) int { return clock.Frame(at(a)) - clock.Frame(at(b)) })
}

// undo applies an Undo; one of which nothing is left is refused.
func undo(c *clip.Clip, u *Undo) (*clip.Clip, error) {
	before := c.Copy()
	out, clashes, err := u.undone(c)
	if err != nil || len(clashes) == 0 {
		return out, err
	}
	if p, err := Difference(before, out); err == nil && len(p) == 0 {
		return nil, clip.Fault("changes", "%s was changed elsewhere since, so it stays as it is now", saidAll(before, clashes))
	}
	return out, nil
}

// Stays tells in words what a command to undo something would leave as it is,
// since someone has changed it again; "" is nothing.
func Stays(c *clip.Clip, raw []byte) string {
	var u Undo
	var t Typed
	if json.Unmarshal(raw, &t) != nil || t.Type != "undo" || clip.DecodeStrict(raw, &u) != nil {
		return ""
	}
	_, clashes, err := u.undone(c.Copy())
	if err != nil || len(clashes) == 0 {
		return ""
	}
	return saidAll(c, clashes)
}

func saidAll(c *clip.Clip, ways [][]string) string {
	var out []string
	for _, way := range ways {
		if s := said(c, way); !slices.Contains(out, s) {
			out = append(out, s)
		}
	}
	if len(out) > 3 {
		out = append(out[:2], fmt.Sprintf("%d more", len(out)-2))
	}
	return strings.Join(out, ", ")
}

// said is the way to a value in words: "lift of Mug".
func said(c *clip.Clip, way []string) string {
	if len(way) == 0 {
		return "the clip"
	}
	words := func(ways []string) string {
		var out []string
		for _, name := range ways {
			if name != "tracks" && name != "values" {
				out = append(out, clip.Spoken(name))
			}
		}
		return strings.Join(out, " ")
	}
	if way[0] != "layers" || len(way) < 2 {
		return "the clip's " + words(way)
	}
	name := "a deleted layer"
	if l := c.Layer(way[1]); l != nil {
		name = l.Name
	}
	if len(way) == 2 {
		return name
	}
	return words(way[2:]) + " of " + name
}
