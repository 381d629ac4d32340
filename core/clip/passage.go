package clip

import (
	"slices"

	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
	"billow/core/wording"
)

// Passage is how words come into sight part by part, or how they go.
type Passage struct {
	By    string        `json:"by"`              // the parts: one of PassageParts
	Order string        `json:"order,omitempty"` // one of PassageOrders; none is forward
	Seed  int           `json:"seed,omitempty"`  // another seed is another random order
	At    timing.Moment `json:"at"`              // when the first part begins
	Each  int           `json:"each"`            // frames that each takes, 0..MaxPassage
	Over  int           `json:"over,omitempty"`  // frames from the first one's beginning to the last one's
	Beats float64       `json:"beats,omitempty"` // instead: beats from one's beginning to the next one's
	Ease  motion.Ease   `json:"ease"`
	Afar  Afar          `json:"afar"`            // how a part is that has not come, or that has gone
	Edge  string        `json:"edge,omitempty"`  // the side of its own line from behind which it comes: one of PassageEdges
	Wiped bool          `json:"wiped,omitempty"` // it stays in its place, and the edge uncovers it
	Soft  float64       `json:"soft,omitempty"`  // percent of the words' size over which that edge is soft
	Drawn bool          `json:"drawn,omitempty"` // its outline is drawn first
	// Counts lets numbers count up from nothing, while the words come whole.
	Counts bool `json:"counts,omitempty"`
	// CountsFrom is where the last number begins to count: a number, or {old}. The others
	// stand still then.
	CountsFrom string `json:"countsFrom,omitempty"`
	Rolls      bool   `json:"rolls,omitempty"`     // counting, each digit of the last number turns to what it will be
	Scrambles  bool   `json:"scrambles,omitempty"` // other letters stand for each letter until it has come
	Caret      bool   `json:"caret,omitempty"`     // a caret stands behind what has come
}

// Afar is how a part of words differs from how it stands.
type Afar struct {
	X       float64        `json:"x,omitempty"`      // percent of the words' size to the right
	Y       float64        `json:"y,omitempty"`      // and down
	Size    float64        `json:"size"`             // percent of its own
	Turn    float64        `json:"turn,omitempty"`   // degrees clockwise
	Skew    float64        `json:"skew,omitempty"`   // degrees by which it leans to the right
	Blur    float64        `json:"blur,omitempty"`   // percent of the words' size
	Apart   float64        `json:"apart,omitempty"`  // percent by which it lies farther from the middle of its line
	Opacity float64        `json:"opacity"`          // percent
	Colour  *colour.Colour `json:"colour,omitempty"` // instead of its own
}

// Parts are the parts that come one by one.
func (p *Passage) Parts() string {
	switch {
	case p.Counts:
		return "whole"
	case p.Scrambles:
		return "letter"
	}
	return p.By
}

// MaxPassage is how many frames a passage takes at most, and each part of it.
const MaxPassage = 1800

// PassageParts are the parts of words, PassageOrders the orders in which they come, and
// PassageEdges the sides from behind which they may come.
var (
	PassageParts = wording.List{{ID: "whole", Name: "All at once"}, {ID: "line", Name: "Line by line"}, {ID: "word", Name: "Word by word"}, {ID: "letter", Name: "Letter by letter"}}

	PassageOrders = wording.List{
		{ID: "", Name: "As they are read"}, {ID: "backward", Name: "From the last"}, {ID: "centre", Name: "From the middle"},
		{ID: "edges", Name: "From both ends"}, {ID: "random", Name: "At random"},
	}

	PassageEdges = wording.List{{ID: "", Name: "In the open"}, {ID: "below", Name: "From below its edge"}, {ID: "above", Name: "From above its edge"},
		{ID: "left", Name: "From its left edge"}, {ID: "right", Name: "From its right edge"}}
)

func (p *Passage) check(field string) error {
	if p == nil {
		return nil
	}
	if !slices.Contains(PassageParts.IDs(), p.By) {
		return Fault(field+".by", "words come whole, or by line, word or letter, not by %q", p.By)
	}
	if !slices.Contains(PassageOrders.IDs(), p.Order) {
		return Fault(field+".order", "there is no order %q", p.Order)
	}
	if !slices.Contains(PassageEdges.IDs(), p.Edge) {
		return Fault(field+".edge", "words come from below, above, left or right, not from %q", p.Edge)
	}
	if err := p.Ease.Check(); err != nil {
		return Fault(field+".ease", "%v", err)
	}
	if len(p.CountsFrom) > 60 {
		return Fault(field+".countsFrom", "what a number counts from is a number, or {old}")
	}
	a := p.Afar
	return firstError(
		within(field+".each", float64(p.Each), 0, MaxPassage), within(field+".over", float64(p.Over), 0, MaxPassage),
		within(field+".beats", p.Beats, 0, 64), within(field+".soft", p.Soft, 0, 300),
		within(field+".afar.x", a.X, -2000, 2000), within(field+".afar.y", a.Y, -2000, 2000),
		within(field+".afar.size", a.Size, 0, 1000), within(field+".afar.turn", a.Turn, -3600, 3600),
		within(field+".afar.skew", a.Skew, -80, 80), within(field+".afar.blur", a.Blur, 0, 200),
		within(field+".afar.apart", a.Apart, -100, 1000), within(field+".afar.opacity", a.Opacity, 0, 100),
	)
}

func (p *Passage) own() *Passage {
	if p = copied(p); p != nil {
		p.Afar.Colour = copied(p.Afar.Colour)
	}
	return p
}

func (v Visitor) passage(p *Passage) {
	if p == nil {
		return
	}
	tell(v.Moment, &p.At)
	tell(v.Frames, &p.Each)
	tell(v.Frames, &p.Over)
	tell(v.Beats, &p.Beats)
}
