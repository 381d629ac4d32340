package words

import (
	"billow/core/bidi"

	"github.com/go-text/typesetting/di"
	"github.com/go-text/typesetting/language"
)

// directionOf is the direction in which letters of a level are read.
func directionOf(level bidi.Level) di.Direction {
	if level%2 == 1 {
		return di.DirectionRTL
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
