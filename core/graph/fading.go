package graph

import "billow/core/paint"

// Fading is what is left of a picture as it fades from one height to another: a
// reflection.
type Fading struct{ From, To float64 } // down from the origin, units of the space

// Key adds the heights.
func (f Fading) Key(k Key) Key { return k.Text("fading").Nums(f.From, f.To) }

// Reach is nothing.
func (f Fading) Reach() float64 { return 0 }

// Apply fades.
func (f Fading) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	out := in.Picture.FadedRows(f.From*in.Per-in.Y, f.To*in.Per-in.Y)
	if mine {
		pool.Put(in.Picture)
	}
	return paint.NewSheet(out, in.X, in.Y, in.Per)
}
