package media

import (
	"bytes"
	"compress/zlib"
	"encoding/binary"
	"io"
	"strings"
)

// traits are what a picture says of itself beside its pixels.
type traits struct {
	turned   bool // its pixels have to be turned or mirrored (EXIF orientation)
	profiled bool // its colours are not sRGB
}

// traitsOf reads the beginning of a picture. What it cannot make sense of says
// nothing.
func traitsOf(r io.ReadSeeker) traits {
	b := make([]byte, 1<<20)
	n, _ := io.ReadFull(r, b) // most are shorter
	b = b[:n]
	switch _, kind := Kind(b); kind {
	case "image/jpeg":
		return jpegTraits(b)
	case "image/png":
		return pngTraits(b)
	case "image/webp":
		return webpTraits(b)
	}
	return traits{}
}

// jpegTraits walks the segments up to the first scan (ITU-T T.81, annex B).
func jpegTraits(b []byte) (t traits) {
	for at := 2; at+4 <= len(b) && b[at] == 0xff; {
		marker, size := b[at+1], int(binary.BigEndian.Uint16(b[at+2:]))
		if marker == 0xda || size < 2 || at+2+size > len(b) {
			return t
		}
		content := b[at+4 : at+2+size]
		switch {
		case marker == 0xe1 && bytes.HasPrefix(content, []byte("Exif\x00\x00")):
			t.turned = t.turned || turned(content[6:])
		case marker == 0xe2 && bytes.HasPrefix(content, []byte("ICC_PROFILE\x00")) && len(content) > 14:
			t.profiled = t.profiled || content[12] == 1 && !isSRGB(content[14:])
		case marker == 0xee && bytes.HasPrefix(content, []byte("Adobe")) && len(content) > 11:
			t.profiled = t.profiled || content[11] == 2 // inks instead of lights
		}
		at += 2 + size
	}
	return t
}

// pngTraits walks the chunks up to the pixels (W3C PNG, 5.3).
func pngTraits(b []byte) (t traits) {
	for at := 8; at+8 <= len(b); {
		size, name := int(binary.BigEndian.Uint32(b[at:])), string(b[at+4:at+8])
		if size < 0 || at+12+size > len(b) || name == "IDAT" {
			return t
		}
		content := b[at+8 : at+8+size]
		switch name {
		case "iCCP":
			_, rest, _ := bytes.Cut(content, []byte{0})
			if len(rest) > 1 {
				t.profiled = !isSRGB(inflated(rest[1:]))
			}
		case "eXIf":
			t.turned = turned(content)
		}
		at += 12 + size
	}
	return t
}

// webpTraits walks the chunks of the container (RFC 9649, 2.7).
func webpTraits(b []byte) (t traits) {
	for at := 12; at+8 <= len(b); {
		size, name := int(binary.LittleEndian.Uint32(b[at+4:])), string(b[at:at+4])
		if size < 0 || at+8+size > len(b) {
			if name == "VP8X" {
				return t
			}
			size = max(0, len(b)-at-8)
		}
		content := b[at+8 : at+8+size]
		switch name {
		case "ICCP":
			t.profiled = !isSRGB(content)
		case "EXIF":
			t.turned = turned(bytes.TrimPrefix(content, []byte("Exif\x00\x00")))
		}
		at += 8 + size + size%2
	}
	return t
}

func inflated(b []byte) []byte {
	z, err := zlib.NewReader(bytes.NewReader(b))
	if err != nil {
		return nil
	}
	out, _ := io.ReadAll(io.LimitReader(z, 1<<20)) // what can be read is enough
	return out
}

// isSRGB tells whether a colour profile is that of sRGB, by the name it gives
// itself. An unreadable profile counts as one of sRGB: nothing can be done
// with it.
func isSRGB(profile []byte) bool {
	if len(profile) < 132 {
		return true
	}
	if string(profile[16:20]) != "RGB " {
		return false
	}
	text := strings.ToLower(strings.ReplaceAll(string(profile), "\x00", ""))
	return strings.Contains(text, "srgb")
}

// turned finds the orientation in EXIF data (CIPA DC-008, 4.6.4): 1 is upright.
func turned(b []byte) bool {
	if len(b) < 8 {
		return false
	}
	var order binary.ByteOrder = binary.BigEndian
	if string(b[:2]) == "II" {
		order = binary.LittleEndian
	}
	at := int(order.Uint32(b[4:]))
	if at < 8 || at+2 > len(b) {
		return false
	}
	for i := range int(order.Uint16(b[at:])) {
		entry := at + 2 + 12*i
		if entry+12 > len(b) {
			return false
		}
		if order.Uint16(b[entry:]) == 0x0112 {
			v := order.Uint16(b[entry+8:])
			return v > 1 && v <= 8
		}
	}
	return false
}
