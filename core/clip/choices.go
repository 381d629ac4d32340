package clip

// Choice is a layer that another one may be tied to.
type Choice struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// Choices are what a layer may be tied to, by the rules that Validate has for
// ties.
type Choices struct {
	Groups  []Choice `json:"groups"`  // that it may lie in
	Scenes  []Choice `json:"scenes"`  // that it may lie in, in the order in which they play
	Leaders []Choice `json:"leaders"` // that it may follow
	Cuts    []Choice `json:"cuts"`    // layers by whose outline a group may be cut, or to which a gel may be kept
	Figures []Choice `json:"figures"` // along which words may run
	Windows []Choice `json:"windows"` // that lines of words may keep away from
}

// ChoicesOf lists what a layer may be tied to; nothing for one that is not there.
func (c *Clip) ChoicesOf(id string) Choices {
	out := Choices{[]Choice{}, []Choice{}, []Choice{}, []Choice{}, []Choice{}, []Choice{}}
	l := c.Layer(id)
	if l == nil {
		return out
	}
	if l.Is().Plays {
		return out
	}
	// allowed tries a tie on a copy.
	try := c.Copy()
	mine := try.Own(id)
	was := *mine
	allowed := func(tie func(l *Layer)) bool {
		*mine = was
		tie(mine)
		return try.validateTies() == nil
	}
	for i := range c.Layers {
		o := &c.Layers[i]
		if o.ID == id {
			continue
		}
		choice := Choice{o.ID, o.Name}
		if o.Is().Holds && allowed(func(l *Layer) { l.Group = o.ID }) {
			if o.Is().Plays {
				out.Scenes = append(out.Scenes, choice)
			} else {
				out.Groups = append(out.Groups, choice)
			}
		}
		if !o.Is().Fills && allowed(func(l *Layer) { l.Follow = &Follow{Layer: o.ID, Position: true} }) {
			out.Leaders = append(out.Leaders, choice)
		}
		if l.Words != nil && o.Group == l.Group && !o.Is().Holds {
			if o.Card != nil && !o.Card.Fills {
				out.Figures = append(out.Figures, choice)
			}
			if o.Card != nil && o.Card.Hole != nil || !o.Is().Fills && o.Words == nil {
				out.Windows = append(out.Windows, choice)
			}
		}
		if l.Inside != nil && l.cutBy(o) || l.Gel != nil && o.glazes(l) && !o.Is().Fills {
			out.Cuts = append(out.Cuts, choice)
		}
	}
	return out
}
