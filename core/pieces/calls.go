package pieces

import (
	"billow/core/clip"
	"billow/core/motion"
)

func button(m *maker) {
	pill := m.figure("pill", "Pill", "card", m.colours.Plate, 0, 0, 520, 140)
	values(pill, clip.Corner, 70)
	m.grow(pill, m.side(""), 0, 16)
	text := m.words("text", "Words", m.says("Get it for {price}", "Shop now"), m.colours.On, 0, 0, 420, 84, 76)
	m.come(text, "rise", 9)
	// Pressed once, and then it is alive.
	soft := motion.Ease{Kind: motion.InOut}
	m.group.Tracks[clip.Scale] = motion.Track{
		m.key(45, soft, 100), m.key(50, soft, 93), m.key(58, gently, 104), m.key(66, soft, 100),
	}
	m.move(&m.group, "bob", 100, 12, nil)
	m.group.Lift = 22
	m.stand("bottom", 0, -300)
}

func endCard(m *maker) {
	plane := m.figure("plane", "Plane", "card", m.colours.Card, 0, 0, 860, 620)
	values(plane, clip.Corner, 40)
	m.grow(plane, m.side("below"), 0, 16)
	y := -60.0
	if m.in.Logo != "" {
		logo := clip.NewLayer("logo", m.c.Prop(m.in.Logo).Name, clip.KindCutout)
		logo.Cutout = &clip.Cutout{Prop: m.in.Logo}
		v := m.c.Prop(m.in.Logo).Picture.Visible
		w, h := float64(v[2]-v[0]), float64(v[3]-v[1])
		// Within its room, however tall it is.
		size := min(520, 520*max(w, h)/max(w, 1), 190*max(w, h)/max(h, 1))
		m.move(m.add(logo, 0, -150, size), "swell", 8, 14, nil)
		y = 40
	}
	head := m.words("head", "What to do", m.says("Yours for {price}", "See you on the *trail*"), m.colours.OnCard, 0, y, 740, 130, 92)
	head.Words.EmphasisFill = m.loud()
	m.come(head, "rise", 14)
	line := m.figure("line", "Line", "line", m.colours.Plate, 0, y+95, 300, 10)
	values(line, clip.Outline, 6)
	line.Tracks[clip.DrawEnd] = motion.Track{m.key(20, gently, 0), m.key(36, gently, 100)}
	web := m.words("web", "Web address", "ottermoss.example", m.colours.OnCard, 0, y+150, 740, 64, 54)
	web.Words.Font = "hanken-700"
	m.come(web, "drizzle", 24)
	contact := m.words("contact", "Contact", "hello@ottermoss.example · +00 000 0000", m.colours.OnCard, 0, y+215, 740, 44, 36)
	contact.Words.Font = "hanken-400"
	m.come(contact, "clearing", 34)
	m.group.Lift = 20
	m.stand("centre", 0, 0)
}

func lowerLine(m *maker) {
	bar := m.figure("bar", "Bar", "card", m.colours.Plate, -292, 0, 12, 130)
	m.grow(bar, "below", 0, 10)
	plane := m.figure("plane", "Plane", "card", m.colours.Card, 8, 0, 588, 130)
	m.move(plane, "unfurl", 4, 14, func(v *clip.Move) { v.Side = m.side("left") })
	name := m.words("name", "Name", m.says("{name}", "Storm lantern"), m.colours.OnCard, 10, -24, 530, 62, 56)
	name.Words.Align = "left"
	m.come(name, "rise", 12)
	what := m.words("what", "What it is", m.priceOr("burns for twelve hours"), m.colours.OnCard, 10, 34, 530, 38, 34)
	what.Words.Align, what.Words.Font = "left", "hanken-400"
	m.come(what, "drizzle", 20)
	m.group.Lift = 10
	m.stand("bottomLeft", 370, -260)
}
