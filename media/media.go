// Package media is the boundary to files of pictures, sound and video: it tells
// what a file is by its content, decodes it within limits, and encodes clips
// through ffmpeg, a separate process that is fed through pipes.
package media

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"image"
	_ "image/gif" // decoders register themselves
	_ "image/jpeg"
	"image/png"
	"math"

	"billow/core/clip"
	"billow/core/paint"

	xdraw "golang.org/x/image/draw"
	_ "golang.org/x/image/webp"
)

// Limits of what is read.
type Limits struct {
	PictureBytes int64
	Megapixels   int
	SoundBytes   int64
}

// DefaultLimits are 50 MB and 100 megapixels a picture, 100 MB a sound.
func DefaultLimits() Limits { return Limits{50 << 20, 100, 100 << 20} }

// Hash is the name of a file: SHA-256 of its bytes, hexadecimal.
func Hash(b []byte) string {
	sum := sha256.Sum256(b)
	return hex.EncodeToString(sum[:])
}

// Kind tells by content whether a file is a picture or a sound that Billow
// reads; its media type is empty when it is neither.
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
	case has(0, "RIFF") && has(8, "WAVE"):
		return clip.KindTune, "audio/wav"
	case has(0, "ID3"), len(b) > 1 && b[0] == 0xff && b[1]&0xe6 == 0xe2:
		return clip.KindTune, "audio/mpeg"
	case has(0, "OggS"):
		return clip.KindTune, "audio/ogg"
	case has(0, "fLaC"):
		return clip.KindTune, "audio/flac"
	case has(4, "ftyp"):
		return clip.KindTune, "audio/mp4"
	}
	return "", ""
}

// ErrNothingVisible is a picture without an opaque pixel.
var ErrNothingVisible = errors.New("nothing in it can be seen: every pixel is transparent")

// Picture decodes a picture. Its size is checked before memory is taken.
func Picture(b []byte, limits Limits) (*paint.Bitmap, error) {
	config, _, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil {
		return nil, fmt.Errorf("it cannot be read as a picture; the file may be damaged (%v)", err)
	}
	if config.Width < 1 || config.Height < 1 || config.Width*config.Height > limits.Megapixels*1_000_000 {
		return nil, fmt.Errorf("it has %d × %d pixels, more than %d megapixels; make it smaller first",
			config.Width, config.Height, limits.Megapixels)
	}
	m, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		return nil, fmt.Errorf("it cannot be read to its end; the file may be cut off (%v)", err)
	}
	return paint.FromImage(m), nil
}

// Reduced gives a picture that is larger than any frame as a PNG of at most
// clip.MaxSide pixels a side; any other picture comes back as it is.
func Reduced(b []byte, bitmap *paint.Bitmap) ([]byte, *paint.Bitmap, error) {
	if max(bitmap.W, bitmap.H) <= clip.MaxSide {
		return b, bitmap, nil
	}
	k := float64(clip.MaxSide) / float64(max(bitmap.W, bitmap.H))
	small := paint.NewBitmap(max(1, int(float64(bitmap.W)*k)), max(1, int(float64(bitmap.H)*k)))
	xdraw.CatmullRom.Scale(small.Image(), small.Image().Bounds(), bitmap.Image(), bitmap.Image().Bounds(), xdraw.Src, nil)
	var out bytes.Buffer
	if err := png.Encode(&out, small.Image()); err != nil {
		return nil, nil, err
	}
	return out.Bytes(), small, nil
}

// PictureProp describes a decoded picture as a prop.
func PictureProp(id, name string, file []byte, b *paint.Bitmap) (clip.Prop, error) {
	visible, ok := b.Visible()
	if !ok {
		return clip.Prop{}, ErrNothingVisible
	}
	_, kind := Kind(file)
	return clip.Prop{
		ID: id, Name: name, Kind: clip.KindCutout, Hash: Hash(file), Media: kind,
		Picture: &clip.Picture{W: b.W, H: b.H, Visible: visible, Area: math.Round(b.Area(visible)*1e4) / 1e4},
	}, nil
}

// EncodePNG writes an opaque frame.
func EncodePNG(b *paint.Bitmap) ([]byte, error) {
	var out bytes.Buffer
	enc := png.Encoder{CompressionLevel: png.BestSpeed}
	err := enc.Encode(&out, b.Image())
	return out.Bytes(), err
}
