package timing

import (
	"fmt"
	"math"
)

// Agree tells whether nine of ten beats of two lists, in seconds, lie within 70 ms of each other.
func Agree(a, b []float64) bool {
	met, k := 0, 0
	for _, t := range a {
		for k < len(b) && b[k] < t-0.07 {
			k++
		}
		if k < len(b) && b[k] <= t+0.07 {
			met, k = met+1, k+1
		}
	}
	return 2*met >= 9*(len(a)+len(b))/10
}

// paces are how fast one count goes by another, as a person says it.
var paces = [...]struct {
	by   float64
	says string
}{
	{0.5, "half as fast"}, {2, "twice as fast"}, {1.5, "half as fast again"}, {2.0 / 3, "a third slower"},
	{3, "three times as fast"}, {1.0 / 3, "a third as fast"}, {0.75, "a quarter slower"}, {4.0 / 3, "a third faster"},
	{0.25, "a quarter as fast"}, {4, "four times as fast"},
}

// Beside says in which way this counts otherwise than another map of the same sound; it is empty where both
// count alike.
func (t Tempo) Beside(o Tempo) string {
	r := t.BPM / o.BPM
	if math.Abs(r-1) < 0.03 {
		if t.liesOn(o) {
			return t.barsBeside(o)
		}
		return fmt.Sprintf("%.1f, %s", t.BPM, t.late(o))
	}
	for _, p := range paces {
		if math.Abs(r/p.by-1) < 0.03 {
			return fmt.Sprintf("%.1f, %s", t.BPM, p.says)
		}
	}
	return fmt.Sprintf("%.1f", t.BPM)
}

// liesOn tells whether nine of ten of the beats that are listed lie within 70 ms of one of another map.
func (t Tempo) liesOn(o Tempo) bool {
	met := 0
	for _, s := range t.Beats {
		if math.Abs(o.Seconds(math.Round(o.Beat(s)))-s) <= 0.07 {
			met++
		}
	}
	return 10*met >= 9*len(t.Beats)
}

// late says by how much of a beat the beats that are listed come after those of another map, as far as they agree
// in that.
func (t Tempo) late(o Tempo) string {
	var x, y float64
	for _, s := range t.Beats {
		angle := 2 * math.Pi * o.Beat(s)
		x, y = x+math.Cos(angle), y+math.Sin(angle)
	}
	share, agreed := math.Atan2(y, x)/(2*math.Pi), 0.7*float64(len(t.Beats))
	switch off := math.Abs(share); {
	case x*x+y*y < agreed*agreed:
		return "on other beats"
	case off > 0.42:
		return "half a beat later"
	case off > 0.25 && share > 0:
		return "a third of a beat later"
	case off > 0.25:
		return "a third of a beat earlier"
	case share > 0:
		return "a little later"
	}
	return "a little earlier"
}

// barsBeside says how the bars differ where the beats are the same.
func (t Tempo) barsBeside(o Tempo) string {
	switch {
	case len(t.Metres) > 0 && len(o.Metres) == 0:
		return fmt.Sprintf("%d in a bar, which changes", t.PerBar)
	case t.PerBar != o.PerBar || len(t.Metres) != len(o.Metres):
		return fmt.Sprintf("%d in a bar", t.PerBar)
	}
	off := o.Beat(t.Seconds(0)) // the first bar of this, in the beats of the other
	late := int(math.Round(off)) % t.PerBar
	if late < 0 {
		late += t.PerBar
	}
	way := "later"
	if late > t.PerBar/2 {
		late, way = t.PerBar-late, "earlier"
	}
	switch late {
	case 0:
		return ""
	case 1:
		return "bars a beat " + way
	}
	return fmt.Sprintf("bars %d beats %s", late, way)
}
