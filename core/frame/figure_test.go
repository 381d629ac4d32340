package frame

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// white is a figure without a shadow, not repeated.
func white(set func(l *clip.Layer)) *clip.Clip {
	return repeatedCard(func(_ *clip.Clip, l *clip.Layer) {
		l.Repeat, l.Lift = nil, 0
		l.Values = map[string][]float64{}
		l.Rest.Size = 400
		set(l)
	})
}

// spans compares what is white along a row through the middle.
func spans(t *testing.T, what string, c *clip.Clip, frame int, want ...[2]int) {
	t.Helper()
	shows := lit(t, c, frame)
	var got [][2]int
	for x := -499; x < 499; x++ {
		if shows(x, 0) != shows(x-1, 0) {
			if shows(x, 0) {
				got = append(got, [2]int{x, x})
			} else if len(got) > 0 {
				got[len(got)-1][1] = x
			}
		}
	}
	if len(got) != len(want) {
		t.Errorf("%s: it shows at %v, want %v", what, got, want)
		return
	}
	for i, w := range want {
		if d := max(got[i][0]-w[0], w[0]-got[i][0], got[i][1]-w[1], w[1]-got[i][1]); d > 1 {
			t.Errorf("%s: it shows at %v, want %v", what, got, want)
		}
	}
}

// A figure's edge moves outwards and inwards by keys.
func TestAnEdgeIsMovedOutwards(t *testing.T) {
	c := white(func(l *clip.Layer) {
		even := motion.Ease{Kind: motion.Linear}
		l.Tracks[clip.Offset] = motion.Track{{At: timing.At(0), Value: []float64{-150}, Ease: even}, {At: timing.At(60), Value: []float64{50}, Ease: even}}
	})
	spans(t, "inwards", c, 0, [2]int{-50, 50})
	spans(t, "halfway", c, 30, [2]int{-150, 150})
	spans(t, "outwards", c, 60, [2]int{-250, 250})
}

// Further outlines lie where they are asked to, outside and inside, of closed figures and of
// lines.
func TestAFigureHasSeveralOutlines(t *testing.T) {
	whiteLine := func(id int, apart, width float64) clip.Line {
		return clip.Line{ID: id, Width: width, Apart: apart, Colour: colour.RGB(0xFFFFFF)}
	}
	spans(t, "two outside", white(func(l *clip.Layer) {
		l.Card.Lines = []clip.Line{whiteLine(1, 20, 10), whiteLine(2, 60, 30)}
	}), 0, [2]int{-290, -260}, [2]int{-230, -220}, [2]int{-200, 200}, [2]int{220, 230}, [2]int{260, 290})
	spans(t, "outside its own", white(func(l *clip.Layer) {
		l.Card.Outline = colour.RGB(0xFFFFFF)
		l.Values[clip.Outline] = []float64{40}
		l.Card.Lines = []clip.Line{whiteLine(1, 20, 10)}
	}), 0, [2]int{-250, -240}, [2]int{-220, 220}, [2]int{240, 250})
	spans(t, "inside a dark one", white(func(l *clip.Layer) {
		l.Card.Form, l.Card.Fill = "disc", colour.Colour{}
		l.Card.Lines = []clip.Line{whiteLine(1, -60, 20)}
	}), 0, [2]int{-160, -140}, [2]int{140, 160})
	spans(t, "beside a line", white(func(l *clip.Layer) {
		// From above to below, through the middle.
		*l = clip.Drawn(clip.New("x", clip.Shape{W: 1, H: 1}, 30, 1), "Line", clip.DrawnPath{Points: []clip.PathPoint{{ID: 1, Y: -50}, {ID: 2, Y: 50}}}, 20, 400)
		l.ID, l.Lift = "line", 0
		l.Card.Outline = colour.Colour{A: 255}
		l.Values = map[string][]float64{clip.Outline: {20}}
		l.Card.Lines = []clip.Line{whiteLine(1, 10, 30)}
	}), 0, [2]int{-50, -20}, [2]int{20, 50})
}

// A path of many points has several contours and needs no keys; straight corners are rounded.
func TestAPathOfSeveralContours(t *testing.T) {
	p := clip.DrawnPath{Closed: true}
	for k, side := range []float64{50, 25} {
		for i, at := range [][2]float64{{-side, -side}, {side, -side}, {side, side}, {-side, side}} {
			p.Points = append(p.Points, clip.PathPoint{X: at[0], Y: at[1], Begins: k == 1 && i == 0})
		}
	}
	for i := range 4 { // the other way around, so that the second one is a hole
		p.Points[i].X = -p.Points[i].X
	}
	for i := range p.Points {
		p.Points[i].ID = i + 1
	}
	spans(t, "with a hole", white(func(l *clip.Layer) { l.Card.Form, l.Card.Path = "path", &p }), 0, [2]int{-200, -100}, [2]int{100, 200})
	shows := lit(t, white(func(l *clip.Layer) {
		l.Card.Form, l.Card.Path = "path", &p
		l.Values[clip.Corner] = []float64{100}
	}), 0)
	// The corner's arc has its middle 100 units from both edges: 71 along the diagonal.
	if shows(195, 195) || shows(-180, 180) || !shows(165, 165) {
		t.Error("its corners are not rounded")
	}
}

// A star drawn in one line of five runs round its middle twice: it is filled, unless it is
// hollow.
func TestWhatIsHollowIsOpenWhereItLiesOverItself(t *testing.T) {
	c, lib := block(t)
	l := &c.Layers[2]
	path := &clip.DrawnPath{Closed: true}
	for i := range 5 {
		sin, cos := math.Sincos(float64(i*144) * math.Pi / 180)
		path.Points = append(path.Points, clip.PathPoint{ID: i + 1, X: 50 * sin, Y: -50 * cos})
	}
	l.Kind, l.Cutout = clip.KindCard, nil
	l.Card = &clip.Card{Form: "path", Path: path, Aspect: 1, Fill: colour.RGB(0xFF0000)}
	l.Rest.Size, l.Lift = 800, 0
	for _, hollow := range []bool{false, true} {
		l.Card.Hollow = hollow
		b := draw(t, c, lib, "tall", 540, 960, 0)
		if open := b.Pix[480*540+270]>>8&255 > 200; open != hollow {
			t.Errorf("hollow is %t, but in its middle there is %08x", hollow, b.Pix[480*540+270])
		}
		// Its upper tip lies 216 pixels up.
		if b.Pix[(480-190)*540+270]>>8&255 > 20 {
			t.Error("its tip is not filled")
		}
	}
}
