package frame

import (
	"billow/core/clip"
	"billow/core/paint"
)

// course is a path through points in percent of a width and a height. bent tells where each
// is and where the curves to it (the first two numbers) and from it are bent, as seen from it.
func course(d *clip.DrawnPath, closed bool, w, h float64, bent func(p *clip.PathPoint) (at, bend [4]float64)) paint.Path {
	x, y := w/100, h/100
	path := make(paint.Path, 0, len(d.Points)+1)
	var begin, out, firstIn [2]float64 // of the contour; where the last point's curve is bent
	to := func(in, place [2]float64) {
		if in == place && out == path[len(path)-1].End() {
			path = append(path, paint.Segment{Op: 'L', P: [3][2]float64{place}})
			return
		}
		path = append(path, paint.Segment{Op: 'C', P: [3][2]float64{out, in, place}})
	}
	end := func() {
		if closed && len(path) > 0 && (firstIn != begin || out != path[len(path)-1].End()) {
			to(firstIn, begin)
		}
	}
	for i := range d.Points {
		p := &d.Points[i]
		at, bend := bent(p)
		place := [2]float64{at[0] * x, at[1] * y}
		in := [2]float64{place[0] + bend[0]*x, place[1] + bend[1]*y}
		if i == 0 || p.Begins {
			end()
			op := byte('O')
			if closed {
				op = 'M'
			}
			path = append(path, paint.Segment{Op: op, P: [3][2]float64{place}})
			begin, firstIn = place, in
		} else {
			to(in, place)
		}
		out = [2]float64{place[0] + bend[2]*x, place[1] + bend[3]*y}
	}
	end()
	return path
}

// resting is where a point of a path is without keys.
func resting(p *clip.PathPoint) (at, bend [4]float64) {
	return [4]float64{p.X, p.Y}, [4]float64{p.In[0], p.In[1], p.Out[0], p.Out[1]}
}

// maskCourse is what a mask that is drawn covers when it is so wide and high; whether it is
// joined or not, its inside counts.
func maskCourse(d *clip.DrawnPath, w, h float64) paint.Path { return course(d, true, w, h, resting) }
