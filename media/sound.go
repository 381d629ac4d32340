package media

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"math"
	"os/exec"
	"strconv"
	"strings"
	"time"

	"billow/core/beat"
	"billow/core/clip"
	"billow/core/mix"
)

// ErrNoFFmpeg says that ffmpeg is not installed.
var ErrNoFFmpeg = errors.New("ffmpeg is not installed; on Debian, run: apt-get install ffmpeg")

// MaxSeconds is the longest tune that is read.
const MaxSeconds = 1200

// FFmpeg tells whether ffmpeg answers.
func FFmpeg(ctx context.Context) error {
	if err := exec.CommandContext(ctx, "ffmpeg", "-hide_banner", "-version").Run(); err != nil {
		return ErrNoFFmpeg
	}
	return nil
}

// DecodeSound reads a sound file as interleaved stereo at mix.Rate. It reads
// no other file than the one given, which reaches ffmpeg through a pipe.
func DecodeSound(ctx context.Context, file []byte) ([]float32, error) {
	ctx, cancel := context.WithTimeout(ctx, 2*time.Minute)
	defer cancel()
	cmd := exec.CommandContext(ctx, "ffmpeg", "-hide_banner", "-loglevel", "error", "-nostdin",
		"-protocol_whitelist", "pipe", "-i", "pipe:0", "-map", "0:a:0", "-vn",
		"-t", strconv.Itoa(MaxSeconds), "-f", "f32le", "-ac", "2", "-ar", strconv.Itoa(mix.Rate), "pipe:1")
	cmd.Stdin = bytes.NewReader(file)
	var out, problems bytes.Buffer
	cmd.Stdout, cmd.Stderr = &out, &limited{w: &problems, left: 4000}
	if err := cmd.Run(); err != nil {
		if errors.Is(err, exec.ErrNotFound) {
			return nil, ErrNoFFmpeg
		}
		return nil, fmt.Errorf("it cannot be read as sound (%s)", lastLine(problems.String()))
	}
	pcm := make([]float32, out.Len()/4)
	if len(pcm) == 0 {
		return nil, errors.New("there is no sound in it")
	}
	for i := range pcm {
		v := math.Float32frombits(binary.LittleEndian.Uint32(out.Bytes()[4*i:]))
		if v != v {
			v = 0
		}
		pcm[i] = v
	}
	return pcm, nil
}

// SoundProp analyses a decoded tune and describes it as a prop.
func SoundProp(id, name string, file []byte, pcm []float32) (clip.Prop, error) {
	sound := beat.Find(beat.Mono(pcm))
	sound.Seconds = float64(len(pcm)/2) / mix.Rate
	if sound.Seconds < 1 {
		return clip.Prop{}, fmt.Errorf("it lasts only %.2f seconds; a tune needs at least one", sound.Seconds)
	}
	_, kind := Kind(file)
	return clip.Prop{ID: id, Name: name, Kind: clip.KindTune, Hash: Hash(file), Media: kind, Sound: sound}, nil
}

// WAV writes interleaved stereo at mix.Rate as 16-bit PCM.
func WAV(pcm []float32) []byte {
	const header = 44
	b := make([]byte, header+2*len(pcm))
	copy(b, "RIFF")
	le := binary.LittleEndian
	le.PutUint32(b[4:], uint32(len(b)-8))
	copy(b[8:], "WAVEfmt ")
	le.PutUint32(b[16:], 16)
	le.PutUint16(b[20:], 1) // PCM
	le.PutUint16(b[22:], 2) // channels
	le.PutUint32(b[24:], mix.Rate)
	le.PutUint32(b[28:], mix.Rate*4)
	le.PutUint16(b[32:], 4)
	le.PutUint16(b[34:], 16)
	copy(b[36:], "data")
	le.PutUint32(b[40:], uint32(2*len(pcm)))
	for i, v := range pcm {
		s := int16(math.Round(float64(min(max(v, -1), 1)) * 32767))
		le.PutUint16(b[header+2*i:], uint16(s))
	}
	return b
}

// limited keeps the first bytes of what a process complains about.
type limited struct {
	w    io.Writer
	left int
}

func (l *limited) Write(b []byte) (int, error) {
	n := min(len(b), l.left)
	l.left -= n
	_, err := l.w.Write(b[:n])
	return len(b), err
}

func lastLine(s string) string {
	lines := strings.Split(strings.TrimSpace(s), "\n")
	if last := strings.TrimSpace(lines[len(lines)-1]); last != "" {
		return last
	}
	return "no reason was given"
}
