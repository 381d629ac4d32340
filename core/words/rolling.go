package words

import (
	"math"
	"slices"
	"unicode"

	"billow/core/clip"
	"billow/core/paint"
)

// reelPitch is how far a digit on a reel is below the one before it, as a share of the size.
const reelPitch = 1.12

// reel is a digit on its way: the one that is shown, the one that follows it, and how far that
// has come, 0..1. What is no digit has none that follows. A leading zero is not shown.
type reel struct {
	now, next       rune
	come            float64
	nowOff, nextOff bool
}

// reelsOf are the signs of a number on its way from a value to another, both in units of its
// last digit: each digit turns to what it will be, in the direction of the change, and those
// to the right of one that changes turn once more. There are as many signs as the longer of
// the two has.
func reelsOf(number []rune, from int64, share float64) []reel {
	to := valueOf(number)
	shape := written(number, max(from, to))
	out := make([]reel, len(shape))
	least := decimals(number) + 1 // digits that always show
	short := min(from, to)
	column := 0
	for i := len(shape) - 1; i >= 0; i-- {
		if !unicode.IsDigit(shape[i]) {
			out[i] = reel{now: shape[i]}
			continue
		}
		old, new := from%10, to%10
		steps := float64((new - old + 10) % 10)
		if from/10 != to/10 {
			steps += 10
		}
		if to < from {
			if steps = -float64((old - new + 10) % 10); from/10 != to/10 {
				steps -= 10
			}
		}
		at := float64(old) + steps*share
		turns := math.Floor(at)
		r := reel{now: digit(turns), next: digit(turns + 1), come: at - turns}
		if leads := column >= least && short == 0; leads {
			r.nowOff, r.nextOff = r.now == '0', r.next == '0'
		}
		out[i] = r
		from, to, short = from/10, to/10, short/10
		column++
	}
	// Nor is a separator behind what is not shown.
	for i := 1; i < len(out); i++ {
		if out[i].next == 0 && out[i-1].nowOff && out[i-1].come < 0.5 {
			out[i].nowOff = true
		}
	}
	return out
}

func digit(turns float64) rune { return '0' + rune((int64(turns)%10+10)%10) }

func valueOf(number []rune) (v int64) {
	for _, r := range number {
		if unicode.IsDigit(r) {
			v = v*10 + int64(r-'0')
		}
	}
	return v
}

// rolled are words whose last number rolls to what it says, digit by digit.
func rolled(fonts *Fonts, w *clip.Words, of *clip.Subject, at Setting) *Block {
	s := &setter{fonts: fonts, words: w, of: of, at: at}
	s.gather(filled(w, of))
	begin, n := lastNumber(s.text)
	if n == 0 || at.Counting.Share >= 1 || n > 15 {
		b := &Block{Missing: s.missing}
		s.layout(b)
		return b
	}
	reels := reelsOf(s.text[begin:begin+n], at.Counting.from(s.text[begin:begin+n], of), at.Counting.Share)
	s.widened(begin, n, len(reels))
	n = len(reels)
	next := &setter{fonts: fonts, words: w, of: of, at: at, missing: s.missing, styles: s.styles, letters: s.letters}
	next.text = append([]rune{}, s.text...)
	for i, r := range reels {
		if s.text[begin+i] = r.now; r.next != 0 {
			next.text[begin+i] = r.next
		}
	}
	now, then := &Block{Missing: s.missing}, &Block{}
	s.layout(now)
	next.layout(then)
	if len(now.Glyphs) != len(then.Glyphs) {
		return now // digits have become one with what is beside them
	}
	rolling := map[int]reel{}
	for i, rune := range s.begins {
		if rune >= begin && rune < begin+n && (reels[rune-begin].next != 0 || reels[rune-begin].nowOff) {
			rolling[i] = reels[rune-begin]
		}
	}
	return now.rolledTo(then, rolling)
}

// widened makes room for a number of more signs where there is one, or for fewer.
func (s *setter) widened(begin, was, now int) {
	style, letter := s.styles[begin], s.letters[begin]
	s.text = slices.Replace(s.text, begin, begin+was, make([]rune, now)...)
	s.styles = slices.Replace(s.styles, begin, begin+was, slices.Repeat([]Style{style}, now)...)
	s.letters = slices.Replace(s.letters, begin, begin+was, slices.Repeat([]int{letter}, now)...)
}

// rolledTo is the block with glyphs on their reels; then has the digits that follow.
func (b *Block) rolledTo(then *Block, rolling map[int]reel) *Block {
	paths := make([]paint.Path, len(b.Shapes))
	for i := range b.Glyphs {
		g, after := &b.Glyphs[i], then.Glyphs[i]
		own := b.Shapes[g.Shape].Path[g.From:g.To]
		if r, ok := rolling[i]; ok {
			up := paint.Rotate(g.Turn)
			move := func(p paint.Path, x, y float64) paint.Path {
				dx, dy := up.Apply(x, y)
				return p.Transformed(paint.Translate(dx, dy))
			}
			pitch := reelPitch * g.Size
			follows := then.Shapes[after.Shape].Path[after.From:after.To]
			aside := g.X + g.Advance/2 - after.X - after.Advance/2
			var both paint.Path
			if !r.nowOff {
				both = append(both, move(own, 0, -r.come*pitch)...)
			}
			if r.come > 0 && !r.nextOff {
				both = append(both, move(follows, aside, (1-r.come)*pitch)...)
			}
			own = both
		}
		path := &paths[g.Shape]
		g.From = len(*path)
		*path = append(*path, own...)
		g.To = len(*path)
	}
	for i := range b.Shapes {
		if b.Shapes[i].Letter {
			b.Shapes[i].Path = paths[i]
		}
	}
	return b
}

// lastNumber is where the last number of a text begins, and how many runes it has.
func lastNumber(text []rune) (begin, n int) {
	for i := 0; i < len(text); {
		if k := numberAt(text[i:]); k > 0 {
			begin, n = i, k
			i += k
			continue
		}
		i++
	}
	return begin, n
}
