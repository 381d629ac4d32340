package e2e

import (
	"fmt"
	"testing"
	"time"

	"billow/demo"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// large opens a clip in a window in which the picture is 540 by 960.
func large(b *testing.B, clip string) *user {
	u := visit(b, clip)
	u.must("resizing", u.page.SetViewport(&proto.EmulationSetDeviceMetricsOverride{Width: 1260, Height: 1442, DeviceScaleFactor: 1}))
	u.ready()
	u.wait("the picture is 540 by 960", `(c => c.width >= 538 && c.width <= 542)(document.querySelector('.tabletop canvas'))`)
	return u
}

// BenchmarkPreview counts the frames that are shown in eight seconds of playing.
func BenchmarkPreview(b *testing.B) {
	u := large(b, "/clips/lantern-weekend")
	u.plays()
}

// BenchmarkRichPreview does so with a scene in which much is drawn anew on each frame: a free
// gradient, a pattern, six layers with shadows of which two are masked, a blurred group.
func BenchmarkRichPreview(b *testing.B) {
	id := fmt.Sprintf("rich-%d", time.Now().UnixNano())
	if err := site.Store.CreateClip(b.Context(), id, demo.Rich(), "Rich"); err != nil {
		b.Fatal(err)
	}
	u := large(b, "/clips/"+id)
	u.plays()
}

// BenchmarkFootagePreview does so with two pieces of footage, one of them keyed and one mixed as light, and
// four layers that move, at 24 frames a second.
func BenchmarkFootagePreview(b *testing.B) {
	c, err := demo.Filmed(site.World)
	if err != nil {
		b.Fatal(err)
	}
	id := fmt.Sprintf("filmed-%d", time.Now().UnixNano())
	if err := site.Store.CreateClip(b.Context(), id, c, "Filmed"); err != nil {
		b.Fatal(err)
	}
	u := large(b, "/clips/"+id)
	u.plays()
}

func (u *user) plays() {
	b := u.t.(*testing.B)
	for range b.N {
		u.press(input.Space)
		u.wait("it plays", `Number(document.querySelector('.tabletop canvas').dataset.frame) > 20`)
		r, err := u.page.Eval(`() => new Promise(done => {
			const canvas = document.querySelector('.tabletop canvas')
			let shown = 0, width = 0
			const o = new MutationObserver(() => { shown++; width += canvas.width })
			o.observe(canvas, { attributes: true, attributeFilter: ['data-frame'] })
			const began = performance.now()
			setTimeout(() => { o.disconnect(); done([shown * 1000 / (performance.now() - began), width / shown]) }, 8000)
		})`)
		u.must("counting", err)
		u.press(input.Space)
		b.ReportMetric(r.Value.Get("0").Num(), "fps")
		b.ReportMetric(r.Value.Get("1").Num(), "px-mean-width")
	}
}

// BenchmarkKeyToPicture is the time from a key being pressed to the changed
// picture: stepping by a frame, and moving a layer.
func BenchmarkKeyToPicture(b *testing.B) {
	u := large(b, "/clips/lantern-weekend")
	u.clickText(".row-line .name", "Call to action")
	for _, k := range []struct {
		name string
		key  input.Key
		mark string
	}{{"step", input.Period, "data-frame"}, {"nudge", input.ArrowUp, "data-version"}} {
		b.Run(k.name, func(b *testing.B) {
			u.eval("document.activeElement.blur()")
			if k.name == "nudge" {
				u.press(input.End)
				u.wait("the end is shown", `document.querySelector('.tabletop canvas').dataset.frame === '359'`)
			}
			u.timed(b, k.mark, k.key)
			b.ReportMetric(0, "ns/op")
		})
	}
}

// BenchmarkTyping is the time from a letter being typed in the picture to the picture that
// shows it.
func BenchmarkTyping(b *testing.B) {
	u := large(b, "/clips/lantern-weekend")
	u.clickText(".row-line .name", "^Headline")
	u.eval("document.activeElement.blur()")
	u.press(input.Enter)
	u.writing()
	u.press(input.End)
	u.timed(b, "data-version", input.Key('m'))
	b.ReportMetric(0, "ns/op")
}

// timed reports how long it takes from a key to a change of an attribute of the picture, in
// half of all cases and in 95 of 100.
func (u *user) timed(b *testing.B, mark string, key input.Key) {
	u.t.Helper()
	_, err := u.page.Eval(`mark => {
		window.took = []
		let pressed = 0
		addEventListener('keydown', () => (pressed = performance.now()), true)
		new MutationObserver(() => pressed && (window.took.push(performance.now() - pressed), pressed = 0))
			.observe(document.querySelector('.tabletop canvas'), { attributes: true, attributeFilter: [mark] })
	}`, mark)
	u.must("watching", err)
	for range 40 {
		n := u.eval("window.took.length")
		u.press(key)
		u.wait("the picture has changed", "window.took.length > "+n)
	}
	r, err := u.page.Eval(`() => (t => [t[19], t[37]])(window.took.sort((a, b) => a - b))`)
	u.must("reading", err)
	b.ReportMetric(r.Value.Get("0").Num(), "ms-p50")
	b.ReportMetric(r.Value.Get("1").Num(), "ms-p95")
}
