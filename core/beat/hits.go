package beat

import (
	"math"
	"slices"

	"billow/core/clip"
)

// hits are the accents: what begins well above the rest.
func (e *ear) hits() []clip.Hit {
	out := []clip.Hit{}
	const (
		apart = 7    // windows: 80 ms
		least = 80.0 // decibels that all bands rise by together; a voice that wavers stays below
	)
	env := e.clear[all]
	var found []int
	var sizes []float64
	for t := 1; t < len(env)-1; t++ {
		if env[t] >= 1.5 && e.all[t] >= least && peak(env, t, apart) {
			found, sizes = append(found, t), append(sizes, e.strength(t))
		}
	}
	if len(found) == 0 {
		return out
	}
	// A few of the strongest have full strength: one crash is not to make all else weak.
	sorted := slices.Sorted(slices.Values(sizes))
	top := sorted[len(sorted)*49/50]
	for i, t := range found {
		if sizes[i] < 0.1*top {
			continue
		}
		at := (float64(t) + vertex(env[t-1], env[t], env[t+1])) / frameRate
		out = append(out, clip.Hit{At: round(max(0, at), 1e4), Strength: round(min(1, sizes[i]/top), 1e3), Kind: e.kind(t)})
	}
	return out
}

// strength is how loud what begins at a window is: by amplitude, since in decibels what is
// soft rises by as much.
func (e *ear) strength(t int) (sum float64) {
	for _, force := range e.force {
		sum += slices.Max(force[max(0, t-2):min(len(force), t+3)])
	}
	return sum
}

// kind is where most of what begins at a window lies.
func (e *ear) kind(t int) string {
	name, share := "low", e.heard.low[t]*1.5
	if v := e.heard.mid[t]; v > share {
		name, share = "mid", v
	}
	if e.heard.high[t] > share {
		name = "high"
	}
	return name
}

func peak(env []float64, t, apart int) bool {
	for i := max(0, t-apart); i <= min(len(env)-1, t+apart); i++ {
		if env[i] > env[t] || env[i] == env[t] && i < t {
			return false
		}
	}
	return true
}

func round(v, places float64) float64 { return math.Round(v*places) / places }
