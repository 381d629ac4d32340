package bundle

import (
	"archive/zip"
	"bytes"
	"context"
	"errors"
	"io"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/edit"
	"billow/media"
)

func sample() (*clip.Clip, map[string][]byte) {
	tall, _ := clip.StandardShape("tall")
	c := clip.New("Sample", tall, 30, 90)
	file := []byte("\x89PNG\r\n\x1a\na picture's bytes")
	c.Props = []clip.Prop{{ID: "p", Name: "Mug", Kind: clip.KindCutout, Hash: media.Hash(file), Media: "image/png", Picture: &clip.Picture{W: 2, H: 2, Visible: [4]int{0, 0, 2, 2}}}}
	return c, map[string][]byte{media.Hash(file): file}
}

func packed(t *testing.T, files map[string]string) []byte {
	t.Helper()
	var b bytes.Buffer
	z := zip.NewWriter(&b)
	for name, content := range files {
		w, err := z.Create(name)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := w.Write([]byte(content)); err != nil {
			t.Fatal(err)
		}
	}
	if err := z.Close(); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func opener(files map[string][]byte) func(context.Context, string) (io.ReadCloser, error) {
	return func(_ context.Context, h string) (io.ReadCloser, error) {
		return io.NopCloser(bytes.NewReader(files[h])), nil
	}
}

func TestABundleComesBackEqual(t *testing.T) {
	c, files := sample()
	var first bytes.Buffer
	if err := Write(t.Context(), &first, c, nil, opener(files)); err != nil {
		t.Fatal(err)
	}
	b, err := Read(bytes.NewReader(first.Bytes()), int64(first.Len()))
	if err != nil {
		t.Fatal(err)
	}
	if string(b.Clip.Encode()) != string(c.Encode()) {
		t.Error("the clip changed on the way")
	}
	var second bytes.Buffer
	if err := Write(t.Context(), &second, b.Clip, b.Cuts, b.Open); err != nil {
		t.Fatal(err)
	}
	if !bytes.Equal(first.Bytes(), second.Bytes()) {
		t.Error("written again, the bundle differs")
	}
}

func TestBadBundlesAreRefusedInWords(t *testing.T) {
	c, files := sample()
	doc := string(c.Encode())
	good := ""
	for h := range files {
		good = h
	}
	cases := map[string]struct {
		files map[string]string
		says  string
	}{
		"climbing":     {map[string]string{"clip.json": doc, "../../etc/x": "x"}, "leads out"},
		"absolute":     {map[string]string{"clip.json": doc, "/etc/x": "x"}, "leads out"},
		"backslash":    {map[string]string{"clip.json": doc, `..\x`: "x"}, "leads out"},
		"wrong hash":   {map[string]string{"clip.json": doc, "files/" + good + ".png": "\x89PNG\r\n\x1a\nsomething else"}, "damaged"},
		"missing file": {map[string]string{"clip.json": doc}, `"Mug" is missing`},
		"no clip":      {map[string]string{"files/" + good + ".png": string(files[good])}, "no clip.json"},
		"stranger":     {map[string]string{"clip.json": doc, "readme.txt": "hello"}, "does not belong"},
		"zeros":        {map[string]string{"clip.json": doc, "files/" + good + ".png": string(make([]byte, 1<<20))}, "neither a picture nor a tune"},
		"a page":       {map[string]string{"clip.json": doc, "files/" + good + ".png": "<html><script>"}, "neither a picture nor a tune"},
		"bad clip":     {map[string]string{"clip.json": `{"version":1,"wings":2}`}, "wings"},
		"newer clip":   {map[string]string{"clip.json": `{"version":7}`}, "version 7"},
	}
	for name, k := range cases {
		b := packed(t, k.files)
		if _, err := Read(bytes.NewReader(b), int64(len(b))); err == nil || !strings.Contains(err.Error(), k.says) {
			t.Errorf("%s: the error is %v, want one that says %q", name, err, k.says)
		}
	}
	for _, twice := range []string{"clip.json", "files/" + good + ".png"} {
		var b bytes.Buffer
		z := zip.NewWriter(&b)
		for _, name := range []string{"clip.json", "files/" + good + ".png", twice} {
			w, err := z.Create(name)
			if err != nil {
				t.Fatal(err)
			}
			content := string(files[good])
			if name == "clip.json" {
				content = doc
			}
			if _, err := w.Write([]byte(content)); err != nil {
				t.Fatal(err)
			}
		}
		if err := z.Close(); err != nil {
			t.Fatal(err)
		}
		if _, err := Read(bytes.NewReader(b.Bytes()), int64(b.Len())); err == nil || !strings.Contains(err.Error(), "tw") {
			t.Errorf("with two %s the error is %v", twice, err)
		}
	}
	if _, err := Read(strings.NewReader("PK but not a zip"), 16); err == nil {
		t.Error("what is no zip was read")
	}
}

// Groups, moves, line-ups, keys of the light and marks come back as they were.
func TestMotionComesBackEqual(t *testing.T) {
	c, files := sample()
	for _, command := range []string{
		`{"type":"setMove","layer":"` + c.Layers[0].ID + `","move":{"kind":"swell","at":{"beat":1},"length":9,"turn":0,"strength":90}}`,
		`{"type":"groupLayers","layers":["` + c.Layers[0].ID + `"],"id":"g","name":"Group"}`,
		`{"type":"setLayer","layer":"g","set":{"inside":{"speed":0.5,"reverse":true},"stepping":{"rate":8,"turn":3},"wander":{"amount":4,"pace":1}}}`,
		`{"type":"setKey","layer":"@light","property":"height","key":{"at":3,"value":[30],"ease":{"kind":"bounce","count":2,"decay":0.5}}}`,
		`{"type":"setMarks","markers":[{"name":"Here","at":{"beat":2,"frames":-1}}],"range":{"in":1,"out":9}}`,
	} {
		next, err := edit.Apply(c, []byte(command))
		if err != nil {
			t.Fatalf("%s: %v", command, err)
		}
		c = next
	}
	var out bytes.Buffer
	if err := Write(t.Context(), &out, c, nil, opener(files)); err != nil {
		t.Fatal(err)
	}
	b, err := Read(bytes.NewReader(out.Bytes()), int64(out.Len()))
	if err != nil {
		t.Fatal(err)
	}
	if string(b.Clip.Encode()) != string(c.Encode()) {
		t.Error("the clip changed on the way")
	}
}

// FuzzRead: whatever is sent as a bundle is a bundle or a mistake that is told.
func FuzzRead(f *testing.F) {
	c, files := sample()
	var whole bytes.Buffer
	if err := Write(context.Background(), &whole, c, nil, opener(files)); err != nil {
		f.Fatal(err)
	}
	f.Add(whole.Bytes())
	f.Add(whole.Bytes()[:whole.Len()-30])
	f.Add([]byte("PK\x05\x06" + string(make([]byte, 18))))
	f.Fuzz(func(t *testing.T, b []byte) {
		got, err := Read(bytes.NewReader(b), int64(len(b)))
		var fault *clip.FieldError
		if err != nil && (!errors.As(err, &fault) || len(fault.Reason) < 10) {
			t.Fatalf("the error is %v", err)
		}
		if err == nil && got.Clip.Validate() != nil {
			t.Fatal("a clip came out that is not valid")
		}
	})
}
