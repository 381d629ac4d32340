package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
)

// A pivot put elsewhere on a turned, sized and skewed layer leaves every pixel where it is, and lies where it was put.
func TestAPivotPutElsewhereMovesNothing(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	l.Rest.Turn, l.Rest.X = 30, -40
	l.Tracks[clip.Scale] = linear(0, v(140, 70), 40, v(90, 80))
	still(l, clip.Skew, 12)
	l.Tracks[clip.Rotation] = linear(0, v(0), 40, v(60))
	before := draw(t, c, lib, "tall", 540, 960, 10)
	stage := Arrange(c, c.Shapes[0], lib)
	to, move, ok := stage.Repivot("red-layer", 10, 55, -120)
	if !ok {
		t.Fatal("the pivot cannot be put there")
	}
	l.Values[clip.Pivot] = to[:]
	l.Rest.X, l.Rest.Y = l.Rest.X+move[0], l.Rest.Y+move[1]
	pl := Arrange(c, c.Shapes[0], lib).Places(10, []string{"red-layer"})[0]
	if math.Hypot(pl.Pivot[0]-55, pl.Pivot[1]+120) > 1e-6 {
		t.Errorf("the pivot lies at %v", pl.Pivot)
	}
	after := draw(t, c, lib, "tall", 540, 960, 10)
	for i := range before.Pix {
		for shift := 0; shift < 24; shift += 8 {
			if d := int(before.Pix[i]>>shift&255) - int(after.Pix[i]>>shift&255); d > 1 || d < -1 {
				t.Fatalf("at %d,%d it was %08x and is %08x", i%540, i/540, before.Pix[i], after.Pix[i])
			}
		}
	}
}

// A card that covers the frame cuts a group to itself, but for its hole, which
// stays where the card's rest is.
func TestAMatteThatFillsTheFrameHasItsHoleInPlace(t *testing.T) {
	c, lib := block(t)
	g := clip.NewGroup("group", "Group")
	g.Inside.Clip = "card"
	card := clip.NewLayer("card", "Card", clip.KindCard)
	card.Card = &clip.Card{Form: "card", Aspect: 1, Fills: true, Fill: colour.RGB(0), Hole: &clip.Hole{Form: "disc", Size: 100, Aspect: 1}}
	card.Rest.X, card.Group = 100, "group"
	c.Layers[2].Group = "group"
	c.Layers = append(c.Layers, card, g)
	b := draw(t, c, lib, "tall", 540, 960, 0)
	// 100 units are 54 pixels: the hole lies about 324, 480, and the red block from 162 to 378.
	if p := b.Pix[480*540+324]; p != 0xFFFFFFFF {
		t.Errorf("in the hole there is %08x, want what lies behind", p)
	}
	for _, x := range []int{200, 270, 370} {
		if p := b.Pix[480*540+x]; p != 0xFF0000FF {
			t.Errorf("at %d there is %08x, want the product", x, p)
		}
	}
}
