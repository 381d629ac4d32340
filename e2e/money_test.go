package e2e

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/offer"
)

// Money and percentages look as the browser writes them, in all languages that are offered.
func TestMoneyAgreesWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	codes := strings.Fields("EUR USD GBP JPY CHF CAD AUD NZD SEK NOK DKK ISK PLN CZK HUF RON BGN TRY UAH ILS INR CNY KRW BRL MXN ZAR AED THB IDR VND")
	amounts := []string{"0.00", "0.50", "12.99", "999.00", "1299.00", "12345.50", "1234567.00"}
	ask, err := json.Marshal([]any{offer.Languages.IDs(), codes, amounts})
	if err != nil {
		t.Fatal(err)
	}
	r, err := u.page.Eval(`(asked) => {
		const [all, codes, amounts] = JSON.parse(asked)
		const languages = Intl.NumberFormat.supportedLocalesOf(all)
		const money = languages.flatMap((l) => codes.flatMap((currency) => {
			const f = new Intl.NumberFormat(l, { style: 'currency', currency, roundingMode: 'halfExpand' })
			return amounts.map((a) => [l, currency, a, f.format(Number(a)), f.resolvedOptions().maximumFractionDigits])
		}))
		const shares = languages.map((l) => [l, new Intl.NumberFormat(l, { style: 'percent' }).format(0.28)])
		return JSON.stringify([money, shares])
	}`, string(ask))
	u.must("asking the browser", err)
	var theirs [2][][]any
	if err := json.Unmarshal([]byte(r.Value.Str()), &theirs); err != nil {
		t.Fatal(err)
	}
	// The same signs in another width or form, and as other years of the CLDR have them.
	alike := strings.NewReplacer("￥", "¥", "￦", "₩", "'", "’", "грн.", "₴", "грн", "₴", "\u200e", "", "\u200f", "")
	compared := 0
	for _, c := range theirs[0] {
		language, code, amount, want, digits := c[0].(string), c[1].(string), c[2].(string), c[3].(string), c[4].(float64)
		o, err := offer.New(offer.Terms{Price: amount, Currency: code})
		if err != nil {
			t.Fatal(err)
		}
		parts, _ := o.Field("price", language)
		got := offer.Joined(parts)
		if decimals(got) != int(digits) {
			continue // how many decimals there are is ISO's with one, and what is in use with the other
		}
		if compared++; alike.Replace(got) != alike.Replace(want) {
			t.Errorf("%s %s in %s is %q, the browser's is %q", amount, code, language, got, want)
		}
	}
	if compared < 10000 {
		t.Errorf("only %d amounts were compared", compared)
	}
	for _, c := range theirs[1] {
		o, err := offer.New(offer.Terms{Price: "49", Old: "69", Currency: "EUR"})
		if err != nil {
			t.Fatal(err)
		}
		if parts, _ := o.Field("percent", c[0].(string)); offer.Joined(parts) != c[1].(string) {
			t.Errorf("28 percent in %s are %q, the browser's are %q", c[0], offer.Joined(parts), c[1])
		}
	}
}

// decimals is how many digits follow the last separator of an amount, if these are few.
func decimals(money string) int {
	n, digits := 0, 0
	for _, r := range money {
		switch {
		case r >= '0' && r <= '9':
			n++
			digits++
		case strings.ContainsRune(".,", r) && digits > 0:
			n = 0
		default:
			if digits == 0 {
				n = 0
			}
		}
	}
	if n > 2 || digits == n {
		return 0
	}
	return n
}

// A clip speaks the language that is chosen for it: its price is written so in the picture, and
// a price with more decimals than its currency is refused where it is typed.
func TestAClipSpeaksALanguage(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.clickText("[role=tab]", "^Clip and light$")
	before := u.digest("tall", 135, 240, 130)
	u.choose("select[aria-label='Language of texts and prices']", "de")
	u.waitStored("the clip is German", func(c *clip.Clip) bool { return c.Language == "de" })
	u.wait("the picture is another", fmt.Sprintf(`(async () => {
		const d = await window.billowEditor.drawing().draw(0, 'tall', 135, 240, 130)
		const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', d.pixels))
		return [...sum].map((b) => b.toString(16).padStart(2, '0')).join('') !== %q
	})()`, before))
	said := u.eval(`window.billowEditor.view.rows.map((r) => r.name + ' ' + (r.says ?? '')).join('|')`)
	u.clickText(".row-line .name", "^Name and price")
	u.clickText("[role=tab]", "^Layer$")
	u.write("input[aria-label=Price]", "49.005")
	u.text("[role=alert]", "more decimals than EUR")
	if c := u.stored(); c.Products[0].Price != "49.00" {
		t.Errorf("the price is %s; rows say %s", c.Products[0].Price, said)
	}
}

// Words that ask for a field which their product lacks say so on their row; once it is said in
// the settings that offer it, nothing is missing.
func TestAMissingFieldIsSaidAndFilled(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.clickText(".row-line .name", "^Name and price")
	u.clickText("[role=tab]", "^Layer$")
	u.write("textarea[aria-label=Words]", "{name}, {weight}")
	u.wait("its row says so", `document.querySelector('.row-line.selected .bi-braces')?.ariaLabel.includes('{weight}')`)
	u.write("input[aria-label=weight]", "1.2 kg")
	u.waitStored("the product has it", func(c *clip.Clip) bool { return c.Products[0].Fields["weight"] == "1.2 kg" })
	u.wait("nothing is missing", `!document.querySelector('.row-line .bi-braces')`)
}

// A field that is put into new words shows a product at once, without one being chosen first.
func TestAFieldThatIsPutInIsFilled(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.add("Headline")
	u.clickText("button", "Put in a price or a name")
	u.clickText(".dropdown-item", "^Old price")
	u.waitStored("the words show it", func(c *clip.Clip) bool {
		l := c.Layers[len(c.Layers)-1]
		if l.Words == nil || !strings.HasSuffix(l.Words.Text, "{old}") {
			return false
		}
		p := c.ProductOf(&l)
		return p != nil && p.Name == "Storm lantern"
	})
	u.wait("nothing is missing", `!document.querySelector('.row-line.selected .bi-braces')`)
}
