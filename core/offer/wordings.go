package offer

import "strings"

// wordings are what is said beside amounts, in a language. The amount stands at #; N is how many one
// gets, M how many one pays.
type wordings struct{ from, each, less, bundle, now string }

func (w wordings) quote(q string) string {
	if q == From {
		return w.from
	}
	return w.each
}

// wordsOf are those of a language, or of the one it is a form of.
func wordsOf(language string) wordings {
	if language == "" {
		language = English
	}
	base, _, _ := strings.Cut(language, "-")
	if language == "zh-TW" || language == "zh-HK" {
		base = "zt"
	}
	_, line, found := strings.Cut(said, "\n"+base+"|")
	if !found {
		_, line, _ = strings.Cut(said, "\nen|")
	}
	line, _, _ = strings.Cut(line, "\n")
	f := strings.Split(line, "|")
	return wordings{f[0], f[1], f[2], f[3], f[4]}
}

// said is a line for each language: the least a thing costs, what one costs, so many for the price of
// fewer, so many for an amount, and words that claim that it is less now than it was before.
const said = `
en|from #|# each|N for M|N for #|now
de|ab #|je #|N für M|N für #|jetzt nun
fr|dès #|# pièce|N pour M|N pour #|maintenant désormais
es|desde #|# c/u|N por M|N por #|ahora
it|da #|# cad.|N per M|N a #|ora adesso
pt|desde #|# cada|N por M|N por #|agora
nl|vanaf #|# per stuk|N voor M|N voor #|nu
da|fra #|# pr. stk.|N for M|N for #|nu
sv|från #|# st.|N för M|N för #|nu
nb|fra #|# per stk.|N for M|N for #|nå
fi|alk. #|# kpl|Osta N, maksa M|N kpl #|nyt
is|frá #|# stk.|N fyrir M|N fyrir #|núna nú
et|alates #|# tk|N tükki M hinnaga|N tk #|nüüd
lv|no #|# gab.|N par M cenu|N par #|tagad
lt|nuo #|# vnt.|N už M kainą|N už #|dabar
pl|od #|# za szt.|N w cenie M|N za #|teraz
cs|od #|# za kus|N za cenu M|N za #|nyní teď
sk|od #|# za kus|N za cenu M|N za #|teraz
hu|induló ár #|# / db|N-et fizet M áráért|N db #|most
sl|od #|# na kos|N za ceno M|N za #|zdaj
hr|od #|# po komadu|N za cijenu M|N za #|sada
ro|de la #|# bucata|N la preț de M|N la #|acum
bg|от #|# за брой|N на цената на M|N за #|сега
sr|од #|# по комаду|N по цени M|N за #|сада
el|από #|# το τεμάχιο|N στην τιμή των M|N με #|τώρα
tr|başlangıç #|tanesi #|N al M öde|N adet #|şimdi
uk|від #|# за шт.|N за ціною M|N за #|зараз
ru|от #|# за шт.|N по цене M|N за #|сейчас теперь
he|החל מ־#|# ליחידה|N במחיר M|N ב־#|עכשיו
ar|ابتداءً من #|# للقطعة|N بسعر M|N مقابل #|الآن
hi|# से|# प्रति नग|M के दाम में N|# में N|अब
th|เริ่มต้น #|ชิ้นละ #|ซื้อ N จ่าย M|N ชิ้น #|ตอนนี้
vi|từ #|# / chiếc|Mua N trả M|N chiếc #|nay
id|mulai #|# per buah|Beli N bayar M|N hanya #|sekarang
ms|dari #|# sebiji|Beli N bayar M|N untuk #|kini sekarang
ja|#から|1点#|M点の価格でN点|N点で#|今
ko|#부터|개당 #|M개 가격으로 N개|N개 #|지금
zh|#起|每件#|买N付M|N件#|现在 现
zt|#起|每件#|買N付M|N件#|現在 現
`
