package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// carried is a clip in which the red block, at rest at (300, 0), follows a small
// card at (100, 0). With another card at (300, 0) the leader lies in a group,
// whose middle is (200, 0).
func carried(t *testing.T) (c *clip.Clip, red, leader, group *clip.Layer, place func(frame float64) Place) {
	t.Helper()
	c, lib := block(t)
	card := func(id string, x float64) clip.Layer {
		l := clip.NewLayer(id, id, clip.KindCard)
		l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xFFFFFF)}
		l.Rest.Size, l.Rest.X, l.Group = 10, x, "g"
		return l
	}
	c.Layers = append(c.Layers, card("leader", 100), card("other", 300), clip.NewGroup("g", "Pair"))
	red, leader, group = &c.Layers[2], c.Layer("leader"), c.Layer("g")
	red.Rest.X = 300
	red.Shadow = &clip.Shadow{None: true}
	red.Follow = &clip.Follow{Layer: "leader", Position: true}
	return c, red, leader, group, func(frame float64) Place {
		t.Helper()
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		s := Arrange(c, c.Shapes[0], lib)
		p, _ := s.place(s.byID["red-layer"], frame)
		return p
	}
}

func stands(t *testing.T, what string, p Place, x, y, turn float64) {
	t.Helper()
	if math.Hypot(p.X-x, p.Y-y) > 1e-6 || math.Abs(p.Turn-turn) > 1e-6 {
		t.Errorf("%s: it is at %.4f, %.4f turned by %.4f, want %g, %g and %g", what, p.X, p.Y, p.Turn, x, y, turn)
	}
}

func TestALeaderCarriesAsItsGroupShowsIt(t *testing.T) {
	_, _, leader, group, place := carried(t)
	leader.Tracks[clip.Position] = linear(0, v(0, -100))
	stands(t, "in a group that does nothing", place(0), 300, -100, 0)
	group.Rest.Size = 500
	stands(t, "in a group of half the size", place(0), 300, -50, 0)
	group.Rest.Turn = 90 // up becomes right
	stands(t, "in a group that lies on its side", place(0), 350, 0, 0)
}

func TestALeaderCarriesAsItsGroupMoves(t *testing.T) {
	_, block, _, group, place := carried(t)
	// A quarter turn about (200, 0) takes the leader from (100, 0) to (200, -100).
	group.Tracks[clip.Rotation] = linear(0, v(90))
	stands(t, "place", place(0), 400, -100, 0)
	block.Follow = &clip.Follow{Layer: "leader", Rotation: true}
	stands(t, "turn", place(0), 100, 200, 90)
	block.Follow.Position = true
	stands(t, "place and turn", place(0), 200, 100, 90)
}

func TestALeaderCarriesInTheTimeOfItsGroup(t *testing.T) {
	_, _, leader, group, place := carried(t)
	leader.Tracks[clip.Position] = linear(0, v(0, 0), 50, v(50, 0))
	group.Inside = &clip.Inside{Speed: 2}
	stands(t, "twice as fast", place(20), 340, 0, 0)
	at := 45
	group.Inside = &clip.Inside{Freeze: &at}
	stands(t, "frozen", place(20), 345, 0, 0)
}

func TestWhatIsInOneGroupWithItsLeaderMovesOnceWithIt(t *testing.T) {
	_, block, leader, group, place := carried(t)
	leader.Tracks[clip.Position] = linear(0, v(0, -100))
	group.Tracks[clip.Position] = linear(0, v(0, 40))
	stands(t, "outside the group", place(0), 300, -60, 0)
	block.Group = "g"
	stands(t, "in it", place(0), 300, -60, 0)
}

func TestAFollowerInAGroupIsCarriedAsFarInTheFrame(t *testing.T) {
	c, block, leader, group, place := carried(t)
	leader.Group = ""
	leader.Tracks[clip.Position] = linear(0, v(0, -100))
	block.Group = "g"
	before := place(0)
	group.Rest.Size = 500
	leader.Tracks = map[string]motion.Track{}
	still := place(0)
	leader.Tracks[clip.Position] = linear(0, v(0, -100))
	stands(t, "at half the size", place(0), still.X, still.Y-100, 0)
	if before.Y != -100 || c.Layer("g").Rest.Size != 500 {
		t.Errorf("at full size it is at %g", before.Y)
	}
}

func TestOnlyWhatIsFollowedIsPassedOn(t *testing.T) {
	c, _, leader, _, place := carried(t)
	// The leader goes a quarter round the card at (300, 0): from (100, 0) to (300, -200).
	leader.Group = ""
	other := c.Layer("other")
	other.Group = ""
	c.Layers = c.Layers[:len(c.Layers)-1]
	leader.Follow = &clip.Follow{Layer: "other", Rotation: true}
	other.Tracks[clip.Rotation] = linear(0, v(90))
	stands(t, "a follower of a follower", place(0), 500, -200, 0)
}

func TestJustOutsideIsOutsideFromWithinAGroup(t *testing.T) {
	_, block, _, group, place := carried(t)
	block.Follow, block.Group = nil, "g"
	group.Rest.Size, group.Rest.Turn, group.Rest.X = 500, 90, -130
	block.Tracks[clip.Position] = motion.Track{{At: timing.At(0), Value: v(0, 0), Off: "left", Ease: motion.Ease{Kind: motion.Linear}}}
	p := place(0)
	// Lying on its side and half as large it is 100 wide; the frame ends at -500.
	right := p.X + 50
	if right > -500 || right < -502 {
		t.Errorf("its right edge is at %g, want it just beyond -500", right)
	}
}

func TestFollowingInCirclesThroughGroupsIsToldPlainly(t *testing.T) {
	c, _, _, group, _ := carried(t)
	group.Follow = &clip.Follow{Layer: "red-layer", Rotation: true}
	err := c.Validate()
	if err == nil || err.Error() != "layers[red-layer].follow: a circle of following: “Red” follows “leader” in “Pair”, which follows “Red”" {
		t.Errorf("the circle is told as %v", err)
	}
}

func TestWhatIsSteppedIsCarriedInSteps(t *testing.T) {
	_, red, leader, _, place := carried(t)
	leader.Tracks[clip.Position] = linear(0, v(0, 0), 50, v(50, 0))
	red.Stepping = &motion.Stepping{Rate: 5} // every six frames
	stands(t, "on the fifth frame of a step", place(16), 312, 0, 0)
}
