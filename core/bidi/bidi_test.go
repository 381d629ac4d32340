package bidi

import (
	"bufio"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// Every case of Unicode's BidiCharacterTest, from Debian's unicode-data: the level of the
// paragraph, of each letter, and the order in which they are seen.
func TestAllCasesOfUnicodesBidiCharacterTest(t *testing.T) {
	f, err := os.Open("/usr/share/unicode/BidiCharacterTest.txt")
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	count, wrong := 0, 0
	for lines := bufio.NewScanner(f); lines.Scan(); {
		line := lines.Text()
		if line == "" || line[0] == '#' {
			continue
		}
		fields := strings.Split(line, ";")
		var text []rune
		for _, hex := range strings.Fields(fields[0]) {
			r, err := strconv.ParseUint(hex, 16, 32)
			if err != nil {
				t.Fatal(err)
			}
			text = append(text, rune(r))
		}
		base := Level(fields[1][0] - '0')
		if fields[1] == "2" {
			base = Paragraph(text)
		}
		var levels []string
		var seen []Level
		var at []int
		for i, l := range Line(text, Levels(text, base), base) {
			if l == Removed {
				levels = append(levels, "x")
				continue
			}
			levels, seen, at = append(levels, strconv.Itoa(int(l))), append(seen, l), append(at, i)
		}
		var order []string
		for _, k := range Order(seen) {
			order = append(order, strconv.Itoa(at[k]))
		}
		count++
		if strconv.Itoa(int(base)) != fields[2] || !slices.Equal(levels, strings.Fields(fields[3])) || !slices.Equal(order, strings.Fields(fields[4])) {
			if wrong++; wrong <= 8 {
				t.Errorf("%s\n\tparagraph %d, levels %v, order %v", line, base, levels, order)
			}
		}
	}
	if count < 90000 || wrong > 0 {
		t.Errorf("%d of %d cases are wrong", wrong, count)
	}
}
