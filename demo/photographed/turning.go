package photographed

import (
	"fmt"
	"image"
	"math"
	"math/rand/v2"
)

// Turning is a tin with a handle that turns once about its own axis, photographed so many
// times, the camera and the light standing still.
type Turning struct {
	W, H   int
	Frames int
	Ground Ground
	Band   [3]float64 // the colour of a band around half of it
	Shadow float64
	Noise  float64 // of the camera, in levels
}

// Take gives one of the photos, from 0 on. It has no file of its own.
func (t Turning) Take(frame int) Photo {
	angle := 2 * math.Pi * float64(frame) / float64(t.Frames)
	r := rand.New(rand.NewPCG(uint64(frame), 411))
	truth := make([]uint8, t.W*t.H)
	colours := make([][3]float64, len(truth))
	const fine = 3
	for y := range t.H {
		for x := range t.W {
			var sum [3]float64
			n := 0
			for j := range fine {
				for i := range fine {
					c, is := t.seen(float64(x)+(float64(i)+.5)/fine, float64(y)+(float64(j)+.5)/fine, angle)
					if is {
						n++
						for k := range sum {
							sum[k] += c[k]
						}
					}
				}
			}
			at := y*t.W + x
			truth[at] = uint8(math.Round(255 * float64(n) / (fine * fine)))
			for k := range sum {
				colours[at][k] = sum[k] / max(float64(n), 1)
			}
		}
	}
	shade := shadowOf(truth, Setting{W: t.W, H: t.H, Shadow: t.Shadow})
	picture := image.NewNRGBA(image.Rect(0, 0, t.W, t.H))
	for i, a := range truth {
		x, y := i%t.W, i/t.W
		ground := t.Ground(float64(x)+.5, float64(y)+.5)
		k := float64(a) / 255
		for c := range 3 {
			v := k*colours[i][c] + (1-k)*ground[c]*(1-shade[i]) + r.NormFloat64()*t.Noise
			picture.Pix[4*i+c] = uint8(min(max(math.Round(v), 0), 255))
		}
		picture.Pix[4*i+3] = 255
	}
	return Photo{Name: fmt.Sprintf("turning %d", frame), Picture: picture, Truth: truth, Box: boxOf(truth, t.W, t.H)}
}

// seen is the colour of the tin, or of its handle, at a place of the photo.
func (t Turning) seen(x, y, angle float64) (c [3]float64, is bool) {
	side := float64(min(t.W, t.H))
	u, v := (x-float64(t.W)/2)/side, (y-float64(t.H)*.52)/side
	const wide, tall = .2, .28
	if math.Abs(u) > .35 || math.Abs(v) > .33 {
		return c, false
	}
	// The handle stands off on one side, as thick as it is wide: in front of the tin, beside
	// it, or behind it.
	across, depth := math.Sin(angle)*(wide+.055), math.Cos(angle)
	inRing := func(du float64) bool {
		k := max(math.Abs(math.Sin(angle)), .3) // how wide the ring is seen
		far := math.Hypot(du/k/.07, v/.13)
		return far > .62 && far < 1
	}
	if ring := inRing(u - across); ring && (depth > 0 || math.Abs(u) > wide) {
		k := .8 + .2*math.Sin(9*v+2)
		return [3]float64{196 * k, 150 * k, 62 * k}, true
	}
	// Above and below it ends in an ellipse, as it is seen a little from above.
	if math.Abs(u) >= wide {
		return c, false
	}
	bend := .035 * math.Sqrt(1-u*u/wide/wide)
	if v < -tall-bend || v > tall+bend {
		return c, false
	}
	if v < -tall+bend {
		return [3]float64{226, 222, 212}, true // the lid
	}
	turn := math.Asin(u/wide) - angle
	light := .55 + .45*math.Cos(math.Asin(u/wide)+.5)
	c = [3]float64{214, 92, 52}
	if s := math.Mod(turn/(2*math.Pi)+2, 1); math.Abs(v-bend) < .1 && s > .25 && s < .75 {
		c = t.Band
	} else if noise(turn*4, v*26, 5)+.4*noise(turn*9, v*60, 6) > .28 {
		c = [3]float64{243, 226, 190}
	}
	return scaled(c, light), true
}
