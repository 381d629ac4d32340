package clip

import (
	"errors"
	"math"
	"reflect"
	"strings"
	"testing"

	"billow/core/colour"
	"billow/core/motion"
	"billow/core/timing"
)

func linearKey(frame int, value ...float64) motion.Key {
	return motion.Key{At: timing.At(frame), Value: value, Ease: motion.Ease{Kind: motion.Linear}}
}

// rich is a valid clip with everything that a document can hold of motion.
func rich() *Clip {
	c := empty()
	freeze := 7
	card := Draft(c, KindCard, "", "", "")
	card.Card.Hole = &Hole{Form: "disc", Size: 100, Aspect: 1}
	card.Group, card.Label = "group", "a note"
	card.Values = map[string][]float64{Crop: {1, 2, 3, 4}, Pivot: {0, -50}}
	card.Tracks = map[string]motion.Track{
		Position:   {{At: timing.At(0), Value: []float64{0, 0}, Off: "belowLeft", Ease: motion.Ease{Kind: motion.Bounce, Count: 3, Decay: 0.4}, Out: []float64{4, 5}}, linearKey(9, 1, 2)},
		Scale:      {linearKey(0, 50), linearKey(5, 50, 80)},
		FillColour: {linearKey(0, 1, 2, 3, 255)},
	}
	card.Moves = []Move{{ID: "gust", Kind: "gust", At: timing.OnBeat(1), Length: 9, Side: "aboveRight", Strength: 100}}
	card.Stepping, card.Wander = &motion.Stepping{Rate: 8, Turn: 4}, &motion.Wander{Amount: 3, Pace: 1}
	card.Reveal, card.Shutter = &Reveal{Side: "left", Slide: true}, 180
	words := NewWords("words", "Words", KindWords, "Hello")
	words.Group, words.Follow = "group", &Follow{Layer: card.ID, Position: true}
	group := NewGroup("group", "Group")
	group.Inside = &Inside{Speed: 2, Freeze: &freeze, Clip: card.ID}
	group.Lineup = &Lineup{Slots: []Slot{{Name: "Hero", Size: 100, Opacity: 100}}, Items: []Item{{Layer: card.ID, With: []string{"words"}}}, Stay: 20, Change: 5}
	c.Layers = append(c.Layers, card, words, group)
	c.Light.Tracks = map[string]motion.Track{LightHeight: {linearKey(3, 40)}}
	c.Markers = []Mark{{"Here", timing.At(5)}}
	c.Range = &Range{timing.At(3), timing.At(30)}
	return c
}

func TestAllOfMotionReadsBack(t *testing.T) {
	c := rich()
	if err := c.Validate(); err != nil {
		t.Fatal(err)
	}
	again, err := Parse(c.Encode())
	if err != nil || string(again.Encode()) != string(c.Encode()) {
		t.Errorf("it does not read back: %v", err)
	}
}

func TestWhatIsWrongWithMotionIsNamed(t *testing.T) {
	layer := func(c *Clip, id string) *Layer { return c.Layer(id) }
	apart := func(c *Clip) { c.Layer("group").Inside.Clip, c.Layer("group").Lineup = "", nil }
	for _, bad := range []struct {
		field  string
		change func(c *Clip)
	}{
		{"layers[card].tracks.wobble", func(c *Clip) { layer(c, "card").Tracks["wobble"] = motion.Track{linearKey(0, 1)} }},
		{"layers[card].tracks.letterSpacing", func(c *Clip) { layer(c, "card").Tracks[LetterSpacing] = motion.Track{linearKey(0, 1)} }},
		{"layers[card].tracks.position[0].off", func(c *Clip) { layer(c, "card").Tracks[Position][0].Off = "up" }},
		{"layers[card].tracks.position[0].out", func(c *Clip) { layer(c, "card").Tracks[Position][0].Out = []float64{1} }},
		{"layers[card].tracks.scale[1].value", func(c *Clip) { layer(c, "card").Tracks[Scale][1].Value = []float64{1, 2, 3} }},
		{"layers[card].tracks.scale[1].value", func(c *Clip) { layer(c, "card").Tracks[Scale][1].Value[1] = math.NaN() }},
		{"layers[card].tracks.fillColour[0].value", func(c *Clip) { layer(c, "card").Tracks[FillColour][0].Value[3] = 256 }},
		{"layers[card].tracks.position[0].ease", func(c *Clip) { layer(c, "card").Tracks[Position][0].Ease.Count = 99 }},
		{"layers[card].values.position", func(c *Clip) { layer(c, "card").Values[Position] = []float64{1, 2} }},
		{"layers[card].values.crop", func(c *Clip) { layer(c, "card").Values[Crop] = []float64{1} }},
		{"layers[card].moves[0].kind", func(c *Clip) { layer(c, "card").Moves[0].Kind = "leap" }},
		{"layers[card].moves[0].side", func(c *Clip) { layer(c, "card").Moves[0].Side = "inside" }},
		{"layers[card].moves[1].id", func(c *Clip) { l := layer(c, "card"); l.Moves = append(l.Moves, l.Moves[0]) }},
		{"layers[card].moves[0].id", func(c *Clip) { layer(c, "card").Moves[0].ID = "lineup" }},
		{"layers[card].stepping", func(c *Clip) { layer(c, "card").Stepping.Rate = 60 }},
		{"layers[card].wander", func(c *Clip) { layer(c, "card").Wander.Pace = 0 }},
		{"layers[card].shutter", func(c *Clip) { layer(c, "card").Shutter = 721 }},
		{"layers[card].reveal.side", func(c *Clip) { layer(c, "card").Reveal.Side = "aboveLeft" }},
		{"layers[card].label", func(c *Clip) { layer(c, "card").Label = strings.Repeat("long ", 20) }},
		{"layers[card].card.form", func(c *Clip) { layer(c, "card").Card.Form = "cube" }},
		{"layers[card].card.hole.size", func(c *Clip) { layer(c, "card").Card.Hole.Size = 0 }},
		{"layers[card].group", func(c *Clip) { apart(c); layer(c, "card").Group = "nowhere" }},
		{"layers[card].group", func(c *Clip) { apart(c); layer(c, "card").Group = "words" }},
		{"layers[group].group", func(c *Clip) { layer(c, "group").Group = "group" }},
		{"layers[words].follow", func(c *Clip) { layer(c, "words").Follow.Layer = "words" }},
		{"layers[words].follow", func(c *Clip) { layer(c, "words").Follow.Layer = "group" }},
		{"layers[group].inside.speed", func(c *Clip) { layer(c, "group").Inside.Speed = 0.001 }},
		{"layers[group].inside.clip", func(c *Clip) { layer(c, "group").Inside.Clip = "scene" }},
		{"layers[group].lineup.hero", func(c *Clip) { layer(c, "group").Lineup.Hero = 5 }},
		{"layers[group].lineup.items[0]", func(c *Clip) { layer(c, "group").Lineup.Items[0].Layer = "backdrop" }},
		{"layers[words].lineup", func(c *Clip) { layer(c, "words").Lineup = layer(c, "group").Lineup }},
		{"light.tracks.height[0].value", func(c *Clip) { c.Light.Tracks[LightHeight][0].Value[0] = 5 }},
		{"light.tracks.opacity", func(c *Clip) { c.Light.Tracks[Opacity] = motion.Track{linearKey(0, 1)} }},
		{"markers[0].name", func(c *Clip) { c.Markers[0].Name = "" }},
		{"range", func(c *Clip) { c.Range.Out = timing.At(61) }},
	} {
		c := rich()
		bad.change(c)
		var f *FieldError
		if err := c.Validate(); !errors.As(err, &f) || f.Field != bad.field || len(f.Reason) < 12 {
			t.Errorf("%s: the error is %v", bad.field, err)
		}
	}
}

func TestACopySharesWhatIsNotAskedFor(t *testing.T) {
	c := rich()
	before := string(c.Encode())
	d := c.Copy()
	l := d.Own("card")
	l.Name = "Changed"
	l.Tracks[Position][0].Value[0] = 77
	l.Values[Pivot][0] = 9
	l.Moves[0].Length = 3
	l.Card.Hole.Size = 5
	if string(c.Encode()) != before {
		t.Error("changing a copy changed the clip")
	}
	changed, only := d.Changes(c)
	if !only || !reflect.DeepEqual(changed, Changed{Layers: []string{"card"}}) {
		t.Errorf("changed are %v, nothing else %v", changed, only)
	}
	if err := d.ValidateAfter(c); err != nil {
		t.Error(err)
	}
	d.Own("card").Tracks[Position][0].Value[0] = math.Inf(1)
	if d.ValidateAfter(c) == nil {
		t.Error("an infinite value passed")
	}
	for name, change := range map[string]func(*Clip){
		"length":   func(d *Clip) { d.Length++ },
		"tempo":    func(d *Clip) { d.Tempo.BPM++ },
		"light":    func(d *Clip) { d.Light.Height++ },
		"order":    func(d *Clip) { d.Layers[2], d.Layers[3] = d.Layers[3], d.Layers[2] },
		"a layer":  func(d *Clip) { d.Layers = d.Layers[:2] },
		"products": func(d *Clip) { d.Products = append(d.Products, Product{}) },
		"light keys": func(d *Clip) {
			d.Light.Tracks[LightHeight][0].Value[0] = 50
		},
	} {
		d := c.Copy()
		change(d)
		if _, only := d.Changes(c); only {
			t.Errorf("a change of %s is not noticed", name)
		}
		if string(c.Encode()) != before {
			t.Fatalf("a change of %s reached the clip", name)
		}
	}
	whole := c.Clone()
	whole.Layer("group").Lineup.Items[0].With[0] = "x"
	whole.Layer("words").Follow.Position = false
	*whole.Layer("group").Inside.Freeze = 1
	if string(c.Encode()) != before {
		t.Error("changing a clone changed the clip")
	}
}

func TestBaseIsTheLayersOwnValue(t *testing.T) {
	w := NewWords("w", "W", KindBadge, "x")
	w.Words.Fill, w.Words.Plate.Fill = colour.RGB(0x010203), colour.RGB(0x0A0B0C)
	w.Values = map[string][]float64{"blur": {4}}
	back := NewLayer("b", "B", KindBackdrop)
	back.Backdrop = &Backdrop{Fill{Angle: 30, Stops: []Stop{{At: 0, Colour: colour.RGB(0x111111)}, {ID: 7, At: 100, Colour: colour.RGB(0x222222)}}}}
	for _, want := range []struct {
		l        *Layer
		property string
		value    []float64
	}{
		{&w, FillColour, []float64{1, 2, 3, 255}}, {&w, PlateColour, []float64{10, 11, 12, 255}}, {&w, "blur", []float64{4}},
		{&w, Scale, []float64{100, 100}}, {&w, Revealed, []float64{100}}, {&w, Skew, []float64{0}},
		{&back, "colour1", []float64{0x11, 0x11, 0x11, 255}}, {&back, "colour7", []float64{0x22, 0x22, 0x22, 255}}, {&back, "colour4", []float64{0, 0, 0, 0}},
		{&back, "at7", []float64{100}}, {&back, FillAngle, []float64{30}},
	} {
		if got := want.l.Base(want.property); !reflect.DeepEqual(got, want.value) {
			t.Errorf("%s is %v, want %v", want.property, got, want.value)
		}
	}
}
