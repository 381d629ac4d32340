package timing

import "testing"

func TestATimeIsReadAsItWillBeTaken(t *testing.T) {
	c := Clock{Rate: 30, Tempo: Even(120)} // a beat lasts 15 frames
	for _, x := range []struct {
		said string
		want Reading
	}{
		{"8", Reading{Frames: 8, Says: "8 frames, 0s08f", Offer: "8s00f"}},
		{" 1 ", Reading{Frames: 1, Says: "1 frame, 0s01f", Offer: "1s00f"}},
		{"300", Reading{Frames: 300, Says: "300 frames, 10s00f"}}, // nobody means five minutes
		{"8f", Reading{Frames: 8, Says: "8 frames, 0s08f"}},       // it says what it counts
		{"8s", Reading{Frames: 240, Says: "240 frames, 8s00f"}},
		{"2 bars", Reading{Frames: 120, Says: "120 frames, 4s00f"}},
		{"0:08", Reading{Frames: 240, Says: "240 frames, 8s00f"}},
		{"1:02.5", Reading{Frames: 1875, Says: "1875 frames, 62s15f"}},
		{"8 seconds", Reading{Frames: 240, Says: "240 frames, 8s00f"}},
		{"12 frames", Reading{Frames: 12, Says: "12 frames, 0s12f"}},
	} {
		if got := c.ReadLength(x.said); got != x.want {
			t.Errorf("%q is read as %+v, want %+v", x.said, got, x.want)
		}
	}
	if got := c.ReadLength("2,5"); got.Problem == "" || got.Offer != "2s15f" {
		t.Errorf("2,5 is read as %+v; two and a half seconds should be offered", got)
	}
	if got := c.ReadLength("soon"); got.Problem == "" || got.Offer != "" {
		t.Errorf("soon is read as %+v", got)
	}
}

func TestAPlaceInTimeIsReadWithItsBeat(t *testing.T) {
	c := Clock{Rate: 30, Tempo: Even(120)}
	for _, x := range []struct {
		said string
		want Reading
	}{
		{"2", Reading{Frames: 2, Says: "frame 2, 0s02f, b1.1+2", Offer: "2s00f"}},
		{"4", Reading{Frames: 4, Says: "frame 4, 0s04f, b1.1+4"}}, // the clip has no fourth second
		{"b2.2", Reading{Frames: 75, Says: "frame 75, 2s15f, b2.2"}},
		{"b1.4-1", Reading{Frames: 44, Says: "frame 44, 1s14f, b1.3+14"}},
	} {
		if got := c.ReadMoment(x.said, 89); got != x.want {
			t.Errorf("%q is read as %+v, want %+v", x.said, got, x.want)
		}
	}
}
