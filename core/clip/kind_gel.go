package clip

// KindGel changes all that lies beneath it with the effects that it has, as a sheet of coloured film
// does before a lamp.
const KindGel = "gel"

// Gel is a sheet that is not seen itself. In a group or a scene it changes what lies in there.
type Gel struct {
	Where string `json:"where,omitempty"` // the layer beside it where alone it changes anything, as glass does; none is everywhere
}

var gelKind = &Kind{
	ID: KindGel, Name: "Gel", Says: "Changes the look of everything beneath it", Field: "gel", Icon: "back", Offered: true, Fills: true,
	Draft:   func(_ *Clip, l *Layer, _ DraftOf) { l.Gel = &Gel{} },
	Content: func(l *Layer) any { return held(l.Gel) },
	Own:     func(l *Layer) { l.Gel = copied(l.Gel) },
	Check: func(c *Clip, field string, l *Layer) error {
		if l.Gel.Where == "" {
			return nil
		}
		if by := c.Layer(l.Gel.Where); by == nil || !by.glazes(l) {
			return Fault(field+".where", "a gel changes what a layer beside it covers that is no group and no gel; %q is none", l.Gel.Where)
		}
		return nil
	},
}

// glazes tells whether a gel can be where a layer is.
func (l *Layer) glazes(gel *Layer) bool {
	return l.Group == gel.Group && l.Inside == nil && l.Scene == nil && l.Gel == nil
}
