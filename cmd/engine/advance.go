//go:build js && wasm

package main

import (
	"encoding/json"
	"errors"
	"slices"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/patch"
)

// sent is a command with the ID under which the server gets it.
type sent struct {
	ID      string          `json:"id"`
	Command json.RawMessage `json:"command"`
}

// news is what the server has: commands that follow on what it had, in order,
// and those of ours that it did not take.
type news struct {
	Rows []sent   `json:"rows"`
	Drop []string `json:"drop"`
	Undo string   `json:"undo"` // the row of which it is asked how to take it back
}

// advanced is what has become of the commands that still wait.
type advanced struct {
	Same  bool              `json:"same"` // the clip is what it was
	Lost  []lost            `json:"lost,omitempty"`
	Undos map[string]undone `json:"undos,omitempty"` // of those that wait, made anew
}

// lost is a command that no longer fits.
type lost struct {
	ID     string `json:"id"`
	What   string `json:"what"`
	Reason string `json:"reason"`
}

type undone struct {
	Undo  patch.Patch `json:"undo"`
	Stays string      `json:"stays,omitempty"`
}

var errUnknown = errors.New("what the server has is not known here; take the whole clip")

// advance takes what the server has and puts on top of it again what it does
// not have. What no longer fits there is dropped alone.
func advance(e *engine, arg, _ []byte) (any, []byte, error) {
	var in news
	if err := json.Unmarshal(arg, &in); err != nil {
		return nil, nil, err
	}
	if e.kept == nil {
		return nil, nil, errClosed
	}
	if e.base == nil {
		return nil, nil, errUnknown
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
			return nil, nil, errUnknown
		}
		if in.Undo != "" && r.ID == in.Undo {
			if asked, err = edit.Difference(base, next); err != nil {
				return nil, nil, err
			}
		}
		base, gone = next, append(gone, r.ID)
	}
	only := len(in.Drop) == 0 && len(in.Rows) <= len(e.waiting) && slices.EqualFunc(in.Rows, e.waiting[:min(len(in.Rows), len(e.waiting))],
		func(a, b sent) bool { return a.ID == b.ID })
	e.base = base
	e.waiting = slices.DeleteFunc(slices.Clone(e.waiting), func(w sent) bool { return slices.Contains(gone, w.ID) })
	if only {
		return advanced{Same: true}, nil, nil
	}
	out := e.again()
	if asked != nil {
		out.Undos[in.Undo] = undone{Undo: asked.Inverse()}
	}
	return out, nil, nil
}

// whole takes the clip as the server has it, with what waits on top.
func whole(e *engine, arg, _ []byte) (any, []byte, error) {
	var in struct {
		Clip    json.RawMessage `json:"clip"`
		Waiting []sent          `json:"waiting"`
	}
	if err := json.Unmarshal(arg, &in); err != nil {
		return nil, nil, err
	}
	c, err := clip.Parse(in.Clip)
	if err != nil {
		return nil, nil, err
	}
	e.base, e.waiting = c, in.Waiting
	return e.again(), nil, nil
}

// again puts what waits on top of what the server has.
func (e *engine) again() advanced {
	out := advanced{Undos: map[string]undone{}}
	now := e.base
	var left []sent
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
			out.Lost = append(out.Lost, lost{w.ID, edit.Describe(w.Command), reason})
			continue
		}
		out.Undos[w.ID] = undone{done.Inverse(), edit.Stays(now, w.Command)}
		left, now = append(left, w), next
	}
	e.waiting, e.kept = left, now
	e.show(now)
	return out
}

// stays tells what a command to undo something would leave as it is.
func stays(e *engine, arg, _ []byte) (any, []byte, error) {
	if e.kept == nil {
		return nil, nil, errClosed
	}
	return edit.Stays(e.kept, arg), nil, nil
}
