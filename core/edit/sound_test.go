package edit

import (
	"encoding/json"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/timing"
)

// shot is footage and the sound that was taken with it.
type shot struct{ seen, heard clip.Prop }

func film() shot {
	with := strings.Repeat("5", 64)
	return shot{
		clip.Prop{ID: "film", Name: "Film", Kind: clip.KindFootage, Hash: strings.Repeat("f", 64), Media: "video/quicktime",
			Picture: &clip.Picture{W: 100, H: 80, Visible: [4]int{0, 0, 100, 80}}, Footage: &clip.Footage{Seconds: 8, Frames: 240, Sound: with}},
		clip.Prop{ID: "heard", Name: "Heard", Kind: clip.KindTune, Hash: with, Media: "audio/wav",
			Sound: &clip.Sound{Seconds: 8, Tempo: timing.Even(120), Hits: []clip.Hit{}}},
	}
}

// The sound of footage begins with its layer, at the part that is seen first, and ends with it.
func TestTheSoundOfFootageGoesWithIt(t *testing.T) {
	c := sample()
	c.Props = append(c.Props, film().seen)
	l := clip.Draft(c, clip.KindCutout, "Film", "film", "")
	l.ID, l.From, l.Cutout.Runs = "film-layer", timing.At(45), &clip.Running{From: 2}
	end := timing.At(105)
	l.To = &end
	c.Layers = append(c.Layers, l)
	prop, err := json.Marshal(film().heard)
	if err != nil {
		t.Fatal(err)
	}
	hear := `{"type":"hearFootage","layer":"film-layer","prop":` + string(prop) + `}`
	out := do(t, c, hear)
	if len(out.Sounds) != 1 {
		t.Fatalf("there are %d sounds", len(out.Sounds))
	}
	s := out.Sounds[0]
	if at := out.Clock().Frame(s.At); at != 45 || s.Trim != 2 || s.Length != 60 || s.Prop != "heard" {
		t.Errorf("it begins on frame %d at its second %g and sounds for %d frames of %s", at, s.Trim, s.Length, s.Prop)
	}
	if again := do(t, out, hear); len(again.Sounds) != 1 || len(again.Props) != len(out.Props) {
		t.Errorf("said again there are %d sounds and %d props", len(again.Sounds), len(again.Props))
	}
	refused(t, c, strings.Replace(hear, "film-layer", "mug-layer", 1), "prop")
}

// TestCreditsAreSaid: what is used and has a credit is told once, a sound that has none is said to lack it, and
// what nothing uses is not spoken of.
func TestCreditsAreSaid(t *testing.T) {
	c := struck()
	credits := c.CreditsOf()
	if len(credits.Lines) != 0 || len(credits.Lacking) != 1 || credits.Lacking[0].Prop != "tune" {
		t.Errorf("at first they are %+v", credits)
	}
	c = do(t, c, `{"type":"setCredit","prop":"tune","credit":"  Tune by A. Maker,\n CC BY 4.0, from her page "}`)
	c = do(t, c, `{"type":"setCredit","prop":"quick","credit":"Quick by nobody"}`)
	credits = c.CreditsOf()
	if len(credits.Lacking) != 0 || len(credits.Lines) != 1 || credits.Lines[0] != "Tune by A. Maker, CC BY 4.0, from her page" {
		t.Errorf("then they are %+v", credits)
	}
	refused(t, c, `{"type":"setCredit","prop":"none","credit":"x"}`, "prop")
	refused(t, c, `{"type":"setCredit","prop":"tune","credit":"`+strings.Repeat("é", 301)+`"}`, "credit")
}
