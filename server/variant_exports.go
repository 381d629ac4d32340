package server

import (
	"archive/zip"
	"io"
	"net/http"
	"slices"

	"billow/core/clip"
	"billow/core/table"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// leftOut is a variant that is not exported, and why.
type leftOut struct {
	clip.Variant
	Says string `json:"says"`
}

// exportVariants queues variants of a clip as it is now: those that are named, or all. What must not
// be posted is left out, and said.
func (s *Server) exportVariants(c *gin.Context) {
	var in struct {
		Only  []clip.Variant `json:"only,omitempty"`
		Quick bool           `json:"quick"`
	}
	if err := readJSON(c, &in, 1<<20); err != nil {
		fail(c, err)
		return
	}
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	all, err := s.lookOver(c, st)
	if err != nil {
		fail(c, err)
		return
	}
	var wanted []store.Wanted
	left := []leftOut{}
	for _, v := range all {
		if len(in.Only) > 0 && !slices.Contains(in.Only, v.Variant) {
			continue
		}
		if says := v.stops(); says != "" {
			left = append(left, leftOut{v.Variant, says})
			continue
		}
		wanted = append(wanted, store.Wanted{Shape: v.Variant.ID(), File: v.File})
	}
	if len(wanted) == 0 {
		why := "choose products for the variants first"
		if len(left) > 0 {
			why = left[0].Says
		}
		fail(c, clip.Fault("variants", "%s", why))
		return
	}
	id := store.NewID()
	if err := s.Queue.AddVariants(c, id, st.ID, st.Revision, st.Clip, wanted, in.Quick); err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusCreated, gin.H{"id": id, "count": len(wanted), "left": left})
}

// stops is why a variant must not be posted; "" is nothing.
func (v *variant) stops() string {
	for _, f := range v.Findings {
		if f.Stops {
			return f.Says
		}
	}
	return ""
}

// variantExportEvents sends the last exports of a clip's variants whenever they change.
func (s *Server) variantExportEvents(c *gin.Context) {
	changes(c, func() (any, error) { return s.Store.VariantExports(c, c.Param("id")) })
}

// downloadVariants is a zip of all files of an export that are done, with a table of what is in it.
func (s *Server) downloadVariants(c *gin.Context) {
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
	parts, err := s.Store.PartsOf(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	if !slices.ContainsFunc(parts, func(p store.Part) bool { return p.Video != nil }) {
		fail(c, store.ErrNotFound)
		return
	}
	attachment(c, doc.Name+" variants.zip")
	c.Header("Content-Type", "application/zip")
	if err := s.writeVariants(c, doc, parts); err != nil {
		panic(http.ErrAbortHandler) // half a zip must not be taken for a whole one
	}
}

func (s *Server) writeVariants(c *gin.Context, doc *clip.Clip, parts []store.Part) error {
	z := zip.NewWriter(c.Writer)
	rows := [][]string{clip.ContentsColumns}
	for _, p := range parts {
		ref, _ := clip.ReadVariant(p.Shape)
		state := p.State
		if state == "failed" {
			state = p.Error
		}
		rows = append(rows, doc.Contents(ref, p.File+".mp4", state))
		if p.Video == nil {
			continue
		}
		for _, f := range []struct{ ending, hash string }{{".mp4", *p.Video}, {".png", *p.Poster}} {
			// Video and PNG are packed already.
			w, err := z.CreateHeader(&zip.FileHeader{Name: p.File + f.ending, Method: zip.Store, Modified: p.Created})
			if err != nil {
				return err
			}
			file, err := s.Store.OpenFile(c, f.hash)
			if err != nil {
				return err
			}
			if _, err := io.Copy(w, file); err != nil {
				return err
			}
		}
	}
	w, err := z.Create("contents.csv")
	if err != nil {
		return err
	}
	if _, err := w.Write(table.CSV(rows, ',')); err != nil {
		return err
	}
	return z.Close()
}
