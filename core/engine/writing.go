package engine

import (
	"billow/core/clip"
	"billow/core/frame"
	"billow/core/words"
)

// Stretch is some letters of words: those from..to, to not included. A letter is
// what a person takes for one, or a name in braces.
type Stretch struct {
	Words clip.Words `json:"words"`
	From  int        `json:"from"`
	To    int        `json:"to"`
}

// Letters are the letters of words, and how some of them are.
type Letters struct {
	Letters []string   `json:"letters"`
	Look    words.Look `json:"look"`
	Word    [2]int     `json:"word"` // the word about the first of them: from, to
}

// letters reads words letter by letter.
func letters(_ *Engine, in Stretch) (Letters, error) { return lettersOf(in.Words, in.From, in.To), nil }

func lettersOf(w clip.Words, from, to int) Letters {
	out := Letters{Letters: []string{}, Look: words.LookOf(w, from, to)}
	for _, l := range words.Letters(w.Text) {
		out.Letters = append(out.Letters, l.Text)
	}
	out.Word[0], out.Word[1] = words.WordAt(w, from)
	return out
}

// Writing is a text that comes in place of letters.
type Writing struct {
	Stretch
	With string `json:"with"`
}

// Written is what words have become, and where the caret is in them.
type Written struct {
	Letters
	Text    string        `json:"text"`
	Accents []clip.Accent `json:"accents"`
	Caret   int           `json:"caret"`
}

// write puts a text in place of letters.
func write(_ *Engine, in Writing) (Written, error) {
	w, caret := words.Write(in.Words, in.From, in.To, in.With)
	return Written{lettersOf(w, caret, caret), w.Text, append([]clip.Accent{}, w.Accents...), caret}, nil
}

// Styling is a change of letters.
type Styling struct {
	Stretch
	Change words.Change `json:"change"`
}

// style changes how letters are.
func style(_ *Engine, in Styling) (Written, error) {
	w, err := words.Styled(in.Words, in.From, in.To, in.Change)
	return Written{lettersOf(w, in.From, in.To), w.Text, append([]clip.Accent{}, w.Accents...), in.To}, err
}

// OnFrame is a layer on a frame of a shape.
type OnFrame struct {
	InShape
	Frame int `json:"frame"`
}

// carets tells where the places between the letters of a layer's words are.
func carets(e *Engine, in OnFrame) ([]frame.Caret, error) {
	s, err := e.shape(in.Shape)
	if err != nil {
		return nil, err
	}
	return e.arranged(s).Carets(in.Layer, in.Frame), nil
}
