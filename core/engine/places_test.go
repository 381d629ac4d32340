package engine

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
)

// Layers brought into line stand in one; a drag catches where gaps are equal and
// tells the distances.
func TestSeveralCardsAreAlignedAndFeelEqualGaps(t *testing.T) {
	e := opened(t)
	do(t, e, `{"type":"setRest","layer":"card","shape":"square","set":{"x":-300,"y":20,"size":100}}`)
	do(t, e, `{"type":"removeKeys","keys":[{"layer":"card","property":"rotation","frame":10},{"layer":"card","property":"rotation","frame":20}]}`)
	for _, id := range []string{"b", "c"} {
		do(t, e, `{"type":"copyLayer","layer":"card","id":"`+id+`"}`)
	}
	do(t, e, `{"type":"setRest","layer":"b","shape":"square","set":{"x":-100}}`)
	do(t, e, `{"type":"setRest","layer":"c","shape":"square","set":{"x":260,"y":60}}`)
	at := func(id string) frame.Place {
		return answered[Places](t, e, "places", Looking{Shape: "square", Layers: []string{id}}).Places[0]
	}
	moved := answered[[]Shift](t, e, "align", Lining{"square", 0, []string{"card", "b", "c"}, "bottom"})
	for _, m := range moved {
		want := 40.0
		if m.Layer == "c" {
			want = 0
		}
		if math.Abs(m.DY-want) > 1e-6 || m.DX != 0 {
			t.Errorf("%s goes by %.2f, %.2f", m.Layer, m.DX, m.DY)
		}
	}
	if _, err := asked(e, "align", Lining{"square", 0, []string{"b"}, "askew"}); err == nil {
		t.Error("askew is a way of aligning")
	}
	// From -300 over -100 to 100: dragged there but for 4 units, the third is caught.
	got := answered[Caught](t, e, "snap", Drag{Shape: "square", Layers: []string{"c"}, DX: 100 - 260 + 4, DY: -40, Reach: 6})
	if math.Abs(got.DX-(100-260)) > 1e-6 {
		t.Errorf("it is dragged by %.2f, want %.2f", got.DX, 100.0-260)
	}
	equal := 0
	for _, g := range got.Gaps {
		if g.Equal && math.Abs(g.X1-g.X0-(200-at("b").W)) < 1e-6 {
			equal++
		}
	}
	if equal != 2 {
		t.Errorf("it tells the distances %+v", got.Gaps)
	}
}

func TestADraftIsPutWhereItWasDropped(t *testing.T) {
	e := opened(t)
	wide, _ := clip.StandardShape("wide")
	do(t, e, `{"type":"setClip","shapes":[{"id":"square","w":1080,"h":1080},{"id":"`+wide.ID+`","w":1920,"h":1080}]}`)
	for _, shape := range []string{"square", "wide"} {
		l := answered[clip.Layer](t, e, "draft", Draft{Kind: clip.KindCard, Shape: shape, At: &[2]float64{-320, 210}})
		e.kept = e.kept.Clone()
		e.kept.Layers = append(e.kept.Layers, l)
		e.show(e.kept)
		p := answered[Places](t, e, "places", Looking{Shape: shape, Layers: []string{l.ID}}).Places[0]
		if math.Hypot(p.X+320, p.Y-210) > 1e-6 {
			t.Errorf("in %s it stands at %.2f, %.2f", shape, p.X, p.Y)
		}
	}
}
