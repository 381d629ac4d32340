package server

import (
	"encoding/json"
	"net/http"
	"slices"

	"billow/core/clip"
	"billow/core/starter"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// largestChoice is the largest body that says what is put into a starter; a tune
// with what was found in it is most of it.
const largestChoice = 1 << 20

// listStarters are the clips that are made but for what they sell, and the colours
// that can be put in.
func (s *Server) listStarters(c *gin.Context) {
	own, err := s.brandPalettes(c)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"starters": starter.Starters, "palettes": slices.Concat(own, starter.Palettes), "shapes": starter.Shapes})
}

// fromStarter makes the clip of a choice, in the colours of a brand where it says so.
func (s *Server) fromStarter(c *gin.Context, in starter.Choice) (*clip.Clip, error) {
	own, err := s.brandPalettes(c)
	if err != nil {
		return nil, err
	}
	return starter.Make(in, own...)
}

// createFromStarter makes a clip of a starter.
func (s *Server) createFromStarter(c *gin.Context) {
	var in starter.Choice
	if err := readJSON(c, &in, largestChoice); err != nil {
		fail(c, err)
		return
	}
	doc, err := s.fromStarter(c, in)
	if err != nil {
		fail(c, err)
		return
	}
	s.store(c, doc, "Made from a starter")
}

// previewStarter draws the poster frame of what would be made.
func (s *Server) previewStarter(c *gin.Context) {
	var in starter.Choice
	if err := readJSON(c, &in, largestChoice); err != nil {
		fail(c, err)
		return
	}
	if in.Name == "" {
		in.Name = "Preview"
	}
	doc, err := s.fromStarter(c, in)
	if err != nil {
		fail(c, err)
		return
	}
	said, err := json.Marshal([]any{in, doc.Light.Colour, doc.Layers[0]}) // the colours of a brand may change
	if err != nil {
		fail(c, err)
		return
	}
	file, err := s.posters.of(c, string(said), func() ([]byte, error) { return s.drawPoster(c, &store.State{Clip: doc}) })
	if err != nil {
		fail(c, err)
		return
	}
	c.Data(http.StatusOK, "image/jpeg", file)
}
