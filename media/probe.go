package media

import (
	"context"
	"encoding/json"
	"errors"
	"io"
	"math"
	"os"
	"strconv"
	"strings"
	"time"

	"billow/core/clip"
)

var errNoProbe = &MissingError{"ffprobe", "ffmpeg"}

// probed is what a file says of its moving picture and its sound.
type probed struct {
	w, h        int // as it is shown: upright, with square pixels
	crooked     bool
	seconds     float64 // 0 is not told
	base        string  // the unit of its times, as "1/90000"
	codec       string
	pixels      string // how they are kept, by ffmpeg's name
	matrix      string // of its colours
	transfer    string
	interlaced  bool
	alpha       bool
	sound, film bool
}

// moving are what ffmpeg calls the kinds of files of moving pictures; no other is tried.
var moving = map[string]string{"video/mp4": "mov", "video/quicktime": "mov", "video/webm": "matroska", "image/gif": "gif"}

// stream is one of ffprobe's.
type stream struct {
	Type     string `json:"codec_type"`
	Codec    string `json:"codec_name"`
	W        int    `json:"width"`
	H        int    `json:"height"`
	Aspect   string `json:"sample_aspect_ratio"`
	Pixels   string `json:"pix_fmt"`
	Matrix   string `json:"color_space"`
	Transfer string `json:"color_transfer"`
	Order    string `json:"field_order"`
	Base     string `json:"time_base"`
	Duration string `json:"duration"`
	Place    struct {
		Cover int `json:"attached_pic"`
	} `json:"disposition"`
	Tags map[string]string `json:"tags"`
	Side []struct {
		Rotation float64 `json:"rotation"`
	} `json:"side_data_list"`
}

// probe reads what a file says of itself.
func probe(ctx context.Context, s *Spool, demuxer string) (p probed, err error) {
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	t, err := newTool(ctx, errNoProbe, ffmpegMemory, niceness, "-v", "error", "-protocol_whitelist", "file", "-f", demuxer,
		"-show_streams", "-show_format", "-of", "json", "/proc/self/fd/3")
	if err != nil {
		return p, err
	}
	t.ExtraFiles = []*os.File{s.File}
	var out strings.Builder
	t.Stdout = &limitedText{&out, 1 << 20}
	if err := t.Run(); err != nil {
		return p, t.explained(ctx, err, "it cannot be read as moving pictures; the file may be cut off, damaged or hold something else")
	}
	var says struct {
		Streams []stream
		Format  struct{ Duration string }
	}
	if err := json.Unmarshal([]byte(out.String()), &says); err != nil {
		return p, errors.New("it says nothing of itself that can be understood; the file may be damaged")
	}
	for _, v := range says.Streams {
		switch {
		case v.Type == "audio":
			p.sound = true
		case v.Type == "video" && !p.film && v.Place.Cover == 0 && v.W > 0 && v.H > 0:
			p.film = true
			p.reads(v)
		}
	}
	if p.seconds == 0 {
		p.seconds = number(says.Format.Duration)
	}
	return p, nil
}

// reads notes what a stream of pictures says.
func (p *probed) reads(v stream) {
	p.w, p.h = v.W, v.H
	if a, b, ok := strings.Cut(v.Aspect, ":"); ok && number(a) > 0 && number(b) > 0 && number(a) != number(b) {
		p.w, p.crooked = int(math.Round(float64(v.W)*number(a)/number(b))), true
	}
	for _, side := range v.Side {
		if turn := math.Mod(math.Abs(side.Rotation), 180); turn > 45 && turn < 135 {
			p.w, p.h = p.h, p.w
		}
	}
	p.base, p.codec, p.pixels, p.matrix, p.transfer = v.Base, v.Codec, v.Pixels, v.Matrix, v.Transfer
	p.seconds = number(v.Duration)
	p.interlaced = v.Order == "tt" || v.Order == "bb" || v.Order == "tb" || v.Order == "bt"
	mode := v.Tags["alpha_mode"] + v.Tags["ALPHA_MODE"]
	p.alpha = mode == "1" || strings.Contains(v.Pixels, "a") && (strings.HasPrefix(v.Pixels, "yuva") || strings.HasPrefix(v.Pixels, "gbrap") ||
		strings.Contains(v.Pixels, "rgba") || strings.Contains(v.Pixels, "bgra") || strings.Contains(v.Pixels, "argb") || strings.Contains(v.Pixels, "abgr") || v.Pixels == "ya8" || v.Pixels == "pal8")
}

func number(s string) float64 {
	v, err := strconv.ParseFloat(s, 64)
	if err != nil || math.IsNaN(v) || math.IsInf(v, 0) || v < 0 {
		return 0
	}
	return v
}

// limitedText keeps the beginning of what a program says.
type limitedText struct {
	b    *strings.Builder
	left int
}

func (l *limitedText) Write(b []byte) (int, error) {
	n := min(len(b), l.left)
	l.left -= n
	l.b.Write(b[:n])
	return len(b), nil
}

// Moves tells whether a file is moving pictures, by its beginning: of GIF and WebP, if they have
// more than one.
func Moves(s *Spool) bool {
	what, kind := Kind(s.Head())
	switch kind {
	case "image/gif":
		return manyGIF(s)
	case "image/webp":
		head := s.Head()
		return len(head) > 20 && string(head[12:16]) == "VP8X" && head[20]&2 != 0
	}
	return what == clip.KindFootage
}

// manyGIF tells whether a GIF has more than one picture: it walks its blocks (GIF89a, 18 to 26).
func manyGIF(s *Spool) bool {
	r := &walker{r: s.Again()}
	head := r.take(13)
	skipTable := func(flags byte) {
		if flags&0x80 != 0 {
			r.take(3 << (flags&7 + 1))
		}
	}
	if r.bad {
		return false
	}
	skipTable(head[10])
	for n := 0; !r.bad; {
		switch kind := r.take(1); {
		case r.bad || kind[0] == 0x3b:
			return false
		case kind[0] == 0x21:
			r.take(1)
			r.blocks()
		case kind[0] == 0x2c:
			if n++; n > 1 {
				return true
			}
			d := r.take(9)
			if r.bad {
				return false
			}
			skipTable(d[8])
			r.take(1)
			r.blocks()
		default:
			return false
		}
	}
	return false
}

// walker reads a file piece by piece until something is missing.
type walker struct {
	r   io.Reader
	buf [1024]byte
	bad bool
}

func (w *walker) take(n int) []byte {
	b := w.buf[:n]
	if _, err := io.ReadFull(w.r, b); err != nil {
		w.bad = true
	}
	return b
}

// blocks goes over sub-blocks up to the empty one.
func (w *walker) blocks() {
	for !w.bad {
		n := w.take(1)
		if w.bad || n[0] == 0 {
			return
		}
		w.take(int(n[0]))
	}
}
