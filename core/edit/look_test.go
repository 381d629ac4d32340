package edit

import (
	"testing"

	"billow/core/clip"
)

// dressed is a clip in which the mug has effects of its own, one of them with keys, and a key that takes a
// colour out.
func dressed(t *testing.T) *clip.Clip {
	c := do(t, sample(), `{"type":"setValue","layer":"mug-layer","property":"exposure","frame":0,"value":[1]}`)
	c = do(t, c, `{"type":"setValue","layer":"mug-layer","property":"chromaKey","frame":0,"value":[100]}`)
	c = do(t, c, `{"type":"setKey","layer":"mug-layer","property":"twist","key":{"at":5,"value":[40],"ease":{"kind":"linear"}}}`)
	return do(t, c, `{"type":"setKey","layer":"mug-layer","property":"rotation","key":{"at":5,"value":[9],"ease":{"kind":"linear"}}}`)
}

func TestALookReplacesAllEffectsButKeys(t *testing.T) {
	c := dressed(t)
	got := do(t, c, `{"type":"wearLook","onto":["mug-layer","words"],"values":{"saturation":[0],"bloom":[40]}}`)
	for _, id := range []string{"mug-layer", "words"} {
		l := got.Layer(id)
		if l.Values["saturation"][0] != 0 || l.Values["bloom"][0] != 40 || l.Values["exposure"] != nil || len(l.Tracks["twist"]) > 0 {
			t.Errorf("%s has %v and keys of %d twists", id, l.Values, len(l.Tracks["twist"]))
		}
	}
	mug := got.Layer("mug-layer")
	if mug.Values["chromaKey"] == nil || len(mug.Tracks["rotation"]) != len(c.Layer("mug-layer").Tracks["rotation"]) {
		t.Error("its screen is back, or it no longer turns")
	}
	if before := c.Layer("mug-layer"); before.Values["exposure"] == nil || len(before.Tracks["twist"]) != 1 {
		t.Error("the clip before was changed")
	}
	none := do(t, got, `{"type":"wearLook","onto":["words"],"values":{}}`)
	if v := none.Layer("words").Values; v["saturation"] != nil || v["bloom"] != nil {
		t.Errorf("without a look it has %v", v)
	}
	refused(t, c, `{"type":"wearLook","onto":["words"],"values":{"rotation":[3]}}`, "values.rotation")
	refused(t, c, `{"type":"wearLook","onto":["words"],"values":{"exposure":[99]}}`, "layers[words].values.exposure")
	refused(t, c, `{"type":"wearLook","onto":["words"],"values":{"table":[50]},"table":"mug"}`, "layers[words].table")
	refused(t, c, `{"type":"wearLook","onto":["nobody"],"values":{}}`, "layer")
}

func TestALookIsCopiedWithItsKeys(t *testing.T) {
	c := do(t, dressed(t), `{"type":"wearLook","from":"mug-layer","onto":["words","mug-layer"]}`)
	w := c.Layer("words")
	if w.Values["exposure"][0] != 1 || len(w.Tracks["twist"]) != 1 || w.Values["chromaKey"] != nil || len(w.Tracks["rotation"]) != 0 {
		t.Errorf("it has %v and %d keys of twist", w.Values, len(w.Tracks["twist"]))
	}
	// Their keys are their own.
	c = do(t, c, `{"type":"setKey","layer":"words","property":"twist","key":{"at":5,"value":[80],"ease":{"kind":"linear"}}}`)
	if k := c.Layer("mug-layer").Tracks["twist"][0]; k.Value[0] != 40 {
		t.Errorf("the other's key became %v", k.Value)
	}
}

func TestAnEffectIsTakenOff(t *testing.T) {
	c := do(t, dressed(t), `{"type":"setValue","layer":"mug-layer","property":"twistReach","frame":0,"value":[50]}`)
	c = do(t, c, `{"type":"dropEffect","layer":"mug-layer","effect":"twist"}`)
	l := c.Layer("mug-layer")
	if len(l.Tracks["twist"]) > 0 || l.Values["twistReach"] != nil || l.Values["exposure"] == nil {
		t.Errorf("it has %v", l.Values)
	}
	refused(t, c, `{"type":"dropEffect","layer":"mug-layer","effect":"rotation"}`, "effect")
}
