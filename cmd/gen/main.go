// Command gen writes the page's types and catalogues from the core's, which letters
// the fonts have, and which currencies there are.
package main

//go:generate go run .

import (
	"fmt"
	"os"
)

// files are what is written, by where they lie, seen from this folder.
func files() map[string]string {
	const page = "../../web/src/gen/"
	out := map[string]string{page + "catalogue.ts": catalogue(), "../../fonts/letters.go": letters(),
		"../../core/offer/currencies.go": currencies()}
	for name, text := range types() {
		out[page+name] = text
	}
	return out
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
