package frame

import "billow/core/clip"

// A scene covers the frame and shows what is in it.
func init() { kinds[clip.KindScene] = drawing{} }
