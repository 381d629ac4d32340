package media

import (
	"bytes"
	"context"
	"fmt"
	"time"
)

// SmallSide is how many pixels the longer side of a small picture has at most.
const SmallSide = 160

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
	t, err := smaller(ctx, s, SmallSide, "stdin", ".webp[Q=76,alpha_q=80,effort=6,strip]")
	if err != nil {
		return nil, err
	}
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
