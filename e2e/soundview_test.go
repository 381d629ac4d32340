package e2e

import (
	"math"
	"strconv"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/mix"
	"billow/export"
	"billow/media"

	"github.com/go-rod/rod/lib/input"
)

// soundView goes to the view of the tune and waits until it is drawn.
func (u *user) soundView() {
	u.t.Helper()
	u.clickText(".views a", "^Sound$")
	u.find(".overview")
	u.wait("the tune is drawn", `(() => {
		const c = document.querySelector('canvas.wave')
		return c?.width && c.getContext('2d').getImageData(0, c.height / 2, c.width, 1).data.some((v) => v)
	})()`)
}

// shelved puts a tune of the sample world on the shelf under its own name. A test that brought the same
// file in renamed it.
func shelved(t *testing.T, name string) {
	t.Helper()
	for _, p := range site.World.Props {
		if p.Name == name {
			if err := site.Store.PutProp(t.Context(), p); err != nil {
				t.Fatal(err)
			}
			return
		}
	}
	t.Fatalf("the sample world has no %q", name)
}

// lay lays another tune of the shelf under the clip, in the view of the tune.
func (u *user) lay(name, how string) {
	u.t.Helper()
	if u.eval("document.querySelector('.soundview details').open") == "false" {
		u.clickText("summary", "^Another tune$")
	}
	u.clickText(".another li button", "^"+name)
	u.clickText(".another label", how)
	u.text(".another [data-test=retiming]", "long")
	u.clickText(".another button", "^Lay "+name)
	u.text(".soundview .name", "^"+name)
}

// sampleTune is a tune of the sample world, interleaved stereo.
func sampleTune(t *testing.T, id string) []float32 {
	t.Helper()
	file := site.World.Tunes[id].File
	spool, err := media.NewSpool(strings.NewReader(string(file)), int64(len(file)))
	if err != nil {
		t.Fatal(err)
	}
	defer spool.Close()
	pcm, err := media.DecodeSound(t.Context(), spool, 600)
	if err != nil {
		t.Fatal(err)
	}
	return pcm
}

// number reads what the page says.
func number(t *testing.T, text string) float64 {
	t.Helper()
	v, err := strconv.ParseFloat(text, 64)
	if err != nil {
		t.Fatal(err)
	}
	return v
}

// alikeSound is how much a second of one sound is like one of another, 1 for the very same at whatever gain.
func alikeSound(a []float32, at float64, b []float32, from float64) float64 {
	i, k := 2*int(math.Round(at*mix.Rate)), 2*int(math.Round(from*mix.Rate))
	var ab, aa, bb float64
	for n := range 2 * mix.Rate / 2 {
		x, y := float64(a[i+n]), float64(b[k+n])
		ab, aa, bb = ab+x*y, aa+x*x, bb+y*y
	}
	return ab / math.Sqrt(aa*bb)
}

// TestATuneIsCutInTheSoundView lays another tune under the sample clip, which stays as it is, cuts it to the best
// part that is proposed, hears a join, repeats bars, and listens to what would be exported.
func TestATuneIsCutInTheSoundView(t *testing.T) {
	shelved(t, "Ridge line")
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	was := u.stored()
	badge := func(c *clip.Clip) int {
		l := c.Layer("badge")
		return c.ClockOf(l).Frame(l.Tracks[clip.Scale][1].At)
	}
	u.soundView()
	u.lay("Ridge line", "The clip stays as it is")
	u.waitStored("the other tune", func(c *clip.Clip) bool {
		return c.Prop(c.Tune().Prop).Name == "Ridge line" && math.Abs(c.Tempo.BPM-112) < 0.2 && badge(c) == badge(was)
	})
	u.wait("its sections are seen", "document.querySelectorAll('.section').length >= 3")
	// Five bars of 60*4/112 s, and what is left of twelve seconds to die away in.
	u.text("[data-excerpt='0']", "5 bars from bar")
	u.text("[data-excerpt='0']", "full for")
	u.clickText("[data-excerpt='0'] button", "Cut the tune to it")
	u.text(".outcome [data-test=retiming]", "stays 12s00f long")
	u.finds("the tune")
	u.clickText(".outcome button", "Cut it so")
	const bar = 60 * 4 / 112.0
	u.waitStored("the cut", func(c *clip.Clip) bool {
		p := c.Tune().Parts
		return len(p) == 1 && math.Abs(p[0].Seconds()-5*bar) < 0.02 && math.Abs(c.Tune().Tail-(12-5*bar)) < 0.02
	})
	c := u.stored()
	if at := c.Tempo.Seconds(0); math.Abs(at) > 0.02 {
		t.Errorf("the first bar begins at %.3f s of the clip", at)
	}
	mixed, err := export.Sound(t.Context(), c, site.Store.Open)
	u.must("mixing", err)
	tune := sampleTune(t, "ridge-line")
	from := c.Tune().Parts[0].From
	for _, at := range []float64{1, 5, 9} {
		if like := alikeSound(mixed, at, tune, from+at); like < 0.97 {
			t.Errorf("at %g s of the clip the tune's second %.2f is heard to %.2f", at, from+at, like)
		}
	}
	went := badge(c) // with its beat
	// Its end is dragged a bar earlier, then the bars are repeated: a join is heard before it is taken.
	u.find(".part .handle")
	x, y, _, _ := u.box(".part .end:last-of-type .handle")
	back := u.eval(`(() => {
		const b = [...document.querySelectorAll('.down line')].map((l) => +l.getAttribute('x1'))
		return b[1] - b[0]
	})()`)
	u.drag(x+4, y+16, x+4-number(t, back), y+16)
	u.text(".piece.chosen, .piece .on", "4 bars")
	u.clickText(".cut button", "Repeat it")
	u.eval(`(() => {
		window.heard = []
		const start = AudioBufferSourceNode.prototype.start
		AudioBufferSourceNode.prototype.start = function (...a) { window.heard.push([this.buffer.duration, a[1], a[2]]); return start.apply(this, a) }
	})()`)
	u.click("[aria-label='Hear the join before part 2']")
	u.wait("the join is heard", "window.heard.length === 1")
	// Eight bars and the tail, from a bar before the join to a bar after it.
	if got := u.eval("window.heard[0].map((v) => v.toFixed(2)).join(' ')"); !strings.HasSuffix(got, " 6.43 4.29") {
		t.Errorf("of the cut %q is heard: its length, from where, how long", got)
	}
	u.clickText(".outcome label", "stay at their times")
	u.clickText(".outcome label", "becomes as long")
	u.text(".outcome [data-test=retiming]", "from 12s00f")
	u.clickText(".outcome button", "Cut it so")
	u.waitStored("the bars are heard twice", func(c *clip.Clip) bool {
		p := c.Tune().Parts
		return len(p) == 2 && p[0] == p[1] && math.Abs(p[0].Seconds()-4*bar) < 0.02 && c.Length > 500 && badge(c) == went
	})
	u.chord(input.ControlLeft, input.KeyZ)
	u.waitStored("one part again", func(c *clip.Clip) bool { return len(c.Tune().Parts) == 1 && c.Length == 360 })
}

// TestBeatsAreCorrectedInTheSoundView taps along with every other beat, locks the count, unlocks it and drags
// a beat, whose neighbours follow.
func TestBeatsAreCorrectedInTheSoundView(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	was := u.stored()
	u.soundView()
	u.eval(`(() => {
		const at = () => parseFloat(document.querySelector('[data-test=second]').textContent)
		const tap = [...document.querySelectorAll('button')].find((b) => /Tap along/.test(b.textContent))
		let next = 0.25 + 2.4
		const look = () => {
			if (at() >= next && next < 10) {
				next += 1.2
				tap.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }))
			}
			requestAnimationFrame(look)
		}
		requestAnimationFrame(look)
	})()`)
	u.click(".transport .play")
	u.text("[role=status]", "[67] taps")
	u.clickText("button", "Count by them")
	u.waitStored("half the beats", func(c *clip.Clip) bool {
		return math.Abs(c.Tempo.BPM-was.Tempo.BPM/2) < 0.5 && c.Tune().Count != nil
	})
	u.click(".transport .play")
	u.click(".lock input")
	u.waitStored("it is locked", func(c *clip.Clip) bool { return c.Tune().Kept })
	u.wait("nothing corrects it", "![...document.querySelectorAll('.soundview button')].some((b) => /Twice the beats/.test(b.textContent))")
	u.click(".lock input")
	u.waitStored("it is unlocked", func(c *clip.Clip) bool { return !c.Tune().Kept })
	u.clickText("button", "Drag beats")
	u.find("circle.knob")
	count := *u.stored().Tune().Count
	x, y, w, h := u.box("circle.knob")
	beat := number(t, u.eval("document.querySelector('circle.knob').parentNode.querySelector('line').dataset.beat"))
	u.drag(x+w/2, y+h/2, x+w/2+6, y+h/2)
	u.waitStored("a beat lies elsewhere", func(c *clip.Clip) bool {
		n := c.Tune().Count
		k := math.Round(count.Beat(beat))
		moved := n.Seconds(k) - count.Seconds(k)
		beside := n.Seconds(k+4) - count.Seconds(k+4)
		return moved > 0.01 && math.Abs(beside-moved/2) < 0.005
	})
	u.press(input.Escape)
}
