package server

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"net/http"

	"billow/export"
	"billow/store"

	"github.com/gin-gonic/gin"
)

const (
	// filmSide is how many pixels the longer side of a glimpse has.
	filmSide = 360
	// filmBytes is how much of them is kept.
	filmBytes = 48 << 20
)

// film is a glimpse of a clip in its first shape: small, and without sound.
func (s *Server) film(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	tag := tagOf(st)
	file, err := s.films.of(c, tag, func() ([]byte, error) { return s.drawFilm(c, st) })
	if err != nil {
		fail(c, err)
		return
	}
	c.Header("ETag", tag)
	c.Header("Cache-Control", "no-cache")
	c.Header("Content-Type", "video/mp4")
	http.ServeContent(c.Writer, c.Request, "", timeless, bytes.NewReader(file))
}

func (s *Server) drawFilm(ctx context.Context, st *store.State) ([]byte, error) {
	doc := st.Clip.Copy()
	shape := &doc.Shapes[0]
	k := float64(filmSide) / float64(max(shape.W, shape.H))
	shape.W, shape.H = 2*int(float64(shape.W)*k/2), 2*int(float64(shape.H)*k/2)
	doc.Sounds = nil
	drawn, err := s.Drawer.Draw(ctx, export.Job{
		Database: s.Store.URL, Clip: json.RawMessage(doc.Encode()), Shape: shape.ID, Video: true, Quick: true, W: shape.W, H: shape.H,
	}, func(int) {})
	if err != nil {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		return nil, drawingError{err}
	}
	defer drawn.Close()
	return io.ReadAll(drawn.Video)
}
