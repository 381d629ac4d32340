package engine

import (
	"encoding/json"

	"billow/core/clip"
	"billow/core/edit"
)

// Alone is the variant that is worked on by itself, or none.
type Alone struct {
	Variant *clip.Variant `json:"variant"`
}

// alone lets one variant be worked on by itself, until it is asked for none: what is seen is that
// variant, and commands are to be adjustments of it.
func alone(e *Engine, in Alone) (bool, error) {
	if e.whole == nil {
		return Done, errClosed
	}
	if in.Variant != nil {
		if _, _, err := edit.Variant(e.whole, *in.Variant); err != nil {
			return Done, err
		}
	}
	e.variant = in.Variant
	e.kept = e.of(e.whole)
	e.show(e.kept)
	return Done, nil
}

// inner is the command that an adjustment of a variant is of, or the command itself.
func (e *Engine) inner(command json.RawMessage) json.RawMessage {
	var adjust edit.Adjust
	if e.variant != nil && json.Unmarshal(command, &adjust) == nil && adjust.Type == "adjust" {
		return adjust.Command
	}
	return command
}
