package e2e

import (
	"context"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/fonts"
	"billow/store"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// ownClip is a copy of a sample clip under a name of its own.
func ownClip(t *testing.T, n int, name string) string {
	t.Helper()
	c := site.World.Clips[n].Clip.Clone()
	c.Name = name
	id := store.NewID()
	if err := site.Store.CreateClip(t.Context(), id, c, "Copy"); err != nil {
		t.Fatal(err)
	}
	return id
}

// findClip looks for a clip by its name until it is the only one that is listed.
func (u *user) findClip(name string) {
	u.t.Helper()
	u.into("input[aria-label='Find a clip by its name']")
	u.keys(name)
	u.wait("only "+name+" is listed", `document.querySelectorAll('.clip').length === 1 && document.querySelector('.clip strong').textContent === '`+name+`'`)
}

// more presses an entry of the menu of the only clip that is listed.
func (u *user) more(entry string) {
	u.t.Helper()
	u.click(".clip .more")
	u.clickText(".dropdown-menu.show button", entry)
}

func TestAClipIsDuplicated(t *testing.T) {
	ownClip(t, 1, "Twice as slow")
	u := visit(t, "/")
	u.findClip("Twice as slow")
	u.more("^Duplicate$")
	u.wait("there are two", "document.querySelectorAll('.clip').length === 2")
	u.text(".clip strong", "^Twice as slow, again$")
}

func TestADeletedClipIsTakenBack(t *testing.T) {
	id := ownClip(t, 1, "Not for long")
	u := visit(t, "/")
	u.findClip("Not for long")
	u.more("^Delete$")
	u.wait("it is gone", "document.querySelectorAll('.clip').length === 0")
	u.clickText(".notice button", "^Take it back$")
	u.wait("it is back", "document.querySelectorAll('.clip').length === 1")
	u.more("^Delete$")
	u.wait("it is gone again", "document.querySelectorAll('.clip').length === 0")
	// Also later, when the notice is gone.
	u = visit(t, "/")
	u.clickText("button", "deleted$")
	u.text("h2", "^Deleted clips")
	u.finds("the deleted clips")
	u.wait("it is listed", `[...document.querySelectorAll('.clip strong')].some((s) => s.textContent === 'Not for long')`)
	u.eval(`void [...document.querySelectorAll('.clip')].find((c) => c.textContent.includes('Not for long')).querySelector('button').click()`)
	u.wait("it is listed no longer", `![...document.querySelectorAll('.clip strong')].some((s) => s.textContent === 'Not for long')`)
	if _, err := site.Store.State(t.Context(), id); err != nil {
		t.Error(err)
	}
}

func TestAClipPlaysUnderThePointer(t *testing.T) {
	ownClip(t, 0, "Looked at")
	u := visit(t, "/")
	u.findClip("Looked at")
	x, y, w, h := u.box(".clip .poster")
	m := u.page.Mouse
	u.must("moving the pointer there", m.MoveTo(proto.NewPoint(x+w/2, y+h/2)))
	u.wait("it plays", `(v => v && v.videoWidth > 100 && v.currentTime > 0.3 && getComputedStyle(v).opacity === '1')(document.querySelector('.clip video'))`)
	u.must("moving the pointer away", m.MoveTo(proto.NewPoint(x+w/2, y+h+200)))
	u.wait("the film is gone", "!document.querySelector('.clip video')")
}

// hashOf is the file of a prop of the sample world.
func hashOf(t *testing.T, id string) string {
	t.Helper()
	for _, p := range site.World.Props {
		if p.ID == id {
			return p.Hash
		}
	}
	t.Fatalf("there is no %s", id)
	return ""
}

// visible is how large a layer is in Tall on its poster frame, in square units.
func visible(t *testing.T, c *clip.Clip, layer string) float64 {
	t.Helper()
	lib := frame.NewLibrary(fonts.All(), 8<<20)
	at := frame.PosterFrame(c, lib)
	for _, p := range frame.Arrange(c, c.Shapes[0], lib).Places(at, nil) {
		if p.Layer == layer {
			return p.W * p.H
		}
	}
	t.Fatalf("%s is not there", layer)
	return 0
}

func TestTheSameClipForAnotherProduct(t *testing.T) {
	from := ownClip(t, 0, "Lanterns this week")
	before, err := site.Store.State(t.Context(), from)
	if err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/")
	u.findClip("Lanterns this week")
	u.more("another product")
	u.text(".modal.show h3", "Instead of Storm lantern")
	u.clickText(".modal.show [aria-label='Instead of Storm lantern'] button", "Trail kettle")
	u.finds("choosing another product")
	u.write(".modal.show .fields label:nth-of-type(2) input", "33.00")
	u.clickText(".modal.show .modal-footer button", "^Make the clip$")
	u.wait("the new clip is open", `/^\/clips\/.+/.test(location.pathname) && location.pathname !== '/clips/`+from+`'`)
	u.ready()
	c := u.stored()
	if c.Name != "Lanterns this week: Trail kettle" {
		t.Errorf("it is called %q", c.Name)
	}
	p := c.Products[0]
	if p.Name != "Trail kettle" || p.Price != "33.00" || p.OldPrice != "48.00" {
		t.Errorf("it sells %+v", p)
	}
	if shown := c.PictureOf(c.Layer("lantern-layer")); shown == nil || shown.Name != "Trail kettle" {
		t.Errorf("it shows %+v", shown)
	}
	// The kettle covers about as much as the lantern did: the lantern's bounds are
	// narrow, and within bounds it may not grow without end.
	was, is := before.Clip.Prop("lantern").Picture.Area*visible(t, before.Clip, "lantern-layer"), c.PictureOf(c.Layer("lantern-layer")).Picture.Area*visible(t, c, "lantern-layer")
	if math.Abs(math.Log(is/was)) > math.Log(1.35) {
		t.Errorf("the kettle covers %.0f square units, the lantern %.0f", is, was)
	}
	if now, err := site.Store.State(context.Background(), from); err != nil || now.Clip.Products[0].Name != "Storm lantern" {
		t.Errorf("the clip that it was made from is changed (%v)", err)
	}
}

func TestAClipIsMadeFromAStarter(t *testing.T) {
	u := visit(t, "/")
	u.clickText(".starters button", "New arrival")
	u.wait("a product is chosen and shown", `(i => i?.src.startsWith('blob:') && i.naturalWidth > 200)(document.querySelector('.modal.show .look img'))`)
	u.finds("a starter")
	first := u.eval("document.querySelector('.modal.show .look img').src")
	u.clickText(".modal.show [aria-label='The new product'] button", "Bread tin")
	u.write(".modal.show .words label:nth-of-type(1) input", "Fresh")
	u.clickText(".modal.show .palettes button", "Berry")
	u.clickText(".modal.show .shapes button", "Square")
	u.wait("the picture follows", `(i => i.src !== '`+first+`' && i.naturalWidth === i.naturalHeight)(document.querySelector('.modal.show .look img'))`)
	u.choose(".modal.show select", hashOf(t, "tin-parade"))
	u.write(".modal.show .last input", "Fresh from the tin")
	u.clickText(".modal.show .modal-footer button", "^Make the clip$")
	u.wait("the new clip is open", `location.pathname.startsWith('/clips/')`)
	u.ready()
	c := u.stored()
	if c.Name != "Fresh from the tin" || c.Shapes[0].ID != "square" || len(c.Shapes) != 4 {
		t.Errorf("%q is made for %v", c.Name, c.Shapes)
	}
	if got := c.Layer("big").Words.Text; got != "Fresh" {
		t.Errorf("the huge word is %q", got)
	}
	if p := c.Products[0]; p.Name != "Bread tin" || c.PictureOf(c.Layer("product")).Name != "Bread tin" {
		t.Errorf("it sells %+v", p)
	}
	if math.Abs(c.Tempo.BPM-126) > 0.5 {
		t.Errorf("with a tune of 126 beats a minute, the clip has %g", c.Tempo.BPM)
	}
}

func TestRevisionsAreNamedAndCompared(t *testing.T) {
	id := copyOf(t, 0)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.clickText(".row-line .name", "^Badge$")
	u.write("input[aria-label=Lift]", "80")
	u.saved()
	// What was done long ago is a stretch of its own.
	if _, err := site.Store.Pool.Exec(t.Context(), `UPDATE revisions SET created_at = created_at - interval '1 hour' WHERE clip_id = $1`, id); err != nil {
		t.Fatal(err)
	}
	u.eval("void window.billowEditor.run({ type: 'setLayer', layer: 'badge', set: { hidden: true } })")
	u.saved()
	u.goTo(130)
	u.clickText("button", "^Revisions$")
	u.wait("there are two stretches with pictures", `document.querySelectorAll('.history ol > li > img').length === 2 && [...document.querySelectorAll('.history ol > li > img')].every((i) => i.naturalWidth > 100)`)
	u.finds("the stretches")
	u.click("[aria-label='Name it: revision 2']")
	u.into("[aria-label='Name of revision 2']")
	u.keys("With the badge")
	u.press(input.Enter)
	u.text(".history strong", "^With the badge$")
	u.click("[aria-label='Compare revision 2 with now']")
	differ := `(() => {
		const [a, b] = [...document.querySelectorAll('.compare canvas')].map((c) => c.width > 10 && c.getContext('2d').getImageData(0, 0, c.width, c.height).data)
		if (!a || !b || a.length !== b.length) return false
		let n = 0
		for (let i = 0; i < a.length; i += 4) if (Math.abs(a[i] - b[i]) + Math.abs(a[i + 1] - b[i + 1]) > 60) n++
		return n > a.length / 4 / 50
	})()`
	u.wait("then and now differ by the badge", differ)
	u.finds("the comparison")
	list, err := site.Store.Stretches(t.Context(), id, 0)
	if err != nil || len(list) != 2 || list[1].Name != "With the badge" || list[1].First != 1 || strings.Join(list[0].Changes, " ") != "Layer settings" {
		t.Errorf("the stretches are %+v (%v)", list, err)
	}
	u.clickText("button", "^Go back to then$")
	u.waitStored("the badge is back", func(c *clip.Clip) bool { l := c.Layer("badge"); return !l.Hidden && l.Lift == 80 })
}
