package view

import (
	"os"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/words"
)

func TestThePictureIsToldInWords(t *testing.T) {
	square, _ := clip.StandardShape("square")
	c := clip.New("Told", square, 30, 60)
	c.Products = []clip.Product{{ID: "p", Name: "Mug", Price: "15.00", Currency: "EUR"}}
	card := clip.Draft(c, clip.KindCard, "Plate", "", "")
	card.Rest.X, card.Rest.Y = -300, 300
	gone := clip.Draft(c, clip.KindCard, "Away", "", "")
	gone.Rest.X = 2000
	text := clip.Draft(c, clip.KindWords, "", "", "p")
	text.Words.Text, text.Words.Product = "A *{name}*\nfor {price}", "p"
	c.Layers = append(c.Layers, card, gone, text)
	fonts := words.NewFonts()
	ttf, err := os.ReadFile("../../fonts/Rubik_600SemiBold.ttf")
	if err != nil {
		t.Fatal(err)
	}
	if err := fonts.Add("bricolage-800", ttf); err != nil {
		t.Fatal(err)
	}
	stage := frame.Arrange(c, square, frame.NewLibrary(fonts, 1<<20))
	if got, want := Picture(c, stage, square, 45), "Square at 1s15f, from the front: Headline “A Mug for €15.00” in the middle; Card at the bottom left; Backdrop"; got != want {
		t.Errorf("it says %q, want %q", got, want)
	}
	empty := clip.New("Empty", square, 30, 60)
	empty.Layers = empty.Layers[1:]
	if got, want := Picture(empty, frame.Arrange(empty, square, frame.NewLibrary(words.NewFonts(), 1<<20)), square, 0), "Square at 0s00f: nothing is to be seen"; got != want {
		t.Errorf("it says %q, want %q", got, want)
	}
}
