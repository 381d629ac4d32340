package edit

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/moves"
)

// on is a command that lets layers do something on hits from the second second to the sixth.
func on(layers, hits string) string {
	return fmt.Sprintf(`{"type":"actOnHits","layers":%s,"move":{"id":"","kind":"hits","at":60,"length":120,"turn":0,"strength":100,"hits":%s}}`, layers, hits)
}

// peaks is the frames on which a property of a layer is not what it is at rest.
func peaks(c *clip.Clip, layer, property string, rest float64) (out []int) {
	l := c.Layer(layer)
	for _, k := range l.Tracks[property] {
		if k.Value[0] != rest {
			out = append(out, c.ClockOf(l).Frame(k.At))
		}
	}
	return out
}

func isOn(t *testing.T, what string, got []int, want ...int) {
	t.Helper()
	if !slices.Equal(got, want) {
		t.Errorf("%s: %v, want %v", what, got, want)
	}
}

// TestALayerSwellsOnHits: strong hits lie on frames 60, 120 and 180 of those from 60 to 180, weak ones on 90 and
// 150. Each is a swell that is largest on its frame; another threshold writes others; however the tune is counted, they stay on its hits.
func TestALayerSwellsOnHits(t *testing.T) {
	c := struck()
	got := do(t, c, on(`["mug-layer"]`, `{"does":"swell","least":0.5}`))
	isOn(t, "strong hits", peaks(got, "mug-layer", clip.Scale, 100), 60, 120, 180)
	if k := got.Layer("mug-layer").Tracks[clip.Scale][1]; k.Value[0] != 112 || !k.At.OnBeat || k.At.Beat != 4 {
		t.Errorf("the first swell is %+v, want 112 on beat 4", k)
	}
	all := do(t, got, on(`["mug-layer"]`, `{"does":"swell","least":0.2}`))
	isOn(t, "with a lower threshold", peaks(all, "mug-layer", clip.Scale, 100), 60, 90, 120, 150, 180)
	if len(all.Layer("mug-layer").Moves) != 1 {
		t.Error("another threshold is another move")
	}
	isOn(t, "low ones alone", peaks(do(t, c, on(`["mug-layer"]`, `{"does":"swell","least":0,"kinds":["high"]}`)), "mug-layer", clip.Scale, 100), 90, 150)
	// What the tune plays does not change by how it is counted.
	isOn(t, "at 60 beats a minute", peaks(do(t, got, `{"type":"setTempo","bpm":60}`), "mug-layer", clip.Scale, 100), 60, 120, 180)
	if none := do(t, got, `{"type":"removeMove","layer":"mug-layer","id":"`+got.Layer("mug-layer").Moves[0].ID+`"}`); len(none.Layer("mug-layer").Tracks[clip.Scale]) > 0 {
		t.Error("keys are left of a move that is gone")
	}
}

// TestSwellsBeginFromWhatIsThere: a size that grows by hand is what swells begin from.
func TestSwellsBeginFromWhatIsThere(t *testing.T) {
	c := do(t, struck(), `{"type":"setKey","layer":"mug-layer","property":"scale","key":{"at":0,"value":[50],"ease":{"kind":"hold"}}}`)
	got := do(t, c, on(`["mug-layer"]`, `{"does":"swell","least":0.5}`))
	for _, k := range got.Layer("mug-layer").Tracks[clip.Scale] {
		if k.Value[0] != 50 && k.Value[0] != 56 {
			t.Errorf("a key of a swell from 50 is %g", k.Value[0])
		}
	}
}

// TestAnotherTuneIsStruckElsewhere: the hits of another tune are those on which it happens then.
func TestAnotherTuneIsStruckElsewhere(t *testing.T) {
	c := struck()
	c.Prop("quick").Sound.Hits = []clip.Hit{{At: 2.4, Strength: 1, Kind: "low"}, {At: 4, Strength: 1, Kind: "low"}} // beats 6 and 10 at 150
	c = do(t, c, on(`["mug-layer"]`, `{"does":"swell","least":0.5}`))
	got := do(t, c, `{"type":"setTune","stay":true,"tune":{"prop":"quick","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	isOn(t, "the other tune", peaks(got, "mug-layer", clip.Scale, 100), 72, 120)
	// From 2 s of the first tune on, cut before bar 2: strong hits still are bars.
	cut := do(t, c, `{"type":"cutTune","parts":[{"from":3,"to":13}]}`)
	isOn(t, "a cut that begins within a bar", peaks(cut, "mug-layer", clip.Scale, 100), 90, 150)
}

// TestColoursAreExchangedOnHits: words and backdrop take each other's colour on the frame of the hit and for
// three more, then their own again.
func TestColoursAreExchangedOnHits(t *testing.T) {
	c := struck()
	words := c.Layers[len(c.Layers)-1].ID
	backdrop := c.Layers[0].ID
	if c.Layer(backdrop).Kind != clip.KindBackdrop || c.Layer(words).Words == nil {
		t.Fatal("the sample is another")
	}
	c.Layer(backdrop).Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colour.RGB(0xF0F0F0)}}
	c.Layer(words).Words.Fill, c.Layer(words).Words.EmphasisFill = colour.RGB(0x102030), colour.RGB(0x102030)
	got := do(t, c, on(fmt.Sprintf("[%q]", words), fmt.Sprintf(`{"does":"exchange","least":0.5,"with":%q}`, backdrop)))
	l := got.Layer(words)
	fill := l.TwoColours()[0]
	for frame, first := range map[int]float64{59: 0x10, 60: 0xF0, 63: 0xF0, 64: 0x10, 121: 0xF0, 130: 0x10} {
		if v := clip.Curve(fill, l.Tracks[fill], got.ClockOf(l)).Sample(float64(frame)); math.Abs(v[0]-first) > 0.01 {
			t.Errorf("on frame %d the words have %g of red, want %g", frame, v[0], first)
		}
	}
	if v := clip.Curve(clip.EmphasisColour, l.Tracks[clip.EmphasisColour], got.ClockOf(l)).Sample(61); math.Abs(v[0]-0xF0) > 0.01 {
		t.Errorf("emphasis of the same colour has %g of red then, want %d", v[0], 0xF0)
	}
	b := got.Layer(backdrop)
	fill = b.TwoColours()[0]
	if v := clip.Curve(fill, b.Tracks[fill], got.ClockOf(b)).Sample(61); math.Abs(v[0]-0x10) > 0.01 {
		t.Errorf("the backdrop has %g of red then, want %d", v[0], 0x10)
	}
	// A picture that is seen in two colours has those: it takes the backdrop's.
	logo := do(t, c, `{"type":"setLayer","layer":"mug-layer","set":{"values":{"duotone":[100],"duotoneDark":[16,32,48,255]}}}`)
	logo = do(t, logo, on(`["mug-layer"]`, fmt.Sprintf(`{"does":"exchange","least":0.5,"with":%q}`, backdrop)))
	l = logo.Layer("mug-layer")
	if v := clip.Curve("duotoneDark", l.Tracks["duotoneDark"], logo.ClockOf(l)).Sample(61); math.Abs(v[0]-0xF0) > 0.01 {
		t.Errorf("its dark has %g of red then, want %d", v[0], 0xF0)
	}
	// With another colour the words take up that one, and so does the backdrop.
	dyed := do(t, got, fmt.Sprintf(`{"type":"setLayer","layer":%q,"set":{"words":{"fill":"#900000"}}}`, words))
	for id, want := range map[string][2]float64{words: {0x90, 0xF0}, backdrop: {0xF0, 0x90}} {
		l := dyed.Layer(id)
		name := l.TwoColours()[0]
		for k, frame := range []float64{59, 61} {
			if v := clip.Curve(name, l.Tracks[name], dyed.ClockOf(l)).Sample(frame); math.Abs(v[0]-want[k]) > 0.01 {
				t.Errorf("dyed, %s has %g of red on frame %g, want %g", id, v[0], frame, want[k])
			}
		}
	}
	// What is gone is exchanged with no more.
	gone := do(t, got, fmt.Sprintf(`{"type":"removeLayer","layer":%q}`, words))
	if with := gone.Layer(backdrop).Moves[0].Hits.With; with != "" {
		t.Errorf("it exchanges with %q, which is gone", with)
	}
}

// TestLayersKeepTheTimeOfWhatTheyDoOnHits: a second layer begins on frame 100; a change of what both do leaves it
// there, and what they exchange colours with does so from the first one's beginning to the last one's end.
func TestLayersKeepTheTimeOfWhatTheyDoOnHits(t *testing.T) {
	c := struck()
	words, backdrop := c.Layers[len(c.Layers)-1].ID, c.Layers[0].ID
	c = do(t, c, fmt.Sprintf(`{"type":"copyLayer","layer":%q,"id":"later"}`, words))
	c = do(t, c, `{"type":"setLayer","layer":"later","set":{"from":100,"to":200}}`)
	c = do(t, c, fmt.Sprintf(`{"type":"setLayer","layer":%q,"set":{"from":30,"to":90}}`, words))
	both := fmt.Sprintf(`["later",%q]`, words)
	move := func(at int, keep bool, hits string) string {
		return fmt.Sprintf(`{"type":"actOnHits","layers":%s,"keep":%t,"move":{"id":"hits","kind":"hits","at":%d,"length":0,"turn":0,"strength":100,"hits":%s}}`, both, keep, at, hits)
	}
	c = do(t, c, on(fmt.Sprintf("[%q]", backdrop), `{"does":"flash","least":0.5}`))
	c = do(t, c, move(0, false, `{"does":"flash","least":0.5}`))
	c = do(t, c, move(100, true, fmt.Sprintf(`{"does":"exchange","least":0.5,"with":%q}`, backdrop)))
	// One of them alone: the backdrop goes on for the other.
	both = `["later"]`
	c = do(t, c, move(100, true, fmt.Sprintf(`{"does":"exchange","least":0.4,"with":%q}`, backdrop)))
	if n := len(c.Layer(backdrop).Moves); n != 2 {
		t.Errorf("the backdrop does %d things on hits, want its own one and the exchange", n)
	}
	for id, want := range map[string][2]int{words: {30, 89}, "later": {100, 199}, backdrop: {30, 199}} {
		l := c.Layer(id)
		from, to := moves.Span(c, l, l.Moves[len(l.Moves)-1])
		if from != want[0] || to != want[1] {
			t.Errorf("%s does it from %d to %d, want %v", id, from, to, want)
		}
	}
}

// TestLayersTakeTurnsOnHits: three layers, seen one after the other from hit to hit.
func TestLayersTakeTurnsOnHits(t *testing.T) {
	c := three()
	s := struck()
	c.Props, c.Sounds, c.Tempo = s.Props, s.Sounds, s.Tempo
	c = do(t, c, on(`["a","b","c"]`, `{"does":"turns","least":0}`))
	seen := func(frame int) (out string) {
		for _, id := range []string{"a", "b", "c"} {
			l := c.Layer(id)
			if clip.Curve(clip.Opacity, l.Tracks[clip.Opacity], c.ClockOf(l)).Sample(float64(frame))[0] > 0 {
				out += id
			}
		}
		return out
	}
	// The hit on frame 60 begins it; those on 90, 120, 150 and 180 change it.
	for frame, who := range map[int]string{60: "a", 89: "a", 90: "b", 119: "b", 120: "c", 150: "a", 180: "b"} {
		if got := seen(frame); got != who {
			t.Errorf("on frame %d %q is seen, want %q", frame, got, who)
		}
	}
}

func TestOnHitsBadInput(t *testing.T) {
	c := struck()
	refused(t, c, on(`[]`, `{"does":"swell","least":0}`), "layers")
	refused(t, c, on(`["none"]`, `{"does":"swell","least":0}`), "layer")
	refused(t, c, on(`["mug-layer"]`, `{"does":"dance","least":0}`), "does")
	refused(t, c, on(`["mug-layer"]`, `{"does":"swell","least":7}`), "least")
	refused(t, c, on(`["mug-layer"]`, `{"does":"swell","least":0,"kinds":["loud"]}`), "kinds")
	refused(t, c, on(`["mug-layer"]`, `{"does":"exchange","least":0,"with":"none"}`), "with")
	refused(t, c, `{"type":"setMove","layer":"mug-layer","move":{"kind":"gust","at":0,"length":9,"turn":0,"strength":100,"hits":{"does":"swell","least":0}}}`, "hits")
	refused(t, c, `{"type":"setMove","layer":"mug-layer","move":{"kind":"hits","at":0,"length":9,"turn":0,"strength":100}}`, "hits")
	// Without a tune there are no hits, and nothing happens.
	quiet := do(t, c, `{"type":"setTune","tune":null}`)
	if got := do(t, quiet, on(`["mug-layer"]`, `{"does":"swell","least":0}`)); len(got.Layer("mug-layer").Tracks[clip.Scale]) > 0 {
		t.Error("it swells without a tune")
	}
}
