package edit

import "billow/core/clip"

// An OtherCount is another way to count a clip's tune than the one that it has.
type OtherCount struct {
	Other int    `json:"other"` // as setTempo takes it
	Says  string `json:"says"`  // how it differs
}

// OtherCounts are the ways in which a clip's tune was heard that count otherwise than it is counted now, the
// likeliest first.
func OtherCounts(c *clip.Clip) []OtherCount {
	out, n := []OtherCount{}, countOf(c)
	for i, t := range n.heard() {
		if says := t.Beside(n.Tempo); says != "" {
			out = append(out, OtherCount{i - 1, says})
		}
	}
	return out
}
