package demo

import (
	_ "embed"

	"billow/core/clip"
)

// breakfastClip is a clip as the page keeps it, of whose props only the IDs are told.
//
//go:embed breakfast.json
var breakfastClip []byte

// breakfastOutside is a stop-motion banner as a designer has made it on the page: three things
// from three photos that were cut on the Bench, which change eight times a second and stand a
// little otherwise each time, as the words do; the kettle's lid, cut out of it, hops as it boils.
func breakfastOutside(s *stock) (*clip.Clip, error) { return s.kept(breakfastClip) }
