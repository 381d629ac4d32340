// Package naming compares names of files with those of products, and makes IDs of names.
package naming

import "strings"

// longest is how many letters a slug has at most.
const longest = 60

// Slug makes small letters without marks, digits, _ and hyphens of a name; "" where nothing is left.
func Slug(s string) string {
	var b strings.Builder
	for _, r := range strings.ToLower(s) {
		if part, found := folded[r]; found {
			b.WriteString(part)
			continue
		}
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == '_':
			b.WriteRune(r)
		case b.Len() > 0 && !strings.HasSuffix(b.String(), "-"):
			b.WriteByte('-')
		}
	}
	out := b.String()
	if len(out) > longest {
		out = out[:longest]
	}
	return strings.Trim(out, "-")
}

// Bare is a file's name without its way and its ending, as a slug; of a name in other letters than
// Latin ones, in small letters.
func Bare(file string) string {
	file = file[strings.LastIndexAny(file, `/\\`)+1:]
	if at := strings.LastIndexByte(file, '.'); at > 0 && len(file)-at <= 5 {
		file = file[:at]
	}
	if s := Slug(file); s != "" {
		return strings.ReplaceAll(s, "_", "-")
	}
	return strings.ToLower(file)
}

// folded are letters that are written with plain ones in names of files and fields.
var folded = map[rune]string{
	'ä': "ae", 'ö': "oe", 'ü': "ue", 'ß': "ss", 'å': "aa", 'ø': "oe", 'æ': "ae", 'é': "e", 'è': "e", 'ê': "e", 'ë': "e", 'á': "a", 'à': "a", 'â': "a", 'ã': "a",
	'í': "i", 'ì': "i", 'î': "i", 'ó': "o", 'ò': "o", 'ô': "o", 'õ': "o", 'ú': "u", 'ù': "u", 'û': "u", 'ç': "c", 'ñ': "n", 'ł': "l", 'ż': "z", 'ź': "z", 'ś': "s", 'ć': "c", 'ń': "n", 'ą': "a", 'ę': "e",
	'č': "c", 'š': "s", 'ž': "z", 'ř': "r", 'ý': "y", 'ě': "e", 'ů': "u",
}
