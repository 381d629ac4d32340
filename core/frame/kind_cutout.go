package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

func init() {
	kinds[clip.KindCutout] = drawing{
		measure: func(s *Stage, a *actor) {
			a.prop = s.clip.PictureOf(a.layer)
			if a.prop == nil {
				return // an empty slot
			}
			if f := a.layer.Cutout.Fitted; f != nil {
				a.fit(f.For(a.prop.Picture.Fits()))
			}
			v := a.prop.Picture.Visible
			w, h := float64(v[2]-v[0]), float64(v[3]-v[1])
			k := a.rest.Size / max(w, h)
			a.w, a.h = w*k, h*k
		},
		picture: (*Stage).photo,
	}
}

// fit makes a rest that was made for one picture suit another: by a factor for
// its size, and as much lower as drop says of it, along the turned layer.
func (a *actor) fit(k float64, drop func(size float64) float64) {
	d := drop(a.rest.Size)
	a.rest.Size *= k
	sin, cos := math.Sincos(a.rest.Turn * math.Pi / 180)
	a.cx, a.cy = a.cx-d*sin, a.cy+d*cos
}

// per is how many pixels of its file a unit of a cut-out has.
func (a *actor) per() float64 {
	v := a.prop.Picture.Visible
	return float64(max(v[2]-v[0], v[3]-v[1])) / a.rest.Size
}

// photo is the picture of a cut-out.
func (s *Stage) photo(a *actor, _ look, frame float64) *graph.Node {
	prop, per := a.prop, a.per()
	v := prop.Picture.Visible
	cx, cy := float64(v[0]+v[2])/2, float64(v[1]+v[3])/2
	at, _, _, _ := s.held(a, frame)
	picture, key, k := s.shown(a, at, s.scale*a.largest/per)
	sheet := &paint.Sheet{Pyramid: *picture, X: -cx * k, Y: -cy * k, Per: per * k}
	return graph.Known(key.Nums(cx, cy, per), sheet)
}
