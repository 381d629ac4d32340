package words

import (
	"encoding/binary"
	"unicode/utf16"
)

// nameIn is a name of a table name (OpenType 1.9), in English where there is one; "" is none.
func nameIn(table []byte, id uint16) (name string) {
	if len(table) < 6 {
		return ""
	}
	count, storage := int(binary.BigEndian.Uint16(table[2:])), int(binary.BigEndian.Uint16(table[4:]))
	for i := range count {
		at := 6 + 12*i
		if at+12 > len(table) {
			break
		}
		number := func(k int) uint16 { return binary.BigEndian.Uint16(table[at+2*k:]) }
		from := storage + int(number(5))
		to := from + int(number(4))
		if number(3) != id || to > len(table) {
			continue
		}
		text := table[from:to]
		switch platform, language := number(0), number(2); {
		case platform == 3 || platform == 0: // Windows or Unicode, both in UTF-16
			if name == "" || language == 0x409 {
				name = fromUTF16(text)
			}
		case platform == 1 && name == "": // Macintosh: of its letters, those of ASCII
			for _, b := range text {
				if b >= ' ' && b < 0x7F {
					name += string(rune(b))
				}
			}
		}
	}
	return name
}

func fromUTF16(b []byte) string {
	units := make([]uint16, len(b)/2)
	for i := range units {
		units[i] = binary.BigEndian.Uint16(b[2*i:])
	}
	return string(utf16.Decode(units))
}
