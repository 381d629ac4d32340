package e2e

import (
	"archive/zip"
	"bytes"
	"encoding/csv"
	"fmt"
	"image"
	"image/png"
	"io"
	"math"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/export"

	"github.com/go-rod/rod/lib/input"
)

// priced gives a copy of the morning mug's clip a range of four and lets it follow its product.
func priced(t *testing.T) (u *user, id string) {
	id = copyOf(t, 1)
	u = visit(t, "/clips/"+id+"/range")
	u.find("[role=grid]")
	u.cell(1, "Name")
	u.paste("Name\tPicture\tPrice\nEnamel mug\tEnamel mug\t14.90\nTrail kettle\tTrail kettle\t38.00\nBread tin\tBread tin\t27.50\nFolding stove\tFolding stove\t64.20\n")
	u.clickText(".modal.show button", "^Take ")
	u.wait("four are there", `['Enamel mug', 'Trail kettle', 'Bread tin', 'Folding stove'].every((n) => window.billowEditor.clip.products.some((p) => p.name === n && p.prop))`)
	u.clickText(".views a", "Variants")
	u.clickText(".variants button", "^0 of ")
	for _, name := range []string{"Enamel mug", "Trail kettle", "Bread tin", "Folding stove"} {
		u.clickText(".menu label", name)
	}
	u.wait("there are sixteen", "document.querySelector('.variants .count').textContent === '16'")
	u.press(input.Escape)
	u.clickText(".unbound button", "Let all that shows Enamel mug follow it")
	u.wait("nothing is said of it any more", "!document.querySelector('.unbound')")
	u.wait("they are looked over", "document.querySelectorAll('.row img').length > 0 && !document.querySelector('.looking')")
	return u, id
}

// stored is a clip as the server has it.
func storedClip(t *testing.T, id string) *clip.Clip {
	t.Helper()
	st, err := site.Store.State(t.Context(), id)
	if err != nil {
		t.Fatal(err)
	}
	return st.Clip
}

// Twelve variants are exported at once, and each shows its own price and no other: what is in the
// files is compared with the price drawn alone.
func TestEachVariantShowsItsOwnPrice(t *testing.T) {
	u, id := priced(t)
	// One second of it is enough to be compared.
	u.eval("void window.billowEditor.run({ type: 'setClip', length: 30, past: 'bring' })")
	u.wait("it is shorter", "window.billowEditor.view.length === 30")
	u.clickText(".variants button", "^Square")
	u.clickText(".menu label", "Wide")
	u.wait("there are twelve", "document.querySelector('.variants .count').textContent === '12'")
	u.press(input.Escape)
	u.write("[aria-label='How files are called']", "{name}_{price}_{shape}")
	u.click(".variants .quick input")
	u.clickText(".variants button", "^Export 12 variants")
	u.find(".export[data-done='12']")
	u.saved()
	files := unzipped(t, fetch(t, u.eval("document.querySelector('.export a').getAttribute('href')")))
	c := storedClip(t, id)
	if n := len(files); n != 25 {
		t.Errorf("there are %d files", n)
	}
	rows, err := csv.NewReader(bytes.NewReader(bytes.TrimPrefix(files["contents.csv"], []byte("\ufeff")))).ReadAll()
	if err != nil || len(rows) != 13 || rows[1][0] != "enamel-mug_14-90_square.mp4" || rows[1][2] != "14.90" || rows[1][10] != "done" {
		t.Errorf("%q %v", rows, err)
	}
	lib := export.Library()
	at := frame.PosterFrame(c, lib)
	type drawnAlone struct {
		picture image.Image
		box     image.Rectangle
	}
	alone := map[clip.Variant]drawnAlone{}
	for _, ref := range c.EachVariant() {
		picture, box := priceAlone(t, c, ref, at, lib)
		alone[ref] = drawnAlone{picture, box}
	}
	for _, ref := range c.EachVariant() {
		p := c.Product(ref.Product)
		name := strings.ReplaceAll(strings.ToLower(p.Name), " ", "-") + "_" + strings.ReplaceAll(p.Price, ".", "-") + "_" + ref.Shape
		if len(files[name+".mp4"]) < 1000 {
			t.Errorf("%s.mp4 has %d bytes", name, len(files[name+".mp4"]))
		}
		picture, err := png.Decode(bytes.NewReader(files[name+".png"]))
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		var nearest string
		best := math.Inf(1)
		for _, other := range c.Variants.Products {
			price := alone[clip.Variant{Product: other, Shape: ref.Shape}]
			d := apart(picture, price.picture, price.box)
			if d < best {
				nearest, best = other, d
			}
			if other != ref.Product && d < 2 {
				t.Errorf("%s looks as if it cost what %s does: %.2f levels apart", name, other, d)
			}
		}
		if nearest != ref.Product || best > 1 {
			t.Errorf("%s shows the price of %s, %.2f levels apart", name, nearest, best)
		}
	}
}

// priceAlone is the badge of a variant drawn without all else, and where its words are.
func priceAlone(t *testing.T, c *clip.Clip, ref clip.Variant, at int, lib *frame.Library) (image.Image, image.Rectangle) {
	t.Helper()
	v, _, err := edit.Variant(c, ref)
	if err != nil {
		t.Fatal(err)
	}
	badge := slices.IndexFunc(v.Layers, func(l clip.Layer) bool { return l.Kind == clip.KindBadge })
	if badge < 0 {
		t.Fatal("there is no badge")
	}
	keep := v.Layers[badge].ID
	for i := range v.Layers {
		if l := v.Own(v.Layers[i].ID); l.ID != keep && !l.Is().Holds {
			l.Hidden = true
		}
	}
	shape, err := v.Shape(ref.Shape)
	if err != nil {
		t.Fatal(err)
	}
	still, err := export.Still(t.Context(), v, shape, shape.W, shape.H, at, lib, site.World.Open)
	if err != nil {
		t.Fatal(err)
	}
	unit := float64(min(shape.W, shape.H)) / 1000
	for _, p := range frame.Arrange(v, shape, lib).Places(at, []string{keep}) {
		x, y := float64(shape.W)/2+p.X*unit, float64(shape.H)/2+p.Y*unit
		// The middle half of the badge: its words on its plate, and nothing of what is behind it.
		w, h := p.W*unit/3, p.H*unit/8
		return still.Image(), image.Rect(int(x-w), int(y-h), int(x+w), int(y+h))
	}
	t.Fatal("the badge cannot be seen")
	return nil, image.Rectangle{}
}

// apart is how many levels two pictures are apart in a box, on average.
func apart(a, b image.Image, box image.Rectangle) float64 {
	sum, n := 0.0, 0
	for y := box.Min.Y; y < box.Max.Y; y++ {
		for x := box.Min.X; x < box.Max.X; x++ {
			r0, g0, b0, _ := a.At(x, y).RGBA()
			r1, g1, b1, _ := b.At(x, y).RGBA()
			for _, d := range [][2]uint32{{r0, r1}, {g0, g1}, {b0, b1}} {
				sum += math.Abs(float64(d[0]>>8) - float64(d[1]>>8))
				n++
			}
		}
	}
	return sum / float64(n)
}

func unzipped(t *testing.T, file string) map[string][]byte {
	t.Helper()
	z, err := zip.OpenReader(file)
	if err != nil {
		t.Fatal(err)
	}
	defer z.Close()
	out := map[string][]byte{}
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		if out[f.Name], err = io.ReadAll(r); err != nil {
			t.Fatal(err)
		}
		r.Close()
	}
	return out
}

// One variant is adjusted in the picture; the others stay as they are, and it can be made like them again.
func TestOneVariantIsAdjustedByItself(t *testing.T) {
	u, id := priced(t)
	poster := func(product, shape string) string {
		return u.eval(fmt.Sprintf(`fetch('/api/clips/%s/variants/poster.jpg?product=%s&shape=%s').then((r) => r.headers.get('ETag'))`, id, product, shape))
	}
	u.saved()
	kettle := u.eval(ofProduct("Trail kettle", "id"))
	mug := u.eval(ofProduct("Enamel mug", "id"))
	before := [3]string{poster(kettle, "square"), poster(kettle, "tall"), poster(mug, "square")}
	u.eval(`void [...document.querySelectorAll('.variants .row')].find((r) => r.textContent.includes('Trail kettle')).querySelector('[role=gridcell]').dispatchEvent(new MouseEvent('dblclick', { bubbles: true }))`)
	u.text("[aria-label='One variant']", "Only Trail kettle")
	u.wait("it is seen", "window.billowEditor.clip.shown === '"+kettle+"'")
	u.eval("void window.billowEditor.select(window.billowEditor.clip.layers.find((l) => l.cutout?.prop === '@product').id)")
	u.click("[data-panel=layer]")
	u.write("[aria-label=Size]", "333")
	u.wait("it is smaller", "window.billowEditor.layer.rest.size === 333 || window.billowEditor.layer.rests?.square?.size === 333")
	u.press(input.Escape)
	u.clickText("[aria-label='One variant'] button", "Back to the variants")
	u.find(".marks .adjusted")
	u.saved()
	after := [3]string{poster(kettle, "square"), poster(kettle, "tall"), poster(mug, "square")}
	if after[0] == before[0] || after[1] != before[1] || after[2] != before[2] {
		t.Errorf("the posters are %q and were %q", after, before)
	}
	if c := storedClip(t, id); len(c.Variants.Cells) != 1 || c.Variants.Cells[0].Product != kettle {
		t.Errorf("%+v", c.Variants.Cells)
	}
	u.clickText(".detail button", "Make it like the others")
	u.wait("it is not adjusted any more", "!document.querySelector('.marks .adjusted')")
	u.saved()
	if again := poster(kettle, "square"); again != before[0] {
		t.Error("it does not look as before")
	}
}

// A variant that lacks something is shown with its reason, and not exported.
func TestWhatAVariantLacksIsSaid(t *testing.T) {
	u, _ := priced(t)
	u.clickText(".views a", "Range")
	u.find("[role=grid]")
	u.eval(`void window.billowEditor.run({ type: 'setProduct', product: { ...window.billowEditor.clip.products.find((p) => p.name === 'Bread tin'), price: '', prop: undefined } })`)
	u.clickText(".views a", "Variants")
	u.text(".variants button", "16 to look at")
	u.text(".variants button", "Export 12 variants")
	u.finds("the variants")
	u.clickText(".variants button", "16 to look at") // those that cannot be posted come first
	u.text(".detail", "asks for \\{price\\}, which Bread tin does not have")
	u.text(".detail", "Bread tin has no picture")
	if u.eval("[...document.querySelectorAll('.detail button')].at(-1).disabled") != "true" {
		t.Error("it can be exported")
	}
}

// Texts are in another language where they are translated, with money in its form.
func TestVariantsSpeakOtherLanguages(t *testing.T) {
	u, id := priced(t)
	u.clickText(".variants button", "^English")
	u.choose("[aria-label='Another language for the variants']", "de")
	u.wait("there are twice as many", "document.querySelector('.variants .count').textContent === '32'")
	u.clickText(".menu button", "Texts in other languages")
	u.text(".modal.show [role=status]", "not in German yet")
	u.write(".modal.show [aria-label='Headline in German']", "Langsame *Morgen*")
	u.wait("it is kept", `Object.values(window.billowEditor.clip.layers).some((l) => l.words?.texts?.de === 'Langsame *Morgen*')`)
	u.saved()
	c := storedClip(t, id)
	v, _, err := edit.Variant(c, clip.Variant{Product: c.Variants.Products[0], Shape: "square", Language: "de"})
	if err != nil {
		t.Fatal(err)
	}
	said := map[string]bool{}
	for i := range v.Layers {
		if w := v.Layers[i].Words; w != nil {
			said[w.Text] = true
		}
	}
	if !said["Langsame *Morgen*"] || v.Language != "de" {
		t.Errorf("it says %v in %q", said, v.Language)
	}
}
