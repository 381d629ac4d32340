package e2e

import (
	"encoding/json"
	"fmt"
	"image/color"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// paste pastes text where the focus is, as from a spreadsheet.
func (u *user) paste(text string) {
	u.t.Helper()
	said, err := json.Marshal(text)
	u.must("pasting", err)
	u.eval(fmt.Sprintf(`(() => {
		const data = new DataTransfer()
		data.setData('text/plain', %s)
		document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
	})()`, said))
}

// cell goes to a cell of the sheet: a row from 1, and a column by its heading.
func (u *user) cell(row int, column string) {
	u.t.Helper()
	u.eval(fmt.Sprintf(`(() => {
		const at = [...document.querySelectorAll('[role=grid] .head [role=columnheader]')].findIndex((h) => h.textContent.trim() === %q)
		const cell = document.querySelector('[role=grid] [aria-rowindex="%d"] [aria-colindex="' + (at + 1) + '"]')
		cell.scrollIntoView({ block: 'nearest', inline: 'nearest' })
		cell.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, cancelable: true, button: 0 }))
		window.dispatchEvent(new PointerEvent('pointerup'))
	})()`, column, row+1))
	u.wait("one is in "+column, fmt.Sprintf(`document.activeElement.getAttribute('aria-label')?.startsWith(%q)`, column+" of"))
}

// product is a field of a product of the clip, by its name.
func ofProduct(name, field string) string {
	return fmt.Sprintf("window.billowEditor.clip.products.find((p) => p.name === %q)?.%s", name, field)
}

// emptyRange makes a new clip and goes to its range; it gives the clip's ID.
func (u *user) emptyRange() string {
	u.t.Helper()
	u.emptyClip("Range", "2s")
	u.clickText(".views a", "Range")
	u.find(".range")
	return u.eval("window.billowEditor.id")
}

func rangeTable(n int) string {
	var b strings.Builder
	b.WriteString("Name\tPrice\tOld price\tColour\n")
	for i := 1; i <= n; i++ {
		fmt.Fprintf(&b, "Product %d\t%d,50 €\t%d,00 €\tblue\n", i, i+9, i+12)
	}
	return b.String()
}

// A range is filled from a spreadsheet, and worked on with the keyboard as in one.
func TestARangeIsASheet(t *testing.T) {
	u := visit(t, "/")
	id := u.emptyRange()
	u.click("[aria-label='Paste a block of cells here']")
	u.paste(rangeTable(30))
	u.text(".modal.show [role=status]", "30 new")
	u.clickText(".modal.show button", "Take 30 products")
	u.wait("all are there", "window.billowEditor.clip.products.length === 30")
	u.text(".range .count", "30 products")
	u.text(".row .read", "€10.50 · −19%") // 10.50 instead of 13.00 is 19.2 off
	u.finds("the range")

	// Typing goes into the cell, Enter on to the next row; amounts may be written as people do.
	u.cell(2, "Price")
	u.keys("12,5")
	u.press(input.Enter)
	u.wait("it is an amount", ofProduct("Product 2", "price")+" === '12.50'")
	u.wait("the next row follows", `document.activeElement.getAttribute('aria-label').startsWith('Price of Product 3')`)
	// What can be read in two ways is refused where it is typed, and nothing is lost.
	u.keys("1.299")
	u.press(input.Enter)
	u.text(".notice", "can be read as 1299")
	u.wait("it is still being typed", "document.activeElement.value === '1.299'")
	u.press(input.Escape)
	u.wait("it is as it was", ofProduct("Product 3", "price")+" === '12.50' && document.activeElement.value === ''")
	// A mistake is shown with its numbers.
	u.press(input.Tab)
	u.keys("9")
	u.press(input.Enter)
	u.text(".foot", "1 mistake in the prices")
	u.press(input.ArrowUp)
	u.text(".foot [role=status]", "the old price €9.00 is not above the price €12.50")

	// What is chosen with Shift is copied, laid elsewhere and cleared as a block.
	u.cell(1, "Price")
	u.eval(`(() => {
		for (const key of ['ArrowDown', 'ArrowRight']) document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: true, bubbles: true, cancelable: true }))
	})()`)
	u.wait("four cells are chosen", "document.querySelectorAll('.cell.chosen').length === 4")
	copied := u.eval(`(() => {
		const data = new DataTransfer()
		document.activeElement.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }))
		return data.getData('text/plain')
	})()`)
	if copied != "10.50\t13.00\n12.50\t14.00" {
		t.Errorf("%q was copied", copied)
	}
	u.cell(10, "Price")
	u.paste(copied)
	u.wait("the block lies there", ofProduct("Product 10", "price")+" === '10.50' && "+ofProduct("Product 11", "oldPrice")+" === '14.00'")
	u.press(input.Delete)
	u.wait("it is empty", ofProduct("Product 10", "price")+" === ''")
	u.click("[aria-label=Undo]")
	u.wait("it is back", ofProduct("Product 10", "price")+" === '10.50'")

	// A field of one's own is a column, and one more row is a product.
	u.clickText("button", "^Columns")
	u.write("[aria-label='Name of a field of your own']", "weight")
	u.eval("void document.querySelector('.menu form button').click()")
	u.wait("it is a column", "[...document.querySelectorAll('.head > div')].some((h) => h.textContent.trim() === 'weight')")
	u.eval("void document.body.click()")
	u.cell(4, "weight")
	u.keys("480 g")
	u.press(input.Enter)
	u.wait("it has a weight", ofProduct("Product 4", "fields.weight")+" === '480 g'")
	u.clickText("button", "^Add a product")
	u.wait("there is one more", "window.billowEditor.clip.products.length === 31")
	u.keys("Rope lamp")
	u.press(input.Enter)
	u.wait("it has a name", ofProduct("Rope lamp", "id"))
	u.saved()
	file := fetch(t, "/api/clips/"+id+"/range.csv")
	out, err := os.ReadFile(file)
	if err != nil || !strings.Contains(string(out), "Rope lamp") || !strings.Contains(string(out), "480 g") {
		t.Errorf("the table says %q, %v", out, err)
	}
}

// A table with mistakes is explained by row and column before anything is changed.
func TestAWrongTableIsExplained(t *testing.T) {
	u := visit(t, "/")
	u.emptyRange()
	file := func(name, text string) string {
		path := filepath.Join(t.TempDir(), name)
		if err := os.WriteFile(path, []byte(text), 0o600); err != nil {
			t.Fatal(err)
		}
		return path
	}
	bring := func(path string) {
		u.must("choosing a table", u.find(".range input[type=file]").SetFiles([]string{path}))
	}
	bring(file("prices.csv", "name;price;old price\nMug;-5;\nLamp;10,005;\nKettle;38,00;52,00\nSpoon;9,00;8,00\n"))
	u.text(".faults", "Row 2, price: the price \"-5\" is below zero")
	u.text(".faults", "Row 3, price: .*more decimals than EUR")
	u.text(".faults", "Row 5, old price: the old price €8.00 is not above the price €9.00")
	u.text(".modal.show [role=status]", "2 new, 2 cannot be taken; 1 to look at")
	u.finds("a table that is looked at first")
	if n := u.eval("window.billowEditor.clip.products.length"); n != "0" {
		t.Errorf("there are %s products before the table is taken", n)
	}
	u.clickText(".modal.show button", "Take the 2 that are right")
	u.wait("they are there", "window.billowEditor.clip.products.length === 2")
	// A comma after a semicolon is for decimals; that can be said otherwise.
	bring(file("again.csv", "name;price\nPan;1.299\n"))
	u.text(".faults", "can be read as 1299 or as 1.299")
	u.choose(".modal.show .how label:nth-child(2) select", ",")
	u.text(".modal.show [role=status]", "1 new")
	u.clickText(".modal.show button", "Take 1 product")
	u.wait("it is thirteen hundred, nearly", ofProduct("Pan", "price")+" === '1299.00'")
	for name, says := range map[string]string{
		"picture.csv": "no table", "long.csv": "more than 5000 rows", "empty.csv": "empty",
	} {
		text := map[string]string{"picture.csv": "\x89PNG\r\n\x1a\n\x00\x00", "long.csv": "name,price\n" + strings.Repeat("Mug,5\n", 50000), "empty.csv": "\n\n"}[name]
		bring(file(name, text))
		u.text(".modal.show [role=alert]", says)
		u.click(".modal.show .btn-close")
		u.wait("it is closed", "!document.querySelector('.modal.show')")
	}
	if n := u.eval("window.billowEditor.clip.products.length"); n != "3" {
		t.Errorf("there are %s products", n)
	}
	u.saved()
}

// Several pictures go to the products after which their files are named; the others are said.
func TestPicturesFindTheirProducts(t *testing.T) {
	u := visit(t, "/")
	u.emptyRange()
	u.click("[aria-label='Paste a block of cells here']")
	u.paste("Name\tPrice\tNumber\nSea kettle\t5\tOM-7\nPlain tin\t6\tOM-8\n")
	u.clickText(".modal.show button", "Take 2 products")
	u.wait("they are there", "window.billowEditor.clip.products.length === 2")
	var files []string
	for i, name := range []string{"sea_kettle.png", "om-8.png", "stranger.png"} {
		files = append(files, pictureFile(t, name, color.NRGBA{uint8(60 * i), 90, 30, 255}, false))
	}
	u.must("choosing pictures", u.find("input[type=file][multiple]").SetFiles(files))
	u.text(".notice", "No product is called stranger")
	u.wait("two have pictures", ofProduct("Sea kettle", "prop")+" && "+ofProduct("Plain tin", "prop"))
	u.saved()
}

// A scene is repeated for products that are chosen in the sheet: each copy shows its own, in words
// and picture; and choosing another product for the clip changes what it shows at once.
func TestASceneIsRepeatedForProducts(t *testing.T) {
	id := copyOf(t, len(site.World.Clips)-1)
	u := visit(t, "/clips/"+id+"/range")
	u.text(".range .count", "12 products")
	u.cell(4, "Name")
	u.clickText(".foot button", "Show Moss mug in the clip")
	u.wait("the clip shows it", ofProduct("Moss mug", "id")+" === window.billowEditor.clip.shown")
	u.cell(6, "Name")
	u.eval(`(() => {
		for (const key of ['ArrowDown', 'ArrowDown']) document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: true, bubbles: true, cancelable: true }))
	})()`)
	u.clickText(".foot button", "A scene for each of these 3")
	u.wait("there are three scenes", "window.billowEditor.view.scenes.length === 3")
	u.clickText(".views a", "Tabletop")
	u.ready()
	seen := map[string]bool{}
	for i, name := range []string{"Trail kettle", "Lake kettle", "Folding stove"} {
		shows := fmt.Sprintf(`(() => {
			const e = window.billowEditor
			const scene = e.view.scenes[%d]
			const rows = e.view.rows.filter((r) => r.scene === scene.id && r.shows)
			return rows.length > 3 && rows.every((r) => e.clip.products.find((p) => p.id === r.shows).name === %q)
		})()`, i, name)
		u.eval(fmt.Sprintf("void window.billowEditor.go(window.billowEditor.view.scenes[%d].from + 150)", i))
		u.wait(name+" is shown in its scene", shows)
		seen[u.digest("square", 200, 200, 180*i+150)] = true
	}
	if len(seen) != 3 {
		t.Errorf("the scenes look alike: %d pictures", len(seen))
	}
	u.saved()
}

// chosen says something to the cells that are chosen, with a key or as the clipboard does.
func (u *user) chosen(key string, ctrl, shift bool) {
	u.t.Helper()
	u.eval(fmt.Sprintf(`void document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: %q, ctrlKey: %t, shiftKey: %t, bubbles: true, cancelable: true }))`, key, ctrl, shift))
}

// Blocks are cut, filled down and pasted into as in any sheet; what is found is worked on alone.
func TestBlocksOfTheSheetAreFilledAndCut(t *testing.T) {
	u := visit(t, "/")
	u.emptyRange()
	u.click("[aria-label='Paste a block of cells here']")
	u.paste(rangeTable(12))
	u.clickText(".modal.show button", "Take 12 products")
	u.wait("all are there", "window.billowEditor.clip.products.length === 12")
	prices := func(from, to int) string {
		return fmt.Sprintf("window.billowEditor.clip.products.slice(%d, %d).map((p) => p.price).join(' ')", from-1, to)
	}

	// The first row of a block is filled into the others, in one step.
	u.cell(2, "Price")
	u.chosen("ArrowDown", false, true)
	u.chosen("ArrowDown", false, true)
	u.wait("three are chosen", "document.querySelectorAll('.cell.chosen').length === 3")
	u.chosen("d", true, false)
	u.wait("it is filled down", prices(1, 5)+" === '10.50 11.50 11.50 11.50 14.50'")
	u.click("[aria-label=Undo]")
	u.wait("one step takes it back", prices(1, 5)+" === '10.50 11.50 12.50 13.50 14.50'")

	// One amount is pasted into all that is chosen.
	u.cell(2, "Price")
	u.chosen("ArrowDown", false, true)
	u.paste("9,99 €")
	u.wait("both have it", prices(1, 4)+" === '10.50 9.99 9.99 13.50'")

	// What is cut is gone here and lies where it is pasted.
	u.cell(5, "Price")
	cut := u.eval(`(() => {
		const data = new DataTransfer()
		document.activeElement.dispatchEvent(new ClipboardEvent('cut', { clipboardData: data, bubbles: true, cancelable: true }))
		return data.getData('text/plain')
	})()`)
	u.wait("it is gone", prices(5, 5)+" === ''")
	u.cell(6, "Price")
	u.paste(cut)
	u.wait("it lies there", prices(5, 6)+" === ' 14.50'")

	// Ends of the sheet are one key away, and what is found is a sheet of its own.
	u.chosen("End", true, false)
	u.wait("one is at its end", `document.activeElement.getAttribute('aria-label').includes(' of Product 12')`)
	u.chosen("Home", true, false)
	u.wait("one is at its beginning", `document.activeElement.getAttribute('aria-label').startsWith('Picture of Product 1')`)
	u.write("[aria-label='Find a product']", "product 11")
	u.wait("it alone is there", "document.querySelectorAll('[role=grid] .row').length === 1")
	u.cell(1, "Price")
	u.keys("5")
	u.press(input.Enter)
	u.wait("it has the price", ofProduct("Product 11", "price")+" === '5.00'")
	u.wait("none is added to what was found", "window.billowEditor.clip.products.length === 12 && "+prices(1, 1)+" === '10.50'")
}
