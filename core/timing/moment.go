package timing

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"strconv"
	"strings"

	"billow/core/scan"
)

// Moment is a time in a clip: a frame number, or a beat plus frames. What is
// bound to a beat moves when the music does.
//
// In JSON it is 45 or {"beat": 8, "frames": -2}.
type Moment struct {
	OnBeat bool
	Beat   float64 // beat of the tempo map, when OnBeat
	Frames int     // the frame, or frames after the beat
}

// At is the moment of a frame number.
func At(frame int) Moment { return Moment{Frames: frame} }

// OnBeat is the moment of a beat.
func OnBeat(beat float64) Moment { return Moment{OnBeat: true, Beat: beat} }

// Plus is the moment so many frames later, still bound to what it was.
func (m Moment) Plus(frames int) Moment {
	m.Frames += frames
	return m
}

// Clock resolves moments to frames of the clip. Moments of what lies in a scene
// count from the scene's beginning: Start is that frame, and First the beat of
// the clip that is the scene's beat 0. Without a scene both are 0.
type Clock struct {
	Rate  Rate
	Tempo Tempo
	Start int
	First float64
}

// Frame is the frame of the clip of a moment.
func (c Clock) Frame(m Moment) int {
	if !m.OnBeat {
		return c.Start + m.Frames
	}
	return c.Rate.Frame(c.Tempo.Seconds(c.First+m.Beat)) + m.Frames
}

// At is the moment of a frame of the clip.
func (c Clock) At(frame int) Moment { return At(frame - c.Start) }

// OnBeat is the moment of a beat of the clip.
func (c Clock) OnBeat(beat float64) Moment { return OnBeat(beat - c.First) }

// Beat is the beat of the clip on which a frame of the clip lies.
func (c Clock) Beat(frame int) float64 { return c.Tempo.Beat(c.Rate.Seconds(frame)) }

// Own is a moment of the clip as it counts here.
func (c Clock) Own(m Moment) Moment {
	if m.OnBeat {
		m.Beat -= c.First
		return m
	}
	return m.Plus(-c.Start)
}

// Whole is a moment that counts here as the clip counts it.
func (c Clock) Whole(m Moment) Moment {
	if m.OnBeat {
		m.Beat += c.First
		return m
	}
	return m.Plus(c.Start)
}

// Next is the first whole beat of the clip that does not lie before a frame.
func (c Clock) Next(frame int) float64 {
	b := math.Floor(c.Beat(frame)) - 1
	for n := 0; n < 3 && c.Rate.Frame(c.Tempo.Seconds(b)) < frame; n++ {
		b++
	}
	return b
}

// BeatFrames lists the frames of all whole beats from one frame of the clip up
// to another, with the number that each beat has in the clip.
func (c Clock) BeatFrames(from, to int) (beats, frames []int) {
	first := int(math.Floor(c.Beat(from))) - 1
	for b := first; len(frames) < 20000; b++ {
		f := c.Frame(c.OnBeat(float64(b)))
		if f > to {
			break
		}
		if f >= from {
			beats, frames = append(beats, b), append(frames, f)
		}
	}
	return beats, frames
}

type beatMoment struct {
	Beat   *float64 `json:"beat"`
	Frames int      `json:"frames,omitempty"`
}

func (m Moment) MarshalJSON() ([]byte, error) {
	if m.OnBeat {
		return json.Marshal(beatMoment{&m.Beat, m.Frames})
	}
	return json.Marshal(m.Frames)
}

func (m *Moment) UnmarshalJSON(b []byte) error {
	var frame int
	if json.Unmarshal(b, &frame) == nil {
		*m = At(frame)
		return nil
	}
	var bm beatMoment
	d := json.NewDecoder(bytes.NewReader(b))
	d.DisallowUnknownFields()
	if err := d.Decode(&bm); err != nil || bm.Beat == nil {
		return fmt.Errorf("a moment is a whole frame such as 45, or {\"beat\": 8, \"frames\": 0}, not %s", b)
	}
	*m = Moment{OnBeat: true, Beat: *bm.Beat, Frames: bm.Frames}
	return nil
}

// ParseMoment reads a time as ParseTimecode does, or bar and beat, both counted
// from 1, with frames after them: "b9", "b9.3", "b9.3+2". A beat may have a
// fraction: "b9.3.5" is half a beat after b9.3. Bars, beats and times are those
// of the clip; the moment counts as the clock does.
func (c Clock) ParseMoment(s string) (Moment, error) {
	bar, part, after, ok := onBeat(strings.ToLower(strings.ReplaceAll(s, " ", "")))
	if !ok {
		f, err := c.Rate.ParseTimecode(s)
		if err != nil {
			return Moment{}, fmt.Errorf("%q is not a time: write it as 4s05f, as bar and beat (b9.3+2), or as a number of frames", s)
		}
		return c.At(f), nil
	}
	beat := 1.0
	if part != "" {
		beat, _ = strconv.ParseFloat(part, 64)
	}
	first, next := c.Tempo.Downbeat(float64(bar-1)), c.Tempo.Downbeat(float64(bar))
	if beat < 1 || beat >= next-first+1 {
		return Moment{}, fmt.Errorf("bar %d of this clip has the beats 1 to %g, not %g", bar, next-first, beat)
	}
	return c.OnBeat(first + beat - 1).Plus(after), nil
}

// onBeat reads "b9", "b9.3", "b9.3.5" and frames after it, "+2": the bar, the beat
// as it is written, and the frames.
func onBeat(s string) (bar int, beat string, frames int, ok bool) {
	t := scan.Of(s)
	if !t.Mark("b") {
		return 0, "", 0, false
	}
	bar, _ = strconv.Atoi(t.Any("-") + t.Digits(1, 5))
	if t.Mark(".") {
		beat = t.Number(3, 4)
	}
	if sign := t.Any("+", "-"); sign != "" {
		frames, _ = strconv.Atoi(sign + t.Digits(1, 6))
	}
	t.Mark("f")
	return bar, beat, frames, t.Done()
}

// Text writes a moment as ParseMoment reads it.
func (c Clock) Text(m Moment) string {
	m = c.Whole(m)
	if !m.OnBeat {
		return c.Rate.Timecode(m.Frames)
	}
	bar := math.Floor(c.Tempo.BarAt(m.Beat) + 1e-9) // thirds of a bar do not add up to one
	beat := math.Round((m.Beat-c.Tempo.Downbeat(bar)+1)*1000) / 1000
	text := fmt.Sprintf("b%d.%s", int(bar)+1, strconv.FormatFloat(beat, 'f', -1, 64))
	if m.Frames != 0 {
		text += fmt.Sprintf("%+d", m.Frames)
	}
	return text
}

// Nearest is the moment of the whole beat nearest to a frame of the clip.
func (c Clock) Nearest(frame int) Moment { return c.OnBeat(math.Round(c.Beat(frame))) }

// ParseLength reads a length as ParseTimecode does, or in bars: "5 bars".
func (c Clock) ParseLength(s string) (int, error) {
	if n, ok := bars(strings.ToLower(strings.TrimSpace(s))); ok {
		return c.Rate.Frame(float64(n*c.Tempo.PerBar) * 60 / c.Tempo.BPM), nil
	}
	n, err := c.Rate.ParseTimecode(s)
	if err != nil {
		return 0, fmt.Errorf("%q is not a length: write it as 12s00f, 12s or 5 bars", s)
	}
	return n, nil
}

// bars reads "5 bars".
func bars(s string) (int, bool) {
	t := scan.Of(s)
	n, err := strconv.Atoi(t.Digits(1, 4))
	t.Mark(" ")
	named := t.Any("bars", "bar") != ""
	return n, err == nil && named && t.Done()
}
