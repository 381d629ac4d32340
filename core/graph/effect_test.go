package graph

import (
	"testing"

	"billow/core/cube"
	"billow/core/effect"
	"billow/core/paint"
)

// strong is the values of an effect's properties a third of the way from neutral
// to the end that is farther away.
func strong(e *effect.Effect) effect.Values {
	v := make(effect.Values, len(e.Properties))
	for i, p := range e.Properties {
		end := p.Max
		if p.Neutral-p.Min > p.Max-p.Neutral {
			end = p.Min
		}
		for d := range p.Dims {
			v[i][d] = p.Neutral + (end-p.Neutral)/3
		}
		if p.Usual != nil {
			copy(v[i][:], p.Usual)
		}
		if p.Name == "keyColour" { // that of what it is tried on
			v[i] = [4]float64{0xC0, 0x60, 0x08, 255}
		}
	}
	if e.Rounded != nil {
		v = e.Rounded(v)
	}
	return v
}

// Every effect changes something, draws nothing beyond its reach, and does to a
// layer what it does to a group.
func TestEffectsKeepTheirWord(t *testing.T) {
	for _, e := range effect.All {
		t.Run(e.Name, func(t *testing.T) {
			v := strong(e)
			f := Effected{Effect: e, Values: v, Unit: 0.2, At: paint.Scale(0.2, 0.2), Box: effect.Box{W: 300, H: 300}}
			if e == &effect.Table {
				f.Table = negative(t)
			}
			moved := f
			moved.At = moved.At.Then(paint.Translate(150, 150))
			p := NewPainter(300, 300, newShelf())
			dst := paint.NewBitmap(300, 300)
			drawn := func(n *Node) []uint32 {
				clear(dst.Pix)
				p.Over(dst, []*Node{n}, 1)
				return append([]uint32(nil), dst.Pix...)
			}
			plain := drawn(p.Place(square(60, 0xFF0860C0), at(150, 150)))
			layer := drawn(p.Place(Filtered(square(60, 0xFF0860C0), f), at(150, 150)))
			group := drawn(p.Place(Filtered(Stack([]*Node{p.Place(square(60, 0xFF0860C0), at(150, 150))}), moved), at(0, 0)))
			far, changed := f.Reach()+31, false
			for i := range plain {
				x, y := float64(i%300)+0.5-150, float64(i/300)+0.5-150
				if max(x, -x, y, -y) > far && layer[i] != 0 {
					t.Fatalf("at %g,%g, beyond its reach, there is %08x", x, y, layer[i])
				}
				changed = changed || plain[i] != layer[i]
				most := 2
				switch e { // which show, more strongly, how coarsely a quarter of a blur is known at a corner
				case &effect.Sharpen, &effect.Bloom, &effect.InnerGlow:
					most = 6
				case &effect.Blur, &effect.Halo:
					most = 3
				}
				if e.Group == effect.Bending { // a fiftieth of a pixel at an edge, either way
					most = 8
				}
				if d := apart(layer[i], group[i]); d > most {
					t.Fatalf("at %g,%g a layer is %08x and a group %08x", x, y, layer[i], group[i])
				}
			}
			if !changed {
				t.Error("it changes nothing")
			}
		})
	}
}

// negative is a table of colours in which everything is as bright as it was dark.
func negative(t *testing.T) *cube.Table {
	table, err := cube.Read([]byte("LUT_1D_SIZE 2\n1 1 1\n0 0 0\n"))
	if err != nil {
		t.Fatal(err)
	}
	return table
}

// apart is the largest difference of a channel.
func apart(p, q uint32) int {
	most := 0
	for shift := 0; shift < 32; shift += 8 {
		d := int(p>>shift&255) - int(q>>shift&255)
		most = max(most, d, -d)
	}
	return most
}
