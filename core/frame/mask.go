package frame

import (
	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

// beyond is how far the side of a line reaches that a mask shows, units.
const beyond = 20000

// shrink is by how much less a layer's own lengths are in the stage's shape than in its
// home shape.
func (a *actor) shrink() float64 {
	if a.kind.Holds || a.layer.Rest.Size <= 0 {
		return 1
	}
	return a.rest.Size / a.layer.Rest.Size
}

// masksAt is a layer's masks on one of its frames, in its own units. Those that stand still
// lie where they would if nothing moved the layer.
func (s *Stage) masksAt(a *actor, frame float64, env around) []graph.MaskPart {
	var out []graph.MaskPart
	shrink := a.shrink()
	for _, m := range a.layer.Masks {
		number := func(family string) [4]float64 { return a.named(clip.NumberedName(family, m.ID), frame) }
		at, size, turn := number(clip.MaskPlace), number(clip.MaskSize), number(clip.MaskTurn)[0]
		corner, feather, more := number(clip.MaskCorner)[0], number(clip.MaskFeather)[0], number(clip.MaskExpand)[0]
		part := graph.MaskPart{Mode: m.Mode, Invert: m.Invert, Feather: feather * shrink}
		var path paint.Path
		w, h := max(0, size[0]+2*more), max(0, size[1]+2*more)
		switch m.Form {
		case "disc":
			path = paint.Ellipse(w, h)
		case "line": // all below it
			path = paint.Corners(2*beyond, beyond, [4]float64{}).Transformed(paint.Translate(0, beyond/2-more))
		case "path":
			path, part.Rim = maskCourse(m.Path, size[0], size[1]), more*shrink
		default:
			path = paint.RoundRect(w, h, max(0, corner+min(more, corner)))
		}
		place := paint.Rotate(turn).Then(paint.Translate(at[0], at[1])).Then(paint.Scale(shrink, shrink))
		if m.Still {
			if back, ok := s.local(a, env).M.Inverse(); ok {
				place = place.Then(a.standing()).Then(back)
			}
		}
		part.Path = path.Transformed(place)
		part.Nums = []float64{float64(len(m.Form)), at[0], at[1], size[0], size[1], turn, corner, more, place.A, place.B, place.C, place.D, place.E, place.F}
		if m.Path != nil {
			for _, p := range m.Path.Points {
				begins := 0.0
				if p.Begins {
					begins = 1
				}
				part.Nums = append(part.Nums, p.X, p.Y, p.In[0], p.In[1], p.Out[0], p.Out[1], begins)
			}
		}
		out = append(out, part)
	}
	return out
}

// standing maps a layer's own space to what it is in, when nothing moves it.
func (a *actor) standing() paint.Affine {
	size := 1.0
	if a.kind.Holds {
		size = a.rest.Size / 1000
	}
	return paint.Scale(size, size).Then(paint.Rotate(a.rest.Turn)).Then(paint.Translate(a.cx, a.cy))
}

// Masks are those of a layer on a frame of the clip, in its own units.
func (s *Stage) Masks(layer string, frame int) graph.Masked {
	a := s.byID[layer]
	env, _ := s.surroundings(a, float64(frame))
	at, _, _, _ := s.held(a, env.frame)
	return graph.Masked{Parts: s.masksAt(a, at, env), At: paint.Identity()}
}

// masked puts a look's masks on a picture: a layer's in its own space, a group's in the
// frame's.
func masked(n *graph.Node, k look, in space) *graph.Node {
	if len(k.masks) == 0 {
		return n
	}
	return graph.Filtered(n, maskedIn(k, in))
}

// maskedIn is a look's masks in a space.
func maskedIn(k look, in space) graph.Masked {
	parts := make([]graph.MaskPart, len(k.masks))
	for i, p := range k.masks {
		p.Feather *= in.unit
		p.Rim *= in.unit
		parts[i] = p
	}
	return graph.Masked{Parts: parts, At: in.at, Finest: in.finest}
}
