package server_test

import (
	"net/http"
	"strings"
	"testing"
)

// Footage is not brought in while one waits: what answers is how far it is, until it is stopped.
func TestFootageIsBroughtInByAndBy(t *testing.T) {
	film := append([]byte("\x00\x00\x00\x18ftypmp42\x00\x00\x00\x00"), make([]byte, 500)...)
	status, out := ask(t, "POST", "/api/props?name=film.mp4", film)
	id, _ := out["intake"].(string)
	if status != http.StatusAccepted || id == "" {
		t.Fatalf("%d %v", status, out)
	}
	status, out = ask(t, "GET", "/api/intakes/"+id, nil)
	if status != http.StatusOK || out["state"] != "waiting" || out["name"] != "film.mp4" {
		t.Errorf("%d %v", status, out)
	}
	if status, _ = ask(t, "DELETE", "/api/intakes/"+id, nil); status != http.StatusNoContent {
		t.Errorf("stopping it gives %d", status)
	}
	if _, out = ask(t, "GET", "/api/intakes/"+id, nil); out["state"] != "cancelled" {
		t.Errorf("it is %v", out)
	}
	if status, _ = ask(t, "GET", "/api/intakes/none", nil); status != http.StatusNotFound {
		t.Errorf("one that is not there gives %d", status)
	}
	status, out = ask(t, "POST", "/api/props?name=film.mp4", append(film, make([]byte, 1<<20)...))
	if status != http.StatusUnprocessableEntity && status != http.StatusBadRequest || !strings.Contains(field(out), "larger than 1 MB") {
		t.Errorf("too large: %d %s", status, field(out))
	}
}
