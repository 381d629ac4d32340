package paint

// Sheet is a picture that lies somewhere in a space: a layer's own, in units
// about its centre, or the frame's, in pixels. The upper left corner of its
// first pixel lies at (X/Per, Y/Per).
type Sheet struct {
	Pyramid
	X, Y float64 // pixels of the largest level
	Per  float64 // pixels of the largest level a unit of the space
}

// NewSheet is a bitmap as a sheet without smaller copies.
func NewSheet(b *Bitmap, x, y, per float64) *Sheet {
	return &Sheet{Pyramid{Picture: b}, x, y, per}
}

// Matrix maps pixels of the largest level to the space.
func (s *Sheet) Matrix() Affine {
	k := 1 / s.Per
	return Affine{A: k, D: k, E: s.X * k, F: s.Y * k}
}

// Coarser is the sheet at half the detail, for being blurred.
func (s *Sheet) Coarser() *Sheet { return s.half(Pyramid{Picture: halved(s.Picture)}) }

func (s *Sheet) half(p Pyramid) *Sheet { return &Sheet{p, s.X / 2, s.Y / 2, s.Per / 2} }

// Reduced is the sheet at the least detail that still has so many pixels a unit,
// or at the detail that it has; 0 asks for all of it.
func (s *Sheet) Reduced(per float64) *Sheet {
	for per > 0 && s.Per > 2*per && len(s.octaves) > 0 {
		s = s.half(s.coarser())
	}
	return s
}

// WithCopies is the sheet with all smaller copies.
func (s *Sheet) WithCopies() *Sheet {
	if len(s.octaves) == 0 {
		s.Pyramid = *NewPyramid(s.Picture)
	}
	return s
}
