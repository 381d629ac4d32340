package server_test

import (
	"encoding/json"
	"net/http"
	"strings"
	"testing"
)

// A look is kept for all clips, changed and deleted; what is wrong with one is said, and those that come
// with Billow stay as they are.
func TestLooksAreKeptForAllClips(t *testing.T) {
	good := map[string]any{"name": "Rust", "values": map[string]any{"temperature": []float64{30}}}
	for what, wrong := range map[string]map[string]any{
		"name: ":              {"name": " ", "values": good["values"]},
		"values: ":            {"name": "Nothing", "values": map[string]any{}},
		"values.rotation: ":   {"name": "Turns", "values": map[string]any{"rotation": []float64{3}}},
		"values.saturation: ": {"name": "Far", "values": map[string]any{"saturation": []float64{3e9}}},
	} {
		if status, out := ask(t, "PUT", "/api/looks/rust", wrong); status != http.StatusUnprocessableEntity || !strings.HasPrefix(field(out), what) {
			t.Errorf("a wrong %s is answered with %d %v", what, status, out)
		}
	}
	for _, id := range []string{"ink", "No%20Name"} {
		if status, out := ask(t, "PUT", "/api/looks/"+id, good); status < 400 {
			t.Errorf("%s is answered with %d %v", id, status, out)
		}
	}
	if status, out := ask(t, "PUT", "/api/looks/rust", good); status != http.StatusNoContent {
		t.Fatalf("the look is answered with %d %v", status, out)
	}
	good["name"] = "Rusty"
	if status, out := ask(t, "PUT", "/api/looks/rust", good); status != http.StatusNoContent {
		t.Fatalf("it is not changed: %d %v", status, out)
	}
	if kept := names(t); kept != "Rusty" {
		t.Errorf("kept are %q", kept)
	}
	if status, _ := ask(t, "DELETE", "/api/looks/rust", nil); status != http.StatusNoContent {
		t.Error("it is not deleted")
	}
	if status, _ := ask(t, "DELETE", "/api/looks/rust", nil); status != http.StatusNotFound {
		t.Error("it is deleted twice")
	}
	if kept := names(t); kept != "" {
		t.Errorf("kept are %q", kept)
	}
}

// names are those of all looks that are kept.
func names(t *testing.T) string {
	t.Helper()
	a, err := http.Get(url + "/api/looks")
	if err != nil {
		t.Fatal(err)
	}
	defer a.Body.Close()
	var list []struct{ Name string }
	if err := json.NewDecoder(a.Body).Decode(&list); err != nil {
		t.Fatal(err)
	}
	out := make([]string, len(list))
	for i, l := range list {
		out[i] = l.Name
	}
	return strings.Join(out, ", ")
}
