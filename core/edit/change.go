package edit

import (
	"slices"
	"strings"

	"billow/core/clip"
)

// ChangeInto lets a figure change into another one: on a frame its points are where those of
// the other are, and a beat before where they were until then.
type ChangeInto struct {
	Typed
	Layer string         `json:"layer"`
	Path  clip.DrawnPath `json:"path"` // the figure as it is, with as many points as the other
	Into  clip.DrawnPath `json:"into"`
	Frame int            `json:"frame"` // of the clip
}

func (m *ChangeInto) apply(c *clip.Clip) error {
	l, d, err := cardOf(c, m.Layer)
	if err != nil {
		return err
	}
	if n := len(m.Into.Points); n != len(m.Path.Points) || n < 2 || n > clip.MaxNumber {
		return clip.Fault("into", "figures of the same number of points change into each other, at most %d", clip.MaxNumber)
	}
	if err := onStage(c, l, m.Frame); err != nil {
		return err
	}
	from, _ := room(c, l)
	beat := c.Rate.Frame(60 / c.Tempo.BPM)
	if from = max(from, m.Frame-max(beat, 1)); from == m.Frame {
		return clip.Fault("frame", "it changes on the way to this frame: go to a later one")
	}
	switch {
	case d.Form != "path":
		become := BecomePath{Layer: m.Layer, Path: m.Path}
		if err := become.apply(c); err != nil {
			return err
		}
	case !pointsHaveKeys(l):
		d.Path = &m.Path
	case len(d.Path.Points) != len(m.Into.Points):
		return clip.Fault("into", "%q has keys on its %d points; what it changes into has %d", l.Name, len(d.Path.Points), len(m.Into.Points))
	}
	for i, to := range m.Into.Points {
		id := d.Path.Points[i].ID
		m.key(c, l, clip.NumberedName(clip.Point, id), from, to.X, to.Y)
		m.key(c, l, clip.NumberedName(clip.Bend, id), from, to.In[0], to.In[1], to.Out[0], to.Out[1])
	}
	return nil
}

// key sets a property's key, and one before where there is none yet; what stays as it is
// needs none.
func (m *ChangeInto) key(c *clip.Clip, l *clip.Layer, property string, from int, to ...float64) {
	if len(l.Tracks[property]) == 0 {
		if slices.Equal(l.Base(property), to) {
			return
		}
		putKey(c, l.Tracks, l.ID, property, KeyHere(c, l.ID, property, from))
	}
	k := KeyHere(c, l.ID, property, m.Frame)
	k.Value = to
	putKey(c, l.Tracks, l.ID, property, k)
}

func pointsHaveKeys(l *clip.Layer) bool {
	for name := range l.Tracks {
		if strings.HasPrefix(name, clip.Point) || strings.HasPrefix(name, clip.Bend) {
			if _, n := clip.Numbered(name); n > 0 && l.Has(name) {
				return true
			}
		}
	}
	return false
}
