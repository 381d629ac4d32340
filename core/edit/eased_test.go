package edit

import (
	"testing"

	"billow/core/clip"
	"billow/core/motion"
)

// keysOf is what a track says: frame, value and easing of each
// key.
func keysOf(c *clip.Clip, layer, property string) (frames []int, values []float64, eases []string) {
	l := c.Layer(layer)
	for _, k := range l.Tracks[property] {
		frames = append(frames, c.ClockOf(l).Frame(k.At))
		values = append(values, k.Value[0])
		eases = append(eases, k.Ease.Kind)
	}
	return frames, values, eases
}

// The easing of a move's key is chosen by hand; the move still owns its keys.
func TestAMoveKeepsTheEasingThatWasChosenForItsKey(t *testing.T) {
	c := do(t, sample(), `{"type":"setMove","layer":"words","move":{"id":"in","kind":"unfurl","at":60,"lands":true,"length":20,"side":"below","turn":0,"strength":100}}`)
	c = do(t, c, `{"type":"setEase","keys":[{"layer":"words","property":"reveal","frame":40}],"ease":{"kind":"in"}}`)
	if k := c.Layer("words").Tracks[clip.Revealed][0]; k.Move != "in" || !k.Eased {
		t.Fatalf("the key is no longer the move's: %+v", k)
	}
	// To begin there instead: both keys go along, and nothing of the old start stays.
	c = do(t, c, `{"type":"setMove","layer":"words","move":{"id":"in","kind":"unfurl","at":60,"length":20,"side":"below","turn":0,"strength":100}}`)
	frames, values, eases := keysOf(c, "words", clip.Revealed)
	if len(frames) != 2 || frames[0] != 60 || frames[1] != 80 || values[0] != 0 || values[1] != 100 || eases[0] != motion.In {
		t.Errorf("it is revealed on %v to %v, eased %v", frames, values, eases)
	}
	// What else is changed by hand is the person's.
	c = do(t, c, `{"type":"moveKeys","keys":[{"layer":"words","property":"reveal","frame":60}],"by":5}`)
	if k := c.Layer("words").Tracks[clip.Revealed][0]; k.Move != "" || k.Eased {
		t.Errorf("a key that was moved is still the move's: %+v", k)
	}
}

// Unfurl goes by the side that was chosen in the layer's settings, before or after.
func TestUnfurlGoesByTheSideThatWasChosen(t *testing.T) {
	c := do(t, sample(), `{"type":"setLayer","layer":"words","set":{"reveal":{"side":"left","slide":false}}}`)
	c = do(t, c, `{"type":"setMove","layer":"words","move":{"id":"in","kind":"unfurl","at":10,"length":20,"side":"left","turn":0,"strength":100}}`)
	if r := c.Layer("words").Reveal; r.Side != "left" || r.Slide {
		t.Errorf("it is revealed %+v", r)
	}
	c = do(t, c, `{"type":"setLayer","layer":"words","set":{"reveal":{"side":"right","slide":false}}}`)
	c = do(t, c, `{"type":"setMove","layer":"words","move":{"id":"swell","kind":"swell","at":90,"length":20,"turn":0,"strength":100}}`)
	if r := c.Layer("words").Reveal; r.Side != "right" || r.Slide {
		t.Errorf("after another move it is revealed %+v", r)
	}
}
