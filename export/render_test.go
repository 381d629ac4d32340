package export

import (
	"bytes"
	"context"
	"errors"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/timing"
	"billow/core/words"
)

// fading is a clip whose backdrop fades from black to white, a little on every
// frame, so that each frame can be told from its neighbours.
func fading(t *testing.T, frames int) (*clip.Clip, clip.Shape, *frame.Library) {
	t.Helper()
	c := clip.New("Fade", clip.Shape{ID: "tiny", W: 64, H: 64}, 30, frames)
	l := &c.Layers[0]
	l.Backdrop.Stops = []clip.Stop{{Colour: colour.RGB(0xFFFFFF)}}
	linear := motion.Ease{Kind: motion.Linear}
	l.Tracks[clip.Opacity] = motion.Track{{At: timing.At(0), Value: []float64{0}, Ease: linear}, {At: timing.At(frames - 1), Value: []float64{100}, Ease: linear}}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c, c.Shapes[0], frame.NewLibrary(words.NewFonts(), 1<<20)
}

func none(context.Context, string) (io.ReadCloser, error) {
	return nil, errors.New("there are no files")
}

func TestFramesComeInOrder(t *testing.T) {
	c, shape, lib := fading(t, 90)
	stage, err := frame.Prepare(c, shape, 64, 64, lib)
	if err != nil {
		t.Fatal(err)
	}
	var out bytes.Buffer
	last := 0
	err = Frames(t.Context(), stage, c.Length, &out, func(done int) {
		if done != last+1 {
			t.Errorf("after %d frames, %d are done", last, done)
		}
		last = done
	})
	if err != nil || last != 90 || out.Len() != 90*paint.YUVSize(64, 64) {
		t.Fatalf("%d frames, %d bytes (%v)", last, out.Len(), err)
	}
	before := byte(0)
	for n := range 90 {
		luma := out.Bytes()[n*paint.YUVSize(64, 64)]
		// From black (16) to white (235) in 89 steps.
		want := 16 + 219*float64(n)/89
		if d := float64(luma) - want; luma < before || d > 2 || d < -2 {
			t.Fatalf("frame %d has a luma of %d, want about %.0f", n, luma, want)
		}
		before = luma
	}
}

func TestAFailingReaderEndsTheDrawing(t *testing.T) {
	c, shape, lib := fading(t, 5000)
	stage, err := frame.Prepare(c, shape, 64, 64, lib)
	if err != nil {
		t.Fatal(err)
	}
	full := errors.New("the disk is full")
	n := 0
	err = Frames(t.Context(), stage, c.Length, writer(func([]byte) error {
		if n++; n == 10 {
			return full
		}
		return nil
	}), func(int) {})
	if !errors.Is(err, full) || n > 10 {
		t.Errorf("after %d frames the error is %v", n, err)
	}
}

type writer func([]byte) error

func (w writer) Write(b []byte) (int, error) { return len(b), w(b) }

func TestCancellingEndsTheDrawing(t *testing.T) {
	c, shape, lib := fading(t, 5000)
	stage, err := frame.Prepare(c, shape, 64, 64, lib)
	if err != nil {
		t.Fatal(err)
	}
	ctx, cancel := context.WithCancel(t.Context())
	err = Frames(ctx, stage, c.Length, io.Discard, func(done int) {
		if done == 20 {
			cancel()
		}
	})
	if !errors.Is(err, context.Canceled) {
		t.Errorf("the error is %v", err)
	}
}

func TestAClipWithoutATuneHasNoSoundTrack(t *testing.T) {
	c, shape, lib := fading(t, 30)
	f, err := MP4(t.Context(), c, shape, lib, none, true, func(int) {})
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	probe := exec.Command("ffprobe", "-v", "error", "-count_frames", "-show_entries", "stream=codec_type,nb_read_frames", "-of", "csv=p=0", "-i", "pipe:0")
	probe.Stdin = f
	out, err := probe.Output()
	if err != nil || strings.TrimSpace(string(out)) != "video,30" {
		t.Errorf("the file has %q (%v)", out, err)
	}
}

func TestAMissingFileIsNamed(t *testing.T) {
	c, shape, lib := fading(t, 30)
	c.Props = []clip.Prop{{ID: "m", Name: "Red mug", Kind: clip.KindCutout, Hash: strings.Repeat("0", 64), Media: "image/png", Picture: &clip.Picture{W: 1, H: 1, Visible: [4]int{0, 0, 1, 1}}}}
	c.Layers = append(c.Layers, clip.Draft(c, clip.KindCutout, "Mug", "m", ""))
	if _, err := MP4(t.Context(), c, shape, lib, none, true, func(int) {}); err == nil || !strings.Contains(err.Error(), `"Red mug": its file is missing`) {
		t.Errorf("the error is %v", err)
	}
	if _, err := Still(t.Context(), c, shape, 64, 64, 0, lib, none); err == nil {
		t.Error("a still without its file was drawn")
	}
}

// A soft gradient shows no bands in the file: of the many pixels around a place
// the mean is what the gradient is there. In bands half a step wide it would be
// off by 0.29 of a step (the square root of 1/12).
func TestSoftGradientsStaySoftInTheFile(t *testing.T) {
	lib := Library()
	shape := clip.Shape{ID: "tall", W: 360, H: 640}
	c := clip.New("Soft", shape, 30, 75)
	from, to := colour.RGB(0x123A45), colour.RGB(0x2F6B6A)
	c.Layers[0].Backdrop = &clip.Backdrop{Fill: clip.Fill{Angle: 180, Stops: []clip.Stop{{At: 0, Colour: from}, {At: 100, Colour: to}}}}
	f, err := MP4(t.Context(), c, shape, lib, none, false, func(int) {})
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	file := kept(t, f)
	luma := decodedLuma(t, file, shape)
	// BT.709 of the mixed colours, in limited range.
	ideal := func(y float64) float64 {
		mix := func(a, b uint8) float64 { return float64(a) + (float64(b)-float64(a))*y/float64(shape.H) }
		return 16 + 219.0/255*(0.2126*mix(from.R, to.R)+0.7152*mix(from.G, to.G)+0.0722*mix(from.B, to.B))
	}
	for _, n := range []int{0, 40, 74} {
		sum, places := 0.0, 0
		for y := 8; y < shape.H-16; y += 4 {
			mean := 0.0
			for j := range 8 {
				for x := 16; x < shape.W-16; x++ {
					mean += float64(luma[n*shape.W*shape.H+(y+j)*shape.W+x]) / float64(8*(shape.W-32))
				}
			}
			d := mean - ideal(float64(y)+4)
			sum, places = sum+d*d, places+1
		}
		if off := math.Sqrt(sum / float64(places)); off > 0.13 {
			t.Errorf("frame %d is off by %.2f of a step, as in bands", n, off)
		}
	}
	// Players jump to key pictures: at least one every two seconds.
	out, err := exec.Command("ffprobe", "-v", "error", "-skip_frame", "nokey", "-show_entries", "frame=pts_time", "-of", "csv=p=0", file).Output()
	if keys := strings.Fields(string(out)); err != nil || len(keys) != 2 || !strings.HasPrefix(keys[1], "2.0") {
		t.Errorf("the key pictures are at %v (%v), want them at 0 and 2 s", keys, err)
	}
}

// kept is the path of a nameless file's copy.
func kept(t *testing.T, f *os.File) string {
	t.Helper()
	name := filepath.Join(t.TempDir(), "clip.mp4")
	out, err := os.Create(name)
	if err != nil {
		t.Fatal(err)
	}
	defer out.Close()
	if _, err := f.Seek(0, io.SeekStart); err != nil {
		t.Fatal(err)
	}
	if _, err := io.Copy(out, f); err != nil {
		t.Fatal(err)
	}
	return name
}

// decodedLuma is the luma of all frames of a file, one after the other.
func decodedLuma(t *testing.T, file string, s clip.Shape) []byte {
	t.Helper()
	all, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-f", "rawvideo", "-pix_fmt", "yuv420p", "-").Output()
	if err != nil {
		t.Fatal(err)
	}
	var out []byte
	for size := s.W * s.H * 3 / 2; len(all) >= size; all = all[size:] {
		out = append(out, all[:s.W*s.H]...)
	}
	return out
}
