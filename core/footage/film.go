// Package footage reads moving pictures in the form in which they are kept: a QuickTime file (ISO
// Base Media File Format, ISO/IEC 14496-12) of which every picture stands for itself. It has one to
// four tracks of Motion JPEG: the colours, premultiplied where there is a matte; the matte as light
// and dark; and of both a copy at half the size. Any frame is read at random, and each has the time
// that it had in the file that was brought in.
package footage

import (
	"encoding/binary"
	"errors"
	"fmt"
	"sort"
)

// Film is the index of a kept file.
type Film struct {
	W, H  int // pixels of the whole
	Alpha bool
	Scale int64   // ticks a second
	Start []int64 // when each frame begins, ticks from the first one; and where the last one ends

	colours, matte, half, halfMatte *track
}

// Frames is how many there are.
func (f *Film) Frames() int { return len(f.Start) - 1 }

// Seconds is how long it lasts.
func (f *Film) Seconds() float64 { return float64(f.Start[f.Frames()]) / float64(f.Scale) }

// Opaque leaves the matte out of a film that has nothing clear.
func (f *Film) Opaque() { f.Alpha, f.matte, f.halfMatte = false, nil, nil }

// Begins is when a frame begins, in seconds.
func (f *Film) Begins(frame int) float64 { return float64(f.Start[frame]) / float64(f.Scale) }

// slack is by how many seconds a time may be too early for a frame and still mean it: times are
// sums of numbers that are rounded.
const slack = 0.0005

// At is the frame that shows at a time; before and after all it is the first and the last.
func (f *Film) At(seconds float64) int {
	n := sort.Search(f.Frames(), func(i int) bool { return f.Begins(i) > seconds+slack })
	return max(n-1, 0)
}

// Bytes is how many bytes the file has at least.
func (f *Film) Bytes() int64 {
	end := int64(0)
	for _, t := range []*track{f.colours, f.matte, f.half, f.halfMatte} {
		if t != nil {
			end = max(end, t.at[len(t.at)-1]+int64(t.size[len(t.size)-1]))
		}
	}
	return end
}

// track is where the pictures of a track lie.
type track struct {
	w, h  int
	at    []int64
	size  []int32
	delta []int64 // ticks
	scale int64
}

// MaxFrames is how many frames a file has at most.
const MaxFrames = 1 << 16

var errNot = errors.New("the file is not footage as it is kept")

// Head is how many bytes at the beginning of a file hold its index, told by its first 32 bytes or
// more; 0 is a file of another kind.
func Head(b []byte) int64 {
	at := int64(0)
	for range 4 {
		if at+16 > int64(len(b)) {
			return 0
		}
		size, name := int64(binary.BigEndian.Uint32(b[at:])), string(b[at+4:at+8])
		switch {
		case size < 8 || size > 1<<26:
			return 0
		case name == "moov":
			return at + size
		case name != "ftyp" && name != "free" && name != "wide":
			return 0
		}
		at += size
	}
	return 0
}

// Open reads the index at the beginning of a file.
func Open(head []byte) (*Film, error) {
	n := Head(head)
	if n == 0 || n > int64(len(head)) {
		return nil, errNot
	}
	moov := boxes(head[:n])["moov"]
	if len(moov) != 1 {
		return nil, errNot
	}
	var tracks []*track
	for _, b := range boxes(moov[0])["trak"] {
		t, err := readTrack(b)
		if err != nil {
			return nil, err
		}
		tracks = append(tracks, t)
	}
	return arranged(tracks)
}

// arranged tells tracks apart: those of the first one's size, and those of half of it.
func arranged(tracks []*track) (*Film, error) {
	if len(tracks) == 0 || len(tracks) > 4 {
		return nil, errNot
	}
	t := tracks[0]
	f := &Film{W: t.w, H: t.h, Scale: t.scale, colours: t}
	for _, o := range tracks[1:] {
		whole, half := o.w == t.w && o.h == t.h, o.w == (t.w+1)/2 && o.h == (t.h+1)/2
		if len(o.at) != len(t.at) || o.scale != t.scale {
			return nil, errNot
		}
		switch {
		case whole && f.matte == nil:
			f.matte = o
		case half && f.half == nil:
			f.half = o
		case half && f.halfMatte == nil:
			f.halfMatte = o
		default:
			return nil, errNot
		}
	}
	f.Alpha = f.matte != nil
	if f.half != nil && f.Alpha != (f.halfMatte != nil) {
		return nil, errNot
	}
	f.Start = make([]int64, len(t.delta)+1)
	for i, d := range t.delta {
		f.Start[i+1] = f.Start[i] + d
	}
	return f, nil
}

// boxes are the contents of the boxes in a box, by their names.
func boxes(b []byte) map[string][][]byte {
	out := map[string][][]byte{}
	for len(b) >= 8 {
		size, name := binary.BigEndian.Uint32(b), string(b[4:8])
		if size < 8 || int64(size) > int64(len(b)) {
			break
		}
		out[name] = append(out[name], b[8:size])
		b = b[size:]
	}
	return out
}

// inside goes from box to box.
func inside(b []byte, names ...string) []byte {
	for _, n := range names {
		in := boxes(b)[n]
		if len(in) == 0 {
			return nil
		}
		b = in[0]
	}
	return b
}

// numbers are those of a full box: so many words an entry behind a version, flags and a count.
func numbers(b []byte, words int) ([]uint32, error) {
	if len(b) < 8 {
		return nil, errNot
	}
	n := int64(binary.BigEndian.Uint32(b[4:]))
	if n > 4*MaxFrames || int64(len(b)-8) < 4*int64(words)*n {
		return nil, errNot
	}
	out := make([]uint32, int(n)*words)
	for i := range out {
		out[i] = binary.BigEndian.Uint32(b[8+4*i:])
	}
	return out, nil
}

// readTrack reads a track of Motion JPEG.
func readTrack(b []byte) (*track, error) {
	header := inside(b, "mdia", "mdhd")
	table := boxes(inside(b, "mdia", "minf", "stbl"))
	for _, name := range []string{"stsd", "stts", "stsc", "stsz"} {
		if len(table[name]) != 1 {
			return nil, errNot
		}
	}
	says := table["stsd"][0]
	if len(header) < 24 || len(says) < 8+36 || string(says[12:16]) != "jpeg" {
		return nil, errNot
	}
	t := &track{w: int(binary.BigEndian.Uint16(says[8+32:])), h: int(binary.BigEndian.Uint16(says[8+34:]))}
	if t.scale = int64(binary.BigEndian.Uint32(header[12:])); header[0] == 1 {
		t.scale = int64(binary.BigEndian.Uint32(header[20:]))
	}
	if t.w < 1 || t.h < 1 || t.scale < 1 {
		return nil, errNot
	}
	if err := t.readSizes(table["stsz"][0]); err != nil {
		return nil, err
	}
	if err := t.readTimes(table["stts"][0]); err != nil {
		return nil, err
	}
	return t, t.readPlaces(table)
}

func (t *track) readSizes(b []byte) error {
	if len(b) < 12 {
		return errNot
	}
	all := binary.BigEndian.Uint32(b[4:])
	n := int64(binary.BigEndian.Uint32(b[8:]))
	if n < 1 || n > MaxFrames || all == 0 && int64(len(b)-12) < 4*n {
		return errNot
	}
	t.size = make([]int32, n)
	for i := range t.size {
		v := all
		if all == 0 {
			v = binary.BigEndian.Uint32(b[12+4*i:])
		}
		if v > 1<<28 {
			return errNot
		}
		t.size[i] = int32(v)
	}
	return nil
}

func (t *track) readTimes(b []byte) error {
	runs, err := numbers(b, 2)
	if err != nil {
		return err
	}
	for i := 0; i < len(runs); i += 2 {
		if int64(runs[i])+int64(len(t.delta)) > int64(len(t.size)) {
			return errNot
		}
		for range runs[i] {
			t.delta = append(t.delta, int64(runs[i+1]))
		}
	}
	if len(t.delta) != len(t.size) {
		return errNot
	}
	return nil
}

// readPlaces works out where each picture lies: in chunks that lie anywhere, of so many each.
func (t *track) readPlaces(table map[string][][]byte) error {
	per, err := numbers(table["stsc"][0], 3)
	if err != nil {
		return err
	}
	var starts []int64
	switch {
	case len(table["stco"]) == 1:
		v, err := numbers(table["stco"][0], 1)
		if err != nil {
			return err
		}
		for _, at := range v {
			starts = append(starts, int64(at))
		}
	case len(table["co64"]) == 1:
		v, err := numbers(table["co64"][0], 2)
		if err != nil {
			return err
		}
		for i := 0; i < len(v); i += 2 {
			starts = append(starts, int64(v[i]&0x7FFFFFFF)<<32|int64(v[i+1]))
		}
	default:
		return errNot
	}
	run := 0
	for chunk, at := range starts {
		for run+3 < len(per) && int(per[run+3]) <= chunk+1 {
			run += 3
		}
		if run >= len(per) {
			return errNot
		}
		for range per[run+1] {
			if len(t.at) == len(t.size) {
				return errNot
			}
			t.at = append(t.at, at)
			at += int64(t.size[len(t.at)-1])
		}
	}
	if len(t.at) != len(t.size) {
		return fmt.Errorf("the index of the footage is damaged")
	}
	return nil
}
