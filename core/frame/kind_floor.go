package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

func init() { kinds[clip.KindFloor] = drawing{picture: (*Stage).floor} }

// floor is a wall and a floor. The glow is a third as high as it is wide.
func (s *Stage) floor(a *actor, _ look, frame float64) *graph.Node {
	at, _, _, _ := s.held(a, frame)
	tone := func(p int) colour.Colour {
		c := a.value(p, at)
		return colour.FromFloats(c[0], c[1], c[2], c[3])
	}
	w, h := float64(s.W), float64(s.H)
	f := paint.Floor{
		Wall: tone(wallColour), Ground: tone(groundColour), Light: tone(lightColour),
		Horizon: a.number(horizon, at) / 100 * h, Soft: max(0, a.number(horizonSoft, at)) * s.scale,
		Glow: min(max(a.number(glow, at)/100, 0), 1), X: (0.5 + a.number(glowAt, at)/100) * w,
	}
	// What is called its width is where it is down to a tenth: 2.15 standard deviations.
	f.RX = max(1, a.number(glowReach, at)/100*w/2/2.15)
	f.RY = f.RX / 3
	key := graph.Key{}.Text("floor").Nums(w, h, f.Horizon, f.Soft, f.Glow, f.X, f.RX).Colour(f.Wall).Colour(f.Ground).Colour(f.Light)
	wide, _ := layout.Extent(s.shape)
	return graph.Wash(key, s.W, s.H, -w/2, -h/2, w/wide, f.Shader)
}
