package e2e

import (
	"image"
	"image/color"
	"image/png"
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// add puts a layer of a kind on the Tabletop, from the shelf.
func (u *user) add(kind string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^"+kind+"$")
	u.text(".row-line .name", "^"+kind)
	u.clickText("[role=tab]", "^Layer$")
	u.saved()
}

// field writes into the field of a label.
func (u *user) field(label, text string) {
	u.t.Helper()
	u.write("input[aria-label='"+label+"']", text)
	u.saved()
}

// Words run on without end: a length later all of them are where the first were, and between
// they are not.
func TestAMarqueeRunsWithoutASeam(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Running words", "3s")
	u.add("Marquee")
	u.choose("select[aria-label='Counted in']", "bar")
	u.field("Runs right at", "2")
	c := u.stored()
	l := c.Layer("marquee")
	if l == nil || l.Repeat == nil || !l.Repeat.ByBar || l.Repeat.Speed != 2 || l.Repeat.Rows != 1 {
		t.Fatalf("the marquee is %+v", l)
	}
	// Two lengths a bar: one in half a bar.
	frames := math.Round(30 * 60 / c.Tempo.BPM * float64(c.Tempo.PerBar) / 2)
	if frames != 30*60/c.Tempo.BPM*float64(c.Tempo.PerBar)/2 {
		t.Fatalf("half a bar is no whole number of frames at %g BPM", c.Tempo.BPM)
	}
	f := u.film()
	row := image.Rect(0, 160, filmSide, 240)
	if d := f.difference(0, int(frames), row); d > 3 {
		t.Errorf("a length later it is another picture: %.2f", d)
	}
	if d := f.difference(0, int(frames/2), row); d < 8 {
		t.Errorf("half a length later it has not moved: %.2f", d)
	}
	ink := color.NRGBA{0x17, 0x3F, 0x47, 255}
	for _, n := range []int{0, 7, 19, 41} { // it reaches from edge to edge at all times
		if x0, _, x1, _, ok := f.box(n, ink); !ok || x0 > 90 || x1 < filmSide-90 {
			t.Errorf("on frame %d there are words from %d to %d", n, x0, x1)
		}
	}
}

// A floor's horizon is dragged in the picture; the wall and the floor are above and below it.
func TestAFloorIsSetUpInThePicture(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("On the floor", "1s")
	u.add("Floor")
	u.field("Strength", "0")
	u.field("Softness", "0")
	u.field("Wall, as #rrggbb", "#dc141e")
	u.field("Floor, as #rrggbb", "#1e3cdc")
	_, y := u.handle("horizon")
	x, _ := u.at(-300, 0)
	_, to := u.at(0, -250)
	u.drag(x, y, x, to)
	u.waitStored("the horizon is a quarter down", func(c *clip.Clip) bool { return math.Abs(c.Layer("floor").Floor.Horizon-25) < 1 })
	u.saved()
	f := u.film()
	if !like(f.at(5, 50, 85), redPaint) || !like(f.at(5, 350, 115), bluePaint) || !like(f.at(5, 200, 390), bluePaint) {
		t.Errorf("above the horizon it is %v, below %v", f.at(5, 50, 85), f.at(5, 350, 115))
	}
}

// photoFile is a picture of 200 by 100 pixels, red on the left and blue on the right.
func photoFile(t *testing.T) string {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 200, 100))
	for y := range 100 {
		for x := range 200 {
			m.SetNRGBA(x, y, redPaint)
			if x >= 100 {
				m.SetNRGBA(x, y, bluePaint)
			}
		}
	}
	name := filepath.Join(t.TempDir(), "shore.png")
	file, err := os.Create(name)
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	if err := png.Encode(file, m); err != nil {
		t.Fatal(err)
	}
	return name
}

// A picture is laid behind all, covers the frame, is dragged to its place, and is neared.
func TestAPictureIsLaidBehindAll(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("At the shore", "2s")
	u.block("Green", greenPaint)
	u.bring(photoFile(t))
	u.text(".row-line.selected .name", "^shore")
	// It was placed as it is: now once more, behind all.
	u.press(input.Delete)
	u.waitStored("it is gone again", func(c *clip.Clip) bool { return !strings.Contains(names(c), "shore") })
	u.clickText("[role=tab]", "^Props$")
	u.click("[aria-label='More about shore']")
	u.clickText(".dropdown-menu.show button, .dropdown-item", "Lay it behind all")
	u.waitStored("it lies right over the backdrop", func(c *clip.Clip) bool {
		return strings.HasSuffix(names(c), "shore photo, Green cutout")
	})
	u.move("Near")
	u.saved()
	u.clickText("[role=tab]", "^Layer$")
	x, y := u.handle("pan")
	tx, _ := u.at(200, 0)
	u.drag(x, y, tx, y)
	u.waitStored("it is panned by a fifth", func(c *clip.Clip) bool {
		v := c.Layer("photo").Values[clip.Pan]
		return len(v) == 2 && math.Abs(v[0]-20) < 1
	})
	u.saved()
	f := u.film()
	// The seam is a fifth to the right, at 280 of 400 pixels, and goes outwards as it nears.
	seam := func(frame int) int {
		for x := range filmSide {
			if like(f.at(frame, x, 20), bluePaint) {
				return x
			}
		}
		return filmSide
	}
	first, last := seam(0), seam(len(f.frames)-1)
	if first < 275 || first > 285 {
		t.Errorf("at first the seam is at %d", first)
	}
	if want := 280; last < want-5 || last > want+5 { // about the place of interest, which is panned
		t.Errorf("at last the seam is at %d", last)
	}
	if !like(f.at(0, 200, 200), greenPaint) || !like(f.at(0, 3, 3), redPaint) || !like(f.at(0, 397, 397), bluePaint) {
		t.Error("the picture does not cover the frame behind the thing")
	}
}

// names are the layers of a clip from the back to the front, with their kinds.
func names(c *clip.Clip) string {
	var out []string
	for _, l := range c.Layers {
		if l.Kind != clip.KindScene {
			out = append(out, l.Name+" "+l.Kind)
		}
	}
	return strings.Join(out, ", ")
}

// A backdrop opens in two halves with a key at each end, and shows what lies behind.
func TestABackdropOpensAndShowsWhatIsBehind(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Curtain", "2s")
	u.add("Floor")
	u.field("Strength", "0")
	u.field("Wall, as #rrggbb", "#dc141e")
	u.field("Floor, as #rrggbb", "#dc141e")
	u.clickText("[role=tab]", "^Motion$")
	u.allProperties()
	u.click("[aria-label='Set a key for Opened']")
	u.goTo(45)
	u.clickText("[role=tab]", "^Layer$")
	u.field("Apart", "500")
	u.waitStored("it opens with keys", func(c *clip.Clip) bool { return len(c.Layer("floor").Tracks[clip.Open]) == 2 })
	u.saved()
	f := u.film()
	white := color.NRGBA{255, 255, 255, 255}
	for x, want := range map[int]color.NRGBA{20: redPaint, 90: redPaint, 110: white, 200: white, 290: white, 310: redPaint, 380: redPaint} {
		if !like(f.at(50, x, 200), want) {
			t.Errorf("open, at %d it is %v", x, f.at(50, x, 200))
		}
	}
	if !like(f.at(0, 200, 200), redPaint) {
		t.Errorf("at first it is open: %v", f.at(0, 200, 200))
	}
}

// Things rise from behind a disc in one act, and are cut to its rim below its middle.
func TestThingsRiseFromBehindADisc(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Rising", "1s")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kinds button", "^Figure$")
	u.text(".row-line .name", "^Card")
	u.clickText("[role=tab]", "^Layer$")
	u.click(".forms button[aria-label=Disc]")
	u.field("Wide by high", "1")
	u.field("Lift", "0")
	u.write("input[aria-label='Name of the layer']", "Rim")
	u.block("Red", redPaint)
	u.field("Size", "300") // 120 of the picture's pixels wide and 90 high; the rim is 200
	u.field("Down", "230")
	u.clickText(".row-line .name", "^Red")
	x, y := u.at(0, 230)
	u.must("moving the pointer", u.page.Mouse.MoveTo(proto.NewPoint(x, y)))
	u.must("the right button", u.page.Mouse.Click(proto.InputMouseButtonRight, 1))
	u.clickText(".menu [role=menuitem]", "Rise from behind Rim")
	u.waitStored("they are in a group that is cut to the rim", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Inside != nil && l.Inside.Clip == "card" && l.Inside.Free {
				return c.Layer("cutout").Group == l.ID
			}
		}
		return false
	})
	u.saved()
	f := u.film()
	if !like(f.at(3, 200, 280), redPaint) || like(f.at(3, 200, 320), redPaint) {
		t.Errorf("within the rim it is %v, below it %v", f.at(3, 200, 280), f.at(3, 200, 320))
	}
}
