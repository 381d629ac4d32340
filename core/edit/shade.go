package edit

import (
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/colour"
)

// ShadeWords puts a soft veil between words and what is behind them, which goes where they
// go and as they fade.
type ShadeWords struct {
	Typed
	Layer   string        `json:"layer"`
	ID      string        `json:"id"` // of the veil
	Colour  colour.Colour `json:"colour"`
	Opacity float64       `json:"opacity"` // percent
	W       float64       `json:"w"`       // of the words in the shape that is looked at, units
	H       float64       `json:"h"`
}

func (s *ShadeWords) apply(c *clip.Clip) error {
	l, err := wordsOf(c, s.Layer)
	if err != nil {
		return err
	}
	if c.Layer(s.ID) != nil {
		return clip.Fault("id", "there is a layer %q already", s.ID)
	}
	if s.W <= 0 || s.H <= 0 {
		return clip.Fault("w", "a veil needs a width and a height")
	}
	veil := clip.NewLayer(s.ID, "Shade", clip.KindCard)
	// It reaches beyond the words, as far as it is soft, and a little more.
	soft := min(s.H*0.3, 90)
	w, h := s.W+3*soft, s.H+3*soft
	veil.Card = &clip.Card{Form: "card", Aspect: min(max(w/h, 0.02), 50), Fill: s.Colour, Outline: s.Colour}
	veil.Values = map[string][]float64{clip.Corner: {soft}, "blur": {soft / 2}, clip.Opacity: {s.Opacity}}
	veil.Group, veil.From, veil.To, veil.Lift = l.Group, l.From, l.To, 0
	// Its middle is theirs, which may not be where they rest.
	under := func(r clip.Rest) clip.Rest {
		k := r.Size / l.Rest.Size
		sin, cos := math.Sincos(r.Turn * math.Pi / 180)
		by := -float64(l.Words.Stands()) * s.W / 2 * k
		r.X, r.Y, r.Size = r.X+by*cos, r.Y+by*sin, max(w, h)*k
		return r
	}
	veil.Rest = under(l.Rest)
	for shape, r := range l.Rests {
		if veil.Rests == nil {
			veil.Rests = map[string]clip.Rest{}
		}
		veil.Rests[shape] = under(r)
	}
	veil.Follow = &clip.Follow{Layer: l.ID, Position: true, Rotation: true}
	if t := l.Tracks[clip.Opacity]; len(t) > 0 {
		own := slices.Clone(t)
		for i := range own {
			own[i].Value, own[i].Move = []float64{own[i].Value[0] * s.Opacity / 100}, ""
		}
		veil.Tracks[clip.Opacity] = own
		delete(veil.Values, clip.Opacity)
	}
	at := slices.IndexFunc(c.Layers, func(o clip.Layer) bool { return o.ID == l.ID })
	c.Layers = slices.Insert(c.Layers, at, veil)
	return nil
}
