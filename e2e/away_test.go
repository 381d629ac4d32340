package e2e

import (
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync/atomic"
	"testing"

	"billow/core/clip"
	"billow/store"

	"github.com/go-rod/rod"
)

// road is an address under which the site is found, and which can be closed.
type road struct {
	t      *testing.T
	addr   string
	server *http.Server
	closed atomic.Pointer[string] // what has this in its path is not to be had
	broken atomic.Pointer[string] // the next answer to this path breaks off in its middle
}

func newRoad(t *testing.T) *road {
	r := &road{t: t, addr: "127.0.0.1:0"}
	r.open()
	t.Cleanup(r.shut)
	return r
}

func (r *road) open() {
	r.t.Helper()
	l, err := net.Listen("tcp", r.addr)
	if err != nil {
		r.t.Fatal(err)
	}
	r.addr = l.Addr().String()
	to, err := url.Parse(site.URL)
	if err != nil {
		r.t.Fatal(err)
	}
	proxy := httputil.NewSingleHostReverseProxy(to)
	proxy.FlushInterval = -1 // events come at once
	r.server = &http.Server{Handler: http.HandlerFunc(func(w http.ResponseWriter, q *http.Request) {
		if part := r.closed.Load(); part != nil && strings.Contains(q.URL.Path, *part) {
			http.Error(w, "closed", http.StatusServiceUnavailable)
			return
		}
		if path := r.broken.Load(); path != nil && q.URL.Path == *path && r.broken.CompareAndSwap(path, nil) {
			w.Header().Set("Content-Type", "application/json")
			w.Header().Set("Content-Length", "1000")
			_, _ = io.WriteString(w, `{"id": "`)
			return // shorter than was said, which ends the connection
		}
		proxy.ServeHTTP(w, q)
	})}
	go func(s *http.Server) { _ = s.Serve(l) }(r.server)
}

// visit opens a page of the site by this road.
func (r *road) visit(path string) *user {
	r.t.Helper()
	p, err := Open(browser, "http://"+r.addr+path, 1280, 800)
	if err != nil {
		r.t.Fatal(err)
	}
	r.t.Cleanup(func() { _ = p.Close() })
	return &user{r.t, p}
}

func (r *road) shut() { _ = r.server.Close() }

// waitKept waits until a JavaScript promise comes to something true.
func (u *user) waitKept(what, js string) {
	u.t.Helper()
	u.must("waiting until "+what, u.page.Timeout(patience).Wait(rod.Eval("async () => !!(await ("+js+"))").ByPromise()))
}

// A clip that was open before opens while the server is away, with what was not
// sent yet; it says so, can be worked on, and is whole when the server is back.
func TestAClipOpensWhileTheServerIsAway(t *testing.T) {
	r := newRoad(t)
	id := copyOf(t, 1)
	u := r.visit("/clips/" + id)
	u.ready()
	u.waitKept("the keeper keeps the page", "caches.open('billow-page').then(c => c.keys()).then(k => k.some(r => r.url.endsWith('.wasm')) && k.length > 5)")
	u.wait("the keeper has the page in hand", "navigator.serviceWorker.controller")
	u.eval("window.billowEditor.run({ type: 'setLight', set: { direction: -50 } })")
	u.waitKept("the browser keeps the clip as it is now", "caches.open('billow-clips').then(c => c.match('/api/clips/"+id+"')).then(a => a?.json()).then(k => k?.clip.light.direction === -50)")

	r.shut()
	u.eval("window.billowEditor.run({ type: 'setLight', set: { height: 33 } })")
	u.text(".saved", "Not sent yet: 1 change")
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.text(".notice.problem", "The server does not answer")
	u.wait("it is as it was left", "window.billowEditor.clip.light.direction === -50 && window.billowEditor.clip.light.height === 33")
	u.eval("window.billowEditor.run({ type: 'setLight', set: { softness: 12 } })")
	u.text(".saved", "Not sent yet: 2 changes")
	if c := site.stored(t, id); c.Light.Height == 33 || c.Light.Softness == 12 {
		t.Fatal("the server was reached")
	}

	r.open()
	u.saved()
	c := site.stored(t, id)
	if c.Light.Direction != -50 || c.Light.Height != 33 || c.Light.Softness != 12 {
		t.Errorf("the server has the light %+v", c.Light)
	}
	u.wait("the page shows the same", "window.billowEditor.clip.light.height === 33 && window.billowEditor.clip.light.softness === 12")
}

// On a busy machine an answer can break off although it had begun: the clip opens all
// the same, first without the keeper and then with it.
func TestAnAnswerThatBreaksOffIsAskedForAgain(t *testing.T) {
	r := newRoad(t)
	id := copyOf(t, 1)
	u := r.visit("/")
	path := "/api/clips/" + id
	for _, kept := range []bool{false, true} {
		if kept {
			u.wait("the keeper has the page in hand", "navigator.serviceWorker.controller")
		}
		r.broken.Store(&path)
		u.must("opening the clip", u.page.Navigate("http://"+r.addr+"/clips/"+id))
		u.ready()
		if r.broken.Load() != nil {
			t.Error("no answer broke off")
		}
	}
}

// While a font cannot be had, words are set in another; they are set in their own as
// soon as it can.
func TestAFontThatCannotBeHadComesLater(t *testing.T) {
	r := newRoad(t)
	part := "Caveat"
	r.closed.Store(&part)
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Handwritten", tall, 30, 60)
	l := clip.NewWords("line", "Line", clip.KindWords, "Written by hand")
	l.Group, l.Words.Font = "scene", "caveat-700"
	c.Layers = append(c.Layers, l)
	id := store.NewID()
	if err := site.Store.CreateClip(t.Context(), id, c, "New"); err != nil {
		t.Fatal(err)
	}
	u := r.visit("/clips/" + id)
	u.ready()
	before := u.shot()
	r.closed.Store(nil)
	u.wait("the words are set anew", fmt.Sprintf("document.querySelector('.tabletop canvas').toDataURL().length !== %d", before))
	after := u.shot()
	u.must("opening it anew", u.page.Reload())
	u.ready()
	if fresh := u.shot(); fresh != after {
		t.Errorf("the picture is %d long, opened anew %d", after, fresh)
	}
}
