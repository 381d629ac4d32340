package clip

import (
	"math"

	"billow/core/timing"
	"billow/core/wording"
)

// KindFootage is a prop that moves.
const KindFootage = "footage"

// Footage is what is known of a moving picture beside its size. Its file is kept so that any frame
// is read at random (package footage).
type Footage struct {
	Seconds float64 `json:"seconds"`
	Frames  int     `json:"frames"`
	Alpha   bool    `json:"alpha,omitempty"` // it has clear parts of its own
	Sound   string  `json:"sound,omitempty"` // the hash of its sound, a tune by itself; none is silent
}

// Limits of footage.
const (
	MaxFootage = 1800 // seconds that a prop may last
	MinSpeed   = 10   // percent
	MaxSpeed   = 800
)

// Running is how the footage of a layer runs from the layer's beginning on. Seconds are those of the
// footage unless they say otherwise.
type Running struct {
	From    float64        `json:"from,omitempty" walk:"plain"`  // the second that shows first
	To      float64        `json:"to,omitempty" walk:"plain"`    // what is behind it is left out; 0 is its end
	Speed   float64        `json:"speed,omitempty" walk:"plain"` // percent, MinSpeed..MaxSpeed; 0 is 100
	Beats   float64        `json:"beats,omitempty"`              // instead of a speed: it runs through once in so many
	Reverse bool           `json:"reverse,omitempty" walk:"plain"`
	Again   string         `json:"again,omitempty" walk:"plain"` // what comes after its end, one of Agains
	Seam    float64        `json:"seam,omitempty" walk:"plain"`  // looped: seconds of the clip in which its end is mixed with its beginning
	Blended bool           `json:"blended,omitempty" walk:"plain"`
	Freeze  *timing.Moment `json:"freeze,omitempty"` // from there on it stands still
}

// Agains are what footage does after its end.
var Agains = wording.List{
	{ID: "", Name: "Stands still", Says: "The last picture stays"},
	{ID: "loop", Name: "Begins again", Says: "Round and round"},
	{ID: "swing", Name: "Runs back", Says: "To and fro"},
}

func (r *Running) check(field string) error {
	if r == nil {
		return nil
	}
	known := false
	for _, a := range Agains {
		known = known || a.ID == r.Again
	}
	if !known {
		return Fault(field+".again", "after its end footage stands still, loops or swings, not %q", r.Again)
	}
	if r.To != 0 && r.To-r.From < 0.02 {
		return Fault(field+".to", "what shows of the footage has to last a fiftieth of a second at least")
	}
	if r.Speed != 0 {
		if err := within(field+".speed", r.Speed, MinSpeed, MaxSpeed); err != nil {
			return err
		}
	}
	return firstError(
		within(field+".from", r.From, 0, MaxFootage), within(field+".to", r.To, 0, MaxFootage),
		within(field+".beats", r.Beats, 0, 256), within(field+".seam", r.Seam, 0, 60),
	)
}

// Course is how footage runs in a layer, worked out.
type Course struct {
	from, span float64 // seconds of the footage
	rate       float64 // seconds of the footage in one of the clip
	last       float64 // seconds of the layer after which it stands still
	seam       float64 // seconds of the footage
	runs       Running
}

// least is how much of footage shows at least, in seconds.
const least = 0.02

// CourseOf works out how footage runs that lasts so many seconds, in a layer with a clock that
// begins on a frame of the clip.
func CourseOf(r *Running, seconds float64, clock timing.Clock, begins int) Course {
	if r == nil {
		r = &Running{}
	}
	c := Course{from: min(r.From, max(0, seconds-least)), rate: 1, last: math.Inf(1), runs: *r}
	end := seconds
	if r.To > 0 {
		end = min(r.To, seconds)
	}
	c.span = max(end-c.from, least)
	if r.Speed > 0 {
		c.rate = r.Speed / 100
	}
	if r.Beats > 0 {
		// Of the exact times of beats, so that it fits however the frames fall.
		first := clock.Rate.Seconds(begins)
		lasts := clock.Tempo.Seconds(clock.Tempo.Beat(first)+r.Beats) - first
		c.rate = min(max(c.span/max(lasts, 1e-3), MinSpeed/100.0), MaxSpeed/100.0)
	}
	if r.Freeze != nil {
		c.last = max(0, clock.Rate.Seconds(clock.Frame(*r.Freeze)-begins))
	}
	c.seam = min(r.Seam*c.rate, c.span/2)
	return c
}

// Speed is how many seconds of the footage run in one of the clip.
func (c Course) Speed() float64 { return c.rate }

// Lasts is how many seconds of the clip it takes to run through once.
func (c Course) Lasts() float64 { return c.span / c.rate }

// Spot is a second of the footage that shows, with its share. Before tells that the picture is
// meant that ends there, not the one that begins.
type Spot struct {
	Seconds float64
	Before  bool
	Share   float64
}

// At is what shows so many seconds after the layer's beginning: one spot, or the two that are mixed
// at the seam of a loop.
func (c Course) At(seconds float64) (spots [2]Spot, n int) {
	p := min(max(seconds, 0), c.last) * c.rate
	spots[0] = c.spot(min(p, c.span))
	spots[0].Share = 1
	switch c.runs.Again {
	case "loop":
		round := c.span - c.seam
		rounds := math.Floor(p/round + 1e-9)
		if rounds < 1 {
			return spots, 1
		}
		q := max(p-rounds*round, 0)
		spots[0] = c.spot(q)
		spots[0].Share = 1
		if q < c.seam {
			share := q / c.seam
			spots[0].Share = share
			spots[1] = c.spot(round + q)
			spots[1].Share = 1 - share
			return spots, 2
		}
	case "swing":
		turns := math.Floor(p/c.span + 1e-9)
		q := max(p-turns*c.span, 0)
		back := math.Mod(turns, 2) == 1
		if back {
			q = c.span - q
		}
		spots[0] = c.spot(q)
		spots[0].Share, spots[0].Before = 1, back != c.runs.Reverse
	}
	return spots, 1
}

// spot is a second of the footage from that of its course, which runs from 0 to the span.
func (c Course) spot(q float64) Spot {
	if c.runs.Reverse {
		return Spot{Seconds: c.from + c.span - q, Before: q < c.span}
	}
	return Spot{Seconds: c.from + q, Before: q >= c.span}
}
