package edit

import (
	"encoding/json"
	"errors"
	"fmt"
	"math/rand"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// sample is a small clip: a picture, a cut-out layer with keys, a headline, a
// badge and a tune at 100 BPM.
func sample() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Test", tall, 30, 300)
	hash := strings.Repeat("a", 64)
	c.Props = []clip.Prop{
		{ID: "mug", Name: "Mug", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 100, H: 80, Visible: [4]int{10, 10, 90, 70}}},
		{ID: "tune", Name: "Tune", Kind: clip.KindTune, Hash: hash, Media: "audio/wav", Sound: &clip.Sound{Seconds: 30, Tempo: timing.Even(100), Steady: true, Hits: []clip.Hit{}}},
		{ID: "quick", Name: "Quick", Kind: clip.KindTune, Hash: hash, Media: "audio/wav", Sound: &clip.Sound{Seconds: 30, Tempo: timing.Even(150), Steady: true, Hits: []clip.Hit{}}},
	}
	c.Products = []clip.Product{{ID: "p", Name: "Mug", Price: "15.00", OldPrice: "20.00", Currency: "EUR", Prop: "mug"}}
	l := clip.Draft(c, clip.KindCutout, "Mug", "mug", "")
	l.ID = "mug-layer"
	l.Tracks[clip.Rotation] = motion.Track{
		{At: timing.At(0), Value: []float64{20}, Ease: motion.Ease{Kind: motion.Out}},
		{At: timing.At(15), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	c.Layers = append(c.Layers, l, clip.Draft(c, clip.KindWords, "", "", ""))
	return c
}

func do(t *testing.T, c *clip.Clip, command string) *clip.Clip {
	t.Helper()
	out, err := Apply(c, []byte(command))
	if err != nil {
		t.Fatalf("%s: %v", command, err)
	}
	return out
}

func refused(t *testing.T, c *clip.Clip, command, field string) {
	t.Helper()
	before := string(c.Encode())
	_, err := Apply(c, []byte(command))
	var f *clip.FieldError
	if !errors.As(err, &f) {
		t.Errorf("%s was not refused with a field: %v", command, err)
		return
	}
	if !strings.Contains(f.Field, field) || len(f.Reason) < 12 {
		t.Errorf("%s: refused as %q: %q, want the field %q", command, f.Field, f.Reason, field)
	}
	if string(c.Encode()) != before {
		t.Errorf("%s changed the clip although it was refused", command)
	}
}

func TestACommandNeverTouchesTheClipItIsGiven(t *testing.T) {
	c := sample()
	before := string(c.Encode())
	for _, command := range []string{
		`{"type":"setKey","layer":"mug-layer","property":"rotation","key":{"at":15,"value":[5],"ease":{"kind":"hold"}}}`,
		`{"type":"moveKeys","keys":[{"layer":"mug-layer","property":"rotation","frame":15}],"by":4}`,
		`{"type":"setRest","layer":"mug-layer","shape":"square","set":{"x":50}}`,
		`{"type":"setLayer","layer":"words","set":{"words":{"text":"Other"}}}`,
		`{"type":"setTune","tune":{"prop":"tune","start":1,"gain":0,"fadeIn":0,"fadeOut":10}}`,
		`{"type":"removeLayer","layer":"words"}`,
		`{"type":"setProduct","product":{"id":"p","name":"Cup","price":"1","oldPrice":"","currency":"EUR"}}`,
		`{"type":"setClip","rate":60}`,
	} {
		if next := do(t, c, command); string(next.Encode()) == before {
			t.Errorf("%s changed nothing", command)
		}
		if string(c.Encode()) != before {
			t.Fatalf("%s touched the clip it was given", command)
		}
	}
}

func TestBadCommandsNameTheFieldAndLoseNothing(t *testing.T) {
	c := sample()
	key := func(s string) string {
		return `{"type":"setKey","layer":"mug-layer","property":"scale","key":` + s + `}`
	}
	refused(t, c, `{"type":"setClip","length":0}`, "length")
	refused(t, c, `{"type":"setClip","length":1e99}`, "length")
	refused(t, c, `{"type":"setClip","rate":31}`, "rate")
	refused(t, c, `{"type":"setClip","colour":1}`, "colour")
	refused(t, c, `{"type":"fly"}`, "type")
	refused(t, c, `nonsense`, "")
	refused(t, c, key(`{"at":300,"value":[100],"ease":{"kind":"linear"}}`), "at")
	refused(t, c, key(`{"at":-1,"value":[100],"ease":{"kind":"linear"}}`), "at")
	refused(t, c, key(`{"at":5,"value":[-1],"ease":{"kind":"linear"}}`), "value")
	refused(t, c, key(`{"at":5,"value":[1e300],"ease":{"kind":"linear"}}`), "value")
	refused(t, c, key(`{"at":5,"value":[1,2,3],"ease":{"kind":"linear"}}`), "value")
	refused(t, c, key(`{"at":5,"value":[100],"ease":{"kind":"wobble"}}`), "ease")
	refused(t, c, `{"type":"setRest","layer":"mug-layer","shape":"tall","set":{"size":0}}`, "size")
	refused(t, c, `{"type":"setRest","layer":"mug-layer","shape":"tall","set":{"size":-5}}`, "size")
	refused(t, c, `{"type":"setRest","layer":"mug-layer","shape":"tall","set":{"x":null,"wide":1}}`, "wide")
	refused(t, c, `{"type":"setRest","layer":"nobody","shape":"tall","set":{}}`, "layer")
	refused(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":0,"target":"auto","factor":-1}`, "factor")
	refused(t, c, `{"type":"moveKeys","keys":[{"layer":"mug-layer","property":"rotation","frame":0}],"by":15}`, "at")
	refused(t, c, `{"type":"setTune","tune":{"prop":"mug"}}`, "tune")
	refused(t, c, `{"type":"setProduct","product":{"id":"p","name":"Mug","price":"-20","oldPrice":"15","currency":"EUR"}}`, "price")
	refused(t, c, `{"type":"setLayer","layer":"words","set":{"kind":"cutout"}}`, "set")
	refused(t, c, `{"type":"setLayer","layer":"words","set":{"words":{"fill":"red"}}}`, "")
	refused(t, c, `{"type":"undo","changes":[{"at":["version"],"from":2,"to":99}]}`, "version")
	if _, err := Apply(c, []byte(`{"type":"setLight","set":{"height":NaN}}`)); err == nil {
		t.Error("NaN was taken")
	}
}

func TestTwoKeysOnOneFrameBecomeOne(t *testing.T) {
	c := do(t, sample(), `{"type":"setKey","layer":"mug-layer","property":"rotation","key":{"at":15,"value":[7],"ease":{"kind":"hold"}}}`)
	track := c.Layer("mug-layer").Tracks[clip.Rotation]
	if len(track) != 2 || track[1].Value[0] != 7 {
		t.Errorf("the track is %v", track)
	}
}

func TestAKeyBoundToABeatFollowsTheTune(t *testing.T) {
	c := do(t, sample(), `{"type":"setTune","tune":{"prop":"tune","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	c = do(t, c, `{"type":"bindKey","key":{"layer":"mug-layer","property":"rotation","frame":15},"to":{"beat":4}}`)
	at := func() int { return c.Clock().Frame(c.Layer("mug-layer").Tracks[clip.Rotation][1].At) }
	if at() != 72 { // four beats at 100 BPM are 2.4 seconds
		t.Errorf("beat 4 is frame %d, want 72", at())
	}
	c = do(t, c, `{"type":"setTune","tune":{"prop":"quick","start":0,"gain":0,"fadeIn":0,"fadeOut":0}}`)
	if at() != 48 { // at 150 BPM, 1.6 seconds
		t.Errorf("after the swap beat 4 is frame %d, want 48", at())
	}
}

func TestARateChangeKeepsTimes(t *testing.T) {
	c := do(t, sample(), `{"type":"setClip","rate":60}`)
	if c.Length != 600 || c.Layer("mug-layer").Tracks[clip.Rotation][1].At.Frames != 30 {
		t.Errorf("length %d, key at %v", c.Length, c.Layer("mug-layer").Tracks[clip.Rotation][1].At)
	}
}

func TestAHandleChangesTheKeyOrTheRest(t *testing.T) {
	c := sample()
	moved := do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":20,"target":"auto","dx":30,"dy":-10,"factor":2}`)
	l := moved.Layer("mug-layer")
	if l.Rest.X != 30 || l.Rest.Y != -10 || l.Rest.Size != 2*c.Layer("mug-layer").Rest.Size || len(l.Tracks[clip.Position]) != 0 {
		t.Errorf("without keys the rest is %+v", l.Rest)
	}
	turned := do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":15,"target":"auto","turn":12}`)
	if got := turned.Layer("mug-layer").Tracks[clip.Rotation][1].Value[0]; got != 12 {
		t.Errorf("the key at 15 is %g, want 12", got)
	}
	whole := do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":15,"target":"rest","turn":12}`)
	if l := whole.Layer("mug-layer"); l.Rest.Turn != 12 || l.Tracks[clip.Rotation][1].Value[0] != 0 {
		t.Error("moving the whole motion changed its keys")
	}
}

func TestARestInOneShapeLeavesTheOthers(t *testing.T) {
	c := do(t, sample(), `{"type":"setRest","layer":"mug-layer","shape":"square","set":{"y":77}}`)
	l := c.Layer("mug-layer")
	if l.Rest.Y != 0 || l.Rests["square"].Y != 77 || len(l.Rests) != 1 {
		t.Errorf("rests are %+v and %+v", l.Rest, l.Rests)
	}
	c = do(t, c, `{"type":"clearRest","layer":"mug-layer","shape":"square"}`)
	if len(c.Layer("mug-layer").Rests) != 0 {
		t.Error("the square kept its own rest")
	}
}

func TestShiftMovesASpanWithItsKeys(t *testing.T) {
	c := do(t, sample(), `{"type":"shiftLayer","layer":"mug-layer","part":"to","by":-200}`)
	c = do(t, c, `{"type":"shiftLayer","layer":"mug-layer","part":"whole","by":50}`)
	l := c.Layer("mug-layer")
	if from, to := c.Span(l); from != 50 || to != 150 || l.Tracks[clip.Rotation][0].At.Frames != 50 {
		t.Errorf("the layer shows from %d to %d, its first key is at %v", from, to, l.Tracks[clip.Rotation][0].At)
	}
	refused(t, c, `{"type":"shiftLayer","layer":"mug-layer","part":"whole","by":500}`, "by")
	// What lasts until its scene ends begins later, with its keys, and still lasts until then.
	lasting := sample()
	first := lasting.Layer("mug-layer").Tracks[clip.Rotation][0].At.Frames
	lasting = do(t, lasting, `{"type":"shiftLayer","layer":"mug-layer","part":"whole","by":20}`)
	l = lasting.Layer("mug-layer")
	if from, to := lasting.Span(l); from != 20 || to != lasting.Length || l.To != nil || l.Tracks[clip.Rotation][0].At.Frames != first+20 {
		t.Errorf("it shows from %d to %d, its first key is at %v", from, to, l.Tracks[clip.Rotation][0].At)
	}
	refused(t, lasting, `{"type":"shiftLayer","layer":"mug-layer","part":"whole","by":-21}`, "by")
}

// Whatever random edits are made, the clip stays valid and its JSON reads back
// as the same clip.
func TestRandomEditsKeepTheClipValid(t *testing.T) {
	rng := rand.New(rand.NewSource(7))
	c := sample()
	taken := 0
	for range 600 {
		properties := []string{"nothing", clip.Position, clip.Scale, clip.Rotation, clip.Opacity, clip.Lift, clip.Crop, clip.FillColour, clip.Time}
		p := properties[rng.Intn(len(properties))]
		value := make([]float64, 1+rng.Intn(2))
		for i := range value {
			value[i] = rng.NormFloat64() * 100
		}
		b, err := json.Marshal(map[string]any{
			"type": "setKey", "layer": c.Layers[rng.Intn(len(c.Layers))].ID, "property": p,
			"key": map[string]any{"at": rng.Intn(330) - 10, "value": value, "ease": map[string]any{"kind": "spring", "bounce": rng.Float64()}},
		})
		if err != nil {
			t.Fatal(err)
		}
		next, err := Apply(c, b)
		if err != nil {
			continue
		}
		c = next
		taken++
		again, err := clip.Parse(c.Encode())
		if err != nil || string(again.Encode()) != string(c.Encode()) {
			t.Fatalf("the clip does not read back: %v", err)
		}
	}
	if taken < 100 {
		t.Errorf("only %d of 600 edits were taken", taken)
	}
}

func FuzzApply(f *testing.F) {
	for _, s := range []string{`{"type":"setClip","length":5}`, `{"type":"batch","commands":[{"type":"removeLayer","layer":"words"}]}`, `{"type":"handle","layer":"words","dx":1e308}`, `{"type":"setKey"}`} {
		f.Add(s)
	}
	c := sample()
	f.Fuzz(func(t *testing.T, s string) {
		next, err := Apply(c, []byte(s))
		if err == nil && next.Validate() != nil {
			t.Errorf("%s made an invalid clip", s)
		}
	})
}

func order(c *clip.Clip) string {
	var ids []string
	for _, l := range c.Layers {
		ids = append(ids, l.ID)
	}
	return strings.Join(ids, " ")
}

func TestALayerGoesAStepToTheFrontOrTheBack(t *testing.T) {
	c := sample()
	if got := order(c); got != "backdrop scene mug-layer words" {
		t.Fatalf("the stack begins as %s", got)
	}
	for _, s := range []struct{ steps, want string }{
		{"-1", "backdrop scene words mug-layer"}, {"-5", "words backdrop scene mug-layer"}, {"1", "backdrop words scene mug-layer"},
	} {
		c = do(t, c, `{"type":"stackLayer","layer":"words","steps":`+s.steps+`}`)
		if got := order(c); got != s.want {
			t.Errorf("%s steps make the stack %s, want %s", s.steps, got, s.want)
		}
	}
	// What lies over or beneath the scenes passes them all.
	if got := order(do(t, c, `{"type":"stackLayer","layer":"words","steps":1}`)); got != "backdrop scene mug-layer words" {
		t.Errorf("past the scenes it makes %s", got)
	}
}

func TestStackingCopyingAndRemoving(t *testing.T) {
	c := sample()
	if got := order(do(t, c, `{"type":"stackLayer","layer":"words","to":0}`)); got != "words backdrop scene mug-layer" {
		t.Errorf("the stack is %s", got)
	}
	if got := order(do(t, c, `{"type":"stackLayer","layer":"backdrop","to":99}`)); got != "scene mug-layer words backdrop" {
		t.Errorf("the stack is %s", got)
	}
	twin := do(t, c, `{"type":"copyLayer","layer":"mug-layer","id":"twin"}`)
	if got := order(twin); got != "backdrop scene mug-layer twin words" || len(twin.Layer("twin").Tracks[clip.Rotation]) != 2 {
		t.Errorf("the stack is %s", got)
	}
	refused(t, c, `{"type":"copyLayer","layer":"mug-layer","id":"words"}`, "id")
	if got := order(do(t, c, `{"type":"removeLayer","layer":"mug-layer"}`)); got != "backdrop scene words" {
		t.Errorf("the stack is %s", got)
	}
}

func TestABatchIsAllOrNothing(t *testing.T) {
	c := do(t, sample(), `{"type":"batch","commands":[{"type":"setClip","name":"A"},{"type":"setLight","set":{"strength":10}}]}`)
	if c.Name != "A" || c.Light.Strength != 10 {
		t.Errorf("the clip is %q with a light of %g", c.Name, c.Light.Strength)
	}
	refused(t, sample(), `{"type":"batch","commands":[{"type":"setClip","name":"A"},{"type":"removeLayer","layer":"gone"}]}`, "layer")
	refused(t, sample(), `{"type":"batch","commands":[{"type":"batch","commands":[]}]}`, "commands")
}

func TestAShorterClipTrimsButNeverDropsKeys(t *testing.T) {
	c := do(t, sample(), `{"type":"setClip","length":100}`)
	if _, to := c.Span(c.Layer("mug-layer")); to != 100 {
		t.Errorf("the layer shows until %d", to)
	}
	refused(t, sample(), `{"type":"setClip","length":12}`, "rotation[1].at")
}

func TestANewKeyHoldsWhatWasThere(t *testing.T) {
	c := sample()
	k := KeyHere(c, "mug-layer", clip.Rotation, 7)
	// From 20 degrees at 0 to 0 at 15, eased out: between them, and falling.
	if k.Value[0] <= 0 || k.Value[0] >= 20*(1-7.0/15) || k.Ease.Kind != motion.Out {
		t.Errorf("the key would be %+v", k)
	}
	if k := KeyHere(c, "mug-layer", clip.Scale, 7); k.Value[0] != 100 {
		t.Errorf("without keys a scale would be %v", k.Value)
	}
	if k := KeyHere(c, "mug-layer", clip.Position, 7); len(k.Value) != 2 || k.Value[0] != 0 {
		t.Errorf("without keys a position would be %v", k.Value)
	}
}

func TestDraggingFromOutsideBeginsWhereTheLayerIs(t *testing.T) {
	c := do(t, sample(), `{"type":"setKey","layer":"mug-layer","property":"position","key":{"at":0,"value":[0,0],"off":"right","ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"handle","layer":"mug-layer","shape":"tall","frame":0,"target":"auto","dx":-40,"dy":0,"base":[812.5,0]}`)
	k := c.Layer("mug-layer").Tracks[clip.Position][0]
	if k.Off != "" || k.Value[0] != 772.5 {
		t.Errorf("the key is %+v", k)
	}
}

func TestKeysMoveTogether(t *testing.T) {
	c := do(t, sample(), `{"type":"moveKeys","keys":[{"layer":"mug-layer","property":"rotation","frame":0},{"layer":"mug-layer","property":"rotation","frame":15}],"by":15}`)
	track := c.Layer("mug-layer").Tracks[clip.Rotation]
	if track[0].At.Frames != 15 || track[1].At.Frames != 30 || track[0].Value[0] != 20 {
		t.Errorf("the track is %+v", track)
	}
	c = do(t, c, `{"type":"removeKeys","keys":[{"layer":"mug-layer","property":"rotation","frame":15},{"layer":"mug-layer","property":"rotation","frame":30}]}`)
	if _, left := c.Layer("mug-layer").Tracks[clip.Rotation]; left {
		t.Error("an empty track was kept")
	}
}

func TestEveryCommandHasWordsForTheHistory(t *testing.T) {
	for kind := range kinds {
		if Describe([]byte(`{"type":"`+kind+`"}`)) == "A change" {
			t.Errorf("%s has no words", kind)
		}
	}
}

// A key set after a move has ended, or where nothing moves, does not jump: what
// holds there without being seen lets go.
func TestANewKeyNeverInheritsAHold(t *testing.T) {
	c := sample()
	hold := motion.Ease{Kind: motion.Hold}
	c.Own("mug-layer").Tracks[clip.Scale] = motion.Track{
		{At: timing.At(0), Value: []float64{50}, Ease: motion.Ease{Kind: motion.Out}},
		{At: timing.At(20), Value: []float64{100}, Ease: hold},
	}
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"scale","frame":60,"value":[140]}`)
	scale := func(c *clip.Clip, frame float64) float64 {
		l := c.Layer("mug-layer")
		return clip.Curve(clip.Scale, l.Tracks[clip.Scale], c.ClockOf(l)).Sample(frame)[0]
	}
	if mid := scale(c, 40); mid <= 100 || mid >= 140 {
		t.Errorf("half way to the new key the scale is %g; it should be growing", mid)
	}
	if k := c.Layer("mug-layer").Tracks[clip.Scale][2]; k.Ease.Kind == motion.Hold {
		t.Error("the new key holds")
	}
	// A hold that is seen stays.
	c.Own("mug-layer").Tracks[clip.Scale][1].Ease = hold
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"scale","frame":40,"value":[120]}`)
	if before, at := scale(c, 39), scale(c, 40); before != 100 || at != 120 {
		t.Errorf("before the new key the scale is %g, on it %g", before, at)
	}
	// Holding up to a frame on purpose still holds.
	c = do(t, c, `{"type":"holdUntil","layer":"mug-layer","frame":80}`)
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"scale","frame":80,"value":[10]}`)
	if got := scale(c, 79); got != 140 {
		t.Errorf("held up to a frame, the scale before it is %g", got)
	}
}

// A price is refused where it is typed if it has more decimals than its currency; one that was
// there before does not keep a product from being changed.
func TestPricesHaveNoMoreDecimalsThanTheirCurrency(t *testing.T) {
	c := sample()
	product := func(price, old, code string) string {
		return fmt.Sprintf(`{"type":"setProduct","product":{"id":"p","name":"P","price":%q,"oldPrice":%q,"currency":%q}}`, price, old, code)
	}
	refused(t, c, product("10.005", "", "EUR"), "price")
	refused(t, c, product("10", "20.001", "EUR"), "oldPrice")
	refused(t, c, product("1500.50", "", "JPY"), "price")
	c = do(t, c, product("10.50", "20.5", "EUR"))
	c.Products[len(c.Products)-1].Price = "10.005" // as an older clip may have it
	c = do(t, c, product("10.005", "21", "EUR"))
	refused(t, c, product("10.005", "2500", "JPY"), "price")
	do(t, c, `{"type":"setClip","language":"de-CH"}`)
	for _, language := range []string{"tlh", "en|English", "|", "en|English|¤#", "\nen"} {
		refused(t, c, fmt.Sprintf(`{"type":"setClip","language":%q}`, language), "language")
	}
}
