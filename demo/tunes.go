package demo

import (
	"billow/demo/synth"
)

// Tune is a sample tune and the truth about its beats.
type Tune struct {
	ID, Name string
	BPM      float64
	First    float64 // seconds of the first downbeat
	Bars     int
	play     func(s *synth.Song, t *Tune)
}

// Tunes are the sample tunes: one bright, one quick, one slow, and one of several sections.
var Tunes = []Tune{
	{"harbour-morning", "Harbour morning", 100, 0.25, 14, harbourMorning},
	{"tin-parade", "Tin parade", 126, 0.12, 16, tinParade},
	{"slow-embers", "Slow embers", 80, 0.4, 9, slowEmbers},
	{"ridge-line", "Ridge line", 112, 0.3, 34, ridgeLine},
}

// Seconds is how long the tune lasts.
func (t *Tune) Seconds() float64 { return t.First + float64(t.Bars*4)*t.beat() + 1.2 }

func (t *Tune) beat() float64 { return 60 / t.BPM }

// at is the time of a beat of a bar; both count from 0.
func (t *Tune) at(bar int, beat float64) float64 {
	return t.First + (float64(bar*4)+beat)*t.beat()
}

// Beats is the true times of all beats, and of the first ones of bars.
func (t *Tune) Beats() (beats, downbeats []float64) {
	for i := range t.Bars * 4 {
		at := t.at(i/4, float64(i%4))
		beats = append(beats, at)
		if i%4 == 0 {
			downbeats = append(downbeats, at)
		}
	}
	return beats, downbeats
}

// Play makes the tune: interleaved stereo at synth.Rate.
func (t *Tune) Play() []float32 {
	s := synth.New(t.Seconds(), int64(len(t.ID)*7919)+int64(t.BPM))
	t.play(s, t)
	return s.Finish(0.9)
}

// harbourMorning is light: marimba over a walking bass, soft drums.
func harbourMorning(s *synth.Song, t *Tune) {
	chords := [][]float64{{60, 64, 67, 71}, {57, 60, 64, 67}, {53, 57, 60, 64}, {55, 59, 62, 65}}
	tune := []float64{76, -1, 74, 71, 72, -1, 67, 69, 71, -1, 72, 74, 71, 67, -1, 64}
	for bar := range t.Bars {
		c := chords[bar%4]
		s.Pad(t.at(bar, 0), 4*t.beat(), 0.09, c...)
		s.Kick(t.at(bar, 0), 0.75)
		s.Kick(t.at(bar, 2), 0.55)
		if bar >= 1 {
			s.Clap(t.at(bar, 1), 0.20)
			s.Clap(t.at(bar, 3), 0.24)
		}
		for i := range 8 {
			s.Hat(t.at(bar, float64(i)/2), 0.10-0.05*float64(i%2), 0.06)
			if note := tune[(bar%2)*8+i]; note > 0 && bar >= 1 {
				s.Bar(t.at(bar, float64(i)/2), note, 0.22, 0.25)
			}
		}
		for i, n := range []int{0, 2, 1, 2} {
			s.Bass(t.at(bar, float64(i)), 0.9*t.beat(), c[n]-24, 0.30)
			s.Pluck(t.at(bar, float64(i)+0.5), c[(i+1)%4], 0.16, -0.35)
		}
		if bar%4 == 3 {
			s.Horns(t.at(bar, 0), 0.5*t.beat(), 0.13, c[0], c[1], c[2])
			for i := range 4 {
				s.Clap(t.at(bar, 3+float64(i)/4), 0.13+0.03*float64(i))
			}
		}
	}
}

// tinParade is quick and bright, with horn stabs at each phrase.
func tinParade(s *synth.Song, t *Tune) {
	chords := [][]float64{{57, 60, 64}, {57, 60, 64}, {53, 57, 60}, {55, 59, 62}}
	for bar := range t.Bars {
		c := chords[bar%4]
		for beat := range 4 {
			at := float64(beat)
			s.Kick(t.at(bar, at), 0.8)
			s.Hat(t.at(bar, at+0.5), 0.16, 0.16)
			s.Hat(t.at(bar, at+0.25), 0.06, 0.04)
			s.Bass(t.at(bar, at), 0.22*t.beat(), c[0]-24, 0.34)
			s.Bass(t.at(bar, at+0.5), 0.35*t.beat(), c[0]-12, 0.26)
			if beat%2 == 1 {
				s.Clap(t.at(bar, at), 0.34)
			}
		}
		for i := range 8 {
			s.Pluck(t.at(bar, float64(i)/2), c[i%3]+12*float64(i/3%2)+12, 0.15, 0.4-0.1*float64(i))
		}
		if bar%4 == 0 {
			s.Horns(t.at(bar, 0), 0.9*t.beat(), 0.2, c[0]+12, c[1]+12, c[2]+12)
			s.Horns(t.at(bar, 1.5), 0.4*t.beat(), 0.17, c[0]+12, c[1]+12, c[2]+12)
		}
		if bar >= 8 {
			s.Pad(t.at(bar, 0), 4*t.beat(), 0.07, c[0], c[1], c[2], c[0]+12)
		}
	}
}

// ridgeLine leads twice from what is quiet over a build-up into what is full, where horns call.
func ridgeLine(s *synth.Song, t *Tune) {
	chords := [][]float64{{57, 60, 64, 67}, {53, 57, 60, 64}, {48, 52, 55, 60}, {55, 59, 62, 67}}
	for bar := range t.Bars {
		c := chords[bar%4]
		switch {
		case bar < 4, bar >= 18 && bar < 20:
			ridgeQuiet(s, t, bar, c)
		case bar < 8:
			ridgeBuild(s, t, bar, float64(bar-4)/4, c)
		case bar >= 20 && bar < 22:
			ridgeBuild(s, t, bar, float64(bar-20)/2, c)
		case bar < t.Bars-1:
			ridgeFull(s, t, bar, c)
		default: // the last chord
			s.Kick(t.at(bar, 0), 0.8)
			s.Horns(t.at(bar, 0), 2*t.beat(), 0.16, c[0], c[1], c[2])
			s.Pad(t.at(bar, 0), 4*t.beat(), 0.12, c...)
			s.Bass(t.at(bar, 0), 3*t.beat(), c[0]-24, 0.34)
		}
	}
}

func ridgeQuiet(s *synth.Song, t *Tune, bar int, c []float64) {
	s.Pad(t.at(bar, 0), 4*t.beat(), 0.08, c...)
	for i := range 4 {
		s.Pluck(t.at(bar, float64(i)), c[(i*3)%4]+12, 0.12, 0.4-0.25*float64(i))
	}
	s.Bar(t.at(bar, 2.5), c[2]+12, 0.08, 0.2)
}

// ridgeBuild rolls ever more quickly; share is how far it has come.
func ridgeBuild(s *synth.Song, t *Tune, bar int, share float64, c []float64) {
	s.Pad(t.at(bar, 0), 4*t.beat(), 0.08+0.05*share, c...)
	n := 4
	if share >= 0.25 {
		n = 8
	}
	if share >= 0.75 {
		n = 16
	}
	for i := range n {
		in := share + float64(i)/float64(4*n)
		s.Clap(t.at(bar, 4*float64(i)/float64(n)), 0.08+0.22*in)
	}
	for i := range 8 {
		s.Hat(t.at(bar, float64(i)/2), 0.05+0.12*share, 0.05+0.2*share)
		s.Pluck(t.at(bar, float64(i)/2), c[i%4]+12, 0.1+0.08*share, 0.5-0.12*float64(i))
	}
	for i := range 4 {
		s.Kick(t.at(bar, float64(i)), 0.3+0.3*share)
	}
}

func ridgeFull(s *synth.Song, t *Tune, bar int, c []float64) {
	for beat := range 4 {
		at := float64(beat)
		s.Kick(t.at(bar, at), 0.8)
		s.Hat(t.at(bar, at+0.5), 0.17, 0.15)
		s.Hat(t.at(bar, at+0.25), 0.06, 0.04)
		s.Bass(t.at(bar, at+0.5), 0.4*t.beat(), c[0]-24, 0.34)
		s.Bass(t.at(bar, at), 0.25*t.beat(), c[0]-12, 0.24)
		if beat%2 == 1 {
			s.Clap(t.at(bar, at), 0.34)
		}
	}
	for i := range 8 {
		s.Bar(t.at(bar, float64(i)/2), c[(i*3)%4]+12+12*float64(i/4%2), 0.15, 0.3-0.08*float64(i))
	}
	s.Pad(t.at(bar, 0), 4*t.beat(), 0.06, c...)
	if bar%2 == 0 { // the call
		s.Horns(t.at(bar, 0), 0.5*t.beat(), 0.24, c[0]+12, c[1]+12, c[2]+12)
		s.Horns(t.at(bar, 1.5), 0.4*t.beat(), 0.2, c[0]+12, c[1]+12, c[2]+12)
	} else {
		s.Horns(t.at(bar, 3), 0.35*t.beat(), 0.2, c[0]+12, c[2]+12, c[3]+12)
	}
}

// slowEmbers is warm and sparse.
func slowEmbers(s *synth.Song, t *Tune) {
	chords := [][]float64{{50, 57, 60, 65}, {46, 53, 57, 62}, {48, 55, 58, 64}}
	for bar := range t.Bars {
		c := chords[bar%3]
		s.Pad(t.at(bar, 0), 4*t.beat(), 0.15, c...)
		s.Kick(t.at(bar, 0), 0.7)
		s.Kick(t.at(bar, 2.5), 0.4)
		s.Clap(t.at(bar, 2), 0.22)
		s.Bass(t.at(bar, 0), 1.8*t.beat(), c[0]-12, 0.34)
		s.Bass(t.at(bar, 2), 1.6*t.beat(), c[0]-12, 0.28)
		for beat := range 4 {
			s.Hat(t.at(bar, float64(beat)), 0.07, 0.05)
			s.Hat(t.at(bar, float64(beat)+0.58), 0.045, 0.05)
			s.Pluck(t.at(bar, float64(beat)), c[(beat*2+1)%4]+12, 0.16, 0.3-0.2*float64(beat))
		}
		s.Bar(t.at(bar, 3.5), c[3]+12, 0.14, -0.3)
	}
}
