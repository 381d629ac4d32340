package frame

import (
	"testing"

	"billow/core/clip"
)

// Perspective is worked out after groups: what is as deep is seen as small and
// as near to the frame's centre, in whatever group it lies and wherever that is.
func TestDepthIsSeenThroughGroups(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Rest.X = 200
	c.Layers[2].Values = map[string][]float64{clip.Depth: {1000}}
	// 1000 units behind the plane, seen from 1000 in front of it: half as large.
	// At 0.54 pixels a unit the block is 108 by 54, its middle at 100 units.
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270+54-54, 480-27, 270+54+54, 480+27)

	// In a group that is moved and turned upside down, the block stands at -100
	// units, and is seen at -50.
	c.Layers[2].Group = "group"
	g := clip.NewGroup("group", "Group")
	g.Rest.X, g.Rest.Turn = -300, 180
	c.Layers = append(c.Layers, g)
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-27-54, 480-27, 270-27+54, 480+27)

	// Depths of groups and of what is in them add up.
	c.Layers[2].Values[clip.Depth][0] = 400
	c.Layers[3].Values = map[string][]float64{clip.Depth: {600}}
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-27-54, 480-27, 270-27+54, 480+27)

	// On a sheet of its own a group looks the same.
	c.Layers[3].Blend = "multiply"
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-27-54, 480-27, 270-27+54, 480+27)
}

func TestACameraLooksFromWhereItIs(t *testing.T) {
	// 500 units further away and 100 to the right, a plane 500 units deep is seen
	// at half its size, and what lies at 300 at (300 - 100) / 2.
	m, near := camera{x: 100, away: 1500}.sees(500)
	if x, y := m.Apply(300, 40); near != 0.5 || x != 100 || y != 20 {
		t.Errorf("it is seen at %g, %g, %g times as large", x, y, near)
	}
}
