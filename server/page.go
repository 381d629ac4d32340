package server

import (
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"
)

// page serves the built page: files by name, compressed where the browser takes
// it, and index.html for every address of the page's own.
func (s *Server) page(c *gin.Context) {
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if strings.HasPrefix(name, "api/") || c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
		c.JSON(http.StatusNotFound, problem("missing", "there is nothing at this address", ""))
		return
	}
	if name == "" || path.Ext(name) == "" {
		name = "index.html"
	}
	if strings.HasPrefix(name, "assets/") {
		immutable(c)
	} else {
		c.Header("Cache-Control", "no-cache")
	}
	kind := mime.TypeByExtension(path.Ext(name))
	if path.Ext(name) == ".wasm" {
		kind = "application/wasm"
	}
	for _, e := range [][2]string{{"br", ".br"}, {"gzip", ".gz"}} {
		if !strings.Contains(c.GetHeader("Accept-Encoding"), e[0]) {
			continue
		}
		if b, err := fs.ReadFile(s.Page, name+e[1]); err == nil {
			c.Header("Content-Encoding", e[0])
			c.Header("Vary", "Accept-Encoding")
			c.Data(http.StatusOK, kind, b)
			return
		}
	}
	b, err := fs.ReadFile(s.Page, name)
	if err != nil {
		if name == "index.html" {
			c.String(http.StatusNotFound, "The page has not been built; run scripts/demo.")
			return
		}
		c.JSON(http.StatusNotFound, problem("missing", "there is nothing at this address", ""))
		return
	}
	c.Data(http.StatusOK, kind, b)
}
