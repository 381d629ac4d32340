package main

import (
	"os"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"strings"
)

// What the page is built with is what the core says now.
func TestTheFilesAreFresh(t *testing.T) {
	for name, text := range files() {
		have, err := os.ReadFile(name)
		if err != nil {
			t.Fatal(err)
		}
		if string(have) != text {
			t.Errorf("%s is stale; say: go generate ./cmd/gen", name)
		}
	}
}

func TestEveryCommandAndPropertyIsTold(t *testing.T) {
	all := files()
	for name := range edit.Commands() {
		if !strings.Contains(all["../../web/src/gen/commands.ts"], "{ type: '"+name+"'") {
			t.Errorf("the command %s is missing", name)
		}
	}
	for _, p := range clip.AllProperties {
		if !strings.Contains(all["../../web/src/gen/catalogue.ts"], `"name":"`+p.Name+`"`) || p.Title == "" {
			t.Errorf("the property %s is missing, or has no title", p.Name)
		}
	}
	for i, s := range clip.Standard {
		if clip.ShapeNames[i].ID != s.ID {
			t.Errorf("shape %d is named %s, want %s", i, clip.ShapeNames[i].ID, s.ID)
		}
	}
}
