package table

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"reflect"
	"strings"
	"testing"

	"billow/core/clip"

	"golang.org/x/text/encoding/charmap"
	"golang.org/x/text/encoding/unicode"
)

func rangeOf(products ...clip.Product) *clip.Clip {
	return &clip.Clip{
		Products: products,
		Props:    []clip.Prop{{ID: "mug", Name: "Enamel mug.png", Kind: clip.KindCutout, Picture: &clip.Picture{W: 10, H: 10, Visible: [4]int{0, 0, 10, 10}}}},
	}
}

var shelf = []clip.Prop{{ID: "mug", Name: "Storm-lantern.png", Hash: "aa", Kind: clip.KindCutout, Picture: &clip.Picture{W: 10, H: 10, Visible: [4]int{0, 0, 10, 10}}}}

func read(t *testing.T, text string, c *clip.Clip, opt Options) Reading {
	t.Helper()
	rows, _, err := Parse([]byte(text), 0)
	if err != nil {
		t.Fatalf("%q: %v", text, err)
	}
	r, err := Read(rows, c, shelf, opt)
	if err != nil {
		t.Fatalf("%q: %v", text, err)
	}
	return r
}

// What parts cells is found, whatever is between quotes, and however the text is stored.
func TestTablesOfAllKindsAreParsed(t *testing.T) {
	want := [][]string{{"Name", "Preis"}, {"Becher; groß", "12,50"}, {"Kessel\n\"1 l\"", "1.299,00"}}
	for _, c := range []struct {
		text      string
		separator rune
	}{
		{"Name;Preis\n\"Becher; groß\";12,50\n\"Kessel\n\"\"1 l\"\"\";1.299,00\n", ';'},
		{"Name,Preis\r\nBecher; groß,\"12,50\"\r\n\r\n\"Kessel\r\n\"\"1 l\"\"\",\"1.299,00\"\r\n", ','},
		{"Name\tPreis\nBecher; groß\t12,50\n\"Kessel\n\"\"1 l\"\"\"\t1.299,00", '\t'},
		{"Name|Preis\nBecher; groß|12,50\n\"Kessel\n\"\"1 l\"\"\"|1.299,00", '|'},
		{"sep=;\nName;Preis\n\"Becher; groß\";12,50\n\"Kessel\n\"\"1 l\"\"\";1.299,00\n", ';'},
	} {
		wide, err := unicode.UTF16(unicode.LittleEndian, unicode.UseBOM).NewEncoder().String(c.text)
		if err != nil {
			t.Fatal(err)
		}
		old, err := charmap.Windows1252.NewEncoder().String(c.text)
		if err != nil {
			t.Fatal(err)
		}
		for _, in := range []string{c.text, "\ufeff" + c.text, wide, old} {
			rows, separator, err := Parse([]byte(in), 0)
			if err != nil || separator != c.separator || !reflect.DeepEqual(rows, want) {
				t.Errorf("%q is parted by %q: %q %v", in, separator, rows, err)
			}
		}
	}
}

func TestWhatIsNoTableIsRefused(t *testing.T) {
	for text, says := range map[string]string{
		"": "empty", " \n ": "empty", "\x89PNG\r\n\x1a\n\x00\x00": "no table", "a\x00b": "no table", "PK\x03\x04": "no table", "\xff\xfe\x00": "no table",
		strings.Repeat("a,b\n", 50000): "more than 5000 rows", strings.Repeat(",", 300): "cells",
	} {
		if _, _, err := Parse([]byte(text), 0); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%.20q: %v", text, err)
		}
	}
	if _, _, err := Parse(make([]byte, MaxBytes+1), 0); err == nil {
		t.Error("a table of any length is taken")
	}
}

// Headings are known in several languages; others become fields of the products' own.
func TestHeadingsAreKnown(t *testing.T) {
	for heading, want := range map[string]string{
		"Price": "price", "preis": "price", "Was": "oldPrice", "UVP": "oldPrice", "Bild": "prop", "Name": "name", "Name (de)": "name@de", "Highlight (German)": "line@de",
		"Farbe innen": "farbe-innen", "Größe": "groesse", "": "", "!": "", "Lowest price of the last 30 days": "lowest", "Weight in grams": "weight-in-grams", "old": "",
	} {
		if got := Guess(heading); got != want {
			t.Errorf("%q is %q, want %q", heading, got, want)
		}
	}
}

func TestATableBecomesProducts(t *testing.T) {
	c := rangeOf(clip.Product{ID: "mug", Name: "Enamel mug", Price: "14.00", Currency: "EUR", Line: "Unbreakable"}, clip.Product{ID: "lamp", Name: "Lamp", Price: "49.00", Currency: "EUR"})
	r := read(t, "Product;Picture;Price now;Before;Colour;Name (de)\n"+
		"enamel mug;enamel-mug.PNG;1.012,50 €;1.114,00;blue;Emaillebecher\n"+
		"Lamp;;49,00;;;\n"+
		"Kettle;;38;;;\n", c, Options{})
	want := []clip.Product{
		{ID: "mug", Name: "enamel mug", Price: "1012.50", OldPrice: "1114.00", Currency: "EUR", Line: "Unbreakable", Prop: "mug", Fields: map[string]string{"colour": "blue"}, Spoken: map[string]map[string]string{"de": {"name": "Emaillebecher"}}},
		{ID: "kettle", Name: "Kettle", Price: "38.00", Currency: "EUR"},
	}
	if len(r.Faults) > 0 || r.Point != "," || r.Added != 1 || r.Changed != 1 || r.Same != 1 || !reflect.DeepEqual(r.Products, want) || !reflect.DeepEqual(r.From, []int{2, 4}) {
		t.Errorf("%+v", r)
	}
}

// Rows that cannot be taken are told by row and column, and the others are taken.
func TestFaultsAreToldByRowAndColumn(t *testing.T) {
	c := rangeOf(clip.Product{ID: "mug", Name: "Mug", Price: "14.00", Currency: "EUR"})
	r := read(t, "name,price,old price,currency,picture,deal,contents\n"+
		"Mug,-5,,EUR,,,\n"+ // 2
		"Lamp,12.999,,EUR,,,\n"+ // 3
		"Kettle,38,,GELD,,,\n"+ // 4
		"Stove,9,,EUR,nowhere.png,,\n"+ // 5: a doubt
		",9,,EUR,,,\n"+ // 6
		"Tin,9,,EUR,,three,\n"+ // 7
		"Spoon,9,8,EUR,,,\n"+ // 8: a doubt
		"Pan,9.50,,EUR,,,3 ells\n"+ // 9
		"Spoon,7,,EUR,,,\n"+ // 10: a doubt
		"Pot,7.50,,EUR,,,\n", c, Options{})
	where := map[[2]int]string{}
	for _, f := range r.Faults {
		where[[2]int{f.Row, f.Column}] = fmt.Sprint(f.Says, f.Doubt)
	}
	for at, says := range map[[2]int]string{{2, 2}: "below zero", {3, 2}: "more decimals than EUR", {4, 4}: "not a currency", {5, 5}: "no picture \"nowhere.png\" yet: once it is brought in, it goes heretrue", {6, 1}: "no name", {7, 6}: "3 for 2", {8, 3}: "not above the price €9.00true", {9, 7}: "250 g", {10, 1}: "row 8 has the same name"} {
		if !strings.Contains(where[at], says) {
			t.Errorf("at %v it says %q, want %q", at, where[at], says)
		}
	}
	if len(where) > 10 || len(r.Products) != 4 || r.Products[0].Awaits != "nowhere.png" || r.Products[1].Name != "Spoon" || r.Products[2].ID != "spoon-2" || r.Products[3].Name != "Pot" {
		t.Errorf("%+v %v", r.Products, where)
	}
}

// A picture that only the shelf has comes along, under an ID that is free.
func TestPicturesComeFromTheShelf(t *testing.T) {
	r := read(t, "name,picture,price\nLantern,storm lantern,5\nLamp,storm-lantern.png,6\n", rangeOf(), Options{})
	if len(r.Props) != 1 || r.Props[0].ID != "mug-2" || r.Props[0].Hash != "aa" || r.Products[0].Prop != "mug-2" || r.Products[1].Prop != "mug-2" {
		t.Errorf("%+v", r)
	}
}

// Blocks without headings are laid onto the products on which they are pasted.
func TestABlockIsLaidOntoProducts(t *testing.T) {
	c := rangeOf(clip.Product{ID: "a", Name: "A", Price: "1", Currency: "EUR"}, clip.Product{ID: "b", Name: "B", Price: "2", Currency: "EUR"})
	no := false
	r := read(t, "3,50\t4,50\n5\t\n", c, Options{Header: &no, Columns: []string{"price", "oldPrice"}, Onto: []string{"a", "b"}, Exactly: true})
	if len(r.Faults) > 0 || r.Changed != 2 || r.Products[0].Price != "3.50" || r.Products[0].OldPrice != "4.50" || r.Products[1].Price != "5.00" || r.Products[1].Name != "B" {
		t.Errorf("%+v", r)
	}
}

// What is written is read again as it was, and nothing of it runs in a spreadsheet.
func TestARangeIsWrittenAndReadAgain(t *testing.T) {
	c := rangeOf(
		clip.Product{ID: "mug", Name: "=HYPERLINK(\"x\")", First: "+1", Line: "-20; \"now\"\nor never", Price: "14.00", OldPrice: "20.00", Lowest: "20.00", Currency: "EUR", Percent: "30", Quote: "from", Deal: "3 for 2", Contents: "250 g", Web: "@ottermoss", Prop: "mug", Fields: map[string]string{"colour": "blue"}},
		clip.Product{ID: "lamp", Name: "Lampe", Price: "1500", Currency: "JPY", Spoken: map[string]map[string]string{"ja": {"name": "ランプ"}}},
	)
	for _, separator := range []rune{',', ';', '\t'} {
		out := Write(c, separator)
		cells := csv.NewReader(bytes.NewReader(bytes.TrimPrefix(out, []byte("\ufeff"))))
		cells.Comma = separator
		all, err := cells.ReadAll()
		if err != nil {
			t.Fatal(err)
		}
		for _, row := range all {
			for _, cell := range row {
				if cell != "" && strings.ContainsAny(cell[:1], "=+-@") {
					t.Errorf("%q would run", cell)
				}
			}
		}
		empty := rangeOf()
		rows, found, err := Parse(out, 0)
		if err != nil || found != separator {
			t.Fatalf("%q %v", found, err)
		}
		r, err := Read(rows, empty, nil, Options{})
		if err != nil {
			t.Fatal(err)
		}
		for i, p := range r.Products {
			p.ID = c.Products[i].ID
			if !reflect.DeepEqual(p, c.Products[i]) {
				t.Errorf("%+v, want %+v", p, c.Products[i])
			}
		}
		if len(r.Products) != 2 {
			t.Errorf("%+v", r.Faults)
		}
	}
}

func FuzzRead(f *testing.F) {
	for _, s := range []string{"name,price\nMug,12.50", "a;b;c\n;;\n", "\"", "name\tprice (de)\n\tx", "=1+1", "\ufeff", "name,name\na,b", "price\n1,2,3"} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, in []byte) {
		rows, _, err := Parse(in, 0)
		if err != nil {
			return
		}
		c := rangeOf(clip.Product{ID: "mug", Name: "Mug", Price: "14.00", Currency: "EUR"})
		r, err := Read(rows, c, nil, Options{})
		if err != nil {
			return
		}
		for _, p := range r.Products {
			if err := c.CheckProduct(&p); err != nil {
				t.Errorf("%q gives a product that is refused: %v", in, err)
			}
		}
	})
}

// Reading the longest table there may be.
func BenchmarkRead(b *testing.B) {
	var text strings.Builder
	text.WriteString("name,price,old price,colour\n")
	for i := range MaxRows - 1 {
		fmt.Fprintf(&text, "Product %d,%d.50,%d.00,blue\n", i, i+1, i+2)
	}
	c := rangeOf()
	for b.Loop() {
		rows, _, err := Parse([]byte(text.String()), 0)
		if err != nil {
			b.Fatal(err)
		}
		if r, err := Read(rows, c, nil, Options{}); err != nil || r.Added != MaxRows-1 {
			b.Fatal(r.Added, err)
		}
	}
}
