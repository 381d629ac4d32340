package clip

import (
	"slices"

	"billow/core/timing"
	"billow/core/wording"
)

// MoveOnHits is the kind of moves that do something at each of some hits.
const MoveOnHits = "hits"

// HitChoice is which hits of the tune count.
type HitChoice struct {
	Kinds []string `json:"kinds,omitempty"` // as HitKinds says; none is low, mid and high
	Least float64  `json:"least"`           // strength from which on a hit counts, 0..1
	Which string   `json:"which,omitempty"` // one of HitsWhich
	Apart float64  `json:"apart,omitempty"` // beats that must lie between two; of those nearer the strongest counts
}

// OnHits is what a layer does at which hits of the tune, within the time of its move.
type OnHits struct {
	Does string `json:"does"` // one of HitDeeds
	HitChoice
	Frames int `json:"frames,omitempty"` // until all is as it was, 1..600; 0 is as usual for what it does
	// With is the layer with which it exchanges colours; without one it exchanges two of its own.
	With string `json:"with,omitempty"`
	// Turn is which of Of layers this is that take turns, from 0.
	Turn int `json:"turn,omitempty"`
	Of   int `json:"of,omitempty"`
}

// Deeds.
const (
	HitSwell    = "swell"
	HitNudge    = "nudge"
	HitFlash    = "flash"
	HitExchange = "exchange"
	HitInvert   = "invert"
	HitTurns    = "turns"
)

// HitDeeds is what can be done on hits.
var HitDeeds = wording.List{
	{ID: HitSwell, Name: "Swell", Says: "Larger at once, then as it was"},
	{ID: HitNudge, Name: "Nudge", Says: "Pushed aside, springs back"},
	{ID: HitFlash, Name: "Flash", Says: "Lit up, then as it was"},
	{ID: HitExchange, Name: "Exchange colours", Says: "Its two colours, or with another layer"},
	{ID: HitInvert, Name: "Negative", Says: "Dark turns light for a moment"},
	{ID: HitTurns, Name: "Take turns", Says: "The next of the chosen is seen"},
}

// HitsWhich are which of the hits count.
var HitsWhich = wording.List{
	{ID: "", Name: "All"}, {ID: "again", Name: "Those that come in each bar"}, {ID: "alone", Name: "Those that stand alone"},
}

// Takes tells whether a hit is one of those that are meant, whatever lies around it.
func (o *HitChoice) Takes(h Hit) bool {
	kinds := o.Kinds
	if len(kinds) == 0 {
		kinds = []string{"low", "mid", "high"}
	}
	return h.Strength >= o.Least && slices.Contains(kinds, h.Kind) && (o.Which == "" || h.Again == (o.Which == "again"))
}

// A Struck hit is one at which something is done.
type Struck struct {
	Frame    int
	At       timing.Moment // of the clip
	Strength float64
}

// Struck are the hits that are meant between two frames, the last not included, in their order, at least
// so many frames apart. A rise counts where its top is.
func (c *Clip) Struck(o *HitChoice, from, to, apart int) []Struck {
	apart = max(apart, 1)
	if o.Apart > 0 {
		apart = max(apart, c.Rate.Frame(o.Apart*60/c.Tempo.BPM)-1) // beats that wander are as far apart as others
	}
	var out []Struck
	for _, h := range c.Hits() {
		f := h.Frame + c.Rate.Frame(h.Lasts)
		if f < from || f >= to || !o.Takes(h.Hit) {
			continue
		}
		s := Struck{f, c.MomentOfHit(f), h.Strength}
		switch n := len(out) - 1; {
		case n < 0 || f-out[n].Frame >= apart:
			out = append(out, s)
		case h.Strength > out[n].Strength && (n == 0 || f-out[n-1].Frame >= apart):
			out[n] = s
		}
	}
	return out
}

// CheckHits reports what is wrong with what a move does on hits.
func (m *Move) CheckHits(c *Clip, field string) error {
	o := m.Hits
	switch {
	case (m.Kind == MoveOnHits) != (o != nil):
		return Fault(field, "what is done on hits is said of a move on hits, and of no other")
	case o == nil:
		return nil
	case !slices.Contains(HitDeeds.IDs(), o.Does):
		return Fault(field+".does", "there is nothing called %q that can be done on hits", o.Does)
	case o.With != "" && c.Layer(o.With) == nil:
		return Fault(field+".with", "there is no layer %q to exchange colours with", o.With)
	case o.Does == HitTurns && (o.Of < 1 || o.Of > 100 || o.Turn < 0 || o.Turn >= o.Of):
		return Fault(field+".turn", "one of 1 to 100 layers takes its turn, not number %d of %d", o.Turn, o.Of)
	}
	return firstError(o.check(field), within(field+".frames", float64(o.Frames), 0, 600))
}

func (o *HitChoice) check(field string) error {
	if !slices.Contains(HitsWhich.IDs(), o.Which) {
		return Fault(field+".which", "hits are all, again or alone, not %q", o.Which)
	}
	if len(o.Kinds) > len(HitKinds) || slices.ContainsFunc(o.Kinds, func(k string) bool { return !slices.Contains(HitKinds.IDs(), k) }) {
		return Fault(field+".kinds", "hits are low, mid, high or rise")
	}
	return firstError(within(field+".least", o.Least, 0, 1), within(field+".apart", o.Apart, 0, 64))
}
