package engine

import (
	"math"
	"testing"

	"billow/core/clip"
)

// What is drawn around a part of a layer that is turned and away from the middle becomes a mask
// in the layer's own units.
func TestAMaskIsDrawnOverALayer(t *testing.T) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Drawn", square, 30, 60)
	l := clip.NewLayer("card", "Card", clip.KindCard)
	l.Card = &clip.Card{Form: "card", Aspect: 1}
	l.Rest.Size, l.Rest.X, l.Rest.Turn, l.Group = 400, 100, 90, "scene"
	c.Layers = append(c.Layers, l)
	e := New(nil)
	if _, err := open(e, Document{c.Encode()}); err != nil {
		t.Fatal(err)
	}
	var hand [][2]float64
	for i := range 200 { // a circle of 100 units, 100 to the right of the card's middle
		a := float64(i) / 200 * 2 * math.Pi
		hand = append(hand, [2]float64{200 + 100*math.Cos(a), 100 * math.Sin(a)})
	}
	m, err := sketchMask(e, Around{Sketch{Shape: "square", Hand: hand}, "card"})
	if err != nil {
		t.Fatal(err)
	}
	// Turned by a quarter, what is to the right of it lies above its middle.
	if math.Abs(m.X) > 6 || math.Abs(m.Y+100) > 6 || math.Abs(m.W-200) > 12 || math.Abs(m.H-200) > 12 || !m.Path.Closed {
		t.Errorf("the mask is %+v", m)
	}
	for what, in := range map[string]Around{
		"no layer": {Sketch{Shape: "square", Hand: hand}, "gone"}, "no line": {Sketch{Shape: "square"}, "card"},
		"no number": {Sketch{Shape: "square", Hand: [][2]float64{{0, 0}, {math.NaN(), 1}, {500, 2}}}, "card"},
	} {
		if _, err := sketchMask(e, in); err == nil {
			t.Errorf("with %s there is a mask", what)
		}
	}
}
