package server

import (
	"context"
	"net/http"
	"strings"

	"billow/core/brand"
	"billow/core/clip"
	"billow/core/colour"
	"billow/core/palette"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// largestBrand is the largest body that says what a brand is.
const largestBrand = 16 << 10

// branded is a brand with what its colours are for.
type branded struct {
	brand.Brand
	Palette *palette.Palette `json:"palette,omitempty"`
	Accents []colour.Colour  `json:"accents,omitempty"` // its colours for emphasis, the best first
}

func (s *Server) listBrands(c *gin.Context) {
	list, err := s.Store.Brands(c)
	if err != nil {
		fail(c, err)
		return
	}
	out := make([]branded, len(list))
	for i, b := range list {
		out[i].Brand = b
		if p, ok := b.Palette(); ok {
			out[i].Palette, out[i].Accents = &p, b.Accents()
		}
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) putBrand(c *gin.Context) {
	var b brand.Brand
	err := readJSON(c, &b, largestBrand)
	if err == nil {
		b.ID = c.Param("id")
		err = s.keepBrand(c, b)
	}
	if err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// keepBrand checks a brand and keeps it.
func (s *Server) keepBrand(ctx context.Context, b brand.Brand) error {
	if len(b.ID) < 1 || len(b.ID) > 40 || strings.Trim(b.ID, "0123456789abcdefghijklmnopqrstuvwxyz-") != "" {
		return clip.Fault("id", "%q is no name of a brand", b.ID)
	}
	if err := b.Check(); err != nil {
		return err
	}
	list, err := s.Store.Brands(ctx)
	if err != nil {
		return err
	}
	known := false
	for _, o := range list {
		known = known || o.ID == b.ID
	}
	if !known && len(list) >= store.MostBrands {
		return clip.Fault("id", "there are %d brands already; delete one first", store.MostBrands)
	}
	return s.Store.PutBrand(ctx, b)
}

func (s *Server) removeBrand(c *gin.Context) {
	if err := s.Store.RemoveBrand(c, c.Param("id")); err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// brandPalettes are those of all brands.
func (s *Server) brandPalettes(ctx context.Context) ([]palette.Palette, error) {
	list, err := s.Store.Brands(ctx)
	if err != nil {
		return nil, err
	}
	var out []palette.Palette
	for _, b := range list {
		if p, ok := b.Palette(); ok {
			out = append(out, p)
		}
	}
	return out, nil
}
