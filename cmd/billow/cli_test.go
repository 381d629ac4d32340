package main

import (
	"bytes"
	"encoding/json"
	"errors"
	"image"
	"image/png"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
)

var (
	binary string
	sample string // folder of the sample world, small
)

func TestMain(m *testing.M) { os.Exit(run(m)) }

func run(m *testing.M) int {
	dir, err := os.MkdirTemp("", "billow-cli-")
	if err != nil {
		panic(err)
	}
	defer os.RemoveAll(dir)
	binary, sample = filepath.Join(dir, "billow"), filepath.Join(dir, "sample")
	if out, err := exec.Command("go", "build", "-o", binary, ".").CombinedOutput(); err != nil {
		panic(string(out))
	}
	if out, err := exec.Command(binary, "sample", "--side", "160", sample).CombinedOutput(); err != nil {
		panic(string(out))
	}
	return m.Run()
}

// billow runs the program and gives what it prints and its exit code.
func billow(t *testing.T, args ...string) (out, problems string, code int) {
	t.Helper()
	cmd := exec.Command(binary, args...)
	var o, p bytes.Buffer
	cmd.Stdout, cmd.Stderr = &o, &p
	err := cmd.Run()
	var exit *exec.ExitError
	if err != nil && !errors.As(err, &exit) {
		t.Fatal(err)
	}
	return o.String(), p.String(), cmd.ProcessState.ExitCode()
}

// The true beats are known, since the tunes were made here.
func TestBeatsAreFoundInTheSampleTunes(t *testing.T) {
	for _, tune := range []string{"harbour-morning", "tin-parade", "slow-embers"} {
		out, problems, code := billow(t, "beats", filepath.Join(sample, tune+".wav"), "--json")
		if code != 0 {
			t.Fatal(problems)
		}
		var found, truth beatsJSON
		b, err := os.ReadFile(filepath.Join(sample, tune+".json"))
		if err != nil {
			t.Fatal(err)
		}
		if err := errors.Join(json.Unmarshal([]byte(out), &found), json.Unmarshal(b, &truth)); err != nil {
			t.Fatal(err)
		}
		if math.Abs(found.Tempo-truth.Tempo) > 0.2 {
			t.Errorf("%s: %g BPM, want %g", tune, found.Tempo, truth.Tempo)
		}
		near := func(list []float64, at float64) bool {
			for _, b := range list {
				if math.Abs(b-at) < 0.025 {
					return true
				}
			}
			return false
		}
		for _, at := range truth.Beats {
			if !near(found.Beats, at) {
				t.Errorf("%s: no beat at %.3f", tune, at)
			}
		}
		for _, at := range truth.Downbeats {
			if !near(found.Downbeats, at) {
				t.Errorf("%s: no downbeat at %.3f", tune, at)
			}
		}
		if len(found.Hits) < 10 {
			t.Errorf("%s: %d hits", tune, len(found.Hits))
		}
	}
}

func TestAFrameIsDrawnAtTheSizeAskedFor(t *testing.T) {
	file := filepath.Join(t.TempDir(), "f.png")
	if _, problems, code := billow(t, "frame", filepath.Join(sample, "lantern-weekend.zip"), "--shape", "1:1", "--at", "4s10f", "--size", "270x270", "--out", file); code != 0 {
		t.Fatal(problems)
	}
	f, err := os.Open(file)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	m, err := png.Decode(f)
	if err != nil || m.Bounds().Dx() != 270 || m.Bounds().Dy() != 270 {
		t.Errorf("the frame is %v (%v)", m.Bounds(), err)
	}
}

func TestExportAtAnotherRateAndSize(t *testing.T) {
	file := filepath.Join(t.TempDir(), "a.mp4")
	if _, problems, code := billow(t, "export", filepath.Join(sample, "morning-mug.zip"), "--size", "180x180", "--fps", "60", "--out", file); code != 0 {
		t.Fatal(problems)
	}
	out, err := exec.Command("ffprobe", "-v", "error", "-count_frames", "-select_streams", "v", "-show_entries", "stream=width,nb_read_frames,avg_frame_rate", "-of", "csv=p=0", file).Output()
	if err != nil || strings.TrimSpace(string(out)) != "180,60/1,360" {
		t.Errorf("the file is %q (%v), want 180 wide, 60 a second, 360 frames", out, err)
	}
}

func TestExitCodesMeanSomething(t *testing.T) {
	dir := t.TempDir()
	text := filepath.Join(dir, "x.zip")
	if err := os.WriteFile(text, []byte("no zip"), 0o600); err != nil {
		t.Fatal(err)
	}
	lantern := filepath.Join(sample, "lantern-weekend.zip")
	for _, c := range []struct {
		code int
		says string
		args []string
	}{
		{3, "no such file", []string{"export", filepath.Join(dir, "gone.zip")}},
		{3, "not a bundle", []string{"frame", text}},
		{3, "no shape", []string{"frame", lantern, "--shape", "round"}},
		{2, "even sides", []string{"frame", lantern, "--size", "3x3"}},
		{2, "proportions", []string{"frame", lantern, "--size", "500x500"}},
		{2, "frames 0 to 359", []string{"frame", lantern, "--at", "99s"}},
		{2, "24, 25, 30", []string{"export", lantern, "--fps", "29"}},
		{2, "unknown flag", []string{"export", lantern, "--wings"}},
		{3, "not a sound file", []string{"beats", text}},
		{2, "DATABASE_URL", []string{"work"}},
	} {
		cmd := exec.Command(binary, c.args...)
		cmd.Env = append(os.Environ(), "DATABASE_URL=")
		cmd.Dir = dir
		out, _ := cmd.CombinedOutput()
		if code := cmd.ProcessState.ExitCode(); code != c.code || !strings.Contains(string(out), c.says) {
			t.Errorf("%v: exit code %d, %s; want %d and %q", c.args, code, out, c.code, c.says)
		}
	}
	if left, _ := filepath.Glob(filepath.Join(dir, ".billow-*")); len(left) > 0 {
		t.Errorf("half files were left: %v", left)
	}
}

// The line-up of the sample world is drawn without a page: its window shows one
// product after the other, and what stands beside it is the card.
func TestTheParadeIsDrawnFromTheCommandLine(t *testing.T) {
	parade := filepath.Join(sample, "trail-parade.zip")
	shot := func(at string) image.Image {
		t.Helper()
		file := filepath.Join(t.TempDir(), "f.png")
		if _, problems, code := billow(t, "frame", parade, "--shape", "4:5", "--at", at, "--size", "216x270", "--out", file); code != 0 {
			t.Fatal(problems)
		}
		return pngAt(t, file)
	}
	differ := func(a, b image.Image, r image.Rectangle) float64 {
		sum := 0.0
		for y := r.Min.Y; y < r.Max.Y; y++ {
			for x := r.Min.X; x < r.Max.X; x++ {
				ar, ag, ab, _ := a.At(x, y).RGBA()
				br, bg, bb, _ := b.At(x, y).RGBA()
				for _, d := range []int{int(ar) - int(br), int(ag) - int(bg), int(ab) - int(bb)} {
					sum += math.Abs(float64(d)) / 257
				}
			}
		}
		return sum / float64(3*r.Dx()*r.Dy())
	}
	window, foot, corner := image.Rect(70, 80, 146, 160), image.Rect(40, 222, 176, 262), image.Rect(2, 40, 20, 60)
	// At 126 BPM a turn of eight beats lasts 114 frames.
	first, later, second := shot("40"), shot("80"), shot("160")
	if d := differ(first, later, window); d > 1 {
		t.Errorf("while the kettle stays the window changes by %.1f", d)
	}
	if d := differ(first, second, window); d < 15 {
		t.Errorf("kettle and stove differ by %.1f only", d)
	}
	if d := differ(first, second, foot); d < 4 {
		t.Errorf("their words differ by %.1f only", d)
	}
	if d := differ(first, second, corner); d != 0 {
		t.Errorf("the card changes by %.1f", d)
	}
}

// Letters that no font has are drawn as boxes; that is said, or fails.
func TestMissingLettersAreSaid(t *testing.T) {
	dir := t.TempDir()
	tall := clip.Shape{ID: "tall", W: 90, H: 160}
	c := clip.New("Letters", tall, 30, 30)
	l := clip.Draft(c, clip.KindWords, "Greeting", "", "")
	l.Name = "Greeting"
	l.Words.Text = "Hello 咖啡 and 咖"
	c.Layers = append(c.Layers, l)
	file := filepath.Join(dir, "letters.zip")
	if err := writeBundle(file, c, nil, nil); err != nil {
		t.Fatal(err)
	}
	for _, call := range [][]string{{"frame", file, "--out", filepath.Join(dir, "f.png")}, {"export", file, "--out", filepath.Join(dir, "f.mp4")}} {
		out, problems, code := billow(t, append(call, "--json")...)
		var said struct {
			Warnings []struct{ Layer, Letters string }
		}
		if err := json.Unmarshal([]byte(out), &said); err != nil || code != 0 {
			t.Fatalf("%s gives %d %q %q (%v)", call[0], code, out, problems, err)
		}
		if len(said.Warnings) != 1 || said.Warnings[0].Layer != "Greeting" || said.Warnings[0].Letters != "咖啡" || !strings.Contains(problems, "咖啡") {
			t.Errorf("%s says %s and %s", call[0], out, problems)
		}
		if _, problems, code := billow(t, append(call, "--strict")...); code != 3 || !strings.Contains(problems, "咖啡") {
			t.Errorf("strict, %s gives %d %s", call[0], code, problems)
		}
	}
	// What nothing fills is told of a frame, and keeps a clip from being exported.
	c.Layers[len(c.Layers)-1].Words.Text = "Only {price}"
	if err := writeBundle(file, c, nil, nil); err != nil {
		t.Fatal(err)
	}
	if _, problems, code := billow(t, "frame", file, "--out", filepath.Join(dir, "f.png")); code != 0 || !strings.Contains(problems, "{price}") {
		t.Errorf("a frame with a gap gives %d %s", code, problems)
	}
	if _, problems, code := billow(t, "export", file, "--out", filepath.Join(dir, "g.mp4")); code != 3 || !strings.Contains(problems, "speaks of no product") {
		t.Errorf("an export with a gap gives %d %s", code, problems)
	}
}
