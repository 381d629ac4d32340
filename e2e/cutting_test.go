package e2e

import (
	"context"
	"encoding/json"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"math"
	"math/rand/v2"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

// dish is what photos show here: a disc of a dark green.
var dish = color.NRGBA{30, 110, 96, 255}

const (
	dishX, dishY = 190, 210 // pixels of the photo
	dishRadius   = 120
)

// photo writes a photo of 400 by 400 pixels: what a function says of each place, with grain, as
// a JPEG.
func photo(t *testing.T, name string, at func(x, y float64) [3]float64) string {
	t.Helper()
	r := rand.New(rand.NewPCG(4, uint64(len(name))))
	m := image.NewNRGBA(image.Rect(0, 0, 400, 400))
	for y := range 400 {
		for x := range 400 {
			var sum [3]float64
			for k := range 16 { // sixteen places in each pixel
				c := at(float64(x)+(float64(k%4)+.5)/4, float64(y)+(float64(k/4)+.5)/4)
				for i := range sum {
					sum[i] += c[i] / 16
				}
			}
			grain := r.NormFloat64() * 1.5
			level := func(i int) uint8 { return uint8(min(max(sum[i]+grain, 0), 255) + .5) }
			m.SetNRGBA(x, y, color.NRGBA{level(0), level(1), level(2), 255})
		}
	}
	file := filepath.Join(t.TempDir(), name+".jpg")
	f, err := os.Create(file)
	if err == nil {
		err = jpeg.Encode(f, m, &jpeg.Options{Quality: 92})
	}
	if err == nil {
		err = f.Close()
	}
	if err != nil {
		t.Fatal(err)
	}
	return file
}

// dishOnCard is the dish on white card, with a soft shadow below it.
func dishOnCard(x, y float64) [3]float64 {
	if math.Hypot(x-dishX, y-dishY) < dishRadius {
		return [3]float64{float64(dish.R), float64(dish.G), float64(dish.B)}
	}
	d := math.Hypot((x-dishX-6)/1.02, (y-dishY-14)/1.02) - dishRadius
	shade := 1 - .18*math.Exp(-max(d, 0)*max(d, 0)/500)
	return [3]float64{243 * shade, 243 * shade, 240 * shade}
}

// cutNow waits until the Bench shows what was cut of the photo that it is open on.
func (u *user) cutNow() {
	u.t.Helper()
	u.wait("the photo is cut", `document.querySelector('.bench [data-cuts]').dataset.cuts > 0 && !document.querySelector('.bench .busy') && !document.querySelector('.bench .found').textContent.startsWith('Looking')`)
}

// cutAgain waits for the next cut after something was done.
func (u *user) cutAgain(do func()) {
	u.t.Helper()
	before := u.eval("document.querySelector('.bench [data-cuts]').dataset.cuts")
	do()
	u.wait("it is cut again", `Number(document.querySelector('.bench [data-cuts]').dataset.cuts) > `+before)
}

// backed opens an empty clip with a dark backdrop.
func (u *user) backed(name string) {
	u.t.Helper()
	clearedAway(u.t.(*testing.T))
	u.emptyClip(name, "1s")
	u.clickText(".row-line .name", "^Backdrop$")
	u.write("input[aria-label='Colour, as #rrggbb']", "#14181e")
	u.saved()
}

// clearedAway takes from the shelf, once the test is over, what it has put there: others go
// through the shelf by the keyboard.
func clearedAway(t *testing.T) {
	t.Helper()
	before := onTheShelf(t)
	t.Cleanup(func() {
		for hash := range onTheShelf(t) {
			if !before[hash] {
				if err := site.Store.RemoveProp(context.Background(), hash); err != nil {
					t.Error(err)
				}
			}
		}
	})
}

// onTheShelf are the photos of these tests, and what was cut out of them, by hash.
func onTheShelf(t *testing.T) map[string]bool {
	t.Helper()
	list, err := site.Store.Props(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]bool{}
	for _, s := range list {
		var p clip.Prop
		if err := json.Unmarshal(s.Prop, &p); err != nil {
			t.Fatal(err)
		}
		for _, ours := range []string{"dish", "pale", "berry", "Part of berry", "gravel"} {
			if strings.HasPrefix(p.Name, ours) {
				out[p.Hash] = true
			}
		}
	}
	return out
}

// A photo that is let go on the picture is offered the Bench. What is cut out takes its place, each
// pixel where it was, and no light fringe of the card is left in the export.
func TestAPhotoOnWhiteLeavesNoFringeOnDark(t *testing.T) {
	u := visit(t, "/")
	u.backed("Dish by night")
	b, err := os.ReadFile(photo(t, "dish", dishOnCard))
	if err != nil {
		t.Fatal(err)
	}
	u.letGo("dish.jpg", b)
	u.text(".row-line.selected .name", "^dish")
	u.text(".notice", "came with its background")
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.text(".bench .found", "background is of one colour")
	u.finds("the Bench")
	u.clickText(".bench .btn-act", "Take it off in “dish”")
	u.waitStored("the layer shows the cut-out", func(c *clip.Clip) bool {
		l := c.Layer(cutoutOf(c))
		return l != nil && c.PictureOf(l).Media == "image/png"
	})
	u.ready()
	u.clickText("[role=tab]", "^Layer$")
	u.field("Lift", "0")

	// The photo was 400 pixels for 600 units in a frame of 1000 units and 400 pixels.
	const k = 600. / 1000
	cx, cy, radius := 200+(dishX-200)*k, 200+(dishY-200)*k, dishRadius*k
	f := u.film()
	back := f.at(0, 8, 8)
	dishLuma, backLuma := luma([3]int{int(dish.R), int(dish.G), int(dish.B)}), luma(back)
	var sum, count [12]float64 // by how far outside the edge they are, from -6 pixels
	brightest := 0.
	for y := 20; y < 380; y++ {
		for x := 20; x < 380; x++ {
			d := math.Hypot(float64(x)+.5-cx, float64(y)+.5-cy) - radius
			if math.Abs(d) >= 6 {
				continue
			}
			p := luma(f.at(0, x, y))
			sum[int(d+6)] += p - dishLuma*min(max(.5-d, 0), 1) - backLuma*min(max(.5+d, 0), 1)
			count[int(d+6)]++
			brightest = max(brightest, p)
		}
	}
	// White card that is left in a tenth of a pixel would be 22 levels; film itself rings a little.
	for i := range sum {
		if off := sum[i] / count[i]; math.Abs(off) > 7 {
			t.Errorf("%d pixels outside the edge it is %.1f levels lighter than the truth", i-6, off)
		}
	}
	if brightest > dishLuma+22 {
		t.Errorf("a pixel along the edge has luma %.0f, the dish has %.0f", brightest, dishLuma)
	}
	t.Logf("lightest along the edge: luma %.0f, of the dish %.0f", brightest, dishLuma)
	u.opensAgain()
}

// luma is how light a pixel is, after BT.709: film holds it in full size, colour in half.
func luma(p [3]int) float64 {
	return .2126*float64(p[0]) + .7152*float64(p[1]) + .0722*float64(p[2])
}

// cutoutOf is the first cut-out of a clip.
func cutoutOf(c *clip.Clip) string {
	for i := range c.Layers {
		if c.Layers[i].Kind == clip.KindCutout {
			return c.Layers[i].ID
		}
	}
	return ""
}

// opensAgain opens a cut once more and moves its edge inwards: the clip follows.
func (u *user) opensAgain() {
	u.t.Helper()
	before := u.stored()
	was := before.PictureOf(before.Layer(cutoutOf(before)))
	u.clickText(".row-line .name", "^dish")
	u.click("button[aria-label='Open it on the Bench']")
	u.cutNow()
	u.find(".bench input[aria-label='Edge outwards']").MustFocus()
	u.cutAgain(func() {
		for range 16 { // of half a pixel
			u.press(input.ArrowLeft)
		}
	})
	u.text(".bench .slider .value", "^-8 px")
	u.clickText(".bench .btn-act", "Show this cut in the clip")
	u.text(".notice", "one clip shows the new cut")
	u.clickText(".views a", "^Tabletop$")
	u.waitStored("the clip follows", func(c *clip.Clip) bool {
		now := c.PictureOf(c.Layer(cutoutOf(c)))
		return now.Hash != was.Hash && now.ID == was.ID
	})
	after := u.stored()
	is := after.PictureOf(after.Layer(cutoutOf(after)))
	for i := range 2 { // 8 pixels less on each side
		if lost := was.Picture.Visible[2+i] - is.Picture.Visible[2+i]; lost < 14 || lost > 18 {
			u.t.Errorf("its bounds went from %v to %v", was.Picture.Visible, is.Picture.Visible)
		}
	}
	u.ready()
	cy := 200 + (dishY-200)*.6
	for _, far := range []struct {
		out  float64
		dish bool
	}{{-12, true}, {-2, false}} {
		x := int(200 + (dishX-200)*.6 - dishRadius*.6 - far.out*.6)
		p := u.pixel(0, x, int(cy))
		if (p[1] > 70) != far.dish {
			u.t.Errorf("%g pixels inside the old edge it is %v", -far.out, p)
		}
	}
}

// letGo lets a file go over the middle of the picture.
func (u *user) letGo(name string, b []byte) {
	u.t.Helper()
	_, err := u.page.Eval(`(name, bytes) => {
		const data = new DataTransfer()
		data.items.add(new File([new Uint8Array(bytes)], name, { type: 'image/jpeg' }))
		const on = document.querySelector('.tabletop canvas')
		const r = on.getBoundingClientRect()
		const at = { dataTransfer: data, bubbles: true, cancelable: true, clientX: r.x + r.width / 2, clientY: r.y + r.height / 2 }
		on.dispatchEvent(new DragEvent('dragover', at))
		on.dispatchEvent(new DragEvent('drop', at))
	}`, name, ints(b))
	u.must("letting a file go", err)
}

func ints(b []byte) []int {
	out := make([]int, len(b))
	for i, v := range b {
		out[i] = int(v)
	}
	return out
}

// alpha is the opacity of a photo's pixel in what was cut out of it, as the shelf has it.
func (u *user) alpha(name string, x, y int) uint8 { return u.cutPixel(name, x, y).A }

// cutPixel is a photo's pixel in what was cut out of it.
func (u *user) cutPixel(name string, x, y int) color.NRGBA {
	u.t.Helper()
	cuts, err := site.Store.Cuts(u.t.Context())
	u.must("listing the cuts", err)
	for _, c := range cuts {
		if c.Name != name {
			continue
		}
		f, err := os.Open(fetch(u.t, "/api/files/"+*c.Result))
		u.must("opening the cut-out", err)
		defer f.Close()
		m, err := png.Decode(f)
		u.must("reading the cut-out", err)
		return color.NRGBAModel.Convert(m.At(x-c.At[0], y-c.At[1])).(color.NRGBA)
	}
	u.t.Fatalf("%s is not on the Bench", name)
	return color.NRGBA{}
}

// paint paints over the photo on the Bench, between two of its pixels.
func (u *user) paint(x0, y0, x1, y1 float64) {
	u.t.Helper()
	x, y, w, h := u.box(".bench .sheet img")
	u.drag(x+x0/400*w, y+y0/400*h, x+x1/400*w, y+y1/400*h)
}

// A dish with a pale part is guessed without it, since that looks as the card does. A stroke brings
// it back, another one takes something away, and both can be undone.
func TestStrokesMendAWrongPart(t *testing.T) {
	u := visit(t, "/")
	u.backed("Pale parts")
	label := func(x, y float64) bool { return x > 150 && x < 330 && y > 180 && y < 236 } // over the edge of the dish
	u.bring(photo(t, "pale", func(x, y float64) [3]float64 {
		if label(x, y) {
			return [3]float64{238, 240, 238}
		}
		return dishOnCard(x, y)
	}))
	u.text(".notice", "pale came with its background")
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.cutAgain(func() { // its tag is painted over, beyond the edge of the dish as well
		u.press(input.KeyS)
		u.paint(165, 208, 318, 208)
	})
	u.cutAgain(func() { // and of the dish, a dab goes
		u.press(input.KeyG)
		u.paint(190, 290, 196, 290)
	})
	u.clickText(".bench .side button", "Only keep it on the shelf")
	u.text(".notice", "pale is on the shelf, cut out")
	if a := u.alpha("pale", 240, 208); a < 250 {
		t.Errorf("in the middle of what stays, opacity is %d of 255", a)
	}
	if a := u.alpha("pale", 322, 208); a < 128 {
		t.Errorf("at the end of the tag, opacity is %d of 255", a)
	}
	if a := u.alpha("pale", 193, 290); a > 4 {
		t.Errorf("where it goes, opacity is %d of 255", a)
	}
	if a := u.alpha("pale", 30, 30); a != 0 {
		t.Errorf("in a corner, opacity is %d of 255", a)
	}
	u.cutAgain(func() { u.chord(input.ControlLeft, input.KeyZ) })
	u.clickText(".bench .side button", "Only keep it on the shelf")
	u.wait("it is made again", `!document.querySelector('.bench .side .btn-act').textContent.includes('Cutting')`)
	if a := u.alpha("pale", 193, 290); a < 250 {
		t.Errorf("after undo, opacity is %d of 255 where it went before", a)
	}
	// The Bench keeps its steps while it is left.
	u.clickText(".views a", "^Tabletop$")
	u.ready()
	u.clickText(".views a", "^Bench$")
	u.clickText(".bench .strip .name", "^pale$")
	u.cutNow()
	u.cutAgain(func() { u.chord(input.ControlLeft, input.KeyZ) })
	u.wait("nothing is left to undo", `document.querySelector("button[aria-label='Undo on the photo']").disabled`)
}

// Ten photos come in one go; those of which the guess is not sure are told apart from the others.
func TestTenPhotosAreCutAtOnce(t *testing.T) {
	u := visit(t, "/")
	u.backed("Ten")
	u.clickText(".views a", "^Bench$")
	var files []string
	for n := range 9 {
		files = append(files, photo(t, fmt.Sprintf("dish %d", n+1), func(x, y float64) [3]float64 {
			return dishOnCard(x+float64(3*n), y)
		}))
	}
	r := rand.New(rand.NewPCG(1, 2))
	files = append(files, photo(t, "gravel", func(x, y float64) [3]float64 { // nothing stands before it
		v := 255 * r.Float64()
		return [3]float64{v, v * r.Float64(), v}
	}))
	u.must("bringing in photos", u.find("input[aria-label='Photos and footage for the Bench']").SetFiles(files))
	ours := `[...document.querySelectorAll('.strip li')].filter((l) => /dish \d|gravel/.test(l.innerText)).map((l) => l.innerText.trim().replace(/\s+/g, ' '))`
	u.wait("all are there", ours+".length === 10")
	u.wait("all are looked at", "!"+ours+".some((l) => l.includes('being cut'))")
	list := u.eval(ours + ".join('|')")
	if n := strings.Count(list, "cut out"); n != 9 {
		t.Errorf("%d of 9 are cut out: %s", n, list)
	}
	if !strings.Contains(list, "gravel needs a look") && !strings.Contains(list, "gravel not cut yet") {
		t.Errorf("the photo of nothing is taken for good: %s", list)
	}
	for n := range 9 {
		name := fmt.Sprintf("dish %d", n+1)
		if in, out := u.alpha(name, dishX-3*n, dishY), u.alpha(name, 20, 380); in != 255 || out != 0 {
			t.Errorf("%s: opacity is %d inside and %d outside", name, in, out)
		}
	}
}

// The shadow that a photo shows is kept as a layer below the thing, where it fell.
func TestThePhotosShadowGoesWithIt(t *testing.T) {
	u := visit(t, "/")
	clearedAway(t)
	u.emptyClip("Dish with its shadow", "1s")
	u.bring(photo(t, "dish in the light", dishOnCard))
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.cutAgain(func() { u.clickText(".bench .check", "Keep its shadow as a layer") })
	u.clickText(".bench .btn-act", "Take it off in")
	u.waitStored("there are the thing and its shadow", func(c *clip.Clip) bool {
		l := c.Layer(cutoutOf(c)) // the lower one
		return l != nil && l.Name == "Shadow of dish in the light" && l.Blend == "multiply"
	})
	u.ready()
	// The photo was 400 pixels for 600 units in a frame of 1000 units and 400 pixels. The shadow
	// is that of a disc 6 pixels to the right and 14 down.
	at := func(x, y float64) float64 {
		p := u.pixel(0, int(x), int(200+(y-200)*.6))
		return luma([3]int{int(p[0]), int(p[1]), int(p[2])})
	}
	for _, far := range []float64{8, 20, 30} {
		y := float64(dishY) + 14 + dishRadius*1.02 + far
		d := far / 1.02
		takes := .18 * math.Exp(-d*d/500)
		// The clip's backdrop is the same along a row.
		if got := 1 - at(200+(dishX+6-200)*.6, y)/at(8, y); math.Abs(got-takes) > .03 {
			t.Errorf("%g pixels below the dish the shadow takes %.3f of the light, in the photo %.3f", far, got, takes)
		}
	}
}
