package media

import (
	"bytes"
	"io"
	"path"
	"strings"

	"billow/core/clip"
	"billow/core/cube"
)

// tableType is the media type of a table of colours; none is registered.
const tableType = "text/x-cube"

// isTable tells whether a file is a table of colours: by its name, or by what stands near its beginning.
func isTable(name string, s *Spool) bool {
	if strings.EqualFold(path.Ext(name), ".cube") {
		return true
	}
	begin := make([]byte, 4<<10) // before it stand a title and what its maker says of it
	n, _ := io.ReadFull(s.Again(), begin)
	return bytes.Contains(begin[:n], []byte("LUT_3D_SIZE")) || bytes.Contains(begin[:n], []byte("LUT_1D_SIZE"))
}

// table reads a table of colours.
func table(id, title string, s *Spool) (p clip.Prop, err error) {
	b, err := io.ReadAll(s.Again())
	if err != nil {
		return p, err
	}
	t, err := cube.Read(b)
	if err != nil {
		return p, err
	}
	if t.Title != "" {
		title = Title(t.Title)
	}
	return clip.Prop{ID: id, Name: title, Kind: clip.KindTable, Hash: s.Hash, Media: tableType, Table: &clip.Table{Size: t.Size, Row: t.Row}}, nil
}
