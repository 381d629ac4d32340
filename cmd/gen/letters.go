package main

import (
	"fmt"
	"go/format"
	"strings"

	"billow/core/words"
	"billow/fonts"
)

// letters writes which letters each font has, so that the engine in the page
// knows which font to fetch before it has any.
func letters() string {
	var out strings.Builder
	out.WriteString("// Made from the fonts by `go generate ./cmd/gen`; not to be changed here.\n\npackage fonts\n\n")
	out.WriteString("// letters is which letters each font has, packed (see words.Coverage).\nvar letters = map[string]string{\n")
	for _, f := range fonts.List {
		ttf, err := fonts.File(f.File)
		if err != nil {
			panic(err) // the files are part of this program
		}
		covers, err := words.CoverageOf(ttf)
		if err != nil {
			panic(err)
		}
		fmt.Fprintf(&out, "%q: ", f.Name)
		for packed := covers.Packed(); len(packed) > 0; {
			n := min(len(packed), 24)
			out.WriteString("\"")
			for _, b := range packed[:n] {
				fmt.Fprintf(&out, "\\x%02x", b)
			}
			if packed = packed[n:]; len(packed) > 0 {
				out.WriteString("\" +\n")
			} else {
				out.WriteString("\",\n")
			}
		}
	}
	out.WriteString("}\n")
	b, err := format.Source([]byte(out.String()))
	if err != nil {
		panic(err)
	}
	return string(b)
}
