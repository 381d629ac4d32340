package e2e

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/store"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// copyOf imports a sample clip anew, so that tests do not disturb each other.
func copyOf(t *testing.T, n int) string {
	t.Helper()
	c := site.World.Clips[n].Clip.Clone()
	id := strings.ToLower(strings.NewReplacer("/", "-").Replace(t.Name()))
	if len(id) > 40 {
		id = id[:40]
	}
	if err := site.Store.CreateClip(t.Context(), id, c, "Copy"); err != nil {
		t.Fatal(err)
	}
	return id
}

func TestAPageWithoutAConnectionKeepsItsCommands(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	cut := u.page.HijackRequests()
	u.must("cutting the connection", cut.Add("*/commands", "", func(h *rod.Hijack) {
		h.Response.Fail(proto.NetworkErrorReasonInternetDisconnected)
	}))
	go cut.Run()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "77")
	u.text(".saved", "Not sent yet: 1 change$")
	if c := site.stored(t, id); c.Layer("mug-layer").Lift == 77 {
		t.Fatal("the server has a change that was never sent")
	}
	u.must("mending the connection", cut.Stop())
	u.saved()
	if c := site.stored(t, id); c.Layer("mug-layer").Lift != 77 {
		t.Errorf("after coming back the lift is %g", c.Layer("mug-layer").Lift)
	}
}

// front brings a page to the front, as clicking on its tab does.
func (u *user) front() {
	u.t.Helper()
	_, err := u.page.Activate()
	u.must("choosing a tab", err)
}

func (s *Site) stored(t *testing.T, id string) *clip.Clip {
	t.Helper()
	st, err := s.Store.State(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	return st.Clip
}

// Two pages on one clip see each other's changes, and undo touches only one's
// own.
func TestTwoPagesSeeEachOthersChanges(t *testing.T) {
	id := copyOf(t, 1)
	a := visit(t, "/clips/"+id)
	a.ready()
	b := visit(t, "/clips/"+id)
	b.ready()
	lift := func(layer string) string {
		return `window.billowEditor.clip.layers.find(l => l.id === '` + layer + `').lift`
	}
	a.front()
	a.clickText(".row-line .name", "^Mug$")
	a.write("input[aria-label=Lift]", "70")
	a.saved()
	b.front()
	b.wait("the other page shows it", lift("mug-layer")+" === 70")
	// Someone elsewhere changes it while this page is looked at.
	elsewhere := store.Edit{ID: store.NewID(), Command: []byte(`{"type":"setLayer","layer":"spoons-layer","set":{"lift":11}}`)}
	if _, err := site.Store.Edit(t.Context(), id, 0, []store.Edit{elsewhere}); err != nil {
		t.Fatal(err)
	}
	b.wait("it shows that at once", lift("spoons-layer")+" === 11")
	b.clickText(".row-line .name", "Spoons")
	b.write("input[aria-label=Lift]", "20")
	b.saved()
	a.front()
	a.wait("the first page shows that one", lift("spoons-layer")+" === 20")
	a.click("[aria-label=Undo]")
	a.waitStored("only one's own change is undone", func(c *clip.Clip) bool {
		return c.Layer("mug-layer").Lift == 44 && c.Layer("spoons-layer").Lift == 20
	})
	a.click("[aria-label=Redo]")
	a.waitStored("it is done again", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 70 })
	b.front()
	b.clickText(".row-line .name", "^Mug$")
	// What is being written stays when the value changes elsewhere.
	field := b.find("input[aria-label=Lift]")
	b.must("selecting the lift", field.SelectAllText())
	b.must("writing the lift", b.page.InsertText("3"))
	b.waitStored("half of it, still being written", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 3 })
	elsewhere = store.Edit{ID: store.NewID(), Command: []byte(`{"type":"setLayer","layer":"mug-layer","set":{"lift":55}}`)}
	if _, err := site.Store.Edit(t.Context(), id, 0, []store.Edit{elsewhere}); err != nil {
		t.Fatal(err)
	}
	b.wait("the other page has the change", lift("mug-layer")+" === 55")
	b.must("writing on", b.page.InsertText("3"))
	b.press(input.Tab)
	b.waitStored("what was written is kept", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 33 })
	a.front()
	a.wait("the first page shows the new value", lift("mug-layer")+" === 33")
	a.click("[aria-label=Undo]")
	a.text(".notice.problem", "[Ll]ift of Mug")
	if c := site.stored(t, id); c.Layer("mug-layer").Lift != 33 {
		t.Errorf("undoing took the other's value away: %g", c.Layer("mug-layer").Lift)
	}
}

func TestACrashedEngineIsStartedAgain(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 1))
	u.ready()
	u.eval(`window.billowEditor.engines().forEach(e => e.crash())`)
	u.text(".notice", "started again")
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "66")
	u.waitStored("a change after the crash", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 66 })
	before := u.eval(`document.querySelector('.tabletop canvas').dataset.version`)
	u.write("input[aria-label=Lift]", "20")
	u.wait("the picture is drawn again", `document.querySelector('.tabletop canvas').dataset.version !== '`+before+`'`)
}

func TestBadFilesAreNamedAndChangeNothing(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	before := string(site.stored(t, id).Encode())
	dir := t.TempDir()
	for name, content := range map[string]string{"empty.png": "", "text.png": "just words", "cut.png": "\x89PNG\r\n\x1a\n\x00\x00\x00\x0dIHDR"} {
		file := filepath.Join(dir, name)
		if err := os.WriteFile(file, []byte(content), 0o600); err != nil {
			t.Fatal(err)
		}
		u.bring(file)
		u.text(".notice.problem", name)
	}
	// A value out of its range is refused in words, and the field shows the truth.
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Size]", "-4")
	u.text(".field-problem", "between 1 and 20000")
	u.wait("the field shows the true size", `document.querySelector('input[aria-label=Size]').value === '580'`)
	if after := string(site.stored(t, id).Encode()); after != before {
		t.Error("bad input changed the clip")
	}
}

func TestAClipIsUndoneThroughItsRevisions(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.clickText(".row-line .name", "^Mug$")
	u.write("input[aria-label=Lift]", "90")
	u.saved()
	u.clickText("button", "^Revisions$")
	u.clickText("button", "^Each change$")
	u.click("[aria-label='Go back to revision 1']")
	u.waitStored("the first revision is back", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 44 })
	u.wait("the page shows it", `document.querySelector('input[aria-label=Lift]').value === '44'`)
	u.click("[aria-label=Undo]")
	u.waitStored("going back is undone", func(c *clip.Clip) bool { return c.Layer("mug-layer").Lift == 90 })
}

// The page works at these sizes: nothing scrolls sideways, and picture, proofs,
// Beatline and settings are all inside the window.
func TestThePageFitsItsWindow(t *testing.T) {
	u := visit(t, "/clips/lantern-weekend")
	for _, size := range [][2]int{{1280, 800}, {1024, 700}, {1920, 1080}} {
		u.must("resizing", u.page.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: size[0], Height: size[1], DeviceScaleFactor: 1}))
		u.ready()
		u.wait("the page fits", `document.documentElement.scrollWidth <= innerWidth && ['.side', '.tabletop canvas', '.proofs', '.beatline'].every(s => {
			const b = document.querySelector(s).getBoundingClientRect()
			return b.left >= 0 && b.top >= 0 && b.right <= innerWidth + 1 && b.bottom <= innerHeight + 1 && b.width > 80
		}) && [...document.querySelectorAll('.proofs canvas')].every(c => c.getBoundingClientRect().right <= innerWidth)`)
	}
}

// Every control has a name for those who do not see it.
func TestEveryControlHasAName(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	for _, tab := range []string{"^Props$", "^Clip and light$", "^Layer$"} {
		u.clickText("[role=tab]", tab)
		if tab == "^Layer$" {
			u.clickText(".row-line .name", "Headline")
			u.find("textarea")
		}
		nameless := u.eval(`[...document.querySelectorAll('button, input, select, textarea, a')].filter(e => e.offsetParent !== null &&
			!(e.getAttribute('aria-label') || e.innerText?.trim() || e.closest('label')?.innerText.trim())).map(e => e.outerHTML).join('\n')`)
		if nameless != "" {
			t.Errorf("under %s these have no name:\n%s", tab, nameless)
		}
	}
}
