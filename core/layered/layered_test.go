package layered

import (
	"archive/zip"
	"bytes"
	"image"
	"image/color"
	"image/png"
	"reflect"
	"strings"
	"testing"

	"billow/core/clip"
)

// pixels is a PNG of one colour.
func pixels(t testing.TB, w, h int, c color.NRGBA) []byte {
	t.Helper()
	m := image.NewNRGBA(image.Rect(0, 0, w, h))
	for i := range w * h {
		m.SetNRGBA(i%w, i/w, c)
	}
	var out bytes.Buffer
	if err := png.Encode(&out, m); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// archive is a ZIP of files that are not compressed, in their order.
func archive(t testing.TB, files ...string) []byte {
	t.Helper()
	var out bytes.Buffer
	z := zip.NewWriter(&out)
	for i := 0; i < len(files); i += 2 {
		f, err := z.CreateHeader(&zip.FileHeader{Name: files[i], Method: zip.Store})
		if err == nil {
			_, err = f.Write([]byte(files[i+1]))
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	if err := z.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// written is a file as the specification shows one, by another program.
const written = `<?xml version='1.0' encoding='UTF-8'?>
<image version="0.0.3" w="300" h="177" xres="600" yres="600">
  <stack x="-4" y="10">
    <layer name="OpenRaster Logo" src="data/layer0.png" x="5" y="5" visibility="visible" opacity="1.0" composite-op="svg:src-over"/>
    <stack name="dressing" x="20" y="30" opacity="0.5" isolation="isolate">
      <layer name="glow" src="data/layer1.png" x="1" y="2" composite-op="svg:plus" visibility="hidden"/>
      <text x="1" y="2"/>
    </stack>
    <layer name="" src="data/layer1.png" composite-op="svg:color-dodge" opacity="0.25"/>
  </stack>
</image>`

func TestReadAsSpecified(t *testing.T) {
	logo, glow := string(pixels(t, 2, 2, color.NRGBA{9, 9, 9, 255})), string(pixels(t, 3, 1, color.NRGBA{200, 1, 1, 255}))
	b := archive(t, "mimetype", MediaType, "stack.xml", written, "data/layer0.png", logo, "data/layer1.png", glow)
	if !Is(b[:64]) {
		t.Error("it is not known by its beginning")
	}
	p, err := Read(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		t.Fatal(err)
	}
	want := &Picture{W: 300, H: 177, Layers: []Layer{ // the lowest first
		{Name: "", Opacity: .25, Blend: "color-dodge", PNG: []byte(glow)},
		{Name: "dressing", X: 20, Y: 30, Opacity: .5, Blend: "normal", Group: true, Stack: []Layer{
			{Name: "glow", X: 1, Y: 2, Opacity: 1, Hidden: true, Blend: "plus", PNG: []byte(glow)},
		}},
		{Name: "OpenRaster Logo", X: 5, Y: 5, Opacity: 1, Blend: "normal", PNG: []byte(logo)},
	}}
	if !reflect.DeepEqual(p, want) {
		t.Errorf("read\n%+v\nwant\n%+v", p, want)
	}
}

func TestWrittenIsRead(t *testing.T) {
	a, b := pixels(t, 4, 4, color.NRGBA{1, 2, 3, 255}), pixels(t, 1, 7, color.NRGBA{1, 2, 3, 99})
	p := &Picture{W: 90, H: 60, Layers: []Layer{
		{Name: "Backdrop & <card>", Opacity: 1, Blend: "normal", PNG: a},
		{Name: "Group", Opacity: .125, Blend: "multiply", Group: true, Stack: []Layer{
			{Name: "low", X: -3, Y: 50, Opacity: 1, Blend: "normal", PNG: b},
			{Name: "high", X: 3, Y: -5, Opacity: 1, Blend: "screen", Hidden: true, PNG: a},
		}},
	}}
	var out bytes.Buffer
	if err := Write(&out, p, a, b); err != nil {
		t.Fatal(err)
	}
	if !Is(out.Bytes()[:64]) {
		t.Error("its media type does not stand at its beginning")
	}
	got, err := Read(bytes.NewReader(out.Bytes()), int64(out.Len()))
	if err != nil {
		t.Fatal(err)
	}
	if !reflect.DeepEqual(got, p) {
		t.Errorf("read\n%+v\nwant\n%+v", got, p)
	}
	z, err := zip.NewReader(bytes.NewReader(out.Bytes()), int64(out.Len()))
	if err != nil {
		t.Fatal(err)
	}
	if z.File[0].Name != "mimetype" || z.File[0].Method != zip.Store {
		t.Errorf("its first file is %q", z.File[0].Name)
	}
	for _, name := range []string{"mergedimage.png", "Thumbnails/thumbnail.png"} {
		if f, err := z.Open(name); err != nil {
			t.Errorf("%s: %v", name, err)
		} else {
			f.Close()
		}
	}
}

func TestInAClip(t *testing.T) {
	p := &Picture{W: 500, H: 250, Layers: []Layer{
		{Name: "card", Opacity: 1, Blend: "normal"},
		{Name: "things", X: 100, Y: 50, Opacity: .5, Blend: "normal", Group: true, Stack: []Layer{
			{Name: "disc", X: 20, Y: 10, Opacity: 1, Blend: "plus", Hidden: true},
			{Name: "nothing", Opacity: 1, Blend: "normal"},
			{Name: "odd", Opacity: 1, Blend: "dst-in"},
		}},
	}}
	visible := map[string][4]int{"card": {0, 0, 500, 250}, "disc": {10, 0, 40, 20}, "odd": {0, 0, 10, 10}}
	layers, notes := p.InClip("Set", func(l *Layer) (*clip.Prop, float64) {
		v, ok := visible[l.Name]
		if !ok {
			return nil, 0
		}
		return &clip.Prop{ID: "p-" + l.Name, Picture: &clip.Picture{Visible: v}}, 1
	})
	byName := map[string]clip.Layer{}
	var order []string
	for _, l := range layers {
		byName[l.Name] = l
		order = append(order, l.Name)
	}
	if strings.Join(order, " ") != "card disc odd things Set" {
		t.Errorf("the layers are %v", order)
	}
	// Two units a pixel, from the middle of the picture, (250, 125). The disc's visible part
	// is 30 by 20 pixels about (100+20+25, 50+10+10).
	disc := byName["disc"]
	if r := disc.Rest; r.X != -210 || r.Y != -110 || r.Size != 60 {
		t.Errorf("the disc lies at %+v", r)
	}
	if card := byName["card"].Rest; card.X != 0 || card.Y != 0 || card.Size != 1000 {
		t.Errorf("the card lies at %+v", card)
	}
	if !disc.Hidden || disc.Blend != "screen" || disc.Group != byName["things"].ID || byName["things"].Group != byName["Set"].ID {
		t.Errorf("the disc is %+v", disc)
	}
	if o := byName["things"].Values[clip.Opacity]; len(o) != 1 || o[0] != 50 {
		t.Errorf("the group has opacity %v", o)
	}
	if len(notes) != 3 {
		t.Errorf("of what is shown otherwise is said %q", notes)
	}
}

func TestBadFiles(t *testing.T) {
	one := string(pixels(t, 1, 1, color.NRGBA{A: 255}))
	image := func(inside string) string { return `<image w="9" h="9"><stack>` + inside + `</stack></image>` }
	deep := strings.Repeat("<stack>", 30) + strings.Repeat("</stack>", 30)
	for name, b := range map[string][]byte{
		"no archive":      []byte("PK\x03\x04 and then nothing"),
		"no list":         archive(t, "mimetype", MediaType),
		"no XML":          archive(t, "stack.xml", "layers: many"),
		"no size":         archive(t, "stack.xml", `<image><stack/></image>`),
		"a missing file":  archive(t, "stack.xml", image(`<layer src="data/1.png"/>`)),
		"a wrong opacity": archive(t, "stack.xml", image(`<layer src="1.png" opacity="much"/>`), "1.png", one),
		"too many":        archive(t, "stack.xml", image(strings.Repeat(`<layer src="1.png"/>`, MostLayers+1)), "1.png", one),
		"too deep":        archive(t, "stack.xml", image(deep)),
		"far outside":     archive(t, "stack.xml", image(`<layer src="1.png" x="99999999"/>`), "1.png", one),
	} {
		if _, err := Read(bytes.NewReader(b), int64(len(b))); err == nil {
			t.Errorf("%s: it is read", name)
		} else {
			t.Logf("%s: %v", name, err)
		}
	}
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(written))
	f.Add([]byte(`<image w="9" h="9"><stack><layer src="data/layer0.png" opacity="1e-300"/></stack></image>`))
	one := string(pixels(f, 1, 1, color.NRGBA{A: 255}))
	f.Fuzz(func(t *testing.T, list []byte) {
		b := archive(t, "mimetype", MediaType, "stack.xml", string(list), "data/layer0.png", one, "data/layer1.png", one)
		p, err := Read(bytes.NewReader(b), int64(len(b)))
		if err != nil {
			return
		}
		// What was read can be written, and is the same then.
		var out bytes.Buffer
		if err := Write(&out, p, nil, nil); err != nil {
			t.Fatal(err)
		}
		again, err := Read(bytes.NewReader(out.Bytes()), int64(out.Len()))
		if err != nil {
			t.Fatalf("%v, after it was written", err)
		}
		if len(again.Layers) != len(p.Layers) {
			t.Fatalf("of %d layers %d are left", len(p.Layers), len(again.Layers))
		}
	})
}
