package e2e

import (
	"testing"

	"billow/demo"

	"github.com/go-rod/rod"
)

// watchOpening notes when the engine's own picture is first on the Tabletop,
// milliseconds after the page was asked for.
const watchOpening = `{
	const watch = () => {
		const canvas = document.querySelector('.tabletop canvas')
		if (canvas?.dataset.frame !== undefined) window.trueAfter = performance.now()
		else requestAnimationFrame(watch)
	}
	watch()
}`

// BenchmarkOpening opens a sample clip with pictures of full size: cold in a
// browser that has never been here, warm in the same one again. It prints the
// time until the true picture is there, and what the first visit transfers: the
// engine, and all of it.
func BenchmarkOpening(b *testing.B) {
	s, err := NewSite(demo.Side)
	if err != nil {
		b.Fatal(err)
	}
	defer s.Close()
	opened := func(p *rod.Page, visit func() error) float64 {
		if err := visit(); err != nil {
			b.Fatal(err)
		}
		if err := p.Timeout(patience).Wait(rod.Eval(`() => window.trueAfter > 0`)); err != nil {
			b.Fatal(err)
		}
		return p.MustEval(`() => window.trueAfter`).Num()
	}
	var cold, warm float64
	runs := 3
	for range runs {
		fresh, end, err := Chromium(1280, 800)
		if err != nil {
			b.Fatal(err)
		}
		p, err := Open(fresh, "about:blank", 1280, 800)
		if err != nil {
			b.Fatal(err)
		}
		p.MustEvalOnNewDocument(watchOpening)
		before := s.Sent.Load()
		cold += opened(p, func() error { return p.Navigate(s.URL + "/clips/lantern-weekend") })
		if err := p.Timeout(patience).WaitIdle(patience); err != nil {
			b.Fatal(err)
		}
		all := s.Sent.Load() - before
		engine := p.MustEval(`() => performance.getEntriesByType('resource').find((r) => r.name.endsWith('.wasm')).transferSize`).Num()
		b.ReportMetric(float64(all)/1e6, "MB-first-visit")
		b.ReportMetric(engine/1e6, "MB-engine")
		// What was kept of the page is used from the second visit on.
		opened(p, p.Reload)
		warm += opened(p, p.Reload)
		end()
	}
	b.ReportMetric(cold/float64(runs), "ms-cold")
	b.ReportMetric(warm/float64(runs), "ms-warm")
	b.ReportMetric(0, "ns/op")
}
