package timing

import (
	"fmt"
	"strconv"
	"strings"

	"billow/core/scan"
)

// Reading is what a time is taken for while a person writes it.
type Reading struct {
	Frames  int    `json:"frames"`
	Says    string `json:"says"`              // "8 frames, 0s08f"
	Offer   string `json:"offer,omitempty"`   // what was perhaps meant instead: "8s00f"
	Problem string `json:"problem,omitempty"` // why it cannot be taken
}

// fewSeconds is up to how many seconds a bare number of frames is short enough for
// seconds to be offered instead.
const fewSeconds = 3

// ReadLength reads a length as it is written.
func (c Clock) ReadLength(s string) Reading {
	n, err := c.ParseLength(s)
	if err != nil {
		return Reading{Problem: err.Error(), Offer: c.seconds(s)}
	}
	out := Reading{Frames: n, Says: fmt.Sprintf("%s, %s", framesSaid(n), c.Rate.Timecode(n))}
	if n < fewSeconds*int(c.Rate) {
		out.Offer = c.seconds(s)
	}
	return out
}

// ReadMoment reads a time of the clip as it is written; last is the clip's last
// frame, past which nothing is offered.
func (c Clock) ReadMoment(s string, last int) Reading {
	m, err := c.ParseMoment(s)
	if err != nil {
		return Reading{Problem: err.Error(), Offer: c.seconds(s)}
	}
	n := c.Frame(m)
	out := Reading{Frames: n, Says: fmt.Sprintf("frame %d, %s, %s", n, c.Rate.Timecode(n), c.beatText(n))}
	if offer := c.seconds(s); offer != "" {
		if f, err := c.Rate.ParseTimecode(offer); err == nil && f <= last {
			out.Offer = offer
		}
	}
	return out
}

// beatText is the beat on which a frame lies, or the one before it with the frames
// after it.
func (c Clock) beatText(frame int) string {
	at := c.OnBeat(c.Next(frame))
	if c.Frame(at) > frame {
		at = c.OnBeat(c.Next(frame) - 1)
	}
	return c.Text(at.Plus(frame - c.Frame(at)))
}

// seconds is a number that does not say what it counts as seconds, or nothing.
func (c Clock) seconds(s string) string {
	t := scan.Of(strings.Replace(strings.TrimSpace(s), ",", ".", 1))
	v, err := strconv.ParseFloat(t.Number(4, 3), 64)
	if !t.Done() || err != nil || v <= 0 {
		return ""
	}
	return c.Rate.Timecode(c.Rate.Frame(v))
}

func framesSaid(n int) string {
	if n == 1 {
		return "1 frame"
	}
	return fmt.Sprintf("%d frames", n)
}
