package server

import (
	"context"
	"net/http"
	"sync"
	"time"

	"billow/media"

	"github.com/gin-gonic/gin"
)

// health tells whether the database and ffmpeg answer, within a second
// whatever hangs.
func (s *Server) health(c *gin.Context) {
	ctx, cancel := context.WithTimeout(c, 900*time.Millisecond)
	defer cancel()
	database := make(chan error, 1)
	go func() { database <- s.Store.Ping(ctx) }()
	state := gin.H{"database": "ok", "ffmpeg": "ok"}
	status := http.StatusOK
	if err := s.ffmpeg.ask(ctx); err != nil {
		state["ffmpeg"], status = err.Error(), http.StatusServiceUnavailable
	}
	select {
	case err := <-database:
		if err != nil {
			state["database"], status = "does not answer", http.StatusServiceUnavailable
		}
	case <-ctx.Done():
		state["database"], status = "does not answer", http.StatusServiceUnavailable
	}
	c.JSON(status, state)
}

// checked remembers for half a minute whether ffmpeg answers.
type checked struct {
	mu  sync.Mutex
	at  time.Time
	err error
}

func (k *checked) ask(ctx context.Context) error {
	if !k.mu.TryLock() {
		return nil // someone asks it at the moment
	}
	defer k.mu.Unlock()
	if time.Since(k.at) > 30*time.Second {
		k.err = media.FFmpeg(ctx)
		if ctx.Err() == nil {
			k.at = time.Now()
		}
	}
	return k.err
}
