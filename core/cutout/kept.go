package cutout

import (
	"fmt"

	"billow/core/clip"
)

// Kept is a cut with what it was made from, as it goes along with a clip that shows it.
type Kept struct {
	Name   string `json:"name"`
	Photo  string `json:"photo"`  // the file of the photo, by its hash
	Order  Order  `json:"order"`  // that was followed, without those of its parts
	Result string `json:"result"` // the file of the cut-out, by its hash
	At     [2]int `json:"at"`     // the pixel of the photo that the result's upper left one is
	Found  Found  `json:"found"`
	Looked bool   `json:"looked,omitempty"` // a person has looked at it

	Shadow   string `json:"shadow,omitempty"` // the file of the photo's shadow, when it is kept
	ShadowAt [2]int `json:"shadowAt,omitzero"`

	PartOf int `json:"partOf,omitempty"` // the place in the list, from 1, of the cut that this was taken out of
}

// CheckKept tells what is wrong with cuts that come along with a clip.
func CheckKept(list []Kept) error {
	for i, k := range list {
		field := fmt.Sprintf("cuts[%d]", i)
		switch {
		case k.PartOf < 0 || k.PartOf > i:
			return clip.Fault(field, "a part comes after the cut that it was taken out of")
		case k.PartOf > 0 && list[k.PartOf-1].PartOf > 0:
			return clip.Fault(field, "nothing more is taken out of a part")
		case k.PartOf > 0 && list[k.PartOf-1].Photo != k.Photo:
			return clip.Fault(field, "a part is of another photo than what it was taken out of")
		case len(k.Order.Out) > 0:
			return clip.Fault(field, "parts are cuts of their own")
		case len(k.Name) > 500:
			return clip.Fault(field, "the name is too long")
		case far(k.At) || far(k.ShadowAt):
			return clip.Fault(field, "the result lies far outside its photo")
		}
		if err := k.Order.Check(clip.MaxSide, clip.MaxSide); err != nil {
			return err
		}
	}
	return nil
}

func far(at [2]int) bool { return max(at[0], -at[0], at[1], -at[1]) > 1_000_000 }

// Whole is the order of a cut of a list with those of the parts that are taken out of it.
func Whole(list []Kept, i int) Order {
	o := list[i].Order
	o.Out = nil
	for _, k := range list {
		if k.PartOf == i+1 {
			o.Out = append(o.Out, k.Order)
		}
	}
	return o
}

// ShownIn are those of a list by which something of a clip was made, each with the whole and
// the parts that belong to it.
func ShownIn(list []Kept, c *clip.Clip) (out []Kept) {
	shown := map[string]bool{}
	for _, p := range c.Props {
		shown[p.Hash] = true
	}
	whole := func(i int) int { // of which this is, or is a part
		if list[i].PartOf > 0 {
			return list[i].PartOf - 1
		}
		return i
	}
	family := map[int]bool{}
	for i, k := range list {
		if shown[k.Result] || k.Shadow != "" && shown[k.Shadow] {
			family[whole(i)] = true
		}
	}
	place := map[int]int{}
	for i, k := range list {
		if !family[whole(i)] {
			continue
		}
		if k.PartOf > 0 {
			k.PartOf = place[k.PartOf-1]
		}
		out = append(out, k)
		place[i] = len(out)
	}
	return out
}
