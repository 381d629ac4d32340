package frame

import (
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/paint"
	"billow/core/words"
)

// A figure's outline lies half outside its edge, all around, also where the figure
// has round corners.
func TestAnOutlineIsSeenAsAWholeWithRoundCorners(t *testing.T) {
	square, _ := clip.StandardShape("square")
	for _, form := range []string{"disc", "card"} {
		c := clip.New("Ring", square, 30, 60)
		l := clip.NewLayer("figure", "Figure", clip.KindCard)
		l.Card = &clip.Card{Form: form, Aspect: 1, Fill: colour.RGB(0x00FF00), Outline: colour.RGB(0xFF0000)}
		l.Rest.Size = 500
		l.Values = map[string][]float64{"outline": {60}, clip.Corner: {30}}
		c.Layers = append(c.Layers, l)
		stage, err := Prepare(c, c.Shapes[0], 1000, 1000, NewLibrary(words.NewFonts(), 16<<20))
		if err != nil {
			t.Fatal(err)
		}
		b := paint.NewBitmap(1000, 1000)
		stage.Painter().Draw(b, 10)
		red := func(x, y int) bool { p := b.Pix[y*1000+x]; return p&255 > 200 && p>>8&255 < 80 && p>>16&255 < 80 }
		// 500 units about the middle, and 30 more on each side.
		for _, p := range [][2]int{{222, 500}, {777, 500}, {500, 222}, {500, 777}, {270, 500}, {500, 725}} {
			if !red(p[0], p[1]) {
				t.Errorf("%s: at %v there is no outline", form, p)
			}
		}
		for _, p := range [][2]int{{216, 500}, {500, 784}, {290, 500}} {
			if red(p[0], p[1]) {
				t.Errorf("%s: at %v there is outline", form, p)
			}
		}
	}
}
