package server

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"net/http"
	"strconv"
	"sync"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/frame"
	"billow/core/preflight"
	"billow/export"
	"billow/store"

	"github.com/gin-gonic/gin"
)

const (
	// variantSide is how many pixels the longer side of a variant's poster has in the grid, and
	// mostVariantSide where it is seen by itself.
	variantSide     = 260
	mostVariantSide = 1280
	// variantBytes is how much of the posters is kept.
	variantBytes = 48 << 20
	// mostVariants is how many there are of a clip at most.
	mostVariants = 4000
)

// variant is one as the grid shows it.
type variant struct {
	clip.Variant
	File     string              `json:"file"` // without its ending
	Adjusted bool                `json:"adjusted,omitempty"`
	Findings []preflight.Finding `json:"findings"`
}

// posterFrame is the frame that stands for a clip and all of its variants.
func (s *Server) posterFrame(c *gin.Context, st *store.State) (int, error) {
	at, err := s.small.of(c, tagOf(st)+" frame", func() ([]byte, error) {
		return strconv.AppendInt(nil, int64(frame.PosterFrame(st.Clip, s.fonts())), 10), nil
	})
	if err != nil {
		return 0, err
	}
	return strconv.Atoi(string(at))
}

// variantPoster draws the poster of a variant: ?product=&shape=&language=, and ?side= in pixels.
// It is the same as long as the variant is.
func (s *Server) variantPoster(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	ref := clip.Variant{Product: c.Query("product"), Shape: c.Query("shape"), Language: c.Query("language")}
	v, _, err := edit.Variant(st.Clip, ref)
	if err != nil {
		fail(c, err)
		return
	}
	side, err := strconv.Atoi(c.DefaultQuery("side", strconv.Itoa(variantSide)))
	if err != nil || side < 16 || side > mostVariantSide {
		fail(c, clip.Fault("side", "a poster has 16 to %d pixels", mostVariantSide))
		return
	}
	at, err := s.posterFrame(c, st)
	if err != nil {
		fail(c, err)
		return
	}
	sum := sha256.Sum256(v.Encode())
	tag := fmt.Sprintf("%q", fmt.Sprintf("%s-%s-%d-%d-%s", hex.EncodeToString(sum[:12]), ref.Shape, at, side, program()))
	c.Header("ETag", tag)
	c.Header("Cache-Control", "no-cache")
	if c.GetHeader("If-None-Match") == tag {
		c.Status(http.StatusNotModified)
		return
	}
	file, err := s.variants.of(c, tag, func() ([]byte, error) {
		p, err := s.drawing.Draw(c, export.PosterJob{Key: tagOf(st), Clip: st.Clip.Encode, Variant: ref, At: at, Side: side})
		if err != nil && c.Err() == nil {
			err = drawingError{err}
		}
		return p.JPEG, err
	})
	if err != nil {
		c.Header("Cache-Control", "no-store")
		fail(c, err)
		return
	}
	c.Data(http.StatusOK, "image/jpeg", file)
}

// listVariants are all variants of a clip, with what was found when looking them over.
func (s *Server) listVariants(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	list, err := s.lookOver(c, st)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"revision": st.Revision, "follows": st.Clip.Follows(), "variants": list})
}

// lookOver looks all variants of a clip over, some at once.
func (s *Server) lookOver(c *gin.Context, st *store.State) ([]variant, error) {
	refs := st.Clip.EachVariant()
	if len(refs) > mostVariants {
		return nil, clip.Fault("variants", "these would be %d variants, and %d is the most: choose fewer products, shapes or languages", len(refs), mostVariants)
	}
	at, err := s.posterFrame(c, st)
	if err != nil {
		return nil, err
	}
	names := st.Clip.FileNames(refs)
	out := make([]variant, len(refs))
	ctx, cancel := context.WithCancelCause(c)
	defer cancel(nil)
	var work sync.WaitGroup
	next := make(chan int)
	for range 4 {
		work.Go(func() {
			for i := range next {
				p, err := s.drawing.Draw(ctx, export.PosterJob{Key: tagOf(st), Clip: st.Clip.Encode, Variant: refs[i], At: at})
				if err != nil {
					cancel(err)
					continue
				}
				out[i] = variant{refs[i], names[i], st.Clip.Variants.Cell(refs[i].ID()) != nil, p.Findings}
				if out[i].Findings == nil {
					out[i].Findings = []preflight.Finding{}
				}
			}
		})
	}
	for i := range refs {
		next <- i
	}
	close(next)
	work.Wait()
	if ctx.Err() != nil {
		return nil, context.Cause(ctx)
	}
	return out, nil
}
