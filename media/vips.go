package media

import (
	"context"
	"fmt"
	"io"
	"os"
	"strconv"
	"time"

	"billow/core/clip"
)

// vipsMemory is how much address space the program may take that makes pictures
// smaller. It reads them in strips, so that this does not depend on their size.
const vipsMemory = 1 << 30

// smaller is the program that makes a picture upright, in sRGB, and no larger than so
// many pixels a side; from and to are where it reads and writes, as it says it.
func smaller(ctx context.Context, s *Spool, side int, from, to string) (*tool, error) {
	size := strconv.Itoa(side)
	t, err := newTool(ctx, errNoVips, vipsMemory, niceness, from, "--size", size+"x"+size+">", "--export-profile", "srgb",
		"--intent", "relative", "--output", to)
	if err != nil {
		return nil, err
	}
	t.Env = vipsEnv()
	t.Stdin = s.File
	_, err = s.Seek(0, io.SeekStart)
	return t, err
}

// vipsEnv lets libvips read no formats that it does not hold for safe itself; what does not fit in
// strips lies on disk.
func vipsEnv() []string {
	return append(os.Environ(), "VIPS_BLOCK_UNTRUSTED=1", "VIPS_CONCURRENCY=1", "VIPS_DISC_THRESHOLD=64m")
}

// upright makes a picture what Billow reads as it is: upright, in sRGB, and no
// larger than any frame. It comes back as a PNG.
func upright(ctx context.Context, s *Spool, most int64) (*Spool, error) {
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	t, err := smaller(ctx, s, clip.MaxSide, "stdin[fail_on=truncated]", ".png[strip,compression=3]")
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
	made, spooled := NewSpool(out, most)
	if spooled != nil {
		cancel() // what it still writes nobody reads
	}
	if err := t.Wait(); err != nil && spooled == nil {
		made.Close()
		return nil, t.explained(ctx, err, "it cannot be read to its end; the file may be damaged")
	}
	if spooled != nil {
		return nil, fmt.Errorf("it cannot be made smaller: %w", spooled)
	}
	return made, nil
}
