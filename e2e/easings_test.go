package e2e

import "billow/core/motion"

// easings that the browser and Billow both have.
var easings = []struct {
	css  string
	ease motion.Ease
}{
	{"linear", motion.Ease{Kind: motion.Linear}},
	{"ease-in", motion.Ease{Kind: motion.In}},
	{"ease-out", motion.Ease{Kind: motion.Out}},
	{"ease-in-out", motion.Ease{Kind: motion.InOut}},
	{"cubic-bezier(0.12, 0.8, 0.2, 1)", motion.Ease{Kind: motion.Bezier, X1: 0.12, Y1: 0.8, X2: 0.2, Y2: 1}},
	{"cubic-bezier(0.3, -0.8, 0.7, 1.9)", motion.Ease{Kind: motion.Bezier, X1: 0.3, Y1: -0.8, X2: 0.7, Y2: 1.9}},
}
