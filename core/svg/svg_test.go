package svg

import (
	"fmt"
	"math"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// draws reads a drawing with what stands between its first and its last tag.
func draws(t *testing.T, inside string) *Drawing {
	t.Helper()
	d, err := Read([]byte(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">` + inside + `</svg>`))
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func TestWhatCouldRunOrBeFetchedIsLeftOutAndSaid(t *testing.T) {
	const square = `<rect width="50" height="50" fill="#ff0000"/>`
	for inside, says := range map[string]string{
		`<script>alert(1)</script>`:                                      "a script",
		`<rect width="1" height="1" onclick="x()"/>`:                     "a script",
		`<a href="https://a.example"><rect width="1" height="1"/></a>`:   "a link",
		`<image href="https://a.example/b.png" width="9" height="9"/>`:   "an embedded picture",
		`<use href="other.svg#a"/>`:                                      "a reference to another file",
		`<rect width="9" height="9" fill="url(https://a.example/#b)"/>`:  "a reference to another file",
		`<text x="3" y="3">Sale</text>`:                                  "text (make outlines of it)",
		`<rect width="9" height="9" filter="url(#a)"/>`:                  "a filter",
		`<foreignObject><p xmlns="x">Hi</p></foreignObject>`:             "an embedded page",
		`<g id="a"><use href="#a"/></g>`:                                 "something that shows itself",
		`<path d="M0 0L9 9 L NaN 4 L 3 3"/>`:                             "the rest of a path after a mistake in it",
		`<sparkle/>`:                                                     "what is called sparkle",
		`<rect width="9" height="9"><animate attributeName="x"/></rect>`: "",
	} {
		d := draws(t, square+inside)
		if says != "" && !slices.Contains(d.Notes, says) {
			t.Errorf("%s is left out without saying %q: %v", inside, says, d.Notes)
		}
		if p := d.Draw(100, 100).Pix[2525]; p != 0xFF0000FF { // red, at 25, 25
			t.Errorf("with %s the square is %08x", inside, p)
		}
	}
}

// Files that were made to do harm end in a sentence, and at once.
func TestHarmfulDrawingsAreRefused(t *testing.T) {
	deep := strings.Repeat("<g>", 500) + `<rect width="9" height="9"/>` + strings.Repeat("</g>", 500)
	var laughs strings.Builder
	laughs.WriteString(`<rect id="a0" width="9" height="9"/>`)
	for i := range 16 {
		fmt.Fprintf(&laughs, `<g id="a%d">%s</g>`, i+1, strings.Repeat(fmt.Sprintf(`<use href="#a%d"/>`, i), 10))
	}
	const open = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">`
	for name, c := range map[string]struct{ file, says string }{
		"entities of entities": {`<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;">]>` + open + `<rect width="&b;" height="9"/></svg>`, "entities"},
		"an unknown entity":    {open + `<rect width="&b;"/></svg>`, "cannot be read"},
		"groups in groups":     {open + deep + `</svg>`, "ungroup"},
		"uses of uses":         {open + laughs.String() + `</svg>`, "parts: simplify"},
		"many parts":           {open + strings.Repeat(`<rect width="1" height="1"/>`, 30_000) + `</svg>`, "parts: simplify"},
		"many points":          {open + `<path d="M0 0` + strings.Repeat("l1 1-1 0", 200_000) + `"/></svg>`, "points: simplify"},
		"many large parts":     {open + strings.Repeat(`<rect width="100" height="100" opacity=".5"/>`, 5000) + `</svg>`, "over one another"},
		"a huge file":          {open + strings.Repeat(" ", MaxBytes) + `</svg>`, "larger than 5 MB"},
		"nothing":              {``, "empty"},
		"half a file":          {open + `<rect width="9"`, "cannot be read"},
		"another language":     {`<html><body/></html>`, "not a drawing"},
		"no size":              {`<svg xmlns="http://www.w3.org/2000/svg" width="0" height="0"><rect width="9" height="9"/></svg>`, "no size"},
		"nothing to be seen":   {open + `<rect width="9" height="9" fill="none"/><text>Sale</text></svg>`, "left out: text"},
		"NaN alone":            {open + `<path d="MNaN NaN"/></svg>`, "nothing in it can be seen"},
		"another alphabet":     {`<?xml version="1.0" encoding="utf-16"?>` + open + `</svg>`, "UTF-8"},
	} {
		if _, err := Read([]byte(c.file)); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something with %q", name, err, c.says)
		}
	}
}

// What has a gradient of one colour, no stops, no length or endless dashes is drawn
// sensibly.
func TestOddInksAreDrawn(t *testing.T) {
	for inside, want := range map[string]uint32{
		`<linearGradient id="a"><stop stop-color="#0000ff"/></linearGradient><rect width="99" height="99" fill="url(#a)"/>`:                                               0xFFFF0000,
		`<linearGradient id="a" x2="0"><stop stop-color="#00ff00"/><stop offset="1" stop-color="#0000ff"/></linearGradient><rect width="99" height="99" fill="url(#a)"/>`: 0xFFFF0000,
		`<radialGradient id="a" r="0"><stop stop-color="#00ff00"/><stop offset="1" stop-color="#0000ff"/></radialGradient><rect width="99" height="99" fill="url(#a)"/>`:  0xFFFF0000,
		`<rect width="99" height="99" fill="url(#b) #0000ff"/>`:                                                                                                              0xFFFF0000,
		`<rect width="99" height="99" fill="#00f" stroke="red" stroke-dasharray="1e-6" stroke-dashoffset="1e6"/>`:                                                            0xFFFF0000,
		`<clipPath id="a"/><rect width="99" height="99" fill="#00f"/><rect clip-path="url(#a)" width="99" height="99" fill="red"/>`:                                          0xFFFF0000,
		`<rect width="99" height="99" fill="#00f"/><rect width="99" height="99" fill="red" transform="scale(0)"/>`:                                                           0xFFFF0000,
		`<rect width="99" height="99" fill="#00f" transform="skewX(nonsense) oh"/>`:                                                                                          0xFFFF0000,
		`<rect width="99" height="99" fill="#00f"/><rect width="99" height="99" transform="matrix(1e6 0 0 1e6 -1e6 -1e6)" fill="none" stroke="#f00" stroke-dasharray=".1"/>`: 0xFFFF0000,
	} {
		if got := draws(t, inside).Draw(100, 100).Pix[5050]; got != want {
			t.Errorf("%s is %08x in the middle, want %08x", inside, got, want)
		}
	}
}

// The length of an arc's curves and where they lie follow from the circle.
func TestArcsLieOnTheirCircle(t *testing.T) {
	p, ok := pathData("M10 0A10 10 0 1 1 0-10")
	if !ok || len(p) != 4 { // three quarters
		t.Fatalf("%v: %v", ok, p)
	}
	for _, s := range p {
		at := s.P[s.Points()-1]
		if r := math.Hypot(at[0], at[1]); math.Abs(r-10) > 1e-9 {
			t.Errorf("%v lies %g from the middle", at, r)
		}
	}
}

func FuzzRead(f *testing.F) {
	files, _ := filepath.Glob("testdata/*.svg")
	for _, name := range files {
		file, err := os.ReadFile(name)
		if err != nil {
			f.Fatal(err)
		}
		f.Add(file)
	}
	f.Fuzz(func(t *testing.T, file []byte) {
		d, err := Read(file)
		if err != nil {
			return
		}
		b := d.Draw(16, 16)
		for i, p := range b.Pix {
			if a := p >> 24; p&255 > a || p>>8&255 > a || p>>16&255 > a {
				t.Fatalf("pixel %d is %08x, brighter than it covers", i, p)
			}
		}
		layers, _, err := d.Layers("Drawing", 500)
		if err == nil && len(layers) < 2 {
			t.Fatal("a drawing without figures")
		}
	})
}
