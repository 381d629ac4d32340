package pieces

import "billow/core/clip"

// lowestPrice is the line that shops in the EU show beside a reduction (directive 98/6/EC, article
// 6a), in the languages of those countries, by language.
var lowestPrice = map[string]string{
	"de": "Niedrigster Preis der letzten 30 Tage: {lowest}", "fr": "Prix le plus bas des 30 derniers jours : {lowest}",
	"es": "Precio más bajo de los últimos 30 días: {lowest}", "it": "Prezzo più basso degli ultimi 30 giorni: {lowest}",
	"pt": "Preço mais baixo dos últimos 30 dias: {lowest}", "nl": "Laagste prijs van de afgelopen 30 dagen: {lowest}",
	"da": "Laveste pris de seneste 30 dage: {lowest}", "sv": "Lägsta pris de senaste 30 dagarna: {lowest}",
	"fi": "Alin hinta viimeisten 30 päivän aikana: {lowest}", "pl": "Najniższa cena z 30 dni przed obniżką: {lowest}",
	"cs": "Nejnižší cena za posledních 30 dní: {lowest}", "sk": "Najnižšia cena za posledných 30 dní: {lowest}",
	"hu": "Az elmúlt 30 nap legalacsonyabb ára: {lowest}", "sl": "Najnižja cena v zadnjih 30 dneh: {lowest}",
	"hr": "Najniža cijena u zadnjih 30 dana: {lowest}", "ro": "Cel mai mic preț din ultimele 30 de zile: {lowest}",
	"bg": "Най-ниска цена за последните 30 дни: {lowest}", "el": "Χαμηλότερη τιμή των τελευταίων 30 ημερών: {lowest}",
	"et": "Viimase 30 päeva madalaim hind: {lowest}", "lv": "Zemākā cena pēdējo 30 dienu laikā: {lowest}", "lt": "Mažiausia kaina per pastarąsias 30 dienų: {lowest}",
}

// smallPrint is what shops have to show beside a price. Each line is there for products that have
// what it says.
func smallPrint(m *maker) {
	lowest := m.words("lowest", "Lowest price", m.says("Lowest price of the last 30 days: {lowest}", "Lowest price of the last 30 days: €69.00"), m.colours.OnCard, 0, -32, 640, 40, 30)
	base := m.words("base", "Base price", "250 g · €35.96/kg", m.colours.OnCard, 0, 32, 640, 40, 30)
	if m.in.Product != "" {
		base.Words.Text = "{contents} · {base}"
		if m.in.Text == "" {
			lowest.Words.Texts = map[string]string{}
			for language, text := range lowestPrice {
				lowest.Words.Texts[language] = text
			}
		}
	}
	for i, l := range []*clip.Layer{lowest, base} {
		l.Words.Font, l.Words.Fit, l.Words.Width = "hanken-700", nil, 0
		l.Words.Plate = &clip.Plate{Kind: "pill", Fill: m.colours.Card, Room: 45}
		m.come(l, "rise", 6*i)
		l.Words.Plate.Follows = true
	}
	m.stand("bottom", 0, -150)
}
