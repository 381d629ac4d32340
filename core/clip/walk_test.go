package clip

import (
	"fmt"
	"reflect"
	"slices"
	"strings"
	"testing"

	"billow/core/timing"
)

// plain are the fields that say nothing of time and name no other part of the
// clip. A new field fails the test below until it is visited, stands here or is
// tagged walk:"plain", as the contents of kinds of layers are.
var plain = strings.Fields(`
	Language Loudness Version Name Rate Tempo Shapes.ID Shapes.W Shapes.H Markers.Name
	Light.Direction Light.Height Light.Softness Light.Strength Light.Colour
	Light.Tracks.Value Light.Tracks.Off Light.Tracks.Ease Light.Tracks.Out Light.Tracks.In Light.Tracks.Move Light.Tracks.Eased
	Sounds.ID Sounds.Trim Sounds.Gain Sounds.Pan Sounds.Muted Sounds.Ducks Sounds.Duck Sounds.FadeInShape Sounds.FadeOutShape Sounds.Parts Sounds.Tail Sounds.Count Sounds.Kept Sounds.Solo Sounds.Pans Sounds.With.Move Sounds.Keys.Value Sounds.Keys.Off Sounds.Keys.Ease Sounds.Keys.Out Sounds.Keys.In Sounds.Keys.Move Sounds.Keys.Eased
	Props.ID Props.Name Props.Kind Props.Hash Props.Media Props.Credit Props.Picture Props.Sound
	Products.ID Products.Name Products.Price Products.OldPrice Products.Currency Products.Fields Products.First Products.Second Products.Line Products.Lowest Products.Percent Products.Quote Products.Deal Products.Contents Products.Web Products.Awaits Products.Spoken
	Variants.Shapes Variants.Languages Variants.Files Variants.Cells.ID Variants.Cells.Shape Variants.Cells.Language Variants.Cells.Commands
	Layers.ID Layers.Name Layers.Kind Layers.Rest Layers.Rests Layers.Lift Layers.Shadow Layers.Blend
	Layers.Hidden Layers.Locked Layers.Label Layers.Shutter Layers.Wander Layers.Reveal
	Layers.Stepping.Rate Layers.Stepping.Turn Layers.Stepping.Shift Layers.Stepping.Seed
	Layers.Tracks.Off Layers.Tracks.Ease Layers.Tracks.Out Layers.Tracks.In Layers.Tracks.Move Layers.Tracks.Eased
	Layers.Moves.ID Layers.Moves.Kind Layers.Moves.Lands Layers.Moves.Side Layers.Moves.Turn Layers.Moves.Strength Layers.Moves.Drift Layers.Moves.GoesOn Layers.Moves.Hits.Does Layers.Moves.Hits.Kinds Layers.Moves.Hits.Least Layers.Moves.Hits.Which Layers.Moves.Hits.Frames Layers.Moves.Hits.Turn Layers.Moves.Hits.Of
	Layers.Follow.Position Layers.Follow.Rotation Layers.Follow.Scale
	Layers.Cutout.Outline Layers.Cutout.Fitted
	Layers.Words.Text Layers.Words.Texts Layers.Words.Font Layers.Words.Fill Layers.Words.EmphasisFont Layers.Words.EmphasisFill Layers.Words.Align Layers.Words.ByEdge
	Layers.Words.Width Layers.Words.Balanced Layers.Words.Filling Layers.Words.LineSpacing Layers.Words.LetterSpacing Layers.Words.Outline Layers.Words.Accents Layers.Words.Plate
	Layers.Words.Optical Layers.Words.Behind Layers.Words.Features Layers.Words.Beside.Gap
	Layers.Words.Comes.By Layers.Words.Comes.Order Layers.Words.Comes.Seed Layers.Words.Comes.Ease Layers.Words.Comes.Afar Layers.Words.Comes.Edge Layers.Words.Comes.Wiped Layers.Words.Comes.Soft Layers.Words.Comes.Drawn Layers.Words.Comes.Caret Layers.Words.Comes.Counts Layers.Words.Comes.CountsFrom Layers.Words.Comes.Rolls Layers.Words.Comes.Scrambles
	Layers.Words.Goes.By Layers.Words.Goes.Order Layers.Words.Goes.Seed Layers.Words.Goes.Ease Layers.Words.Goes.Afar Layers.Words.Goes.Edge Layers.Words.Goes.Wiped Layers.Words.Goes.Soft Layers.Words.Goes.Drawn Layers.Words.Goes.Caret Layers.Words.Goes.Counts Layers.Words.Goes.CountsFrom Layers.Words.Goes.Rolls Layers.Words.Goes.Scrambles
	Layers.Scene.Leave.Kind
	Layers.Inside.Speed Layers.Inside.Reverse Layers.Inside.By Layers.Inside.Invert Layers.Inside.Free Layers.Inside.Together
	Layers.Lineup.On.Kinds Layers.Lineup.On.Least Layers.Lineup.On.Which Layers.Lineup.Slots Layers.Lineup.Hero Layers.Lineup.Ease Layers.Lineup.Leaves
`)

// leaves finds every field that holds something, by its path without indexes,
// and gives each a value; what is absent is made.
func leaves(v reflect.Value, path string, found map[string]reflect.Value) {
	if slices.Contains(plain, path) {
		found[path] = v
		return
	}
	switch v.Kind() {
	case reflect.Pointer:
		v.Set(reflect.New(v.Type().Elem()))
		leaves(v.Elem(), path, found)
	case reflect.Slice:
		v.Set(reflect.MakeSlice(v.Type(), 1, 1))
		leaves(v.Index(0), path, found)
	case reflect.Map:
		one := reflect.New(v.Type().Elem()).Elem()
		leaves(one, path, found)
		m := reflect.MakeMap(v.Type())
		m.SetMapIndex(reflect.ValueOf(Time), one)
		v.Set(m)
	case reflect.Struct:
		if v.Type() == reflect.TypeFor[timing.Moment]() {
			found[path] = v
			return
		}
		for i := range v.NumField() {
			if f := v.Type().Field(i); f.IsExported() && f.Tag.Get("json") != "-" && f.Tag.Get("walk") != "plain" {
				name := f.Name
				switch {
				case f.Anonymous:
					name = path // its fields are the structure's own
				case path != "":
					name = path + "." + f.Name
				}
				leaves(v.Field(i), name, found)
			}
		}
	case reflect.String:
		v.SetString("x")
		found[path] = v
	default:
		found[path] = v
	}
}

func TestTheWalkMissesNoField(t *testing.T) {
	c := &Clip{}
	found := map[string]reflect.Value{}
	leaves(reflect.ValueOf(c).Elem(), "", found)
	visited := map[any]bool{}
	seen := func(p any) { visited[p] = true }
	c.Walk(Visitor{
		Moment: func(p *timing.Moment) { seen(p) }, Frames: func(p *int) { seen(p) }, Inner: func(p *float64) { seen(p) },
		Still: func(p *int) { seen(p) }, Beats: func(p *float64) { seen(p) }, Bars: func(p *float64) { seen(p) },
		Layer: func(p *string) { seen(p) }, Prop: func(p *string) { seen(p) }, Product: func(p *string) { seen(p) },
	})
	for path, v := range found {
		was := visited[v.Addr().Interface()]
		if known := slices.Contains(plain, path); was == known {
			t.Errorf("%s: visited is %t, plain is %t", path, was, known)
		}
	}
	for _, path := range plain {
		if _, ok := found[path]; !ok {
			t.Errorf("there is no field %s", path)
		}
	}
	if len(visited) < 30 {
		t.Errorf("only %d fields were visited", len(visited))
	}
}

func TestNeedsAreWhatIsShownAndHeard(t *testing.T) {
	c := New("Needs", Standard[0], 30, 60)
	for _, id := range []string{"a", "b", "c", "tune", "spare"} {
		c.Props = append(c.Props, Prop{ID: id})
	}
	c.SetTune(&SoundTrack{Prop: "tune"})
	for _, id := range []string{"b", "a", "b"} {
		l := NewLayer(fmt.Sprint(len(c.Layers)), "Cut-out", KindCutout)
		l.Cutout = &Cutout{Prop: id}
		c.Layers = append(c.Layers, l)
	}
	c.Products = []Product{{ID: "one", Prop: "a"}, {ID: "two", Prop: "c"}}
	var got []string
	for _, p := range c.Needs() {
		got = append(got, p.ID)
	}
	if strings.Join(got, " ") != "a b tune" {
		t.Errorf("it needs %v, want a, b and the tune", got)
	}
}
