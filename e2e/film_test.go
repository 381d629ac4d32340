package e2e

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// emptyClip makes a new square clip of 400 by 400 pixels at 30 frames a second
// with a white backdrop, through the dialog. A unit is 0.4 pixels.
func (u *user) emptyClip(name, length string) {
	u.t.Helper()
	u.emptyClipIn(name, length, "Square", filmSide, filmSide)
}

// emptyClipIn is emptyClip in another shape.
func (u *user) emptyClipIn(name, length, shape string, w, h int) {
	u.t.Helper()
	u.clickText("button", "^New clip$")
	u.text("legend", "Shape")
	u.write(".modal.show input", name)
	u.clickText(".modal.show .shape", shape)
	u.write(".modal.show label:has(> input[type=number]):nth-of-type(1) input", fmt.Sprint(w))
	u.write(".modal.show label:has(> input[type=number]):nth-of-type(2) input", fmt.Sprint(h))
	u.write(".modal.show input[aria-describedby=length-help]", length)
	u.clickText(".modal.show button", "Create the clip")
	u.ready()
	u.clickText(".row-line .name", "Backdrop")
	u.click("button[aria-label='Delete colour 2']")
	u.write("input[aria-label='Colour, as #rrggbb']", "#ffffff")
	u.saved()
}

// block brings in a picture of one colour, 80 by 60 pixels on a transparent
// ground of 100 by 100, and takes its lift, so that it casts no shadow. It is
// 600 by 450 units large then.
func (u *user) block(name string, c color.NRGBA) {
	u.t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 100, 100))
	for y := 20; y < 80; y++ {
		for x := 10; x < 90; x++ {
			m.SetNRGBA(x, y, c)
		}
	}
	var out bytes.Buffer
	u.must("making a picture", png.Encode(&out, m))
	file := filepath.Join(u.t.(*testing.T).TempDir(), name+".png")
	u.must("writing a picture", os.WriteFile(file, out.Bytes(), 0o600))
	u.bring(file)
	u.text(".row-line.selected .name", "^"+name)
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label=Lift]", "0")
	u.saved()
}

var (
	redPaint   = color.NRGBA{220, 20, 30, 255}
	greenPaint = color.NRGBA{20, 170, 60, 255}
	bluePaint  = color.NRGBA{30, 60, 220, 255}
)

// goTo steps to a frame with the keys of the page.
func (u *user) goTo(frame int) {
	u.t.Helper()
	u.eval("document.activeElement?.blur()")
	u.press(input.Home)
	for range frame {
		u.press(input.Period)
	}
	u.wait(fmt.Sprintf("frame %d is shown", frame), fmt.Sprintf(`document.querySelector('.tabletop canvas').dataset.frame === '%d'`, frame))
}

// move gives the chosen layer a move at the playhead.
func (u *user) move(kind string) {
	u.t.Helper()
	u.clickText("[role=tab]", "^Motion$")
	before := u.eval("document.querySelectorAll('[data-move]').length")
	u.click("[data-move-kind=" + strings.ToLower(kind) + "]")
	u.wait(kind+" is written", "document.querySelectorAll('[data-move]').length > "+before)
	u.saved()
}

// film is the frames of an exported clip, 400 by 400 pixels, as r, g, b.
type film struct {
	t      testing.TB
	w, h   int
	frames [][]byte
}

const filmSide = 400

// film exports the home shape alone, through the page, and decodes it.
func (u *user) film() film {
	u.t.Helper()
	return u.filmIn("square", filmSide, filmSide)
}

// filmIn is film in another home shape.
func (u *user) filmIn(shape string, w, h int) film {
	u.t.Helper()
	u.eval("document.activeElement?.blur()")
	u.clickText("button", "^Export")
	u.find("[data-test=start-export]")
	for _, s := range []string{"tall", "portrait", "square", "wide"} {
		if s == shape {
			continue
		}
		u.find(".modal.show input[value=" + s + "]")
		if u.eval("document.querySelector('.modal.show input[value="+s+"]').checked") == "true" {
			u.click(".modal.show input[value=" + s + "]")
		}
	}
	if u.eval("document.querySelector('.modal.show .quick input').checked") == "false" {
		u.click(".modal.show .quick input") // colours are the same in a quick look
	}
	done := u.eval("document.querySelectorAll('[data-shape=" + shape + "][data-state=done]').length")
	u.clickText("[data-test=start-export]", "Export 1 shape")
	u.wait("the export is done", "document.querySelectorAll('.part[data-shape="+shape+"][data-state=done]').length > "+done)
	file := fetch(u.t, u.eval("document.querySelector('.part[data-shape="+shape+"][data-state=done] a').getAttribute('href')"))
	u.press(input.Escape)
	u.wait("the dialog is closed", "!document.querySelector('.modal.show')")
	out, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-f", "rawvideo", "-pix_fmt", "rgb24", "-").Output()
	u.must("decoding the export", err)
	f := film{t: u.t, w: w, h: h}
	for size := w * h * 3; len(out) >= size; out = out[size:] {
		f.frames = append(f.frames, out[:size])
	}
	return f
}

func (f film) at(frame, x, y int) [3]int {
	p := f.frames[frame][3*(y*f.w+x):]
	return [3]int{int(p[0]), int(p[1]), int(p[2])}
}

// like tells whether a pixel is about a colour.
func like(p [3]int, c color.NRGBA) bool {
	d := abs(p[0]-int(c.R)) + abs(p[1]-int(c.G)) + abs(p[2]-int(c.B))
	return d < 90
}

func abs(v int) int { return max(v, -v) }

// box is the bounds of a colour on a frame; ok is false where there is none.
func (f film) box(frame int, c color.NRGBA) (x0, y0, x1, y1 int, ok bool) {
	x0, y0 = f.w, f.h
	n := 0
	for y := range f.h {
		for x := range f.w {
			if like(f.at(frame, x, y), c) {
				x0, y0, x1, y1, n = min(x0, x), min(y0, y), max(x1, x+1), max(y1, y+1), n+1
			}
		}
	}
	return x0, y0, x1, y1, n > 20
}

// middle is the middle of a colour's bounds.
func (f film) middle(frame int, c color.NRGBA) (x, y float64) {
	f.t.Helper()
	x0, y0, x1, y1, ok := f.box(frame, c)
	if !ok {
		f.t.Errorf("frame %d has nothing of %v", frame, c)
	}
	return float64(x0+x1) / 2, float64(y0+y1) / 2
}

// difference is the mean difference of two frames' channels, in part of a frame.
func (f film) difference(a, b int, part image.Rectangle) float64 {
	sum, n := 0, 0
	for y := part.Min.Y; y < part.Max.Y; y++ {
		for x := part.Min.X; x < part.Max.X; x++ {
			p, q := f.at(a, x, y), f.at(b, x, y)
			for i := range p {
				sum += abs(p[i] - q[i])
				n++
			}
		}
	}
	return float64(sum) / float64(n)
}

var everywhere = image.Rect(0, 0, filmSide, filmSide)
