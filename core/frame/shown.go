package frame

import (
	"math"

	"billow/core/clip"
	"billow/core/graph"
	"billow/core/paint"
)

// shown is what a layer shows of its prop on a frame, with a share of its detail at least: the
// picture, what it depends on, and how many of its pixels lie on one of the file, on each axis. The
// time of what moves begins with the layer.
func (s *Stage) shown(a *actor, at, detail float64) (*paint.Pyramid, graph.Key, float64) {
	source := s.lib.Source(a.prop.Hash)
	key := graph.Key{}.Text(a.prop.Hash)
	m, moves := source.(Moving)
	if !moves || a.prop.Footage == nil {
		return s.still(source, 0, detail, key)
	}
	parts := blend(m, a.course, a.layer.Cutout.Running(), (at-float64(a.from))/float64(s.clip.Rate))
	if len(parts) == 1 {
		return s.still(source, parts[0].number, detail, key)
	}
	for _, p := range parts {
		key = key.Word(uint64(p.number)).Word(uint64(p.share))
	}
	first, own, k := s.still(source, parts[0].number, detail, key)
	return cached(s.lib, own.Text("mixed"), (*paint.Pyramid).Bytes, func() *paint.Pyramid {
		b := paint.NewBitmap(first.Picture.W, first.Picture.H)
		copy(b.Pix, first.Picture.Pix)
		for i, sum := 1, parts[0].share; i < len(parts); i++ {
			picture, _, _ := s.still(source, parts[i].number, detail, key)
			sum += parts[i].share
			if picture.Picture.W == b.W && picture.Picture.H == b.H { // else it could not be read
				b.MixIn(picture.Picture, float64(parts[i].share)/float64(sum))
			}
		}
		return paint.NewPyramid(b)
	}), own, k
}

// still is one picture of a source. One that cannot be read is noted, and shows nothing.
func (s *Stage) still(source Source, number int, detail float64, key graph.Key) (*paint.Pyramid, graph.Key, float64) {
	picture, k, err := source.Picture(number, min(max(detail, 0), 1))
	if err != nil {
		// Nothing that is made of it may be taken for what it should be.
		key = key.Text("not read").Word(uint64(s.lib.fail(err)))
		picture, k = paint.NewPyramid(paint.NewBitmap(1, 1)), 1
	}
	return picture, key.Word(uint64(number)).Nums(k), k
}

// ingredient is a picture of footage and its share, in 256ths.
type ingredient struct {
	number int
	share  int
}

// blend is the pictures of which one is mixed so many seconds after a layer's beginning.
func blend(m Moving, c clip.Course, r clip.Running, seconds float64) []ingredient {
	spots, n := c.At(seconds)
	var out []ingredient
	add := func(number int, share float64) {
		number = min(max(number, 0), m.Frames()-1)
		for i := range out {
			if out[i].number == number {
				out[i].share += int(math.Round(256 * share))
				return
			}
		}
		if w := int(math.Round(256 * share)); w > 0 {
			out = append(out, ingredient{number, w})
		}
	}
	for _, spot := range spots[:n] {
		at := spot.Seconds
		if spot.Before {
			at -= 2 * early
		}
		number := m.At(at)
		if !r.Blended {
			add(number, spot.Share)
			continue
		}
		// A picture is meant as a whole in the middle of its time.
		begins, ends := m.Begins(number), m.Begins(number+1)
		share := (spot.Seconds - begins) / max(ends-begins, 1e-6)
		share = math.Round(16*min(max(share, 0), 1)) / 16 // finer steps cannot be seen, and each is kept
		add(number, spot.Share*(1-share))
		add(number+1, spot.Share*share)
	}
	if len(out) == 0 { // of shares too small to count
		add(m.At(spots[0].Seconds), 1)
	}
	return out
}

// early is by how many seconds a time may be too early for a picture and still mean it, in
// footage as it is kept.
const early = 0.0005
