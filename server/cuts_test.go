package server_test

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"net/http"
	"strings"
	"testing"

	"billow/media"
)

// onPaper is a photo of 60 by 50 pixels: a red square, 20..40 across and 15..35 down, on white.
// Another seed is another photo.
func onPaper(t *testing.T, seed uint8, thing bool) []byte {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 60, 50))
	for y := range 50 {
		for x := range 60 {
			c := color.NRGBA{240, 240, 236, 255}
			if thing && x >= 20 && x < 40 && y >= 15 && y < 35 {
				c = color.NRGBA{180, seed, 40, 255}
			}
			m.SetNRGBA(x, y, c)
		}
	}
	m.SetNRGBA(0, 0, color.NRGBA{240, 240, 230 + seed%8, 255})
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// laid brings a file in and lays it on the Bench.
func laid(t *testing.T, name string, b []byte) string {
	t.Helper()
	status, prop := ask(t, "POST", "/api/props?name="+name, b)
	if status != http.StatusCreated {
		t.Fatalf("%s: %d %v", name, status, prop)
	}
	status, cut := ask(t, "POST", "/api/cuts", map[string]any{"photo": prop["hash"], "name": prop["name"]})
	if status != http.StatusOK {
		t.Fatalf("%s on the Bench: %d %v", name, status, cut)
	}
	return cut["id"].(string)
}

func TestAPhotoIsCutByItsOrder(t *testing.T) {
	id := laid(t, "square.png", onPaper(t, 30, true))
	status, made := ask(t, "POST", "/api/cuts/"+id+"/make", map[string]any{"looked": true})
	if status != http.StatusOK || made["needsLook"] != false || made["changed"] != false {
		t.Fatalf("it is made: %d %v", status, made)
	}
	picture := made["prop"].(map[string]any)["picture"].(map[string]any)
	if w, h := picture["w"].(float64), picture["h"].(float64); w < 19 || w > 23 || h < 19 || h > 23 || fmt.Sprint(made["at"]) < "[18" {
		t.Errorf("a square of 20 pixels is cut out as %g by %g, at %v", w, h, made["at"])
	}
	first := made["result"]
	box := map[string]any{"box": []int{22, 17, 10, 10}, "edge": map[string]any{}}
	if status, out := ask(t, "PUT", "/api/cuts/"+id+"/order", box); status != http.StatusNoContent {
		t.Fatalf("another order: %d %v", status, out)
	}
	if _, out := ask(t, "GET", "/api/cuts/"+id, nil); out["changed"] != true {
		t.Errorf("after another order it is %v", out)
	}
	if status, made = ask(t, "POST", "/api/cuts/"+id+"/make", map[string]any{}); status != http.StatusOK || made["result"] == first {
		t.Errorf("made again: %d %v", status, made)
	}
}

func TestWhatCannotBeCutIsRefusedWithAReason(t *testing.T) {
	id := laid(t, "again.png", onPaper(t, 90, true))
	for _, c := range []struct{ order, says string }{
		{`{"edge": {"shift": 99}}`, "edge.shift: "},
		{`{"edge": {}, "box": [900000, 0, 5, 5]}`, "box: "},
		{`{"edge": {}, "strokes": [{"points": []}]}`, "strokes[0]: "},
		{`{"edge": {}, "turn": 400}`, "turn: "},
		{`{"edge": {}, "heals": [{"x": 1, "y": 1, "radius": 9000}]}`, "heals[0]: "},
		{`{"edges": {}}`, "edges: "},
	} {
		if status, out := ask(t, "PUT", "/api/cuts/"+id+"/order", c.order); status != http.StatusUnprocessableEntity || !strings.HasPrefix(field(out), c.says) {
			t.Errorf("%s: %d %s", c.order, status, field(out))
		}
	}
	empty := laid(t, "white.png", onPaper(t, 1, false))
	if status, out := ask(t, "POST", "/api/cuts/"+empty+"/make", map[string]any{}); status != http.StatusUnprocessableEntity || !strings.Contains(field(out), "nothing to be seen") {
		t.Errorf("all white: %d %s", status, field(out))
	}
	_, tune := ask(t, "POST", "/api/props?name=still.wav", media.WAV(make([]float32, 2*48000*2)))
	for want, in := range map[int]map[string]any{
		http.StatusUnprocessableEntity: {"photo": tune["hash"], "name": "Tune"},
		http.StatusNotFound:            {"photo": strings.Repeat("0", 64), "name": "Gone"},
	} {
		if status, out := ask(t, "POST", "/api/cuts", in); status != want {
			t.Errorf("%v lies on the Bench: %d %v", in, status, out)
		}
	}
	for _, path := range []string{"POST /api/cuts/gone/make", "PUT /api/cuts/gone/order", "DELETE /api/cuts/gone", "GET /api/cuts/gone", "POST /api/cuts/gone/parts"} {
		method, path, _ := strings.Cut(path, " ")
		if status, _ := ask(t, method, path, map[string]any{}); status != http.StatusNotFound {
			t.Errorf("%s %s is answered with %d", method, path, status)
		}
	}
}
