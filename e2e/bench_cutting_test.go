package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"net/http"
	"os"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"
	"golang.org/x/image/draw"
)

// enlarged is a photo of the sample world at 12 megapixels, as a JPEG file.
func enlarged(b *testing.B, name string) []byte {
	b.Helper()
	file, err := os.ReadFile("../demo/photos/" + name + ".jpg")
	if err != nil {
		b.Fatal(err)
	}
	m, err := jpeg.Decode(bytes.NewReader(file))
	if err != nil {
		b.Fatal(err)
	}
	large := image.NewRGBA(image.Rect(0, 0, 4000, 3000))
	draw.CatmullRom.Scale(large, large.Rect, m, m.Bounds(), draw.Src, nil)
	var out bytes.Buffer
	if err := jpeg.Encode(&out, large, &jpeg.Options{Quality: 90}); err != nil {
		b.Fatal(err)
	}
	return out.Bytes()
}

// benchedAs brings a photo in and lays it on the Bench.
func benchedAs(b *testing.B, s *Site, name string, file []byte) (id string) {
	b.Helper()
	post := func(path, kind string, body []byte, out any) {
		r, err := http.Post(s.URL+path, kind, bytes.NewReader(body))
		if err != nil {
			b.Fatal(err)
		}
		defer r.Body.Close()
		if err := json.NewDecoder(r.Body).Decode(out); err != nil || r.StatusCode >= 300 {
			b.Fatalf("%s: %s, %v", path, r.Status, err)
		}
	}
	var came struct{ Hash string }
	post("/api/props?name="+name+".jpg", "image/jpeg", file, &came)
	var cut struct{ ID string }
	post("/api/cuts", "application/json", fmt.Appendf(nil, `{"photo":%q,"name":%q}`, came.Hash, name), &cut)
	return cut.ID
}

// BenchmarkCutting opens photos of 12 megapixels on the Bench, one before a plain ground and one
// on a table, and paints strokes. It prints the milliseconds from the choice of a photo until its
// first guess is seen, and from the end of a stroke until its answer is.
func BenchmarkCutting(b *testing.B) {
	s, err := NewSite(400)
	if err != nil {
		b.Fatal(err)
	}
	defer s.Close()
	fresh, end, err := Chromium(1280, 800)
	if err != nil {
		b.Fatal(err)
	}
	defer end()
	p, err := Open(fresh, s.URL+"/clips/breakfast-outside/bench", 1280, 800)
	if err != nil {
		b.Fatal(err)
	}
	p.MustWait(`() => document.querySelector('.layers')?.dataset.cuts > 0`)
	for _, photo := range []struct{ name, ground string }{{"kettle-photo", "plain"}, {"tin-photo", "mixed"}} {
		benchedAs(b, s, photo.ground, enlarged(b, photo.name))
		p.MustReload().MustWait(`() => document.querySelector('.layers')?.dataset.cuts > 0`)
		// Another photo first, so that the engine is warm and this one is new to it.
		p.MustElement(`.strip button[title^="Part of"]`).MustClick()
		p.MustWait(`() => document.querySelector('.side h2')?.textContent.startsWith('Part of') && !document.querySelector('.busy')`)
		guess := answered(b, p, func() { p.MustElement(`.strip button[title="` + photo.ground + `"]`).MustClick() })
		b.ReportMetric(guess, "ms-first-"+photo.ground)
		var strokes float64
		const n = 4
		for i := range n {
			strokes += answered(b, p, func() { stroke(p, 240+20*float64(i), 430, 260+20*float64(i), 450) })
		}
		b.ReportMetric(strokes/n, "ms-stroke-"+photo.ground)
	}
	b.ReportMetric(0, "ns/op")
}

// answered is how many milliseconds it takes until a cut is seen after something was done.
func answered(b *testing.B, p *rod.Page, do func()) float64 {
	b.Helper()
	p.MustEval(`() => {
		window.answeredAt = 0
		window.askedAt = performance.now()
		const asked = () => (window.askedAt = performance.now())
		addEventListener('pointerup', asked, { capture: true, once: true })
		const seen = new MutationObserver(() => {
			window.answeredAt = performance.now()
			seen.disconnect()
		})
		seen.observe(document.body, { subtree: true, attributes: true, attributeFilter: ['data-cuts'] })
	}`)
	do()
	p.MustWait(`() => window.answeredAt > 0`)
	return p.MustEval(`() => window.answeredAt - window.askedAt`).Num()
}

// stroke drags over the photo.
func stroke(p *rod.Page, x0, y0, x1, y1 float64) {
	p.Mouse.MustMoveTo(x0, y0).MustDown(proto.InputMouseButtonLeft)
	if err := p.Mouse.MoveLinear(proto.NewPoint(x1, y1), 6); err != nil {
		panic(err)
	}
	p.Mouse.MustUp(proto.InputMouseButtonLeft)
}
