package export

import (
	"bytes"
	"image/jpeg"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/edit"
)

// posted is a clip whose words show its product, and variants of it for two.
func posted(t testing.TB) *clip.Clip {
	t.Helper()
	c := clip.New("Posted", clip.Shape{ID: "square", W: 400, H: 400}, 30, 30)
	for _, id := range []string{"mug", "lamp"} {
		c.Products = append(c.Products, clip.Product{ID: id, Name: strings.ToUpper(id), Price: "5.00", Currency: "EUR"})
	}
	back := clip.NewLayer("back", "Back", clip.KindBackdrop)
	back.Backdrop = &clip.Backdrop{Fill: clip.Fill{Stops: []clip.Stop{{At: 0, Colour: colour.RGB(0xFFFFFF)}}}}
	words := clip.NewWords("words", "Words", clip.KindWords, "{name}")
	words.Words.Product = clip.ProductSlot
	words.Rest = clip.Rest{Pin: "centre", Size: 200}
	c.Layers = []clip.Layer{back, *c.Layer("scene"), words}
	c.Shapes = c.Shapes[:1]
	c.Variants = &clip.Variants{Products: []string{"mug", "lamp"}}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c
}

func postersFor(t *testing.T, program string) *Posters {
	t.Helper()
	p := &Posters{Drawer: &Drawer{Program: program}, Database: "postgres://nobody@127.0.0.1:1/none"}
	t.Cleanup(p.Close)
	return p
}

// Posters are what the exported frame is, each of its own variant, and the process stays for the next.
func TestPostersAreWhatIsExported(t *testing.T) {
	c := posted(t)
	p := postersFor(t, "")
	for range 2 {
		for _, ref := range c.EachVariant() {
			got, err := p.Draw(t.Context(), PosterJob{Key: "1", Clip: c.Encode, Variant: ref, At: 10, Side: 200})
			if err != nil {
				t.Fatal(err)
			}
			m, err := jpeg.Decode(bytes.NewReader(got.JPEG))
			if err != nil {
				t.Fatal(err)
			}
			v, _, err := edit.Variant(c, ref)
			if err != nil {
				t.Fatal(err)
			}
			still, err := Still(t.Context(), v, v.Shapes[0], 200, 200, 10, Library(), nil)
			if err != nil {
				t.Fatal(err)
			}
			sum := 0.0
			for y := range 200 {
				for x := range 200 {
					a, _, _, _ := m.At(x, y).RGBA()
					b, _, _, _ := still.Image().At(x, y).RGBA()
					sum += math.Abs(float64(a>>8) - float64(b>>8))
				}
			}
			if sum /= 200 * 200; sum > 2 {
				t.Errorf("the poster of %s is %.2f levels from what is exported", ref.Product, sum)
			}
		}
	}
	if p.process.n != 4 {
		t.Errorf("the process was asked %d times", p.process.n)
	}
}

// Looking a variant over finds what is missing; a variant that is not there says so.
func TestPostersLookVariantsOver(t *testing.T) {
	c := posted(t)
	c.Product("lamp").Name = "LAMP {volume}"
	c.Own("words").Words.Text = "{name} {volume}"
	p := postersFor(t, "")
	got, err := p.Draw(t.Context(), PosterJob{Key: "1", Clip: c.Encode, Variant: clip.Variant{Product: "lamp", Shape: "square"}, At: 10})
	if err != nil || len(got.Findings) == 0 || !got.Findings[0].Stops || !strings.Contains(got.Findings[0].Says, "{volume}") || len(got.JPEG) > 0 {
		t.Errorf("%+v %v", got, err)
	}
	if _, err := p.Draw(t.Context(), PosterJob{Key: "1", Clip: c.Encode, Variant: clip.Variant{Product: "nobody", Shape: "square"}, Side: 200}); err == nil || !strings.Contains(err.Error(), "no product") {
		t.Errorf("a product that is not there: %v", err)
	}
}

// A process that ends is begun again for the next poster; one that cannot work says so.
func TestAProcessThatEndedIsBegunAgain(t *testing.T) {
	c := posted(t)
	p := postersFor(t, "")
	job := PosterJob{Key: "1", Clip: c.Encode, Variant: c.EachVariant()[0], At: 10, Side: 100}
	if _, err := p.Draw(t.Context(), job); err != nil {
		t.Fatal(err)
	}
	p.process.end()
	<-p.process.ended
	if got, err := p.Draw(t.Context(), job); err != nil || len(got.JPEG) == 0 {
		t.Errorf("after it has ended: %v", err)
	}
	if _, err := postersFor(t, script(t, "ends", "exit 1")).Draw(t.Context(), job); err == nil {
		t.Error("a program that does nothing has drawn something")
	}
	if _, err := postersFor(t, "/nowhere/at/all").Draw(t.Context(), job); err == nil {
		t.Error("a program that is not there has drawn something")
	}
}
