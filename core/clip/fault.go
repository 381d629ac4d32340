package clip

import "fmt"

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
