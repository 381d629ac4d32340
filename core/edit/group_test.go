package edit

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// three is a clip with three cut-outs a, b and c, and words for each.
func three() *clip.Clip {
	c := sample()
	c.Layers = c.Layers[:2]
	for i, id := range []string{"a", "b", "c"} {
		l := clip.Draft(c, clip.KindCutout, strings.ToUpper(id), "mug", "")
		l.ID, l.Rest.X = id, float64(100*i)
		c.Layers = append(c.Layers, l)
	}
	for _, id := range []string{"wa", "wb", "wc"} {
		l := clip.NewWords(id, id, clip.KindWords, "text")
		c.Layers = append(c.Layers, l)
	}
	return c
}

func stackOf(c *clip.Clip) string {
	var out []string
	for _, l := range c.Layers {
		id := l.ID
		if l.Group != "" {
			id = l.Group + "/" + id
		}
		out = append(out, id)
	}
	return strings.Join(out, " ")
}

func stacked(t *testing.T, c *clip.Clip, want string) {
	t.Helper()
	if got := stackOf(c); got != want {
		t.Errorf("from the back to the front there are %q, want %q", got, want)
	}
}

func TestLayersAreGroupedAndTakenApart(t *testing.T) {
	c := do(t, three(), `{"type":"groupLayers","layers":["b","c"],"id":"g","name":"Pair"}`)
	stacked(t, c, "backdrop scene a g/b g/c g wa wb wc")
	c = do(t, c, `{"type":"groupLayers","layers":["g","a"],"id":"outer","name":"All"}`)
	stacked(t, c, "backdrop scene outer/a g/b g/c outer/g outer wa wb wc")
	copied := do(t, c, `{"type":"copyLayer","layer":"g","id":"twin"}`)
	if got := copied.Children("twin"); len(got) != 2 || got[0] == "b" {
		t.Errorf("in the copy there are %v", got)
	}
	apart := do(t, c, `{"type":"ungroup","layer":"g"}`)
	stacked(t, apart, "backdrop scene outer/a outer/b outer/c outer wa wb wc")
	gone := do(t, c, `{"type":"removeLayer","layer":"outer"}`)
	stacked(t, gone, "backdrop scene wa wb wc")
	refused(t, c, `{"type":"groupLayers","layers":["b","wa"],"id":"x","name":"No"}`, "layers")
	refused(t, c, `{"type":"groupLayers","layers":[],"id":"x","name":"No"}`, "layers")
	refused(t, c, `{"type":"groupLayers","layers":["wa"],"id":"g","name":"No"}`, "id")
	refused(t, c, `{"type":"ungroup","layer":"a"}`, "layer")
}

func TestAGroupCannotContainItself(t *testing.T) {
	c := do(t, three(), `{"type":"groupLayers","layers":["b","c"],"id":"g","name":"Pair"}`)
	c = do(t, c, `{"type":"groupLayers","layers":["g"],"id":"outer","name":"All"}`)
	refused(t, c, `{"type":"intoGroup","layers":["g"],"group":"g"}`, "group")
	refused(t, c, `{"type":"intoGroup","layers":["outer"],"group":"g"}`, "group")
	refused(t, c, `{"type":"stackLayer","layer":"outer","above":"b"}`, "above")
	refused(t, c, `{"type":"intoGroup","layers":["a"],"group":"b"}`, "group")
	c = do(t, c, `{"type":"stackLayer","layer":"a","above":"b"}`)
	stacked(t, c, "backdrop scene g/b g/a g/c outer/g outer wa wb wc")
}

func TestACircleOfFollowingSaysWhoFollowsWhom(t *testing.T) {
	c := three()
	follow := func(who, whom string) string {
		return fmt.Sprintf(`{"type":"setLayer","layer":%q,"set":{"follow":{"layer":%q,"position":true}}}`, who, whom)
	}
	c = do(t, do(t, c, follow("a", "b")), follow("b", "c"))
	refused(t, c, follow("c", "a"), "follow")
	_, err := Apply(c, []byte(follow("c", "a")))
	for _, name := range []string{"A", "B", "C"} {
		if !strings.Contains(err.Error(), "“"+name+"”") {
			t.Errorf("the error does not name %s: %v", name, err)
		}
	}
	refused(t, c, follow("c", "c"), "follow")
	refused(t, c, follow("c", "nobody"), "follow")
	grouped := do(t, c, `{"type":"groupLayers","layers":["wa"],"id":"g","name":"G"}`)
	refused(t, grouped, follow("wa", "g"), "follow")
	// When the leader goes, its follower stands by itself.
	if c = do(t, c, `{"type":"removeLayer","layer":"b"}`); c.Layer("a").Follow != nil {
		t.Error("a follows what is gone")
	}
}

func TestStaggerLetsLayersBeginOneAfterTheOther(t *testing.T) {
	c := three()
	for _, id := range []string{"a", "b", "c"} {
		c.Layer(id).Tracks[clip.Opacity] = motion.Track{
			{At: timing.At(30), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Linear}},
			{At: timing.At(40), Value: []float64{100}, Ease: motion.Ease{Kind: motion.Linear}},
		}
	}
	starts := func(c *clip.Clip) string {
		var out []string
		for _, id := range []string{"a", "b", "c"} {
			out = append(out, fmt.Sprint(c.Clock().Frame(c.Layer(id).Tracks[clip.Opacity][0].At)))
		}
		return strings.Join(out, " ")
	}
	stagger := func(rest string) string {
		return `{"type":"stagger","layers":["a","b","c"],` + rest + `}`
	}
	for rest, want := range map[string]string{
		`"by":5,"order":"stack","ease":{}`:                     "40 35 30", // c is in front
		`"by":5,"order":"reverse","ease":{}`:                   "30 35 40",
		`"by":5,"order":"across","ease":{"kind":"linear"}`:     "30 35 40",
		`"by":6,"order":"centre","ease":{}`:                    "36 30 36",
		`"beats":0.5,"by":0,"order":"reverse","ease":{}`:       "30 38 45", // half a beat at 120 BPM is 7.5 frames
		`"by":10,"order":"reverse","ease":{"kind":"hold"}`:     "30 30 30",
		`"by":10,"order":"reverse","ease":{"kind":"in"}`:       "30 36 50", // half-way, ease-in has gone 31.5 percent of 20 frames
		`"by":0,"beats":0,"order":"down","ease":{"kind":"in"}`: "30 30 30",
	} {
		got := do(t, c, stagger(rest))
		if starts(got) != want {
			t.Errorf("%s: they begin on %s, want %s", rest, starts(got), want)
		}
		if again := do(t, got, stagger(rest)); starts(again) != want {
			t.Errorf("%s again: they begin on %s, want %s", rest, starts(again), want)
		}
	}
	refused(t, c, stagger(`"by":150,"order":"stack","ease":{}`), "by")
	refused(t, c, stagger(`"by":-5,"order":"stack","ease":{}`), "by")
	refused(t, c, stagger(`"by":5,"order":"height","ease":{}`), "order")
	refused(t, c, stagger(`"by":5,"order":"stack","ease":{"kind":"x"}`), "ease")
	refused(t, c, `{"type":"stagger","layers":["a"],"by":5,"order":"stack","ease":{}}`, "layers")
}

func TestASwappedProductStandsWhereTheOldOneStood(t *testing.T) {
	c := three()
	add := func(id string, w, h int, area float64) {
		c.Props = append(c.Props, clip.Prop{
			ID: id, Name: id, Kind: clip.KindCutout, Hash: strings.Repeat("b", 64), Media: "image/png",
			Picture: &clip.Picture{W: 500, H: 500, Visible: [4]int{10, 20, 10 + w, 20 + h}, Area: area},
		})
	}
	add("box", 200, 200, 1)
	add("tall", 100, 200, 1)
	add("loose", 200, 200, 0.81)
	add("thin", 10, 400, 1)
	l := c.Layer("a")
	l.Cutout.Prop = "box"
	l.Rest = clip.Rest{Pin: "centre", Y: 50, Size: 400}
	l.Rests = map[string]clip.Rest{"wide": {Pin: "centre", Y: -10, Size: 200}}
	l.Tracks[clip.Rotation] = motion.Track{{At: timing.At(3), Value: []float64{9}, Ease: motion.Ease{Kind: motion.Linear}}}
	l.Lift, l.Values = 77, map[string][]float64{clip.Pivot: {0, 50}}
	swap := func(prop string) *clip.Layer {
		return do(t, c, `{"type":"swapPicture","layer":"a","prop":"`+prop+`"}`).Layer("a")
	}
	near := func(what string, got, want float64) {
		t.Helper()
		if math.Abs(got-want) > 0.01 {
			t.Errorf("%s is %g, want %g", what, got, want)
		}
	}
	// The box covers 400 by 400 and stands on 50+200. Half as wide and as high it
	// has to be 1.25 times as high at most: 500 by 250, standing on the same line.
	tall := swap("tall")
	near("the size", tall.Rest.Size, 500)
	near("the foot", tall.Rest.Y+250, 250)
	near("the size in Wide", tall.Rests["wide"].Size, 250)
	near("the foot in Wide", tall.Rests["wide"].Y+125, -10+100)
	if tall.Lift != 77 || len(tall.Tracks[clip.Rotation]) != 1 || tall.Values[clip.Pivot][1] != 50 {
		t.Errorf("motion, lift or pivot changed: %+v", tall)
	}
	// Covering 81 percent of its bounds, it is 1/0.9 as large for the same area.
	near("the size of what is loose", swap("loose").Rest.Size, 400/0.9)
	near("the size of what is thin", swap("thin").Rest.Size, 500)
	refused(t, c, `{"type":"swapPicture","layer":"a","prop":"gone"}`, "prop")
	refused(t, c, `{"type":"swapPicture","layer":"wa","prop":"box"}`, "layer")
	refused(t, c, `{"type":"batch","commands":[
		{"type":"addProp","prop":{"id":"glass","name":"Glass","kind":"cutout","hash":"`+strings.Repeat("c", 64)+`","media":"image/png","picture":{"w":9,"h":9,"visible":[9,9,0,0]}}},
		{"type":"swapPicture","layer":"a","prop":"glass"}]}`, "prop")
}

func TestAKeyChangedByHandIsNoLongerTheMoves(t *testing.T) {
	c := do(t, three(), `{"type":"setMove","layer":"a","move":{"kind":"swell","at":20,"length":15,"turn":0,"strength":100}}`)
	if m := c.Layer("a").Moves; len(m) != 1 || m[0].ID != "swell" {
		t.Fatalf("the moves are %+v", m)
	}
	if got := track(c, "a", clip.Scale); got != "20=0bezier 35=118inOut 40=95inOut 45=100hold" {
		t.Errorf("the keys are %s", got)
	}
	c = do(t, c, `{"type":"setKey","layer":"a","property":"scale","key":{"at":35,"value":[150],"ease":{"kind":"linear"}}}`)
	c = do(t, c, `{"type":"setMove","layer":"a","move":{"id":"swell","kind":"swell","at":20,"length":15,"turn":0,"strength":0}}`)
	if got := track(c, "a", clip.Scale); got != "20=0bezier 35=150linear 40=100inOut 45=100hold" {
		t.Errorf("written again, the keys are %s", got)
	}
	again := do(t, c, `{"type":"setMove","layer":"a","move":{"kind":"swell","at":100,"length":15,"turn":0,"strength":100}}`)
	if m := again.Layer("a").Moves; len(m) != 2 || m[1].ID != "swell-2" {
		t.Errorf("a second one makes %+v", m)
	}
	over := do(t, c, `{"type":"setMove","layer":"a","move":{"kind":"swell","at":25,"length":15,"turn":0,"strength":100}}`)
	if m := over.Layer("a").Moves; len(m) != 1 || m[0].At.Frames != 25 {
		t.Errorf("one at the same time makes %+v", m)
	}
	gone := do(t, c, `{"type":"removeMove","layer":"a","id":"swell"}`)
	if got := track(gone, "a", clip.Scale); got != "35=150linear" {
		t.Errorf("taken away, it leaves %s", got)
	}
	// Without a key of its own left, a move is forgotten.
	for _, f := range []int{20, 40, 45} {
		c = do(t, c, fmt.Sprintf(`{"type":"removeKeys","keys":[{"layer":"a","property":"scale","frame":%d}]}`, f))
	}
	if len(c.Layer("a").Moves) != 0 {
		t.Error("a move without keys is kept")
	}
	refused(t, c, `{"type":"setMove","layer":"a","move":{"kind":"leap","at":0,"length":9,"turn":0,"strength":100}}`, "kind")
	refused(t, c, `{"type":"setMove","layer":"a","move":{"kind":"gust","at":0,"length":900,"turn":0,"strength":100}}`, "moves")
	refused(t, c, `{"type":"setMove","layer":"a","move":{"kind":"gust","at":0,"length":9,"turn":0,"strength":1e9}}`, "strength")
	refused(t, c, `{"type":"removeMove","layer":"a","id":"gust"}`, "id")
}

func TestALineupOfThreeWithTheirWords(t *testing.T) {
	c := do(t, three(), `{"type":"makeLineup","layers":["a","b","c","wa","wb","wc"],"id":"line"}`)
	u := c.Layer("line").Lineup
	if u == nil || len(u.Items) != 3 || u.Items[1].Layer != "b" || u.Items[1].With[0] != "wb" {
		t.Fatalf("the line-up is %+v", u)
	}
	if c.Layer("c").Rest.X != 0 || c.Layer("c").Group != "line" {
		t.Errorf("c rests at %+v", c.Layer("c").Rest)
	}
	// Words have come when their product has and begin to go when it does.
	clock := c.Clock()
	for _, pair := range [][2]string{{"b", "wb"}, {"c", "wc"}} {
		at := map[int]bool{}
		for _, k := range c.Layer(pair[0]).Tracks[clip.Opacity] {
			at[clock.Frame(k.At)] = true
		}
		for _, k := range c.Layer(pair[1]).Tracks[clip.Opacity] {
			if k.Value[0] == 100 && !at[clock.Frame(k.At)] {
				t.Errorf("%s comes or goes on frame %d, %s does not", pair[1], clock.Frame(k.At), pair[0])
			}
		}
	}
	less := do(t, c, `{"type":"removeLayer","layer":"b"}`)
	if u := less.Layer("line").Lineup; len(u.Items) != 2 {
		t.Errorf("without b the line-up is %+v", u.Items)
	}
	none := do(t, c, `{"type":"setLineup","layer":"line","lineup":null}`)
	if len(none.Layer("a").Tracks) != 0 {
		t.Errorf("without a line-up a has %+v", none.Layer("a").Tracks)
	}
	refused(t, three(), `{"type":"makeLineup","layers":["a","wa"],"id":"line"}`, "layers")
	refused(t, three(), `{"type":"makeLineup","layers":["a","b","backdrop"],"id":"line"}`, "layers")
	refused(t, c, `{"type":"setLineup","layer":"line","lineup":{"slots":[],"hero":0,"items":[],"start":0,"stay":9,"change":2}}`, "slots")
	refused(t, c, `{"type":"setLineup","layer":"line","lineup":{"slots":[{"name":"H","x":0,"y":0,"size":100,"turn":0,"opacity":100}],"hero":0,"items":[{"layer":"backdrop"}],"start":0,"stay":9,"change":2}}`, "items")
}

func TestBehindAWindow(t *testing.T) {
	c := do(t, three(), `{"type":"makeLineup","layers":["a","b","c","wa","wb","wc"],"id":"line","window":true}`)
	stacked(t, c, "backdrop scene line/a line/b line/c line/card line/wa line/wb line/wc line")
	card := c.Layer("card")
	if card.Card.Hole == nil || !card.Card.Fills || card.Card.Hole.Size < c.Layer("a").Rest.Size {
		t.Errorf("the card is %+v", card.Card)
	}
	// While a product waits or has gone, it is beside the hole.
	for _, s := range c.Layer("line").Lineup.Slots {
		if s.X != 0 && math.Abs(s.X) < card.Card.Hole.Size/2+c.Layer("a").Rest.Size/2*0.9 {
			t.Errorf("in the slot %s it shows through the hole", s.Name)
		}
	}
}

func TestRemovingAProductRetimesTheLineup(t *testing.T) {
	c := do(t, three(), `{"type":"makeLineup","layers":["a","b","c"],"id":"line"}`)
	arrives := func(c *clip.Clip, id string) int {
		for _, k := range c.Layer(id).Tracks[clip.Scale] {
			if f := c.Clock().Frame(k.At); f > 0 && k.Value[0] == 100 && k.Ease.Kind == motion.Hold {
				return f
			}
		}
		return -1
	}
	second, third := arrives(c, "b"), arrives(c, "c")
	if second <= 0 || third != 2*second {
		t.Fatalf("they arrive on %d and %d", second, third)
	}
	if less := do(t, c, `{"type":"removeLayer","layer":"b"}`); arrives(less, "c") != second {
		t.Errorf("without the second, the third arrives on %d, want %d", arrives(less, "c"), second)
	}
}
