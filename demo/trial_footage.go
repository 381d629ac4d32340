package demo

import (
	"billow/core/clip"
	"billow/core/timing"
)

// trialFootage is footage in all the ways in which it can run, covering the frame and as a piece,
// with a colour and the dark taken out.
func trialFootage() []clip.Layer {
	covers := clip.NewLayer("streaks", "Light streaks", clip.KindPhoto)
	covers.Cutout = &clip.Cutout{Prop: "light-streaks", Covering: &clip.Covering{Fit: "fill", Side: 300, X: 10}, Runs: &clip.Running{
		From: 0.5, To: 2, Speed: 70, Blended: true, Again: "loop", Seam: 0.4,
	}}
	covers.Blend = "screen"
	keyed := clip.NewLayer("splash", "Splash", clip.KindCutout)
	keyed.Cutout = &clip.Cutout{Prop: "splash", Runs: &clip.Running{Reverse: true, Beats: 4, Again: "swing"}}
	keyed.Rest, keyed.Lift = clip.Rest{Pin: "centre", X: 120, Y: 420, Size: 520}, 30
	keyed.Values = map[string][]float64{"chromaKey": {100}, "keyColour": {38, 160, 62, 255}, "keyEdge": {-2}}
	sway(&keyed, 8)
	flame := clip.NewLayer("flames", "Sparks", clip.KindCutout)
	flame.Cutout = &clip.Cutout{Prop: "sparks", Runs: &clip.Running{Speed: 160, Freeze: &timing.Moment{Frames: 60}}}
	flame.Rest = clip.Rest{Pin: "centre", X: -220, Y: 300, Size: 700}
	flame.Values = map[string][]float64{"keyDark": {10}, "blur": {3}}
	return []clip.Layer{covers, keyed, flame}
}
