package main

import (
	"bytes"
	"encoding/csv"
	"image/png"
	"os"
	"path/filepath"
	"strings"
	"testing"
)

func listed(t *testing.T, folder string) []string {
	t.Helper()
	entries, err := os.ReadDir(folder)
	if err != nil {
		t.Fatal(err)
	}
	var out []string
	for _, e := range entries {
		out = append(out, e.Name())
	}
	return out
}

func tableFile(t *testing.T, name, text string) string {
	t.Helper()
	path := filepath.Join(t.TempDir(), name)
	if err := os.WriteFile(path, []byte(text), 0o600); err != nil {
		t.Fatal(err)
	}
	return path
}

// A table of products becomes a file for each, in each shape and language, and a table of them.
func TestVariantsFromTheCommandLine(t *testing.T) {
	bundle := filepath.Join(sample, "autumn-range.zip")
	out := filepath.Join(t.TempDir(), "out")
	table := tableFile(t, "range.csv", "Name;Price;Old price;Picture;Name (de)\nStorm lantern;45,00;69,00;;\nTin, honey;29,90;;tin-honey;Honigdose\n")
	_, problems, code := billow(t, "variants", bundle, "--products", table, "--shapes", "9:16,square", "--languages", "en,de", "--files", "{name}_{shape}_{language}", "--posters", "--out", out)
	if code != 0 {
		t.Fatal(problems)
	}
	want := "contents.csv honigdose_square_de.png honigdose_tall_de.png storm-lantern_square_en.png"
	if got := strings.Join(listed(t, out), " "); len(listed(t, out)) != 9 || !strings.Contains(got, "storm-lantern_tall_en.png") || !strings.Contains(got, "tin-honey_square_de.png") {
		t.Errorf("%s was written, want such as %s", got, want)
	}
	file, err := os.ReadFile(filepath.Join(out, "contents.csv"))
	if err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(bytes.NewReader(bytes.TrimPrefix(file, []byte("\ufeff")))).ReadAll()
	if err != nil || len(rows) != 9 || rows[1][2] != "45.00" {
		t.Errorf("%q %v", rows, err)
	}
	f, err := os.Open(filepath.Join(out, "storm-lantern_tall_en.png"))
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	if m, err := png.Decode(f); err != nil || m.Bounds().Dy() != 1920 {
		t.Errorf("it is %v, %v", m.Bounds(), err)
	}
}

// What cannot be is refused before anything is written; what must not be posted is left out.
func TestVariantsThatCannotBeAreSaid(t *testing.T) {
	bundle := filepath.Join(sample, "autumn-range.zip")
	for name, c := range map[string]struct {
		args []string
		says string
		code int
	}{
		"no folder":   {nil, "out", 2},
		"no table":    {[]string{"--products", "/nowhere.csv", "--out", t.TempDir()}, "nowhere", 3},
		"wrong price": {[]string{"--products", tableFile(t, "a.csv", "name,price\nMug,-5\n"), "--out", t.TempDir()}, "row 2, column 2: the price \"-5\" is below zero", 3},
		"binary":      {[]string{"--products", tableFile(t, "b.csv", "\x00\x01"), "--out", t.TempDir()}, "no table", 3},
		"no shape":    {[]string{"--shapes", "round", "--out", t.TempDir()}, "round", 3},
		"no language": {[]string{"--languages", "tlh", "--out", t.TempDir()}, "tlh", 3},
	} {
		_, problems, code := billow(t, append([]string{"variants", bundle}, c.args...)...)
		if code != c.code || !strings.Contains(problems, c.says) {
			t.Errorf("%s: %d %s, want %d and %q", name, code, problems, c.code, c.says)
		}
	}
	if _, problems, code := billow(t, "variants", filepath.Join(sample, "trail-parade.zip"), "--products", tableFile(t, "p.csv", "name,price\nMug,5\n"), "--out", t.TempDir()); code != 3 || !strings.Contains(problems, "follows its product") {
		t.Errorf("a clip that follows no product: %d %s", code, problems)
	}
	out := filepath.Join(t.TempDir(), "out")
	_, problems, code := billow(t, "variants", bundle, "--products", tableFile(t, "c.csv", "name,price,picture\nMug,5,mug\nLamp,,mug\n"), "--shapes", "square", "--languages", "en", "--posters", "--out", out)
	contents, err := os.ReadFile(filepath.Join(out, "contents.csv"))
	if text := string(contents); err != nil || !strings.Contains(text, "mug-square-en.png,Mug,5.00,,EUR,square,en,") || !strings.Contains(text, "\"left out: ") || !strings.Contains(text, "which Lamp does not have") {
		t.Errorf("the table of contents says %q, %v", text, err)
	}
	if got := strings.Join(listed(t, out), " "); code != 3 || got != "contents.csv mug-square-en.png" || !strings.Contains(problems, "asks for {price}, which Lamp does not have") || !strings.Contains(problems, "1 of 2 variants were left out") {
		t.Errorf("%d %s: %s", code, got, problems)
	}
}
