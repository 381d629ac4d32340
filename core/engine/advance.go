package engine

import (
	"encoding/json"
	"errors"
	"slices"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/patch"
)

// Sent is a command with the ID under which the server gets it.
type Sent struct {
	ID      string          `json:"id"`
	Command json.RawMessage `json:"command" ts:"Command"`
}

// News is what the server has: commands that follow on what it had, in order,
// and those of ours that it did not take.
type News struct {
	Rows []Sent   `json:"rows"`
	Drop []string `json:"drop"`
	Undo string   `json:"undo"` // the row of which it is asked how to take it back
}

// Advanced is what has become of the commands that still wait.
type Advanced struct {
	Same  bool              `json:"same"` // the clip is what it was
	Lost  []Lost            `json:"lost,omitempty"`
	Undos map[string]Undone `json:"undos,omitempty"` // of those that wait, made anew
}

// Lost is a command that no longer fits.
type Lost struct {
	ID     string `json:"id"`
	What   string `json:"what"`
	Reason string `json:"reason"`
}

// Undone is how a command is taken back now, and what that leaves as it is.
type Undone struct {
	Undo  patch.Patch `json:"undo"`
	Stays string      `json:"stays,omitempty"`
}

var errUnknown = errors.New("what the server has is not known here; take the whole clip")

// advance takes what the server has and puts on top of it again what it does
// not have. What no longer fits there is dropped alone.
func advance(e *Engine, in News) (Advanced, error) {
	if e.kept == nil {
		return Advanced{}, errClosed
	}
	if e.base == nil {
		return Advanced{}, errUnknown
	}
	ours := map[string]json.RawMessage{}
	for _, w := range e.waiting {
		ours[w.ID] = w.Command
	}
	base, gone := e.base, slices.Clone(in.Drop)
	var asked patch.Patch
	for _, r := range in.Rows {
		command := r.Command
		if own, ok := ours[r.ID]; ok {
			command = own
		}
		next, err := edit.Apply(base, command)
		if err != nil {
			return Advanced{}, errUnknown
		}
		if in.Undo != "" && r.ID == in.Undo {
			if asked, err = edit.Difference(base, next); err != nil {
				return Advanced{}, err
			}
		}
		base, gone = next, append(gone, r.ID)
	}
	only := len(in.Drop) == 0 && len(in.Rows) <= len(e.waiting) && slices.EqualFunc(in.Rows, e.waiting[:min(len(in.Rows), len(e.waiting))],
		func(a, b Sent) bool { return a.ID == b.ID })
	e.base = base
	e.waiting = slices.DeleteFunc(slices.Clone(e.waiting), func(w Sent) bool { return slices.Contains(gone, w.ID) })
	if only {
		return Advanced{Same: true}, nil
	}
	out := e.again()
	if asked != nil {
		out.Undos[in.Undo] = Undone{Undo: asked.Inverse()}
	}
	return out, nil
}

// Whole is the clip as the server has it and what waits.
type Whole struct {
	Clip    json.RawMessage `json:"clip" ts:"Clip"`
	Waiting []Sent          `json:"waiting"`
}

// whole takes the clip as the server has it, with what waits on top.
func whole(e *Engine, in Whole) (Advanced, error) {
	c, err := clip.Parse(in.Clip)
	if err != nil {
		return Advanced{}, err
	}
	e.base, e.waiting = c, in.Waiting
	return e.again(), nil
}

// again puts what waits on top of what the server has.
func (e *Engine) again() Advanced {
	out := Advanced{Undos: map[string]Undone{}}
	now := e.base
	var left []Sent
	for _, w := range e.waiting {
		next, err := edit.Apply(now, w.Command)
		var done patch.Patch
		if err == nil {
			done, err = edit.Difference(now, next)
		}
		if err != nil {
			var f *clip.FieldError
			reason := err.Error()
			if errors.As(err, &f) {
				reason = f.Reason
			}
			out.Lost = append(out.Lost, Lost{w.ID, edit.Describe(w.Command), reason})
			continue
		}
		out.Undos[w.ID] = Undone{done.Inverse(), edit.Stays(now, w.Command)}
		left, now = append(left, w), next
	}
	e.waiting, e.whole, e.kept = left, now, e.of(now)
	e.show(e.kept)
	return out
}

// stays tells what a command to undo something would leave as it is.
func stays(e *Engine, command Order) (string, error) {
	if e.kept == nil {
		return "", errClosed
	}
	return edit.Stays(e.whole, command.RawMessage), nil
}

// Order is a command as it is written.
type Order struct{ json.RawMessage }
