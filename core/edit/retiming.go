package edit

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
)

// Retiming is what a change does to the times of a clip, to be told before it is taken.
type Retiming struct {
	Was    string        `json:"was"`    // its length
	Is     string        `json:"is"`     // its length then
	Scenes []SceneChange `json:"scenes"` // those that become longer or shorter
	Keys   int           `json:"keys"`   // how many come to be two frames or more from where they were
	Layers []string      `json:"layers"` // names of their layers
}

// SceneChange is a scene that lasts otherwise.
type SceneChange struct {
	Name string `json:"name"`
	Was  string `json:"was"` // its length
	Is   string `json:"is"`
}

// RetimingOf compares a clip with what becomes of it.
func RetimingOf(before, after *clip.Clip) Retiming {
	out := Retiming{Was: before.Rate.Timecode(before.Length), Is: after.Rate.Timecode(after.Length), Scenes: []SceneChange{}, Layers: []string{}}
	was := before.Scenes()
	for _, p := range after.Scenes() {
		i := slices.IndexFunc(was, func(w clip.Playing) bool { return w.ID == p.ID })
		if i < 0 {
			continue
		}
		if a, b := was[i].To-was[i].From, p.To-p.From; a != b {
			out.Scenes = append(out.Scenes, SceneChange{p.Name, before.Rate.Timecode(a), after.Rate.Timecode(b)})
		}
	}
	for i := range after.Layers {
		now := &after.Layers[i]
		then := before.Layer(now.ID)
		if then == nil {
			continue
		}
		n := 0
		for name, t := range now.Tracks {
			n += elsewhere(before, after, then, now, then.Tracks[name], t)
		}
		if n > 0 {
			out.Keys += n
			out.Layers = append(out.Layers, now.Name)
		}
	}
	return out
}

// elsewhere counts the keys of a track that lie two frames or more from where they lay.
func elsewhere(before, after *clip.Clip, then, now *clip.Layer, was, is motion.Track) (n int) {
	a, b := before.ClockOf(then), after.ClockOf(now)
	for k := range is {
		if k < len(was) && abs(a.Frame(was[k].At)-b.Frame(is[k].At)) > 1 {
			n++
		}
	}
	return n
}
