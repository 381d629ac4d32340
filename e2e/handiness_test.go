package e2e

import (
	"fmt"
	"image"
	"image/color"
	"image/png"
	"os"
	"path/filepath"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

func TestEscapeTakesADragBack(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText(".target-switch button", "Whole motion")
	u.goTo(10)
	before := u.stored().Layer("b").Rest
	x, y := u.at(0, 0)
	m := u.page.Mouse
	u.must("moving the pointer", m.MoveTo(proto.NewPoint(x, y)))
	u.must("pressing", m.Down(proto.InputMouseButtonLeft, 1))
	u.must("dragging", m.MoveLinear(proto.NewPoint(x+60, y+40), 6))
	u.wait("it is dragged", fmt.Sprintf("Math.abs(window.billowEditor.layer.rest.x - %g) > 20", before.X))
	u.press(input.Escape)
	u.wait("it is back", fmt.Sprintf("window.billowEditor.layer.rest.x === %g && window.billowEditor.layer.rest.y === %g", before.X, before.Y))
	u.must("dragging on", m.MoveLinear(proto.NewPoint(x+90, y+40), 3))
	u.must("letting go", m.Up(proto.InputMouseButtonLeft, 1))
	u.press(input.Home)
	u.wait("it stays there", fmt.Sprintf("window.billowEditor.layer?.id === 'b' && window.billowEditor.layer.rest.x === %g && !window.billowEditor.past.length", before.X))
}

func TestACopyIsChosen(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	n := len(u.stored().Layers)
	u.clickText(".row-line .name", "^Disc b$")
	u.click("button[aria-label='Copy the layer']")
	u.wait("the copy is chosen", "window.billowEditor.layer && window.billowEditor.layer.id !== 'b' && window.billowEditor.chosen.length === 1")
	u.chord(input.ControlLeft, input.KeyD)
	u.waitStored("a copy of the copy", func(c *clip.Clip) bool { return len(c.Layers) == n+2 })
}

// One file goes onto the Tabletop, several to the shelf.
func TestSeveralFilesGoToTheShelf(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	before := len(u.stored().Layers)
	var files []string
	for i, name := range []string{"First thing", "Second thing"} {
		m := image.NewNRGBA(image.Rect(0, 0, 40, 40))
		for p := range 1600 {
			m.SetNRGBA(p%40, p/40, color.NRGBA{R: uint8(90 * (i + 1)), G: 40, B: 60, A: 255})
		}
		file := filepath.Join(t.TempDir(), name+".png")
		f, err := os.Create(file)
		if err != nil {
			t.Fatal(err)
		}
		if err := png.Encode(f, m); err != nil {
			t.Fatal(err)
		}
		if err := f.Close(); err != nil {
			t.Fatal(err)
		}
		files = append(files, file)
	}
	u.clickText("[role=tab]", "^Props$")
	u.must("choosing files", u.find(".side input[type=file]").SetFiles(files))
	u.text(".notice", "On the shelf: First thing and Second thing")
	u.text(".side", "Second thing")
	if n := len(u.stored().Layers); n != before {
		t.Errorf("there are %d layers, there were %d", n, before)
	}
}

func TestTheExportRemembersItsShapes(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.clickText("button", "^Export…$")
	u.text("[data-test=start-export]", "Export 4 shapes")
	u.text(".go", "with “Harbour morning”")
	u.click(".shape input[value=wide]")
	u.click(".shape input[value=square]")
	u.text("[data-test=start-export]", "Export 2 shapes")
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.clickText("button", "^Export…$")
	u.text("[data-test=start-export]", "Export 2 shapes")
}

func TestMorePropertiesStaysOpen(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.eval("localStorage.removeItem('billow-more-properties')") // another test may have left them open
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText("[role=tab]", "^Motion$")
	u.clickText("summary", "^More properties$")
	u.wait("it is open", "[...document.querySelectorAll('details')].some(d => d.open && d.textContent.includes('More properties'))")
	u.clickText(".row-line .name", "^Disc a$")
	u.wait("it is open for the next layer", "window.billowEditor.selected === 'a' && [...document.querySelectorAll('details')].some(d => d.open && d.textContent.includes('More properties'))")
	u.eval("localStorage.removeItem('billow-more-properties')")
}
