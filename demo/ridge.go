package demo

import (
	_ "embed"

	"billow/core/clip"
)

// ridgeClip is a clip as the page keeps it, of whose props only the IDs are told.
//
//go:embed ridge.json
var ridgeClip []byte

//go:embed voice/ridge.ogg
var ridgeVoice []byte

// packedForTheRidge is exactly a minute, 28 bars of its tune, as a designer has made it on the page, the tune first:
// words, logo and backdrop exchange their colours on its stabs, six products come on bars from different sides, a voice
// speaks over the last part.
func packedForTheRidge(s *stock) (*clip.Clip, error) { return s.kept(ridgeClip) }
