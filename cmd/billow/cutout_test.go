package main

import (
	"encoding/json"
	"image"
	"image/color"
	"image/png"
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/cutout"
)

// onGreen writes a photo of an orange square on green card: 40..100 across, 30..90 down.
func onGreen(t *testing.T) string {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, 160, 120))
	for y := range 120 {
		for x := range 160 {
			c := color.NRGBA{50, 160, 90, 255}
			if x >= 40 && x < 100 && y >= 30 && y < 90 {
				c = color.NRGBA{220, 120, 40, 255}
			}
			m.Set(x, y, c)
		}
	}
	name := filepath.Join(t.TempDir(), "photo.png")
	f, err := os.Create(name)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	if err := png.Encode(f, m); err != nil {
		t.Fatal(err)
	}
	return name
}

func pngAt(t *testing.T, name string) image.Image {
	t.Helper()
	f, err := os.Open(name)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	m, err := png.Decode(f)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

func TestAPhotoIsCutOut(t *testing.T) {
	photo := onGreen(t)
	out := filepath.Join(t.TempDir(), "cut.png")
	says, problems, code := billow(t, "cutout", photo, "--out", out, "--json")
	if code != 0 {
		t.Fatal(problems)
	}
	var found cutout.Found
	if err := json.Unmarshal([]byte(says), &found); err != nil {
		t.Fatal(err)
	}
	if found.Method != cutout.Plain || found.Why == "" || found.NeedsALook() {
		t.Errorf("it says %+v", found)
	}
	for i, want := range []int{40, 30, 100, 90} {
		if math.Abs(float64(found.Bounds[i]-want)) > 1 {
			t.Errorf("bounds %v, the square has 40, 30, 100, 90", found.Bounds)
		}
	}
	m := pngAt(t, out)
	if _, _, _, a := m.At(5, 5).RGBA(); a != 0 {
		t.Error("the ground is still there")
	}
	if c := color.NRGBAModel.Convert(m.At(70, 60)).(color.NRGBA); c != (color.NRGBA{220, 120, 40, 255}) {
		t.Errorf("the square has become %v", c)
	}
}

func TestStrokesAndABoxAreFollowed(t *testing.T) {
	photo := onGreen(t)
	dir := t.TempDir()
	strokes := filepath.Join(dir, "strokes.json")
	if err := os.WriteFile(strokes, []byte(`[{"stays": false, "radius": 14, "points": [[40, 30], [100, 30]]}]`), 0o600); err != nil {
		t.Fatal(err)
	}
	out := filepath.Join(dir, "cut.png")
	if _, problems, code := billow(t, "cutout", photo, "--out", out, "--strokes", strokes); code != 0 {
		t.Fatal(problems)
	}
	m := pngAt(t, out)
	if _, _, _, a := m.At(70, 34).RGBA(); a != 0 {
		t.Error("what a stroke lets go is still there")
	}
	if _, problems, code := billow(t, "cutout", photo, "--out", out, "--box", "20,20,50,80"); code != 0 {
		t.Fatal(problems)
	}
	m = pngAt(t, out)
	if _, _, _, a := m.At(90, 60).RGBA(); a != 0 {
		t.Error("what lies outside the box is still there")
	}
	if _, _, _, a := m.At(55, 60).RGBA(); a != 0xffff {
		t.Error("what lies in the box is gone")
	}
}

func TestWhatCannotBeCutIsSaid(t *testing.T) {
	photo := onGreen(t)
	dir := t.TempDir()
	out := filepath.Join(dir, "cut.png")
	bad := filepath.Join(dir, "bad.json")
	if err := os.WriteFile(bad, []byte("{"), 0o600); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		args []string
		says string
	}{
		{[]string{photo, "--box", "900,0,10,10"}, "outside the photo"},
		{[]string{photo, "--box", "1,2,3"}, "x,y,width,height"},
		{[]string{photo, "--strokes", bad}, "not a list of strokes"},
		{[]string{photo, "--feather", "400"}, "0 to 50 pixels"},
		{[]string{bad}, "bad.json"},
		{[]string{filepath.Join(dir, "none.jpg")}, "none.jpg"},
	} {
		_, problems, code := billow(t, append([]string{"cutout", "--out", out}, c.args...)...)
		if code == 0 || !strings.Contains(problems, c.says) {
			t.Errorf("%v: code %d, %q", c.args, code, problems)
		}
	}
}

func TestAFolderOfPhotosIsCut(t *testing.T) {
	dir, out := filepath.Dir(onGreen(t)), filepath.Join(t.TempDir(), "cut")
	for name, content := range map[string]string{"broken.jpg": "no picture", "notes.txt": "no photo"} {
		if err := os.WriteFile(filepath.Join(dir, name), []byte(content), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	said, problems, code := billow(t, "cutout", "--dir", dir, "--out", out, "--json")
	if code != 0 {
		t.Fatal(problems)
	}
	var list []cutOne
	if err := json.Unmarshal([]byte(said), &list); err != nil {
		t.Fatalf("%v in %s", err, said)
	}
	if len(list) != 2 || list[0].Photo != "broken.jpg" || list[0].Problem == "" || list[1].Out != "photo.png" || list[1].NeedsLook || list[1].Method != cutout.Plain {
		t.Errorf("it says %+v", list)
	}
	if cut := pngAt(t, filepath.Join(out, "photo.png")); cut.Bounds().Dx() != 160 {
		t.Errorf("the cut-out is %v large", cut.Bounds())
	}
	if said, _, _ := billow(t, "cutout", "--dir", dir, "--out", out); !strings.Contains(said, "2 photos, 0 of them need a look") {
		t.Errorf("it says %s", said)
	}
	for _, args := range [][]string{{"--out", out}, {"photo.png", "--dir", dir, "--out", out}, {"--dir", t.TempDir(), "--out", out}} {
		if _, problems, code := billow(t, append([]string{"cutout"}, args...)...); code == 0 || problems == "" {
			t.Errorf("%v: exit code %d, %q", args, code, problems)
		}
	}
}
