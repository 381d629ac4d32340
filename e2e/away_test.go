package e2e

import (
	"net"
	"net/http"
	"net/http/httputil"
	"net/url"
	"testing"

	"github.com/go-rod/rod"
)

// road is an address under which the site is found, and which can be closed.
type road struct {
	t      *testing.T
	addr   string
	server *http.Server
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
	r.server = &http.Server{Handler: proxy}
	go func(s *http.Server) { _ = s.Serve(l) }(r.server)
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
	p, err := Open(browser, "http://"+r.addr+"/clips/"+id, 1280, 800)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = p.Close() })
	u := &user{t, p}
	u.ready()
	u.waitKept("the keeper keeps the page", "caches.open('billow-page').then(c => c.keys()).then(k => k.some(r => r.url.endsWith('.wasm')) && k.length > 5)")
	u.wait("the keeper has the page in hand", "navigator.serviceWorker.controller")
	u.eval("window.billowEditor.run({ type: 'setLight', set: { direction: -50 } })")
	u.waitKept("the browser keeps the clip as it is now", "caches.open('billow-clips').then(c => c.match('/api/clips/"+id+"')).then(a => a?.json()).then(k => k?.clip.light.direction === -50)")

	r.shut()
	u.eval("window.billowEditor.run({ type: 'setLight', set: { height: 33 } })")
	u.text(".saved", "Not sent yet: 1 change")
	u.must("opening it anew", p.Reload())
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
