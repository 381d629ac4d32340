package frame

import "billow/core/graph"

// drawing is how a kind of layers is drawn. Each kind has a file of its own,
// kind_*.go, beside the file of the same name in package clip.
type drawing struct {
	// measure finds a layer's size at rest, in units; not asked of kinds that
	// cover the frame.
	measure func(s *Stage, a *actor)
	// picture is what a layer shows with a look, in its own space, without edge,
	// outline around a picture, and effects; not asked of kinds that hold others.
	picture func(s *Stage, a *actor, k look, frame float64) *graph.Node
}

var kinds = map[string]drawing{}
