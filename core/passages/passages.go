// Package passages has ready ways in which words come into sight, or go: each is plain
// settings that a person can change.
package passages

import (
	"math"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
)

// Kind is a ready way. Its passage is of words that come, at 30 frames a second.
type Kind struct {
	ID   string
	Name string // as people read it
	Says string // what it does, in a few words
	make func(t Text) clip.Passage
}

// Text is how many parts words have.
type Text struct{ Lines, Words, Letters int }

var (
	gently   = motion.Ease{Kind: motion.Bezier, X1: 0.16, Y1: 0.84, X2: 0.28, Y2: 1}
	evenly   = motion.Ease{Kind: motion.Linear}
	smoothly = motion.Ease{Kind: motion.InOut}
	springy  = motion.Ease{Kind: motion.Spring, Bounce: 0.5}
)

// plain is afar without any difference.
func plain() clip.Afar { return clip.Afar{Size: 100, Opacity: 100} }

// faint is afar that cannot be seen.
func faint(set func(a *clip.Afar)) clip.Afar {
	a := clip.Afar{Size: 100}
	set(&a)
	return a
}

// Kinds are all ready ways, in the order in which they are offered.
var Kinds = []Kind{
	{"rise", "Rise", "Words slide up from behind their own edge", func(Text) clip.Passage {
		return clip.Passage{By: "word", Each: 14, Over: 8, Ease: gently, Edge: "below", Afar: plain()}
	}},
	{"gather", "Gather", "Words come spread apart and close up", func(Text) clip.Passage {
		return clip.Passage{By: "word", Each: 20, Over: 14, Ease: gently, Afar: faint(func(a *clip.Afar) { a.Apart = 70 })}
	}},
	{"typed", "Typed", "Letter by letter, with a caret", func(t Text) clip.Passage {
		return clip.Passage{By: "letter", Over: min(2*max(t.Letters-1, 0), clip.MaxPassage), Ease: evenly, Afar: plain(), Caret: true}
	}},
	{"clearing", "Clearing", "A blur that clears, line by line", func(Text) clip.Passage {
		return clip.Passage{By: "line", Each: 20, Over: 8, Ease: smoothly, Afar: faint(func(a *clip.Afar) { a.Blur, a.Size = 40, 108 })}
	}},
	{"pebbles", "Pebbles", "Letters pop past full size and settle", func(Text) clip.Passage {
		return clip.Passage{By: "letter", Each: 20, Over: 14, Ease: springy, Afar: clip.Afar{Opacity: 100}}
	}},
	{"tumble", "Tumble", "Letters fall in leaning and come upright", func(Text) clip.Passage {
		return clip.Passage{By: "letter", Each: 18, Over: 16, Ease: motion.Ease{Kind: motion.Spring, Bounce: 0.35}, Afar: faint(func(a *clip.Afar) { a.Y, a.Turn = -110, -50 })}
	}},
	{"drizzle", "Drizzle", "Letters drop in here and there", func(Text) clip.Passage {
		return clip.Passage{By: "letter", Order: "random", Seed: 3, Each: 12, Over: 20, Ease: gently, Afar: faint(func(a *clip.Afar) { a.Y = -70 })}
	}},
	{"ripple", "Ripple", "Letters rise from the middle outwards", func(Text) clip.Passage {
		return clip.Passage{By: "letter", Order: "centre", Each: 14, Over: 12, Ease: gently, Afar: faint(func(a *clip.Afar) { a.Y = 45 })}
	}},
	{"lean", "Lean", "Words glide in slanted and straighten", func(Text) clip.Passage {
		return clip.Passage{By: "word", Each: 16, Over: 10, Ease: gently, Afar: faint(func(a *clip.Afar) { a.X, a.Skew = -90, -28 })}
	}},
	{"brush", "Brush", "Each line is uncovered along a soft edge", func(Text) clip.Passage {
		return clip.Passage{By: "line", Each: 24, Over: 10, Ease: smoothly, Edge: "left", Wiped: true, Soft: 60, Afar: plain()}
	}},
	{"ink", "Ink", "Outlines are drawn, then filled", func(Text) clip.Passage {
		return clip.Passage{By: "letter", Each: 26, Over: 14, Ease: smoothly, Drawn: true, Afar: plain()}
	}},
	{"drum", "Drum", "One word on every beat", func(Text) clip.Passage {
		return clip.Passage{By: "word", Each: 7, Beats: 1, Ease: gently, Afar: faint(func(a *clip.Afar) { a.Size = 150 })}
	}},
	{"count", "Count", "Numbers count up to what they say", func(Text) clip.Passage {
		return clip.Passage{By: "whole", Each: 40, Ease: gently, Counts: true, Afar: plain()}
	}},
	{"rolling", "Rolling", "A price rolls from the old one, digit by digit", func(Text) clip.Passage {
		return clip.Passage{By: "whole", Each: 40, Ease: smoothly, Counts: true, Rolls: true, CountsFrom: "{old}", Afar: plain()}
	}},
	{"riddle", "Riddle", "Other letters flicker until each is right", func(t Text) clip.Passage {
		return clip.Passage{By: "letter", Each: 16, Over: min(2*max(t.Letters-1, 0), 60), Ease: evenly, Scrambles: true, Afar: plain()}
	}},
	{"flare", "Flare", "Words flare up in another colour", func(Text) clip.Passage {
		bright := colour.RGB(0xF0C040)
		return clip.Passage{By: "word", Each: 18, Over: 10, Ease: gently, Afar: faint(func(a *clip.Afar) { a.Colour, a.Size = &bright, 116 })}
	}},
}

// Named is a ready way's passage for a text at a frame rate; going turns it round. ok is
// false when there is none.
func Named(id string, t Text, rate int, going bool) (p clip.Passage, ok bool) {
	for _, k := range Kinds {
		if k.ID != id {
			continue
		}
		p = k.make(t)
		frames := func(n int) int { return int(math.Round(float64(n) * float64(rate) / 30)) }
		p.Each, p.Over = frames(p.Each), min(frames(p.Over), clip.MaxPassage)
		if going {
			p.Ease = turned(p.Ease)
		}
		return p, true
	}
	return p, false
}

// Of is the ready way that a passage was made from: it is like it in all but when it begins
// and how quick it is. It is "" where there is none.
func Of(p clip.Passage, going bool) string {
	for _, k := range Kinds {
		made := k.make(Text{})
		if going {
			made.Ease = turned(made.Ease)
		}
		a, b := p.Afar.Colour, made.Afar.Colour
		if (a == nil) != (b == nil) || a != nil && *a != *b {
			continue
		}
		made.At, made.Each, made.Over, made.Beats, made.Afar.Colour = p.At, p.Each, p.Over, p.Beats, a
		if p == made {
			return k.ID
		}
	}
	return ""
}

// turned is an easing that begins as another one ends.
func turned(e motion.Ease) motion.Ease {
	switch e.Kind {
	case motion.Bezier:
		e.X1, e.Y1, e.X2, e.Y2 = 1-e.X2, 1-e.Y2, 1-e.X1, 1-e.Y1
	case motion.Spring, motion.Out:
		e = motion.Ease{Kind: motion.In}
	case motion.In:
		e = motion.Ease{Kind: motion.Out}
	}
	return e
}
