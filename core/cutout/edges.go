package cutout

import "image"

// slopes are by how many levels each pixel differs from the next one to the right and
// from the one below, beyond what is free. They depend on a look alone, so they are worked
// out once.
type slopes struct {
	look        []colour
	free        float32
	right, down []float32
}

func (v *view) slopesOf(look []colour, free float32) *slopes {
	for _, s := range v.slopes {
		if s.free == free && &s.look[0] == &look[0] {
			return s
		}
	}
	s := &slopes{look, free, make([]float32, len(look)), make([]float32, len(look))}
	for i, c := range look {
		if (i+1)%v.w > 0 {
			s.right[i] = max(c.apart(look[i+1])-free, 0)
		}
		if i+v.w < len(look) {
			s.down[i] = max(c.apart(look[i+v.w])-free, 0)
		}
	}
	if len(v.slopes) > 3 {
		v.slopes = v.slopes[1:]
	}
	v.slopes = append(v.slopes, s)
	return s
}

// mostEdges is over how many levels of edges strokes speak.
const mostEdges = 45

// unreached is more than any way has of edges.
const unreached = 1e6

// edgesFrom is what there is of edges on the best way from some pixels to all others of a
// part of a view, in levels. What differs by no more than free from one pixel to the next is
// grain or changes slowly, and counts for nothing. Four sweeps find ways
// that bend a few times, which is enough for a stroke.
func edgesFrom(v *view, look []colour, free float32, from []int32, part image.Rectangle) []float32 {
	out := make([]float32, len(look))
	for i := range out {
		out[i] = unreached
	}
	for _, i := range from {
		out[i] = 0
	}
	s := v.slopesOf(look, free)
	for range 2 {
		for y := part.Min.Y; y < part.Max.Y; y++ {
			at := y * v.w
			if y > part.Min.Y {
				over(out[at:], out[at-v.w:], s.down[at-v.w:], part)
			}
			s.along(out, at, part)
		}
		for y := part.Max.Y - 1; y >= part.Min.Y; y-- {
			at := y * v.w
			if y < part.Max.Y-1 {
				over(out[at:], out[at+v.w:], s.down[at:], part)
			}
			s.along(out, at, part)
		}
	}
	return out
}

// over lets ways come into a row from the one beside it.
func over(row, beside, slope []float32, part image.Rectangle) {
	for x := part.Min.X; x < part.Max.X; x++ {
		if way := beside[x] + slope[x]; way < row[x] {
			row[x] = way
		}
	}
}

// along lets ways go along a row, to the right and back.
func (s *slopes) along(out []float32, at int, part image.Rectangle) {
	row, slope := out[at+part.Min.X:at+part.Max.X], s.right[at+part.Min.X:at+part.Max.X]
	way := float32(unreached)
	for x, v := range row {
		if way < v {
			row[x] = way
		} else {
			way = v
		}
		way += slope[x]
	}
	way = unreached
	for x := len(row) - 1; x >= 0; x-- {
		if way += slope[x]; way < row[x] {
			row[x] = way
		} else {
			way = row[x]
		}
	}
}
