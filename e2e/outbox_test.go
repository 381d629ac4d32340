package e2e

import (
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/store"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// cut lets no commands of a page through; mend lets them through again.
func (u *user) cut() (mend func()) {
	u.t.Helper()
	r := u.page.HijackRequests()
	u.must("cutting the connection", r.Add("*/commands", "", func(h *rod.Hijack) {
		h.Response.Fail(proto.NetworkErrorReasonInternetDisconnected)
	}))
	go r.Run()
	return func() { u.must("mending the connection", r.Stop()) }
}

// What a closed tab had not sent, the next page on the clip sends, once.
func TestWhatAClosedTabLeftIsSentOnce(t *testing.T) {
	id := copyOf(t, 1)
	a := visit(t, "/clips/"+id)
	a.ready()
	a.cut()
	a.clickText(".row-line .name", "^Mug$")
	x := site.stored(t, id).Layer("mug-layer").Rest.X
	a.must("choosing the picture", a.find(".tabletop").Focus())
	for range 3 {
		a.press(input.ArrowRight)
	}
	a.text(".saved", "Not sent yet: 3 changes")
	if err := a.page.Close(); err != nil {
		t.Fatal(err)
	}
	b := visit(t, "/clips/"+id)
	b.text(".notice", "3 changes that a closed page had not sent")
	b.waitStored("all three are stored", func(c *clip.Clip) bool { return c.Layer("mug-layer").Rest.X == x+3 })
	b.saved()
	b.wait("the page shows them", fmt.Sprintf(`window.billowEditor.clip.layers.find(l => l.id === 'mug-layer').rest.x === %v`, x+3))
	c := visit(t, "/clips/"+id)
	c.ready()
	c.saved()
	if got := site.stored(t, id).Layer("mug-layer").Rest.X; got != x+3 {
		t.Errorf("after another page was opened the mug lies at %g instead of %g", got, x+3)
	}
	if left := c.eval(`String(Object.keys(localStorage).filter(k => k.startsWith('billow-outbox/` + id + `/')).length)`); left != "0" {
		t.Errorf("%s outboxes are left", left)
	}
}

// What was left of one clip is never taken for what was left of another whose
// ID it begins with.
func TestWhatWasLeftStaysWithItsClip(t *testing.T) {
	id := copyOf(t, 1)
	second := id + "-second"
	if err := site.Store.CreateClip(t.Context(), second, site.World.Clips[1].Clip, "Copy"); err != nil {
		t.Fatal(err)
	}
	a := visit(t, "/clips/"+second)
	a.ready()
	a.cut()
	a.clickText(".row-line .name", "^Mug$")
	a.write("input[aria-label=Lift]", "81")
	a.text(".saved", "Not sent yet: 1 change")
	if err := a.page.Close(); err != nil {
		t.Fatal(err)
	}
	b := visit(t, "/clips/"+id)
	b.ready()
	b.clickText(".row-line .name", "^Mug$")
	b.write("input[aria-label=Lift]", "12")
	b.waitStored("its own change is stored", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 12 })
	b.saved()
	c := visit(t, "/clips/"+second)
	c.waitStored("what was left is stored in its clip", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 81 })
}

// Of what was done without a connection, only what no longer fits is left out,
// by name.
func TestOnlyWhatNoLongerFitsIsLeftOut(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	mend := u.cut()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "77")
	u.clickText(".row-line .name", "Spoons")
	u.write("input[aria-label=Lift]", "33")
	u.text(".saved", "Not sent yet: 2 changes")
	elsewhere := store.Edit{ID: store.NewID(), Command: []byte(`{"type":"removeLayer","layer":"mug-layer"}`)}
	if _, err := site.Store.Edit(t.Context(), id, 0, []store.Edit{elsewhere}); err != nil {
		t.Fatal(err)
	}
	mend()
	u.text(".notice.problem", "no layer")
	u.saved()
	c := site.stored(t, id)
	if c.Layer("mug-layer") != nil || c.Layer("spoons-layer").Lift != 33 {
		t.Errorf("the clip has %v and a lift of %g", c.Layer("mug-layer"), c.Layer("spoons-layer").Lift)
	}
	u.wait("the page shows the same", `window.billowEditor.clip.layers.every(l => l.id !== 'mug-layer') && window.billowEditor.clip.layers.find(l => l.id === 'spoons-layer').lift === 33`)
}

// A browser without room keeps nothing, but sends all the same, and says so.
func TestAFullBrowserStillSends(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.eval(`(() => {
		let piece = 'x'.repeat(1 << 20)
		for (let n = 0; piece.length; n++) {
			try { localStorage.setItem('filler' + n, piece) } catch { piece = piece.slice(piece.length / 2 + 1) }
		}
		return ''
	})()`)
	defer u.eval(`(() => { localStorage.clear(); return '' })()`)
	mend := u.cut()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "78")
	u.text(".saved", "storage is full: keep this page open")
	mend()
	u.saved()
	if lift := site.stored(t, id).Layer("mug-layer").Lift; lift != 78 {
		t.Errorf("the lift is %g", lift)
	}
}

// What is wrong with a server that answers is said, and the change kept.
func TestAFullServerIsNamedAndNothingIsLost(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	r := u.page.HijackRequests()
	u.must("filling the server", r.Add("*/commands", "", func(h *rod.Hijack) {
		h.Response.Payload().ResponseCode = 507
		h.Response.SetBody(`{"error":{"code":"full","message":"The server's disk is full","field":""}}`)
	}))
	go r.Run()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "79")
	u.text(".saved", "Not sent yet: 1 change. The server.s disk is full")
	u.must("making room", r.Stop())
	u.saved()
	if lift := site.stored(t, id).Layer("mug-layer").Lift; lift != 79 {
		t.Errorf("the lift is %g", lift)
	}
}
