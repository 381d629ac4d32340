package server

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"strings"
	"time"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/timing"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// maxBody is the largest JSON body that is read.
const maxBody = 64 << 20

func readJSON(c *gin.Context, into any) error {
	b, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, maxBody))
	if err != nil {
		return err
	}
	return clip.DecodeStrict(b, into)
}

type clipSummary struct {
	ID       string      `json:"id"`
	Name     string      `json:"name"`
	Revision int         `json:"revision"`
	Shape    clip.Shape  `json:"shape"`
	Rate     timing.Rate `json:"rate"`
	Length   string      `json:"length"`
	Updated  time.Time   `json:"updated"`
}

func (s *Server) listClips(c *gin.Context) {
	rows, err := s.Store.Clips(c)
	if err != nil {
		fail(c, err)
		return
	}
	out := []clipSummary{}
	for _, r := range rows {
		doc, err := clip.Parse(r.Doc)
		if err != nil {
			continue // written by a newer Billow; it is kept, but cannot be shown
		}
		out = append(out, clipSummary{r.ID, doc.Name, r.Revision, doc.Shapes[0], doc.Rate, doc.Rate.Timecode(doc.Length), r.Updated})
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) createClip(c *gin.Context) {
	var in struct {
		Name   string      `json:"name"`
		Shape  clip.Shape  `json:"shape"`
		Rate   timing.Rate `json:"rate"`
		Length string      `json:"length"` // "12s00f" or "5 bars"
		Tempo  float64     `json:"tempo"`  // for bars; 0 is 120
	}
	if err := readJSON(c, &in); err != nil {
		fail(c, err)
		return
	}
	if !in.Rate.Valid() {
		fail(c, clip.Fault("rate", "a clip has 24, 25, 30, 50 or 60 frames a second, not %d", in.Rate))
		return
	}
	if in.Tempo == 0 {
		in.Tempo = 120
	}
	tempo := timing.Even(in.Tempo)
	if err := tempo.Check(); err != nil {
		fail(c, clip.Fault("tempo", "%v", err))
		return
	}
	length, err := timing.Clock{Rate: in.Rate, Tempo: tempo}.ParseLength(in.Length)
	if err != nil {
		fail(c, clip.Fault("length", "%v", err))
		return
	}
	doc := clip.New(strings.TrimSpace(in.Name), in.Shape, in.Rate, length)
	doc.Tempo = tempo
	if err := doc.Validate(); err != nil {
		fail(c, err)
		return
	}
	s.store(c, doc, "New clip")
}

// store keeps a new clip and answers with its ID.
func (s *Server) store(c *gin.Context, doc *clip.Clip, change string) {
	id := store.NewID()
	if err := s.Store.CreateClip(c, id, doc, change); err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": id, "revision": 1})
}

func (s *Server) getClip(c *gin.Context) {
	r, err := s.Store.Clip(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"id": r.ID, "revision": r.Revision, "clip": json.RawMessage(r.Doc)})
}

func (s *Server) deleteClip(c *gin.Context) {
	if err := s.Store.DeleteClip(c, c.Param("id")); err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// postCommands applies commands in order, each giving a revision; all or none.
func (s *Server) postCommands(c *gin.Context) {
	var in struct {
		Revision int               `json:"revision"`
		Commands []json.RawMessage `json:"commands"`
	}
	if err := readJSON(c, &in); err != nil {
		fail(c, err)
		return
	}
	if len(in.Commands) == 0 || len(in.Commands) > 2000 {
		fail(c, clip.Fault("commands", "one to 2000 commands are taken at once, not %d", len(in.Commands)))
		return
	}
	next, err := s.Store.Change(c, c.Param("id"), in.Revision, func(b []byte) ([]*clip.Clip, []string, error) {
		doc, err := clip.Parse(b)
		if err != nil {
			return nil, nil, err
		}
		var clips []*clip.Clip
		var words []string
		for _, raw := range in.Commands {
			if doc, err = edit.Apply(doc, raw); err != nil {
				return nil, nil, err
			}
			if err := s.filesExist(c, doc); err != nil {
				return nil, nil, err
			}
			clips, words = append(clips, doc), append(words, edit.Describe(raw))
		}
		return clips, words, nil
	})
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"revision": next})
}

// filesExist checks that a clip's files are stored, so that none can refer to
// what is not there.
func (s *Server) filesExist(c *gin.Context, doc *clip.Clip) error {
	for _, p := range doc.Props {
		if _, err := s.Store.OpenFile(c, p.Hash); err != nil {
			return clip.Fault("props["+p.ID+"].hash", "the file of %q is not stored here; bring it in again", p.Name)
		}
	}
	return nil
}

func (s *Server) listRevisions(c *gin.Context) {
	list, err := s.Store.Revisions(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, list)
}

// restore makes an old revision the newest one.
func (s *Server) restore(c *gin.Context) {
	var in struct {
		Revision int `json:"revision"` // to come back to
		Now      int `json:"now"`      // the newest the page knows of
	}
	if err := readJSON(c, &in); err != nil {
		fail(c, err)
		return
	}
	old, err := s.Store.RevisionDoc(c, c.Param("id"), in.Revision)
	if err != nil {
		fail(c, err)
		return
	}
	next, err := s.Store.Change(c, c.Param("id"), in.Now, func([]byte) ([]*clip.Clip, []string, error) {
		doc, err := clip.Parse(old)
		return []*clip.Clip{doc}, []string{fmt.Sprintf("Back to revision %d", in.Revision)}, err
	})
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"revision": next})
}
