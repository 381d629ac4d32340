package edit

import (
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
)

// priced is three with a picture and a product of its own for each of the cut-outs,
// and words that show the products in another order than they are stacked.
func priced() *clip.Clip {
	c := three()
	for i, id := range []string{"a", "b", "c"} {
		c.Props = append(c.Props, clip.Prop{ID: "p" + id, Name: id, Kind: clip.KindCutout, Hash: strings.Repeat(id, 64), Media: "image/png",
			Picture: &clip.Picture{W: 80, H: 60, Visible: [4]int{0, 0, 80, 60}}})
		c.Products = append(c.Products, clip.Product{ID: "of-" + id, Name: strings.ToUpper(id), Price: "5.00", Currency: "EUR", Prop: "p" + id})
		c.Layer(id).Cutout.Prop = "p" + id
		c.Layer([]string{"wc", "wa", "wb"}[i]).Words.Product = "of-" + id
	}
	return c
}

func TestALineupPairsWordsWithTheProductThatTheyShow(t *testing.T) {
	c := do(t, priced(), `{"type":"makeLineup","layers":["a","b","c","wa","wb","wc"],"id":"line"}`)
	got := ""
	for _, it := range c.Layer("line").Lineup.Items {
		got += it.Layer + ":" + strings.Join(it.With, ",") + " "
	}
	if got != "a:wc b:wa c:wb " {
		t.Errorf("the pairs are %s", got)
	}
}

// changed is a line-up with some of its settings changed.
func changed(t *testing.T, c *clip.Clip, change func(u *clip.Lineup)) *clip.Clip {
	t.Helper()
	u := *c.Layer("line").Lineup
	change(&u)
	raw, err := json.Marshal(map[string]any{"type": "setLineup", "layer": "line", "lineup": u})
	if err != nil {
		t.Fatal(err)
	}
	return do(t, c, string(raw))
}

// byFrames is a line-up that is counted in frames: b arrives on frame 60, c on 120.
func byFrames(t *testing.T) *clip.Clip {
	t.Helper()
	c := do(t, three(), `{"type":"makeLineup","layers":["a","b","c"],"id":"line"}`)
	return changed(t, c, func(u *clip.Lineup) {
		u.Beats, u.Bars, u.Start.OnBeat, u.Start.Beat, u.Stay, u.Change = 0, 0, false, 0, 60, 12
	})
}

func TestTheLastProductCanLeave(t *testing.T) {
	c := byFrames(t)
	x := func(c *clip.Clip, layer string, frame float64) float64 {
		l := c.Layer(layer)
		return clip.Curve(clip.Position, l.Tracks[clip.Position], c.ClockOf(l)).At(frame, 0)
	}
	if got := x(c, "c", 200); math.Abs(got) > 1e-9 {
		t.Errorf("without that, the last product is at %g", got)
	}
	c = changed(t, c, func(u *clip.Lineup) { u.Leaves = true })
	gone := c.Layer("line").Lineup.Slots[2].X
	if got := x(c, "c", 167); math.Abs(got) > 1e-9 {
		t.Errorf("before its time is over, it is at %g", got)
	}
	if got := x(c, "c", 180); math.Abs(got-gone) > 1e-9 {
		t.Errorf("when it has left, it is at %g, not in the last slot, %g", got, gone)
	}
	u := *c.Layer("line").Lineup
	u.Stay = 100
	raw, _ := json.Marshal(map[string]any{"type": "setLineup", "layer": "line", "lineup": u})
	refused(t, c, string(raw), "lineup.leaves")
}

func TestTheChangesOfALineupHaveAnEasing(t *testing.T) {
	c := changed(t, byFrames(t), func(u *clip.Lineup) { u.Ease = &motion.Ease{Kind: motion.Linear} })
	l := c.Layer("b")
	curve := clip.Curve(clip.Position, l.Tracks[clip.Position], c.ClockOf(l))
	from := c.Layer("line").Lineup.Slots[0].X
	if got := curve.At(54, 0); math.Abs(got-from/2) > 1e-6 {
		t.Errorf("half-way through an even change it is at %g, not half-way from %g", got, from)
	}
	// One of the changes has another easing: it stays when the places change.
	c = do(t, c, `{"type":"setEase","keys":[{"layer":"b","property":"position","frame":48}],"ease":{"kind":"in"}}`)
	c = changed(t, c, func(u *clip.Lineup) { u.Slots[0].X = 300 })
	for _, k := range c.Layer("b").Tracks[clip.Position] {
		if f := c.Clock().Frame(k.At); f == 48 && (k.Ease.Kind != motion.In || k.Value[0] != 300) {
			t.Errorf("on frame 48 it is at %v and goes on %s", k.Value, k.Ease.Kind)
		}
	}
}

// A start that is counted in frames stays on its frame, whatever the tempo becomes.
func TestAStartInFramesStaysWhenTheTempoChanges(t *testing.T) {
	c := changed(t, byFrames(t), func(u *clip.Lineup) { u.Beats, u.Start.Frames = 4, 20 })
	arrives := func(c *clip.Clip) (out []int) {
		for _, k := range c.Layer("b").Tracks[clip.Position] {
			out = append(out, c.Clock().Frame(k.At))
		}
		return out
	}
	before := arrives(c)
	c = do(t, c, `{"type":"setTempo","bpm":93}`)
	if f := c.ClockOf(c.Layer("line")).Frame(c.Layer("line").Lineup.Start); f != 20 {
		t.Errorf("it starts on frame %d", f)
	}
	// At 93 beats a minute a beat lasts 19.35 frames: frame 20 is nearest to the first
	// beat after the beginning, and four beats later is frame 96.8.
	after := arrives(c)
	if got := after[len(after)-1]; len(after) < 3 || !slices.Contains(after, 97) {
		t.Errorf("at 120 beats b changes on %v, at 93 on %v, and last on %d", before, after, got)
	}
}

// Words that do not show the product with which they come were paired by their order;
// whoever gives them their product makes it sure.
func TestALineupSaysWhichWordsArePairedByOrder(t *testing.T) {
	c := priced()
	for _, id := range []string{"wa", "wb"} {
		c.Layer(id).Words.Product = ""
		c.Layer(id).Words.Text = "Plain"
	}
	c = do(t, c, `{"type":"makeLineup","layers":["a","b","c","wa","wb","wc"],"id":"line"}`)
	if got := strings.Join(c.Unsure(c.Layer("line")), " "); got != "wa wb" {
		t.Errorf("unsure are %q", got)
	}
	if sure := do(t, priced(), `{"type":"makeLineup","layers":["a","b","c","wa","wb","wc"],"id":"line"}`); len(sure.Unsure(sure.Layer("line"))) != 0 {
		t.Errorf("words with their product are unsure: %v", sure.Unsure(sure.Layer("line")))
	}
}

// A key that was set by hand stays when the line-up changes, is counted, and gives way
// when it is asked to.
func TestALineupWritesKeysAnewWhenAsked(t *testing.T) {
	c := byFrames(t)
	if n := moves.ByHand(c, c.Layer("line")); n != 0 {
		t.Errorf("%d keys are set by hand before any is", n)
	}
	mended := do(t, c, `{"type":"setKey","layer":"b","property":"position","key":{"at":30,"value":[7,8],"ease":{"kind":"linear"}}}`)
	mended = changed(t, mended, func(u *clip.Lineup) { u.Stay = 50 })
	if n := moves.ByHand(mended, mended.Layer("line")); n != 1 {
		t.Errorf("%d keys are set by hand, want 1", n)
	}
	raw, _ := json.Marshal(map[string]any{"type": "setLineup", "layer": "line", "anew": true, "lineup": c.Layer("line").Lineup})
	anew := do(t, mended, string(raw))
	if moves.ByHand(anew, anew.Layer("line")) != 0 || string(anew.Encode()) != string(c.Encode()) {
		t.Error("written anew, the line-up is not what it was")
	}
}

// TestALineupGoesOnWithHits: products arrive on strong hits of the tune, each two seconds; with soft ones, which lie
// between, earlier. With another tune they arrive on that one's.
func TestALineupGoesOnWithHits(t *testing.T) {
	c := byFrames(t)
	s := c.Prop("tune").Sound
	s.Tempo = timing.Even(120)
	for at := 0.0; at < 30; at += 2 {
		s.Hits = append(s.Hits, clip.Hit{At: at, Strength: 0.9, Kind: "low"}, clip.Hit{At: at + 1, Strength: 0.4, Kind: "high"})
	}
	c = do(t, c, `{"type":"setTune","tune":{"prop":"tune","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	arrived := func(c *clip.Clip) (out []int) {
		for _, id := range []string{"a", "b", "c"} {
			for _, k := range c.Layer(id).Tracks[clip.Position] {
				if k.Value[0] == 0 && (len(out) == 0 || c.Clock().Frame(k.At) > out[len(out)-1]) {
					out = append(out, c.Clock().Frame(k.At)) // it comes to stand in the middle
					break
				}
			}
		}
		return out
	}
	on := func(c *clip.Clip, least float64) *clip.Clip {
		return changed(t, c, func(u *clip.Lineup) { u.On = &clip.HitChoice{Least: least} })
	}
	strong := on(c, 0.5)
	if got := arrived(strong); !slices.Equal(got, []int{0, 60, 120}) {
		t.Errorf("they arrive on %v, want 0, 60, 120", got)
	}
	if got := arrived(on(strong, 0.3)); !slices.Equal(got, []int{0, 30, 60}) {
		t.Errorf("with soft hits, too, they arrive on %v, want 0, 30, 60", got)
	}
	if got := arrived(do(t, strong, `{"type":"setTempo","bpm":60}`)); !slices.Equal(got, []int{0, 60, 120}) {
		t.Errorf("counted otherwise they arrive on %v: hits are where they are", got)
	}
	one := on(c, 0.95)
	if got := moves.Waiting(one, one.Layer("line")); got != 2 {
		t.Errorf("without a hit %d wait, want 2", got)
	}
	bad, _ := json.Marshal(map[string]any{"type": "setLineup", "layer": "line", "lineup": func() clip.Lineup {
		u := *c.Layer("line").Lineup
		u.On = &clip.HitChoice{Least: 2}
		return u
	}()})
	refused(t, c, string(bad), "layers[line].lineup.on.least")
}
