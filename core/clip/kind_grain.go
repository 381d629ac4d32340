package clip

// KindGrain is fine noise, as of film.
const KindGrain = "grain"

// Grain is fine noise that lightens and darkens what is beneath.
type Grain struct {
	Strength float64 `json:"strength"`          // percent
	Size     float64 `json:"size"`              // units that a grain is wide
	Changes  float64 `json:"changes,omitempty"` // times a second that it is another; none stands still, which takes least room in a file
	Seed     int     `json:"seed,omitempty"`
}

// GrainStrength is the property of how strong the grain is, percent.
const GrainStrength = "grain"

var grainKind = &Kind{
	ID: KindGrain, Name: "Grain", Says: "Fine noise over what is beneath", Field: "grain", Icon: "cloud-haze2", Offered: true, Fills: true,
	Properties: []string{GrainStrength},
	Numbers: func(l *Layer, property string) []*float64 {
		if property == GrainStrength {
			return []*float64{&l.Grain.Strength}
		}
		return nil
	},
	Draft:   func(_ *Clip, l *Layer, _ DraftOf) { l.Grain = &Grain{Strength: 18, Size: 1.5} },
	Content: func(l *Layer) any { return held(l.Grain) },
	Own:     func(l *Layer) { l.Grain = copied(l.Grain) },
	Check: func(_ *Clip, field string, l *Layer) error {
		g := l.Grain
		return firstError(
			within(field+".strength", g.Strength, 0, 100), within(field+".size", g.Size, 0.5, 50),
			within(field+".changes", g.Changes, 0, 60), within(field+".seed", float64(g.Seed), -1e9, 1e9),
		)
	},
}
