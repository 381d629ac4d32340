package svg

import (
	"bytes"
	"encoding/xml"
	"errors"
	"fmt"
	"io"
	"regexp"
	"strings"
	"unicode/utf8"
)

// element is a part of the file.
type element struct {
	name string
	attr map[string]string
	kids []*element
	text string // of a style
}

var entity = regexp.MustCompile(`<!ENTITY\s+([A-Za-z_][\w.-]*)\s+(?:"([^"]*)"|'([^']*)')\s*>`)

// parse reads the elements. Entities stand for short texts alone: those that name
// others could grow without end.
func parse(file []byte) (*element, error) {
	d := xml.NewDecoder(bytes.NewReader(file))
	d.Strict = true
	d.Entity = map[string]string{}
	d.CharsetReader = func(charset string, in io.Reader) (io.Reader, error) {
		switch strings.ToLower(charset) {
		case "us-ascii", "utf8":
			return in, nil
		case "iso-8859-1", "latin1", "windows-1252":
			b, err := io.ReadAll(in)
			runes := make([]rune, len(b))
			for i, c := range b {
				runes[i] = rune(c)
			}
			return strings.NewReader(string(runes)), err
		}
		return nil, fmt.Errorf("it is written in %s: save it as UTF-8", charset)
	}
	var open []*element
	var root *element
	n := 0
	for {
		token, err := d.Token()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, fmt.Errorf("the drawing cannot be read: %s", strings.TrimPrefix(err.Error(), "XML syntax error "))
		}
		switch t := token.(type) {
		case xml.Directive:
			if err := entities(d.Entity, t); err != nil {
				return nil, err
			}
		case xml.StartElement:
			if n++; n > maxElements {
				return nil, fmt.Errorf("the drawing has more than %d parts: simplify it", maxElements)
			}
			if len(open) >= maxDepth {
				return nil, fmt.Errorf("the drawing has groups in groups more than %d deep: ungroup it", maxDepth)
			}
			e := &element{name: t.Name.Local, attr: map[string]string{}}
			if space := t.Name.Space; space != "" && !strings.HasSuffix(space, "/svg") && space != "svg" {
				e.name = "other"
			}
			for _, a := range t.Attr {
				switch {
				case a.Name.Local == "href":
					e.attr["href"] = a.Value
				case a.Name.Space == "":
					e.attr[a.Name.Local] = a.Value
				}
			}
			if root == nil {
				root = e
			} else if len(open) > 0 {
				last := open[len(open)-1]
				last.kids = append(last.kids, e)
			}
			open = append(open, e)
		case xml.EndElement:
			open = open[:len(open)-1]
		case xml.CharData:
			if len(open) > 0 && open[len(open)-1].name == "style" && utf8.Valid(t) {
				open[len(open)-1].text += string(t)
			}
		}
	}
	if root == nil {
		return nil, errors.New("the drawing is empty")
	}
	return root, nil
}

// entities takes what a document type declares.
func entities(all map[string]string, directive []byte) error {
	if !bytes.Contains(directive, []byte("<!ENTITY")) {
		return nil
	}
	for _, m := range entity.FindAllSubmatch(directive, -1) {
		text := string(m[2]) + string(m[3])
		if strings.Contains(text, "&") || len(text) > 300 {
			return errors.New("the drawing has entities that are made of others, which could grow without end: save it as plain SVG")
		}
		if len(all) < 200 {
			all[string(m[1])] = text
		}
	}
	return nil
}
