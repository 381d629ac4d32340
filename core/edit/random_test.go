package edit

import (
	"encoding/json"
	"fmt"
	"maps"
	"math/rand"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/view"
	set "billow/core/words"
)

// monkey makes random commands about the layers, keys and moves of a clip, most
// of them sensible.
type monkey struct {
	*rand.Rand
	c *clip.Clip
	n int
}

func (m *monkey) layer() *clip.Layer { return &m.c.Layers[m.Intn(len(m.c.Layers))] }

func (m *monkey) layers() []string {
	var out []string
	for range 1 + m.Intn(4) {
		out = append(out, m.layer().ID)
	}
	return out
}

func (m *monkey) frame() int { return m.Intn(m.c.Length+20) - 10 }

// keys are some keys that there are, and now and then one that there is not.
func (m *monkey) keys() []map[string]any {
	var out []map[string]any
	clock := m.c.Clock()
	for range 3 {
		l := m.layer()
		for _, name := range slices.Sorted(maps.Keys(l.Tracks)) {
			t := l.Tracks[name]
			k := t[m.Intn(len(t))]
			out = append(out, map[string]any{"layer": l.ID, "property": name, "frame": clock.Frame(k.At)})
		}
	}
	if len(out) == 0 || m.Intn(30) == 0 {
		out = append(out, map[string]any{"layer": m.layer().ID, "property": "position", "frame": m.frame()})
	}
	return out[:1+m.Intn(len(out))]
}

func (m *monkey) ease() map[string]any {
	return []map[string]any{
		{"kind": "linear"}, {"kind": "hold"}, {"kind": "inOut"}, {"kind": "spring", "bounce": m.Float64()},
		{"kind": "bounce", "count": m.Intn(10), "decay": m.Float64()}, {"kind": "steps", "count": m.Intn(9)},
		{"kind": "bezier", "x1": m.Float64(), "y1": m.NormFloat64(), "x2": m.Float64(), "y2": m.NormFloat64()},
	}[m.Intn(7)]
}

func (m *monkey) command() map[string]any {
	m.n++
	id := fmt.Sprintf("made-%d", m.n)
	kinds := append([]string{"leap"}, clip.MoveKinds...)
	sides := []string{"", "left", "belowRight", "above", "inside"}
	return []map[string]any{
		{"type": "setMove", "layer": m.layer().ID, "move": map[string]any{
			"kind": kinds[m.Intn(len(kinds))], "at": m.frame(), "lands": m.Intn(2) == 0, "length": m.Intn(60), "beats": float64(m.Intn(3)),
			"side": sides[m.Intn(len(sides))], "turn": m.NormFloat64() * 30, "strength": float64(m.Intn(320)), "drift": float64(m.Intn(2) * 40),
		}},
		{"type": "groupLayers", "layers": m.layers(), "id": id, "name": "Group"},
		{"type": "intoGroup", "layers": m.layers(), "group": m.layer().ID},
		{"type": "ungroup", "layer": m.layer().ID},
		{"type": "makeLineup", "layers": m.layers(), "id": id, "window": m.Intn(2) == 0},
		{"type": "stagger", "layers": m.layers(), "by": m.Intn(40), "order": []string{"stack", "centre", "across", "odd"}[m.Intn(4)], "ease": map[string]any{}},
		{"type": "copyLayer", "layer": m.layer().ID, "id": id},
		{"type": "stackLayer", "layer": m.layer().ID, "above": m.layer().ID},
		{"type": "setLayer", "layer": m.layer().ID, "set": map[string]any{"follow": map[string]any{"layer": m.layer().ID, "rotation": true}}},
		{"type": "setLayer", "layer": m.layer().ID, "set": map[string]any{"wander": map[string]any{"amount": 5, "pace": m.Float64() * 9}}},
		{"type": "moveKeys", "keys": m.keys(), "by": m.Intn(60) - 30, "add": []float64{m.NormFloat64() * 50, 3}},
		{"type": "stretchKeys", "keys": m.keys(), "anchor": m.frame(), "factor": m.Float64() * 3},
		{"type": "reverseKeys", "keys": m.keys()},
		{"type": "snapKeys", "keys": m.keys(), "to": []string{"beats", "bars", "hits"}[m.Intn(3)]},
		{"type": "setEase", "keys": m.keys(), "ease": m.ease()},
		{"type": "holdUntil", "layer": m.layer().ID, "frame": m.frame()},
		{"type": "holdCreep", "key": m.keys()[0]},
		{"type": "removeKeys", "keys": m.keys()},
		{"type": "setValue", "layer": m.layer().ID, "property": []string{"blur", "crop", "rotation", "pivot"}[m.Intn(4)], "frame": m.frame(), "value": []float64{m.NormFloat64() * 30}},
		{"type": "handle", "layer": m.layer().ID, "shape": "wide", "frame": m.frame(), "target": "auto", "dx": m.NormFloat64() * 90, "wider": m.Float64() * 2, "turn": 4},
		{"type": "closeLoop"},
		{"type": "setClip", "length": 150 + m.Intn(300)},
		{"type": "setClip", "rate": []int{24, 30, 60}[m.Intn(3)]},
		{"type": "setTempo", "tempo": map[string]any{"bpm": 60 + m.Float64()*120, "perBar": 3 + m.Intn(2)}},
		{"type": "setMarks", "markers": []map[string]any{{"name": "M", "at": m.frame()}}},
		{"type": "removeLayer", "layer": m.layer().ID},
	}[m.Intn(26)]
}

// Whatever is done to motion, groups and line-ups, in whatever order: a clip
// stays valid, reads back, can be described and arranged in every shape, and a
// command that is refused says why about a field.
func TestRandomMotionKeepsTheClipSound(t *testing.T) {
	for seed := range int64(4) {
		m := &monkey{Rand: rand.New(rand.NewSource(seed)), c: three()}
		lib := frame.NewLibrary(set.NewFonts(), 1<<20)
		taken := map[string]int{}
		for range 400 {
			command := m.command()
			if len(m.c.Layers) > 40 {
				command = map[string]any{"type": "removeLayer", "layer": m.layer().ID}
			}
			b, err := json.Marshal(command)
			if err != nil {
				t.Fatal(err)
			}
			before := m.c.Encode()
			next, err := Apply(m.c, b)
			if string(m.c.Encode()) != string(before) {
				t.Fatalf("%s changed the clip it was given", b)
			}
			if err != nil {
				if f := err.Error(); len(f) < 15 {
					t.Fatalf("%s is refused with %q", b, f)
				}
				continue
			}
			again, err := clip.Parse(next.Encode())
			if err != nil {
				t.Fatalf("%s made a clip that does not read back: %v", b, err)
			}
			if string(again.Encode()) != string(next.Encode()) {
				t.Fatalf("%s: the clip reads back differently", b)
			}
			m.c = next
			taken[command["type"].(string)]++
			if len(m.c.Layers) < 3 {
				m.c = three()
			}
		}
		for _, s := range m.c.Shapes {
			view.Of(withoutWords(m.c), frame.Arrange(withoutWords(m.c), s, lib), nil)
		}
		if len(taken) < 15 {
			t.Errorf("of all kinds of commands only %v were taken", taken)
		}
	}
}

// withoutWords has discs in place of what needs fonts to be measured.
func withoutWords(c *clip.Clip) *clip.Clip {
	out := c.Clone()
	for i := range out.Layers {
		if l := &out.Layers[i]; l.Words != nil {
			l.Kind, l.Words, l.Card = clip.KindCard, nil, &clip.Card{Form: "disc", Aspect: 1}
		}
	}
	return out
}
