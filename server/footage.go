package server

import (
	"context"
	"crypto/rand"
	"errors"
	"net/http"
	"strconv"

	"billow/core/clip"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// bringFootage stores a file of moving pictures as it is and has it brought in.
func (s *Server) bringFootage(c *gin.Context, in store.Coming, spool *media.Spool) {
	if spool.Bytes > s.Limits.FootageBytes {
		fail(c, clip.Fault("file", "%s is larger than %d MB", in.Name, s.Limits.FootageBytes>>20))
		return
	}
	id := rand.Text()
	_, kind := media.Kind(spool.Head())
	err := s.Store.PutFile(c, spool.Hash, kind, spool.Again())
	if err == nil {
		err = s.Queue.Bring(c, id, in)
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusAccepted, gin.H{"intake": id})
}

func (s *Server) getIntake(c *gin.Context) {
	in, err := s.Store.Intake(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, in)
}

func (s *Server) cancelIntake(c *gin.Context) { done(c, s.Store.CancelIntake(c, c.Param("id"))) }

// getPart is a part of a file, a megabyte long but for the last: the page reads footage so.
func (s *Server) getPart(c *gin.Context) {
	n, err := strconv.Atoi(c.Param("n"))
	if err != nil || n < 0 {
		fail(c, store.ErrNotFound)
		return
	}
	b, err := s.Store.FilePart(c, c.Param("hash"), n)
	if errors.Is(err, store.ErrNotFound) && n > 0 {
		c.Status(http.StatusNoContent) // the file has ended
		return
	}
	if err != nil {
		fail(c, err)
		return
	}
	immutable(c)
	c.Header("Content-Security-Policy", "default-src 'none'; sandbox")
	c.Data(http.StatusOK, "application/octet-stream", b)
}

// getStrip is a few pictures of footage side by side, for lists and for choosing a part of it.
func (s *Server) getStrip(c *gin.Context) {
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	strip, kind, err := media.Strip(media.Anywhere(f))
	if err != nil {
		fail(c, clip.Fault("file", "it is no footage"))
		return
	}
	immutable(c)
	c.Data(http.StatusOK, kind, strip)
}

// getFrame is one picture of footage, from 0 on, without what its matte leaves out.
func (s *Server) getFrame(c *gin.Context) {
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	n, err := strconv.Atoi(c.Param("n"))
	if err != nil {
		n = -1
	}
	jpeg, err := media.Frame(media.Anywhere(f), n)
	if err != nil {
		fail(c, clip.Fault("file", "it is no footage, or has no such picture"))
		return
	}
	immutable(c)
	c.Data(http.StatusOK, "image/jpeg", jpeg)
}

// smallFootage is the small picture of footage: of the frame in its middle.
func smallFootage(ctx context.Context, f *store.File) ([]byte, error) {
	still, err := media.Middle(media.Anywhere(f))
	if err != nil {
		return nil, clip.Fault("file", "it is no picture")
	}
	defer still.Close()
	return media.Small(ctx, still)
}
