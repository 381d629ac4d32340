package hardship

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"time"
)

// Disk is what became of edits while the disk was full.
type Disk struct {
	Before, During, After int // edits that were acknowledged
	Lost, Twice           int
	SaidFull              int // answers that said that the disk is full
	Other                 map[string]int
}

// ErrNoMount says that a small disk cannot be made here.
var ErrNoMount = errors.New("a small disk cannot be mounted; it takes root")

// FullDisk lets people edit and upload while the disk that everything lies on
// is full, and makes room again.
func FullDisk(ctx context.Context, binary string) (d Disk, err error) {
	dir, err := os.MkdirTemp("", "billow-disk-")
	if err != nil {
		return d, err
	}
	defer os.RemoveAll(dir)
	if err := syscall.Mount("tmpfs", dir, "tmpfs", 0, "size=160m"); err != nil {
		return d, fmt.Errorf("%w (%v)", ErrNoMount, err)
	}
	defer func() { _ = syscall.Unmount(dir, syscall.MNT_DETACH) }()
	temp := filepath.Join(dir, "tmp")
	if err := os.Mkdir(temp, 0o777); err != nil {
		return d, err
	}
	b, err := NewBillow(binary, filepath.Join(dir, "data"))
	if err != nil {
		return d, err
	}
	// The server of the database is another user.
	if err := os.Chmod(dir, 0o755); err != nil {
		return d, err
	}
	b.Env = []string{"TMPDIR=" + temp}
	if err := b.Start(ctx); err != nil {
		return d, err
	}
	defer func() { _, _ = b.Stop() }()
	return d, d.run(ctx, b, filepath.Join(dir, "filler"))
}

func (d *Disk) run(ctx context.Context, b *Billow, filler string) error {
	id, err := b.newClip(ctx)
	if err != nil {
		return err
	}
	e := &editor{b: b, clip: id, revision: 2}
	for range 20 {
		if err := e.make(ctx, pushRight); err != nil {
			return err
		}
		d.Before++
	}
	if err := fill(filler); err != nil {
		return err
	}
	d.Other = map[string]int{}
	waiting := make(chan error, 1)
	go func() { waiting <- e.make(ctx, pushRight) }() // it gets through when there is room
	for range 8 {
		_, err := b.ask(ctx, "POST", "/api/props?name=large.png", strings.NewReader("\x89PNG\r\n\x1a\n"+strings.Repeat("x", 8<<20)), nil)
		d.heard(err)
		_, err = b.ask(ctx, "POST", "/api/clips", strings.NewReader(`{"name":"More","shape":{"id":"tall","w":360,"h":640},"rate":30,"length":"2s"}`), nil)
		d.heard(err)
	}
	select {
	case err := <-waiting:
		if err != nil {
			return err
		}
		d.During++
		waiting = nil
	case <-time.After(time.Second):
	}
	if err := os.Remove(filler); err != nil {
		return err
	}
	if waiting != nil {
		if err := <-waiting; err != nil {
			return err
		}
		d.After++
	}
	for range 20 {
		if err := e.make(ctx, pushRight); err != nil {
			return err
		}
		d.After++
	}
	x, _, err := b.pushed(ctx, id)
	made := d.Before + d.During + d.After
	d.Lost, d.Twice = max(0, made-x), max(0, x-made)
	return err
}

func (d *Disk) heard(err error) {
	switch {
	case err == nil:
		d.Other["taken"]++
	case strings.Contains(err.Error(), "disk is full"):
		d.SaidFull++
	default:
		d.Other[err.Error()]++
	}
}

// fill writes a file until the disk has no room left.
func fill(name string) error {
	f, err := os.Create(name)
	if err != nil {
		return err
	}
	defer f.Close()
	for size := 1 << 20; size > 0; size /= 16 {
		for {
			if _, err := f.Write(make([]byte, size)); errors.Is(err, syscall.ENOSPC) {
				break
			} else if err != nil {
				return err
			}
		}
	}
	return nil
}
