package effect

import (
	"billow/core/paint"
	"billow/core/property"
)

// Curves bend the levels of all channels, and of each by itself: a curve goes through black, white
// and four points at 20, 40, 60 and 80 percent, each so many percent higher or lower than it would
// lie. Between its points it is a monotone cubic (F. N. Fritsch and R. E. Carlson, "Monotone Piecewise
// Cubic Interpolation", 1980): nothing overshoots.
var Curves = Effect{
	Name: "curves", Title: "Curves", Group: Colours, Says: "So much higher at each level", Begin: []float64{-5, -2.5, 5, 5},
	Properties: []property.Property{
		curve("curve", "Curve"), curve("curveRed", "Curve of red"), curve("curveGreen", "Curve of green"), curve("curveBlue", "Curve of blue"),
	},
	Draw: func(w Work, v Values) *paint.Sheet {
		all := bent(v[0])
		own := [3]func(float64) float64{bent(v[1]), bent(v[2]), bent(v[3])}
		return toned(w, every(func(c int, at float64) float64 { return own[c](min(max(all(at), 0), 1)) }))
	},
}

func curve(name, title string) property.Property {
	return property.Property{Name: name, Dims: 4, Min: -50, Max: 50, Title: title, Unit: "%", Parts: []string{"at 20%", "at 40%", "at 60%", "at 80%"}}
}

// bent is a curve through its points.
func bent(by [4]float64) func(float64) float64 {
	const n = 6
	var y [n]float64
	for i := range n {
		y[i] = float64(i) / (n - 1)
		if i > 0 && i < n-1 {
			y[i] = min(max(y[i]+by[i-1]/100, 0), 1)
		}
	}
	const step = 1.0 / (n - 1)
	var d, m [n]float64 // slopes between points, and at them
	for i := range n - 1 {
		d[i] = (y[i+1] - y[i]) / step
	}
	m[0], m[n-1] = d[0], d[n-2]
	for i := 1; i < n-1; i++ {
		if d[i-1]*d[i] > 0 {
			m[i] = 2 * d[i-1] * d[i] / (d[i-1] + d[i]) // never steeper than is monotone
		}
	}
	return func(at float64) float64 {
		i := min(int(at/step), n-2)
		t := at/step - float64(i)
		return y[i]*(1+2*t)*(1-t)*(1-t) + m[i]*step*t*(1-t)*(1-t) + y[i+1]*t*t*(3-2*t) + m[i+1]*step*t*t*(t-1)
	}
}
