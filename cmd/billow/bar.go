package main

import (
	"fmt"
	"os"
	"strings"
	"time"
)

// bar shows progress on a terminal; into a file or pipe it writes nothing.
type bar struct {
	title   string
	started time.Time
	last    int
	visible bool
}

func newBar(title string) *bar {
	info, err := os.Stderr.Stat()
	terminal := err == nil && info.Mode()&os.ModeCharDevice != 0
	return &bar{title, time.Now(), -1, terminal}
}

func (b *bar) show(share float64) {
	n := int(share * 100)
	if !b.visible || n == b.last {
		return
	}
	b.last = n
	left := ""
	if share > 0.02 {
		rest := time.Duration(float64(time.Since(b.started)) * (1 - share) / share)
		left = fmt.Sprintf("%s left", rest.Round(time.Second))
	}
	filled := n * 30 / 100
	fmt.Fprintf(os.Stderr, "\r%s [%s%s] %3d%% %-12s", b.title, strings.Repeat("=", filled), strings.Repeat(" ", 30-filled), n, left)
}

func (b *bar) end() {
	if b.visible {
		fmt.Fprintln(os.Stderr)
	}
}
