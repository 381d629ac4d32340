package edit

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// track is the frames and first numbers of a track.
func track(c *clip.Clip, layer, property string) string {
	var out []string
	for _, k := range c.Layer(layer).Tracks[property] {
		text := fmt.Sprintf("%d=%g", c.Clock().Frame(k.At), k.Value[0])
		if k.Off != "" {
			text += k.Off
		}
		out = append(out, text+k.Ease.Kind)
	}
	return strings.Join(out, " ")
}

// keyed is the sample with four keys of x: 0, 10, 40 and 100.
func keyed() *clip.Clip {
	c := sample()
	var t motion.Track
	for f, x := range map[int]float64{0: 0, 10: 1, 40: 2, 100: 3} {
		t = append(t, motion.Key{At: timing.At(f), Value: []float64{x, 0}, Ease: motion.Ease{Kind: motion.In}})
	}
	c.Layer("mug-layer").Tracks = map[string]motion.Track{clip.Position: sorted(c.Clock(), t)}
	return c
}

func refs(frames ...int) string {
	var out []string
	for _, f := range frames {
		out = append(out, fmt.Sprintf(`{"layer":"mug-layer","property":"position","frame":%d}`, f))
	}
	return "[" + strings.Join(out, ",") + "]"
}

func want(t *testing.T, c *clip.Clip, property, track_ string) {
	t.Helper()
	if got := track(c, "mug-layer", property); got != track_ {
		t.Errorf("the keys are %q, want %q", got, track_)
	}
}

func TestKeysStretchAroundAFrame(t *testing.T) {
	c := do(t, keyed(), `{"type":"stretchKeys","keys":`+refs(10, 40, 100)+`,"anchor":10,"factor":0.5}`)
	want(t, c, clip.Position, "0=0in 10=1in 25=2in 55=3in")
	refused(t, keyed(), `{"type":"stretchKeys","keys":`+refs(10, 40)+`,"anchor":0,"factor":0}`, "factor")
	refused(t, keyed(), `{"type":"stretchKeys","keys":`+refs(10, 40, 100)+`,"anchor":0,"factor":50}`, "at")
}

func TestKeysRunBackwardsWithTheirStrings(t *testing.T) {
	c := keyed()
	c.Layer("mug-layer").Tracks[clip.Position][1].Ease = motion.Ease{Kind: motion.Hold}
	c = do(t, c, `{"type":"reverseKeys","keys":`+refs(0, 10, 40, 100)+`}`)
	// 0, 10, 40, 100 become 100, 90, 60, 0. The hold was between 10 and 40, so it
	// is between 60 and 90; easing in becomes easing out.
	want(t, c, clip.Position, "0=3out 60=2hold 90=1out 100=0in")
	refused(t, keyed(), `{"type":"reverseKeys","keys":`+refs(10)+`}`, "keys")
}

func TestKeysSnapToBeatsBarsAndHits(t *testing.T) {
	// At 100 BPM and 30 fps a beat is 18 frames, a bar 72.
	c := do(t, keyed(), `{"type":"setTune","tune":{"prop":"tune","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	beats := do(t, c, `{"type":"snapKeys","keys":`+refs(40, 100)+`,"to":"beats"}`)
	want(t, beats, clip.Position, "0=0in 10=1in 36=2in 108=3in")
	if k := beats.Layer("mug-layer").Tracks[clip.Position][3]; !k.At.OnBeat || k.At.Beat != 6 {
		t.Errorf("the key is not bound to beat 6: %+v", k.At)
	}
	bars := do(t, c, `{"type":"snapKeys","keys":`+refs(100)+`,"to":"bars"}`)
	want(t, bars, clip.Position, "0=0in 10=1in 40=2in 72=3in")
	refused(t, c, `{"type":"snapKeys","keys":`+refs(40)+`,"to":"hits"}`, "to")
	refused(t, c, `{"type":"snapKeys","keys":`+refs(40)+`,"to":"sheep"}`, "to")
	refused(t, c, `{"type":"snapKeys","keys":`+refs(0, 10)+`,"to":"bars"}`, "at")
	c.Prop("tune").Sound.Hits = []clip.Hit{{At: 1.5, Strength: 0.9}, {At: 1.3, Strength: 0.1}, {At: 3, Strength: 0.5}}
	hits := do(t, c, `{"type":"snapKeys","keys":`+refs(40, 100)+`,"to":"hits"}`)
	want(t, hits, clip.Position, "0=0in 10=1in 45=2in 90=3in")
}

func TestKeysMoveInValueWithinTheirLimits(t *testing.T) {
	c := do(t, keyed(), `{"type":"moveKeys","keys":`+refs(10, 40)+`,"by":0,"add":[5,-2]}`)
	want(t, c, clip.Position, "0=0in 10=6in 40=7in 100=3in")
	c.Layer("mug-layer").Tracks[clip.Opacity] = motion.Track{{At: timing.At(0), Value: []float64{80}, Ease: motion.Ease{Kind: motion.Linear}}}
	c = do(t, c, `{"type":"moveKeys","keys":[{"layer":"mug-layer","property":"opacity","frame":0}],"by":3,"add":[50]}`)
	want(t, c, clip.Opacity, "3=100linear")
}

func TestHoldUntilHereStaysAndThenGoesOn(t *testing.T) {
	c := do(t, keyed(), `{"type":"holdUntil","layer":"mug-layer","frame":80}`)
	want(t, c, clip.Position, "0=0in 10=1in 40=2hold 80=2in 100=3in")
	// Again, farther: the key there moves nothing.
	c = do(t, c, `{"type":"holdUntil","layer":"mug-layer","frame":90}`)
	want(t, c, clip.Position, "0=0in 10=1in 40=2hold 80=2hold 90=2in 100=3in")
	refused(t, keyed(), `{"type":"holdUntil","layer":"mug-layer","frame":0}`, "frame")
}

func TestACreepIsEndedByAHoldUntilTheExit(t *testing.T) {
	c := do(t, keyed(), `{"type":"holdCreep","key":`+strings.Trim(refs(40), "[]")+`}`)
	want(t, c, clip.Position, "0=0in 10=1in 40=2hold 88=2in 100=3in")
	refused(t, keyed(), `{"type":"holdCreep","key":`+strings.Trim(refs(100), "[]")+`}`, "key")
}

func TestKeysArePastedOntoOtherLayers(t *testing.T) {
	c := do(t, keyed(), `{"type":"pasteKeys","layer":"words","at":50,"keys":[
		{"property":"position","after":0,"key":{"at":7,"value":[4,5],"ease":{"kind":"hold"},"move":"gust"}},
		{"property":"letterSpacing","after":9,"key":{"at":0,"value":[12],"ease":{"kind":"linear"}}},
		{"property":"colour1","after":9,"key":{"at":0,"value":[1,2,3,4],"ease":{"kind":"linear"}}}]}`)
	l := c.Layer("words")
	if track(c, "words", clip.Position) != "50=4hold" || track(c, "words", clip.LetterSpacing) != "59=12linear" || len(l.Tracks) != 2 {
		t.Errorf("the tracks are %+v", l.Tracks)
	}
	if l.Tracks[clip.Position][0].Move != "" {
		t.Error("a pasted key counts as written by a move")
	}
	refused(t, keyed(), `{"type":"pasteKeys","layer":"words","at":299,"keys":[{"property":"opacity","after":5,"key":{"at":0,"value":[1],"ease":{"kind":"linear"}}}]}`, "at")
}

func TestPathsBend(t *testing.T) {
	ref := strings.Trim(refs(10), "[]")
	c := do(t, keyed(), `{"type":"bendPath","key":`+ref+`,"out":[10,20],"in":[-10,-20]}`)
	if k := c.Layer("mug-layer").Tracks[clip.Position][1]; k.Out[1] != 20 || k.In[0] != -10 {
		t.Errorf("the key is %+v", k)
	}
	refused(t, keyed(), `{"type":"bendPath","key":`+ref+`,"out":[1e9,0]}`, "out")
	refused(t, keyed(), `{"type":"bendPath","key":`+ref+`,"out":[1]}`, "out")
}

func TestAWordyTimeIsRead(t *testing.T) {
	clock := timing.Clock{Rate: 30, Tempo: timing.Even(100)}
	for text, frame := range map[string]int{"4s05f": 125, "b9.3+2": 614, "b1": 0, "b2.2": 90, "b2.2-3": 87, "b1.2.5": 27, "77": 77} {
		m, err := clock.ParseMoment(text)
		if err != nil || clock.Frame(m) != frame {
			t.Errorf("%q is frame %d (%v), want %d", text, clock.Frame(m), err, frame)
		}
		if strings.HasPrefix(text, "b") && !m.OnBeat {
			t.Errorf("%q is not bound to a beat", text)
		}
		if again, err := clock.ParseMoment(clock.Text(m)); err != nil || again != m {
			t.Errorf("%q is written as %q and read as %+v", text, clock.Text(m), again)
		}
	}
	for _, text := range []string{"b9.5", "b9.0", "b", "bar 9", "b9.3+", "9.3", "-4", ""} {
		if m, err := clock.ParseMoment(text); err == nil {
			t.Errorf("%q was read as %+v", text, m)
		}
	}
}

func TestTenThousandKeysAreRefusedClearly(t *testing.T) {
	c := keyed()
	c.Layer("scene").Scene.Frames = 18000
	c.Fit()
	var keys []string
	for i := range 10000 {
		keys = append(keys, fmt.Sprintf(`{"property":"opacity","after":%d,"key":{"at":0,"value":[1],"ease":{"kind":"linear"}}}`, i))
	}
	refused(t, c, `{"type":"pasteKeys","layer":"words","at":0,"keys":[`+strings.Join(keys, ",")+`]}`, "opacity")
	// Half as many are taken.
	if got := do(t, c, `{"type":"pasteKeys","layer":"words","at":0,"keys":[`+strings.Join(keys[:5000], ",")+`]}`); len(got.Layer("words").Tracks[clip.Opacity]) != 5000 {
		t.Error("5000 keys were not taken")
	}
}

func TestCloseLoopComesBackToTheFirstFrame(t *testing.T) {
	c := keyed()
	l := c.Layer("mug-layer")
	l.Wander = &motion.Wander{Amount: 4, Pace: 1}
	l.Tracks[clip.Scale] = motion.Track{{At: timing.At(0), Value: []float64{50}, Ease: motion.Ease{Kind: motion.Hold}}, {At: timing.At(150), Value: []float64{80}, Ease: motion.Ease{Kind: motion.Hold}}}
	c.Light.Tracks = map[string]motion.Track{clip.LightHeight: {{At: timing.At(0), Value: []float64{20}, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(299), Value: []float64{60}, Ease: motion.Ease{Kind: motion.Linear}}}}
	c = do(t, c, `{"type":"closeLoop"}`)
	l = c.Layer("mug-layer")
	for name, tr := range l.Tracks {
		curve := clip.Curve(name, tr, c.Clock())
		if a, b := curve.Sample(0), curve.Sample(299); a != b {
			t.Errorf("%s is %v at first and %v at last", name, a, b)
		}
		if e := curve.Ease(curve.Len() - 2); e.Kind == motion.Hold {
			t.Errorf("%s jumps to its last key", name)
		}
	}
	if !l.Wander.Closed {
		t.Error("it still wanders at the seam")
	}
	if h := clip.Curve(clip.LightHeight, c.Light.Tracks[clip.LightHeight], c.Clock()).At(299, 0); h != 20 {
		t.Errorf("the light ends at %g", h)
	}
	if again := do(t, c, `{"type":"closeLoop"}`); string(again.Encode()) != string(c.Encode()) {
		t.Error("closing a closed loop changes it")
	}
}

func TestANewRateKeepsAllTimes(t *testing.T) {
	c := keyed()
	freeze := 30
	g := clip.NewGroup("g", "Group")
	g.Inside = &clip.Inside{Offset: 15, Freeze: &freeze}
	c.Layers = append(c.Layers, g)
	c.Markers = []clip.Mark{{Name: "Here", At: timing.At(45)}}
	c.Range = &clip.Range{In: timing.At(30), Out: timing.At(60)}
	c = do(t, c, `{"type":"setClip","rate":60}`)
	if in := c.Layer("g").Inside; in.Offset != 30 || *in.Freeze != 60 || c.Markers[0].At.Frames != 90 || c.Range.Out.Frames != 120 {
		t.Errorf("at twice the rate: %+v, %+v, %+v", in, c.Markers, c.Range)
	}
}

func TestMarksKeepTheirOrder(t *testing.T) {
	c := do(t, sample(), `{"type":"setMarks","markers":[{"name":"B","at":50},{"name":"A","at":{"beat":1}}],"range":{"in":10,"out":40}}`)
	if c.Markers[0].Name != "A" || c.Range.Out.Frames != 40 {
		t.Errorf("the marks are %+v, %+v", c.Markers, c.Range)
	}
	refused(t, c, `{"type":"setMarks","markers":[{"name":"B","at":50},{"name":"A","at":50}]}`, "markers")
	refused(t, c, `{"type":"setMarks","markers":[{"name":"B","at":500}]}`, "markers")
	refused(t, c, `{"type":"setMarks","range":{"in":40,"out":40}}`, "range")
	if c = do(t, c, `{"type":"setMarks","whole":true}`); c.Range != nil || len(c.Markers) != 2 {
		t.Errorf("looping the whole clip left %+v", c.Range)
	}
}

func TestValuesAreSetWithOrWithoutKeys(t *testing.T) {
	c := do(t, sample(), `{"type":"setValue","layer":"mug-layer","property":"blur","frame":5,"value":[12]}`)
	if got := c.Layer("mug-layer").Values["blur"]; len(got) != 1 || got[0] != 12 {
		t.Errorf("the values are %v", c.Layer("mug-layer").Values)
	}
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"blur","frame":5,"value":[0]}`)
	if _, has := c.Layer("mug-layer").Values["blur"]; has {
		t.Error("a neutral value was kept")
	}
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"rotation","frame":7,"value":[33]}`)
	want(t, c, clip.Rotation, "0=20out 7=33out 15=0linear")
	for _, bad := range []string{`"scale","frame":0,"value":[50]`, `"time","frame":0,"value":[5]`, `"blur","frame":0,"value":[-1]`, `"crop","frame":0,"value":[1]`, `"letterSpacing","frame":0,"value":[1]`} {
		refused(t, sample(), `{"type":"setValue","layer":"mug-layer","property":`+bad+`}`, "")
	}
	if _, err := Apply(sample(), []byte(`{"type":"setValue","layer":"mug-layer","property":"blur","frame":0,"value":[1e999]}`)); err == nil {
		t.Error("an infinite blur was taken")
	}
}

func TestSizesOneWayBecomeScales(t *testing.T) {
	c := do(t, sample(), `{"type":"handle","layer":"mug-layer","shape":"tall","frame":20,"target":"rest","wider":2}`)
	if k := c.Layer("mug-layer").Tracks[clip.Scale]; len(k) != 1 || k[0].Value[0] != 200 || k[0].Value[1] != 100 {
		t.Errorf("the scale is %+v", k)
	}
	c = do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":20,"target":"auto","taller":0.5}`)
	if k := c.Layer("mug-layer").Tracks[clip.Scale][1]; k.Value[0] != 200 || math.Abs(k.Value[1]-50) > 1e-9 {
		t.Errorf("the key is %+v", k)
	}
}

func TestKeysRunBackwardsThatAreNotThereAreNamed(t *testing.T) {
	ref := func(frame int) string {
		return fmt.Sprintf(`{"layer":"mug-layer","property":"rotation","frame":%d}`, frame)
	}
	refused(t, sample(), `{"type":"reverseKeys","keys":[`+ref(3)+`,`+ref(4)+`]}`, "keys")
	refused(t, sample(), `{"type":"reverseKeys","keys":[`+ref(0)+`,`+ref(4)+`]}`, "keys")
}

func TestAKeyNamedTwiceIsMovedOnce(t *testing.T) {
	ref := `{"layer":"mug-layer","property":"rotation","frame":15}`
	c := do(t, sample(), `{"type":"moveKeys","by":7,"keys":[`+ref+`,`+ref+`]}`)
	if at := c.Layer("mug-layer").Tracks[clip.Rotation][1].At; at != timing.At(22) {
		t.Errorf("the key is at %v, want frame 22", at)
	}
	c = do(t, sample(), `{"type":"removeKeys","keys":[`+ref+`,`+ref+`]}`)
	if n := len(c.Layer("mug-layer").Tracks[clip.Rotation]); n != 1 {
		t.Errorf("%d keys are left, want 1", n)
	}
}

func TestAValueOfAPropertyThatIsNotThereIsRefused(t *testing.T) {
	refused(t, sample(), `{"type":"setValue","layer":"@light","property":"scale","frame":4,"value":[50]}`, "property")
	refused(t, sample(), `{"type":"setValue","layer":"mug-layer","property":"letterSpacing","frame":4,"value":[50]}`, "property")
}

func TestAColourWithoutKeysIsTheLayersOwn(t *testing.T) {
	c := sample()
	c.Layers = append(c.Layers, clip.Draft(c, clip.KindBadge, "", "", ""), clip.Draft(c, clip.KindCard, "", "", ""))
	badge, card := c.Layers[len(c.Layers)-2].ID, c.Layers[len(c.Layers)-1].ID
	paint := func(layer, property string) *clip.Clip {
		t.Helper()
		before := string(c.Encode())
		next := do(t, c, fmt.Sprintf(`{"type":"setValue","layer":%q,"property":%q,"frame":3,"value":[18,52,86,255]}`, layer, property))
		if string(c.Encode()) != before {
			t.Errorf("%s of %s changed the clip it was given", property, layer)
		}
		return next
	}
	want := colour.RGB(0x123456)
	if got := paint("mug-layer", clip.OutlineColour).Layer("mug-layer").Cutout.Outline; got != want {
		t.Errorf("the outline is %v", got)
	}
	if got := paint(badge, clip.PlateColour).Layer(badge).Words.Plate.Fill; got != want {
		t.Errorf("the plate is %v", got)
	}
	if got := paint(card, clip.FillColour).Layer(card).Card.Fill; got != want {
		t.Errorf("the card is %v", got)
	}
	if got := paint("backdrop", "colour1").Layer("backdrop").Backdrop.Stops[0].Colour; got != want {
		t.Errorf("the backdrop begins with %v", got)
	}
	refused(t, c, `{"type":"setValue","layer":"backdrop","property":"colour4","frame":3,"value":[18,52,86,255]}`, "property")
	refused(t, c, `{"type":"setValue","layer":"mug-layer","property":"outlineColour","frame":3,"value":[18,52,860,255]}`, "value")
	refused(t, c, `{"type":"setValue","layer":"mug-layer","property":"outlineColour","frame":3,"value":[18]}`, "value")
}
