package engine

import (
	"billow/core/clip"
	"billow/core/edit"
)

// choices are what a layer may be tied to.
func choices(e *Engine, layer string) (clip.Choices, error) {
	if e.shown == nil {
		return clip.Choices{}, errClosed
	}
	return e.shown.ChoicesOf(layer), nil
}

// Dragged are keys that are dragged in time: moved together or, with an anchor,
// stretched from it by the key at Bead.
type Dragged struct {
	Keys   []edit.KeyRef `json:"keys"`
	Anchor *int          `json:"anchor,omitempty"` // frames
	Bead   int           `json:"bead"`
}

// room is how far keys can be dragged. It is asked about the clip as it is kept.
func room(e *Engine, in Dragged) (edit.Room, error) {
	if e.kept == nil {
		return edit.Room{}, errClosed
	}
	if in.Anchor != nil {
		return edit.RoomToStretch(e.kept.Copy(), in.Keys, *in.Anchor, in.Bead)
	}
	return edit.RoomToMove(e.kept.Copy(), in.Keys)
}

// pastEnd is what would lie past the clip's end at a length in frames.
func pastEnd(e *Engine, length int) (edit.PastEnd, error) {
	if e.kept == nil {
		return edit.PastEnd{}, errClosed
	}
	return edit.WouldLiePast(e.kept, length), nil
}
