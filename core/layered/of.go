package layered

import (
	"bytes"
	"image"
	"image/png"

	"billow/core/clip"
	"billow/core/frame"
	"billow/core/paint"

	"golang.org/x/image/draw"
)

// Of draws a group or a scene of a clip, or all of it when group is "", as a layered picture
// of so many pixels on a frame: each layer by itself with its shadow, and groups that do
// nothing to what is in them as stacks. What is hidden, or not there on this frame, is left
// out. merged is what it looks like as a whole.
func Of(c *clip.Clip, s *frame.Stage, group string, n, w, h int) (p *Picture, merged *paint.Bitmap, err error) {
	t := &taker{clip: c, stage: s, frame: n, canvas: paint.NewBitmap(w, h)}
	p = &Picture{W: w, H: h}
	if p.Layers, err = t.inside(group); err != nil {
		return nil, nil, err
	}
	if len(p.Layers) == 0 {
		return nil, nil, clip.Fault("layer", "nothing of it is to be seen on this frame")
	}
	merged = paint.NewBitmap(w, h)
	if group == "" {
		s.Painter().Draw(merged, n)
	} else {
		s.Shaded(merged, group, n)
	}
	return p, merged, nil
}

type taker struct {
	clip   *clip.Clip
	stage  *frame.Stage
	frame  int
	canvas *paint.Bitmap
}

// inside are the layers in a group, the lowest first.
func (t *taker) inside(group string) (out []Layer, err error) {
	for i := range t.clip.Layers {
		l := &t.clip.Layers[i]
		if l.Group != group || l.Hidden {
			continue
		}
		made := Layer{Name: l.Name, Opacity: 1, Blend: l.Blend}
		if stacked(l) {
			made.Group = true
			if made.Stack, err = t.inside(l.ID); err != nil {
				return nil, err
			}
			if len(made.Stack) == 0 {
				continue
			}
		} else {
			t.stage.Shaded(t.canvas, l.ID, t.frame)
			v, any := t.canvas.Visible()
			if !any {
				continue
			}
			part := paint.NewBitmap(v[2]-v[0], v[3]-v[1])
			part.Put(t.canvas, -v[0], -v[1])
			made.X, made.Y = v[0], v[1]
			if made.PNG, err = pngOf(part.Image()); err != nil {
				return nil, err
			}
		}
		out = append(out, made)
	}
	return out, nil
}

// stacked tells whether a layer is nothing but what is in it.
func stacked(l *clip.Layer) bool {
	if !l.Is().Holds || l.Lift != 0 || l.Shadow != nil || len(l.Masks) > 0 || l.Repeat != nil || l.Table != "" {
		return false
	}
	if l.Inside != nil && l.Inside.Clip != "" {
		return false
	}
	for name := range l.Values {
		if !placing[name] {
			return false
		}
	}
	for name := range l.Tracks {
		if !placing[name] {
			return false
		}
	}
	return true
}

// placing are properties of a group that say where what is in it lies and when, which each
// layer shows by itself.
var placing = map[string]bool{
	clip.Position: true, clip.Scale: true, clip.Rotation: true, clip.Pivot: true, clip.Time: true,
}

func pngOf(m image.Image) ([]byte, error) {
	var out bytes.Buffer
	err := png.Encode(&out, m)
	return out.Bytes(), err
}

// Encode writes a layered picture as a file.
func Encode(p *Picture, merged *paint.Bitmap) ([]byte, error) {
	whole := merged.Image()
	full, err := pngOf(whole)
	if err != nil {
		return nil, err
	}
	const side = 256
	k := min(1, side/float64(max(merged.W, merged.H)))
	small := image.NewRGBA(image.Rect(0, 0, max(1, int(float64(merged.W)*k)), max(1, int(float64(merged.H)*k))))
	draw.CatmullRom.Scale(small, small.Rect, whole, whole.Bounds(), draw.Src, nil)
	thumbnail, err := pngOf(small)
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	err = Write(&out, p, full, thumbnail)
	return out.Bytes(), err
}
