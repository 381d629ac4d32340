package words

import (
	"slices"
	"strings"
	"unicode"

	"billow/core/clip"
)

// Counting lets numbers of a text be on their way: at a share, 0..1, to what they are. From is
// where the last one begins, a number or a name in braces; the others stand still then. None
// lets all begin with nothing.
type Counting struct {
	Share float64
	From  string
	Rolls bool // digit by digit, as a counter does; of the last number alone
}

// from is where a number begins, in units of its last digit.
func (c *Counting) from(number []rune, of *clip.Subject) int64 {
	from := []rune(saying(filled(&clip.Words{Text: c.From}, of)))
	begin, n := lastNumber(from)
	if n == 0 || n > 15 {
		return 0
	}
	v := valueOf(from[begin : begin+n])
	for d := decimals(from[begin : begin+n]); d < decimals(number); d++ {
		v *= 10
	}
	for d := decimals(from[begin : begin+n]); d > decimals(number); d-- {
		v /= 10
	}
	return v
}

// counted is a text in which each number is at its share of the way, written as it will be in
// the end; origin is of each rune the one of the text that it stands for.
func (c *Counting) counted(text []rune, of *clip.Subject) (out []rune, origin []int) {
	last, _ := lastNumber(text)
	for i := 0; i < len(text); {
		n := numberAt(text[i:])
		if n == 0 || c.From != "" && i != last {
			for range max(n, 1) {
				out, origin = append(out, text[i]), append(origin, i)
				i++
			}
			continue
		}
		now := partOf(text[i:i+n], c.from(text[i:i+n], of), c.Share)
		for k, r := range now {
			out = append(out, r)
			// Counted from its end, since it has fewer digits before, or more.
			origin = append(origin, i+max(0, n-len(now)+k))
		}
		i += n
	}
	return out, origin
}

// numberAt is how many runes a number has that begins here, its separators included.
func numberAt(text []rune) (n int) {
	for i, r := range text {
		switch {
		case '0' <= r && r <= '9':
			n = i + 1
		case n == i && i > 0 && strings.ContainsRune(".,'’\u00a0\u202f", r):
			// A separator if a digit follows.
		default:
			return n
		}
	}
	return n
}

// decimals is how many digits a number has behind its last separator: one or two, or none.
func decimals(number []rune) int {
	for i := len(number) - 1; i >= 0; i-- {
		if !unicode.IsDigit(number[i]) {
			if n := len(number) - 1 - i; n <= 2 {
				return n
			}
			return 0
		}
	}
	return 0
}

// partOf is a number on its way from a value to what it says, with its own separators and its
// decimals, rounded towards the beginning, so that only the end says the whole. More than 15
// digits stay as they are.
func partOf(number []rune, from int64, share float64) []rune {
	digits := 0
	for _, r := range number {
		if unicode.IsDigit(r) {
			digits++
		}
	}
	if share >= 1 || digits > 15 {
		return number
	}
	to := valueOf(number)
	way := float64(to-from) * max(share, 0)
	value := from + int64(way)
	return written(number, value)
}

// written is a value as a number is written: with its separators, or none before the first of
// its digits, and as many decimals.
func written(number []rune, value int64) []rune {
	least := decimals(number) + 1 // digits that always show
	out := make([]rune, 0, len(number))
	put := func() bool {
		out = append(out, rune('0'+value%10))
		value /= 10
		least--
		return least <= 0 && value == 0
	}
	done := false
	for i := len(number) - 1; i >= 0 && !done; i-- {
		if !unicode.IsDigit(number[i]) {
			out = append(out, number[i])
			continue
		}
		done = put()
	}
	for !done {
		done = put()
	}
	slices.Reverse(out)
	return out
}
