// Package timing counts time exactly: frames at a whole frame rate, timecode,
// beats of a tempo map, and moments, which are either.
package timing

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"
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

var timecode = regexp.MustCompile(`^(?:(\d{1,6})s)?(?:(\d{1,7})f?)?$`)

// clockTime is minutes and seconds: "0:08", "1:02.5".
var clockTime = regexp.MustCompile(`^(\d{1,4}):(\d{2}(?:\.\d{1,3})?)$`)

// units are words for which there is a letter.
var units = strings.NewReplacer(" ", "", "seconds", "s", "second", "s", "sec", "s", "frames", "f", "frame", "f", ",", ".")

// ParseTimecode reads "4s05f", "4s", "125f", "125" (frames), "2.5s" and "0:04",
// with words for the letters, too.
func (r Rate) ParseTimecode(s string) (int, error) {
	text := units.Replace(strings.ToLower(s))
	if m := clockTime.FindStringSubmatch(text); m != nil {
		minutes, _ := strconv.Atoi(m[1])
		seconds, _ := strconv.ParseFloat(m[2], 64)
		return r.Frame(float64(60*minutes) + seconds), nil
	}
	if seconds, ok := strings.CutSuffix(text, "s"); ok && strings.Contains(text, ".") {
		v, err := strconv.ParseFloat(seconds, 64)
		if err == nil && v >= 0 && v < 1e6 {
			return r.Frame(v), nil
		}
	}
	m := timecode.FindStringSubmatch(text)
	if m == nil || text == "" {
		return 0, fmt.Errorf("%q is not a time: write it as 4s05f, 2.5s or a number of frames", s)
	}
	secs, _ := strconv.Atoi("0" + m[1])
	frames, _ := strconv.Atoi("0" + m[2])
	return secs*int(r) + frames, nil
}
