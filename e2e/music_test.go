package e2e

import (
	"os"
	"path/filepath"
	"testing"

	"billow/core/clip"
	"billow/media"

	"github.com/go-rod/rod/lib/input"
)

// TestScenesAreFittedAndLayersSpread: at 120 beats a minute a bar is 60 frames. A scene of 150 ends after 180, which is
// said first; two layers begin on beats, two of them apart.
func TestScenesAreFittedAndLayersSpread(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("To the music", "5s")
	u.block("red", redPaint)
	u.field("Size", "300")
	u.move("gust")
	u.block("green", greenPaint)
	u.field("Size", "200")
	u.move("gust")
	u.click("[aria-label='Fit scenes to the music']")
	u.text("[data-test=retiming]", "becomes 6s00f long, from 5s00f; Scene 1 5s00f → 6s00f")
	u.finds("fitting scenes")
	u.clickText(".offer button", "Fit them")
	u.waitStored("three bars", func(c *clip.Clip) bool { return c.Length == 180 && c.Scenes()[0].Length.Bars == 3 })
	u.chooseAll("red", "green")
	u.clickText("[role=tab]", "^Motion$")
	u.goTo(25)
	u.clickText(".together button", "Spread over the next")
	u.waitStored("they begin two beats apart", func(c *clip.Clip) bool {
		at := func(name string) int {
			l := layerNamed(c, name)
			k := l.Tracks[clip.Position]
			if len(k) == 0 || !k[0].At.OnBeat {
				return -1
			}
			return c.ClockOf(l).Frame(k[0].At)
		}
		return at("green") == 30 && at("red") == 60
	})
}

// TestAMoveComesWithASound takes a whoosh from the stock shelf and lets the badge's move come with it.
func TestAMoveComesWithASound(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Comes with", "4s")
	u.block("red", redPaint)
	u.goTo(60)
	u.move("gust")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".sources button", "^Stock$")
	u.clickText(".stock .kinds button", "^Sounds$")
	u.click("[data-thing^=whoosh]")
	u.clickText(".card-of button", "Take into the clip")
	u.waitStored("the whoosh", func(c *clip.Clip) bool { return len(c.Sounds) == 1 })
	name := u.stored().Prop(u.stored().Sounds[0].Prop)
	u.clickText(".row-line .name", "^red")
	u.clickText("[role=tab]", "^Motion$")
	u.clickText("[data-move] .title button", "Gust")
	u.choose("select[aria-label='Comes with']", name.Hash)
	of := func(c *clip.Clip) *clip.SoundTrack {
		for i := range c.Sounds {
			if c.Sounds[i].With.Move != "" {
				return &c.Sounds[i]
			}
		}
		return nil
	}
	u.waitStored("it comes with it", func(c *clip.Clip) bool {
		s := of(c)
		return s != nil && s.Prop == name.ID && s.Length > 10 && s.Pan > 0 && s.Pans < 0
	})
	before := *of(u.stored())
	u.write("input[aria-label=Frames]", "40")
	u.waitStored("it is as long as the move", func(c *clip.Clip) bool { return of(c).Length > before.Length })
	u.click("[aria-label='Take the Gust away']")
	u.waitStored("it is gone with the move", func(c *clip.Clip) bool { return of(c) == nil && len(c.Sounds) == 1 })
}

// TestCreditsAreSaidBeforeTheExport brings a file in of which nobody knows anything, and says it.
func TestCreditsAreSaidBeforeTheExport(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Credited", "2s")
	file := filepath.Join(t.TempDir(), "found.wav")
	tone := make([]float32, 2*48000)
	for i := range tone {
		tone[i] = float32(i%400)/4000 - 0.05
	}
	u.must("writing a sound", os.WriteFile(file, media.WAV(tone), 0o600))
	u.bring(file)
	u.waitStored("the sound", func(c *clip.Clip) bool { return len(c.Sounds) == 1 })
	u.wait("what was said is gone", "!document.querySelector('.notice')")
	u.clickText("button", "^Export")
	u.text(".credits label", "Nobody has said who made “found”")
	u.finds("credits")
	u.into(".credits input")
	u.keys("Found, by A. Maker, CC BY 4.0, from her page")
	u.press(input.Enter)
	u.text(".credits li", "by A. Maker, CC BY 4.0")
	u.waitStored("the credit", func(c *clip.Clip) bool { return c.Prop(c.Sounds[0].Prop).Credit != "" })
	u.wait("nothing lacks one", "!document.querySelector('.credits .lack')")
	u.click(".modal.show .quick + .quick input") // without sound
	u.text(".go span", "without sound")
	u.press(input.Escape)
}

// TestBeatsAreSeenAndScrubbingIsHeard: once the playhead has rested a moment, what lies under a dragged playhead is heard, and
// the Tabletop's edge lights up on beats.
func TestBeatsAreSeenAndScrubbingIsHeard(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.eval(`(() => {
		window.played = []
		const create = BaseAudioContext.prototype.createBuffer
		BaseAudioContext.prototype.createBuffer = function (...a) { window.mixed = true; return create.apply(this, a) }
		const start = AudioBufferSourceNode.prototype.start
		AudioBufferSourceNode.prototype.start = function (...a) { window.played.push(a[2] ?? 0); return start.apply(this, a) }
	})()`)
	x, y, w, h := u.box("[data-test=ruler]")
	u.drag(x+60, y+h/2, x+w/2, y+h/2)
	u.wait("the sound is mixed", "window.mixed")
	u.drag(x+60, y+h/2, x+w/2, y+h/2)
	u.wait("little of it is heard", "window.played.length > 2 && window.played.every((s) => s > 0.02 && s < 0.2)")
	u.click("[aria-label='Pulses on the beats']")
	u.find(".pulse")
	lit := func() string {
		return u.eval("document.querySelector('.pulse').dataset.pulse + (document.querySelector('.pulse.down') ? ' down' : '')")
	}
	u.eval("window.billowEditor.go(window.billowEditor.view.beats.find((b) => b.down && b.bar === 3).frame)")
	u.wait("a bar is seen", "document.querySelector('.pulse').dataset.pulse === '1.00'")
	if got := lit(); got != "1.00 down" {
		t.Errorf("where a bar begins the edge is lit %s", got)
	}
	u.press(input.Period, input.Period, input.Period)
	u.wait("it fades", "+document.querySelector('.pulse').dataset.pulse < 0.7 && +document.querySelector('.pulse').dataset.pulse > 0.5")
	u.click("[aria-label='Pulses on the beats']")
	u.wait("it is gone", "!document.querySelector('.pulse')")
}
