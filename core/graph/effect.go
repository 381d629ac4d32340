package graph

import (
	"image"

	"billow/core/cube"
	"billow/core/effect"
	"billow/core/paint"
)

// Effected is an effect with its values.
type Effected struct {
	Effect   *effect.Effect
	Values   effect.Values
	Finest   float64         // pixels a unit beyond which detail is of no use; 0 is all
	Unit     float64         // units of the space that are as long as one of the clip
	At       paint.Affine    // from units of the clip about the picture's centre to the space
	Box      effect.Box      // how large the picture is at rest
	Table    *cube.Table     // the layer's table of colours, if any
	TableKey string          // its file
	only     image.Rectangle // what is needed of the frame; empty is all
}

// Key adds the effect and its values.
func (e Effected) Key(k Key) Key {
	k = k.Text(e.Effect.Name).Nums(e.Unit, e.Finest)
	if e.Table != nil {
		k = k.Text(e.TableKey)
	}
	if e.Effect.Placed {
		k = k.Matrix(e.At).Nums(e.Box.W, e.Box.H)
	}
	for _, v := range e.Values {
		k = k.Nums(v[:]...)
	}
	return k
}

// Reach is the effect's, in units of the space.
func (e Effected) Reach() float64 {
	if e.Effect.Reach == nil {
		return 0
	}
	return e.Effect.Reach(e.Values, e.Box) * e.Unit
}

// Apply draws the effect.
func (e Effected) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	if reduced := in.Reduced(e.Finest); reduced != in {
		in, mine = reduced, false
	}
	w := effect.Work{Sheet: in, Mine: mine, Pool: pool, Unit: e.Unit, At: e.At, Box: e.Box, Only: e.only, Table: e.Table}
	if e.Unit > 0 {
		w.Far = e.Reach() / e.Unit
	}
	return e.Effect.Draw(w, e.Values)
}
