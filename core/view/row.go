package view

import (
	"fmt"
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/moves"
	"billow/core/timing"
	"billow/core/words"
)

// Row is one layer.
type Row struct {
	Layer    string   `json:"layer"`
	Scene    string   `json:"scene"` // the scene in which it is; none is over or beneath all of them
	Depth    int      `json:"depth"` // how many groups it is in
	From     int      `json:"from"`
	To       int      `json:"to"`
	Start    int      `json:"start"`            // of its scene: the frame from which its moments count
	First    float64  `json:"first"`            // and the beat
	Shows    string   `json:"shows"`            // the product that it shows
	Speaks   string   `json:"speaks,omitempty"` // what its words would show once a field is put in: a product, or the slot
	Tracks   []Track  `json:"tracks"`
	Differ   []string `json:"differ"`             // shapes in which it has a rest of its own
	Lacks    string   `json:"lacks"`              // letters that no font has
	Unfilled []string `json:"unfilled,omitempty"` // names in braces that nothing fills
	LeftOut  bool     `json:"leftOut,omitempty"`  // it is not shown: all that its words speak of is what their product does without
	Doubts   []string `json:"doubts,omitempty"`   // claims of its words that do not agree with the prices
	Hasty    string   `json:"hasty"`              // why its words cannot be read in time, if they cannot
	Moves    []Span   `json:"moves"`
	Lineup   *Lineup  `json:"lineup,omitempty"`
}

// Lineup is what a person has to know of a group's line-up.
type Lineup struct {
	Unsure  []string `json:"unsure"`  // words that were paired with products by their order
	ByHand  int      `json:"byHand"`  // keys that were set by hand and stay, whatever it says
	Waiting int      `json:"waiting"` // products for which there is no hit
}

// Comes and Goes are the kinds of spans in which words come into sight and go.
const (
	Comes = "comes"
	Goes  = "goes"
)

// Span is when a move of the layer goes on, or its words come or go.
type Span struct {
	ID   string `json:"id"`
	Kind string `json:"kind"`
	From int    `json:"from"`
	To   int    `json:"to"`
}

// Track is one property with keys.
type Track struct {
	Property string    `json:"property"`
	Dim      int       `json:"dim"` // the number of the value that is drawn
	Lo       float64   `json:"lo"`  // its range
	Hi       float64   `json:"hi"`
	Beads    []Bead    `json:"beads"`
	String   []float64 `json:"string"`         // the real curve: frame, height, frame, height ...
	Speed    []float64 `json:"speed"`          // frame, share of the peak ...
	Peak     *Peak     `json:"peak,omitempty"` // where it changes fastest
	Creeps   []Creep   `json:"creeps"`
}

// Bead is a key.
type Bead struct {
	Frame  int       `json:"frame"`
	When   string    `json:"when"`   // the moment as it is written
	Height float64   `json:"height"` // of its value within the track's range, 0..1
	OnBeat bool      `json:"onBeat"`
	Off    string    `json:"off"`
	Text   string    `json:"text"` // its value in words
	Ease   string    `json:"ease"`
	Curve  []float64 `json:"curve,omitempty"` // x1, y1, x2, y2 of the string to the next bead where it is a Bezier
	Move   string    `json:"move"`
}

// Peak is the fastest moment of a track.
type Peak struct {
	Frame int    `json:"frame"`
	Text  string `json:"text"`
	Fast  bool   `json:"fast"` // too fast for the eye to follow
}

// Creep is a stretch in which a thing moves slowly that should rest.
type Creep struct {
	From int    `json:"from"`
	To   int    `json:"to"`
	Text string `json:"text"`
}

func row(c *clip.Clip, l *clip.Layer, depth int, stage *frame.Stage, open bool) Row {
	from, to := c.Span(l)
	clock, scene := c.Clock(), ""
	if p, ok := c.SceneOf(l); ok {
		clock, scene = p.Clock(c), p.ID
	}
	r := Row{
		Layer: l.ID, Scene: scene, Depth: depth, From: from, To: to, Start: clock.Start, First: clock.First, Tracks: []Track{}, Differ: []string{},
		Lacks: stage.Missing(l.ID), Moves: []Span{},
	}
	if p := c.ProductOf(l); p != nil {
		r.Shows = p.ID
	}
	if l.Words != nil {
		of := c.SubjectOf(l)
		r.Unfilled, r.LeftOut = words.Unfilled(l.Words, of), words.LeftOut(l.Words, of)
		r.Speaks = c.SpokenOf(l.ID, from)
		for _, m := range words.Doubts(l.Words, of) {
			r.Doubts = append(r.Doubts, m.Says)
		}
	}
	for _, s := range c.Shapes {
		if _, ok := l.Rests[s.ID]; ok {
			r.Differ = append(r.Differ, s.ID)
		}
	}
	for _, p := range l.Properties() {
		if t := l.Tracks[p.Name]; len(t) > 0 {
			curve := stage.Curve(l.ID, p.Name)
			r.Tracks = append(r.Tracks, track(c, clock, p, t, curve, open, open || len(r.Tracks) == 0))
		}
	}
	if l.Lineup != nil {
		r.Lineup = &Lineup{Unsure: c.Unsure(l), ByHand: moves.ByHand(c, l), Waiting: moves.Waiting(c, l)}
	}
	for _, m := range l.Moves {
		from, to := moves.Span(c, l, m)
		r.Moves = append(r.Moves, Span{m.ID, m.Kind, from, to})
	}
	if needs, has := stage.Reading(l.ID); has < needs {
		r.Hasty = fmt.Sprintf("It takes %.1f s to read this; it stands for %.1f s", needs, has)
	}
	for _, kind := range []string{Comes, Goes} {
		if from, to, ok := stage.Passage(l.ID, kind == Goes); ok {
			r.Moves = append(r.Moves, Span{kind, kind, from, to})
		}
	}
	return r
}

func lightRow(c *clip.Clip, open bool) Row {
	r := Row{Layer: clip.LightID, To: c.Length, Tracks: []Track{}, Differ: []string{}, Moves: []Span{}}
	for _, p := range clip.LightProperties {
		if t := c.Light.Tracks[p.Name]; len(t) > 0 {
			r.Tracks = append(r.Tracks, track(c, c.Clock(), p, t, clip.Curve(p.Name, t, c.Clock()), open, true))
		}
	}
	return r
}

// track samples the value that a person would name: for a position, the axis
// on which it moves farther.
func track(c *clip.Clip, clock timing.Clock, p clip.Property, keys motion.Track, curve *motion.Curve, open, strings bool) Track {
	t := Track{Property: p.Name, Beads: []Bead{}, String: []float64{}, Speed: []float64{}, Creeps: []Creep{}}
	points := samples(curve)
	values := make([][4]float64, len(points))
	for i, f := range points {
		values[i] = curve.Sample(f)
	}
	t.Lo, t.Hi, t.Dim = spanOf(values, p.Dims)
	for i, k := range keys {
		f := curve.Frame(i)
		b := Bead{
			Frame: int(f), When: clock.Text(k.At), Height: round(t.height(curve.At(f, t.Dim))), OnBeat: k.At.OnBeat, Off: k.Off,
			Text: text(p, curve.Value(i), k.Off), Ease: k.Ease.Kind, Move: k.Move,
		}
		if open && i+1 < len(keys) {
			b.Curve = bezier(k.Ease)
		}
		t.Beads = append(t.Beads, b)
	}
	if strings {
		t.String = make([]float64, 0, 2*len(points))
		for i, f := range points {
			t.String = append(t.String, round(f), round(t.height(values[i][t.Dim])))
		}
		t.warn(c.Rate, p, curve)
	}
	if open {
		t.speeds(curve)
	}
	return t
}

func round(v float64) float64 { return math.Round(v*1000) / 1000 }

func (t *Track) height(v float64) float64 {
	if t.Hi-t.Lo < 1e-9 {
		return 0.5
	}
	return (v - t.Lo) / (t.Hi - t.Lo)
}

// samples are the frames at which a string is drawn: at the keys, and between
// them where it is not straight.
func samples(c *motion.Curve) []float64 {
	var out []float64
	for i := range c.Len() {
		f := c.Frame(i)
		out = append(out, f)
		if i+1 == c.Len() {
			break
		}
		next := c.Frame(i + 1)
		switch c.Ease(i).Kind {
		case motion.Linear:
		case motion.Hold:
			out = append(out, next-0.001)
		default:
			n := int(min(next-f, 14))
			switch c.Ease(i).Kind {
			case motion.Spring, motion.Bounce, motion.Steps:
				n = int(min(2*(next-f), 90))
			}
			for k := 1; k < n; k++ {
				out = append(out, f+(next-f)*float64(k)/float64(n))
			}
		}
	}
	return out
}

// spanOf is the range of the number that changes most.
func spanOf(values [][4]float64, dims int) (lo, hi float64, dim int) {
	for d := range dims {
		a, b := math.Inf(1), math.Inf(-1)
		for i := range values {
			a, b = min(a, values[i][d]), max(b, values[i][d])
		}
		if d == 0 || b-a > hi-lo {
			lo, hi, dim = a, b, d
		}
	}
	return lo, hi, dim
}

// bezier is an easing as the control points of a cubic Bezier, if it is one.
func bezier(e motion.Ease) []float64 {
	switch e.Kind {
	case motion.Linear:
		return []float64{0, 0, 1, 1}
	case motion.In:
		return []float64{0.42, 0, 1, 1}
	case motion.Out:
		return []float64{0, 0, 0.58, 1}
	case motion.InOut:
		return []float64{0.42, 0, 0.58, 1}
	case motion.Bezier:
		return []float64{e.X1, e.Y1, e.X2, e.Y2}
	}
	return nil
}

// Limits for warnings: how much a creep has to change in all, and from what
// change a second on a movement is too fast for the eye, by property.
var (
	leastCreep = map[string]float64{clip.Position: 2, clip.X: 2, clip.Y: 2, clip.Scale: 1, clip.Rotation: 0.5, clip.Lift: 4}
	tooFast    = map[string]float64{clip.Position: 9000, clip.X: 9000, clip.Y: 9000, clip.Rotation: 1080, clip.Scale: 1500}
)

// warn marks creeps and the fastest moment.
func (t *Track) warn(rate timing.Rate, p clip.Property, c *motion.Curve) {
	least, ok := leastCreep[p.Name]
	if !ok {
		return
	}
	for _, cr := range c.Creeps(int(rate)*3/4, least) {
		t.Creeps = append(t.Creeps, Creep{cr.From, cr.To, "creeps " + amount(p, cr.Change) + " in " + rate.Timecode(cr.To-cr.From)})
	}
	peak, at := 0.0, 0
	for i := 0; i+1 < c.Len(); i++ {
		if k := c.Ease(i).Kind; k == motion.Hold || k == motion.Steps || c.Distance(i) == 0 {
			continue
		}
		from, to := int(c.Frame(i)), int(c.Frame(i+1))
		for f := from; f < to; f += max(1, (to-from)/8) {
			if v := c.Speed(float64(f) + 0.5); v > peak {
				peak, at = v, f
			}
		}
	}
	if peak > 0 {
		speed := peak * float64(rate)
		t.Peak = &Peak{at, amount(p, speed) + " a second", speed > tooFast[p.Name] && tooFast[p.Name] > 0}
	}
}

// speeds is the curve of how fast the value changes, as shares of its peak.
func (t *Track) speeds(c *motion.Curve) {
	if c.Len() < 2 {
		return
	}
	first, last := c.Frame(0), c.Frame(c.Len()-1)
	step := max(1, (last-first)/200)
	var speeds []float64
	before := c.Sample(first)
	for f := first + step; f <= last; f += step {
		now := c.Sample(f)
		sum := 0.0
		for d := range now {
			sum += (now[d] - before[d]) * (now[d] - before[d])
		}
		speeds = append(speeds, math.Sqrt(sum))
		before = now
	}
	peak := slices.Max(append(speeds, 0))
	if peak == 0 {
		return
	}
	for i, v := range speeds {
		t.Speed = append(t.Speed, round(first+(float64(i)+0.5)*step), round(v/peak))
	}
}
