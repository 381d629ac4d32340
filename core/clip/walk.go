package clip

import (
	"billow/core/motion"
	"billow/core/timing"
)

// Visitor is told of what a clip says about time and about its own parts. Each
// function may change what it is given; nil ones are not called.
type Visitor struct {
	Moment  func(m *timing.Moment)
	Frames  func(n *int)     // a length of time
	Inner   func(v *float64) // a frame of a group's inside, as the value of a key
	Still   func(n *int)     // a frame of a group's inside that always shows
	Beats   func(n *float64) // a length in beats; 0 is none
	Bars    func(n *float64) // a length in bars; 0 is none
	Layer   func(id *string) // a layer that another one speaks of
	Prop    func(id *string)
	Product func(id *string)
}

func tell[T any](f func(*T), v *T) {
	if f != nil {
		f(v)
	}
}

// name tells of a reference that is there.
func name(f func(*string), id *string) {
	if f != nil && *id != "" && *id != ProductSlot {
		f(id)
	}
}

// Walk visits all of a clip. Whoever changes anything in layers makes them the
// clip's own first.
func (c *Clip) Walk(v Visitor) {
	c.WalkOwn(v)
	for i := range c.Layers {
		c.Layers[i].Walk(v)
	}
}

// WalkOwn visits what is the clip's own, without its layers.
func (c *Clip) WalkOwn(v Visitor) {
	if c.Poster != nil {
		tell(v.Moment, c.Poster)
	}
	for i := range c.Markers {
		tell(v.Moment, &c.Markers[i].At)
	}
	if c.Range != nil {
		tell(v.Moment, &c.Range.In)
		tell(v.Moment, &c.Range.Out)
	}
	for i := range c.Sounds {
		t := &c.Sounds[i]
		name(v.Prop, &t.Prop)
		tell(v.Moment, &t.At)
		tell(v.Frames, &t.Length)
		tell(v.Frames, &t.FadeIn)
		tell(v.Frames, &t.FadeOut)
		v.keys("", t.Keys)
		name(v.Layer, &t.With.Layer)
	}
	name(v.Product, &c.Shown)
	if c.Variants != nil {
		for i := range c.Variants.Products {
			name(v.Product, &c.Variants.Products[i])
		}
		for i := range c.Variants.Cells {
			x := &c.Variants.Cells[i]
			name(v.Product, &x.Product)
			x.ID = x.Variant.ID()
		}
	}
	for i := range c.Products {
		name(v.Prop, &c.Products[i].Prop)
	}
	v.tracks(c.Light.Tracks)
}

// Walk visits all of a layer.
func (l *Layer) Walk(v Visitor) {
	name(v.Layer, &l.Group)
	tell(v.Moment, &l.From)
	if l.To != nil {
		tell(v.Moment, l.To)
	}
	v.tracks(l.Tracks)
	for i := range l.Values[Time] {
		tell(v.Inner, &l.Values[Time][i])
	}
	for i := range l.Moves {
		m := &l.Moves[i]
		tell(v.Moment, &m.At)
		tell(v.Frames, &m.Length)
		tell(v.Beats, &m.Beats)
		if m.Hits != nil {
			tell(v.Beats, &m.Hits.Apart)
			name(v.Layer, &m.Hits.With)
		}
	}
	if l.Stepping != nil {
		tell(v.Frames, &l.Stepping.Phase)
	}
	if l.Follow != nil {
		name(v.Layer, &l.Follow.Layer)
	}
	if l.Cutout != nil {
		name(v.Prop, &l.Cutout.Prop)
		if r := l.Cutout.Runs; r != nil {
			tell(v.Beats, &r.Beats)
			if r.Freeze != nil {
				tell(v.Moment, r.Freeze)
			}
		}
	}
	if l.Table != "" {
		name(v.Prop, &l.Table)
	}
	if l.Words != nil {
		name(v.Product, &l.Words.Product)
		l.Words.eachFont(func(f *string) {
			if IsOwnFont(*f) {
				name(v.Prop, f)
			}
		})
		name(v.Layer, &l.Words.Along)
		if l.Words.Beside != nil {
			name(v.Layer, &l.Words.Beside.Layer)
		}
		v.passage(l.Words.Comes)
		v.passage(l.Words.Goes)
	}
	if l.Gel != nil {
		name(v.Layer, &l.Gel.Where)
	}
	if l.Inside != nil {
		v.inside(l.Inside)
	}
	if l.Lineup != nil {
		v.lineup(l.Lineup)
	}
	if l.Scene != nil {
		name(v.Product, &l.Scene.Product)
		tell(v.Frames, &l.Scene.Frames)
		tell(v.Frames, &l.Scene.Leave.Frames)
		tell(v.Beats, &l.Scene.Beats)
		tell(v.Bars, &l.Scene.Bars)
	}
}

func (v Visitor) tracks(tracks map[string]motion.Track) {
	if v.Moment == nil && v.Inner == nil {
		return // there may be thousands of keys
	}
	for property, t := range tracks {
		v.keys(property, t)
	}
}

func (v Visitor) keys(property string, t motion.Track) {
	for k := range t {
		tell(v.Moment, &t[k].At)
		if property == Time {
			for i := range t[k].Value {
				tell(v.Inner, &t[k].Value[i])
			}
		}
	}
}

func (v Visitor) inside(in *Inside) {
	tell(v.Frames, &in.Offset)
	tell(v.Frames, &in.Repeat)
	if in.Freeze != nil {
		tell(v.Still, in.Freeze)
	}
	if in.Clip != Bounds {
		name(v.Layer, &in.Clip)
	}
}

func (v Visitor) lineup(u *Lineup) {
	tell(v.Moment, &u.Start)
	tell(v.Frames, &u.Stay)
	tell(v.Frames, &u.Change)
	tell(v.Beats, &u.Beats)
	tell(v.Bars, &u.Bars)
	if u.On != nil {
		tell(v.Beats, &u.On.Apart)
	}
	for i := range u.Items {
		name(v.Layer, &u.Items[i].Layer)
		for k := range u.Items[i].With {
			name(v.Layer, &u.Items[i].With[k])
		}
	}
}

// Needs are the props without which a clip cannot be drawn and heard, in the
// order in which it has them: preview and export ask for these. The picture of a
// product that no layer shows is not one of them.
func (c *Clip) Needs() []*Prop {
	used := map[string]bool{}
	for i := range c.Sounds {
		used[c.Sounds[i].Prop] = true
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		if l.Cutout != nil {
			if p := c.PictureOf(l); p != nil {
				used[p.ID] = true
			}
		}
		used[l.Table] = true // which nothing goes by where there is none
		if l.Words != nil {
			l.Words.eachFont(func(f *string) { used[*f] = true })
		}
	}
	var out []*Prop
	for i := range c.Props {
		if used[c.Props[i].ID] {
			out = append(out, &c.Props[i])
		}
	}
	return out
}

// Pictures are the hashes of the pictures without which a clip cannot be drawn.
func (c *Clip) Pictures() []string {
	out := []string{}
	for _, p := range c.Needs() {
		if p.Picture != nil {
			out = append(out, p.Hash)
		}
	}
	return out
}

// Hashes are those of the files of all props.
func (c *Clip) Hashes() (out []string) {
	for _, p := range c.Props {
		out = append(out, p.Hash)
	}
	return out
}
