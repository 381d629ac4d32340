package server

import (
	"errors"
	"log/slog"
	"net/http"
	"os"
	"strings"

	"billow/core/clip"
	"billow/media"
	"billow/stock"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// problemText says what is wrong, in words that a person can act on.
type problemText struct {
	Code    string `json:"code"`
	Message string `json:"message"`
	Field   string `json:"field"`
}

// problem is the body of every error: {error: {code, message, field}}.
func problem(code, message, field string) gin.H {
	return gin.H{"error": problemText{code, message, field}}
}

// fail answers with what an error says. Errors that are not a person's doing
// are logged, and the person hears only that.
func fail(c *gin.Context, err error) {
	var field *clip.FieldError
	var large *http.MaxBytesError
	var missing *media.MissingError
	var drawing drawingError
	switch {
	case errors.As(err, &drawing):
		c.JSON(http.StatusInternalServerError, problem("drawing", "The picture cannot be drawn: "+err.Error(), ""))
	case errors.As(err, &field):
		c.JSON(http.StatusUnprocessableEntity, problem("invalid", field.Reason, field.Field))
	case errors.Is(err, stock.ErrUnreachable):
		c.JSON(http.StatusBadGateway, problem("stock", sentence(stock.ErrUnreachable), ""))
	case errors.Is(err, stock.ErrGone):
		c.JSON(http.StatusNotFound, problem("stock", sentence(stock.ErrGone), ""))
	case errors.Is(err, stock.ErrPrice):
		c.JSON(http.StatusConflict, problem("price", sentence(stock.ErrPrice), "price"))
	case errors.Is(err, store.ErrNotFound):
		c.JSON(http.StatusNotFound, problem("missing", err.Error(), ""))
	case errors.As(err, &large), errors.Is(err, media.ErrTooLarge):
		c.JSON(http.StatusRequestEntityTooLarge, problem("large", "What was sent is too large", ""))
	case errors.As(err, &missing):
		c.JSON(http.StatusServiceUnavailable, problem(missing.Program, err.Error(), ""))
	case errors.Is(err, media.ErrBusy):
		c.Header("Retry-After", "30")
		c.JSON(http.StatusServiceUnavailable, problem("busy", err.Error(), ""))
	case errors.Is(err, errSlow), errors.Is(err, os.ErrDeadlineExceeded):
		c.Header("Connection", "close")
		c.JSON(http.StatusRequestTimeout, problem("slow", errSlow.Error(), ""))
	case store.Full(err):
		slog.Error("the disk is full", "path", c.Request.URL.Path, "error", err)
		c.JSON(http.StatusInsufficientStorage, problem("full", "The server's disk is full; nothing was changed. Free some space and try again", ""))
	case c.Request.Context().Err() != nil:
		c.Abort() // whoever asked has gone
	default:
		slog.Error("a request failed", "path", c.Request.URL.Path, "error", err)
		c.Header("Retry-After", "2")
		c.JSON(http.StatusServiceUnavailable, problem("unavailable", "The database did not answer; nothing was changed. Try again in a moment", ""))
	}
}

// sentence is an error as one.
func sentence(err error) string {
	s := err.Error()
	return strings.ToUpper(s[:1]) + s[1:]
}
