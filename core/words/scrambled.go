package words

import (
	"unicode"

	"billow/core/motion"
)

// Scrambled lets other letters stand for those that are not right yet.
type Scrambled struct {
	Seed  int
	Step  int    // another step is other letters
	Right []bool // of the letters without spaces, as they are read
}

// pools are letters that stand for others between two of their kind.
var pools = []struct {
	first, last rune
	all         []rune
}{
	{'0', '9', []rune("0123456789")},
	{'A', 'Z', []rune("ABCDEGHKLMNOPRSTUVXYZ")},
	{'a', 'z', []rune("abcdeghkmnopqrstuvxyz")},
	{'À', 'Þ', []rune("ABCDEGHKLMNOPRSTUVXYZ")},
	{'ß', 'ÿ', []rune("abcdeghkmnopqrstuvxyz")},
	{'Α', 'Ω', []rune("ΑΒΓΔΕΖΗΘΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩ")},
	{'α', 'ω', []rune("αβγδεζηθκλμνξοπρσυφχψω")},
	{'А', 'Я', []rune("АБВГДЕЖЗИКЛМНОПРСТУХЦЧЭЮЯ")},
	{'а', 'я', []rune("абвгдежзиклмнопрстухцчэюя")},
}

// mix puts other letters in the place of those that are not right.
func (s *Scrambled) mix(text []rune) {
	n := 0
	for i, r := range text {
		if unicode.IsSpace(r) {
			continue
		}
		if n < len(s.Right) && !s.Right[n] {
			for _, p := range pools {
				if p.first <= r && r <= p.last {
					text[i] = p.all[int((1+motion.Chance(s.Seed+7919*s.Step, i))/2*float64(len(p.all)))%len(p.all)]
					break
				}
			}
		}
		n++
	}
}
