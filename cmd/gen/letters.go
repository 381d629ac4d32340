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
	out.WriteString("// Made from the fonts by `go generate ./cmd/gen`; not to be changed here.\n\npackage fonts\n\nimport \"billow/core/words\"\n\n")
	out.WriteString("// letters is which letters each font has.\nvar letters = map[string]words.Coverage{\n")
	for _, f := range fonts.List {
		ttf, err := fonts.File(f.File)
		if err != nil {
			panic(err) // the files are part of this program
		}
		covers, err := words.CoverageOf(ttf)
		if err != nil {
			panic(err)
		}
		fmt.Fprintf(&out, "%q: {", f.Name)
		for i := 0; i < len(covers); i += 2 {
			if i%16 == 0 {
				out.WriteString("\n")
			}
			fmt.Fprintf(&out, "%#x, %#x, ", covers[i], covers[i+1])
		}
		out.WriteString("\n},\n")
	}
	out.WriteString("}\n")
	b, err := format.Source([]byte(out.String()))
	if err != nil {
		panic(err)
	}
	return string(b)
}
