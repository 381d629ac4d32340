package e2e

import (
	"fmt"
	"image"
	"image/color"
	"math"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/passages"

	"github.com/go-rod/rod/lib/input"
)

// said is the words of the clip's last layer with words.
func said(c *clip.Clip) *clip.Words {
	for i := len(c.Layers) - 1; i >= 0; i-- {
		if w := c.Layers[i].Words; w != nil {
			return w
		}
	}
	return nil
}

// withHeadline is a new clip with a headline in it.
func withHeadline(t *testing.T, name string) *user {
	u := visit(t, "/")
	u.emptyClip(name, "4s")
	u.add("Headline")
	u.text(".row-line.selected .name", "^Headline")
	return u
}

// Every ready way in which words come, chosen on the page: at five moments it looks otherwise
// each time, and in the end as words that only stand there.
func TestEveryWayComesAtFiveMoments(t *testing.T) {
	u := withHeadline(t, "All ways")
	u.write(".layer textarea, textarea[aria-label=Words]", "Was €69.00, now 40% off *today*")
	u.saved()
	plain := u.digest("square", 200, 200, 110)
	for _, k := range passages.Kinds {
		still := plain
		u.click("[aria-label='How they come'] [data-way=" + k.ID + "]")
		u.waitStored(k.ID+" is taken", func(c *clip.Clip) bool {
			w := said(c)
			want, _ := passages.Named(k.ID, passages.Text{Lines: 2, Words: 6, Letters: 25}, 30, false)
			return w != nil && w.Comes != nil && w.Comes.By == want.By && w.Comes.Edge == want.Edge && w.Comes.Each == want.Each && w.Comes.Counts == want.Counts && w.Comes.Scrambles == want.Scrambles
		})
		c := u.stored()
		begin := c.Clock().Frame(said(c).Comes.At)
		moments := map[string]bool{}
		for _, after := range []int{1, 4, 8, 13, 19} {
			moments[u.digest("square", 200, 200, begin+after)] = true
		}
		if len(moments) < 4 {
			t.Errorf("%s looks the same on %d of five moments", k.ID, 5-len(moments)+1)
		}
		if moments[plain] && len(moments) < 5 {
			t.Errorf("%s stands there at once", k.ID)
		}
		// Figures that count stay as wide as each other.
		if k.ID == "count" || k.ID == "rolling" {
			still = u.digest("square", 200, 200, 112)
		}
		if now := u.digest("square", 200, 200, 118); now != still {
			t.Errorf("%s does not end as the words stand", k.ID)
		}
	}
}

// A font is found by its name and chosen by the keyboard; its axes, an arch, a gradient and
// figures of its own are set, and the film shows them.
func TestLettersAreSetOnThePage(t *testing.T) {
	u := withHeadline(t, "Letters")
	u.click("button[aria-label^='Font:']")
	u.into("input[aria-label='Find a font for font']")
	u.keys("anybody")
	u.text("[role=option].at", "^Anybody, variable")
	u.press(input.Enter)
	u.waitStored("the font is another", func(c *clip.Clip) bool { return said(c).Font == "anybody" })
	u.write("textarea[aria-label=Words]", "MMMMMMMM")
	u.saved()
	u.eval("document.querySelectorAll('.side details').forEach((d) => (d.open = true))")
	u.field("Weight", "900")
	u.field("Width", "50")
	u.waitStored("the axes are set", func(c *clip.Clip) bool {
		a := said(c).Axes
		return len(a) == 2 && a[0].At+a[1].At == 950
	})
	narrow := u.film()
	u.field("Width", "150")
	wide := narrow.spanOf(10)
	if now := u.film().spanOf(10); now[1]-now[0] < (wide[1]-wide[0])*13/10 {
		t.Errorf("letters of three times the width go from %v to %v", wide, now)
	}
	u.field("Width", "60")
	u.field("Arch", "120")
	u.clickText(".runs button", "^Linear$")
	u.waitStored("they have a gradient", func(c *clip.Clip) bool { return said(c).Gradient != nil })
	u.write("input[aria-label='Colour 1, as #rrggbb']", "#ff0000")
	u.write("input[aria-label='Colour 2, as #rrggbb']", "#0000ff")
	u.field("Runs towards", "90")
	f := u.film()
	// On an arch the middle is higher than the ends, which are left red and right blue.
	span := f.spanOf(10)
	top := func(x0, x1 int) int {
		for y := range filmSide {
			for x := x0; x < x1; x++ {
				if p := f.at(10, x, y); p[1] < 128 {
					return y
				}
			}
		}
		return filmSide
	}
	middle := (span[0] + span[1]) / 2
	if ends, mid := min(top(span[0], span[0]+15), top(span[1]-15, span[1])), top(middle-10, middle+10); ends-mid < 12 {
		t.Errorf("the middle begins at %d, the ends at %d", mid, ends)
	}
	tint := func(x0, x1 int) (red, blue int) {
		for y := range filmSide {
			for x := x0; x < x1; x++ {
				if p := f.at(10, x, y); p[1] < 90 {
					red, blue = red+p[0], blue+p[2]
				}
			}
		}
		return red, blue
	}
	if r, b := tint(span[0], span[0]+20); r < 2*b {
		t.Errorf("on the left they are %d red and %d blue", r, b)
	}
	if r, b := tint(span[1]-20, span[1]); b < 2*r {
		t.Errorf("on the right they are %d red and %d blue", r, b)
	}
}

// spanOf is from where to where a frame is not white.
func (f film) spanOf(n int) [2]int {
	out := [2]int{filmSide, 0}
	for i := 0; i < len(f.frames[n]); i += 3 {
		if f.frames[n][i+1] < 128 {
			x := i / 3 % filmSide
			out[0], out[1] = min(out[0], x), max(out[1], x+1)
		}
	}
	return out
}

// What cannot be read is said, with colours that can be: taken, the film's own pixels reach
// the contrast, before a card comes behind the words and while it is there.
func TestColoursThatCanBeReadAreProposed(t *testing.T) {
	u := withHeadline(t, "Readable")
	u.block("Wall", color.NRGBA{118, 118, 118, 255})
	u.clickText("[role=tab]", "^Layer$")
	u.clickText(".row-line .name", "^Headline")
	u.write("textarea[aria-label=Words]", "MMMM")
	u.saved()
	u.click("button[aria-label='A step to the front']")
	u.saved()
	u.write("input[aria-label='Colour, as #rrggbb']", "#808080")
	u.saved()
	u.clickText("button", "Can it be read")
	u.text(".readable [role=status]", "Hard to read")
	u.find(".readable .dot")
	u.click(".readable .dot")
	u.waitStored("the colour is another", func(c *clip.Clip) bool { return said(c).Fill != colour.RGB(0x808080) })
	u.text(".readable [role=status]", "^\\s*Contrast")
	f := u.film()
	// The words as they are drawn, against what is behind them: the picture's grey.
	taken := said(u.stored()).Fill
	grey := colour.RGB(0x767676)
	if got := colour.Contrast(taken, grey); got < 2.95 {
		t.Errorf("%s was proposed; on the grey it has %.2f", taken, got)
	}
	dark, light := 255, 0
	for y := 180; y < 220; y++ {
		for x := 150; x < 250; x++ {
			p := f.at(60, x, y)
			dark, light = min(dark, p[1]), max(light, p[1])
		}
	}
	rel := func(v int) float64 { // relative luminance of a grey, WCAG 2.2
		c := float64(v) / 255
		if c <= 0.04045 {
			return c / 12.92
		}
		return math.Pow((c+0.055)/1.055, 2.4)
	}
	if got := (rel(light) + 0.05) / (rel(dark) + 0.05); got < 2.8 {
		t.Errorf("in the film letters and what is behind them have a contrast of %.2f", got)
	}
}

// A tag is placed ready made: it hangs and sways in the film, is an ordinary group, and is
// taken back in one step.
func TestAReadyPieceIsPlaced(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Pieces", "4s")
	u.clickText("[role=tab]", "^Props$")
	before := len(u.stored().Layers)
	u.must("pointing", u.text(".piece", "^\\s*Button").Hover())
	u.wait("it comes in the picture", "document.querySelector('.tabletop canvas').dataset.glimpse > 3")
	if n := len(u.stored().Layers); n != before {
		t.Errorf("what is only looked at is kept: %d layers", n)
	}
	u.clickText(".piece", "^\\s*Swing tag")
	u.text(".row-line.selected .name", "^Swing tag")
	u.waitStored("the tag is there", func(c *clip.Clip) bool { return len(c.Layers) == before+6 })
	f := u.film()
	if d := f.marks(60); d < 300 {
		t.Errorf("the tag has %d dark pixels", d)
	}
	if f.difference(30, 40, image.Rect(0, 0, filmSide, filmSide)) < 0.05 {
		t.Error("the tag does not sway")
	}
	u.click("button[aria-label=Undo]")
	u.waitStored("it is gone", func(c *clip.Clip) bool { return len(c.Layers) == before })
}

// A font is brought in where fonts are chosen: words stand in it, as in the same one that
// ships with Billow. What is no font says so and changes nothing.
func TestOnesOwnFontIsBroughtIn(t *testing.T) {
	u := withHeadline(t, "Own font")
	hanken := u.digest("square", 200, 200, 10)
	anton, err := filepath.Abs("../fonts/Anton_400Regular.ttf")
	u.must("finding a font", err)
	u.click("button[aria-label^='Font:']")
	u.must("bringing a font in", u.find("input[aria-label='Font to bring in']").SetFiles([]string{anton}))
	u.waitStored("words are set in it", func(c *clip.Clip) bool {
		return clip.IsOwnFont(said(c).Font) && len(c.Props) == 1 && c.Props[0].Font != nil && c.Props[0].Font.Embedding == "installable"
	})
	u.text(".toast, .notice", "Anton")
	u.wait("it is drawn in it", fmt.Sprintf(`(async () => {
		const d = await window.billowEditor.drawing().draw(0, 'square', 200, 200, 10)
		const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', d.pixels))
		return [...sum].map((b) => b.toString(16).padStart(2, '0')).join('') !== %q
	})()`, hanken))
	own := u.digest("square", 200, 200, 10)
	u.click("button[aria-label^='Font:']")
	u.into("input[aria-label='Find a font for font']")
	u.keys("anton")
	u.click("[role=option][data-font=anton-400]")
	u.waitStored("the shipped one is taken", func(c *clip.Clip) bool { return said(c).Font == "anton-400" })
	if shipped := u.digest("square", 200, 200, 10); shipped != own {
		t.Error("the same font brought in looks otherwise")
	}
	u.click("button[aria-label^='Font:']")
	u.must("bringing in what is none", u.find("input[aria-label='Font to bring in']").SetFiles([]string{strings.Replace(anton, "Anton_400Regular.ttf", "OFL-anton.txt", 1)}))
	u.text(".toast, .notice", "nor a font")
	if c := u.stored(); said(c).Font != "anton-400" {
		t.Errorf("the font is %s", said(c).Font)
	}
}
