package e2e

import (
	"context"
	"net"
	"testing"

	"billow/core/clip"
	"billow/door"
	"billow/export"
	"billow/media"
	"billow/server"
	"billow/web"

	"github.com/go-rod/rod/lib/proto"
)

// A server that others can reach asks for the pass phrase. When a session ends
// while someone works, nothing of the work is lost.
func TestSigningInWhileWorking(t *testing.T) {
	id := copyOf(t, 1)
	if err := site.Store.SetPhrase(t.Context(), door.Hash("tin kettle on the fire")); err != nil {
		t.Fatal(err)
	}
	drawer := &export.Drawer{}
	q, err := export.NewQueue(site.Store, drawer, false)
	if err != nil {
		t.Fatal(err)
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	ctx, stop := context.WithCancel(context.Background())
	ended := make(chan error, 1)
	srv := &server.Server{Store: site.Store, Queue: q, Drawer: drawer, Page: web.Files(), Limits: media.DefaultLimits(), Closed: true}
	go func() { ended <- srv.Serve(ctx, l) }()
	defer func() {
		stop()
		if err := <-ended; err != nil {
			t.Error(err)
		}
	}()
	p, err := Open(browser, "http://"+l.Addr().String()+"/clips/"+id, 1280, 800)
	if err != nil {
		t.Fatal(err)
	}
	defer p.Close()
	u := &user{t, p}
	enter := func(phrase string) {
		t.Helper()
		e := u.find(".door input").Timeout(patience)
		u.must("choosing the field", e.SelectAllText())
		u.must("typing", e.Input(phrase))
		u.must("signing in", u.text(".door button", "Sign in").Click(proto.InputMouseButtonLeft, 1))
	}
	enter("tin kettle on the water")
	u.text(".door .problem", "not the pass phrase")
	u.finds("signing in")
	enter("tin kettle on the fire")
	u.ready()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "71")
	u.waitStored("the change is stored", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 71 })
	if _, err := site.Store.EndSessions(t.Context()); err != nil {
		t.Fatal(err)
	}
	u.write("input[aria-label=Lift]", "72")
	u.find(".door")
	u.text(".saved", "Not sent yet: 1 change")
	enter("tin kettle on the fire")
	u.waitStored("the change that waited is stored", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 72 })
	u.click("[aria-label=Undo]")
	u.waitStored("it can be undone", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 71 })
	u.must("going to the clips", u.page.Navigate("http://"+l.Addr().String()+"/"))
	u.clickText("button", "Who is signed in")
	u.find(".modal.show")
	u.finds("who is signed in")
}
