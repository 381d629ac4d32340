package server

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"path"
	"strings"

	"billow/bundle"
	"billow/core/clip"
	"billow/core/layered"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// uploadProp takes a file as the body and its name as a parameter, checks it by
// its content, analyses it, and answers with the prop. Moving pictures take longer: for these the
// answer is an intake, which is asked how far it is.
func (s *Server) uploadProp(c *gin.Context) {
	name := media.Title(path.Base(strings.ReplaceAll(c.Query("name"), "\\", "/")))
	if name == "." || name == "/" {
		name = "file"
	}
	most := s.Limits.Most()
	spool, err := media.NewSpool(c.Request.Body, most)
	if err != nil {
		if errors.Is(err, media.ErrTooLarge) {
			err = clip.Fault("file", "%s is larger than %d MB", name, most>>20)
		}
		fail(c, err)
		return
	}
	defer spool.Close()
	if layered.Is(spool.Head()) {
		s.bringLayered(c, name, spool)
		return
	}
	s.bringIn(c, name, "", spool)
}

// bringIn examines a file and keeps it, with a credit or none.
func (s *Server) bringIn(c *gin.Context, name, credit string, spool *media.Spool) {
	if media.Moves(spool) {
		s.bringFootage(c, store.Coming{Name: name, Hash: spool.Hash, Credit: credit}, spool)
		return
	}
	p, kept, err := media.Examine(c, name, spool, s.Limits)
	if err != nil {
		fail(c, err)
		return
	}
	if kept != spool {
		defer kept.Close()
	}
	p.Credit = credit
	if err := s.Store.Keep(c, p, kept.Again(), kept.Coarse); err != nil {
		fail(c, err)
		return
	}
	if p.Picture != nil && p.Picture.Opaque() {
		c.Header("X-Opaque", "1") // no pixel of it is transparent, so that it may need the Bench
	}
	c.JSON(http.StatusCreated, p)
}

// shelved is a prop as the shelf shows it.
type shelved struct {
	store.Shelved
	Opaque bool   `json:"opaque"` // no pixel of its picture is transparent
	Cut    string `json:"cut"`    // the cut on the Bench whose photo or result it is; none is ""
}

func (s *Server) listProps(c *gin.Context) {
	list, err := s.Store.Props(c)
	if err != nil {
		fail(c, err)
		return
	}
	cuts, err := s.Store.CutOf(c)
	if err != nil {
		fail(c, err)
		return
	}
	out := make([]shelved, len(list))
	for i, p := range list {
		var of clip.Prop
		if err := json.Unmarshal(p.Prop, &of); err != nil {
			fail(c, err)
			return
		}
		out[i] = shelved{p, of.Picture != nil && of.Picture.Opaque(), cuts[of.Hash]}
	}
	c.JSON(http.StatusOK, out)
}

// removeProp takes a prop from the shelf; returnProp puts it back.
func (s *Server) removeProp(c *gin.Context) { done(c, s.Store.RemoveProp(c, c.Param("hash"))) }
func (s *Server) returnProp(c *gin.Context) { done(c, s.Store.ReturnProp(c, c.Param("hash"))) }

// creditProp says who made what is on the shelf, for all clips that it is used in from now on.
func (s *Server) creditProp(c *gin.Context) {
	var in struct {
		Credit string `json:"credit"`
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	credit, err := clip.CreditIn(in.Credit)
	if err != nil {
		fail(c, err)
		return
	}
	done(c, s.Store.CreditProp(c, c.Param("hash"), credit))
}

// listProducts are the products of all clips, for other clips to choose from.
func (s *Server) listProducts(c *gin.Context) {
	list, err := s.Store.Offered(c)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, list)
}

// done answers that something was done, or why it was not.
func done(c *gin.Context, err error) {
	if err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

func (s *Server) getBundle(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	// Once it goes out, nothing can be said any more; so its files are looked for
	// first.
	for _, p := range st.Clip.Props {
		if _, err := s.Store.OpenFile(c, p.Hash); err != nil {
			fail(c, err)
			return
		}
	}
	cuts, err := s.Store.KeptWith(c, st.Clip.Hashes())
	if err != nil {
		fail(c, err)
		return
	}
	attachment(c, st.Clip.Name+".zip")
	c.Header("Content-Type", "application/zip")
	if err := bundle.Write(c, c.Writer, st.Clip, cuts, s.Store.Open); err != nil {
		panic(http.ErrAbortHandler) // half a bundle must not be taken for a whole one
	}
}

func (s *Server) importBundle(c *gin.Context) {
	spool, err := media.NewSpool(c.Request.Body, bundle.MaxBytes)
	if err != nil {
		if errors.Is(err, media.ErrTooLarge) {
			err = clip.Fault("bundle", "the bundle is larger than %d MB", bundle.MaxBytes>>20)
		}
		fail(c, err)
		return
	}
	defer spool.Close()
	in, err := readBundle(c, spool)
	if err != nil {
		fail(c, err)
		return
	}
	err = in.Intake(c, s.Limits, func(p clip.Prop, kept *media.Spool) error { return s.Store.Keep(c, p, kept.Again(), kept.Coarse) })
	if err == nil {
		err = s.Store.Adopt(c, in.Cuts)
	}
	if err != nil {
		fail(c, err)
		return
	}
	s.store(c, in.Clip, "Imported")
}

// readBundle checks a bundle when it is its turn: unpacking takes time.
func readBundle(ctx context.Context, spool *media.Spool) (*bundle.Bundle, error) {
	free, err := media.Take(ctx, 32<<20)
	if err != nil {
		return nil, err
	}
	defer free()
	return bundle.Read(spool.File, spool.Bytes)
}
