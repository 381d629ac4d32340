package server

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"image/jpeg"
	"image/png"
	"net/http"
	"strconv"

	"billow/export"
	"billow/store"

	"github.com/gin-gonic/gin"
)

const (
	// posterSide is how many pixels the longer side of a poster frame has in lists.
	posterSide = 640
	// posterBytes is how much of them is kept.
	posterBytes = 32 << 20
	// posterQuality is that of the JPEG.
	posterQuality = 72
)

func (s *Server) poster(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.Header("Cache-Control", "no-cache")
	s.sendPoster(c, st)
}

// sendPoster draws the poster frame of a state, or finds it.
func (s *Server) sendPoster(c *gin.Context, st *store.State) {
	tag := tagOf(st)
	c.Header("ETag", tag)
	if c.GetHeader("If-None-Match") == tag {
		c.Status(http.StatusNotModified)
		return
	}
	file, err := s.posters.of(c, tag, func() ([]byte, error) { return s.drawPoster(c, st) })
	if err != nil {
		c.Header("Cache-Control", "no-store")
		fail(c, err)
		return
	}
	c.Data(http.StatusOK, "image/jpeg", file)
}

// tagOf names a state of a clip, for caches.
func tagOf(st *store.State) string {
	return fmt.Sprintf("%q", st.ID+"-"+strconv.Itoa(st.Revision)+"-"+program())
}

type drawingError struct{ error }

func (e drawingError) Unwrap() error { return e.error }

// drawPoster has the poster frame drawn where it can do no harm.
func (s *Server) drawPoster(ctx context.Context, st *store.State) ([]byte, error) {
	doc := st.Clip
	shape := doc.Shapes[0]
	k := float64(posterSide) / float64(max(shape.W, shape.H))
	drawn, err := s.Drawer.Draw(ctx, export.Job{
		Database: s.Store.URL, Clip: json.RawMessage(doc.Encode()), Shape: shape.ID,
		W: int(float64(shape.W) * k), H: int(float64(shape.H) * k),
	}, func(int) {})
	if err != nil {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		return nil, drawingError{err}
	}
	defer drawn.Close()
	picture, err := png.Decode(drawn.Still)
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	err = jpeg.Encode(&out, picture, &jpeg.Options{Quality: posterQuality})
	return out.Bytes(), err
}
