package export

import (
	"context"
	"io"
	"os"
	"strings"
	"sync"
	"testing"
	"time"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"
	"billow/demo"
	"billow/fonts"
	"billow/media"
)

// world is made once: drawing its pictures takes a while.
var world = sync.OnceValues(func() (*demo.World, error) {
	return demo.Make(800)
})

// lantern is the sample clip with its pictures decoded.
func lantern(b *testing.B) (*clip.Clip, *frame.Library, *demo.World) {
	b.Helper()
	w, err := world()
	if err != nil {
		b.Fatal(err)
	}
	lib := frame.NewLibrary(fonts.All(), cacheBytes)
	c := w.Clips[0].Clip
	if err := Load(context.Background(), c, lib, w.Open); err != nil {
		b.Fatal(err)
	}
	return c, lib, w
}

// BenchmarkFrame is the mean time of a frame of the sample clip on one core.
func BenchmarkFrame(b *testing.B) {
	c, lib, _ := lantern(b)
	for _, size := range [][2]int{{1080, 1920}, {540, 960}} {
		name := map[int]string{1080: "1080x1920", 540: "540x960"}[size[0]]
		b.Run(name, func(b *testing.B) {
			stage, err := frame.Prepare(c, c.Shapes[0], size[0], size[1], lib)
			if err != nil {
				b.Fatal(err)
			}
			p, canvas := stage.Painter(), paint.NewBitmap(size[0], size[1])
			p.Draw(canvas, 200)
			b.ResetTimer()
			for range b.N {
				for n := range c.Length {
					p.Draw(canvas, n)
				}
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N*c.Length), "ms/frame")
		})
	}
}

// BenchmarkExport is the whole export against the same encoder fed with the
// same frames from a raw file.
func BenchmarkExport(b *testing.B) {
	c, lib, w := lantern(b)
	shape, ctx := c.Shapes[0], context.Background()
	for range b.N {
		began := time.Now()
		f, err := MP4(ctx, c, shape, lib, w.Open, false, func(int) {})
		if err != nil {
			b.Fatal(err)
		}
		whole := time.Since(began)
		f.Close()
		raw := rawFrames(b, c, shape, lib)
		sound, err := Sound(ctx, c, w.Open)
		if err != nil {
			b.Fatal(err)
		}
		began = time.Now()
		v := media.Video{W: shape.W, H: shape.H, Rate: int(c.Rate), Sound: sound}
		f, err = media.Encode(ctx, v, func(into io.Writer) error {
			_, err := io.Copy(into, raw)
			return err
		})
		if err != nil {
			b.Fatal(err)
		}
		alone := time.Since(began)
		f.Close()
		raw.Close()
		b.ReportMetric(whole.Seconds(), "s-export")
		b.ReportMetric(alone.Seconds(), "s-encoder-alone")
		b.ReportMetric(whole.Seconds()/alone.Seconds(), "x-encoder")
	}
}

func rawFrames(b *testing.B, c *clip.Clip, shape clip.Shape, lib *frame.Library) *os.File {
	b.Helper()
	f, err := os.CreateTemp(b.TempDir(), "frames")
	if err != nil {
		b.Fatal(err)
	}
	stage, err := frame.Prepare(c, shape, shape.W, shape.H, lib)
	if err != nil {
		b.Fatal(err)
	}
	if err := Frames(context.Background(), stage, c.Length, f, func(int) {}); err != nil {
		b.Fatal(err)
	}
	if _, err := f.Seek(0, io.SeekStart); err != nil {
		b.Fatal(err)
	}
	return f
}

// BenchmarkManyLetters is the first frame of a badge with as many letters as
// there may be about, for which all is drawn anew.
func BenchmarkManyLetters(b *testing.B) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Letters", tall, 30, 60)
	l := clip.Draft(c, clip.KindBadge, "", "", "")
	l.Words.Text = strings.Repeat("word ", 360)
	c.Layers = append(c.Layers, l)
	dst := paint.NewBitmap(1080, 1920)
	for range b.N {
		lib := Library()
		stage, err := frame.Prepare(c, tall, 1080, 1920, lib)
		if err != nil {
			b.Fatal(err)
		}
		stage.Painter().Draw(dst, 30)
	}
}
