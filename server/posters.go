package server

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"sync"

	"billow/export"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// posters keeps small poster frames.
type posters struct {
	mu    sync.Mutex
	made  map[string][]byte
	bytes int
	one   chan struct{} // drawn one at a time: they are small and soon kept
}

const (
	// posterSide is how many pixels the longer side of a poster frame has in lists.
	posterSide = 640
	// posterBytes is how much of them is kept.
	posterBytes = 64 << 20
)

func (s *Server) poster(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	tag := fmt.Sprintf("%q", st.ID+"-"+strconv.Itoa(st.Revision))
	c.Header("ETag", tag)
	c.Header("Cache-Control", "no-cache")
	if c.GetHeader("If-None-Match") == tag {
		c.Status(http.StatusNotModified)
		return
	}
	png, err := s.posters.of(c, tag, func() ([]byte, error) { return s.drawPoster(c, st) })
	if err != nil {
		var drawing drawingError
		if errors.As(err, &drawing) {
			c.JSON(http.StatusInternalServerError, problem("drawing", "The poster frame cannot be drawn: "+err.Error(), ""))
			return
		}
		fail(c, err)
		return
	}
	c.Data(http.StatusOK, "image/png", png)
}

// of finds what was made, or makes it when it is its turn.
func (p *posters) of(ctx context.Context, tag string, make func() ([]byte, error)) ([]byte, error) {
	if png := p.get(tag); png != nil {
		return png, nil
	}
	select {
	case p.one <- struct{}{}:
		defer func() { <-p.one }()
	case <-ctx.Done():
		return nil, ctx.Err()
	}
	if png := p.get(tag); png != nil {
		return png, nil
	}
	png, err := make()
	if err == nil {
		p.put(tag, png)
	}
	return png, err
}

func (p *posters) get(tag string) []byte {
	p.mu.Lock()
	defer p.mu.Unlock()
	return p.made[tag]
}

func (p *posters) put(tag string, png []byte) {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.made == nil || p.bytes+len(png) > posterBytes {
		p.made, p.bytes = map[string][]byte{}, 0
	}
	p.made[tag] = png
	p.bytes += len(png)
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
	return io.ReadAll(drawn.Still)
}
