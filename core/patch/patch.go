// Package patch tells what turns one JSON document into another and carries
// that difference over to a third one, in which other things may have changed
// meanwhile. It knows nothing of what the documents mean.
//
// Documents are trees as encoding/json decodes them with UseNumber: see Tree.
// Lists whose items all have an "id", or all have an "at", are compared item by
// item under that key; all other lists are one value.
package patch

import (
	"bytes"
	"encoding/json"
	"slices"
)

// Change is one difference.
type Change struct {
	// At is the way to what has changed: names of fields, and keys of items.
	At []string `json:"at"`
	// From and To are the values before and after; nil where there is none. For
	// an Order they are the keys of a list.
	From json.RawMessage `json:"from,omitempty"`
	To   json.RawMessage `json:"to,omitempty"`
	// Order says that the items of the list at At stand in another order. It
	// comes after the changes of the items.
	Order bool `json:"order,omitempty"`
}

// Patch is what turns one document into another.
type Patch []Change

// Inverse turns the later document into the earlier one.
func (p Patch) Inverse() Patch {
	out := make(Patch, len(p))
	for i, c := range p {
		out[i] = Change{At: c.At, From: c.To, To: c.From, Order: c.Order}
	}
	return out
}

// Tree reads a document for Diff and Apply.
func Tree(doc []byte) (any, error) {
	d := json.NewDecoder(bytes.NewReader(doc))
	d.UseNumber()
	var tree any
	err := d.Decode(&tree)
	return tree, err
}

// TreeOf is the tree of a value that can be written as JSON.
func TreeOf(v any) (any, error) {
	b, err := json.Marshal(v)
	if err != nil {
		return nil, err
	}
	return Tree(b)
}

// Diff is what turns one tree into another; at is the way to both.
func Diff(at []string, from, to any) Patch {
	var p Patch
	p.diff(slices.Clip(at), from, to)
	return p
}

func (p *Patch) diff(at []string, from, to any) {
	switch from := from.(type) {
	case map[string]any:
		if to, ok := to.(map[string]any); ok {
			p.fields(at, from, to)
			return
		}
	case []any:
		to, ok := to.([]any)
		if !ok {
			break
		}
		a, aOK := listOf(from)
		b, bOK := listOf(to)
		if aOK && bOK {
			p.fields(at, a.items, b.items)
			p.Reorder(at, a.order, b.order)
			return
		}
	}
	if !same(from, to) {
		*p = append(*p, Change{At: at, From: text(from), To: text(to)})
	}
}

func (p *Patch) fields(at []string, from, to map[string]any) {
	for _, name := range names(from, to) {
		a, was := from[name]
		b, is := to[name]
		way := append(slices.Clone(at), name)
		switch {
		case was && is:
			p.diff(way, a, b)
		case was:
			*p = append(*p, Change{At: way, From: text(a)})
		default:
			*p = append(*p, Change{At: way, To: text(b)})
		}
	}
}

// Reorder adds the change from one order of a list's keys to another.
func (p *Patch) Reorder(at []string, from, to []string) {
	if !slices.Equal(from, to) {
		*p = append(*p, Change{At: at, From: text(from), To: text(to), Order: true})
	}
}

// names are the names of both in alphabetical order, so that equal differences
// are written equally.
func names(a, b map[string]any) []string {
	out := make([]string, 0, len(a)+len(b))
	for n := range a {
		out = append(out, n)
	}
	for n := range b {
		if _, both := a[n]; !both {
			out = append(out, n)
		}
	}
	slices.Sort(out)
	return out
}

// text writes a value that came from JSON.
func text(v any) json.RawMessage {
	b, err := json.Marshal(v)
	if err != nil {
		panic(err) // trees hold nothing that cannot be written
	}
	return b
}

// same compares a tree, in which lists may have been made ready for their
// keys, with one as it was read. Numbers are the same when they are written the same.
func same(a, b any) bool {
	switch a := a.(type) {
	case map[string]any:
		b, ok := b.(map[string]any)
		if !ok || len(a) != len(b) {
			return false
		}
		for n, v := range a {
			w, ok := b[n]
			if !ok || !same(v, w) {
				return false
			}
		}
		return true
	case []any:
		b, ok := b.([]any)
		return ok && slices.EqualFunc(a, b, same)
	case *list:
		b, ok := b.([]any)
		if !ok || len(a.items) != len(b) {
			return false
		}
		for i, key := range a.present() {
			if !same(a.items[key], b[i]) {
				return false
			}
		}
		return true
	}
	switch b.(type) {
	case map[string]any, []any:
		return false
	}
	return a == b
}
