package core_test

import (
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// TestCoreKnowsNobody checks what the core imports: nothing of Billow outside
// core, and nothing that reaches files, network, processes, clock or chance.
func TestCoreKnowsNobody(t *testing.T) {
	out, err := exec.Command("go", "list", "-f", "{{.ImportPath}}: {{join .Imports \" \"}}", "billow/core/...").Output()
	if err != nil {
		t.Fatal(err)
	}
	forbidden := map[string]bool{"os": true, "os/exec": true, "io/ioutil": true, "time": true, "math/rand": true, "math/rand/v2": true,
		"crypto/rand": true, "net": true, "net/http": true, "database/sql": true, "syscall": true, "log": true, "log/slog": true, "embed": true}
	libraries := []string{"github.com/go-text/typesetting/", "golang.org/x/image/", "golang.org/x/text/", "gonum.org/v1/gonum/", "github.com/shopspring/decimal"}
	packages := 0
	for _, line := range strings.Split(strings.TrimSpace(string(out)), "\n") {
		name, imports, _ := strings.Cut(line, ": ")
		packages++
		for _, i := range strings.Fields(imports) {
			allowed := strings.HasPrefix(i, "billow/core/")
			for _, l := range libraries {
				allowed = allowed || strings.HasPrefix(i, l)
			}
			if !allowed && (forbidden[i] || strings.Contains(i, ".") || strings.HasPrefix(i, "billow/")) {
				t.Errorf("%s imports %s", name, i)
			}
		}
	}
	if packages < 12 {
		t.Errorf("only %d packages were looked at", packages)
	}
}

// TestFramesUseNoAssembly holds that what a frame depends on calls no function of
// package math that is written in assembly on one machine and not on another.
func TestFramesUseNoAssembly(t *testing.T) {
	for _, name := range []string{"clip", "colour", "effect", "frame", "graph", "layout", "light", "motion", "moves", "paint", "timing", "words"} {
		files, err := filepath.Glob(filepath.Join(name, "*.go"))
		if err != nil || len(files) == 0 {
			t.Fatalf("%s: %v", name, err)
		}
		for _, f := range files {
			text, err := os.ReadFile(f)
			if err != nil {
				t.Fatal(err)
			}
			if found := regexp.MustCompile(`\bmath\.(Hypot|Exp|Exp2|Log|Log2|Log10|Pow)\(`).Find(text); found != nil && !strings.HasSuffix(f, "_test.go") {
				t.Errorf("%s calls %s…", f, found)
			}
		}
	}
}
