package media

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"strconv"
	"strings"
	"time"

	"billow/core/clip"
	"billow/core/footage"
	"billow/core/paint"
)

// FootageType is the media type of footage as it is kept.
const FootageType = "video/quicktime"

const (
	// filmMemory is how much address space ffmpeg may take for moving pictures: some frames of
	// the largest in several threads.
	filmMemory = 6 << 30
	// keptSide is the most pixels a side that are kept of moving pictures.
	keptSide = 2560
	// filmSide is the most that are read.
	filmSide = 8192
	// keptMost is how large a kept file becomes at most.
	keptMost = 4 << 30
)

// Taken is moving pictures that were brought in, in the form in which they are kept, and their
// sound as a tune by itself, if they have any. Files are to be closed.
type Taken struct {
	Prop  clip.Prop
	File  *Spool
	Tune  *clip.Prop
	Sound *Spool
	Note  string // what is to be known of it, if anything
}

// Close lets go of the files.
func (t *Taken) Close() {
	for _, s := range []*Spool{t.File, t.Sound} {
		if s != nil {
			s.Close()
		}
	}
}

// TakeFootage brings moving pictures into the form in which they are kept. What turns out to be one
// picture alone, or sound alone, becomes that. progress hears what share is done. Errors are as
// those of Examine.
func TakeFootage(ctx context.Context, name string, s *Spool, limits Limits, progress func(share float64)) (*Taken, error) {
	t, err := takeFootage(ctx, name, s, limits, progress)
	return t, faulty(ctx, name, err)
}

func takeFootage(ctx context.Context, name string, s *Spool, limits Limits, progress func(float64)) (*Taken, error) {
	title := titled(name)
	if t, err := keptAlready(title, s, limits); t != nil || err != nil {
		return t, err
	}
	if s.Bytes > limits.FootageBytes {
		return nil, clip.Fault("file", "%s is larger than %d MB", name, limits.FootageBytes>>20)
	}
	if _, kind := Kind(s.Head()); kind == "image/webp" {
		return unrolled(ctx, title, s, limits, progress)
	}
	_, kind := Kind(s.Head())
	p, err := probe(ctx, s, moving[kind])
	if err != nil {
		return nil, err
	}
	if !p.film {
		if !p.sound {
			return nil, errors.New("there is neither a picture nor a sound in it")
		}
		tune, err := heard(ctx, title, s)
		return &Taken{Prop: tune, File: s, Note: fmt.Sprintf("%s has no picture; it is here as a tune.", title)}, err
	}
	if err := p.allowed(limits); err != nil {
		return nil, err
	}
	return p.convert(ctx, title, s, limits, progress)
}

// allowed refuses what is too long or too large.
func (p *probed) allowed(limits Limits) error {
	if most := limits.FootageSeconds; p.seconds > most+0.5 {
		return fmt.Errorf("it lasts %s, and footage may last %s; cut it shorter first", lasting(p.seconds), lasting(most))
	}
	if p.w < 2 || p.h < 2 || p.w > filmSide || p.h > filmSide {
		return fmt.Errorf("it has %d × %d pixels; footage has 2 to %d a side", p.w, p.h, filmSide)
	}
	return nil
}

// lasting is a time in words.
func lasting(seconds float64) string {
	n := int(math.Round(seconds))
	if n < 60 {
		return fmt.Sprintf("%d seconds", n)
	}
	return fmt.Sprintf("%d:%02d minutes", n/60, n%60)
}

// convert has a file read and written as it is kept.
func (p *probed) convert(ctx context.Context, title string, s *Spool, limits Limits, progress func(float64)) (*Taken, error) {
	_, kind := Kind(s.Head())
	args := []string{"-protocol_whitelist", "file", "-f", moving[kind]}
	if p.alpha && (p.codec == "vp8" || p.codec == "vp9") { // ffmpeg's own decoders leave their alpha out
		args = append(args, "-c:v", map[string]string{"vp8": "libvpx", "vp9": "libvpx-vp9"}[p.codec])
	}
	args = append(args, "-i", "/proc/self/fd/3")
	file, err := p.run(ctx, args, s.File, nil, limits, progress)
	if err != nil {
		return nil, err
	}
	t, err := ofFilm(ctx, title, file)
	if err != nil {
		file.Close()
		return nil, err
	}
	if t.Prop.Footage == nil {
		return t, nil
	}
	got := t.Prop.Footage.Seconds
	if got > limits.FootageSeconds+0.5 { // it did not say so itself
		t.Close()
		return nil, fmt.Errorf("it lasts longer than %s; cut it shorter first", lasting(limits.FootageSeconds))
	}
	if p.seconds > 0 && got < 0.9*p.seconds-0.1 {
		t.Note = fmt.Sprintf("%s is damaged: of %s only %s could be read.", title, lasting(p.seconds), lasting(got))
	}
	if p.sound {
		if err := t.hear(ctx, title, s); err != nil {
			t.Close()
			return nil, err
		}
	}
	return t, nil
}

// graph is what ffmpeg does to the pictures: from the file's to the tracks that are kept.
func (p *probed) graph(w, h int) (filters string, maps []string) {
	steps := []string{"setpts=PTS-STARTPTS"}
	if p.interlaced {
		steps = append(steps, "yadif=deint=interlaced")
	}
	rgb := strings.HasPrefix(p.pixels, "gbr") || strings.Contains(p.pixels, "rgb") || strings.Contains(p.pixels, "bgr") || p.pixels == "pal8"
	matrix := map[string]string{"bt709": "709", "bt2020nc": "2020_ncl", "bt2020c": "2020_cl", "smpte170m": "170m", "bt470bg": "470bg", "smpte240m": "240m"}[p.matrix]
	switch {
	case p.transfer == "smpte2084" || p.transfer == "arib-std-b67":
		// Light beyond white is brought down to what a screen shows; what it shows anyway stays.
		steps = append(steps, "zscale=t=linear:npl=203", "format=gbrpf32le", "zscale=p=bt709", "tonemap=mobius:param=0.5:desat=0", "zscale=t=bt709:m=bt709:r=tv", "format=yuv420p")
		matrix = "709"
	case matrix == "" && p.h >= 720:
		matrix = "709"
	case matrix == "":
		matrix = "170m"
	}
	size := fmt.Sprintf("zscale=w=%d:h=%d:filter=lanczos:", w, h)
	const jpeg = "matrix=170m:range=full" // JFIF
	form := "yuvj444p"
	if strings.Contains(p.pixels, "420p") || strings.HasPrefix(p.pixels, "nv12") || strings.HasPrefix(p.pixels, "p010") {
		form = "yuvj420p"
	}
	half := fmt.Sprintf("scale=w=%d:h=%d:flags=area", w/2, h/2)
	if !p.alpha {
		if rgb {
			steps = append(steps, "format=gbrp", size+jpeg, "format="+form)
		} else {
			steps = append(steps, size+"matrixin="+matrix+":"+jpeg, "format="+form)
		}
		if !halves(w, h) {
			return "[0:v:0]" + strings.Join(steps, ",") + "[c]", []string{"[c]"}
		}
		return "[0:v:0]" + strings.Join(steps, ",") + ",split[c][x];[x]" + half + "[ch]", []string{"[c]", "[ch]"}
	}
	if !rgb {
		steps = append(steps, "zscale=matrixin="+matrix+":matrix=gbr:range=full")
	}
	// Premultiplied before it is made smaller, so that nothing of what is clear bleeds in.
	steps = append(steps, "format=gbrap", "premultiply=inplace=1", fmt.Sprintf("scale=w=%d:h=%d:flags=lanczos", w, h), "format=gbrap,split[p][q]")
	out := "[0:v:0]" + strings.Join(steps, ",") +
		";[p]format=gbrp,zscale=" + jpeg + ",format=" + form + "%s" +
		";[q]alphaextract,format=gray,scale=out_range=pc,format=yuvj420p%s"
	if !halves(w, h) {
		return fmt.Sprintf(out, "[c]", "[m]"), []string{"[c]", "[m]"}
	}
	return fmt.Sprintf(out, ",split[c][x];[x]"+half+"[ch]", ",split[m][y];[y]"+half+"[mh]"), []string{"[c]", "[m]", "[ch]", "[mh]"}
}

// halves tells whether a copy at half the size is worth keeping.
func halves(w, h int) bool { return max(w, h) >= 640 }

// kept is the size in which pictures are kept: even, and not larger than any use of them.
func (p *probed) kept() (w, h int) {
	k := min(1, keptSide/float64(max(p.w, p.h)))
	even := func(v int) int { return max(2, int(math.Round(float64(v)*k/2-1e-9))*2) }
	return even(p.w), even(p.h)
}

// quality is the step of the pictures' coding: finer for what is short.
func quality(seconds float64) int {
	switch {
	case seconds <= 30:
		return 2
	case seconds <= 90:
		return 3
	}
	return 5
}

// run runs ffmpeg on what it is told to read, and gives the kept file.
func (p *probed) run(ctx context.Context, read []string, file *os.File, in io.Reader, limits Limits, progress func(float64)) (_ *Spool, err error) {
	// It takes minutes in a process of its own, one at a time: it is nobody's turn meanwhile, so that
	// pictures and sounds can be read beside it.
	ctx, cancel := context.WithTimeout(ctx, time.Hour)
	defer cancel()
	out, err := Nameless()
	if err != nil {
		return nil, err
	}
	defer func() {
		if err != nil {
			out.Close()
		}
	}()
	w, h := p.kept()
	filters, maps := p.graph(w, h)
	args := append([]string{"-hide_banner", "-loglevel", "error", "-nostdin", "-nostats", "-progress", "pipe:1"}, read...)
	args = append(args, "-filter_complex", filters)
	base := p.base
	if _, b, ok := strings.Cut(base, "/"); !ok || number(b) < 10 {
		base = "1/90000"
	}
	for i, m := range maps {
		v := strconv.Itoa(i)
		args = append(args, "-map", m, "-enc_time_base:v:"+v, base)
	}
	args = append(args, "-fps_mode", "passthrough", "-c:v", "mjpeg", "-q:v", strconv.Itoa(quality(p.seconds)), "-threads", "1",
		"-t", strconv.FormatFloat(limits.FootageSeconds+1, 'f', 3, 64), "-fs", strconv.FormatInt(keptMost, 10),
		"-map_metadata", "-1", "-fflags", "+bitexact", "-flags:v", "+bitexact", "-movflags", "+faststart", "-f", "mov", "-y", "/proc/self/fd/4")
	t, err := newTool(ctx, ErrNoFFmpeg, filmMemory, niceness, args...)
	if err != nil {
		return nil, err
	}
	if file == nil {
		file = out // something has to lie there
	}
	t.ExtraFiles, t.Stdin = []*os.File{file, out}, in
	says, err := t.StdoutPipe()
	if err != nil {
		return nil, err
	}
	const failed = "it cannot be read as moving pictures; the file may be cut off, damaged or hold something else"
	if err := t.Start(); err != nil {
		return nil, t.explained(ctx, err, failed)
	}
	for lines := bufio.NewScanner(says); lines.Scan(); {
		if v, ok := strings.CutPrefix(lines.Text(), "out_time_us="); ok && p.seconds > 0 {
			progress(min(number(v)/1e6/p.seconds, 1))
		}
	}
	if err := t.Wait(); err != nil {
		return nil, t.explained(ctx, err, failed)
	}
	return Spooled(out)
}

// hear brings the sound of moving pictures in as a tune. One that is too short for that, or cannot
// be read, is left out.
func (t *Taken) hear(ctx context.Context, title string, s *Spool) error {
	sound, err := extracted(ctx, s)
	if err != nil {
		return ctx.Err()
	}
	p, err := heard(ctx, title+", its sound", sound)
	if err != nil {
		sound.Close()
		return ctx.Err()
	}
	t.Tune, t.Sound = &p, sound
	t.Prop.Footage.Sound = p.Hash
	return nil
}

// heard is a sound as a tune.
func heard(ctx context.Context, title string, s *Spool) (p clip.Prop, err error) {
	free, err := Take(ctx, soundMemory)
	if err != nil {
		return p, err
	}
	defer free()
	return SoundProp(ctx, "prop-"+s.Hash[:12], title, s)
}

// extracted is the sound of moving pictures alone, beginning when they do.
func extracted(ctx context.Context, s *Spool) (*Spool, error) {
	out, err := Nameless()
	if err != nil {
		return nil, err
	}
	_, kind := Kind(s.Head())
	t, err := newTool(ctx, ErrNoFFmpeg, filmMemory, niceness, "-hide_banner", "-loglevel", "error", "-nostdin", "-protocol_whitelist", "file",
		"-f", moving[kind], "-i", "/proc/self/fd/3", "-map", "0:a:0", "-vn", "-af", "aresample=async=1:first_pts=0", "-c:a", "flac",
		"-map_metadata", "-1", "-fflags", "+bitexact", "-flags:a", "+bitexact", "-f", "flac", "-y", "/proc/self/fd/4")
	if err == nil {
		t.ExtraFiles = []*os.File{s.File, out}
		if err = t.Run(); err != nil {
			err = t.explained(ctx, err, "its sound cannot be read")
		}
	}
	if err != nil {
		out.Close()
		return nil, err
	}
	return Spooled(out)
}

// keptAlready is footage that is in the form in which it is kept; nil is another file.
func keptAlready(title string, s *Spool, limits Limits) (*Taken, error) {
	f, err := OpenFilm(s)
	if err != nil || f.Bytes() > s.Bytes || f.Frames() < 2 || max(f.W, f.H) > keptSide {
		return nil, nil
	}
	r := footage.NewReel(f, Part(s))
	for _, share := range []float64{1, 0.5} {
		for _, n := range []int{0, f.Frames() / 2, f.Frames() - 1} {
			if p, k, err := r.Picture(n, share); err != nil || math.Abs(float64(p.Picture.W)-k*float64(f.W)) > 1.5 {
				return nil, nil
			}
		}
	}
	if f.Seconds() > limits.FootageSeconds+1.5 {
		return nil, fmt.Errorf("it lasts %s, and footage may last %s; cut it shorter first", lasting(f.Seconds()), lasting(limits.FootageSeconds))
	}
	return measured(title, s, f)
}

// OpenFilm reads the index of footage as it is kept.
func OpenFilm(s io.ReaderAt) (*footage.Film, error) {
	head := make([]byte, 64)
	n, err := s.ReadAt(head, 0)
	if err != nil && !errors.Is(err, io.EOF) {
		return nil, err
	}
	size := footage.Head(head[:n])
	if size == 0 || size > 64<<20 {
		return nil, errors.New("it is not footage as it is kept")
	}
	head = make([]byte, size)
	if _, err := s.ReadAt(head, 0); err != nil {
		return nil, err
	}
	return footage.Open(head)
}

// Part reads a part of a file.
func Part(s io.ReaderAt) footage.Read {
	return func(at int64, n int) ([]byte, error) {
		b := make([]byte, n)
		_, err := s.ReadAt(b, at)
		return b, err
	}
}

// ofFilm says what the kept file has. One picture alone becomes a picture.
func ofFilm(ctx context.Context, title string, file *Spool) (*Taken, error) {
	f, err := OpenFilm(file)
	if err != nil {
		return nil, errors.New("there is no picture in it that can be read")
	}
	if f.Frames() > 1 {
		return measured(title, file, f)
	}
	first, _, err := footage.NewReel(f, Part(file)).Picture(0, 1)
	if err != nil {
		return nil, err
	}
	still, err := EncodePNG(first.Picture)
	if err != nil {
		return nil, err
	}
	s, err := NewSpool(strings.NewReader(string(still)), int64(len(still)))
	if err != nil {
		return nil, err
	}
	p, kept, err := picture(ctx, "prop-"+s.Hash[:12], title, s, DefaultLimits())
	if err != nil {
		s.Close()
		return nil, err
	}
	file.Close()
	return &Taken{Prop: p, File: kept, Note: fmt.Sprintf("%s has one picture only; it is here as that.", title)}, nil
}

// measured is footage with what all of its frames have in common.
func measured(title string, file *Spool, f *footage.Film) (*Taken, error) {
	picture := &clip.Picture{W: f.W, H: f.H, Visible: [4]int{0, 0, f.W, f.H}, Area: 1}
	alpha := false
	if f.Alpha {
		var err error
		if alpha, err = seen(f, file, picture); err != nil {
			return nil, err
		}
	}
	return &Taken{File: file, Prop: clip.Prop{
		ID: "prop-" + file.Hash[:12], Name: title, Kind: clip.KindFootage, Hash: file.Hash, Media: FootageType,
		Picture: picture, Footage: &clip.Footage{Seconds: f.Seconds(), Frames: f.Frames(), Alpha: alpha},
	}}, nil
}

// seen measures what of the frames is not clear, and tells whether anything is.
func seen(f *footage.Film, file *Spool, p *clip.Picture) (clear bool, err error) {
	r := footage.NewReel(f, Part(file))
	var all *paint.Bitmap
	sum := 0.0
	for i := range f.Frames() {
		b, err := r.Matte(i)
		if err != nil {
			return false, err
		}
		if all == nil {
			all = paint.NewBitmap(b.W, b.H)
		}
		for j, v := range b.Pix {
			a := v & 255
			sum += float64(a)
			clear = clear || a < 250
			all.Pix[j] = max(all.Pix[j], a<<24)
		}
	}
	if !clear {
		return false, nil
	}
	v, ok := all.Visible()
	if !ok {
		return false, ErrNothingVisible
	}
	kx, ky := float64(f.W)/float64(all.W), float64(f.H)/float64(all.H)
	p.Visible = [4]int{
		int(float64(v[0]) * kx), int(float64(v[1]) * ky),
		min(int(math.Ceil(float64(v[2])*kx)), f.W), min(int(math.Ceil(float64(v[3])*ky)), f.H),
	}
	share := float64((v[2] - v[0]) * (v[3] - v[1]))
	p.Area = max(rounded(sum/255/float64(f.Frames())/share), 0.001)
	return true, nil
}
