package export

import (
	"bytes"
	"context"
	"image/jpeg"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"
	"billow/media"
)

// filmed is footage of 1080 by 1920 pixels with as much detail as a photo, as a prop and its file.
func filmed(b *testing.B) (clip.Prop, []byte) {
	b.Helper()
	file := filepath.Join(b.TempDir(), "a.mp4")
	out, err := exec.Command("ffmpeg", "-v", "error", "-f", "lavfi", "-i", "mandelbrot=s=1080x1920:r=30", "-t", "2", "-vf", "noise=alls=4:allf=t", "-pix_fmt", "yuv420p", "-crf", "16", file).CombinedOutput()
	if err != nil {
		b.Fatalf("%v: %s", err, out)
	}
	in, err := os.ReadFile(file)
	if err != nil {
		b.Fatal(err)
	}
	s, err := media.NewSpool(bytes.NewReader(in), 1<<30)
	if err != nil {
		b.Fatal(err)
	}
	defer s.Close()
	t, err := media.TakeFootage(context.Background(), "a.mp4", s, media.DefaultLimits(), func(float64) {})
	if err != nil {
		b.Fatal(err)
	}
	defer t.Close()
	kept, err := io.ReadAll(t.File.Again())
	if err != nil {
		b.Fatal(err)
	}
	b.ReportMetric(float64(len(kept))/1024/float64(t.Prop.Footage.Frames), "kB/frame")
	return t.Prop, kept
}

// BenchmarkFootage is what footage of 1080 by 1920 pixels adds to a frame of that size on one core,
// as it is and with a colour taken out: beside the same frames with a picture that stands still. Machines
// differ, so it is also told in what Go's image/jpeg takes to decode one such frame.
func BenchmarkFootage(b *testing.B) {
	prop, file := filmed(b)
	c, _, w := lantern(b)
	open := func(ctx context.Context, hash string) (io.ReadCloser, error) {
		if hash == prop.Hash {
			return io.NopCloser(bytes.NewReader(file)), nil
		}
		return w.Open(ctx, hash)
	}
	still := c.Clone()
	still.Props = append(still.Props, prop)
	l := clip.NewLayer("film", "Film", clip.KindPhoto)
	l.Cutout = &clip.Cutout{Prop: prop.ID, Covering: &clip.Covering{Fit: "fill", Side: 300}, Runs: &clip.Running{Again: "loop"}}
	l.Group = still.Scenes()[0].ID
	still.Layers = append(still.Layers[:1:1], append([]clip.Layer{l}, still.Layers[1:]...)...)
	moving := still.Clone()
	still.Layers[1].Cutout.Runs = &clip.Running{Speed: 10, To: 0.02}
	keyed := moving.Clone()
	keyed.Layers[1].Values = map[string][]float64{"chromaKey": {100}, "keyColour": {30, 60, 160, 255}}
	alone := func(c *clip.Clip) *clip.Clip {
		c = c.Clone()
		c.Layers = c.Layers[:2] // the scene, and the film
		return c
	}
	before := 0.0
	for _, one := range []struct {
		name string
		clip *clip.Clip
	}{{"alone, still", alone(still)}, {"alone, moving", alone(moving)}, {"alone, keyed", alone(keyed)},
		{"still", still}, {"moving", moving}, {"keyed", keyed}} {
		b.Run(one.name, func(b *testing.B) {
			lib := Library()
			if err := Load(context.Background(), one.clip, lib, open); err != nil {
				b.Fatal(err)
			}
			stage, err := frame.Prepare(one.clip, one.clip.Shapes[0], 1080, 1920, lib)
			if err != nil {
				b.Fatal(err)
			}
			p, canvas := stage.Painter(), paint.NewBitmap(1080, 1920)
			p.Draw(canvas, 100)
			const frames = 40
			b.ResetTimer()
			for range b.N {
				for n := range frames {
					p.Draw(canvas, 100+n)
				}
			}
			ms := b.Elapsed().Seconds() * 1000 / float64(b.N*frames)
			b.ReportMetric(ms, "ms/frame")
			if strings.HasSuffix(one.name, "still") {
				before = ms
			}
			b.ReportMetric(ms-before, "ms/added")
			b.ReportMetric((ms-before)/standard(b, canvas), "x-image/jpeg")
			if err := stage.Failed(); err != nil {
				b.Fatal(err)
			}
		})
	}
}

// standard is how many milliseconds image/jpeg takes to decode a picture.
func standard(b *testing.B, m *paint.Bitmap) float64 {
	b.Helper()
	var file bytes.Buffer
	if err := jpeg.Encode(&file, m.Image(), &jpeg.Options{Quality: 90}); err != nil {
		b.Fatal(err)
	}
	best := math.Inf(1)
	for range 5 {
		begun := time.Now()
		if _, err := jpeg.Decode(bytes.NewReader(file.Bytes())); err != nil {
			b.Fatal(err)
		}
		best = min(best, time.Since(begun).Seconds()*1000)
	}
	return best
}
