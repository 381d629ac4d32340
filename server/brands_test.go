package server_test

import (
	"net/http"
	"strings"
	"testing"
)

// A brand is kept, changed and deleted; its colours can be put into starters, and what is wrong
// with one is said.
func TestBrandsAreKeptForAllClips(t *testing.T) {
	good := map[string]any{"name": "Cedar Hut", "colours": []string{"#fcfaf5", "#dd4f28", "#173f47"}, "fonts": []string{"rubik-600"}, "logos": []string{strings.Repeat("a", 64)}}
	for what, wrong := range map[string]map[string]any{
		"name":     {"name": " ", "colours": []string{}, "fonts": []string{}, "logos": []string{}},
		"fonts[0]": {"name": "N", "colours": []string{}, "fonts": []string{"comic"}, "logos": []string{}},
		"logos[0]": {"name": "N", "colours": []string{}, "fonts": []string{}, "logos": []string{"../etc"}},
		"colours":  {"name": "N", "colours": strings.Split(strings.Repeat("#000000 ", 13)[:13*8-1], " "), "fonts": []string{}, "logos": []string{}},
	} {
		if status, out := ask(t, "PUT", "/api/brands/cedar", wrong); status != http.StatusUnprocessableEntity || !strings.HasPrefix(field(out), what+": ") {
			t.Errorf("a wrong %s is answered with %d %v", what, status, out)
		}
	}
	if status, out := ask(t, "PUT", "/api/brands/No%20Name", good); status < 400 {
		t.Errorf("a strange ID is answered with %d %v", status, out)
	}
	if status, out := ask(t, "PUT", "/api/brands/cedar", good); status != http.StatusNoContent {
		t.Fatalf("the brand is answered with %d %v", status, out)
	}
	_, out := ask(t, "GET", "/api/starters", nil)
	palettes := out["palettes"].([]any)
	first := palettes[0].(map[string]any)
	if first["id"] != "brand-cedar" || first["name"] != "Cedar Hut" || first["top"] != "#fcfaf5" || first["plate"] != "#dd4f28" || first["ink"] != "#173f47" {
		t.Errorf("the first palette of starters is %v", first)
	}
	good["name"] = "Cedar House"
	if status, _ := ask(t, "PUT", "/api/brands/cedar", good); status != http.StatusNoContent {
		t.Error("a brand is not changed")
	}
	_, out = ask(t, "GET", "/api/starters", nil)
	if got := out["palettes"].([]any)[0].(map[string]any)["name"]; got != "Cedar House" {
		t.Errorf("after the change the brand is called %v", got)
	}
	if status, _ := ask(t, "DELETE", "/api/brands/cedar", nil); status != http.StatusNoContent {
		t.Error("a brand is not deleted")
	}
	if status, _ := ask(t, "DELETE", "/api/brands/cedar", nil); status != http.StatusNotFound {
		t.Errorf("a brand that is gone is answered with %d", status)
	}
}
