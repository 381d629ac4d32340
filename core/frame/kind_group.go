package frame

import (
	"billow/core/clip"
	"billow/core/layout"
)

func init() { kinds[clip.KindGroup] = drawing{measure: (*Stage).measureGroup} }

// measureGroup takes the bounds of what is in a group, as it stands at rest.
func (s *Stage) measureGroup(a *actor) {
	box := layout.Box{}
	for i, child := range a.children {
		k := 1.0
		if child.kind.Holds {
			k = child.rest.Size / 1000
		}
		b := layout.Turned(child.w*k, child.h*k, child.rest.Turn).Moved(child.cx, child.cy)
		if i == 0 {
			box = b
		}
		box = box.Union(b)
	}
	a.gx, a.gy = (box.X0+box.X1)/2, (box.Y0+box.Y1)/2
	a.w, a.h = box.X1-box.X0, box.Y1-box.Y0
	a.cx, a.cy = a.gx+a.cx, a.gy+a.cy
}
