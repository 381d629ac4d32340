// Package fonts holds the fonts that ship with Billow, all under the SIL Open
// Font License (see the OFL files beside them).
package fonts

import (
	"embed"

	"billow/core/words"
)

//go:embed *.ttf
var files embed.FS

// names of the fonts as clips use them, in the order in which they stand in for
// each other when one lacks a letter.
var names = []struct{ name, file string }{
	{"bricolage-800", "BricolageGrotesque_800ExtraBold.ttf"},
	{"bricolage-500", "BricolageGrotesque_500Medium.ttf"},
	{"hanken-400", "HankenGrotesk_400Regular.ttf"},
	{"hanken-700", "HankenGrotesk_700Bold.ttf"},
	{"hanken-900", "HankenGrotesk_900Black.ttf"},
	{"fraunces-600", "Fraunces_600SemiBold.ttf"},
	{"fraunces-600-italic", "Fraunces_600SemiBold_Italic.ttf"},
	{"caveat-700", "Caveat_700Bold.ttf"},
	{"rubik-600", "Rubik_600SemiBold.ttf"}, // also Hebrew, Arabic and Cyrillic
}

// All reads every font.
func All() (*words.Fonts, error) {
	set := words.NewFonts()
	for _, f := range names {
		b, err := files.ReadFile(f.file)
		if err == nil {
			err = set.Add(f.name, b)
		}
		if err != nil {
			return nil, err
		}
	}
	return set, nil
}
