package transition

import "billow/core/paint"

// Dissolve fades one scene into the next: each pixel is so much of both.
var Dissolve = &Transition{
	ID: "dissolve", Name: "Dissolve", Says: "One scene fades into the next", Usual: 12,
	Mix: func(to, from *paint.Bitmap, progress float64) { to.MixIn(from, 1-progress) },
}
