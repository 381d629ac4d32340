package frame

import (
	"math"

	"billow/core/clip"
)

// PosterFrame is the frame that stands for a clip, in all shapes: the one that was
// picked, or else the fullest in its first shape.
func PosterFrame(c *clip.Clip, lib *Library) int {
	if c.Poster != nil {
		return c.Clock().Frame(*c.Poster)
	}
	return Arrange(c, c.Shapes[0], lib).fullest()
}

// mostLooks is on how many frames a clip is looked at to find its fullest.
const mostLooks = 400

// fullest is the frame on which most is to be seen: the first one that is nearly
// as full as any. Backdrops, which fill every frame, do not count.
func (s *Stage) fullest() int {
	step := max(1, s.clip.Length/mostLooks)
	full, best := make([]float64, 0, s.clip.Length/step+1), 0.0
	for f := 0; f < s.clip.Length; f += step {
		v := s.fullness(f)
		full, best = append(full, v), max(best, v)
	}
	for i, v := range full {
		if v > 0 && v >= 0.98*best {
			return i * step
		}
	}
	return 0
}

// fullness is how much layers cover on a frame, in square units, by their opacity.
func (s *Stage) fullness(frame int) float64 {
	w, h := s.Extent()
	sum := 0.0
	for _, a := range s.actors {
		if a.kind.Fills || a.kind.Holds {
			continue
		}
		p, on := s.place(a, float64(frame))
		if !on || p.Opacity <= 0 {
			continue
		}
		lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
		for _, c := range p.Corners {
			for i := range 2 {
				lo[i], hi[i] = min(lo[i], c[i]), max(hi[i], c[i])
			}
		}
		whole := (hi[0] - lo[0]) * (hi[1] - lo[1])
		wide, high := min(hi[0], w/2)-max(lo[0], -w/2), min(hi[1], h/2)-max(lo[1], -h/2)
		if whole > 0 && wide > 0 && high > 0 {
			sum += math.Abs(p.W*p.H) * (wide * high / whole) * p.Opacity / 100
		}
	}
	return sum
}
