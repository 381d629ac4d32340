package pieces_test

import (
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/paint"
	"billow/core/pieces"
	"billow/core/words"
	"billow/fonts"
)

func bare() *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Pieces", tall, 30, 300)
	c.Layers[0].Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colour.RGB(0x808080)}}
	c.Products = []clip.Product{{ID: "p", Name: "Storm lantern", Price: "49.00", OldPrice: "69.00", Lowest: "69.00", Contents: "2 pieces", Currency: "EUR"}}
	return c
}

// added is a clip with a piece in it, as the page adds it.
func added(t *testing.T, c *clip.Clip, in pieces.Asked) *clip.Clip {
	t.Helper()
	layers, err := pieces.Make(c, in)
	if err != nil {
		t.Fatalf("%s: %v", in.Kind, err)
	}
	return applied(t, c, map[string]any{"type": "addLayers", "layers": layers, "id": "made"})
}

func applied(t *testing.T, c *clip.Clip, command map[string]any) *clip.Clip {
	t.Helper()
	raw, err := json.Marshal(command)
	if err != nil {
		t.Fatal(err)
	}
	out, err := edit.Apply(c, raw)
	if err != nil {
		t.Fatalf("%s: %v", command["type"], err)
	}
	return out
}

func drawn(t *testing.T, c *clip.Clip, at int) *paint.Bitmap {
	t.Helper()
	tall, _ := c.Shape("tall")
	stage, err := frame.Prepare(c, tall, 270, 480, frame.NewLibrary(fonts.All(), 64<<20))
	if err != nil {
		t.Fatal(err)
	}
	b := paint.NewBitmap(270, 480)
	stage.Painter().Draw(b, at)
	return b
}

// changed is how many pixels two pictures do not share.
func changed(a, b *paint.Bitmap) (n int) {
	for i := range a.Pix {
		if a.Pix[i] != b.Pix[i] {
			n++
		}
	}
	return n
}

// Each piece is not there before it comes, moves while it comes, and is an ordinary group that
// can be taken apart: the layers stay, and look as they did.
func TestEveryPieceComesAndCanBeTakenApart(t *testing.T) {
	for _, k := range pieces.Names {
		for _, product := range []string{"", "p"} {
			c := bare()
			if product == "" {
				c.Products = nil
			}
			empty := drawn(t, c, 200)
			c = added(t, c, pieces.Asked{Kind: k.ID, Product: product, Frame: 60})
			if n := changed(empty, drawn(t, c, 55)); n > 0 {
				t.Errorf("%s: %d pixels show before it comes", k.ID, n)
			}
			soon, later, after := drawn(t, c, 66), drawn(t, c, 76), drawn(t, c, 200)
			if changed(empty, soon) == 0 || changed(soon, later) < 50 || changed(empty, after) < 300 {
				t.Errorf("%s: %d pixels show soon, %d move, %d show in the end", k.ID, changed(empty, soon), changed(soon, later), changed(empty, after))
			}
			g := c.Layer("made")
			in := c.Children("made")
			if g == nil || g.Inside == nil || len(in) < 2 {
				t.Fatalf("%s is no group", k.ID)
			}
			said := ""
			apart := applied(t, c, map[string]any{"type": "ungroup", "layer": "made"})
			for _, id := range in {
				if w := c.Layer(id).Words; w != nil {
					said += w.Text
				}
				if apart.Layer(id) == nil || apart.Layer("made") != nil {
					t.Errorf("%s is not taken apart: %s", k.ID, id)
				}
			}
			if speaks := strings.Contains(said, "{"); speaks != (product != "") {
				t.Errorf("%s with the product %q says %q", k.ID, product, said)
			}
		}
	}
}

// Whatever a badge says stays inside of it: words become smaller, and are never divided.
func TestTextFitsInsideWhateverItsLength(t *testing.T) {
	for _, k := range pieces.Names {
		if k.ID == "corner-band" { // its ends are beyond the frame
			continue
		}
		for _, text := range []string{"A", "Forty-nine euros and ninety-nine cents", "Donaudampfschifffahrt"} {
			c := added(t, bare(), pieces.Asked{Kind: k.ID, Text: text, Frame: 0})
			for i := range c.Layers {
				l := &c.Layers[i]
				if l.Group != "made" || l.Words == nil || l.Words.Fit == nil {
					continue
				}
				figure := c.Layers[slices.IndexFunc(c.Layers, func(o clip.Layer) bool { return o.Group == "made" && o.Card != nil })]
				if k.ID == "lower-line" || k.ID == "swing-tag" {
					figure = c.Layers[slices.IndexFunc(c.Layers, func(o clip.Layer) bool { return o.Name == "Plane" || o.Name == "Tag" })]
				}
				w, h := figure.Rest.Size, figure.Rest.Size/figure.Card.Aspect
				if figure.Card.Aspect < 1 {
					w, h = figure.Rest.Size*figure.Card.Aspect, figure.Rest.Size
				}
				if math.Abs(figure.Rest.Turn) == 90 {
					w, h = h, w
				}
				bw, bh := l.Words.Width, l.Words.Fit.Height
				if math.Abs(l.Rest.Turn) == 90 {
					bw, bh = bh, bw
				}
				dx, dy := math.Abs(l.Rest.X-figure.Rest.X)+bw/2, math.Abs(l.Rest.Y-figure.Rest.Y)+bh/2
				if dx > w/2 || dy > h/2 {
					t.Errorf("%s: the box of %q reaches %.0f,%.0f from the middle, the figure %.0f,%.0f", k.ID, l.Name, dx, dy, w/2, h/2)
				}
			}
		}
	}
}

func TestBadPiecesAreRefused(t *testing.T) {
	for field, in := range map[string]pieces.Asked{
		"kind": {Kind: "none"}, "product": {Kind: "button", Product: "gone"}, "logo": {Kind: "end-card", Logo: "gone"},
	} {
		if _, err := pieces.Make(bare(), in); err == nil || !strings.Contains(err.Error(), "there is no") {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// Colours of a brand are taken, and words on them can be read.
func TestPiecesWearTheBrand(t *testing.T) {
	for _, brand := range [][]colour.Colour{nil, {colour.RGB(0xFFFFFF), colour.RGB(0x0A5AFF)}, {colour.RGB(0x101010), colour.RGB(0xFFE000), colour.RGB(0xFFFFFF)}} {
		layers, err := pieces.Make(bare(), pieces.Asked{Kind: "button", Brand: brand})
		if err != nil {
			t.Fatal(err)
		}
		pill, words := layers[0].Card.Fill, layers[1].Words.Fill
		if len(brand) > 1 && pill != brand[1] {
			t.Errorf("of %v the button is %s", brand, pill)
		}
		if c := colour.Contrast(pill, words); c < 3 {
			t.Errorf("of %v, %s on %s has %.2f", brand, words, pill, c)
		}
	}
}

// middleOf is where the pixels that two pictures do not share are, in the mean.
func middleOf(a, b *paint.Bitmap) (x, y float64) {
	n := 0.0
	for i := range a.Pix {
		if a.Pix[i] != b.Pix[i] {
			x, y, n = x+float64(i%a.W), y+float64(i/a.W), n+1
		}
	}
	return x / n, y / n
}

// What opens from a side is first seen on that side of where it stands in the end; what only
// swells comes as it always does.
func TestPiecesOpenFromTheChosenSide(t *testing.T) {
	toward := map[string][2]float64{"left": {-1, 0}, "right": {1, 0}, "above": {0, -1}, "below": {0, 1}}
	empty := drawn(t, bare(), 200)
	for _, k := range pieces.Names {
		for side, to := range toward {
			c := added(t, bare(), pieces.Asked{Kind: k.ID, Side: side, Frame: 60})
			if !k.Opens {
				own := added(t, bare(), pieces.Asked{Kind: k.ID, Frame: 60})
				if changed(drawn(t, c, 64), drawn(t, own, 64)) > 0 {
					t.Errorf("%s comes another way from %s", k.ID, side)
				}
				continue
			}
			// Its own figure alone: words come in their own way.
			for i := range c.Layers {
				if l := &c.Layers[i]; l.Group == "made" && (l.Words != nil || l.Name == "Bar" || l.Name == "Line") {
					l.Hidden = true
				}
			}
			// In the piece's own directions, as it may lie turned.
			turn := c.Layer("made").Rest.Turn * math.Pi / 180
			first := 60
			for first < 90 && changed(empty, drawn(t, c, first)) < 40 {
				first++
			}
			x0, y0 := middleOf(empty, drawn(t, c, first))
			x1, y1 := middleOf(empty, drawn(t, c, 200))
			dx, dy := (x0-x1)*math.Cos(turn)+(y0-y1)*math.Sin(turn), (y0-y1)*math.Cos(turn)-(x0-x1)*math.Sin(turn)
			if on := dx*to[0] + dy*to[1]; on < 2 {
				t.Errorf("%s from %s: at first it is %.1f,%.1f pixels from its place", k.ID, side, dx, dy)
			}
		}
	}
	if _, err := pieces.Make(bare(), pieces.Asked{Kind: "button", Side: "inside"}); err == nil {
		t.Error("a button opens from inside")
	}
}

// A logo that the clip does not have yet comes with its end card.
func TestALogoComesWithItsCard(t *testing.T) {
	c := bare()
	logo := clip.Prop{ID: "mark", Name: "Otter & Moss", Kind: "cutout", Hash: strings.Repeat("a", 64),
		Picture: &clip.Picture{W: 400, H: 200, Visible: [4]int{0, 0, 400, 200}}}
	layers, err := pieces.Make(c, pieces.Asked{Kind: "end-card", Logo: "mark", With: &logo, Frame: 60})
	if err != nil {
		t.Fatal(err)
	}
	if c.Prop("mark") != nil {
		t.Error("the clip that was asked about has changed")
	}
	c = applied(t, c, map[string]any{"type": "batch", "commands": []any{
		map[string]any{"type": "addProp", "prop": logo},
		map[string]any{"type": "addLayers", "layers": layers, "id": "made"},
	}})
	if l := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.Cutout != nil && l.Cutout.Prop == "mark" }); l < 0 || c.Layers[l].Group != "made" {
		t.Error("the card has no logo")
	}
}

// The lowest price of 30 days has a line of its own, in the languages of the countries where it
// must be shown; it is not there for products of which there is none.
func TestTheLowestPriceHasItsLine(t *testing.T) {
	c := added(t, bare(), pieces.Asked{Kind: "small-print", Product: "p"})
	i := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.Name == "Lowest price" })
	says := func(c *clip.Clip) string {
		l := &c.Layers[i]
		return words.Said(l.Words, c.SubjectOf(l))
	}
	for language, want := range map[string]string{"": "Lowest price of the last 30 days: €69.00", "de-AT": "Niedrigster Preis der letzten 30 Tage: €\u00a069,00", "pl": "Najniższa cena z 30 dni przed obniżką: 69,00\u00a0€"} {
		if got := says(c.Showing("", language)); got != want {
			t.Errorf("in %q it says %q, want %q", language, got, want)
		}
	}
	c.Product("p").Lowest = ""
	if got := says(c); got != "" {
		t.Errorf("without one it says %q", got)
	}
}

// A piece speaks of the product that what is chosen shows, or follows the clip's, or its scene's,
// where there is one, so that it follows when another is chosen.
func TestPiecesSpeakOfWhatIsShown(t *testing.T) {
	c := bare()
	c.Products = append(c.Products, clip.Product{ID: "q", Name: "Enamel mug", Price: "14.90", Currency: "EUR"})
	of := func(in pieces.Asked) string {
		t.Helper()
		in.Kind = "swing-tag"
		layers, err := pieces.Make(c, in)
		if err != nil {
			t.Fatal(err)
		}
		return layers[len(layers)-2].Words.Product
	}
	if got := of(pieces.Asked{}); got != "p" {
		t.Errorf("where nothing is shown it speaks of %q, want the first", got)
	}
	said := clip.NewWords("said", "Said", clip.KindWords, "{name}")
	said.Words.Product = "q"
	c.Layers = append(c.Layers, said)
	if got := of(pieces.Asked{Chosen: "said"}); got != "q" {
		t.Errorf("beside words of q it speaks of %q", got)
	}
	c.Shown = "p"
	if got := of(pieces.Asked{}); got != clip.ProductSlot {
		t.Errorf("in a clip that shows a product it speaks of %q, want whichever that is", got)
	}
	c.Shown = ""
	c.Layer(c.SceneAt(0).ID).Scene.Product = "q"
	if got := of(pieces.Asked{Chosen: "gone"}); got != clip.ProductSlot {
		t.Errorf("in a scene of a product it speaks of %q, want whichever that is", got)
	}
}

// A piece that is slid in time takes all with it that happens in it: each frame is what it was so
// many frames before.
func TestAPieceSlidesWithAllThatIsInIt(t *testing.T) {
	for _, k := range pieces.Names {
		c := added(t, bare(), pieces.Asked{Kind: k.ID, Frame: 30})
		later := applied(t, c, map[string]any{"type": "shiftLayer", "layer": "made", "part": "whole", "by": 45})
		for _, n := range []int{30, 36, 44, 60, 100} {
			if d := changed(drawn(t, c, n), drawn(t, later, n+45)); d > 0 {
				t.Errorf("%s: %d pixels differ %d frames after it has come", k.ID, d, n-30)
			}
		}
	}
}
