package engine

import "billow/core/clip"

// Coursing is how footage runs in a layer, worked out.
type Coursing struct {
	Speed float64 `json:"speed"` // percent
	Lasts float64 `json:"lasts"` // seconds of the clip in which it runs through once
	Beats float64 `json:"beats"` // that these are
	Now   float64 `json:"now"`   // the second of the footage that shows on a frame
}

// CourseAsked asks how footage runs in a layer.
type CourseAsked struct {
	Layer string `json:"layer"`
	Frame int    `json:"frame"`
}

// course says how footage runs.
func course(e *Engine, in CourseAsked) (out Coursing, err error) {
	if e.shown == nil {
		return out, errClosed
	}
	l := e.shown.Layer(in.Layer)
	if l == nil || l.Cutout == nil {
		return out, clip.Fault("layer", "the layer shows no footage")
	}
	p := e.shown.PictureOf(l)
	if p == nil || p.Footage == nil {
		return out, clip.Fault("layer", "the layer shows no footage")
	}
	clock, from, _ := e.shown.Timed(l)
	c := clip.CourseOf(l.Cutout.Runs, p.Footage.Seconds, clock, from)
	spots, _ := c.At(clock.Rate.Seconds(in.Frame - from))
	begins := clock.Rate.Seconds(from)
	return Coursing{
		Speed: 100 * c.Speed(), Lasts: c.Lasts(), Now: spots[0].Seconds,
		Beats: clock.Tempo.Beat(begins+c.Lasts()) - clock.Tempo.Beat(begins),
	}, nil
}
