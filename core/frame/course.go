package frame

import (
	"billow/core/clip"
	"billow/core/paint"
)

// course is a path through n points in percent of a width and a height, each with where the
// curves to it (the first two numbers) and from it are bent, as seen from it.
func course(closed bool, n int, w, h float64, point func(i int) (at, bend [4]float64)) paint.Path {
	type node struct{ at, in, out [2]float64 }
	nodes := make([]node, n, n+1)
	x, y := w/100, h/100
	for i := range nodes {
		at, bend := point(i)
		p := &nodes[i]
		p.at = [2]float64{at[0] * x, at[1] * y}
		p.in = [2]float64{p.at[0] + bend[0]*x, p.at[1] + bend[1]*y}
		p.out = [2]float64{p.at[0] + bend[2]*x, p.at[1] + bend[3]*y}
	}
	begin := byte('O')
	if closed {
		begin = 'M'
		nodes = append(nodes, nodes[0])
	}
	path := paint.Path{{Op: begin, P: [3][2]float64{nodes[0].at}}}
	for i, to := range nodes[1:] {
		path = append(path, paint.Segment{Op: 'C', P: [3][2]float64{nodes[i].out, to.in, to.at}})
	}
	return path
}

// maskCourse is what a mask that is drawn covers when it is so wide and high; whether it is
// joined or not, its inside counts.
func maskCourse(d *clip.DrawnPath, w, h float64) paint.Path {
	return course(true, len(d.Points), w, h, func(i int) (at, bend [4]float64) {
		p := d.Points[i]
		return [4]float64{p.X, p.Y}, [4]float64{p.In[0], p.In[1], p.Out[0], p.Out[1]}
	})
}
