package clip

import (
	"slices"

	"billow/core/motion"
	"billow/core/wording"
)

// MoveKind is what is known of a kind of moves. What keys it writes stands in the
// file of its name in package moves.
type MoveKind struct {
	ID   string
	Name string // as people read it
	Says string // what it does, in a few words
	Icon string // its picture on the page, of Bootstrap's icons

	Of string // the kind of layers that alone can have it, if any

	Sides  wording.List // from which, or to which, it may go; none where it has no side
	Turns  bool         // its turn counts
	Strong bool         // its strength counts
	Drifts bool         // it may go on drifting
	Enters bool         // it lands where the playhead is, if there is room before it

	Length int     // frames that it usually takes; 0 is until the layer leaves
	Side   string  // from which, or to which, it usually goes
	Turn   float64 // degrees that it usually turns
}

// nothing is a side of moves that grow from nothing, or shrink to it.
func nothing(name string) wording.List {
	return append(slices.Clone(motion.SideNames), wording.Entry{Name: name})
}

// Moves are all kinds of moves, in the order in which they are offered.
var Moves = []MoveKind{
	{ID: "gust", Name: "Gust", Icon: "wind", Says: "Flies in leaning and comes upright",
		Sides: nothing("From nothing"), Turns: true, Strong: true, Drifts: true, Enters: true, Length: 16, Side: "right", Turn: 24},
	{ID: "settle", Name: "Settle", Icon: "arrow-down-short", Says: "Drops in, hops, comes to rest",
		Sides: motion.SideNames, Turns: true, Strong: true, Enters: true, Length: 12, Side: "above", Turn: 5},
	{ID: "swell", Name: "Swell", Icon: "arrows-angle-expand", Says: "Pops past full size and back", Strong: true, Enters: true, Length: 15},
	{ID: "flutter", Name: "Flutter", Icon: "flag", Says: "Sways as it hangs, then calms", Turns: true, Strong: true, Length: 60, Turn: 14},
	{ID: "waft", Name: "Waft", Icon: "cloud", Says: "Drifts slowly until it has left",
		Sides: motion.SideNames, Turns: true, Strong: true, Side: "above", Turn: 3},
	{ID: "unfurl", Name: "Unfurl", Icon: "layers", Says: "Is revealed along its own edge", Sides: motion.SideNames[:4], Enters: true, Length: 14, Side: "below"},
	{ID: "near", Name: "Near", Icon: "zoom-in", Says: "Slowly nears, or passes, the picture", Of: KindPhoto,
		Sides: append(wording.List{{Name: "Straight on"}}, motion.SideNames[:4]...), Strong: true},
	{ID: "bob", Name: "Bob", Icon: "chevron-double-up", Says: "Hops in place to be noticed", Strong: true, Length: 10},
	{ID: "lull", Name: "Lull", Icon: "pause", Says: "Stays exactly still for this long", Length: 60},
	{ID: MoveOnHits, Name: "On hits", Icon: "music-note-list", Says: "Swells, flashes or nudges with hits",
		Sides: motion.SideNames[:4], Strong: true, Side: "below"},
	{ID: "whisk", Name: "Whisk", Icon: "box-arrow-up-right", Says: "Leaves the frame fast, gathering speed",
		Sides: nothing("To nothing"), Turns: true, Strong: true, Length: 12, Side: "left", Turn: -18},
}

// MoveNamed finds a kind of moves.
func MoveNamed(id string) (MoveKind, bool) {
	for _, m := range Moves {
		if m.ID == id {
			return m, true
		}
	}
	return MoveKind{}, false
}

// MoveKinds are their IDs.
var MoveKinds = func() []string {
	var out []string
	for _, m := range Moves {
		out = append(out, m.ID)
	}
	return out
}()
