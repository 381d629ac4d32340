package clip

import (
	"math"

	"billow/core/colour"
)

// Cutout shows a picture prop.
type Cutout struct {
	Prop    string        `json:"prop"`             // or ProductSlot
	Fitted  *Fitted       `json:"fitted,omitempty"` // what the rest's size is meant for, in a slot
	Outline colour.Colour `json:"outline,omitzero"` // its width is a property; none is white

	Runs     *Running  `json:"runs,omitempty"`                  // of footage
	Covering *Covering `json:"covering,omitempty" walk:"plain"` // of a picture that covers the frame
}

// Fitted is what a size was made for: any other picture in its place covers as
// much, and stands on the same line.
type Fitted struct {
	Aspect float64 `json:"aspect"` // width by height of what is visible, 0.001..1000
	Cover  float64 `json:"cover"`  // how much of these bounds is covered, more than 0, 1 at most
}

// Running is how footage runs in it.
func (v *Cutout) Running() Running {
	if v.Runs == nil {
		return Running{}
	}
	return *v.Runs
}

// Opaque tells whether no pixel is transparent: then it is no cut-out, and what lay
// behind the thing covers the layers beneath.
func (p *Picture) Opaque() bool { return p.Visible == [4]int{0, 0, p.W, p.H} && p.Area >= 1 }

// Fits is what a size is made for that suits a picture.
func (p *Picture) Fits() Fitted {
	out := Fitted{float64(p.Visible[2]-p.Visible[0]) / float64(p.Visible[3]-p.Visible[1]), p.Area}
	if out.Cover == 0 {
		out.Cover = 1
	}
	return out
}

// For is the factor for a size (of the longer visible side) when another picture
// is shown, and how much its centre goes down from a size, so that the lower edge
// stays. The new one covers as much as the old one, but its bounds do not grow by
// more than a quarter in any direction.
func (f Fitted) For(next Fitted) (k float64, drop func(size float64) float64) {
	sides := func(f Fitted) (w, h, area float64) {
		w, h = min(1, f.Aspect), min(1, 1/f.Aspect)
		return w, h, w * h * f.Cover
	}
	w0, h0, a0 := sides(f)
	w1, h1, a1 := sides(next)
	k = min(math.Sqrt(a0/a1), 1.25*w0/w1, 1.25*h0/h1)
	return k, func(size float64) float64 { return size * (h0 - k*h1) / 2 }
}

var cutoutKind = &Kind{
	ID: KindCutout, Name: "Cut-out", Says: "A product without its background", Field: "cutout", Icon: "box-seam", Rim: true,
	Properties: append([]string{OutlineColour, Outline}, repeatProperties...),
	Colours: func(l *Layer, property string) *colour.Colour {
		if property == OutlineColour {
			return &l.Cutout.Outline
		}
		return nil
	},
	Draft: func(_ *Clip, l *Layer, from DraftOf) {
		l.Name, l.Cutout = from.Name, &Cutout{Prop: from.Prop}
		l.Rest.Size, l.Lift = 600, 30
	},
	Content: func(l *Layer) any { return held(l.Cutout) },
	Own: func(l *Layer) {
		l.Cutout = copied(l.Cutout)
		l.Cutout.Fitted, l.Cutout.Covering, l.Cutout.Runs = copied(l.Cutout.Fitted), copied(l.Cutout.Covering), copied(l.Cutout.Runs)
		if r := l.Cutout.Runs; r != nil {
			r.Freeze = copied(r.Freeze)
		}
	},
	Check: func(c *Clip, field string, l *Layer) error {
		if l.Cutout.Covering != nil {
			return Fault(field+".covering", "a cut-out does not cover the frame")
		}
		return checkCutout(c, field, l)
	},
}

func checkCutout(c *Clip, field string, l *Layer) error {
	if f := l.Cutout.Fitted; f != nil {
		if err := firstError(within(field+".fitted.aspect", f.Aspect, 0.001, 1000), within(field+".fitted.cover", f.Cover, 1e-6, 1)); err != nil {
			return err
		}
	}
	if p := c.Prop(l.Cutout.Prop); l.Cutout.Prop != ProductSlot && (p == nil || p.Picture == nil) {
		return Fault(field+".prop", "there is no picture %q", l.Cutout.Prop)
	}
	return l.Cutout.Runs.check(field + ".runs")
}
