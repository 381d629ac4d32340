package moves

import (
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// photoClip has a picture that covers the frame, with a move of a side from its beginning on.
func photoClip(t *testing.T, side string) *clip.Clip {
	t.Helper()
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Near", tall, 30, 120)
	c.Props = []clip.Prop{{ID: "p", Name: "P", Kind: clip.KindCutout, Media: "image/png", Picture: &clip.Picture{W: 10, H: 10, Visible: [4]int{0, 0, 10, 10}, Area: 1},
		Hash: "0123456789abcdef0123456789abcdef0123456789abcdef0123456789abcdef"}}
	l := clip.Draft(c, clip.KindPhoto, "Photo", "p", "")
	m := Draft(c, &l, "near", timing.At(0))
	m.ID, m.Side = "m", side
	l.Moves = []clip.Move{m}
	c.Layers = append(c.Layers, l)
	if err := Rewrite(c, c.Layer(l.ID)); err != nil {
		t.Fatal(err)
	}
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	return c
}

// Near nears the picture until its layer ends, or goes along it while all of the frame stays
// covered: it is as much larger as it goes to either side.
func TestNearPushesAndPans(t *testing.T) {
	l := photoClip(t, "").Layer("photo")
	if z := l.Tracks[clip.Zoom]; len(z) != 2 || z[0].Value[0] != 100 || z[1].Value[0] != 116 || len(l.Tracks[clip.Pan]) != 0 {
		t.Errorf("straight on it writes %v and %v", z, l.Tracks[clip.Pan])
	}
	l = photoClip(t, "right").Layer("photo")
	z, p := l.Tracks[clip.Zoom], l.Tracks[clip.Pan]
	if len(z) != 1 || z[0].Value[0] != 116 || len(p) != 2 || p[0].Value[0] != 8 || p[1].Value[0] != -8 || p[0].Value[1] != 0 {
		t.Errorf("to the right it writes %v and %v", z, p)
	}
}
