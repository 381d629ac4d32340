package server_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"mime/multipart"
	"net/http"
	"strings"
	"testing"

	"github.com/xuri/excelize/v2"
)

// tableOf sends a table to be read.
func tableOf(t *testing.T, id string, file []byte, fields map[string]string) (int, map[string]any) {
	t.Helper()
	var body bytes.Buffer
	form := multipart.NewWriter(&body)
	w, err := form.CreateFormFile("table", "table.csv")
	if err != nil {
		t.Fatal(err)
	}
	if _, err := w.Write(file); err != nil {
		t.Fatal(err)
	}
	for name, text := range fields {
		if err := form.WriteField(name, text); err != nil {
			t.Fatal(err)
		}
	}
	if err := form.Close(); err != nil {
		t.Fatal(err)
	}
	answer, err := http.Post(url+"/api/clips/"+id+"/range/read", form.FormDataContentType(), &body)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	var out map[string]any
	_ = json.NewDecoder(answer.Body).Decode(&out)
	return answer.StatusCode, out
}

func workbookOf(t *testing.T, rows ...[]any) []byte {
	t.Helper()
	f := excelize.NewFile()
	defer f.Close()
	for i, row := range rows {
		cell, err := excelize.CoordinatesToCellName(1, i+1)
		if err != nil {
			t.Fatal(err)
		}
		if err := f.SetSheetRow("Sheet1", cell, &row); err != nil {
			t.Fatal(err)
		}
	}
	var out bytes.Buffer
	if err := f.Write(&out); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// A table is read and nothing is changed; CSV and workbooks give the same.
func TestATableIsReadBeforeAnythingChanges(t *testing.T) {
	id := newClip(t)
	for name, file := range map[string][]byte{
		"csv": []byte("Name;Price;Old price\nMug;12,50;15,00\n"), "workbook": workbookOf(t, []any{"Name", "Price", "Old price"}, []any{"Mug", 12.5, "15.00"}),
	} {
		status, out := tableOf(t, id, file, nil)
		reading, _ := out["reading"].(map[string]any)
		products, _ := reading["products"].([]any)
		if status != http.StatusOK || len(products) != 1 {
			t.Fatalf("%s gives %d %v", name, status, out)
		}
		if p := products[0].(map[string]any); p["price"] != "12.50" || p["oldPrice"] != "15.00" {
			t.Errorf("%s: %v", name, p)
		}
	}
	if _, out := ask(t, "GET", "/api/clips/"+id, nil); strings.Contains(string(must(json.Marshal(out))), "Mug") {
		t.Error("the clip was changed")
	}
}

func must(b []byte, err error) []byte {
	if err != nil {
		panic(err)
	}
	return b
}

// What is no table is refused with a sentence that says what to do.
func TestBadTablesAreRefused(t *testing.T) {
	id := newClip(t)
	var macros bytes.Buffer // a workbook with a program in it is read as any other, and the program is not
	good := workbookOf(t, []any{"Name", "Price"}, []any{"Mug", "3"})
	in, err := zip.NewReader(bytes.NewReader(good), int64(len(good)))
	if err != nil {
		t.Fatal(err)
	}
	z := zip.NewWriter(&macros)
	for _, f := range in.File {
		if err := z.Copy(f); err != nil {
			t.Fatal(err)
		}
	}
	w, err := z.Create("xl/vbaProject.bin")
	if err != nil {
		t.Fatal(err)
	}
	if _, err := w.Write([]byte("Sub Auto_Open()")); err != nil {
		t.Fatal(err)
	}
	if err := z.Close(); err != nil {
		t.Fatal(err)
	}
	if status, out := tableOf(t, id, macros.Bytes(), nil); status != http.StatusOK {
		t.Errorf("a workbook with macros gives %d %v", status, out)
	}
	for name, c := range map[string]struct {
		file   []byte
		fields map[string]string
		says   string
	}{
		"binary":    {[]byte("\x7fELF\x02\x01\x01\x00\x00"), nil, "no table"},
		"empty":     {nil, nil, "empty"},
		"long":      {[]byte("name\n" + strings.Repeat("Mug\n", 50000)), nil, "more than 5000 rows"},
		"zip":       {[]byte("PK\x03\x04nothing"), nil, "no workbook"},
		"options":   {[]byte("name\nMug\n"), map[string]string{"options": "{"}, "cannot be read"},
		"point":     {[]byte("name\nMug\n"), map[string]string{"options": `{"point":"x"}`}, "decimals"},
		"separator": {[]byte("name\nMug\n"), map[string]string{"separator": "\""}, "cannot part"},
		"columns":   {[]byte("name\nMug\n"), map[string]string{"options": `{"columns":["na me"]}`}, "cannot be the name"},
		"language":  {[]byte("name\nMug\n"), map[string]string{"options": `{"columns":["name@tlh"]}`}, "no language"},
	} {
		if status, out := tableOf(t, id, c.file, c.fields); status != http.StatusUnprocessableEntity || !strings.Contains(field(out), c.says) {
			t.Errorf("%s gives %d %s, want %q", name, status, field(out), c.says)
		}
	}
	if status, _ := ask(t, "POST", "/api/clips/"+id+"/range/read", "no form"); status != http.StatusUnprocessableEntity {
		t.Errorf("what is no form gives %d", status)
	}
	if status, _ := ask(t, "GET", "/api/clips/"+id+"/range.csv?separator=x", nil); status != http.StatusUnprocessableEntity {
		t.Errorf("another separator gives %d", status)
	}
	if status, _ := ask(t, "GET", "/api/clips/nobody/range.csv", nil); status != http.StatusNotFound {
		t.Errorf("a clip that is not there gives %d", status)
	}
}

// Variants that are not there, and exports of none, are refused with a sentence.
func TestVariantsThatCannotBeAreRefused(t *testing.T) {
	id := newClip(t)
	mug := `{"type":"setProduct","product":{"id":"mug","name":"Enamel mug","price":"14.90","oldPrice":"","currency":"EUR"}}`
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, mug)); status != 200 {
		t.Fatalf("%d %v", status, out)
	}
	for path, says := range map[string]string{
		"poster.jpg?product=nobody&shape=tall": "no product", "poster.jpg?product=mug&shape=round": "no shape", "poster.jpg?product=mug&shape=tall&side=9": "16 to", "poster.jpg?product=mug&shape=tall&side=x": "16 to",
	} {
		if status, out := ask(t, "GET", "/api/clips/"+id+"/variants/"+path, nil); status != http.StatusUnprocessableEntity || !strings.Contains(field(out), says) {
			t.Errorf("%s gives %d %s", path, status, field(out))
		}
	}
	if status, out := ask(t, "POST", "/api/clips/"+id+"/variants/exports", `{}`); status != http.StatusUnprocessableEntity || !strings.Contains(field(out), "choose products") {
		t.Errorf("an export of none gives %d %s", status, field(out))
	}
	if status, _ := ask(t, "GET", "/api/exports/nobody", nil); status != http.StatusNotFound {
		t.Errorf("a zip of an export that is not there gives %d", status)
	}
	if status, out := ask(t, "GET", "/api/clips/"+id+"/variants/poster.jpg?product=mug&shape=tall", nil); status != http.StatusOK {
		t.Errorf("a poster gives %d %v", status, out)
	}
}
