package pieces

import (
	"cmp"
	"math"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/palette"
	"billow/core/passages"
	"billow/core/timing"
)

// gently slows down for long, as what arrives does.
var gently = motion.Ease{Kind: motion.Bezier, X1: 0.16, Y1: 0.84, X2: 0.28, Y2: 1}

// loud is the colour of things that stand out, as words on a quiet card.
func (m *maker) loud() colour.Colour {
	return palette.Legible(m.colours.Plate, palette.ForThings, m.colours.Card)
}

// frames is a number of frames at 30 a second in those of the clip.
func (m *maker) frames(n int) int { return int(math.Round(float64(n) * float64(m.rate) / 30)) }

// at is a moment so many frames, at 30 a second, after the piece comes.
func (m *maker) at(n int) timing.Moment {
	if n == 0 && m.beat != nil {
		return *m.beat
	}
	return m.clock.At(m.frame + m.frames(n))
}

// add puts a layer in front of those that there are, at a place in units from the piece's
// middle.
func (m *maker) add(l clip.Layer, x, y, size float64) *clip.Layer {
	l.Group, l.Lift = m.group.ID, 0
	l.Rest = clip.Rest{Pin: "centre", X: x, Y: y, Size: size}
	m.layers = append(m.layers, l)
	return &m.layers[len(m.layers)-1]
}

// figure is one so wide and high.
func (m *maker) figure(id, name, form string, fill colour.Colour, x, y, w, h float64) *clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCard)
	l.Card = &clip.Card{Form: form, Aspect: w / h, Fill: fill, Outline: fill}
	return m.add(l, x, y, max(w, h))
}

// words are as large as they can be in a box, up to a size.
func (m *maker) words(id, name, text string, fill colour.Colour, x, y, w, h, size float64) *clip.Layer {
	l := clip.NewWords(id, name, clip.KindWords, text)
	l.Words.Fill, l.Words.EmphasisFill, l.Words.Product = fill, fill, m.in.Product
	l.Words.Width, l.Words.ByEdge, l.Words.LineSpacing = w, false, 92
	l.Words.Fit = &clip.Fit{Height: h, Smallest: 15, Largest: 100}
	return m.add(l, x, y, size)
}

// says is the text that was asked for, or one that speaks of the product, or a plain one.
func (m *maker) says(ofProduct, plain string) string {
	switch {
	case m.in.Text != "":
		return m.in.Text
	case m.in.Product != "":
		return ofProduct
	}
	return plain
}

// move gives a layer a move that begins so many frames after the piece comes.
func (m *maker) move(l *clip.Layer, kind string, after, length int, set func(v *clip.Move)) {
	k, _ := clip.MoveNamed(kind)
	v := clip.Move{ID: kind, Kind: kind, At: m.at(after), Length: m.frames(length), Strength: 100, Side: k.Side, Turn: k.Turn}
	if set != nil {
		set(&v)
	}
	l.Moves = append(l.Moves, v)
}

// come lets words come in a ready way.
func (m *maker) come(l *clip.Layer, way string, after int) *clip.Passage {
	p, _ := passages.Named(way, passages.Text{Lines: 1, Words: 3, Letters: 12}, m.rate, false)
	p.At = m.at(after)
	l.Words.Comes = &p
	return &p
}

// key is a key so many frames after the piece comes.
func (m *maker) key(after int, ease motion.Ease, value ...float64) motion.Key {
	return motion.Key{At: m.at(after), Value: value, Ease: ease}
}

// side is the one from which the piece opens: the one that was chosen, or its own.
func (m *maker) side(own string) string { return cmp.Or(m.in.Side, own) }

// grow lets a layer grow from a side of its own, or from its middle.
func (m *maker) grow(l *clip.Layer, side string, after, length int) {
	from := []float64{0, 100}
	pivot := map[string][]float64{"left": {-50, 0}, "right": {50, 0}, "above": {0, -50}, "below": {0, 50}}[side]
	if side == "above" || side == "below" {
		from = []float64{100, 0}
	}
	if pivot != nil {
		if l.Values == nil {
			l.Values = map[string][]float64{}
		}
		l.Values[clip.Pivot] = pivot
	}
	l.Tracks[clip.Scale] = motion.Track{m.key(after, gently, from...), m.key(after+length, gently, 100, 100)}
}

// values sets properties that have no keys.
func values(l *clip.Layer, property string, v ...float64) {
	if l.Values == nil {
		l.Values = map[string][]float64{}
	}
	l.Values[property] = v
}

// stand puts the piece somewhere: so far from a point of the frame.
func (m *maker) stand(pin string, x, y float64) {
	m.group.Rest = clip.Rest{Pin: pin, X: x, Y: y, Size: 1000}
}
