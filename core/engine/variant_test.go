package engine

import (
	"encoding/json"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
)

// A variant that is worked on by itself is what is seen and drawn; what is done is kept as an
// adjustment of it, taken back as such, followed by selected keys, and gone when all are worked on.
func TestAVariantIsWorkedOnByItself(t *testing.T) {
	e := opened(t)
	do(t, e, `{"type":"setRange","products":[{"id":"tin","name":"Tin","price":"5","oldPrice":"","currency":"EUR"}]}`)
	do(t, e, `{"type":"setVariants","products":["tin"]}`)
	tin := clip.Variant{Product: "tin", Shape: "square"}
	answered[bool](t, e, "alone", Alone{&tin})
	if e.shown.Shown != "tin" {
		t.Errorf("%q is shown", e.shown.Shown)
	}
	adjust := func(command string) string {
		raw, err := json.Marshal(map[string]any{"type": "adjust", "product": "tin", "shape": "square", "command": json.RawMessage(command)})
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	keys := answered[Applied](t, e, "apply", Wish{Keep: true, Command: json.RawMessage(adjust(`{"type":"moveKeys","keys":[{"layer":"card","property":"rotation","frame":20}],"by":5}`)), ID: "moved", Keys: []edit.KeyRef{{Layer: "card", Property: clip.Rotation, Frame: 20}}}).Keys
	if len(keys) != 1 || keys[0].Frame != 25 {
		t.Errorf("the selected keys are %+v", keys)
	}
	a := do(t, e, adjust(`{"type":"setLayer","layer":"card","set":{"lift":77}}`))
	if a.Clip == nil || a.Clip.Layer("card").Lift != 77 || e.whole.Layer("card").Lift == 77 || len(e.whole.Variants.Cells) != 1 {
		t.Errorf("it answers %+v", a)
	}
	undo, err := json.Marshal(map[string]any{"type": "undo", "changes": a.Undo})
	if err != nil {
		t.Fatal(err)
	}
	do(t, e, string(undo))
	if e.shown.Layer("card").Lift == 77 || len(e.whole.Variants.Cells[0].Commands) != 1 {
		t.Errorf("it was not taken back: %+v", e.whole.Variants.Cells)
	}
	if _, err := asked(e, "alone", Alone{&clip.Variant{Product: "nobody", Shape: "square"}}); err == nil {
		t.Error("a variant that is not there is worked on")
	}
	answered[bool](t, e, "alone", Alone{})
	if got := e.shown.Layer("card").Tracks["rotation"][1].At.Frames; e.shown != e.whole || got != 20 {
		t.Errorf("all have a key at %d", got)
	}
}

// What is made of products' terms is told, and of those alone that are asked for.
func TestTermsAreTold(t *testing.T) {
	e := opened(t)
	do(t, e, `{"type":"setRange","products":[{"id":"tin","name":"Honey tin","price":"8","oldPrice":"6","contents":"2 kg","currency":"EUR"},{"id":"pan","name":"Pan","price":"9","oldPrice":"12","currency":"EUR"}]}`)
	do(t, e, `{"type":"setClip","language":"de"}`)
	v, err := asked(e, "quoted", []string{"tin"})
	if err != nil {
		t.Fatal(err)
	}
	got, err := json.Marshal(v)
	if want := "[{\"id\":\"tin\",\"first\":\"Honey\",\"second\":\"tin\",\"price\":\"8,00\u00a0€\",\"percent\":\"\",\"base\":\"4,00\u00a0€/kg\"," + `"mistakes":[{"field":"oldPrice","says":"the old price €6.00 is not above the price €8.00","wrong":true}]}]`; err != nil || string(got) != want {
		t.Errorf("%s, want %s", got, want)
	}
	fields := answered[map[string]string](t, e, "filledFields", "pan")
	if fields["percent"] != "25\u00a0%" || fields["saving"] != "3,00\u00a0€" || fields["first"] != "Pan" {
		t.Errorf("%v", fields)
	}
}
