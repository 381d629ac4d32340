package clip

import (
	"slices"
	"strings"
	"unicode/utf8"
)

// Credits is what is to be said of those who made what a clip is made of.
type Credits struct {
	Lines   []string `json:"lines"`   // of each file that the clip uses and of which it is known, as text
	Lacking []Lack   `json:"lacking"` // sounds of which nobody said who made them and how they may be used
}

// Lack is a file without a credit.
type Lack struct {
	Prop string `json:"prop"`
	Name string `json:"name"`
}

// CreditsOf are the credits of a clip. What it does not use needs none.
func (c *Clip) CreditsOf() Credits {
	used := map[string]bool{}
	c.Walk(Visitor{Prop: func(id *string) { used[*id] = true }})
	out := Credits{Lines: []string{}, Lacking: []Lack{}}
	for _, p := range c.Props {
		switch {
		case !used[p.ID]:
		case p.Credit != "" && !slices.Contains(out.Lines, p.Credit):
			out.Lines = append(out.Lines, p.Credit)
		case p.Credit == "" && p.Sound != nil:
			out.Lacking = append(out.Lacking, Lack{p.ID, p.Name})
		}
	}
	return out
}

// maxCredit is how many characters a credit has at most.
const maxCredit = 300

// CreditIn is the credit that someone has typed, on one line.
func CreditIn(text string) (string, error) {
	credit := strings.Join(strings.Fields(text), " ")
	if n := utf8.RuneCountInString(credit); n > maxCredit {
		return "", Fault("credit", "a credit has at most %d characters, not %d", maxCredit, n)
	}
	return credit, nil
}
