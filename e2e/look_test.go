package e2e

import (
	"image/color"
	"os"
	"path/filepath"
	"testing"

	"billow/core/clip"
	"github.com/go-rod/rod/lib/input"
)

// pixel is red, green and blue at a place of a frame as the page draws it.
func (u *user) pixel(frame, x, y int) [3]byte {
	p := u.drawn("square", 400, 400, frame)[4*(y*400+x):]
	return [3]byte{p[0], p[1], p[2]}
}

// A gel over all is given a named look, an effect and a table of colours from a file; all of it is in
// the export, and comes off again.
func TestAGelGivesTheWholeClipALook(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Gelled", "2s")
	u.block("Orange", color.NRGBA{R: 200, G: 110, B: 40, A: 255})
	u.eval("window.billowEditor.select('')")
	u.click("[data-panel=look]")
	u.clickText(".nothing button", "Add a gel")
	u.waitStored("there is a gel", func(c *clip.Clip) bool { return c.Layers[len(c.Layers)-1].Gel != nil })
	before := u.pixel(30, 200, 200)
	u.click("[data-look=ink]")
	u.wait("it is worn", "document.querySelector('[data-look=ink]').getAttribute('aria-pressed') === 'true'")
	u.wait("its picture is drawn", `(() => {
		const c = document.querySelector('[data-look=ink] canvas')
		const p = c.width > 50 && c.getContext('2d').getImageData(c.width / 2, c.height / 2, 1, 1).data
		return p && p[3] === 255 && Math.abs(p[0] - p[2]) < 8
	})()`)
	f := u.film()
	if p := f.at(30, 200, 200); p[0] > p[2]+4 || p[2] > p[0]+4 {
		t.Errorf("without colour an orange thing of %v is %v", before, p)
	}
	if p := u.pixel(30, 200, 200); p[0] > p[2]+4 {
		t.Errorf("on the page it is %v", p)
	}
	// As it came, at a press, and with its look again.
	u.clickText(".head .came", "With its look")
	u.wait("it is seen without", "window.billowEditor.drawing().draw(0, 'square', 40, 40, 30).then((d) => d.pixels[4*(20*40+20)] > 190 && d.pixels[4*(20*40+20)+2] < 60)")
	u.clickText(".head .came", "As it came")
	u.click("[data-look='']")
	u.waitStored("nothing is left of it", func(c *clip.Clip) bool { return len(c.Layers[len(c.Layers)-1].Values) == 0 })

	// An effect from the list: a blur over all. At the edge of what is 600 units wide, white
	// and orange are mixed.
	u.click(".add-effect")
	u.click("[data-add-effect=blur]")
	u.find("[data-effect=blur]")
	u.field("Amount", "40")
	u.waitStored("it is blurred", func(c *clip.Clip) bool { return c.Layers[len(c.Layers)-1].Values["blur"] != nil })
	if p := u.pixel(30, 80, 200); p[2] < 100 || p[2] > 200 {
		t.Errorf("blurred, at its edge it is %v", p)
	}
	u.finds("look")
	u.click("[data-effect=blur] [aria-label^='Take off']")
	u.gone("[data-effect=blur]")

	// A table of colours in which red and blue are exchanged.
	file := filepath.Join(t.TempDir(), "exchanged.cube")
	cube := "LUT_3D_SIZE 2\n0 0 0\n0 0 1\n0 1 0\n0 1 1\n1 0 0\n1 0 1\n1 1 0\n1 1 1\n"
	if err := os.WriteFile(file, []byte(cube), 0o600); err != nil {
		t.Fatal(err)
	}
	u.click(".add-effect")
	u.click("[data-add-effect=table]")
	u.must("choosing a file", u.find("[data-effect=table] input[type=file]").SetFiles([]string{file}))
	u.waitStored("it has the table", func(c *clip.Clip) bool { return c.Layers[len(c.Layers)-1].Table != "" })
	if p := u.film().at(30, 200, 200); p[2] < 190 || p[0] > 50 {
		t.Errorf("exchanged, orange is %v", p)
	}
	u.wait("the page shows it", "window.billowEditor.drawing().draw(0, 'square', 40, 40, 30).then((d) => d.pixels[4*(20*40+20)+2] > 190)")

	// Kept, it can be given to another layer, in one step with its table.
	u.clickText(".ways button", "Keep this look")
	u.write("[aria-label='Name of the look']", "Exchanged")
	u.press(input.Enter)
	u.find("[data-look^='look-']")
	u.clickText(".ways button", "Copy it")
	u.eval("window.billowEditor.select(window.billowEditor.clip.layers.find((l) => l.name === 'Orange').id)")
	u.clickText(".ways button", "Look as Gel")
	u.waitStored("the thing has it, too", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Name == "Orange" {
				return l.Table != "" && len(l.Values["table"]) == 1
			}
		}
		return false
	})
	// Both together exchange them twice.
	u.wait("the page shows both", "window.billowEditor.drawing().draw(0, 'square', 40, 40, 30).then((d) => d.pixels[4*(20*40+20)] > 190)")
	u.click("[data-look^='look-'] + * button, .more-of button")
	u.clickText(".dropdown-item", "Delete the look")
	u.gone("[data-look^='look-']")
}

// What is proposed for a thing before a backdrop is said and done, in one step.
func TestAThingIsMatchedToItsBackdrop(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Matched", "2s")
	u.block("Grey", color.NRGBA{R: 120, G: 120, B: 120, A: 255})
	u.waitStored("it is there", func(c *clip.Clip) bool { return len(c.Layers) > 0 })
	u.eval(`(() => { const e = window.billowEditor; const b = e.clip.layers.find((l) => l.backdrop);
		return e.run({type: 'setLayer', layer: b.id, set: {backdrop: {stops: [{at: 0, colour: '#e69650ff'}]}}}) })()`)
	u.click("[data-panel=look]")
	u.text("[data-look]", "Soft focus") // the last of those that lie above the button
	u.clickText(".advice button", "Match the backdrop")
	u.text(".advice li", "^Warmer by")
	u.waitStored("it is warmer", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Name == "Grey" {
				return len(l.Values["temperature"]) == 1 && l.Values["temperature"][0] > 5 && len(l.Values["innerGlow"]) == 1
			}
		}
		return false
	})
	if p := u.pixel(30, 200, 200); p[0] < p[2]+8 {
		t.Errorf("a grey thing before a warm wall is %v", p)
	}
	u.clickText(".advice button", "Improve the photo")
	u.text(".advice li", "needs nothing|edges|Black|White|middle|little")
	u.finds("look of a thing")
}
