package e2e

import (
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// TestAFrameIsDraggedOntoABeat drags the frame in sight from the picture onto a beat: on exported frames the block
// is there on the beat where it was before, and the keyboard's way leads to the same.
func TestAFrameIsDraggedOntoABeat(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Landing", "3s")
	u.block("red", redPaint)
	u.field("Size", "300")
	u.goTo(10)
	u.move("gust")
	u.waitStored("it moves", func(c *clip.Clip) bool { return len(layerNamed(c, "red").Moves) == 1 })
	before := u.film()
	// A frame on which it is on its way.
	on := 0
	left := func(f film, n int) int {
		x0, _, _, _, ok := f.box(n, redPaint)
		if !ok {
			return -1
		}
		return x0
	}
	for n := 11; n < 40 && on == 0; n++ {
		if a, b := left(before, n), left(before, n+1); a >= 0 && b >= 0 && abs(a-b) > 8 {
			on = n
		}
	}
	if on == 0 {
		t.Fatal("it is on its way on no frame")
	}
	u.goTo(on)
	x, y, w, h := u.box("[aria-label='Let this frame land elsewhere']")
	lx, ly, lw, lh := u.box("[data-beat='3']")
	u.drag(x+w/2, y+h/2, lx+lw/2, ly+lh/2)
	// At 120 beats a minute the third beat is a second and a half in: frame 45.
	u.waitStored("it lands on the beat", func(c *clip.Clip) bool {
		m := layerNamed(c, "red").Moves
		return len(m) == 1 && m[0].At != timing.At(10) && abs(c.Clock().Frame(m[0].At)-(450+on/2)/on) <= 1
	})
	u.wait("the playhead goes there", "window.billowEditor.frame === 45")
	after := u.film()
	if a, b := left(before, on), left(after, 45); abs(a-b) > 8 {
		t.Errorf("on frame 45 its left edge is at %d, on frame %d it was at %d", b, on, a)
	}
	u.click("[aria-label='Undo']")
	u.waitStored("it is taken back", func(c *clip.Clip) bool { return layerNamed(c, "red").Moves[0].At == timing.At(10) })
	u.goTo(on)
	u.click("[aria-label='Let this frame land elsewhere']")
	u.finds("landing")
	u.clickText(".land .offer button", "^bar 2,")
	u.waitStored("it lands on the next bar", func(c *clip.Clip) bool {
		return abs(c.Clock().Frame(layerNamed(c, "red").Moves[0].At)-(600+on/2)/on) <= 1
	})
}
