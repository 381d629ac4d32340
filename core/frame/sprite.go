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

func spriteBytes(s *sprite) int { return s.Bytes() }

type wordsKey struct {
	words         string
	size, width   float64
	pen           words.Pen
	rasterPerUnit float64 // 0 for the outlines
}

func (s *Stage) wordsKey(a *actor, w *clip.Words) wordsKey {
	var p *clip.Product
	if w.Product != "" {
		p = s.clip.Product(w.Product)
	}
	b, err := json.Marshal([]any{w, p})
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	// The width shrinks with the size, so that lines break alike in all shapes.
	return wordsKey{words: string(b), size: a.rest.Size, width: w.Width * a.rest.Size / a.layer.Rest.Size}
}

// block is the layer's set words.
func (s *Stage) block(a *actor) *words.Block {
	return s.blockOf(s.wordsKey(a, a.layer.Words), a.layer.Words)
}

func (s *Stage) blockOf(key wordsKey, w *clip.Words) *words.Block {
	size := func(*words.Block) int { return 1 << 16 }
	return cached(s.lib, key, size, func() *words.Block {
		return words.Set(s.lib.Fonts, w, s.clip.Product(w.Product), key.size, key.width)
	})
}

// sharpness is how many raster pixels words have for a pixel of the frame on
// each axis, so that they stay sharp while they drift by parts of a pixel.
const sharpness = 1.5

// picture is an actor's sprite on a frame, and how far it is slid within its
// own bounds.
func (s *Stage) picture(a *actor, frame float64) (*sprite, [2]float64) {
	if a.still {
		var slid [2]float64
		a.once.Do(func() {
			k, _ := s.lookAt(a, 0)
			a.sprite = s.sprite(a, k)
		})
		if a.base[reveal][0] < 100 {
			_, slid = s.lookAt(a, 0)
		}
		return a.sprite, slid
	}
	k, slid := s.lookAt(a, frame)
	return s.sprite(a, k), slid
}

// sprite makes a layer's picture with a look.
func (s *Stage) sprite(a *actor, k look) *sprite {
	sp := s.plain(a, k)
	if !k.edge.none() {
		sp = s.edged(a, sp, k.edge)
	}
	if a.layer.Kind == clip.KindCutout && k.pen.Width > 0 {
		sp = s.outlined(a, sp, k.pen.Width, paint.Premultiplied(k.colours[outlineColour-fillColour]))
	}
	if k.blur > 0 {
		sp = s.blurred(sp, k.blur)
	}
	return sp
}

// plain is the picture without edges and blur.
func (s *Stage) plain(a *actor, k look) *sprite {
	switch a.layer.Kind {
	case clip.KindCutout:
		prop := s.clip.Prop(a.layer.Cutout.Prop)
		v := prop.Picture.Visible
		per := float64(max(v[2]-v[0], v[3]-v[1])) / a.rest.Size
		cx, cy := float64(v[0]+v[2])/2, float64(v[1]+v[3])/2
		return &sprite{s.lib.Picture(prop.Hash), -cx / per, -cy / per, per, prop.Hash}
	case clip.KindBackdrop:
		return s.backdrop(a, k)
	case clip.KindCard:
		return s.card(a, k)
	}
	w := k.worded(a.layer.Words)
	key := s.wordsKey(a, w)
	key.pen = k.pen
	if k.pen.None() {
		key.pen = words.Pen{}
	}
	block := s.blockOf(wordsKey{words: key.words, size: key.size, width: key.width}, w)
	key.rasterPerUnit = s.raster(a, block.W, block.H)
	return cached(s.lib, key, spriteBytes, func() *sprite {
		b, x0, y0 := block.Raster(key.rasterPerUnit, key.pen, w.Outline)
		return &sprite{paint.NewPyramid(b), x0, y0, key.rasterPerUnit, key}
	})
}

// rasterPixels is the most that outlines are drawn with: more than a frame, of
// which the rest lies outside.
const rasterPixels = 6e6

// raster is the pixels a unit for outlines so large, in units.
func (s *Stage) raster(a *actor, w, h float64) float64 {
	w, h = max(w, 1), max(h, 1)
	return min(s.scale*sharpness*min(a.largest, 4), clip.MaxSide/max(w, h), math.Sqrt(max(rasterPixels, 2*float64(s.W*s.H))/(w*h)))
}

type backdropKey struct {
	stops string
	angle float64
	w, h  int
}

func (s *Stage) backdrop(a *actor, k look) *sprite {
	b := a.layer.Backdrop
	list := make([]paint.Stop, len(b.Stops))
	for i, st := range b.Stops {
		list[i] = paint.Stop{At: st.At / 100, Colour: k.colours[stopColour1-fillColour+i]}
	}
	text, err := json.Marshal(list)
	if err != nil {
		panic(err) // cannot happen to a valid clip
	}
	key := backdropKey{string(text), b.Angle, s.W, s.H}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		bm := paint.NewBitmap(s.W, s.H)
		paint.Gradient(bm, list, b.Angle)
		w, h := layout.Extent(s.shape)
		return &sprite{&paint.Pyramid{Levels: []*paint.Bitmap{bm}}, -w / 2, -h / 2, float64(s.W) / w, key}
	})
}

// needed is the level of a sprite at the resolution that the frame needs, no
// more, and its pixels a unit.
func (s *Stage) needed(a *actor, of *sprite) (level *paint.Bitmap, per float64) {
	n, per := 0, of.perUnit
	for n < len(of.Levels)-1 && per > 2*s.scale*sharpness*min(a.largest, 4) {
		n, per = n+1, per/2
	}
	return of.Levels[n], per
}

type edgeKey struct {
	of   any
	w, h float64
	edge edge
	per  float64
}

// edged is the part of a sprite within the layer's bounds less what is cut off.
func (s *Stage) edged(a *actor, of *sprite, e edge) *sprite {
	level, per := s.needed(a, of)
	key := edgeKey{of.key, a.w, a.h, e, per}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		left, top := (-a.w/2+e.cut[0]*a.w-of.x0)*per, (-a.h/2+e.cut[1]*a.h-of.y0)*per
		right, bottom := (a.w/2-e.cut[2]*a.w-of.x0)*per, (a.h/2-e.cut[3]*a.h-of.y0)*per
		b, x, y := level.Trimmed(left, top, right, bottom, e.corner*per)
		return &sprite{paint.NewPyramid(b), of.x0 + float64(x)/per, of.y0 + float64(y)/per, per, key}
	})
}

type distancesKey struct {
	of     any
	per    float64
	margin int
}

type outlineKey struct {
	of    any
	per   float64
	width float64
	pixel uint32
}

// outlineMargin is by how many pixels the room for an outline grows at once, so
// that one that widens needs few different rooms.
const outlineMargin = 32

// outlined is a sprite with an outline so many units wide around it.
func (s *Stage) outlined(a *actor, of *sprite, width float64, pixel uint32) *sprite {
	level, per := s.needed(a, of)
	width = math.Round(width*per*16) / 16 // pixels; finer steps cannot be seen
	margin := (int(width)/outlineMargin + 1) * outlineMargin
	key := outlineKey{of.key, per, width, pixel}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		size := func(d *paint.Distances) int { return 4 * d.W * d.H }
		d := cached(s.lib, distancesKey{of.key, per, margin}, size, func() *paint.Distances {
			return paint.DistancesAround(level, margin)
		})
		b := d.Outlined(level, width, pixel)
		return &sprite{paint.NewPyramid(b), of.x0 - float64(margin)/per, of.y0 - float64(margin)/per, per, key}
	})
}

type blurKey struct {
	of    any
	per   float64
	steps int // sigma as a power of sigmaStep
}

// Softness comes in steps of 4 percent, so that one that changes needs few
// different blurs; a smaller difference cannot be seen.
var sigmaStep = math.Log(1.04)

func stepsOf(sigma float64) int { return int(math.Round(math.Log(max(sigma, 0.05)) / sigmaStep)) }

// softened picks the level of a sprite at which a blur is a few pixels wide.
func softened(of *sprite, steps int) (level *paint.Bitmap, per, sigma float64) {
	sigma = math.Exp(float64(steps) * sigmaStep)
	n, per := 0, of.perUnit
	for n < len(of.Levels)-1 && sigma*per > 6 {
		n, per = n+1, per/2
	}
	return of.Levels[n], per, sigma * per
}

// blurred is a sprite out of focus.
func (s *Stage) blurred(of *sprite, sigma float64) *sprite {
	key := blurKey{of.key, of.perUnit, stepsOf(sigma)}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		level, per, sigma := softened(of, key.steps)
		margin := int(math.Ceil(3*sigma)) + 1
		b := level.Blurred(sigma, margin)
		return &sprite{paint.NewPyramid(b), of.x0 - float64(margin)/per, of.y0 - float64(margin)/per, per, key}
	})
}

type shadowKey struct {
	blurKey
	pixel uint32
}

// shadow is a blurred silhouette of a sprite. Blurring commutes with turning
// and even scaling, so it is done once for a whole motion.
func (s *Stage) shadow(of *sprite, sigma float64, pixel uint32) *sprite {
	key := shadowKey{blurKey{of.key, of.perUnit, stepsOf(sigma)}, pixel}
	return cached(s.lib, key, spriteBytes, func() *sprite {
		level, per, sigma := softened(of, key.steps)
		margin := int(math.Ceil(3*sigma)) + 1
		mask := paint.AlphaMask(level, margin)
		mask.Blur(sigma)
		return &sprite{paint.NewPyramid(mask.Coloured(pixel)), of.x0 - float64(margin)/per, of.y0 - float64(margin)/per, per, key}
	})
}
