package e2e

import (
	"image/color"
	"math"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

// figures are the figures of a clip, by their names.
func figures(c *clip.Clip) map[string]clip.Layer {
	out := map[string]clip.Layer{}
	for _, l := range c.Layers {
		if l.Card != nil {
			out[l.Name] = l
		}
	}
	return out
}

// A drawing in SVG comes in as a picture, without what could run; it is taken apart into
// figures, each of which is changed by itself.
func TestADrawingIsTakenApart(t *testing.T) {
	file := filepath.Join(t.TempDir(), "flag.svg")
	const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><script>alert(1)</script>
		<clipPath id="c"><rect y="25" width="100" height="50"/></clipPath>
		<g clip-path="url(#c)"><rect id="left" width="50" height="100" fill="#dc141e"/><rect id="right" x="50" width="50" height="100" fill="#1e3cdc"/></g>
		<text x="9" y="9">Sale</text></svg>`
	if err := os.WriteFile(file, []byte(drawing), 0o600); err != nil {
		t.Fatal(err)
	}
	u := visit(t, "/")
	u.emptyClip("Apart", "2s")
	u.bring(file)
	u.text(".row-line .name", "^flag")
	u.text("[role=status], [role=alert]", "without a script and text")
	u.text(".row-line.selected .name", "^flag")
	u.press(input.Delete)
	u.waitStored("the picture is gone again", func(c *clip.Clip) bool { return !strings.Contains(names(c), "flag") })

	u.clickText("[role=tab]", "^Props$")
	u.click("[aria-label='More about flag']")
	u.text(".dropdown-menu.show, .dropdown-item-text", "Left out: a script and text")
	u.clickText(".dropdown-menu.show button, .dropdown-item", "Place it as figures")
	u.waitStored("its figures are there", func(c *clip.Clip) bool {
		f := figures(c)
		return len(f) == 2 && f["Left"].Card != nil && f["Right"].Group == f["Left"].Group
	})
	u.clickText(".row-line .name", "^Left$")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label='Colour, as #rrggbb']", "#14aa3c")
	u.saved()
	// It is 700 units, 280 pixels wide; the clip path left 140 of its height.
	f := u.film()
	for at, what := range map[[2]int]color.NRGBA{{75, 200}: greenPaint, {195, 260}: greenPaint, {205, 140}: bluePaint, {330, 200}: bluePaint} {
		if !like(f.at(5, at[0], at[1]), what) {
			t.Errorf("at %v it is %v, want %v", at, f.at(5, at[0], at[1]), what)
		}
	}
	for _, y := range []int{120, 285} {
		if c := f.at(5, 100, y); like(c, greenPaint) || like(c, redPaint) {
			t.Errorf("at 100,%d, where nothing was left, it is %v", y, c)
		}
	}
}

// A figure becomes a path, a point of which is dragged; it gets a second outline and its edge
// is moved.
func TestAFigureBecomesAPathWithSeveralOutlines(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Outlines", "2s")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Figure$")
	u.text(".row-line.selected .name", "^Card")
	u.clickText("[role=tab]", "^Layer$")
	u.field("Lift", "0")
	u.field("Wide by high", "1")
	u.field("Corners", "0")
	u.write("input[aria-label='Colour, as #rrggbb']", "#14aa3c")
	u.saved()
	u.click("[aria-label=Path]")
	card := func(c *clip.Clip) *clip.Card {
		if i := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.Card != nil }); i >= 0 {
			return c.Layers[i].Card
		}
		return &clip.Card{}
	}
	u.waitStored("it is a path", func(c *clip.Clip) bool { return card(c).Form == "path" && len(card(c).Path.Points) >= 4 })
	size := u.layer("Card").Rest.Size

	u.clickText("button", "Another outline")
	u.waitStored("it has one more outline", func(c *clip.Clip) bool { return len(card(c).Lines) == 1 })
	u.write("input[aria-label='Colour of outline 2, as #rrggbb']", "#1e3cdc")
	u.write("input[aria-label='Distance']", "50")
	u.write(".line input[aria-label='Width']", "50")
	u.field("Edge", "25")
	if l := card(u.stored()).Lines[0]; l.Apart != 50 || l.Width != 50 || l.Colour.String() != "#1e3cdc" {
		t.Fatalf("the outline is %+v", l)
	}
	f := u.film()
	// From the middle to the right: the figure, its edge moved by 25 units, a gap, the outline.
	edge := 200 + int(math.Round((size/2+25)*0.4))
	for x, what := range map[int]string{edge - 3: "green", edge + 10: "none", edge + 30: "blue", edge + 50: "none"} {
		c, got := f.at(5, x, 200), "none"
		if like(c, greenPaint) {
			got = "green"
		} else if like(c, bluePaint) {
			got = "blue"
		}
		if got != what {
			t.Errorf("at %d it is %v, want %s", x, c, what)
		}
	}
}

// A mask that stays is a window past which its layer moves.
func TestAMaskStaysWhileItsLayerMoves(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Window", "2s")
	u.block("Green", greenPaint)
	u.click("[aria-label='Add a mask: Card']")
	u.waitStored("it has a mask", func(c *clip.Clip) bool { return len(u.layer("Green").Masks) == 1 })
	u.clickText("label", "Stays")
	u.waitStored("the mask stays", func(c *clip.Clip) bool { return u.layer("Green").Masks[0].Still })
	m := u.layer("Green").Masks[0]
	u.move("Gust")
	f := u.film()
	// In pixels of the film the window is so wide; beyond it nothing ever shows.
	half := int(m.W / 2 * 0.4)
	came := 0
	for n := range f.frames {
		if like(f.at(n, 200, 200), greenPaint) {
			came++
		}
		for _, x := range []int{200 - half - 6, 200 + half + 6} {
			if like(f.at(n, x, 200), greenPaint) {
				t.Fatalf("on frame %d it shows at %d, outside the window", n, x)
			}
		}
	}
	if came == 0 || came == len(f.frames) || !like(f.at(len(f.frames)-1, 200+half-6, 200), greenPaint) {
		t.Errorf("it is there on %d of %d frames", came, len(f.frames))
	}
}

// A star changes into a disc by the playhead: on the way it is neither.
func TestAStarChangesIntoADisc(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Changing", "2s")
	u.figure("Star", "Star")
	u.stands("0", "0", "600")
	u.goTo(40)
	u.click("[aria-label='Changes into a disc by the playhead']")
	u.waitStored("its points have keys", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Card != nil && len(l.Tracks["point1"]) == 2 && l.Tracks["point1"][1].At.Frames == 40 {
				return true
			}
		}
		return false
	})
	// The keys of all points are one bead each time, which takes them along.
	u.find("[data-bead$=' path 40']")
	if n := u.eval("document.querySelectorAll('.row-line.selected [data-bead]').length"); n != "2" {
		t.Errorf("the row shows %s beads, want 2", n)
	}
	u.eval("document.querySelector(`[data-bead$=' path 40']`).focus()")
	u.press(input.ArrowRight)
	u.waitStored("all of its keys are moved", func(c *clip.Clip) bool {
		moved := 0
		for _, l := range c.Layers {
			for name, track := range l.Tracks {
				family, _ := clip.Numbered(name)
				if l.Card == nil || family != clip.Point && family != clip.Bend {
					continue
				}
				if track[1].At.Frames != 41 {
					return false
				}
				moved++
			}
		}
		return moved > 10
	})
	f := u.film()
	area := func(n int) float64 {
		pixels := 0
		for y := range filmSide {
			for x := range filmSide {
				if like(f.at(n, x, y), honeyPaint) {
					pixels++
				}
			}
		}
		return float64(pixels)
	}
	// 240 pixels wide: the star's ten corners lie 120 and 60 from its middle.
	star, disc := 5*120*60*math.Sin(36*math.Pi/180), math.Pi*120*120
	if a := area(5); math.Abs(a-star) > 0.05*star {
		t.Errorf("the star covers %.0f pixels, want %.0f", a, star)
	}
	if a := area(45); math.Abs(a-disc) > 0.02*disc {
		t.Errorf("the disc covers %.0f pixels, want %.0f", a, disc)
	}
	if a := area(32); a < 1.2*star || a > 0.95*disc {
		t.Errorf("on the way it covers %.0f pixels, between %.0f and %.0f", a, star, disc)
	}
}
