package edit

import "billow/core/clip"

// SetCredit says who made a file of the clip, under which licence, and where it is from.
type SetCredit struct {
	Typed
	Prop   string `json:"prop"`
	Credit string `json:"credit"`
}

func (s *SetCredit) apply(c *clip.Clip) (err error) {
	p := c.Prop(s.Prop)
	if p == nil {
		return clip.Fault("prop", "there is no prop %q", s.Prop)
	}
	p.Credit, err = clip.CreditIn(s.Credit)
	return err
}
