// Package preflight looks a clip over before it is exported.
package preflight

import (
	"fmt"
	"math"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/offer"
	"billow/core/words"
)

// Finding is what is wrong with a clip in a shape, or may be.
type Finding struct {
	Layer string `json:"layer,omitempty"` // by its name
	Says  string `json:"says"`            // a sentence
	Stops bool   `json:"stops,omitempty"` // it must not be posted so
}

// enlarged is how many times as large as it is a picture may be drawn.
const enlarged = 1.5

// Check looks over a clip in a shape; what can be seen on its poster frame, at, stands for how it
// looks.
func Check(c *clip.Clip, shape clip.Shape, at int, lib *frame.Library) []Finding {
	k := checker{c: c, shape: shape, at: at, stage: frame.Arrange(c, shape, lib), out: []Finding{}}
	for _, g := range frame.Gaps(c) {
		k.add(g.Layer, true, "%v", g)
	}
	for _, m := range frame.MissingLetters(c, lib) {
		k.add(m.Layer, false, "no font has the letters %s", m.Letters)
	}
	k.prices()
	for i := range c.Layers {
		if l := &c.Layers[i]; !l.Hidden {
			k.words(l)
			k.picture(l)
		}
	}
	k.places()
	return k.out
}

type checker struct {
	c     *clip.Clip
	shape clip.Shape
	at    int // the poster frame
	stage *frame.Stage
	out   []Finding
}

func (k *checker) add(layer string, stops bool, format string, a ...any) {
	k.out = append(k.out, Finding{layer, fmt.Sprintf(format, a...), stops})
}

// prices tells what does not agree in the terms of products that words speak of.
func (k *checker) prices() {
	seen := map[string]bool{}
	for i := range k.c.Layers {
		l := &k.c.Layers[i]
		p := k.c.ProductOf(l)
		if l.Words == nil || l.Hidden || p == nil || seen[p.ID] {
			continue
		}
		seen[p.ID] = true
		o, err := offer.New(p.Terms())
		if err != nil {
			continue // which no clip holds
		}
		for _, m := range o.Mistakes() {
			k.add("", m.Wrong, "%s: %s", p.Name, m.Says)
		}
	}
}

func (k *checker) words(l *clip.Layer) {
	if l.Words == nil {
		return
	}
	for _, m := range words.Doubts(l.Words, k.c.SubjectOf(l)) {
		k.add(l.Name, m.Wrong, "%s", m.Says)
	}
	if percent, fits := k.stage.Fitted(l.ID); !fits {
		k.add(l.Name, false, "the text does not fit its box even at %.0f%% of its size, the smallest that is allowed", percent)
	}
}

// picture tells of cut-outs without a picture, and of pictures that are drawn much larger than
// they are.
func (k *checker) picture(l *clip.Layer) {
	if l.Cutout == nil {
		return
	}
	p := k.c.PictureOf(l)
	if p == nil {
		if of := k.c.ProductOf(l); of != nil {
			k.add(l.Name, true, "%s has no picture", of.Name)
		}
		return
	}
	own := float64(max(p.Picture.Visible[2]-p.Picture.Visible[0], p.Picture.Visible[3]-p.Picture.Visible[1]))
	unit := float64(min(k.shape.W, k.shape.H)) / 1000
	for _, at := range k.stage.Places(k.at, []string{l.ID}) {
		if drawn := max(at.W, at.H) * unit; l.Cutout.Covering == nil && drawn > enlarged*own {
			k.add(l.Name, false, "the picture is %.0f pixels large and drawn at %.0f", own, math.Round(drawn))
		}
	}
}

// edge is how far words may reach over the frame's edge, units.
const edge = 1

// places tells of words that are cut off by the frame when most can be seen.
func (k *checker) places() {
	w, h := k.stage.Extent()
	for _, p := range k.stage.Places(k.at, nil) {
		l := k.c.Layer(p.Layer)
		if l.Words == nil || l.Repeat != nil || l.Kind == clip.KindMarquee || p.Opacity < 0.5 || words.Said(l.Words, k.c.SubjectOf(l)) == "" {
			continue
		}
		inner := 1.0
		if plate := l.Words.Plate; plate != nil && (plate.Kind == "disc" || plate.Kind == "burst") {
			inner = 0.7 // of a round plate the corners are empty
		}
		for _, c := range p.Corners {
			if math.Abs(p.X+inner*(c[0]-p.X)) > w/2+edge || math.Abs(p.Y+inner*(c[1]-p.Y)) > h/2+edge {
				k.add(l.Name, false, "the words reach over the edge of the picture")
				break
			}
		}
	}
}
