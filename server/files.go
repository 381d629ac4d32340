package server

import (
	"encoding/binary"
	"errors"
	"fmt"
	"math"
	"net/http"
	"strings"
	"time"

	"billow/core/clip"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

var timeless time.Time

// immutable marks an answer whose address names its content.
func immutable(c *gin.Context) {
	c.Header("Cache-Control", "private, max-age=31536000, immutable")
}

// getFile serves what someone has brought in. Whatever it says of itself, a
// browser runs nothing of it, and shows it only if it is a picture, a sound or
// a video.
func (s *Server) getFile(c *gin.Context) {
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	immutable(c)
	c.Header("Content-Security-Policy", "default-src 'none'; sandbox")
	kind := f.Media
	if !media.Shown(kind) {
		kind = "application/octet-stream"
		c.Header("Content-Disposition", "attachment")
	}
	c.Header("Content-Type", kind)
	c.Header("ETag", `"`+f.Hash+`"`)
	http.ServeContent(c.Writer, c.Request, "", timeless, f)
}

// getSmall is a small picture of a picture, for lists.
func (s *Server) getSmall(c *gin.Context) {
	small, err := s.Store.Small(c, c.Param("hash"), func(f *store.File) ([]byte, error) {
		if strings.HasPrefix(f.Media, "video/") {
			return smallFootage(c, f)
		}
		if kind, _, _ := strings.Cut(f.Media, "/"); kind != "image" {
			return nil, clip.Fault("file", "it is no picture")
		}
		spool, err := media.NewSpool(f, f.Bytes)
		if err != nil {
			return nil, err
		}
		defer spool.Close()
		return media.Small(c, spool)
	})
	if err != nil {
		fail(c, err)
		return
	}
	immutable(c)
	c.Data(http.StatusOK, "image/webp", small)
}

// getSound is a tune decoded: interleaved stereo at 48 kHz, 16 bits, little
// endian. The page mixes from it with the same code as an export. It goes out
// as it is decoded; nothing holds it.
func (s *Server) getSound(c *gin.Context) {
	select {
	case s.sounds <- struct{}{}:
		defer func() { <-s.sounds }()
	case <-c.Done():
		return
	}
	f, err := s.Store.OpenFile(c, c.Param("hash"))
	if err != nil {
		fail(c, err)
		return
	}
	spool, err := media.NewSpool(f, f.Bytes)
	if err != nil {
		fail(c, err)
		return
	}
	defer spool.Close()
	c.Header("Content-Type", "application/octet-stream")
	c.Header("Content-Security-Policy", "default-src 'none'; sandbox")
	var out []byte
	err = media.Stream(c, spool, media.MaxSeconds, func(pcm []float32) error {
		if out == nil {
			immutable(c)
		}
		out = out[:0]
		for _, v := range pcm {
			out = binary.LittleEndian.AppendUint16(out, uint16(int16(math.Round(float64(min(max(v, -1), 1))*32767))))
		}
		_, err := c.Writer.Write(out)
		return err
	})
	switch {
	case err == nil:
	case out != nil:
		panic(http.ErrAbortHandler) // half a tune must not be taken for a whole one
	default:
		var missing *media.MissingError
		if !errors.As(err, &missing) {
			err = clip.Fault("file", "%v", err)
		}
		fail(c, err)
	}
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
