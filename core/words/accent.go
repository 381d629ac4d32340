package words

import (
	"billow/core/clip"
	"billow/core/colour"
)

// accentOf is an accent of words other than emphasis, or none.
func accentOf(w *clip.Words, accent int) clip.Accent {
	if accent < 2 || accent-2 >= len(w.Accents) {
		return clip.Accent{}
	}
	return w.Accents[accent-2]
}

func emphasised(w *clip.Words, accent int) bool { return accent == 1 || accentOf(w, accent).Emphasis }

// FontOf is the font of letters with an accent.
func FontOf(w *clip.Words, accent int) string {
	switch m := accentOf(w, accent); {
	case m.Font != "":
		return m.Font
	case emphasised(w, accent) && w.EmphasisFont != "":
		return w.EmphasisFont
	}
	return w.Font
}

// SizeOf is the size of letters with an accent, as a share of the words' size.
func SizeOf(w *clip.Words, accent int) float64 {
	if m := accentOf(w, accent); m.Size > 0 {
		return m.Size / 100
	}
	return 1
}

func fillOf(w *clip.Words, accent int) colour.Colour {
	switch m := accentOf(w, accent); {
	case m.Fill != nil:
		return *m.Fill
	case emphasised(w, accent):
		return w.EmphasisFill
	}
	return w.Fill
}
