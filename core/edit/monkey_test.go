package edit

import (
	"fmt"
	"maps"
	"math/rand"
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// monkey makes random commands about the layers, keys and moves of a clip, most
// of them sensible.
type monkey struct {
	*rand.Rand
	c     *clip.Clip
	n     int
	undos []object // of what was done, the oldest first
	form  string   // of the newest command: its subject, place and type
}

// group is a group, where there is one.
func (m *monkey) group() string {
	var groups []string
	for i := range m.c.Layers {
		if m.c.Layers[i].Kind == clip.KindGroup {
			groups = append(groups, m.c.Layers[i].ID)
		}
	}
	if len(groups) == 0 {
		return m.layer().ID
	}
	return m.pick(groups...)
}

func (m *monkey) layer() *clip.Layer { return &m.c.Layers[m.Intn(len(m.c.Layers))] }

// standing are some layers that can take turns, mostly: no backdrops and no scenes.
func (m *monkey) standing() []string {
	var out []string
	for range 4 {
		if l := m.layer(); !l.Is().Fills && l.Kind != clip.KindScene && !slices.Contains(out, l.ID) {
			out = append(out, l.ID)
		}
	}
	return out
}

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
	for range 3 {
		l := m.layer()
		clock := m.c.ClockOf(l)
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

// keyThat is one of all keys of which something holds, or any.
func (m *monkey) keyThat(holds func(property string, t motion.Track, i int) bool) map[string]any {
	var out []map[string]any
	for i := range m.c.Layers {
		l := &m.c.Layers[i]
		clock := m.c.ClockOf(l)
		for _, name := range slices.Sorted(maps.Keys(l.Tracks)) {
			for n, k := range l.Tracks[name] {
				if holds(name, l.Tracks[name], n) {
					out = append(out, map[string]any{"layer": l.ID, "property": name, "frame": clock.Frame(k.At)})
				}
			}
		}
	}
	if len(out) == 0 {
		return m.keys()[0]
	}
	return out[m.Intn(len(out))]
}

// bend is a key of a position, where there is one.
func (m *monkey) bend() map[string]any {
	return m.keyThat(func(property string, _ motion.Track, _ int) bool { return property == clip.Position })
}

func (m *monkey) ease() map[string]any {
	return []map[string]any{
		{"kind": "linear"}, {"kind": "hold"}, {"kind": "inOut"}, {"kind": "spring", "bounce": m.Float64()},
		{"kind": "bounce", "count": m.Intn(10), "decay": m.Float64()}, {"kind": "steps", "count": m.Intn(9)},
		{"kind": "bezier", "x1": m.Float64(), "y1": m.NormFloat64(), "x2": m.Float64(), "y2": m.NormFloat64()},
	}[m.Intn(7)]
}

func (m *monkey) pick(of ...string) string { return of[m.Intn(len(of))] }

// property is mostly one that layers have.
func (m *monkey) property() string {
	if m.Intn(40) == 0 {
		return "nothing"
	}
	return clip.AllProperties[m.Intn(len(clip.AllProperties))].Name
}

// value is one that a property may have, mostly.
func (m *monkey) value(property string) []float64 {
	p, _ := clip.PropertyNamed(property)
	out := make([]float64, p.Dims)
	for i := range out {
		lo, hi := max(p.Min, -200), min(p.Max, 300)
		out[i] = lo + m.Float64()*(hi-lo)*1.02
	}
	return out
}

func (m *monkey) numbers(spread float64) []float64 {
	out := make([]float64, 1+m.Intn(4))
	for i := range out {
		out[i] = m.NormFloat64() * spread
	}
	return out
}

// moment is a frame, or a beat with frames after it.
func (m *monkey) moment() any {
	if m.Intn(3) > 0 {
		return m.frame()
	}
	return map[string]any{"beat": float64(m.Intn(24)) / 2, "frames": m.Intn(9) - 4}
}

type object = map[string]any

// command is a random command. Kinds of commands are equally likely within
// their subject, subjects among each other.
func (m *monkey) command() object {
	m.n++
	id := fmt.Sprintf("made-%d", m.n)
	subjects := [][]object{m.ofKeys(), m.ofValues(), m.ofMoves(id), m.ofStack(id), m.ofClip(), m.ofScenes(id)}
	m.form = ""
	if m.Intn(12) == 0 {
		return object{"type": "batch", "commands": []object{m.ofKeys()[m.Intn(4)], m.ofStack(id)[m.Intn(4)], m.ofClip()[m.Intn(4)]}}
	}
	if n := len(m.undos); n > 0 && m.Intn(10) == 0 {
		return m.undos[n-1-m.Intn(min(n, 20))]
	}
	i := max(0, m.Intn(len(subjects)+1)-1) // keys most of all
	k := m.Intn(len(subjects[i]))
	m.form = formOf(i, k, subjects[i][k])
	return subjects[i][k]
}

func formOf(subject, place int, command object) string {
	return fmt.Sprintf("%d.%d %s", subject, place, command["type"])
}

// rangeForms is the number of the subject of ofRange.
const rangeForms = 6

// forms are all forms that a command can have.
func (m *monkey) forms() []string {
	var out []string
	for i, list := range [][]object{m.ofKeys(), m.ofValues(), m.ofMoves("form"), m.ofStack("form"), m.ofClip(), m.ofScenes("form"), m.ofRange("form")} {
		for k, command := range list {
			out = append(out, formOf(i, k, command))
		}
	}
	return out
}

func (m *monkey) ofKeys() []object {
	p := m.property()
	key := object{"at": m.moment(), "value": m.value(p), "ease": m.ease()}
	return []object{
		{"type": "moveKeys", "keys": m.keys(), "by": m.Intn(60) - 30, "add": []float64{m.NormFloat64() * 50, 3}},
		{"type": "stretchKeys", "keys": m.keys(), "anchor": m.frame(), "factor": m.Float64() * 3},
		{"type": "reverseKeys", "keys": m.keys()},
		{"type": "snapKeys", "keys": m.keys(), "to": m.pick("beats", "bars", "hits")},
		{"type": "setEase", "keys": m.keys(), "ease": m.ease()},
		{"type": "holdUntil", "layer": m.layer().ID, "frame": m.frame()},
		{"type": "holdCreep", "key": m.keyThat(func(_ string, t motion.Track, i int) bool { return i+1 < len(t) })},
		{"type": "removeKeys", "keys": m.keys()},
		{"type": "bindKey", "key": m.keys()[0], "to": m.moment()},
		{"type": "bendPath", "key": m.bend(), "out": m.numbers(200), "in": []float64{-60, m.NormFloat64() * 90}},
		{"type": "bendPath", "key": m.bend(), "out": []float64{m.NormFloat64() * 200, 40}, "in": nil},
		{"type": "setKey", "layer": m.pick(m.layer().ID, m.layer().ID, clip.LightID), "property": p, "key": key},
		{"type": "setKey", "layer": m.layer().ID, "property": clip.Position, "key": object{"at": m.moment(), "value": []float64{m.NormFloat64() * 90, 0}, "off": m.pick("left", "above", "in"), "ease": m.ease()}},
		{"type": "pasteKeys", "layer": m.layer().ID, "at": m.frame(), "keys": []object{
			{"property": p, "after": m.Intn(20), "key": key}, {"property": m.property(), "after": m.Intn(20), "key": key},
		}},
		{"type": "shiftLayer", "layer": m.layer().ID, "by": m.Intn(80) - 40, "part": m.pick("whole", "from", "to", "none")},
	}
}

func (m *monkey) ofValues() []object {
	l, p := m.layer(), m.property()
	return []object{
		{"type": "setValue", "layer": m.pick(l.ID, l.ID, clip.LightID), "property": p, "frame": m.frame(), "value": m.value(p)},
		{"type": "handle", "layer": l.ID, "shape": m.pick("tall", "wide"), "frame": m.frame(), "target": m.pick("auto", "rest", "key"), "dx": m.NormFloat64() * 90, "wider": m.Float64() * 2, "turn": 4},
		{"type": "movePivot", "layer": l.ID, "shape": "tall", "to": []float64{m.NormFloat64() * 60, 30}, "move": []float64{4, m.NormFloat64() * 60}},
		{"type": "setRest", "layer": l.ID, "shape": m.pick("", "tall", "wide"), "set": object{"x": m.NormFloat64() * 400, "away": m.Intn(5) == 0}},
		{"type": "setRest", "layer": l.ID, "shape": "tall", "set": object{"size": 300 + m.NormFloat64()*100, "turn": m.NormFloat64() * 400}},
		{"type": "clearRest", "layer": l.ID, "shape": m.pick("tall", "wide")},
		{"type": "setLight", "set": object{"direction": m.NormFloat64() * 200, "height": m.Float64() * 90}},
		{"type": "setLayer", "layer": l.ID, "set": object{"follow": object{"layer": m.layer().ID, "rotation": true, "position": m.Intn(2) == 0}}},
		{"type": "setLayer", "layer": l.ID, "set": object{"wander": object{"amount": 5, "pace": m.Float64() * 9}}},
		{"type": "setLayer", "layer": l.ID, "set": object{"shutter": m.Float64() * 800, "blend": m.pick("multiply", "normal", "odd")}},
		{"type": "swapPicture", "layer": m.that(func(l *clip.Layer) bool { return l.Cutout != nil }), "prop": m.pick("mug", "mug", "film", "tune", "gone")},
		{"type": "recut", "was": m.pick(m.c.Props[0].Hash, m.c.Props[0].Hash, "gone"), "wasAt": []int{m.Intn(40), 3}, "at": []int{m.Intn(40) - 20, m.Intn(9)}, "layer": m.pick("", m.that(func(l *clip.Layer) bool { return l.Cutout != nil })), "prop": m.c.Props[0]},
		{"type": "partPosition", "layer": l.ID, "apart": m.Intn(3) > 0},
		{"type": "tradeProduct", "product": m.pick("p", "p", "gone"), "for": object{"name": "Trail kettle", "price": "38.00", "currency": "EUR", "prop": "mug"}},
	}
}

func (m *monkey) ofMoves(id string) []object {
	kinds := append([]string{"leap"}, clip.MoveKinds...)
	var own []string
	l := m.layer()
	for tries := 0; len(l.Moves) == 0 && tries < 40; tries++ {
		l = m.layer()
	}
	for _, move := range l.Moves {
		own = append(own, move.ID)
	}
	return []object{
		{"type": "setMove", "layer": m.layer().ID, "move": object{
			"kind": kinds[m.Intn(len(kinds))], "at": m.moment(), "lands": m.Intn(2) == 0, "length": m.Intn(60), "beats": float64(m.Intn(3)),
			"side": m.pick("", "left", "belowRight", "above", "inside"), "turn": m.NormFloat64() * 30, "strength": float64(m.Intn(320)), "drift": float64(m.Intn(2) * 40),
		}},
		{"type": "removeMove", "layer": l.ID, "id": m.pick(append(own, "gone")...)},
		{"type": "makeLineup", "layers": m.standing(), "id": id, "window": m.Intn(2) == 0},
		{"type": "setLineup", "layer": l.ID, "lineup": nil},
		{"type": "stagger", "layers": m.layers(), "by": m.Intn(40), "order": m.pick("stack", "centre", "across", "odd"), "ease": object{}},
		{"type": "closeLoop"},
		{"type": "addMask", "layer": l.ID, "form": m.pick("disc", "card", "line", "odd")},
		{"type": "removeMask", "layer": m.that(func(l *clip.Layer) bool { return len(l.Masks) > 0 }), "number": 1 + m.Intn(2)},
		{"type": "setRun", "layer": m.filled(), "run": m.pick("solid", "linear", "radial", "conic", "free", "free", "odd")},
		{"type": "addColour", "layer": m.filled()},
		{"type": "riseBehind", "layers": []string{m.layer().ID}, "behind": m.pick("wa", "b", m.layer().ID), "id": id + "rise"},
		{"type": "addLayers", "id": id + "s", "group": m.pick("", "scene", m.layer().ID), "layers": m.pack()},
		{"type": "changeInto", "layer": m.that(pathed), "path": sketched().Layer("blob").Card.Path, "into": sketched().Layer("blob").Card.Path, "frame": m.frame()},
		{"type": "becomePath", "layer": m.that(func(l *clip.Layer) bool { return l.Card != nil }), "path": sketched().Layer("blob").Card.Path},
		{"type": "addLine", "layer": m.that(func(l *clip.Layer) bool { return l.Card != nil })},
		{"type": "removeLine", "layer": m.that(func(l *clip.Layer) bool { return l.Card != nil && len(l.Card.Lines) > 0 }), "number": 1 + m.Intn(2)},
		{"type": "addPoint", "layer": m.that(pathed), "number": 1 + m.Intn(4)},
		{"type": "removePoint", "layer": m.that(pathed), "number": 1 + m.Intn(4)},
		{"type": "runAlong", "layer": m.that(worded), "figure": m.pick("blob", "blob", "", m.layer().ID)},
		{"type": "setAxis", "layer": m.that(worded), "tag": m.pick("wght", "wdth", "odd"), "at": m.NormFloat64() * 900, "frame": m.frame()},
		{"type": "shadeWords", "layer": m.that(worded), "id": id + "v", "colour": m.pick("#000000", "#ffffff"), "opacity": 100 * m.Float64(), "w": 900*m.Float64() - 50, "h": 20 + 400*m.Float64()},
		{"type": "fillWords", "layer": m.that(worded), "prop": m.pick("mug", "mug", "none"), "id": id + "w", "picture": id + "p", "w": 10 + 500*m.Float64(), "h": 100 * m.Float64()},
		{"type": "removeColour", "layer": m.filled(), "number": 1 + m.Intn(4)},
		{"type": "setPalette", "scene": m.pick("", "", m.layer().ID), "palette": object{"top": "#f0e0d0", "ink": "#102030", "plate": m.pick("#c04020", "#20c0a0ff", "odd")}},
	}
}

// that is a layer, mostly one of which a thing is true.
func (m *monkey) that(is func(l *clip.Layer) bool) string {
	l := m.layer()
	for tries := 0; !is(l) && tries < 9; tries++ {
		l = m.layer()
	}
	return l.ID
}

func (m *monkey) filled() string {
	return m.that(func(l *clip.Layer) bool { return l.Fill() != nil || l.Card != nil || l.Words != nil })
}

func worded(l *clip.Layer) bool { return l.Words != nil }

func (m *monkey) ofStack(id string) []object {
	return []object{
		{"type": "groupLayers", "layers": m.layers(), "id": id, "name": "Group"},
		{"type": "intoGroup", "layers": m.layers(), "group": m.group()},
		{"type": "ungroup", "layer": m.group()},
		{"type": "copyLayer", "layer": m.layer().ID, "id": id},
		{"type": "stackLayer", "layer": m.layer().ID, "above": m.layer().ID},
		{"type": "stackLayer", "layer": m.layer().ID, "to": m.Intn(20) - 5},
		{"type": "removeLayer", "layer": m.layer().ID},
		{"type": "addLayer", "layer": clip.Draft(m.c, m.pick(clip.KindCutout, clip.KindCard), id, "mug", ""), "at": m.Intn(5)},
	}
}

func (m *monkey) ofScenes(id string) []object {
	scenes := m.c.Scenes()
	scene := scenes[m.Intn(len(scenes))]
	length := []object{{"frames": 10 + m.Intn(200)}, {"beats": 1 + m.Intn(12)}, {"bars": m.Intn(4)}, {"frames": 5, "bars": 1}}[m.Intn(4)]
	return []object{
		{"type": "addScene", "id": id, "after": scene.ID, "scene": length},
		{"type": "splitScene", "id": id, "at": m.moment()},
		{"type": "moveScene", "scene": scene.ID, "to": m.Intn(len(scenes)+2) - 1},
		{"type": "trimScene", "scene": scene.ID, "length": length},
		{"type": "trimScene", "scene": scene.ID, "to": m.moment()},
		{"type": "trimScene", "scene": scene.ID, "from": m.moment()},
		{"type": "copyLayer", "layer": scene.ID, "id": id},
		{"type": "landOn", "layers": m.layers(), "frame": 1 + m.Intn(200), "on": m.moment()},
		{"type": "landOn", "layers": []string{scene.ID}, "frame": 1 + m.Intn(200), "on": 1 + m.Intn(200)},
		{"type": "spreadOut", "layers": m.layers(), "beat": m.Float64() * 4, "beats": m.Float64() * 4, "order": m.pick("", "reverse", "none")},
		{"type": "actOnHits", "layers": m.layers(), "keep": m.Intn(2) > 0, "move": object{"id": "", "kind": "hits", "at": m.Intn(100), "length": m.Intn(120), "turn": 0, "strength": 300 * m.Float64(),
			"side": m.pick("", "left", "above"), "hits": object{"does": m.pick(clip.HitDeeds.IDs()...), "least": m.Float64(), "frames": m.Intn(20), "with": m.pick("", "", m.layer().ID)}}},
		{"type": "pasteMotion", "from": m.layers()[0], "onto": m.layers()},
		{"type": "pasteMotion", "from": m.layers()[0], "onto": m.layers(), "at": m.moment()},
		{"type": "wearLook", "from": m.layers()[0], "onto": m.layers()},
		{"type": "wearLook", "onto": m.layers(), "values": object{"exposure": []float64{m.Float64() * 6}, "twist": []float64{40}}},
		{"type": "dropEffect", "layer": m.layers()[0], "effect": m.pick("twist", "exposure", "halo", "none")},
		{"type": "intoGroup", "layers": m.layers(), "group": scene.ID},
		{"type": "intoGroup", "layers": m.layers(), "group": "", "beneath": m.Intn(2) == 0},
	}
}

func (m *monkey) ofClip() []object {
	moving, move := m.that(func(l *clip.Layer) bool { return len(l.Moves) > 0 }), "gust"
	if l := m.c.Layer(moving); len(l.Moves) > 0 {
		move = l.Moves[0].ID
	}
	return []object{
		{"type": "setClip", "length": 150 + m.Intn(300)},
		{"type": "setClip", "language": m.pick("de", "", "ja", "xx")},
		{"type": "setClip", "rate": []int{24, 30, 60}[m.Intn(3)]},
		{"type": "setTempo", "bpm": 60 + m.Float64()*120},
		{"type": "setTempo", "times": []float64{0.5, 2, 3}[m.Intn(3)]},
		{"type": "setTempo", "perBar": m.Intn(8)},
		{"type": "setTempo", "barAt": m.frame()},
		{"type": "setTempo", "bar": m.Float64() * 9},
		{"type": "setTempo", "tapped": []float64{1, 1.5, 2, 2.5, 2 + m.Float64()}},
		{"type": "setTempo", "other": m.Intn(4) - 2},
		{"type": "setTempo", "taps": []float64{10, 24 + m.Float64(), 40, 55 + 3*m.Float64(), 70}[:m.Intn(6)]},
		{"type": "setMarks", "markers": []object{{"name": "M", "at": m.moment()}}},
		{"type": "setMarks", "markers": []object{{"name": "S", "at": m.frame()}}, "range": object{"in": m.frame(), "out": m.frame()}},
		{"type": "setTempo", "even": true},
		{"type": "setTempo", "kept": m.Intn(4) == 0},
		{"type": "setTempo", "drag": object{"second": 4.0, "to": 4 + m.NormFloat64()*0.2}},
		{"type": "soundOfMove", "layer": moving, "move": move, "prop": m.pick("quick", "tune", "")},
		{"type": "setCredit", "prop": m.pick("tune", "mug", "none"), "credit": "By someone"},
		{"type": "fitScenes", "unit": m.pick("bars", "beats")},
		{"type": "cutTune", "parts": parts(m), "tail": m.Float64() * 3, "fits": m.Intn(3) == 0, "stay": m.Intn(2) == 0},
		{"type": "setTune", "tune": object{"prop": m.pick("tune", "quick", "mug"), "start": m.Float64() * 20, "gain": -3.0, "fadeOut": m.Intn(60)}},
		{"type": "setTune", "tune": nil},
		{"type": "setSound", "id": m.pick("tune", "splash"), "sound": object{"prop": m.pick("tune", "quick", "mug"), "at": m.Intn(60), "trim": m.Float64() * 5, "gain": -3.0}},
		{"type": "setSound", "id": "splash", "sound": nil},
		{"type": "hearFootage", "layer": m.that(func(l *clip.Layer) bool { return l.Cutout != nil && l.Cutout.Prop == "film" }), "prop": film().heard},
	}
}

// pack is layers that belong together.
func (m *monkey) pack() []clip.Layer {
	blob := *sketched().Layer("blob")
	group := clip.NewGroup("pack", "Pack")
	blob.Group = m.pick("pack", "pack", "", "odd")
	return []clip.Layer{blob, group}
}

func pathed(l *clip.Layer) bool { return l.Card != nil && l.Card.Path != nil }

// sketched is three with a path.
func sketched() *clip.Clip {
	c := three()
	c.Props = append(c.Props, film().seen)
	tune := c.Prop("tune").Sound
	tune.Others = []timing.Tempo{{BPM: 75, PerBar: 3}}
	for at := 0.3; at < 20; at += 0.6 {
		tune.Hits = append(tune.Hits, clip.Hit{At: at, Strength: 0.5, Kind: "low"})
	}
	c.SetTune(&clip.SoundTrack{Prop: "tune"})
	p := clip.DrawnPath{Closed: true}
	for i, at := range [][2]float64{{-50, -50}, {50, -50}, {50, 50}, {-50, 50}} {
		p.Points = append(p.Points, clip.PathPoint{ID: i + 1, X: at[0], Y: at[1], Out: [2]float64{10, 0}})
	}
	l := clip.Drawn(c, "Blob", p, 300, 200)
	l.ID = "blob"
	words := clip.NewWords("said", "Said", clip.KindWords, "Two *words*")
	words.Words.Beside = &clip.Beside{Layer: "blob", Gap: 20}
	c.Layers = append(c.Layers, l, words)
	for _, id := range []string{"tin", "lamp"} {
		c.Products = append(c.Products, clip.Product{ID: id, Name: id, Price: "5.00", Currency: "EUR"})
	}
	priced := clip.NewWords("priced", "Priced", clip.KindWords, "{name} {price}")
	priced.Words.Product, priced.Group = "tin", c.Scenes()[0].ID
	reel := clip.Draft(c, clip.KindCutout, "Reel", "film", "")
	reel.ID = "reel"
	c.Layers = append(c.Layers, priced, reel)
	return c
}

// parts are some of a tune, now and then ones that it has not.
func parts(m *monkey) []object {
	out := []object{}
	for range m.Intn(4) {
		from := m.Float64() * 12
		out = append(out, object{"from": from, "to": from + m.Float64()*6})
	}
	return out
}
