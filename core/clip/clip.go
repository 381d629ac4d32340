// Package clip is the document: what a clip is made of, its defaults, what
// makes it valid, and its JSON.
//
// Coordinates are in units in which the frame's shorter side is 1000; the
// origin is the frame's centre, x points right and y down; angles are degrees
// clockwise. A clip is never tied to a pixel size.
package clip

import (
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

// Version is the version of the document that this code writes.
const Version = 1

// Clip is one document.
type Clip struct {
	Version  int           `json:"version"`
	Name     string        `json:"name"`
	Shapes   []Shape       `json:"shapes"` // the first is the one it was made for
	Rate     timing.Rate   `json:"rate"`
	Length   int           `json:"length"` // frames
	Tempo    timing.Tempo  `json:"tempo"`
	Light    Light         `json:"light"`
	Tune     *Tune         `json:"tune,omitempty"`
	Props    []Prop        `json:"props"`
	Products []Product     `json:"products"`
	Layers   []Layer       `json:"layers"` // from the back to the front
	Poster   timing.Moment `json:"poster"` // the poster frame
}

// Shape is one size in which the clip is shown.
type Shape struct {
	ID string `json:"id"` // tall, portrait, square, wide, poster, or a custom name
	W  int    `json:"w"`  // pixels, even
	H  int    `json:"h"`  // pixels, even
}

// Light is the clip's one light, from which all shadows follow.
type Light struct {
	Direction float64       `json:"direction"` // where it comes from: 0 above, 90 right
	Height    float64       `json:"height"`    // 10 (grazing) .. 90 (from the front)
	Softness  float64       `json:"softness"`  // 0..100 percent
	Strength  float64       `json:"strength"`  // 0..100 percent
	Colour    colour.Colour `json:"colour"`    // of the shadow
}

// Tune is the music under the clip.
type Tune struct {
	Prop    string  `json:"prop"`
	Start   float64 `json:"start"`   // seconds of the tune at which the clip begins
	Gain    float64 `json:"gain"`    // decibels, -60..12
	FadeIn  int     `json:"fadeIn"`  // frames
	FadeOut int     `json:"fadeOut"` // frames
}

// Kinds of props.
const (
	KindCutout = "cutout"
	KindTune   = "tune"
)

// Prop is a file that the clip uses, named by what is in it.
type Prop struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Kind   string `json:"kind"` // cutout or tune
	Hash   string `json:"hash"` // SHA-256 of the file, hexadecimal
	Media  string `json:"media"`
	Credit string `json:"credit,omitempty"` // maker and licence

	Picture *Picture `json:"picture,omitempty"`
	Sound   *Sound   `json:"sound,omitempty"`
}

// Picture is what is known of a picture.
type Picture struct {
	W       int    `json:"w"` // pixels
	H       int    `json:"h"`
	Visible [4]int `json:"visible"` // bounds of what is not transparent: x0, y0, x1, y1
}

// Sound is what was found in a tune.
type Sound struct {
	Seconds float64      `json:"seconds"`
	Tempo   timing.Tempo `json:"tempo"` // in seconds of the tune
	Hits    []Hit        `json:"hits"`
	Levels  []uint8      `json:"levels"` // peak of each 1/20 second, 255 is full scale
	Steady  bool         `json:"steady"` // whether a beat was found at all
}

// Hit is an accent of the music.
type Hit struct {
	At       float64 `json:"at"`       // seconds of the tune
	Strength float64 `json:"strength"` // 0..1
	Kind     string  `json:"kind"`     // low, mid or high
}

// Product is one of the range: a name, a price and a picture.
type Product struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Price    string `json:"price"`    // decimal, such as "34.90"
	OldPrice string `json:"oldPrice"` // decimal, or empty
	Currency string `json:"currency"` // ISO 4217
	Prop     string `json:"prop,omitempty"`
}

// Kinds of layers.
const (
	KindBackdrop = "backdrop"
	KindWords    = "words"
	KindBadge    = "badge"
)

// Names of the properties that can have keys. Keys are relative to rest.
const (
	Position = "position" // units, added
	Scale    = "scale"    // percent, multiplied
	Rotation = "rotation" // degrees, added
	Opacity  = "opacity"  // percent, multiplied
	Lift     = "lift"     // units, added
)

// Properties lists them in the order in which they are shown.
var Properties = []string{Position, Scale, Rotation, Opacity, Lift}

// Dims is how many numbers a key of a property has.
func Dims(property string) int {
	if property == Position {
		return 2
	}
	return 1
}

// Neutral is the number of a property that changes nothing.
func Neutral(property string) float64 {
	if property == Scale || property == Opacity {
		return 100
	}
	return 0
}

// Layer is one thing in the clip.
type Layer struct {
	ID     string          `json:"id"`
	Name   string          `json:"name"`
	Kind   string          `json:"kind"` // cutout, words, badge or backdrop
	From   timing.Moment   `json:"from"` // first frame on which it shows
	To     *timing.Moment  `json:"to"`   // first frame on which it no longer shows; null is the end
	Rest   Rest            `json:"rest"`
	Rests  map[string]Rest `json:"rests,omitempty"`  // shapes that stand differently
	Lift   float64         `json:"lift"`             // units above what is behind, 0..500
	Shadow *Shadow         `json:"shadow,omitempty"` // instead of what the light gives
	Blend  string          `json:"blend"`            // W3C blend mode
	Hidden bool            `json:"hidden,omitempty"`

	Tracks map[string]motion.Track `json:"tracks"`

	Cutout   *Cutout   `json:"cutout,omitempty"`
	Words    *Words    `json:"words,omitempty"`
	Backdrop *Backdrop `json:"backdrop,omitempty"`
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
	Prop string `json:"prop"`
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
