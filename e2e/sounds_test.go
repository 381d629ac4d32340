package e2e

import (
	"math"
	"strconv"
	"testing"

	"billow/core/clip"
	"billow/export"

	"github.com/go-rod/rod/lib/proto"
)

// TestSoundsLieBesideTheTune lets a sound of the stock shelf sound at the playhead, drags
// it onto a beat, pans it, lets the tune duck under it and takes it away, and listens to
// what would be exported.
func TestSoundsLieBesideTheTune(t *testing.T) {
	id := copyOf(t, 0)
	u := visit(t, "/clips/"+id)
	u.ready()
	mixed := func() []float32 {
		t.Helper()
		got, err := export.Sound(t.Context(), u.stored(), site.Store.Open)
		if err != nil {
			t.Fatal(err)
		}
		return got
	}
	// What a second of one side has, as the root of its mean square.
	power := func(pcm []float32, second float64, side int) float64 {
		sum := 0.0
		for i := int(second * 48000); i < int((second+0.4)*48000); i++ {
			sum += float64(pcm[2*i+side]) * float64(pcm[2*i+side])
		}
		return math.Sqrt(sum / 19200)
	}
	u.goTo(100)
	u.click("[data-panel=props]")
	u.clickText(".sources button", "^Stock$")
	u.clickText(".stock .kinds button", "^Sounds$")
	u.click("[data-thing=riser]")
	u.clickText(".card-of button", "Take into the clip")
	own := func(c *clip.Clip) *clip.SoundTrack {
		if len(c.Sounds) < 2 {
			return nil
		}
		return &c.Sounds[1]
	}
	u.waitStored("it sounds at the playhead", func(c *clip.Clip) bool {
		s := own(c)
		return s != nil && c.Clock().Frame(s.At) == 100
	})
	// Its row is chosen by a press, and a drag to the next bar binds it to a beat.
	u.must("the row", u.find(".sound-row").ScrollIntoView())
	u.wait("what was said is gone", "!document.querySelector('.notice')")
	x, y, w, h := u.box(".sound-row .bar rect")
	beats, err := strconv.ParseFloat(u.eval(`(() => {
		const s = window.billowEditor.view.sounds[0]
		const b = window.billowEditor.view.beats.find((b) => b.down && b.frame > s.from)
		return (b.frame - s.from) / (s.to - s.from)
	})()`), 64)
	u.must("how far the next bar is", err)
	u.drag(x+12, y+h/2, x+12+beats*w, y+h/2)
	u.waitStored("it is bound to a beat", func(c *clip.Clip) bool { s := own(c); return s.At.OnBeat && c.Clock().Frame(s.At) > 100 })
	u.write("input[aria-label='Left or right']", "-100")
	u.waitStored("it is on the left", func(c *clip.Clip) bool { return own(c).Pan == -100 })
	u.write("input[aria-label='Gain']", "6")
	u.waitStored("it is louder", func(c *clip.Clip) bool { return own(c).Gain == 6 })
	begins := float64(u.stored().Clock().Frame(own(u.stored()).At)) / 30
	plain := mixed()
	u.write("input[aria-label='The tune ducks by']", "24")
	u.waitStored("the tune ducks", func(c *clip.Clip) bool { return own(c).Ducks == 24 })
	ducked := mixed()
	at := begins + 1
	if before, after := power(plain, at, 1), power(ducked, at, 1); after > before/4 {
		t.Errorf("on the right, where the tune is alone, there is %.4f beneath the sound and was %.4f", after, before)
	}
	if l, r := power(ducked, at, 0), power(ducked, at, 1); l < 3*r {
		t.Errorf("the sound is on the left with %.4f, on the right with %.4f", l, r)
	}
	u.finds("sounds")
	u.click(".sound-row [aria-label^='Mute ']")
	u.waitStored("it is muted", func(c *clip.Clip) bool { return own(c).Muted })
	u.click(".sound-row [aria-label^='Take ']")
	u.wait("its row is gone", "!document.querySelector('.sound-row')")
	u.waitStored("it is taken away", func(c *clip.Clip) bool { return own(c) == nil })
	// A file without a beat, such as a voice, does not take the tune's place.
	tune := u.stored().Tune().Prop
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".sources button", "^Yours$")
	u.bring(propFile(t, "ridge-voice", "voice.ogg"))
	u.text(".notice", "beside the tune")
	u.waitStored("it sounds beside the tune", func(c *clip.Clip) bool { return own(c) != nil && c.Tune().Prop == tune })
}

// TestAVoiceIsRecorded records from a microphone that the browser pretends to have, which beeps once a second.
func TestAVoiceIsRecorded(t *testing.T) {
	id := copyOf(t, 0)
	u := visit(t, "/clips/"+id)
	u.ready()
	u.goTo(30)
	u.clickText("[role=tab]", "^Props$")
	u.clickText("button.voice", "Record a voice")
	u.text("button.voice", "Recording, [2-9] s")
	u.click("button.voice")
	u.waitStored("it sounds at the playhead", func(c *clip.Clip) bool {
		return len(c.Sounds) == 2 && c.Clock().Frame(c.Sounds[1].At) == 30 && c.Sounds[1].Ducks > 0
	})
	c := u.stored()
	voice := c.Prop(c.Sounds[1].Prop)
	if s := voice.Sound.Seconds; s < 1.5 || s > 60 {
		t.Errorf("%s lasts %g s", voice.Name, s)
	}
	loudest := uint8(0)
	for _, v := range voice.Sound.Levels {
		loudest = max(loudest, v)
	}
	if loudest < 10 {
		t.Errorf("%s is silent: it reaches %d of 255", voice.Name, loudest)
	}
}

// TestTheTuneIsSoftenedOnTheBeatline sets two keys of the tune's gain by double presses and drags one of them down: what
// would be exported is softer there, and as loud as before at the other.
func TestTheTuneIsSoftenedOnTheBeatline(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	mixed := func() []float32 {
		t.Helper()
		c := u.stored()
		c.Loudness = 0 // as it is set, not as loud as ever
		got, err := export.Sound(t.Context(), c, site.Store.Open)
		u.must("mixing", err)
		return got
	}
	plain := mixed()
	u.must("the row of the tune", u.find(".tune-row svg").ScrollIntoView())
	x, y, _, h := u.box(".tune-row svg")
	scale := number(t, u.eval(`(() => {
		const points = document.querySelector('.tune-row polyline').getAttribute('points').split(' ')
		return (parseFloat(points.at(-1)) - parseFloat(points[0])) / window.billowEditor.view.tune.to
	})()`))
	twice := func(frame float64) {
		t.Helper()
		px := x + 8 + frame*scale
		u.must("going there", u.page.Mouse.MoveTo(proto.NewPoint(px, y+h*0.28)))
		u.must("pressing twice", u.page.Mouse.Click(proto.InputMouseButtonLeft, 2))
	}
	keys := func(c *clip.Clip) int { return len(c.Tune().Keys) }
	twice(90)
	u.waitStored("a key", func(c *clip.Clip) bool { return keys(c) == 1 })
	twice(240)
	u.waitStored("another key", func(c *clip.Clip) bool { return keys(c) == 2 })
	u.finds("keys of the gain")
	cx, cy, w, _ := u.box(".tune-row circle:last-of-type")
	u.drag(cx+w/2, cy+w/2, cx+w/2, cy+w/2+h)
	u.waitStored("it is softer there", func(c *clip.Clip) bool { return c.Tune().Keys[1].Value[0] <= -30 && c.Tune().Keys[0].Value[0] > -12 })
	soft := mixed()
	at := func(pcm []float32, second float64) (sum float64) {
		for _, v := range pcm[int(2*48000*second):int(2*48000*(second+0.3))] {
			sum += float64(v) * float64(v)
		}
		return math.Sqrt(sum)
	}
	if before, after := at(plain, 8.5), at(soft, 8.5); after > before/20 {
		t.Errorf("behind the second key it is %.3f, and was %.3f", after, before)
	}
	u.goTo(0)
	u.clickText("[role=tab]", "Clip and light")
	u.clickText("button", "Set a gain key here")
	u.waitStored("a key at the playhead", func(c *clip.Clip) bool { return keys(c) == 3 && c.Tune().Keys[0].Value[0] == 0 })
	u.clickText("button", "Take this gain key away")
	u.waitStored("it is gone", func(c *clip.Clip) bool { return keys(c) == 2 })
}
