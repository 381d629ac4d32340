package edit

import (
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"billow/core/clip"
	"billow/core/motion"
	"billow/core/timing"
)

// strung is a clip of 60 frames with rotation keys of one layer on some frames.
func strung(frames ...int) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Strung", tall, 30, 60)
	for _, f := range frames {
		c.Layers[0].Tracks[clip.Rotation] = append(c.Layers[0].Tracks[clip.Rotation],
			motion.Key{At: timing.At(f), Value: []float64{1}, Ease: motion.Ease{Kind: motion.Linear}})
	}
	return c
}

func turnsAt(frames ...int) []KeyRef {
	var out []KeyRef
	for _, f := range frames {
		out = append(out, KeyRef{"backdrop", clip.Rotation, f})
	}
	return out
}

func TestDraggedKeysHaveTheRoomThatTheClipAndOtherKeysLeave(t *testing.T) {
	// 10 and 20 go together; 5 and 30 stand. By -5 the first lies on 5, by 10 and
	// 20 they lie on 30; the clip has frames 0 to 59.
	room, err := RoomToMove(strung(5, 10, 20, 30), turnsAt(10, 20))
	if err != nil {
		t.Fatal(err)
	}
	if room.Least != -10 || room.Most != 39 || !slices.Equal(room.Taken, []int{-5, 10, 20}) {
		t.Errorf("there is %+v", room)
	}
	if _, err := RoomToMove(strung(5), turnsAt(6)); err == nil {
		t.Error("a key that is not there has room")
	}
}

// The room is what the command itself takes: every way of dragging inside it is
// taken, every one outside refused.
func TestTheRoomIsWhatTheCommandTakes(t *testing.T) {
	c := strung(3, 8, 9, 21, 40, 58)
	moving := turnsAt(8, 21, 40)
	taken := func(command string, args ...any) bool {
		keys, _ := json.Marshal(moving)
		_, err := Apply(c, fmt.Appendf(nil, command, append([]any{keys}, args...)...))
		return err == nil
	}
	room, err := RoomToMove(c.Copy(), moving)
	if err != nil {
		t.Fatal(err)
	}
	for by := -30; by <= 30; by++ {
		want := by >= room.Least && by <= room.Most && !slices.Contains(room.Taken, by)
		if got := taken(`{"type":"moveKeys","keys":%s,"by":%d}`, by); got != want {
			t.Errorf("moving by %d: taken is %t, the room says %t", by, got, want)
		}
	}
	room, err = RoomToStretch(c.Copy(), moving, 8, 40)
	if err != nil {
		t.Fatal(err)
	}
	for by := -31; by <= 30; by++ {
		want := by >= room.Least && by <= room.Most && !slices.Contains(room.Taken, by)
		if got := taken(`{"type":"stretchKeys","keys":%s,"anchor":8,"factor":%v}`, float64(32+by)/32); got != want {
			t.Errorf("stretching by %d: taken is %t, the room says %t", by, got, want)
		}
	}
}

func TestKeysAreFoundAgainAfterACommand(t *testing.T) {
	c := strung(10, 20, 40)
	for _, step := range []struct {
		command string
		want    []KeyRef
	}{
		{`{"type":"reverseKeys","keys":[{"layer":"backdrop","property":"rotation","frame":10},{"layer":"backdrop","property":"rotation","frame":20},{"layer":"backdrop","property":"rotation","frame":40}]}`, turnsAt(40, 30, 10)},
		{`{"type":"moveKeys","keys":[{"layer":"backdrop","property":"rotation","frame":40}],"by":-25}`, turnsAt(10, 20, 15)},
		{`{"type":"removeKeys","keys":[{"layer":"backdrop","property":"rotation","frame":20}]}`, turnsAt(10, 40)},
		{`{"type":"setClip","rate":60}`, turnsAt(20, 40, 80)},
		{`{"type":"copyLayer","layer":"backdrop","id":"copy"}`, turnsAt(10, 20, 40)},
		{`{"type":"removeLayer","layer":"backdrop"}`, nil},
	} {
		got, err := Moved(c, []byte(step.command), turnsAt(10, 20, 40))
		if err != nil {
			t.Fatal(err)
		}
		if !slices.Equal(got, step.want) {
			t.Errorf("after %s they are %v, want %v", step.command, got, step.want)
		}
	}
	if c.Layers[0].Tracks[clip.Rotation][0].Mark != 0 {
		t.Error("a mark was left in the clip")
	}
}

func TestWhatALayerMayBeTiedTo(t *testing.T) {
	c := strung()
	add := func(l clip.Layer, group string) {
		l.Group = group
		c.Layers = append(c.Layers, l)
	}
	add(clip.NewGroup("outer", "Outer"), "")
	add(clip.NewGroup("inner", "Inner"), "outer")
	add(clip.NewWords("in", "In", clip.KindWords, "In"), "inner")
	add(clip.NewWords("out", "Out", clip.KindWords, "Out"), "")
	c.Layer("out").Follow = &clip.Follow{Layer: "in", Position: true}
	ids := func(list []clip.Choice) string {
		out := ""
		for _, ch := range list {
			out += ch.ID + " "
		}
		return out
	}
	// A group cannot lie in what is in it, nor follow what follows its own layer.
	if got := ids(c.ChoicesOf("outer").Groups); got != "" {
		t.Errorf("the outer group may lie in %s", got)
	}
	if got := ids(c.ChoicesOf("out").Groups); got != "outer inner " {
		t.Errorf("a layer may lie in %s", got)
	}
	if got := ids(c.ChoicesOf("in").Leaders); got != "" {
		t.Errorf("what is followed may follow %s", got)
	}
	if got := ids(c.ChoicesOf("out").Leaders); got != "outer inner in " {
		t.Errorf("a layer outside may follow %s", got)
	}
	if got := ids(c.ChoicesOf("inner").Cuts); got != "in " {
		t.Errorf("the inner group may be cut to %s", got)
	}
}
