package view

import (
	"math"

	"billow/core/clip"
	"billow/core/timing"
)

// Tune is the clip's tune by itself, in its own seconds.
type Tune struct {
	Prop     string        `json:"prop"`
	Hash     string        `json:"hash"`
	Name     string        `json:"name"`
	Seconds  float64       `json:"seconds"`
	Steady   bool          `json:"steady"` // it has beats, heard or made
	BPM      float64       `json:"bpm"`
	Beats    []TuneBeat    `json:"beats"`
	Sections []TuneSection `json:"sections"`
	Hits     []clip.Hit    `json:"hits"`
	Pieces   []TunePiece   `json:"pieces"` // what of it the clip plays
	Tail     float64       `json:"tail"`   // seconds for which it dies away after them
	Kept     bool          `json:"kept"`   // its count is locked
}

// TuneBeat is a beat of the tune.
type TuneBeat struct {
	At   float64 `json:"at"`  // second
	Bar  int     `json:"bar"` // from 1; 0 and below before the first whole one
	Down bool    `json:"down"`
}

// TuneSection is a section of the tune.
type TuneSection struct {
	Kind string  `json:"kind"`
	From float64 `json:"from"` // seconds
	To   float64 `json:"to"`
	Bars float64 `json:"bars"` // how many; 0 without beats
}

// TunePiece is a part that the clip plays.
type TunePiece struct {
	timing.Part
	At   float64 `json:"at"`   // seconds of the clip
	Bars float64 `json:"bars"` // how many; 0 without beats
}

// TuneOf describes the tune of a clip; nil without one.
func TuneOf(c *clip.Clip) *Tune {
	t := c.Tune()
	if t == nil {
		return nil
	}
	p := c.Prop(t.Prop)
	s := p.Sound
	count := c.TuneCount()
	out := &Tune{
		Prop: p.ID, Hash: p.Hash, Name: p.Name, Seconds: s.Seconds, Steady: s.Steady || t.Count != nil, BPM: count.BPM,
		Beats: []TuneBeat{}, Sections: []TuneSection{}, Hits: append([]clip.Hit{}, s.Hits...), Pieces: []TunePiece{}, Tail: t.Tail, Kept: t.Kept,
	}
	bars := func(from, to float64) float64 {
		if !out.Steady {
			return 0
		}
		return math.Round(100*(count.BarAt(count.Beat(to))-count.BarAt(count.Beat(from)))) / 100
	}
	if out.Steady {
		out.Beats = tuneBeats(count, s.Seconds)
	}
	for i, section := range s.Sections {
		to := s.Seconds
		if i+1 < len(s.Sections) {
			to = s.Sections[i+1].At
		}
		out.Sections = append(out.Sections, TuneSection{section.Kind, section.At, to, bars(section.At, to)})
	}
	for _, p := range t.Pieces(s) {
		if len(t.Parts) == 0 { // as long as the clip
			p.To = min(p.To, p.From+c.Rate.Seconds(c.Length))
		}
		out.Pieces = append(out.Pieces, TunePiece{p.Part, p.At, bars(p.From, p.To)})
	}
	return out
}

func tuneBeats(count timing.Tempo, seconds float64) []TuneBeat {
	out := []TuneBeat{}
	const slack = 1e-6
	for b := math.Ceil(count.Beat(0) - slack); len(out) < 20000; b++ {
		at := count.Seconds(b)
		if at > seconds {
			break
		}
		bar := math.Floor(count.BarAt(b) + slack)
		out = append(out, TuneBeat{max(at, 0), int(bar) + 1, math.Abs(count.Downbeat(bar)-b) < slack})
	}
	return out
}
