package media

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"

	"billow/core/mix"
)

// Video describes what is encoded.
type Video struct {
	W, H, Rate int
	Sound      []float32 // interleaved stereo at mix.Rate; nil for none
}

// Encode makes an MP4: H.264 High, BT.709 limited 4:2:0, AAC at 192 kb/s. feed
// writes the frames, each paint.YUVSize bytes. The file that comes back stands
// at its start, has no name and vanishes when it is closed, whatever happens.
func Encode(ctx context.Context, v Video, feed func(w io.Writer) error) (*os.File, error) {
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	out, err := nameless()
	if err != nil {
		return nil, err
	}
	kept := false
	defer func() {
		if !kept {
			out.Close()
		}
	}()
	cmd := exec.CommandContext(ctx, "ffmpeg", arguments(v)...)
	cmd.SysProcAttr = &syscall.SysProcAttr{Pdeathsig: syscall.SIGKILL}
	var problems bytes.Buffer
	cmd.Stderr = &limited{w: &problems, left: 4000}
	soundOut, soundIn, err := os.Pipe()
	if err != nil {
		return nil, err
	}
	defer soundOut.Close()
	cmd.ExtraFiles = []*os.File{out, soundOut}
	frames, err := cmd.StdinPipe()
	if err != nil {
		return nil, err
	}
	if err := cmd.Start(); err != nil {
		soundIn.Close()
		if errors.Is(err, exec.ErrNotFound) {
			return nil, ErrNoFFmpeg
		}
		return nil, err
	}
	soundOut.Close()
	go writeSound(soundIn, v.Sound)
	fed := feed(frames)
	frames.Close()
	if fed != nil {
		cancel()
	}
	if err := cmd.Wait(); err != nil {
		if fed != nil && !errors.Is(fed, syscall.EPIPE) {
			return nil, fed
		}
		return nil, fmt.Errorf("encoding failed: %s", complaint(problems.String(), err))
	}
	// A disk that fills up while the index is moved to the front does not make
	// ffmpeg fail, so the file itself is looked at.
	if err := wholeMP4(out); err != nil {
		return nil, fmt.Errorf("encoding failed: %s", complaint(problems.String(), err))
	}
	kept = true
	_, err = out.Seek(0, io.SeekStart)
	return out, err
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

// complaint puts a full disk, the one failure a person can do something about,
// into plain words.
func complaint(text string, err error) string {
	if strings.Contains(text, "No space left") {
		return "the disk is full; free some space and export again"
	}
	if text == "" {
		return err.Error()
	}
	return lastLine(text)
}

// nameless opens a file that has no name: were Billow killed, nothing is left.
func nameless() (*os.File, error) {
	f, err := os.CreateTemp("", "billow-export-*.mp4")
	if err != nil {
		return nil, fmt.Errorf("no temporary file can be made in %s: %w", filepath.Clean(os.TempDir()), err)
	}
	return f, os.Remove(f.Name())
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
	return append(a, "-c:v", "libx264", "-profile:v", "high", "-preset", "veryfast", "-crf", "18",
		"-pix_fmt", "yuv420p", "-color_range", "tv", "-colorspace", "bt709", "-color_primaries", "bt709",
		"-color_trc", "bt709", "-movflags", "+faststart", "-f", "mp4", "/proc/self/fd/3")
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
