// Package timing counts time exactly: frames at a whole frame rate, timecode,
// beats of a tempo map, and moments, which are either.
package timing

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"billow/core/scan"
)

// Rate is a whole number of frames a second.
type Rate int

// Rates are the frame rates a clip can have.
var Rates = []Rate{24, 25, 30, 50, 60}

// Valid tells whether r is one of Rates.
func (r Rate) Valid() bool {
	for _, ok := range Rates {
		if r == ok {
			return true
		}
	}
	return false
}

// Seconds is the time at which a frame begins.
func (r Rate) Seconds(frame int) float64 { return float64(frame) / float64(r) }

// Frame is the frame that begins nearest to a time in seconds; a time in the
// middle between two frames belongs to the later one.
func (r Rate) Frame(seconds float64) int {
	// A time that was worked out may lie the last digit of a number before the
	// middle: a millionth of a frame counts as the middle.
	return int(math.Floor(seconds*float64(r) + 0.5 + 1e-6))
}

// Timecode writes a frame as seconds and frames: "4s05f".
func (r Rate) Timecode(frame int) string {
	sign := ""
	if frame < 0 {
		sign, frame = "-", -frame
	}
	return fmt.Sprintf("%s%ds%02df", sign, frame/int(r), frame%int(r))
}

// units are words for which there is a letter.
var units = strings.NewReplacer(" ", "", "seconds", "s", "second", "s", "sec", "s", "frames", "f", "frame", "f", ",", ".")

// ParseTimecode reads "4s05f", "4s", "125f", "125" (frames), "2.5s" and "0:04",
// with words for the letters, too.
func (r Rate) ParseTimecode(s string) (int, error) {
	text := units.Replace(strings.ToLower(s))
	if v, ok := clockTime(text); ok {
		return r.Frame(v), nil
	}
	if seconds, ok := strings.CutSuffix(text, "s"); ok && strings.Contains(text, ".") {
		v, err := strconv.ParseFloat(seconds, 64)
		if err == nil && v >= 0 && v < 1e6 {
			return r.Frame(v), nil
		}
	}
	secs, frames, ok := timecode(text)
	if !ok {
		return 0, fmt.Errorf("%q is not a time: write it as 4s05f, 2.5s or a number of frames", s)
	}
	return secs*int(r) + frames, nil
}

// clockTime reads minutes and seconds, "0:08" or "1:02.5", as seconds.
func clockTime(s string) (float64, bool) {
	t := scan.Of(s)
	minutes := t.Digits(1, 4)
	if !t.Mark(":") {
		return 0, false
	}
	seconds := t.Digits(2, 2)
	if t.Mark(".") {
		seconds += "." + t.Digits(1, 3)
	}
	m, _ := strconv.Atoi(minutes)
	v, _ := strconv.ParseFloat(seconds, 64)
	return float64(60*m) + v, t.Done()
}

// timecode reads seconds and frames, of which one may lack: "4s05f".
func timecode(s string) (secs, frames int, ok bool) {
	t := scan.Of(s)
	first, second := t.Digits(1, 7), ""
	switch {
	case !t.Mark("s"):
		first, second = "", first
		t.Mark("f")
	case len(first) > 6:
		return 0, 0, false
	case t.Digit():
		second = t.Digits(1, 7)
		t.Mark("f")
	}
	secs, _ = strconv.Atoi("0" + first)
	frames, _ = strconv.Atoi("0" + second)
	return secs, frames, t.Done()
}
