// Package fonts tells which fonts ship with Billow, all under the SIL Open Font
// License (see the OFL files beside them). Their files are part of the program
// (see files.go), but not of the engine in the page, which fetches those that a
// clip needs.
package fonts

import "billow/core/words"

// Font is one of them.
type Font struct {
	Name string // as clips use it
	File string // in this folder
}

// List is all fonts, in the order in which they stand in for each other when one
// lacks a letter.
var List = []Font{
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

// Set is all fonts, of which each is read when it is first needed.
func Set(read func(file string) ([]byte, error)) *words.Fonts {
	set := words.NewFonts()
	for _, f := range List {
		set.Offer(f.Name, letters[f.Name], func() ([]byte, error) { return read(f.File) })
	}
	return set
}
