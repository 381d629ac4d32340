package frame

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
)

// Tall at 540x960: a unit is 0.54 pixels, the centre is (270, 480). The block
// is 400 by 200 units, 216 by 108 pixels.

func linear(frames ...any) motion.Track {
	var t motion.Track
	for i := 0; i < len(frames); i += 2 {
		t = append(t, motion.Key{At: timing.At(frames[i].(int)), Value: frames[i+1].([]float64), Ease: motion.Ease{Kind: motion.Linear}})
	}
	return t
}

func v(x ...float64) []float64 { return x }

// lies checks the bounds of what is red, to within a pixel.
func lies(t *testing.T, b *paint.Bitmap, x0, y0, x1, y1 float64) {
	t.Helper()
	a, c, d, e, n := red(b)
	if n == 0 || math.Abs(float64(a)-x0) > 1.01 || math.Abs(float64(c)-y0) > 1.01 || math.Abs(float64(d)-x1) > 1.01 || math.Abs(float64(e)-y1) > 1.01 {
		t.Errorf("red lies at %d,%d to %d,%d, want %g,%g to %g,%g", a, c, d, e, x0, y0, x1, y1)
	}
}

func still(l *clip.Layer, property string, value ...float64) {
	if l.Values == nil {
		l.Values = map[string][]float64{}
	}
	l.Values[property] = value
}

func TestWidthAndHeightScaleApart(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Tracks[clip.Scale] = linear(0, v(50, 200))
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-54, 480-108, 270+54, 480+108)
}

func TestScaleAndTurnAreAboutThePivot(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	still(l, clip.Pivot, -50, 50) // the lower left corner: (162, 534)
	l.Tracks[clip.Scale] = linear(0, v(50))
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162, 480, 270, 534)
	delete(l.Tracks, clip.Scale)
	// A quarter turn clockwise about that corner: it lies above and to the right.
	l.Tracks[clip.Rotation] = linear(0, v(-90))
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162-108, 534-216, 162, 534)
}

func TestSkewLeansUprightEdges(t *testing.T) {
	c, lib := block(t)
	still(&c.Layers[2], clip.Skew, 45)
	// 108 pixels high at 45 degrees: 54 farther on both sides.
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162-54, 426, 378+54, 534)
}

func TestDepthMakesSmallerAndNearerToTheCentre(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Rest.X = 200
	still(&c.Layers[2], clip.Depth, 1000) // twice as far as the picture plane: half as large
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270+54-54, 480-27, 270+54+54, 480+27)
}

func TestCropAndRevealCutOff(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	still(l, clip.Crop, 25, 0, 0, 50)
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162+54, 426, 378, 480)
	l.Values = nil
	for side, want := range map[string][4]float64{
		"left": {162, 426, 162 + 54, 534}, "right": {378 - 54, 426, 378, 534},
		"above": {162, 426, 378, 426 + 27}, "below": {162, 534 - 27, 378, 534},
	} {
		l.Reveal = &clip.Reveal{Side: side}
		still(l, clip.Revealed, 25)
		lies(t, draw(t, c, lib, "tall", 540, 960, 0), want[0], want[1], want[2], want[3])
		// Sliding out from behind that edge, the same part of the frame is covered.
		l.Reveal.Slide = true
		lies(t, draw(t, c, lib, "tall", 540, 960, 0), want[0], want[1], want[2], want[3])
	}
	l.Tracks[clip.Revealed] = linear(0, v(0), 30, v(100))
	if _, _, _, _, n := red(draw(t, c, lib, "tall", 540, 960, 0)); n != 0 {
		t.Errorf("revealed by nothing, %d pixels show", n)
	}
	lies(t, draw(t, c, lib, "tall", 540, 960, 40), 162, 426, 378, 534)
}

func TestASlideShowsThePictureFromItsFarEdge(t *testing.T) {
	// The block's upper half is green: sliding up from below, it comes first.
	c, lib := block(t)
	b := paint.NewBitmap(300, 300)
	for y := 50; y < 150; y++ {
		for x := 20; x < 220; x++ {
			b.Pix[y*300+x] = 0xFF0000FF
			if y < 100 {
				b.Pix[y*300+x] = 0xFF00FF00
			}
		}
	}
	lib.AddPicture(hash, b)
	l := &c.Layers[2]
	l.Reveal = &clip.Reveal{Side: "below", Slide: true}
	still(l, clip.Revealed, 50)
	got := draw(t, c, lib, "tall", 540, 960, 0)
	if p := got.Pix[510*540+270]; p != 0xFF00FF00 {
		t.Errorf("just above the edge there is %08x, want green", p)
	}
	if p := got.Pix[470*540+270]; p != 0xFFFFFFFF {
		t.Errorf("above that there is %08x, want nothing yet", p)
	}
}

func TestCornersAreRound(t *testing.T) {
	c, lib := block(t)
	still(&c.Layers[2], clip.Corner, 100) // half the height: 54 pixels
	b := draw(t, c, lib, "tall", 540, 960, 0)
	_, _, _, _, n := red(b)
	want := 216*108 - (4-math.Pi)*54*54
	if math.Abs(float64(n)-want) > 80 {
		t.Errorf("%d pixels are covered, want about %.0f", n, want)
	}
}

func TestBlurSpreadsEvenly(t *testing.T) {
	c, lib := block(t)
	still(&c.Layers[2], "blur", 20) // 10.8 pixels
	b := draw(t, c, lib, "tall", 540, 960, 0)
	// On the edge of something wide half is left; one standard deviation out a
	// normal distribution has 15.9 percent left.
	at := func(x int) float64 { return 1 - float64(b.Pix[480*540+x]>>8&255)/255 }
	if got := (at(161) + at(162)) / 2; math.Abs(got-0.5) > 0.03 {
		t.Errorf("on the edge %.3f is left", got)
	}
	if got := at(162 - 11); math.Abs(got-0.159) > 0.035 {
		t.Errorf("a deviation out %.3f is left, want about 0.159", got)
	}
}

func TestMotionBlurIsTheMeanWhileTheShutterIsOpen(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	// 100 pixels a frame to the right; the shutter is open for half a frame.
	l.Tracks[clip.Position] = linear(0, v(0, 0), 10, v(1000/0.54, 0))
	l.Shutter = 180
	b := draw(t, c, lib, "tall", 540, 960, 1)
	// Its left edge, at 162 on frame 0, goes from 237 to 287 in that time.
	at := func(x int) float64 { return 1 - float64(b.Pix[480*540+x]>>8&255)/255 }
	for x, want := range map[int]float64{230: 0, 249: 0.25, 262: 0.5, 274: 0.75, 295: 1, 400: 1} {
		if got := at(x); math.Abs(got-want) > 0.04 {
			t.Errorf("at %d %.3f shows, want %.2f", x, got, want)
		}
	}
	// At rest nothing is blurred.
	b = draw(t, c, lib, "tall", 540, 960, 40)
	l.Shutter = 0
	sharp := draw(t, c, lib, "tall", 540, 960, 40)
	for i := range b.Pix {
		if b.Pix[i] != sharp.Pix[i] {
			t.Fatal("a thing at rest is blurred")
		}
	}
}

func TestSteppingHoldsTheWholeLayer(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Tracks[clip.Position] = linear(0, v(-300, 0), 59, v(300, 0))
	l.Stepping = &motion.Stepping{Rate: 10}
	stage, err := Prepare(c, c.Shapes[0], 270, 480, lib)
	if err != nil {
		t.Fatal(err)
	}
	changes, last := 0, Place{}
	for f := range 30 {
		p, _ := stage.place(stage.byID["red-layer"], float64(f))
		if p.X != last.X {
			changes++
		}
		last = p
	}
	if changes != 10 {
		t.Errorf("in a second it changes %d times, want 10", changes)
	}
}

// grouped puts the block into a group.
func grouped(t *testing.T, change func(g *clip.Layer)) (*clip.Clip, *Library) {
	c, lib := block(t)
	c.Layers[2].Group = "group"
	g := clip.NewGroup("group", "Group")
	change(&g)
	c.Layers = append(c.Layers, g)
	return c, lib
}

func TestAGroupLeavesWhatIsInItWhereItIs(t *testing.T) {
	c, lib := grouped(t, func(*clip.Layer) {})
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162, 426, 378, 534)
	c.Layers[3].Rest.X, c.Layers[3].Rest.Size = 100, 500
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270+54-54, 480-27, 270+54+54, 480+27)
}

func TestAGroupHasItsOwnTime(t *testing.T) {
	freeze := 10
	for name, want := range map[string]struct {
		inside clip.Inside
		time   motion.Track
		at     int
		frame  float64 // of the inside
	}{
		"neutral": {clip.Inside{}, nil, 24, 24},
		"later":   {clip.Inside{Offset: 6}, nil, 24, 18},
		"fast":    {clip.Inside{Speed: 2}, nil, 24, 48},
		"slow":    {clip.Inside{Speed: 0.5, Offset: 4}, nil, 24, 10},
		"reverse": {clip.Inside{Reverse: true}, nil, 24, 35},
		"freeze":  {clip.Inside{Freeze: &freeze}, nil, 24, 10},
		"repeat":  {clip.Inside{Repeat: 10}, nil, 24, 4},
		"keys":    {clip.Inside{Speed: 9}, linear(0, v(50), 40, v(10)), 30, 20},
	} {
		c, lib := grouped(t, func(g *clip.Layer) {
			g.Inside = &want.inside
			if want.time != nil {
				g.Tracks[clip.Time] = want.time
			}
		})
		c.Layers[2].Tracks[clip.Position] = linear(0, v(0, 0), 59, v(0, 590))
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		s := Arrange(c, c.Shapes[0], lib)
		p, on := s.place(s.byID["red-layer"], float64(want.at))
		if got := p.Y / 10; !on || math.Abs(got-want.frame) > 1e-9 {
			t.Errorf("%s: on frame %d the inside is on %g, want %g", name, want.at, got, want.frame)
		}
	}
}

func TestTimeKeysMayRunOutsideTheClip(t *testing.T) {
	c, lib := grouped(t, func(g *clip.Layer) { g.Tracks[clip.Time] = linear(0, v(-500), 40, v(5000)) })
	for f := range 60 {
		draw(t, c, lib, "tall", 54, 96, f)
	}
}

func TestAGroupIsFadedAndBlendedAsAWhole(t *testing.T) {
	// Two red blocks over each other at half opacity: faded one by one the middle
	// would be darker than the rest.
	c, lib := grouped(t, func(g *clip.Layer) { still(g, clip.Opacity, 50) })
	twin := c.Layers[2].Clone()
	twin.ID = "twin"
	twin.Rest.X = 100
	c.Layers = append(c.Layers[:3:3], twin, c.Layers[3])
	b := draw(t, c, lib, "tall", 540, 960, 0)
	once, twice := b.Pix[480*540+170], b.Pix[480*540+300]
	if once != twice || math.Abs(float64(once>>8&255)-127.5) > 1 {
		t.Errorf("once covered it is %08x, twice %08x, want the same, half of red and white", once, twice)
	}
	c.Layers[4].Values = nil
	c.Layers[4].Blend = "multiply"
	c.Layers[0].Backdrop.Stops[0].Colour = colour.RGB(0x808080)
	if p := draw(t, c, lib, "tall", 540, 960, 0).Pix[480*540+300]; p != 0xFF000080 {
		t.Errorf("red multiplied onto grey is %08x", p)
	}
}

func TestAGroupIsCutToItsBoundsOrToALayersOutline(t *testing.T) {
	c, lib := grouped(t, func(g *clip.Layer) { g.Inside.Clip = "bounds" })
	c.Layers[2].Tracks[clip.Position] = linear(0, v(200, 0))
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270, 426, 378, 534)

	c, lib = grouped(t, func(g *clip.Layer) { g.Inside.Clip = "hole" })
	hole := clip.NewLayer("hole", "Hole", clip.KindCard)
	hole.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: colour.RGB(0)}
	hole.Rest.Size, hole.Group = 150, "group"
	c.Layers = append(c.Layers[:3:3], hole, c.Layers[3])
	b := draw(t, c, lib, "tall", 540, 960, 0)
	lies(t, b, 270-40.5, 480-40.5, 270+40.5, 480+40.5)
	if _, _, _, _, n := red(b); math.Abs(float64(n)-math.Pi*40.5*40.5) > 40 {
		t.Errorf("%d pixels of a disc of radius 40.5 show", n)
	}
}

func TestAGroupCastsOneShadow(t *testing.T) {
	c, lib := grouped(t, func(g *clip.Layer) { g.Lift = 60 })
	c.Light.Direction, c.Light.Height, c.Light.Softness = -90, 45, 0 // falls 60 units to the right
	b := draw(t, c, lib, "tall", 540, 960, 0)
	if p := b.Pix[480*540+378+16]; p>>8&255 > 200 || p&255 > 200 {
		t.Errorf("16 pixels to the right of it there is %08x, want a shadow", p)
	}
	if p := b.Pix[480*540+378+60]; p != 0xFFFFFFFF {
		t.Errorf("60 pixels to the right there is %08x", p)
	}
}

func TestGroupsInGroups(t *testing.T) {
	c, lib := block(t)
	c.Layers[2].Group = "g1"
	for i := 1; i <= clip.MaxDepth; i++ {
		g := clip.NewGroup(fmt.Sprintf("g%d", i), "Group")
		g.Rest.X = 10
		if i < clip.MaxDepth {
			g.Group = fmt.Sprintf("g%d", i+1)
		}
		c.Layers = append(c.Layers, g)
	}
	d := 10 * clip.MaxDepth * 0.54
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 162+d, 426, 378+d, 534)
	outer := clip.NewGroup("g9", "One too many")
	c.Layers[len(c.Layers)-1].Group = "g9"
	c.Layers = append(c.Layers, outer)
	if err := c.Validate(); err == nil || !strings.Contains(err.Error(), "8 deep") {
		t.Errorf("nine groups deep: %v", err)
	}
}

func TestFollowingCarriesAround(t *testing.T) {
	c, lib := block(t)
	leader := clip.NewLayer("leader", "Leader", clip.KindCard)
	leader.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colour.RGB(0xFFFFFF)}
	leader.Rest.Size = 10
	leader.Tracks[clip.Rotation] = linear(0, v(90))
	leader.Tracks[clip.Position] = linear(0, v(0, -100))
	leader.Tracks[clip.Scale] = linear(0, v(50))
	c.Layers = append(c.Layers, leader)
	l := &c.Layers[2]
	l.Rest.X = 300
	place := func(f clip.Follow) Place {
		f.Layer = "leader"
		l.Follow = &f
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		s := Arrange(c, c.Shapes[0], lib)
		p, _ := s.place(s.byID["red-layer"], 0)
		return p
	}
	near := func(name string, p Place, x, y, w, turn float64) {
		t.Helper()
		if math.Abs(p.X-x)+math.Abs(p.Y-y) > 1e-6 || math.Abs(p.W-w) > 1e-6 || math.Abs(p.Turn-turn) > 1e-6 {
			t.Errorf("%s: it is at %g, %g, %g wide, turned by %g", name, p.X, p.Y, p.W, p.Turn)
		}
	}
	near("place", place(clip.Follow{Position: true}), 300, -100, 400, 0)
	near("turn", place(clip.Follow{Rotation: true}), 0, 300, 400, 90)
	near("scale", place(clip.Follow{Scale: true}), 150, 0, 200, 0)
	near("all", place(clip.Follow{Position: true, Rotation: true, Scale: true}), 0, 50, 200, 90)
}

func TestJustOutsideACornerIsOutside(t *testing.T) {
	for _, side := range motion.Sides[4:] {
		c, lib := block(t)
		l := &c.Layers[2]
		l.Rest.Turn = 20
		still(l, clip.Depth, 300)
		l.Tracks[clip.Position] = motion.Track{{At: timing.At(0), Value: v(0, 0), Off: side, Ease: motion.Ease{Kind: motion.Linear}}, {At: timing.At(20), Value: v(0, 0), Ease: motion.Ease{Kind: motion.Linear}}}
		for _, shape := range []string{"tall", "wide"} {
			s, _ := c.Shape(shape)
			if _, _, _, _, n := red(draw(t, c, lib, shape, s.W/4, s.H/4, 0)); n > 0 {
				t.Errorf("%s in %s: %d pixels show", side, shape, n)
			}
			if _, _, _, _, n := red(draw(t, c, lib, shape, s.W/4, s.H/4, 12)); n == 0 {
				t.Errorf("%s in %s: nothing has come in", side, shape)
			}
		}
	}
}

func TestAWindowShowsWhatIsBehind(t *testing.T) {
	c, lib := block(t)
	card := clip.NewLayer("card", "Card", clip.KindCard)
	card.Card = &clip.Card{Form: "card", Aspect: 1, Fills: true, Fill: colour.RGB(0x2C7A68), Hole: &clip.Hole{Form: "disc", Size: 150, Aspect: 1}}
	card.Rest = clip.Rest{Pin: "centre", Y: -20, Size: 1000}
	c.Layers[2].Rest.Y = -20
	c.Layers = append(c.Layers, card)
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 270-40.5, 469-40.5, 270+40.5, 469+40.5)
	// In another shape the window is where the product is.
	s, _ := c.Shape("wide")
	b := draw(t, c, lib, "wide", s.W/2, s.H/2, 0)
	x0, y0, x1, y1, _ := red(b)
	stage := Arrange(c, s, lib)
	p, _ := stage.place(stage.byID["red-layer"], 0)
	if cx, cy := float64(x0+x1)/2, float64(y0+y1)/2; math.Abs(cx-480-p.X*0.54) > 1 || math.Abs(cy-270-p.Y*0.54) > 1 {
		t.Errorf("the window's middle is at %g, %g, the product at %g, %g units", cx, cy, p.X, p.Y)
	}
}

func TestOutlinesAreDrawnOn(t *testing.T) {
	c, lib := block(t)
	line := clip.NewLayer("line", "Line", clip.KindCard)
	line.Card = &clip.Card{Form: "line", Aspect: 1, Outline: colour.RGB(0xFF0000)}
	line.Rest.Size = 600
	still(&line, clip.Outline, 20)
	still(&line, clip.DrawEnd, 50)
	c.Layers[2] = line
	// 600 units are 324 pixels from 108 on; the pen is 10.8 wide with round ends.
	lies(t, draw(t, c, lib, "tall", 540, 960, 0), 108-5.4, 480-5.4, 270+5.4, 480+5.4)
}

func TestColoursHaveKeys(t *testing.T) {
	c, lib := block(t)
	c.Layers[0].Tracks["colour1"] = linear(0, v(0, 0, 0, 255), 20, v(255, 255, 255, 255))
	c.Layers[2].Hidden = true
	if p := draw(t, c, lib, "tall", 54, 96, 10).Pix[0]; math.Abs(float64(p&255)-99) > 1 {
		t.Errorf("half-way from black to white the backdrop is %08x, want 99 as in CSS", p)
	}
}

func TestTheLightHasKeys(t *testing.T) {
	c, lib := block(t)
	c.Light.Tracks = map[string]motion.Track{clip.LightDirection: linear(0, v(-90), 30, v(90))}
	c.Light.Softness, c.Layers[2].Lift = 0, 60
	for frame, x := range map[int]int{0: 378 + 10, 30: 162 - 10} {
		if p := draw(t, c, lib, "tall", 540, 960, frame).Pix[480*540+x]; p == 0xFFFFFFFF {
			t.Errorf("on frame %d no shadow falls to %d", frame, x)
		}
	}
}

func TestTheGapOfALoop(t *testing.T) {
	c, lib := block(t)
	gap := func() LoopGap { return Arrange(c, c.Shapes[0], lib).LoopGap() }
	if g := gap(); g.Pixels != 0 || g.Sudden {
		t.Errorf("a still clip has a gap: %+v", g)
	}
	// 30 and 40 units are 50; at 1080 pixels a unit is 1.08.
	c.Layers[2].Tracks[clip.Position] = linear(0, v(0, 0), 59, v(30, 40))
	if g := gap(); math.Abs(g.Pixels-54) > 1e-9 || g.Layer != "red-layer" {
		t.Errorf("the gap is %+v, want 54 pixels", g)
	}
	c.Layers[2].Tracks = map[string]motion.Track{}
	c.Layers[2].From = timing.At(5)
	if g := gap(); !g.Sudden || g.Pixels < 400 {
		t.Errorf("a layer that appears: %+v", g)
	}
}

func TestPickGoesThroughTheStack(t *testing.T) {
	c, lib := block(t)
	twin := c.Layers[2].Clone()
	twin.ID = "front"
	c.Layers = append(c.Layers, twin)
	pick := func() string {
		s, err := Prepare(c, c.Shapes[0], 540, 960, lib)
		if err != nil {
			t.Fatal(err)
		}
		return strings.Join(s.Pick(0, 0, 0), " ")
	}
	if got := pick(); got != "front red-layer" {
		t.Errorf("there are %q", got)
	}
	c.Layers[3].Locked = true
	if got := pick(); got != "red-layer" {
		t.Errorf("with the front one locked there are %q", got)
	}
}

func TestEveryPropertyHasItsPlace(t *testing.T) {
	names := map[int]string{
		position: clip.Position, scale: clip.Scale, rotation: clip.Rotation, opacity: clip.Opacity, lift: clip.Lift, secondShadow: clip.SecondShadow, contact: clip.Contact, reflection: clip.Reflection, reflectionLength: clip.ReflectionLong, reflectionBlur: clip.ReflectionBlur, below: clip.Below, skew: clip.Skew, mirror: clip.Mirror,
		pivot: clip.Pivot, depth: clip.Depth, crop: clip.Crop, corner: clip.Corner, outline: clip.Outline,
		drawStart: clip.DrawStart, drawEnd: clip.DrawEnd, dashShift: clip.DashShift, cornersApart: clip.Corners, inner: clip.Inner, begin: clip.Begin, sweep: clip.Sweep, letterSpacing: clip.LetterSpacing, reveal: clip.Revealed,
		fillColour: clip.FillColour, emphasisColour: clip.EmphasisColour, plateColour: clip.PlateColour, outlineColour: clip.OutlineColour,
		fillAngle: clip.FillAngle, fillCentre: clip.FillCentre, fillReach: clip.FillReach, fillFlat: clip.FillFlat, time: clip.Time,
	}
	for i, name := range names {
		if clip.AllProperties[i].Name != name {
			t.Errorf("property %d is %s, want %s", i, clip.AllProperties[i].Name, name)
		}
	}
}
