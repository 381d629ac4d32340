package effect

import (
	"math"
	"math/rand/v2"
	"testing"

	"billow/core/paint"
)

// drawnOn is what an effect makes of one pixel.
func drawnOn(e *Effect, p uint32, v Values) uint32 {
	b := paint.NewBitmap(1, 1)
	b.Pix[0] = p
	return e.Draw(Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, v).Picture.Pix[0]
}

func grey(v uint32) uint32 { return 0xFF000000 | v*0x010101 }

// one is usual values with the first number of one property set.
func with(e *Effect, name string, v ...float64) Values {
	out := usual(e)
	for i, p := range e.Properties {
		if p.Name == name {
			copy(out[i][:], v)
		}
	}
	return out
}

// What W3C Filter Effects defines is as it says, on straight colours, at any opacity.
func TestColourEffectsFollowTheSpecification(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	hue := func(c [3]float64, degrees float64) (out [3]float64) {
		sin, cos := math.Sincos(degrees * math.Pi / 180)
		base := [3][3]float64{{0.213, 0.715, 0.072}, {0.213, 0.715, 0.072}, {0.213, 0.715, 0.072}}
		byCos := [3][3]float64{{0.787, -0.715, -0.072}, {-0.213, 0.285, -0.072}, {-0.213, -0.715, 0.928}}
		bySin := [3][3]float64{{-0.213, -0.715, 0.928}, {0.143, 0.140, -0.283}, {-0.787, 0.715, 0.072}}
		for i := range 3 {
			for j := range 3 {
				out[i] += (base[i][j] + cos*byCos[i][j] + sin*bySin[i][j]) * c[j]
			}
		}
		return out
	}
	each := func(f func(v float64) float64) func(c [3]float64, _ float64) [3]float64 {
		return func(c [3]float64, _ float64) [3]float64 { return [3]float64{f(c[0]), f(c[1]), f(c[2])} }
	}
	for range 20_000 {
		a := uint32(60 + r.IntN(196))
		p := a << 24
		for s := 0; s < 24; s += 8 {
			p |= uint32(r.IntN(int(a)+1)) << s
		}
		k := r.Float64() * 3
		for _, c := range []struct {
			e    *Effect
			v    float64
			want func(c [3]float64, v float64) [3]float64
		}{
			{&Contrast, 100 * k, each(func(v float64) float64 { return (v-0.5)*k + 0.5 })},
			{&Invert, 100 * k / 3, each(func(v float64) float64 { return v*(1-2*k/3) + k/3 })},
			{&Hue, 200 * (k - 1), hue},
		} {
			got := drawnOn(c.e, p, Values{{c.v}})
			straight := [3]float64{float64(p&255) / float64(a), float64(p>>8&255) / float64(a), float64(p>>16&255) / float64(a)}
			for i, w := range c.want(straight, c.v) {
				w = min(max(w, 0), 1) * float64(a)
				// The colour of what is not opaque is only known to half a level, which grows with it.
				if d := math.Abs(float64(got>>(8*i)&255) - w); d > 1.3+0.7*k {
					t.Fatalf("%s %.3g of %08x: channel %d is %d, want %.2f", c.e.Name, c.v, p, i, got>>(8*i)&255, w)
				}
			}
			if got>>24 != a {
				t.Fatalf("%s changes the opacity", c.e.Name)
			}
		}
	}
}

// Worked cases: what a photographer would work out by hand.
func TestTonesAreAsTheyAreWorkedOut(t *testing.T) {
	for _, c := range []struct {
		says string
		e    *Effect
		v    Values
		in   uint32
		want uint32
	}{
		// sRGB 128 is 0.2159 of light; twice that is 0.4317, which is 175.
		{"a step more light", &Exposure, Values{{1}}, grey(128), grey(175)},
		// Half of it is 0.1079, which is 92.
		{"a step less", &Exposure, Values{{-1}}, grey(128), grey(92)},
		{"white stays white", &Exposure, Values{{2}}, grey(255), grey(255)},
		{"black stays black", &Exposure, Values{{4}}, grey(0), grey(0)},
		// From 20 to 60 percent (51 to 153): 102 lies in the middle.
		{"black and white moved", &Levels, with(&Levels, "levelsBlack", 20, 0), grey(51), grey(0)},
		{"between them", &Levels, Values{{20}, {60}, {1}, {0}, {100}}, grey(102), grey(128)},
		// The middle at 2: a quarter becomes its square root, a half.
		{"the middle lighter", &Levels, Values{{0}, {100}, {2}, {0}, {100}}, grey(64), grey(128)},
		{"what comes out", &Levels, Values{{0}, {100}, {1}, {20}, {60}}, grey(255), grey(153)},
		{"a curve through its point", &Curves, Values{{0, 0, 10, 0}}, grey(153), grey(179)},
		{"and its other points", &Curves, Values{{0, 0, 10, 0}}, grey(51), grey(51)},
		{"of red alone", &Curves, Values{{}, {20, 0, 0, 0}}, 0xFF333333, 0xFF333366},
		{"two colours, dark", &Duotone, Values{{100}, {10, 20, 30, 255}, {200, 210, 220, 255}}, grey(0), 0xFF1E140A},
		{"two colours, light", &Duotone, Values{{100}, {10, 20, 30, 255}, {200, 210, 220, 255}}, grey(255), 0xFFDCD2C8},
		{"half of two colours", &Duotone, Values{{50}, {0, 0, 0, 255}, {0, 0, 0, 255}}, grey(200), grey(100)},
		{"grey has no colour to be stronger", &Vibrance, Values{{100}}, grey(90), grey(90)},
	} {
		if len(c.v) < len(c.e.Properties) {
			c.v = append(c.v, usual(c.e)[len(c.v):]...)
		}
		got := drawnOn(c.e, c.in, c.v)
		for s := 0; s < 32; s += 8 {
			if d := int(got>>s&255) - int(c.want>>s&255); d > 1 || d < -1 {
				t.Errorf("%s: %08x becomes %08x, want %08x", c.says, c.in, got, c.want)
				break
			}
		}
	}
}

// A curve never turns back, wherever its points are.
func TestACurveNeverTurnsBack(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for range 2000 {
		var by [4]float64
		at := [4]float64{20, 40, 60, 80}
		last := 0.0
		for i := range by { // points that rise, some of them not at all
			last = min(max(last, at[i]+r.Float64()*80-40), 100)
			by[i] = last - at[i]
		}
		f := bent(by)
		before := 0.0
		for i := range 401 {
			v := f(float64(i) / 400)
			if v < before-1e-9 {
				t.Fatalf("with %v it falls from %v to %v at %v", by, before, v, float64(i)/400)
			}
			before = v
		}
	}
}

// Warmer light has more red and less blue, and as much light in all.
func TestBalanceKeepsTheLightOfWhite(t *testing.T) {
	luminance := func(p uint32) float64 {
		lin := func(v uint32) float64 { return math.Pow((float64(v)/255+0.055)/1.055, 2.4) }
		return 0.2126*lin(p&255) + 0.7152*lin(p>>8&255) + 0.0722*lin(p>>16&255)
	}
	for _, v := range []Values{{{60}, {0}}, {{-80}, {0}}, {{0}, {70}}, {{30}, {-50}}} {
		p := drawnOn(&Balance, grey(140), v)
		if d := luminance(p)/luminance(grey(140)) - 1; math.Abs(d) > 0.02 {
			t.Errorf("%v changes the light of grey by %.3f", v, d)
		}
		if v[0][0] > 0 != (p&255 > p>>16&255) && v[0][0] != 0 {
			t.Errorf("%v gives %08x", v, p)
		}
	}
}

// Beside a step the bright side gets brighter and the dark one darker; what is even stays.
func TestSharpeningMakesAStepSteeper(t *testing.T) {
	b := paint.NewBitmap(60, 8)
	for i := range b.Pix {
		b.Pix[i] = grey(80)
		if i%60 >= 30 {
			b.Pix[i] = grey(160)
		}
	}
	// At the step a blur has the mean of both, half a step of which is added: 40 times a half.
	out := Sharpen.Draw(Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, Values{{100}, {2}}).Picture
	row := out.Pix[4*60:]
	near := func(x int) float64 { return float64(row[x] & 255) }
	// Half a pixel beside the step the blur is 0.5 + erf(0.25/√2)/2 = 0.599 of the way.
	want := 160 + (160 - (80 + 80*0.599))
	if math.Abs(near(30)-want) > 4 || math.Abs(near(29)-(240-want)) > 4 {
		t.Errorf("beside the step it is %v and %v, want %.0f and %.0f", near(29), near(30), 240-want, want)
	}
	if math.Abs(near(5)-80) > 1 || math.Abs(near(55)-160) > 1 {
		t.Errorf("far from it, it is %v and %v", near(5), near(55))
	}
}

// BenchmarkColours is the time that each effect on colours takes on a frame of 1080 by 1920 pixels.
func BenchmarkColours(b *testing.B) {
	whole := paint.NewBitmap(1080, 1920)
	seed := uint32(1)
	for i := range whole.Pix {
		seed = seed*1664525 + 1013904223
		whole.Pix[i] = seed | 0xFF000000
	}
	for _, e := range All {
		v := usual(e)
		for i, p := range e.Properties {
			if !p.Colour {
				v[i][0] = p.Neutral + (p.Max-p.Neutral)/4
			}
		}
		b.Run(e.Name, func(b *testing.B) {
			var pool paint.Pool
			for b.Loop() {
				out := e.Draw(Work{Sheet: paint.NewSheet(whole, 0, 0, 1), Unit: 0.2, Pool: &pool}, v)
				pool.Put(out.Picture)
			}
			b.ReportMetric(float64(b.Elapsed().Milliseconds())/float64(b.N), "ms/frame")
		})
	}
}
