package mix

import (
	"math"

	"billow/core/clip"
)

const (
	// guard is a ramp at a cut through a sound, short enough not to be heard as a
	// fade and long enough not to click: 5 ms.
	guard = Rate / 200
	// join is how long one part goes over into the next: 15 ms that end with the border, so
	// that what begins there is heard whole.
	join = Rate * 15 / 1000
)

// Needed is how many seconds of the beginning of a sound a track may need; one
// more than it lasts, so that a sound that goes on is known to.
func Needed(c *clip.Clip, t *clip.SoundTrack) float64 {
	if len(t.Parts) == 0 {
		return t.Trim + float64(c.Length)/float64(c.Rate) + 1
	}
	last := 0.0
	for _, p := range t.Parts {
		last = max(last, p.To)
	}
	return last + t.Tail + 1
}

// A stretch is samples of a sound that are heard one after the other, from one of the track
// on. It rises and falls at its ends.
type stretch struct {
	at, from, n int
	in, out     int // samples that it takes to come and to go
	outShape    string
}

// stretches are what is heard of a sound of so many samples within a track of so many.
func stretches(t *clip.SoundTrack, sound, wanted int) []stretch {
	samples := func(seconds float64) int { return int(math.Round(seconds * Rate)) }
	if len(t.Parts) == 0 {
		skip := samples(t.Trim)
		s := stretch{from: skip, n: min(wanted, sound-skip)}
		if s.n <= 0 {
			return nil
		}
		if skip > 0 {
			s.in = guard
		}
		if s.n == wanted {
			s.out = guard
		}
		return []stretch{s}
	}
	var out []stretch
	at := 0.0
	for i, p := range t.Parts { // those that end too late for the track are left out below
		s := stretch{at: samples(at), from: samples(p.From), in: guard, out: guard}
		at += p.Seconds()
		end := samples(at)
		if i > 0 {
			over := min(join, s.from, s.at)
			s.at, s.from, s.in = s.at-over, s.from-over, max(over, 1)
		}
		if i+1 < len(t.Parts) {
			s.out = join
		} else if t.Tail > 0 {
			end += samples(t.Tail)
			s.out, s.outShape = samples(t.Tail), "deep"
		}
		s.n = min(end-s.at, sound-s.from, wanted-s.at)
		if s.n > 0 {
			out = append(out, s)
		}
	}
	return out
}

// add lays one track over what sounds already, softer by a factor at each place.
func add(c *clip.Clip, out []float32, t *clip.SoundTrack, sound []float32, softer duck) {
	perFrame := Rate / int(c.Rate)
	begin := c.Clock().Frame(t.At) * perFrame
	wanted := len(out)/2 - begin
	if t.Length > 0 {
		wanted = min(wanted, t.Length*perFrame)
	}
	if wanted <= 0 {
		return
	}
	heard := stretches(t, len(sound)/2, wanted)
	if last := len(heard) - 1; last >= 0 {
		wanted = min(wanted, heard[last].at+heard[last].n) // a fade ends where the sound does
	}
	all := envelope{wanted: wanted, in: t.FadeIn * perFrame, out: t.FadeOut * perFrame, inShape: t.FadeInShape, outShape: t.FadeOutShape}
	gain := gains(c, t)
	left, right := sides(t.Pan)
	for _, s := range heard {
		own := envelope{wanted: s.n, in: s.in, out: s.out, outShape: s.outShape}
		into, from := out[2*(begin+s.at):], sound[2*s.from:]
		ramped := func(first, last int) {
			for i := first; i < last; i++ {
				if t.Pans != 0 {
					left, right = sides(min(max(t.Pan+t.Pans*float64(s.at+i)/float64(wanted), -100), 100))
				}
				g := gain(begin+s.at+i) * all.at(s.at+i) * own.at(i) * softer.at(begin+s.at+i)
				into[2*i] += float32(float64(from[2*i]) * g * left)
				into[2*i+1] += float32(float64(from[2*i+1]) * g * right)
			}
		}
		// Between the ramps a track without keys has one gain.
		first := min(max(s.in, all.in-s.at, 0), s.n)
		last := max(first, min(s.n-s.out, wanted-all.out-s.at))
		ramped(0, first)
		if len(t.Keys) > 0 || softer != nil || t.Pans != 0 {
			ramped(first, last)
		} else {
			l, r := float32(gain(0)*left), float32(gain(0)*right)
			dst := into[2*first : 2*last]
			src := from[2*first : 2*last][:len(dst)] // as long as dst, so that no bounds are checked
			for i := 0; i+1 < len(dst); i += 2 {
				dst[i] += src[i] * l
				dst[i+1] += src[i+1] * r
			}
		}
		ramped(last, s.n)
	}
}

// An envelope is how something of so many samples comes and goes.
type envelope struct {
	wanted, in, out   int // samples
	inShape, outShape string
}

func (e *envelope) at(i int) float64 {
	return ramp(i, e.in, e.inShape) * ramp(e.wanted-1-i, e.out, e.outShape)
}

// ramp rises from 0 at n = 0 to 1 at n = length.
func ramp(n, length int, shape string) float64 {
	if n >= length {
		return 1
	}
	share := float64(n) / float64(length)
	switch shape {
	case "straight":
		return share
	case "soft":
		return 0.5 - 0.5*math.Cos(math.Pi*share)
	case "deep":
		return share * share
	}
	return math.Sin(share * math.Pi / 2) // sounds even
}
