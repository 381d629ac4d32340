package e2e

import (
	"image"
	"image/color"
	"image/png"
	"os"
	"path/filepath"
	"testing"
)

// pictureFile writes a picture of one colour: all of it, or a square in its middle.
func pictureFile(t *testing.T, name string, c color.NRGBA, whole bool) string {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 60, 60))
	for y := range 60 {
		for x := range 60 {
			if whole || x >= 15 && x < 45 && y >= 15 && y < 45 {
				m.SetNRGBA(x, y, c)
			}
		}
	}
	file := filepath.Join(t.TempDir(), name)
	f, err := os.Create(file)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	if err := png.Encode(f, m); err != nil {
		t.Fatal(err)
	}
	return file
}

func TestTheShelfTakesFilesAndTellsOfThem(t *testing.T) {
	id := copyOf(t, 0)
	u := visit(t, "/clips/"+id)
	u.ready()
	layers := u.eval("window.billowEditor.clip.layers.length")
	good, photo := pictureFile(t, "shelf-plum.png", color.NRGBA{120, 30, 90, 255}, false), pictureFile(t, "shelf-photo.png", color.NRGBA{9, 120, 90, 255}, true)
	bad := filepath.Join(t.TempDir(), "shelf-broken.png")
	if err := os.WriteFile(bad, []byte("no picture at all"), 0o600); err != nil {
		t.Fatal(err)
	}
	// Several files: each comes by itself, and what cannot be taken says why.
	u.must("choosing files", u.find("input[aria-label='Files to bring in']").SetFiles([]string{good, bad, photo}))
	u.text(".uploads [role=alert]", "shelf-broken.png is neither a picture")
	u.text(".pictures .place", "shelf-plum")
	u.click("[aria-label='Dismiss shelf-broken.png']")
	u.wait("it is dismissed", "!document.querySelector('.uploads')")
	u.wait("the opaque one is pointed out", `document.querySelector("[aria-label='Place shelf-photo with its background']").textContent.includes('with its background')
		&& !document.querySelector("[aria-label='Place shelf-plum']").textContent.includes('background')`)
	if now := u.eval("window.billowEditor.clip.layers.length"); now != layers {
		t.Errorf("several files made %s layers of %s", now, layers)
	}
	u.wait("pictures are small", `[...document.querySelectorAll('.pictures img')].every((i) => i.complete && i.naturalWidth > 0 && Math.max(i.naturalWidth, i.naturalHeight) <= 320)`)

	// One file is used at once, unless one says that it is not to be.
	u.click(".at-once input")
	single := pictureFile(t, "shelf-single.png", color.NRGBA{200, 200, 30, 255}, false)
	u.must("choosing one file", u.find("input[aria-label='Files to bring in']").SetFiles([]string{single}))
	u.text(".pictures .place", "shelf-single")
	if now := u.eval("window.billowEditor.clip.layers.length"); now != layers {
		t.Errorf("it was placed: there are %s layers, there were %s", now, layers)
	}
	u.click(".at-once input")

	u.into("input[aria-label='Find on the shelf']")
	u.keys("shelf-pl")
	u.wait("only that is found", "document.querySelectorAll('.pictures li').length === 1")
	u.finds("the shelf that is searched")
	u.eval("void document.querySelector('.pictures li .about button').click()")
	u.text(".dropdown-menu.show", "No clip uses it")
	u.clickText(".dropdown-menu.show button", "Take it from the shelf")
	u.wait("it is gone", "document.querySelectorAll('.pictures li').length === 0")
	u.clickText(".notice button", "Take it back")
	u.wait("it is back", "document.querySelectorAll('.pictures li').length === 1")

	// What a clip uses says so, and stays.
	u.click("[aria-label='Place shelf-plum']")
	u.wait("it is placed", "window.billowEditor.clip.layers.length > "+layers)
	u.saved()
	u.must("looking again", u.page.Reload())
	u.ready()
	u.clickText("[role=tab]", "^Props$")
	u.into("input[aria-label='Find on the shelf']")
	u.keys("shelf-pl")
	u.wait("only that is found", "document.querySelectorAll('.pictures li').length === 1")
	u.eval("void document.querySelector('.pictures li .about button').click()")
	u.text(".dropdown-menu.show", "Used in Lantern weekend")
	if u.eval("![...document.querySelectorAll('.dropdown-menu.show button')].some(b => b.textContent.includes('Take it from the shelf'))") != "true" {
		t.Error("what is used can be taken from the shelf")
	}
}
