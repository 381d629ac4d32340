package clip

// KindMarquee is words that run on without end.
const KindMarquee = "marquee"

var marqueeKind = withWords(Kind{
	ID: KindMarquee, Name: "Marquee", Says: "Words that run on without end", Field: "words", Icon: "arrow-left-right", Offered: true, Block: true,
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		*l = NewWords(l.ID, "Marquee", KindMarquee, "New this week")
		l.Words.Width, l.Words.ByEdge = 0, false
		l.Repeat = &Repeat{Rows: 1, Speed: -160}
		l.Values = map[string][]float64{Gap: {60, 20}}
	},
})
