package edit

import (
	"cmp"
	"math"
	"slices"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/motion"
	"billow/core/timing"
)

// Stagger lets layers begin one after the other: each is moved with all its
// keys, so that its first key comes so many frames, or so much of a beat, after
// that of the one before it. The earliest of them stays where it is.
type Stagger struct {
	Typed
	Layers []string    `json:"layers"`
	By     int         `json:"by,omitempty"`    // frames between neighbours
	Beats  float64     `json:"beats,omitempty"` // the same in beats instead
	Order  string      `json:"order,omitempty"` // stack, reverse, centre, across or down
	Ease   motion.Ease `json:"ease"`            // of the offsets; empty is even
}

func (s *Stagger) apply(c *clip.Clip) error {
	if len(s.Layers) < 2 {
		return clip.Fault("layers", "choose at least two layers to stagger")
	}
	if s.Ease.Kind == "" {
		s.Ease.Kind = motion.Linear
	}
	if err := s.Ease.Check(); err != nil {
		return clip.Fault("ease", "%v", err)
	}
	if s.By < 0 || !(s.Beats >= 0 && s.Beats <= 1000) {
		return clip.Fault("by", "layers are staggered by 0 frames or beats, or more")
	}
	layers, err := s.ordered(c)
	if err != nil {
		return err
	}
	base := math.MaxInt
	for _, l := range layers {
		base = min(base, first(c, l))
	}
	clock := c.Clock()
	beat := clock.Beat(base)
	n := ranks(layers, s.Order)
	most := float64(slices.Max(n))
	for i, l := range layers {
		share := 0.0
		if most > 0 {
			share = s.Ease.At(float64(n[i])/most) * most
		}
		want := base + int(math.Round(share*float64(s.By)))
		if s.Beats > 0 {
			want = clock.Frame(timing.OnBeat(beat + share*s.Beats))
		}
		by := want - first(c, l)
		begin, end := room(c, l)
		if last := last(c, l) + by; last >= end {
			return clip.Fault("by", "staggered so far, %q would still move at frame %d, after the end at %d; stagger by less", l.Name, last, end)
		}
		if from, _ := c.Span(l); from+by < begin {
			by = max(by, begin-from)
		}
		if l.To != nil {
			to, own := l.To.Plus(by), c.ClockOf(l)
			if own.Frame(to) > end {
				to = own.At(end)
			}
			l.To = &to
		}
		shift(c, l, by)
	}
	return nil
}

// first is the frame of a layer's first key, or of its beginning.
func first(c *clip.Clip, l *clip.Layer) int {
	at, clock := math.MaxInt, c.ClockOf(l)
	for _, t := range l.Tracks {
		at = min(at, clock.Frame(t[0].At))
	}
	if at == math.MaxInt {
		at, _ = c.Span(l)
	}
	return at
}

// last is the frame of a layer's last key, or of its beginning.
func last(c *clip.Clip, l *clip.Layer) int {
	clock := c.ClockOf(l)
	at, _ := c.Span(l)
	for _, t := range l.Tracks {
		at = max(at, clock.Frame(t[len(t)-1].At))
	}
	return at
}

// ordered is the layers in the order in which they begin.
func (s *Stagger) ordered(c *clip.Clip) ([]*clip.Layer, error) {
	for _, id := range s.Layers {
		if _, err := find(c, id); err != nil {
			return nil, err
		}
	}
	var layers []*clip.Layer // from the front to the back, as the Beatline lists them
	for i := len(c.Layers) - 1; i >= 0; i-- {
		if slices.Contains(s.Layers, c.Layers[i].ID) {
			layers = append(layers, &c.Layers[i])
		}
	}
	centre := func(l *clip.Layer) (x, y float64) { return layout.Centre(l.Rest, c.Shapes[0]) }
	switch s.Order {
	case "stack", "centre":
	case "reverse":
		slices.Reverse(layers)
	case "across", "down":
		slices.SortStableFunc(layers, func(a, b *clip.Layer) int {
			ax, ay := centre(a)
			bx, by := centre(b)
			if s.Order == "down" {
				return cmp.Compare(ay, by)
			}
			return cmp.Compare(ax, bx)
		})
	default:
		return nil, clip.Fault("order", "layers are staggered by stack, reverse, centre, across or down, not %q", s.Order)
	}
	return layers, nil
}

// ranks counts how many steps after the first each layer begins: one after the
// other, or from the middle of the list outwards.
func ranks(layers []*clip.Layer, order string) []int {
	n := make([]int, len(layers))
	for i := range n {
		n[i] = i
		if order == "centre" {
			// 0 for the middle one or two, then 1 for their neighbours ...
			n[i] = abs(2*i-(len(n)-1)) / 2
		}
	}
	return n
}
