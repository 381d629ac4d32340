package media

import (
	"bytes"
	"context"
	"errors"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
)

func spooled(t *testing.T, b []byte) *Spool {
	t.Helper()
	s, err := NewSpool(bytes.NewReader(b), 64<<20)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

func brought(t *testing.T, name string, b []byte) (clip.Prop, []byte, error) {
	t.Helper()
	p, kept, err := Examine(context.Background(), name, spooled(t, b), DefaultLimits())
	if err != nil {
		return p, nil, err
	}
	defer kept.Close()
	out := new(bytes.Buffer)
	if _, err := out.ReadFrom(kept.Again()); err != nil {
		t.Fatal(err)
	}
	return p, out.Bytes(), nil
}

// packed is a font as Google's own program packs it.
func packed(t *testing.T, ttf []byte) []byte {
	t.Helper()
	file := filepath.Join(t.TempDir(), "font.ttf")
	if err := os.WriteFile(file, ttf, 0o600); err != nil {
		t.Fatal(err)
	}
	if out, err := exec.Command("woff2_compress", file).CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	b, err := os.ReadFile(strings.TrimSuffix(file, ".ttf") + ".woff2")
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func TestFontsAreBroughtIn(t *testing.T) {
	anton, err := os.ReadFile("../fonts/Anton_400Regular.ttf")
	if err != nil {
		t.Fatal(err)
	}
	p, kept, err := brought(t, "anything.bin", anton)
	if err != nil || p.Kind != clip.KindFont || p.Name != "Anton" || p.Media != "font/ttf" || p.ID != clip.OwnFontID(p.Hash) || !bytes.Equal(kept, anton) {
		t.Errorf("Anton is %+v (%v)", p, err)
	}
	// A packed font is kept unpacked, under the hash of what is kept.
	p, kept, err = brought(t, "anton.woff2", packed(t, anton))
	if err != nil || p.Media != "font/ttf" || p.Hash != Hash(kept) || p.Font == nil || p.Font.Family != "Anton" {
		t.Errorf("Anton unpacked is %+v (%v)", p, err)
	}
	cjk, err := os.ReadFile("../fonts/NotoSansCJK_700Bold.otf")
	if err != nil {
		t.Fatal(err)
	}
	if p, _, err := brought(t, "signs.otf", cjk); err != nil || p.Media != "font/otf" || p.Name != "Noto Sans CJK JP, bold" {
		t.Errorf("the signs are %+v (%v)", p, err)
	}
}

// What is no font, or a broken one, is refused with a sentence that names the file.
func TestBrokenFontsAreRefused(t *testing.T) {
	anton, err := os.ReadFile("../fonts/Anton_400Regular.ttf")
	if err != nil {
		t.Fatal(err)
	}
	whole := packed(t, anton)
	torn := append([]byte{}, whole...)
	for i := 100; i < len(torn); i += 37 {
		torn[i] ^= 0x55
	}
	for name, file := range map[string][]byte{
		"half.ttf": anton[:len(anton)/2], "half.woff2": whole[:len(whole)/2], "torn.woff2": torn,
		"head.otf": []byte("OTTO\x00\x10" + strings.Repeat("\x00", 60)), "short.woff2": []byte("wOF2\x00\x01\x00\x00"),
		"large.ttf": append([]byte("\x00\x01\x00\x00"), make([]byte, 17<<20)...),
	} {
		_, _, err := brought(t, name, file)
		var field *clip.FieldError
		if !errors.As(err, &field) || !strings.Contains(err.Error(), name) || strings.Contains(err.Error(), "panic") {
			t.Errorf("%s: %v", name, err)
		}
	}
}
