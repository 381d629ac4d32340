// Package scan reads what people type, from left to right: marks and numbers of so
// many digits. Regular expressions would do it too, and make the engine that every
// page fetches larger by a twentieth.
package scan

import "strings"

// Text is what is still to be read, and whether all so far was as expected.
type Text struct {
	rest   string
	failed bool
}

// Of begins to read a text.
func Of(s string) *Text { return &Text{rest: s} }

// Mark reads a mark when it comes next, and tells whether it did.
func (t *Text) Mark(mark string) bool {
	rest, ok := strings.CutPrefix(t.rest, mark)
	t.rest = rest
	return ok
}

// Any reads the mark of several that comes next; empty when none does.
func (t *Text) Any(marks ...string) string {
	for _, m := range marks {
		if t.Mark(m) {
			return m
		}
	}
	return ""
}

// Digits reads between least and most digits, which have to come next.
func (t *Text) Digits(least, most int) string {
	n := t.digits()
	if n < least || n > most {
		t.failed = true
		return ""
	}
	out := t.rest[:n]
	t.rest = t.rest[n:]
	return out
}

// Number reads a number of up to whole digits, perhaps with a point and up to
// fraction digits behind it.
func (t *Text) Number(whole, fraction int) string {
	out := t.Digits(1, whole)
	if t.Mark(".") {
		out += "." + t.Digits(1, fraction)
	}
	return out
}

// Digit tells whether a digit comes next.
func (t *Text) Digit() bool { return t.digits() > 0 }

// Done tells whether all was as expected and nothing is left.
func (t *Text) Done() bool { return !t.failed && t.rest == "" }

func (t *Text) digits() int {
	n := 0
	for n < len(t.rest) && t.rest[n] >= '0' && t.rest[n] <= '9' {
		n++
	}
	return n
}
