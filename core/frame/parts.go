package frame

import (
	"math"

	"billow/core/graph"
	"billow/core/motion"
	"billow/core/paint"
	"billow/core/words"
)

// part is a part of words on its way: its picture, how it lies in the layer's own units, and
// its opacity.
type part struct {
	node    *graph.Node
	m       paint.Affine
	opacity float64
}

// onTheWay is words of which not all stand where they belong.
type onTheWay struct {
	parts []part // from the back to the front
	look  look
	slid  [2]float64 // by which all of them lie elsewhere
	come  float64    // how much of them is there, 0..1
}

// partsOf makes them.
type partsOf struct {
	s     *Stage
	a     *actor
	k     look
	block *words.Block
	all   []words.Part
	w     lettering
	key   graph.Key
	per   float64
	aside float64 // by which all lie to the right
	at    passing
}

// partsAt are the parts of a layer's words on one of its frames; ok is false while all stand
// where they belong.
func (s *Stage) partsAt(a *actor, env around) (out onTheWay, ok bool) {
	if w := a.layer.Words; w == nil || w.Comes == nil && w.Goes == nil {
		return out, false
	}
	k, slid := s.lookAt(a, env)
	held, _, _, _ := s.held(a, env.frame)
	w := s.wordedAt(a, k, held)
	key, block := w.key, s.blockOf(a, w)
	m := partsOf{s: s, a: a, k: k, w: w, block: block, per: s.raster(a, block.W, block.H), aside: spreads(a, w.words, block) + slid[0]}
	m.at, ok = s.passingAt(a, env.frame, func(by string) []words.Part {
		m.all = *cached(s.lib, key.Text("parts"+by), func(p *[]words.Part) int { return 128 * len(*p) }, func() *[]words.Part {
			all := block.Parts(by)
			return &all
		})
		return m.all
	})
	if !ok {
		return out, false
	}
	out.look, out.slid = k, slid
	switch {
	case m.at.Counts && !m.at.goes:
		m.count(&key)
	case m.at.Scrambles:
		m.scramble(&key)
	}
	m.key = key.Nums(m.per, k.pen.Width, k.pen.Start, k.pen.End).Text(m.at.By)
	if p := w.words.Plate; p != nil && p.Kind == "lines" {
		out.parts = m.cards(slid[1])
	} else if plate := block.Plate(); len(plate.Shapes) > 0 {
		out.parts = append(out.parts, m.plate(plate, slid[1]))
	}
	for i := range m.all {
		if p, shown := m.part(i); shown {
			p.m = p.m.Then(paint.Translate(m.aside, slid[1]))
			out.parts = append(out.parts, p)
			out.come += p.opacity / float64(len(m.all))
		}
	}
	if n := m.at.newest(); n >= 0 && m.at.caretOn(float64(s.clip.Rate)) {
		out.parts = append(out.parts, m.caret(n))
	}
	return out, true
}

// plate is the shape behind all words.
func (m *partsOf) plate(plate *words.Block, down float64) part {
	out := part{m.drawn(m.key.Text("plate"), words.Ink{}, func() *words.Block { return plate }), paint.Translate(m.aside, down), 1}
	if m.w.words.Plate.Follows {
		there := m.at.plate(float64(m.s.clip.Rate))
		box := plate.Shapes[0].Path.Bounds()
		x, y := (box[0]+box[2])/2, (box[1]+box[3])/2
		k := 0.7 + 0.3*growing.At(there)
		out.m = paint.Translate(-x, -y).Then(paint.Scale(k, k)).Then(paint.Translate(x, y)).Then(out.m)
		out.opacity = clamped(2 * there)
	}
	return out
}

// growing is how a plate grows that comes with its words.
var growing = motion.Ease{Kind: motion.Bezier, X1: 0.16, Y1: 0.84, X2: 0.28, Y2: 1}

// count sets the words anew with numbers as far as they have come.
func (m *partsOf) count(key *graph.Key) {
	there, _ := m.at.there(0)
	steps := 1000.0
	if m.at.Rolls {
		steps = 20000 // digits are seen between two of them
	}
	share := math.Floor(steps*clamped(there)) / steps
	*key = key.Text("counting").Nums(share)
	before, w := m.block, m.w
	w.key, w.at.Counting = *key, &words.Counting{Share: share, From: m.at.CountsFrom, Rolls: m.at.Rolls}
	m.block = m.s.blockOf(m.a, w)
	if m.all = m.block.Parts("whole"); m.at.Rolls {
		m.all = m.block.Parts("line") // each is cut to itself
	}
	m.aside += spreads(m.a, w.words, m.block) - spreads(m.a, w.words, before)
}

// flickers is how many frames other letters stand for one that has not come.
const flickers = 2

// scramble sets the words anew with other letters for those that have not come.
func (m *partsOf) scramble(key *graph.Key) {
	right := make([]bool, len(m.all))
	mixed := words.Scrambled{Seed: m.at.Seed, Step: int(m.at.frame) / flickers, Right: right}
	*key = key.Text("scrambled").Word(uint64(mixed.Step))
	for i := range right {
		there, _ := m.at.there(i)
		right[i] = there >= 1
		*key = key.Word(uint64(map[bool]int{true: 1}[right[i]]))
	}
	before, w := m.block, m.w
	w.key, w.at.Scrambled = *key, &mixed
	block := m.s.blockOf(m.a, w)
	if all := block.Parts("letter"); len(all) == len(m.all) {
		m.block, m.all = block, all
		m.aside += spreads(m.a, w.words, block) - spreads(m.a, w.words, before)
	}
}

// drawn is a part's picture, on the grid of pixels of the whole. Most are kept already, so
// it is only made when it is drawn.
func (m *partsOf) drawn(key graph.Key, ink words.Ink, block func() *words.Block) *graph.Node {
	whole, per := m.block, m.per
	return graph.Source(key, func() *paint.Sheet {
		picture, x0, y0 := block().RasterIn(whole, per, ink)
		return paint.NewSheet(picture, x0*per, y0*per, per)
	})
}

// cards are those behind the lines: each is uncovered from where its line is read from, as far
// as the line's parts have come.
func (m *partsOf) cards(down float64) (out []part) {
	there, count := map[int]float64{}, map[int]float64{}
	for i, p := range m.all {
		count[p.Line]++
		if t, shown := m.at.there(i); shown {
			there[p.Line] += clamped(t)
		}
	}
	for i, card := range m.block.Plate().Shapes {
		share := 1.0
		if n := count[card.Line]; n > 0 && len(m.all) > 1 {
			share = there[card.Line] / n
		} else if len(m.all) == 1 { // all comes at once
			share = there[m.all[0].Line]
		}
		if share <= 0 {
			continue
		}
		node := m.drawn(m.key.Text("card").Word(uint64(i)), words.Ink{}, func() *words.Block {
			return &words.Block{Size: m.block.Size, Shapes: []words.Shape{card}}
		})
		if share < 1 {
			const beyond = 1e5
			box := card.Path.Bounds()
			node = graph.Filtered(node, graph.Cut{Left: -beyond, Top: -beyond, Right: box[0] + (box[2]-box[0])*share, Bottom: beyond, At: paint.Identity()})
		}
		out = append(out, part{node, paint.Translate(m.aside, down), 1})
	}
	return out
}

// like is the shape in which a part's first letter is.
func (m *partsOf) like(p words.Part) words.Shape {
	return m.block.Shapes[m.block.Glyphs[p.Glyphs[0]].Shape]
}

// look is a part with the colour and the outline that it has so far from its place.
func (m *partsOf) look(i int, there float64) *graph.Node {
	whole, p, tint, solid := m.block, m.all[i], 0, 1.0
	key, ink := m.key.Text("part").Word(uint64(i)), m.w.ink(m.k, whole)
	if m.at.Afar.Colour != nil {
		tint = int(math.Round(16 * clamped(1-there)))
		key = key.Word(uint64(tint))
	}
	if m.at.Drawn && there < 1 {
		// First the outline, in the letters' own colour where they have none, then what it holds.
		step := math.Floor(64*clamped(there)) / 64
		key = key.Text("drawn").Nums(step)
		if ink.Pen.None() {
			ink.Pen.Width, ink.Outline = whole.Size*0.02, m.like(p).Fill
		}
		ink.Pen.Start, ink.Pen.End, solid = 0, clamped(step/0.75), clamped((step-0.6)/0.4)
	}
	if shade := ink.Shade; shade != nil && (tint > 0 || solid < 1) {
		mixed := paint.Mixed{Share: tint, Opacity: int(256*solid + 0.5)}
		if tint > 0 {
			mixed.With = *m.at.Afar.Colour
		}
		ink.Shade = func(box paint.Box) paint.Shader {
			mixed := mixed
			mixed.Shader = shade(box)
			return mixed
		}
	}
	return m.drawn(key, ink, func() *words.Block {
		b := whole.Only(p)
		if tint > 0 {
			b = b.Tinted(*m.at.Afar.Colour, tint)
		}
		if solid < 1 {
			b = b.Faint(solid)
		}
		return b
	})
}

// part is one as it is on the frame.
func (m *partsOf) part(i int) (out part, shown bool) {
	there, shown := m.at.there(i)
	if !shown {
		return out, false
	}
	p, afar, far := m.all[i], m.at.Afar, 1-there
	rolls := m.at.Rolls && m.at.Counts && !m.at.goes
	out.node = m.look(i, there)
	size := m.block.Size / 100
	if blur := afar.Blur * size * far; blur > 0.2 {
		out.node = softened(out.node, blur, 1)
	}
	if rolls {
		const beyond = 1e5
		out.node = graph.Filtered(out.node, graph.Cut{Left: -beyond, Top: p.Y0, Right: beyond, Bottom: p.Y1, At: paint.Identity()})
	}
	dx, dy := 0.0, 0.0
	if m.at.Wiped {
		m.wiped(&out, p, there)
	} else {
		dx, dy = m.cut(&out, p, far)
	}
	k := 1 + (afar.Size/100-1)*far
	if k <= 0 {
		return out, false
	}
	x, y := (p.X0+p.X1)/2, p.Foot-0.35*m.block.Size
	turned := paint.Scale(k, k)
	if p.Turn != 0 { // it comes along its own upright
		y = (p.Y0 + p.Y1) / 2
		turned = paint.Rotate(-p.Turn).Then(turned)
	}
	if afar.Skew != 0 {
		turned = turned.Then(paint.Affine{A: 1, C: -math.Tan(afar.Skew * far * math.Pi / 180), D: 1})
	}
	turned = turned.Then(paint.Rotate(afar.Turn * far))
	dx += afar.X * size * far
	if afar.Apart != 0 {
		dx += (x - m.middle(p.Line)) * afar.Apart / 100 * far
	}
	dy += afar.Y * size * far
	if p.Turn != 0 {
		turned = turned.Then(paint.Rotate(p.Turn))
		dx, dy = paint.Rotate(p.Turn).Apply(dx, dy)
	}
	out.m = paint.Translate(-x, -y).Then(turned).Then(paint.Translate(x+dx, y+dy))
	out.opacity = clamped(afar.Opacity/100 + (1-afar.Opacity/100)*clamped(there))
	return out, true
}

// middle is that of a line, of the parts in it.
func (m *partsOf) middle(line int) float64 {
	x0, x1 := math.Inf(1), math.Inf(-1)
	for _, p := range m.all {
		if p.Line == line {
			x0, x1 = min(x0, p.X0), max(x1, p.X1)
		}
	}
	return (x0 + x1) / 2
}

// cut lets a part come from behind an edge of its own: so far it is moved, and what is
// beyond the edge is cut off.
func (m *partsOf) cut(out *part, p words.Part, far float64) (dx, dy float64) {
	const beyond = 1e5
	c := graph.Cut{Left: -beyond, Top: -beyond, Right: beyond, Bottom: beyond, At: paint.Identity()}
	switch m.at.Edge {
	case "below":
		dy = (p.Y1 - p.Y0) * far
		c.Bottom = p.Y1 - dy
	case "above":
		dy = -(p.Y1 - p.Y0) * far
		c.Top = p.Y0 - dy
	case "left":
		dx = -(p.X1 - p.X0) * far
		c.Left = p.X0 - dx
	case "right":
		dx = (p.X1 - p.X0) * far
		c.Right = p.X1 - dx
	default:
		return 0, 0
	}
	if far > 0 {
		out.node = graph.Filtered(out.node, c)
	}
	return dx, dy
}

// wiped uncovers a part along its edge.
func (m *partsOf) wiped(out *part, p words.Part, there float64) {
	if there >= 1 || m.at.Edge == "" {
		return
	}
	const beyond = 1e4
	sigma := m.at.Soft / 100 * m.block.Size / 3
	x0, x1, y0, y1 := -beyond, beyond, -beyond, beyond
	// The soft edge has to pass all of it.
	margin := 3*sigma + 0.2*m.block.Size
	along := func(from, to float64) float64 { return from + (to-from)*there }
	switch m.at.Edge {
	case "left":
		x1 = along(p.X0-margin, p.X1+margin)
	case "right":
		x0 = along(p.X1+margin, p.X0-margin)
	case "above":
		y1 = along(p.Y0-margin, p.Y1+margin)
	case "below":
		y0 = along(p.Y1+margin, p.Y0-margin)
	}
	side := paint.Corners(x1-x0, y1-y0, [4]float64{}).Transformed(paint.Translate((x0+x1)/2, (y0+y1)/2))
	out.node = graph.Filtered(out.node, graph.Masked{At: paint.Identity(), Finest: m.per, Parts: []graph.MaskPart{
		{Path: side, Feather: sigma, Nums: []float64{x0, x1, y0, y1}},
	}})
}

// caret is a bar behind a part.
func (m *partsOf) caret(i int) part {
	p, size := m.all[i], m.block.Size
	x := p.X1 + 0.05*size
	bar := func() *words.Block {
		return words.Bar(x, p.Foot-0.78*size, x+0.06*size, p.Foot+0.16*size, m.like(p))
	}
	return part{m.drawn(m.key.Text("caret").Word(uint64(i)), words.Ink{}, bar), paint.Translate(m.aside, 0), 1}
}

// addParts draws words that come or go: each part by itself where it can, and all as a whole
// where blending, a cut, an effect or a shadow ask for it.
func (p *Painter) addParts(out []*graph.Node, a *actor, env around, pose Pose, w onTheWay) []*graph.Node {
	s, k := p.stage, w.look
	blend := paint.BlendNamed(a.layer.Blend)
	shadow, mirrored := s.onGround(a, env.frame)
	var st stance
	if shadow > 0 || mirrored > 0 {
		pic, _ := s.picture(a, env) // of all that will stand there
		if b := s.stands(pic); len(b.rim) > 0 {
			st = s.stance(a, env, b, paint.Translate(w.slid[0], w.slid[1]), paint.Identity())
		} else {
			shadow, mirrored = 0, 0
		}
	}
	single := pose.Cast.None() && blend == paint.Normal && k.plain() && mirrored <= 0
	opacity := 1.0
	if single {
		opacity = pose.Opacity
	}
	poses := s.exposures(a, env, 1)
	var all []*graph.Node
	for _, one := range w.parts {
		on := graph.Placement{Opacity: opacity * one.opacity}
		s.put(&on, one.m, pose.M, poses, 0, 0)
		all = append(all, p.graph.Place(one.node, on))
	}
	if single {
		out = p.addContact(out, a, env, st, shadow, pose.Opacity*w.come)
		return append(out, all...)
	}
	_, size := spread(pose.M)
	within := space{at: paint.Translate(w.slid[0], w.slid[1]).Then(pose.M).Then(s.toPixels()), unit: size * s.scale}
	whole := s.dressed(graph.Stack(all), a, k, false, within)
	if mirrored > 0 {
		out = p.addGroupReflection(out, a, env, whole, st, pose.Opacity*mirrored)
	}
	out = p.addContact(out, a, env, st, shadow, pose.Opacity*w.come)
	out = p.addGroupShadow(out, a, env, whole, pose, size*s.scale)
	return append(out, p.graph.Place(whole, graph.Placement{At: paint.Identity(), Opacity: pose.Opacity, Blend: blend}))
}
