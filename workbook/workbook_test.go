package workbook

import (
	"archive/zip"
	"bytes"
	"io"
	"reflect"
	"strings"
	"testing"

	"github.com/xuri/excelize/v2"
)

func file(t *testing.T, fill func(f *excelize.File)) []byte {
	t.Helper()
	f := excelize.NewFile()
	defer f.Close()
	fill(f)
	var b bytes.Buffer
	if err := f.Write(&b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestCellsAreReadAsTheyAreShown(t *testing.T) {
	in := file(t, func(f *excelize.File) {
		if _, err := f.NewSheet("Prices"); err != nil {
			t.Fatal(err)
		}
		money := "#,##0.00"
		style, err := f.NewStyle(&excelize.Style{CustomNumFmt: &money})
		if err != nil {
			t.Fatal(err)
		}
		for cell, v := range map[string]any{"A1": "Name", "B1": "Price", "A2": "Mug", "B2": 1299.5, "A4": "Lamp", "B4": "12,50"} {
			if err := f.SetCellValue("Prices", cell, v); err != nil {
				t.Fatal(err)
			}
		}
		if err := f.SetCellStyle("Prices", "B2", "B2", style); err != nil {
			t.Fatal(err)
		}
		if err := f.SetCellFormula("Prices", "C2", "1+1"); err != nil {
			t.Fatal(err)
		}
	})
	rows, err := Rows(in) // the first sheet is empty
	for i := range rows {
		rows[i] = rows[i][:2]
	}
	if want := [][]string{{"Name", "Price"}, {"Mug", "1,299.50"}, {"Lamp", "12,50"}}; err != nil || !reflect.DeepEqual(rows, want) {
		t.Errorf("%q %v", rows, err)
	}
}

func TestWhatIsNoWorkbookIsRefused(t *testing.T) {
	bomb := func() []byte {
		good := file(t, func(*excelize.File) {})
		in, err := zip.NewReader(bytes.NewReader(good), int64(len(good)))
		if err != nil {
			t.Fatal(err)
		}
		var b bytes.Buffer
		out := zip.NewWriter(&b)
		for _, part := range in.File {
			w, err := out.Create(part.Name)
			if err != nil {
				t.Fatal(err)
			}
			if strings.HasSuffix(part.Name, "sheet1.xml") {
				for range 200 { // megabytes of spaces
					if _, err := w.Write(bytes.Repeat([]byte{' '}, 1<<20)); err != nil {
						t.Fatal(err)
					}
				}
				continue
			}
			r, err := part.Open()
			if err != nil {
				t.Fatal(err)
			}
			if _, err := io.Copy(w, r); err != nil {
				t.Fatal(err)
			}
		}
		if err := out.Close(); err != nil {
			t.Fatal(err)
		}
		return b.Bytes()
	}
	for _, c := range []struct {
		in   []byte
		says string
	}{
		{[]byte("PK\x03\x04 and nothing"), "no workbook"}, {[]byte("\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1"), "older than 2007"},
		{bomb(), "unpacks to more than 100 MB"}, {file(t, func(*excelize.File) {}), "empty"},
	} {
		if !Is(c.in) {
			t.Errorf("%.8q does not begin as a workbook", c.in)
		}
		if _, err := Rows(c.in); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%.8q: %v, want %q", c.in, err, c.says)
		}
	}
	long := file(t, func(f *excelize.File) {
		w, err := f.NewStreamWriter("Sheet1")
		if err != nil {
			t.Fatal(err)
		}
		for i := range 50_000 {
			cell, _ := excelize.CoordinatesToCellName(1, i+1)
			if err := w.SetRow(cell, []any{"Mug"}); err != nil {
				t.Fatal(err)
			}
		}
		if err := w.Flush(); err != nil {
			t.Fatal(err)
		}
	})
	if _, err := Rows(long); err == nil || !strings.Contains(err.Error(), "more than 5000 rows") {
		t.Errorf("50,000 rows: %v", err)
	}
}
