package e2e

import "testing"

// BenchmarkHearInThePage is how many times faster than real time the engine of the page hears a tune of 74 seconds:
// beats, sections and hits.
func BenchmarkHearInThePage(b *testing.B) {
	u := visit(b, "/clips/packed-for-the-ridge")
	u.ready()
	r, err := u.page.Eval(`async (n) => {
		const e = window.billowEditor
		const tune = e.clip.props.find((p) => p.id === 'ridge-line')
		const bytes = new Uint8Array(await (await fetch('/api/files/' + tune.hash + '/sound')).arrayBuffer())
		const began = performance.now()
		for (let i = 0; i < n; i++) await e.ask('hear', null, bytes)
		return (n * tune.sound.seconds * 1000) / (performance.now() - began)
	}`, b.N)
	u.must("hearing", err)
	b.ReportMetric(r.Value.Num(), "x-real-time")
	b.ReportMetric(0, "ns/op")
}
