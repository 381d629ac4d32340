package demo

import (
	"bytes"
	"embed"
	"image"
	"image/png"

	"golang.org/x/image/draw"
)

// product is one thing that Ottermoss sells; its picture is pictures/ID.png.
type product struct {
	ID, Name        string
	Price, OldPrice string
}

var products = []product{
	{"lantern", "Storm lantern", "49.00", "69.00"},
	{"mug", "Enamel mug", "14.90", ""},
	{"kettle", "Trail kettle", "38.00", "48.00"},
	{"stove", "Folding stove", "27.50", "39.00"},
	{"tin", "Bread tin", "32.00", ""},
	{"spoons", "Cedar spoon set", "18.00", "24.00"},
}

// colourways are further cut-outs, of which the table of the range speaks.
var colourways = []product{
	{ID: "lantern-rust", Name: "Harbour lantern"}, {ID: "mug-moss", Name: "Moss mug"}, {ID: "mug-ink", Name: "Midnight mug"},
	{ID: "kettle-lake", Name: "Lake kettle"}, {ID: "tin-honey", Name: "Honey tin"}, {ID: "spoons-walnut", Name: "Walnut spoon set"},
}

//go:generate go run billow/cmd/pictures products pictures
//go:generate go run billow/cmd/pictures starters ../web/src/clips/starters
//go:embed pictures/*.png
var pictures embed.FS

// photo is the picture of a product as a PNG file with so many pixels on the
// longer side, and no more than it is kept with.
func photo(id string, side int) ([]byte, error) {
	file, err := pictures.ReadFile("pictures/" + id + ".png")
	if err != nil || side >= Side {
		return file, err
	}
	whole, err := png.Decode(bytes.NewReader(file))
	if err != nil {
		return nil, err
	}
	size := whole.Bounds().Size()
	longer := max(size.X, size.Y)
	return encoded(resized(whole, max(1, side*size.X/longer), max(1, side*size.Y/longer)))
}

// resized is a picture with so many pixels.
func resized(m image.Image, w, h int) *image.NRGBA {
	out := image.NewNRGBA(image.Rect(0, 0, w, h))
	draw.CatmullRom.Scale(out, out.Bounds(), m, m.Bounds(), draw.Src, nil)
	return out
}

func encoded(m image.Image) ([]byte, error) {
	var out bytes.Buffer
	if err := png.Encode(&out, m); err != nil {
		return nil, err
	}
	return out.Bytes(), nil
}

// Picture is the cut-out of a product.
func Picture(id string) (*image.NRGBA, error) {
	file, err := photo(id, Side)
	if err != nil {
		return nil, err
	}
	m, err := png.Decode(bytes.NewReader(file))
	if err != nil {
		return nil, err
	}
	out := image.NewNRGBA(m.Bounds())
	draw.Draw(out, out.Rect, m, image.Point{}, draw.Src)
	return out, nil
}
