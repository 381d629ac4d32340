package clip

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"
)

// MaxBytes is the largest document that is read.
const MaxBytes = 16 << 20

// Parse reads a document of any version up to Version, strictly: an unknown
// field is an error. The clip that comes back is valid.
func Parse(b []byte) (*Clip, error) {
	if len(b) > MaxBytes {
		return nil, Fault("", "the clip is larger than %d MB", MaxBytes>>20)
	}
	var head struct {
		Version int `json:"version"`
	}
	if err := json.Unmarshal(b, &head); err != nil {
		return nil, Fault("", "this is not a clip: %v", err)
	}
	if head.Version < 1 || head.Version > Version {
		return nil, Fault("version", "this clip has version %d; this Billow reads versions 1 to %d", head.Version, Version)
	}
	c, err := decode(b, head.Version)
	if err != nil {
		return nil, err
	}
	if c.Props == nil {
		c.Props = []Prop{}
	}
	if c.Products == nil {
		c.Products = []Product{}
	}
	return c, c.Validate()
}

// decode reads a document of a version.
func decode(b []byte, version int) (*Clip, error) {
	if version == 1 {
		old := &version1{}
		if err := DecodeStrict(b, old); err != nil {
			return nil, err
		}
		return old.upgraded()
	}
	c := &Clip{}
	if err := DecodeStrict(b, c); err != nil {
		return nil, err
	}
	if c.Rate.Valid() && c.Tempo.Check() == nil {
		c.Fit()
	}
	return c, nil
}

// Encode writes the document.
func (c *Clip) Encode() []byte {
	b, err := json.Marshal(c)
	if err != nil {
		// Only numbers that Validate refuses (NaN, infinities) can fail here.
		panic(err)
	}
	return b
}

// DecodeStrict reads one JSON value into v, which keeps what the JSON does not
// mention. Unknown fields and trailing text are errors that name the field.
func DecodeStrict(b []byte, v any) error {
	d := json.NewDecoder(bytes.NewReader(b))
	d.DisallowUnknownFields()
	if err := d.Decode(v); err != nil {
		return decodeFault(err)
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return Fault("", "there is text after the end of the JSON")
	}
	return nil
}

func decodeFault(err error) error {
	var kind *json.UnmarshalTypeError
	if errors.As(err, &kind) {
		return Fault(kind.Field, "a %s does not belong here", kind.Value)
	}
	text := strings.TrimPrefix(err.Error(), "json: ")
	if name, ok := strings.CutPrefix(text, "unknown field "); ok {
		name = strings.Trim(name, `"`)
		return Fault(name, "there is no field %q here", name)
	}
	return Fault("", "%s", fmt.Sprint(text))
}
