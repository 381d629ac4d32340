package demo

import (
	"slices"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// Filmed is a clip by which playing footage is measured: two pieces at once, one with its green taken out
// and one mixed as light, and four products that move.
func Filmed(w *World) (*clip.Clip, error) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Filmed", tall, 24, 480)
	used := []string{"light-streaks", "splash", "mug", "kettle", "tin", "lantern"}
	for _, p := range w.Props {
		if slices.Contains(used, p.ID) {
			c.Props = append(c.Props, p)
		}
	}
	back := gradient(160, clip.Stop{ID: 1, At: 0, Colour: harbour}, clip.Stop{ID: 2, At: 100, Colour: honey})
	splash := cutoutLayer("splash-layer", "Splash", "splash", "centre", 0, 100, 900)
	splash.Cutout.Runs = &clip.Running{Again: "loop"}
	splash.Values, splash.Shadow = map[string][]float64{"chromaKey": {100}, "keyColour": {38, 160, 62, 255}}, &clip.Shadow{None: true}
	layers := []clip.Layer{back, splash}
	for i, id := range used[2:] {
		l := cutoutLayer(id+"-layer", id, id, "centre", float64(i%2)*420-210, float64(i/2)*620-330, 380)
		l.Lift = 30
		l.Tracks[clip.Position] = motion.Track{key(timing.At(0), linear, -60, -30), key(timing.At(479), linear, 60, 30)}
		l.Tracks[clip.Rotation] = motion.Track{key(timing.At(0), linear, -15), key(timing.At(479), linear, 15)}
		layers = append(layers, l)
	}
	streaks := covering("streaks", "Light streaks", "light-streaks")
	streaks.Blend, streaks.Cutout.Runs = "screen", &clip.Running{Again: "loop", Seam: 0.4}
	fill(c, append(layers, streaks)...)
	return c, c.Validate()
}
