package media

import (
	"bytes"
	"encoding/binary"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
)

// asMade is a file as ffmpeg makes it.
func asMade(t *testing.T, name string, args ...string) []byte {
	t.Helper()
	file := filepath.Join(t.TempDir(), name)
	out, err := exec.Command("ffmpeg", append(append([]string{"-loglevel", "error"}, args...), file)...).CombinedOutput()
	if err != nil {
		t.Fatalf("ffmpeg: %s", out)
	}
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func lavfi(source string) []string { return []string{"-f", "lavfi", "-i", source} }

// TestSoundOfAllSortsIsTaken brings in what people have: of each it is known how long it lasts, seconds.
func TestSoundOfAllSortsIsTaken(t *testing.T) {
	sine := lavfi("sine=440:d=3")
	cover := append(append([]string{}, sine...), "-f", "lavfi", "-i", "color=red:s=64x64:d=1", "-map", "0", "-map", "1", "-frames:v", "1", "-c:v", "mjpeg", "-disposition:v", "attached_pic", "-id3v2_version", "3")
	vbr := append(lavfi("aevalsrc='0.3*random(0)*lt(mod(t,2),1)':d=12"), "-q:a", "9")
	wrong := asMade(t, "vbr.mp3", vbr...)
	if at := bytes.Index(wrong, []byte("Xing")); at < 0 {
		t.Fatal("there is no header that could be wrong")
	} else {
		binary.BigEndian.PutUint32(wrong[at+8:], 99999) // it says to have so many frames
	}
	for name, x := range map[string]struct {
		file    []byte
		seconds float64
	}{
		"8 kHz":                        {asMade(t, "a.wav", append(lavfi("sine=440:d=3:r=8000"), "-ac", "1")...), 3},
		"clipping":                     {asMade(t, "a.wav", append(sine, "-af", "volume=40dB")...), 3},
		"silence":                      {asMade(t, "a.opus", lavfi("anullsrc=d=4")...), 4},
		"a cover":                      {asMade(t, "a.mp3", cover...), 3},
		"six channels":                 {asMade(t, "a.flac", lavfi("aevalsrc='0.3*sin(2764*t)|0|0|0|0.3*sin(1885*t)|0':c=5.1:d=2")...), 2},
		"a wrong header":               {wrong, 12},
		"another ending":               {asMade(t, "a.m4a", sine...), 3},
		"a rate that changes":          {append(asMade(t, "a.mp3", lavfi("sine=440:d=2:r=44100")...), asMade(t, "b.mp3", lavfi("sine=660:d=2:r=22050")...)...), 4},
		"cut off":                      {asMade(t, "a.mp3", lavfi("sine=440:d=8")...)[:32000], 4},
		"a video, for its sound alone": {asMade(t, "a.mov", append(sine, "-c:a", "aac", "-vn")...), 3},
	} {
		p, _, err := examined(t, "sound.wav", x.file) // whatever it is called
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		if p.Kind != clip.KindTune || math.Abs(p.Sound.Seconds-x.seconds) > 0.15 {
			t.Errorf("%s: it is %s of %.2f s, want %.2f", name, p.Kind, p.Sound.Seconds, x.seconds)
		}
		if name == "silence" && (len(p.Sound.Hits) > 0 || p.Sound.Steady) {
			t.Errorf("%s has hits or a beat", name)
		}
		if err := p.Sound.Tempo.Check(); err != nil {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// TestWhatIsNoSoundIsRefusedInWords: songs of notes, which no decoder of ours plays, and what lasts an hour.
func TestWhatIsNoSoundIsRefusedInWords(t *testing.T) {
	song := append([]byte("Extended Module: a song              "), make([]byte, 4000)...)
	old := append(append(make([]byte, 1080), "M.K."...), make([]byte, 3000)...)
	for name, file := range map[string][]byte{"a song of notes": song, "an old song of notes": old, "noise": bytes.Repeat([]byte{0xA7, 0x13, 0x5C}, 4000)} {
		if _, _, err := examined(t, "song.mp3", file); err == nil || !strings.Contains(err.Error(), "song.mp3") || len(err.Error()) < 30 {
			t.Errorf("%s: %v", name, err)
		}
	}
	long := asMade(t, "long.flac", append(lavfi("anullsrc=d=3600:r=8000"), "-ac", "1")...)
	_, _, err := examined(t, "long.flac", long)
	if err == nil || !strings.Contains(err.Error(), "20 minutes") {
		t.Errorf("an hour: %v", err)
	}
}
