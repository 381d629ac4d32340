package main

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"

	"billow/store"
	"billow/store/local"

	"github.com/spf13/cobra"
)

// home is what serving commands share: a database and where it is.
type home struct {
	data string
}

const dataHelp = "data folder of the private PostgreSQL (DATABASE_URL names another server instead)"

func (h *home) flag(cmd *cobra.Command) {
	cmd.Flags().StringVar(&h.data, "data", defaultData(), dataHelp)
}

// defaultData is a folder that the server's own user can reach.
func defaultData() string {
	if os.Geteuid() == 0 {
		return "/var/lib/billow"
	}
	if dir := os.Getenv("XDG_DATA_HOME"); dir != "" {
		return filepath.Join(dir, "billow")
	}
	return filepath.Join(os.Getenv("HOME"), ".local", "share", "billow")
}

// open connects to the database, starting one where none is named.
func (h *home) open(ctx context.Context) (*store.Store, func(), error) {
	url, stop := os.Getenv("DATABASE_URL"), func() {}
	if url == "" {
		pg, err := local.Start(ctx, h.data)
		if err != nil {
			return nil, nil, err
		}
		url, stop = pg.URL, pg.Stop
	}
	s, err := store.Open(ctx, url)
	if err != nil {
		stop()
		return nil, nil, err
	}
	return s, func() { s.Close(); stop() }, nil
}

// share is open for commands that work beside a server: they use the database
// that it has started, if one has.
func (h *home) share(ctx context.Context) (*store.Store, func(), error) {
	s, end, err := h.open(ctx)
	if !errors.Is(err, local.ErrInUse) {
		return s, end, err
	}
	url, failed := local.Address(h.data)
	if failed != nil {
		return nil, nil, err
	}
	if s, failed = store.Connect(ctx, url); failed != nil {
		return nil, nil, err
	}
	if failed := s.Ping(ctx); failed != nil {
		s.Close()
		return nil, nil, fmt.Errorf("%w (its database does not answer: %v)", err, failed)
	}
	return s, s.Close, nil
}

// shared runs a command with the database at hand.
func (h *home) shared(f func(ctx context.Context, s *store.Store) error) error {
	ctx, cancel := interruptible()
	defer cancel()
	s, end, err := h.share(ctx)
	if err != nil {
		return err
	}
	defer end()
	return f(ctx, s)
}
