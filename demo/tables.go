package demo

import (
	"fmt"
	"strings"

	"billow/core/alike"
)

// dusk is a table of colours of our own: shadows go to the blue of a lake, lights to copper, and what is
// vivid stays so.
func dusk() []byte {
	const n = 17
	var s strings.Builder
	fmt.Fprintf(&s, "# Made by code for the sample world; free to use\nTITLE \"Copper dusk\"\nLUT_3D_SIZE %d\n", n)
	for i := range n * n * n {
		r, g, b := float64(i%n)/(n-1), float64(i/n%n)/(n-1), float64(i/n/n)/(n-1)
		y := 0.2126*r + 0.7152*g + 0.0722*b
		// A soft slope more in the middle, and the two lights.
		lift := y * y * (3 - 2*y)
		k := 0.35
		shade, light := (1-y)*(1-y), alike.Pow(y, 1.5)
		out := [3]float64{
			r + k*(lift-y) + 0.075*light - 0.05*shade,
			g + k*(lift-y) + 0.012*light - 0.008*shade,
			b + k*(lift-y) - 0.085*light + 0.065*shade,
		}
		for c, v := range out {
			sep := " "
			if c == 2 {
				sep = "\n"
			}
			fmt.Fprintf(&s, "%.5f%s", min(max(v, 0), 1), sep)
		}
	}
	return []byte(s.String())
}
