package clip

var badgeKind = withWords(Kind{
	ID: KindBadge, Name: "Badge", Says: "A price or a call on a plate", Field: "words", Icon: "patch-check", Offered: true, Goes: true, Block: true,
	Draft: func(_ *Clip, l *Layer, from DraftOf) {
		text := "New"
		if from.Product != "" {
			text = "−{percent}"
		}
		*l = NewWords(l.ID, "Badge", KindBadge, text)
		l.Words.Product = from.Product
	},
})
