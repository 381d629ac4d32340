package colour

import (
	"encoding/json"
	"testing"
)

func TestColoursReadAndWrite(t *testing.T) {
	for text, want := range map[string]Colour{
		"#dd4f28": {0xDD, 0x4F, 0x28, 255}, "#DD4F28": {0xDD, 0x4F, 0x28, 255}, "#00000080": {0, 0, 0, 128},
	} {
		c, err := Parse(text)
		if err != nil || c != want {
			t.Errorf("%s is %v (%v)", text, c, err)
		}
	}
	if s := RGB(0xDD4F28).String(); s != "#dd4f28" {
		t.Errorf("buoy is written %s", s)
	}
	if s := RGB(0xDD4F28).WithAlpha(0.5).String(); s != "#dd4f2880" {
		t.Errorf("half of buoy is written %s", s)
	}
	for _, bad := range []string{"", "red", "#fff", "dd4f28", "#dd4f2", "#dd4f28ff00", "#gggggg"} {
		if c, err := Parse(bad); err == nil {
			t.Errorf("%q was read as %v", bad, c)
		}
	}
}

func TestColoursInJSON(t *testing.T) {
	var c Colour
	if err := json.Unmarshal([]byte(`"#2c7a68"`), &c); err != nil || c != RGB(0x2C7A68) {
		t.Errorf("it is %v (%v)", c, err)
	}
	for _, bad := range []string{`5`, `null5`, `"kelp"`, `{}`} {
		before := c
		if json.Unmarshal([]byte(bad), &c) == nil || c != before {
			t.Errorf("%s was taken", bad)
		}
	}
}
