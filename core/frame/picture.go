package frame

import (
	"encoding/json"
	"math"

	"billow/core/clip"
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/layout"
	"billow/core/paint"
)

// picture is an actor's picture on a frame, in its own space, and how far it is
// slid within its own bounds.
func (s *Stage) picture(a *actor, env around) (*graph.Node, [2]float64) {
	if !a.still {
		k, slid := s.lookAt(a, env)
		return s.looking(a, k, env.frame), slid
	}
	var slid [2]float64
	a.once.Do(func() {
		k, _ := s.lookAt(a, whole(0))
		a.picture = s.looking(a, k, 0)
	})
	if a.base[reveal][0] < 100 {
		_, slid = s.lookAt(a, whole(0))
	}
	return a.picture, slid
}

// looking is a layer's picture with a look.
func (s *Stage) looking(a *actor, k look, frame float64) *graph.Node {
	return s.dressed(kinds[a.layer.Kind].picture(s, a, k, frame), a, k, false, space{at: paint.Identity(), unit: 1, finest: s.finest(a)})
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
	n = masked(n, k, in)
	if cut := k.edge.cut; bounded || cut != [4]float64{} || k.edge.corner > 0 && !a.kind.Round {
		// Where nothing is cut off, an outline along the edge is seen as a whole.
		reach := func(side int) float64 {
			if cut[side] == 0 && !a.kind.Rim {
				return k.pen.Width / 2
			}
			return 0
		}
		n = graph.Filtered(n, graph.Cut{
			Left: (-0.5+cut[0])*a.w - reach(0), Top: (-0.5+cut[1])*a.h - reach(1),
			Right: (0.5-cut[2])*a.w + reach(2), Bottom: (0.5-cut[3])*a.h + reach(3),
			Radius: k.edge.corner, At: in.at, Finest: in.finest,
		})
	}
	if a.kind.Rim && k.pen.Width > 0 {
		n = graph.Filtered(n, graph.Outline{
			Width: k.pen.Width, Pixel: paint.Premultiplied(k.colours[outlineColour-fillColour]), Finest: in.finest,
			Of: n.Key, Distances: s.distances,
		})
	}
	for _, e := range s.effects(a, k, in) {
		n = graph.Filtered(n, e)
	}
	return n
}

// box is how large a layer is at rest, in its own units.
func (s *Stage) box(a *actor) effect.Box {
	if a.kind.Fills {
		w, h := layout.Extent(s.shape)
		return effect.Box{W: w, H: h}
	}
	return effect.Box{W: a.w, H: a.h}
}

func (s *Stage) distances(k graph.Key, measure func() *paint.Distances) *paint.Distances {
	return cached(s.lib, k, func(d *paint.Distances) int { return 4 * d.W * d.H }, measure)
}

// finest is how many pixels a unit of a layer are of use.
func (s *Stage) finest(a *actor) float64 { return s.scale * paint.Sharp * min(a.largest, 4) }

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
	if a.kind.Holds || l.Cutout != nil {
		return graph.Key{}
	}
	var of *clip.Subject
	if l.Words != nil {
		of = s.clip.SubjectOf(l)
	}
	text, err := json.Marshal([]any{a.kind.Content(l), of})
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	return graph.Key{}.Text(string(text)).Nums(a.rest.Size, l.Rest.Size)
}
