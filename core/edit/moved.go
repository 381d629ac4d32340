package edit

import (
	"billow/core/clip"
	"billow/core/motion"
)

// Moved tells where keys are after a command: those that it has taken away or
// written anew are left out. The command is one that the clip takes.
func Moved(c *clip.Clip, raw []byte, keys []KeyRef) ([]KeyRef, error) {
	marked := c.Copy()
	for i, k := range keys {
		if t, at, err := k.locate(marked); err == nil {
			t[at].Mark = i + 1
		}
	}
	after, err := Apply(marked, raw)
	if err != nil {
		return nil, err
	}
	found := make([]*KeyRef, len(keys))
	look := func(layer string, tracks map[string]motion.Track) {
		for property, t := range tracks {
			for i := range t {
				// A copied layer has copies of the marks.
				if m := t[i].Mark; m > 0 && (found[m-1] == nil || layer == keys[m-1].Layer) {
					found[m-1] = &KeyRef{layer, property, after.ClockOf(after.Layer(layer)).Frame(t[i].At)}
				}
			}
		}
	}
	look(clip.LightID, after.Light.Tracks)
	for i := range after.Layers {
		look(after.Layers[i].ID, after.Layers[i].Tracks)
	}
	out := []KeyRef{}
	for _, k := range found {
		if k != nil {
			out = append(out, *k)
		}
	}
	return out, nil
}
