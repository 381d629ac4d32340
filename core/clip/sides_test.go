package clip

import "testing"

func TestSidesAreWorkedOutFromARatioAndOneSide(t *testing.T) {
	for _, x := range []struct {
		ratio string
		w, h  int
		want  Sides
	}{
		{"4:5", 1080, 0, Sides{1080, 1350, "4:5"}},
		{"4:5", 0, 1350, Sides{1080, 1350, "4:5"}},
		{" 9 / 16 ", 1080, 0, Sides{1080, 1920, "9:16"}},
		{"1.91:1", 1200, 0, Sides{1200, 628, "21:11"}}, // 628.27, and 21:11 is 1.909
		{"0,8", 1000, 0, Sides{1000, 1250, "4:5"}},
		{"3:7", 501, 0, Sides{502, 1172, "3:7"}}, // 1171.3: even pixels
		{"", 1079, 1350, Sides{1080, 1350, "4:5"}},
		{"", 1500, 500, Sides{1500, 500, "3:1"}},
		{"", 2000, 90, Sides{2000, 90, "22.22:1"}},
		{"4:5", 800, 100, Sides{800, 1000, "4:5"}},
	} {
		got, err := ReadSides(x.ratio, x.w, x.h)
		if err != nil || got != x.want {
			t.Errorf("%q with %d by %d is %+v (%v), want %+v", x.ratio, x.w, x.h, got, err, x.want)
		}
	}
	for _, bad := range []struct {
		ratio string
		w, h  int
	}{{"wide", 1080, 0}, {"0:5", 1080, 0}, {"4:5", 0, 0}, {"", 1080, 0}, {"1:100", 1080, 0}, {"4:5", -3, 0}} {
		if got, err := ReadSides(bad.ratio, bad.w, bad.h); err == nil {
			t.Errorf("%q with %d by %d is %+v", bad.ratio, bad.w, bad.h, got)
		}
	}
}
