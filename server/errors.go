package server

import (
	"context"
	"errors"
	"log/slog"
	"net/http"

	"billow/core/clip"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// problem is the body of every error: {error: {code, message, field}}.
func problem(code, message, field string) gin.H {
	return gin.H{"error": gin.H{"code": code, "message": message, "field": field}}
}

// fail answers with what an error says. Errors that are not a person's doing
// are logged, and the person hears only that.
func fail(c *gin.Context, err error) {
	var field *clip.FieldError
	var stale *store.StaleError
	var large *http.MaxBytesError
	switch {
	case errors.As(err, &field):
		c.JSON(http.StatusUnprocessableEntity, problem("invalid", field.Reason, field.Field))
	case errors.As(err, &stale):
		body := problem("stale", stale.Error(), "revision")
		body["revision"] = stale.Revision
		c.JSON(http.StatusConflict, body)
	case errors.Is(err, store.ErrNotFound):
		c.JSON(http.StatusNotFound, problem("missing", err.Error(), ""))
	case errors.As(err, &large):
		c.JSON(http.StatusRequestEntityTooLarge, problem("large", "what was sent is too large", ""))
	case errors.Is(err, media.ErrNoFFmpeg):
		c.JSON(http.StatusServiceUnavailable, problem("ffmpeg", err.Error(), ""))
	case errors.Is(err, context.Canceled):
		c.Abort()
	default:
		slog.Error("a request failed", "path", c.Request.URL.Path, "error", err)
		c.JSON(http.StatusServiceUnavailable, problem("unavailable", "The database did not answer; nothing was changed. Try again in a moment", ""))
	}
}
