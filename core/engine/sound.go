package engine

import (
	"encoding/binary"
	"math"
	"unsafe"

	"billow/core/beat"
	"billow/core/clip"
	"billow/core/excerpt"
	"billow/core/mix"
	"billow/core/timing"
	"billow/core/wave"
)

// sound takes a decoded sound for the next mix: interleaved 16-bit samples.
func sound(e *Engine, prop string, in []byte) (bool, error) {
	if e.kept == nil {
		return Done, errClosed
	}
	if e.sounds == nil {
		e.sounds = map[string][]float32{}
	}
	e.sounds[prop] = samples(in)
	return Done, nil
}

// samples are those of 16 bits.
func samples(in []byte) []float32 {
	pcm := make([]float32, len(in)/2)
	for i := range pcm {
		pcm[i] = float32(int16(binary.LittleEndian.Uint16(in[2*i:]))) / 32767
	}
	return pcm
}

// byPieces hands samples of 16 bits over a second or so at a time: a long sound is large.
func byPieces(in []byte, add func([]float32)) {
	const most = 1 << 18 // bytes
	for ; len(in) > most; in = in[most:] {
		add(samples(in[:most]))
	}
	add(samples(in))
}

// mixSound mixes the clip's sound from the sounds that it was given, and forgets
// them, since they are large: 32-bit floats, the left channel first and then the
// right one.
func mixSound(e *Engine, _ *struct{}) (Bytes, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	mixed, reading := mix.Mix(e.kept, e.sounding)
	e.sounds, e.reading = nil, reading
	return planar(mixed), nil
}

func (e *Engine) sounding(p *clip.Prop) []float32 { return e.sounds[p.ID] }

// planar is one channel after the other.
func planar(mixed []float32) Bytes {
	out := make([]float32, len(mixed))
	for i := range len(mixed) / 2 {
		out[i], out[len(mixed)/2+i] = mixed[2*i], mixed[2*i+1]
	}
	if len(out) == 0 {
		return Bytes{}
	}
	return unsafe.Slice((*byte)(unsafe.Pointer(&out[0])), 4*len(out))
}

// Cut is parts of the tune as they may be heard under the clip.
type Cut struct {
	Parts []timing.Part `json:"parts"`
	Tail  float64       `json:"tail"`
}

// hearCut mixes a cut of the tune alone, before it is taken, from the sounds that it was given: as mixSound
// has them.
func hearCut(e *Engine, in Cut) (Bytes, error) {
	t, s, err := e.tune()
	if err != nil {
		return nil, err
	}
	track := clip.SoundTrack{ID: clip.TuneID, Prop: t.Prop, Parts: in.Parts, Tail: in.Tail}
	if len(in.Parts) > 0 {
		track.Trim = in.Parts[0].From
	}
	if err := track.CheckParts("cut", s); err != nil {
		return nil, err
	}
	c := *e.kept
	c.Sounds, c.Loudness = []clip.SoundTrack{track}, 0
	c.Length = max(1, int(math.Round(track.Seconds(s)*float64(c.Rate))))
	mixed, _ := mix.Mix(&c, e.sounding)
	e.sounds = nil
	return planar(mixed), nil
}

// tune is the tune under the clip.
func (e *Engine) tune() (*clip.SoundTrack, *clip.Sound, error) {
	if e.kept == nil {
		return nil, nil, errClosed
	}
	t := e.kept.Tune()
	if t == nil {
		return nil, nil, clip.Fault("tune", "there is no tune under the clip")
	}
	return t, e.kept.Prop(t.Prop).Sound, nil
}

// bands is how far a decoded sound swings, as wave.Bands has it: one band after the other.
func bands(e *Engine, _ *struct{}, in []byte) (Bytes, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	split := wave.NewSplitter(mix.Rate)
	byPieces(in, split.Add)
	all := split.Bands()
	return append(append(all[0], all[1]...), all[2]...), nil
}

// hear finds the beats, sections and hits of a decoded sound.
func hear(e *Engine, _ *struct{}, in []byte) (*clip.Sound, error) {
	if e.kept == nil {
		return nil, errClosed
	}
	m := beat.NewMixer()
	byPieces(in, m.Add)
	return beat.Find(m.Mono()), nil
}

// excerpts are the parts of the tune with which a clip of so many frames is best made.
func excerpts(e *Engine, frames int) ([]excerpt.Excerpt, error) {
	t, s, err := e.tune()
	if err != nil {
		return nil, err
	}
	if !s.Steady && t.Count == nil {
		return []excerpt.Excerpt{}, nil
	}
	return append([]excerpt.Excerpt{}, excerpt.Best(s, e.kept.TuneCount(), e.kept.Rate.Seconds(frames))...), nil
}
