package export

import (
	"bytes"
	"context"
	"io"
	"os"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"
	"billow/media"
)

// Words in a person's own font are drawn in it: as in the same font that ships with Billow.
func TestFilmsShowOwnFonts(t *testing.T) {
	anton, err := os.ReadFile("../fonts/Anton_400Regular.ttf")
	if err != nil {
		t.Fatal(err)
	}
	hash := media.Hash(anton)
	square, _ := clip.StandardShape("square")
	drawn := func(font string) []uint32 {
		c := clip.New("Own", square, 30, 60)
		c.Props = []clip.Prop{{ID: clip.OwnFontID(hash), Name: "Anton", Kind: clip.KindFont, Hash: hash, Media: "font/ttf", Font: &clip.OwnFont{Family: "Anton", Embedding: "installable", Letters: 900}}}
		l := clip.NewWords("words", "Words", clip.KindWords, "Lantern weekend")
		l.Words.Font = font
		c.Layers = append(c.Layers, l)
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		lib := Library()
		files := func(_ context.Context, asked string) (io.ReadCloser, error) {
			if asked != hash {
				t.Errorf("the file %s was asked for", asked)
			}
			return io.NopCloser(bytes.NewReader(anton)), nil
		}
		if err := Load(context.Background(), c, lib, files); err != nil {
			t.Fatal(err)
		}
		stage, err := frame.Prepare(c, square, 200, 200, lib)
		if err != nil {
			t.Fatal(err)
		}
		b := paint.NewBitmap(200, 200)
		stage.Painter().Draw(b, 10)
		return b.Pix
	}
	own, shipped, other := drawn(clip.OwnFontID(hash)), drawn("anton-400"), drawn("hanken-700")
	if !slices.Equal(own, shipped) || slices.Equal(own, other) {
		t.Error("words in one's own font do not look as in it")
	}
}
