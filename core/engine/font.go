package engine

import "billow/core/words"

// FontAsked is what a font can do; Had is false when it cannot be had now.
type FontAsked struct {
	words.Facts
	Had bool `json:"had"`
}

// fontFacts tells what a font can do beside drawing its letters.
func fontFacts(e *Engine, in FontNamed) (FontAsked, error) {
	if e.kept == nil {
		return FontAsked{}, errClosed
	}
	facts, had := e.lib.Fonts.Facts(in.Font)
	if !had {
		facts = words.Facts{Axes: []words.FontAxis{}, Features: []string{}}
	}
	return FontAsked{facts, had}, nil
}

// FontNamed names a font.
type FontNamed struct {
	Font string `json:"font"`
}
