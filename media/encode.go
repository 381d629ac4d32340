package media

import (
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"strconv"
	"sync/atomic"
	"syscall"
	"time"

	"billow/core/mix"
)

// Video describes what is encoded.
type Video struct {
	W, H, Rate int
	Sound      []float32     // interleaved stereo at mix.Rate; nil for none
	Patience   time.Duration // without progress the encoder is ended; 0 is a minute
	Quick      bool          // made faster and smaller, to be watched once
}

// encoderMemory is how much address space the encoder may take, for frames of
// clip.MaxSide pixels a side.
const encoderMemory = 6 << 30

// Encode makes an MP4: H.264 High, BT.709 limited 4:2:0, AAC at 192 kb/s. feed
// writes the frames, each paint.YUVSize bytes. The file that comes back stands
// at its start, has no name and vanishes when it is closed, whatever happens.
func Encode(ctx context.Context, v Video, feed func(w io.Writer) error) (*os.File, error) {
	asked := ctx
	ctx, cancel := context.WithCancelCause(ctx)
	defer cancel(nil)
	out, err := Nameless()
	if err != nil {
		return nil, err
	}
	kept := false
	defer func() {
		if !kept {
			out.Close()
		}
	}()
	t, err := newTool(ctx, ErrNoFFmpeg, encoderMemory, 0, arguments(v)...)
	if err != nil {
		return nil, err
	}
	soundOut, soundIn, err := os.Pipe()
	if err != nil {
		return nil, err
	}
	defer soundOut.Close()
	t.ExtraFiles = []*os.File{out, soundOut}
	frames, err := t.StdinPipe()
	if err != nil {
		return nil, err
	}
	if err := t.Start(); err != nil {
		soundIn.Close()
		return nil, err
	}
	soundOut.Close()
	go writeSound(soundIn, v.Sound)
	pulse := newPulse(out, frames)
	go pulse.watch(ctx, v.Patience, cancel)
	fed := feed(pulse)
	frames.Close()
	if fed != nil {
		cancel(fed)
	}
	ended := t.Wait()
	if cause := context.Cause(ctx); errors.Is(cause, errStuck) {
		return nil, errStuck
	}
	if ended != nil {
		if fed != nil && !errors.Is(fed, syscall.EPIPE) {
			return nil, fed
		}
		return nil, t.explained(asked, ended, "the encoder ended before the clip was done")
	}
	// A disk that fills up while the index is moved to the front does not make
	// ffmpeg fail, so the file itself is looked at.
	if err := wholeMP4(out); err != nil {
		return nil, err
	}
	kept = true
	_, err = out.Seek(0, io.SeekStart)
	return out, err
}

var errStuck = errors.New("the encoder made no progress for a minute and was ended")

// pulse tells whether an encoder gets on: it takes frames or writes its file.
type pulse struct {
	io.Writer
	file  *os.File
	beats atomic.Int64
}

func newPulse(file *os.File, w io.Writer) *pulse { return &pulse{Writer: w, file: file} }

func (p *pulse) Write(b []byte) (int, error) {
	// In pieces, so that one frame of many does not look like standing still.
	total := 0
	for len(b) > 0 {
		n, err := p.Writer.Write(b[:min(len(b), 1<<20)])
		total += n
		p.beats.Add(1)
		if err != nil {
			return total, err
		}
		b = b[n:]
	}
	return total, nil
}

// watch ends an encoder that stands still.
func (p *pulse) watch(ctx context.Context, patience time.Duration, end context.CancelCauseFunc) {
	if patience == 0 {
		patience = time.Minute
	}
	tick := time.NewTicker(patience / 20)
	defer tick.Stop()
	last, since := "", time.Now()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
		}
		now := strconv.FormatInt(p.beats.Load(), 10)
		if info, err := p.file.Stat(); err == nil {
			now += fmt.Sprint(info.Size(), info.ModTime())
		}
		if now != last {
			last, since = now, time.Now()
		} else if time.Since(since) > patience {
			end(errStuck)
			return
		}
	}
}

// wholeMP4 walks the boxes of a file (ISO/IEC 14496-12, 4.2): they must fill it
// exactly, and hold an index and media data.
func wholeMP4(f *os.File) error {
	end, err := f.Seek(0, io.SeekEnd)
	if err != nil {
		return err
	}
	seen := map[string]bool{}
	for at := int64(0); at < end; {
		var head [16]byte
		if _, err := f.ReadAt(head[:], at); err != nil && !errors.Is(err, io.EOF) {
			return err
		}
		size := int64(binary.BigEndian.Uint32(head[:]))
		if size == 1 {
			size = int64(binary.BigEndian.Uint64(head[8:]))
		}
		if size < 8 || at+size > end {
			return errors.New("the file was cut off; the disk may be full")
		}
		seen[string(head[4:8])] = true
		at += size
	}
	if !seen["moov"] || !seen["mdat"] {
		return errors.New("the file has no index; the disk may be full")
	}
	return nil
}

// arguments has the nameless file as descriptor 3 and the sound as 4.
func arguments(v Video) []string {
	a := []string{"-hide_banner", "-loglevel", "error", "-y", "-protocol_whitelist", "pipe,file",
		"-f", "rawvideo", "-pix_fmt", "yuv420p", "-s", fmt.Sprintf("%dx%d", v.W, v.H),
		"-r", strconv.Itoa(v.Rate), "-color_range", "tv", "-colorspace", "bt709",
		"-color_primaries", "bt709", "-color_trc", "bt709", "-i", "pipe:0"}
	if v.Sound != nil {
		a = append(a, "-f", "f32le", "-ac", "2", "-ar", strconv.Itoa(mix.Rate), "-i", "pipe:4")
	}
	a = append(a, "-map", "0:v")
	if v.Sound != nil {
		a = append(a, "-map", "1:a", "-c:a", "aac", "-b:a", "192k")
	}
	// aq-mode 3 spends more on dark and even areas, where bands would show.
	preset := []string{"-preset", "medium", "-crf", "18", "-aq-mode", "3"}
	if v.Quick {
		preset = []string{"-preset", "veryfast", "-crf", "23"}
	}
	a = append(append(a, "-c:v", "libx264", "-profile:v", "high"), preset...)
	// Players can only jump to key pictures.
	return append(a, "-g", strconv.Itoa(2*v.Rate), "-pix_fmt", "yuv420p", "-color_range", "tv", "-colorspace", "bt709",
		"-color_primaries", "bt709", "-color_trc", "bt709", "-movflags", "+faststart", "-f", "mp4", "/proc/self/fd/3")
}

func writeSound(w io.WriteCloser, pcm []float32) {
	defer w.Close()
	const chunk = 8192
	buf := make([]byte, 4*chunk)
	for len(pcm) > 0 {
		n := min(chunk, len(pcm))
		for i, s := range pcm[:n] {
			binary.LittleEndian.PutUint32(buf[4*i:], math.Float32bits(s))
		}
		if _, err := w.Write(buf[:4*n]); err != nil {
			return // ffmpeg has gone; its own error is reported
		}
		pcm = pcm[n:]
	}
}
