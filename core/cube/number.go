package cube

import (
	"math"
	"strconv"
)

var nan = math.NaN()

// number is the first of numbers in a line, and what is behind it; not a number where there is none.
func number(s string) (v float64, rest string) {
	for s != "" && (s[0] == ' ' || s[0] == '\t') {
		s = s[1:]
	}
	end := 0
	for end < len(s) && s[end] != ' ' && s[end] != '\t' {
		end++
	}
	v, err := strconv.ParseFloat(s[:end], 64)
	if err != nil {
		v = nan
	}
	rest = s[end:]
	for rest != "" && (rest[0] == ' ' || rest[0] == '\t') {
		rest = rest[1:]
	}
	return v, rest
}

// three are a line's numbers.
func three(s string, out *[3]float64) error {
	for i := range out {
		if out[i], s = number(s); !(out[i] >= -1e6 && out[i] <= 1e6) {
			return errNumbers
		}
	}
	if s != "" {
		return errNumbers
	}
	return nil
}
