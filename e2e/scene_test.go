package e2e

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/timing"

	"github.com/go-rod/rod/lib/input"
)

// plays tells when the stored scenes play.
func plays(c *clip.Clip) string {
	var out []string
	for _, p := range c.Scenes() {
		out = append(out, fmt.Sprintf("%s %d-%d", p.Name, p.From, p.To))
	}
	return strings.Join(out, ", ")
}

// scene is the button of a scene in the strip.
func (u *user) scene(name string) (x, y, w float64) {
	x, y, w, h := u.box(fmt.Sprintf("[aria-label^='Scene %s,']", name))
	return x, y + h/2, w
}

func (u *user) waitPlays(what, want string) {
	u.t.Helper()
	u.waitStored(what+" ("+want+")", func(c *clip.Clip) bool { return plays(c) == want })
}

// Scenes are added, trimmed onto beats, moved, split, copied and led into each
// other, on the Beatline and in their settings; what is in them goes along.
func TestScenesAreCutTogetherOnTheBeatline(t *testing.T) {
	u := visit(t, cards(t)) // 120 frames at 120 BPM, 15 frames a beat
	u.ready()
	u.click("[aria-label='Add a scene']")
	u.waitPlays("a second scene", "Scene 1 0-120, Scene 2 120-240")
	u.wait("its rows are open, and empty but for what is beneath", `[...document.querySelectorAll('.row-line .name')].map(n => n.textContent.trim()).join() === 'Scene 2,Backdrop'`)
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Figure")
	u.waitStored("a card in the second scene", func(c *clip.Clip) bool {
		l := c.Layer("card")
		return l != nil && l.Group == c.Scenes()[1].ID
	})
	// The first one's end is dragged to the first beat of the second bar.
	x, y, w := u.scene("Scene 1")
	u.drag(x+w-2, y, x+w-2-w/2+2, y)
	u.waitPlays("the first one is trimmed", "Scene 1 0-60, Scene 2 60-180")
	u.waitStored("it lasts a bar", func(c *clip.Clip) bool { return c.Layer("scene").Scene.Bars == 1 })
	// Back again by hand: what was cut off is still there.
	u.click("[data-scene=scene]")
	u.write("input[aria-label=Lasts]", "2")
	u.waitPlays("two bars", "Scene 1 0-120, Scene 2 120-240")
	u.wantFrames("in the scene", "a", "10 40 70")
	// The second one is dragged before the first.
	x, y, w = u.scene("Scene 2")
	x1, _, _ := u.scene("Scene 1")
	u.drag(x+w/2, y, x1+5, y)
	u.waitPlays("the other way round", "Scene 2 0-120, Scene 1 120-240")
	u.wantFrames("with its scene", "a", "130 160 190")
	u.eval("document.activeElement.blur()")
	u.must("undoing", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitPlays("undone", "Scene 1 0-120, Scene 2 120-240")
	// Split at the playhead, on a beat.
	u.click("[data-scene=scene]")
	u.goTo(60)
	u.click("[data-scene=scene]")
	u.clickText("[role=tab]", "^Layer$")
	u.clickText("button", "Split here")
	u.waitPlays("split", "Scene 1 0-60, Scene 3 60-120, Scene 2 120-240")
	u.click("[data-scene=scene]")
	u.choose("select[aria-label=By]", "dissolve")
	u.write("input[aria-label=Frames]", "10")
	u.waitStored("the dissolve", func(c *clip.Clip) bool {
		return c.Layer("scene").Scene.Leave == clip.Leave{Kind: "dissolve", Frames: 10}
	})
	u.click("[aria-label='Copy the layer']")
	u.waitPlays("a copy", "Scene 1 0-60, Scene 1 copy 60-120, Scene 3 120-180, Scene 2 180-300")
	u.click("[data-scene=scene]")
	u.click("[aria-label='Delete the layer']")
	u.waitPlays("the first one is gone", "Scene 1 copy 0-60, Scene 3 60-120, Scene 2 120-240")
}

// Keys that are made in a scene count from its beginning, wherever it plays.
func TestWhatIsDoneInASceneStaysInIt(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.click("[aria-label='Add a scene']")
	u.waitPlays("a second scene", "Scene 1 0-120, Scene 2 120-240")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Figure")
	u.goTo(135)
	u.move("Swell")
	u.waitStored("a swell on the second beat of the scene", func(c *clip.Clip) bool {
		l := c.Layer("card")
		if l == nil || len(l.Moves) != 1 {
			return false
		}
		m := l.Moves[0]
		return m.At == timing.OnBeat(1) && c.ClockOf(l).Frame(m.At) == 135
	})
	// A layer of the other scene cannot be keyed from here.
	u.clickText("[role=tab]", "^Layer$")
	u.choose("select[aria-label='Lies in']", "scene")
	u.waitStored("into the first scene", func(c *clip.Clip) bool {
		l := c.Layer("card")
		return l.Group == "scene" && c.ClockOf(l).Frame(l.Moves[0].At) == 15
	})
	u.choose("select[aria-label='Lies in']", "@over")
	u.waitStored("over all scenes", func(c *clip.Clip) bool {
		l := c.Layer("card")
		from, to := c.Span(l)
		return l.Group == "" && from == 0 && to == 120
	})
}

// Choosing another product for a scene changes its words and its picture.
func TestASceneShowsAnotherProduct(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	c := u.stored()
	u.eval(`window.billowEditor.runAll([
		{ type: 'addProp', prop: ` + propOf(t, "mug") + ` },
		{ type: 'setProduct', product: { id: 'cup', name: 'Enamel mug', price: '19.00', oldPrice: '', currency: 'EUR', prop: 'mug' } }])`)
	u.clickText(".row-line .name", "^Lantern")
	u.clickText("[role=tab]", "^Layer$")
	u.choose("select[aria-label='Product shown']", clip.ProductSlot)
	u.clickText(".row-line .name", "^Name and price")
	u.choose("select[aria-label=Product]", clip.ProductSlot)
	u.click("[data-scene=scene]")
	u.choose("select[aria-label='Product of the scene']", "cup")
	u.waitStored("the product", func(c *clip.Clip) bool {
		name := c.ProductOf(c.Layer("name"))
		picture := c.PictureOf(c.Layer("lantern-layer"))
		return name != nil && name.Name == "Enamel mug" && picture != nil && picture.ID == "mug"
	})
	if was := c.PictureOf(c.Layer("lantern-layer")); was.ID != "lantern" {
		t.Errorf("before, the picture was of %s", was.ID)
	}
}

// What is drawn ahead while the clip plays does not show an edit too late.
func TestPlaybackShowsNoFrameFromBeforeAnEdit(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	// Pictures that were asked for before the edit come half a second late.
	u.eval(`(() => {
		const pool = window.billowEditor.drawing(), draw = pool.draw.bind(pool)
		window.slow = true
		pool.draw = async (...a) => { const late = window.slow; const d = await draw(...a); if (late) await new Promise(r => setTimeout(r, 500)); return d }
	})()`)
	u.eval("document.activeElement?.blur()")
	u.press(input.Space)
	u.wait("it plays", "Number(document.querySelector('.tabletop canvas')?.dataset.frame) > 8")
	got := u.eval(`(async () => {
		window.slow = false
		await window.billowEditor.run({ type: 'setLayer', layer: 'backdrop', set: { backdrop: { stops: [{ at: 0, colour: '#00ff00' }] } } })
		const canvas = document.querySelector('.tabletop canvas'), seen = {}
		const last = canvas.dataset.frame // it stays until the next one is drawn
		const from = performance.now()
		while (performance.now() - from < 1500) {
			await new Promise(r => requestAnimationFrame(r))
			const at = canvas.dataset.frame, p = canvas.getContext('2d').getImageData(3, 3, 1, 1).data
			if (at !== last && (p[0] || p[1] !== 255)) seen[at] = [...p].join()
		}
		return JSON.stringify(seen)
	})()`)
	if got != "{}" {
		t.Errorf("after the edit, frames still showed the old backdrop: %s", got)
	}
}

// propOf is a prop of the sample world as JSON.
func propOf(t *testing.T, id string) string {
	t.Helper()
	for _, p := range site.World.Props {
		if p.ID == id {
			b, err := json.Marshal(p)
			if err != nil {
				t.Fatal(err)
			}
			return string(b)
		}
	}
	t.Fatalf("there is no prop %s", id)
	return ""
}
