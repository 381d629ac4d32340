package e2e

import (
	"net/http"
	"strings"
	"sync/atomic"
	"testing"

	"billow/core/clip"
	"billow/stock"
	"billow/stock/standin"
)

// Things are looked for on the stock shelf and taken: a backdrop goes behind, footage of light is mixed as
// light, a sound goes to the playhead, and each brings its credit.
func TestThingsAreTakenFromStock(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("From stock", "4s")
	u.click("[data-panel=props]")
	u.clickText(".sources button", "^Stock$")
	u.find("[data-thing]")
	u.clickText(".stock .kinds button", "^Backdrops$")
	u.wait("only backdrops are found", "document.querySelector('.stock .count').innerText === '20 found'")
	u.write("[aria-label='Find in stock']", "waves")
	u.wait("one is found", "document.querySelector('.stock .count').innerText === '1 found'")
	u.click("[data-thing=paper-waves]")
	u.text(".card-of", "by Nonna Bell")
	u.finds("stock")
	u.clickText(".card-of button", "Take into the clip")
	credited := func(kind, says string) func(c *clip.Clip) bool {
		return func(c *clip.Clip) bool {
			for _, p := range c.Props {
				if p.Kind == kind && strings.HasPrefix(p.Credit, says) {
					return true
				}
			}
			return false
		}
	}
	u.waitStored("it came with its credit", credited(clip.KindCutout, "Paper waves by Nonna Bell, free with credit"))
	u.waitStored("it covers the frame", func(c *clip.Clip) bool {
		for _, l := range c.Layers {
			if l.Kind == clip.KindPhoto {
				return true
			}
		}
		return false
	})
	// A colour, and more than one page.
	u.click("[data-panel=props]")
	u.write("[aria-label='Find in stock']", " ") // nothing in particular
	u.clickText(".stock .kinds button", "^All$")
	u.wait("a page is full", "document.querySelectorAll('[data-thing]').length === 24")
	u.clickText(".stock .more", "Show more")
	u.wait("there is more", "document.querySelectorAll('[data-thing]').length === 48")
	u.click("[aria-label=Teal]")
	u.wait("fewer are teal", "document.querySelectorAll('[data-thing]').length < 24 && document.querySelector('[data-thing]')")
	u.click("[aria-label=Teal]")

	u.write("[aria-label='Find in stock']", "pool light")
	u.click("[data-thing=pool-light]")
	u.clickText(".card-of button", "Take into the clip")
	u.waitStored("footage of light is mixed as light", func(c *clip.Clip) bool {
		l := c.Layers[len(c.Layers)-1]
		p := c.PictureOf(&l)
		return l.Blend == "screen" && p != nil && p.Footage != nil && strings.HasPrefix(p.Credit, "Pool light by")
	})
	u.goTo(30)
	u.click("[data-panel=props]")
	u.write("[aria-label='Find in stock']", "bell")
	u.clickText(".stock .kinds button", "^Sounds$")
	u.click("[data-thing=bell]")
	u.clickText(".card-of button", "Take into the clip")
	u.waitStored("it sounds at the playhead", func(c *clip.Clip) bool {
		return len(c.Sounds) == 1 && c.Clock().Frame(c.Sounds[0].At) == 30
	})
}

// A shelf that does not answer, breaks off or asks for another price is told of; nothing comes of it, and
// it is asked again.
func TestAStockShelfInTrouble(t *testing.T) {
	u := visit(t, "/")
	u.emptyClip("In trouble", "2s")
	u.click("[data-panel=props]")
	// The shelf is the same for all that look at it: only what is asked here may fail.
	const mine = "rose-petal"
	var broken atomic.Int32
	broken.Store(503)
	trouble := standin.Trouble{Fail: func(r *http.Request) int {
		if r.Method == http.MethodPost && strings.Contains(r.URL.Path, mine) || strings.Contains(r.URL.RawQuery, "petal+of") {
			return int(broken.Load())
		}
		return 0
	}}
	site.Shelf.Have(trouble)
	t.Cleanup(func() { site.Shelf.Have(standin.Trouble{}) })
	u.clickText(".sources button", "^Stock$")
	u.write("[aria-label='Find in stock']", "petal of")
	u.text(".stock .problem", "does not answer now")
	broken.Store(0)
	u.clickText(".stock .problem button", "Try again")
	u.wait("it answers", "document.querySelector('.stock .count').innerText === '0 found'")
	u.write("[aria-label='Find in stock']", "rose petal")
	u.click("[data-thing=" + mine + "]")
	broken.Store(standin.Cut) // it breaks off
	u.clickText(".card-of button", "Take into the clip")
	u.text(".toast, .notice", "does not answer now")
	u.wait("it can be taken again", "!document.querySelector('.card-of .btn-primary').disabled")
	broken.Store(0)
	trouble.Price = func(t stock.Thing) string {
		if t.ID == mine {
			return "2.00"
		}
		return t.Price
	}
	site.Shelf.Have(trouble)
	u.clickText(".card-of button", "Take into the clip")
	u.text(".toast, .notice", "price has changed")
	u.clickText(".card-of button", "Take for € 2.00")
	u.waitStored("it is here once", func(c *clip.Clip) bool {
		return len(c.Props) == 1 && strings.HasPrefix(c.Props[0].Credit, "Rose petal by")
	})
}
