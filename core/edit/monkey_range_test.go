package edit

import (
	"billow/core/clip"
)

// product is the ID of one, or of none.
func (m *monkey) product() string {
	if n := len(m.c.Products); n > 0 && m.Intn(20) > 0 {
		return m.c.Products[m.Intn(n)].ID
	}
	return "none"
}

// variant names one, mostly one that was adjusted if there are any.
func (m *monkey) variant() object {
	if v := m.c.Variants; v != nil && len(v.Cells) > 0 && m.Intn(3) > 0 {
		x := v.Cells[m.Intn(len(v.Cells))]
		return object{"product": x.Product, "shape": x.Shape, "language": x.Language}
	}
	return object{"product": m.product(), "shape": m.c.Shapes[m.Intn(len(m.c.Shapes))].ID, "language": m.pick("", "de")}
}

func (m *monkey) ofRange(id string) []object {
	product := object{"id": id, "name": "New " + id, "price": m.pick("", "1.50", "99"), "oldPrice": m.pick("", "2"), "currency": m.pick("EUR", "JPY")}
	scene := ""
	if all := m.c.Scenes(); len(all) > 0 {
		scene = all[m.Intn(len(all))].ID
	}
	adjust, like := m.variant(), m.variant()
	adjust["type"], adjust["command"] = "adjust", object{"type": "setRest", "layer": m.layer().ID, "shape": adjust["shape"], "set": object{"size": 100 + m.Intn(300)}}
	like["type"] = "likeOthers"
	return []object{
		{"type": "setProduct", "product": product},
		{"type": "setRange", "products": []object{product}},
		{"type": "setRange", "remove": []string{m.product()}},
		{"type": "setVariants", "products": []string{m.product()}, "languages": []string{"", "de"}},
		{"type": "bringPictures", "props": []object{{"id": "picture-" + id, "name": "tin.png", "kind": "cutout", "hash": m.c.Props[0].Hash, "media": "image/png", "picture": object{"w": 9, "h": 9, "visible": []int{0, 0, 9, 9}}}}},
		{"type": "bindProduct", "product": m.product()},
		{"type": "sceneForEach", "scene": scene, "products": []string{m.product()}},
		{"type": "setLayer", "layer": "priced", "set": object{"words": object{"product": m.pick(m.product(), clip.ProductSlot)}}},
		adjust, like,
	}
}
