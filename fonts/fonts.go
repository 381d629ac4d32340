// Package fonts tells which fonts ship with Billow, all under the SIL Open Font
// License (see the OFL files beside them). Their files are part of the program
// (see files.go), but not of the engine in the page, which fetches those that a
// clip needs.
package fonts

import "billow/core/words"

// Font is one of them.
type Font struct {
	Name string `json:"name"` // as clips use it
	File string `json:"file"` // in this folder
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
	{"anton-400", "Anton_400Regular.ttf"},
	{"archivo-black-400", "ArchivoBlack_400Regular.ttf"},
	{"alfa-slab-400", "AlfaSlabOne_400Regular.ttf"},
	{"barlow-condensed-700", "BarlowCondensed_700Bold.ttf"},
	{"bitter-800", "Bitter_800ExtraBold.ttf"},
	{"bungee-400", "Bungee_400Regular.ttf"},
	{"comfortaa-700", "Comfortaa_700Bold.ttf"},
	{"dm-serif-400", "DMSerifDisplay_400Regular.ttf"},
	{"fredoka-600", "Fredoka_600SemiBold.ttf"},
	{"inter-400", "Inter_400Regular.ttf"},
	{"inter-700", "Inter_700Bold.ttf"},
	{"jetbrains-mono-700", "JetBrainsMono_700Bold.ttf"},
	{"lora-600", "Lora_600SemiBold.ttf"},
	{"manrope-500", "Manrope_500Medium.ttf"},
	{"manrope-800", "Manrope_800ExtraBold.ttf"},
	{"montserrat-500", "Montserrat_500Medium.ttf"},
	{"montserrat-800", "Montserrat_800ExtraBold.ttf"},
	{"oswald-600", "Oswald_600SemiBold.ttf"},
	{"pacifico-400", "Pacifico_400Regular.ttf"},
	{"playfair-800", "PlayfairDisplay_800ExtraBold.ttf"},
	{"playfair-500-italic", "PlayfairDisplay_500Medium_Italic.ttf"},
	{"righteous-400", "Righteous_400Regular.ttf"},
	{"shrikhand-400", "Shrikhand_400Regular.ttf"},
	{"sora-700", "Sora_700Bold.ttf"},
	{"space-grotesk-700", "SpaceGrotesk_700Bold.ttf"},
	{"unbounded-800", "Unbounded_800ExtraBold.ttf"},
	{"anybody", "Anybody_Variable.ttf"},
	{"bricolage-variable", "BricolageGrotesque_Variable.ttf"},
	{"eb-garamond-700", "EBGaramond_700Bold.ttf"},
	// These only stand in for letters that others lack.
	{"noto-arabic", "NotoSansArabic_700Bold.ttf"},
	{"noto-devanagari", "NotoSansDevanagari_700Bold.ttf"},
	{"noto-thai", "NotoSansThai_700Bold.ttf"},
	{"noto-cjk-signs", "NotoSansCJK_700Bold.otf"}, // signs and kana
	{"noto-emoji", "NotoEmoji_700Bold.ttf"},
}

// Set is all fonts, of which each is read when it is first needed.
func Set(read func(file string) ([]byte, error)) *words.Fonts {
	set := words.NewFonts()
	for _, f := range List {
		set.Offer(f.Name, words.Unpacked(letters[f.Name]), func() ([]byte, error) { return read(f.File) })
	}
	return set
}
