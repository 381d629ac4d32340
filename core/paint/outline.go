package paint

// solid is the alpha from which on a pixel belongs to a picture for its
// outline: thin glass does, the soft foot of an edge does not.
const solid = 20

// seam is how far into a picture, in pixels, its outline reaches below what is
// not quite opaque, so that nothing shines through between them.
const seam = 2

// Outlined is a picture with a margin and with an outline of a width in pixels, less than that
// margin, around all that is visible of it, holes included. d has its distances.
func (d *Distances) Outlined(b *Bitmap, width float64, pixel uint32, pool *Pool) *Bitmap {
	out := pool.Any(d.W, d.H)
	reach := float32(width) + 0.5
	for y := range d.H {
		row, in := out.Pix[y*d.W:][:d.W], b.row(y-d.margin)
		for x, far := range d.far[y*d.W:][:d.W] {
			p := uint32(0)
			if at := x - d.margin; uint(at) < uint(len(in)) {
				p = in[at]
			}
			if cover := reach - far; cover > 0 && p>>24 < 255 {
				p = over(faded(pixel, uint8(min(cover, 1)*255+0.5)), p)
			}
			row[x] = p
		}
	}
	return out
}
