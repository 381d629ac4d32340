package layout

import (
	"math"
	"testing"

	"billow/core/clip"
)

// What is in a group keeps its places to each other in every shape, whatever each part
// is pinned to, and so do parts of groups in it.
func TestPartsOfAGroupStayTogether(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Together", tall, 30, 90)
	outer, inner := clip.NewGroup("outer", "Outer"), clip.NewGroup("inner", "Inner")
	outer.Group, inner.Group = "scene", "outer"
	add := func(id, group, pin string, x, y float64) {
		l := clip.NewLayer(id, id, clip.KindCard)
		l.Card = &clip.Card{Form: "disc", Aspect: 1}
		l.Group, l.Rest = group, clip.Rest{Pin: pin, X: x, Y: y, Size: 100}
		c.Layers = append(c.Layers, l)
	}
	add("a", "outer", "centre", -100, 500)
	add("b", "outer", "bottom", 100, -300) // at 100, 588.9
	add("c", "inner", "right", -300, 550)  // at 200, 550
	add("alone", "scene", "right", -300, 550)
	c.Layers = append(c.Layers, inner, outer)
	for _, s := range c.Shapes[1:] {
		shrink := Shrink(c.Shapes[0], s)
		at := func(id string) [2]float64 {
			x, y := Centre(RestIn(c, c.Layer(id), s), s)
			return [2]float64{x, y}
		}
		home := func(id string) [2]float64 {
			x, y := Centre(c.Layer(id).Rest, c.Shapes[0])
			return [2]float64{x, y}
		}
		for _, id := range []string{"b", "c"} {
			for i := range 2 {
				if got, want := at(id)[i]-at("a")[i], (home(id)[i]-home("a")[i])*shrink; math.Abs(got-want) > 1e-9 {
					t.Errorf("in %s, %s lies %g from a on axis %d, want %g", s.ID, id, got, i, want)
				}
			}
			if r := RestIn(c, c.Layer(id), s); math.Abs(r.Size-100*shrink) > 1e-9 {
				t.Errorf("in %s, %s is %g large, want %g", s.ID, id, r.Size, 100*shrink)
			}
		}
		// The middle of all keeps its share of the frame where they are pinned differently.
		_, h := Extent(s)
		_, hh := Extent(c.Shapes[0])
		lo, hi := min(at("a")[1], at("b")[1]), max(at("a")[1], at("b")[1])
		hlo, hhi := min(home("a")[1], home("b")[1]), max(home("a")[1], home("b")[1])
		if got, want := (lo+hi)/2/h, (hlo+hhi)/2/hh; math.Abs(got-want) > 1e-9 {
			t.Errorf("in %s, the middle is at %g of the height, want %g", s.ID, got, want)
		}
		// What stands alone is pinned to its edge.
		w, _ := Extent(s)
		if got, want := w/2-at("alone")[0], 300*shrink; math.Abs(got-want) > 1e-9 {
			t.Errorf("in %s, what stands alone is %g from its edge, want %g", s.ID, got, want)
		}
	}
}

// A part that rests elsewhere in a shape by hand stays there, and a group of which all
// is pinned to one edge stays at that edge.
func TestAGroupAtAnEdgeStaysAtIt(t *testing.T) {
	tall, _ := clip.StandardShape("tall")
	wide, _ := clip.StandardShape("wide")
	c := clip.New("Edge", tall, 30, 90)
	g := clip.NewGroup("g", "G")
	g.Group = "scene"
	for _, id := range []string{"a", "b"} {
		l := clip.NewLayer(id, id, clip.KindCard)
		l.Card = &clip.Card{Form: "disc", Aspect: 1}
		l.Group, l.Rest = "g", clip.Rest{Pin: "bottom", X: map[string]float64{"a": -60, "b": 60}[id], Y: -120, Size: 100}
		c.Layers = append(c.Layers, l)
	}
	c.Layers = append(c.Layers, g)
	_, y := Centre(RestIn(c, c.Layer("a"), wide), wide)
	if want := 500 - 120*Shrink(tall, wide); math.Abs(y-want) > 1e-9 {
		t.Errorf("it is at %g, want %g", y, want)
	}
	c.Layer("b").Rests = map[string]clip.Rest{"wide": {Pin: "centre", X: 7, Y: 8, Size: 9}}
	if r := RestIn(c, c.Layer("b"), wide); r.X != 7 || r.Size != 9 {
		t.Errorf("by hand it rests at %+v", r)
	}
}
