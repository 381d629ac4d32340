package server

import (
	"net/http"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/look"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// largestLook is the largest body that says what a look is.
const largestLook = 32 << 10

func (s *Server) listLooks(c *gin.Context) {
	list, err := s.Store.Looks(c)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, list)
}

func (s *Server) putLook(c *gin.Context) {
	var l look.Look
	err := readJSON(c, &l, largestLook)
	if err == nil {
		l.ID = c.Param("id")
		err = s.keepLook(c, l)
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// keepLook checks a look and keeps it.
func (s *Server) keepLook(c *gin.Context, l look.Look) error {
	if len(l.ID) < 1 || len(l.ID) > 40 || strings.Trim(l.ID, "0123456789abcdefghijklmnopqrstuvwxyz-") != "" {
		return clip.Fault("id", "%q is no name of a look", l.ID)
	}
	if slices.ContainsFunc(look.Ready, func(o look.Look) bool { return o.ID == l.ID }) {
		return clip.Fault("id", "%q is a look that comes with Billow", l.ID)
	}
	if err := l.Check(); err != nil {
		return err
	}
	list, err := s.Store.Looks(c)
	if err != nil {
		return err
	}
	known := slices.ContainsFunc(list, func(o look.Look) bool { return o.ID == l.ID })
	if !known && len(list) >= store.MostLooks {
		return clip.Fault("id", "there are %d looks already; delete one first", store.MostLooks)
	}
	return s.Store.PutLook(c, l)
}

func (s *Server) removeLook(c *gin.Context) {
	if err := s.Store.RemoveLook(c, c.Param("id")); err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}
