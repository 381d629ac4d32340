package main

import "math"

// effects are short sounds for what happens in a clip.
var effects = []heard{
	{"swish", "Swish", "sound", 4, free, "", "sound, fast, short, pass by, wind", effect(0.45, swish)},
	{"long-pass", "Long pass", "sound", 4, free, "", "sound, slow, pass by, wind, whoosh", effect(1.7, longPass)},
	{"sucked-in", "Sucked in", "sound", 4, credit, "", "sound, reverse, before a hit, whoosh", effect(1.1, suckedIn)},
	{"cork-pop", "Cork", "sound", 4, free, "", "sound, short, pop, bottle, appear", effect(0.4, corkPop)},
	{"bubbles", "Bubbles", "sound", 4, free, "", "sound, water, pop, splash, fizzy", effect(1.3, bubbles)},
	{"double-click", "Double click", "sound", 4, free, "", "sound, short, click, mouse, button", effect(0.3, doubleClick)},
	{"key-press", "Key press", "sound", 4, free, "", "sound, short, click, typing", effect(0.18, keyPress)},
	{"glint", "Glint", "sound", 4, free, "", "sound, shine, sparkle, short, star", effect(0.9, glint)},
	{"climb", "Climb", "sound", 4, credit, "", "sound, riser, build, before a hit, notes", effect(2.0, climb)},
	{"boom", "Boom", "sound", 4, credit, "", "sound, hit, deep, heavy, drop", effect(2.2, boom)},
	{"drop", "Drop", "sound", 4, free, "", "sound, fall, bass, drop, down", effect(1.5, fallingTone)},
	{"till", "Till", "sound", 4, free, "", "sound, shop, price, sale, bell, money", effect(1.5, till)},
	{"crowd", "Crowd", "sound", 2, bought, "2.00", "sound, people, cheer, swell, applause", effect(3.2, crowd)},
	{"paper", "Paper", "sound", 4, free, "", "sound, page, rustle, turn, card", effect(0.6, paper)},
	{"cloth", "Cloth", "sound", 4, free, "", "sound, flap, unfold, soft, ribbon", effect(0.7, clothFlap)},
	{"clang", "Clang", "sound", 4, free, "", "sound, metal, hit, pan, pot", effect(1.6, clang)},
}

// bump is 1 at a time and falls to both sides of it within a width.
func bump(t, at, width float64) float64 { return math.Exp(-math.Pow((t-at)/width, 2)) }

// after is what dies away from a time on; before it is nothing.
func after(t, at, rate float64) float64 {
	if t < at {
		return 0
	}
	return math.Exp(-(t - at) * rate)
}

func sine(turns float64) float64 { return math.Sin(2 * math.Pi * turns) }

var swishBand, passBand, airBand, suckBand, corkBand, clickBand, keyBand, boomBand band
var tillBand, drawerBand, crowdLow, crowdMid, crowdClap, paperBand, paperHigh, clothBand, clangBand band

func swish(t float64, noise func() float64) (l, r float64) {
	k := bump(t, 0.16, 0.07)
	v := swishBand.next(noise(), 900+4200*k, 0.6) * k
	pan := clamp(t / 0.34)
	return v * (1 - 0.7*pan), v * (0.3 + 0.7*pan)
}

func longPass(t float64, noise func() float64) (l, r float64) {
	k := bump(t, 0.8, 0.36)
	low := passBand.next(noise(), 120+700*k, 0.4) * k
	air := airBand.next(noise(), 1200+1800*bump(t, 0.8, 0.2), 0.9) * k * k * 0.5
	pan := clamp((t - 0.2) / 1.2)
	return (low + air) * (1 - 0.8*pan), (low + air) * (0.2 + 0.8*pan)
}

func suckedIn(t float64, noise func() float64) (l, r float64) {
	k := math.Pow(clamp(t/1.05), 3) * clamp((1.08-t)/0.02)
	v := suckBand.next(noise(), 200+5000*k, 0.45)*k + 0.3*k*sine(180*t+140*t*t)
	wide := 0.3 * (1 - k)
	return v * (1 - wide*sine(9*t)), v * (1 + wide*sine(9*t))
}

func corkPop(t float64, noise func() float64) (l, r float64) {
	v := corkBand.next(noise(), 700, 0.3)*after(t, 0, 90)*1.4 + sine(260*t-190*t*t)*after(t, 0.004, 24)
	return v, v
}

func bubbles(t float64, _ func() float64) (l, r float64) {
	for i := range 11 {
		n := float64(i)
		at := 0.09*n + 0.03*sine(n*0.37)
		s := t - at
		if s < 0 || s > 0.2 {
			continue
		}
		f := 420 + 620*math.Abs(sine(n*0.618))
		v := sine(f*s+900*s*s*4) * math.Exp(-s*34) * math.Min(1, s*400) * (0.5 + 0.5*math.Abs(sine(n*0.29)))
		pan := 0.5 + 0.4*sine(n*0.41)
		l, r = l+v*(1-pan), r+v*pan
	}
	return l, r
}

func doubleClick(t float64, noise func() float64) (l, r float64) {
	v := 0.0
	for _, at := range []float64{0, 0.11} {
		v += noise()*after(t, at, 500) + 0.6*sine(3100*(t-at))*after(t, at, 240)
		v += 0.5*noise()*after(t, at+0.022, 700) + 0.3*sine(2300*(t-at))*after(t, at+0.022, 300)
	}
	return v, v
}

func keyPress(t float64, noise func() float64) (l, r float64) {
	v := keyBand.next(noise(), 1900, 0.5)*after(t, 0, 130)*1.5 + 0.7*sine(190*t)*after(t, 0.002, 60)
	v += 0.5 * clickBand.next(noise(), 3400, 0.4) * after(t, 0.07, 260)
	return v, v
}

func glint(t float64, _ func() float64) (l, r float64) {
	for i, f := range []float64{2093, 3136, 4186, 6272} {
		at := 0.025 * float64(i)
		if t < at {
			break
		}
		v := sine(f*(t-at)) * after(t, at, 6+float64(i)) / (1 + 0.5*float64(i)) * math.Min(1, (t-at)*300)
		l, r = l+v*(1-0.2*float64(i%2)), r+v*(0.8+0.2*float64(i%2))
	}
	return l, r
}

func climb(t float64, _ func() float64) (l, r float64) {
	// Each note is shorter than the one before it.
	at, length := 0.0, 0.21
	for i := range 17 {
		if s := t - at; s >= 0 && s < 0.4 {
			f := 261.63 * math.Pow(2, float64([]int{0, 2, 4, 7, 9}[i%5]+12*(i/5))/12)
			v := (sine(f*s) + 0.3*sine(2*f*s)) * math.Exp(-s*9) * math.Min(1, s*300) * (0.4 + 0.035*float64(i))
			pan := 0.5 + 0.35*sine(float64(i)*0.25)
			l, r = l+v*(1-pan), r+v*pan
		}
		at += length
		length *= 0.93
	}
	return l, r
}

func boom(t float64, noise func() float64) (l, r float64) {
	v := sine(38*t+7*(1-math.Exp(-t*22)))*math.Exp(-t*2.1) + boomBand.next(noise(), 90+1500*math.Exp(-t*14), 0.7)*math.Exp(-t*4)*0.6
	return math.Tanh(1.6 * v), math.Tanh(1.6 * v * (0.97 + 0.03*sine(3*t)))
}

func fallingTone(t float64, _ func() float64) (l, r float64) {
	// From 420 Hz to 34 Hz, an even fall of the pitch.
	const fall, from = 2.4, 420.0
	f := from / (fall * math.Ln2) * (1 - math.Exp2(-fall*t)) // turns
	v := (sine(f) + 0.25*sine(2*f)) * math.Min(1, t*80) * math.Exp(-t*1.1)
	return v, v
}

func till(t float64, noise func() float64) (l, r float64) {
	clack := tillBand.next(noise(), 1500, 0.4)*(after(t, 0, 110)+0.7*after(t, 0.06, 140)) + drawerBand.next(noise(), 420, 0.5)*bump(t, 0.2, 0.08)*0.7
	ring := 0.0
	for i, k := range []float64{1, 2.01, 3.1, 4.92} {
		ring += sine(2350*k*(t-0.16)) * after(t, 0.16, 3.2+2*float64(i)) / (1 + 1.4*float64(i))
	}
	return clack + 0.9*ring, clack*0.9 + ring
}

func crowd(t float64, noise func() float64) (l, r float64) {
	swell := bump(t, 1.3, 0.8) + 0.25*bump(t, 2.2, 0.7)
	voices := crowdLow.next(noise(), 480+120*sine(0.7*t), 0.35) + 0.7*crowdMid.next(noise(), 1150+160*sine(0.9*t), 0.3)
	// Hands, many and each on its own.
	claps := 0.0
	if math.Abs(noise()) > 0.9965 {
		claps = 9
	}
	hands := crowdClap.next(claps*noise(), 1700, 0.8)
	v := swell * (voices + 1.3*hands)
	wide := 0.15 * sine(0.8*t)
	return v * (1 + wide), v * (1 - wide)
}

func paper(t float64, noise func() float64) (l, r float64) {
	k := bump(t, 0.12, 0.06) + 0.8*bump(t, 0.31, 0.09) + 0.3*bump(t, 0.45, 0.03)
	crackle := 0.0
	if n := noise(); math.Abs(n) > 0.985 {
		crackle = 5 * n
	}
	v := k * (paperBand.next(noise(), 3300, 0.9) + 0.8*paperHigh.next(crackle, 5200, 0.8))
	return v * (1 - 0.3*clamp(t/0.5)), v * (0.7 + 0.3*clamp(t/0.5))
}

func clothFlap(t float64, noise func() float64) (l, r float64) {
	v := 0.0
	for i, at := range []float64{0.08, 0.2, 0.3, 0.39} {
		v += bump(t, at, 0.028+0.006*float64(i)) * (1 - 0.2*float64(i))
	}
	v *= clothBand.next(noise(), 620+500*v, 0.8)
	return v, v * 0.92
}

func clang(t float64, noise func() float64) (l, r float64) {
	v := 0.5 * clangBand.next(noise(), 4200, 0.4) * after(t, 0, 160)
	for i, f := range []float64{311, 617, 743, 1290, 1967, 2841, 4113} {
		a := sine(f*t) * math.Exp(-t*(2.5+1.1*float64(i))) / (1 + 0.45*float64(i))
		l, r = l+a*(1-0.25*float64(i%2)), r+a*(0.75+0.25*float64(i%2))
	}
	return l + v, r + v
}
