// Package layered reads and writes layered pictures in the OpenRaster format, version
// 0.0.6 (freedesktop.org): a ZIP archive with a stack of PNG files, and what lies where and
// how it is mixed in an XML file.
package layered

import (
	"archive/zip"
	"bytes"
	"encoding/xml"
	"errors"
	"fmt"
	"hash/crc32"
	"io"
	"math"
	"slices"
	"strings"
)

// MediaType is that of the format.
const MediaType = "image/openraster"

// Picture is a layered picture.
type Picture struct {
	W, H   int     // pixels
	Layers []Layer // the lowest first
}

// Layer is a picture in its place, or a stack of layers.
type Layer struct {
	Name    string
	X, Y    int     // pixels of its upper left corner from that of the whole, or of the stack that it is in
	Opacity float64 // 0..1
	Hidden  bool
	Blend   string // a mode of W3C Compositing and Blending, "plus" for light that adds up, or one that is not known
	PNG     []byte // the file; a stack has none
	Stack   []Layer
	Group   bool // it is a stack
}

// Limits of what is read.
const (
	MostLayers = 200
	mostDeep   = 12
	mostStack  = 4 << 20 // bytes of the XML file
	mostPNG    = 64 << 20
	mostAll    = 400 << 20
)

// stack and image are the XML file.
type xmlImage struct {
	XMLName xml.Name `xml:"image"`
	Version string   `xml:"version,attr,omitempty"`
	W       int      `xml:"w,attr"`
	H       int      `xml:"h,attr"`
	Stack   xmlStack `xml:"stack"`
}

type xmlStack struct {
	XMLName xml.Name
	Name    string     `xml:"name,attr,omitempty"`
	X       int        `xml:"x,attr"`
	Y       int        `xml:"y,attr"`
	Src     string     `xml:"src,attr,omitempty"`
	Opacity string     `xml:"opacity,attr,omitempty"`
	Visible string     `xml:"visibility,attr,omitempty"`
	Mode    string     `xml:"composite-op,attr,omitempty"`
	Inside  []xmlStack `xml:",any"`
}

// Is tells by its beginning whether a file is a layered picture: the format wants its media
// type first, not compressed.
func Is(head []byte) bool {
	const at = 30 // the length of a ZIP header
	name := "mimetype" + MediaType
	return len(head) >= at+len(name) && string(head[:4]) == "PK\x03\x04" && string(head[at:at+len(name)]) == name
}

// Read reads a layered picture with all of its files. Errors are sentences for a person.
func Read(file io.ReaderAt, size int64) (*Picture, error) {
	z, err := zip.NewReader(file, size)
	if err != nil {
		return nil, errors.New("it cannot be read as a layered picture; the file may be cut off or damaged")
	}
	r := reader{files: map[string]*zip.File{}}
	for _, f := range z.File {
		r.files[f.Name] = f
	}
	raw, err := r.file("stack.xml", mostStack)
	if err != nil {
		return nil, err
	}
	var in xmlImage
	if err := xml.Unmarshal(raw, &in); err != nil {
		return nil, errors.New("the list of its layers cannot be read")
	}
	if in.W < 1 || in.H < 1 || in.W > 1<<16 || in.H > 1<<16 {
		return nil, fmt.Errorf("it is %d by %d pixels large", in.W, in.H)
	}
	p := &Picture{W: in.W, H: in.H}
	p.Layers, err = r.layers(in.Stack.Inside, 0)
	return p, err
}

type reader struct {
	files map[string]*zip.File
	count int
	bytes int64
}

func (r *reader) file(name string, most int64) ([]byte, error) {
	f := r.files[name]
	if f == nil {
		return nil, fmt.Errorf("the file %q is missing in it", name)
	}
	in, err := f.Open()
	if err != nil {
		return nil, fmt.Errorf("the file %q in it cannot be read", name)
	}
	defer in.Close()
	b, err := io.ReadAll(io.LimitReader(in, most+1))
	if err != nil {
		return nil, fmt.Errorf("the file %q in it is damaged", name)
	}
	if r.bytes += int64(len(b)); int64(len(b)) > most || r.bytes > mostAll {
		return nil, fmt.Errorf("the file %q in it is too large", name)
	}
	return b, nil
}

// layers reads a stack, of which the uppermost comes first.
func (r *reader) layers(in []xmlStack, deep int) (out []Layer, err error) {
	if deep > mostDeep {
		return nil, fmt.Errorf("its stacks lie in each other more than %d deep", mostDeep)
	}
	for _, s := range slices.Backward(in) {
		l := Layer{Name: s.Name, X: s.X, Y: s.Y, Opacity: 1, Hidden: s.Visible == "hidden", Blend: blendOf(s.Mode)}
		if s.Opacity != "" {
			if _, err := fmt.Sscanf(s.Opacity, "%g", &l.Opacity); err != nil || !(l.Opacity >= 0 && l.Opacity <= 1) {
				return nil, fmt.Errorf("the layer %q has an opacity of %q, which is no number from 0 to 1", s.Name, s.Opacity)
			}
		}
		if max(s.X, -s.X) > 1<<20 || max(s.Y, -s.Y) > 1<<20 {
			return nil, fmt.Errorf("the layer %q lies far outside the picture", s.Name)
		}
		switch s.XMLName.Local {
		case "stack":
			l.Group = true
			if l.Stack, err = r.layers(s.Inside, deep+1); err != nil {
				return nil, err
			}
		case "layer":
			if r.count++; r.count > MostLayers {
				return nil, fmt.Errorf("it has more than %d layers", MostLayers)
			}
			if l.PNG, err = r.file(s.Src, mostPNG); err != nil {
				return nil, err
			}
		default: // what other versions have is passed over
			continue
		}
		out = append(out, l)
	}
	return out, nil
}

// modes are those that the format calls otherwise.
var modes = map[string]string{"": "normal", "svg:src-over": "normal", "svg:plus": "plus"}

func blendOf(mode string) string {
	if b, ok := modes[mode]; ok {
		return b
	}
	return strings.TrimPrefix(mode, "svg:")
}

func modeOf(blend string) string {
	if blend == "normal" || blend == "" {
		return "svg:src-over"
	}
	return "svg:" + blend
}

// Write writes a layered picture; merged is a PNG of what it looks like, and thumbnail a
// small one of at most 256 pixels a side.
func Write(w io.Writer, p *Picture, merged, thumbnail []byte) error {
	z := zip.NewWriter(w)
	kept := func(name string, b []byte) error { // PNG does not become smaller
		f, err := z.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Store})
		if err == nil {
			_, err = f.Write(b)
		}
		return err
	}
	// The media type comes with its length at once, so that it stands where it is looked for.
	head := []byte(MediaType)
	f, err := z.CreateRaw(&zip.FileHeader{
		Name: "mimetype", Method: zip.Store, CRC32: checksum(head), CompressedSize64: uint64(len(head)), UncompressedSize64: uint64(len(head)),
	})
	if err == nil {
		_, err = f.Write(head)
	}
	if err != nil {
		return err
	}
	count := 0
	out := xmlImage{Version: "0.0.6", W: p.W, H: p.H}
	if out.Stack.Inside, err = writeLayers(p.Layers, &count, kept); err != nil {
		return err
	}
	var stack bytes.Buffer
	stack.WriteString(xml.Header)
	e := xml.NewEncoder(&stack)
	e.Indent("", " ")
	if err := e.Encode(out); err != nil {
		return err
	}
	if f, err = z.Create("stack.xml"); err == nil {
		_, err = f.Write(stack.Bytes())
	}
	if err == nil {
		err = kept("mergedimage.png", merged)
	}
	if err == nil {
		err = kept("Thumbnails/thumbnail.png", thumbnail)
	}
	if err != nil {
		return err
	}
	return z.Close()
}

func writeLayers(list []Layer, count *int, kept func(name string, b []byte) error) (out []xmlStack, err error) {
	for _, l := range slices.Backward(list) {
		s := xmlStack{XMLName: xml.Name{Local: "layer"}, Name: l.Name, X: l.X, Y: l.Y, Mode: modeOf(l.Blend)}
		if l.Opacity != 1 {
			s.Opacity = fmt.Sprintf("%.4g", math.Round(l.Opacity*1e4)/1e4)
		}
		if l.Hidden {
			s.Visible = "hidden"
		}
		if l.Group {
			s.XMLName.Local = "stack"
			if s.Inside, err = writeLayers(l.Stack, count, kept); err != nil {
				return nil, err
			}
		} else {
			*count++
			s.Src = fmt.Sprintf("data/layer%03d.png", *count)
			if err := kept(s.Src, l.PNG); err != nil {
				return nil, err
			}
		}
		out = append(out, s)
	}
	return out, nil
}

func checksum(b []byte) uint32 { return crc32.ChecksumIEEE(b) }
