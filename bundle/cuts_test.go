package bundle

import (
	"bytes"
	"image"
	"image/color"
	"image/png"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/media"
)

// picture is a PNG of one colour with some clear pixels, and its hash.
func picture(t *testing.T, w int, c color.NRGBA) (hash string, file []byte) {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, w, w))
	for i := range w * w / 2 {
		m.SetNRGBA(i%w, i/w, c)
	}
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return media.Hash(b.Bytes()), b.Bytes()
}

// A clip that shows a cut goes along with the photo and what was wanted of it, the whole of
// which it is a part included; all of them are taken in where it arrives.
func TestCutsGoAlong(t *testing.T) {
	photo, photoFile := picture(t, 9, color.NRGBA{200, 10, 10, 255})
	whole, wholeFile := picture(t, 8, color.NRGBA{10, 200, 10, 255})
	part, partFile := picture(t, 4, color.NRGBA{10, 10, 200, 255})
	files := map[string][]byte{photo: photoFile, whole: wholeFile, part: partFile}
	square, _ := clip.StandardShape("square")
	c := clip.New("Cut", square, 30, 30)
	c.Props = []clip.Prop{{ID: "part", Name: "A part", Kind: clip.KindCutout, Hash: part, Media: "image/png", Picture: &clip.Picture{W: 4, H: 4, Visible: [4]int{0, 0, 4, 2}}}}
	order := cutout.Order{Strokes: []cutout.Stroke{{Stays: true, Radius: 2, Points: [][2]float64{{3, 3}}}}}
	cuts := []cutout.Kept{
		{Name: "Whole", Photo: photo, Result: whole, At: [2]int{1, 0}, Found: cutout.Found{Method: cutout.Plain, Confidence: .9}},
		{Name: "Part", Photo: photo, Order: order, Result: part, At: [2]int{2, 3}, PartOf: 1},
	}
	var packed bytes.Buffer
	if err := Write(t.Context(), &packed, c, cuts, opener(files)); err != nil {
		t.Fatal(err)
	}
	b, err := Read(bytes.NewReader(packed.Bytes()), int64(packed.Len()))
	if err != nil {
		t.Fatal(err)
	}
	kept := map[string]bool{}
	if err := b.Intake(t.Context(), media.DefaultLimits(), func(p clip.Prop, _ *media.Spool) error { kept[p.Hash] = true; return nil }); err != nil {
		t.Fatal(err)
	}
	if len(kept) != 3 || !kept[photo] || !kept[whole] || !kept[part] {
		t.Errorf("of three files %d came along", len(kept))
	}
	if len(b.Cuts) != 2 || b.Cuts[1].PartOf != 1 || b.Cuts[1].At != [2]int{2, 3} || len(b.Cuts[1].Order.Strokes) != 1 || b.Cuts[0].Found.Confidence != .9 {
		t.Errorf("the cuts arrive as %+v", b.Cuts)
	}
	if got := cutout.Whole(b.Cuts, 0); len(got.Out) != 1 || len(got.Out[0].Strokes) != 1 {
		t.Errorf("the part is not taken out of the whole: %+v", got)
	}
}

func TestBadCutsAreRefusedInWords(t *testing.T) {
	photo, file := picture(t, 4, color.NRGBA{200, 10, 10, 255})
	square, _ := clip.StandardShape("square")
	c := clip.New("Cut", square, 30, 30)
	good := cutout.Kept{Name: "Whole", Photo: photo, Result: photo}
	for _, bad := range []struct {
		says string
		cuts []cutout.Kept
	}{
		{"comes after", []cutout.Kept{{Name: "Part", Photo: photo, Result: photo, PartOf: 2}, good}},
		{"out of a part", []cutout.Kept{good, {Photo: photo, Result: photo, PartOf: 1}, {Photo: photo, Result: photo, PartOf: 2}}},
		{"radius of a stroke", []cutout.Kept{{Photo: photo, Result: photo, Order: cutout.Order{Strokes: []cutout.Stroke{{Radius: -1, Points: [][2]float64{{1, 1}}}}}}}},
		{"far outside", []cutout.Kept{{Photo: photo, Result: photo, At: [2]int{1 << 40, 0}}}},
		{"cannot be read", []cutout.Kept{{Name: "a\x00b", Photo: photo, Result: photo}}},
		{"cuts of their own", []cutout.Kept{{Photo: photo, Result: photo, Order: cutout.Order{Out: []cutout.Order{{}}}}}},
	} {
		var packed bytes.Buffer
		if err := Write(t.Context(), &packed, c, bad.cuts, opener(map[string][]byte{photo: file})); err != nil {
			t.Fatal(err)
		}
		if _, err := Read(bytes.NewReader(packed.Bytes()), int64(packed.Len())); err == nil || !strings.Contains(err.Error(), bad.says) {
			t.Errorf("asked for %q, got %v", bad.says, err)
		}
	}
	var packed bytes.Buffer
	missing := good
	missing.Photo = strings.Repeat("a", 64)
	if err := Write(t.Context(), &packed, c, []cutout.Kept{missing}, opener(map[string][]byte{photo: file, missing.Photo: file})); err != nil {
		t.Fatal(err)
	}
	if _, err := Read(bytes.NewReader(packed.Bytes()), int64(packed.Len())); err == nil || !strings.Contains(err.Error(), "not what its name says") {
		t.Errorf("a photo of another content gave %v", err)
	}
}

func TestACutOfASoundIsRefused(t *testing.T) {
	result, file := picture(t, 4, color.NRGBA{200, 10, 10, 255})
	sound := media.WAV(make([]float32, 48000))
	square, _ := clip.StandardShape("square")
	c := clip.New("Cut", square, 30, 30)
	cuts := []cutout.Kept{{Name: "A hum", Photo: media.Hash(sound), Result: result}}
	var packed bytes.Buffer
	if err := Write(t.Context(), &packed, c, cuts, opener(map[string][]byte{result: file, media.Hash(sound): sound})); err != nil {
		t.Fatal(err)
	}
	b, err := Read(bytes.NewReader(packed.Bytes()), int64(packed.Len()))
	if err != nil {
		t.Fatal(err)
	}
	err = b.Intake(t.Context(), media.DefaultLimits(), func(clip.Prop, *media.Spool) error { return nil })
	if err == nil || !strings.Contains(err.Error(), "A hum") {
		t.Errorf("a cut of a sound gave %v", err)
	}
}
