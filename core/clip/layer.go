package clip

import (
	"billow/core/colour"
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
)

// LayerKinds lists the kinds of layers.
var LayerKinds = []string{KindCutout, KindWords, KindBadge, KindCard, KindBackdrop, KindGroup}

// Layer is one thing in the clip.
type Layer struct {
	ID     string          `json:"id"`
	Name   string          `json:"name"`
	Kind   string          `json:"kind"`            // cutout, words, badge, backdrop, card or group
	Group  string          `json:"group,omitempty"` // the group it is in
	From   timing.Moment   `json:"from"`            // first frame on which it shows
	To     *timing.Moment  `json:"to"`              // first frame on which it no longer shows; null is the end
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

	Cutout   *Cutout   `json:"cutout,omitempty"`
	Words    *Words    `json:"words,omitempty"`
	Backdrop *Backdrop `json:"backdrop,omitempty"`
	Card     *Card     `json:"card,omitempty"`
	Inside   *Inside   `json:"inside,omitempty"` // of a group
	Lineup   *Lineup   `json:"lineup,omitempty"` // of a group whose layers take turns
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

// Cutout shows a picture prop.
type Cutout struct {
	Prop    string        `json:"prop"`
	Outline colour.Colour `json:"outline,omitzero"` // its width is a property; none is white
}

// Words are set text, with or without a plate behind it. In the text,
// *asterisks* emphasise; {name}, {price}, {old} and {percent} show the product.
type Words struct {
	Text          string        `json:"text"`
	Product       string        `json:"product,omitempty"`
	Font          string        `json:"font"`
	Fill          colour.Colour `json:"fill"`
	EmphasisFont  string        `json:"emphasisFont,omitempty"`
	EmphasisFill  colour.Colour `json:"emphasisFill"`
	Align         string        `json:"align"`         // left, centre or right
	Width         float64       `json:"width"`         // units at which lines break, 0: never
	LineSpacing   float64       `json:"lineSpacing"`   // percent of the font size
	LetterSpacing float64       `json:"letterSpacing"` // percent of the font size
	Outline       colour.Colour `json:"outline"`       // of the letters' outline; its width is a property
	Plate         *Plate        `json:"plate,omitempty"`
}

// Plate is the shape behind words.
type Plate struct {
	Kind string        `json:"kind"` // pill, card, disc or burst
	Fill colour.Colour `json:"fill"`
	Room float64       `json:"room"` // space around the words, percent of the font size
}

// Backdrop fills the frame: one stop is a solid, more are a linear gradient.
type Backdrop struct {
	Stops []Stop  `json:"stops"`
	Angle float64 `json:"angle"` // direction in which it runs: 0 up, 90 right, 180 down
}

// Stop is a colour of a gradient.
type Stop struct {
	At     float64       `json:"at"` // 0..100 percent of the way
	Colour colour.Colour `json:"colour"`
}

// Card is a plain figure, with a hole in it or without.
type Card struct {
	Form    string        `json:"form"`            // card, disc, burst or line
	Aspect  float64       `json:"aspect"`          // width by height, 0.02..50
	Fills   bool          `json:"fills,omitempty"` // covers the whole frame in every shape
	Fill    colour.Colour `json:"fill"`
	Outline colour.Colour `json:"outline"` // its width is a property
	Hole    *Hole         `json:"hole,omitempty"`
}

// Hole is a window in a card. It grows and shrinks with the card's size.
type Hole struct {
	Form   string  `json:"form"` // disc or card
	X      float64 `json:"x"`    // units from the card's centre
	Y      float64 `json:"y"`
	Size   float64 `json:"size"`   // width, units
	Aspect float64 `json:"aspect"` // width by height, 0.02..50
	Corner float64 `json:"corner"` // radius of its corners, units
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

// Bounds is what Inside.Clip says of a group that is cut to its own bounds.
const Bounds = "bounds"

// Inside is the time and the edges of a group. The frame of its inside on a
// frame outside is counted from the group's beginning: so many frames later,
// so many times as fast, backwards, one frame for ever, or over and over. Keys
// of the property time, if there are any, say it instead.
type Inside struct {
	Offset  int     `json:"offset,omitempty"`  // frames later
	Speed   float64 `json:"speed,omitempty"`   // 0.05..20; 0 is 1
	Reverse bool    `json:"reverse,omitempty"` // from the group's end to its beginning
	Freeze  *int    `json:"freeze,omitempty"`  // the frame of the inside that always shows
	Repeat  int     `json:"repeat,omitempty"`  // frames after which the inside begins again; 0 never
	Clip    string  `json:"clip,omitempty"`    // "bounds", or the layer whose outline it is cut to
}

// Move is a ready motion that wrote keys. Its settings are kept, so that it can
// be changed; the keys that it wrote bear its ID.
type Move struct {
	ID       string        `json:"id"`
	Kind     string        `json:"kind"` // gust, settle, swell, flutter, waft, unfurl, lull or whisk
	At       timing.Moment `json:"at"`
	Lands    bool          `json:"lands,omitempty"` // At is when it lands, not when it begins
	Length   int           `json:"length"`          // frames; 0 is until the layer ends
	Beats    float64       `json:"beats,omitempty"` // length in beats instead
	Side     string        `json:"side,omitempty"`  // left, right, above, below, a corner, or "" (grows from nothing)
	Turn     float64       `json:"turn"`            // degrees
	Strength float64       `json:"strength"`        // 0..300 percent
	Drift    float64       `json:"drift,omitempty"` // gust: units it goes on drifting until it leaves
}

// Lineup lets the layers of a group take turns. Each stands in one slot after
// the other; core writes their keys.
type Lineup struct {
	Slots  []Slot        `json:"slots"`           // from the first to the last that a product goes through
	Hero   int           `json:"hero"`            // index of the slot in which a product is shown
	Items  []Item        `json:"items"`           // in the order in which they come
	Start  timing.Moment `json:"start"`           // when the first has arrived
	Stay   int           `json:"stay"`            // frames from one arrival to the next
	Beats  float64       `json:"beats,omitempty"` // the same in beats instead
	Change int           `json:"change"`          // frames that a change takes
	Bars   float64       `json:"bars,omitempty"`  // the same in bars instead
}

// Slot is a place on the stage, relative to the products' rests.
type Slot struct {
	Name    string  `json:"name"`
	X       float64 `json:"x"` // units
	Y       float64 `json:"y"`
	Size    float64 `json:"size"` // percent
	Turn    float64 `json:"turn"` // degrees
	Opacity float64 `json:"opacity"`
}

// Item is a product on the stage with the layers that come and go with it.
type Item struct {
	Layer string   `json:"layer"`
	With  []string `json:"with,omitempty"`
}
