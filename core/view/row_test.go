package view

import (
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/motion"
	"billow/core/timing"
	"billow/core/words"
)

// stage is four seconds with a card whose keys are given.
func stage(tracks map[string]motion.Track) *clip.Clip {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Rows", tall, 30, 120)
	l := clip.Draft(c, clip.KindCard, "", "", "")
	l.ID, l.Tracks = "card", tracks
	c.Layers = append(c.Layers, l)
	return c
}

func seen(c *clip.Clip, open ...string) View {
	return Of(c, frame.Arrange(c, c.Shapes[0], frame.NewLibrary(words.NewFonts(), 1<<20)), open)
}

func key(f int, kind string, value ...float64) motion.Key {
	return motion.Key{At: timing.At(f), Value: value, Ease: motion.Ease{Kind: kind}}
}

func TestAClosedRowTellsItsFirstStringOnly(t *testing.T) {
	c := stage(map[string]motion.Track{
		clip.Position: {key(0, motion.InOut, 0, 0), key(30, motion.Linear, 5, 100)},
		clip.Opacity:  {key(0, motion.InOut, 0), key(30, motion.Linear, 100)},
	})
	closed, open := seen(c).Rows[0], seen(c, "card").Rows[0]
	if len(closed.Tracks) != 2 || len(closed.Tracks[0].String) == 0 || len(closed.Tracks[1].String) != 0 || len(closed.Tracks[0].Speed) != 0 {
		t.Errorf("closed, the tracks are %+v", closed.Tracks)
	}
	for _, tr := range open.Tracks {
		if len(tr.String) == 0 || len(tr.Speed) == 0 || len(tr.Beads[0].Curve) != 4 || tr.Beads[1].Curve != nil {
			t.Errorf("open, %s is %+v", tr.Property, tr)
		}
	}
	// An ease in-out is fastest in the middle.
	p := open.Tracks[0]
	if p.Dim != 1 || p.Lo != 0 || p.Hi != 100 || p.Peak == nil || p.Peak.Frame < 10 || p.Peak.Frame > 19 || p.Peak.Fast {
		t.Errorf("the position is %+v with the peak %+v", p, p.Peak)
	}
}

func TestTooFastIsSaid(t *testing.T) {
	c := stage(map[string]motion.Track{clip.Position: {key(0, motion.Linear, 0, 0), key(2, motion.Linear, 1500, 0)}})
	// 1500 units in two frames are 22500 a second.
	if p := seen(c).Rows[0].Tracks[0].Peak; p == nil || !p.Fast || !strings.Contains(p.Text, "22500 units a second") {
		t.Errorf("the peak is %+v", p)
	}
}

func TestCreepsAreTold(t *testing.T) {
	c := stage(map[string]motion.Track{clip.Position: {
		key(0, motion.Out, 900, 0), key(15, motion.Linear, 0, 0), key(90, motion.In, -30, 0), key(100, motion.Linear, -900, 0),
	}})
	creeps := seen(c).Rows[0].Tracks[0].Creeps
	if len(creeps) != 1 || creeps[0].From != 15 || creeps[0].To != 90 || creeps[0].Text != "creeps 30 units in 2s15f" {
		t.Errorf("the creeps are %+v", creeps)
	}
}

func TestHoldsAreFlatAndSpringsWobble(t *testing.T) {
	c := stage(map[string]motion.Track{clip.Rotation: {
		key(0, motion.Hold, 0), {At: timing.At(30), Value: []float64{0}, Ease: motion.Ease{Kind: motion.Spring, Bounce: 0.8}}, key(90, motion.Linear, 10),
	}})
	tr := seen(c).Rows[0].Tracks[0]
	turns, last, rising := 0, -1.0, true
	for i := 0; i < len(tr.String); i += 2 {
		f, h := tr.String[i], tr.String[i+1]
		if f < 30 && h != tr.String[1] {
			t.Fatalf("in the hold, frame %g is at %g", f, h)
		}
		if last >= 0 && (h > last) != rising && h != last {
			turns++
			rising = h > last
		}
		last = h
	}
	if turns < 4 {
		t.Errorf("the spring turns %d times", turns)
	}
}

func TestRowsFollowGroupsAndTheLight(t *testing.T) {
	c := stage(map[string]motion.Track{clip.Opacity: {key(0, motion.Linear, 5)}})
	c.Layers[2].Group = "inner"
	inner, outer := clip.NewGroup("inner", "Inner"), clip.NewGroup("outer", "Outer")
	inner.Group = "outer"
	front := clip.Draft(c, clip.KindCard, "", "", "")
	front.ID = "front"
	c.Layers = append(c.Layers, outer, inner, front)
	c.Light.Tracks = map[string]motion.Track{clip.LightDirection: {key(0, motion.Linear, -30), key(60, motion.Linear, 30)}}
	var got []string
	for _, r := range seen(c).Rows {
		got = append(got, fmt.Sprintf("%s%d", r.Layer, r.Depth))
	}
	if text := strings.Join(got, " "); text != "@light0 front0 outer0 inner1 card2 scene0 backdrop0" {
		t.Errorf("the rows are %s", text)
	}
	only := Rows(c, frame.Arrange(c, c.Shapes[0], frame.NewLibrary(words.NewFonts(), 1<<20)), nil, []string{"card"})
	if len(only) != 1 || only[0].Depth != 2 {
		t.Errorf("asked for one there are %+v", only)
	}
}

func TestMovesMarksAndTextsAreTold(t *testing.T) {
	c := stage(map[string]motion.Track{
		clip.Position:   {{At: timing.At(0), Value: []float64{0, 0}, Off: "aboveLeft", Ease: motion.Ease{Kind: motion.Linear}, Move: "gust"}, key(16, motion.Linear, 3, -4.25)},
		clip.Scale:      {key(0, motion.Linear, 50), key(9, motion.Linear, 50, 70)},
		clip.FillColour: {key(0, motion.Linear, 255, 0, 128, 255)},
	})
	c.Layers[2].Moves = []clip.Move{{ID: "gust", Kind: "gust", At: timing.OnBeat(1), Lands: true, Length: 15, Strength: 100}}
	c.Layer("scene").Scene.Frames = 70
	c.Layers = append(c.Layers, clip.NewScene("second", "B", clip.Scene{Frames: 50}))
	c.Layers[2], c.Layers[3] = c.Layers[3], c.Layers[2]
	c.Markers = []clip.Mark{{Name: "M", At: timing.OnBeat(2.5)}}
	c.Range = &clip.Range{In: timing.At(5), Out: timing.At(50)}
	v := seen(c)
	texts := map[string]string{}
	for _, tr := range v.Rows[0].Tracks {
		for _, b := range tr.Beads {
			texts[fmt.Sprintf("%s %d", tr.Property, b.Frame)] = b.Text
		}
	}
	for at, want := range map[string]string{
		"position 0": "just outside, above left", "position 16": "3, -4.3", "scale 0": "50%", "scale 9": "50%, 70%",
		"fillColour 0": colour.RGB(0xFF0080).String(),
	} {
		if texts[at] != want {
			t.Errorf("%s is %q, want %q", at, texts[at], want)
		}
	}
	if m := v.Rows[0].Moves; len(m) != 1 || m[0].From != 0 || m[0].To != 15 {
		t.Errorf("the moves are %+v", m)
	}
	if v.Scenes[0].To != 70 || v.Scenes[1].To != 120 || v.Markers[0].Frame != 38 || v.Markers[0].When != "b1.3.5" || *v.Range != [2]int{5, 50} {
		t.Errorf("the marks are %+v, %+v, %+v", v.Scenes, v.Markers, v.Range)
	}
}
