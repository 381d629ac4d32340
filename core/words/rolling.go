package words

import (
	"math"
	"unicode"

	"billow/core/clip"
	"billow/core/paint"
)

// reelPitch is how far a digit on a reel is below the one before it, as a share of the size.
const reelPitch = 1.12

// reel is a digit on its way: the one that is shown, the one that follows it, and how far that
// has come, 0..1. A leading zero is not shown.
type reel struct {
	now, next       rune
	come            float64
	nowOff, nextOff bool
}

// reelsOf are the digits of a number on its way from a value to another, both in units of its
// last digit, as the wheels of a counter show it: one moves on while the one to its right goes
// from 9 to 0.
func reelsOf(number []rune, from int64, share float64) []reel {
	to := valueOf(number)
	value := float64(from) + float64(to-from)*share
	out := make([]reel, len(number))
	least := decimals(number) + 1 // digits that always show
	column, unit := 0, 1.0
	for i := len(number) - 1; i >= 0; i-- {
		if !unicode.IsDigit(number[i]) {
			out[i] = reel{now: number[i]}
			continue
		}
		turns := math.Floor(value / unit)
		come := value/unit - turns
		if column > 0 {
			come = max(0, (come-1)*unit+1) // within the last unit of what is to its right
		}
		out[i] = reel{now: digit(turns), next: digit(turns + 1), come: come}
		if column >= least {
			out[i].nowOff, out[i].nextOff = turns == 0, turns+1 == 0
		}
		column++
		unit *= 10
	}
	return out
}

func digit(turns float64) rune { return '0' + rune(int64(turns)%10) }

func valueOf(number []rune) (v int64) {
	for _, r := range number {
		if unicode.IsDigit(r) {
			v = v*10 + int64(r-'0')
		}
	}
	return v
}

// rolled are words whose last number rolls to what it says, digit by digit.
func rolled(fonts *Fonts, w *clip.Words, product *clip.Product, at Setting) *Block {
	s := &setter{fonts: fonts, words: w, product: product, at: at}
	s.gather(filled(w.Text, product))
	begin, n := lastNumber(s.text)
	if n == 0 || at.Counting.Share >= 1 || n > 15 {
		b := &Block{Missing: s.missing}
		s.layout(b)
		return b
	}
	reels := reelsOf(s.text[begin:begin+n], at.Counting.from(s.text[begin:begin+n], product), at.Counting.Share)
	next := &setter{fonts: fonts, words: w, product: product, at: at, missing: s.missing, styles: s.styles, letters: s.letters}
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
		if rune >= begin && rune < begin+n && reels[rune-begin].next != 0 {
			rolling[i] = reels[rune-begin]
		}
	}
	return now.rolledTo(then, rolling)
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
