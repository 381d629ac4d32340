package demo

import (
	"image/jpeg"
	"math"
	"os"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/starter"
	"billow/fonts"
)

// On the poster frame of a starter, in every shape, words and products are whole
// within the frame, words have some room from its edges, and no words lie on others.
func TestStartersFitIntoEveryShape(t *testing.T) {
	w := small(t)
	for _, s := range starter.Starters {
		c, err := starter.Make(starter.Choice{Starter: s.ID, Name: s.Name, Shape: "tall", Palette: "dusk", Products: w.Sold(s.ID)})
		if err != nil {
			t.Fatal(err)
		}
		poster, _ := clip.StandardShape("poster")
		c.Shapes = append(c.Shapes, poster)
		lib := frame.NewLibrary(fonts.All(), 8<<20)
		for _, shape := range c.Shapes {
			unit := float64(min(shape.W, shape.H)) / 1000
			halfW, halfH := float64(shape.W)/unit/2, float64(shape.H)/unit/2
			var words [][4]float64
			var named []string
			at := c.Clock().Frame(*c.Poster)
			for _, p := range frame.Arrange(c, shape, lib).Places(at, nil) {
				l := c.Layer(p.Layer)
				if l.Words == nil && l.Cutout == nil {
					continue
				}
				box := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
				for _, k := range p.Corners {
					box = [4]float64{min(box[0], k[0]), min(box[1], k[1]), max(box[2], k[0]), max(box[3], k[1])}
				}
				if l.Words != nil && l.Words.Plate != nil && l.Words.Plate.Kind == "burst" {
					x, y := (box[0]+box[2])/2, (box[1]+box[3])/2 // a burst is round however it is turned
					box = [4]float64{x - p.W/2, y - p.H/2, x + p.W/2, y + p.H/2}
				}
				room := 0.0
				if l.Words != nil {
					room = 12
				}
				if box[0] < -halfW+room || box[1] < -halfH+room || box[2] > halfW-room || box[3] > halfH-room {
					t.Errorf("%s in %s: %s reaches from %.0f,%.0f to %.0f,%.0f in a frame of %.0f by %.0f", s.ID, shape.ID, l.Name, box[0], box[1], box[2], box[3], 2*halfW, 2*halfH)
				}
				if l.Kind != clip.KindWords {
					continue
				}
				// Of a line's height, letters have some two thirds.
				trim := (box[3] - box[1]) / 6
				box[1], box[3] = box[1]+trim, box[3]-trim
				for i, o := range words {
					if x, y := min(box[2], o[2])-max(box[0], o[0]), min(box[3], o[3])-max(box[1], o[1]); x > 1 && y > 1 {
						t.Errorf("%s in %s: %s lies on %s", s.ID, shape.ID, l.Name, named[i])
					}
				}
				words, named = append(words, box), append(named, l.Name)
			}
		}
	}
}

// The pictures by which starters are offered are what they look like.
func TestTheKeptPicturesOfStartersAreTrue(t *testing.T) {
	w, err := Make(600)
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range starter.Starters {
		f, err := os.Open("../web/src/clips/starters/" + s.ID + ".jpg")
		if err != nil {
			t.Fatal(err)
		}
		defer f.Close()
		kept, err := jpeg.Decode(f)
		if err != nil {
			t.Fatal(err)
		}
		now, err := w.Poster(s.ID, 90)
		if err != nil {
			t.Fatal(err)
		}
		size := now.Bounds().Size()
		a, b := resized(kept, size.X, size.Y), resized(now, size.X, size.Y)
		sum := 0.0
		for i := range a.Pix {
			sum += math.Abs(float64(a.Pix[i]) - float64(b.Pix[i]))
		}
		if mean := sum / float64(len(a.Pix)); mean > 4 {
			t.Errorf("the kept picture of %s is off by %.1f of 255: run go generate ./demo", s.ID, mean)
		}
	}
}
