package edit

import (
	"fmt"
	"math/rand"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	set "billow/core/words"
)

// acts is a clip of three scenes at 120 beats a minute, 15 frames a beat: 60
// frames, 4 beats and 2 bars, each with a card that flies on its third beat. A
// logo lies over all of them.
func acts(t *testing.T) *clip.Clip {
	t.Helper()
	c := sample()
	c.Tempo = timing.Even(120)
	c.Layers = c.Layers[:2]
	*c.Layer("scene").Scene = clip.Scene{Frames: 60}
	c.Fit()
	for i, length := range []string{`{"beats":4}`, `{"bars":2}`} {
		c = do(t, c, fmt.Sprintf(`{"type":"addScene","id":"scene-%d","scene":%s}`, i+2, length))
	}
	for i, scene := range []string{"scene", "scene-2", "scene-3"} {
		l := clip.Draft(c, clip.KindCard, "", "", "")
		l.ID, l.Group, l.Rest.X = "card-"+string(rune('1'+i)), scene, float64(100*i)
		l.Tracks[clip.Position] = motion.Track{
			{At: timing.At(0), Value: []float64{-600, 0}, Ease: motion.Ease{Kind: motion.Out}},
			{At: timing.OnBeat(2), Value: []float64{0, 0}, Ease: motion.Ease{Kind: motion.Linear}},
			{At: timing.At(55), Value: []float64{50, 0}, Ease: motion.Ease{Kind: motion.Linear}},
		}
		l.Stepping = &motion.Stepping{Rate: 8, Turn: 5}
		c.Layers = append(c.Layers, l)
	}
	logo := clip.Draft(c, clip.KindCard, "", "", "")
	logo.ID, logo.Rest.Size, logo.Rest.Y = "logo", 100, -700
	logo.Tracks[clip.Opacity] = motion.Track{
		{At: timing.At(130), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}},
		{At: timing.OnBeat(12), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	c.Layers = append(c.Layers, logo)
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c
}

// plays tells when scenes play: "scene 0-60".
func plays(c *clip.Clip) string {
	var out []string
	for _, p := range c.Scenes() {
		out = append(out, fmt.Sprintf("%s %d-%d", p.ID, p.From, p.To))
	}
	return strings.Join(out, ", ")
}

// pictures draws frames of a clip, small.
func pictures(t *testing.T, c *clip.Clip, from, to int) [][]uint32 {
	t.Helper()
	lib := frame.NewLibrary(set.NewFonts(), 1<<20)
	stage, err := frame.Prepare(c, c.Shapes[0], 54, 96, lib)
	if err != nil {
		t.Fatal(err)
	}
	p := stage.Painter()
	var out [][]uint32
	for f := from; f < to; f++ {
		b := paint.NewBitmap(54, 96)
		p.Draw(b, f)
		out = append(out, slices.Clone(b.Pix))
	}
	return out
}

// alike compares two stretches of frames.
func alike(t *testing.T, what string, a, b [][]uint32) {
	t.Helper()
	if len(a) != len(b) || len(a) == 0 {
		t.Fatalf("%s: %d frames, and %d", what, len(a), len(b))
	}
	for i := range a {
		if !slices.Equal(a[i], b[i]) {
			t.Fatalf("%s: frame %d is another picture", what, i)
		}
	}
}

func TestScenesFollowEachOther(t *testing.T) {
	c := acts(t)
	// 60 frames are 4 beats, 4 beats are 60 frames, 2 bars are 120.
	if got := plays(c); got != "scene 0-60, scene-2 60-120, scene-3 120-240" || c.Length != 240 {
		t.Errorf("they play %s in %d frames", got, c.Length)
	}
	one := pictures(t, c, 0, 40)
	seen := map[string]bool{}
	for _, f := range []int{0, 59, 60, 119, 120, 239} {
		for _, p := range frame.Arrange(c, c.Shapes[0], nil).Places(f, nil) {
			seen[fmt.Sprintf("%d %s", f, p.Layer)] = true
		}
	}
	for _, want := range []string{"0 card-1", "59 card-1", "60 card-2", "119 card-2", "120 card-3", "239 card-3"} {
		if !seen[want] {
			t.Errorf("frame and layer %s do not go together", want)
		}
	}
	if seen["60 card-1"] || seen["59 card-2"] || seen["120 card-2"] {
		t.Errorf("scenes show at the wrong time: %v", seen)
	}
	if len(one) != 40 {
		t.Error("nothing was drawn")
	}
}

func TestAMovedSceneTakesItsTimesAlong(t *testing.T) {
	c := acts(t)
	moved := do(t, c, `{"type":"moveScene","scene":"scene-3","to":0}`)
	if got := plays(moved); got != "scene-3 0-120, scene 120-180, scene-2 180-240" {
		t.Fatalf("they play %s", got)
	}
	c.Layer("logo").Hidden, moved.Layer("logo").Hidden = true, true
	alike(t, "the third is the first", pictures(t, c, 120, 240), pictures(t, moved, 0, 120))
	alike(t, "the first is the second", pictures(t, c, 0, 60), pictures(t, moved, 120, 180))
	// An uneven start: what is bound to beats goes by the scene's first beat.
	odd := do(t, moved, `{"type":"trimScene","scene":"scene-3","to":40}`)
	if got := plays(odd); got != "scene-3 0-40, scene 40-100, scene-2 100-165" {
		t.Fatalf("they play %s: four beats after beat 7, at frame 105, are frame 165", got)
	}
	clock := odd.ClockOf(odd.Layer("card-1"))
	if f := clock.Frame(timing.OnBeat(2)); f != 75 {
		t.Errorf("its third beat is at frame %d, want 75: beat 3, at 45, is its first", f)
	}
}

func TestACopiedSceneIsTheSameOnceMore(t *testing.T) {
	c := acts(t)
	c.Layer("logo").Hidden = true
	twice := do(t, c, `{"type":"copyLayer","layer":"scene-2","id":"again"}`)
	if got := plays(twice); got != "scene 0-60, scene-2 60-120, again 120-180, scene-3 180-300" {
		t.Fatalf("they play %s", got)
	}
	alike(t, "the copy", pictures(t, twice, 60, 120), pictures(t, twice, 120, 180))
	if len(twice.Children("again")) != 1 || twice.Children("again")[0] == "card-2" {
		t.Errorf("the copy holds %v", twice.Children("again"))
	}
	// The logo over all scenes stays where it was over the third.
	logo := twice.Layer("logo").Tracks[clip.Opacity]
	clock := twice.Clock()
	if a, b := clock.Frame(logo[0].At), clock.Frame(logo[1].At); a != 190 || b != 240 || !logo[1].At.OnBeat {
		t.Errorf("the logo appears from %d to %d, want 190 to 240, on a beat", a, b)
	}
	gone := do(t, twice, `{"type":"removeLayer","layer":"again"}`)
	if string(gone.Encode()) != string(c.Encode()) {
		t.Error("taking the copy away does not lead back")
	}
}

func TestWhatIsCutOffASceneComesBack(t *testing.T) {
	c := acts(t)
	short := do(t, c, `{"type":"trimScene","scene":"scene-2","to":{"beat":6}}`)
	if got := plays(short); got != "scene 0-60, scene-2 60-90, scene-3 90-240" {
		t.Fatalf("they play %s: two bars end on a downbeat, beat 16", got)
	}
	if s := short.Layer("scene-2").Scene; s.Beats != 2 {
		t.Errorf("its length is %+v, want 2 beats", s)
	}
	back := do(t, short, `{"type":"trimScene","scene":"scene-2","length":{"beats":4}}`)
	if string(back.Encode()) != string(c.Encode()) {
		t.Error("made longer again, it is not what it was")
	}
	// Cut off at the beginning, the rest of it plays earlier.
	c.Layer("logo").Hidden = true
	c.Layer("card-2").Stepping = nil
	late := do(t, c, `{"type":"trimScene","scene":"scene-2","from":{"beat":5}}`)
	if got := plays(late); got != "scene 0-60, scene-2 60-105, scene-3 105-240" {
		t.Fatalf("they play %s", got)
	}
	alike(t, "the rest", pictures(t, c, 75, 120), pictures(t, late, 60, 105))
	// Counted otherwise, a scene lasts as long: 60 frames are four beats or a bar.
	for unit, want := range map[string]clip.Scene{"frames": {Frames: 60}, "beats": {Beats: 4}, "bars": {Bars: 1}} {
		counted := do(t, c, `{"type":"trimScene","scene":"scene-2","unit":"`+unit+`"}`)
		if got := *counted.Layer("scene-2").Scene; got != want || plays(counted) != plays(c) {
			t.Errorf("counted in %s it is %+v, and they play %s", unit, got, plays(counted))
		}
	}
	refused(t, c, `{"type":"trimScene","scene":"scene-2","unit":"miles"}`, "unit")
	refused(t, c, `{"type":"trimScene","scene":"scene-2","to":60}`, "to")
	refused(t, c, `{"type":"trimScene","scene":"scene-2","from":120}`, "from")
	refused(t, c, `{"type":"trimScene","scene":"scene-2","length":{"beats":1,"bars":1}}`, "layers[scene-2].scene")
	refused(t, c, `{"type":"removeLayer","layer":"nothing"}`, "layer")
}

func TestASplitSceneShowsTheSame(t *testing.T) {
	for _, at := range []string{`{"beat":10}`, "147", "121", "239"} {
		c := acts(t)
		group := clip.NewGroup("group", "Group")
		group.Group, group.Inside.Speed, group.Inside.Reverse = "scene-3", 1.5, true
		wanders := clip.Draft(c, clip.KindCard, "", "", "")
		wanders.ID, wanders.Group, wanders.Rest.Y = "wanders", "group", 300
		wanders.Wander = &motion.Wander{Amount: 80, Pace: 2, Closed: true}
		follower := clip.Draft(c, clip.KindCard, "", "", "")
		follower.ID, follower.Group, follower.Rest.Y = "follower", "scene-3", -300
		follower.Follow = &clip.Follow{Layer: "card-3", Position: true}
		c.Layers = append(c.Layers, group, wanders, follower)
		split := do(t, c, `{"type":"splitScene","id":"rest","at":`+at+`}`)
		if split.Layer("rest").Name != "Scene 4" {
			t.Errorf("the new scene is called %q", split.Layer("rest").Name)
		}
		if n := len(split.Scenes()); n != 4 || split.Length != c.Length {
			t.Fatalf("split at %s there are %d scenes in %d frames", at, n, split.Length)
		}
		alike(t, "split at "+at, pictures(t, c, 100, 240), pictures(t, split, 100, 240))
	}
	refused(t, acts(t), `{"type":"splitScene","id":"rest","at":120}`, "at")
}

func TestScenesEndOnBeatsAtEveryTempo(t *testing.T) {
	c := acts(t)
	// At 100 beats a minute a beat is 18 frames.
	slow := do(t, c, `{"type":"setTempo","bpm":100}`)
	if got := plays(slow); got != "scene 0-60, scene-2 60-144, scene-3 144-288" {
		t.Errorf("they play %s: frame 72 is the next beat, four later is 144, two bars later 288", got)
	}
	for _, command := range []string{`{"type":"setTempo","times":2}`, `{"type":"setTempo","times":0.5}`, `{"type":"setTempo","perBar":3}`, `{"type":"setTempo","barAt":30}`} {
		after := do(t, c, command)
		if plays(after) != plays(c) {
			t.Errorf("%s: they play %s", command, plays(after))
		}
		alike(t, command, pictures(t, c, 0, 240), pictures(t, after, 0, 240))
	}
	// At another rate all lies at the same seconds.
	fast := do(t, c, `{"type":"setClip","rate":60}`)
	if got := plays(fast); got != "scene 0-120, scene-2 120-240, scene-3 240-480" {
		t.Errorf("at 60 frames a second they play %s", got)
	}
	if f := fast.ClockOf(fast.Layer("card-3")).Frame(fast.Layer("card-3").Tracks[clip.Position][2].At); f != 350 {
		t.Errorf("the last key of the third lies at %d, want 350", f)
	}
}

func TestLayersGoFromSceneToScene(t *testing.T) {
	c := acts(t)
	// Into another scene: at the same time of it.
	over := do(t, c, `{"type":"intoGroup","layers":["card-1"],"group":"scene-3"}`)
	if t0 := over.ClockOf(over.Layer("card-1")).Frame(over.Layer("card-1").Tracks[clip.Position][0].At); t0 != 120 {
		t.Errorf("it begins to move at %d, want 120, with the scene", t0)
	}
	// Over all scenes: at the same time of the clip, as long as before.
	top := do(t, c, `{"type":"intoGroup","layers":["card-2"],"group":""}`)
	if from, to := top.Span(top.Layer("card-2")); from != 60 || to != 120 || top.Layers[len(top.Layers)-2].ID == "card-2" {
		t.Errorf("over all it shows from %d to %d", from, to)
	}
	for _, f := range []int{60, 90, 119} {
		a, b := frame.Arrange(c, c.Shapes[0], nil).Places(f, []string{"card-2"}), frame.Arrange(top, top.Shapes[0], nil).Places(f, []string{"card-2"})
		if a[0].X != b[0].X || a[0].Turn != b[0].Turn {
			t.Errorf("on frame %d it is at %g, was at %g", f, b[0].X, a[0].X)
		}
	}
	beneath := do(t, c, `{"type":"intoGroup","layers":["card-2"],"group":"","beneath":true}`)
	if order(beneath)[:23] != "backdrop card-2 scene s" {
		t.Errorf("from the back to the front there are %s", order(beneath))
	}
	back := do(t, top, `{"type":"intoGroup","layers":["card-2"],"group":"scene-2"}`)
	alike(t, "back in its scene", pictures(t, c, 60, 120), pictures(t, back, 60, 120))
	refused(t, c, `{"type":"intoGroup","layers":["scene-2"],"group":"scene-3"}`, "layers[scene-2].group")
	refused(t, c, `{"type":"setValue","layer":"card-2","property":"position","frame":20,"value":[1,2]}`, "frame")
}

// However scenes are cut, moved and put together again, undo leads back.
func TestScenesComeBackByUndo(t *testing.T) {
	m := &monkey{Rand: rand.New(rand.NewSource(3)), c: acts(t)}
	for n := range 60 {
		list := m.ofScenes(fmt.Sprintf("s%d", n))
		if next := take(t, m.c, list[m.Intn(7)]); next != nil {
			m.undoable(t, m.c, next)
			if m.c = next; len(next.Layers) > 60 {
				m.c = acts(t)
			}
		}
	}
}
