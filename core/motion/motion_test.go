package motion

import (
	"math"
	"math/big"
	"testing"

	"billow/core/timing"
)

// bisected is the cubic Bezier by bisection with 200-bit numbers.
func bisected(x1, y1, x2, y2, t float64) float64 {
	f := func(v float64) *big.Float { return new(big.Float).SetPrec(200).SetFloat64(v) }
	at := func(a, b float64, u *big.Float) *big.Float {
		one := f(1)
		v := new(big.Float).SetPrec(200).Sub(one, u)
		mul := func(xs ...*big.Float) *big.Float {
			out := f(1)
			for _, x := range xs {
				out.Mul(out, x)
			}
			return out
		}
		sum := mul(f(3), f(a), u, v, v)
		sum.Add(sum, mul(f(3), f(b), u, u, v))
		return sum.Add(sum, mul(u, u, u))
	}
	lo, hi := f(0), f(1)
	for range 180 {
		mid := new(big.Float).SetPrec(200).Add(lo, hi)
		mid.Quo(mid, f(2))
		if at(x1, x2, mid).Cmp(f(t)) < 0 {
			lo = mid
		} else {
			hi = mid
		}
	}
	y, _ := at(y1, y2, lo).Float64()
	return y
}

func TestBezierAgreesWithBisection(t *testing.T) {
	curves := [][4]float64{{0.25, 0.1, 0.25, 1}, {0, 0, 1, 1}, {1, 0, 0, 1}, {0, 1, 0, 1}, {0.12, 0.8, 0.2, 1}, {0.3, -1.2, 0.7, 2.2}, {1, -3, 1, 4}}
	for _, c := range curves {
		e := Ease{Kind: Bezier, X1: c[0], Y1: c[1], X2: c[2], Y2: c[3]}
		for i := 1; i < 200; i++ {
			x := float64(i) / 200
			if got, want := e.At(x), bisected(c[0], c[1], c[2], c[3], x); math.Abs(got-want) > 1e-4 {
				t.Errorf("%v at %g is %g, want %g", c, x, got, want)
			}
		}
	}
}

func TestEveryEasingBeginsAndEndsExactly(t *testing.T) {
	for _, e := range []Ease{{Kind: Linear}, {Kind: In}, {Kind: Out}, {Kind: InOut}, {Kind: Bezier, X1: 0.3, Y1: 2, X2: 0.1, Y2: -1}, {Kind: Spring, Bounce: 0.8}, {Kind: Spring}} {
		if e.At(0) != 0 || e.At(1) != 1 {
			t.Errorf("%v goes from %g to %g", e, e.At(0), e.At(1))
		}
	}
	hold := Ease{Kind: Hold}
	if hold.At(0.999) != 0 || hold.At(1) != 0 {
		t.Error("a hold moves before the next key")
	}
}

// oscillator integrates x" = -2 zeta w x' - w^2 (x-1) with small steps.
func oscillator(zeta, w float64, steps int) []float64 {
	x, v, dt := 0.0, 0.0, 1/float64(steps)
	out := []float64{0}
	acc := func(x, v float64) float64 { return -2*zeta*w*v - w*w*(x-1) }
	for range steps {
		k1x, k1v := v, acc(x, v)
		k2x, k2v := v+dt/2*k1v, acc(x+dt/2*k1x, v+dt/2*k1v)
		k3x, k3v := v+dt/2*k2v, acc(x+dt/2*k2x, v+dt/2*k2v)
		k4x, k4v := v+dt*k3v, acc(x+dt*k3x, v+dt*k3v)
		x += dt / 6 * (k1x + 2*k2x + 2*k3x + k4x)
		v += dt / 6 * (k1v + 2*k2v + 2*k3v + k4v)
		out = append(out, x)
	}
	return out
}

func TestSpringIsADampedOscillator(t *testing.T) {
	for _, bounce := range []float64{0.2, 0.5, 0.8} {
		zeta := 1 - bounce
		w := math.Log(1000) / zeta
		want := oscillator(zeta, w, 4000)
		e := Ease{Kind: Spring, Bounce: bounce}
		for i := 0; i <= 4000; i += 40 {
			// The last thousandth is taken out along the way, hence 2e-3.
			if got := e.At(float64(i) / 4000); math.Abs(got-want[i]) > 2e-3 {
				t.Fatalf("bounce %g at %g is %g, want %g", bounce, float64(i)/4000, got, want[i])
			}
		}
	}
}

func TestACurveStaysBeforeAndAfterItsKeys(t *testing.T) {
	clock := timing.Clock{Rate: 30, Tempo: timing.Even(120)}
	c := NewCurve(Track{
		{At: timing.At(10), Value: []float64{5}, Ease: Ease{Kind: Hold}},
		{At: timing.At(20), Value: []float64{8}, Ease: Ease{Kind: Linear}},
		{At: timing.At(30), Value: []float64{18}},
	}, 1, false, clock)
	for _, want := range [][2]float64{{0, 5}, {10, 5}, {19, 5}, {19.99, 5}, {20, 8}, {25, 13}, {30, 18}, {99, 18}} {
		if got := c.At(want[0], 0); math.Abs(got-want[1]) > 1e-12 {
			t.Errorf("frame %g is %g, want %g", want[0], got, want[1])
		}
	}
}

func TestAKeyOnABeatMovesWithTheTempo(t *testing.T) {
	track := Track{{At: timing.OnBeat(4), Value: []float64{0}, Ease: Ease{Kind: Linear}}, {At: timing.OnBeat(4).Plus(10), Value: []float64{1}}}
	slow := NewCurve(track, 1, false, timing.Clock{Rate: 30, Tempo: timing.Even(60)})
	quick := NewCurve(track, 1, false, timing.Clock{Rate: 30, Tempo: timing.Even(120)})
	if slow.Frame(0) != 120 || quick.Frame(0) != 60 || quick.Frame(1) != 70 {
		t.Errorf("keys lie on %g, %g and %g", slow.Frame(0), quick.Frame(0), quick.Frame(1))
	}
}

func FuzzEase(f *testing.F) {
	f.Add(0.1, -2.0, 0.9, 3.0, 0.5)
	f.Fuzz(func(t *testing.T, x1, y1, x2, y2, at float64) {
		e := Ease{Kind: Bezier, X1: x1, Y1: y1, X2: x2, Y2: y2}
		if e.Check() != nil || math.IsNaN(at) {
			return
		}
		// The curve stays within the hull of its control points.
		lo, hi := min(0, y1, y2), max(1, y1, y2)
		if v := e.At(at); !(v >= lo-1e-6 && v <= hi+1e-6) {
			t.Errorf("%v at %g is %g", e, at, v)
		}
	})
}

func BenchmarkBezier(b *testing.B) {
	e := Ease{Kind: Bezier, X1: 0.12, Y1: 0.8, X2: 0.2, Y2: 1}
	for i := range b.N {
		e.At(float64(i%100) / 100)
	}
}
