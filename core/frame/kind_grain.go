package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

func init() { kinds[clip.KindGrain] = drawing{picture: (*Stage).grain} }

// grain is noise that is another one so many times a second.
func (s *Stage) grain(a *actor, _ look, frame float64) *graph.Node {
	g := a.layer.Grain
	at, _, _, _ := s.held(a, frame)
	turn := math.Floor((at - float64(a.from)) * g.Changes / float64(s.clip.Rate))
	strength, cell := min(max(a.number(grainStrength, at)/100, 0), 1), g.Size*s.scale
	seed := uint64(int64(g.Seed))<<32 + uint64(int64(turn))
	key := graph.Key{}.Text("grain").Nums(float64(s.W), float64(s.H), strength, cell).Word(seed)
	wide, _ := layout.Extent(s.shape)
	return graph.Wash(key, s.W, s.H, -float64(s.W)/2, -float64(s.H)/2, float64(s.W)/wide, func() paint.Shader {
		return paint.NoiseShader(strength, cell, seed)
	})
}
