package graph

import (
	"testing"

	"billow/core/effect"
	"billow/core/paint"
	"billow/core/transition"
)

// photo is a picture of 1200 by 1200 pixels with a soft rim, shown 700 wide.
func photo() *Node {
	return Source(Key{}.Text("photo"), func() *paint.Sheet {
		b := paint.NewBitmap(1200, 1200)
		for i := range b.Pix {
			x, y := i%1200-600, i/1200-600
			if d := x*x + y*y; d < 590*590 {
				b.Pix[i] = 0xFF000000 | uint32(x*7&255) | uint32(y*5&255)<<8 | uint32(d>>11&255)<<16
			} else if d < 600*600 {
				b.Pix[i] = 0x80202020
			}
		}
		return paint.NewSheet(b, -600, -600, 12.0/7)
	})
}

// BenchmarkNode is the time that one node takes on a frame of 1080x1920 when it,
// and it alone, has changed: a picture that is placed anew, whether in its own
// space or on a sheet of the frame's, and what is done to that sheet. What a
// filter costs in a layer's own space is paid once.
func BenchmarkNode(b *testing.B) {
	moved := func(i int) Placement {
		return Placement{At: paint.Rotate(float64(i) * 0.01).Then(paint.Translate(540+float64(i)*0.1, 960)), Opacity: 1}
	}
	place := func(p *Painter, i int) *Node { return p.Place(photo(), moved(i)) }
	on := func(f Filter) func(p *Painter, i int) *Node {
		return func(p *Painter, i int) *Node { return Filtered(Stack([]*Node{place(p, i)}), f) }
	}
	faded := func(blend paint.Blend) func(p *Painter, i int) *Node {
		return func(p *Painter, i int) *Node {
			return p.Place(Stack([]*Node{place(p, i)}), Placement{At: paint.Identity(), Opacity: 0.7, Blend: blend})
		}
	}
	cases := []struct {
		name string
		node func(p *Painter, i int) *Node
	}{
		{"place", place},
		{"place while the shutter is open", func(p *Painter, i int) *Node {
			at := moved(i)
			for k := range 8 {
				at.Moved = append(at.Moved, moved(i).At.Then(paint.Translate(float64(2*k), 0)))
			}
			return p.Place(photo(), at)
		}},
		{"place multiplied", func(p *Painter, i int) *Node {
			at := moved(i)
			at.Blend = paint.BlendNamed("multiply")
			return p.Place(photo(), at)
		}},
		{"stack of four", func(p *Painter, i int) *Node {
			var list []*Node
			for k := range 4 {
				list = append(list, place(p, i+k*1000))
			}
			return Stack(list)
		}},
		{"sheet faded", faded(paint.Normal)},
		{"sheet multiplied", faded(paint.BlendNamed("multiply"))},
		{"cut", on(Cut{Left: -300, Top: -300, Right: 300, Bottom: 200, Radius: 40, At: paint.Translate(540, 960)})},
		{"shadow", on(Silhouette{Sigma: 24, Pixel: 0xFF000000})},
		{"matte", func(p *Painter, i int) *Node {
			return Matte(Stack([]*Node{place(p, i)}), Stack([]*Node{place(p, i+900)}), nil, Cutting{})
		}},
	}
	for _, e := range effect.All {
		cases = append(cases, struct {
			name string
			node func(p *Painter, i int) *Node
		}{"effect " + e.Name, on(Effected{Effect: e, Values: begun(e), Unit: 0.5,
			At: paint.Scale(0.5, 0.5).Then(paint.Translate(540, 960)), Box: effect.Box{W: 2160, H: 3840}})})
	}
	for _, t := range transition.All {
		cases = append(cases, struct {
			name string
			node func(p *Painter, i int) *Node
		}{"transition " + t.ID, func(p *Painter, i int) *Node {
			return Lead(Stack([]*Node{place(p, i)}), Stack([]*Node{place(p, i+900)}), t, 0.4)
		}})
	}
	store := newShelf()
	for _, c := range cases {
		b.Run(c.name, func(b *testing.B) {
			p, dst := NewPainter(1080, 1920, store), paint.NewBitmap(1080, 1920)
			p.Draw(dst, []*Node{c.node(p, 0)})
			b.ResetTimer()
			for i := range b.N {
				p.Draw(dst, []*Node{c.node(p, i+1)})
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
		})
	}
}

// begun is an effect as the page puts it on: its first property as it begins, and all others neutral.
func begun(e *effect.Effect) effect.Values {
	v := make(effect.Values, len(e.Properties))
	for i, p := range e.Properties {
		for d := range p.Dims {
			v[i][d] = p.Neutral
		}
		if p.Usual != nil {
			copy(v[i][:], p.Usual)
		}
	}
	if copy(v[0][:], e.Begin); e.Begin == nil {
		v[0][0] = e.Properties[0].Max
	}
	return v
}
