package media

import (
	"bufio"
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"os/exec"
	"strconv"
	"strings"
	"time"

	"billow/core/beat"
	"billow/core/clip"
	"billow/core/mix"
)

// MaxSeconds is the longest tune that is read.
const MaxSeconds = 1200

const (
	// soundMemory is what it takes to find the beats of the longest tune.
	soundMemory = 256 << 20
	// ffmpegMemory is how much address space ffmpeg may take to decode sound.
	ffmpegMemory = 2 << 30
)

// FFmpeg tells whether ffmpeg answers.
func FFmpeg(ctx context.Context) error {
	if err := exec.CommandContext(ctx, "ffmpeg", "-hide_banner", "-version").Run(); err != nil {
		return ErrNoFFmpeg
	}
	return nil
}

// demuxers are what ffmpeg calls the kinds of files that are read; no other is
// tried, whatever a file holds.
var demuxers = map[string]string{
	"audio/wav": "wav", "audio/mpeg": "mp3", "audio/ogg": "ogg", "audio/flac": "flac", "audio/mp4": "mov",
	"video/mp4": "mov", "video/quicktime": "mov", "video/webm": "matroska",
}

// resampled brings any sampling rate to mix.Rate; images of tones stay 100 dB below them.
var resampled = "aresample=" + strconv.Itoa(mix.Rate) + ":resampler=soxr:precision=28"

// single tells whether a sound has one channel. It is to be as loud on both sides as it
// is, while ffmpeg would take it for a centre among others and make it 3 dB softer.
func single(ctx context.Context, s *Spool, demuxer string) bool {
	t, err := newTool(ctx, errNoProbe, ffmpegMemory, niceness, "-v", "error", "-protocol_whitelist", "file", "-f", demuxer,
		"-select_streams", "a:0", "-show_entries", "stream=channels", "-of", "csv=p=0", "/proc/self/fd/3")
	if err != nil {
		return false
	}
	t.ExtraFiles = []*os.File{s.File}
	var out strings.Builder
	t.Stdout = &limitedText{&out, 1 << 10}
	return t.Run() == nil && strings.Trim(out.String(), "\n\r, ") == "1"
}

// Stream decodes at most so many seconds of a sound file as interleaved stereo
// at mix.Rate and hands it over piece by piece. ffmpeg reads the file itself,
// and may seek in it: the index of some lies at their end.
func Stream(ctx context.Context, s *Spool, seconds float64, each func(pcm []float32) error) error {
	ctx, cancel := context.WithTimeout(ctx, 2*time.Minute)
	defer cancel()
	_, kind := Kind(s.Head())
	demuxer, ok := demuxers[kind]
	if !ok {
		return errors.New("it is not a sound file")
	}
	filter := resampled
	if single(ctx, s, demuxer) {
		filter = "pan=stereo|c0=c0|c1=c0," + filter
	}
	t, err := newTool(ctx, ErrNoFFmpeg, ffmpegMemory, niceness, "-hide_banner", "-loglevel", "error", "-nostdin",
		"-protocol_whitelist", "file", "-f", demuxer, "-i", "/proc/self/fd/3", "-map", "0:a:0", "-vn",
		"-t", strconv.FormatFloat(seconds, 'f', 3, 64), "-af", filter, "-f", "f32le", "-ac", "2", "-ar", strconv.Itoa(mix.Rate), "pipe:1")
	if err != nil {
		return err
	}
	t.ExtraFiles = []*os.File{s.File}
	out, err := t.StdoutPipe()
	if err != nil {
		return err
	}
	const failed = "it cannot be read as sound; the file may be damaged or hold something else"
	if err := t.Start(); err != nil {
		return t.explained(ctx, err, failed)
	}
	n, taken := pieces(out, each)
	if taken != nil {
		cancel()
	}
	ended := t.Wait()
	switch {
	case taken != nil:
		return taken
	case ended != nil && strings.Contains(t.problems.String(), "matches no streams"), ended == nil && n == 0:
		return errors.New("there is no sound in it")
	case ended != nil:
		return t.explained(ctx, ended, failed)
	}
	return nil
}

// pieces reads samples to the end and counts them.
func pieces(r io.Reader, each func(pcm []float32) error) (n int, err error) {
	in := bufio.NewReaderSize(r, 1<<18)
	raw, pcm := make([]byte, 1<<16), make([]float32, 1<<14)
	for {
		k, err := io.ReadFull(in, raw)
		k -= k % 8 // whole samples of both channels
		for i := range k / 4 {
			v := math.Float32frombits(binary.LittleEndian.Uint32(raw[4*i:]))
			if v-v != 0 { // neither a number nor finite
				v = 0
			}
			pcm[i] = v
		}
		if k > 0 {
			n += k / 4
			if err := each(pcm[:k/4]); err != nil {
				return n, err
			}
		}
		if err != nil {
			return n, nil // the end; whether it is a good one tells the program's exit
		}
	}
}

// DecodeSound reads at most so many seconds of a sound file whole.
func DecodeSound(ctx context.Context, s *Spool, seconds float64) ([]float32, error) {
	pcm := make([]float32, 0, 2*mix.Rate*16)
	err := Stream(ctx, s, min(seconds, MaxSeconds), func(piece []float32) error {
		pcm = append(pcm, piece...)
		return nil
	})
	return pcm, err
}

// SoundProp analyses a tune and describes it as a prop.
func SoundProp(ctx context.Context, id, name string, s *Spool) (clip.Prop, error) {
	mixer, samples := beat.NewMixer(), 0
	err := Stream(ctx, s, MaxSeconds+1, func(pcm []float32) error {
		if samples += len(pcm) / 2; samples > MaxSeconds*mix.Rate {
			return fmt.Errorf("it lasts more than %d minutes, which is the longest that is taken; bring in the part that you need", MaxSeconds/60)
		}
		mixer.Add(pcm)
		return nil
	})
	if err != nil {
		return clip.Prop{}, err
	}
	sound := beat.Find(mixer.Mono())
	sound.Seconds = float64(samples) / mix.Rate
	const least = 0.05 // seconds: a click
	if sound.Seconds < least {
		return clip.Prop{}, fmt.Errorf("it lasts only %.3f seconds; a sound needs at least %.2f", sound.Seconds, least)
	}
	_, kind := Kind(s.Head())
	return clip.Prop{ID: id, Name: name, Kind: clip.KindTune, Hash: s.Hash, Media: kind, Sound: sound}, nil
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
