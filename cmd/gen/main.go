// Command gen writes the page's types and catalogues from the core's.
package main

//go:generate go run .

import (
	"fmt"
	"os"
	"path/filepath"
)

// folder is where they lie, seen from this folder.
const folder = "../../web/src/gen"

// files are what is written, by name.
func files() map[string]string {
	document, asked := types()
	return map[string]string{"document.ts": document, "asked.ts": asked, "catalogue.ts": catalogue()}
}

const head = "// Made from the core by `go generate ./cmd/gen`; not to be changed here.\n\n"

func main() {
	for name, text := range files() {
		if err := os.WriteFile(filepath.Join(folder, name), []byte(text), 0o644); err != nil {
			fmt.Fprintln(os.Stderr, "gen:", err)
			os.Exit(1)
		}
	}
}
