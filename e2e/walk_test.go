package e2e

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"image/png"
	"io"
	"math"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
	"billow/core/timing"
	"billow/media"

	"github.com/go-rod/rod/lib/input"
)

// stored is the clip of the page that is open, as the server has it.
func (u *user) stored() *clip.Clip {
	u.t.Helper()
	u.saved()
	id, _, _ := strings.Cut(strings.TrimPrefix(u.eval("location.pathname"), "/clips/"), "/")
	st, err := site.Store.State(context.Background(), id)
	if err != nil {
		u.t.Fatal(err)
	}
	return st.Clip
}

func (u *user) layer(name string) clip.Layer {
	u.t.Helper()
	c := u.stored()
	for _, l := range c.Layers {
		if l.Name == name {
			return l
		}
	}
	u.t.Fatalf("there is no layer %q", name)
	return clip.Layer{}
}

// propFile writes a sample prop to a file as a person has it.
func propFile(t *testing.T, id, name string) string {
	t.Helper()
	for _, p := range site.World.Props {
		if p.ID == id {
			file := filepath.Join(t.TempDir(), name)
			if err := os.WriteFile(file, site.World.Files[p.Hash], 0o600); err != nil {
				t.Fatal(err)
			}
			return file
		}
	}
	t.Fatalf("the sample world has no %s", id)
	return ""
}

func (u *user) bring(file string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Props$")
	u.must("bringing in "+file, u.find("input[aria-label='Files to bring in']").SetFiles([]string{file}))
}

// TestFromAPhotoToAnExportedClip is the whole way, as a person goes it.
func TestFromAPhotoToAnExportedClip(t *testing.T) {
	u := visit(t, "/")
	u.text("strong", "Lantern weekend")
	// A browser may leave out what is far below until one scrolls there.
	inView := `(() => { const seen = [...document.querySelectorAll('.poster img')].filter((i) => i.getBoundingClientRect().bottom > 0 && i.getBoundingClientRect().top < innerHeight)
		return seen.length >= 2 && seen.every((i) => i.naturalWidth > 100) })()`
	u.wait("poster frames are drawn", inView)
	u.eval("scrollTo(0, document.body.scrollHeight)")
	u.wait("the last poster frames are drawn", inView)
	u.eval("scrollTo(0, 0)")
	u.newClip()
	u.placeTheMug()
	u.layTheTune()
	u.keyTheEntrance()
	u.dragABeadOntoABeat()
	u.addWordsAndBadge()
	u.lightAndLift()
	u.undoAndRedo()
	u.playAndScrub()
	before := u.stored()
	u.must("reloading", u.page.Reload())
	u.ready()
	if after := u.stored(); string(after.Encode()) != string(before.Encode()) {
		t.Error("after reloading the clip is not as it was")
	}
	file := u.export()
	u.confirmExport(file, before)
}

func (u *user) newClip() {
	u.t.Helper()
	u.clickText("button", "^New clip$")
	u.text("legend", "Shape")
	u.write(".modal.show input", "Mug drop")
	u.clickText(".modal.show .shape", "Tall")
	u.write(".modal.show label:has(> input[type=number]):nth-of-type(1) input", "360")
	u.write(".modal.show label:has(> input[type=number]):nth-of-type(2) input", "640")
	u.write(".modal.show input[aria-describedby=length-help]", "6s")
	u.clickText(".modal.show button", "Create the clip")
	u.ready()
	c := u.stored()
	if c.Name != "Mug drop" || c.Length != 180 || c.Rate != 30 || c.Shapes[0] != (clip.Shape{ID: "tall", W: 360, H: 640}) {
		u.t.Fatalf("the new clip is %q, %d frames, %v", c.Name, c.Length, c.Shapes[0])
	}
	// A plain white backdrop, so that the product can be found in the export.
	u.clickText(".row-line .name", "Backdrop")
	u.click("button[aria-label='Delete colour 2']")
	u.write("input[aria-label='Colour, as #rrggbb']", "#ffffff")
	u.saved()
}

func (u *user) placeTheMug() {
	u.t.Helper()
	u.bring(propFile(u.t.(*testing.T), "mug", "red mug.png"))
	u.text(".row-line .name", "red mug")
	u.clickText("[role=tab]", "^Layer$")
	before := u.layer("red mug").Rest
	// Drag it down by 60 pixels on the Tabletop.
	x, y, w, h := u.box(".tabletop canvas")
	u.clickText(".row-line .name", "red mug")
	u.find("[data-handle=turn-0]")
	cx, cy := x+w/2, y+h/2
	u.drag(cx, cy, cx, cy+60)
	unit := w / 1000
	u.waitStored("the drag", func(c *clip.Clip) bool {
		r := c.Layers[2].Rest
		return math.Abs(r.Y-before.Y-60/unit) < 2 && math.Abs(r.X-before.X) < 1
	})
	// Make it smaller by a corner: seven tenths as far from the centre.
	u.wait("the handles are where the mug is", fmt.Sprintf(
		`(b => Math.hypot(b.x + b.width/2 - %f, b.y + b.height/2 - %f) < 2)(document.querySelector('polygon.outline').getBoundingClientRect())`, cx, cy+60))
	hx, hy, hw, hh := u.box("[data-handle=size-2]")
	mx, my := hx+hw/2, hy+hh/2
	px, py := cx, cy+60
	u.drag(mx, my, px+(mx-px)*0.7, py+(my-py)*0.7)
	u.waitStored("the size", func(c *clip.Clip) bool { return math.Abs(c.Layers[2].Rest.Size-before.Size*0.7) < 4 })
	u.write("input[aria-label=Turn]", "8")
	u.write("input[aria-label=Right]", "0")
	u.write("input[aria-label=Down]", "200")
	u.write("input[aria-label=Size]", "500")
	u.waitStored("the numbers", func(c *clip.Clip) bool {
		r := c.Layers[2].Rest
		return r.Turn == 8 && r.X == 0 && r.Y == 200 && r.Size == 500
	})
}

// waitStored waits until the server's clip satisfies a condition.
func (u *user) waitStored(what string, ok func(*clip.Clip) bool) {
	u.t.Helper()
	last := ""
	for began := time.Now(); time.Since(began) < patience; {
		c := u.stored()
		if ok(c) {
			return
		}
		last = string(c.Encode())
		u.must("waiting for "+what, u.page.WaitIdle(0))
		u.eval("new Promise(r => setTimeout(r, 100))")
	}
	u.t.Fatalf("%s did not come about; the clip is %s", what, last[max(0, len(last)-2000):])
}

func (u *user) layTheTune() {
	u.t.Helper()
	u.bring(propFile(u.t.(*testing.T), "harbour-morning", "tune.wav"))
	u.text(".transport .bar", "100\\.[0-9] BPM")
	if c := u.stored(); c.Tune() == nil || c.Tune().FadeOut != 30 || len(c.Tempo.Beats) < 40 {
		u.t.Errorf("the tune is %+v, with %d beats", c.Tune(), len(c.Tempo.Beats))
	}
	u.wait("hits and waveform are shown", `document.querySelectorAll('.ruler .hit').length > 5 && document.querySelector('.ruler .wave').getAttribute('points').length > 500`)
}

// keyTheEntrance: just outside on the right at the start, in place at frame 15,
// eased out.
func (u *user) keyTheEntrance() {
	u.t.Helper()
	u.clickText(".row-line .name", "red mug")
	u.clickText("[role=tab]", "^Motion$")
	u.press(input.Home)
	u.click("button[aria-label='Set a key for Position']")
	u.choose("select[aria-label='Where the position key is']", "right")
	u.waitStored("the key outside", func(c *clip.Clip) bool {
		k := c.Layers[2].Tracks[clip.Position]
		return len(k) == 1 && k[0].Off == "right"
	})
	u.must("leaving the field", u.find(".tabletop").Focus())
	u.eval("document.activeElement.blur()")
	for range 15 {
		u.press(input.Period)
	}
	u.wait("the playhead is there", "document.querySelector('input[aria-label=Time]').value === '0s15f'")
	u.click("button[aria-label='Set a key for Position']")
	u.write("input[aria-label='Position, right']", "0")
	u.write("input[aria-label='Position, down']", "0")
	u.click("button[aria-label='Set a key for Rotation']")
	u.waitStored("the second key", func(c *clip.Clip) bool {
		k := c.Layers[2].Tracks[clip.Position]
		return len(k) == 2 && k[1].Value[0] == 0 && k[1].At.Frames == 15
	})
	u.click("[data-bead='cutout position 0']")
	u.wait("the playhead is there", "document.querySelector('input[aria-label=Time]').value === '0s00f'")
	u.text("h2 small", "^Position at 0s00f$")
	u.click("button[aria-label='Ease out']")
	u.waitStored("the easing", func(c *clip.Clip) bool { return c.Layers[2].Tracks[clip.Position][0].Ease.Kind == "out" })
}

// dragABeadOntoABeat: the landing goes onto beat 1, where it is bound.
func (u *user) dragABeadOntoABeat() {
	u.t.Helper()
	c := u.stored()
	want := c.Clock().Frame(timing.OnBeat(1))
	bx, by, bw, bh := u.box("[data-bead='cutout position 15']")
	lx, _, lw, _ := u.box("[data-beat='1']")
	u.drag(bx+bw/2, by+bh/2, lx+lw/2+3, by+bh/2)
	u.waitStored("the key on the beat", func(c *clip.Clip) bool {
		k := c.Layers[2].Tracks[clip.Position]
		return len(k) == 2 && k[1].At.OnBeat && k[1].At.Beat == 1 && c.Clock().Frame(k[1].At) == want
	})
}

func (u *user) addWordsAndBadge() {
	u.t.Helper()
	u.clickText("[role=tab]", "^Clip and light$")
	u.clickText(".hint a", "^No products$")
	u.clickText("button", "^Add a product")
	u.wait("there is a product", "window.billowEditor.clip.products.length === 1")
	u.keys("Red mug")
	u.press(input.Tab)
	for column, amount := range map[string]string{"Price": "14.90", "Old price": "19.90"} {
		u.cell(1, column)
		u.keys(amount)
		u.press(input.Tab)
		u.wait(column+" is taken", "JSON.stringify(window.billowEditor.clip.products).includes('"+amount+"')")
	}
	u.clickText("nav a", "^Tabletop$")
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Headline")
	u.text(".row-line .name", "Headline")
	u.write("textarea[aria-label=Words]", "Hot *coffee* now")
	u.write("input[aria-label=Down]", "-600")
	u.waitStored("the headline", func(c *clip.Clip) bool {
		return c.Layers[3].Words.Text == "Hot *coffee* now" && c.Layers[3].Rest.Y == -600
	})
	u.clickText("[role=tab]", "^Props$")
	u.clickText(".kind", "Badge")
	u.text(".row-line .name", "Badge")
	u.write("input[aria-label=Down]", "650")
	u.waitStored("the badge", func(c *clip.Clip) bool {
		return c.Layers[4].Kind == clip.KindBadge && c.Layers[4].Words.Product == c.Products[0].ID && c.Layers[4].Rest.Y == 650
	})
}

func (u *user) lightAndLift() {
	u.t.Helper()
	u.clickText(".row-line .name", "red mug")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label=Lift]", "60")
	u.clickText("[role=tab]", "^Clip and light$")
	u.write("input[aria-label=Direction]", "-90")
	u.write("input[aria-label=Strength]", "60")
	u.waitStored("the light", func(c *clip.Clip) bool {
		return c.Light.Direction == -90 && c.Light.Strength == 60 && c.Layers[2].Lift == 60
	})
}

func (u *user) undoAndRedo() {
	u.t.Helper()
	u.eval("document.activeElement.blur()")
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitStored("undo", func(c *clip.Clip) bool { return c.Light.Strength == 40 })
	u.must("undo", u.page.KeyActions().Press(input.ControlLeft).Type('z').Do())
	u.waitStored("undo", func(c *clip.Clip) bool { return c.Light.Direction == -35 })
	u.click("[aria-label=Redo]")
	u.click("[aria-label=Redo]")
	u.waitStored("redo", func(c *clip.Clip) bool { return c.Light.Direction == -90 && c.Light.Strength == 60 })
}

func (u *user) playAndScrub() {
	u.t.Helper()
	u.eval("document.activeElement.blur()")
	u.press(input.Home)
	u.press(input.Space)
	u.wait("two seconds have been played", `Number(document.querySelector('.tabletop canvas').dataset.frame) > 60`)
	u.press(input.Space)
	u.find("[aria-label=Play]")
	x, y, w, _ := u.box("[data-test=ruler]")
	u.drag(x+10, y+30, x+w*0.5, y+30)
	u.wait("the picture follows the scrub", `Math.abs(Number(document.querySelector('.tabletop canvas').dataset.frame) - 90) < 8`)
	u.click("[aria-label='A beat on']")
	u.wait("the playhead is on a beat", `[...document.querySelectorAll('.ruler [data-beat]')].some(l => Math.abs(l.getBoundingClientRect().x - document.querySelector('[data-test=playhead]').getBoundingClientRect().x) < 2.5)`)
}

// export exports Tall and Square, leaves the page meanwhile, and downloads Tall.
func (u *user) export() string {
	u.t.Helper()
	u.clickText("button", "^Export")
	u.find("[data-test=start-export]")
	for _, s := range []string{"portrait", "wide"} {
		u.click(".modal.show input[value=" + s + "]")
	}
	u.text("[data-test=start-export]", "Export 2 shapes")
	u.click("[data-test=start-export]")
	u.find("[data-shape=tall][data-state=running], [data-shape=tall][data-state=done]")
	path := u.eval("location.pathname")
	u.must("leaving", u.page.Navigate(site.URL+"/"))
	u.text("strong", "Mug drop")
	u.must("coming back", u.page.Navigate(site.URL+path))
	u.ready()
	u.clickText("button", "^Export")
	u.find("[data-shape=tall][data-state=done]")
	u.find("[data-shape=square][data-state=done]")
	href := u.eval(`document.querySelector('[data-shape=tall] a').getAttribute('href')`)
	return fetch(u.t, href)
}

func fetch(t testing.TB, path string) string {
	t.Helper()
	answer, err := http.Get(site.URL + path)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	b, err := io.ReadAll(answer.Body)
	if err != nil || answer.StatusCode != http.StatusOK {
		t.Fatalf("%s answered %d, %v", path, answer.StatusCode, err)
	}
	file := filepath.Join(t.TempDir(), filepath.Base(path))
	if err := os.WriteFile(file, b, 0o600); err != nil {
		t.Fatal(err)
	}
	return file
}

func (u *user) confirmExport(file string, c *clip.Clip) {
	u.t.Helper()
	out, err := exec.Command("ffprobe", "-v", "error", "-count_frames", "-show_entries",
		"stream=codec_type,codec_name,profile,width,height,pix_fmt,color_range,color_space,nb_read_frames,duration,sample_rate:format=duration", "-of", "json", file).Output()
	if err != nil {
		u.t.Fatal(err)
	}
	var probe struct {
		Streams []map[string]any
		Format  map[string]string
	}
	if err := json.Unmarshal(out, &probe); err != nil {
		u.t.Fatal(err)
	}
	v, a := probe.Streams[0], probe.Streams[1]
	want := map[string]any{"codec_name": "h264", "profile": "High", "width": 360.0, "height": 640.0, "pix_fmt": "yuv420p",
		"color_range": "tv", "color_space": "bt709", "nb_read_frames": "180", "duration": "6.000000"}
	for k, w := range want {
		if v[k] != w {
			u.t.Errorf("the video's %s is %v, want %v", k, v[k], w)
		}
	}
	if a["codec_name"] != "aac" || a["sample_rate"] != "48000" || probe.Format["duration"] != "6.000000" {
		u.t.Errorf("the sound is %v at %v; the file lasts %v", a["codec_name"], a["sample_rate"], probe.Format["duration"])
	}
	landed := c.Clock().Frame(c.Layers[2].Tracks[clip.Position][1].At)
	u.confirmFrames(file, landed)
	u.confirmBeats(file)
}

// confirmFrames decodes three moments with ffmpeg and looks for the mug between
// the headline and the badge: nothing at the start, coming in from the right,
// and at its place: 200 units below the middle of a frame 1000 by 1778.
func (u *user) confirmFrames(file string, landed int) {
	u.t.Helper()
	left := func(frame int) (x0, x1, y0, y1 int) {
		out, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-vf", fmt.Sprintf("select=eq(n\\,%d)", frame),
			"-frames:v", "1", "-f", "image2pipe", "-c:v", "png", "-").Output()
		if err != nil {
			u.t.Fatal(err)
		}
		m, err := png.Decode(bytes.NewReader(out))
		if err != nil {
			u.t.Fatal(err)
		}
		x0, y0 = 999, 999
		for y := 210; y < 490; y++ {
			for x := range 360 {
				// Dark enough to be the mug's rim or base, not its soft shadow.
				r, g, _, _ := m.At(x, y).RGBA()
				if r>>8 < 80 && g>>8 < 110 {
					x0, x1, y0, y1 = min(x0, x), max(x1, x), min(y0, y), max(y1, y)
				}
			}
		}
		return
	}
	if x0, x1, _, _ := left(0); x1 > x0 {
		u.t.Errorf("at the start the mug shows between %d and %d", x0, x1)
	}
	if x0, _, _, _ := left(2); x0 <= 60 || x0 > 359 {
		u.t.Errorf("on frame 2 the mug begins at %d; it should be coming in from the right", x0)
	}
	x0, x1, y0, y1 := left(landed)
	// 500 units are 180 pixels wide with the handle; rim and base show the middle.
	if cy := float64(y0+y1) / 2; math.Abs(cy-(320+200*0.36)) > 14 {
		u.t.Errorf("landed, the mug's middle is at %.0f, want about 392", cy)
	}
	if x0 < 80 || x1 > 280 || x1-x0 < 90 {
		u.t.Errorf("landed, the mug lies between %d and %d, want about 90..270", x0, x1)
	}
}

// confirmBeats decodes the sound: on the tune's true beats it is louder just
// after than just before.
func (u *user) confirmBeats(file string) {
	u.t.Helper()
	f, err := os.Open(file)
	if err != nil {
		u.t.Fatal(err)
	}
	spool, err := media.Spooled(f)
	if err != nil {
		u.t.Fatal(err)
	}
	defer spool.Close()
	pcm, err := media.DecodeSound(context.Background(), spool, media.MaxSeconds)
	if err != nil {
		u.t.Fatal(err)
	}
	loud := func(from, to float64) float64 {
		sum := 0.0
		for i := int(from * 48000); i < int(to*48000); i++ {
			sum += float64(pcm[2*i] * pcm[2*i])
		}
		return math.Sqrt(sum / ((to - from) * 48000))
	}
	_, downbeats := site.World.Tunes["harbour-morning"].Tune.Beats()
	for _, at := range downbeats[1:2] {
		if before, after := loud(at-0.06, at-0.01), loud(at+0.01, at+0.06); after < 1.5*before {
			u.t.Errorf("at %.2f s the sound goes from %.3f to %.3f; a beat should be there", at, before, after)
		}
	}
	if end, middle := loud(5.93, 5.99), loud(3, 4); end > middle/4 {
		u.t.Errorf("the tune is not faded out: %.3f at the end, %.3f before", end, middle)
	}
}
