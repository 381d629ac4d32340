package store_test

import (
	"encoding/json"
	"testing"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/store"
)

// Cuts come along with a clip: they lie on the Bench as they did where they were made, the part
// with its whole, unchanged since, and a second time nothing is laid there twice.
func TestCutsComeAlong(t *testing.T) {
	ctx := t.Context()
	photo := pictureProp(t, db, "Tin on a table", "40", 400, 300)
	whole := pictureProp(t, db, "Tin", "41", 200, 150)
	part := pictureProp(t, db, "Label", "42", 50, 40)
	stroke := func(x float64) cutout.Order {
		return cutout.Order{Strokes: []cutout.Stroke{{Stays: true, Seeks: true, Radius: 4, Points: [][2]float64{{x, 2}}}}}
	}
	came := []cutout.Kept{
		{Name: "Tin on a table", Photo: photo.Hash, Order: stroke(1), Result: whole.Hash, At: [2]int{20, 30}, Found: cutout.Found{Method: cutout.Mixed, Confidence: .5}, Looked: true},
		{Name: "Part of tin", Photo: photo.Hash, Order: stroke(7), Result: part.Hash, At: [2]int{60, 70}, PartOf: 1},
	}
	for range 2 {
		if err := db.Adopt(ctx, came); err != nil {
			t.Fatal(err)
		}
	}
	all, err := db.Cuts(ctx)
	if err != nil {
		t.Fatal(err)
	}
	of := map[string]store.Cut{}
	for _, c := range all {
		if c.Photo == photo.Hash {
			if _, twice := of[*c.Result]; twice {
				t.Errorf("%s lies there twice", c.Name)
			}
			of[*c.Result] = c
		}
	}
	w, p := of[whole.Hash], of[part.Hash]
	if len(of) != 2 || p.PartOf != w.ID || w.Changed || p.Changed || !w.Looked || w.At != [2]int{20, 30} {
		t.Errorf("they lie there as %+v and %+v", w, p)
	}
	var o cutout.Order
	if err := json.Unmarshal(w.Order, &o); err != nil || len(o.Out) != 1 || o.Out[0].Strokes[0].Points[0][0] != 7 {
		t.Errorf("the whole is wanted as %s, %v", w.Order, err)
	}
	// A clip that shows only the part takes the whole along.
	square, _ := clip.StandardShape("square")
	c := clip.New("Label", square, 30, 30)
	c.Props = []clip.Prop{part}
	goes, err := db.KeptWith(ctx, c.Hashes())
	if err != nil {
		t.Fatal(err)
	}
	want, _ := json.Marshal(came)
	if got, _ := json.Marshal(goes); string(got) != string(want) {
		t.Errorf("what goes along is\n%s, it came as\n%s", got, want)
	}
	if shown := cutout.ShownIn(came, c); len(shown) != 2 {
		t.Errorf("of a list %d are said to be shown", len(shown))
	}
}
