package edit

import (
	"math"
	"slices"

	"billow/core/clip"
)

// RunAlong lets words run along a figure's outline, where the figure stands. Without a figure
// their lines are straight again.
type RunAlong struct {
	Typed
	Layer  string `json:"layer"`
	Figure string `json:"figure,omitempty"`
}

func (r *RunAlong) apply(c *clip.Clip) error {
	l, err := wordsOf(c, r.Layer)
	if err != nil {
		return err
	}
	if l.Words.Along = r.Figure; r.Figure == "" {
		delete(l.Tracks, clip.Along)
		delete(l.Values, clip.Along)
		return nil
	}
	on, err := find(c, r.Figure)
	if err != nil {
		return err
	}
	if on.Card == nil || on.Card.Fills {
		return clip.Fault("figure", "words run along a figure; %q is none", on.Name)
	}
	stand := func(r, on clip.Rest) clip.Rest {
		r.Pin, r.X, r.Y, r.Turn = on.Pin, on.X, on.Y, on.Turn
		return r
	}
	l.Words.ByEdge = false // the outline's middle is theirs
	for shape := range on.Rests {
		if _, own := l.Rests[shape]; !own {
			if l.Rests == nil {
				l.Rests = map[string]clip.Rest{}
			}
			own := l.Rest
			own.Away = false
			l.Rests[shape] = own
		}
	}
	l.Rest = stand(l.Rest, on.Rest)
	for shape, r := range l.Rests {
		of, ok := on.Rests[shape]
		if !ok {
			of = on.Rest
		}
		l.Rests[shape] = stand(r, of)
	}
	return nil
}

// SetAxis puts an axis of a variable font somewhere. On an axis with keys, the key on the
// frame changes.
type SetAxis struct {
	Typed
	Layer string  `json:"layer"`
	Tag   string  `json:"tag"` // of OpenType, as wght
	At    float64 `json:"at"`
	Frame int     `json:"frame"`
}

func (s *SetAxis) apply(c *clip.Clip) error {
	l, err := wordsOf(c, s.Layer)
	if err != nil {
		return err
	}
	i := slices.IndexFunc(l.Words.Axes, func(a clip.Axis) bool { return a.Tag == s.Tag })
	if i < 0 {
		id := 1
		for slices.ContainsFunc(l.Words.Axes, func(a clip.Axis) bool { return a.ID == id }) {
			id++
		}
		l.Words.Axes = append(l.Words.Axes, clip.Axis{ID: id, Tag: s.Tag, At: s.At})
		return nil
	}
	set := SetValue{Layer: s.Layer, Property: clip.NumberedName(clip.AxisAt, l.Words.Axes[i].ID), Frame: s.Frame, Value: []float64{s.At}}
	return set.apply(c)
}

// FillWords lets a picture show only where words are: both come into a group that is cut to
// the words.
type FillWords struct {
	Typed
	Layer   string  `json:"layer"`
	Prop    string  `json:"prop"`
	ID      string  `json:"id"`      // of the group
	Picture string  `json:"picture"` // the ID of the picture's layer
	W       float64 `json:"w"`       // of the words in the shape that is looked at, units
	H       float64 `json:"h"`
}

func (f *FillWords) apply(c *clip.Clip) error {
	l, err := wordsOf(c, f.Layer)
	if err != nil {
		return err
	}
	if p := c.Prop(f.Prop); p == nil || p.Picture == nil {
		return clip.Fault("prop", "there is no picture %q", f.Prop)
	}
	if f.W <= 0 || f.H <= 0 {
		return clip.Fault("w", "words without a width cannot be filled")
	}
	if c.Layer(f.Picture) != nil {
		return clip.Fault("picture", "there is a layer %q already", f.Picture)
	}
	name, rest, rests := l.Name, l.Rest, l.Rests
	group, err := gather(c, []string{f.Layer}, f.ID, name)
	if err != nil {
		return err
	}
	group.Inside.Clip = f.Layer
	picture := clip.NewLayer(f.Picture, c.Prop(f.Prop).Name, clip.KindCutout)
	picture.Cutout = &clip.Cutout{Prop: f.Prop}
	picture.Group, picture.Lift = f.ID, 0
	// It covers them, and a little more.
	v := c.Prop(f.Prop).Picture.Visible
	w, h := float64(v[2]-v[0]), float64(v[3]-v[1])
	size := min(1.04*max(w, h)*max(f.W/w, f.H/h), clip.MaxUnits)
	sin, cos := math.Sincos(rest.Turn * math.Pi / 180)
	by := -float64(l.Words.Stands()) * f.W / 2 // their middle is not where they rest
	covering := func(r clip.Rest) clip.Rest {
		k := r.Size / rest.Size
		r.X, r.Y = r.X+by*cos*k, r.Y+by*sin*k
		r.Size, r.Turn = size*k, 0
		return r
	}
	picture.Rest = covering(rest)
	for shape, r := range rests {
		if picture.Rests == nil {
			picture.Rests = map[string]clip.Rest{}
		}
		picture.Rests[shape] = covering(r)
	}
	at := slices.IndexFunc(c.Layers, func(l clip.Layer) bool { return l.ID == f.Layer })
	c.Layers = slices.Insert(c.Layers, at, picture)
	return nil
}

// wordsOf is a layer that has words.
func wordsOf(c *clip.Clip, id string) (*clip.Layer, error) {
	l, err := find(c, id)
	if err != nil {
		return nil, err
	}
	if l.Words == nil {
		return nil, clip.Fault("layer", "%q has no words", l.Name)
	}
	return l, nil
}
