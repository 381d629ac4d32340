// Package wording has lists of what can be chosen, with the names that people
// read.
package wording

// Entry is one thing that can be chosen.
type Entry struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Says string `json:"says,omitempty"` // what it does, in a few words
}

// List is what can be chosen, in the order in which it is offered.
type List []Entry

// IDs lists what a document says.
func (l List) IDs() []string {
	out := make([]string, len(l))
	for i, e := range l {
		out[i] = e.ID
	}
	return out
}

// NameOf is what people call an entry; an ID that is none is its own name.
func (l List) NameOf(id string) string {
	for _, e := range l {
		if e.ID == id {
			return e.Name
		}
	}
	return id
}
