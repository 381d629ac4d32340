package clip

import (
	"billow/core/motion"
	"billow/core/timing"
)

// Kinds of layers.
const (
	KindBackdrop = "backdrop"
	KindWords    = "words"
	KindBadge    = "badge"
	KindCard     = "card"
	KindGroup    = "group"
	KindScene    = "scene"
)

// Layer is one thing in the clip.
type Layer struct {
	ID     string          `json:"id"`
	Name   string          `json:"name"`
	Kind   string          `json:"kind"`            // one of Kinds
	Group  string          `json:"group,omitempty"` // the group or the scene it is in; none is over, or beneath, all scenes
	From   timing.Moment   `json:"from"`            // first frame on which it shows
	To     *timing.Moment  `json:"to"`              // first frame on which it no longer shows; null is the end of its scene
	Rest   Rest            `json:"rest"`
	Rests  map[string]Rest `json:"rests,omitempty"`  // shapes that stand differently
	Lift   float64         `json:"lift"`             // units above what is behind, 0..500
	Shadow *Shadow         `json:"shadow,omitempty"` // instead of what the light gives
	Blend  string          `json:"blend"`            // W3C blend mode
	Hidden bool            `json:"hidden,omitempty"`
	Locked bool            `json:"locked,omitempty"` // cannot be picked in the picture
	Label  string          `json:"label,omitempty"`  // a short note that can be read and found

	// Values are properties without keys that are not neutral; keys come on top.
	Values map[string][]float64    `json:"values,omitempty"`
	Tracks map[string]motion.Track `json:"tracks"`
	Moves  []Move                  `json:"moves,omitempty"`

	Shutter  float64          `json:"shutter,omitempty"` // motion blur: degrees the shutter is open, 0..720
	Stepping *motion.Stepping `json:"stepping,omitempty"`
	Wander   *motion.Wander   `json:"wander,omitempty"`
	Follow   *Follow          `json:"follow,omitempty"`
	Reveal   *Reveal          `json:"reveal,omitempty"` // how the property reveal shows it
	Masks    []Mask           `json:"masks,omitempty" walk:"plain"`
	Repeat   *Repeat          `json:"repeat,omitempty" walk:"plain"` // shown again and again

	Table string `json:"table,omitempty"` // the prop of the table of colours that its effect of that name uses

	Cutout   *Cutout   `json:"cutout,omitempty"`
	Words    *Words    `json:"words,omitempty"`
	Backdrop *Backdrop `json:"backdrop,omitempty" walk:"plain"`
	Card     *Card     `json:"card,omitempty" walk:"plain"`
	Pattern  *Pattern  `json:"pattern,omitempty" walk:"plain"`
	Floor    *Floor    `json:"floor,omitempty" walk:"plain"`
	Grain    *Grain    `json:"grain,omitempty" walk:"plain"`
	Gel      *Gel      `json:"gel,omitempty"`
	Inside   *Inside   `json:"inside,omitempty"` // of a group
	Scene    *Scene    `json:"scene,omitempty"`
	Lineup   *Lineup   `json:"lineup,omitempty"` // of a group whose layers take turns

	as string // how it is looked at; not part of the document
}

// Rest is where a layer stands in a shape when nothing moves it: its centre,
// measured from a point of the frame.
type Rest struct {
	Pin  string  `json:"pin"` // centre, top, bottom, left, right, topLeft ...
	X    float64 `json:"x"`   // units from the pin
	Y    float64 `json:"y"`
	Size float64 `json:"size"`           // cut-out: longer visible side; words: font size; units
	Turn float64 `json:"turn"`           // degrees clockwise
	Away bool    `json:"away,omitempty"` // not shown in this shape
}

// Shadow replaces the shadow that follows from the light.
type Shadow struct {
	None      bool    `json:"none,omitempty"`
	Direction float64 `json:"direction"` // in which it falls: 0 up, 90 right, 180 down
	Distance  float64 `json:"distance"`  // units, 0..500
	Softness  float64 `json:"softness"`  // units of blur (standard deviation), 0..200
	Strength  float64 `json:"strength"`  // 0..100 percent
}

// Reveal is how a layer shows as its property reveal goes from 0 to 100.
type Reveal struct {
	Side  string `json:"side"`            // where it begins: left, right, above or below
	Slide bool   `json:"slide,omitempty"` // it slides out from behind that edge
}

// Follow makes a layer go where another goes; its own motion comes on top.
type Follow struct {
	Layer    string `json:"layer"`
	Position bool   `json:"position,omitempty"`
	Rotation bool   `json:"rotation,omitempty"`
	Scale    bool   `json:"scale,omitempty"`
}

// Move is a ready motion that wrote keys. Its settings are kept, so that it can
// be changed; the keys that it wrote bear its ID.
type Move struct {
	ID       string        `json:"id"`
	Kind     string        `json:"kind"` // one of Moves
	At       timing.Moment `json:"at"`
	Lands    bool          `json:"lands,omitempty"`  // At is when it lands, not when it begins
	Length   int           `json:"length"`           // frames; 0 is until the layer ends
	Beats    float64       `json:"beats,omitempty"`  // length in beats instead
	Side     string        `json:"side,omitempty"`   // left, right, above, below, a corner, or "" (grows from nothing)
	Turn     float64       `json:"turn"`             // degrees
	Strength float64       `json:"strength"`         // 0..300 percent
	Drift    float64       `json:"drift,omitempty"`  // gust: units it goes on drifting until it leaves
	GoesOn   bool          `json:"goesOn,omitempty"` // flutter: sways evenly, to and fro in two beats, instead of dying away
	Hits     *OnHits       `json:"hits,omitempty"`   // what is done at which hits, of that kind of moves alone
}

// Ways of looking at a layer that are not part of the clip.
const (
	AsMatte = "matte" // how opaque it is, while its key is set
	AsCame  = "came"  // without its effects, but for what takes a screen out of it
)

// LookAs lets the layer be looked at in another way.
func (l *Layer) LookAs(way string) { l.as = way }

// LookedAt is in which way it is looked at; none is as it is.
func (l *Layer) LookedAt() string { return l.as }
