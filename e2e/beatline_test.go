package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// cards stores a clip of three discs, a, b and c, with position keys on frames
// 10, 40 and 70 of 120; a beat is 15 frames.
func cards(t *testing.T) string {
	t.Helper()
	square, _ := clip.StandardShape("square")
	c := clip.New("Cards", square, 30, 120)
	for i, id := range []string{"a", "b", "c"} {
		l := clip.NewLayer(id, "Disc "+id, clip.KindCard)
		l.Card = &clip.Card{Form: "disc", Aspect: 1, Fill: colour.RGB(0xDD4F28)}
		l.Rest = clip.Rest{Pin: "centre", X: float64(300*i - 300), Size: 200}
		l.Group = "scene"
		for k, f := range []int{10, 40, 70} {
			l.Tracks[clip.Position] = append(l.Tracks[clip.Position], motion.Key{
				At: timing.At(f), Value: []float64{0, float64(60 * k)}, Ease: motion.Ease{Kind: motion.InOut},
			})
		}
		c.Layers = append(c.Layers, l)
	}
	id := strings.ToLower(t.Name())[:min(40, len(t.Name()))]
	if err := site.Store.CreateClip(t.Context(), id, c, "Made"); err != nil {
		t.Fatal(err)
	}
	return "/clips/" + id
}

// frames is where a layer's position keys are, in the stored clip.
func (u *user) frames(layer string) string {
	u.t.Helper()
	c := u.stored()
	var out []string
	for _, k := range c.Layer(layer).Tracks[clip.Position] {
		out = append(out, fmt.Sprint(c.ClockOf(c.Layer(layer)).Frame(k.At)))
	}
	return strings.Join(out, " ")
}

func (u *user) wantFrames(what, layer, want string) {
	u.t.Helper()
	u.waitStored(what+": "+layer+" on "+want, func(c *clip.Clip) bool { return u.frames(layer) == want })
}

func (u *user) bead(layer string, frame int) (x, y float64) {
	u.t.Helper()
	bx, by, bw, bh := u.box(fmt.Sprintf("[data-bead='%s position %d']", layer, frame))
	return bx + bw/2, by + bh/2
}

func (u *user) hold(key input.Key, f func()) {
	u.t.Helper()
	u.must("holding a key", u.page.Keyboard.Press(key))
	f()
	u.must("letting it go", u.page.Keyboard.Release(key))
}

// pixels a frame on the Beatline.
func (u *user) perFrame() float64 {
	x0, _ := u.bead("a", 10)
	x1, _ := u.bead("a", 70)
	return (x1 - x0) / 60
}

func TestBeadsAreSelectedMovedAndStretchedTogether(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	// A rectangle around the beads on 40 and 70 of all three discs.
	x0, y1 := u.bead("a", 40)
	x1, y0 := u.bead("c", 70)
	u.drag(x1+8, y1+11, x0-8, y0-9)
	u.text("[data-test=key-count]", "^6 keys$")
	// Dragged by six frames without snapping, all of them move.
	px := u.perFrame()
	bx, by := u.bead("b", 40)
	u.hold(input.ControlLeft, func() { u.drag(bx, by, bx+6*px, by) })
	for _, l := range []string{"a", "b", "c"} {
		u.wantFrames("dragging", l, "10 46 76")
	}
	// Stretched with Alt away from the first of them: 30 frames become 36.
	bx, by = u.bead("b", 76)
	u.hold(input.AltLeft, func() {
		u.hold(input.ControlLeft, func() { u.drag(bx, by, bx+6*px, by) })
	})
	u.wantFrames("stretching", "a", "10 46 82")
	// By a number, back to 50 percent; then backwards.
	u.write("input[aria-label='Stretch to, percent']", "50")
	u.wantFrames("a number", "c", "10 46 64")
	// Undo takes one step at a time.
	u.eval("document.activeElement?.blur()")
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.wantFrames("undo", "c", "10 46 82")
}

func TestBeadsStopBeforeAnotherBeadAndBeforeTheEnds(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	px := u.perFrame()
	pull := func(frame int, to float64) {
		x, y := u.bead("a", frame)
		u.hold(input.ControlLeft, func() { u.drag(x, y, x+(to-float64(frame))*px, y) })
	}
	pull(40, 70)
	u.wantFrames("onto another", "a", "10 69 70")
	pull(69, 10)
	u.wantFrames("onto the first", "a", "10 11 70")
	pull(70, 126)
	u.wantFrames("beyond the end", "a", "10 11 119")
	if u.eval("document.querySelectorAll('.notice').length") != "0" {
		t.Error("a drag was refused, or said something")
	}
}

func TestTimesAreTypedAsPeopleWriteThem(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	for text, frames := range map[string]string{"1s20f": "10 50 70", "b1.4+2": "10 47 70", "55": "10 55 70"} {
		bx, by := 0.0, 0.0
		var now int
		if _, err := fmt.Sscanf(u.frames("a"), "10 %d 70", &now); err != nil {
			t.Fatal(err)
		}
		bx, by = u.bead("a", now)
		u.must("pointing", u.page.Mouse.MoveTo(proto.NewPoint(bx, by)))
		u.must("pressing", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
		u.text("[data-test=key-count]", "^1 key$")
		u.write("input[aria-label='When the first of them is']", text)
		u.wantFrames(text, "a", frames)
		if text == "b1.4+2" {
			if k := u.stored().Layer("a").Tracks[clip.Position][1]; !k.At.OnBeat || k.At.Beat != 3 {
				t.Errorf("%s is not bound to its beat: %+v", text, k.At)
			}
		}
	}
	u.write("input[aria-label='When the first of them is']", "soon")
	u.text(".notice", "is not a time")
	u.wantFrames("nonsense", "a", u.frames("a"))
}

func TestALaneShapesValuesAndEasings(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc b$")
	u.text(".lane", "^Position$")
	// The bead in the middle of the range goes up in value, not in time.
	bx, by := u.bead("b", 40)
	u.drag(bx, by, bx, by-8)
	u.waitStored("the value", func(c *clip.Clip) bool {
		k := c.Layer("b").Tracks[clip.Position][1]
		return k.At.Frames == 40 && k.Value[1] > 75 && k.Value[1] < 120 && k.Value[0] == 0
	})
	// A handle of the string before it makes its easing a Bezier.
	hx, hy, hw, hh := u.box("[data-shaper='position 10 0']")
	px := u.perFrame()
	u.drag(hx+hw/2, hy+hh/2, hx+hw/2+6*px, hy+hh/2)
	u.waitStored("the easing", func(c *clip.Clip) bool {
		e := c.Layer("b").Tracks[clip.Position][0].Ease
		return e.Kind == motion.Bezier && math.Abs(e.X1-0.62) < 0.04 && math.Abs(e.Y1) < 0.05 && e.X2 == 0.58
	})
	// The curve of speed can be shown.
	u.click("[aria-label='Curves of speed']")
	u.find("[data-layer=b] path.speed")
	u.click("[aria-label='Curves of speed']")
}

func TestKeysAreCopiedToOtherLayers(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText(".row-line .name", "^Disc a$")
	u.goTo(35)
	u.press('a') // all keys of the chosen layer from here on
	u.text("[data-test=key-count]", "^2 keys$")
	u.must("copying", u.page.KeyActions().Press(input.ControlLeft).Type('c').Do())
	u.chooseAll("Disc b", "Disc c")
	u.eval("document.activeElement?.blur()")
	u.press(input.End)
	for range 39 {
		u.press(input.Comma)
	}
	u.wait("the playhead is there", "document.querySelector('input[aria-label=Time]').value === '2s20f'")
	u.must("pasting", u.page.KeyActions().Press(input.ControlLeft).Type('v').Do())
	u.wantFrames("pasting", "b", "10 40 70 80 110")
	u.wantFrames("pasting", "c", "10 40 70 80 110")
	// Hold until here: what came at the last key stays.
	u.clickText(".row-line .name", "^Disc a$")
	u.goTo(60)
	u.press('h')
	u.wantFrames("holding", "a", "10 40 60 70")
	if k := u.stored().Layer("a").Tracks[clip.Position]; k[1].Ease.Kind != motion.Hold || k[2].Value[1] != k[1].Value[1] {
		t.Errorf("it does not hold: %+v", k)
	}
}

func TestCreepingIsSeenAndMended(t *testing.T) {
	path := cards(t)
	u := visit(t, path)
	u.ready()
	// The last key far away and quick to reach, the stretch before it slow.
	u.clickText(".row-line .name", "^Disc a$")
	u.clickText("[role=tab]", "^Motion$")
	u.goTo(115)
	u.click("button[aria-label='Set a key for Position']")
	u.goTo(119)
	u.click("button[aria-label='Set a key for Position']")
	u.write("input[aria-label='Position, down']", "900")
	u.goTo(115)
	u.write("input[aria-label='Position, down']", "140")
	u.click("[data-creep='a position 70']")
	u.wantFrames("mending", "a", "10 40 70 103 115 119")
	u.wait("nothing creeps there any more", "!document.querySelector(\"[data-creep='a position 70']\")")
}

func TestRowsAreFoundFoldedLockedAndSeenAlone(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.press('f')
	u.must("typing a name", u.page.InsertText("disc b"))
	u.wait("one row is left", "document.querySelectorAll('[data-layer]').length === 1")
	u.write("#find-layer", "b")
	u.write("#find-layer", " ")
	u.wait("all rows are back", "document.querySelectorAll('[data-layer]').length === 4")
	u.chooseAll("Disc a", "Disc b")
	u.eval("document.activeElement?.blur()")
	u.must("grouping", u.page.KeyActions().Press(input.ControlLeft).Type('g').Do())
	u.find("[aria-label='Fold Group']")
	u.click("[aria-label='Fold Group']")
	u.wait("the group's rows are folded", "document.querySelectorAll('[data-layer]').length === 3")
	u.click("[aria-label='Unfold Group']")
	u.wait("they are back", "document.querySelectorAll('[data-layer]').length === 5")
	// Alone in the preview; the clip itself does not change.
	before := string(u.stored().Encode())
	u.clickText(".row-line .name", "^Disc c$")
	u.click("[aria-label='Show Disc c alone']")
	u.wait("the backdrop is gone", `(c => { const p = c.getContext('2d').getImageData(4, 4, 1, 1).data; return p[0] + p[1] + p[2] === 0 })(document.querySelector('.tabletop canvas'))`)
	u.click("[aria-label='Show Disc c alone']")
	u.wait("the backdrop is back", `(c => { const p = c.getContext('2d').getImageData(4, 4, 1, 1).data; return p[0] + p[1] + p[2] > 300 })(document.querySelector('.tabletop canvas'))`)
	if after := string(u.stored().Encode()); after != before {
		t.Error("seeing a layer alone changed the clip")
	}
	u.click("[aria-label='Lock Disc c']")
	u.waitStored("the lock", func(c *clip.Clip) bool { return c.Layer("c").Locked })
}

func TestARangeIsLooped(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.goTo(20)
	u.press('i')
	u.goTo(34)
	u.press('o')
	u.press('m')
	u.find("[data-test=range]")
	u.waitStored("the range", func(c *clip.Clip) bool {
		return c.Range != nil && c.Range.In.Frames == 20 && c.Range.Out.Frames == 35 && len(c.Markers) == 1 && c.Markers[0].At.Frames == 34
	})
	u.press(input.Space)
	r, err := u.page.Eval(`() => new Promise(done => {
		const canvas = document.querySelector('.tabletop canvas'), seen = new Set()
		const o = new MutationObserver(() => { seen.add(Number(canvas.dataset.frame)); if (seen.size > 9) { o.disconnect(); setTimeout(() => done([Math.min(...seen), Math.max(...seen)]), 600) } })
		o.observe(canvas, { attributes: true, attributeFilter: ['data-frame'] })
	})`)
	u.must("watching", err)
	u.press(input.Space)
	if lo, hi := r.Value.Get("0").Int(), r.Value.Get("1").Int(); lo < 20 || hi > 34 {
		t.Errorf("the range from 20 to 34 plays from %d to %d", lo, hi)
	}
	u.press(input.Home)
	u.hold(input.ShiftLeft, func() { u.press('I') })
	u.waitStored("the whole clip", func(c *clip.Clip) bool { return c.Range == nil })
}

func TestShortcutsAreListedAndNotHeardInFields(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.hold(input.ShiftLeft, func() { u.press('?') })
	u.text(".modal.show h3", "^Keys$")
	u.text(".modal.show dd", "^Hold until here$")
	u.press(input.Escape)
	u.wait("the list is closed", "!document.querySelector('.modal.show')")
	u.clickText(".row-line .name", "^Disc a$")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label='Name of the layer']", "hamk hoi, b.n")
	u.waitStored("the name", func(c *clip.Clip) bool { return c.Layer("a").Name == "hamk hoi, b.n" })
	c := u.stored()
	if len(c.Markers) != 0 || c.Range != nil || len(c.Layer("a").Tracks[clip.Rotation]) != 0 || u.frames("a") != "10 40 70" {
		t.Error("letters typed into a field did something else too")
	}
}

func TestTheLightHasKeysOfItsOwn(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText("[role=tab]", "^Clip and light$")
	u.goTo(0)
	u.click("button[aria-label=\"Set a key for the light's direction\"]")
	u.text(".row-line .name", "^Light$")
	u.goTo(60)
	// Where it has keys, its number changes the key here.
	u.write("input[aria-label=Direction]", "70")
	u.waitStored("the second key", func(c *clip.Clip) bool {
		k := c.Light.Tracks[clip.LightDirection]
		return len(k) == 2 && k[0].Value[0] == -35 && k[1].At.Frames == 60 && k[1].Value[0] == 70 && c.Light.Direction == -35
	})
	bx, by, bw, bh := u.box("[data-bead='@light direction 60']")
	u.hold(input.ControlLeft, func() { u.drag(bx+bw/2, by+bh/2, bx+bw/2+10*u.perFrame(), by+bh/2) })
	u.waitStored("the drag", func(c *clip.Clip) bool { return c.Light.Tracks[clip.LightDirection][1].At.Frames == 70 })
}

func TestScenesAndMarkersAreNamed(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.clickText("[role=tab]", "^Clip and light$")
	u.goTo(60)
	u.clickText("button", "Marker here")
	u.write("input[aria-label='Name of marker 1']", "Horn")
	u.clickText("button", "Split the scene here")
	u.write("input[aria-label='Name of the layer']", "Offer")
	// Frame 60 is the first beat of the second bar: both are bound to it.
	u.waitStored("the names", func(c *clip.Clip) bool {
		s := c.Scenes()
		return len(s) == 2 && s[1].Name == "Offer" && s[1].From == 60 && s[0].Length.Bars == 1 &&
			len(c.Markers) == 1 && c.Markers[0].Name == "Horn" && c.Markers[0].At == timing.OnBeat(4)
	})
	u.wait("they are shown", `document.querySelector('.strip').textContent.includes('Offer') && document.querySelector('.ruler .marker text').textContent === 'Horn'`)
	u.clickText("[role=tab]", "^Clip and light$")
	u.click("[aria-label='Delete Horn']")
	u.waitStored("no marker", func(c *clip.Clip) bool { return len(c.Markers) == 0 })
}

func TestRowsAreDraggedIntoAnotherOrderAndOthersGroups(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	order := func(want string) {
		t.Helper()
		u.waitStored("the order "+want, func(c *clip.Clip) bool {
			var ids []string
			for _, l := range c.Layers {
				id := l.ID
				if l.Group != "" && l.Group != "scene" {
					id = "in-" + id
				}
				ids = append(ids, id)
			}
			return strings.Join(ids, " ") == want
		})
	}
	grip := func(name string) (float64, float64) {
		x, y, w, h := u.box("[aria-label='Move " + name + " in the stack']")
		return x + w/2, y + h/2
	}
	order("backdrop scene a b c")
	ax, ay := grip("Disc a")
	_, cy := grip("Disc c")
	u.drag(ax, ay, ax, cy) // in front of c
	order("backdrop scene b c a")
	bx, by := grip("Disc b")
	u.drag(bx, by, bx, by+90) // behind everything
	order("b backdrop scene c a")
	u.chooseAll("Disc a", "Disc c")
	u.eval("document.activeElement?.blur()")
	u.must("grouping", u.page.KeyActions().Press(input.ControlLeft).Type('g').Do())
	u.find("[aria-label='Fold Group']")
	bx, by = grip("Disc b")
	_, ay = grip("Disc a")
	u.drag(bx, by, bx, ay) // onto a row in the group
	u.waitStored("b in the group", func(c *clip.Clip) bool { return c.Layer("b").Group != "" && c.Layer("b").Group == c.Layer("a").Group })
}

func TestAStaggerAndAFollowThroughThePage(t *testing.T) {
	u := visit(t, cards(t))
	u.ready()
	u.chooseAll("Disc a", "Disc b", "Disc c")
	u.write("input[aria-label=Offset]", "7")
	u.choose("select[aria-label=Order]", "across")
	u.clickText("button", "Stagger 3 layers")
	u.wantFrames("staggering", "a", "10 40 70")
	u.wantFrames("staggering", "b", "17 47 77")
	u.wantFrames("staggering", "c", "24 54 84")
	u.clickText(".row-line .name", "^Disc a$")
	u.clickText("[role=tab]", "^Motion$")
	u.clickText("summary", "^Follow")
	u.choose("select[aria-label=Follows]", "b")
	u.waitStored("following", func(c *clip.Clip) bool { return c.Layer("a").Follow != nil && c.Layer("a").Follow.Layer == "b" })
	// What would go round in a circle is not offered.
	u.clickText(".row-line .name", "^Disc b$")
	u.clickText("summary", "^Follow")
	u.wait("the others are offered", `(() => {
		const ids = [...document.querySelectorAll('select[aria-label=Follows] option')].map(o => o.value)
		return ids.includes('c') && !ids.includes('a') && !ids.includes('b')
	})()`)
}
