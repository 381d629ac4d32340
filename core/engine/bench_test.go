package engine

import (
	"encoding/json"
	"fmt"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/words"
)

// BenchmarkPrice changes one price of a clip that has 2,000 products, each with a picture of its
// own, and writes what the page is told.
func BenchmarkPrice(b *testing.B) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Stocked", square, 30, 60)
	for i := range 2000 {
		prop := clip.Prop{ID: fmt.Sprint("picture-", i), Name: fmt.Sprint("Thing ", i), Kind: clip.KindCutout, Hash: fmt.Sprintf("%064d", i), Media: "image/png", Picture: &clip.Picture{W: 4, H: 4, Visible: [4]int{0, 0, 4, 4}}}
		c.Props = append(c.Props, prop)
		c.Products = append(c.Products, clip.Product{ID: fmt.Sprint("product-", i), Name: prop.Name, Line: "For the days outside", Price: "12.90", OldPrice: "19.90", Currency: "EUR", Prop: prop.ID})
	}
	e := New(frame.NewLibrary(words.NewFonts(), 1<<20))
	whole, err := json.Marshal(c)
	if err != nil {
		b.Fatal(err)
	}
	if _, err := e.Call("open", whole, nil); err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	told := 0
	for i := range b.N {
		p := c.Products[1000]
		p.Price = fmt.Sprintf("%d.90", 1+i%18)
		product, err := json.Marshal(p)
		if err != nil {
			b.Fatal(err)
		}
		arg, err := json.Marshal(Wish{Command: json.RawMessage(`{"type":"setProduct","product":` + string(product) + `}`), Keep: true, ID: fmt.Sprint(i)})
		if err != nil {
			b.Fatal(err)
		}
		answer, err := e.Call("apply", arg, nil)
		if err != nil {
			b.Fatal(err)
		}
		text, err := json.Marshal(answer)
		if err != nil {
			b.Fatal(err)
		}
		told = len(text)
	}
	b.ReportMetric(float64(told), "bytes-told")
}
