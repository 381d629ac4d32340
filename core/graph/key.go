package graph

import (
	"math"
	"math/bits"

	"billow/core/colour"
	"billow/core/paint"
)

// Key says what a picture depends on: equal keys, equal pixels. It is a hash of
// 128 bits, so that two keys of different pictures being equal by accident need
// not be reckoned with, and it is made without making text or asking for memory.
// Each method gives the key of k and one thing more.
type Key struct{ a, b uint64 }

// mixed is the finisher of Steele, Lea and Flood's SplitMix64 ("Fast splittable
// pseudorandom number generators", 2014), which maps 64 bits to 64 one to one.
func mixed(v uint64) uint64 {
	v = (v ^ v>>30) * 0xBF58476D1CE4E5B9
	v = (v ^ v>>27) * 0x94D049BB133111EB
	return v ^ v>>31
}

// Word adds 64 bits.
func (k Key) Word(v uint64) Key {
	return Key{mixed(k.a ^ v), mixed(k.b + bits.RotateLeft64(v, 32)*0x9E3779B97F4A7C15 + 1)}
}

// Nums adds numbers.
func (k Key) Nums(list ...float64) Key {
	for _, v := range list {
		k = k.Word(math.Float64bits(v))
	}
	return k
}

// Text adds a string with its length.
func (k Key) Text(s string) Key {
	k = k.Word(uint64(len(s)))
	for len(s) >= 8 {
		k = k.Word(uint64(s[0]) | uint64(s[1])<<8 | uint64(s[2])<<16 | uint64(s[3])<<24 |
			uint64(s[4])<<32 | uint64(s[5])<<40 | uint64(s[6])<<48 | uint64(s[7])<<56)
		s = s[8:]
	}
	last := uint64(0)
	for i := range len(s) {
		last |= uint64(s[i]) << (8 * i)
	}
	return k.Word(last)
}

// Colour adds a colour.
func (k Key) Colour(c colour.Colour) Key {
	return k.Word(uint64(c.R) | uint64(c.G)<<8 | uint64(c.B)<<16 | uint64(c.A)<<24)
}

// Matrix adds a mapping.
func (k Key) Matrix(m paint.Affine) Key { return k.Nums(m.A, m.B, m.C, m.D, m.E, m.F) }

// Of adds another key.
func (k Key) Of(o Key) Key { return k.Word(o.a).Word(o.b) }
