package e2e

import (
	"fmt"
	"os"
	"testing"
	"time"

	"billow/export"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

var (
	site    *Site
	browser *rod.Browser
)

func TestMain(m *testing.M) {
	export.DrawIfAsked()
	os.Exit(run(m))
}

func run(m *testing.M) int {
	var err error
	if site, err = NewSite(320); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer site.Close()
	var end func()
	if browser, end, err = Chromium(1280, 800); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer end()
	return m.Run()
}

// user is a person at the page. Whatever does not come about within patience
// fails the test with what was waited for.
type user struct {
	t    testing.TB
	page *rod.Page
}

const patience = 3 * time.Minute

func visit(t testing.TB, path string) *user {
	t.Helper()
	p, err := Open(browser, site.URL+path, 1280, 800)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = p.Close() })
	return &user{t, p}
}

func (u *user) must(what string, err error) {
	u.t.Helper()
	if err == nil {
		return
	}
	if png, shot := u.page.Screenshot(false, nil); shot == nil {
		file := fmt.Sprintf("%s/billow-failed-%d.png", os.TempDir(), time.Now().UnixNano())
		if os.WriteFile(file, png, 0o600) == nil {
			what += " (the page then: " + file + ")"
		}
	}
	u.t.Fatalf("%s: %v", what, err)
}

func (u *user) find(selector string) *rod.Element {
	u.t.Helper()
	e, err := u.page.Timeout(patience).Element(selector)
	u.must("waiting for "+selector, err)
	return e.CancelTimeout()
}

// text finds what bears a text, matched as a regular expression.
func (u *user) text(selector, pattern string) *rod.Element {
	u.t.Helper()
	e, err := u.page.Timeout(patience).ElementR(selector, pattern)
	u.must("waiting for "+selector+" with "+pattern, err)
	return e.CancelTimeout()
}

func (u *user) click(selector string) {
	u.t.Helper()
	e := u.find(selector).Timeout(patience)
	u.must("waiting until "+selector+" stands still", e.WaitStableRAF())
	u.must("clicking "+selector, e.Click(proto.InputMouseButtonLeft, 1))
}

func (u *user) clickText(selector, pattern string) {
	u.t.Helper()
	e := u.text(selector, pattern).Timeout(patience)
	u.must("waiting until "+pattern+" stands still", e.WaitStableRAF())
	u.must("clicking "+pattern, e.Click(proto.InputMouseButtonLeft, 1))
}

// write replaces what is in a field and presses Tab.
func (u *user) write(selector, text string) {
	u.t.Helper()
	e := u.find(selector).Timeout(patience)
	u.must("selecting in "+selector, e.SelectAllText())
	u.must("writing into "+selector, e.Input(text))
	u.press(input.Tab)
}

func (u *user) choose(selector, value string) {
	u.t.Helper()
	u.wait(value+" is offered", fmt.Sprintf("!!document.querySelector(%q)?.querySelector('option[value=%q]')", selector, value))
	e := u.find(selector)
	u.must("focusing "+selector, e.Focus())
	u.must("choosing in "+selector, e.Select([]string{fmt.Sprintf("[value=%q]", value)}, true, rod.SelectorTypeCSSSector))
}

func (u *user) press(keys ...input.Key) {
	u.t.Helper()
	u.must("pressing keys", u.page.Keyboard.Type(keys...))
}

// drag moves the pointer from one place to another in several steps.
func (u *user) drag(x0, y0, x1, y1 float64) {
	u.t.Helper()
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x0, y0)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	u.must("dragging", m.MoveLinear(proto.NewPoint(x1, y1), 12))
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
}

func (u *user) box(selector string) (x, y, w, h float64) {
	u.t.Helper()
	s, err := u.find(selector).Shape()
	u.must("measuring "+selector, err)
	b := s.Box()
	return b.X, b.Y, b.Width, b.Height
}

// wait waits until a JavaScript expression is true. One that fails is not true
// yet: what it asks about may still have to come onto the page.
func (u *user) wait(what, js string) {
	u.t.Helper()
	err := u.page.Timeout(patience).Wait(rod.Eval("() => { try { return !!(" + js + ") } catch { return false } }"))
	if err != nil {
		if _, fault := u.page.Eval("() => !!(" + js + ")"); fault != nil {
			err = fault
		}
	}
	u.must("waiting until "+what, err)
}

func (u *user) eval(js string) string {
	u.t.Helper()
	r, err := u.page.Eval("() => " + js)
	u.must("asking the page", err)
	return r.Value.String()
}

// saved waits until the server has everything.
func (u *user) saved() {
	u.t.Helper()
	u.text(".saved", "^\\s*Saved")
}

// ready waits until the Tabletop shows a picture, and goes to the clip's start.
func (u *user) ready() {
	u.t.Helper()
	u.wait("the picture is drawn", `document.querySelector('.tabletop canvas')?.dataset.frame !== undefined`)
	u.eval("void window.billowEditor.go(0)")
	u.wait("its start is shown", `document.querySelector('.tabletop canvas').dataset.frame === '0'`)
}
