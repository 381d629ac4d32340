package legible

import (
	"math"

	"billow/core/clip"
	"billow/core/colour"
)

// A pair is the colours of words and of what is emphasised in them.
type pair struct{ fill, emphasis colour.Colour }

// forDark is what words on a dark ground begin with.
var forDark = pair{colour.RGB(0xFCFAF5), colour.RGB(0xF6C667)}

// Dress gives new words light colours where these differ more than their own from what fills the frame behind
// them when they begin, as far as that is colours: a picture is not looked at. Words on a plate have their ground
// with them.
func Dress(c *clip.Clip, l *clip.Layer) {
	if l.Words == nil || l.Words.Plate != nil {
		return
	}
	ground := ground(c, l)
	if len(ground) == 0 {
		return
	}
	best := 0.0
	for _, p := range []pair{{l.Words.Fill, l.Words.EmphasisFill}, forDark} {
		least := math.Inf(1)
		for _, g := range ground {
			least = min(least, colour.Contrast(p.fill, g))
		}
		if least > best {
			best, l.Words.Fill, l.Words.EmphasisFill = least, p.fill, p.emphasis
		}
	}
}

// ground is the colours of the foremost layer that fills the frame where another begins.
func ground(c *clip.Clip, l *clip.Layer) []colour.Colour {
	begin, _ := c.Span(l)
	for i := len(c.Layers) - 1; i >= 0; i-- {
		o := &c.Layers[i]
		if from, to := c.Span(o); !o.Is().Behind || o.Hidden || begin < from || begin >= to {
			continue
		}
		switch {
		case o.Backdrop != nil:
			return o.Backdrop.Colours()
		case o.Floor != nil:
			return []colour.Colour{o.Floor.Wall, o.Floor.Ground}
		case o.Cutout != nil:
			return nil
		}
	}
	return nil
}
