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

	"billow/core/layered"
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

// A photo's shadow comes with its cut when that is wanted, and a path cuts exactly.
func TestAShadowComesWithTheCut(t *testing.T) {
	m := image.NewNRGBA(image.Rect(0, 0, 160, 120))
	for y := range 120 {
		for x := range 160 {
			c := color.NRGBA{236, 240, 244, 255}
			if x >= 50 && x < 110 && y >= 70 && y < 100 {
				c = color.NRGBA{165, 168, 171, 255} // seven tenths of it
			}
			if x >= 40 && x < 90 && y >= 30 && y < 80 {
				c = color.NRGBA{180, 60, 40, 255}
			}
			m.SetNRGBA(x, y, c)
		}
	}
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	id := laid(t, "shaded.png", b.Bytes())
	if status, out := ask(t, "PUT", "/api/cuts/"+id+"/order", map[string]any{"edge": map[string]any{}, "shadow": true}); status != http.StatusNoContent {
		t.Fatalf("%d %v", status, out)
	}
	_, made := ask(t, "POST", "/api/cuts/"+id+"/make", map[string]any{"looked": true})
	shade, _ := made["shade"].(map[string]any)
	if shade == nil || shade["name"] != "Shadow of shaded" || made["shadow"] != shade["hash"] {
		t.Fatalf("it is made as %v", made)
	}
	if at := made["shadowAt"].([]any); at[0].(float64) < 30 || at[0].(float64) > 55 || at[1].(float64) > 75 {
		t.Errorf("the shadow lies at %v", at)
	}
	path := [][][4]float64{{{40, 30, 0, 0}, {90, 30, 0, 0}, {90, 80, 0, 0}, {40, 80, 0, 0}}}
	ask(t, "PUT", "/api/cuts/"+id+"/order", map[string]any{"edge": map[string]any{}, "pen": path})
	_, made = ask(t, "POST", "/api/cuts/"+id+"/make", map[string]any{"looked": true})
	picture := made["prop"].(map[string]any)["picture"].(map[string]any)
	if picture["w"] != 50. || picture["h"] != 50. || fmt.Sprint(made["at"]) != "[40 30]" || made["shadow"] != nil {
		t.Errorf("along a path of 50 by 50 pixels it is made as %v", made)
	}
	status, out := ask(t, "PUT", "/api/cuts/"+id+"/order", map[string]any{"edge": map[string]any{}, "pen": [][][4]float64{{{1, 1, 0, 0}}}})
	if status != http.StatusUnprocessableEntity && status != http.StatusBadRequest {
		t.Errorf("a path of one node gives %d %v", status, out)
	}
}

// A layered picture is many props, and the layers that show them.
func TestALayeredPictureIsBroughtIn(t *testing.T) {
	p := &layered.Picture{W: 60, H: 50, Layers: []layered.Layer{
		{Name: "below", Opacity: 1, Blend: "normal", PNG: onPaper(t, 71, true)}, {Name: "above", X: 4, Opacity: .5, Blend: "multiply", PNG: onPaper(t, 72, true)},
	}}
	var b bytes.Buffer
	if err := layered.Write(&b, p, nil, nil); err != nil {
		t.Fatal(err)
	}
	status, out := ask(t, "POST", "/api/props?name=Set.ora", b.Bytes())
	if status != http.StatusCreated || len(out["props"].([]any)) != 2 || len(out["layers"].([]any)) != 3 {
		t.Errorf("%d %v", status, out)
	}
	status, out = ask(t, "POST", "/api/props?name=Set.ora", b.Bytes()[:200])
	if status != http.StatusUnprocessableEntity && status != http.StatusBadRequest || !strings.Contains(field(out), "Set.ora") {
		t.Errorf("cut off: %d %v", status, out)
	}
}
