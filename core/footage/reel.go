package footage

import (
	"fmt"
	"sync"

	"billow/core/jpeg"
	"billow/core/paint"
)

// Read reads so many bytes of a file from a place on.
type Read func(at int64, n int) ([]byte, error)

// Reel gives the pictures of a film, which it reads when they are asked for. It keeps the last ones,
// and is safe for concurrent use.
type Reel struct {
	Film
	read Read

	mu       sync.Mutex
	kept     []kept // the most recently used last
	bytes    int
	decoders []*jpeg.Decoder
}

// kept is a picture that was decoded.
type kept struct {
	frame, eighths int // of the whole; up to 4 may be of the half
	picture        *paint.Pyramid
}

// KeptBytes is how much a reel keeps of what it has decoded.
const KeptBytes = 24 << 20

// NewReel makes a reel of a film and what reads its file.
func NewReel(f *Film, read Read) *Reel { return &Reel{Film: *f, read: read} }

// Picture is a frame with a share, up to 1, of its detail or a little more, and the size of a side
// as a share of the whole's.
func (r *Reel) Picture(frame int, share float64) (*paint.Pyramid, float64, error) {
	eighths, of, matte, whole := jpeg.Detail(share), r.colours, r.matte, 1.0
	if r.half != nil && share <= 0.5 {
		eighths, of, matte, whole = jpeg.Detail(2*share), r.half, r.halfMatte, 0.5
	}
	k := whole * float64(eighths) / 8
	key := int(16 * k)
	r.mu.Lock()
	for i, p := range r.kept {
		if p.frame == frame && p.eighths == key {
			copy(r.kept[i:], r.kept[i+1:])
			r.kept[len(r.kept)-1] = p
			r.mu.Unlock()
			return p.picture, k, nil
		}
	}
	d := &jpeg.Decoder{}
	if n := len(r.decoders); n > 0 {
		d, r.decoders = r.decoders[n-1], r.decoders[:n-1]
	}
	r.mu.Unlock()
	b, err := r.decode(d, frame, eighths, of, matte)
	r.mu.Lock()
	defer r.mu.Unlock()
	r.decoders = append(r.decoders, d)
	if err != nil {
		return nil, 0, fmt.Errorf("frame %d of the footage: %w", frame, err)
	}
	p := paint.NewPyramid(b)
	r.kept = append(r.kept, kept{frame, key, p})
	for r.bytes += 4 * len(b.Pix); r.bytes > KeptBytes && len(r.kept) > 1; r.kept = r.kept[1:] {
		r.bytes -= 4 * len(r.kept[0].picture.Picture.Pix)
		r.kept[0] = kept{}
	}
	return p, k, nil
}

func (r *Reel) decode(d *jpeg.Decoder, frame, eighths int, of, matte *track) (*paint.Bitmap, error) {
	in, err := r.read(of.at[frame], int(of.size[frame]))
	if err != nil {
		return nil, err
	}
	b := &paint.Bitmap{}
	if err := d.Colours(in, eighths, b); err != nil || matte == nil {
		return b, err
	}
	if in, err = r.read(matte.at[frame], int(matte.size[frame])); err != nil {
		return nil, err
	}
	return b, d.Alpha(in, eighths, b)
}

// Halved is never.
func (r *Reel) Halved() int { return 0 }

// Matte is the opacity of a frame alone at an eighth of its size, for measuring it.
func (r *Reel) Matte(frame int) (*paint.Bitmap, error) {
	of := r.matte
	if r.halfMatte != nil {
		of = r.halfMatte
	}
	in, err := r.read(of.at[frame], int(of.size[frame]))
	if err != nil {
		return nil, err
	}
	var d jpeg.Decoder
	b := &paint.Bitmap{}
	return b, d.Colours(in, 1, b)
}

// Coded is the JPEG of a frame's colours, without what a matte leaves out of them.
func (r *Reel) Coded(frame int) ([]byte, error) {
	return r.read(r.colours.at[frame], int(r.colours.size[frame]))
}
