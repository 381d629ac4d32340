package edit

import (
	"fmt"
	"slices"

	"billow/core/clip"
)

// BindProduct lets all that shows a product show the product of its scene, or of the clip, instead:
// words that speak of it and cut-outs that are its picture. The clip looks as before, and choosing
// another product then changes all of it together.
type BindProduct struct {
	Typed
	Product string `json:"product"`
	Scene   string `json:"scene,omitempty"` // in which alone; none is all of the clip
}

func (b *BindProduct) apply(c *clip.Clip) error {
	p := c.Product(b.Product)
	if p == nil {
		return clip.Fault("product", "there is no product %q", b.Product)
	}
	if b.Scene != "" {
		if _, err := playing(c, b.Scene); err != nil {
			return err
		}
	}
	bound := 0
	for i := range c.Layers {
		l := &c.Layers[i]
		scene, in := c.SceneOf(l)
		if b.Scene != "" && (!in || scene.ID != b.Scene) {
			continue
		}
		switch {
		case l.Words != nil && l.Words.Product == b.Product:
			c.Own(l.ID).Words.Product = clip.ProductSlot
		case l.Cutout != nil && p.Prop != "" && l.Cutout.Prop == p.Prop:
			if err := intoSlot(c, c.Own(l.ID)); err != nil {
				return err
			}
		default:
			continue
		}
		bound++
		if in && c.Layer(scene.ID).Scene.Product == "" && (b.Scene != "" || c.Shown != "" && c.Shown != b.Product) {
			c.Own(scene.ID).Scene.Product = b.Product
		}
	}
	if bound == 0 {
		return clip.Fault("product", "nothing there shows %s: let words speak of it, or place its picture, first", p.Name)
	}
	if b.Scene == "" && c.Shown == "" {
		c.Shown = b.Product
	}
	return nil
}

// SceneForEach repeats a scene for products: it shows the first of them, and copies that follow it
// show the others, in their order.
type SceneForEach struct {
	Typed
	Scene    string   `json:"scene"`
	Products []string `json:"products"`
}

// mostScenes is for how many products a scene is repeated at once.
const mostScenes = 60

func (s *SceneForEach) apply(c *clip.Clip) error {
	if _, err := playing(c, s.Scene); err != nil {
		return err
	}
	if len(s.Products) == 0 || len(s.Products) > mostScenes {
		return clip.Fault("products", "a scene is repeated for 1 to %d products at once", mostScenes)
	}
	for i, id := range s.Products {
		if c.Product(id) == nil || slices.Index(s.Products, id) != i {
			return clip.Fault("products", "there is no product %q, or it is named twice", id)
		}
	}
	if !shows(c, s.Scene) {
		return clip.Fault("scene", "nothing in %q shows the product of its scene, so all would look alike: choose that for its words or its cut-out first", c.Layer(s.Scene).Name)
	}
	before := c.Scenes()
	// Copies come right behind what they are copied from, so the last is made first.
	for i := len(s.Products) - 1; i > 0; i-- {
		id := c.FreeID(fmt.Sprintf("%.40s-%d", s.Scene, i+1))
		if err := copyTree(c, s.Scene, id); err != nil {
			return err
		}
		l := c.Own(id)
		l.Scene.Product, l.Name = s.Products[i], c.Product(s.Products[i]).Name
	}
	l := c.Own(s.Scene)
	l.Scene.Product, l.Name = s.Products[0], c.Product(s.Products[0]).Name
	ripple(c, before)
	return nil
}

// shows tells whether something in a scene shows the product of its scene.
func shows(c *clip.Clip, scene string) bool {
	return slices.ContainsFunc(c.Layers, func(l clip.Layer) bool {
		return c.Within(&l, scene) && l.Follows()
	})
}
