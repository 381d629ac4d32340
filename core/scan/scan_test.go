package scan

import (
	"regexp"
	"strings"
	"testing"
)

// What is read is what a regular expression would take.
func FuzzNumbersAndMarks(f *testing.F) {
	for _, s := range []string{"b9.3.5+2", "b12", "b-3.1-4f", "b", "b1.", "b123456", "b1+", "b1.2.3.4", "٣", "b1.1234"} {
		f.Add(s)
	}
	want := regexp.MustCompile(`^b(-?\d{1,5})(?:\.(\d{1,3}(?:\.\d{1,4})?))?([+-]\d{1,6})?f?$`)
	f.Fuzz(func(t *testing.T, s string) {
		r := Of(s)
		taken := r.Mark("b")
		bar := r.Any("-") + r.Digits(1, 5)
		beat, after := "", ""
		if r.Mark(".") {
			beat = r.Number(3, 4)
		}
		if sign := r.Any("+", "-"); sign != "" {
			after = sign + r.Digits(1, 6)
		}
		r.Mark("f")
		m := want.FindStringSubmatch(s)
		if strings.HasSuffix(s, "\n") {
			return // an expression's end may stand before a line's
		}
		if (taken && r.Done()) != (m != nil) {
			t.Fatalf("%q is taken: %t, wanted %t", s, taken && r.Done(), m != nil)
		}
		if m != nil && (bar != m[1] || beat != m[2] || after != m[3]) {
			t.Errorf("%q gives %q, %q and %q, wanted %q", s, bar, beat, after, m[1:])
		}
	})
}

func TestDigitsAreCounted(t *testing.T) {
	for text, want := range map[string]bool{"07": true, "7": false, "007": false, "": false, "x": false} {
		r := Of(text)
		r.Digits(2, 2)
		if r.Done() != want {
			t.Errorf("%q as two digits: %t", text, r.Done())
		}
	}
}
