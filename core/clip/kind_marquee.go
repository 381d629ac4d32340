package clip

// KindMarquee is words that run on without end.
const KindMarquee = "marquee"

var marqueeKind = &Kind{
	ID: KindMarquee, Name: "Marquee", Says: "Words that run on without end", Field: "words", Icon: "arrow-left-right", Offered: true, Block: true,
	Properties: wordsProperties, Colours: wordsColour, Content: wordsOf, Own: ownWords, Check: checkWords,
	Families: wordsFamilies, Fill: func(l *Layer) *Fill { return l.Words.Gradient }, Numbers: wordsNumbers, Numbered: wordsNumbered,
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		*l = NewWords(l.ID, "Marquee", KindMarquee, "New this week")
		l.Words.Width, l.Words.ByEdge = 0, false
		l.Repeat = &Repeat{Rows: 1, Speed: -160}
		l.Values = map[string][]float64{Gap: {60, 20}}
	},
}
