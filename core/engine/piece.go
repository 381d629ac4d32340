package engine

import (
	"billow/core/clip"
	"billow/core/pieces"
)

// Made is the layers of a piece; the last is the group that holds the others.
type Made struct {
	Layers []clip.Layer `json:"layers"`
}

// piece is a ready group of layers, not yet added.
func piece(e *Engine, in pieces.Asked) (Made, error) {
	if e.kept == nil {
		return Made{}, errClosed
	}
	layers, err := pieces.Make(e.kept, in)
	return Made{layers}, err
}
