package e2e

import (
	"encoding/base64"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"testing"

	"billow/core/paint"
	"billow/core/svg"
)

// TestDrawingsAgreeWithTheBrowser draws files of SVG, and the browser does.
func TestDrawingsAgreeWithTheBrowser(t *testing.T) {
	u := visit(t, "/")
	files, err := filepath.Glob("../core/svg/testdata/*.svg")
	if err != nil || len(files) < 15 {
		t.Fatal(len(files), err)
	}
	const side = 300
	for _, name := range files {
		file, err := os.ReadFile(name)
		if err != nil {
			t.Fatal(err)
		}
		d, err := svg.Read(file)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		w, h := side, side
		if d.W != d.H {
			h = int(math.Round(side * d.H / d.W))
		}
		b := onWhite(w, h, paint.NewSheet(d.Draw(w, h), 0, 0, 1))
		shown := u.shown(fmt.Sprintf(`<img width=\"%d\" height=\"%d\" style=\"display:block\" src=\"data:image/svg+xml;base64,%s\">`,
			w, h, base64.StdEncoding.EncodeToString(file)), w, h, 4)
		sum, far := 0.0, 0
		for i, want := range shown {
			for k, v := range want {
				d := math.Abs(float64(b.Pix[i]>>(8*k)&255) - float64(v))
				sum += d
				if d > 64 {
					far++
				}
			}
		}
		mean := sum / float64(3*len(shown))
		t.Logf("%s: %.3f levels on the whole, %d values far off; %v", filepath.Base(name), mean, far, d.Notes)
		if mean > 2 || far > 3*len(shown)/500 {
			t.Errorf("%s: the browser has %.2f levels otherwise on the whole, %d values by more than a quarter", filepath.Base(name), mean, far)
		}
	}
}
