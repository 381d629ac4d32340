package frame

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/effect"
	"billow/core/graph"
	"billow/core/words"
)

// looks are the properties that change a layer's picture itself: those here and
// all of effects.
var looks = func() []bool {
	out := make([]bool, len(clip.AllProperties))
	for _, p := range []int{
		crop, corner, outline, drawStart, drawEnd, dashShift, cornersApart, inner, begin, sweep, wave, waveLong, waveShift, edgeOffset, letterSpacing, arch, along, reveal,
		fillColour, emphasisColour, plateColour, outlineColour, fillAngle, fillCentre, fillReach, fillFlat,
		wallColour, groundColour, lightColour, horizon, horizonSoft, glow, glowAt, glowReach, zoom, pan, tint, tintColour, grainStrength,
	} {
		out[p] = true
	}
	for p := properties; p < len(out); p++ {
		out[p] = true
	}
	return out
}()

// look is what a layer's picture is made with.
type look struct {
	edge    edge
	pen     words.Pen
	spacing float64          // percent
	colours [4]colour.Colour // from fillColour to outlineColour
	effects []effect.Values  // as effect.All, or none; nil are those that change nothing
	masks   []graph.MaskPart // in the layer's own units
}

// plain tells whether a group with this look can be left as it is.
func (k look) plain() bool {
	for _, v := range k.effects {
		if v != nil {
			return false
		}
	}
	return k.edge.none() && len(k.masks) == 0
}

// edge is what shows of a layer's bounds: shares cut off on the left, above, on
// the right and below, and the radius of the corners in units.
type edge struct {
	cut    [4]float64
	corner float64
}

func (e edge) none() bool { return e == edge{} }

// lookAt samples a look. slid is how far the picture is moved within its own
// bounds while it slides into sight, in units.
func (s *Stage) lookAt(a *actor, env around) (k look, slid [2]float64) {
	at, _, _, _ := s.held(a, env.frame)
	v := a.value(crop, at)
	for i := range k.edge.cut {
		k.edge.cut[i] = min(max(v[i]/100, 0), 1)
	}
	k.edge.corner = max(0, a.number(corner, at))
	k.pen = words.Pen{Width: max(0, a.number(outline, at)), Start: a.number(drawStart, at) / 100, End: a.number(drawEnd, at) / 100}
	k.spacing = a.number(letterSpacing, at)
	for i := range k.colours {
		c := a.value(fillColour+i, at)
		k.colours[i] = colour.FromFloats(c[0], c[1], c[2], c[3])
	}
	k.effects, k.masks = a.effects(at), s.masksAt(a, at, env)
	if hidden := 1 - min(max(a.number(reveal, at)/100, 0), 1); hidden > 0 {
		slid = k.edge.hide(a.layer.Reveal, hidden, a.w, a.h)
	}
	return k, slid
}

// worn is an effect that a layer has at some time, by its place in effect.All and that of its first
// property.
type worn struct{ effect, first int }

// wears finds the effects that a layer has at some time.
func (a *actor) wears() {
	first := properties
	for i, e := range effect.All {
		v, moves := make(effect.Values, len(e.Properties)), false
		for j := range e.Properties {
			v[j] = a.base[first+j]
			moves = moves || a.curves[first+j] != nil
		}
		if moves || !e.Neutral(v) {
			a.worn = append(a.worn, worn{i, first})
		}
		first += len(e.Properties)
	}
}

// effects are the values of all effects on a frame.
func (a *actor) effects(frame float64) []effect.Values {
	if len(a.worn) == 0 {
		return nil
	}
	out := make([]effect.Values, len(effect.All))
	for _, w := range a.worn {
		i, e := w.effect, effect.All[w.effect]
		v := make(effect.Values, len(e.Properties))
		for j := range v {
			v[j] = a.value(w.first+j, frame)
		}
		if e.Neutral(v) {
			continue
		}
		if e.Rounded != nil {
			v = e.Rounded(v)
		}
		out[i] = v
	}
	return out
}

// hide takes a share away. Revealed from a side, what is hidden lies on the
// other one; sliding out from behind a side, the picture's own far part is
// still behind it.
func (e *edge) hide(r *clip.Reveal, share, w, h float64) (slid [2]float64) {
	side, slide := "below", false
	if r != nil {
		side, slide = r.Side, r.Slide
	}
	// The index of the edge at a side, and the way on which it lies.
	at := map[string]int{"left": 0, "above": 1, "right": 2, "below": 3}[side]
	cutSide := (at + 2) % 4
	if slide {
		cutSide = at
		way := [4][2]float64{{-w, 0}, {0, -h}, {w, 0}, {0, h}}[at]
		slid = [2]float64{way[0] * share, way[1] * share}
	}
	e.cut[cutSide] = max(e.cut[cutSide], share)
	return slid
}

// worded is the words of a layer as a look has them.
func (k look) worded(w *clip.Words) *clip.Words {
	out := *w
	out.Fill, out.EmphasisFill, out.Outline = k.colours[0], k.colours[1], k.colours[3]
	out.LetterSpacing += k.spacing
	if w.Plate != nil {
		plate := *w.Plate
		plate.Fill = k.colours[2]
		out.Plate = &plate
	}
	return &out
}
