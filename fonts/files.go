//go:build !js

package fonts

import (
	"embed"

	"billow/core/words"
)

//go:embed *.ttf *.otf
var files embed.FS

// File is a font file that is part of this program.
func File(name string) ([]byte, error) { return files.ReadFile(name) }

// All is all fonts, read from this program.
func All() *words.Fonts { return Set(File) }
