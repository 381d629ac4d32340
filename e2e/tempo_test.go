package e2e

import (
	"encoding/json"
	"math"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

// A click is heard on every beat of the clip, at a higher pitch where a bar
// begins: what the page gives to the loudspeaker says so.
func TestBeatsAreHeard(t *testing.T) {
	id := copyOf(t, 1)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.eval(`(() => {
		window.played = []
		const start = AudioBufferSourceNode.prototype.start
		AudioBufferSourceNode.prototype.start = function (...a) { window.played.push(this.buffer); return start.apply(this, a) }
	})()`)
	u.press('c')
	u.press(input.Space)
	u.wait("the tune and the clicks play", "window.played.length === 2")
	// Without clicks it goes on with the tune alone, at once.
	u.press('c')
	u.wait("the tune alone plays", "window.played.length === 3 && window.played[2].numberOfChannels === 2")
	u.press(input.Space)
	var clicks [][2]float64 // when each begins, seconds, and how often it swings in 10 ms
	got := u.eval(`(() => {
		const b = window.played.find((b) => b.numberOfChannels === 1), x = b.getChannelData(0), out = []
		for (let i = 1; i < x.length; i++) {
			if (Math.abs(x[i]) < 0.02) continue
			let swings = 0
			for (let k = i; k < i + 480 && k < x.length; k++) if (x[k - 1] < 0 && x[k] >= 0) swings++
			out.push([i / 48000, swings])
			i += 4800
		}
		return JSON.stringify(out)
	})()`)
	if err := json.Unmarshal([]byte(got), &clicks); err != nil {
		t.Fatal(err)
	}
	c := site.stored(t, id)
	beats, frames := c.Clock().BeatFrames(0, c.Length-1)
	if len(clicks) != len(frames) || len(frames) < 8 {
		t.Fatalf("clicks are heard at %v, there are beats on %v", clicks, frames)
	}
	high, low := 0.0, 99.0
	for i, click := range clicks {
		if want := c.Rate.Seconds(frames[i]); math.Abs(click[0]-want) > 0.002 {
			t.Errorf("click %d is heard at %.3f s, its beat is at %.3f s", i, click[0], want)
		}
		if beats[i]%c.Tempo.PerBar == 0 {
			high = max(high, click[1])
		} else {
			low = min(low, click[1])
		}
	}
	if high <= low {
		t.Errorf("where a bar begins a click swings %g times, elsewhere %g times", high, low)
	}
}

func TestBeatsThatWereFoundWronglyAreCorrected(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	was := u.stored()
	at := func(c *clip.Clip) int {
		l := c.Layer("badge")
		return c.ClockOf(l).Frame(l.Tracks[clip.Scale][1].At)
	}
	bpm := func(c *clip.Clip, want float64) bool { return math.Abs(c.Tempo.BPM-want) < 0.5 }
	u.clickText("[role=tab]", "Clip and light")
	u.clickText("button", "Twice the beats")
	u.waitStored("twice the beats", func(c *clip.Clip) bool { return bpm(c, 200) && at(c) == at(was) })
	u.clickText("button", "Half the beats")
	u.waitStored("half the beats", func(c *clip.Clip) bool { return bpm(c, 100) && at(c) == at(was) })
	// A bar is made to begin a beat later: the badge's keys stay, on another beat.
	u.eval("document.activeElement?.blur()")
	u.press(input.Home)
	u.press('n')
	u.press('n')
	u.text(".transport .bar", "bar 1 beat [23]")
	u.clickText("button", "A bar begins here")
	u.text(".transport .bar", "bar [12] beat 1 ")
	u.waitStored("the bar", func(c *clip.Clip) bool { return c.Tempo.Zero != was.Tempo.Zero && at(c) == at(was) })
	if got := u.eval("[...document.querySelectorAll('.notice')].map((n) => n.innerText).join('; ')"); got != "" {
		t.Errorf("nothing moved, yet the page says %q", got)
	}
	u.write("input[aria-label='Beats in a bar']", "3")
	u.waitStored("a waltz", func(c *clip.Clip) bool { return c.Tempo.PerBar == 3 && at(c) == at(was) })
	// What was heard at first is offered beside it, and taken by one click.
	u.clickText("button", "4 in a bar")
	u.waitStored("as it was heard", func(c *clip.Clip) bool {
		return c.Tempo.PerBar == 4 && c.Tempo.Zero == was.Tempo.Zero && at(c) == at(was)
	})
}

// TestATempoIsTapped taps along with what plays, on every other beat of the sample's tune,
// by the key for it.
func TestATempoIsTapped(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	was := u.stored()
	badge := func(c *clip.Clip) int {
		l := c.Layer("badge")
		return c.ClockOf(l).Frame(l.Tracks[clip.Scale][1].At)
	}
	u.clickText("[role=tab]", "Clip and light")
	u.text("p", "It is [0-9]+% sure of the beat, [0-9]+% of the bars")
	u.press('q')
	u.text(".notice", "Play first")
	u.eval(`(() => {
		const on = window.billowEditor.view.beats.filter((b, i) => i % 2 === 0 && b.frame > 20).map((b) => b.frame).slice(0, 7)
		const look = () => {
			if (window.billowEditor.frame >= on[0]) {
				on.shift()
				document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'q', bubbles: true }))
			}
			if (on.length) requestAnimationFrame(look)
		}
		requestAnimationFrame(look)
	})()`)
	u.press(input.Space)
	u.text("[role=status]", "[67] taps")
	u.clickText("button", "Count by them")
	u.waitStored("half the beats", func(c *clip.Clip) bool {
		return math.Abs(c.Tempo.BPM-was.Tempo.BPM/2) < 0.5 && len(c.Tempo.Beats) > 0 && badge(c) == badge(was)
	})
}
