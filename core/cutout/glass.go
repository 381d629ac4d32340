package cutout

import "slices"

// Clear things before a ground with a hue of its own let that hue through. Where a part
// of what was taken for the thing has the ground's hue, only paler, it is taken for clear:
// as much of the ground's hue as is there, so much ground is seen.

const (
	vivid      = 40 // levels of hue that a ground needs
	leastClear = 40 // pixels of a clear part
)

// hueOf is a colour less its grey.
func hueOf(c colour) colour {
	grey := (c[0] + c[1] + c[2]) / 3
	return colour{c[0] - grey, c[1] - grey, c[2] - grey}
}

// clearParts is the share of ground that is seen through each pixel of the thing, 0
// where it is not clear.
func clearParts(v *view, g *evenGround, even []colour, mask []bool) []float32 {
	middle := hueOf(g.at(v.w/2, v.h/2))
	if middle.length() < vivid {
		return nil
	}
	through := make([]float32, len(mask))
	any := false
	for y := range v.h {
		for x := range v.w {
			i := y*v.w + x
			if !mask[i] {
				continue
			}
			hue, own := hueOf(g.at(x, y)), hueOf(even[i])
			n := hue.dot(hue)
			t := own.dot(hue) / n
			off := own.sub(hue.by(t)).length()
			if t > .18 && t < 1.1 && off < 9+1.5*v.noise+.12*t*root32(n) {
				through[i] = min(t, .97)
				any = true
			}
		}
	}
	if !any {
		return nil
	}
	dropSmall(through, v.w, v.h, leastClear)
	return through
}

// dropSmall takes parts of fewer pixels than least.
func dropSmall(m []float32, w, h, least int) {
	for _, group := range parts(m, w, h, least) {
		for _, i := range group {
			m[i] = 0
		}
	}
}

// parts are the groups of fewer pixels than least that hang together along rows and
// columns and are not 0.
func parts(m []float32, w, h, least int) (small [][]int32) {
	seen := make([]bool, len(m))
	var group []int32
	for from := range m {
		if seen[from] || m[from] == 0 {
			continue
		}
		group = append(group[:0], int32(from))
		seen[from] = true
		for k := 0; k < len(group); k++ {
			i := int(group[k])
			x, y := i%w, i/w
			for d := range 4 {
				nx, ny := x+around[d][0], y+around[d][1]
				if nx < 0 || ny < 0 || nx >= w || ny >= h {
					continue
				}
				if j := ny*w + nx; !seen[j] && m[j] != 0 {
					seen[j] = true
					group = append(group, int32(j))
				}
			}
		}
		if len(group) < least {
			small = append(small, slices.Clone(group))
		}
	}
	return small
}

// seeThrough opens the clear pixels of a trimap.
func (t *trimap) seeThrough(through []float32, marks []int8) {
	for i, s := range through {
		if s > 0 && !t.open[i] && marks[i] == 0 {
			t.open[i] = true
			t.list = append(t.list, int32(i))
		}
	}
}

// clear gives the open pixels what is known of clear parts.
func (l *lookedUp) clear(v *view, t *trimap, g *evenGround, through []float32) {
	for k, at := range t.list {
		s := through[at]
		if s == 0 || t.inside[at] < 3 {
			continue
		}
		b := g.at(int(at)%v.w, int(at)/v.w)
		l.alpha[k], l.trust[k], l.ground[k] = 1-s, 1, b
		l.thing[k] = v.pix[at].sub(b.by(s)).by(1 / max(1-s, .03))
		for c := range 3 {
			l.thing[k][c] = min(max(l.thing[k][c], 0), 255)
		}
	}
}
