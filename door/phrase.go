// Package door keeps out who has not the pass phrase: how it is kept, how
// secrets are made, and how often one may try.
package door

import (
	"crypto/rand"
	"crypto/sha256"
	"crypto/subtle"
	"encoding/base64"
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"golang.org/x/crypto/argon2"
)

// Cost of argon2id: the second of the two that RFC 9106 recommends (4).
const (
	passes  = 3
	memory  = 64 << 10 // KiB
	lanes   = 4
	keyLen  = 32
	saltLen = 16
)

// Shortest is how many letters a pass phrase has at least.
const Shortest = 12

// Check tells whether a pass phrase may be used.
func Check(phrase string) error {
	if !utf8.ValidString(phrase) || utf8.RuneCountInString(phrase) < Shortest {
		return fmt.Errorf("a pass phrase has at least %d letters; four or five words do well", Shortest)
	}
	if len(phrase) > 1000 {
		return errors.New("a pass phrase has at most 1000 letters")
	}
	return nil
}

// Hash is a pass phrase as it is kept: a PHC string with a salt of its own.
func Hash(phrase string) string {
	salt := make([]byte, saltLen)
	_, _ = rand.Read(salt) // never fails
	key := argon2.IDKey([]byte(phrase), salt, passes, memory, lanes, keyLen)
	b := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memory, passes, lanes, b.EncodeToString(salt), b.EncodeToString(key))
}

// Matches tells whether a pass phrase is the one that was kept.
func Matches(phrase, kept string) bool {
	parts := strings.Split(kept, "$")
	if len(parts) != 6 || parts[1] != "argon2id" || len(phrase) > 1000 {
		return false
	}
	var version, m, t, p uint32
	if n, _ := fmt.Sscanf(parts[2], "v=%d", &version); n != 1 || version != argon2.Version {
		return false
	}
	if n, _ := fmt.Sscanf(parts[3], "m=%d,t=%d,p=%d", &m, &t, &p); n != 3 || p < 1 || p > 255 || t < 1 {
		return false
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[4])
	key, err2 := base64.RawStdEncoding.DecodeString(parts[5])
	if err1 != nil || err2 != nil || len(key) == 0 {
		return false
	}
	return subtle.ConstantTimeCompare(key, argon2.IDKey([]byte(phrase), salt, t, m, uint8(p), uint32(len(key)))) == 1
}

// NewSecret is a secret of 128 bits of chance or more, in letters and digits.
func NewSecret() string { return strings.ToLower(rand.Text()) }

// Digest is a secret as it is kept. It has enough chance in it to need neither
// salt nor cost.
func Digest(secret string) []byte {
	sum := sha256.Sum256([]byte(secret))
	return sum[:]
}
