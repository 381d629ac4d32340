package server

import (
	"context"
	"io"
	"net/http"
	"path"
	"strconv"
	"time"

	"billow/core/clip"
	"billow/core/colour"
	"billow/media"
	"billow/stock"

	"github.com/gin-gonic/gin"
)

// stockPatience is how long the stock shelf may take for a list or a preview; a file may take longer.
const (
	stockPatience = 15 * time.Second
	takePatience  = 3 * time.Minute
)

// mostPreview is the largest preview that is passed on.
const mostPreview = 8 << 20

func (s *Server) searchStock(c *gin.Context) {
	q := stock.Query{Words: c.Query("words"), Kind: c.Query("kind")}
	q.Page, _ = strconv.Atoi(c.Query("page"))
	if v := c.Query("colour"); v != "" {
		wanted, err := colour.Parse(v)
		if err != nil {
			fail(c, clip.Fault("colour", "%v", err))
			return
		}
		q.Colour = &wanted
	}
	ctx, cancel := context.WithTimeout(c, stockPatience)
	defer cancel()
	page, err := s.Stock.Search(ctx, q)
	if err != nil {
		fail(c, late(ctx, err))
		return
	}
	c.JSON(http.StatusOK, found{page, offered(page.Things)})
}

// found is a page with what each of its things is used for.
type found struct {
	stock.Page
	Things []offer `json:"things"`
}

type offer struct {
	stock.Thing
	Use stock.Use `json:"use"`
}

func offered(things []stock.Thing) []offer {
	out := make([]offer, len(things))
	for i, t := range things {
		out[i] = offer{t, t.Use()}
	}
	return out
}

// late is an error, or that the shelf has not answered in time.
func late(ctx context.Context, err error) error {
	if context.Cause(ctx) == context.DeadlineExceeded {
		return stock.ErrUnreachable
	}
	return err
}

func (s *Server) previewStock(c *gin.Context) {
	ctx, cancel := context.WithTimeout(c, stockPatience)
	defer cancel()
	r, kind, err := s.Stock.Preview(ctx, c.Param("id"))
	if err != nil {
		fail(c, late(ctx, err))
		return
	}
	defer r.Close()
	b, err := io.ReadAll(io.LimitReader(r, mostPreview))
	if err != nil {
		fail(c, stock.ErrUnreachable)
		return
	}
	c.Header("Cache-Control", "private, max-age=3600")
	c.Header("Content-Security-Policy", "default-src 'none'; sandbox")
	c.Data(http.StatusOK, kind, b)
}

// takeStock brings a thing in as an upload would be, with its name and its credit.
func (s *Server) takeStock(c *gin.Context) {
	var agreed struct {
		Price string `json:"price"`
	}
	if err := readJSON(c, &agreed, 1<<10); err != nil {
		fail(c, err)
		return
	}
	ctx, cancel := context.WithTimeout(c, takePatience)
	defer cancel()
	t, r, err := s.Stock.Take(ctx, c.Param("id"), agreed.Price)
	if err != nil {
		fail(c, late(ctx, err))
		return
	}
	spool, err := media.NewSpool(r, s.Limits.Most())
	r.Close()
	if err != nil {
		fail(c, late(ctx, err))
		return
	}
	defer spool.Close()
	s.bringIn(c, media.Title(t.Name)+path.Ext(t.File), t.Credit(), spool)
}
