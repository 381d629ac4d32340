package frame

import (
	"encoding/json"
	"math"

	"billow/core/clip"
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
	"billow/core/words"
)

// picture is an actor's picture on a frame, in its own space, and how far it is
// slid within its own bounds.
func (s *Stage) picture(a *actor, frame float64) (*graph.Node, [2]float64) {
	if !a.still {
		k, slid := s.lookAt(a, frame)
		return s.looking(a, k), slid
	}
	var slid [2]float64
	a.once.Do(func() {
		k, _ := s.lookAt(a, 0)
		a.picture = s.looking(a, k)
	})
	if a.base[reveal][0] < 100 {
		_, slid = s.lookAt(a, 0)
	}
	return a.picture, slid
}

// looking is a layer's picture with a look.
func (s *Stage) looking(a *actor, k look) *graph.Node {
	return s.dressed(s.plain(a, k), a, k, false, space{at: paint.Identity(), unit: 1, finest: s.finest(a)})
}

// space is where a picture is dressed: how it maps a layer's or a group's own
// units, how long one of them is, and how many pixels a unit are of use.
type space struct {
	at     paint.Affine
	unit   float64
	finest float64 // 0 is all that there are
}

// dressed puts the edge, the outline and the effects of a look on a picture: of
// a layer in its own space, of a group in the frame's.
func (s *Stage) dressed(n *graph.Node, a *actor, k look, bounded bool, in space) *graph.Node {
	if bounded || !k.edge.none() {
		cut := k.edge.cut
		n = graph.Filtered(n, graph.Cut{
			Left: (-0.5 + cut[0]) * a.w, Top: (-0.5 + cut[1]) * a.h, Right: (0.5 - cut[2]) * a.w, Bottom: (0.5 - cut[3]) * a.h,
			Radius: k.edge.corner, At: in.at, Finest: in.finest,
		})
	}
	if a.layer.Kind == clip.KindCutout && k.pen.Width > 0 {
		n = graph.Filtered(n, graph.Outline{
			Width: k.pen.Width, Pixel: paint.Premultiplied(k.colours[outlineColour-fillColour]), Finest: in.finest,
			Of: n.Key, Distances: s.distances,
		})
	}
	for i, e := range effect.All {
		if v := k.effects[i]; v != nil {
			n = graph.Filtered(n, graph.Effected{Effect: e, Values: v, Unit: in.unit})
		}
	}
	return n
}

func (s *Stage) distances(k graph.Key, measure func() *paint.Distances) *paint.Distances {
	return cached(s.lib, k, func(d *paint.Distances) int { return 4 * d.W * d.H }, measure)
}

// sharpness is how many raster pixels words have for a pixel of the frame on
// each axis, so that they stay sharp while they drift by parts of a pixel.
const sharpness = 1.5

// finest is how many pixels a unit of a layer are of use.
func (s *Stage) finest(a *actor) float64 { return s.scale * sharpness * min(a.largest, 4) }

// rasterPixels is the most that outlines are drawn with: more than a frame, of
// which the rest lies outside.
const rasterPixels = 6e6

// raster is the pixels a unit for outlines so large, in units.
func (s *Stage) raster(a *actor, w, h float64) float64 {
	w, h = max(w, 1), max(h, 1)
	return min(s.finest(a), clip.MaxSide/max(w, h), math.Sqrt(max(rasterPixels, 2*float64(s.W*s.H))/(w*h)))
}

// contentOf is the key of what a layer shows, without its look; made once, since
// it is made of text.
func (s *Stage) contentOf(a *actor) graph.Key {
	l := a.layer
	if l.Words == nil && l.Card == nil && l.Backdrop == nil {
		return graph.Key{}
	}
	var product *clip.Product
	if l.Words != nil && l.Words.Product != "" {
		product = s.clip.Product(l.Words.Product)
	}
	text, err := json.Marshal([]any{l.Words, l.Card, l.Backdrop, product})
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	return graph.Key{}.Text(string(text)).Nums(a.rest.Size, l.Rest.Size)
}

// plain is the picture without edge, outline and effects.
func (s *Stage) plain(a *actor, k look) *graph.Node {
	switch a.layer.Kind {
	case clip.KindCutout:
		return s.photo(a)
	case clip.KindBackdrop:
		return s.backdrop(a, k)
	case clip.KindCard:
		return s.card(a, k)
	}
	return s.wording(a, k)
}

func (s *Stage) photo(a *actor) *graph.Node {
	prop := s.clip.Prop(a.layer.Cutout.Prop)
	v := prop.Picture.Visible
	per := float64(max(v[2]-v[0], v[3]-v[1])) / a.rest.Size
	cx, cy := float64(v[0]+v[2])/2, float64(v[1]+v[3])/2
	sheet := &paint.Sheet{Pyramid: *s.lib.Picture(prop.Hash), X: -cx, Y: -cy, Per: per}
	return graph.Known(graph.Key{}.Text(prop.Hash).Nums(cx, cy, per), sheet)
}

// block is the layer's set words as they are without keys.
func (s *Stage) block(a *actor) *words.Block {
	return s.blockOf(a, a.layer.Words, a.content.Text("plain block"))
}

func (s *Stage) blockOf(a *actor, w *clip.Words, key graph.Key) *words.Block {
	// The width shrinks with the size, so that lines break alike in all shapes.
	size := a.rest.Size
	return cached(s.lib, key, func(*words.Block) int { return 1 << 16 }, func() *words.Block {
		return words.Set(s.lib.Fonts, w, s.clip.Product(w.Product), size, w.Width*size/a.layer.Rest.Size)
	})
}

// wording is the picture of words.
func (s *Stage) wording(a *actor, k look) *graph.Node {
	w := k.worded(a.layer.Words)
	key := a.content.Nums(k.spacing)
	for _, c := range k.colours {
		key = key.Colour(c)
	}
	block := s.blockOf(a, w, key.Text("block"))
	per := s.raster(a, block.W, block.H)
	key = key.Text("words").Nums(per)
	if !k.pen.None() {
		key = key.Nums(k.pen.Width, k.pen.Start, k.pen.End)
	}
	return graph.Source(key, func() *paint.Sheet {
		b, x0, y0 := block.Raster(per, k.pen, w.Outline)
		return paint.NewSheet(b, x0*per, y0*per, per)
	})
}

// backdrop is a gradient that fills the frame.
func (s *Stage) backdrop(a *actor, k look) *graph.Node {
	b := a.layer.Backdrop
	key := a.content.Text("backdrop").Nums(float64(s.W), float64(s.H))
	for i := range b.Stops {
		key = key.Colour(k.colours[stopColour1-fillColour+i])
	}
	return graph.Source(key, func() *paint.Sheet {
		list := make([]paint.Stop, len(b.Stops))
		for i, st := range b.Stops {
			list[i] = paint.Stop{At: st.At / 100, Colour: k.colours[stopColour1-fillColour+i]}
		}
		m := paint.NewBitmap(s.W, s.H)
		paint.Gradient(m, list, b.Angle)
		w, _ := layout.Extent(s.shape)
		return paint.NewSheet(m, -float64(s.W)/2, -float64(s.H)/2, float64(s.W)/w)
	})
}
