package media

import (
	"encoding/binary"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"testing"

	"billow/core/mix"
	"billow/core/paint"
)

// begins is when a stream of a file is shown or heard from, seconds, as ffprobe says.
func begins(t *testing.T, file, stream string) float64 {
	t.Helper()
	out, err := exec.Command("ffprobe", "-v", "error", "-select_streams", stream, "-show_entries", "stream=start_time", "-of", "csv=p=0", file).Output()
	if err != nil {
		t.Fatal(err)
	}
	v, err := strconv.ParseFloat(strings.Trim(strings.TrimSpace(string(out)), ","), 64)
	if err != nil {
		t.Fatal(err)
	}
	return v
}

// TestPictureAndSoundAgree writes a file in which one frame is white while a click is heard, and reads it with
// another program: both begin within 5 ms of each other, early and late in the file.
func TestPictureAndSoundAgree(t *testing.T) {
	const side, frames = 64, 300
	for _, rate := range []int{24, 30, 60} {
		lit := map[int]bool{20: true, 280: true}
		sound := make([]float32, 2*frames*mix.Rate/rate)
		for n := range lit {
			at := n * mix.Rate / rate
			for i := range 200 {
				v := float32(0.9 * math.Exp(-float64(i)/40) * math.Cos(float64(i)*0.4))
				sound[2*(at+i)], sound[2*(at+i)+1] = v, v
			}
		}
		size := paint.YUVSize(side, side)
		f, err := Encode(t.Context(), Video{W: side, H: side, Rate: rate, Sound: sound}, func(w io.Writer) error {
			for n := range frames {
				frame := make([]byte, size)
				for i := range frame {
					frame[i] = 128
					if i < side*side {
						frame[i] = 16
						if lit[n] {
							frame[i] = 235
						}
					}
				}
				if _, err := w.Write(frame); err != nil {
					return err
				}
			}
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
		file := filepath.Join(t.TempDir(), "together.mp4")
		b, err := io.ReadAll(f)
		f.Close()
		if err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, b, 0o600); err != nil {
			t.Fatal(err)
		}
		grey, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-map", "0:v", "-f", "rawvideo", "-pix_fmt", "gray", "-").Output()
		if err != nil {
			t.Fatal(err)
		}
		pcm, err := exec.Command("ffmpeg", "-loglevel", "error", "-i", file, "-map", "0:a", "-ac", "1", "-f", "f32le", "-").Output()
		if err != nil {
			t.Fatal(err)
		}
		var seen, heard []float64
		for n := range len(grey) / side / side {
			if grey[n*side*side+side/2*side+side/2] > 150 {
				seen = append(seen, begins(t, file, "v:0")+float64(n)/float64(rate))
			}
		}
		quiet, from := math.Inf(-1), begins(t, file, "a:0")
		for i := range len(pcm) / 4 {
			v := math.Abs(float64(math.Float32frombits(binary.LittleEndian.Uint32(pcm[4*i:]))))
			at := from + float64(i)/mix.Rate
			if v > 0.4 {
				if at-quiet > 0.1 {
					heard = append(heard, at)
				}
				quiet = at
			}
		}
		if len(seen) != 2 || len(heard) != 2 {
			t.Fatalf("at %d frames a second white is seen at %v, clicks are heard at %v", rate, seen, heard)
		}
		for i := range seen {
			if off := heard[i] - seen[i]; math.Abs(off) > 0.005 {
				t.Errorf("at %d frames a second the click is heard %.1f ms after its frame", rate, 1000*off)
			}
		}
	}
}
