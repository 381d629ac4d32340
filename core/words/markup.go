package words

import (
	"strings"

	"billow/core/offer"

	"github.com/go-text/typesetting/segmenter"
)

// Letter is what a person takes for one letter: a grapheme cluster (UAX #29), a
// line break, or a name in braces that a product fills.
type Letter struct {
	Text string
	Style
}

// Style is how a letter is marked: Accent 1 is emphasis, 2 to 9 are the words' own
// accents, 0 is none.
type Style struct {
	Accent int
	Struck bool       // with a line through it
	Role   offer.Role // of an amount, where it looks different
}

// MaxAccent is the highest number of an accent.
const MaxAccent = 9

// superscripts tell which accent an asterisk opens; none stands for emphasis.
const superscripts = "²³⁴⁵⁶⁷⁸⁹"

func accentAt(r rune) int {
	n := 2
	for _, s := range superscripts {
		if r == s {
			return n
		}
		n++
	}
	return 0
}

// Letters reads a text in which *asterisks* emphasise, *² and so on* give an accent
// of another number, and ~strike out~; a backslash makes the next letter
// ordinary. What is never closed reaches to the end.
func Letters(text string) []Letter {
	var out []Letter
	var now []rune
	var style Style
	flush := func() {
		out = clusters(out, now, style)
		now = now[:0]
	}
	runes := []rune(text)
	for i := 0; i < len(runes); i++ {
		switch r := runes[i]; {
		case r == '\\':
			if i++; i < len(runes) {
				now = append(now, runes[i])
			}
		case r == '*' && style.Accent != 0:
			flush()
			style.Accent = 0
		case r == '*':
			flush()
			style.Accent = 1
			if i+1 < len(runes) && accentAt(runes[i+1]) > 0 {
				i++
				style.Accent = accentAt(runes[i])
			}
		case r == '~':
			flush()
			style.Struck = !style.Struck
		case r == '{' && nameEnd(runes[i:]) > 0:
			flush()
			n := nameEnd(runes[i:])
			out = append(out, Letter{string(runes[i : i+n]), style})
			i += n - 1
		default:
			now = append(now, r)
		}
	}
	flush()
	return out
}

// nameEnd is how many runes a name in braces has, 0 where none begins.
func nameEnd(runes []rune) int {
	for i, r := range runes {
		switch {
		case r == '}' && i > 1:
			return i + 1
		case i > 0 && strings.ContainsRune("{}*~\\\n", r), i > 64:
			return 0
		}
	}
	return 0
}

// clusters adds the letters of a stretch in one style.
func clusters(out []Letter, runes []rune, style Style) []Letter {
	if len(runes) == 0 {
		return out
	}
	var seg segmenter.Segmenter
	seg.Init(runes)
	for it := seg.GraphemeIterator(); it.Next(); {
		out = append(out, Letter{string(it.Grapheme().Text), style})
	}
	return out
}

// Markup writes letters so that Letters reads them as they are.
func Markup(letters []Letter) string {
	var b strings.Builder
	var style Style
	for _, l := range letters {
		opened := false
		if style.Struck != l.Struck {
			b.WriteByte('~')
		}
		if style.Accent != l.Accent {
			if style.Accent != 0 {
				b.WriteByte('*')
			}
			if l.Accent != 0 {
				b.WriteByte('*')
				opened = l.Accent == 1
			}
			if l.Accent > 1 {
				b.WriteRune([]rune(superscripts)[l.Accent-2])
			}
		}
		style = l.Style
		for i, r := range l.Text {
			if strings.ContainsRune("*~\\", r) || opened && i == 0 && accentAt(r) > 0 {
				b.WriteByte('\\')
			}
			b.WriteRune(r)
		}
	}
	if style.Accent != 0 {
		b.WriteByte('*')
	}
	if style.Struck {
		b.WriteByte('~')
	}
	return b.String()
}

// Plain is what letters say, names in braces as they are.
func Plain(letters []Letter) string {
	var b strings.Builder
	for _, l := range letters {
		b.WriteString(l.Text)
	}
	return b.String()
}
