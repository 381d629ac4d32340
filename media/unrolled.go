package media

import (
	"bytes"
	"context"
	"errors"
	"io"
	"os"
	"strconv"
	"strings"
	"time"
)

// vips runs libvips on a file and gives what it writes.
func vips(ctx context.Context, program string, s *Spool, args ...string) (*tool, error) {
	t, err := newTool(ctx, &MissingError{program, "libvips-tools"}, vipsMemory, niceness, args...)
	if err != nil {
		return nil, err
	}
	t.Env = vipsEnv()
	t.ExtraFiles = []*os.File{s.File}
	return t, nil
}

// unrolled brings a moving WebP in, which ffmpeg does not read: libvips writes its pictures one
// below the other.
func unrolled(ctx context.Context, title string, s *Spool, limits Limits, progress func(float64)) (*Taken, error) {
	const all = "/proc/self/fd/3[n=-1]"
	p := probed{film: true, pixels: "rgba", alpha: true, codec: "webp"}
	header := func(field string) (string, error) {
		ctx, cancel := context.WithTimeout(ctx, time.Minute)
		defer cancel()
		t, err := vips(ctx, "vipsheader", s, "-f", field, all)
		if err != nil {
			return "", err
		}
		var out bytes.Buffer
		t.Stdout = &limited{&out, 1 << 20}
		if err := t.Run(); err != nil {
			return "", t.explained(ctx, err, "it cannot be read as moving pictures; the file may be damaged")
		}
		return strings.TrimSpace(out.String()), nil
	}
	width, err := header("width")
	if err != nil {
		return nil, err
	}
	height, err := header("page-height")
	if err != nil {
		return nil, err
	}
	delays, err := header("delay")
	if err != nil {
		return nil, err
	}
	bands, err := header("bands")
	if err != nil {
		return nil, err
	}
	p.w, p.h = int(number(width)), int(number(height))
	p.alpha = bands == "4"
	if bands != "3" && bands != "4" {
		return nil, errors.New("its colours are kept in a way that is not read")
	}
	var times []int // milliseconds, in whole hundredths of a second
	step := 0
	for _, d := range strings.Fields(delays) {
		ms := max(10, (int(number(d))+5)/10*10)
		times = append(times, ms)
		step = divisor(step, ms)
		p.seconds += float64(ms) / 1000
	}
	if len(times) == 0 {
		return nil, errors.New("there is no picture in it that can be read")
	}
	if err := p.allowed(limits); err != nil {
		return nil, err
	}
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	t, err := vips(ctx, "vips", s, "rawsave", all, "/dev/stdout")
	if err != nil {
		return nil, err
	}
	out, err := t.StdoutPipe()
	if err != nil {
		return nil, err
	}
	if err := t.Start(); err != nil {
		return nil, t.explained(ctx, err, "it cannot be read")
	}
	form := map[bool]string{true: "rgba", false: "rgb24"}[p.alpha]
	p.pixels = form
	p.base = "1/1000"
	file, err := p.run(ctx, []string{
		"-f", "rawvideo", "-pixel_format", form, "-video_size", width + "x" + height, "-framerate", "1000/" + strconv.Itoa(step), "-i", "pipe:0",
	}, nil, &repeated{in: out, size: p.w * p.h * int(number(bands)), times: times, step: step}, limits, progress)
	cancel()
	_ = t.Wait() // what it could not read is missing in the file
	if err != nil {
		return nil, err
	}
	taken, err := ofFilm(ctx, title, file)
	if err != nil {
		file.Close()
	}
	return taken, err
}

func divisor(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}

// repeated gives each picture of a row as often as it lasts steps.
type repeated struct {
	in    io.Reader
	size  int
	times []int
	step  int

	picture []byte
	left    []byte
	again   int
}

func (r *repeated) Read(b []byte) (int, error) {
	for len(r.left) == 0 {
		if r.again == 0 {
			if len(r.times) == 0 {
				return 0, io.EOF
			}
			if r.picture == nil {
				r.picture = make([]byte, r.size)
			}
			if _, err := io.ReadFull(r.in, r.picture); err != nil {
				return 0, io.EOF // what is missing is left out
			}
			r.again, r.times = r.times[0]/r.step, r.times[1:]
		}
		r.again--
		r.left = r.picture
	}
	n := copy(b, r.left)
	r.left = r.left[n:]
	return n, nil
}
