package frame

import (
	"encoding/json"
	"math"

	"billow/core/clip"
	"billow/core/layout"
	"billow/core/paint"
	"billow/core/words"
)

// sprite is the picture of a layer: pixel (0, 0) of its largest level lies at
// (x0, y0), in units from the layer's centre, before scale and turn.
type sprite struct {
	*paint.Pyramid
	x0, y0  float64
	perUnit float64 // pixels a unit
	key     any
}

type wordsKey struct {
	words         string
	size, width   float64
	rasterPerUnit float64 // 0 for the outlines
}

func (s *Stage) wordsKey(a *actor) wordsKey {
	c := a.layer.Words
	var p *clip.Product
	if c.Product != "" {
		p = s.clip.Product(c.Product)
	}
	b, err := json.Marshal([]any{c, p})
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	// The width shrinks with the size, so that lines break alike in all shapes.
	return wordsKey{string(b), a.rest.Size, c.Width * a.rest.Size / a.layer.Rest.Size, 0}
}

// block is the layer's set words.
func (s *Stage) block(a *actor) *words.Block {
	key := s.wordsKey(a)
	size := func(*words.Block) int { return 1 << 16 }
	return cached(s.lib, key, size, func() *words.Block {
		c := a.layer.Words
		return words.Set(s.lib.Fonts, c, s.clip.Product(c.Product), key.size, key.width)
	})
}

// sharpness is how many raster pixels words have for a pixel of the frame on
// each axis, so that they stay sharp while they drift by parts of a pixel.
const sharpness = 1.5

func (s *Stage) sprite(a *actor) *sprite {
	a.once.Do(func() { a.sprite = s.newSprite(a) })
	return a.sprite
}

func (s *Stage) newSprite(a *actor) *sprite {
	switch a.layer.Kind {
	case clip.KindCutout:
		prop := s.clip.Prop(a.layer.Cutout.Prop)
		v := prop.Picture.Visible
		per := float64(max(v[2]-v[0], v[3]-v[1])) / a.rest.Size
		cx, cy := float64(v[0]+v[2])/2, float64(v[1]+v[3])/2
		return &sprite{s.lib.Picture(prop.Hash), -cx / per, -cy / per, per, prop.Hash}
	case clip.KindBackdrop:
		return s.backdrop(a)
	}
	key := s.wordsKey(a)
	key.rasterPerUnit = s.scale * sharpness * min(a.largest, 4)
	if side := max(a.w, a.h) * key.rasterPerUnit; side > clip.MaxSide {
		key.rasterPerUnit *= clip.MaxSide / side
	}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		b, x0, y0 := s.block(a).Raster(key.rasterPerUnit)
		return &sprite{paint.NewPyramid(b), x0, y0, key.rasterPerUnit, key}
	})
}

func spriteBytes(s *sprite) int { return s.Bytes() }

type backdropKey struct {
	stops string
	angle float64
	w, h  int
}

func (s *Stage) backdrop(a *actor) *sprite {
	b := a.layer.Backdrop
	stops, err := json.Marshal(b.Stops)
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	key := backdropKey{string(stops), b.Angle, s.W, s.H}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		bm := paint.NewBitmap(s.W, s.H)
		list := make([]paint.Stop, len(b.Stops))
		for i, st := range b.Stops {
			list[i] = paint.Stop{At: st.At / 100, Colour: st.Colour}
		}
		paint.Gradient(bm, list, b.Angle)
		w, h := layout.Extent(s.shape)
		return &sprite{&paint.Pyramid{Levels: []*paint.Bitmap{bm}}, -w / 2, -h / 2, float64(s.W) / w, key}
	})
}

type shadowKey struct {
	of    any
	per   float64
	steps int // sigma as a power of sigmaStep
	pixel uint32
}

// Softness comes in steps of 4 percent, so that a lift that changes needs few
// different blurs; a smaller difference cannot be seen.
var sigmaStep = math.Log(1.04)

// shadow is a blurred silhouette of a sprite. Blurring commutes with turning
// and even scaling, so it is done once, at the resolution at which the blur is
// a few pixels wide.
func (s *Stage) shadow(of *sprite, sigma float64, pixel uint32) *sprite {
	steps := int(math.Round(math.Log(max(sigma, 0.05)) / sigmaStep))
	key := shadowKey{of.key, of.perUnit, steps, pixel}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		sigma := math.Exp(float64(steps) * sigmaStep)
		n, per := 0, of.perUnit
		for n < len(of.Levels)-1 && sigma*per > 6 {
			n, per = n+1, per/2
		}
		margin := int(math.Ceil(3*sigma*per)) + 1
		mask := paint.AlphaMask(of.Levels[n], margin)
		mask.Blur(sigma * per)
		soft := mask.Coloured(pixel)
		return &sprite{paint.NewPyramid(soft), of.x0 - float64(margin)/per, of.y0 - float64(margin)/per, per, key}
	})
}
