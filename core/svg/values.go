package svg

import (
	"math"
	"strconv"
	"strings"

	"billow/core/alike"
	"billow/core/colour"
	"billow/core/paint"

	"golang.org/x/image/colornames"
)

// scanner reads numbers, as path data, transforms and lists of points have them.
type scanner struct {
	s  string
	at int
}

func (c *scanner) space() {
	for c.at < len(c.s) && strings.IndexByte(" \t\r\n,", c.s[c.at]) >= 0 {
		c.at++
	}
}

func (c *scanner) done() bool {
	c.space()
	return c.at >= len(c.s)
}

// number is the next number; false where there is none that can be used.
func (c *scanner) number() (float64, bool) {
	c.space()
	from := c.at
	digits := func() {
		for c.at < len(c.s) && c.s[c.at] >= '0' && c.s[c.at] <= '9' {
			c.at++
		}
	}
	sign := func() {
		if c.at < len(c.s) && (c.s[c.at] == '-' || c.s[c.at] == '+') {
			c.at++
		}
	}
	sign()
	digits()
	if c.at < len(c.s) && c.s[c.at] == '.' {
		c.at++
		digits()
	}
	if mark := c.at; c.at < len(c.s) && (c.s[c.at] == 'e' || c.s[c.at] == 'E') {
		c.at++
		sign()
		if before := c.at; func() bool { digits(); return c.at == before }() {
			c.at = mark // the e is not of the number
		}
	}
	v, err := strconv.ParseFloat(c.s[from:c.at], 64)
	if err != nil || !finite(v) {
		c.at = from
		return 0, false
	}
	return v, true
}

// flag is the next flag of an arc: flags need nothing between them.
func (c *scanner) flag() (bool, bool) {
	c.space()
	if c.at < len(c.s) && (c.s[c.at] == '0' || c.s[c.at] == '1') {
		c.at++
		return c.s[c.at-1] == '1', true
	}
	return false, false
}

// numbers is all numbers of a list.
func numbers(s string) (out []float64) {
	c := scanner{s: s}
	for !c.done() {
		v, ok := c.number()
		if !ok {
			break
		}
		out = append(out, v)
	}
	return out
}

var units = map[string]float64{"": 1, "px": 1, "pt": 96.0 / 72, "pc": 16, "in": 96, "cm": 96 / 2.54, "mm": 96 / 25.4, "Q": 96 / 101.6}

// length is a length in user units; of is what percents are of, and usual what it is
// where nothing sensible is written.
func (x context) length(s string, of, usual float64) float64 {
	c := scanner{s: strings.TrimSpace(s)}
	v, ok := c.number()
	if !ok {
		return usual
	}
	switch unit := strings.TrimSpace(c.s[c.at:]); unit {
	case "%":
		return v / 100 * of
	case "em", "rem":
		return v * x.size
	case "ex":
		return v * x.size / 2
	default:
		k, ok := units[unit]
		if !ok {
			return usual
		}
		return v * k
	}
}

// across, down and along are lengths whose percents are of the view's width, height and
// diagonal.
func (x context) across(s string, usual float64) float64 { return x.length(s, x.w, usual) }
func (x context) down(s string, usual float64) float64   { return x.length(s, x.h, usual) }
func (x context) along(s string, usual float64) float64 {
	return x.length(s, alike.Hypot(x.w, x.h)/math.Sqrt2, usual)
}

// share is a number or percents, within 0..1.
func share(s string, usual float64) float64 {
	c := scanner{s: strings.TrimSpace(s)}
	v, ok := c.number()
	if !ok {
		return usual
	}
	if strings.TrimSpace(c.s[c.at:]) == "%" {
		v /= 100
	}
	return min(max(v, 0), 1)
}

// transform is a list of transforms, the first of which is done last; a list with a
// mistake changes nothing.
func transform(s string) paint.Affine {
	out := paint.Identity()
	for {
		s = strings.TrimLeft(s, " \t\r\n,")
		if s == "" {
			return out
		}
		name, rest, found := strings.Cut(s, "(")
		list, after, closed := strings.Cut(rest, ")")
		if !found || !closed {
			return paint.Identity()
		}
		m, ok := one(strings.TrimSpace(name), numbers(list))
		if !ok {
			return paint.Identity()
		}
		out, s = m.Then(out), after
	}
}

func one(name string, v []float64) (paint.Affine, bool) {
	n := len(v)
	switch {
	case name == "matrix" && n == 6:
		return paint.Affine{A: v[0], B: v[1], C: v[2], D: v[3], E: v[4], F: v[5]}, true
	case name == "translate" && n == 1:
		return paint.Translate(v[0], 0), true
	case name == "translate" && n == 2:
		return paint.Translate(v[0], v[1]), true
	case name == "scale" && n == 1:
		return paint.Scale(v[0], v[0]), true
	case name == "scale" && n == 2:
		return paint.Scale(v[0], v[1]), true
	case name == "rotate" && n == 1:
		return paint.Rotate(v[0]), true
	case name == "rotate" && n == 3:
		return paint.Translate(-v[1], -v[2]).Then(paint.Rotate(v[0])).Then(paint.Translate(v[1], v[2])), true
	case name == "skewX" && n == 1:
		return paint.Affine{A: 1, C: tan(v[0]), D: 1}, true
	case name == "skewY" && n == 1:
		return paint.Affine{A: 1, B: tan(v[0]), D: 1}, true
	}
	return paint.Affine{}, false
}

func tan(degrees float64) float64 { return math.Tan(degrees * math.Pi / 180) }

// parseColour reads a colour as CSS writes it.
func parseColour(s string) (colour.Colour, bool) {
	s = strings.ToLower(strings.TrimSpace(s))
	if s == "transparent" {
		return colour.Colour{}, true
	}
	if c, ok := colornames.Map[s]; ok {
		return colour.Colour(c), true
	}
	if hex, ok := strings.CutPrefix(s, "#"); ok {
		if len(hex) == 3 || len(hex) == 4 {
			var b strings.Builder
			for _, r := range hex {
				b.WriteRune(r)
				b.WriteRune(r)
			}
			hex = b.String()
		}
		v, err := strconv.ParseUint(hex, 16, 32)
		if err != nil || len(hex) != 6 && len(hex) != 8 {
			return colour.Colour{}, false
		}
		if len(hex) == 6 {
			v = v<<8 | 255
		}
		return colour.Colour{R: uint8(v >> 24), G: uint8(v >> 16), B: uint8(v >> 8), A: uint8(v)}, true
	}
	name, rest, found := strings.Cut(s, "(")
	list, _, closed := strings.Cut(rest, ")")
	if !found || !closed {
		return colour.Colour{}, false
	}
	fields := strings.FieldsFunc(list, func(r rune) bool { return strings.ContainsRune(" \t\r\n,/", r) })
	if len(fields) < 3 {
		return colour.Colour{}, false
	}
	alpha := 1.0
	if len(fields) > 3 {
		alpha = share(fields[3], 1)
	}
	switch name {
	case "rgb", "rgba":
		var v [3]float64
		for i := range v {
			percent, is := strings.CutSuffix(fields[i], "%")
			f, err := strconv.ParseFloat(percent, 64)
			if err != nil {
				return colour.Colour{}, false
			}
			if v[i] = f; is {
				v[i] = f / 100 * 255
			}
			if !finite(f) {
				return colour.Colour{}, false
			}
		}
		return colour.FromFloats(v[0], v[1], v[2], alpha*255), true
	case "hsl", "hsla":
		h, err := strconv.ParseFloat(strings.TrimSuffix(fields[0], "deg"), 64)
		if err != nil || !finite(h) {
			return colour.Colour{}, false
		}
		sat, light := share(fields[1], 0), share(fields[2], 0)
		// CSS Color 4, "HSL Colors".
		f := func(n float64) float64 {
			k := math.Mod(math.Mod(n+h/30, 12)+12, 12)
			return light - sat*min(light, 1-light)*max(-1, min(k-3, 9-k, 1))
		}
		return colour.FromFloats(255*f(0), 255*f(8), 255*f(4), 255*alpha), true
	}
	return colour.Colour{}, false
}
