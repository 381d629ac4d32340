package graph

import (
	"math"

	"billow/core/effect"
	"billow/core/paint"
)

// Silhouette is the outline of a sheet, filled with one colour and softened: its
// shadow. Softening commutes with turning and even sizing, so in a layer's own
// space it is done once for a whole motion.
type Silhouette struct {
	Sigma float64 // standard deviation, units
	Pixel uint32  // the colour
}

// Key adds the shadow.
func (s Silhouette) Key(k Key) Key {
	return k.Text("silhouette").Nums(effect.Soft(s.Sigma)).Word(uint64(s.Pixel))
}

// Reach is where the blur ends.
func (s Silhouette) Reach() float64 { return effect.SoftReach(s.Sigma) }

// Apply makes the shadow.
func (s Silhouette) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	octaves, sigma := effect.Halvings(in, effect.Soft(s.Sigma))
	margin := int(math.Ceil(3*sigma)) + 1
	mask := paint.HalvedAlpha(in.Picture, octaves, margin)
	mask.Blur(sigma)
	if mine {
		pool.Put(in.Picture)
	}
	x, y := math.Ldexp(in.X, -octaves), math.Ldexp(in.Y, -octaves)
	return paint.NewSheet(mask.Coloured(s.Pixel), x-float64(margin), y-float64(margin), math.Ldexp(in.Per, -octaves))
}
