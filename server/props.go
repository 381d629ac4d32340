package server

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"math"
	"net/http"
	"path"
	"strings"
	"sync"

	"billow/bundle"
	"billow/core/clip"
	"billow/media"

	"github.com/gin-gonic/gin"
)

// uploadProp takes a file as the body and its name as a parameter, checks it by
// its content, analyses it, and answers with the prop.
func (s *Server) uploadProp(c *gin.Context) {
	name := path.Base(strings.ReplaceAll(c.Query("name"), "\\", "/"))
	if name == "." || name == "/" {
		name = "file"
	}
	most := max(s.Limits.PictureBytes, s.Limits.SoundBytes)
	b, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, most))
	var large *http.MaxBytesError
	if errors.As(err, &large) {
		fail(c, clip.Fault("file", "%s is larger than %d MB", name, most>>20))
		return
	}
	if err != nil {
		fail(c, err)
		return
	}
	p, b, err := s.examine(c, name, b)
	if err != nil {
		var field *clip.FieldError
		if !errors.As(err, &field) && !errors.Is(err, media.ErrNoFFmpeg) {
			err = clip.Fault("file", "%s: %v", name, err)
		}
		fail(c, err)
		return
	}
	if err := s.Store.PutFile(c, p.Hash, p.Media, bytes.NewReader(b)); err != nil {
		fail(c, err)
		return
	}
	if err := s.Store.PutProp(c, p); err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusCreated, p)
}

// examine tells what a file is; the bytes that come back are what is kept.
func (s *Server) examine(ctx context.Context, name string, b []byte) (clip.Prop, []byte, error) {
	var none clip.Prop
	if len(b) == 0 {
		return none, nil, clip.Fault("file", "%s is empty", name)
	}
	id := "prop-" + media.Hash(b)[:12]
	title := strings.TrimSuffix(name, path.Ext(name))
	switch kind, _ := media.Kind(b); kind {
	case clip.KindCutout:
		if int64(len(b)) > s.Limits.PictureBytes {
			return none, nil, clip.Fault("file", "%s is larger than %d MB", name, s.Limits.PictureBytes>>20)
		}
		bitmap, err := media.Picture(b, s.Limits)
		if err != nil {
			return none, nil, err
		}
		if b, bitmap, err = media.Reduced(b, bitmap); err != nil {
			return none, nil, err
		}
		p, err := media.PictureProp(id, title, b, bitmap)
		return p, b, err
	case clip.KindTune:
		if int64(len(b)) > s.Limits.SoundBytes {
			return none, nil, clip.Fault("file", "%s is larger than %d MB", name, s.Limits.SoundBytes>>20)
		}
		pcm, err := media.DecodeSound(ctx, b)
		if err != nil {
			return none, nil, err
		}
		p, err := media.SoundProp(id, title, b, pcm)
		return p, b, err
	}
	return none, nil, clip.Fault("file", "%s is neither a picture (PNG, JPEG, WebP, GIF) nor a tune (WAV, MP3, OGG, FLAC, M4A)", name)
}

func (s *Server) listProps(c *gin.Context) {
	list, err := s.Store.Props(c)
	if err != nil {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, list)
}

// immutable marks an answer whose address names its content.
func immutable(c *gin.Context) {
	c.Header("Cache-Control", "public, max-age=31536000, immutable")
}

func (s *Server) getFile(c *gin.Context) {
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	immutable(c)
	c.Header("Content-Type", f.Media)
	c.Header("ETag", `"`+f.Hash+`"`)
	http.ServeContent(c.Writer, c.Request, "", timeless, f)
}

// decoded keeps the last tune that was decoded.
type decoded struct {
	mu   sync.Mutex
	hash string
	pcm  []byte
}

// getSound is a tune decoded: interleaved stereo at 48 kHz, 16 bits, little
// endian. The page mixes from it with the same code as an export.
func (s *Server) getSound(c *gin.Context) {
	s.decoded.mu.Lock()
	defer s.decoded.mu.Unlock()
	if hash := c.Param("hash"); s.decoded.hash != hash {
		b, err := s.Store.ReadFile(c, hash)
		if err != nil {
			fail(c, err)
			return
		}
		pcm, err := media.DecodeSound(c, b)
		if err != nil {
			fail(c, clip.Fault("file", "%v", err))
			return
		}
		out := make([]byte, 2*len(pcm))
		for i, v := range pcm {
			binary.LittleEndian.PutUint16(out[2*i:], uint16(int16(math.Round(float64(min(max(v, -1), 1))*32767))))
		}
		s.decoded.hash, s.decoded.pcm = hash, out
	}
	immutable(c)
	c.Data(http.StatusOK, "application/octet-stream", s.decoded.pcm)
}

func (s *Server) getBundle(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	doc := st.Clip
	var out bytes.Buffer
	if err := bundle.Write(c, &out, doc, s.Store.ReadFile); err != nil {
		fail(c, err)
		return
	}
	attachment(c, doc.Name+".zip")
	c.Data(http.StatusOK, "application/zip", out.Bytes())
}

func attachment(c *gin.Context, name string) {
	plain := strings.Map(func(r rune) rune {
		if r < 32 || r > 126 || strings.ContainsRune(`"\/:*?<>|`, r) {
			return '-'
		}
		return r
	}, name)
	c.Header("Content-Disposition", fmt.Sprintf("attachment; filename=%q", plain))
}

func (s *Server) importBundle(c *gin.Context) {
	b, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, bundle.MaxBytes))
	if err != nil {
		fail(c, err)
		return
	}
	in, err := bundle.Read(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		fail(c, err)
		return
	}
	if err := s.Store.PutBundle(c, in.Clip, in.Files); err != nil {
		fail(c, err)
		return
	}
	s.store(c, in.Clip, "Imported")
}
