package mix

import (
	"math"

	"billow/core/clip"
)

// duckStep is the samples between two values of a duck: 10 ms.
const duckStep = Rate / 100

// A duck is by how many decibels the tune is softer at each 10 ms; nil is never.
type duck []float64

// at is the factor on a sample.
func (d duck) at(sample int) float64 {
	if d == nil {
		return 1
	}
	i, f := sample/duckStep, float64(sample%duckStep)/duckStep
	j := min(i+1, len(d)-1)
	v := d[min(i, len(d)-1)]
	v += f * (d[j] - v)
	if v == 0 {
		return 1
	}
	return math.Pow(10, -v/20)
}

// ducking is by how much the tune is softer beneath what else sounds: by the most that one
// of the sounds that are heard then asks for. It knows what comes, so that the tune is
// down when a sound begins, and waits through the short pauses of speech.
func ducking(c *clip.Clip, source func(*clip.Prop) []float32) duck {
	var out duck
	steps := Samples(c)/duckStep + 2
	for i := range c.Sounds {
		t := &c.Sounds[i]
		if t.ID == clip.TuneID || !c.Audible(t) || t.Ducks == 0 {
			continue
		}
		if out == nil {
			out = make(duck, steps)
		}
		speed := t.Duck
		if speed == 0 {
			speed = clip.UsualDuck
		}
		heard := present(c, t, source(c.Prop(t.Prop)), steps)
		for k, v := range eased(heard, int(math.Round(speed*100))) {
			out[k] = max(out[k], v*t.Ducks)
		}
	}
	return out
}

// present is 1 where a track is heard, and in pauses of up to half a second.
func present(c *clip.Clip, t *clip.SoundTrack, sound []float32, steps int) []float64 {
	const (
		threshold = 0.01 // of full scale: -40 decibels
		pause     = 50   // steps
	)
	alone := make([]float32, 2*Samples(c))
	add(c, alone, t, sound, nil)
	out, last := make([]float64, steps), -pause-1
	for k := range out {
		loud := false
		for _, v := range alone[min(2*k*duckStep, len(alone)):min(2*(k+1)*duckStep, len(alone))] {
			loud = loud || v > threshold || v < -threshold
		}
		if !loud {
			continue
		}
		from := k
		if k-last <= pause {
			from = last + 1
		}
		for i := from; i <= k; i++ {
			out[i] = 1
		}
		last = k
	}
	return out
}

// eased widens what is heard by a time on both sides, within which it rises and falls by a
// half of a cosine.
func eased(heard []float64, width int) []float64 {
	out := make([]float64, len(heard))
	far := math.MaxInt / 2
	near := far // steps since it was heard
	for k, v := range heard {
		if near++; v > 0 {
			near = 0
		}
		out[k] = rise(near, width)
	}
	near = far
	for k := len(heard) - 1; k >= 0; k-- {
		if near++; heard[k] > 0 {
			near = 0
		}
		out[k] = max(out[k], rise(near, width))
	}
	return out
}

func rise(away, width int) float64 {
	if away >= width {
		return 0
	}
	return 0.5 + 0.5*math.Cos(math.Pi*float64(away)/float64(width))
}
