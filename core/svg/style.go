package svg

import (
	"slices"
	"strings"

	"billow/core/colour"
	"billow/core/paint"
)

// style is what an element is drawn with. What is not inherited is set for each.
type style struct {
	fill, stroke               string // a colour, none or url(#id), maybe with one more for when that is missing
	colour                     colour.Colour
	fillOpacity, strokeOpacity float64
	evenOdd, clipEvenOdd       bool
	width, dash, dashFrom      string
	cap                        paint.Cap
	join                       paint.Join
	miter                      float64
	hidden                     bool

	display, clip string
	opacity       float64
	stopColour    string
	stopOpacity   float64
}

var initial = style{
	fill: "black", stroke: "none", colour: colour.Colour{A: 255}, fillOpacity: 1, strokeOpacity: 1,
	width: "1", dash: "none", cap: paint.ButtCap, join: paint.MiterJoin, miter: 4, opacity: 1, stopColour: "black", stopOpacity: 1,
}

// context is where an element stands.
type context struct {
	style
	w, h   float64 // of the view, for percents
	size   float64 // of letters, for ems
	matrix paint.Affine
}

// styled is an element's style, within another.
func (r *reader) styled(e *element, in style) style {
	s := in
	s.display, s.clip, s.opacity, s.stopColour, s.stopOpacity = "", "", 1, "black", 1
	for name, value := range e.attr {
		if name != "color" {
			s.set(name, value, in)
		}
	}
	own := declarations(e.attr["style"])
	for _, rule := range r.rules {
		if rule.meets(e) {
			for _, d := range rule.sets {
				s.set(d[0], d[1], in)
			}
		}
	}
	for _, d := range own {
		s.set(d[0], d[1], in)
	}
	if c, ok := parseColour(e.attr["color"]); ok {
		s.colour = c
	}
	for _, name := range []string{"mask", "filter"} {
		if v := e.attr[name]; v != "" && v != "none" {
			r.note("a " + name)
		}
	}
	return s
}

// set sets a property, where a value makes sense.
func (s *style) set(name, value string, in style) {
	value = strings.TrimSpace(value)
	value = strings.TrimSpace(strings.TrimSuffix(value, "!important"))
	if value == "inherit" {
		switch name {
		case "opacity":
			s.opacity = in.opacity
		case "clip-path":
			s.clip = in.clip
		}
		return // the others are already as outside
	}
	switch name {
	case "fill":
		s.fill = value
	case "stroke":
		s.stroke = value
	case "color":
		if c, ok := parseColour(value); ok {
			s.colour = c
		}
	case "fill-opacity":
		s.fillOpacity = share(value, s.fillOpacity)
	case "stroke-opacity":
		s.strokeOpacity = share(value, s.strokeOpacity)
	case "fill-rule":
		s.evenOdd = value == "evenodd"
	case "clip-rule":
		s.clipEvenOdd = value == "evenodd"
	case "stroke-width":
		s.width = value
	case "stroke-dasharray":
		s.dash = value
	case "stroke-dashoffset":
		s.dashFrom = value
	case "stroke-linecap":
		s.cap = map[string]paint.Cap{"round": paint.RoundCap, "square": paint.SquareCap, "butt": paint.ButtCap}[value]
		if value != "round" && value != "square" {
			s.cap = paint.ButtCap
		}
	case "stroke-linejoin":
		switch value {
		case "round":
			s.join = paint.RoundJoin
		case "bevel":
			s.join = paint.BevelJoin
		default:
			s.join = paint.MiterJoin
		}
	case "stroke-miterlimit":
		if v := numbers(value); len(v) == 1 && v[0] >= 1 {
			s.miter = v[0]
		}
	case "visibility":
		s.hidden = value == "hidden" || value == "collapse"
	case "display":
		s.display = value
	case "clip-path":
		s.clip = value
	case "opacity":
		s.opacity = share(value, 1)
	case "stop-color":
		s.stopColour = value
	case "stop-opacity":
		s.stopOpacity = share(value, 1)
	}
}

// declarations are the properties of a style, in their order.
func declarations(text string) (out [][2]string) {
	for _, d := range strings.Split(text, ";") {
		name, value, found := strings.Cut(d, ":")
		if found {
			out = append(out, [2]string{strings.ToLower(strings.TrimSpace(name)), strings.TrimSpace(value)})
		}
	}
	return out
}

// rule is a rule of a style sheet: of a name, a class, an id or of those together.
type rule struct {
	name, id string
	classes  []string
	weight   int
	sets     [][2]string
}

// rules reads a style sheet. What stands under a condition, or selects by where an
// element lies, is left out.
func rules(sheet string) (out []rule) {
	for {
		from := strings.Index(sheet, "/*")
		if from < 0 {
			break
		}
		to := strings.Index(sheet[from+2:], "*/")
		if to < 0 {
			sheet = sheet[:from]
			break
		}
		sheet = sheet[:from] + sheet[from+2+to+2:]
	}
	for _, part := range strings.Split(sheet, "}") {
		selectors, body, found := strings.Cut(part, "{")
		if !found || strings.Contains(selectors, "@") {
			continue
		}
		sets := declarations(body)
		for _, s := range strings.Split(selectors, ",") {
			if r, ok := selector(strings.TrimSpace(s)); ok {
				r.sets = sets
				out = append(out, r)
			}
		}
	}
	return out
}

func selector(s string) (r rule, ok bool) {
	if s == "" || strings.ContainsAny(s, " >+~[:\t\n") {
		return r, false
	}
	for s != "" {
		end := len(s)
		if i := strings.IndexAny(s[1:], ".#"); i >= 0 {
			end = i + 1
		}
		switch s[0] {
		case '.':
			r.classes = append(r.classes, s[1:end])
			r.weight += 10
		case '#':
			r.id = s[1:end]
			r.weight += 100
		case '*':
		default:
			r.name = s[:end]
			r.weight++
		}
		s = s[end:]
	}
	return r, true
}

func (r rule) meets(e *element) bool {
	if r.name != "" && r.name != e.name || r.id != "" && r.id != e.attr["id"] {
		return false
	}
	if len(r.classes) == 0 {
		return true
	}
	has := strings.Fields(e.attr["class"])
	return !slices.ContainsFunc(r.classes, func(c string) bool { return !slices.Contains(has, c) })
}

// reference is the id in url(#id), and what to take where it is missing; said where it
// lies elsewhere.
func (r *reader) reference(s string) (id, instead string, is bool) {
	rest, is := strings.CutPrefix(s, "url(")
	if !is {
		return "", s, false
	}
	name, instead, _ := strings.Cut(rest, ")")
	name = strings.Trim(strings.TrimSpace(name), `"'`)
	id, inside := strings.CutPrefix(name, "#")
	if !inside {
		r.note("a reference to another file")
		id = ""
	}
	return id, strings.TrimSpace(instead), true
}
