package frame

import (
	"slices"
	"testing"

	"billow/core/layout"
)

// A block of 400 by 200 that is turned by 45 degrees has a corner at 212, 71 (the
// half of 400 and the half of 200 over the root of 2) and none at 212, -212.
func TestARectangleTouchesWhatIsTurned(t *testing.T) {
	c, lib := block(t)
	c.Layer("red-layer").Rest.Turn = 45
	stage := Arrange(c, c.Shapes[0], lib)
	touches := func(x0, y0, x1, y1 float64) bool {
		return slices.Contains(stage.Touching(0, layout.Box{X0: x0, Y0: y0, X1: x1, Y1: y1}), "red-layer")
	}
	if !touches(-1, -1, 1, 1) || !touches(210, 60, 250, 80) || !touches(-900, -900, 900, 900) {
		t.Error("what lies under it is not touched")
	}
	if touches(150, -212, 212, -150) || touches(214, 60, 250, 80) {
		t.Error("what lies beside it is touched")
	}
	c.Layer("red-layer").Locked = true
	if stage = Arrange(c, c.Shapes[0], lib); touches(-1, -1, 1, 1) {
		t.Error("a locked layer is touched")
	}
	if slices.Contains(stage.Touching(0, layout.Box{X0: -900, Y0: -900, X1: 900, Y1: 900}), "backdrop") {
		t.Error("a backdrop is touched")
	}
}
