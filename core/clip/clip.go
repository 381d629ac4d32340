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
const Version = 2

// Clip is one document.
type Clip struct {
	Version  int            `json:"version"`
	Name     string         `json:"name"`
	Shapes   []Shape        `json:"shapes"` // the first is the one it was made for
	Rate     timing.Rate    `json:"rate"`
	Length   int            `json:"-"` // frames; what the scenes last together (Fit)
	Tempo    timing.Tempo   `json:"tempo"`
	Light    Light          `json:"light"`
	Sounds   []SoundTrack   `json:"sounds,omitempty"`   // the tune first
	Loudness float64        `json:"loudness,omitempty"` // of all sounds together, LUFS, -30..-9; 0 leaves them as loud as they are
	Props    []Prop         `json:"props"`
	Products []Product      `json:"products"`
	Shown    string         `json:"shown,omitempty"`    // the product of scenes that have none of their own
	Language string         `json:"language,omitempty"` // that its texts are in and money has the form of, of offer.Languages; none is English
	Layers   []Layer        `json:"layers"`             // from the back to the front; scenes in the order in which they play
	Poster   *timing.Moment `json:"poster,omitempty"`   // the poster frame; nil is the fullest
	Markers  []Mark         `json:"markers,omitempty"`  // named places, in order of time
	Variants *Variants      `json:"variants,omitempty"` // the same clip for other products, shapes and languages
	Range    *Range         `json:"range,omitempty"`    // what is played in a loop while editing

	shared map[string]bool // layers that a draft shares with the clip it was made from
}

// Mark is a moment with a name.
type Mark struct {
	Name string        `json:"name"`
	At   timing.Moment `json:"at"`
}

// Range is the frames from In up to, but not on, Out.
type Range struct {
	In  timing.Moment `json:"in"`
	Out timing.Moment `json:"out"`
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
	// Keys of direction and height; they replace the numbers above.
	Tracks map[string]motion.Track `json:"tracks,omitempty"`
}

// Kinds of props.
const (
	KindCutout = "cutout"
	KindTune   = "tune"
	KindFont   = "font"
	KindTable  = "table"
)

// Prop is a file that the clip uses, named by what is in it.
type Prop struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Kind   string `json:"kind"` // cutout, footage, tune, font or table
	Hash   string `json:"hash"` // SHA-256 of the file, hexadecimal
	Media  string `json:"media"`
	Credit string `json:"credit,omitempty"` // maker and licence

	Picture *Picture `json:"picture,omitempty"`
	Footage *Footage `json:"footage,omitempty" walk:"plain"` // beside a picture, which is what all of its frames have in common
	Sound   *Sound   `json:"sound,omitempty"`
	Font    *OwnFont `json:"font,omitempty" walk:"plain"`
	Table   *Table   `json:"table,omitempty" walk:"plain"`
}

// Table is what is known of a table of colours.
type Table struct {
	Size int  `json:"size"`          // points a side
	Row  bool `json:"row,omitempty"` // it has a row for each channel, not a cube
}

// Picture is what is known of a picture.
type Picture struct {
	W       int    `json:"w"` // pixels
	H       int    `json:"h"`
	Visible [4]int `json:"visible"` // bounds of what is not transparent: x0, y0, x1, y1
	// Area is how much of these bounds is covered, 0..1; 0 is not known.
	Area    float64  `json:"area,omitempty"`
	Drawing *Drawing `json:"drawing,omitempty"` // of a picture made of one, which its file carries
}

// Drawing is what is known of a drawing of which a picture was made.
type Drawing struct {
	LeftOut []string `json:"leftOut,omitempty"` // what it has that is not shown
}

// Sound is what was found in a tune.
type Sound struct {
	Seconds float64      `json:"seconds"`
	Tempo   timing.Tempo `json:"tempo"` // in seconds of the tune
	Hits    []Hit        `json:"hits"`
	Levels  []uint8      `json:"levels"` // peak of each 1/20 second, 255 is full scale
	Steady  bool         `json:"steady"` // whether a beat was found at all
	Sure    Sure         `json:"sure,omitzero"`
	// Others are other ways to count it, the likeliest first.
	Others []timing.Tempo `json:"others,omitempty"`
	// Sections are its parts in their order, from its beginning on: each lasts until the next.
	Sections []Section `json:"sections,omitempty"`
}

// Section is a part of a tune that begins with a bar.
type Section struct {
	At   float64 `json:"at"`   // seconds of the tune
	Kind string  `json:"kind"` // quiet, build, full or break
}

// Kinds of sections: soft, or with little in it; growing towards what follows; with all that
// the tune has; and soft between two that are full.
const (
	Quiet = "quiet"
	Build = "build"
	Full  = "full"
	Break = "break"
)

// Sure is how sure it is of a tune, 0..1, that it has a beat, that it is counted as one
// would count it, and that its bars are where they are heard.
type Sure struct {
	Beat  float64 `json:"beat"`
	Tempo float64 `json:"tempo,omitempty"`
	Bars  float64 `json:"bars,omitempty"`
}

// Hit is an accent of the music.
type Hit struct {
	At       float64 `json:"at"`              // seconds of the tune
	Strength float64 `json:"strength"`        // 0..1
	Kind     string  `json:"kind"`            // low, mid or high; or rise, which swells for a while
	Again    bool    `json:"again,omitempty"` // it comes in most bars around it
	Lasts    float64 `json:"lasts,omitempty"` // seconds from the beginning of a rise to its top
}
