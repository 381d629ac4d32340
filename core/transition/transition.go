// Package transition has what leads from one scene to the next, a file each. The
// next scene begins when the one before it ends, as with a cut, and that one goes
// on beneath it for as long as the transition takes.
package transition

import "billow/core/paint"

// Transition is a way from one scene to the next.
type Transition struct {
	ID   string
	Name string // as people read it
	Says string // what it does, in a few words
	// Usual is how many frames it takes when nothing else is said, at 30 a second.
	Usual int
	// Mix draws the way onto to, which shows the next scene alone: from is the one
	// that leaves, as large as to, progress how much of the way is done, more than
	// 0 and less than 1. Pixels are premultiplied.
	Mix func(to, from *paint.Bitmap, progress float64)
}

// All are all transitions, in the order in which they are offered. A cut is none
// of them.
var All = []*Transition{Dissolve}

// Named finds a transition; nil is a cut.
func Named(id string) *Transition {
	for _, t := range All {
		if t.ID == id {
			return t
		}
	}
	return nil
}
