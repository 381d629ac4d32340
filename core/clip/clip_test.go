package clip

import (
	"billow/core/timing"
	"encoding/json"
	"errors"
	"os"
	"strings"
	"testing"
)

func empty() *Clip {
	tall, _ := StandardShape("tall")
	return New("Empty", tall, 30, 60)
}

func TestANewClipIsValidAndReadsBack(t *testing.T) {
	for _, s := range Standard {
		c := New("A clip", s, 25, 100)
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		again, err := Parse(c.Encode())
		if err != nil || string(again.Encode()) != string(c.Encode()) {
			t.Errorf("%s does not read back: %v", s.ID, err)
		}
		if c.Shapes[0].ID != s.ID {
			t.Errorf("made for %s, its first shape is %s", s.ID, c.Shapes[0].ID)
		}
	}
}

func TestWhatIsWrongIsNamed(t *testing.T) {
	for field, change := range map[string]func(c *Clip){
		"name":                            func(c *Clip) { c.Name = " " },
		"layers":                          func(c *Clip) { c.Layers = c.Layers[:1] },
		"layers[scene].scene":             func(c *Clip) { c.Layers[1].Scene.Frames = 0 },
		"shapes[0]":                       func(c *Clip) { c.Shapes[0].W = 1081 },
		"shapes[1].id":                    func(c *Clip) { c.Shapes[1].ID = c.Shapes[0].ID },
		"light.height":                    func(c *Clip) { c.Light.Height = 5 },
		"layers[0].id":                    func(c *Clip) { c.Layers[0].ID = "a b" },
		"layers[backdrop].blend":          func(c *Clip) { c.Layers[0].Blend = "dazzle" },
		"layers[backdrop].kind":           func(c *Clip) { c.Layers[0].Backdrop = nil },
		"layers[backdrop].backdrop.stops": func(c *Clip) { c.Layers[0].Backdrop.Stops = nil },
		"sounds[tune].prop":               func(c *Clip) { c.SetTune(&SoundTrack{Prop: "gone"}) },
		"poster":                          func(c *Clip) { c.Poster = new(timing.At(60)) },
		"tempo":                           func(c *Clip) { c.Tempo.BPM = 0 },
	} {
		c := empty()
		change(c)
		var f *FieldError
		if err := c.Validate(); !errors.As(err, &f) || f.Field != field {
			t.Errorf("%s: the error is %v", field, err)
		}
	}
}

func TestUnknownFieldsAndVersionsAreRefused(t *testing.T) {
	good := string(empty().Encode())
	for bad, says := range map[string]string{
		strings.Replace(good, `"rate":30`, `"rate":30,"speed":2`, 1): "speed",
		strings.Replace(good, `"version":2`, `"version":3`, 1):       "version 3",
		strings.Replace(good, `"rate":30`, `"rate":"30"`, 1):         "rate",
		good + good:       "this is not a clip",
		"":                "this is not a clip",
		`{"version":"x"}`: "this is not a clip",
	} {
		if _, err := Parse([]byte(bad)); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("the error is %v, want one with %q", err, says)
		}
	}
}

func TestACloneSharesNothing(t *testing.T) {
	c := empty()
	before := string(c.Encode())
	d := c.Clone()
	d.Layers[0].Backdrop.Stops[0].At = 50
	d.Layers[0].Tracks[Opacity] = nil
	d.Shapes[0].W = 2
	if string(c.Encode()) != before {
		t.Error("changing the clone changed the clip")
	}
}

func TestThePublishedSchemaIsTheCurrentOne(t *testing.T) {
	b, err := os.ReadFile("../../docs/clip.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	if string(b) != string(Schema()) {
		t.Error("docs/clip.schema.json is not what `billow schema` prints now")
	}
	var s struct {
		Properties map[string]any                                 `json:"properties"`
		Ref        string                                         `json:"$ref"`
		Defs       map[string]struct{ Properties map[string]any } `json:"$defs"`
	}
	if err := json.Unmarshal(b, &s); err != nil {
		t.Fatal(err)
	}
	var doc map[string]any
	if err := json.Unmarshal(empty().Encode(), &doc); err != nil {
		t.Fatal(err)
	}
	for name := range doc {
		if s.Defs["Clip"].Properties[name] == nil {
			t.Errorf("the schema does not know %q", name)
		}
	}
}

func FuzzParse(f *testing.F) {
	f.Add(string(empty().Encode()))
	f.Add(string(rich().Encode()))
	f.Add(`{"version":1}`)
	f.Fuzz(func(t *testing.T, s string) {
		c, err := Parse([]byte(s))
		if err == nil && string(c.Clone().Encode()) != string(c.Encode()) {
			t.Error("a clone is written differently")
		}
		if err == nil {
			if again, err := Parse(c.Encode()); err != nil || string(again.Encode()) != string(c.Encode()) {
				t.Errorf("it does not read back: %v", err)
			}
		}
	})
}
