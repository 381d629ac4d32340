// Package workbook reads the cells of Office Open XML workbooks (.xlsx, ECMA-376).
package workbook

import (
	"bytes"
	"errors"
	"fmt"
	"strings"

	"billow/core/table"

	"github.com/xuri/excelize/v2"
)

// MaxUnpacked is how large what is packed in a workbook is at most, bytes.
const MaxUnpacked = 100 << 20

// Is tells whether a file is a workbook: a zip, or one of the older kind.
func Is(file []byte) bool {
	return bytes.HasPrefix(file, []byte("PK\x03\x04")) || bytes.HasPrefix(file, []byte("\xd0\xcf\x11\xe0"))
}

// Rows are the cells of a workbook's first sheet that has any, as they are shown; of formulas what they
// gave when they were last worked out. Macros are not run, nor read.
func Rows(file []byte) (rows [][]string, err error) {
	if bytes.HasPrefix(file, []byte("\xd0\xcf\x11\xe0")) {
		return nil, errors.New("this workbook is locked by a password, or of a kind that is older than 2007; save it as .xlsx without a password, or as CSV")
	}
	defer func() {
		if p := recover(); p != nil { // a reader of files from anywhere must not end the server
			rows, err = nil, errors.New("this workbook cannot be read; save it again, or as CSV")
		}
	}()
	f, err := excelize.OpenReader(bytes.NewReader(file), excelize.Options{UnzipSizeLimit: MaxUnpacked, UnzipXMLSizeLimit: MaxUnpacked})
	if err != nil {
		if strings.Contains(err.Error(), "limit") {
			return nil, fmt.Errorf("this workbook unpacks to more than %d MB", MaxUnpacked>>20)
		}
		return nil, errors.New("this file is no workbook that can be read; save it as .xlsx, or as CSV")
	}
	defer f.Close()
	for _, sheet := range f.GetSheetList() {
		if rows, err = sheetRows(f, sheet); err != nil || len(rows) > 0 {
			return rows, err
		}
	}
	return nil, errors.New("the workbook is empty")
}

func sheetRows(f *excelize.File, sheet string) (out [][]string, err error) {
	rows, err := f.Rows(sheet)
	if err != nil {
		return nil, nil // a sheet of charts has no rows
	}
	defer rows.Close()
	for rows.Next() {
		cells, err := rows.Columns()
		if err != nil {
			return nil, errors.New("this workbook cannot be read; save it again, or as CSV")
		}
		if out = append(out, cells); len(out) > table.MaxRows {
			return nil, table.ErrLong
		}
	}
	return table.Trimmed(out), nil
}
