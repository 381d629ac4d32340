package graph

import (
	"billow/core/effect"
	"billow/core/paint"
)

// Effected is an effect with its values.
type Effected struct {
	Effect *effect.Effect
	Values effect.Values
	Unit   float64 // units of the space that are as long as one of the clip
}

// Key adds the effect and its values.
func (e Effected) Key(k Key) Key {
	k = k.Text(e.Effect.Name).Nums(e.Unit)
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
	return e.Effect.Reach(e.Values) * e.Unit
}

// Apply draws the effect.
func (e Effected) Apply(in *paint.Sheet, mine bool, pool *paint.Pool) *paint.Sheet {
	return e.Effect.Draw(effect.Work{Sheet: in, Mine: mine, Pool: pool, Unit: e.Unit}, e.Values)
}
