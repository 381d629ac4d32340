package server

import (
	"errors"
	"net/http"

	"billow/core/clip"
	"billow/core/timing"

	"github.com/gin-gonic/gin"
)

// form tells what is written into the form of a new clip is taken for, while it is
// written.
func (s *Server) form(c *gin.Context) {
	var q struct {
		Ratio  string      `form:"ratio"`
		W      int         `form:"w"` // pixels; 0 is not given
		H      int         `form:"h"`
		Length string      `form:"length"`
		Rate   timing.Rate `form:"rate"`
		Tempo  float64     `form:"tempo"`
	}
	if err := c.ShouldBindQuery(&q); err != nil {
		fail(c, clip.Fault("form", "the form of a new clip holds whole pixels, a rate and a tempo"))
		return
	}
	tempo := timing.Even(q.Tempo)
	if !q.Rate.Valid() || tempo.Check() != nil {
		q.Rate, tempo = 30, timing.Even(120)
	}
	type shape struct {
		W       int    `json:"w"`
		H       int    `json:"h"`
		Ratio   string `json:"ratio"`
		Problem string `json:"problem,omitempty"`
	}
	out := struct {
		Length timing.Reading `json:"length"`
		Shape  shape          `json:"shape"`
	}{Length: timing.Clock{Rate: q.Rate, Tempo: tempo}.ReadLength(q.Length)}
	sides, err := clip.ReadSides(q.Ratio, q.W, q.H)
	out.Shape = shape{sides.W, sides.H, sides.Ratio, ""}
	var wrong *clip.FieldError
	if errors.As(err, &wrong) {
		out.Shape.Problem = wrong.Reason
	}
	c.JSON(http.StatusOK, out)
}
