package edit

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	set "billow/core/words"
)

// falling is sample with a cut-out that comes in from the upper left on frame 10, lands
// on frame 30 and drifts to the right until frame 90.
func falling(t *testing.T) *clip.Clip {
	t.Helper()
	c := withoutWords(sample())
	l := c.Layer("mug-layer")
	l.Rest, l.Tracks = clip.Rest{Pin: "centre", Size: 300}, map[string]motion.Track{}
	for _, k := range []string{
		`{"at":10,"value":[0,0],"off":"aboveLeft","ease":{"kind":"out"}}`,
		`{"at":30,"value":[0,0],"ease":{"kind":"inOut"}}`, `{"at":90,"value":[200,40],"ease":{"kind":"hold"}}`,
	} {
		c = do(t, c, `{"type":"setKey","layer":"mug-layer","property":"position","key":`+k+`}`)
	}
	return c
}

// centre is where the cut-out is on a frame.
func centre(t *testing.T, c *clip.Clip, f int) [2]float64 {
	t.Helper()
	lib := frame.NewLibrary(set.NewFonts(), 1<<20)
	for _, p := range frame.Arrange(c, c.Shapes[0], lib).Places(f, []string{"mug-layer"}) {
		return [2]float64{p.X, p.Y}
	}
	t.Fatalf("it is not there on frame %d", f)
	return [2]float64{}
}

func TestAPositionTakenApartMovesAsBefore(t *testing.T) {
	c := falling(t)
	apart := do(t, c, `{"type":"partPosition","layer":"mug-layer","apart":true}`)
	l := apart.Layer("mug-layer")
	if len(l.Tracks[clip.Position]) != 0 || len(l.Tracks[clip.X]) != 3 || l.Tracks[clip.X][0].Off != "left" || l.Tracks[clip.Y][0].Off != "above" {
		t.Fatalf("apart it has %+v and %+v", l.Tracks[clip.X], l.Tracks[clip.Y])
	}
	one := do(t, apart, `{"type":"partPosition","layer":"mug-layer","apart":false}`)
	if k := one.Layer("mug-layer").Tracks[clip.Position]; len(k) != 3 || k[0].Off != "aboveLeft" || k[2].Value[0] != 200 || k[2].Value[1] != 40 {
		t.Errorf("as one again it has %+v", k)
	}
	for f := 10; f <= 100; f += 7 {
		want := centre(t, c, f)
		for name, other := range map[string]*clip.Clip{"apart": apart, "as one again": one} {
			if got := centre(t, other, f); math.Hypot(got[0]-want[0], got[1]-want[1]) > 1e-6 {
				t.Errorf("%s, on frame %d it is at %v, want %v", name, f, got, want)
			}
		}
	}
	refused(t, c, `{"type":"partPosition","layer":"mug-layer","apart":false}`, "layer")
	refused(t, apart, `{"type":"partPosition","layer":"mug-layer","apart":true}`, "layer")
	refused(t, apart, `{"type":"setKey","layer":"mug-layer","property":"x","key":{"at":50,"value":[0],"off":"above","ease":{"kind":"linear"}}}`, "off")
}

// A fall has a curve of its own while the drift goes on evenly.
func TestEachAxisHasAnEasingOfItsOwn(t *testing.T) {
	c := do(t, falling(t), `{"type":"partPosition","layer":"mug-layer","apart":true}`)
	c = do(t, c, `{"type":"setEase","keys":[{"layer":"mug-layer","property":"x","frame":30}],"ease":{"kind":"linear"}}`)
	c = do(t, c, `{"type":"setEase","keys":[{"layer":"mug-layer","property":"y","frame":30}],"ease":{"kind":"hold"}}`)
	if got := centre(t, c, 60); math.Abs(got[0]-100) > 1e-6 || math.Abs(got[1]) > 1e-6 {
		t.Errorf("half-way it is at %v, want 100 to the right and not yet down", got)
	}
	if got := centre(t, c, 90); math.Abs(got[0]-200) > 1e-6 || math.Abs(got[1]-40) > 1e-6 {
		t.Errorf("at the end it is at %v", got)
	}
	// A key of one axis leaves the other's alone.
	c = do(t, c, `{"type":"moveKeys","keys":[{"layer":"mug-layer","property":"y","frame":90}],"by":-20}`)
	if got := centre(t, c, 75); math.Abs(got[0]-150) > 1e-6 || math.Abs(got[1]-40) > 1e-6 {
		t.Errorf("with the fall over sooner, it is at %v, want 150, 40", got)
	}
	// Dragged to the right, it gets a key on that axis alone.
	c = do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":75,"dx":10,"base":[150,40]}`)
	l := c.Layer("mug-layer")
	if got := centre(t, c, 75); math.Abs(got[0]-160) > 1e-6 || len(l.Tracks[clip.X]) != 4 || len(l.Tracks[clip.Y]) != 3 {
		t.Errorf("dragged, it is at %v with %d and %d keys", got, len(l.Tracks[clip.X]), len(l.Tracks[clip.Y]))
	}
}

// What a move has written becomes ordinary keys: written anew, it would move twice.
func TestMovesOfAPositionThatIsTakenApartBecomeKeys(t *testing.T) {
	c := withoutWords(sample())
	c.Layer("mug-layer").Tracks = map[string]motion.Track{}
	c = do(t, c, `{"type":"setMove","layer":"mug-layer","move":{"id":"gust","kind":"gust","at":40,"lands":true,"length":16,"side":"right","turn":20,"strength":100}}`)
	before := centre(t, c, 33)
	c = do(t, c, `{"type":"partPosition","layer":"mug-layer","apart":true}`)
	l := c.Layer("mug-layer")
	if len(l.Moves) != 0 {
		t.Errorf("the moves are %+v", l.Moves)
	}
	for name, track := range l.Tracks {
		for _, k := range track {
			if k.Move != "" {
				t.Errorf("a key of %s is a move's", name)
			}
		}
	}
	if got := centre(t, c, 33); math.Hypot(got[0]-before[0], got[1]-before[1]) > 1e-6 {
		t.Errorf("on its way it is at %v, was at %v", got, before)
	}
}
