package media

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"image"
	"image/color"
	"image/jpeg"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"billow/core/clip"
)

// photo is a JPEG of 64 by 32 whose left upper quarter is red.
func photo(t *testing.T) []byte {
	t.Helper()
	m := image.NewRGBA(image.Rect(0, 0, 64, 32))
	for i := range m.Pix {
		m.Pix[i] = 255
	}
	for y := range 16 {
		for x := range 32 {
			m.Set(x, y, color.RGBA{255, 0, 0, 255})
		}
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, m, &jpeg.Options{Quality: 95}); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// segment puts an application segment behind a JPEG's beginning.
func segment(file []byte, marker byte, content []byte) []byte {
	out := append([]byte{0xff, 0xd8, 0xff, marker}, binary.BigEndian.AppendUint16(nil, uint16(len(content)+2))...)
	return append(append(out, content...), file[2:]...)
}

// orientation is EXIF data that says how a picture is turned.
func orientation(n byte) []byte {
	return append([]byte("Exif\x00\x00MM\x00\x2a\x00\x00\x00\x08\x00\x01\x01\x12\x00\x03\x00\x00\x00\x01\x00"), n, 0, 0, 0, 0, 0, 0)
}

// How a photo stands is in its EXIF data (CIPA DC-008): 6 is to be turned
// clockwise, 8 the other way, 3 upside down, 2 mirrored.
func TestTurnedPhotosStandUpright(t *testing.T) {
	for n, want := range map[byte]struct {
		w, h, x, y int // its size then, and a point in its red quarter
	}{1: {64, 32, 8, 8}, 2: {64, 32, 56, 8}, 3: {64, 32, 56, 24}, 6: {32, 64, 24, 8}, 8: {32, 64, 8, 56}} {
		p, kept, err := examined(t, "photo.jpg", segment(photo(t), 0xe1, orientation(n)))
		if err != nil {
			t.Fatalf("turned by %d: %v", n, err)
		}
		b, err := Picture(kept.Again())
		if err != nil {
			t.Fatal(err)
		}
		if p.Picture.W != want.w || p.Picture.H != want.h || b.W != want.w || b.H != want.h {
			t.Errorf("turned by %d it is %d by %d", n, b.W, b.H)
			continue
		}
		for _, c := range []struct {
			x, y int
			red  bool
		}{{want.x, want.y, true}, {b.W - 1 - want.x, b.H - 1 - want.y, false}, {want.x, b.H - 1 - want.y, false}} {
			green := b.Pix[c.y*b.W+c.x] >> 8 & 255
			if (green < 60) != c.red {
				t.Errorf("turned by %d, the point %d,%d has a green of %d", n, c.x, c.y, green)
			}
		}
	}
}

// profile is a colour profile (ICC.1:2010) whose red is the green of sRGB and
// the other way round.
func profile() []byte {
	tag := func(kind string, body []byte) []byte { return append([]byte(kind+"\x00\x00\x00\x00"), body...) }
	xyz := func(v ...float64) []byte {
		var b []byte
		for _, x := range v {
			b = binary.BigEndian.AppendUint32(b, uint32(int32(x*65536)))
		}
		return tag("XYZ ", b)
	}
	text := append(tag("desc", []byte{0, 0, 0, 8}), append([]byte("Swapped\x00"), make([]byte, 79)...)...)
	gamma := tag("curv", []byte{0, 0, 0, 1, 2, 0x33})
	tags := []struct {
		name string
		body []byte
	}{
		{"desc", text}, {"cprt", tag("text", []byte("none\x00"))}, {"wtpt", xyz(0.9642, 1, 0.8249)},
		{"rXYZ", xyz(0.3851, 0.7169, 0.0971)}, {"gXYZ", xyz(0.4361, 0.2225, 0.0139)}, {"bXYZ", xyz(0.1431, 0.0606, 0.7141)},
		{"rTRC", gamma}, {"gTRC", gamma}, {"bTRC", gamma},
	}
	head := make([]byte, 128)
	copy(head[8:], "\x02\x10\x00\x00mntrRGB XYZ ")
	copy(head[36:], "acsp")
	copy(head[68:], "\x00\x00\xf6\xd6\x00\x01\x00\x00\x00\x00\xd3\x2d")
	table := binary.BigEndian.AppendUint32(nil, uint32(len(tags)))
	var body []byte
	at := 128 + 4 + 12*len(tags)
	for _, g := range tags {
		table = append(table, g.name...)
		table = binary.BigEndian.AppendUint32(binary.BigEndian.AppendUint32(table, uint32(at+len(body))), uint32(len(g.body)))
		body = append(body, g.body...)
		for len(body)%4 > 0 {
			body = append(body, 0)
		}
	}
	out := append(append(head, table...), body...)
	binary.BigEndian.PutUint32(out, uint32(len(out)))
	return out
}

func TestColoursOfAnotherSpaceBecomeSRGB(t *testing.T) {
	icc := append([]byte("ICC_PROFILE\x00\x01\x01"), profile()...)
	_, kept, err := examined(t, "photo.jpg", segment(photo(t), 0xe2, icc))
	if err != nil {
		t.Fatal(err)
	}
	b, err := Picture(kept.Again())
	if err != nil {
		t.Fatal(err)
	}
	p := b.Pix[8*b.W+8]
	if r, g := p&255, p>>8&255; g < 230 || r > 70 {
		t.Errorf("red of the swapped space became %d, %d", r, g)
	}
	// One that calls itself sRGB is taken as it is.
	own := bytes.Replace(icc, []byte("Swapped\x00"), []byte("sRGB\x00\x00\x00\x00"), 1)
	file := segment(photo(t), 0xe2, own)
	if p, _, err := examined(t, "photo.jpg", file); err != nil || p.Hash != spool(t, file).Hash {
		t.Errorf("a photo in sRGB is kept in another form (%v)", err)
	}
}

func TestNamesOfFilesBecomeNamesOfProps(t *testing.T) {
	for name, want := range map[string]string{
		"Mug": "Mug", "a\x00b\x1fc": "abc", "\xff\xfeMug": "Mug", "  ": "Unnamed", "": "Unnamed", "Émaillé 咖啡": "Émaillé 咖啡",
		strings.Repeat("x", 5000): strings.Repeat("x", 119) + "…",
	} {
		if got := Title(name); got != want {
			t.Errorf("%.20q becomes %q", name, got)
		}
	}
}

func TestWhatWouldTakeTooMuchMemoryIsRefused(t *testing.T) {
	SetBudget(100 << 20)
	defer SetBudget(MachineMemory() / 4)
	// 4000 by 4000 pixels at 12 bytes each.
	if _, _, err := examined(t, "huge.png", header(4000, 4000)); err == nil || !strings.Contains(err.Error(), "183 MB of memory") {
		t.Errorf("the error is %v", err)
	}
	free, err := Take(t.Context(), 90<<20)
	if err != nil {
		t.Fatal(err)
	}
	soon, cancel := context.WithTimeout(t.Context(), 50*time.Millisecond)
	defer cancel()
	if _, err := Take(soon, 20<<20); !errors.Is(err, ErrBusy) {
		t.Errorf("with all taken, the error is %v", err)
	}
	free()
	again, err := Take(t.Context(), 90<<20)
	if err != nil {
		t.Fatal(err)
	}
	again()
}

func TestASpoolHoldsNoMoreThanItMay(t *testing.T) {
	dir := t.TempDir()
	t.Setenv("TMPDIR", dir)
	if _, err := NewSpool(strings.NewReader("12345"), 4); !errors.Is(err, ErrTooLarge) {
		t.Errorf("the error is %v", err)
	}
	s, err := NewSpool(strings.NewReader("12345"), 5)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	// SHA-256 of "12345", by another program.
	if s.Hash != "5994471abb01112afcc18159f6cc74b4f511b99806da59b3caf5a9c173cacfc5" || s.Bytes != 5 {
		t.Errorf("it is %+v", s)
	}
	if b, err := io.ReadAll(s.Again()); err != nil || string(b) != "12345" {
		t.Errorf("it reads as %q (%v)", b, err)
	}
	if left, _ := os.ReadDir(dir); len(left) > 0 {
		t.Errorf("%s has a name", left[0].Name())
	}
}

// instead puts a program in the place of another.
func instead(t *testing.T, name, does string) {
	t.Helper()
	dir := t.TempDir()
	if err := os.WriteFile(filepath.Join(dir, name), []byte("#!/bin/sh\n"+does+"\n"), 0o755); err != nil {
		t.Fatal(err)
	}
	t.Setenv("PATH", dir+":"+os.Getenv("PATH"))
}

func TestAnEncoderThatStandsStillIsEnded(t *testing.T) {
	instead(t, "ffmpeg", "exec sleep 600")
	_, err := Encode(t.Context(), Video{W: 64, H: 64, Rate: 30, Patience: 300 * time.Millisecond}, func(w io.Writer) error {
		for {
			if _, err := w.Write(make([]byte, 1<<20)); err != nil {
				return err
			}
		}
	})
	if !errors.Is(err, errStuck) {
		t.Errorf("the error is %v", err)
	}
}

// What another program complains about is for the log; a person gets a sentence.
func TestOtherProgramsWordsStayInside(t *testing.T) {
	for does, says := range map[string]string{
		`echo "[mov @ 0x55] moov atom not found" >&2; exit 1`:        "it cannot be read as sound",
		`echo "av_interleaved: No space left on device" >&2; exit 1`: "the disk is full",
		`echo "Stream map '0:a:0' matches no streams." >&2; exit 1`:  "there is no sound in it",
		`kill -9 $$`: "it cannot be read as sound",
	} {
		instead(t, "ffmpeg", does)
		_, _, err := examined(t, "tune.wav", WAV(tone(1, 440)))
		if err == nil || !strings.Contains(err.Error(), says) || strings.Contains(err.Error(), "@") {
			t.Errorf("%s gives %v", does, err)
		}
	}
	instead(t, "vipsthumbnail", `echo "VipsForeignLoad: buffer is broken" >&2; exit 1`)
	if _, _, err := examined(t, "photo.jpg", segment(photo(t), 0xe1, orientation(6))); err == nil || !strings.Contains(err.Error(), "photo.jpg: it cannot be read to its end") {
		t.Errorf("the error is %v", err)
	}
}

// FuzzExamine: whatever a file holds, it becomes a prop that a clip takes, or a
// sentence.
func FuzzExamine(f *testing.F) {
	SetBudget(256 << 20)
	f.Add(header(20, 20))
	f.Add([]byte("GIF89a\x02\x00\x02\x00\x80\x00\x00\xff\xff\xff\x00\x00\x00,\x00\x00\x00\x00\x02\x00\x02\x00\x00\x02\x02\x44\x01\x00;"))
	f.Add([]byte("RIFF\x24\x00\x00\x00WEBPVP8X\x0a\x00\x00\x00\x2c\x00\x00\x00\x01\x00\x00\x01\x00\x00EXIF\x02\x00\x00\x00II"))
	f.Add([]byte("\xff\xd8\xff\xe1\x00\x10Exif\x00\x00MM\x00*\x00\x00\x00\x08\xff\xff"))
	limits := Limits{PictureBytes: 1 << 20, Megapixels: 4, SoundBytes: 1}
	f.Fuzz(func(t *testing.T, file []byte) {
		traitsOf(bytes.NewReader(file))
		s, err := NewSpool(bytes.NewReader(file), 1<<20)
		if err != nil {
			return
		}
		defer s.Close()
		if tr := traitsOf(s.Again()); tr.turned || tr.profiled {
			return // another program reads it
		}
		p, kept, err := Examine(t.Context(), "file", s, limits)
		if err != nil {
			var fault *clip.FieldError
			if !errors.As(err, &fault) || len(fault.Reason) < 10 {
				t.Fatalf("the error is %v", err)
			}
			return
		}
		if kept != s {
			kept.Close()
		}
		tall, _ := clip.StandardShape("tall")
		c := clip.New("Fuzzed", tall, 30, 30)
		c.Props = []clip.Prop{p}
		if err := c.Validate(); err != nil {
			t.Fatalf("a clip does not take %+v: %v", p, err)
		}
	})
}
