package e2e

import (
	"fmt"
	"image/color"
	"math"
	"os/exec"
	"path/filepath"
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/proto"
)

var screenPaint = color.NRGBA{38, 160, 62, 255}

// roller is four seconds of a red disc before a green screen, 320 by 240 pixels at 30 pictures a
// second: its middle goes from 60 to the right by 50 pixels a second.
func roller(t *testing.T) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), "roller.mp4")
	disc := func(in, out int) string {
		return fmt.Sprintf("clip(%d+(%d-%d)*(40.5-hypot(X+0.5-60-50*T,Y+0.5-120)),%d,%d)", out, in, out, min(in, out), max(in, out))
	}
	out, err := exec.Command("ffmpeg", "-v", "error", "-y", "-f", "lavfi", "-i",
		fmt.Sprintf("nullsrc=s=320x240:r=30:d=4,format=gbrp,geq=r='%s':g='%s':b='%s'", disc(220, 38), disc(20, 160), disc(30, 62)),
		"-f", "lavfi", "-i", "sine=f=440:d=4", "-vf", "scale=out_color_matrix=bt709", "-pix_fmt", "yuv420p", "-colorspace", "bt709", "-crf", "12", file).CombinedOutput()
	if err != nil {
		t.Fatalf("ffmpeg: %v: %s", err, out)
	}
	return file
}

// rolled is where the middle of the roller is on the frame when its footage covers that, so many
// seconds after its beginning.
func rolled(seconds float64) float64 { return 200 + (60+50*seconds-160)*400/240 }

// Footage is brought in through the page, trimmed, sped up, run backwards and heard; the export
// shows the frame that is meant.
func TestFootageRunsAsThePageSaysIt(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Rolling", "4s")
	u.bring(roller(t))
	u.find("[aria-label='How it runs']")
	u.saved()
	c := u.stored()
	l := c.Layers[len(c.Layers)-1]
	if l.Kind != clip.KindPhoto || c.PictureOf(&l).Footage.Frames != 120 {
		t.Fatalf("footage of a whole picture became %+v", l)
	}
	where := func(what string, f film, frame int, seconds float64) {
		t.Helper()
		if x, _ := f.middle(frame, redPaint); math.Abs(x-rolled(seconds)) > 2 {
			t.Errorf("%s: on frame %d the disc is at %.1f, want %.1f", what, frame, x, rolled(seconds))
		}
	}
	f := u.film()
	for _, n := range []int{20, 45, 90} {
		where("as it is", f, n, float64(n)/30)
	}
	u.field("From", "1")
	u.field("To", "3")
	u.field("Speed", "50")
	f = u.film()
	where("a part at half speed", f, 60, 2)
	where("to its end", f, 115, 1+115.0/60)
	u.clickText(".footage .check", "backwards")
	u.waitStored("it runs backwards", func(c *clip.Clip) bool { return c.Layers[len(c.Layers)-1].Cutout.Running().Reverse })
	// An empty clip has 120 beats a minute: two bars are four seconds.
	u.clickText(".footage .fits button", "^1 bar$")
	u.choose("select[aria-label='After its end']", "swing")
	u.waitStored("it swings in a bar", func(c *clip.Clip) bool {
		r := c.Layers[len(c.Layers)-1].Cutout.Running()
		return r.Beats == 4 && r.Again == "swing"
	})
	f = u.film()
	// Backwards it begins with the last picture, so that each is the one before what ends there.
	where("two seconds in a bar, backwards", f, 15, 2.5-1.0/30)
	where("and there again", f, 75, 1.5)
	u.clickText(".footage .check", "its sound is heard")
	u.waitStored("it is heard", func(c *clip.Clip) bool { return len(c.Sounds) == 1 && c.Sounds[0].Trim == 1 })
	u.goTo(30)
	u.clickText(".footage .check", "stand still")
	u.waitStored("it stands still", func(c *clip.Clip) bool {
		r := c.Layers[len(c.Layers)-1].Cutout.Running()
		return r.Freeze != nil && r.Freeze.Frames == 30
	})
	f = u.film()
	if d := f.difference(30, 110, everywhere); d > 1 {
		t.Errorf("while it stands still it changes by %.2f levels", d)
	}
	u.finds("footage")
}

// A screen's colour is taken out: proposed from the border, picked in the picture, looked at as a
// matte. What was behind the screen is the backdrop then, and the disc stays.
func TestAScreenIsTakenOutOnThePage(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("Keyed", "4s")
	u.bring(roller(t))
	u.find("[aria-label='How it runs']")
	u.eval("document.querySelector('.keying').open = true")
	u.clickText(".keying .check", "a colour")
	near := func(v []float64) bool {
		return len(v) == 4 && math.Abs(v[0]-38)+math.Abs(v[1]-160)+math.Abs(v[2]-62) < 12
	}
	u.waitStored("the screen's own colour is taken", func(c *clip.Clip) bool {
		v := c.Layers[len(c.Layers)-1].Values
		return len(v["chromaKey"]) == 1 && near(v["keyColour"])
	})
	f := u.film()
	x, y := f.middle(45, redPaint)
	if math.Abs(x-rolled(1.5)) > 2 || math.Abs(y-200) > 2 {
		t.Errorf("the disc is at %.1f, %.1f", x, y)
	}
	for _, at := range [][2]int{{20, 20}, {380, 380}, {20, 300}} {
		if p := f.at(45, at[0], at[1]); p[0] < 250 || p[1] < 250 || p[2] < 250 {
			t.Errorf("at %v the backdrop is %v", at, p)
		}
	}
	if _, _, _, _, green := f.box(45, screenPaint); green {
		t.Error("something of the screen is left")
	}
	pixel := func(x int) [4]byte {
		return [4]byte(u.drawn("square", 400, 400, 45)[4*(200*400+x):])
	}
	u.clickText(".keying button", "Show the matte")
	u.wait("the matte is shown", "document.querySelector('.keying .look').getAttribute('aria-pressed') === 'true'")
	u.wait("the engine shows it", "window.billowEditor.drawing().draw(0, 'square', 40, 40, 45).then((d) => d.pixels[0] < 9 && d.pixels[1] < 9)")
	if p := pixel(int(rolled(1.5))); p[0] < 250 || p[1] < 250 {
		t.Errorf("the disc's matte is %v", p)
	}
	u.clickText(".keying button", "Show the matte")
	u.wait("it is as it was", "window.billowEditor.drawing().draw(0, 'square', 40, 40, 45).then((d) => d.pixels[0] > 250)")
	// The disc's own colour, picked in the picture.
	u.goTo(45)
	u.clickText(".keying button", "Pick in the picture")
	bx, by, bw, bh := u.box(".tabletop canvas")
	u.find(".picker")
	px, py := bx+bw*rolled(1.5)/400, by+bh/2
	u.must("going there", u.page.Mouse.MoveTo(proto.NewPoint(px, py)))
	u.must("pressing", u.page.Mouse.Click(proto.InputMouseButtonLeft, 1))
	u.waitStored("the disc's colour is picked", func(c *clip.Clip) bool {
		v := c.Layers[len(c.Layers)-1].Values["keyColour"]
		return len(v) == 4 && v[0] > 200 && v[1] < 50
	})
	f = u.film()
	if _, _, _, _, red := f.box(45, redPaint); red {
		t.Error("the disc is still there")
	}
	if _, _, _, _, green := f.box(45, screenPaint); !green {
		t.Error("the screen is gone, too")
	}
}
