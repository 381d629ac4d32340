package demo

import (
	_ "embed"
	"encoding/json"

	"billow/core/clip"
)

// marketClip is a clip as the page keeps it, of whose props only the IDs are told.
//
//go:embed market.json
var marketClip []byte

// marketMorning is one clip for all of the range as a designer has made it on the page: a tag with the
// price that swings in, a burst for what is reduced, and what shops have to show beside it.
func marketMorning(s *stock) (*clip.Clip, error) { return s.kept(marketClip) }

// kept is a clip as the page keeps it, with the props whose IDs it tells.
func (s *stock) kept(raw []byte) (*clip.Clip, error) {
	var c clip.Clip
	if err := json.Unmarshal(raw, &c); err != nil {
		return nil, err
	}
	for i := range c.Props {
		c.Props[i] = s.props[c.Props[i].ID]
	}
	return clip.Parse(c.Encode())
}
