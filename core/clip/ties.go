package clip

// MaxDepth is how deep groups may lie in groups; a scene may hold them all.
const MaxDepth = 8

// validateTies checks what layers say of each other: groups and following.
func (c *Clip) validateTies() error {
	byID := make(map[string]*Layer, len(c.Layers))
	for i := range c.Layers {
		byID[c.Layers[i].ID] = &c.Layers[i]
	}
	for i := range c.Layers {
		l := &c.Layers[i]
		field := "layers[" + l.ID + "]"
		depth := 0
		for at := l; at.Group != ""; depth++ {
			g := byID[at.Group]
			if g == nil || !g.Is().Holds {
				return Fault(field+".group", "%q is in a group %q that does not exist", l.Name, at.Group)
			}
			if g == l {
				return Fault(field+".group", "the group %q would contain itself", l.Name)
			}
			if depth >= MaxDepth && contains(byID, g, g.ID) {
				return Fault("layers["+g.ID+"].group", "the group %q would contain itself", g.Name)
			}
			if depth >= MaxDepth && !g.Is().Plays {
				return Fault(field+".group", "groups lie in groups at most %d deep", MaxDepth)
			}
			at = g
		}
	}
	return followings{byID: byID, cost: map[*Layer]int{}}.validate(c)
}

// contains tells whether a layer lies in a group, at any depth, even in a circle.
func contains(byID map[string]*Layer, l *Layer, group string) bool {
	for range byID {
		if l = byID[l.Group]; l == nil || l.ID == group {
			return l != nil
		}
	}
	return false
}

// Children lists the IDs of the layers in a group, from the back to the front.
func (c *Clip) Children(group string) []string {
	var out []string
	for i := range c.Layers {
		if c.Layers[i].Group == group {
			out = append(out, c.Layers[i].ID)
		}
	}
	return out
}

// Within tells whether a layer lies in a group, at any depth.
func (c *Clip) Within(l *Layer, group string) bool {
	for depth := 0; l != nil && l.Group != "" && depth <= MaxDepth; depth++ {
		if l.Group == group {
			return true
		}
		l = c.Layer(l.Group)
	}
	return false
}
