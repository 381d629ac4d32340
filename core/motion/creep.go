package motion

import "math"

// Creep is a stretch of a track in which a thing that otherwise moves quickly
// or rests changes slowly: mostly a hold that was forgotten.
type Creep struct {
	From, To int     // frames of its keys
	Change   float64 // how much the value changes in all
}

// Creeps finds the creeping stretches of a curve. A stretch creeps when it is
// at least longest frames long, its value changes by more than least, nothing
// marks it as meant (a hold, or a move that wrote its first key), and a
// neighbouring part of the track changes at least four times as fast.
func (c *Curve) Creeps(longest int, least float64) []Creep {
	var out []Creep
	for i := 0; i+1 < len(c.frames); i++ {
		n := c.frames[i+1] - c.frames[i]
		d := c.Distance(i)
		if n < float64(longest) || d <= least || c.eases[i].Kind == Hold || c.keys[i].Move != "" {
			continue
		}
		fastest := 0.0
		for k := max(0, i-2); k+1 < len(c.frames) && k <= i+2; k++ {
			if k != i && c.eases[k].Kind != Hold {
				fastest = max(fastest, c.Distance(k)/(c.frames[k+1]-c.frames[k]))
			}
		}
		if fastest >= 4*d/n {
			out = append(out, Creep{int(c.frames[i]), int(c.frames[i+1]), d})
		}
	}
	return out
}

// Distance is how far the values of key i and the next one lie apart.
func (c *Curve) Distance(i int) float64 {
	sum := 0.0
	for d := range c.dims {
		v := c.values[(i+1)*c.dims+d] - c.values[i*c.dims+d]
		sum += v * v
	}
	return math.Sqrt(sum)
}

// Speed is how much the value changes a frame at a frame, measured over half a
// frame to both sides.
func (c *Curve) Speed(frame float64) float64 {
	a, b := c.Sample(frame-0.5), c.Sample(frame+0.5)
	sum := 0.0
	for d := range c.dims {
		sum += (b[d] - a[d]) * (b[d] - a[d])
	}
	return math.Sqrt(sum)
}
