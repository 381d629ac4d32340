package server

import (
	"archive/zip"
	"fmt"
	"net/http"

	"billow/core/clip"
	"billow/core/naming"
	"billow/export"
	"billow/media"

	"github.com/gin-gonic/gin"
)

// clipSound is the sound of a clip as it is now, as it goes into its videos: a WAV file.
func (s *Server) clipSound(c *gin.Context) {
	doc, ok := s.sounding(c)
	if !ok {
		return
	}
	defer func() { <-s.sounds }()
	mixed, err := export.Sound(c, doc, s.Store.Open)
	if err != nil {
		fail(c, err)
		return
	}
	attachment(c, doc.Name+".wav")
	c.Data(http.StatusOK, "audio/wav", media.WAV(mixed))
}

// clipStems is each sound of a clip by itself, as loud as it lies there, in a ZIP file of WAV files that are as
// long as the clip: together they are its sound before it is brought to its loudness.
func (s *Server) clipStems(c *gin.Context) {
	doc, ok := s.sounding(c)
	if !ok {
		return
	}
	defer func() { <-s.sounds }()
	stems, err := export.Stems(c, doc, s.Store.Open)
	if err != nil {
		fail(c, err)
		return
	}
	attachment(c, doc.Name+" stems.zip")
	c.Header("Content-Type", "application/zip")
	z := zip.NewWriter(c.Writer)
	for i, stem := range stems {
		w, err := z.Create(fmt.Sprintf("%02d %s.wav", i+1, naming.Slug(stem.Name)))
		if err == nil {
			_, err = w.Write(media.WAV(stem.Samples))
		}
		if err != nil {
			panic(http.ErrAbortHandler) // half of them must not be taken for all
		}
	}
	if z.Close() != nil {
		panic(http.ErrAbortHandler)
	}
}

// sounding is a clip that has sounds, when there is room to mix them; what it takes is given back by
// whoever asked.
func (s *Server) sounding(c *gin.Context) (*clip.Clip, bool) {
	st, err := s.Store.State(c, c.Param("id"))
	if err == nil && len(st.Clip.Sounds) == 0 {
		err = clip.Fault("sounds", "nothing sounds in %q", st.Clip.Name)
	}
	if err != nil {
		fail(c, err)
		return nil, false
	}
	select {
	case s.sounds <- struct{}{}:
		return st.Clip, true
	case <-c.Done():
		return nil, false
	}
}
