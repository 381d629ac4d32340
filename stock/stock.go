// Package stock is where backdrops, textures, footage, garnishes, tunes and sounds are fetched from: a
// provider is searched, shows what it has, and hands out files under a licence. Which provider it is, is
// said when Billow is started; docs/stock.md tells how one is written.
package stock

import (
	"context"
	"errors"
	"io"

	"billow/core/colour"
)

// Kinds of things.
const (
	Backdrop = "backdrop"
	Texture  = "texture"
	Footage  = "footage"
	Garnish  = "garnish"
	Tune     = "tune"
	Sound    = "sound"
)

// Kinds are all of them, in the order in which they are offered.
var Kinds = []string{Backdrop, Texture, Footage, Garnish, Tune, Sound}

// Thing is one of what a provider has.
type Thing struct {
	ID       string          `json:"id"`
	Name     string          `json:"name"`
	Kind     string          `json:"kind"` // one of Kinds
	Author   string          `json:"author"`
	Licence  string          `json:"licence"`         // as people read it
	Price    string          `json:"price,omitempty"` // a decimal; none is free
	Currency string          `json:"currency"`        // ISO 4217
	Tags     []string        `json:"tags"`
	Colours  []colour.Colour `json:"colours,omitempty"` // that most of it has, the first most
	W        int             `json:"w,omitempty"`       // pixels
	H        int             `json:"h,omitempty"`
	Seconds  float64         `json:"seconds,omitempty"`
	Bytes    int64           `json:"bytes"`             // of its file
	File     string          `json:"file"`              // its name, which says what it is by its ending
	Preview  string          `json:"preview,omitempty"` // the name of a small picture of it; none is listened to
}

// Query is what is looked for.
type Query struct {
	Words  string         // each of which is in the name, a tag or the author
	Kind   string         // one of Kinds, or all
	Colour *colour.Colour // of which it has much
	Page   int            // from 0
}

// PageSize is how many things a page has.
const PageSize = 24

// Page is a part of what was found.
type Page struct {
	Things []Thing `json:"things"`
	Page   int     `json:"page"`
	Pages  int     `json:"pages"`
	Total  int     `json:"total"`
}

// Errors that a provider tells apart.
var (
	ErrUnreachable = errors.New("the stock shelf does not answer now; try again in a moment")
	ErrGone        = errors.New("this is no longer on the stock shelf")
	ErrPrice       = errors.New("its price has changed; look at it again before you take it")
)

// Provider is where things are fetched from. It may be slow and may fail: whoever asks gives it a time.
type Provider interface {
	Search(ctx context.Context, q Query) (Page, error)
	Thing(ctx context.Context, id string) (Thing, error)
	// Preview is a small picture of a thing, or what is listened to, with its media type.
	Preview(ctx context.Context, id string) (io.ReadCloser, string, error)
	// Take hands out a thing's file at a price that was agreed to; none is free.
	Take(ctx context.Context, id, price string) (Thing, io.ReadCloser, error)
}
