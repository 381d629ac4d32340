package e2e

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"testing"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/frame"
	"billow/core/paint"
	"billow/export"
	"billow/media"
)

// TestBlendingInAGroupAgreesWithTheBrowser compares all blend modes within a group that is
// half transparent, and so is mixed by itself before it comes onto the backdrop, with an
// element of CSS whose opacity isolates what is in it; and with those of a group that does not.
func TestBlendingInAGroupAgreesWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	square, _ := clip.StandardShape("square")
	const under, below, above = "#d8b27a", "#2c7c7a", "#dd4f28b0"
	for _, mode := range clip.BlendModes {
		for _, opacity := range []float64{60, 100} {
			c := clip.New("Blend", square, 30, 1)
			fill := func(s string) []clip.Stop {
				col, err := colour.Parse(s)
				if err != nil {
					t.Fatal(err)
				}
				return []clip.Stop{{ID: 1, Colour: col}}
			}
			c.Layers[0].Backdrop.Stops = fill(under)
			g := clip.NewGroup("g", "Group")
			g.Values = map[string][]float64{clip.Opacity: {opacity}}
			card := func(id, fillColour, blend string, x float64) clip.Layer {
				l := clip.NewLayer(id, id, clip.KindCard)
				col, _ := colour.Parse(fillColour)
				l.Card = &clip.Card{Form: "card", Aspect: 1, Fill: col}
				l.Rest.Size, l.Rest.X, l.Blend, l.Group = 600, x, blend, "g"
				return l
			}
			c.Layers = append(c.Layers, card("one", below, "normal", -100), card("two", above, mode, 100), g)
			if err := c.Validate(); err != nil {
				t.Fatal(err)
			}
			stage, err := frame.Prepare(c, square, 100, 100, export.Library())
			if err != nil {
				t.Fatal(err)
			}
			b := paint.NewBitmap(100, 100)
			stage.Painter().Draw(b, 0)
			shown := u.shown(fmt.Sprintf(`<div style=\"position:absolute;inset:0;background:%s;isolation:isolate\">`+
				`<div style=\"position:absolute;inset:0;opacity:%g\">`+
				`<div style=\"position:absolute;left:10px;top:20px;width:60px;height:60px;background:%s\"></div>`+
				`<div style=\"position:absolute;left:30px;top:20px;width:60px;height:60px;background:%s;mix-blend-mode:%s\"></div></div></div>`,
				under, opacity/100, below, above, mode), 100, 100, 1)
			// In the middle of each part: one alone, both, the other alone.
			for _, x := range []int{20, 50, 80} {
				p, want := b.Pix[50*100+x], shown[50*100+x]
				for k, v := range want {
					if d := int(p>>(8*k)&255) - int(v); d < -2 || d > 2 {
						t.Errorf("%s at %g%%, at %d: %d,%d,%d, the browser has %v", mode, opacity, x, p&255, p>>8&255, p>>16&255, want)
						break
					}
				}
			}
		}
	}
}

// TestFootageBlendsInAGroupAsInTheBrowser does so with footage over a card: its colours are those that
// ffmpeg decodes from the file as it is kept.
func TestFootageBlendsInAGroupAsInTheBrowser(t *testing.T) {
	u := visit(t, "/")
	square, _ := clip.StandardShape("square")
	prop, file := taken(t, "-f", "lavfi", "-i", "color=0xdd4f28:s=120x120:d=1:r=30,drawbox=x=60:w=60:h=120:c=0x5c9c3a:t=fill", "-crf", "4", "-pix_fmt", "yuv444p")
	kept := filepath.Join(t.TempDir(), "kept.mov")
	if err := os.WriteFile(kept, file, 0o600); err != nil {
		t.Fatal(err)
	}
	raw, err := exec.Command("ffmpeg", "-v", "error", "-i", kept, "-map", "0:v:0", "-frames:v", "1", "-f", "rawvideo", "-pix_fmt", "rgb24", "-").Output()
	if err != nil || len(raw) != 120*120*3 {
		t.Fatalf("%d bytes: %v", len(raw), err)
	}
	seen := func(x int) string { return fmt.Sprintf("#%x", raw[3*(60*120+x):][:3]) }
	const under, below = "#d8b27a", "#2c7c7a"
	for _, mode := range clip.BlendModes {
		c := clip.New("Blend", square, 30, 30)
		c.Props = append(c.Props, prop)
		colourOf := func(s string) colour.Colour {
			col, err := colour.Parse(s)
			if err != nil {
				t.Fatal(err)
			}
			return col
		}
		c.Layers[0].Backdrop.Stops = []clip.Stop{{ID: 1, Colour: colourOf(under)}}
		g := clip.NewGroup("g", "Group")
		g.Values = map[string][]float64{clip.Opacity: {60}}
		card := clip.NewLayer("one", "one", clip.KindCard)
		card.Card = &clip.Card{Form: "card", Aspect: 1, Fill: colourOf(below)}
		card.Rest.Size, card.Group = 900, "g"
		film := clip.NewLayer("two", "two", clip.KindCutout)
		film.Cutout = &clip.Cutout{Prop: prop.ID}
		film.Rest.Size, film.Blend, film.Group = 600, mode, "g"
		c.Layers = append(c.Layers, card, film, g)
		if err := c.Validate(); err != nil {
			t.Fatal(err)
		}
		lib := export.Library()
		open := func(context.Context, string) (io.ReadCloser, error) { return io.NopCloser(bytes.NewReader(file)), nil }
		if err := export.Load(t.Context(), c, lib, open); err != nil {
			t.Fatal(err)
		}
		stage, err := frame.Prepare(c, square, 100, 100, lib)
		if err != nil {
			t.Fatal(err)
		}
		b := paint.NewBitmap(100, 100)
		stage.Painter().Draw(b, 7)
		shown := u.shown(fmt.Sprintf(`<div style=\"position:absolute;inset:0;background:%s;isolation:isolate\">`+
			`<div style=\"position:absolute;inset:0;opacity:0.6\">`+
			`<div style=\"position:absolute;left:5px;top:5px;width:90px;height:90px;background:%s\"></div>`+
			`<div style=\"position:absolute;left:20px;top:20px;width:30px;height:60px;background:%s;mix-blend-mode:%s\"></div>`+
			`<div style=\"position:absolute;left:50px;top:20px;width:30px;height:60px;background:%s;mix-blend-mode:%s\"></div></div></div>`,
			under, below, seen(20), mode, seen(100), mode), 100, 100, 1)
		for _, x := range []int{35, 65} {
			p, want := b.Pix[50*100+x], shown[50*100+x]
			for k, v := range want {
				if d := int(p>>(8*k)&255) - int(v); d < -2 || d > 2 {
					t.Errorf("%s, at %d: %d,%d,%d, the browser has %v", mode, x, p&255, p>>8&255, p>>16&255, want)
					break
				}
			}
		}
	}
}

// taken is footage that ffmpeg makes, as it is kept, and its prop.
func taken(t *testing.T, args ...string) (clip.Prop, []byte) {
	t.Helper()
	file := filepath.Join(t.TempDir(), "taken.mp4")
	if out, err := exec.Command("ffmpeg", append(append([]string{"-v", "error", "-y"}, args...), file)...).CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	in, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	s, err := media.NewSpool(bytes.NewReader(in), 1<<30)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	f, err := media.TakeFootage(t.Context(), "taken.mp4", s, media.DefaultLimits(), func(float64) {})
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	out, err := io.ReadAll(f.File.Again())
	if err != nil {
		t.Fatal(err)
	}
	return f.Prop, out
}
