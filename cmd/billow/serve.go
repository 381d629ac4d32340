package main

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"slices"
	"time"

	"billow/core/clip"
	"billow/demo"
	"billow/export"
	"billow/media"
	"billow/server"
	"billow/stock"
	"billow/stock/standin"
	"billow/store"
	"billow/web"

	"github.com/spf13/cobra"
)

type serving struct {
	home
	listen  string
	hosts   []string
	picture int
	pixels  int
	sound   int
	footage int
	seconds int
	stock   string
	reading int
	drawing int
}

func (v *serving) flags(cmd *cobra.Command) {
	v.flag(cmd)
	d := media.DefaultLimits()
	cmd.Flags().StringVar(&v.listen, "listen", "127.0.0.1:8710", "address to serve on")
	cmd.Flags().IntVar(&v.picture, "max-picture-mb", int(d.PictureBytes>>20), "largest picture that is taken")
	cmd.Flags().IntVar(&v.pixels, "max-megapixels", d.Megapixels, "most pixels of a picture, in millions")
	cmd.Flags().IntVar(&v.sound, "max-sound-mb", int(d.SoundBytes>>20), "largest tune that is taken")
	cmd.Flags().IntVar(&v.footage, "max-footage-mb", int(d.FootageBytes>>20), "largest footage that is taken")
	cmd.Flags().StringVar(&v.stock, "stock", "", "address of a stock shelf (docs/stock.md) instead of that which ships with Billow")
	cmd.Flags().IntVar(&v.seconds, "max-footage-seconds", int(d.FootageSeconds), "longest footage that is taken")
	cmd.Flags().StringSliceVar(&v.hosts, "host", nil, "name under which it may be reached, beside those of loopback; may be given several times")
	cmd.Flags().IntVar(&v.reading, "reading-mb", 0, "memory for reading files, all together (default: a quarter of the machine's)")
	drawingFlag(cmd, &v.drawing)
}

func drawingFlag(cmd *cobra.Command, mb *int) {
	cmd.Flags().IntVar(mb, "drawing-mb", 0, "memory for drawing one clip (default: a quarter of the machine's)")
}

// closed tells whether the door has to be: someone else than whoever uses this
// machine may come.
func (v *serving) closed(l net.Listener) bool {
	host, _, err := net.SplitHostPort(l.Addr().String())
	if err != nil || !server.IsLoopback(host) {
		return true
	}
	return slices.ContainsFunc(v.hosts, func(h string) bool { return !server.IsLoopback(h) })
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
	if v.closed(l) {
		phrase, err := s.Phrase(ctx)
		if err != nil {
			return err
		}
		if phrase == "" {
			return usageError{errors.New("others could reach this Billow, so it needs a pass phrase; set one with: billow passphrase")}
		}
	}
	if prepare != nil {
		if err := prepare(ctx, s); err != nil {
			return err
		}
	}
	if v.reading > 0 {
		media.SetBudget(int64(v.reading) << 20)
	}
	drawer := &export.Drawer{Memory: int64(v.drawing) << 20}
	q, err := export.NewQueue(s, drawer, true)
	if err != nil {
		return err
	}
	shelf, err := v.stockShelf(ctx)
	if err != nil {
		return err
	}
	limits := media.Limits{
		PictureBytes: int64(v.picture) << 20, Megapixels: v.pixels, SoundBytes: int64(v.sound) << 20,
		FootageBytes: int64(v.footage) << 20, FootageSeconds: float64(min(v.seconds, clip.MaxFootage)),
	}
	q.Limits = limits
	worked := make(chan error, 1)
	go func() { worked <- q.Run(ctx) }()
	srv := &server.Server{
		Store: s, Queue: q, Drawer: drawer, Page: web.Files(), Hosts: v.hosts, Closed: v.closed(l),
		Limits: limits, Stock: stock.NewRemote(shelf),
	}
	fmt.Printf("Billow is at http://%s  (Ctrl-C stops it)\n", l.Addr())
	err = srv.Serve(ctx, l)
	cancel()
	return errors.Join(err, <-worked)
}

// stockDelay is what the stand-in's answers take, so that it feels like a service far away.
const stockDelay = 150 * time.Millisecond

// stockShelf is where things are fetched from: the provider that was asked for, or the stand-in, which
// answers on loopback until the program ends.
func (v *serving) stockShelf(ctx context.Context) (address string, err error) {
	if v.stock != "" {
		return v.stock, nil
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return "", err
	}
	shelf := standin.New()
	shelf.Have(standin.Trouble{Delay: stockDelay})
	s := &http.Server{Handler: shelf, ReadHeaderTimeout: 5 * time.Second}
	go s.Serve(l)
	context.AfterFunc(ctx, func() { s.Close() })
	return "http://" + l.Addr().String(), nil
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
	_, total, err := s.Clips(ctx, store.ClipQuery{Sort: "changed", Limit: 1})
	if err != nil || total > 0 {
		return err
	}
	w, err := makeWorld(side)
	if err != nil {
		return err
	}
	for _, p := range w.Props {
		if err := s.Keep(ctx, p, bytes.NewReader(w.Files[p.Hash]), nil); err != nil {
			return err
		}
	}
	if err := s.Adopt(ctx, w.Cuts); err != nil {
		return err
	}
	if err := s.PutBrand(ctx, w.Brand); err != nil {
		return err
	}
	for i := len(w.Clips) - 1; i >= 0; i-- {
		if err := s.CreateClip(ctx, w.Clips[i].ID, w.Clips[i].Clip, "Sample clip"); err != nil {
			return err
		}
	}
	return nil
}

func workCommand() *cobra.Command {
	var drawing int
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
			q, err := export.NewQueue(s, &export.Drawer{Memory: int64(drawing) << 20}, true)
			if err != nil {
				return err
			}
			fmt.Println("Working on exports (Ctrl-C stops)")
			return q.Run(ctx)
		},
	}
	drawingFlag(cmd, &drawing)
	return cmd
}
