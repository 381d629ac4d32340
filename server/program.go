package server

import (
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"os"
	"sync"
)

// program names this build of Billow, for what browsers keep of what it has drawn: another build may
// draw the same clip otherwise.
var program = sync.OnceValue(func() string {
	name, err := os.Executable()
	if err != nil {
		return "unknown"
	}
	is, err := os.Stat(name)
	if err != nil {
		return "unknown"
	}
	sum := sha256.Sum256(fmt.Append(nil, is.Size(), is.ModTime().UnixNano()))
	return hex.EncodeToString(sum[:4])
})
