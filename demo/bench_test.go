package demo

import (
	"sync"
	"testing"
)

// BenchmarkMake makes the whole sample world, as billow sample and the first
// start of the demo do.
func BenchmarkMake(b *testing.B) {
	for b.Loop() {
		if _, err := Make(Side); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkPlay plays all tunes, side by side, as Make does.
func BenchmarkPlay(b *testing.B) {
	for b.Loop() {
		var all sync.WaitGroup
		for i := range Tunes {
			all.Go(func() { Tunes[i].Play() })
		}
		all.Wait()
	}
}
