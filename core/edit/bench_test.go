package edit

import (
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// crowd is a clip of 60 layers with 20 keys each.
func crowd() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Crowd", tall, 30, 600)
	for i := range 60 {
		l := clip.Draft(c, clip.KindCard, "", "", "")
		l.ID = fmt.Sprintf("card-%d", i)
		for k := range 20 {
			l.Tracks[clip.Position] = append(l.Tracks[clip.Position], motion.Key{
				At: timing.At(k * 30), Value: []float64{float64(k), 0}, Ease: motion.Ease{Kind: motion.InOut},
			})
		}
		c.Layers = append(c.Layers, l)
	}
	return c
}

// BenchmarkMoveAKey is one step of dragging a bead in a clip of 60 layers with
// 20 keys each.
func BenchmarkMoveAKey(b *testing.B) {
	c := crowd()
	command := []byte(`{"type":"moveKeys","keys":[{"layer":"card-30","property":"position","frame":300}],"by":3}`)
	b.ReportAllocs()
	for range b.N {
		if _, err := Apply(c, command); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkDifference is how long it takes to say what one step of dragging a
// bead has changed, and what renaming the clip has.
func BenchmarkDifference(b *testing.B) {
	c := crowd()
	for name, command := range map[string]string{
		"key":  `{"type":"moveKeys","keys":[{"layer":"card-30","property":"position","frame":300}],"by":3}`,
		"clip": `{"type":"setClip","name":"Other"}`,
	} {
		b.Run(name, func(b *testing.B) {
			next, err := Apply(c, []byte(command))
			if err != nil {
				b.Fatal(err)
			}
			b.ReportAllocs()
			for range b.N {
				if _, err := Difference(c, next); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
