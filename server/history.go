package server

import (
	"net/http"
	"strconv"

	"billow/core/clip"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// listStretches is the history of a clip by stretches of work: ?before= a revision.
func (s *Server) listStretches(c *gin.Context) {
	before, err := number(c, "before")
	if err != nil {
		fail(c, err)
		return
	}
	list, err := s.Store.Stretches(c, c.Param("id"), before)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"stretches": list, "more": len(list) == store.StretchesPage})
}

// revisionOf is the revision in an address.
func revisionOf(c *gin.Context) (int, error) {
	n, err := strconv.Atoi(c.Param("revision"))
	if err != nil || n < 1 {
		return 0, clip.Fault("revision", "%q is not a number of a revision", c.Param("revision"))
	}
	return n, nil
}

// getRevision is a clip as it was at a revision.
func (s *Server) getRevision(c *gin.Context) {
	n, err := revisionOf(c)
	if err != nil {
		fail(c, err)
		return
	}
	st, err := s.Store.StateAt(c, c.Param("id"), n)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"id": st.ID, "revision": st.Revision, "clip": st.Clip, "needs": st.Clip.Pictures()})
}

func (s *Server) nameRevision(c *gin.Context) {
	n, err := revisionOf(c)
	if err != nil {
		fail(c, err)
		return
	}
	var in struct {
		Name string `json:"name"`
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	done(c, s.Store.NameRevision(c, c.Param("id"), n, in.Name))
}

// posterAt is a small poster frame of a revision. What it was it stays.
func (s *Server) posterAt(c *gin.Context) {
	n, err := revisionOf(c)
	if err != nil {
		fail(c, err)
		return
	}
	st, err := s.Store.StateAt(c, c.Param("id"), n)
	if err != nil {
		fail(c, err)
		return
	}
	immutable(c)
	s.sendPoster(c, st)
}

func (s *Server) listRevisions(c *gin.Context) {
	before, err := number(c, "before")
	if err != nil {
		fail(c, err)
		return
	}
	list, err := s.Store.Revisions(c, c.Param("id"), before)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"revisions": list, "more": len(list) == store.RevisionsPage})
}

// restore makes an old revision the newest one.
func (s *Server) restore(c *gin.Context) {
	var in struct {
		ID       string `json:"id"`       // of this command
		Revision int    `json:"revision"` // to come back to
		After    int    `json:"after"`    // the newest the page knows of
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	out, err := s.Store.Restore(c, c.Param("id"), in.Revision, in.After, in.ID)
	answer(c, out, err)
}
