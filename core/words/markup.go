package words

import "strings"

// Span is a stretch of text in one style.
type Span struct {
	Text     string
	Emphasis bool
	Struck   bool // with a line through it
}

// Markup splits a text at *emphasis* and ~struck~; a backslash makes the next
// letter ordinary. A mark that is never closed reaches to the end.
func Markup(text string) []Span {
	var spans []Span
	var now strings.Builder
	style := Span{}
	flush := func() {
		if now.Len() > 0 {
			style.Text = now.String()
			spans = append(spans, style)
			now.Reset()
		}
	}
	escaped := false
	for _, r := range text {
		switch {
		case escaped:
			now.WriteRune(r)
			escaped = false
		case r == '\\':
			escaped = true
		case r == '*':
			flush()
			style.Emphasis = !style.Emphasis
		case r == '~':
			flush()
			style.Struck = !style.Struck
		default:
			now.WriteRune(r)
		}
	}
	flush()
	return spans
}
