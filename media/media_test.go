package media

import (
	"bytes"
	"context"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/png"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/mix"
	"billow/core/paint"
)

func encoded(t *testing.T, m image.Image) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func spool(t *testing.T, b []byte) *Spool {
	t.Helper()
	s, err := NewSpool(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

func examined(t *testing.T, name string, b []byte) (clip.Prop, *Spool, error) {
	t.Helper()
	p, kept, err := Examine(t.Context(), name, spool(t, b), DefaultLimits())
	if kept != nil {
		t.Cleanup(func() { kept.Close() })
	}
	return p, kept, err
}

// header is a PNG that claims a size and holds nothing.
func header(w, h uint32) []byte {
	chunk := append([]byte("IHDR"), binary.BigEndian.AppendUint32(binary.BigEndian.AppendUint32(nil, w), h)...)
	chunk = append(chunk, 8, 6, 0, 0, 0)
	out := append([]byte("\x89PNG\r\n\x1a\n\x00\x00\x00\x0d"), chunk...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(chunk))
}

func TestBadPicturesAreRefusedInWords(t *testing.T) {
	whole := encoded(t, image.NewNRGBA(image.Rect(0, 0, 200, 200)))
	for says, b := range map[string][]byte{
		"megapixels": header(30000, 30000), "neither": []byte("just words"), "damaged": []byte("\x89PNG\r\n\x1a\njust words"), "cut off": whole[:len(whole)/2],
	} {
		if _, _, err := examined(t, "x.png", b); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("the error is %v, want one that says %q", err, says)
		}
	}
	if _, _, err := examined(t, "ghost.png", whole); err == nil || !strings.Contains(err.Error(), "ghost.png: nothing in it can be seen") {
		t.Errorf("a transparent picture gives %v", err)
	}
}

func TestWhatAFileIsGoesByItsContent(t *testing.T) {
	for content, want := range map[string]string{"\x89PNG\r\n\x1a\nxx": "image/png", "\xff\xd8\xff\xe0": "image/jpeg", "RIFF....WEBPVP8 ": "image/webp",
		"RIFF....WAVEfmt ": "audio/wav", "ID3\x04": "audio/mpeg", "\xff\xfb\x90": "audio/mpeg", "OggS": "audio/ogg", "fLaC": "audio/flac", "....ftypM4A ": "audio/mp4", "text": "", "": "", "R": ""} {
		if _, got := Kind([]byte(content)); got != want {
			t.Errorf("%q is %q, want %q", content, got, want)
		}
	}
}

func TestAPictureLargerThanAnyFrameIsReduced(t *testing.T) {
	m := image.NewNRGBA(image.Rect(0, 0, 5000, 100))
	for x := range 5000 {
		m.SetNRGBA(x, 50, color.NRGBA{255, 0, 0, 255})
	}
	p, kept, err := examined(t, "wide.png", encoded(t, m))
	if err != nil {
		t.Fatal(err)
	}
	// 100 rows become 81.92.
	// The coarse copy is the picture halved until 512 pixels are left: 4096 is 2^3 times that.
	if copy, err := png.DecodeConfig(bytes.NewReader(kept.Coarse)); err != nil || copy.Width != 512 || copy.Height != 11 {
		t.Errorf("the coarse copy is %+v, %v", copy, err)
	}
	if p.Picture.W != 4096 || p.Picture.H != 82 || p.Hash != kept.Hash || p.Media != "image/png" {
		t.Errorf("it became %+v of %+v", p, p.Picture)
	}
}

func tone(seconds, hz float64) []float32 {
	out := make([]float32, 2*int(seconds*mix.Rate))
	for i := range out {
		out[i] = float32(0.5 * math.Sin(2*math.Pi*hz*float64(i/2)/mix.Rate))
	}
	return out
}

// Every kind of sound that is taken, as ffmpeg writes it, comes back as what it was.
func TestSoundFilesAreDecoded(t *testing.T) {
	dir := t.TempDir()
	wav := filepath.Join(dir, "a.wav")
	if err := os.WriteFile(wav, WAV(tone(2, 440)), 0o600); err != nil {
		t.Fatal(err)
	}
	for _, ending := range []string{"wav", "mp3", "ogg", "flac", "m4a"} {
		file := filepath.Join(dir, "b."+ending)
		// The index of an M4A lies at its end, as ffmpeg writes it.
		if out, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", wav, file).CombinedOutput(); err != nil {
			t.Fatalf("%s: %s", ending, out)
		}
		b, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		if kind, _ := Kind(b); kind != "tune" {
			t.Errorf("%s is taken for %q", ending, kind)
		}
		pcm, err := DecodeSound(t.Context(), spool(t, b), MaxSeconds)
		if err != nil {
			t.Errorf("%s: %v", ending, err)
			continue
		}
		if s := float64(len(pcm)) / 2 / mix.Rate; math.Abs(s-2) > 0.06 {
			t.Errorf("%s lasts %.3f seconds", ending, s)
		}
		// 440 Hz crosses zero 880 times a second; the left channel of the middle one.
		crossings := 0
		for i := mix.Rate / 2; i < mix.Rate*3/2; i++ {
			if (pcm[2*i] < 0) != (pcm[2*i+2] < 0) {
				crossings++
			}
		}
		if math.Abs(float64(crossings)-880) > 4 {
			t.Errorf("%s crosses zero %d times a second, want 880", ending, crossings)
		}
	}
}

func TestBadSoundIsRefusedInWords(t *testing.T) {
	if _, _, err := examined(t, "junk.wav", []byte("RIFF....WAVEjunk")); err == nil || !strings.Contains(err.Error(), "junk.wav: it cannot be read as sound") {
		t.Errorf("junk gives %v", err)
	}
	if _, _, err := examined(t, "short.wav", WAV(tone(0.02, 440))); err == nil || !strings.Contains(err.Error(), "at least 0.05") {
		t.Errorf("a short tune gives %v", err)
	}
	p, _, err := examined(t, "silent.wav", WAV(make([]float32, 2*3*mix.Rate)))
	if err != nil || p.Sound.Steady || len(p.Sound.Hits) != 0 {
		t.Errorf("a silent tune gives %+v, %v", p.Sound, err)
	}
}

func TestWithoutFFmpegOneSentenceSaysSo(t *testing.T) {
	t.Setenv("PATH", t.TempDir())
	if _, err := DecodeSound(t.Context(), spool(t, WAV(tone(1, 440))), 1); err != ErrNoFFmpeg {
		t.Errorf("the error is %v", err)
	}
	if _, err := Encode(t.Context(), Video{W: 64, H: 64, Rate: 30}, func(io.Writer) error { return nil }); err != ErrNoFFmpeg {
		t.Errorf("the error is %v", err)
	}
}

// Colours survive the way through YUV and H.264 within what 4:2:0 allows.
func TestEncodedColoursComeBack(t *testing.T) {
	b := paint.NewBitmap(64, 64)
	b.Fill(0xFF284FDD) // buoy
	yuv := make([]byte, paint.YUVSize(64, 64))
	paint.ToYUV(yuv, b)
	f, err := Encode(t.Context(), Video{W: 64, H: 64, Rate: 30, Sound: tone(0.5, 300)}, func(w io.Writer) error {
		for range 15 {
			if _, err := w.Write(yuv); err != nil {
				return err
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	file := filepath.Join(t.TempDir(), "a.mp4")
	all, err := io.ReadAll(f)
	if err != nil {
		t.Fatal(err)
	}
	if i, j := bytes.Index(all, []byte("moov")), bytes.Index(all, []byte("mdat")); i < 0 || i > j {
		t.Error("the index does not come first, so the file cannot start before it is whole")
	}
	if err := os.WriteFile(file, all, 0o600); err != nil {
		t.Fatal(err)
	}
	out, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-frames:v", "1", "-f", "rawvideo", "-pix_fmt", "rgb24", "-").Output()
	if err != nil {
		t.Fatal(err)
	}
	at := 3 * (32*64 + 32)
	for i, want := range []int{0xDD, 0x4F, 0x28} {
		if d := int(out[at+i]) - want; d < -6 || d > 6 {
			t.Errorf("channel %d came back as %d, want %d", i, out[at+i], want)
		}
	}
}

// A file that a full disk cut off is noticed, wherever it was cut.
func TestACutOffFileIsNoticed(t *testing.T) {
	box := func(kind string, n int) []byte {
		return append(binary.BigEndian.AppendUint32(nil, uint32(n+8)), append([]byte(kind), make([]byte, n)...)...)
	}
	whole := append(append(box("ftyp", 12), box("moov", 50)...), box("mdat", 90)...)
	for n := range len(whole) + 1 {
		f, err := os.Create(filepath.Join(t.TempDir(), "a.mp4"))
		if err != nil {
			t.Fatal(err)
		}
		if _, err := f.Write(whole[:n]); err != nil {
			t.Fatal(err)
		}
		if err := wholeMP4(f); (err == nil) != (n == len(whole)) {
			t.Errorf("cut off after %d of %d bytes, the error is %v", n, len(whole), err)
		}
		f.Close()
	}
}

func TestACancelledEncodingLeavesNothing(t *testing.T) {
	dir := t.TempDir()
	t.Setenv("TMPDIR", dir)
	ctx, cancel := context.WithCancel(t.Context())
	_, err := Encode(ctx, Video{W: 64, H: 64, Rate: 30}, func(w io.Writer) error {
		cancel()
		return ctx.Err()
	})
	if err == nil {
		t.Error("a cancelled encoding succeeded")
	}
	if left, _ := os.ReadDir(dir); len(left) > 0 {
		t.Errorf("%s was left behind", left[0].Name())
	}
}
