// Package motion computes values between keys: easings and key tracks.
package motion

import (
	"billow/core/alike"
	"billow/core/wording"
	"fmt"
	"math"
)

// Kinds of easing. In, Out and InOut are the presets of CSS Easing Functions
// Level 1.
const (
	Linear = "linear"
	In     = "in"
	Out    = "out"
	InOut  = "inOut"
	Hold   = "hold"
	Bezier = "bezier"
	Spring = "spring"
	Bounce = "bounce"
	Steps  = "steps"
)

// EaseNames are the kinds of easing.
var EaseNames = wording.List{
	{ID: Linear, Name: "Linear"}, {ID: In, Name: "Ease in"}, {ID: Out, Name: "Ease out"}, {ID: InOut, Name: "Ease in-out"},
	{ID: Hold, Name: "Hold"}, {ID: Bezier, Name: "Bezier"}, {ID: Spring, Name: "Spring"}, {ID: Bounce, Name: "Bounce"},
	{ID: Steps, Name: "Steps"},
}

// Ease leads from one key's value to the next.
type Ease struct {
	Kind string `json:"kind"`
	// Control points of a cubic Bezier as in CSS: x in 0..1, y free (-10..10).
	X1 float64 `json:"x1,omitempty"`
	Y1 float64 `json:"y1,omitempty"`
	X2 float64 `json:"x2,omitempty"`
	Y2 float64 `json:"y2,omitempty"`
	// Bounce of a spring, 0 (no overshoot) .. 0.95 (swings long).
	Bounce float64 `json:"bounce,omitempty"`
	// Settle is the share of the way after which a spring is still, in percent,
	// 5..100; 0 is 100.
	Settle float64 `json:"settle,omitempty"`
	// Count is how often a bounce comes back, 1..8, or the number of steps, 1..1000.
	Count int `json:"count,omitempty"`
	// Decay is the height of each bounce as a share of the one before, 0.05..0.9.
	Decay float64 `json:"decay,omitempty"`
}

// Check reports what is wrong with the easing, or nil.
func (e Ease) Check() error {
	switch e.Kind {
	case Linear, In, Out, InOut, Hold:
	case Bezier:
		for _, x := range []float64{e.X1, e.X2} {
			if !(x >= 0 && x <= 1) {
				return fmt.Errorf("a Bezier easing has x between 0 and 1, not %g", x)
			}
		}
		for _, y := range []float64{e.Y1, e.Y2} {
			if !(math.Abs(y) <= 10) {
				return fmt.Errorf("a Bezier easing has y between -10 and 10, not %g", y)
			}
		}
	case Spring:
		if !(e.Bounce >= 0 && e.Bounce <= 0.95) {
			return fmt.Errorf("a spring has a bounce between 0 and 0.95, not %g", e.Bounce)
		}
		if !(e.Settle == 0 || e.Settle >= 5 && e.Settle <= 100) {
			return fmt.Errorf("a spring settles within 5 to 100 percent of its way, not %g", e.Settle)
		}
	case Bounce:
		if e.Count < 1 || e.Count > 8 {
			return fmt.Errorf("a bounce comes back 1 to 8 times, not %d", e.Count)
		}
		if !(e.Decay >= 0.05 && e.Decay <= 0.9) {
			return fmt.Errorf("a bounce keeps 0.05 to 0.9 of its height, not %g", e.Decay)
		}
	case Steps:
		if e.Count < 1 || e.Count > 1000 {
			return fmt.Errorf("there are 1 to 1000 steps, not %d", e.Count)
		}
	default:
		return fmt.Errorf("%q is not an easing: use linear, in, out, inOut, hold, bezier, spring, bounce or steps", e.Kind)
	}
	return nil
}

// At is the eased progress for a progress of t in 0..1. Every easing but Hold
// goes from exactly 0 to exactly 1; Bezier and Spring may overshoot between.
func (e Ease) At(t float64) float64 {
	if t <= 0 {
		return 0
	}
	if t >= 1 {
		if e.Kind == Hold {
			return 0
		}
		return 1
	}
	switch e.Kind {
	case Hold:
		return 0
	case In:
		return cubicBezier(0.42, 0, 1, 1, t)
	case Out:
		return cubicBezier(0, 0, 0.58, 1, t)
	case InOut:
		return cubicBezier(0.42, 0, 0.58, 1, t)
	case Bezier:
		return cubicBezier(e.X1, e.Y1, e.X2, e.Y2, t)
	case Spring:
		if e.Settle > 0 {
			t = min(1, t*100/e.Settle)
		}
		return spring(e.Bounce, t)
	case Bounce:
		return bounce(e.Count, e.Decay, t)
	case Steps:
		return math.Floor(t*float64(e.Count)) / float64(e.Count)
	}
	return t
}

// Reversed is the easing of the same string run backwards: Reversed.At(t) is
// 1 - At(1-t) for the kinds that can be turned round; the others stay.
func (e Ease) Reversed() Ease {
	switch e.Kind {
	case In:
		e.Kind = Out
	case Out:
		e.Kind = In
	case Bezier:
		e.X1, e.Y1, e.X2, e.Y2 = 1-e.X2, 1-e.Y2, 1-e.X1, 1-e.Y1
	}
	return e
}

// bounce is a body that falls onto the value 1 and comes back count times. All
// arcs are parabolas under one gravity, so an arc of height h takes twice the
// square root of h times as long as the first fall.
func bounce(count int, decay, t float64) float64 {
	root := math.Sqrt(decay)
	total, arc := 1.0, 1.0
	for range count {
		arc *= root
		total += 2 * arc
	}
	at := t * total
	if at < 1 {
		return at * at
	}
	at, arc = at-1, 1
	for range count {
		arc *= root
		if at < 2*arc {
			u := at/arc - 1
			return 1 - arc*arc*(1-u*u)
		}
		at -= 2 * arc
	}
	return 1
}

// cubicBezier is the y of the curve (0,0) (x1,y1) (x2,y2) (1,1) where its x is
// t. x is monotone, so bisection always converges; Newton's steps are taken
// while they stay inside the bracket.
func cubicBezier(x1, y1, x2, y2, t float64) float64 {
	cx, bx := 3*x1, 3*(x2-x1)-3*x1
	ax := 1 - cx - bx
	cy, by := 3*y1, 3*(y2-y1)-3*y1
	ay := 1 - cy - by
	lo, hi, u := 0.0, 1.0, t
	for range 64 {
		x := ((ax*u+bx)*u + cx) * u
		if math.Abs(x-t) < 1e-12 {
			break
		}
		if x < t {
			lo = u
		} else {
			hi = u
		}
		slope := (3*ax*u+2*bx)*u + cx
		next := u - (x-t)/slope
		if !(next > lo && next < hi) {
			next = (lo + hi) / 2
		}
		u = next
	}
	return ((ay*u+by)*u + cy) * u
}

// spring is the step response of a damped oscillator, in closed form. Its
// damping ratio is 1-bounce; its frequency is such that the envelope has
// decayed to 1/1000 at t = 1, where the remainder is taken out linearly so
// that the value lands exactly.
func spring(bounce, t float64) float64 {
	end := springStep(bounce, 1)
	return springStep(bounce, t) + (1-end)*t
}

func springStep(bounce, t float64) float64 {
	const decay = 6.907755278982137 // ln 1000
	zeta := 1 - bounce
	if zeta > 0.9999 {
		// Critically damped: 1-(1+wt)e^-wt is down to 1/1000 at w = 9.2334.
		const w = 9.233413476451586
		return 1 - (1+w*t)*alike.Exp(-w*t)
	}
	w := decay / zeta
	wd := w * math.Sqrt(1-zeta*zeta)
	return 1 - alike.Exp(-decay*t)*(math.Cos(wd*t)+decay/wd*math.Sin(wd*t))
}
