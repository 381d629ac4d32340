package media

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/footage"
	"billow/core/paint"
)

// shot has ffmpeg make a file.
func shot(t *testing.T, name string, args ...string) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), name)
	out, err := exec.Command("ffmpeg", append(append([]string{"-v", "error", "-nostdin", "-y"}, args...), file)...).CombinedOutput()
	if err != nil {
		t.Fatalf("ffmpeg: %v: %s", err, out)
	}
	return file
}

func spoolOf(t *testing.T, file string) *Spool {
	t.Helper()
	f, err := os.Open(file)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	s, err := NewSpool(f, 1<<30)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

func takenFrom(t *testing.T, file string) (*Taken, error) {
	t.Helper()
	got, err := TakeFootage(context.Background(), filepath.Base(file), spoolOf(t, file), DefaultLimits(), func(float64) {})
	if err == nil {
		t.Cleanup(got.Close)
	}
	return got, err
}

// reelOf is footage that was brought in, for being looked at.
func reelOf(t *testing.T, file string) (*Taken, *footage.Reel) {
	t.Helper()
	got, err := takenFrom(t, file)
	if err != nil {
		t.Fatal(err)
	}
	f, err := OpenFilm(got.File)
	if err != nil {
		t.Fatal(err)
	}
	return got, footage.NewReel(f, Part(got.File))
}

// frames are all frames of a file as ffmpeg decodes them, upright, and when each begins.
func frames(t *testing.T, file string, w, h int) (pictures [][]byte, begins []float64) {
	t.Helper()
	raw, err := exec.Command("ffmpeg", "-v", "error", "-nostdin", "-i", file, "-map", "0:v:0", "-fps_mode", "passthrough",
		"-vf", "scale=in_color_matrix=bt709:flags=accurate_rnd+full_chroma_int", "-f", "rawvideo", "-pix_fmt", "rgb24", "pipe:1").Output()
	if err != nil {
		t.Fatal(err)
	}
	for ; len(raw) >= 3*w*h; raw = raw[3*w*h:] {
		pictures = append(pictures, raw[:3*w*h])
	}
	said, err := exec.Command("ffprobe", "-v", "error", "-select_streams", "v:0", "-show_entries", "frame=pts_time", "-of", "json", file).Output()
	if err != nil {
		t.Fatal(err)
	}
	var all struct {
		Frames []struct {
			Time string `json:"pts_time"`
		}
	}
	if err := json.Unmarshal(said, &all); err != nil {
		t.Fatal(err)
	}
	for _, f := range all.Frames {
		begins = append(begins, number(f.Time)-number(all.Frames[0].Time))
	}
	return pictures, begins
}

// off is by how many levels a bitmap and a picture differ, on the mean.
func off(b *paint.Bitmap, rgb []byte) float64 {
	sum := 0.0
	for i, p := range b.Pix {
		for c := range 3 {
			sum += math.Abs(float64(p>>(8*c)&255) - float64(rgb[3*i+c]))
		}
	}
	return sum / float64(3*len(b.Pix))
}

// The frames of footage are those that ffmpeg decodes, each at its time: of a steady file, of one
// whose frames last differently long, and of one that lies on its side.
func TestFootageHasTheFramesThatItCameWith(t *testing.T) {
	moves := "testsrc2=s=320x240:r=30:d=2,boxblur=1"
	tags := []string{"-pix_fmt", "yuv420p", "-colorspace", "bt709", "-color_primaries", "bt709", "-color_trc", "bt709", "-color_range", "tv"}
	make := func(name string, args ...string) string {
		return shot(t, name, append(append([]string{"-f", "lavfi", "-i", moves}, tags...), args...)...)
	}
	steady := make("steady.mp4", "-c:v", "libx264", "-crf", "14", "-bf", "2")
	uneven := make("uneven.webm", "-vf", "scale=out_color_matrix=bt709,select='not(eq(mod(n,7),3))*not(between(n,20,29))'", "-fps_mode", "vfr", "-c:v", "libvpx-vp9", "-crf", "14", "-b:v", "0", "-deadline", "realtime", "-cpu-used", "8")
	turned := shot(t, "turned.mov", "-i", steady, "-c", "copy", "-metadata:s:v:0", "rotate=90")
	for name, file := range map[string]string{"steady": steady, "uneven": uneven, "turned": turned} {
		t.Run(name, func(t *testing.T) {
			got, reel := reelOf(t, file)
			w, h := 320, 240
			if name == "turned" {
				w, h = 240, 320
			}
			if p := got.Prop.Picture; p.W != w || p.H != h || got.Prop.Footage.Alpha || got.Prop.Kind != clip.KindFootage {
				t.Fatalf("it is %+v %+v", got.Prop, p)
			}
			pictures, begins := frames(t, file, w, h)
			if len(pictures) < 30 || reel.Frames() != len(pictures) || len(begins) != len(pictures) {
				t.Fatalf("it has %d frames, ffmpeg finds %d at %d times", reel.Frames(), len(pictures), len(begins))
			}
			for i := range pictures {
				if math.Abs(reel.Begins(i)-begins[i]) > 1e-3 {
					t.Errorf("frame %d begins at %.4f s, want %.4f", i, reel.Begins(i), begins[i])
				}
				if n := reel.At(begins[i] + 0.004); n != i {
					t.Errorf("at %.4f s frame %d shows, want %d", begins[i], n, i)
				}
				if i%2 == 1 {
					continue
				}
				p, _, err := reel.Picture(i, 1)
				if err != nil {
					t.Fatal(err)
				}
				own := off(p.Picture, pictures[i])
				if own > 2.5 {
					t.Errorf("frame %d is %.2f levels off", i, own)
				}
				for _, o := range []int{i - 1, i + 1} {
					if o >= 0 && o < len(pictures) && off(p.Picture, pictures[o]) < own {
						t.Errorf("frame %d looks more like frame %d", i, o)
					}
				}
			}
		})
	}
}

// What is clear in a file is clear in footage, and its bounds are those of what is not.
func TestFootageKeepsWhatIsClear(t *testing.T) {
	disc := "testsrc2=s=640x480:r=10:d=1,format=yuva420p,geq=lum='p(X,Y)':cb='p(X,Y)':cr='p(X,Y)':a='if(lt(hypot(X-320,Y-240),160),255,0)'"
	film := shot(t, "disc.webm", "-f", "lavfi", "-i", disc, "-c:v", "libvpx-vp9", "-deadline", "realtime", "-cpu-used", "8", "-auto-alt-ref", "0")
	turning := shot(t, "disc.webp", "-f", "lavfi", "-i", disc, "-loop", "0", "-quality", "90")
	drawn := shot(t, "drawn.mov", "-f", "lavfi", "-i", disc, "-c:v", "qtrle")
	for name, file := range map[string]string{"WebM": film, "WebP": turning, "MOV": drawn} {
		got, reel := reelOf(t, file)
		if !got.Prop.Footage.Alpha || reel.Frames() != 10 || math.Abs(got.Prop.Footage.Seconds-1) > 0.01 {
			t.Errorf("%s: %+v", name, got.Prop.Footage)
		}
		want := [4]int{160, 80, 480, 400}
		for i, v := range got.Prop.Picture.Visible {
			if math.Abs(float64(v-want[i])) > 17 { // it is measured in steps of 16
				t.Errorf("%s: what shows lies in %v, want about %v", name, got.Prop.Picture.Visible, want)
			}
		}
		for _, share := range []float64{1, 0.5} {
			p, k, err := reel.Picture(4, share)
			if err != nil || k != share {
				t.Fatal(k, err)
			}
			at := func(x, y float64) uint32 { return p.Picture.Pix[int(y*k)*p.Picture.W+int(x*k)] }
			if a := at(320, 240) >> 24; a != 255 {
				t.Errorf("%s at %v: its middle is %d opaque", name, share, a)
			}
			if p := at(20, 20); p != 0 {
				t.Errorf("%s at %v: its corner is %08x", name, share, p)
			}
		}
	}
}

// Footage that was brought in once is taken as it is.
func TestFootageIsTakenAgainAsItIs(t *testing.T) {
	got, _ := reelOf(t, shot(t, "a.mp4", "-f", "lavfi", "-i", "testsrc2=s=320x240:r=25:d=1", "-f", "lavfi", "-i", "sine=d=1.5", "-pix_fmt", "yuv420p"))
	if got.Tune == nil || got.Prop.Footage.Sound != got.Tune.Hash || got.Tune.Sound.Seconds < 1 {
		t.Errorf("its sound is %+v", got.Tune)
	}
	again, kept, err := Examine(context.Background(), "again.mov", got.File, DefaultLimits())
	if err != nil || again.Hash != got.Prop.Hash || kept != got.File || again.Footage.Frames != 25 {
		t.Errorf("%+v %v", again, err)
	}
}

// Bad footage is explained, or becomes what it is after all.
func TestBadFootageIsExplained(t *testing.T) {
	whole := shot(t, "whole.mp4", "-f", "lavfi", "-i", "testsrc2=s=640x480:r=30:d=4", "-pix_fmt", "yuv420p", "-g", "10", "-c:v", "libx264")
	content, err := os.ReadFile(whole)
	if err != nil {
		t.Fatal(err)
	}
	write := func(name string, b []byte) string {
		file := filepath.Join(t.TempDir(), name)
		if err := os.WriteFile(file, b, 0o600); err != nil {
			t.Fatal(err)
		}
		return file
	}
	hurt := append([]byte(nil), content...)
	for i := len(hurt) / 3; i < len(hurt)/3+20000; i++ {
		hurt[i] = byte(i * 7)
	}
	long := shot(t, "long.mp4", "-f", "lavfi", "-i", "color=s=64x64:r=1:d=600", "-pix_fmt", "yuv420p")
	for says, file := range map[string]string{
		"cut off, damaged": write("cut.mp4", content[:len(content)/2]),
		"10:00 minutes":    long,
		"cannot be read":   write("noise.webm", append([]byte("\x1a\x45\xdf\xa3"), hurt[:5000]...)),
	} {
		if _, err := takenFrom(t, file); err == nil || !strings.Contains(err.Error(), says) || !strings.Contains(err.Error(), filepath.Base(file)) {
			t.Errorf("%s: %v", says, err)
		}
	}
	if got, err := takenFrom(t, write("hurt.mp4", hurt)); err != nil || got.Prop.Footage == nil || got.Prop.Footage.Frames < 60 {
		t.Errorf("damaged in its middle: %+v %v", got, err)
	}
	odd, reel := reelOf(t, shot(t, "odd.gif", "-f", "lavfi", "-i", "testsrc2=s=321x147:r=10:d=1"))
	if p, _, err := reel.Picture(5, 1); err != nil || p.Picture.W != odd.Prop.Picture.W || odd.Prop.Picture.W < 320 || odd.Prop.Picture.H < 146 {
		t.Errorf("of odd size: %+v %v", odd.Prop.Picture, err)
	}
	silent, err := takenFrom(t, shot(t, "sound.mp4", "-f", "lavfi", "-i", "sine=d=3", "-c:a", "aac"))
	if err != nil || silent.Prop.Kind != clip.KindTune || silent.Note == "" {
		t.Errorf("without a picture: %+v %v", silent, err)
	}
	one, err := takenFrom(t, shot(t, "one.mp4", "-f", "lavfi", "-i", "testsrc2=s=320x240:d=1", "-frames:v", "1", "-pix_fmt", "yuv420p"))
	if err != nil || one.Prop.Kind != clip.KindCutout || one.Note == "" || one.Prop.Picture.W != 320 {
		t.Errorf("one picture: %+v %v", one, err)
	}
}

// Light that is brighter than a screen shows is brought down to it: white stays white, grey is not
// washed out to white.
func TestBrightFootageIsBroughtDown(t *testing.T) {
	file := shot(t, "hdr.mp4", "-f", "lavfi", "-i", "smptehdbars=s=320x240:r=10:d=1", "-vf",
		"format=yuv444p,setparams=colorspace=bt709:color_primaries=bt709:color_trc=bt709:range=tv,zscale=t=linear:npl=203,format=gbrpf32le,zscale=t=smpte2084:p=bt2020:m=bt2020nc:r=tv,format=yuv420p10le",
		"-c:v", "libx265", "-x265-params", "log-level=none:hdr10=1:colorprim=bt2020:transfer=smpte2084:colormatrix=bt2020nc")
	_, reel := reelOf(t, file)
	p, _, err := reel.Picture(3, 1)
	if err != nil {
		t.Fatal(err)
	}
	// The bars of SMPTE RP 219 at 75 percent: yellow, cyan, green, magenta, red, blue from the left.
	at := func(x int) (r, g, b int) {
		v := p.Picture.Pix[60*320+x]
		return int(v & 255), int(v >> 8 & 255), int(v >> 16 & 255)
	}
	r, g, b := at(75)
	if r < 120 || g < 120 || b > r-60 {
		t.Errorf("yellow is %d %d %d", r, g, b)
	}
	r, g, b = at(212)
	if r < 100 || g > r-60 || b > r-60 {
		t.Errorf("red is %d %d %d", r, g, b)
	}
}

// BenchmarkTakeFootage brings in a second of footage.
func BenchmarkTakeFootage(b *testing.B) {
	file := filepath.Join(b.TempDir(), "a.mp4")
	if out, err := exec.Command("ffmpeg", "-v", "error", "-f", "lavfi", "-i", "testsrc2=s=1080x1920:r=30:d=1", "-pix_fmt", "yuv420p", file).CombinedOutput(); err != nil {
		b.Fatal(fmt.Errorf("%w: %s", err, out))
	}
	f, err := os.Open(file)
	if err != nil {
		b.Fatal(err)
	}
	defer f.Close()
	for b.Loop() {
		if _, err := f.Seek(0, io.SeekStart); err != nil {
			b.Fatal(err)
		}
		s, err := NewSpool(f, 1<<30)
		if err != nil {
			b.Fatal(err)
		}
		t, err := TakeFootage(context.Background(), "a.mp4", s, DefaultLimits(), func(float64) {})
		if err != nil {
			b.Fatal(err)
		}
		b.ReportMetric(float64(t.File.Bytes)/1024/30, "kB/frame")
		t.Close()
		s.Close()
	}
}
