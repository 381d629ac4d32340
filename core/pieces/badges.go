package pieces

import (
	"billow/core/clip"
	"billow/core/motion"
)

func priceDisc(m *maker) {
	disc := m.figure("disc", "Disc", "disc", m.colours.Plate, 0, 0, 330, 330)
	m.move(disc, "swell", 0, 14, nil)
	rim := m.figure("rim", "Rim", "ring", m.colours.On, 0, 0, 300, 300)
	values(rim, clip.Inner, 97)
	values(rim, clip.Opacity, 55)
	rim.Tracks[clip.Sweep] = motion.Track{m.key(6, gently, 0), m.key(26, gently, 360)}
	text := m.words("text", "Words", m.says("−{percent}", "−40%"), m.colours.On, 0, 0, 240, 150, 130)
	p := m.come(text, "count", 4)
	p.Each = m.frames(26)
	m.group.Lift = 24
	m.stand("topRight", -240, 330)
}

func saleBurst(m *maker) {
	burst := m.figure("burst", "Burst", "burst", m.colours.Plate, 0, 0, 360, 360)
	m.move(burst, "swell", 0, 16, nil)
	burst.Tracks[clip.Rotation] = motion.Track{m.key(0, gently, -70), m.key(28, motion.Ease{Kind: motion.Linear}, 0), m.key(240, motion.Ease{Kind: motion.Linear}, 24)}
	text := m.words("text", "Words", m.says("*²only*\n{price}", "*²all*\nSale"), m.colours.On, 0, 4, 230, 170, 112)
	text.Words.Accents = []clip.Accent{{Size: 55}}
	text.Rest.Turn = -8
	m.come(text, "pebbles", 6)
	m.group.Lift = 24
	m.stand("topRight", -240, 330)
}

func swingTag(m *maker) {
	// The string is part of what sways, about the peg from which it hangs.
	string := m.figure("string", "String", "line", m.colours.Plate, 0, -190, 240, 12)
	string.Rest.Turn = 90
	values(string, clip.Outline, 5)
	tag := m.figure("tag", "Tag", "tag", m.colours.Card, 0, 60, 360, 220)
	tag.Rest.Turn = 90
	values(tag, clip.Corner, 18)
	values(tag, clip.Inner, 62)
	peg := m.figure("peg", "Peg", "disc", m.colours.Plate, 0, -310, 26, 26)
	_ = peg
	name := m.words("name", "Name", m.says("{name}", "New"), m.colours.OnCard, 0, 55, 180, 74, 52)
	m.come(name, "rise", 10)
	price := m.words("price", "Price", m.priceOr("only €9"), m.loud(), 0, 155, 180, 80, 76)
	price.Words.Product = m.in.Product
	m.come(price, "pebbles", 16)
	m.group.Lift = 30
	m.stand("topRight", -220, 330)
	// About the peg, in percent of all that there is.
	values(&m.group, clip.Pivot, 0, -49)
	m.move(&m.group, "settle", 0, 20, nil)
	m.move(&m.group, "flutter", 16, 90, func(v *clip.Move) { v.Turn = 11 })
}

// priceOr is the product's price, or else a plain text.
func (m *maker) priceOr(plain string) string {
	if m.in.Product != "" {
		return "{price}"
	}
	return plain
}

func pillBadge(m *maker) {
	pill := m.figure("pill", "Pill", "card", m.colours.Plate, 0, 0, 380, 120)
	values(pill, clip.Corner, 60)
	m.grow(pill, "", 0, 14)
	text := m.words("text", "Words", m.says("now {price}", "New in"), m.colours.On, 0, 0, 310, 78, 66)
	m.come(text, "rise", 7)
	m.group.Lift = 18
	m.stand("top", 0, 330)
}

func ribbonBadge(m *maker) {
	band := m.figure("band", "Band", "ribbon", m.colours.Plate, 0, 0, 720, 130)
	values(band, clip.Inner, 60)
	m.grow(band, m.side(""), 0, 18)
	text := m.words("text", "Words", m.says("{name} *{price}*", "Only *this* week"), m.colours.On, 0, 0, 540, 84, 70)
	text.Words.EmphasisFill = m.colours.OnCard
	m.come(text, "gather", 8)
	m.group.Lift = 20
	m.stand("centre", 0, -140)
}

func cornerBand(m *maker) {
	band := m.figure("band", "Band", "card", m.colours.Plate, 0, 0, 760, 110)
	m.move(band, "unfurl", 0, 14, func(v *clip.Move) { v.Side = m.side("left") })
	text := m.words("text", "Words", m.says("−{percent}", "Sale"), m.colours.On, 0, 0, 300, 76, 70)
	text.Words.LetterSpacing = 4
	m.come(text, "drizzle", 6)
	m.group.Lift = 16
	m.stand("topRight", -150, 150)
	m.group.Rest.Turn = 45
}

func ticketBadge(m *maker) {
	card := m.figure("card", "Ticket", "ticket", m.colours.Card, 0, 0, 640, 250)
	values(card, clip.Inner, 56)
	m.move(card, "swell", 0, 16, nil)
	cut := m.figure("cut", "Perforation", "line", m.colours.OnCard, 150, 0, 200, 10)
	cut.Rest.Turn = 90
	cut.Card.Pen = &clip.Pen{Cap: "round", Dash: 1, Gap: 18}
	values(cut, clip.Outline, 6)
	cut.Tracks[clip.DrawEnd] = motion.Track{m.key(8, gently, 0), m.key(22, gently, 100)}
	text := m.words("text", "Words", m.says("−{percent}\n*²{name}*", "−20%\n*²on everything*"), m.loud(), -85, 0, 380, 180, 120)
	text.Words.Accents = []clip.Accent{{Size: 42, Fill: &m.colours.OnCard}}
	m.come(text, "rise", 8)
	code := m.words("code", "Code", "TRAIL20", m.colours.OnCard, 225, 0, 180, 60, 46)
	code.Rest.Turn, code.Words.Font, code.Words.LetterSpacing = -90, "jetbrains-mono-700", 6
	m.come(code, "typed", 18)
	m.group.Lift = 24
	m.stand("bottom", 0, -360)
	m.group.Rest.Turn = -5
}

func sealBadge(m *maker) {
	seal := m.figure("seal", "Seal", "burst", m.colours.Plate, 0, 0, 380, 380)
	seal.Card.Points = 28
	m.move(seal, "swell", 0, 16, nil)
	guide := m.figure("rim", "Rim", "disc", m.colours.Plate, 0, 0, 262, 262)
	m.move(guide, "swell", 2, 14, nil)
	inner := m.figure("inner", "Inner disc", "disc", m.colours.Card, 0, 0, 244, 244)
	m.move(inner, "swell", 4, 14, nil)
	// Their feet stand on the rim of the inner disc, all the way round.
	round := clip.NewWords("round", "Around", clip.KindWords, "made to last · made to last · made to last · ")
	round.Words.Fill, round.Words.EmphasisFill, round.Words.Width, round.Words.ByEdge = m.colours.On, m.colours.On, 0, false
	round.Words.Font, round.Words.Filling, round.Words.Along = "hanken-700", true, guide.ID
	around := m.add(round, 0, 0, 34)
	// It turns all the time, once in twelve seconds.
	around.Tracks[clip.Rotation] = motion.Track{m.key(0, motion.Ease{Kind: motion.Linear}, 0), m.key(360, motion.Ease{Kind: motion.Linear}, 360)}
	m.come(around, "clearing", 8)
	text := m.words("text", "Words", m.says("*²only*\n{price}", "10\n*²years*"), m.colours.OnCard, 0, 0, 160, 130, 92)
	text.Words.Accents = []clip.Accent{{Size: 48}}
	m.come(text, "count", 8)
	m.group.Lift = 24
	m.stand("topRight", -250, 340)
}
