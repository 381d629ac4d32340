package clip

import "billow/core/colour"

// KindFloor is a wall and a floor with a horizon between them.
const KindFloor = "floor"

// Floor is a wall and, below the horizon, a floor, with a glow where they meet.
type Floor struct {
	Wall    colour.Colour `json:"wall"`
	Ground  colour.Colour `json:"ground"`
	Horizon float64       `json:"horizon"` // percent of the frame's height from its top
	Soft    float64       `json:"soft"`    // units over which one passes into the other
	Light   colour.Colour `json:"light"`   // of the glow
	Glow    float64       `json:"glow"`    // percent: how strong it is in its middle
	At      float64       `json:"at"`      // percent of the frame's width from its middle, where the glow is
	Reach   float64       `json:"reach"`   // percent of the frame's width that it is wide; half of it along the wall and the floor
}

// Properties of a floor.
const (
	WallColour   = "wallColour"
	GroundColour = "groundColour"
	LightColour  = "lightColour"
	Horizon      = "horizon"
	HorizonSoft  = "horizonSoft"
	Glow         = "glow"
	GlowAt       = "glowAt"
	GlowReach    = "glowReach"
)

var floorKind = &Kind{
	ID: KindFloor, Name: "Floor", Says: "A wall and a floor to stand on", Field: "floor", Icon: "align-bottom", Offered: true, Fills: true, Behind: true,
	Properties: append([]string{WallColour, GroundColour, LightColour, Horizon, HorizonSoft, Glow, GlowAt, GlowReach}, openProperties...),
	Colours: func(l *Layer, property string) *colour.Colour {
		switch property {
		case WallColour:
			return &l.Floor.Wall
		case GroundColour:
			return &l.Floor.Ground
		case LightColour:
			return &l.Floor.Light
		}
		return nil
	},
	Numbers: func(l *Layer, property string) []*float64 {
		at := map[string]*float64{
			Horizon: &l.Floor.Horizon, HorizonSoft: &l.Floor.Soft, Glow: &l.Floor.Glow, GlowAt: &l.Floor.At, GlowReach: &l.Floor.Reach,
		}[property]
		if at == nil {
			return nil
		}
		return []*float64{at}
	},
	Draft: func(_ *Clip, l *Layer, _ DraftOf) {
		l.Floor = &Floor{
			Wall: colour.RGB(0xE9E0CF), Ground: colour.RGB(0xD3C4A6), Horizon: 66, Soft: 60,
			Light: colour.RGB(0xFFF8E8), Glow: 70, Reach: 90,
		}
	},
	Content: func(l *Layer) any { return held(l.Floor) },
	Own:     func(l *Layer) { l.Floor = copied(l.Floor) },
	Check: func(_ *Clip, field string, l *Layer) error {
		f := l.Floor
		return firstError(
			within(field+".horizon", f.Horizon, -100, 200), within(field+".soft", f.Soft, 0, 1000), within(field+".glow", f.Glow, 0, 100),
			within(field+".at", f.At, -200, 200), within(field+".reach", f.Reach, 1, 400),
		)
	},
}
