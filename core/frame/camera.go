package frame

import "billow/core/paint"

// camera looks at the clip from in front of the picture plane. Depths are
// measured from that plane away from it; what lies in groups is as deep as they
// and it are together. It stands still for now.
type camera struct {
	x, y float64 // where it is, units from the frame's centre
	away float64 // from the picture plane, units
}

// eye is how far in front of the picture plane it is looked at from, in units.
const eye = 1000

// cameraAt is the camera on a frame of the clip.
func (s *Stage) cameraAt(float64) camera { return camera{away: eye} }

// sees maps a plane at a depth to the picture plane, once all groups have put
// what is on it in its place; near is how much larger it is seen.
func (c camera) sees(depth float64) (m paint.Affine, near float64) {
	if depth == 0 && c == (camera{away: eye}) {
		return paint.Identity(), 1
	}
	near = eye / (c.away + depth)
	return paint.Translate(-c.x, -c.y).Then(paint.Scale(near, near)), near
}
