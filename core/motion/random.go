package motion

import (
	"fmt"
	"math"
)

// Wander is a slight random float: smooth noise on top of a layer's motion.
type Wander struct {
	Amount float64 `json:"amount"`           // units, the farthest it goes
	Turn   float64 `json:"turn,omitempty"`   // degrees
	Size   float64 `json:"size,omitempty"`   // percent
	Pace   float64 `json:"pace"`             // changes of direction a second, 0.05..8
	Seed   int     `json:"seed,omitempty"`   // another seed is another way
	Closed bool    `json:"closed,omitempty"` // nothing at both ends, so that a loop stays closed
}

// Check reports what is wrong, or nil.
func (w *Wander) Check() error {
	for _, v := range []struct {
		name   string
		v, max float64
	}{{"amount", w.Amount, 500}, {"turn", w.Turn, 180}, {"size", w.Size, 90}} {
		if !(v.v >= 0 && v.v <= v.max) {
			return fmt.Errorf("the %s of a wander lies between 0 and %g, not %g", v.name, v.max, v.v)
		}
	}
	if !(w.Pace >= 0.05 && w.Pace <= 8) {
		return fmt.Errorf("the pace of a wander lies between 0.05 and 8 changes a second, not %g", w.Pace)
	}
	return nil
}

// Drift is what a wander adds on one frame.
type Drift struct{ X, Y, Turn, Size float64 } // units, units, degrees, percent

// At is the drift at a time after the layer's beginning, in seconds; whole is
// how long the layer shows.
func (w *Wander) At(seconds, whole float64) Drift {
	k := 1.0
	if w.Closed {
		// The ramps take a second, or a third of a short layer.
		ramp := min(1, whole/3)
		k = smooth(seconds/ramp) * smooth((whole-seconds)/ramp)
	}
	u := seconds * w.Pace
	return Drift{
		k * w.Amount * noise(w.Seed, 0, u), k * w.Amount * noise(w.Seed, 1, u),
		k * w.Turn * noise(w.Seed, 2, u), k * w.Size * noise(w.Seed, 3, u),
	}
}

func smooth(t float64) float64 {
	t = min(max(t, 0), 1)
	return t * t * t * (t*(6*t-15) + 10)
}

// noise is smooth in t and lies in -1..1: values at whole numbers, joined by
// Perlin's quintic ("Improving Noise", 2002), and half as much at twice the
// pace on top.
func noise(seed, axis int, t float64) float64 {
	octave := func(t float64, salt int) float64 {
		i := math.Floor(t)
		a, b := random(seed, axis+salt, int(i)), random(seed, axis+salt, int(i)+1)
		return a + (b-a)*smooth(t-i)
	}
	return (octave(t, 0)*2 + octave(2*t+0.5, 16)) / 3
}

// random is evenly spread in -1..1 and depends on nothing but its arguments
// (the finaliser of SplitMix64, Steele, Lea and Flood, 2014).
func random(seed, axis, n int) float64 {
	z := uint64(int64(seed))*0x9E3779B97F4A7C15 + uint64(int64(axis))*0xD1B54A32D192ED03 + uint64(int64(n))*0x8CB92BA72F3D8DD7
	z = (z ^ z>>30) * 0xBF58476D1CE4E5B9
	z = (z ^ z>>27) * 0x94D049BB133111EB
	z ^= z >> 31
	return float64(z>>11)/(1<<52) - 1
}

// Stepping holds the picture, so that it changes only so many times a second,
// and gives it a turn and a place of its own each time, as by hand.
type Stepping struct {
	Rate  int     `json:"rate"`            // changes a second, 4..24
	Turn  float64 `json:"turn,omitempty"`  // degrees, the largest irregular turn
	Shift float64 `json:"shift,omitempty"` // units, the largest irregular shift
	Seed  int     `json:"seed,omitempty"`
	Phase int     `json:"phase,omitempty"` // frames by which its steps are ahead of those that begin with the scene
}

// Check reports what is wrong, or nil.
func (s *Stepping) Check() error {
	if s.Rate < 4 || s.Rate > 24 {
		return fmt.Errorf("a stepped picture changes 4 to 24 times a second, not %d", s.Rate)
	}
	if !(s.Turn >= 0 && s.Turn <= 180) || !(s.Shift >= 0 && s.Shift <= 500) {
		return fmt.Errorf("an irregular turn lies between 0 and 180 degrees and a shift between 0 and 500 units")
	}
	return nil
}

// Hold is the frame whose picture is shown on a frame of a scene with so many
// frames a second, and the number of its step.
func (s *Stepping) Hold(frame float64, rate int) (held float64, step int) {
	phase := float64(s.Phase)
	frame += phase
	n := math.Floor(frame*float64(s.Rate)/float64(rate) + 1e-9)
	return math.Ceil(n*float64(rate)/float64(s.Rate)-1e-9) - phase, int(n)
}

// Irregular is the turn in degrees and the shift in units of a step. Turns are
// never even: none is small, none repeats the one before, and none is a
// multiple of 15 degrees.
func (s *Stepping) Irregular(step int) (turn, dx, dy float64) {
	turn = s.Turn * s.uneven(step)
	if d := math.Abs(math.Mod(math.Abs(turn), 15)); s.Turn > 0 && (d < 0.4 || d > 14.6) {
		turn *= 0.93
	}
	return turn, s.Shift * random(s.Seed, 41, step), s.Shift * random(s.Seed, 42, step)
}

// uneven lies in -1..1 but never near 0: its size is from 0.3 to 0.6 on even
// steps and from 0.7 to 1 on odd ones, its sign is drawn.
func (s *Stepping) uneven(step int) float64 {
	size := 0.45 + 0.15*random(s.Seed, 40, step)
	if step%2 != 0 {
		size += 0.4
	}
	return math.Copysign(size, random(s.Seed, 43, step))
}

// Chance is a random number, -1..1, that a seed gives the thing of a number.
func Chance(seed, n int) float64 { return random(seed, 4, n) }
