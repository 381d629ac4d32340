// Package colour holds the one colour type of a clip: straight (not
// premultiplied) sRGB with 8 bits a channel, written as "#rrggbb" or
// "#rrggbbaa" as in CSS Color Module Level 4.
package colour

import (
	"encoding/hex"
	"encoding/json"
	"fmt"
	"strings"
)

// Colour is a straight-alpha sRGB colour.
type Colour struct{ R, G, B, A uint8 }

// RGB is the opaque colour 0xRRGGBB.
func RGB(hex uint32) Colour {
	return Colour{uint8(hex >> 16), uint8(hex >> 8), uint8(hex), 255}
}

// Parse reads "#rrggbb" or "#rrggbbaa", in either case of letters.
func Parse(s string) (Colour, error) {
	digits, ok := strings.CutPrefix(s, "#")
	b, err := hex.DecodeString(digits)
	if !ok || err != nil || (len(b) != 3 && len(b) != 4) {
		return Colour{}, fmt.Errorf("%q is not a colour: write it as #rrggbb or #rrggbbaa", s)
	}
	c := Colour{b[0], b[1], b[2], 255}
	if len(b) == 4 {
		c.A = b[3]
	}
	return c, nil
}

// String writes the short form when the colour is opaque.
func (c Colour) String() string {
	if c.A == 255 {
		return fmt.Sprintf("#%02x%02x%02x", c.R, c.G, c.B)
	}
	return fmt.Sprintf("#%02x%02x%02x%02x", c.R, c.G, c.B, c.A)
}

func (c Colour) MarshalJSON() ([]byte, error) { return json.Marshal(c.String()) }

func (c *Colour) UnmarshalJSON(b []byte) error {
	var s string
	if err := json.Unmarshal(b, &s); err != nil {
		return fmt.Errorf("a colour is a text such as \"#dd4f28\"")
	}
	parsed, err := Parse(s)
	if err == nil {
		*c = parsed
	}
	return err
}

// WithAlpha is c with its opacity multiplied by a (0..1).
func (c Colour) WithAlpha(a float64) Colour {
	c.A = uint8(float64(c.A)*min(max(a, 0), 1) + 0.5)
	return c
}
