package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"net"
	"os"
	"path/filepath"
	"strconv"
	"time"

	"billow/bundle"
	"billow/demo"
	"billow/export"
	"billow/media"
	"billow/server"
	"billow/store"
	"billow/store/local"
	"billow/web"

	"github.com/spf13/cobra"
)

// home is what serving commands share: a database and where it is.
type home struct {
	data string
}

func (h *home) flag(cmd *cobra.Command) {
	cmd.Flags().StringVar(&h.data, "data", defaultData(), "data folder of the private PostgreSQL (DATABASE_URL names another server instead)")
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

type serving struct {
	home
	listen  string
	picture int
	pixels  int
	sound   int
}

func (v *serving) flags(cmd *cobra.Command) {
	v.flag(cmd)
	d := media.DefaultLimits()
	cmd.Flags().StringVar(&v.listen, "listen", "127.0.0.1:8710", "address to serve on")
	cmd.Flags().IntVar(&v.picture, "max-picture-mb", int(d.PictureBytes>>20), "largest picture that is taken")
	cmd.Flags().IntVar(&v.pixels, "max-megapixels", d.Megapixels, "most pixels of a picture, in millions")
	cmd.Flags().IntVar(&v.sound, "max-sound-mb", int(d.SoundBytes>>20), "largest tune that is taken")
}

// run serves until it is interrupted. prepare may fill the database first.
func (v *serving) run(prepare func(context.Context, *store.Store) error) error {
	ctx, cancel := interruptible()
	defer cancel()
	l, err := net.Listen("tcp", v.listen)
	if err != nil {
		return fmt.Errorf("%s is taken or not allowed; choose another address with --listen 127.0.0.1:PORT (%w)", v.listen, errors.Unwrap(err))
	}
	defer l.Close()
	s, end, err := v.open(ctx)
	if err != nil {
		return err
	}
	defer end()
	if prepare != nil {
		if err := prepare(ctx, s); err != nil {
			return err
		}
	}
	q, err := export.NewQueue(s, newLibrary, true)
	if err != nil {
		return err
	}
	worked := make(chan error, 1)
	go func() { worked <- q.Run(ctx) }()
	srv := &server.Server{
		Store: s, Queue: q, Page: web.Files(), Library: newLibrary,
		Limits: media.Limits{PictureBytes: int64(v.picture) << 20, Megapixels: v.pixels, SoundBytes: int64(v.sound) << 20},
	}
	fmt.Printf("Billow is at http://%s  (Ctrl-C stops it)\n", l.Addr())
	err = srv.Serve(ctx, l)
	cancel()
	return errors.Join(err, <-worked)
}

func serveCommand() *cobra.Command {
	var v serving
	cmd := &cobra.Command{
		Use: "serve", Short: "Serve the page and work on exports", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error { return v.run(nil) },
	}
	v.flags(cmd)
	return cmd
}

func demoCommand() *cobra.Command {
	var v serving
	var side int
	cmd := &cobra.Command{
		Use: "demo", Short: "Serve the page with the sample world", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			return v.run(func(ctx context.Context, s *store.Store) error { return seed(ctx, s, side) })
		},
	}
	v.flags(cmd)
	cmd.Flags().IntVar(&side, "side", demo.Side, "pixels of the longer side of the product pictures")
	return cmd
}

// seed stores the sample world in a database that has no clips yet.
func seed(ctx context.Context, s *store.Store, side int) error {
	clips, err := s.Clips(ctx)
	if err != nil || len(clips) > 0 {
		return err
	}
	fmt.Println("Making the sample world; this takes a minute or two, once.")
	w, err := makeWorld(side)
	if err != nil {
		return err
	}
	for _, p := range w.Props {
		if err := s.PutFile(ctx, p.Hash, p.Media, bytes.NewReader(w.Files[p.Hash])); err != nil {
			return err
		}
		if err := s.PutProp(ctx, p); err != nil {
			return err
		}
	}
	for i := len(w.Clips) - 1; i >= 0; i-- {
		if err := s.CreateClip(ctx, w.Clips[i].ID, w.Clips[i].Clip, "Sample clip"); err != nil {
			return err
		}
	}
	return nil
}

func workCommand() *cobra.Command {
	cmd := &cobra.Command{
		Use: "work", Short: "Work on exports of the server that DATABASE_URL names", Args: cobra.NoArgs,
		RunE: func(*cobra.Command, []string) error {
			ctx, cancel := interruptible()
			defer cancel()
			url := os.Getenv("DATABASE_URL")
			if url == "" {
				return usageError{errors.New("set DATABASE_URL to the database of the server to work for")}
			}
			s, err := store.Open(ctx, url)
			if err != nil {
				return err
			}
			defer s.Close()
			q, err := export.NewQueue(s, newLibrary, true)
			if err != nil {
				return err
			}
			fmt.Println("Working on exports (Ctrl-C stops)")
			return q.Run(ctx)
		},
	}
	return cmd
}

func bundleCommand() *cobra.Command {
	var h home
	var out string
	cmd := &cobra.Command{
		Use: "bundle CLIP-ID", Short: "Write a stored clip as a bundle", Args: cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			ctx, cancel := interruptible()
			defer cancel()
			s, end, err := h.open(ctx)
			if err != nil {
				return err
			}
			defer end()
			st, err := s.State(ctx, args[0])
			if err != nil {
				return inputError{fmt.Errorf("the clip %s: %w", args[0], err)}
			}
			if out == "" {
				out = args[0] + ".zip"
			}
			return writeBundle(out, st.Clip, s.ReadFile)
		},
	}
	h.flag(cmd)
	cmd.Flags().StringVar(&out, "out", "", "file to write (default: CLIP-ID.zip)")
	return cmd
}

func importCommand() *cobra.Command {
	var h home
	cmd := &cobra.Command{
		Use: "import BUNDLE", Short: "Store a bundle as a new clip", Args: cobra.ExactArgs(1),
		RunE: func(_ *cobra.Command, args []string) error {
			b, err := openBundle(args[0])
			if err != nil {
				return err
			}
			ctx, cancel := interruptible()
			defer cancel()
			s, end, err := h.open(ctx)
			if err != nil {
				return err
			}
			defer end()
			return importBundle(ctx, s, b)
		},
	}
	h.flag(cmd)
	return cmd
}

func importBundle(ctx context.Context, s *store.Store, b *bundle.Bundle) error {
	if err := s.PutBundle(ctx, b.Clip, b.Files); err != nil {
		return err
	}
	id := store.NewID()
	if err := s.CreateClip(ctx, id, b.Clip, "Imported "+time.Now().Format(time.DateOnly)); err != nil {
		return err
	}
	fmt.Println(id + "  " + strconv.Quote(b.Clip.Name))
	return nil
}
