package words

import (
	"github.com/go-text/typesetting/di"
	"github.com/go-text/typesetting/language"
	"golang.org/x/text/unicode/bidi"
)

// directionOf is the direction of a paragraph: that of its first letter that has
// one (Unicode Bidirectional Algorithm, UAX #9, P2 and P3).
func directionOf(text []rune) di.Direction {
	for _, r := range text {
		p, _ := bidi.LookupRune(r)
		switch p.Class() {
		case bidi.L:
			return di.DirectionLTR
		case bidi.R, bidi.AL:
			return di.DirectionRTL
		}
	}
	return di.DirectionLTR
}

// languages are the likeliest languages of scripts, by which fonts choose forms
// of letters.
var languages = map[language.Script]language.Language{
	language.Hebrew: "he", language.Arabic: "ar", language.Cyrillic: "ru", language.Greek: "el", language.Hiragana: "ja",
	language.Katakana: "ja", language.Hangul: "ko", language.Han: "zh", language.Thai: "th", language.Devanagari: "hi",
}

// languageOf is the language in which a text is taken to be, from the script of
// its first letter.
func languageOf(text []rune) language.Language {
	for _, r := range text {
		script := language.LookupScript(r)
		if script == language.Common || script == language.Inherited || script == language.Unknown {
			continue
		}
		if l, ok := languages[script]; ok {
			return l
		}
		return "en"
	}
	return "en"
}
