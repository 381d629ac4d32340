package edit

import (
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

func fillOf(c *clip.Clip) *clip.Fill { return c.Layer("backdrop").Fill() }

func TestAFillGetsWhatItNeedsToRunOtherwise(t *testing.T) {
	c := do(t, sample(), `{"type":"setRun","layer":"backdrop","run":"free"}`)
	if f := fillOf(c); len(f.Points) < 2 || f.Points[0].Colour != f.Stops[0].Colour {
		t.Errorf("its points are %+v, its stops %+v", f.Points, f.Stops)
	}
	c = do(t, c, `{"type":"setRun","layer":"backdrop","run":"solid"}`)
	if f := fillOf(c); len(f.Stops) != 1 || f.Way() != "linear" {
		t.Errorf("as one colour it is %+v", f)
	}
	c = do(t, c, `{"type":"setRun","layer":"backdrop","run":"radial"}`)
	if f := fillOf(c); len(f.Stops) != 2 || f.Stops[1].Colour == f.Stops[0].Colour || f.Reach != 100 {
		t.Errorf("radial it is %+v", f)
	}
	refused(t, c, `{"type":"setRun","layer":"backdrop","run":"spiral"}`, "run")
	refused(t, c, `{"type":"setRun","layer":"mug-layer","run":"free"}`, "layer")
}

// A colour keeps its keys when one before it goes, and takes them along when it goes.
func TestColoursKeepTheirKeys(t *testing.T) {
	c := sample()
	c = do(t, c, `{"type":"addColour","layer":"backdrop"}`)
	f := fillOf(c)
	if len(f.Stops) != 3 || f.Stops[1].At != 50 || f.Number(1) != 3 {
		t.Fatalf("the new colour stands at %+v", f.Stops)
	}
	last := f.Number(2)
	c.Layer("backdrop").Tracks[clip.NumberedName(clip.StopAt, last)] = motion.Track{{At: timing.At(0), Value: []float64{90}, Ease: motion.Ease{Kind: motion.Linear}}}
	c.Layer("backdrop").Tracks[clip.NumberedName(clip.StopColour, 1)] = motion.Track{{At: timing.At(0), Value: []float64{1, 2, 3, 255}, Ease: motion.Ease{Kind: motion.Linear}}}
	c = do(t, c, `{"type":"removeColour","layer":"backdrop","number":1}`)
	l := c.Layer("backdrop")
	if f := fillOf(c); len(f.Stops) != 2 || f.Number(1) != last {
		t.Errorf("the last colour has another number: %+v", f.Stops)
	}
	if len(l.Tracks) != 1 || l.Tracks[clip.NumberedName(clip.StopAt, last)] == nil {
		t.Errorf("the keys are %v", l.Tracks)
	}
	refused(t, c, `{"type":"removeColour","layer":"backdrop","number":1}`, "number")
	c = do(t, c, `{"type":"removeColour","layer":"backdrop","number":3}`)
	refused(t, c, `{"type":"removeColour","layer":"backdrop","number":2}`, "stops")
}

// Numbers of a gradient are set where they are, and by keys where they have some.
func TestNumbersOfAGradientAreSet(t *testing.T) {
	c := do(t, sample(), `{"type":"setRun","layer":"backdrop","run":"free"}`)
	c = do(t, c, `{"type":"setValue","layer":"backdrop","property":"place2","frame":0,"value":[12,-34]}`)
	if p := fillOf(c).Points[1]; p.X != 12 || p.Y != -34 {
		t.Errorf("the point is at %g,%g", p.X, p.Y)
	}
	c = do(t, c, `{"type":"setKey","layer":"backdrop","property":"place2","key":{"at":0,"value":[0,0],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setValue","layer":"backdrop","property":"place2","frame":30,"value":[50,50]}`)
	if p, n := fillOf(c).Points[1], len(c.Layer("backdrop").Tracks["place2"]); p.X != 12 || n != 2 {
		t.Errorf("with keys, the point is at %g and there are %d keys", p.X, n)
	}
	refused(t, c, `{"type":"setValue","layer":"backdrop","property":"place9","frame":0,"value":[0,0]}`, "property")
	refused(t, c, `{"type":"setValue","layer":"backdrop","property":"place1","frame":0,"value":[0,900]}`, "value")
	refused(t, c, `{"type":"setValue","layer":"words","property":"fillAngle","frame":0,"value":[0]}`, "property")
}
