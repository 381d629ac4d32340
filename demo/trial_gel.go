package demo

import (
	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// trialGels are gels over all and in a group, in several ways of being mixed.
func trialGels() []clip.Layer {
	over := clip.NewLayer("gel-over", "Gel over all", clip.KindGel)
	over.Gel, over.Table = &clip.Gel{}, "copper-dusk"
	over.Values = map[string][]float64{"table": {80}, "bloom": {60}, "bloomSoftness": {14}, clip.Opacity: {85}}
	over.Masks = []clip.Mask{{ID: 1, Form: "disc", W: 900, H: 1300, Feather: 60}}
	over.Tracks["waving"] = motion.Track{key(timing.At(0), linear, 0), key(timing.At(89), linear, 18)}
	light := clip.NewLayer("gel-light", "Gel of light", clip.KindGel)
	light.Gel, light.Blend, light.Values = &clip.Gel{}, "screen", map[string][]float64{"blur": {20}, "exposure": {-2}, clip.Opacity: {40}}
	group := clip.NewLayer("gel-group", "Group with a gel", clip.KindGroup)
	group.Inside = &clip.Inside{}
	mug := cutoutLayer("gel-mug", "Mug", "mug", "topLeft", 170, 520, 240)
	mug.Group = group.ID
	sway(&mug, 12)
	within := clip.NewLayer("gel-within", "Gel within", clip.KindGel)
	within.Gel, within.Group, within.Values = &clip.Gel{}, group.ID, map[string][]float64{"glass": {22}, "glassUneven": {30}, "streak": {18}, "hue": {40}}
	return []clip.Layer{group, mug, within, light, over}
}
