package export

import (
	"encoding/json"
	"math"
	"os"
	"testing"

	"billow/core/clip"
	"billow/core/frame"
)

// Where the layers of documents of version 1 were on some frames has been
// written down by the Billow of that version. The documents have sections that
// begin on beats and on frames, groups with a time of their own, stepping,
// wandering, following, a line-up.
func TestClipsOfVersion1AreAsTheyWere(t *testing.T) {
	for name, scenes := range map[string]int{"trial": 3, "trail-parade": 3} {
		doc, err := os.ReadFile("testdata/version1-" + name + ".json")
		if err != nil {
			t.Fatal(err)
		}
		c, err := clip.Parse(doc)
		if err != nil {
			t.Fatal(err)
		}
		if again, err := clip.Parse(c.Encode()); err != nil || string(again.Encode()) != string(c.Encode()) {
			t.Errorf("%s does not read back: %v", name, err)
		}
		inside := 0
		for i := range c.Layers {
			if _, in := c.SceneOf(&c.Layers[i]); in {
				inside++
			}
		}
		if len(c.Scenes()) != scenes || inside < 5 {
			t.Errorf("%s has %d scenes with %d layers", name, len(c.Scenes()), inside)
		}
		wasAt(t, c, "testdata/version1-"+name+".places.json")
	}
}

func wasAt(t *testing.T, c *clip.Clip, file string) {
	t.Helper()
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	var moments []struct {
		Shape string
		Frame int
		At    map[string][9]float64 // eight numbers of the corners, and the opacity
	}
	if err := json.Unmarshal(b, &moments); err != nil {
		t.Fatal(err)
	}
	lib := Library()
	for _, m := range moments {
		s, err := c.Shape(m.Shape)
		if err != nil {
			t.Fatal(err)
		}
		seen := 0
		for _, p := range frame.Arrange(c, s, lib).Places(m.Frame, nil) {
			if c.Layer(p.Layer).Kind == clip.KindScene {
				continue
			}
			seen++
			was, there := m.At[p.Layer]
			if !there {
				t.Errorf("%s frame %d: %q shows, which it did not", m.Shape, m.Frame, p.Layer)
				continue
			}
			now := [9]float64{8: p.Opacity}
			for k, corner := range p.Corners {
				now[2*k], now[2*k+1] = corner[0], corner[1]
			}
			for k := range now {
				if math.Abs(now[k]-was[k]) > 0.0051 {
					t.Errorf("%s frame %d: %q is at %.2f, was at %.2f", m.Shape, m.Frame, p.Layer, now, was)
					break
				}
			}
		}
		if seen != len(m.At) {
			t.Errorf("%s frame %d: %d layers show, %d did", m.Shape, m.Frame, seen, len(m.At))
		}
	}
}
