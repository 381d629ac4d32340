package server

import (
	"fmt"
	"net/http"
	"strconv"
	"sync"

	"billow/core/clip"
	"billow/core/frame"
	"billow/export"
	"billow/media"

	"github.com/gin-gonic/gin"
)

// posters keeps small poster frames, and one library for drawing them.
type posters struct {
	mu      sync.Mutex
	library *frame.Library
	made    map[string][]byte
}

// posterSide is how many pixels the longer side of a poster frame has in lists.
const posterSide = 640

func (s *Server) poster(c *gin.Context) {
	r, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	tag := fmt.Sprintf("%q", r.ID+"-"+strconv.Itoa(r.Revision))
	c.Header("ETag", tag)
	c.Header("Cache-Control", "no-cache")
	if c.GetHeader("If-None-Match") == tag {
		c.Status(http.StatusNotModified)
		return
	}
	png, err := s.drawPoster(c, tag, r.Clip)
	if err != nil {
		fail(c, err)
		return
	}
	c.Data(http.StatusOK, "image/png", png)
}

// drawPoster draws one at a time: posters are small and soon kept.
func (s *Server) drawPoster(c *gin.Context, tag string, doc *clip.Clip) ([]byte, error) {
	s.posters.mu.Lock()
	defer s.posters.mu.Unlock()
	if png, ok := s.posters.made[tag]; ok {
		return png, nil
	}
	if s.posters.library == nil || len(s.posters.made) > 200 {
		var err error
		if s.posters.library, err = s.Library(); err != nil {
			return nil, err
		}
		s.posters.made = map[string][]byte{}
	}
	shape := doc.Shapes[0]
	k := float64(posterSide) / float64(max(shape.W, shape.H))
	w, h := int(float64(shape.W)*k), int(float64(shape.H)*k)
	b, err := export.Still(c, doc, shape, w, h, doc.Clock().Frame(doc.Poster), s.posters.library, s.Store.ReadFile)
	if err != nil {
		return nil, err
	}
	png, err := media.EncodePNG(b)
	if err == nil {
		s.posters.made[tag] = png
	}
	return png, err
}
