package server

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"mime/multipart"
	"net/http"
	"unicode/utf8"

	"billow/core/clip"
	"billow/core/table"
	"billow/store"
	"billow/workbook"

	"github.com/gin-gonic/gin"
)

// mostShown is how many rows of a table are shown before they are taken.
const mostShown = 400

// readTable tells what would become of a table of products in a clip's range, and changes nothing.
// The form holds the table as a file, the options as JSON, and the separator where it is not to be
// found out.
func (s *Server) readTable(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	in, opt, separator, err := tableForm(c)
	if err != nil {
		fail(c, err)
		return
	}
	var rows [][]string
	if workbook.Is(in) {
		separator = 0
		rows, err = workbook.Rows(in)
	} else {
		rows, separator, err = table.Parse(in, separator)
	}
	if err != nil {
		fail(c, clip.Fault("table", "%v", err))
		return
	}
	shelf, err := s.Store.Props(c)
	if err != nil {
		fail(c, err)
		return
	}
	pictures, err := picturesOf(shelf)
	if err != nil {
		fail(c, err)
		return
	}
	reading, err := table.Read(rows, st.Clip, pictures, opt)
	if err != nil {
		var named *clip.FieldError
		if !errors.As(err, &named) {
			err = clip.Fault("table", "%v", err)
		}
		fail(c, err)
		return
	}
	shown := rows[:min(len(rows), mostShown)]
	if separator == 0 {
		c.JSON(http.StatusOK, gin.H{"separator": "", "rows": shown, "length": len(rows), "reading": reading})
		return
	}
	c.JSON(http.StatusOK, gin.H{"separator": string(separator), "rows": shown, "length": len(rows), "reading": reading})
}

// picturesOf are the shelf's pictures.
func picturesOf(shelf []store.Shelved) (out []clip.Prop, err error) {
	for _, p := range shelf {
		var prop clip.Prop
		if err := json.Unmarshal(p.Prop, &prop); err != nil {
			return nil, err
		}
		if prop.Picture != nil {
			out = append(out, prop)
		}
	}
	return out, nil
}

// tableForm reads the form of a table.
func tableForm(c *gin.Context) (in []byte, opt table.Options, separator rune, err error) {
	c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, table.MaxBytes+1<<20)
	file, err := c.FormFile("table")
	var large *http.MaxBytesError
	switch {
	case errors.As(err, &large):
		return nil, opt, 0, clip.Fault("table", "a table is %d MB long at most", table.MaxBytes>>20)
	case err != nil:
		return nil, opt, 0, clip.Fault("table", "choose a table: CSV or an Excel workbook (.xlsx)")
	}
	if in, err = wholeFile(file); err != nil {
		return nil, opt, 0, err
	}
	if text := c.PostForm("options"); text != "" {
		if err := json.Unmarshal([]byte(text), &opt); err != nil {
			return nil, opt, 0, clip.Fault("options", "they cannot be read: %v", err)
		}
	}
	if opt.Point != "" && opt.Point != "." && opt.Point != "," {
		return nil, opt, 0, clip.Fault("point", "decimals stand behind . or , and not %q", opt.Point)
	}
	if text := c.PostForm("separator"); text != "" {
		if separator, _ = utf8.DecodeRuneInString(text); separator == '"' || separator == '\n' || separator == '\r' || separator == utf8.RuneError {
			return nil, opt, 0, clip.Fault("separator", "%q cannot part cells", text)
		}
	}
	return in, opt, separator, nil
}

func wholeFile(file *multipart.FileHeader) ([]byte, error) {
	f, err := file.Open()
	if err != nil {
		return nil, err
	}
	defer f.Close()
	return io.ReadAll(io.LimitReader(f, table.MaxBytes+1))
}

// writeTable is a clip's range as CSV; ?separator= is another one than the comma.
func (s *Server) writeTable(c *gin.Context) {
	st, err := s.Store.State(c, c.Param("id"))
	if err != nil {
		fail(c, err)
		return
	}
	separator, _ := utf8.DecodeRuneInString(c.DefaultQuery("separator", ","))
	if separator != ',' && separator != ';' && separator != '\t' {
		fail(c, clip.Fault("separator", "cells are parted by a comma, a semicolon or a tab"))
		return
	}
	attachment(c, fmt.Sprintf("%s range.csv", st.Clip.Name))
	c.Data(http.StatusOK, "text/csv; charset=utf-8", table.Write(st.Clip, separator))
}
