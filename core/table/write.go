package table

import (
	"bytes"
	"encoding/csv"
	"slices"
	"strings"

	"billow/core/clip"
)

// Columns are those in which a range is written: what every product may have and one at least has,
// the fields of their own, and what they are called in other languages.
func Columns(c *clip.Clip) (out []string) {
	own, spoken := map[string]bool{}, map[string]bool{}
	for _, p := range c.Products {
		for f := range p.Fields {
			own[f] = true
		}
		for language, texts := range p.Spoken {
			for f := range texts {
				spoken[f+"@"+language] = true
			}
		}
	}
	for _, f := range Fields {
		out = append(out, f.ID)
	}
	return append(append(out, sorted(own)...), sorted(spoken)...)
}

func sorted(set map[string]bool) []string {
	var out []string
	for s := range set {
		out = append(out, s)
	}
	slices.Sort(out)
	return out
}

// Heading is what stands above a column.
func Heading(column string) string {
	field, language, spoken := strings.Cut(column, "@")
	for _, f := range Fields {
		if f.ID == field {
			field = f.Name
		}
	}
	if spoken {
		return field + languageOpens + language + languageCloses
	}
	return field
}

// Write writes a range as CSV (RFC 4180), in UTF-8 with its mark, by which spreadsheets know it.
// What a spreadsheet would run as a formula stands behind an apostrophe.
func Write(c *clip.Clip, separator rune) []byte {
	columns := Columns(c)
	rows := [][]string{make([]string, len(columns))}
	for j, column := range columns {
		rows[0][j] = Heading(column)
	}
	picture := func(id string) string {
		if p := c.Prop(id); p != nil {
			return p.Name
		}
		return ""
	}
	for i := range c.Products {
		row := make([]string, len(columns))
		for j, column := range columns {
			row[j] = Get(&c.Products[i], column, picture)
		}
		rows = append(rows, row)
	}
	return CSV(rows, separator)
}

// CSV writes rows.
func CSV(rows [][]string, separator rune) []byte {
	var b bytes.Buffer
	b.WriteString("\ufeff")
	w := csv.NewWriter(&b)
	w.Comma, w.UseCRLF = separator, true
	for _, row := range rows {
		safe := make([]string, len(row))
		for j, cell := range row {
			if safe[j] = cell; runs(cell) {
				safe[j] = "'" + cell
			}
		}
		_ = w.Write(safe) // a buffer takes all
	}
	w.Flush()
	return b.Bytes()
}

// runs tells whether a spreadsheet would run a cell as a formula.
func runs(cell string) bool { return cell != "" && strings.IndexByte("=+-@\t\r", cell[0]) >= 0 }
