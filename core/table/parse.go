// Package table reads products from what a spreadsheet copies or writes out, and writes them so that
// a spreadsheet reads them. It changes no clip: it tells what would become of which row.
package table

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"strings"
	"unicode/utf8"

	"golang.org/x/text/encoding/charmap"
	"golang.org/x/text/encoding/unicode"
)

// MaxRows is how many rows a table has at most, with its header.
const MaxRows = 5001

// MaxBytes is how long a table is at most.
const MaxBytes = 20 << 20

// maxColumns is how many columns a table has at most.
const maxColumns = 200

// Separators are what may stand between cells.
var Separators = []rune{'\t', ';', ',', '|'}

var errBinary = errors.New("this is no table: it has bytes that no text has; save it as CSV or as an Excel workbook (.xlsx)")

// Parse reads the rows of a text in which separator stands between cells; 0 finds out which does.
// UTF-8, UTF-16 with its mark and Windows-1252 are read.
func Parse(in []byte, separator rune) (rows [][]string, found rune, err error) {
	if len(in) > MaxBytes {
		return nil, 0, fmt.Errorf("the table is %d MB long; %d MB is the most", len(in)>>20, MaxBytes>>20)
	}
	text, err := decode(in)
	if err != nil {
		return nil, 0, err
	}
	if strings.TrimSpace(text) == "" {
		return nil, 0, errors.New("the table is empty")
	}
	if line, rest, _ := strings.Cut(text, "\n"); len(line) == 5 && strings.HasPrefix(line, "sep=") { // as some spreadsheets write it
		text = rest
		separator = rune(line[4])
	}
	if separator == 0 {
		separator = separatorOf(text)
	}
	rows, err = cells(text, separator, MaxRows)
	if err != nil {
		return nil, separator, err
	}
	return Trimmed(rows), separator, nil
}

// Trimmed is rows without empty ones, and without what spreadsheets write before a formula.
func Trimmed(rows [][]string) (out [][]string) {
	for _, row := range rows {
		empty := true
		for i, cell := range row {
			cell = strings.TrimSpace(cell)
			if len(cell) > 1 && cell[0] == '\'' && runs(cell[1:]) {
				cell = cell[1:]
			}
			row[i] = cell
			empty = empty && cell == ""
		}
		if !empty {
			out = append(out, row)
		}
	}
	return out
}

// decode makes text of a file.
func decode(in []byte) (string, error) {
	wide := bytes.HasPrefix(in, []byte{0xff, 0xfe}) || bytes.HasPrefix(in, []byte{0xfe, 0xff})
	switch {
	case wide:
		out, err := unicode.UTF16(unicode.LittleEndian, unicode.UseBOM).NewDecoder().Bytes(in)
		if err != nil || len(in)%2 > 0 {
			return "", errBinary
		}
		in = out
	case !utf8.Valid(in):
		if binary(in) {
			return "", errBinary
		}
		out, err := charmap.Windows1252.NewDecoder().Bytes(in)
		if err != nil {
			return "", errBinary
		}
		in = out
	}
	if binary(in) {
		return "", errBinary
	}
	text := strings.TrimPrefix(string(in), "\ufeff")
	return strings.NewReplacer("\r\n", "\n", "\r", "\n").Replace(text), nil
}

// binary tells whether there are control characters that no table has.
func binary(in []byte) bool {
	return bytes.ContainsFunc(in[:min(len(in), 1<<16)], func(r rune) bool { return r < ' ' && r != '\t' && r != '\n' && r != '\r' || r == 0x7f }) ||
		bytes.IndexByte(in, 0) >= 0
}

// separatorOf is what parts a text into the most even rows of more than one cell.
func separatorOf(text string) rune {
	best, most := ',', 0
	for _, s := range Separators {
		rows, err := cells(text, s, 60)
		if err != nil && !errors.Is(err, ErrLong) {
			continue
		}
		count := map[int]int{}
		for _, row := range rows {
			count[len(row)]++
		}
		for n, times := range count {
			if score := times * min(n, 8); n > 1 && score > most {
				best, most = s, score
			}
		}
	}
	return best
}

// ErrLong is what is said of a table with too many rows.
var ErrLong = fmt.Errorf("the table has more than %d rows; a range has at most %d products", MaxRows-1, MaxRows-1)

// cells reads rows, most of them at most.
func cells(text string, separator rune, most int) (rows [][]string, err error) {
	r := csv.NewReader(strings.NewReader(text))
	r.Comma, r.FieldsPerRecord, r.LazyQuotes = separator, -1, true
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			return rows, nil
		}
		if err != nil {
			var at *csv.ParseError
			if errors.As(err, &at) {
				return rows, fmt.Errorf("line %d cannot be read: %v", at.StartLine, at.Err)
			}
			return rows, err
		}
		if len(row) > maxColumns {
			return rows, fmt.Errorf("row %d has %d cells; %d is the most", len(rows)+1, len(row), maxColumns)
		}
		if len(rows) == most {
			return rows, ErrLong
		}
		rows = append(rows, row)
	}
}
