package words

import (
	"math"

	"github.com/go-text/typesetting/shaping"
)

// beside breaks words into lines that end at a window, or begin at it. How far the window
// lies from the first line depends on how many lines there are, so it is tried until that
// stays.
func (s *setter) beside(l *laid, all []stretch, width float64) {
	least := 0.0 // what a row has to have room for
	for i := range all {
		least = max(least, all[i].widest())
	}
	least = min(least, width)
	const tries = 12
	rows := 1
	for range tries {
		l.lines, l.of, l.rows = nil, nil, nil
		above := 0
		for i := range all {
			p := &all[i]
			var own []row
			room := func(line int) float64 {
				for len(own) <= line {
					var r row
					r, above = s.row(above, rows, width, least, l.k)
					own = append(own, r)
				}
				return own[line].to - own[line].from
			}
			room(0)
			lines := p.broken(room, shaping.WhenNecessary)
			if above = own[len(lines)-1].above + 1; len(own) > len(lines) {
				own = own[:len(lines)]
			}
			for j, line := range lines {
				l.lines, l.of, l.rows = append(l.lines, line), append(l.of, p), append(l.rows, own[j])
			}
		}
		if above <= rows {
			return
		}
		rows = above
	}
}

// row is the next row, of those from a number on, in which there is room, and the number
// after it. count is how many rows there are.
func (s *setter) row(number, count int, width, least, k float64) (row, int) {
	w := *s.at.Window
	x, y, r := w.X/k, w.Y/k, w.R/k
	pitch := em * s.words.LineSpacing / 100
	for {
		// The row's letters lie between the tops of capitals and what hangs below.
		middle := (float64(number) - float64(count-1)/2) * pitch
		top, foot := middle-s.caps()/2-0.08*em, middle+s.caps()/2+0.22*em
		whole := row{-width / 2, width / 2, number}
		number++
		near := math.Max(0, math.Max(top-y, y-foot))
		if near >= r {
			return whole, number
		}
		half := math.Sqrt(r*r - near*near)
		left, right := whole, whole
		left.to, right.from = math.Min(x-half, whole.to), math.Max(x+half, whole.from)
		if left.to-left.from < right.to-right.from {
			left = right
		}
		// Past the window there is room in any case.
		if left.to-left.from >= least {
			return left, number
		}
	}
}
