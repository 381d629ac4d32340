package e2e

import (
	"fmt"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// Whatever the shape, the picture has the room, and all else is in view with it.
func TestThePictureGetsTheRoom(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	for _, x := range []struct {
		shape      string
		wide, high int // pixels at least
	}{{"tall", 0, 660}, {"portrait", 0, 660}, {"square", 560, 560}, {"wide", 790, 0}} {
		u.eval(fmt.Sprintf("window.billowEditor.choose(%q)", x.shape))
		u.wait(fmt.Sprintf("%s is at least %d by %d", x.shape, x.wide, x.high), fmt.Sprintf(`(b => b.width >= %d && b.height >= %d && Math.abs(b.width / b.height - window.billowEditor.shapeNow.w / window.billowEditor.shapeNow.h) < 0.02)
			(document.querySelector('.tabletop canvas').getBoundingClientRect())`, x.wide, x.high))
		u.wait("seven rows are in view in "+x.shape, `(s => [...document.querySelectorAll('.row-line')].filter(r => r.getBoundingClientRect().bottom <= s.bottom + 1).length >= 7)(document.querySelector('.scroller').getBoundingClientRect())`)
		u.wait("time has 600 pixels in "+x.shape, `(s => s.clientWidth - document.querySelector('.row-line .label').getBoundingClientRect().width >= 600 && s.scrollWidth <= s.clientWidth)(document.querySelector('.scroller'))`)
		for _, part := range []string{".side", ".proofs", ".transport .play", ".beatbar", ".top"} {
			u.wait(part+" is in view", fmt.Sprintf(`(b => b.width > 20 && b.left >= 0 && b.top >= 0 && b.right <= innerWidth && b.bottom <= innerHeight)(document.querySelector(%q).getBoundingClientRect())`, part))
		}
	}
}

func TestAKeyShowsThePictureAlone(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	_, _, _, before := u.box(".tabletop canvas")
	u.press('t')
	u.wait("all else is gone", "!document.querySelector('.beatline') && !document.querySelector('.side')")
	u.wait("the picture is larger", fmt.Sprintf("document.querySelector('.tabletop canvas').getBoundingClientRect().height > %g", before+10))
	u.press(input.Escape)
	u.find(".beatline")
}

func TestDividersAreDraggedAndRemembered(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	_, top, _, _ := u.box(".beatline")
	x, y, w, h := u.box("[aria-label='Height of the Beatline']")
	u.drag(x+w/2, y+h/2, x+w/2, y+h/2-90)
	u.wait("the Beatline is higher", fmt.Sprintf("Math.abs(document.querySelector('.beatline').getBoundingClientRect().top - %g) < 4", top-90))
	u.must("opening it anew", u.page.Reload())
	u.ready()
	u.wait("it still is", fmt.Sprintf("Math.abs(document.querySelector('.beatline').getBoundingClientRect().top - %g) < 4", top-90))
	u.must("focusing the divider", u.find("[aria-label='Width of the picture']").Focus())
	before := u.eval("document.querySelector('.side').getBoundingClientRect().left")
	u.press(input.ArrowLeft)
	u.wait("the picture is narrower", "document.querySelector('.side').getBoundingClientRect().left < "+before)
	u.eval("localStorage.removeItem('billow-dividers')")
}

// A layer that is chosen on the Beatline stays under the pointer, although its
// lanes open and those of the one before close.
func TestChoosingALayerShiftsNothingUnderThePointer(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	names := []string{"Badge", "Name and price", "Lantern", "Headline", "Badge"}
	for _, name := range names {
		row := u.text(".row-line .name", "^"+name+"$")
		u.must("bringing it into sight", row.ScrollIntoView())
		s, err := row.Shape()
		u.must("measuring", err)
		b := s.Box()
		u.clickText(".row-line .name", "^"+name+"$")
		u.wait(name+" is chosen", fmt.Sprintf("window.billowEditor.layer?.name === %q && document.querySelector('.row-line.selected .name')", name))
		u.wait(name+" is where it was", fmt.Sprintf("Math.abs(document.querySelector('.row-line.selected .name').getBoundingClientRect().top - %g) <= 2", b.Y))
	}
}

// What is opened shows its poster frame.
func TestAClipOpensOnItsPosterFrame(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.wait("the poster frame is shown", "document.querySelector('.tabletop canvas')?.dataset.frame === '130' && window.billowEditor.frame === 130")
}
