package frame

import (
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
	"billow/core/words"
)

// crowded is a clip of 60 layers with 20 keys for each of five properties.
func crowded() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Many", tall, 30, 600)
	for i := range 60 {
		l := c.Layers[0].Clone()
		l.ID = fmt.Sprintf("layer-%d", i)
		for _, p := range []string{clip.Position, clip.Scale, clip.Rotation, clip.Opacity, clip.Lift} {
			for k := range 20 {
				l.Tracks[p] = append(l.Tracks[p], motion.Key{At: timing.At(k * 30), Value: []float64{float64(k), 1}[:clip.Dims(p)], Ease: motion.Ease{Kind: motion.InOut}})
			}
		}
		c.Layers = append(c.Layers, l)
	}
	return c
}

// BenchmarkSampling is the time in which a frame of 60 layers with 20 keys for
// each of five properties is sampled on one core.
func BenchmarkSampling(b *testing.B) {
	c := crowded()
	stage := Arrange(c, c.Shapes[0], NewLibrary(words.NewFonts(), 1<<20))
	b.ReportAllocs()
	b.ResetTimer()
	for i := range b.N {
		for _, a := range stage.actors {
			stage.pose(a, whole(float64(i%600)))
		}
	}
	b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
}

// BenchmarkArrange is the time in which such a clip is made ready.
func BenchmarkArrange(b *testing.B) {
	c := crowded()
	lib := NewLibrary(words.NewFonts(), 1<<20)
	for range b.N {
		Arrange(c, c.Shapes[0], lib)
	}
}
