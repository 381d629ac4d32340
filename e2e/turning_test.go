package e2e

import (
	"fmt"
	"image/png"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"testing"

	"billow/core/clip"
	"billow/demo/photographed"

	"github.com/go-rod/rod/lib/input"
)

// turning is a tin on blue card that turns once around, with a band of a blue that looks
// like the card in shadow.
var turning = photographed.Turning{
	W: 400, H: 400, Frames: 64, Ground: photographed.Sweep([3]float64{70, 104, 168}, 400, 400, .3),
	Band: [3]float64{52, 80, 136}, Shadow: .3, Noise: 2.5,
}

// The film begins before the band is in front and ends after it.
const (
	turningFrom   = 24
	turningFrames = 12
	inFront       = 32 - turningFrom // the picture on which the band is seen as a whole
)

// filmed writes a part of the turn as H.264, as cameras do.
func filmed(t *testing.T) string {
	t.Helper()
	dir := t.TempDir()
	for n := range turningFrames {
		f, err := os.Create(filepath.Join(dir, fmt.Sprintf("%03d.png", n)))
		if err == nil {
			err = png.Encode(f, turning.Take(turningFrom+n).Picture)
		}
		if err == nil {
			err = f.Close()
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	file := filepath.Join(dir, "dish that turns.mp4")
	out, err := exec.Command("ffmpeg", "-loglevel", "error", "-framerate", "12", "-i", filepath.Join(dir, "%03d.png"),
		"-c:v", "libx264", "-pix_fmt", "yuv420p", "-crf", "16", file).CombinedOutput()
	if err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	return file
}

// A tin turns on blue card. On the Bench it is taken off it on every picture; a stroke on one of
// them brings back a band that the card's colour has swallowed on all. The clip shows it turn before
// its own backdrop.
func TestATurningThingIsTakenOffBlueCard(t *testing.T) {
	u := visit(t, "/")
	u.backed("Turning tin")
	u.bring(filmed(t))
	u.text(".notice", "is in the clip with its background")
	u.clickText(".notice button", "Take it off on the Bench")
	u.cutNow()
	u.text(".bench .count", fmt.Sprintf("of %d", turningFrames))
	u.finds("the Bench with footage")
	u.onPicture(inFront)
	band := `document.querySelector('.bench .layers canvas').getContext('2d').getImageData(200, %d, 1, 1).data[3]`
	const middle = 222 // of the band, in pixels of the picture
	if a, err := strconv.Atoi(u.eval(fmt.Sprintf(band, middle))); err != nil || a > 100 {
		t.Fatalf("the band has opacity %d before anything was painted: the test shows nothing (%v)", a, err)
	}
	u.cutAgain(func() {
		u.press(input.KeyS)
		u.paint(150, 220, 250, 220)
	})
	u.onPicture(inFront + 3)
	u.wait("the band stays on another picture", fmt.Sprintf(band, middle)+" > 250")
	u.clickText(".bench .btn-act", "Take it off in")
	u.waitStored("the layer shows the thing alone", func(c *clip.Clip) bool {
		l := c.Layer(cutoutOf(c))
		if l == nil {
			return false
		}
		p := c.Prop(l.Cutout.Prop)
		return p != nil && p.Footage != nil && p.Footage.Alpha
	})
	c := u.stored()
	p := c.Prop(c.Layer(cutoutOf(c)).Cutout.Prop)
	if p.Footage.Frames != turningFrames {
		t.Errorf("of %d pictures %d are left", turningFrames, p.Footage.Frames)
	}
	u.ready()
	u.clickText("[role=tab]", "^Layer$")
	u.field("Lift", "0")
	u.turnsAlone(p)
}

// onPicture goes to a picture of the footage on the Bench.
func (u *user) onPicture(n int) {
	u.t.Helper()
	now, err := strconv.Atoi(u.eval("document.querySelector('.bench input[aria-label=Picture]').value"))
	u.must("reading the picture's number", err)
	for ; now < n; now++ {
		u.click(".bench button[aria-label='The next picture']")
	}
	for ; now > n; now-- {
		u.click(".bench button[aria-label='The picture before']")
	}
	u.wait("the picture is cut", `!document.querySelector('.bench .busy') && document.querySelector('.bench [data-cuts]').dataset.frame === '`+fmt.Sprint(n)+`'`)
}

// turnsAlone compares pictures of the clip with the truth: the tin before the clip's backdrop.
func (u *user) turnsAlone(p *clip.Prop) {
	u.t.Helper()
	v := p.Picture.Visible
	longer := max(v[2]-v[0], v[3]-v[1])
	k := 600. / 1000 * 400 / float64(longer) // pixels of the frame for one of the footage
	back := u.pixel(0, 6, 6)
	for _, n := range []int{1, 4, inFront, turningFrames - 2} {
		truth := turning.Take(turningFrom + n)
		var wrong [][3]int // where, and how opaque it is in truth
		off, count := 0., 0.
		pixels := u.drawn("square", 400, 400, n*30/12+1)
		for y := 8; y < 392; y += 12 {
			for x := 8; x < 392; x += 12 {
				px := (float64(x)+.5-200)/k + float64(v[0]+v[2])/2
				py := (float64(y)+.5-200)/k + float64(v[1]+v[3])/2
				if px < 2 || py < 2 || px > 397 || py > 397 {
					continue
				}
				i := int(py)*400 + int(px)
				even := truth.Truth[i]
				if even != truth.Truth[i-2] || even != truth.Truth[i+2] || even != truth.Truth[i-800] || even != truth.Truth[i+800] {
					continue // close to an edge
				}
				got := pixels[4*(y*400+x):]
				count++
				isBack := true
				for c := range 3 {
					isBack = isBack && max(got[c], back[c])-min(got[c], back[c]) < 14
				}
				if isBack != (even == 0) {
					off++
					wrong = append(wrong, [3]int{int(px), int(py), int(even)})
				}
			}
		}
		if off > count/100 {
			u.t.Errorf("picture %d: %.0f of %.0f places are not what they are in truth: %v", n, off, count, wrong)
		}
	}
}
