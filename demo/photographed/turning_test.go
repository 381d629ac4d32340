package photographed

import (
	"math"
	"testing"

	"billow/core/cutout"
	"billow/core/paint"
)

// laid is a turning tin on the Bench, with its photos as they are asked for.
type laid struct {
	*cutout.Footage
	turning Turning
	photos  map[int]Photo
}

func layTurning(t testing.TB, turning Turning) *laid {
	l := &laid{turning: turning, photos: map[int]Photo{}}
	var err error
	l.Footage, err = cutout.OpenFootage(turning.W, turning.H, min(turning.Frames, cutout.MostFrames), func(n int, _ float64) (*paint.Bitmap, error) {
		return paint.FromImage(l.photo(n).Picture), nil
	})
	if err != nil {
		t.Fatal(err)
	}
	return l
}

func (l *laid) photo(n int) Photo {
	p, ok := l.photos[n]
	if !ok {
		p = l.turning.Take(n)
		l.photos[n] = p
	}
	return p
}

// cut is the opacity of a picture, and by how much it is off in the mean, in thousandths.
func (l *laid) cut(t testing.TB, n int, o cutout.Order) (alpha []float64, off float64) {
	t.Helper()
	d, err := l.Cut(n, o, true)
	if err != nil {
		t.Fatal(err)
	}
	truth := l.photo(n).Truth
	alpha = make([]float64, len(truth))
	for i, p := range d.Whole().Pix {
		alpha[i] = float64(p>>24) / 255
		off += math.Abs(alpha[i] - float64(truth[i])/255)
	}
	return alpha, 1000 * off / float64(len(truth))
}

var (
	blueCard = Sweep([3]float64{70, 104, 168}, 320, 180, .3)
	wall     = Paper([3]float64{206, 198, 184}, 320, 180, 5)
	paleBand = [3]float64{240, 240, 235}
	blueBand = [3]float64{52, 80, 136}
)

// TestFootageIsCut lets a tin turn before card and before a wall. Its handle, with a hole
// in it, comes out from behind.
func TestFootageIsCut(t *testing.T) {
	for name, ground := range map[string]Ground{"blue card": blueCard, "a wall": wall} {
		l := layTurning(t, Turning{W: 320, H: 180, Frames: 96, Ground: ground, Band: paleBand, Shadow: .4, Noise: 4})
		for _, n := range []int{20, 24} {
			if _, off := l.cut(t, n, cutout.Order{}); off > 4 {
				t.Errorf("%s: picture %d is off by %.1f thousandths", name, n, off)
			} else {
				t.Logf("%s: picture %d is off by %.2f thousandths", name, n, off)
			}
		}
	}
}

// TestStrokesAreCarried lets the tin have a band of the card's hue, which is lost at first.
// One stroke over it, where it is seen as a whole, brings it back on all pictures, also
// where it is seen from the side.
func TestStrokesAreCarried(t *testing.T) {
	l := layTurning(t, Turning{W: 320, H: 180, Frames: 96, Ground: blueCard, Band: blueBand, Shadow: .3, Noise: 3})
	const front = 48
	stroke := cutout.Stroke{Stays: true, Radius: 9, Seeks: true, Frame: front, Points: [][2]float64{{134, 100}, {160, 103}, {186, 100}}}
	for _, n := range []int{front, front + 6, front - 10, front - 16} {
		_, before := l.cut(t, n, cutout.Order{})
		_, after := l.cut(t, n, cutout.Order{Strokes: []cutout.Stroke{stroke}})
		t.Logf("picture %d: off by %.1f thousandths without, %.1f with a stroke on picture %d", n, before, after, front)
		if after > before/4 || after > 6 {
			t.Errorf("picture %d is off by %.1f thousandths with a stroke on picture %d, and by %.1f without", n, after, front, before)
		}
	}
}

// TestTheMatteIsSteady looks at how much opacity changes from picture to picture while the
// thing stands nearly still, so that there is nothing but the camera's noise, beside cutting
// each picture by itself.
func TestTheMatteIsSteady(t *testing.T) {
	l := layTurning(t, Turning{W: 320, H: 180, Frames: 100_000, Ground: blueCard, Band: paleBand, Shadow: .4, Noise: 7})
	trembling := func(cut func(n int) []float64) (sum float64) {
		var last []float64
		for n := range 4 {
			now := cut(n)
			for i := range now {
				if last != nil && l.photo(n).Truth[i] == l.photo(n - 1).Truth[i] {
					sum += math.Abs(now[i] - last[i])
				}
			}
			last = now
		}
		return sum / 3
	}
	alone := trembling(func(n int) []float64 {
		b, _, err := cutout.Make(paint.FromImage(l.photo(n).Picture), cutout.Order{})
		if err != nil {
			t.Fatal(err)
		}
		out := make([]float64, len(b.Pix))
		for i, p := range b.Pix {
			out[i] = float64(p>>24) / 255
		}
		return out
	})
	together := trembling(func(n int) []float64 { a, _ := l.cut(t, n, cutout.Order{}); return a })
	t.Logf("opacity trembles by %.1f pixels a picture, by %.1f when each is cut by itself", together, alone)
	if together > .6*alone {
		t.Errorf("opacity trembles by %.1f pixels a picture, by %.1f when each is cut by itself", together, alone)
	}
}

// TestAnyPictureIsCutByItself asks for pictures in another order.
func TestAnyPictureIsCutByItself(t *testing.T) {
	turning := Turning{W: 160, H: 90, Frames: 24, Ground: blueCard, Band: blueBand, Noise: 3}
	o := cutout.Order{Strokes: []cutout.Stroke{{Stays: true, Radius: 5, Frame: 12, Points: [][2]float64{{80, 52}}}}}
	there, back := layTurning(t, turning), layTurning(t, turning)
	list := []int{3, 12, 20}
	first := map[int][]float64{}
	for _, n := range list {
		first[n], _ = there.cut(t, n, o)
	}
	for i := len(list) - 1; i >= 0; i-- {
		again, _ := back.cut(t, list[i], o)
		for k, a := range again {
			if a != first[list[i]][k] {
				t.Fatalf("picture %d differs when later ones were asked for before", list[i])
			}
		}
	}
}

func BenchmarkFootage(b *testing.B) {
	l := layTurning(b, Turning{W: 640, H: 360, Frames: 48, Ground: Sweep([3]float64{70, 104, 168}, 640, 360, .3), Band: paleBand, Shadow: .4, Noise: 4})
	for n := range 20 {
		l.photo(n)
	}
	for _, n := range []int{2*48/10 + 24, 33, 43, 14, 4} { // the pictures that are asked how to tell
		l.photo(n)
	}
	l.Cut(0, cutout.Order{}, true)
	n := 0
	for b.Loop() {
		n = n%16 + 1
		if _, err := l.Cut(n, cutout.Order{}, true); err != nil {
			b.Fatal(err)
		}
	}
}
