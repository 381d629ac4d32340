package media

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"os"
	"strconv"
	"time"
)

// SmallSide is how many pixels the longer side of a small picture has at most.
const SmallSide = 320

// smallBytes is the largest small picture that is taken.
const smallBytes = 1 << 20

// Small makes a small picture of a picture, for lists: WebP, which keeps what is
// transparent and is a tenth of a PNG.
func Small(ctx context.Context, s *Spool) ([]byte, error) {
	free, err := Take(ctx, vipsMemory/4)
	if err != nil {
		return nil, err
	}
	defer free()
	ctx, cancel := context.WithTimeout(ctx, time.Minute)
	defer cancel()
	side := strconv.Itoa(SmallSide)
	t, err := newTool(ctx, errNoVips, vipsMemory, niceness, "stdin", "--size", side+"x"+side+">", "--export-profile", "srgb",
		"--output", ".webp[Q=84,alpha_q=90,strip]")
	if err != nil {
		return nil, err
	}
	t.Env = append(os.Environ(), "VIPS_BLOCK_UNTRUSTED=1", "VIPS_CONCURRENCY=1", "VIPS_DISC_THRESHOLD=64m")
	if _, err := s.Seek(0, io.SeekStart); err != nil {
		return nil, err
	}
	t.Stdin = s.File
	var out bytes.Buffer
	t.Stdout = &out
	if err := t.Run(); err != nil {
		return nil, t.explained(ctx, err, "no small picture can be made of it")
	}
	if out.Len() == 0 || out.Len() > smallBytes {
		return nil, fmt.Errorf("its small picture would have %d bytes", out.Len())
	}
	return out.Bytes(), nil
}
