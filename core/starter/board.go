package starter

import (
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/motion"
	"billow/core/palette"
	"billow/core/timing"
)

// board is a clip that is being composed.
type board struct {
	c     *clip.Clip
	p     palette.Palette
	home  string // the shape that it is made for
	words map[string]string
}

// spots are where something rests, by shape.
type spots map[string]clip.Rest

// rest is a place: pin, units from there, and size.
func rest(pin string, x, y, size float64) clip.Rest {
	return clip.Rest{Pin: pin, X: x, Y: y, Size: size}
}

// turned turns all of them.
func (s spots) turned(degrees float64) spots {
	for id, r := range s {
		r.Turn = degrees
		s[id] = r
	}
	return s
}

// place puts a layer where it rests in each shape.
func (b *board) place(l *clip.Layer, s spots) {
	s["poster"] = between(s["portrait"], s["tall"])
	l.Rest = s[b.home]
	l.Rests = map[string]clip.Rest{}
	for id, r := range s {
		if id != b.home {
			l.Rests[id] = r
		}
	}
}

// between is where a layer stands in Poster, whose height lies between those of
// Portrait and Tall: 1500 units, 1250 and 1778.
func between(portrait, tall clip.Rest) clip.Rest {
	if portrait.Pin != tall.Pin {
		return portrait
	}
	mix := func(p, t float64) float64 { return p + (t-p)*(1500-1250)/(1000*16.0/9-1250) }
	r := portrait
	r.X, r.Y = mix(portrait.X, tall.X), mix(portrait.Y, tall.Y)
	r.Size, r.Turn = mix(portrait.Size, tall.Size), mix(portrait.Turn, tall.Turn)
	return r
}

// ground replaces the backdrop that a new clip has.
func (b *board) ground(angle float64) {
	back := b.c.Layer("backdrop")
	back.Name = "Ground"
	back.Backdrop = &clip.Backdrop{Fill: clip.Fill{Angle: angle, Stops: []clip.Stop{{At: 0, Colour: b.p.Top}, {At: 100, Colour: b.p.Bottom}}}}
}

// under puts layers beneath all scenes.
func (b *board) under(layers ...clip.Layer) { b.insert(b.sceneAt(0), layers) }

func (b *board) sceneAt(n int) int {
	for i := range b.c.Layers {
		if b.c.Layers[i].Kind == clip.KindScene {
			if n == 0 {
				return i
			}
			n--
		}
	}
	return len(b.c.Layers)
}

func (b *board) insert(at int, layers []clip.Layer) {
	rest := append([]clip.Layer{}, b.c.Layers[at:]...)
	b.c.Layers = append(append(b.c.Layers[:at:at], layers...), rest...)
}

// scene adds a scene of so many bars with its layers; the first takes the place of
// the one that a new clip has.
func (b *board) scene(id, name string, bars float64, product string, layers ...clip.Layer) {
	s := clip.NewScene(id, name, clip.Scene{Bars: bars, Product: product})
	if old := b.c.Layer("scene"); old != nil && old.Scene.Frames > 0 {
		s.ID = "scene"
		*old = s
	} else {
		b.c.Layers = append(b.c.Layers, s)
	}
	for i := range layers {
		layers[i].Group = s.ID
	}
	b.c.Layers = append(b.c.Layers, layers...)
}

func (b *board) cutout(id, name, prop string, lift float64, s spots) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCutout)
	l.Cutout = &clip.Cutout{Prop: prop}
	if prop == clip.ProductSlot {
		l.Cutout.Fitted = &clip.Fitted{Aspect: 1.1, Cover: 0.75}
	}
	l.Lift = lift
	b.place(&l, s)
	return l
}

// fitted is a cut-out of a product, as large as a picture of usual proportions
// would be in its place.
func (b *board) fitted(id string, product int, lift float64, s spots) clip.Layer {
	p := b.c.Products[product]
	k, _ := clip.Fitted{Aspect: 1.1, Cover: 0.75}.For(b.c.Prop(p.Prop).Picture.Fits())
	for shape, r := range s {
		r.Size *= k
		s[shape] = r
	}
	return b.cutout(id, p.Name, p.Prop, lift, s)
}

// text is words on the ground. width is where their lines break in Tall, in units;
// they break alike in all shapes.
func (b *board) text(id, name, says string, width float64, s spots) clip.Layer {
	l := clip.NewWords(id, name, clip.KindWords, says)
	l.Words.Fill, l.Words.EmphasisFill = b.p.Ink, b.p.Accent
	b.place(&l, s)
	l.Words.Width, l.Words.LineSpacing, l.Words.LetterSpacing = width*l.Rest.Size/s["tall"].Size, 98, -1
	return l
}

// badge is words on a plate that stands out.
func (b *board) badge(id, name, says, plate string, room float64, s spots) clip.Layer {
	l := clip.NewWords(id, name, clip.KindBadge, says)
	l.Words.Fill, l.Words.EmphasisFill = b.p.On, b.p.On
	l.Words.LineSpacing = 96
	l.Words.Plate = &clip.Plate{Kind: plate, Fill: b.p.Plate, Room: room}
	l.Lift = 28
	b.place(&l, s)
	return l
}

// label is words on a quiet plate.
func (b *board) label(id, name, says string, s spots) clip.Layer {
	l := b.badge(id, name, says, "card", 46, s)
	l.Words.Font, l.Words.EmphasisFont = "hanken-700", "hanken-900"
	l.Words.Fill, l.Words.EmphasisFill = b.p.OnCard, b.p.OnCard
	l.Words.Plate.Fill, l.Words.LineSpacing = b.p.Card, 120
	l.Lift = 16
	return l
}

func (b *board) card(id, name, form string, fill colour.Colour, lift float64, s spots) clip.Layer {
	l := clip.NewLayer(id, name, clip.KindCard)
	l.Card = &clip.Card{Form: form, Aspect: 1, Fill: fill, Outline: fill}
	l.Lift = lift
	b.place(&l, s)
	return l
}

// dots are a faint pattern on the ground.
func (b *board) dots() clip.Layer {
	l := clip.NewLayer("dots", "Dots", clip.KindPattern)
	l.Pattern = &clip.Pattern{Form: "disc", Fill: b.p.Ink.WithAlpha(0.07), Apart: 70, Size: 20, Shift: 50}
	return l
}

// moved gives a layer moves, which are named by their kinds.
func moved(l clip.Layer, list ...clip.Move) clip.Layer {
	for i := range list {
		list[i].ID = list[i].Kind
		if list[i].Strength == 0 {
			list[i].Strength = 100
		}
	}
	l.Moves = list
	return l
}

func lands(kind string, at timing.Moment, length int, side string, turn float64) clip.Move {
	return clip.Move{Kind: kind, At: at, Lands: true, Length: length, Side: side, Turn: turn}
}

func begins(kind string, at timing.Moment, length int, side string) clip.Move {
	return clip.Move{Kind: kind, At: at, Length: length, Side: side}
}

// appears lets a layer be there from a moment on, fading in.
func appears(l clip.Layer, at timing.Moment) clip.Layer {
	l.From = at
	l.Tracks[clip.Opacity] = motion.Track{
		{At: at, Value: []float64{0}, Ease: motion.Ease{Kind: motion.InOut}},
		{At: at.Plus(8), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Hold}},
	}
	return l
}

// drifts lets a layer grow slowly for as long as it is there.
func drifts(l clip.Layer, from, to timing.Moment, size float64) clip.Layer {
	l.Tracks[clip.Scale] = motion.Track{
		{At: from, Value: []float64{100}, Ease: motion.Ease{Kind: motion.InOut}},
		{At: to, Value: []float64{size}, Ease: motion.Ease{Kind: motion.Linear}},
	}
	return l
}

// bestOffer is the number of the product that is reduced most, -1 when none is.
func (b *board) bestOffer() int {
	best, most := -1, 0
	for i, p := range b.c.Products {
		if n := percentOff(p); n > most {
			best, most = i, n
		}
	}
	return best
}
