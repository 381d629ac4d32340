package hardship

import (
	"context"
	"testing"
	"time"
)

// BenchmarkEditors is how long people wait for an edit to be stored while 100
// edit a clip of their own and 20 more one together, for a minute, all with
// pictures in them. They run on the same machine as the server.
func BenchmarkEditors(b *testing.B) {
	for range b.N {
		r, err := ManyEditors(context.Background(), binary, 100, 20, time.Minute, 750*time.Millisecond)
		if err != nil {
			b.Fatal(err)
		}
		b.ReportMetric(float64(r.Edits), "edits")
		b.ReportMetric(float64(r.Lost+r.Failures), "lost")
		for name, d := range map[string]time.Duration{"ms-p50": r.P50, "ms-p95": r.P95, "ms-p99": r.P99, "ms-worst": r.Max} {
			b.ReportMetric(float64(d.Microseconds())/1000, name)
		}
	}
}
