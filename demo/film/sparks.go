package film

import "math"

// sparks fly up from below the picture, slow down, fall and go out; after three seconds they begin
// again.
func sparks(l *lit, t float64) {
	rnd := seeded(11)
	const lasts = 3.0
	white, orange, red := [3]float64{1, 0.93, 0.72}, [3]float64{1, 0.5, 0.1}, [3]float64{0.8, 0.12, 0.02}
	for range 300 {
		begin, life := rnd.Float64()*lasts, 0.7+1.5*rnd.Float64()
		x0, vx := 0.5+0.2*rnd.NormFloat64(), 0.16*rnd.NormFloat64()
		vy, size := 0.6+0.95*rnd.Float64(), 0.6+1.5*rnd.Float64()*rnd.Float64()
		flutter, pace := 0.012*rnd.NormFloat64(), 5+9*rnd.Float64()
		age := math.Mod(t-begin+lasts, lasts)
		if age > life {
			continue
		}
		k := age / life
		place := func(a float64) (x, y float64) {
			drag := (1 - math.Exp(-1.1*a)) / 1.1
			x = x0 + vx*drag + flutter*math.Sin(pace*a)
			y = 1.06 - vy*drag*1.25 + 0.2*a*a
			return x * float64(l.w), y * float64(l.h)
		}
		c := mixed(white, orange, math.Min(1, k*2.5))
		if k > 0.5 {
			c = mixed(orange, red, (k-0.5)*2)
		}
		bright := (1 - k*k) * (0.75 + 0.25*math.Sin(37*age+begin*9))
		// A shutter that is open for a fiftieth of a second draws it long.
		const steps = 10
		for s := range steps {
			x, y := place(age - float64(s)/steps*0.022)
			l.spot(x, y, size, bright*0.5*(1-0.06*float64(s)), c)
		}
	}
	// The glow from where they come.
	l.spot(float64(l.w)*0.5, float64(l.h)*1.03, float64(l.w)*0.28, 0.10+0.01*math.Sin(2*math.Pi*t), [3]float64{1, 0.38, 0.08})
	l.bloom(3, 0.9)
	l.bloom(12, 0.8)
	l.exposed()
}
