package patch

import (
	"encoding/json"
	"fmt"
	"slices"
	"strings"
)

// list is a list whose items have keys.
type list struct {
	order []string
	items map[string]any
	timed bool // by "at": its items belong together, see Apply
}

// listOf reads a list whose items all have an "id", or else all have an "at",
// of which none occurs twice.
func listOf(of []any) (*list, bool) {
	for _, field := range []string{"id", "at"} {
		l := &list{items: make(map[string]any, len(of)), timed: field == "at"}
		for _, item := range of {
			o, _ := item.(map[string]any)
			v, ok := o[field]
			if !ok {
				break
			}
			key, isText := v.(string)
			if !isText {
				key = string(text(v))
			}
			if _, twice := l.items[key]; twice {
				break
			}
			l.order, l.items[key] = append(l.order, key), item
		}
		if len(l.order) == len(of) {
			return l, true
		}
	}
	return nil, false
}

// Apply carries a patch over to a tree, which it may change. A change whose
// value is no longer what it was is left out, and the ways to what was left so
// come back. Items of a list by time belong together: where one of them
// differs, all changes of that list are left out. A patch that changes one thing
// twice is an error.
func Apply(tree any, p Patch) (any, [][]string, error) {
	if err := once(p); err != nil {
		return nil, nil, err
	}
	root := &tree
	var clashes [][]string
	clashing := map[string]bool{}
	units := make([]string, len(p))
	for i, c := range p {
		way, fits, err := check(root, c)
		if err != nil {
			return nil, nil, err
		}
		units[i] = strings.Join(way, "\x00")
		if !fits && !clashing[units[i]] {
			clashing[units[i]] = true
			clashes = append(clashes, way)
		}
	}
	for i, c := range p {
		if clashing[units[i]] {
			continue
		}
		if err := put(root, c); err != nil {
			return nil, nil, err
		}
	}
	return plain(tree), clashes, nil
}

// once holds that a patch changes everything once, which bounds how long it
// takes to apply.
func once(p Patch) error {
	type what struct {
		way   string
		order bool
	}
	seen := make(map[what]bool, len(p))
	for _, c := range p {
		w := what{strings.Join(c.At, "\x00"), c.Order}
		if seen[w] {
			return fmt.Errorf("%s is changed twice", strings.Join(c.At, " "))
		}
		seen[w] = true
	}
	return nil
}

// check tells whether a change finds what it expects, and the way to what it
// belongs to.
func check(root *any, c Change) (unit []string, fits bool, err error) {
	now, found := *root, true
	unit = c.At
	for i, name := range c.At {
		if now, err = inner(root, c.At[:i]); err != nil {
			return nil, false, err
		}
		if l, ok := now.(*list); ok && l.timed && len(unit) == len(c.At) {
			unit = c.At[:i]
		}
		holder := now
		if now, found = field(now, name); !found {
			return unit, c.From == nil && i == len(c.At)-1 && holds(holder), nil
		}
	}
	if c.Order {
		if now, err = inner(root, c.At); err != nil {
			return nil, false, err
		}
		_, ok := now.(*list)
		return unit, ok, nil
	}
	if c.From == nil {
		return unit, c.To != nil && same(now, decoded(c.To)), nil
	}
	return unit, same(now, decoded(c.From)) || c.To != nil && same(now, decoded(c.To)), nil
}

// inner is the value at a way, with a list made ready for its keys.
func inner(root *any, at []string) (any, error) {
	v := *root
	if l, ok := v.([]any); ok && len(at) == 0 {
		if keyed, ok := listOf(l); ok {
			*root = keyed
			return keyed, nil
		}
		return nil, fmt.Errorf("the list is one value and has no items of its own")
	}
	for _, name := range at {
		next, found := field(v, name)
		if !found {
			return nil, nil
		}
		if l, ok := next.([]any); ok {
			if keyed, ok := listOf(l); ok {
				next = keyed
				setField(v, name, keyed)
			}
		}
		v = next
	}
	return v, nil
}

func field(v any, name string) (any, bool) {
	switch v := v.(type) {
	case map[string]any:
		f, ok := v[name]
		return f, ok
	case *list:
		f, ok := v.items[name]
		return f, ok
	}
	return nil, false
}

// holds tells whether a value can be given fields or items.
func holds(v any) bool {
	switch v := v.(type) {
	case map[string]any:
		return v != nil
	case *list:
		return true
	}
	return false
}

func setField(v any, name string, to any) {
	switch v := v.(type) {
	case map[string]any:
		v[name] = to
	case *list:
		if _, known := v.items[name]; !known {
			v.order = append(v.order, name)
		}
		v.items[name] = to
	}
}

func removeField(v any, name string) {
	switch v := v.(type) {
	case map[string]any:
		delete(v, name)
	case *list:
		delete(v.items, name) // its key stays in the order until plain
	}
}

func put(root *any, c Change) error {
	if len(c.At) == 0 && !c.Order {
		*root = decoded(c.To)
		return nil
	}
	if c.Order {
		v, err := inner(root, c.At)
		if l, ok := v.(*list); ok && err == nil {
			var to []string
			if err := json.Unmarshal(c.To, &to); err != nil {
				return fmt.Errorf("an order is a list of keys: %w", err)
			}
			l.reorder(to)
		}
		return err
	}
	last := len(c.At) - 1
	v, err := inner(root, c.At[:last])
	if err != nil {
		return err
	}
	if c.To == nil {
		removeField(v, c.At[last])
		return nil
	}
	setField(v, c.At[last], decoded(c.To))
	return nil
}

// reorder brings the items into an order; those that it does not name stay
// behind what they stand behind.
func (l *list) reorder(to []string) {
	named := make(map[string]bool, len(to))
	for _, key := range to {
		named[key] = true
	}
	after := map[string][]string{} // those that follow a named one, "" the beginning
	last := ""
	for _, key := range l.present() {
		if named[key] {
			last = key
		} else {
			after[last] = append(after[last], key)
		}
	}
	order := slices.Clone(after[""])
	done := map[string]bool{}
	for _, key := range to {
		if _, there := l.items[key]; there && !done[key] {
			order = append(append(order, key), after[key]...)
			done[key] = true
		}
	}
	l.order = order
}

// present is the order of the items that are there. A key that was taken away
// and came back counts once.
func (l *list) present() []string {
	out := make([]string, 0, len(l.items))
	done := make(map[string]bool, len(l.items))
	for _, key := range l.order {
		if _, there := l.items[key]; there && !done[key] {
			out = append(out, key)
			done[key] = true
		}
	}
	return out
}

// plain turns lists with keys back into lists.
func plain(v any) any {
	switch v := v.(type) {
	case map[string]any:
		for n, f := range v {
			v[n] = plain(f)
		}
	case []any:
		for i := range v {
			v[i] = plain(v[i])
		}
	case *list:
		out := make([]any, 0, len(v.items))
		for _, key := range v.present() {
			out = append(out, plain(v.items[key]))
		}
		return out
	}
	return v
}

// decoded is a value of a change. What cannot be read differs from everything.
func decoded(b json.RawMessage) any {
	v, err := Tree(b)
	if err != nil {
		return err
	}
	return v
}
