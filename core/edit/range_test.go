package edit

import (
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
)

// Amounts are typed as people write them.
func TestAmountsMayBeTypedAsPeopleWriteThem(t *testing.T) {
	c := sample()
	set := func(price, old, code string) string {
		return fmt.Sprintf(`{"type":"setProduct","product":{"id":"p","name":"P","price":%q,"oldPrice":%q,"currency":%q}}`, price, old, code)
	}
	c = do(t, c, set("1.299,00 €", "1 499,5", "EUR"))
	if p := c.Product("p"); p.Price != "1299.00" || p.OldPrice != "1499.50" || p.Currency != "EUR" {
		t.Errorf("%+v", p)
	}
	c = do(t, c, set("12,99 zł", "", "EUR"))
	if p := c.Product("p"); p.Price != "12.99" || p.Currency != "PLN" {
		t.Errorf("%+v", p)
	}
	refused(t, c, set("12,99 zł", "$20", "EUR"), "oldPrice")
	refused(t, c, set("1,299", "", "EUR"), "price") // twelve hundred or one and a bit
	c = do(t, c, set("", "", "EUR"))                // not known yet
	do(t, c, set("5", "4", "EUR"))                  // a mistake that is shown, not refused
}

// Many products are changed, added and taken away in one step, which one undo takes back.
func TestARangeIsChangedInOneStep(t *testing.T) {
	c := sample()
	n := len(c.Products)
	c = do(t, c, `{"type":"setRange","products":[{"id":"a","name":"A","price":"1,50","oldPrice":"","currency":"EUR"},{"id":"b","name":"B","price":"2","oldPrice":"","currency":"EUR"}]}`)
	before := c
	c = do(t, c, `{"type":"setRange","remove":["a"],"products":[{"id":"b","name":"Bee","price":"2","oldPrice":"3","currency":"EUR"},{"id":"d","name":"D","price":"4","oldPrice":"","currency":"EUR"}]}`)
	if len(c.Products) != n+2 || c.Product("a") != nil || c.Product("b").Name != "Bee" || c.Product("d") == nil {
		t.Errorf("%+v", c.Products)
	}
	p, err := Difference(before, c)
	if err != nil {
		t.Fatal(err)
	}
	undone, _, err := (&Undo{Changes: p.Inverse()}).undone(c.Copy())
	if err != nil || string(undone.Encode()) != string(before.Encode()) {
		t.Errorf("it was not undone: %v", err)
	}
	refused(t, c, `{"type":"setRange","remove":["nobody"]}`, "remove")
	refused(t, c, `{"type":"setRange","products":[{"id":"a","name":"A","price":"-1","oldPrice":"","currency":"EUR"}]}`, "price")
	used := do(t, c, `{"type":"setClip","shown":"b"}`)
	refused(t, used, `{"type":"setRange","remove":["b"]}`, "remove")
	var many []string
	for i := range clip.MaxProducts {
		many = append(many, fmt.Sprintf(`{"id":"m%d","name":"M","price":"1","oldPrice":"","currency":"EUR"}`, i))
	}
	refused(t, c, `{"type":"setRange","products":[`+strings.Join(many, ",")+`]}`, "products")
}

// Pictures go to the products after which their files are named.
func TestPicturesGoToTheProductsTheyAreNamedAfter(t *testing.T) {
	c := sample()
	c = do(t, c, `{"type":"setRange","products":[
		{"id":"kettle","name":"Trail kettle","price":"1","oldPrice":"","currency":"EUR"},
		{"id":"green","name":"Becher grün","price":"2","oldPrice":"","currency":"EUR","fields":{"number":"OM-1034"}},
		{"id":"twin1","name":"Twin","price":"2","oldPrice":"","currency":"EUR"},{"id":"twin2","name":"Twin","price":"2","oldPrice":"","currency":"EUR"}]}`)
	prop := func(id, name, hash string) string {
		return fmt.Sprintf(`{"id":%q,"name":%q,"kind":"cutout","hash":%q,"media":"image/png","picture":{"w":9,"h":9,"visible":[0,0,9,9]}}`, id, name, strings.Repeat(hash, 64))
	}
	bring := func(c *clip.Clip, name string) *clip.Clip {
		return do(t, c, `{"type":"bringPictures","props":[`+prop("new", name, "e")+`]}`)
	}
	for name, product := range map[string]string{
		"Trail_Kettle.PNG": "kettle", "C:\\photos\\trail-kettle front.png": "kettle", "Becher Grün.webp": "green", "becher-gruen": "green", "om-1034.jpg": "green",
		"Twin.png": "", "mystery.png": "", "kettle.png": "kettle", ".png": "",
	} {
		next := bring(c, strings.ReplaceAll(name, "\\", "\\"))
		for _, p := range next.Products {
			if (p.Prop == "new") != (p.ID == product) {
				t.Errorf("%q: %s has %q", name, p.Name, p.Prop)
			}
		}
		if next.Prop("new") == nil {
			t.Errorf("%q is lost", name)
		}
	}
	// A picture that is there already is not there twice.
	again := do(t, bring(c, "Twin.png"), `{"type":"bringPictures","props":[`+prop("other", "Trail kettle.png", "e")+`]}`)
	if again.Prop("other") != nil || again.Product("kettle").Prop != "new" {
		t.Errorf("%+v", again.Product("kettle"))
	}
}
