package server_test

import (
	"encoding/json"
	"net/http"
	"strings"
	"testing"

	"billow/core/clip"
)

// Words that ask for what nothing fills keep a clip from being exported, and it is said what to
// do. Once they are filled, or hidden, it goes on.
func TestAMissingFieldStopsAnExport(t *testing.T) {
	id := newClip(t)
	words := clip.NewWords("says", "Weight line", clip.KindWords, "only {weight}")
	words.Words.Product = "mug"
	words.Group = "scene"
	raw, err := json.Marshal(words)
	if err != nil {
		t.Fatal(err)
	}
	mug := `{"type":"setProduct","product":{"id":"mug","name":"Enamel mug","price":"14.90","oldPrice":"","currency":"EUR"}}`
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, mug, `{"type":"addLayer","layer":`+string(raw)+`}`)); status != 200 {
		t.Fatalf("the words give %d %v", status, out)
	}
	try := func() (int, string) {
		status, out := ask(t, "POST", "/api/clips/"+id+"/exports", `{"shapes":["tall"]}`)
		return status, field(out)
	}
	if status, why := try(); status != http.StatusUnprocessableEntity || !strings.Contains(why, "Weight line") || !strings.Contains(why, "{weight}") || !strings.Contains(why, "Enamel mug") {
		t.Errorf("with a gap an export gives %d %s", status, why)
	}
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(3, `{"type":"setLayer","layer":"says","set":{"hidden":true}}`)); status != 200 {
		t.Fatalf("hiding gives %d %v", status, out)
	}
	if status, why := try(); status != http.StatusCreated {
		t.Errorf("with the words hidden an export gives %d %s", status, why)
	}
}
