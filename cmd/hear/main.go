// Command hear fits the weights with which core/beat chooses among the ways to count a
// tune, on tunes that cmd/hear/corpus makes, and writes them to core/beat/weights.go:
//
//	go run ./cmd/hear [-rounds 104]
//
// Tunes whose instruments are held back are never fitted on; core/beat's tests look at
// how well these are counted.
package main

import (
	"flag"
	"fmt"
	"os"
)

func main() {
	rounds := flag.Int("rounds", 104, "how often each kind of tune is made, a minute for about eight")
	keep := flag.String("keep", "", "a file that keeps what was heard, to fit on it again")
	out := flag.String("out", "core/beat/weights.go", "where the weights are written")
	flag.Parse()
	cases, err := heard(*rounds, *keep)
	if err != nil {
		fmt.Fprintln(os.Stderr, "hear:", err)
		os.Exit(1)
	}
	if err := os.WriteFile(*out, source(fitAll(cases)), 0o644); err != nil {
		fmt.Fprintln(os.Stderr, "hear:", err)
		os.Exit(1)
	}
}
