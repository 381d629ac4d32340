package export

import (
	"bytes"
	"context"
	"errors"
	"io"
	"os/exec"
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
	f, err := MP4(t.Context(), c, shape, lib, none, func(int) {})
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
	if _, err := MP4(t.Context(), c, shape, lib, none, func(int) {}); err == nil || !strings.Contains(err.Error(), `"Red mug": its file is missing`) {
		t.Errorf("the error is %v", err)
	}
	if _, err := Still(t.Context(), c, shape, 64, 64, 0, lib, none); err == nil {
		t.Error("a still without its file was drawn")
	}
}
