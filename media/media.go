// Package media is the boundary to files of pictures, sound and video: it tells
// what a file is by its content, decodes it within limits, and encodes clips
// through ffmpeg, a separate process that is fed through pipes.
package media

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"image"
	_ "image/gif" // decoders register themselves
	_ "image/jpeg"
	"image/png"
	"io"
	"math"

	"billow/core/clip"
	"billow/core/paint"

	_ "golang.org/x/image/webp"
)

// Limits of what is read.
type Limits struct {
	PictureBytes   int64
	Megapixels     int
	SoundBytes     int64
	FootageBytes   int64
	FootageSeconds float64
}

// DefaultLimits are 50 MB and 100 megapixels a picture, 100 MB a sound, 200 MB and three minutes of
// footage.
func DefaultLimits() Limits { return Limits{50 << 20, 100, 100 << 20, 200 << 20, 180} }

// Most is how many bytes a file has at most.
func (l Limits) Most() int64 { return max(l.PictureBytes, l.SoundBytes, l.FootageBytes) }

// Hash is the name of a file: SHA-256 of its bytes, hexadecimal.
func Hash(b []byte) string {
	sum := sha256.Sum256(b)
	return hex.EncodeToString(sum[:])
}

// Kind tells by its beginning whether a file is a picture, moving pictures, a sound or a font that
// Billow reads; its media type is empty when it is none of these. A picture may yet move (Moves).
func Kind(b []byte) (kind, mediaType string) {
	has := func(at int, s string) bool { return len(b) >= at+len(s) && string(b[at:at+len(s)]) == s }
	switch {
	case has(0, "\x89PNG\r\n\x1a\n"):
		return clip.KindCutout, "image/png"
	case has(0, "\xff\xd8\xff"):
		return clip.KindCutout, "image/jpeg"
	case has(0, "GIF87a"), has(0, "GIF89a"):
		return clip.KindCutout, "image/gif"
	case has(0, "RIFF") && has(8, "WEBP"):
		return clip.KindCutout, "image/webp"
	case has(0, "\x00\x01\x00\x00"), has(0, "true"):
		return clip.KindFont, "font/ttf"
	case has(0, "OTTO"):
		return clip.KindFont, "font/otf"
	case has(0, "wOF2"):
		return clip.KindFont, woff2Type
	case isDrawing(b):
		return clip.KindCutout, svgType
	case has(0, "RIFF") && has(8, "WAVE"):
		return clip.KindTune, "audio/wav"
	case has(0, "ID3"), len(b) > 1 && b[0] == 0xff && b[1]&0xe6 == 0xe2:
		return clip.KindTune, "audio/mpeg"
	case has(0, "OggS"):
		return clip.KindTune, "audio/ogg"
	case has(0, "fLaC"):
		return clip.KindTune, "audio/flac"
	case has(4, "ftypM4A"), has(4, "ftypM4B"):
		return clip.KindTune, "audio/mp4"
	case has(4, "ftypqt"), has(4, "moov"), has(4, "wide"), has(4, "mdat"):
		return clip.KindFootage, "video/quicktime"
	case has(4, "ftyp"):
		return clip.KindFootage, "video/mp4"
	case has(0, "\x1a\x45\xdf\xa3"):
		return clip.KindFootage, "video/webm"
	}
	return "", ""
}

const woff2Type = "font/woff2"

const svgType = "image/svg+xml"

// isDrawing tells whether a file begins as one in XML does; reading it tells the rest.
func isDrawing(b []byte) bool {
	b = bytes.TrimLeft(bytes.TrimPrefix(b, []byte("\ufeff")), " \t\r\n")
	for _, begins := range []string{"<?xml", "<svg", "<!--", "<!DOCTYPE svg"} {
		if len(b) >= len(begins) && string(b[:len(begins)]) == begins {
			return true
		}
	}
	return false
}

// Shown tells whether a media type is one that Billow keeps and a browser may
// show or play; anything else is only ever saved.
func Shown(mediaType string) bool {
	switch mediaType {
	case "image/png", "image/jpeg", "image/gif", "image/webp", "video/mp4",
		"audio/wav", "audio/mpeg", "audio/ogg", "audio/flac", "audio/mp4", "font/ttf", "font/otf":
		return true
	}
	return false
}

// ErrNothingVisible is a picture without an opaque pixel.
var ErrNothingVisible = errors.New("nothing in it can be seen: every pixel is transparent")

// Picture decodes a picture. Size says first whether there is memory for it.
func Picture(r io.Reader) (*paint.Bitmap, error) {
	m, _, err := image.Decode(r)
	if err != nil {
		return nil, errors.New("it cannot be read to its end; the file may be cut off or damaged")
	}
	return paint.FromImage(m), nil
}

func rounded(share float64) float64 { return math.Round(share*1e4) / 1e4 }

// EncodePNG writes a frame or a picture, quickly rather than small.
func EncodePNG(b *paint.Bitmap) ([]byte, error) { return pngOf(b.Image()) }

func pngOf(m image.Image) ([]byte, error) {
	var out bytes.Buffer
	enc := png.Encoder{CompressionLevel: png.BestSpeed}
	err := enc.Encode(&out, m)
	return out.Bytes(), err
}
