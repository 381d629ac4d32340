package frame_test

import (
	"testing"

	"billow/core/frame"
	"billow/core/paint"
	"billow/core/words"
	"billow/demo"
)

// BenchmarkRichScene is how many frames of it a second are drawn on one core, as large as a
// preview.
func BenchmarkRichScene(b *testing.B) {
	c := demo.Rich()
	if err := c.Validate(); err != nil {
		b.Fatal(err)
	}
	stage, err := frame.Prepare(c, c.Shapes[0], 540, 960, frame.NewLibrary(words.NewFonts(), 256<<20))
	if err != nil {
		b.Fatal(err)
	}
	p, dst := stage.Painter(), paint.NewBitmap(540, 960)
	p.Draw(dst, 0)
	b.ResetTimer()
	for i := range b.N {
		p.Draw(dst, 1+i%590)
	}
	b.ReportMetric(float64(b.N)/b.Elapsed().Seconds(), "frames/s")
}
