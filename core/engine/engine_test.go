package engine

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/words"
)

// opened is an engine with a clip of one card with two keys and one cut-out.
func opened(t *testing.T) *Engine {
	t.Helper()
	square, _ := clip.StandardShape("square")
	c := clip.New("Opened", square, 30, 60)
	card := clip.Draft(c, clip.KindCard, "", "", "")
	c.Layers = append(c.Layers, card)
	hash := strings.Repeat("a", 64)
	c.Props = []clip.Prop{{ID: "mug", Name: "Mug", Kind: clip.KindCutout, Hash: hash, Media: "image/png", Picture: &clip.Picture{W: 4, H: 4, Visible: [4]int{0, 0, 4, 4}}}}
	e := New(frame.NewLibrary(words.NewFonts(), 1<<20))
	answered[bool](t, e, "open", c)
	for _, f := range []string{"10", "20"} {
		do(t, e, `{"type":"setKey","layer":"card","property":"rotation","key":{"at":`+f+`,"value":[5],"ease":{"kind":"linear"}}}`)
	}
	return e
}

// asked asks as the page does, in JSON.
func asked(e *Engine, method string, in any) (any, error) {
	arg, err := json.Marshal(in)
	if err != nil {
		return nil, err
	}
	return e.Call(method, arg, nil)
}

func answered[T any](t *testing.T, e *Engine, method string, in any) T {
	t.Helper()
	got, err := asked(e, method, in)
	if err != nil {
		t.Fatalf("%s: %v", method, err)
	}
	return got.(T)
}

func do(t *testing.T, e *Engine, command string, keys ...edit.KeyRef) Applied {
	t.Helper()
	return answered[Applied](t, e, "apply", Wish{Command: json.RawMessage(command), Keep: true, ID: command[:12], Keys: keys})
}

func TestAKeptCommandTellsHowItIsTakenBack(t *testing.T) {
	e := opened(t)
	a := do(t, e, `{"type":"setLayer","layer":"card","set":{"lift":77}}`)
	if len(a.Layers) != 1 || a.Layers[0].Lift != 77 || a.Clip != nil {
		t.Fatalf("it answers %+v", a)
	}
	undo, err := json.Marshal(map[string]any{"type": "undo", "changes": a.Undo})
	if err != nil {
		t.Fatal(err)
	}
	if a = do(t, e, string(undo)); e.kept.Layer("card").Lift == 77 {
		t.Error("it was not taken back")
	}
	if len(e.waiting) != 4 {
		t.Errorf("%d commands wait for the server, want 4", len(e.waiting))
	}
}

func TestAShownCommandIsNotKept(t *testing.T) {
	e := opened(t)
	a := answered[Applied](t, e, "apply", Wish{Command: json.RawMessage(`{"type":"setLayer","layer":"card","set":{"lift":77}}`)})
	if a.Layers[0].Lift != 77 || e.kept.Layer("card").Lift == 77 || a.Undo != nil {
		t.Errorf("it answers %+v", a)
	}
}

func TestSelectedKeysAreFollowed(t *testing.T) {
	e := opened(t)
	first := edit.KeyRef{Layer: "card", Property: clip.Rotation, Frame: 10}
	second := edit.KeyRef{Layer: "card", Property: clip.Rotation, Frame: 20}
	do(t, e, `{"type":"removeKeys","keys":[{"layer":"card","property":"rotation","frame":10}]}`)
	a := do(t, e, `{"type":"setClip","rate":60}`, first, second)
	if len(a.Keys) != 1 || a.Keys[0].Frame != 40 {
		t.Errorf("of a key that is gone and one that lies elsewhere there are %v", a.Keys)
	}
}

func TestPicturesAreNamedWhenTheyAreNeeded(t *testing.T) {
	e := opened(t)
	if got := e.shown.Pictures(); len(got) != 0 {
		t.Errorf("a clip without cut-outs needs %v", got)
	}
	draft := answered[clip.Layer](t, e, "draft", Draft{Kind: clip.KindCutout, Prop: "mug", Name: "Mug"})
	add, err := json.Marshal(map[string]any{"type": "addLayer", "layer": draft})
	if err != nil {
		t.Fatal(err)
	}
	a := do(t, e, string(add))
	if len(a.Needs) != 1 || a.Needs[0] != strings.Repeat("a", 64) {
		t.Errorf("it needs %v", a.Needs)
	}
	if _, err := asked(e, "draw", Drawing{Shape: "square", W: 8, H: 8}); err == nil || !strings.Contains(err.Error(), "Mug") {
		t.Errorf("without the picture drawing says %v", err)
	}
	if _, err := asked(e, "follow", Wish{Command: json.RawMessage(`{"type":"removeLayer","layer":"` + draft.ID + `"}`), Keep: true}); err != nil {
		t.Fatal(err)
	}
	if got := answered[Bytes](t, e, "draw", Drawing{Shape: "square", W: 8, H: 8}); len(got) != 4*8*8 {
		t.Errorf("a picture of 8 by 8 has %d bytes", len(got))
	}
}

func TestBadQuestionsAreRefusedInWords(t *testing.T) {
	e := opened(t)
	for method, arg := range map[string]string{
		"dance": `null`, "apply": `{"command":{"type":"dance"}}`, "draw": `{"shape":"square","w":0,"h":5}`, "path": `{"shape":"none"}`,
		"keyHere": `{"layer":"none","property":"rotation"}`, "room": `{"keys":[{"layer":"card","property":"rotation","frame":3}]}`,
		"time": `"whenever"`, "moment": `"b"`, "snap": `[]`, "open": `{"version":99}`,
		"ghosts": `{"shape":"square","w":4,"h":4,"layer":"card","frames":[1,2,3,4,5,6,7,8,9,10,11,12,13]}`,
	} {
		if _, err := e.Call(method, []byte(arg), nil); err == nil || err.Error() == "" {
			t.Errorf("%s %s was answered", method, arg)
		}
	}
	empty := New(frame.NewLibrary(words.NewFonts(), 1<<20))
	// These bring the clip, or are about words that come with the question.
	without := []string{"open", "reopen", "picture", "solo", "shadows", "lookAs", "whole", "letters", "write", "style", "wayOf", "retryFonts"}
	for method, m := range Methods {
		if slices.Contains(without, method) {
			continue
		}
		arg := "{}"
		switch m.In.Kind().String() {
		case "string":
			arg = `"x"`
		case "ptr":
			arg = "null"
		}
		if _, err := empty.Call(method, []byte(arg), nil); err == nil {
			t.Errorf("%s was answered without a clip", method)
		}
	}
}

// A product that is changed is told alone, without the others, and so is what takes it back; one
// that comes or goes is told with the whole clip.
func TestAChangedProductIsToldAlone(t *testing.T) {
	e := opened(t)
	for _, id := range []string{"tea", "oil"} {
		if a := do(t, e, `{"type":"setProduct","product":{"id":"`+id+`","name":"`+id+`","price":"5.00","currency":"EUR"}}`); a.Clip == nil || len(a.Clip.Products) == 0 {
			t.Fatalf("a product that is new is told as %+v", a)
		}
	}
	a := do(t, e, `{"type":"setProduct","product":{"id":"oil","name":"oil","price":"7.5","currency":"EUR"}}`)
	if a.Clip != nil || len(a.Products) != 1 || a.Products[0].ID != "oil" || a.Products[0].Price != "7.50" || len(a.Layers) != 0 {
		t.Errorf("a price is told as %+v", a)
	}
	back, err := json.Marshal(a.Undo)
	if err != nil {
		t.Fatal(err)
	}
	a = do(t, e, `{"type":"undo","changes":`+string(back)+`}`)
	if a.Clip != nil || len(a.Products) != 1 || a.Products[0].Price != "5.00" {
		t.Errorf("taken back it is told as %+v", a)
	}
	if _, err := asked(e, "apply", Wish{Command: json.RawMessage(`{"type":"setProduct","product":{"id":"oil","name":"oil","price":"-1","currency":"EUR"}}`)}); err == nil {
		t.Error("a price below nothing is taken")
	}
	if a = do(t, e, `{"type":"setRange","remove":["tea"]}`); a.Clip == nil || len(a.Clip.Products) != 1 {
		t.Errorf("a product that goes is told as %+v", a)
	}
}
