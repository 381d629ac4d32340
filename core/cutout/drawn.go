package cutout

import (
	"image"
	"slices"
)

// drawn is a stroke as it lies on a view, kept so that of an order only the new stroke has
// to be drawn.
type drawn struct {
	stroke Stroke
	noise  float32
	on     []int32
}

// mostDrawn is how many strokes are kept on a view.
const mostDrawn = 64

// pixelsOf are the pixels under a stroke that is no closed line: of one that stops at edges
// those that are reached from its middle without one, or look as the middle does.
func (v *view) pixelsOf(s Stroke) []int32 {
	for _, d := range v.drawn {
		if d.noise == v.noise && d.stroke.lies(s) {
			return d.on
		}
	}
	var on []int32
	if s.Seeks {
		on = v.sought(s)
	} else {
		v.under(s, 1, func(i int) { on = append(on, int32(i)) })
	}
	if len(v.drawn) >= mostDrawn {
		v.drawn = slices.Delete(v.drawn, 0, mostDrawn/2)
	}
	v.drawn = append(v.drawn, drawn{s, v.noise, on})
	return on
}

// lies tells whether a stroke lies just where another one does.
func (s Stroke) lies(o Stroke) bool {
	return s.Radius == o.Radius && s.Seeks == o.Seeks && slices.Equal(s.Points, o.Points)
}

func (v *view) sought(s Stroke) (on []int32) {
	along, limit := v.middle(s.Points), 24+3*v.noise
	var all, core []int32
	part := image.Rectangle{}
	v.under(s, 1, func(i int) {
		all = append(all, int32(i))
		x, y := i%v.w, i/v.w
		part = part.Union(image.Rect(x, y, x+1, y+1))
	})
	v.under(s, .3, func(i int) { core = append(core, int32(i)) })
	steep := edgesFrom(v, v.pix, 3+3*v.noise, core, part)
	for _, i := range all {
		if steep[i] == 0 || steep[i] < mostEdges && v.pix[i].apart(along) <= limit {
			on = append(on, i)
		}
	}
	return on
}
