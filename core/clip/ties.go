package clip

// MaxDepth is how deep groups may lie in groups.
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
			if g == nil || g.Kind != KindGroup {
				return Fault(field+".group", "%q is in a group %q that does not exist", l.Name, at.Group)
			}
			if g == l {
				return Fault(field+".group", "the group %q would contain itself", l.Name)
			}
			if depth >= MaxDepth && contains(byID, g, g.ID) {
				return Fault("layers["+g.ID+"].group", "the group %q would contain itself", g.Name)
			}
			if depth >= MaxDepth {
				return Fault(field+".group", "groups lie in groups at most %d deep", MaxDepth)
			}
			at = g
		}
		if err := followed(byID, l, field); err != nil {
			return err
		}
	}
	return nil
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

// followed checks that what a layer follows does not follow it in turn: neither
// the layer nor a group that it is in.
func followed(byID map[string]*Layer, l *Layer, field string) error {
	if l.Follow == nil {
		return nil
	}
	seen := map[string]bool{l.ID: true}
	way := "“" + l.Name + "”"
	for at := l; at.Follow != nil; {
		next := byID[at.Follow.Layer]
		if next == nil {
			return Fault(field+".follow", "%q follows %q, which does not exist", at.Name, at.Follow.Layer)
		}
		way += " follows “" + next.Name + "”"
		if seen[next.ID] {
			return Fault(field+".follow", "a circle of following: %s", way)
		}
		seen[next.ID] = true
		at = next
	}
	for g := byID[l.Group]; g != nil; g = byID[g.Group] {
		if g.ID == l.Follow.Layer {
			return Fault(field+".follow", "%q lies in %q and moves with it already", l.Name, g.Name)
		}
	}
	return nil
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
