package clip

var badgeKind = &Kind{
	ID: KindBadge, Name: "Badge", Says: "A price or a call on a plate", Field: "words", Icon: "patch-check", Offered: true, Goes: true, Block: true,
	Properties: wordsProperties, Colours: wordsColour, Content: wordsOf, Own: ownWords, Check: checkWords,
	Families: wordsFamilies, Fill: func(l *Layer) *Fill { return l.Words.Gradient }, Numbers: wordsNumbers, Numbered: wordsNumbered,
	Draft: func(_ *Clip, l *Layer, from DraftOf) {
		text := "New"
		if from.Product != "" {
			text = "−{percent}"
		}
		*l = NewWords(l.ID, "Badge", KindBadge, text)
		l.Words.Product = from.Product
	},
}
