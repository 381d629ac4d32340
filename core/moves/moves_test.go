package moves

import (
	"errors"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// stageClip is ten seconds at 120 BPM and 30 fps, so that a beat is 15 frames,
// with layers of the given IDs in a group.
func stageClip(ids ...string) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Moves", tall, 30, 300)
	group := clip.NewGroup("stage", "Stage")
	for _, id := range ids {
		l := clip.NewLayer(id, id, clip.KindBackdrop)
		l.Backdrop = c.Layers[0].Backdrop
		l.Group = "stage"
		c.Layers = append(c.Layers, l)
	}
	c.Layers = append(c.Layers, group)
	return c
}

// with writes moves on a layer of a fresh clip.
func with(t *testing.T, list ...clip.Move) (*clip.Clip, *clip.Layer) {
	t.Helper()
	c := stageClip("thing")
	l := c.Layer("thing")
	for i := range list {
		list[i].ID = FreeID(l, list[i].Kind)
		l.Moves = append(l.Moves, list[i])
	}
	if err := Rewrite(c, l); err != nil {
		t.Fatal(err)
	}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c, l
}

func move(kind string, change func(*clip.Move)) clip.Move {
	m := Default(kind)
	if change != nil {
		change(&m)
	}
	return m
}

func TestABobHopsTwiceAndStandsWhereItStood(t *testing.T) {
	c, l := with(t, move("bob", func(m *clip.Move) { m.At, m.Length = timing.At(20), 12 }))
	high := func(f float64) float64 { return -at(c, l, clip.Position, f)[1] }
	// Eight frames up and down, then four.
	for f, want := range map[float64]float64{10: 0, 20: 0, 24: 60, 28: 0, 30: 20, 32: 0, 90: 0} {
		if got := high(f); got != want {
			t.Errorf("on frame %g it is %g high, want %g", f, got, want)
		}
	}
}

func TestEveryMoveHasARecipe(t *testing.T) {
	for _, kind := range clip.Moves {
		if recipes[kind.ID] == nil {
			t.Errorf("nothing says what keys a %s writes", kind.Name)
		}
	}
	if len(recipes) != len(clip.Moves) {
		t.Errorf("there are %d recipes for %d kinds of moves", len(recipes), len(clip.Moves))
	}
}

// at is the value of a property on a frame, of its keys.
func at(c *clip.Clip, l *clip.Layer, property string, frame float64) [4]float64 {
	return clip.Curve(property, l.Tracks[property], c.Clock()).Sample(frame)
}

func frames(c *clip.Clip, t motion.Track) []int {
	var out []int
	for _, k := range t {
		out = append(out, c.Clock().Frame(k.At))
	}
	return out
}

func equal(a []int, b ...int) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range a {
		if a[i] != b[i] {
			return false
		}
	}
	return true
}

func TestGustFliesInTurnedAndComesToRest(t *testing.T) {
	c, l := with(t, move("gust", nil))
	pos := l.Tracks[clip.Position]
	if !equal(frames(c, pos), 0, 16) || pos[0].Off != "right" || pos[1].Value[0] != 0 || pos[1].Value[1] != 0 {
		t.Errorf("the position keys are %+v", pos)
	}
	if turn := at(c, l, clip.Rotation, 0)[0]; turn != 24 {
		t.Errorf("it comes in turned by %g", turn)
	}
	if turn := at(c, l, clip.Rotation, 16)[0]; turn != 0 {
		t.Errorf("it rests turned by %g", turn)
	}
}

func TestFastInSlowDriftIsOneAct(t *testing.T) {
	c, l := with(t, move("gust", func(m *clip.Move) { m.Drift = 30 }))
	if !equal(frames(c, l.Tracks[clip.Position]), 0, 16, 299) {
		t.Fatalf("the keys are on %v", frames(c, l.Tracks[clip.Position]))
	}
	// In from the right, it drifts on to the left until the last frame.
	last := 0.0
	for f := 17; f < 300; f++ {
		x := at(c, l, clip.Position, float64(f))[0]
		if x >= last {
			t.Fatalf("on frame %d it does not drift on: %g after %g", f, x, last)
		}
		last = x
	}
	if last != -30 {
		t.Errorf("at the end it has drifted to %g", last)
	}
}

func TestSwellPopsOnItsBeat(t *testing.T) {
	land := func(m *clip.Move) { m.At, m.Lands = timing.OnBeat(4), true }
	c, l := with(t, move("swell", land))
	// Nothing, past full size on the beat (frame 60), a little under, full size.
	if !equal(frames(c, l.Tracks[clip.Scale]), 45, 60, 65, 70) {
		t.Errorf("the keys are on %v", frames(c, l.Tracks[clip.Scale]))
	}
	for f, want := range map[float64]float64{45: 0, 60: 118, 65: 95, 70: 100, 200: 100} {
		if got := at(c, l, clip.Scale, f)[0]; got != want {
			t.Errorf("on frame %g it is %g%%, want %g%%", f, got, want)
		}
	}
	c.Tempo = timing.Even(60)
	if !equal(frames(c, l.Tracks[clip.Scale]), 105, 120, 125, 130) {
		t.Errorf("at 60 BPM the keys are on %v", frames(c, l.Tracks[clip.Scale]))
	}
}

func TestSettleHopsTwoFramesUpAndTwoDown(t *testing.T) {
	c, l := with(t, move("settle", nil))
	if !equal(frames(c, l.Tracks[clip.Position]), 0, 12, 14, 16) {
		t.Errorf("the keys are on %v", frames(c, l.Tracks[clip.Position]))
	}
	if y := at(c, l, clip.Position, 14)[1]; y >= -10 {
		t.Errorf("it hops to %g", y)
	}
	if turn := at(c, l, clip.Rotation, 14)[0]; turn != 5 {
		t.Errorf("it tilts by %g", turn)
	}
	for _, f := range []float64{12, 16, 20, 299} {
		if v := at(c, l, clip.Position, f); v[0] != 0 || v[1] != 0 {
			t.Errorf("on frame %g it is at %v", f, v)
		}
	}
}

func TestFlutterSwaysFromItsTopAndDiesDown(t *testing.T) {
	c, l := with(t, move("flutter", nil))
	if v := at(c, l, clip.Pivot, 0); v[1] != -50 {
		t.Errorf("the pivot is at %v", v)
	}
	// It swings to both sides, ever less.
	swings, last, peak := 0, 14.0, 0.0
	for f := 1.0; f < 60; f++ {
		v := at(c, l, clip.Rotation, f)[0]
		if (v < 0) != (last < 0) {
			swings++
			peak = 0
		}
		peak = max(peak, max(v, -v))
		last = v
	}
	if swings < 3 || peak > 6 {
		t.Errorf("it swings %d times and ends with %g degrees", swings, peak)
	}
}

func TestWhiskBeginsWhereADriftHasGot(t *testing.T) {
	c, l := with(t,
		move("gust", nil),
		move("waft", func(m *clip.Move) { m.At, m.Length = timing.At(16), 104 }),
		move("whisk", func(m *clip.Move) { m.At = timing.At(120) }),
	)
	if !equal(frames(c, l.Tracks[clip.Position]), 0, 16, 120, 132) {
		t.Fatalf("the keys are on %v", frames(c, l.Tracks[clip.Position]))
	}
	if v := at(c, l, clip.Position, 120); v[1] != -40 {
		t.Errorf("after the drift it is at %v", v)
	}
	if k := l.Tracks[clip.Position][3]; k.Off != "left" {
		t.Errorf("it leaves to %+v", k)
	}
}

func TestLullHoldsWhatMoves(t *testing.T) {
	c, l := with(t, move("waft", nil), move("lull", func(m *clip.Move) { m.At, m.Length = timing.At(100), 50 }))
	still := at(c, l, clip.Position, 100)
	for f := 101.0; f <= 150; f++ {
		if at(c, l, clip.Position, f) != still {
			t.Fatalf("on frame %g it has moved", f)
		}
	}
	if at(c, l, clip.Position, 200) == still {
		t.Error("afterwards it does not go on")
	}
}

func TestUnfurlReveals(t *testing.T) {
	c, l := with(t, move("unfurl", func(m *clip.Move) { m.Side = "left" }))
	if at(c, l, clip.Revealed, 0)[0] != 0 || at(c, l, clip.Revealed, 14)[0] != 100 || l.Reveal == nil || l.Reveal.Side != "left" {
		t.Errorf("it is revealed %+v", l.Tracks[clip.Revealed])
	}
}

func TestWritingAgainReplacesItsOwnKeysAndLeavesThoseMadeByHand(t *testing.T) {
	c, l := with(t, move("gust", nil))
	byHand := motion.Key{At: timing.At(50), Value: []float64{7, 7}, Ease: motion.Ease{Kind: motion.Linear}}
	l.Tracks[clip.Position] = append(l.Tracks[clip.Position], byHand)
	l.Moves[0].Length, l.Moves[0].Side = 20, "below"
	if err := Rewrite(c, l); err != nil {
		t.Fatal(err)
	}
	pos := l.Tracks[clip.Position]
	if !equal(frames(c, pos), 0, 20, 50) || pos[0].Off != "below" || pos[2].Value[0] != 7 {
		t.Errorf("the keys are %+v", pos)
	}
	// A key made by hand on one of its frames stays too.
	l.Tracks[clip.Position][1] = motion.Key{At: timing.At(20), Value: []float64{3, 3}, Ease: motion.Ease{Kind: motion.Hold}}
	if err := Rewrite(c, l); err != nil {
		t.Fatal(err)
	}
	if k := l.Tracks[clip.Position][1]; k.Value[0] != 3 || k.Move != "" {
		t.Errorf("the key made by hand became %+v", k)
	}
}

func TestANewMoveLandsWhereThereIsRoomAndEndsWithItsLayer(t *testing.T) {
	c := stageClip("thing")
	l := c.Layer("thing")
	until := timing.At(200)
	l.To = &until
	for _, want := range []struct {
		kind   string
		at     int
		lands  bool
		length int
	}{
		{"gust", 0, false, 16}, {"gust", 16, true, 16}, {"swell", 90, true, 15}, {"whisk", 90, false, 12},
		{"lull", 100, false, 60}, {"lull", 180, false, 19}, {"waft", 50, false, 0},
	} {
		m := Draft(c, l, want.kind, timing.At(want.at))
		if m.Lands != want.lands || m.Length != want.length || m.At.Frames != want.at {
			t.Errorf("%s at %d: %+v", want.kind, want.at, m)
		}
	}
}

func TestAMoveOutsideTheClipSaysSo(t *testing.T) {
	for name, m := range map[string]clip.Move{
		"before":  move("gust", func(m *clip.Move) { m.At, m.Lands = timing.At(5), true }),
		"after":   move("gust", func(m *clip.Move) { m.At = timing.At(290) }),
		"no time": move("waft", func(m *clip.Move) { m.At = timing.At(299) }),
	} {
		c := stageClip("thing")
		l := c.Layer("thing")
		m.ID = "m"
		l.Moves = []clip.Move{m}
		var f *clip.FieldError
		if err := Rewrite(c, l); !errors.As(err, &f) || !strings.Contains(f.Field, "moves[m]") || len(f.Reason) < 20 {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func TestALineupTakesTurnsAndAddingAProductRetimesIt(t *testing.T) {
	c := stageClip("a", "b", "c", "d", "words")
	g := c.Layer("stage")
	g.Lineup = SideBySide()
	g.Lineup.Stay, g.Lineup.Change = 60, 15
	g.Lineup.Items = []clip.Item{{Layer: "a"}, {Layer: "b", With: []string{"words"}}, {Layer: "c"}}
	if err := RewriteLineup(c, g); err != nil {
		t.Fatal(err)
	}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	check := func(layer string, frame float64, x, opacity float64) {
		t.Helper()
		l := c.Layer(layer)
		if gx, go_ := at(c, l, clip.Position, frame)[0], at(c, l, clip.Opacity, frame)[0]; gx != x || go_ != opacity {
			t.Errorf("%s on frame %g is at %g with %g%%, want %g with %g%%", layer, frame, gx, go_, x, opacity)
		}
	}
	check("a", 0, 0, 100)
	check("a", 45, 0, 100) // the change to b begins here
	check("a", 60, -430, 45)
	check("a", 120, -430, 0)
	check("b", 30, 430, 45)
	check("b", 60, 0, 100)
	check("b", 119.0-14, 0, 100)
	check("c", 30, 430, 0)
	check("c", 60, 430, 45)
	check("c", 120, 0, 100)
	check("c", 299, 0, 100)
	// Words have come when their product has, and go when it goes; in between one
	// has gone before the other comes.
	if w := frames(c, c.Layer("words").Tracks[clip.Opacity]); !equal(w, 0, 53, 60, 105, 113) {
		t.Errorf("the words change on %v", w)
	}
	g.Lineup.Items = append(g.Lineup.Items[:1], append([]clip.Item{{Layer: "d"}}, g.Lineup.Items[1:]...)...)
	if err := RewriteLineup(c, g); err != nil {
		t.Fatal(err)
	}
	check("d", 60, 0, 100)
	check("b", 120, 0, 100)
	check("c", 180, 0, 100)
}

func TestALineupInBarsFollowsTheTempo(t *testing.T) {
	c := stageClip("a", "b")
	g := c.Layer("stage")
	g.Lineup = ThroughAWindow(400)
	g.Lineup.Items = []clip.Item{{Layer: "a"}, {Layer: "b"}}
	g.Lineup.Beats, g.Lineup.Bars, g.Lineup.Start = 8, 1, timing.OnBeat(0)
	if err := RewriteLineup(c, g); err != nil {
		t.Fatal(err)
	}
	// Eight beats of 15 frames; the change takes a bar of four before it.
	if f := frames(c, c.Layer("b").Tracks[clip.Position]); !equal(f, 0, 60, 120) {
		t.Errorf("b moves on %v", f)
	}
	c.Tempo = timing.Even(60)
	if f := frames(c, c.Layer("b").Tracks[clip.Position]); !equal(f, 0, 120, 240) {
		t.Errorf("at half the tempo b moves on %v", f)
	}
}

func TestALineupThatDoesNotFitSaysSo(t *testing.T) {
	for name, change := range map[string]func(*clip.Lineup){
		"too long":        func(u *clip.Lineup) { u.Stay = 400 },
		"change too long": func(u *clip.Lineup) { u.Change = 90 },
		"no change":       func(u *clip.Lineup) { u.Change = 0 },
	} {
		c := stageClip("a", "b", "c")
		g := c.Layer("stage")
		g.Lineup = SideBySide()
		g.Lineup.Items = []clip.Item{{Layer: "a"}, {Layer: "b"}, {Layer: "c"}}
		change(g.Lineup)
		var f *clip.FieldError
		if err := RewriteLineup(c, g); !errors.As(err, &f) || !strings.HasPrefix(f.Field, "lineup") {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Let go on, a flutter turns to the other side with every beat, as far each time, and
// ends upright.
func TestAFlutterThatGoesOnSwaysWithTheBeats(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Sway", tall, 30, 300) // at 120 beats a minute, a beat lasts 15 frames
	l := clip.NewLayer("flag", "Flag", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 1}
	l.Moves = []clip.Move{{ID: "flutter", Kind: "flutter", At: timing.At(30), Length: 90, Turn: 10, Strength: 100, GoesOn: true}}
	c.Layers = append(c.Layers, l)
	flag := c.Layer("flag")
	if err := Rewrite(c, flag); err != nil {
		t.Fatal(err)
	}
	curve := clip.Curve(clip.Rotation, flag.Tracks[clip.Rotation], c.Clock())
	for frame, want := range map[float64]float64{30: 0, 45: 10, 60: -10, 75: 10, 105: 10, 120: 0} {
		if got := curve.At(frame, 0); math.Abs(got-want) > 1e-9 {
			t.Errorf("on frame %g it is turned by %g, want %g", frame, got, want)
		}
	}
}
