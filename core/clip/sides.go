package clip

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"billow/core/scan"
)

// Sides are the pixels of a shape as a person asks for them.
type Sides struct {
	W, H  int
	Ratio string // as whole numbers where they are small: "4:5", or "1.91:1"
}

// ReadSides works out the sides of a shape from a ratio ("4:5", "1.91:1" or "0.8",
// width by height) and one side, or from both sides; 0 is a side that is not given.
// With a ratio and both sides, the width counts. Sides are even numbers of pixels.
func ReadSides(ratio string, w, h int) (Sides, error) {
	r, err := readRatio(ratio)
	if err != nil {
		return Sides{}, err
	}
	switch {
	case r > 0 && w > 0:
		w = even(float64(w))
		h = even(float64(w) / r)
	case r > 0 && h > 0:
		h = even(float64(h))
		w = even(float64(h) * r)
	case w > 0 && h > 0:
		w, h = even(float64(w)), even(float64(h))
	default:
		return Sides{}, Fault("shape", "a shape needs both sides, or its ratio and one side")
	}
	for _, side := range [2]int{w, h} {
		if side < MinSide || side > MaxSide {
			return Sides{}, Fault("shape", "%d by %d pixels: a side has from %d to %d", w, h, MinSide, MaxSide)
		}
	}
	return Sides{w, h, ratioOf(w, h)}, nil
}

// readRatio is width by height; 0 is none.
func readRatio(s string) (float64, error) {
	s = strings.ToLower(strings.NewReplacer(" ", "", ",", ".").Replace(s))
	if s == "" {
		return 0, nil
	}
	t := scan.Of(s)
	wide, _ := strconv.ParseFloat(t.Number(4, 4), 64)
	high := 1.0
	if t.Any(":", "/", "x", "×") != "" && t.Digit() {
		high, _ = strconv.ParseFloat(t.Number(4, 4), 64)
	}
	if !t.Done() {
		return 0, Fault("ratio", "%q is not a ratio: write it as 4:5", s)
	}
	if wide <= 0 || high <= 0 {
		return 0, Fault("ratio", "%q is not a ratio: both numbers are above 0", s)
	}
	return wide / high, nil
}

func even(v float64) int { return 2 * int(math.Round(min(v, 1e6)/2)) }

// ratioOf is in whole numbers up to 32 what two sides are to each other, where
// rounding to even pixels explains the rest.
func ratioOf(w, h int) string {
	for b := 1; b <= 32; b++ {
		a := int(math.Round(float64(w) * float64(b) / float64(h)))
		if a < 1 || a > 32 {
			continue
		}
		k := float64(a) / float64(b)
		if math.Abs(float64(w)/k-float64(h)) <= 1 && math.Abs(float64(h)*k-float64(w)) <= 2 {
			return fmt.Sprintf("%d:%d", a, b)
		}
	}
	if w < h {
		return "1:" + strconv.FormatFloat(math.Round(float64(h)/float64(w)*100)/100, 'f', -1, 64)
	}
	return strconv.FormatFloat(math.Round(float64(w)/float64(h)*100)/100, 'f', -1, 64) + ":1"
}
