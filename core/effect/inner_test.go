package effect

import (
	"math"
	"testing"

	"billow/core/paint"
)

func filled(w, h int, pixel uint32) *paint.Sheet {
	b := paint.NewBitmap(w, h)
	b.Fill(pixel)
	return paint.NewSheet(b, 0, 0, 1)
}

// Along the edge from which it falls the picture is dark, far inside and along the
// other edge it is as it was; nothing becomes clearer.
func TestAnInnerShadowFallsFromTheEdge(t *testing.T) {
	in := filled(120, 120, 0xFFFFFFFF)
	out := InnerShadow.Draw(Work{Sheet: in, Pool: &paint.Pool{}, Unit: 1}, Values{{60}, {90}, {20}, {4}})
	at := func(x int) float64 { return float64(out.Picture.Pix[60*120+x]&255) / 255 }
	// It falls to the right by 20: up to there it is 60 percent dark, half of it at the edge.
	for x, want := range map[int]float64{4: 0.4, 20: 0.7, 40: 1, 116: 1} {
		if math.Abs(at(x)-want) > 0.04 {
			t.Errorf("%d from the edge it is %.2f, want %.2f", x, at(x), want)
		}
	}
	if in.Picture.Pix[60*120+4] != 0xFFFFFFFF {
		t.Error("the input was changed")
	}
	for _, p := range out.Picture.Pix {
		if p>>24 != 255 {
			t.Fatal("it became clearer")
		}
	}
}
