// Command hardship makes Billow's life hard and prints what it found: see the
// package hardship. It ends with 1 when anything was lost, hung or killed.
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"os"
	"os/signal"
	"time"

	"billow/export"
	"billow/hardship"
)

func main() {
	export.DrawIfAsked()
	if err := run(); err != nil {
		fmt.Fprintln(os.Stderr, "hardship:", err)
		os.Exit(1)
	}
}

func run() error {
	pages := flag.Int("pages", 600, "commands that three pages make over connections that are cut; 0 leaves it out")
	kills := flag.Int("kills", 60, "rounds in which something is killed")
	editors := flag.Int("editors", 60, "seconds that 120 people edit")
	uploads := flag.Int("uploads", 9, "hostile files that are sent at once")
	disk := flag.Bool("disk", true, "fill the disk")
	fuzz := flag.Duration("fuzz", 8*time.Second, "how long mutated inputs are tried for each target")
	seed := flag.Uint64("seed", uint64(time.Now().UnixNano()), "of all chance")
	flag.Parse()
	ctx, cancel := signal.NotifyContext(context.Background(), os.Interrupt)
	defer cancel()
	binary, remove, err := hardship.Build(ctx)
	if err != nil {
		return err
	}
	defer remove()
	fmt.Println("seed", *seed)
	found := &findings{}
	if *pages > 0 {
		r, err := hardship.EditFromThreePages(*pages, *seed)
		found.note("pages", r, err, r.Lost+r.Twice+r.Wrong)
	}
	if *kills > 0 {
		k, err := hardship.KillRounds(ctx, binary, *kills, *seed)
		found.note("kills", k, err, k.Lost+k.Twice+k.Unstarted+k.HalfFile+k.Hanging)
	}
	if *editors > 0 {
		r, err := hardship.ManyEditors(ctx, binary, 100, 20, time.Duration(*editors)*time.Second, 750*time.Millisecond)
		found.note("editors", r, err, r.Lost+r.Failures)
	}
	if *uploads > 0 {
		r, err := hardship.HostileUploads(ctx, binary, 10000, *uploads, 3<<30)
		bad := r.Unanswered
		if r.Killed {
			bad++
		}
		found.note("uploads", r, err, bad)
	}
	if *disk {
		d, err := hardship.FullDisk(ctx, binary)
		if errors.Is(err, hardship.ErrNoMount) {
			fmt.Println("disk: left out:", err)
		} else {
			found.note("disk", d, err, d.Lost+d.Twice)
		}
	}
	if *fuzz > 0 {
		list, err := hardship.Fuzz(ctx, *fuzz)
		total, failed := 0, 0
		for _, f := range list {
			fmt.Printf("fuzz: %-28s %9d inputs\n", f.Target, f.Inputs)
			total += f.Inputs
			if f.Found != "" {
				failed++
				fmt.Println(f.Found)
			}
		}
		found.note("fuzz", fmt.Sprintf("%d inputs, %d findings", total, failed), err, failed)
	}
	return found.err
}

type findings struct{ err error }

// note prints a result and remembers whether it was a bad one.
func (f *findings) note(what string, result any, err error, bad int) {
	fmt.Printf("%s: %+v\n", what, result)
	if err != nil {
		f.err = errors.Join(f.err, fmt.Errorf("%s: %w", what, err))
	} else if bad > 0 {
		f.err = errors.Join(f.err, fmt.Errorf("%s: something was lost, hung or killed", what))
	}
}
