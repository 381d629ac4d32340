package media

import (
	"bytes"
	"compress/zlib"
	"context"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"io"
	"math"

	"billow/core/clip"
	"billow/core/svg"
)

const (
	// drawnSide is the longer side of the picture made of a drawing: sharp on any frame.
	drawnSide = 2048
	// carries is the keyword of the text that a picture made of a drawing carries.
	carries = "Drawing"
)

var pngHead = []byte("\x89PNG\r\n\x1a\n")

// drawn makes a picture of a drawing in SVG. The picture carries the drawing with it, so
// that it can be taken apart later wherever it goes.
func drawn(ctx context.Context, s *Spool, limits Limits) (*Spool, error) {
	if s.Bytes > svg.MaxBytes {
		return nil, errors.New("a drawing is at most 5 MB large")
	}
	free, err := Take(ctx, 12*drawnSide*drawnSide)
	if err != nil {
		return nil, err
	}
	defer free()
	file, err := io.ReadAll(s.Again())
	if err != nil {
		return nil, err
	}
	d, err := svg.Read(file)
	if err != nil {
		return nil, err
	}
	k := drawnSide / max(d.W, d.H)
	whole := func(v float64) int { return max(1, int(math.Round(v*k))) }
	png, err := EncodePNG(d.Draw(whole(d.W), whole(d.H)))
	if err != nil {
		return nil, err
	}
	return NewSpool(bytes.NewReader(carrying(png, file)), limits.PictureBytes)
}

// carrying is a PNG with a drawing as international text, compressed (ISO/IEC 15948, iTXt),
// after its header.
func carrying(png, drawing []byte) []byte {
	var chunk bytes.Buffer
	chunk.WriteString("iTXt" + carries + "\x00\x01\x00\x00\x00") // compressed by deflate; no language
	z := zlib.NewWriter(&chunk)
	z.Write(drawing) // into memory: it does not fail
	z.Close()
	const header = 8 + 25 // the signature and IHDR
	out := append([]byte{}, png[:header]...)
	out = binary.BigEndian.AppendUint32(out, uint32(chunk.Len()-4))
	out = append(out, chunk.Bytes()...)
	out = binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(chunk.Bytes()))
	return append(out, png[header:]...)
}

// Drawing is the drawing that a picture carries; nil where there is none.
func Drawing(r io.ReadSeeker) (*svg.Drawing, error) {
	head := make([]byte, 8)
	if _, err := io.ReadFull(r, head); err != nil || !bytes.Equal(head, pngHead) {
		return nil, nil
	}
	for {
		if _, err := io.ReadFull(r, head); err != nil {
			return nil, nil
		}
		length, kind := int64(binary.BigEndian.Uint32(head)), string(head[4:])
		if kind == "IDAT" {
			return nil, nil // ours lies before
		}
		if kind != "iTXt" || length > svg.MaxBytes {
			if _, err := r.Seek(length+4, io.SeekCurrent); err != nil {
				return nil, err
			}
			continue
		}
		text := make([]byte, length)
		if _, err := io.ReadFull(r, text); err != nil {
			return nil, nil
		}
		if rest, ours := bytes.CutPrefix(text, []byte(carries+"\x00\x01\x00\x00\x00")); ours {
			z, err := zlib.NewReader(bytes.NewReader(rest))
			if err != nil {
				return nil, nil
			}
			file, err := io.ReadAll(io.LimitReader(z, svg.MaxBytes+1))
			if err != nil {
				return nil, nil
			}
			return svg.Read(file)
		}
		if _, err := r.Seek(4, io.SeekCurrent); err != nil {
			return nil, err
		}
	}
}

// described is what a picture says of the drawing that it was made of, if any.
func described(s *Spool) *clip.Drawing {
	d, err := Drawing(s.Again())
	if err != nil || d == nil {
		return nil
	}
	return &clip.Drawing{LeftOut: d.Notes}
}
