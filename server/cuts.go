package server

import (
	"crypto/rand"
	"encoding/json"
	"errors"
	"net/http"

	"billow/core/clip"
	"billow/core/cutout"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// largestOrder is the largest body that says what is wanted of a photo.
const largestOrder = 8 << 20

// benched is a cut as the page shows it.
type benched struct {
	store.Cut
	NeedsLook bool `json:"needsLook"` // a person should look at it before it is used
	Moves     bool `json:"moves"`     // it is footage
}

func benchedOf(c store.Cut) benched {
	b := benched{Cut: c, Moves: c.Media == media.FootageType}
	var found *cutout.Found
	if json.Unmarshal(c.Found, &found) == nil && found != nil {
		b.NeedsLook = !c.Looked && found.NeedsALook()
	}
	return b
}

func (s *Server) listCuts(c *gin.Context) {
	list, err := s.Store.Cuts(c)
	if err != nil {
		fail(c, err)
		return
	}
	out := make([]benched, len(list))
	for i := range list {
		out[i] = benchedOf(list[i])
	}
	c.JSON(http.StatusOK, out)
}

// layPhoto lays a photo on the Bench, or answers with its cut that is there already.
func (s *Server) layPhoto(c *gin.Context) {
	var in struct {
		Photo string `json:"photo"`
		Name  string `json:"name"`
	}
	err := readJSON(c, &in, smallBody)
	if err == nil {
		err = s.isPicture(c, in.Photo)
	}
	if err != nil {
		fail(c, err)
		return
	}
	id, err := s.Store.LayPhoto(c, in.Photo, media.Title(in.Name))
	s.answerCut(c, id, err)
}

// isPicture refuses files that are not there or are no pictures.
func (s *Server) isPicture(c *gin.Context, hash string) error {
	f, err := s.Store.OpenFile(c, hash)
	if err != nil {
		return err
	}
	switch f.Media {
	case "image/png", "image/jpeg", "image/webp", "image/gif":
		return nil
	case media.FootageType:
		return s.cuttable(c, f)
	}
	return clip.Fault("photo", "this file is neither a picture nor footage, so nothing can be cut out of it")
}

// cuttable refuses footage that is too long, or has nothing to be taken off.
func (s *Server) cuttable(c *gin.Context, f *store.File) error {
	known, err := s.Store.CutOf(c)
	if err != nil || known[f.Hash] != "" { // what was cut out here is laid as what it was cut from
		return err
	}
	film, err := media.OpenFilm(media.Anywhere(f))
	switch {
	case err != nil:
		return err
	case film.Frames() > cutout.MostFrames:
		return clip.Fault("photo", "this footage has %d pictures, and a thing is cut out of at most %d: cut it shorter first", film.Frames(), cutout.MostFrames)
	case film.Alpha:
		return clip.Fault("photo", "this footage has clear parts already, so that there is no background to take off")
	}
	return nil
}

func (s *Server) answerCut(c *gin.Context, id string, err error) {
	var cut store.Cut
	if err == nil {
		cut, err = s.Store.Cut(c, id)
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, benchedOf(cut))
}

func (s *Server) getCut(c *gin.Context) { s.answerCut(c, c.Param("id"), nil) }

// readOrder is what is wanted of a photo, or false after an answer that says what is wrong.
func readOrder(c *gin.Context) (o cutout.Order, ok bool) {
	err := readJSON(c, &o, largestOrder)
	if err == nil {
		err = o.Check(clip.MaxSide, clip.MaxSide)
	}
	if err != nil {
		fail(c, err)
	}
	return o, err == nil
}

// orderCut keeps what is wanted of a photo, so that nothing is lost before it is made.
func (s *Server) orderCut(c *gin.Context) {
	o, ok := readOrder(c)
	if !ok {
		return
	}
	done(c, s.Store.OrderCut(c, c.Param("id"), o))
}

// takeOut takes a part out of what is cut of a photo.
func (s *Server) takeOut(c *gin.Context) {
	o, ok := readOrder(c)
	if !ok {
		return
	}
	id, err := s.Store.TakeOut(c, c.Param("id"), o)
	s.answerCut(c, id, err)
}

func (s *Server) removeCut(c *gin.Context) { done(c, s.Store.RemoveCut(c, c.Param("id"))) }
func (s *Server) returnCut(c *gin.Context) { done(c, s.Store.ReturnCut(c, c.Param("id"))) }

// makeCut makes the cut-out that is wanted, puts it on the shelf, and lets clips follow that
// show what was made before.
func (s *Server) makeCut(c *gin.Context) {
	var in struct {
		Looked bool `json:"looked"` // a person has seen it
	}
	err := readJSON(c, &in, smallBody)
	var cut store.Cut
	if err == nil {
		cut, err = s.Store.Cut(c, c.Param("id"))
	}
	if err == nil && cut.Media == media.FootageType {
		s.cutSoon(c, cut)
		return
	}
	var out madeCut
	if err == nil {
		out, err = s.cutNow(c, cut, in.Looked)
	}
	if errors.Is(err, cutout.ErrNothing) {
		err = clip.Fault("order", "%s", sentence(cutout.ErrNothing))
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, out)
}

// madeCut is a cut with the prop that was made, and how many clips show it instead of the
// one before.
type madeCut struct {
	benched
	Prop     clip.Prop  `json:"prop"`
	Shade    *clip.Prop `json:"shade"` // the photo's shadow, when it is kept
	Followed int        `json:"followed"`
}

// cutSoon has footage cut, which takes long: the answer is an intake.
func (s *Server) cutSoon(c *gin.Context, cut store.Cut) {
	id := rand.Text()
	p, err := s.Store.PropOf(c, cut.Photo)
	if errors.Is(err, store.ErrNotFound) {
		err = nil // it is on no shelf any more
	}
	if err == nil {
		err = s.Queue.Bring(c, id, store.Coming{Name: cut.Name, Hash: cut.Photo, Credit: p.Credit, Cut: cut.ID, Order: cut.Order})
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusAccepted, gin.H{"intake": id})
}

func (s *Server) cutNow(c *gin.Context, cut store.Cut, looked bool) (out madeCut, err error) {
	var o cutout.Order
	if err := json.Unmarshal(cut.Order, &o); err != nil {
		return out, err
	}
	photo, err := s.Store.OpenFile(c, cut.Photo)
	if err != nil {
		return out, err
	}
	made, err := media.CutOut(c, cut.Name, photo, o, s.Limits)
	if err != nil {
		return out, err
	}
	defer made.Close()
	if of, err := s.Store.PropOf(c, cut.Photo); err == nil {
		made.Prop.Credit = of.Credit
	}
	if err := s.Store.Keep(c, made.Prop, made.File.Again(), made.File.Coarse); err != nil {
		return out, err
	}
	if made.Shade != nil {
		if err := s.Store.Keep(c, *made.Shade, made.Shadow.Again(), made.Shadow.Coarse); err != nil {
			return out, err
		}
	}
	out.Followed, err = s.Store.FinishCut(c, cut, store.Made{Order: o, Piece: made.Finished, Prop: made.Prop, Shadow: made.Shade, Looked: looked})
	if err != nil {
		return out, err
	}
	if cut, err = s.Store.Cut(c, cut.ID); err != nil {
		return out, err
	}
	out.benched, out.Prop, out.Shade = benchedOf(cut), made.Prop, made.Shade
	return out, nil
}
