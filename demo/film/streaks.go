package film

import "math"

// streaks are ribbons of light that sweep across in long bends; after four seconds they begin again.
func streaks(l *lit, t float64) {
	rnd := seeded(3)
	const lasts = 4.0
	warm, pale := [3]float64{1, 0.55, 0.16}, [3]float64{1, 0.86, 0.6}
	for i := range 9 {
		// Each goes once across, begun at its own time.
		begin, speed := rnd.Float64(), 0.55+0.5*rnd.Float64()
		high, tall, turns := 0.15+0.7*rnd.Float64(), 0.08+0.16*rnd.Float64(), 0.6+0.9*rnd.Float64()
		phase, wide, bright := rnd.Float64()*2*math.Pi, 1.2+1.6*rnd.Float64(), 0.5+0.7*rnd.Float64()
		side := float64(1 - 2*(i%2))
		head := math.Mod(t/lasts+begin, 1) * (1.9 + speed)
		colour := mixed(warm, pale, rnd.Float64())
		const steps = 900
		long := 0.55 + 0.3*speed
		for s := range steps {
			back := float64(s) / steps // 0 at the head
			u := head - back*long
			if u < -0.1 || u > 1.1 {
				continue
			}
			if side < 0 {
				u = 1 - u
			}
			at := head - back*long
			y := high + tall*math.Sin(turns*math.Pi*at+phase) + 0.25*(0.5-at)*side*0.6
			fade := math.Pow(1-back, 1.7) * (1 - math.Exp(-back*30))
			x := u
			w := wide * (0.5 + 0.9*(1-back))
			l.spot(x*float64(l.w), y*float64(l.h), w, bright*fade*0.55*1.3/w*float64(l.w)*long/steps*1.6, colour)
		}
		// The head itself.
		if head > 0 && head < 1 {
			u := head
			if side < 0 {
				u = 1 - u
			}
			y := high + tall*math.Sin(turns*math.Pi*head+phase) + 0.25*(0.5-head)*side*0.6
			l.spot(u*float64(l.w), y*float64(l.h), 2.6, 1.2*bright, pale)
		}
	}
	l.bloom(5, 0.8)
	l.bloom(22, 0.7)
	l.exposed()
}
