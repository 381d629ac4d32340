package clip

import (
	"fmt"
	"strings"
	"unicode"
)

// FieldError says which field of a document or command is wrong and why, in
// words that a person can act on.
type FieldError struct {
	Field  string // path such as "layers[lantern].rest.size"
	Reason string
}

func (e *FieldError) Error() string {
	if e.Field == "" {
		return e.Reason
	}
	return e.Field + ": " + e.Reason
}

// Fault makes a FieldError.
func Fault(field, format string, args ...any) *FieldError {
	return &FieldError{field, fmt.Sprintf(format, args...)}
}

// outside is the fault of a number beyond its range, told with the last name in
// its field.
func outside(field string, v, lo, hi float64) *FieldError {
	name := field[strings.LastIndexAny(field, ".")+1:]
	if i := strings.IndexByte(name, '['); i > 0 {
		name = name[:i]
	}
	return Fault(field, "%s lies between %g and %g, not %g", Spoken(name), lo, hi, v)
}

// Spoken is a name of the document as words: "letterSpacing" is "letter spacing".
func Spoken(name string) string {
	var b strings.Builder
	for _, r := range name {
		if unicode.IsUpper(r) {
			b.WriteByte(' ')
		}
		b.WriteRune(unicode.ToLower(r))
	}
	return b.String()
}
