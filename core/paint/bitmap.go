// Package paint works on pixels: transforms, blending, blur, gradients and the
// conversion to video.
//
// Pixels are premultiplied sRGB with 8 bits a channel in one uint32, red in the
// lowest byte, alpha in the highest. Pixel (x, y) covers the unit square whose
// upper left corner is (x, y).
package paint

import (
	"encoding/binary"
	"image"
	"unsafe"

	"billow/core/colour"
)

// Bitmap is a picture in memory.
type Bitmap struct {
	W, H int
	Pix  []uint32 // W*H, row by row from the top
}

// NewBitmap is a transparent bitmap.
func NewBitmap(w, h int) *Bitmap { return &Bitmap{w, h, make([]uint32, w*h)} }

// Bytes is the same memory as bytes R, G, B, A. All machines that Billow runs
// on (amd64, arm64, WebAssembly) are little endian.
func (b *Bitmap) Bytes() []byte {
	if len(b.Pix) == 0 {
		return nil
	}
	return unsafe.Slice((*byte)(unsafe.Pointer(&b.Pix[0])), 4*len(b.Pix))
}

// Image is the bitmap as a standard image, sharing its memory.
func (b *Bitmap) Image() *image.RGBA {
	return &image.RGBA{Pix: b.Bytes(), Stride: 4 * b.W, Rect: image.Rect(0, 0, b.W, b.H)}
}

// Restore gives a part of the bitmap the pixels of another one of its size.
func (b *Bitmap) Restore(from *Bitmap, part image.Rectangle) {
	part = part.Intersect(image.Rect(0, 0, b.W, b.H))
	for y := part.Min.Y; y < part.Max.Y; y++ {
		copy(b.Pix[y*b.W+part.Min.X:y*b.W+part.Max.X], from.Pix[y*b.W+part.Min.X:])
	}
}

// Put copies another bitmap so that its corner lies at (x, y), as far as there is room.
func (b *Bitmap) Put(o *Bitmap, x, y int) {
	x0, x1 := max(x, 0), min(x+o.W, b.W)
	if x0 >= x1 {
		return
	}
	for row := max(y, 0); row < min(y+o.H, b.H); row++ {
		copy(b.Pix[row*b.W+x0:row*b.W+x1], o.Pix[(row-y)*o.W+x0-x:])
	}
}

// Continue fills the bitmap with another one whose corner lies at (x, y), and what is beyond that with
// what is nearest in it.
func (b *Bitmap) Continue(o *Bitmap, x, y int) {
	if len(o.Pix) == 0 {
		return
	}
	for row := range b.H {
		from := o.Pix[min(max(row-y, 0), o.H-1)*o.W:][:o.W]
		to := b.Pix[row*b.W:][:b.W]
		x0, x1 := min(max(x, 0), b.W), min(max(x+o.W, 0), b.W)
		if x0 < x1 {
			copy(to[x0:x1], from[x0-x:])
		}
		for i := range x0 {
			to[i] = from[0]
		}
		for i := max(x1, 0); i < b.W; i++ {
			to[i] = from[o.W-1]
		}
	}
}

// Fill sets every pixel.
func (b *Bitmap) Fill(p uint32) {
	for i := range b.Pix {
		b.Pix[i] = p
	}
}

// Premultiplied is the pixel of a colour.
func Premultiplied(c colour.Colour) uint32 {
	a := uint32(c.A)
	mul := func(v uint8) uint32 { return (uint32(v)*a + 127) / 255 }
	return mul(c.R) | mul(c.G)<<8 | mul(c.B)<<16 | a<<24
}

// premultiplied is the pixel of a colour as image.NRGBA has it: Premultiplied for all channels at once.
func premultiplied(p uint32) uint32 {
	switch a := p >> 24; a {
	case 0:
		return 0
	case 255:
		return p
	default:
		// What fills a lane is v*a + 127 = t at most 65152, of which the 255th part is (t + 1 + t/256)/256.
		t := (spread(p)&(1<<48-1))*uint64(a) + 127*lanes
		return packed((t+lanes+(t>>8)&byteLanes)>>8&byteLanes)&0xFFFFFF | a<<24
	}
}

// FromImage converts a decoded picture.
func FromImage(m image.Image) *Bitmap {
	r := m.Bounds()
	b := NewBitmap(r.Dx(), r.Dy())
	switch m := m.(type) {
	case *image.NRGBA:
		for y := range b.H {
			row := m.Pix[y*m.Stride : y*m.Stride+4*b.W]
			to := b.Pix[y*b.W:][:b.W]
			for x := range to {
				to[x] = premultiplied(binary.LittleEndian.Uint32(row[4*x:]))
			}
		}
	case *image.YCbCr:
		for y := range b.H {
			for x := range b.W {
				c := m.YCbCrAt(r.Min.X+x, r.Min.Y+y)
				cr, cg, cb, _ := c.RGBA()
				b.Pix[y*b.W+x] = cr>>8 | cg>>8<<8 | cb>>8<<16 | 0xFF000000
			}
		}
	default:
		for y := range b.H {
			for x := range b.W {
				cr, cg, cb, ca := m.At(r.Min.X+x, r.Min.Y+y).RGBA()
				b.Pix[y*b.W+x] = cr>>8 | cg>>8<<8 | cb>>8<<16 | ca>>8<<24
			}
		}
	}
	return b
}

// Visible is the bounds of all pixels with an alpha of at least 8 (3 percent,
// below which dust of a cut-out is not seen): x0, y0, x1, y1. ok is false when
// there are none.
func (b *Bitmap) Visible() (v [4]int, ok bool) {
	const least = 8 << 24
	v = [4]int{b.W, b.H, 0, 0}
	for y := range b.H {
		row := b.Pix[y*b.W : (y+1)*b.W]
		for x, p := range row {
			if p >= least {
				v[0], v[1] = min(v[0], x), min(v[1], y)
				v[2], v[3] = max(v[2], x+1), max(v[3], y+1)
			}
		}
	}
	return v, v[2] > 0
}

// Area is how much of the visible bounds is covered, 0..1, by the mean of alpha.
func (b *Bitmap) Area(v [4]int) float64 {
	sum := uint64(0)
	for y := v[1]; y < v[3]; y++ {
		for _, p := range b.Pix[y*b.W+v[0] : y*b.W+v[2]] {
			sum += uint64(p >> 24)
		}
	}
	return float64(sum) / 255 / float64((v[2]-v[0])*(v[3]-v[1]))
}

// halved is half as large, each pixel the mean of the four that it covers: it
// rings nowhere, as what is blurred afterwards must not. It covers odd sides too: the last column or row then counts what lies
// beyond as transparent, so that level n pixel i always covers i*2^n onwards.
func halved(b *Bitmap) *Bitmap {
	out := NewBitmap((b.W+1)/2, (b.H+1)/2)
	for y := range out.H {
		top := b.Pix[2*y*b.W : (2*y+1)*b.W]
		var low []uint32
		if 2*y+1 < b.H {
			low = b.Pix[(2*y+1)*b.W : (2*y+2)*b.W]
		}
		for x := range out.W {
			sum := spread(top[2*x])
			if low != nil {
				sum += spread(low[2*x])
			}
			if 2*x+1 < b.W {
				sum += spread(top[2*x+1])
				if low != nil {
					sum += spread(low[2*x+1])
				}
			}
			out.Pix[y*out.W+x] = packed((sum + 2*lanes) >> 2 & byteLanes)
		}
	}
	return out
}

// A pixel's four channels spread over the four 16-bit lanes of a uint64 can be
// added and multiplied at once: red, blue, green, alpha from the lowest.
const (
	lanes     = 0x0001000100010001
	byteLanes = 0x00FF00FF00FF00FF
)

func spread(p uint32) uint64 {
	return uint64(p&0x00FF00FF) | uint64(p&0xFF00FF00)<<24
}

func packed(v uint64) uint32 {
	return uint32(v)&0x00FF00FF | uint32(v>>24)&0xFF00FF00
}

// Wrapped is the bitmap with a margin in which it goes on from its other side.
func (b *Bitmap) Wrapped(margin int) *Bitmap {
	out := NewBitmap(b.W+2*margin, b.H+2*margin)
	around := func(v, n int) int { return ((v-margin)%n + n) % n }
	for y := range out.H {
		from := b.Pix[around(y, b.H)*b.W:][:b.W]
		to := out.Pix[y*out.W:][:out.W]
		for x := range to {
			to[x] = from[around(x, b.W)]
		}
	}
	return out
}

// Tinted is the bitmap with a share of the colours of a pixel instead of its own: hue and
// saturation, while light and dark stay, as the blend mode "color" of W3C Compositing has it.
func (b *Bitmap) Tinted(by uint32, share float64) *Bitmap {
	out := NewBitmap(b.W, b.H)
	alpha := uint32(min(max(share, 0), 1)*256 + 0.5)
	over := make([]uint32, b.W)
	for y := range b.H {
		row := out.Pix[y*b.W:][:b.W]
		copy(row, b.Pix[y*b.W:])
		for x, p := range row {
			over[x] = faded(by, uint8(p>>24))
		}
		blendRow(row, over, alpha, BlendNamed("color"))
		for x, p := range b.Pix[y*b.W:][:b.W] {
			if a, now := p>>24, row[x]>>24; now > a {
				row[x] = faded(row[x], uint8((a*255+now/2)/now)) // no more of it than there was
			}
		}
	}
	return out
}
