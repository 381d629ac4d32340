package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/colour"
	"billow/core/graph"
	"billow/core/paint"
)

func init() { kinds[clip.KindPhoto] = drawing{picture: (*Stage).covering} }

// covering is a picture that covers the frame, as a whole.
func (s *Stage) covering(a *actor, _ look, frame float64) *graph.Node {
	n, g, tiled := s.photoOf(a, frame)
	if tiled {
		return s.tiled(n, n.Key, g, float64(s.W)/a.w)
	}
	return n
}

// photoOf is that picture, or one tile of many and how these lie.
func (s *Stage) photoOf(a *actor, frame float64) (pic *graph.Node, g grid, tiled bool) {
	if a.prop == nil {
		return graph.Known(graph.Key{}.Text("no picture"), paint.NewSheet(paint.NewBitmap(1, 1), 0, 0, 1)), grid{}, false
	}
	at, _, _, _ := s.held(a, frame)
	size := float64(s.W) / a.w // pixels a unit
	c := s.coverAt(a, at)
	per, x, y := c.laid()
	picture, key, k := s.shown(a, at, size*a.largest/per)
	if share := min(max(a.number(tint, at)/100, 0), 1); share > 0 {
		c := a.value(tintColour, at)
		picture, key = s.tinted(picture, key, colour.FromFloats(c[0], c[1], c[2], 255), share)
	}
	if c.fit == "tile" {
		tile := s.tile(picture, key, per*k, size)
		return tile, tiles(c.w/per, c.h/per, x, y), true
	}
	return graph.Known(key.Text("covering").Nums(per, x, y), &paint.Sheet{Pyramid: *picture, X: x * per * k, Y: y * per * k, Per: per * k}), grid{}, false
}

// coverAt is how a picture covers the frame at a time.
func (s *Stage) coverAt(a *actor, at float64) cover {
	v, move := a.layer.Cutout.Covering, a.value(pan, at)
	return cover{
		w: float64(a.prop.Picture.W), h: float64(a.prop.Picture.H), of: [2]float64{a.w, a.h},
		about: [2]float64{0.5 + v.X/100, 0.5 + v.Y/100}, to: [2]float64{move[0] / 100 * a.w, move[1] / 100 * a.h},
		zoom: max(0.01, a.number(zoom, at)/100), fit: v.Fit, side: v.Side,
	}
}

// cover is a picture of so many pixels that is to cover a plane, in units about its middle.
type cover struct {
	w, h  float64
	of    [2]float64
	about [2]float64 // the place of interest, shares of the picture
	to    [2]float64 // where that is to be, if nothing hinders
	zoom  float64
	fit   string
	side  float64 // of a tile
}

// laid is how many pixels lie on a unit, and where the picture's upper left corner lies. Where
// the picture is longer than the plane it leaves no part of that free.
func (c cover) laid() (per, x, y float64) {
	units := max(c.of[0]/c.w, c.of[1]/c.h) // that a pixel is wide
	switch c.fit {
	case "fit":
		units = min(c.of[0]/c.w, c.of[1]/c.h)
	case "tile":
		units = c.side / max(c.w, c.h)
	}
	units *= c.zoom
	lie := func(side, of, about, to float64) float64 {
		at := to - about*side
		switch {
		case c.fit == "tile":
			return at
		case side >= of:
			return min(max(at, of/2-side), -of/2)
		}
		return to - side/2
	}
	return 1 / units, lie(c.w*units, c.of[0], c.about[0], c.to[0]), lie(c.h*units, c.of[1], c.about[1], c.to[1])
}

// tinted is a picture with a share of its colours replaced by that of a tint.
func (s *Stage) tinted(p *paint.Pyramid, key graph.Key, by colour.Colour, share float64) (*paint.Pyramid, graph.Key) {
	share = math.Round(share*64) / 64 // finer steps cannot be seen, and each is kept
	key = key.Text("tinted").Colour(by).Nums(share)
	return cached(s.lib, key, (*paint.Pyramid).Bytes, func() *paint.Pyramid {
		return paint.NewPyramid(p.Picture.Tinted(paint.Premultiplied(by), share))
	}), key
}

// tile is a picture to be laid edge to edge, of so many pixels a unit, with its upper left
// corner at the origin: as large as it is drawn, and with some of its neighbours around it, so
// that no seam shows.
func (s *Stage) tile(p *paint.Pyramid, key graph.Key, per, size float64) *graph.Node {
	const margin = 6 // pixels as drawn
	scale := min(1, size*paint.Sharp/per)
	return graph.Source(key.Text("tile").Nums(per, scale), func() *paint.Sheet {
		// Of a large picture in small tiles less detail is enough.
		less := (&paint.Sheet{Pyramid: *p, Per: per}).Reduced(2 * size * paint.Sharp)
		k := scale * per / less.Per
		around := int(math.Ceil((margin+4)/k)) + 1
		wrapped := paint.NewPyramid(less.Picture.Wrapped(around))
		w, h := float64(p.Picture.W)*scale, float64(p.Picture.H)*scale
		b := paint.NewBitmap(int(math.Ceil(w))+2*margin, int(math.Ceil(h))+2*margin)
		var brush paint.Brush
		off := -float64(around)
		brush.Draw(b, wrapped, paint.Translate(off, off).Then(paint.Scale(k, k)).Then(paint.Translate(margin, margin)), 1, paint.Normal)
		return paint.NewSheet(b, -margin, -margin, per*scale)
	})
}

// tiles is how tiles lie of which one has its upper left corner at a point.
func tiles(w, h, x, y float64) grid {
	return grid{dx: max(w, 1), dy: max(h, 1), size: 1, moved: [2]float64{x, y}}
}

// tiled is a plane of tiles, for what changes it as a whole.
func (s *Stage) tiled(tile *graph.Node, key graph.Key, g grid, size float64) *graph.Node {
	w, h := float64(s.W), float64(s.H)
	return graph.Source(key.Text("tiled").Nums(g.dx, g.dy, g.moved[0], g.moved[1], w, h), func() *paint.Sheet {
		b := paint.NewBitmap(s.W, s.H)
		var brush paint.Brush
		sheet := graph.Made(s.lib, tile)
		for _, c := range g.copies([4]float64{-w / 2 / size, -h / 2 / size, w / 2 / size, h / 2 / size}, 2*max(g.dx, g.dy)) {
			m := sheet.Matrix().Then(c.m).Then(paint.Scale(size, size)).Then(paint.Translate(w/2, h/2))
			brush.Draw(b, &sheet.Pyramid, m, 1, paint.Normal)
		}
		return paint.NewSheet(b, -w/2, -h/2, size)
	})
}
