package main

import (
	"encoding/gob"
	"os"
	"runtime"
	"sync"

	"billow/cmd/hear/corpus"
	"billow/core/beat"
)

// A hearing is a tune, less its sound, and what was heard of it.
type hearing struct {
	Style        string
	Steady, Held bool
	Beats, Downs []float64
	Ways         []beat.Way
	Sure         []float64
}

// heard makes tunes and hears them, or reads what was heard before.
func heard(rounds int, keep string) ([]hearing, error) {
	var out []hearing
	if f, err := os.Open(keep); err == nil {
		defer f.Close()
		return out, gob.NewDecoder(f).Decode(&out)
	}
	var makers []func() corpus.Tune
	for seed := int64(2); rounds > 0; seed, rounds = seed+2, rounds-4 {
		makers = append(makers, corpus.Steady(min(4, rounds), false, seed)...)
		makers = append(makers, corpus.Beatless(seed)...)
		makers = append(makers, corpus.Beatless(seed+1000)...)
		if seed%8 == 0 { // looked at, not fitted on
			makers = append(makers, corpus.Steady(2, true, seed+101)...)
			makers = append(makers, corpus.Beatless(seed+101)...)
		}
	}
	out = make([]hearing, len(makers))
	next := make(chan int)
	var all sync.WaitGroup
	for range runtime.GOMAXPROCS(0) {
		all.Go(func() {
			for i := range next {
				t := makers[i]()
				ways, sure := beat.Hear(t.Mono)
				out[i] = hearing{t.Style, t.Steady, t.Held, t.Beats, t.Downs(), ways, sure}
			}
		})
	}
	for i := range makers {
		next <- i
	}
	close(next)
	all.Wait()
	if keep == "" {
		return out, nil
	}
	f, err := os.Create(keep)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	return out, gob.NewEncoder(f).Encode(out)
}
