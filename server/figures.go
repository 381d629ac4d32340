package server

import (
	"net/http"

	"billow/core/clip"
	"billow/media"

	"github.com/gin-gonic/gin"
)

// figuresSize is how long the longer side of a drawing is that was taken apart, units.
const figuresSize = 700

// taken is a drawing taken apart into figures.
type taken struct {
	Layers  []clip.Layer `json:"layers"`
	LeftOut []string     `json:"leftOut"` // what figures cannot show as the drawing does
}

// getFigures takes the drawing apart that a picture was made of.
func (s *Server) getFigures(c *gin.Context) {
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	d, err := media.Drawing(f)
	if err == nil && d == nil {
		err = clip.Fault("hash", "this picture was not made of a drawing in SVG")
	}
	if err != nil {
		fail(c, err)
		return
	}
	name := c.Query("name")
	if name == "" {
		name = "Drawing"
	}
	layers, leftOut, err := d.Layers(media.Title(name), figuresSize)
	if err != nil {
		fail(c, clip.Fault("drawing", "%s cannot be taken apart: %v", name, err))
		return
	}
	c.JSON(http.StatusOK, taken{layers, leftOut})
}
