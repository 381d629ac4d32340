package advice

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"billow/core/effect"
	"billow/core/paint"
)

func pixel(r, g, b int) uint32 {
	in := func(v int) uint32 { return uint32(min(max(v, 0), 255)) }
	return in(r) | in(g)<<8 | in(b)<<16 | 0xFF000000
}

// stage is a grey thing alone in the middle of a frame, and a backdrop that a function colours.
func stage(thing uint32, behind func(x, y int) uint32) (alone, back *paint.Bitmap) {
	alone, back = paint.NewBitmap(200, 200), paint.NewBitmap(200, 200)
	for i := range back.Pix {
		x, y := i%200, i/200
		back.Pix[i] = behind(x, y)
		if x >= 70 && x < 130 && y >= 70 && y < 130 {
			alone.Pix[i] = thing
		}
	}
	return alone, back
}

// worn is what an effect makes of a pixel with the values that are proposed.
func worn(t *testing.T, p Proposal, px uint32, names ...string) uint32 {
	t.Helper()
	for _, e := range effect.All {
		v, any := make(effect.Values, len(e.Properties)), false
		for i, prop := range e.Properties {
			for d := range prop.Dims {
				v[i][d] = prop.Neutral
			}
			if own, ok := p.Values[prop.Name]; ok {
				copy(v[i][:], own)
				any = any || len(names) == 0 || e.Name == names[0]
			}
		}
		if any && e.Reach == nil && e.Name != "innerGlow" && e.Name != "sharpen" {
			b := paint.NewBitmap(1, 1)
			b.Pix[0] = px
			px = e.Draw(effect.Work{Sheet: paint.NewSheet(b, 0, 0, 1), Unit: 1}, v).Picture.Pix[0]
		}
	}
	return px
}

func ratio(p uint32) float64 { return math.Log2(linear[p&255] / linear[p>>16&255]) }

func TestAThingTakesOnTheLightOfItsBackdrop(t *testing.T) {
	grey := pixel(120, 120, 120)
	for name, c := range map[string]struct {
		r, g, b int
		warmer  bool
	}{"sunset": {230, 150, 90, true}, "sea": {70, 120, 190, false}} {
		p := Suit(stage(grey, func(_, _ int) uint32 { return pixel(c.r, c.g, c.b) }))
		got, back := ratio(worn(t, p, grey, "balance")), ratio(pixel(c.r, c.g, c.b))
		if share := got / back; share < 0.08 || share > 0.6 || (got > 0) != c.warmer {
			t.Errorf("%s: a grey thing goes %.2f of the way: %v", name, share, p)
		}
		if len(p.Says) == 0 {
			t.Errorf("%s: nothing is said of it", name)
		}
	}
	p := Suit(stage(grey, func(_, _ int) uint32 { return grey }))
	for _, name := range []string{"temperature", "tintGreen", "exposure", "saturation"} {
		if v, ok := p.Values[name]; ok {
			t.Errorf("before a grey wall as bright as it is %s becomes %v", name, v)
		}
	}
	bright := Suit(stage(pixel(60, 60, 60), func(_, _ int) uint32 { return pixel(220, 220, 220) }))
	dark := Suit(stage(pixel(220, 220, 220), func(_, _ int) uint32 { return pixel(30, 30, 30) }))
	if !(bright.Values["exposure"][0] > 0.2) || !(dark.Values["exposure"][0] < -0.2) {
		t.Errorf("before a bright wall it is exposed by %v, before a dark one by %v", bright.Values["exposure"], dark.Values["exposure"])
	}
}

func TestTheRimOfLightComesFromWhereItIsBright(t *testing.T) {
	for name, c := range map[string]struct {
		lit  func(x, y int) bool
		from float64
	}{
		"left":  {func(x, _ int) bool { return x < 60 }, -90},
		"right": {func(x, _ int) bool { return x > 140 }, 90},
		"above": {func(_, y int) bool { return y < 60 }, 0},
	} {
		p := Suit(stage(pixel(90, 90, 90), func(x, y int) uint32 {
			if c.lit(x, y) {
				return pixel(255, 220, 120)
			}
			return pixel(40, 50, 60)
		}))
		if at := p.Values["innerGlowAngle"]; len(at) == 0 || math.Abs(at[0]-c.from) > 12 {
			t.Errorf("lit from %s the rim comes from %v", name, at)
		}
		if of := p.Values["innerGlowColour"]; len(of) != 4 || !(of[0] > of[2]+40) {
			t.Errorf("the light is %v", of)
		}
		if !strings.Contains(strings.Join(p.Says, " "), name) {
			t.Errorf("it says %q", p.Says)
		}
	}
	if p := Suit(paint.NewBitmap(9, 9), paint.NewBitmap(9, 9)); len(p.Values) != 0 {
		t.Errorf("nothing before nothing is given %v", p.Values)
	}
	if p := Suit(stage(pixel(90, 90, 90), func(_, _ int) uint32 { return pixel(0, 0, 0) })); len(p.Values) != 0 || len(p.Says) != 1 {
		t.Errorf("before black it is given %v: %q", p.Values, p.Says)
	}
}

// photo is squares of colours between two levels, each of so many pixels, softened.
func photo(low, high int, vivid float64, soft float64) *paint.Bitmap {
	r := rand.New(rand.NewPCG(5, 6))
	b := paint.NewBitmap(240, 240)
	var fields [900]uint32
	for i := range fields {
		v := float64(low) + r.Float64()*float64(high-low)
		turn := r.Float64() * 2 * math.Pi
		span := float64(high-low) * vivid / 2
		fields[i] = pixel(int(v+span*math.Cos(turn)), int(v+span*math.Cos(turn+2)), int(v+span*math.Cos(turn+4)))
	}
	for i := range b.Pix {
		b.Pix[i] = fields[i/240/8*30+i%240/8]
	}
	if soft > 0 {
		b = b.Blurred(soft, 0, nil)
		for i := range b.Pix {
			b.Pix[i] |= 0xFF000000
		}
	}
	return b
}

func TestADullPhotoIsImproved(t *testing.T) {
	dull := Improve(photo(90, 170, 0.2, 0), 1)
	black, white := worn(t, dull, pixel(90, 90, 90), "levels")&255, worn(t, dull, pixel(170, 170, 170), "levels")&255
	if black > 40 || white < 205 {
		t.Errorf("levels from 90 to 170 become %d to %d with %v", black, white, dull.Values)
	}
	if dull.Values["vibrance"] == nil {
		t.Errorf("pale colours stay as they are: %v", dull.Values)
	}
	good := Improve(photo(0, 255, 0.7, 0), 1)
	if len(good.Values) != 0 || len(good.Says) != 1 || !strings.Contains(good.Says[0], "needs nothing") {
		t.Errorf("a good photo is given %v: %q", good.Values, good.Says)
	}
	if soft := Improve(photo(0, 255, 0.7, 1.6), 1); soft.Values["sharpen"] == nil {
		t.Errorf("a soft photo is given %v", soft.Values)
	}
	if grey := Improve(photo(20, 240, 0, 0), 1); grey.Values["vibrance"] != nil {
		t.Errorf("a grey photo is given colours: %v", grey.Values)
	}
	if little := Improve(paint.NewBitmap(40, 40), 1); len(little.Values) != 0 || len(little.Says) != 1 {
		t.Errorf("nothing is given %v", little)
	}
	if dark := Improve(photo(0, 80, 0.5, 0), 1); !(dark.Values["levelsWhite"][0] < 60) {
		t.Errorf("a dark photo is given %v", dark.Values)
	}
}
