package e2e

import (
	"image"
	"image/color"
	"testing"

	"billow/core/clip"
)

// fetched takes a thing from the stock shelf into the clip, which chooses its layer.
func (u *user) fetched(id, name string) {
	u.t.Helper()
	u.click("[data-panel=props]")
	u.clickText(".sources button", "^Stock$")
	u.write("[aria-label='Find in stock']", name)
	// Until few are left, what is pressed may move.
	u.wait("it is found", "document.querySelectorAll('[data-thing]').length < 8 && document.querySelector('[data-thing="+id+"]')")
	u.click("[data-thing=" + id + "]")
	u.text(".card-of b", name)
	u.wait("its picture is there", "[...document.querySelectorAll('.card-of img')].every((i) => i.complete)")
	u.clickText(".card-of .btn-primary", "Take")
	u.text(".row-line.selected .name", "^"+name)
	u.saved()
}

// product brings a product of the sample world in, under the name that it has on the shelf already, and
// says how large it is and where.
func (u *user) product(id, name, right, down, size string) {
	u.t.Helper()
	u.click("[data-panel=props]")
	u.clickText(".sources button", "^Yours$")
	u.bring(propFile(u.t.(*testing.T), id, name+".png"))
	u.text(".row-line.selected .name", "^"+name)
	u.clickText("[role=tab]", "^Layer$")
	u.stands(right, down, size)
}

// wanders lets the chosen layer wander.
func (u *user) wanders() {
	u.t.Helper()
	u.clickText("[role=tab]", "^Motion$")
	u.eval("[...document.querySelectorAll('summary')].find((s) => s.innerText.startsWith('Wander')).parentElement.open = true")
	u.clickText("label.check", "Wanders")
	u.saved()
}

// brightness is the mean of all channels in a part of a frame.
func (f film) brightness(frame int, part image.Rectangle) float64 {
	sum := 0
	for y := part.Min.Y; y < part.Max.Y; y++ {
		for x := part.Min.X; x < part.Max.X; x++ {
			p := f.at(frame, x, y)
			sum += p[0] + p[1] + p[2]
		}
	}
	return float64(sum) / float64(3*part.Dx()*part.Dy())
}

// warmth is by how much red is more than blue, on average, in a part of a frame.
func (f film) warmth(frame int, part image.Rectangle) float64 {
	sum := 0
	for y := part.Min.Y; y < part.Max.Y; y++ {
		for x := part.Min.X; x < part.Max.X; x++ {
			p := f.at(frame, x, y)
			sum += p[0] - p[2]
		}
	}
	return float64(sum) / float64(part.Dx()*part.Dy())
}

// A backdrop splits in two, water bursts out of the gap with its green taken out, and a mug that suits
// what is behind it; all of it wanders a little. Portrait.
func TestAClipOfASplitAndASplash(t *testing.T) {
	u := visit(t, "/")
	u.emptyClipIn("Split and splash", "3s", "Portrait", 400, 500)
	u.fetched("honey-rays", "Honey rays")
	u.fetched("teal-rays", "Teal rays")
	u.keyed("Opened", "Opened", "0", "600", 45)
	u.fetched("splash", "Splash on green")
	u.clickText("[role=tab]", "^Layer$")
	u.stands("0", "0", "900")
	u.eval("document.querySelector('.keying').open = true")
	u.clickText(".keying .check", "a colour")
	u.waitStored("the green is taken out", func(c *clip.Clip) bool {
		return c.Layers[len(c.Layers)-1].Values["chromaKey"] != nil
	})
	u.wanders()
	u.product("mug", "Enamel mug", "0", "60", "420")
	u.goTo(60)
	u.click("[data-panel=look]")
	u.clickText(".advice button", "Match the backdrop")
	u.text(".advice li", "^Warmer by")
	u.wanders()
	f := u.filmIn("portrait", 400, 500)
	teal, honey := color.NRGBA{0x3F, 0xA7, 0xA0, 255}, color.NRGBA{0xFD, 0xC6, 0x50, 255}
	corner := func(frame, x, y int) [3]int { return f.at(frame, x, y) }
	if p := corner(0, 200, 20); p[2] < p[0]+20 {
		t.Errorf("while the wall is closed its middle is %v", p)
	}
	if p := corner(80, 200, 20); !like(p, honey) {
		t.Errorf("in the gap there is %v", p)
	}
	if p := corner(80, 12, 250); !like(p, teal) && p[2] < p[0]+20 {
		t.Errorf("beside the gap there is %v", p)
	}
	for y := range f.h {
		for x := range f.w {
			if p := f.at(30, x, y); p[1] > p[0]+60 && p[1] > p[2]+60 {
				t.Fatalf("at %d,%d something of the green screen is left: %v", x, y, p)
			}
		}
	}
	if d := f.difference(70, 85, image.Rect(150, 230, 250, 330)); d < 0.3 {
		t.Errorf("in fifteen frames the mug changes by %.2f levels", d)
	}
	// The mug stands in warm light.
	if warm := f.warmth(60, image.Rect(180, 260, 220, 300)); warm < 12 {
		t.Errorf("the mug is %.1f levels redder than blue", warm)
	}
}

// Light streaks behind a kettle, a glow that grows on a hit, and a named look over the whole.
func TestAClipOfLightBehindAKettle(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Light", "3s")
	u.fetched("plum-studio", "Plum studio")
	u.fetched("light-streaks", "Light streaks")
	u.waitStored("they are mixed as light", func(c *clip.Clip) bool { return c.Layers[len(c.Layers)-1].Blend == "screen" })
	u.product("kettle", "Trail kettle", "0", "120", "520")
	u.click("[data-panel=look]")
	u.click(".add-effect")
	u.click("[data-add-effect=halo]")
	u.find("[data-effect=halo]")
	u.keyed("Glow", "Glow", "0", "250", 45) // an empty clip has a beat each fifteen frames
	u.eval("window.billowEditor.select('')")
	u.click("[data-panel=look]")
	u.clickText(".nothing button", "Add a gel")
	u.find("[data-look=lantern-light]")
	before := u.film()
	u.click("[data-look=lantern-light]")
	u.wait("it is worn", "document.querySelector('[data-look=lantern-light]').getAttribute('aria-pressed') === 'true'")
	u.saved()
	f := u.film()
	beside := image.Rect(80, 180, 96, 300) // of the kettle, left of it
	if dark, lit := f.brightness(2, beside), f.brightness(45, beside); lit < dark+6 {
		t.Errorf("beside the kettle it is %.1f bright, and on the hit %.1f", dark, lit)
	}
	if d := f.difference(10, 40, image.Rect(0, 0, filmSide, 120)); d < 0.4 {
		t.Errorf("above the kettle light changes by %.2f levels", d)
	}
	if cold, warm := before.warmth(30, everywhere), f.warmth(30, everywhere); warm < cold+6 {
		t.Errorf("with the look all is %.1f levels redder than blue, without it %.1f", warm, cold)
	}
}

// Two moving grounds at other speeds, one of which shows below an edge, with a banner and a product over
// each.
func TestAClipOfTwoGroundsInMotion(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Two grounds", "3s")
	u.fetched("starry-pines", "Starry pines")
	u.fetched("bokeh-drift", "Bokeh drift")
	u.clickText("[role=tab]", "^Layer$")
	u.field("Speed", "40")
	u.fetched("pool-light", "Pool light")
	u.clickText("[role=tab]", "^Layer$")
	u.field("Speed", "250")
	u.choose("select[aria-label='After its end']", "loop")
	u.click("[aria-label='Add a mask: Line']")
	u.waitStored("only the lower half shows", func(c *clip.Clip) bool { return len(c.Layers[len(c.Layers)-1].Masks) == 1 })
	for _, p := range []struct{ banner, down, product, name, below string }{
		{"red-ribbon", "-330", "lantern", "Storm lantern", "-150"}, {"red-ribbon", "420", "tin", "Bread tin", "250"},
	} {
		u.product(p.product, p.name, "0", p.below, "330")
		u.wanders()
		u.fetched(p.banner, "Red ribbon")
		u.clickText("[role=tab]", "^Layer$")
		u.stands("0", p.down, "460")
	}
	f := u.film()
	upper, lower := image.Rect(0, 20, 90, 180), image.Rect(0, 220, 90, 380)
	slow, quick := f.difference(20, 24, upper), f.difference(20, 24, lower)
	if slow < 0.05 || quick < 3*slow {
		t.Errorf("in four frames the slow ground changes by %.2f levels, and the quick one by %.2f", slow, quick)
	}
	red := color.NRGBA{0xC8, 0x23, 0x2C, 255}
	if x0, y0, x1, y1, ok := f.box(50, red); !ok || x1-x0 < 120 || y0 > 110 || y1 < 340 {
		t.Errorf("the banners reach from %d,%d to %d,%d", x0, y0, x1, y1)
	}
}
