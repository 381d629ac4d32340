package words

import (
	"strings"
	"unicode"
)

// Counting lets the numbers of a text be on their way: at a share, 0..1, from nothing to what
// they are.
type Counting struct{ Share float64 }

// counted is a text in which each number is at its share of the way, written as it will be in
// the end; origin is of each rune the one of the text that it stands for.
func (c *Counting) counted(text []rune) (out []rune, origin []int) {
	for i := 0; i < len(text); {
		n := numberAt(text[i:])
		if n == 0 {
			out, origin = append(out, text[i]), append(origin, i)
			i++
			continue
		}
		now := partOf(text[i:i+n], c.Share)
		for k, r := range now {
			out = append(out, r)
			// Counted from its end, since it has fewer digits before.
			origin = append(origin, i+n-len(now)+k)
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

// partOf is a share of a number with its own separators and its decimals, rounded down, so
// that only the end says the whole. More than 15 digits stay as they are.
func partOf(number []rune, share float64) []rune {
	value, digits := int64(0), 0
	for _, r := range number {
		if unicode.IsDigit(r) {
			value, digits = value*10+int64(r-'0'), digits+1
		}
	}
	if share >= 1 || digits > 15 {
		return number
	}
	value = int64(float64(value) * max(share, 0))
	least := decimals(number) + 1 // digits that always show
	out := make([]rune, 0, len(number))
	for i := len(number) - 1; i >= 0; i-- {
		if !unicode.IsDigit(number[i]) {
			out = append(out, number[i])
			continue
		}
		out = append(out, rune('0'+value%10))
		value /= 10
		if least--; least <= 0 && value == 0 {
			break
		}
	}
	for i, j := 0, len(out)-1; i < j; i, j = i+1, j-1 {
		out[i], out[j] = out[j], out[i]
	}
	return out
}
