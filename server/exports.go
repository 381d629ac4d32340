package server

import (
	"net/http"
	"strings"

	"billow/core/clip"
	"billow/core/frame"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// createExport queues the chosen shapes of the clip as it is now.
func (s *Server) createExport(c *gin.Context) {
	var in struct {
		Shapes []string `json:"shapes"`
		Quick  bool     `json:"quick"`  // a look, not to be posted
		Silent bool     `json:"silent"` // without sound
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	doc := st.Clip
	if len(in.Shapes) == 0 {
		fail(c, clip.Fault("shapes", "choose at least one shape"))
		return
	}
	seen := map[string]bool{}
	for _, id := range in.Shapes {
		shape, err := doc.Shape(id)
		if err != nil || shape.ID != id || seen[id] {
			fail(c, clip.Fault("shapes", "the clip has no shape %q, or it was named twice", id))
			return
		}
		seen[id] = true
	}
	if gaps := frame.Gaps(doc); len(gaps) > 0 {
		fail(c, clip.Fault("words", "%v", gaps[0]))
		return
	}
	if in.Silent {
		doc.Sounds = nil
	}
	id := store.NewID()
	if err := s.Queue.Add(c, id, st.ID, st.Revision, doc, in.Shapes, in.Quick); err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": id})
}

func (s *Server) listExports(c *gin.Context) {
	parts, err := s.Store.Parts(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, parts)
}

// exportEvents sends the list of exports whenever it changes.
func (s *Server) exportEvents(c *gin.Context) {
	changes(c, func() (any, error) { return s.Store.Parts(c, c.Param("id")) })
}

func (s *Server) cancelExport(c *gin.Context) {
	if err := s.Store.CancelExport(c, c.Param("id")); err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// download serves a finished part: /api/exports/ID/SHAPE.mp4 or .png.
func (s *Server) download(c *gin.Context) {
	shape, ending := c.Param("file"), ""
	if at := strings.LastIndexByte(shape, '.'); at >= 0 {
		shape, ending = shape[:at], shape[at+1:]
	}
	p, err := s.Store.Part(c, c.Param("id"), shape)
	if err != nil {
		fail(c, err)
		return
	}
	hash := p.Video
	if ending == "png" {
		hash = p.Poster
	}
	if hash == nil || ending != "png" && ending != "mp4" {
		fail(c, store.ErrNotFound)
		return
	}
	raw, _, err := s.Store.ExportDoc(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	doc, err := clip.Parse(raw)
	if err != nil {
		fail(c, err)
		return
	}
	f, err := s.Store.OpenFile(c, *hash)
	if err != nil {
		fail(c, err)
		return
	}
	name := doc.Name + " " + shape
	if p.File != "" {
		name = p.File
	}
	attachment(c, name+"."+ending)
	c.Header("Content-Type", f.Media)
	http.ServeContent(c.Writer, c.Request, "", timeless, f)
}
