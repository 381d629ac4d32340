package light

import (
	"math"
	"testing"

	"billow/core/clip"
)

func TestDistanceFollowsFromLiftAndHeight(t *testing.T) {
	l := clip.Light{Direction: -45, Height: 45, Softness: 0, Strength: 40}
	// From above left at 45 degrees a lift of 100 falls 100 away, down right.
	c := Falls(l, 100, nil)
	if d := 100 / math.Sqrt2; math.Abs(c.DX-d) > 1e-9 || math.Abs(c.DY-d) > 1e-9 || math.Abs(c.Opacity-0.4) > 1e-9 || c.Sigma != 0 {
		t.Errorf("the shadow is %+v", c)
	}
	l.Height = 90
	if c := Falls(l, 100, nil); math.Hypot(c.DX, c.DY) > 1e-9 {
		t.Errorf("from straight ahead it falls to %g, %g", c.DX, c.DY)
	}
	if !Falls(l, 0, nil).None() {
		t.Error("what lies flat casts a shadow")
	}
	low, high := Falls(clip.Light{Height: 45, Softness: 60, Strength: 50}, 20, nil), Falls(clip.Light{Height: 45, Softness: 60, Strength: 50}, 120, nil)
	if high.Sigma <= low.Sigma || high.Opacity >= low.Opacity {
		t.Error("a higher lift does not give a softer, fainter shadow")
	}
}
