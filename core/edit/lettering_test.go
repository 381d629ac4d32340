package edit

import (
	"math"
	"testing"

	"billow/core/clip"
)

// withRing is the sample with a ring in it, somewhere else in square.
func withRing() *clip.Clip {
	c := sample()
	l := clip.Draft(c, clip.KindCard, "Ring", "", "")
	l.ID, l.Group = "ring", c.Layer("words").Group
	l.Rest = clip.Rest{Pin: "top", X: 30, Y: 200, Size: 400, Turn: 10}
	l.Rests = map[string]clip.Rest{"square": {Pin: "left", X: 150, Y: -40, Size: 300}}
	c.Layers = append(c.Layers, l)
	return c
}

func TestWordsRunAlongAFigureWhereItStands(t *testing.T) {
	c := do(t, withRing(), `{"type":"runAlong","layer":"words","figure":"ring"}`)
	l, ring := c.Layer("words"), c.Layer("ring")
	size := l.Rest.Size
	if r := l.Rest; l.Words.Along != "ring" || r.Pin != "top" || r.X != 30 || r.Y != 200 || r.Turn != 10 || size != 100 {
		t.Errorf("they rest at %+v along %q", r, l.Words.Along)
	}
	if r := l.Rests["square"]; r.Pin != "left" || r.X != 150 || r.Y != -40 || r.Size != size {
		t.Errorf("in square they rest at %+v, the ring at %+v", r, ring.Rests["square"])
	}
	c = do(t, c, `{"type":"setValue","layer":"words","property":"along","frame":0,"value":[25]}`)
	if c = do(t, c, `{"type":"runAlong","layer":"words"}`); c.Layer("words").Words.Along != "" || len(c.Layer("words").Values) != 0 {
		t.Errorf("straight again they are %+v", c.Layer("words"))
	}
	refused(t, c, `{"type":"setValue","layer":"words","property":"along","frame":0,"value":[25]}`, "property")
	refused(t, c, `{"type":"runAlong","layer":"words","figure":"mug-layer"}`, "figure")
	refused(t, c, `{"type":"runAlong","layer":"ring","figure":"ring"}`, "layer")
	// What words run along, or keep away from, can be deleted.
	c = do(t, c, `{"type":"runAlong","layer":"words","figure":"ring"}`)
	c = do(t, c, `{"type":"setLayer","layer":"words","set":{"words":{"beside":{"layer":"ring","gap":20}}}}`)
	c = do(t, c, `{"type":"removeLayer","layer":"ring"}`)
	if w := c.Layer("words").Words; w.Along != "" || w.Beside != nil {
		t.Errorf("of the ring that is gone the words still say %q and %+v", w.Along, w.Beside)
	}
}

func TestAnAxisOfTheFontHasKeys(t *testing.T) {
	c := do(t, sample(), `{"type":"setAxis","layer":"words","tag":"wght","at":300,"frame":0}`)
	c = do(t, c, `{"type":"setAxis","layer":"words","tag":"wdth","at":120,"frame":0}`)
	if a := c.Layer("words").Words.Axes; len(a) != 2 || a[0] != (clip.Axis{ID: 1, Tag: "wght", At: 300}) || a[1].ID != 2 {
		t.Fatalf("the axes are %+v", a)
	}
	c = do(t, c, `{"type":"setKey","layer":"words","property":"axis1","key":{"at":0,"value":[300],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setAxis","layer":"words","tag":"wght","at":800,"frame":30}`)
	if track(c, "words", "axis1") != "0=300linear 30=800linear" || c.Layer("words").Words.Axes[0].At != 300 {
		t.Errorf("the keys are %s, the axes %+v", track(c, "words", "axis1"), c.Layer("words").Words.Axes)
	}
	refused(t, c, `{"type":"setAxis","layer":"words","tag":"weight","at":1,"frame":0}`, "layers[words].words.axes[2].tag")
	refused(t, c, `{"type":"setAxis","layer":"mug-layer","tag":"wght","at":1,"frame":0}`, "layer")
}

func TestAPictureFillsWords(t *testing.T) {
	c := do(t, sample(), `{"type":"fillWords","layer":"words","prop":"mug","id":"both","picture":"pic","w":640,"h":100}`)
	both, pic, words := c.Layer("both"), c.Layer("pic"), c.Layer("words")
	if both == nil || both.Inside.Clip != "words" || pic.Group != "both" || words.Group != "both" || math.Abs(pic.Rest.Size-1.04*640) > 1e-9 || pic.Lift != 0 {
		t.Errorf("the group is %+v, the picture %+v", both, pic)
	}
	refused(t, c, `{"type":"fillWords","layer":"words","prop":"tune","id":"x","picture":"y","w":640,"h":100}`, "prop")
}

// Words get a gradient of their own colour, and are one colour again.
func TestWordsGetAGradient(t *testing.T) {
	c := do(t, sample(), `{"type":"setRun","layer":"words","run":"linear"}`)
	l := c.Layer("words")
	if g := l.Words.Gradient; g == nil || len(g.Stops) != 2 || g.Stops[0].Colour != l.Words.Fill {
		t.Fatalf("the gradient is %+v", g)
	}
	c = do(t, c, `{"type":"setValue","layer":"words","property":"colour1","frame":0,"value":[10,20,30,255]}`)
	c = do(t, c, `{"type":"setRun","layer":"words","run":"solid"}`)
	if w := c.Layer("words").Words; w.Gradient != nil || w.Fill.R != 10 || w.Fill.B != 30 {
		t.Errorf("one colour again they are %+v", w)
	}
}

// What runs on without end has gradients and axes, too.
func TestAMarqueeAndABadgeHaveAGradient(t *testing.T) {
	for _, kind := range []string{clip.KindMarquee, clip.KindBadge} {
		c := sample()
		l := clip.Draft(c, kind, "", "", "")
		l.ID = "other"
		c.Layers = append(c.Layers, l)
		c = do(t, c, `{"type":"setRun","layer":"other","run":"linear"}`)
		c = do(t, c, `{"type":"setValue","layer":"other","property":"colour2","frame":0,"value":[1,2,3,255]}`)
		c = do(t, c, `{"type":"setAxis","layer":"other","tag":"wght","at":300,"frame":0}`)
		c = do(t, c, `{"type":"setValue","layer":"other","property":"axis1","frame":0,"value":[400]}`)
		if w := c.Layer("other").Words; w.Gradient.Stops[1].Colour.B != 3 || w.Axes[0].At != 400 {
			t.Errorf("a %s is %+v, %+v", kind, w.Gradient, w.Axes)
		}
	}
}
