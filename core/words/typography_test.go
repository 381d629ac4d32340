package words

import (
	"math"
	"testing"

	"billow/core/clip"
	"billow/core/paint"
)

const poster = "BricolageGrotesque_800ExtraBold.ttf"

// first is the first letter of a line that has an outline.
func firstOf(b *Block, line int) Glyph {
	for _, g := range b.Glyphs {
		if g.Line == line && g.From < g.To {
			return g
		}
	}
	return Glyph{}
}

// With optical margins a quotation mark stands out beyond the edge, so that the letters
// behind it begin where those of the next line do.
func TestQuotationMarksHangOut(t *testing.T) {
	text := "“Hello\nHello there”"
	for _, optical := range []bool{false, true} {
		b := Set(fontOf(t, poster), lined(text, func(w *clip.Words) { w.Align, w.Optical = "left", optical }), nil, Setting{Size: 100})
		mark, below := firstOf(b, 0), firstOf(b, 1)
		h := mark.X + mark.Advance
		if even := math.Abs(h-below.X) < 0.5; even != optical {
			t.Errorf("optical is %t: the letter behind the mark is at %.1f, that below at %.1f", optical, h, below.X)
		}
	}
}

// Words that fit a box are as large as they can be: they are within it, and would not be if
// they were one part in a hundred larger.
func TestWordsFitTheirBox(t *testing.T) {
	fonts := fontOf(t, poster)
	for _, text := range []string{"40%", "Three for two", "Everything a small kitchen outdoors needs", "Unbelievably"} {
		fit := func(w *clip.Words) { w.Fit = &clip.Fit{Height: 300, Smallest: 20, Largest: 800} }
		b := Set(fonts, lined(text, fit), nil, Setting{Size: 60, Width: 500, Height: 300})
		if math.Abs(b.W-500) > 1e-6 || math.Abs(b.H-300) > 1e-6 {
			t.Errorf("%q: the block is %g by %g", text, b.W, b.H)
		}
		within := func(size float64) bool {
			b := Set(fonts, lined(text, func(*clip.Words) {}), nil, Setting{Size: size, Width: 500})
			divided := b.Lines > b.Words
			return !divided && b.W <= 501 && b.H <= 301
		}
		if !within(b.Size) {
			t.Errorf("%q at %.1f is not within its box", text, b.Size)
		}
		if b.Size < 479 && within(b.Size*1.01) {
			t.Errorf("%q at %.1f could be larger", text, b.Size)
		}
	}
	long := lined("So many words that they cannot be in such a box however small they are made", func(w *clip.Words) { w.Fit = &clip.Fit{Height: 20, Smallest: 50, Largest: 100} })
	if b := Set(fonts, long, nil, Setting{Size: 60, Width: 200, Height: 20}); b.Size != 30 {
		t.Errorf("what does not fit is %g large, the smallest is 30", b.Size)
	}
}

// Lines beside a round window end before it, and take the room that there is.
func TestLinesKeepAwayFromAWindow(t *testing.T) {
	text := "A lantern that lights the whole trail, a mug that never spills, and a stove that boils water before you have laid the table for everyone"
	window := Window{X: 260, Y: 10, R: 70}
	for _, align := range []string{"left", "centre", "right"} {
		b := Set(fontOf(t, poster), lined(text, func(w *clip.Words) { w.Align = align }), nil, Setting{Size: 40, Width: 800, Window: &window})
		short, long := math.Inf(1), 0.0
		for _, e := range ends(b) {
			short, long = min(short, e[1]-e[0]), max(long, e[1]-e[0])
		}
		for _, g := range b.Glyphs {
			if g.From == g.To {
				continue
			}
			box := b.Shapes[g.Shape].Path[g.From:g.To].Bounds()
			x, y := min(max(window.X, box[0]), box[2]), min(max(window.Y, box[1]), box[3])
			if d := math.Hypot(x-window.X, y-window.Y); d < window.R-2 {
				t.Fatalf("%s: a letter at %.0f,%.0f is %.0f within the window", align, g.X, g.Y, window.R-d)
			}
			if box[0] < -403 || box[2] > 403 {
				t.Fatalf("%s: a letter reaches from %.0f to %.0f", align, box[0], box[2])
			}
		}
		if short > 600 || long < 640 {
			t.Errorf("%s: lines are %.0f to %.0f wide, as if there were no window", align, short, long)
		}
	}
}

// On an arch, the feet of all letters are as far from one point, and turned towards it.
func TestLettersStandOnAnArch(t *testing.T) {
	for _, degrees := range []float64{120, 360, -90} {
		b := Set(fontOf(t, poster), lined("Bring the glow home", func(*clip.Words) {}), nil, Setting{Size: 60, Arch: degrees})
		flat := Set(fontOf(t, poster), lined("Bring the glow home", func(*clip.Words) {}), nil, Setting{Size: 60})
		// The middle of the line is as long as the arc.
		r := flat.W / (degrees * math.Pi / 180)
		box := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
		var cx, cy float64
		for i, g := range b.Glyphs {
			sin, cos := math.Sincos(g.Turn * math.Pi / 180)
			x, y := g.X+g.Advance/2*cos, g.Y+g.Advance/2*sin // the middle of its foot
			down := r - flat.Glyphs[i].Y
			x, y = x-down*sin, y+down*cos
			if i == 0 {
				cx, cy = x, y
			}
			if math.Abs(x-cx) > 0.01 || math.Abs(y-cy) > 0.01 {
				t.Fatalf("%g°: letter %d goes round %.2f,%.2f, the first round %.2f,%.2f", degrees, i, x, y, cx, cy)
			}
			if g.From < g.To {
				own := b.Shapes[g.Shape].Path[g.From:g.To].Bounds()
				box = [4]float64{min(box[0], own[0]), min(box[1], own[1]), max(box[2], own[2]), max(box[3], own[3])}
			}
		}
		if box[0] < -b.W/2-5 || box[2] > b.W/2+5 || box[1] < -b.H/2-5 || box[3] > b.H/2+5 || box[2]-box[0] < 0.8*b.W {
			t.Errorf("%g°: letters lie in %.0f, the block is %.0f by %.0f", degrees, box, b.W, b.H)
		}
	}
}

// Along a path both ends of each letter's foot lie on it; what is moved beyond an open
// path's end is not seen, and a closed one goes round.
func TestLettersStandOnAPath(t *testing.T) {
	circle := paint.Ellipse(400, 400)
	words := lined("Round and round", func(w *clip.Words) { w.Align = "left" })
	for _, shift := range []float64{0, 0.3, 0.9, -2.25} {
		b := Set(fontOf(t, poster), words, nil, Setting{Size: 50, Along: &Course{Path: circle, Shift: shift}})
		for _, g := range b.Glyphs {
			// The foot is a chord of the circle, so a little within it.
			in := 200 - math.Sqrt(200*200-g.Advance*g.Advance/4)
			sin, cos := math.Sincos(g.Turn * math.Pi / 180)
			middle := math.Hypot(g.X+g.Advance/2*cos, g.Y+g.Advance/2*sin)
			if math.Abs(middle-(200-in)) > 0.5 {
				t.Fatalf("moved by %g, a letter is %.2f from the middle, want %.2f", shift, middle, 200-in)
			}
		}
	}
	seen := func(shift float64) (n int) {
		b := Set(fontOf(t, poster), words, nil, Setting{Size: 50, Along: &Course{Path: paint.Line(-300, 0, 300, 0), Shift: shift}})
		for _, g := range b.Glyphs {
			if box := b.Shapes[g.Shape].Path[g.From:g.To].Bounds(); g.From < g.To && box[2]-box[0] > 1 {
				n++
			}
		}
		return n
	}
	if all, some, none := seen(0), seen(0.6), seen(1.2); all != 13 || some <= 0 || some >= all || none != 0 {
		t.Errorf("%d letters are seen, then %d, then %d", all, some, none)
	}
}

// A card behind each line is as wide as the line and its room.
func TestEachLineHasItsCard(t *testing.T) {
	square := 0.0
	b := Set(fontOf(t, poster), lined("Now\nthree for two", func(w *clip.Words) {
		w.Align, w.Plate = "left", &clip.Plate{Kind: "lines", Room: 20, Round: &square}
	}), nil, Setting{Size: 100})
	plate := b.Plate()
	if len(plate.Shapes) != 2 {
		t.Fatalf("%d cards lie behind two lines", len(plate.Shapes))
	}
	for i, e := range ends(b) {
		box := plate.Shapes[i].Path.Bounds()
		if math.Abs(box[0]-(e[0]-24)) > 0.5 || math.Abs(box[2]-(e[1]+24)) > 0.5 {
			t.Errorf("card %d is from %.1f to %.1f, its line from %.1f to %.1f", i, box[0], box[2], e[0], e[1])
		}
	}
}

// What is asked of a font is done: here, that kerning can be left out.
func TestFeaturesReachTheFont(t *testing.T) {
	fonts := fontOf(t, "HankenGrotesk_700Bold.ttf")
	wide := func(text string, features ...string) float64 {
		return Set(fonts, lined(text, func(w *clip.Words) { w.Features = features }), nil, Setting{Size: 100}).W
	}
	if wide("AVATAR", "-kern") <= wide("AVATAR") {
		t.Error("without kerning, AVATAR is not wider")
	}
}
