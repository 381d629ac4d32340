package clip

import (
	"fmt"
	"strings"

	"billow/core/motion"
	"billow/core/timing"
)

// Bounds is what Inside.Clip says of a group that is cut to its own bounds.
const Bounds = "bounds"

// Inside is the time and the edges of a group. The frame of its inside on a
// frame outside is counted from the group's beginning: so many frames later,
// so many times as fast, backwards, one frame for ever, or over and over. Keys
// of the property time, if there are any, say it instead.
type Inside struct {
	Offset  int     `json:"offset,omitempty"`  // frames later
	Speed   float64 `json:"speed,omitempty"`   // 0.05..20; 0 is 1
	Reverse bool    `json:"reverse,omitempty"` // from the group's end to its beginning
	Freeze  *int    `json:"freeze,omitempty"`  // the frame of the inside that always shows
	Repeat  int     `json:"repeat,omitempty"`  // frames after which the inside begins again; 0 never
	Clip    string  `json:"clip,omitempty"`    // "bounds", or the layer in it or beside it that it is cut to
	By      string  `json:"by,omitempty"`      // of that layer: brightness counts, and otherwise how opaque it is
	Invert  bool    `json:"invert,omitempty"`  // what it does not cover shows
	Free    bool    `json:"free,omitempty"`    // above that layer's middle nothing is cut, so that things rise from behind it
	// Together keeps the parts at their places to each other in every shape; without it
	// each is pinned by itself, as in clips of an older Billow.
	Together bool `json:"together,omitempty"`
}

// Lineup lets the layers of a group take turns. Each stands in one slot after
// the other; core writes their keys.
type Lineup struct {
	Slots  []Slot        `json:"slots"`            // from the first to the last that a product goes through
	Hero   int           `json:"hero"`             // index of the slot in which a product is shown
	Items  []Item        `json:"items"`            // in the order in which they come
	Start  timing.Moment `json:"start"`            // when the first has arrived
	Stay   int           `json:"stay"`             // frames from one arrival to the next
	Beats  float64       `json:"beats,omitempty"`  // the same in beats instead
	On     *HitChoice    `json:"on,omitempty"`     // instead: each after the first arrives on the next of these hits
	Change int           `json:"change"`           // frames that a change takes
	Bars   float64       `json:"bars,omitempty"`   // the same in bars instead
	Ease   *motion.Ease  `json:"ease,omitempty"`   // of the changes; without it they begin and end softly
	Leaves bool          `json:"leaves,omitempty"` // the last product goes on, too, after its time
}

// Slot is a place on the stage, relative to the products' rests.
type Slot struct {
	Name    string  `json:"name"`
	X       float64 `json:"x"` // units
	Y       float64 `json:"y"`
	Size    float64 `json:"size"` // percent
	Turn    float64 `json:"turn"` // degrees
	Opacity float64 `json:"opacity"`
}

// Item is a product on the stage with the layers that come and go with it.
type Item struct {
	Layer string   `json:"layer"`
	With  []string `json:"with,omitempty"`
}

var groupKind = &Kind{
	ID: KindGroup, Name: "Group", Says: "Layers that go together", Field: "inside", Icon: "collection", Holds: true,
	Properties: append([]string{Time}, openProperties...),
	Draft:      func(_ *Clip, l *Layer, _ DraftOf) { *l = NewGroup(l.ID, l.Name) },
	Content:    func(l *Layer) any { return held(l.Inside) },
	Own: func(l *Layer) {
		l.Inside = copied(l.Inside)
		l.Inside.Freeze = copied(l.Inside.Freeze)
	},
	Enums: map[string][]string{"Inside.By": {"brightness"}},
	Check: checkGroup,
}

// NewGroup is an empty group that leaves its layers where they are.
func NewGroup(id, name string) Layer {
	l := NewLayer(id, name, KindGroup)
	l.Rest.Size = 1000
	l.Inside = &Inside{Together: true}
	return l
}

// cutBy tells whether a group can be cut to a layer: one in it, or one beside it that is no group.
func (l *Layer) cutBy(by *Layer) bool {
	return by.Group == l.ID || by.Group == l.Group && by.ID != l.ID && by.Inside == nil && by.Scene == nil
}

func checkGroup(c *Clip, field string, l *Layer) error {
	in := l.Inside
	if in.Speed != 0 {
		if err := within(field+".speed", in.Speed, 0.05, 20); err != nil {
			return err
		}
	}
	if in.Clip != "" && in.Clip != Bounds {
		if by := c.Layer(in.Clip); by == nil || !l.cutBy(by) {
			return Fault(field+".clip", "%q is cut to a layer in it or beside it that is no group; %q is none", l.Name, in.Clip)
		}
	}
	if in.By != "" && in.By != "brightness" {
		return Fault(field+".by", "a group is cut by brightness or by nothing said, not by %q", in.By)
	}
	longest := float64(MaxSeconds * 60)
	if in.Freeze != nil {
		if err := within(field+".freeze", float64(*in.Freeze), -longest, longest); err != nil {
			return err
		}
	}
	if err := firstError(
		within(field+".offset", float64(in.Offset), -longest, longest),
		within(field+".repeat", float64(in.Repeat), 0, longest),
	); err != nil {
		return err
	}
	if l.Lineup != nil {
		return c.validateLineup(strings.TrimSuffix(field, "inside")+"lineup", l)
	}
	return nil
}

func (c *Clip) validateLineup(field string, l *Layer) error {
	u := l.Lineup
	if len(u.Slots) < 1 || len(u.Slots) > 12 {
		return Fault(field+".slots", "a line-up has 1 to 12 slots")
	}
	if u.Hero < 0 || u.Hero >= len(u.Slots) {
		return Fault(field+".hero", "the slot in which a product is shown is one of the %d slots", len(u.Slots))
	}
	for i, s := range u.Slots {
		at := fmt.Sprintf("%s.slots[%d]", field, i)
		if err := firstError(
			validName(at+".name", s.Name),
			within(at+".x", s.X, -MaxUnits, MaxUnits), within(at+".y", s.Y, -MaxUnits, MaxUnits),
			within(at+".size", s.Size, 0, 2000), within(at+".turn", s.Turn, -36000, 36000), within(at+".opacity", s.Opacity, 0, 100),
		); err != nil {
			return err
		}
	}
	if len(u.Items) > 100 {
		return Fault(field+".items", "a line-up has at most 100 products")
	}
	for i, it := range u.Items {
		for _, id := range append([]string{it.Layer}, it.With...) {
			if in := c.Layer(id); in == nil || in.Group != l.ID {
				return Fault(fmt.Sprintf("%s.items[%d]", field, i), "there is no layer %q in %q", id, l.Name)
			}
		}
	}
	if u.On != nil {
		if err := u.On.check(field + ".on"); err != nil {
			return err
		}
	}
	if u.Ease != nil {
		if err := u.Ease.Check(); err != nil {
			return Fault(field+".ease", "%v", err)
		}
	}
	return firstError(
		within(field+".stay", float64(u.Stay), 0, MaxSeconds*60), within(field+".beats", u.Beats, 0, 1000),
		within(field+".change", float64(u.Change), 0, MaxSeconds*60), within(field+".bars", u.Bars, 0, 100),
	)
}
