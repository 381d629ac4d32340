// Command gen writes the page's types and catalogues from the core's, and which
// letters the fonts have.
package main

//go:generate go run .

import (
	"fmt"
	"os"
)

// files are what is written, by where they lie, seen from this folder.
func files() map[string]string {
	const page = "../../web/src/gen/"
	document, asked := types()
	return map[string]string{
		page + "document.ts": document, page + "asked.ts": asked, page + "catalogue.ts": catalogue(),
		"../../fonts/letters.go": letters(),
	}
}

const head = "// Made from the core by `go generate ./cmd/gen`; not to be changed here.\n\n"

func main() {
	for name, text := range files() {
		if err := os.WriteFile(name, []byte(text), 0o644); err != nil {
			fmt.Fprintln(os.Stderr, "gen:", err)
			os.Exit(1)
		}
	}
}
