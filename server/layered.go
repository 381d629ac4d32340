package server

import (
	"net/http"

	"billow/core/clip"
	"billow/media"

	"github.com/gin-gonic/gin"
)

// broughtLayers is a layered picture that was brought in.
type broughtLayers struct {
	Name    string       `json:"name"`
	Props   []clip.Prop  `json:"props"`   // of its layers
	Layers  []clip.Layer `json:"layers"`  // those of a clip that show it, in a group, the lowest first
	LeftOut []string     `json:"leftOut"` // what is not shown as it is meant
}

// bringLayered puts the pictures of a layered picture on the shelf and answers with the
// layers that show it.
func (s *Server) bringLayered(c *gin.Context, name string, spool *media.Spool) {
	l, err := media.TakeLayered(c, name, spool, s.Limits)
	if err != nil {
		fail(c, err)
		return
	}
	defer l.Close()
	out := broughtLayers{Name: l.Name, Layers: l.Layers, LeftOut: l.Notes}
	for i, p := range l.Props {
		if err := s.Store.Keep(c, p, l.Files[i].Again(), l.Files[i].Coarse); err != nil {
			fail(c, err)
			return
		}
		out.Props = append(out.Props, p)
	}
	c.JSON(http.StatusCreated, out)
}
