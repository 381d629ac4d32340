package edit

import "testing"

// Layers come into a group right over what they rise from behind, wherever they were.
func TestLayersRiseFromBehindAnother(t *testing.T) {
	c := do(t, three(), `{"type":"riseBehind","layers":["a","c"],"behind":"b","id":"g"}`)
	in := c.Layer("g").Inside
	if in.Clip != "b" || !in.Free || in.Invert || in.By != "" {
		t.Errorf("the group is %+v", in)
	}
	if got, want := stackOf(c), "backdrop scene b g/a g/c g wa wb wc"; got != want {
		t.Errorf("the layers are %s, not %s", got, want)
	}
	for _, wrong := range []string{
		`{"type":"riseBehind","layers":["a","b"],"behind":"b","id":"g"}`, `{"type":"riseBehind","layers":["a"],"behind":"backdrop","id":"g"}`,
		`{"type":"riseBehind","layers":["a"],"behind":"gone","id":"g"}`, `{"type":"riseBehind","layers":[],"behind":"b","id":"g"}`,
	} {
		if _, err := Apply(three(), []byte(wrong)); err == nil {
			t.Errorf("%s is taken", wrong)
		}
	}
}
