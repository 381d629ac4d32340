// Package e2e drives the real page in headless Chromium against the real
// server with a PostgreSQL of its own.
package e2e

import (
	"bytes"
	"context"
	"fmt"
	"net"
	"net/http"
	"os"
	"sync/atomic"
	"time"

	"billow/demo"
	"billow/export"
	"billow/media"
	"billow/server"
	"billow/stock"
	"billow/stock/standin"
	"billow/store"
	"billow/store/local"
	"billow/web"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"
)

// Site is a running Billow with the sample world.
type Site struct {
	URL   string
	Store *store.Store
	World *demo.World
	Shelf *standin.Shelf // where things are fetched from
	Sent  atomic.Int64   // bytes that the server has sent, headers included
	pg    *local.Server
	dir   string
	stop  context.CancelFunc
	done  chan error
}

// NewSite starts everything on free ports of loopback; side is the size of the
// sample pictures, 0 leaves the sample world out.
func NewSite(side int) (*Site, error) {
	return NewSiteBehind(side, func(url string) (string, error) { return url, nil })
}

// NewSiteBehind is NewSite with something between the server and its database:
// through gives the address to be used instead of the database's own.
func NewSiteBehind(side int, through func(url string) (string, error)) (*Site, error) {
	dir, err := os.MkdirTemp("", "billow-e2e-")
	if err != nil {
		return nil, err
	}
	s := &Site{dir: dir, done: make(chan error, 2), stop: func() {}}
	ctx, cancel := context.WithCancel(context.Background())
	if s.pg, err = local.Start(ctx, dir); err != nil {
		cancel()
		return nil, err
	}
	s.stop = cancel
	url, err := through(s.pg.URL)
	if err != nil {
		return nil, err
	}
	if s.Store, err = store.Open(ctx, url); err != nil {
		return nil, err
	}
	if side > 0 {
		if err := s.seed(ctx, side); err != nil {
			return nil, err
		}
	}
	return s, s.serve(ctx)
}

func (s *Site) serve(ctx context.Context) error {
	drawer := &export.Drawer{}
	q, err := export.NewQueue(s.Store, drawer, true)
	if err != nil {
		return err
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return err
	}
	s.URL = "http://" + l.Addr().String()
	far, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return err
	}
	s.Shelf = standin.New()
	shelf := &http.Server{Handler: s.Shelf, ReadHeaderTimeout: time.Minute}
	go shelf.Serve(far)
	context.AfterFunc(ctx, func() { shelf.Close() })
	srv := &server.Server{Store: s.Store, Queue: q, Drawer: drawer, Page: web.Files(), Limits: media.DefaultLimits(), Stock: stock.NewRemote("http://" + far.Addr().String())}
	go func() { s.done <- q.Run(ctx) }()
	go func() { s.done <- srv.Serve(ctx, counted{l, &s.Sent}) }()
	return nil
}

// counted counts the bytes that its connections send.
type counted struct {
	net.Listener
	sent *atomic.Int64
}

func (l counted) Accept() (net.Conn, error) {
	c, err := l.Listener.Accept()
	return countedConn{c, l.sent}, err
}

type countedConn struct {
	net.Conn
	sent *atomic.Int64
}

func (c countedConn) Write(b []byte) (int, error) {
	n, err := c.Conn.Write(b)
	c.sent.Add(int64(n))
	return n, err
}

func (s *Site) seed(ctx context.Context, side int) error {
	var err error
	if s.World, err = demo.Make(side); err != nil {
		return err
	}
	for _, p := range s.World.Props {
		if err := s.Store.Keep(ctx, p, bytes.NewReader(s.World.Files[p.Hash]), nil); err != nil {
			return err
		}
	}
	if err := s.Store.Adopt(ctx, s.World.Cuts); err != nil {
		return err
	}
	for i := len(s.World.Clips) - 1; i >= 0; i-- {
		if err := s.Store.CreateClip(ctx, s.World.Clips[i].ID, s.World.Clips[i].Clip, "Sample clip"); err != nil {
			return err
		}
	}
	return nil
}

// Close stops everything and removes its folder.
func (s *Site) Close() {
	s.stop()
	if s.Store != nil {
		for range 2 {
			select {
			case <-s.done:
			case <-time.After(20 * time.Second):
			}
		}
		s.Store.Close()
	}
	if s.pg != nil {
		s.pg.Stop()
	}
	// A leftover folder in the temporary directory harms nobody.
	_ = os.RemoveAll(s.dir)
}

// Chromium starts Debian's Chromium, headless and without any network of its own.
func Chromium(width, height int) (*rod.Browser, func(), error) {
	l := launcher.New().Bin("/usr/bin/chromium").Headless(true).NoSandbox(true).
		Set("disable-gpu").Set("disable-quic").Set("no-first-run").Set("disable-background-networking").
		Set("disable-component-update").Set("disable-sync").Set("autoplay-policy", "no-user-gesture-required").
		Set("use-fake-device-for-media-stream").Set("use-fake-ui-for-media-stream").
		Set("window-size", fmt.Sprintf("%d,%d", width, height)).Set("force-color-profile", "srgb")
	url, err := l.Launch()
	if err != nil {
		return nil, nil, fmt.Errorf("chromium cannot be started: %w", err)
	}
	b := rod.New().ControlURL(url)
	if err := b.Connect(); err != nil {
		l.Kill()
		return nil, nil, err
	}
	return b, func() { _ = b.Close(); l.Kill(); l.Cleanup() }, nil
}

// Open opens an address in a window of a size.
func Open(b *rod.Browser, url string, width, height int) (*rod.Page, error) {
	p, err := b.Page(proto.TargetCreateTarget{URL: "about:blank"})
	if err != nil {
		return nil, err
	}
	if err := p.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: width, Height: height, DeviceScaleFactor: 1}); err != nil {
		return nil, err
	}
	if err := p.Navigate(url); err != nil {
		return nil, err
	}
	return p, p.WaitLoad()
}
